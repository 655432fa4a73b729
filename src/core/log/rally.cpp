#include "log/rally.h"

#include "formats/files.h"
#include "formats/kind_file.h"
#include "log/take_reader.h"
#include "maths/quantile.h"
#include "wording/wording.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <atomic>
#include <future>
#include <thread>

namespace brumefall::log {
namespace {

namespace fs = std::filesystem;
constexpr std::size_t kMostStages = 500;

/// Name and order of the stages, as rally.brumefall has them.
struct RallyFile {
    std::string name;
    std::string dates;
    std::string problem;
    std::vector<std::string> order;
};

RallyFile readRallyFile(const fs::path& file)
{
    RallyFile out;
    std::error_code ignored;
    if (!fs::is_regular_file(file, ignored)) {
        return out;
    }
    try {
        const auto json = formats::readKind(file, "rally");
        formats::reading(file, [&] {
            out.name = json.value("name", "");
            out.dates = json.value("dates", "");
            for (const auto& stage : json.value("stages", nlohmann::ordered_json::array())) {
                out.order.push_back(stage.get<std::string>());
            }
        });
    } catch (const formats::FormatError& error) {
        out.problem = error.what();
    }
    return out;
}

void readPasses(StageSummary& summary, const stage::Stage& stage)
{
    std::optional<pace::Pass> best;
    for (const auto& file : stage::listJson(summary.folder / "passes")) {
        try {
            auto pass = stage::readPass(file);
            if (!best || (pass.kind == "stage" && best->kind != "stage")) {
                best = std::move(pass);
            }
        } catch (const formats::FormatError& error) {
            summary.broken_takes.emplace_back(error.what());
        }
    }
    const auto prepared = stage::prepare(stage, best ? &*best : nullptr);
    summary.pass = best ? best->name : "";
    summary.notes = prepared.placement.notes.size();
    summary.placed = static_cast<std::size_t>(std::count_if(prepared.placement.notes.begin(),
        prepared.placement.notes.end(), [](const auto& note) { return note.marked; }));
    summary.squeezes = prepared.plan.squeezes.size();
    summary.length_m = prepared.placement.pace.empty() ? 0.0 : prepared.placement.pace.length_m();
    summary.plan = prepared.plan;
}

StageSummary readStageSummary(const fs::path& folder)
{
    StageSummary summary;
    summary.folder = folder;
    summary.name = folder.filename().string();
    try {
        const auto stage = stage::readStage(folder / "stage.brumefall");
        summary.name = stage.name.empty() ? summary.name : stage.name;
        readPasses(summary, stage);
    } catch (const std::exception& error) {
        summary.problem = error.what();
        return summary;
    }
    for (const auto& file : stage::listJson(folder / "takes")) {
        try {
            summary.takes.push_back(summaryOf(readTakeForLog(file)));
        } catch (const std::exception& error) {
            summary.broken_takes.emplace_back(error.what());
        }
    }
    std::stable_sort(summary.takes.begin(), summary.takes.end(),
        [](const TakeSummary& a, const TakeSummary& b) { return a.made_at < b.made_at; });
    return summary;
}

/// In the order of `folders`, a few at a time.
std::vector<StageSummary> readStages(const std::vector<fs::path>& folders)
{
    constexpr std::size_t kAtOnce = 4;
    std::vector<StageSummary> stages(folders.size());
    std::atomic<std::size_t> next = 0;
    const auto readOn = [&] {
        for (std::size_t i = next++; i < folders.size(); i = next++) {
            stages[i] = readStageSummary(folders[i]);
        }
    };
    std::vector<std::future<void>> readers;
    for (std::size_t i = 1;
         i < std::min<std::size_t>({kAtOnce, folders.size(), std::thread::hardware_concurrency()}); ++i) {
        readers.push_back(std::async(std::launch::async, readOn));
    }
    readOn();
    for (auto& reader : readers) {
        reader.get();
    }
    return stages;
}

bool isStage(const fs::path& folder)
{
    std::error_code ignored;
    return fs::is_regular_file(folder / "stage.brumefall", ignored);
}

} // namespace

TakeSummary summaryOf(const stage::Take& take)
{
    constexpr double kWhole = 0.8;
    TakeSummary out;
    out.name = take.name;
    out.made_at = take.made_at;
    out.pass = take.pass;
    out.title = take.title;
    out.comment = take.comment;
    out.reader = take.reader;
    out.way = take.way;
    out.recorded_s = take.recorded_s;
    out.simulated = take.reader == stage::kSimulatedReader;
    out.figures = take::figures(take.plan, take.verdicts);
    out.dud = out.figures.judged == 0 || out.figures.missed == out.figures.judged;
    out.whole = take.first.empty() && !take.verdicts.empty()
        && static_cast<double>(out.figures.judged) >= kWhole * static_cast<double>(take.verdicts.size());
    const auto reasons = take::reasons(take.plan, take.found, take.clock, take.verdicts);
    std::vector<double> errors;
    for (std::size_t k = 0; k < take.verdicts.size(); ++k) {
        const auto& verdict = take.verdicts[k];
        if (verdict.outside_take) {
            continue;
        }
        const auto cause = k < reasons.size() ? reasons[k].cause : take::Cause::none;
        out.plan_faults += take::isPlanFault(cause) ? 1 : 0;
        out.reading_faults += cause != take::Cause::none && !take::isPlanFault(cause) ? 1 : 0;
        out.notes.push_back({verdict.id, verdict.timing, cause});
        if (verdict.heard()) {
            errors.push_back(verdict.planned_end_s - verdict.end_s);
        }
    }
    out.median_lead_error_s = errors.empty() ? 0.0 : maths::median(errors);
    return out;
}

Rally readRally(const fs::path& given)
{
    std::error_code error;
    const fs::path folder = given.filename() == "stage.brumefall" ? given.parent_path() : given;
    if (!fs::is_directory(folder, error)) {
        throw formats::FormatError(folder.string(), 0, wording::localized("file", "there is no such folder"));
    }
    Rally rally;
    rally.folder = folder;
    if (isStage(folder)) {
        rally.name = fs::absolute(folder).filename().string();
        rally.stages.push_back(readStageSummary(folder));
        return rally;
    }
    const auto file = readRallyFile(folder / "rally.brumefall");
    rally.dates = file.dates;
    rally.problem = file.problem;
    rally.name = file.name.empty() ? fs::absolute(folder).filename().string() : file.name;
    std::vector<fs::path> stages;
    for (const auto& entry : fs::directory_iterator(folder, error)) {
        if (stages.size() < kMostStages && isStage(entry.path())) {
            stages.push_back(entry.path());
        }
    }
    const auto place = [&](const fs::path& path) {
        return std::find(file.order.begin(), file.order.end(), path.filename().string()) - file.order.begin();
    };
    std::sort(stages.begin(), stages.end(), [&](const fs::path& a, const fs::path& b) {
        return place(a) != place(b) ? place(a) < place(b) : a < b;
    });
    rally.stages = readStages(stages);
    for (auto& stage : rally.stages) {
        const auto runs = std::count(file.order.begin(), file.order.end(), stage.folder.filename().string());
        stage.runs = std::max(1, static_cast<int>(runs));
    }
    return rally;
}

fs::path rallyFolder(const fs::path& stage_folder)
{
    std::error_code error;
    const fs::path own = fs::absolute(stage_folder, error).lexically_normal();
    const fs::path around = own.has_filename() ? own.parent_path() : own.parent_path().parent_path();
    if (fs::is_regular_file(around / "rally.brumefall", error)) {
        return around;
    }
    for (const auto& entry : fs::directory_iterator(around, error)) {
        if (isStage(entry.path()) && !fs::equivalent(entry.path(), own, error)) {
            return around;
        }
    }
    return own;
}

} // namespace brumefall::log
