#include "formats/bounds.h"
#include "formats/files.h"
#include "formats/kind_file.h"
#include "formats/notes_json.h"
#include "formats/plan_json.h"
#include "formats/take_json.h"
#include "stage/stage.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <charconv>

namespace brumefall::stage {
namespace {

using formats::FormatError;
using Json = nlohmann::ordered_json;

/// What was in the file before, so that members unknown to this version are kept.
Json keptMembers(const std::string& raw)
{
    Json json = raw.empty() ? Json::object() : Json::parse(raw, nullptr, false);
    return json.is_object() ? json : Json::object();
}

Json readerToJson(const plan::Reader& reader)
{
    return {{"rate_syll_s", reader.rate_syll_s}, {"breath_s", reader.breath_s},
        {"fastest_syll_s", reader.fastest_syll_s}, {"longest_run_s", reader.longest_run_s},
        {"spread_s", reader.spread_s}};
}

Json driverToJson(const plan::Driver& driver)
{
    return {{"reaction_s", driver.reaction_s}, {"holds_notes", driver.holds_notes}, {"fast_s", driver.fast_s},
        {"medium_s", driver.medium_s}, {"slow_s", driver.slow_s}, {"hazard_s", driver.hazard_s},
        {"warning_s", driver.warning_s}, {"speed_s", driver.speed_s}, {"floor_m", driver.floor_m},
        {"brake_m_s2", driver.brake_m_s2}, {"late_penalty", driver.late_penalty}};
}

double positive(const Json& json, const char* name, double fallback)
{
    const double value = json.value(name, fallback);
    return value > 0.0 && value < 1e6 ? value : fallback;
}

/// As written, whether it can be meant or not: plan::usable says so where a plan is made.
plan::Reader readerFromJson(const Json& json)
{
    plan::Reader reader;
    reader.rate_syll_s = json.value("rate_syll_s", reader.rate_syll_s);
    reader.breath_s = json.value("breath_s", reader.breath_s);
    reader.fastest_syll_s = json.value("fastest_syll_s", reader.fastest_syll_s);
    reader.longest_run_s = json.value("longest_run_s", reader.longest_run_s);
    reader.spread_s = json.value("spread_s", reader.spread_s);
    return reader;
}

plan::Driver driverFromJson(const Json& json)
{
    plan::Driver driver;
    driver.reaction_s = json.value("reaction_s", driver.reaction_s);
    driver.holds_notes = static_cast<int>(
        std::clamp(json.value("holds_notes", static_cast<double>(driver.holds_notes)), -1e6, 1e6));
    driver.fast_s = json.value("fast_s", driver.fast_s);
    driver.medium_s = json.value("medium_s", driver.medium_s);
    driver.slow_s = json.value("slow_s", driver.slow_s);
    driver.hazard_s = json.value("hazard_s", driver.hazard_s);
    driver.warning_s = json.value("warning_s", driver.warning_s);
    driver.speed_s = json.value("speed_s", driver.speed_s);
    driver.floor_m = json.value("floor_m", driver.floor_m);
    driver.brake_m_s2 = json.value("brake_m_s2", driver.brake_m_s2);
    driver.late_penalty = json.value("late_penalty", driver.late_penalty);
    return driver;
}

Json shapingToJson(const plan::Shaping& shaping)
{
    return {{"lead_offset_s", shaping.lead_offset_s}, {"said_as", shaping.said_as},
        {"unsaid_distance", shaping.unsaid_distance}, {"rate_syll_s", shaping.rate_syll_s},
        {"holds_notes", shaping.holds_notes}};
}

plan::Shaping shapingFromJson(const Json& json)
{
    plan::Shaping shaping;
    shaping.lead_offset_s = json.value("lead_offset_s", shaping.lead_offset_s);
    shaping.said_as = json.value("said_as", shaping.said_as);
    shaping.unsaid_distance = json.value("unsaid_distance", shaping.unsaid_distance);
    shaping.rate_syll_s = json.value("rate_syll_s", shaping.rate_syll_s);
    shaping.holds_notes = json.value("holds_notes", shaping.holds_notes);
    return shaping;
}

std::vector<std::string> linesOf(const std::string& text)
{
    std::vector<std::string> lines;
    std::size_t at = 0;
    while (at <= text.size()) {
        const auto end = std::min(text.find('\n', at), text.size());
        lines.push_back(text.substr(at, end - at));
        at = end + 1;
    }
    return lines;
}

} // namespace

bool Stage::operator==(const Stage& other) const
{
    return name == other.name && official_length_m == other.official_length_m && crew == other.crew
        && style == other.style && text == other.text && reader == other.reader && driver == other.driver
        && pinned_s == other.pinned_s && rehearsal == other.rehearsal && shaping == other.shaping
        && echoes == other.echoes && captions == other.captions && gone == other.gone && known == other.known;
}

std::filesystem::path stageFolder(const std::filesystem::path& given)
{
    return given.filename() == "stage.brumefall" ? given.parent_path() : given;
}

Stage readStage(const std::filesystem::path& file)
{
    const Json json = formats::readKind(file, "stage");
    return formats::reading(file, [&] {
        Stage stage;
        const Json about = json.value("stage", Json::object());
        stage.name = about.value("name", file.parent_path().filename().string());
        stage.official_length_m = std::clamp(about.value("length_m", 0.0), 0.0, 1e6);
        stage.crew = json.value("crew", Json::object()).value("name", "");
        stage.style = formats::styleFromJson(json.value("style", Json::object()));
        const Json notes = json.value("notes", Json::object());
        const auto lines = notes.value("text", std::vector<std::string>{});
        for (std::size_t i = 0; i < lines.size(); ++i) {
            stage.text += (i == 0 ? "" : "\n") + lines[i];
        }
        for (const Json& note : notes.value("ids", Json::array())) {
            stage.known.push_back({note.at(0).get<std::string>(), note.at(1).get<std::string>()});
        }
        for (const Json& note : notes.value("gone", Json::array())) {
            stage.gone.push_back({note.at(0).get<std::string>(), note.at(1).get<std::string>(),
                note.at(2).get<std::string>()});
        }
        stage.reader = readerFromJson(json.value("reader", Json::object()));
        stage.driver = driverFromJson(json.value("driver", Json::object()));
        stage.pinned_s = json.value("pinned_s", std::map<std::string, double>{});
        const Json rehearsal = json.value("rehearsal", Json::object());
        stage.rehearsal.car = rehearsal.value("car", stage.rehearsal.car);
        stage.rehearsal.surface = rehearsal.value("surface", stage.rehearsal.surface);
        stage.rehearsal.wet = rehearsal.value("wet", false);
        stage.rehearsal.night = rehearsal.value("night", false);
        stage.rehearsal.target_time_s = std::clamp(rehearsal.value("target_time_s", 0.0), 0.0, 1e6);
        const Json echoes = json.value("echoes", Json::object());
        stage.echoes = {echoes.value("dangerous", false),
            std::clamp(echoes.value("after_s", 0.0), 0.0, 600.0),
            std::clamp(echoes.value("line_up_notes", 0), 0, 50)};
        stage.shaping = shapingFromJson(json.value("shaping", Json::object()));
        const Json captions = json.value("captions", Json::object());
        stage.captions = {
            captions.value("file", ""), captions.value("place_s", std::map<std::string, double>{})};
        stage.raw = json.dump();
        return stage;
    });
}

void writeStage(const std::filesystem::path& file, const Stage& stage)
{
    Json json = keptMembers(stage.raw);
    json["format"] = "brumefall/stage/1";
    json["stage"]["name"] = stage.name;
    json["stage"]["length_m"] = stage.official_length_m;
    json["crew"]["name"] = stage.crew;
    json["style"] = formats::styleToJson(stage.style);
    json["notes"]["text"] = linesOf(stage.text);
    Json ids = Json::array();
    for (const auto& note : stage.known) {
        ids.push_back({note.id, note.text});
    }
    json["notes"]["ids"] = std::move(ids);
    Json gone = Json::array();
    for (const auto& note : stage.gone) {
        gone.push_back({note.id, note.text, note.after});
    }
    if (gone.empty()) {
        json["notes"].erase("gone");
    } else {
        json["notes"]["gone"] = std::move(gone);
    }
    json["reader"].update(readerToJson(stage.reader));
    json["driver"].update(driverToJson(stage.driver));
    json["pinned_s"] = stage.pinned_s;
    json["echoes"].update({{"dangerous", stage.echoes.dangerous}, {"after_s", stage.echoes.after_s},
        {"line_up_notes", stage.echoes.line_up_notes}});
    json["shaping"] = shapingToJson(stage.shaping);
    if (stage.captions.place_s.empty()) {
        json.erase("captions");
    } else {
        json["captions"].update({{"file", stage.captions.file}, {"place_s", stage.captions.place_s}});
    }
    json["rehearsal"].update(
        {{"car", stage.rehearsal.car}, {"surface", stage.rehearsal.surface}, {"wet", stage.rehearsal.wet},
            {"night", stage.rehearsal.night}, {"target_time_s", stage.rehearsal.target_time_s}});
    formats::writeKind(file, json);
}

plan::Driver readDriver(const std::filesystem::path& file)
{
    return formats::reading(file, [&] { return driverFromJson(formats::readKind(file, "driver")); });
}

void writeDriver(const std::filesystem::path& file, const plan::Driver& driver)
{
    Json json = driverToJson(driver);
    json["format"] = "brumefall/driver/1";
    formats::writeKind(file, json);
}

pace::Pass readPass(const std::filesystem::path& file)
{
    const Json json = formats::readKind(file, "pass");
    const formats::Bounds bounds(file);
    return formats::reading(file, [&] {
        pace::Pass pass;
        pass.name = file.stem().string();
        pass.kind = json.value("kind", "stage");
        pass.car = json.value("car", "");
        pass.weather = json.value("weather", "");
        pass.remark = json.value("remark", "");
        pass.log = json.value("log", "");
        const Json media = json.value("media", Json::object());
        pass.media = {media.value("path", ""), bounds.time_s(media.value("duration_s", 0.0), "duration_s"),
            media.value("size_bytes", 0LL)};
        const Json span = json.value("span", Json::object());
        pass.in_s = bounds.time_s(span.value("in_s", 0.0), "in_s");
        pass.out_s = bounds.time_s(span.value("out_s", 0.0), "out_s");
        pass.go_s = bounds.time_s(json.value("go_s", pass.in_s), "go_s");
        pass.turned_deg = (std::clamp(json.value("turned_deg", 0), 0, 359) / 90) * 90;
        if (json.contains("finish_s") && !json["finish_s"].is_null()) {
            pass.finish_s = bounds.time_s(json["finish_s"].get<double>(), "finish_s");
        }
        const Json marks = json.value("marks", Json::array());
        const Json trace = json.value("trace", Json::array());
        bounds.count(marks.size(), formats::kMostMarks, "marks");
        bounds.count(trace.size(), formats::kMostKnots, "points of a trace");
        for (const Json& mark : marks) {
            pass.marks.push_back({mark.at("note").get<std::string>(),
                bounds.time_s(mark.at("media_s").get<double>(), "media_s"), mark.value("draft", false),
                positive(mark, "sure_s", 1.0)});
        }
        for (const Json& knot : trace) {
            pass.trace.push_back({bounds.station_m(knot.at("station_m").get<double>(), "station_m"),
                bounds.time_s(knot.at("time_s").get<double>(), "time_s")});
        }
        return pass;
    });
}

void writePass(const std::filesystem::path& file, const pace::Pass& pass)
{
    Json json = Json::object();
    try {
        json = formats::readKind(file, "pass"); // keeps what this version does not know
    } catch (const FormatError&) {
        json["format"] = "brumefall/pass/1";
    }
    json["kind"] = pass.kind;
    for (const auto& [name, text] : {std::pair("car", &pass.car), std::pair("weather", &pass.weather),
             std::pair("remark", &pass.remark), std::pair("log", &pass.log)}) {
        if (text->empty()) {
            json.erase(name);
        } else {
            json[name] = *text;
        }
    }
    json["media"]["path"] = pass.media.path;
    json["media"]["size_bytes"] = pass.media.size_bytes;
    json["media"]["duration_s"] = pass.media.duration_s;
    json["span"]["in_s"] = pass.in_s;
    json["span"]["out_s"] = pass.out_s;
    json["go_s"] = pass.go_s;
    if (pass.turned_deg != 0) {
        json["turned_deg"] = pass.turned_deg;
    } else {
        json.erase("turned_deg");
    }
    if (pass.finish_s) {
        json["finish_s"] = *pass.finish_s;
    } else {
        json.erase("finish_s");
    }
    Json marks = Json::array();
    for (const auto& mark : pass.marks) {
        marks.push_back({{"note", mark.note}, {"media_s", mark.media_s}});
        if (mark.draft) {
            marks.back()["draft"] = true;
            marks.back()["sure_s"] = mark.sure_s;
        }
    }
    json["marks"] = std::move(marks);
    Json trace = Json::array();
    for (const auto& knot : pass.trace) {
        trace.push_back({{"time_s", knot.time_s}, {"station_m", knot.station_m}});
    }
    json["trace"] = std::move(trace);
    formats::writeKind(file, json);
}

namespace {

void requireMeasured(const plan::Plan& plan, const formats::Bounds& bounds)
{
    for (const auto& note : plan.notes) {
        for (const double time_s : {note.start_s, note.end_s, note.arrive_s, note.act_s, note.spoken_s,
                 note.gap_after_s, note.window.opens_s, note.window.ideal_s, note.window.closes_s}) {
            bounds.time_s(time_s, "a time of the plan");
        }
        bounds.station_m(note.station_m, "station_m");
        bounds.station_m(note.action_m, "action_m");
    }
}

} // namespace

Take readTake(const std::filesystem::path& file)
{
    constexpr double kSlowest = 0.1; ///< of a take's clock
    constexpr double kFastest = 10.0;
    const Json json = formats::readKind(file, "take");
    const formats::Bounds bounds(file);
    return formats::reading(file, [&] {
        Take take;
        take.name = file.stem().string();
        take.pass = json.value("pass", "");
        take.made_at = json.value("made_at", "");
        take.title = json.value("title", "");
        take.comment = json.value("comment", "");
        take.reader = json.value("reader", "");
        take.way = json.value("way", "");
        if (const auto stretch = json.find("stretch"); stretch != json.end()) {
            take.first = stretch->at("first").get<std::string>();
            take.last = stretch->at("last").get<std::string>();
        }
        take.plan = formats::planFromJson(json.at("plan"));
        requireMeasured(take.plan, bounds);
        std::vector<pace::Knot> knots;
        const Json pace = json.value("pace", Json::array());
        bounds.count(pace.size(), formats::kMostKnots, "points of a pace");
        for (const Json& knot : pace) {
            knots.push_back({bounds.station_m(knot.at(0).get<double>(), "station_m"),
                bounds.time_s(knot.at(1).get<double>(), "time_s")});
        }
        if (knots.size() > 1) {
            take.pace = pace::Pace(knots);
        }
        const Json clock = json.value("clock", Json::object());
        take.clock = {bounds.time_s(clock.value("offset_s", 0.0), "offset_s"),
            std::clamp(positive(clock, "rate", 1.0), kSlowest, kFastest)};
        take.recorded_s = bounds.time_s(json.value("recorded_s", 0.0), "recorded_s");
        take.audio =
            std::filesystem::path(json.value("audio", "")).filename().string(); // beside it, never elsewhere
        take.found = formats::foundFromJson(json.value("calls", Json::array()));
        take.verdicts = formats::verdictsFromJson(json.value("verdicts", Json::array()));
        for (const auto& note : take.found) {
            bounds.time_s(note.span.start_s, "start_s");
            bounds.time_s(note.span.end_s, "end_s");
        }
        for (const auto& verdict : take.verdicts) {
            bounds.time_s(verdict.start_s, "start_s");
            bounds.time_s(verdict.end_s, "end_s");
        }
        for (const Json& remark : json.value("remarks", Json::array())) {
            take.remarks.push_back({remark.at("note").get<std::string>(),
                remark.at("says").get<std::string>(), remark.value("words", "")});
        }
        take.raw = json.dump();
        return take;
    });
}

void writeTake(const std::filesystem::path& file, const Take& take)
{
    Json json = keptMembers(take.raw);
    json["format"] = "brumefall/take/1";
    json["pass"] = take.pass;
    json["made_at"] = take.made_at;
    json["reader"] = take.reader;
    for (const auto& [member, value] :
        {std::pair("title", &take.title), std::pair("comment", &take.comment), std::pair("way", &take.way)}) {
        if (value->empty()) {
            json.erase(member);
        } else {
            json[member] = *value;
        }
    }
    if (!take.first.empty()) {
        json["stretch"] = {{"first", take.first}, {"last", take.last}};
    }
    json["plan"] = formats::planToJson(take.plan);
    constexpr double kKnots_m = 10.0; // closer ones say nothing more
    Json knots = Json::array();
    for (const pace::Knot& knot : take.pace.empty() ? std::vector<pace::Knot>{} : take.pace.knots(kKnots_m)) {
        knots.push_back({knot.station_m, knot.time_s});
    }
    json["pace"] = std::move(knots);
    json["clock"]["offset_s"] = take.clock.offset_s;
    json["clock"]["rate"] = take.clock.rate;
    json["recorded_s"] = take.recorded_s;
    json["audio"] = take.audio;
    json["calls"] = formats::foundToJson(take.found);
    json["verdicts"] = formats::verdictsToJson(take.verdicts);
    Json remarks = Json::array();
    for (const auto& remark : take.remarks) {
        remarks.push_back({{"note", remark.note}, {"says", remark.says}});
        if (!remark.words.empty()) {
            remarks.back()["words"] = remark.words;
        }
    }
    json["remarks"] = std::move(remarks);
    formats::writeKind(file, json);
}

std::vector<std::filesystem::path> listJson(const std::filesystem::path& folder)
{
    std::vector<std::filesystem::path> files;
    std::error_code error;
    for (const auto& entry : std::filesystem::directory_iterator(folder, error)) {
        if (entry.path().extension() == ".json") {
            files.push_back(entry.path());
        }
    }
    std::sort(files.begin(), files.end());
    return files;
}

std::optional<pace::Pass> passOf(const std::filesystem::path& folder, const std::optional<std::string>& name)
{
    if (name) {
        return readPass(folder / "passes" / (*name + ".json"));
    }
    std::optional<pace::Pass> found;
    for (const auto& file : listJson(folder / "passes")) {
        auto pass = readPass(file);
        if (!found || pass.kind == "stage") {
            found = std::move(pass);
        }
    }
    return found;
}

std::vector<std::filesystem::path> orphanedSound(const std::filesystem::path& folder)
{
    std::vector<std::filesystem::path> files;
    std::error_code error;
    for (const auto& entry : std::filesystem::directory_iterator(folder / "takes", error)) {
        auto take = entry.path();
        const bool sound = take.extension() == ".flac" || take.extension() == ".wav";
        if (sound && !std::filesystem::exists(take.replace_extension(".json"), error)) {
            files.push_back(entry.path());
        }
    }
    std::sort(files.begin(), files.end());
    return files;
}

} // namespace brumefall::stage
