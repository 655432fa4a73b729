#include "formats/take_json.h"

#include <nlohmann/json.hpp>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

Json spansToJson(const std::vector<take::Span>& spans)
{
    Json list = Json::array();
    for (const auto& span : spans) {
        list.push_back({span.start_s, span.end_s});
    }
    return list;
}

std::vector<take::Span> spansFromJson(const Json& json)
{
    std::vector<take::Span> spans;
    for (const Json& pair : json) {
        spans.push_back({pair.at(0).get<double>(), pair.at(1).get<double>()});
    }
    return spans;
}

Json misreadToJson(const std::vector<take::Misread>& misread)
{
    Json list = Json::array();
    for (const auto& word : misread) {
        Json json{{"said", word.said}, {"note_says", word.note_says}, {"sure", word.sure}};
        if (word.of_distance) {
            json["of_distance"] = true;
        }
        list.push_back(std::move(json));
    }
    return list;
}

std::vector<take::Misread> misreadFromJson(const Json& json)
{
    std::vector<take::Misread> misread;
    for (const Json& item : json) {
        misread.push_back({item.at("said").get<std::string>(), item.at("note_says").get<std::string>(),
            item.value("sure", 0.0), item.value("of_distance", false)});
    }
    return misread;
}

} // namespace

Json foundToJson(const std::vector<take::FoundNote>& found)
{
    Json list = Json::array();
    for (const auto& note : found) {
        Json json{{"id", note.id}, {"verdict", note.read ? "read" : "missed"}};
        if (note.read) {
            json["start_s"] = note.span.start_s;
            json["end_s"] = note.span.end_s;
            json["repeats"] = spansToJson(note.repeats);
            Json words = Json::array();
            for (const auto& word : note.words) {
                words.push_back({word.word, word.span.start_s, word.span.end_s});
            }
            json["words"] = std::move(words);
            json["hesitations"] = spansToJson(note.hesitations);
            if (note.restarted) {
                json["restarted"] = true;
            }
            if (!note.misread.empty()) {
                json["misread"] = misreadToJson(note.misread);
            }
        }
        if (note.by_hand) {
            json["by_hand"] = true;
        }
        list.push_back(std::move(json));
    }
    return list;
}

std::vector<take::FoundNote> foundFromJson(const Json& json)
{
    std::vector<take::FoundNote> found;
    for (const Json& item : json) {
        take::FoundNote note;
        note.id = item.at("id").get<std::string>();
        note.read = item.value("verdict", "missed") == "read";
        note.span = {item.value("start_s", 0.0), item.value("end_s", 0.0)};
        note.repeats = spansFromJson(item.value("repeats", Json::array()));
        note.hesitations = spansFromJson(item.value("hesitations", Json::array()));
        note.restarted = item.value("restarted", false);
        note.misread = misreadFromJson(item.value("misread", Json::array()));
        note.by_hand = item.value("by_hand", false);
        for (const Json& word : item.value("words", Json::array())) {
            note.words.push_back(
                {word.at(0).get<std::string>(), {word.at(1).get<double>(), word.at(2).get<double>()}});
        }
        found.push_back(std::move(note));
    }
    return found;
}

Json verdictsToJson(const std::vector<take::Verdict>& verdicts)
{
    Json list = Json::array();
    for (const auto& v : verdicts) {
        Json json{{"id", v.id}, {"verdict", v.outside_take ? "outside" : take::toString(v.timing)}};
        if (v.heard()) {
            json.update({{"off_s", v.off_s}, {"start_s", v.start_s}, {"end_s", v.end_s}, {"lead_s", v.lead_s},
                {"lead_m", v.lead_m}, {"notes_ahead", v.notes_ahead}});
        }
        json["planned_end_s"] = v.planned_end_s;
        if (v.repeated) {
            json["repeated"] = true;
        }
        if (v.corrected) {
            json["corrected"] = true;
        }
        if (v.hesitated) {
            json["hesitated"] = true;
        }
        if (!v.misread.empty()) {
            json["misread"] = misreadToJson(v.misread);
        }
        list.push_back(std::move(json));
    }
    return list;
}

std::vector<take::Verdict> verdictsFromJson(const Json& json)
{
    std::vector<take::Verdict> verdicts;
    for (const Json& item : json) {
        take::Verdict v;
        v.id = item.at("id").get<std::string>();
        const std::string timing = item.value("verdict", "missed");
        v.outside_take = timing == "outside";
        v.timing = timing == "early" ? take::Timing::early
            : timing == "on_time"    ? take::Timing::on_time
            : timing == "late"       ? take::Timing::late
                                     : take::Timing::missed;
        v.off_s = item.value("off_s", 0.0);
        v.start_s = item.value("start_s", 0.0);
        v.end_s = item.value("end_s", 0.0);
        v.lead_s = item.value("lead_s", 0.0);
        v.lead_m = item.value("lead_m", 0.0);
        v.notes_ahead = item.value("notes_ahead", 0);
        v.planned_end_s = item.value("planned_end_s", 0.0);
        v.repeated = item.value("repeated", false);
        v.corrected = item.value("corrected", false);
        v.hesitated = item.value("hesitated", false);
        v.misread = misreadFromJson(item.value("misread", Json::array()));
        verdicts.push_back(std::move(v));
    }
    return verdicts;
}

} // namespace brumefall::formats
