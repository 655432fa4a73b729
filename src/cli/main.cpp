// brumefall-cli: the core for scripts. JSON on standard output, messages on standard error.

#include "arguments.h"
#include "export.h"

#include "captions/heard.h"
#include "formats/captions_json.h"
#include "formats/files.h"
#include "formats/log_json.h"
#include "formats/notes_json.h"
#include "formats/plan_json.h"
#include "formats/take_json.h"
#include "formats/verdicts_json.h"
#include "media/aligner.h"
#include "media/condense.h"
#include "media/elsewhere.h"
#include "media/follower.h"
#include "media/listener.h"
#include "media/pronunciations.h"
#include "stage/stage.h"
#include "take/causes.h"
#include "tune/tuning.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <ctime>
#include <filesystem>
#include <functional>
#include <iostream>
#include <map>
#include <optional>
#include <span>
#include <utility>

namespace {

using namespace brumefall;
using namespace brumefall::cli;
using Json = nlohmann::ordered_json;

void print(const Json& json)
{
    std::cout << json.dump(2, ' ', false, Json::error_handler_t::replace) << "\n";
}

double secondsOf(const std::string& text, bool any = false)
{
    double value = 0.0;
    const auto result = std::from_chars(text.data(), text.data() + text.size(), value);
    if (result.ec != std::errc() || result.ptr != text.data() + text.size() || !std::isfinite(value)
        || (value <= 0.0 && !any)) {
        throw UsageError{"not a time in seconds: " + text};
    }
    return value;
}

stage::Prepared prepared(const Arguments& arguments, const std::filesystem::path& folder)
{
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::passOf(folder, arguments.option("--pass"));
    const auto target = arguments.option("--target-time");
    auto result = stage::prepare(stage, pass ? &*pass : nullptr, target ? secondsOf(*target) : 0.0);
    for (const auto& doubt : result.doubts) {
        std::cerr << (folder / "stage.brumefall").string() << ":0: " << doubt.says << "\n";
    }
    for (const std::string& warning : result.placement.warnings) {
        std::cerr << (folder / "passes" / ((pass ? pass->name : "") + ".json")).string() << ":0: " << warning
                  << "\n";
    }
    return result;
}

int runNotes(const Arguments& arguments)
{
    const auto parsed = notes::parseNotes(formats::readText(arguments.positional));
    for (const auto& diagnostic : parsed.diagnostics) {
        std::cerr << arguments.positional << ":" << diagnostic.line << ": " << diagnostic.message << "\n";
    }
    print(formats::notesToJson(parsed));
    return kFine;
}

int runCaptions(const Arguments& arguments)
{
    const auto cues = captions::readCues(formats::readText(arguments.positional), arguments.positional);
    print(formats::draftToJson(captions::draftNotes(cues, {}, media::englishPronunciations())));
    return kFine;
}

int runHear(const Arguments& arguments)
{
    const auto cues = media::listen(media::decodeSound(arguments.positional, media::kAlignRate_hz), {});
    const auto draft = captions::draftNotes(cues, {}, media::englishPronunciations());
    if (!captions::isReading(draft)) {
        std::cerr << arguments.positional << ":0: nobody reads notes in it\n";
        print(formats::draftToJson({}));
        return kBadData;
    }
    auto json = formats::draftToJson(draft);
    json["heard"] = Json::array();
    for (const auto& word : captions::heardWords(cues)) {
        json["heard"].push_back({{"at_s", word.at_s}, {"word", word.word}});
    }
    print(json);
    return kFine;
}

int runPlan(const Arguments& arguments)
{
    print(formats::planToJson(prepared(arguments, stage::stageFolder(arguments.positional)).plan));
    return kFine;
}

/// A plan, and a sound that is held against it.
struct Heard {
    std::string audio;
    plan::Plan plan;
    media::Sound sound;
};

Heard planAndSound(const Arguments& arguments)
{
    const auto audio = arguments.option("--audio");
    auto plan = prepared(arguments, stage::stageFolder(arguments.positional)).plan;
    return {*audio, std::move(plan), media::decodeSound(*audio, media::kAlignRate_hz)};
}

int runAlign(const Arguments& arguments)
{
    const auto [audio, plan, sound] = planAndSound(arguments);
    const auto alignment = media::align(sound, take::expectedNotes(plan));
    if (std::none_of(alignment.notes.begin(), alignment.notes.end(), [](const auto& n) { return n.read; })) {
        std::cerr << audio
                  << ":0: nothing in it is a note of this stage: silence, talk, or another stage's notes\n";
    }
    print({{"format", "brumefall/calls/1"}, {"notes", formats::foundToJson(alignment.notes)},
        {"real_time_factor", alignment.real_time_factor}});
    return kFine;
}

/// As if the file came from a microphone, as fast as it can be heard.
int runFollow(const Arguments& arguments)
{
    const auto [audio, plan, sound] = planAndSound(arguments);
    media::Follower follower(take::expectedNotes(plan));
    const std::clock_t began = std::clock();
    constexpr std::size_t kAtOnce = media::kAlignRate_hz / 20;
    for (std::size_t at = 0; at < sound.samples.size(); at += kAtOnce) {
        follower.hear(std::span(sound.samples).subspan(at, std::min(kAtOnce, sound.samples.size() - at)));
    }
    follower.finish();
    const double used_s = static_cast<double>(std::clock() - began) / CLOCKS_PER_SEC;
    Json notes = Json::array();
    for (const auto& told : follower.told()) {
        notes.push_back(
            {{"id", plan.notes[told.note].id}, {"end_s", told.span.end_s}, {"told_s", told.told_s}});
    }
    Json lost = Json::array();
    for (const auto& span : follower.lost()) {
        lost.push_back({span.start_s, span.end_s});
    }
    print({{"format", "brumefall/follow/1"}, {"notes", std::move(notes)}, {"lost", std::move(lost)},
        {"cpu_share", sound.samples.empty() ? 0.0 : used_s / sound.duration_s()}});
    return kFine;
}

/// A reading made elsewhere. Where it is none of this stage, nothing is judged.
int runJudge(const Arguments& arguments)
{
    const auto audio = arguments.option("--audio");
    const auto name = arguments.option("--pass");
    const auto go = arguments.option("--go");
    const auto go_s = go ? std::optional(secondsOf(*go, true)) : std::nullopt;
    const auto folder = stage::stageFolder(arguments.positional);
    const auto stage = prepared(arguments, folder);
    const auto pass = stage::readPass(folder / "passes" / (*name + ".json"));
    const auto onboard = pass.media.path.empty() ? std::filesystem::path() : folder / pass.media.path;
    const auto reading = media::judgeElsewhere(
        stage, media::decodeSound(*audio, media::kAlignRate_hz), go_s, onboard, pass.go_s);
    std::cerr << *audio << ":0: " << reading.says << "\n";
    print(formats::judgedToJson(stage.plan, reading.verdicts,
        take::reasons(stage.plan, reading.found, reading.clock, reading.verdicts)));
    return reading.laid_by == media::LaidBy::nothing ? kBadData : kFine;
}

/// Leads and reader from the remarks and the takes of the stage.
int runTune(const Arguments& arguments)
{
    const auto folder = stage::stageFolder(arguments.positional);
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::passOf(folder, arguments.option("--pass"));
    std::vector<stage::Take> takes;
    int exit = kFine;
    for (const auto& file : stage::listJson(folder / "takes")) {
        try {
            takes.push_back(stage::readTake(file));
        } catch (const formats::FormatError& error) { // the others count all the same
            std::cerr << error.what() << "\n";
            exit = kBadData;
        }
    }
    const auto prepare = [&](const stage::Stage& some) {
        return stage::prepare(some, pass ? &*pass : nullptr);
    };
    const auto tuning = tune::tune(stage, prepare(stage), prepare, takes);
    for (const auto& change : tuning.classes) {
        if (change.fit.contrary) {
            std::cerr << folder.string() << ":0: what was said of " << plan::toString(change.fit.lead_class)
                      << " notes contradicts itself\n";
        }
    }
    print(formats::tuningToJson(tuning));
    return exit;
}

/// The rally in a folder; what is wrong with a stage or a take is told, and the rest counts all the same.
log::Rally rallyIn(const std::string& folder)
{
    auto rally = log::readRally(folder);
    if (!rally.problem.empty()) {
        std::cerr << rally.problem << "\n";
    }
    for (const auto& stage : rally.stages) {
        if (!stage.problem.empty()) {
            std::cerr << stage.problem << "\n";
        }
        for (const auto& broken : stage.broken_takes) {
            std::cerr << broken << "\n";
        }
    }
    if (rally.stages.empty()) {
        std::cerr << folder << ":0: there is no stage in it\n";
    }
    return rally;
}

int runLog(const Arguments& arguments)
{
    const auto rally = rallyIn(arguments.positional);
    print(formats::rallyToJson(rally));
    return rally.stages.empty() ? kBadData : kFine;
}

int runTonight(const Arguments& arguments)
{
    const double length = secondsOf(*arguments.option("--minutes"));
    const auto rally = rallyIn(arguments.positional);
    const std::time_t now = std::time(nullptr);
    std::array<char, 32> iso{};
    std::strftime(iso.data(), iso.size(), "%Y-%m-%dT%H:%M:%S", std::localtime(&now));
    print(formats::tonightToJson(log::tonight(rally, length, iso.data())));
    return rally.stages.empty() ? kBadData : kFine;
}

int runCheck(const Arguments& arguments)
{
    const auto problems = stage::checkFolder(stage::stageFolder(arguments.positional));
    Json list = Json::array();
    Json kept = Json::array();
    for (const auto& problem : problems) {
        std::cerr << problem.file << ":" << problem.line << ": " << problem.message << "\n";
        (problem.harmless ? kept : list)
            .push_back({{"file", problem.file}, {"line", problem.line}, {"message", problem.message}});
    }
    const bool fine = list.empty();
    Json out{{"format", "brumefall/check/1"}, {"problems", std::move(list)}};
    if (!kept.empty()) {
        out["kept"] = std::move(kept);
    }
    print(out);
    return fine ? kFine : kBadData;
}

} // namespace

int main(int argc, char** argv)
{
    const Option pass{"--pass", "name of the pass"};
    const Option that_pass{"--pass", "name of the pass", true};
    const Option audio{"--audio", "sound file of the reading", true};
    return runCommandLine(
        {{"notes", "what is understood of a text of notes", "FILE", {}, runNotes},
            {"captions", "notes drafted from captions", "FILE", {}, runCaptions},
            {"hear", "notes drafted from what is heard in a video or a sound", "FILE", {}, runHear},
            {"plan", "when each call is said", "STAGE",
                {pass, {"--target-time", "seconds that the stage takes"}}, runPlan},
            {"align", "where the calls are in a recording", "STAGE", {that_pass, audio}, runAlign},
            {"follow", "the same, as it is heard", "STAGE", {that_pass, audio}, runFollow},
            {"judge", "a reading made elsewhere, judged", "STAGE",
                {that_pass, audio, {"--go", "seconds at which go is in the sound"}}, runJudge},
            {"tune", "leads and reader as the takes and remarks say", "STAGE", {pass}, runTune},
            {"tonight", "what gains most from practice", "FOLDER",
                {{"--minutes", "minutes that there are", true}}, runTonight},
            {"log", "the rally in a folder, take by take", "FOLDER", {}, runLog}, exportCommand(),
            unpackCommand(), {"check", "what is wrong in a stage's folder", "STAGE", {}, runCheck}},
        argc, argv);
}
