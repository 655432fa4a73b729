#include "formats/plan_json.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

Json noteToJson(const plan::PlannedNote& note)
{
    Json json{{"id", note.id}, {"call", note.call}, {"text", note.text}, {"spoken", note.spoken}};
    if (!note.spoken_after.empty()) {
        json["spoken_after"] = note.spoken_after;
    }
    json["spoken_s"] = note.spoken_s;
    json["gap_after_s"] = note.gap_after_s;
    json["weight"] = note.weight;
    json["station_m"] = note.station_m;
    json["arrive_s"] = note.arrive_s;
    json["action_m"] = note.action_m;
    json["act_s"] = note.act_s;
    json["window"] = {{"opens_s", note.window.opens_s}, {"ideal_s", note.window.ideal_s},
        {"closes_s", note.window.closes_s}};
    json["start_s"] = note.start_s;
    json["end_s"] = note.end_s;
    json["lead_s"] = note.lead_s;
    json["lead_m"] = note.lead_m;
    json["notes_ahead"] = note.notes_ahead;
    json["status"] = plan::toString(note.status);
    json["in_time_share"] = note.in_time_share;
    json["holds_to_pace"] = note.holds_to_pace;
    if (!note.echo_of.empty()) {
        json["echo_of"] = note.echo_of;
    }
    if (note.pinned) {
        json["pinned"] = true;
    }
    return json;
}

plan::PlannedNote noteFromJson(const Json& json)
{
    plan::PlannedNote note;
    note.id = json.at("id").get<std::string>();
    note.call = json.at("call").get<int>();
    note.text = json.value("text", "");
    note.spoken = json.value("spoken", "");
    note.spoken_after = json.value("spoken_after", "");
    note.spoken_s = json.value("spoken_s", 0.0);
    note.gap_after_s = json.value("gap_after_s", 0.0);
    note.weight = json.value("weight", 1.0);
    note.station_m = json.at("station_m").get<double>();
    note.arrive_s = json.value("arrive_s", 0.0);
    note.act_s = json.at("act_s").get<double>();
    note.action_m = json.value("action_m", note.station_m);
    const Json& window = json.at("window");
    note.in_time_share = json.value("in_time_share", 0.0);
    note.holds_to_pace = json.value("holds_to_pace", 0.0);
    note.window = {window.at("opens_s").get<double>(), window.at("ideal_s").get<double>(),
        window.at("closes_s").get<double>()};
    note.start_s = json.at("start_s").get<double>();
    note.end_s = json.at("end_s").get<double>();
    note.lead_s = json.value("lead_s", 0.0);
    note.lead_m = json.value("lead_m", 0.0);
    note.notes_ahead = json.value("notes_ahead", 0);
    const std::string status = json.value("status", "on_time");
    note.status = status == "late" ? plan::Status::late
        : status == "early"        ? plan::Status::early
                                   : plan::Status::on_time;
    note.echo_of = json.value("echo_of", "");
    note.pinned = json.value("pinned", false);
    return note;
}

} // namespace

Json planToJson(const plan::Plan& plan)
{
    Json notes = Json::array();
    for (const auto& note : plan.notes) {
        notes.push_back(noteToJson(note));
    }
    Json squeezes = Json::array();
    for (const auto& squeeze : plan.squeezes) {
        Json remedies = Json::array();
        for (const auto& remedy : squeeze.remedies) {
            remedies.push_back({{"kind", remedy.kind}, {"notes", remedy.notes}, {"saves_s", remedy.saves_s},
                {"text", remedy.text}});
        }
        squeezes.push_back({{"first", squeeze.first}, {"last", squeeze.last}, {"short_s", squeeze.short_s},
            {"rate_needed", squeeze.rate_needed}, {"cause", squeeze.cause},
            {"remedies", std::move(remedies)}});
    }
    Json json{{"format", "brumefall/plan/1"}, {"weights", {{"early", 1}, {"late", plan.late_penalty}}},
        {"not_before_s", plan.not_before_s}, {"notes", std::move(notes)}, {"squeezes", std::move(squeezes)}};
    if (!plan.line_up.empty()) {
        Json line_up = Json::array();
        for (const auto& note : plan.line_up) {
            line_up.push_back(
                {{"id", note.id}, {"spoken", note.spoken}, {"start_s", note.start_s}, {"end_s", note.end_s}});
        }
        json["line_up"] = std::move(line_up);
    }
    return json;
}

plan::Plan planFromJson(const Json& json)
{
    plan::Plan plan;
    plan.late_penalty = json.at("weights").at("late").get<double>();
    plan.not_before_s = json.value("not_before_s", 0.0);
    for (const Json& item : json.at("notes")) {
        auto note = noteFromJson(item);
        if (note.call < 0 || note.call > static_cast<int>(plan.calls.size())) {
            throw nlohmann::json::other_error::create(
                501, "calls are not in order at note " + note.id, &item);
        }
        if (note.call == static_cast<int>(plan.calls.size())) {
            plan.calls.push_back({0, {}, plan.notes.size(), plan.notes.size(), note.start_s, note.end_s});
        }
        auto& call = plan.calls.back();
        call.text += (call.text.empty() ? "" : " ") + note.text;
        call.last = plan.notes.size() + 1;
        call.end_s = note.end_s;
        plan.notes.push_back(std::move(note));
    }
    return plan;
}

} // namespace brumefall::formats
