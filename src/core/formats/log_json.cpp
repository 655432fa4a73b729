#include "formats/log_json.h"

#include "formats/csv.h"

#include <nlohmann/json.hpp>

#include <array>
#include <cstdio>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

Json takeToJson(const log::TakeSummary& take)
{
    const auto& f = take.figures;
    Json json{{"take", take.name}, {"made_at", take.made_at}, {"pass", take.pass}, {"reader", take.reader}};
    for (const auto& [member, value] :
        {std::pair("title", &take.title), std::pair("comment", &take.comment), std::pair("way", &take.way)}) {
        if (!value->empty()) {
            json[member] = *value;
        }
    }
    json.update({{"simulated", take.simulated}, {"whole", take.whole}, {"dud", take.dud},
        {"judged", f.judged}, {"on_time", f.on_time}, {"early", f.early}, {"late", f.late},
        {"missed", f.missed}, {"misread", f.misread}, {"on_time_share", f.on_time_share},
        {"median_lead_error_s", take.median_lead_error_s}, {"rate_syll_s", f.rate_syll_s},
        {"drift_s_per_min", f.drift_s_per_min}, {"plan_faults", take.plan_faults},
        {"reading_faults", take.reading_faults}});
    return json;
}

} // namespace

Json rallyToJson(const log::Rally& rally)
{
    Json stages = Json::array();
    for (const auto& stage : rally.stages) {
        Json json{{"stage", stage.name}, {"folder", stage.folder.filename().string()}};
        if (stage.runs > 1) {
            json["runs"] = stage.runs;
        }
        if (!stage.problem.empty()) {
            json["problem"] = stage.problem;
        } else {
            json.update({{"pass", stage.pass}, {"length_m", stage.length_m}, {"notes", stage.notes},
                {"placed", stage.placed}, {"squeezes", stage.squeezes}});
        }
        Json takes = Json::array();
        for (const auto& take : stage.takes) {
            takes.push_back(takeToJson(take));
        }
        json["takes"] = std::move(takes);
        stages.push_back(std::move(json));
    }
    Json json{{"format", "brumefall/log/1"}, {"rally", rally.name}};
    if (!rally.problem.empty()) {
        json["problem"] = rally.problem;
    }
    json["stages"] = std::move(stages);
    return json;
}

std::string rallyToCsv(const log::Rally& rally)
{
    std::string csv = "stage,take,made_at,title,pass,reader,way,simulated,whole,judged_notes,on_time_notes,"
                      "early_notes,late_notes,missed_notes,misread_notes,on_time_percent,median_lead_error_s,"
                      "rate_syllables_per_s,drift_s_per_min,plan_faults,reading_faults,comment\n";
    for (const auto& stage : rally.stages) {
        for (const auto& take : stage.takes) {
            const auto& f = take.figures;
            std::array<char, 256> figures{};
            std::snprintf(figures.data(), figures.size(), "%d,%d,%d,%d,%d,%d,%d,%d,%.1f,%.2f,%.2f,%.2f,%d,%d",
                take.simulated ? 1 : 0, take.whole ? 1 : 0, f.judged, f.on_time, f.early, f.late, f.missed,
                f.misread, 100.0 * f.on_time_share, take.median_lead_error_s, f.rate_syll_s,
                f.drift_s_per_min, take.plan_faults, take.reading_faults);
            for (const auto* cell :
                {&stage.name, &take.name, &take.made_at, &take.title, &take.pass, &take.reader, &take.way}) {
                csv += csvCell(*cell) + ",";
            }
            csv += figures.data();
            csv += "," + csvCell(take.comment) + "\n";
        }
    }
    return csv;
}

Json tonightToJson(const std::vector<log::DrillStretch>& stretches)
{
    Json list = Json::array();
    for (const auto& drill : stretches) {
        list.push_back(
            {{"stage", drill.stage}, {"pass", drill.pass}, {"first", drill.first}, {"last", drill.last},
                {"minutes", drill.minutes}, {"why", drill.why}, {"way", take::toString(drill.way)}});
    }
    return {{"format", "brumefall/tonight/1"}, {"stretches", std::move(list)}};
}

} // namespace brumefall::formats
