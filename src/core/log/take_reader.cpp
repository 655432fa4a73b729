#include "log/take_reader.h"

#include <simdjson.h>

#include <algorithm>
#include <string_view>

namespace brumefall::log {
namespace {

using Element = simdjson::dom::element;

double number(const Element& json, const char* name, double fallback = 0.0)
{
    double value = fallback;
    return json[name].get(value) == simdjson::SUCCESS ? value : fallback;
}

std::string text(const Element& json, const char* name)
{
    std::string_view value;
    return json[name].get(value) == simdjson::SUCCESS ? std::string(value) : std::string();
}

bool flag(const Element& json, const char* name)
{
    bool value = false;
    return json[name].get(value) == simdjson::SUCCESS && value;
}

template <typename Each> void forEach(const Element& json, const char* name, Each each)
{
    simdjson::dom::array list;
    if (json[name].get(list) == simdjson::SUCCESS) {
        for (const Element item : list) {
            each(item);
        }
    }
}

void addSpans(const Element& json, const char* name, std::vector<take::Span>& spans)
{
    forEach(json, name, [&](const Element& pair) {
        spans.push_back({pair.at(0).get_double().value(), pair.at(1).get_double().value()});
    });
}

plan::PlannedNote noteOf(const Element& json)
{
    plan::PlannedNote note;
    note.id = text(json, "id");
    note.call = static_cast<int>(json["call"].get_int64().value());
    note.spoken = text(json, "spoken");
    note.spoken_s = number(json, "spoken_s");
    note.gap_after_s = number(json, "gap_after_s");
    note.start_s = json["start_s"].get_double().value();
    note.end_s = json["end_s"].get_double().value();
    const Element window = json["window"];
    note.window = {number(window, "opens_s"), number(window, "ideal_s"), number(window, "closes_s")};
    note.echo_of = text(json, "echo_of");
    return note;
}

take::FoundNote foundOf(const Element& json)
{
    take::FoundNote note;
    note.id = text(json, "id");
    note.read = text(json, "verdict") == "read";
    note.span = {number(json, "start_s"), number(json, "end_s")};
    addSpans(json, "repeats", note.repeats);
    addSpans(json, "hesitations", note.hesitations);
    note.restarted = flag(json, "restarted");
    return note;
}

take::Verdict verdictOf(const Element& json)
{
    take::Verdict verdict;
    verdict.id = text(json, "id");
    const std::string timing = text(json, "verdict");
    verdict.outside_take = timing == "outside";
    verdict.timing = timing == "early" ? take::Timing::early
        : timing == "on_time"          ? take::Timing::on_time
        : timing == "late"             ? take::Timing::late
                                       : take::Timing::missed;
    verdict.off_s = number(json, "off_s");
    verdict.start_s = number(json, "start_s");
    verdict.end_s = number(json, "end_s");
    verdict.planned_end_s = number(json, "planned_end_s");
    verdict.lead_s = number(json, "lead_s");
    verdict.repeated = flag(json, "repeated");
    verdict.corrected = flag(json, "corrected");
    verdict.hesitated = flag(json, "hesitated");
    forEach(json, "misread", [&](const Element& item) {
        verdict.misread.push_back(
            {text(item, "said"), text(item, "note_says"), number(item, "sure"), flag(item, "of_distance")});
    });
    return verdict;
}

stage::Take takeOf(const Element& json)
{
    stage::Take take;
    take.pass = text(json, "pass");
    take.made_at = text(json, "made_at");
    take.title = text(json, "title");
    take.comment = text(json, "comment");
    take.reader = text(json, "reader");
    take.way = text(json, "way");
    if (Element stretch; json["stretch"].get(stretch) == simdjson::SUCCESS) {
        take.first = text(stretch, "first");
        take.last = text(stretch, "last");
    }
    const Element plan = json["plan"];
    forEach(plan, "notes", [&](const Element& item) { take.plan.notes.push_back(noteOf(item)); });
    if (Element clock; json["clock"].get(clock) == simdjson::SUCCESS) {
        const double rate = number(clock, "rate", 1.0);
        take.clock = {number(clock, "offset_s"), rate > 0.0 ? rate : 1.0};
    }
    take.recorded_s = number(json, "recorded_s");
    forEach(json, "calls", [&](const Element& item) { take.found.push_back(foundOf(item)); });
    forEach(json, "verdicts", [&](const Element& item) { take.verdicts.push_back(verdictOf(item)); });
    forEach(json, "remarks", [&](const Element& item) {
        take.remarks.push_back({text(item, "note"), text(item, "says"), text(item, "words")});
    });
    return take;
}

} // namespace

stage::Take readTakeForLog(const std::filesystem::path& file)
{
    static thread_local simdjson::dom::parser parser;
    constexpr std::uintmax_t kLargest_bytes = 16'000'000; // more is for the careful reader
    std::error_code error;
    if (!std::filesystem::is_regular_file(file, error)
        || std::filesystem::file_size(file, error) > kLargest_bytes) {
        return stage::readTake(file);
    }
    try {
        const simdjson::padded_string content = simdjson::padded_string::load(file.string());
        const Element json = parser.parse(content);
        if (text(json, "format") == "brumefall/take/1") {
            auto take = takeOf(json);
            take.name = file.stem().string();
            return take;
        }
    } catch (const simdjson::simdjson_error&) {
        // the careful reader says what is wrong, and where
    }
    return stage::readTake(file);
}

} // namespace brumefall::log
