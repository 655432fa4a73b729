#include "stage/stage.h"

#include "notes/edit.h"

#include <algorithm>
#include <utility>

namespace brumefall::stage {

notes::ParsedNotes understand(const Stage& stage)
{
    auto parsed = notes::parseNotes(stage.text, stage.style);
    if (!stage.known.empty()) {
        notes::keepIds(stage.known, parsed.calls, stage.gone);
    }
    return parsed;
}

notes::ParsedNotes followText(Stage& stage, const std::function<bool(const std::string&)>& matters)
{
    auto parsed = notes::parseNotes(stage.text, stage.style);
    notes::keepIds(stage.known, parsed.calls, stage.gone);
    const auto before = std::exchange(stage.known, notes::rememberNotes(parsed.calls));
    stage.gone = notes::rememberGone(std::move(stage.gone), before, stage.known, matters);
    return parsed;
}

Prepared prepare(const Stage& stage, const pace::Pass* pass, double target_time_s)
{
    return prepare(stage, understand(stage), pass, target_time_s);
}

Prepared prepare(const Stage& stage, notes::ParsedNotes notes, const pace::Pass* pass, double target_time_s)
{
    Prepared out;
    out.notes = std::move(notes);
    out.road = road::layOut(out.notes.calls, road::Grades(out.notes.style.scale, stage.style.grade_sizes),
        out.notes.lead_in_m, stage.official_length_m);
    const bool predicted = pass == nullptr || target_time_s > 0.0;
    auto rehearsal = stage.rehearsal;
    rehearsal.target_time_s = target_time_s > 0.0 ? target_time_s : rehearsal.target_time_s;
    out.placement = predicted ? pace::placeByPrediction(out.road, rehearsal)
                              : pace::place(out.road, *pass, pace::carModel(stage.rehearsal));
    makePlan(out, stage);
    return out;
}

std::vector<take::Verdict> judge(const Take& take, const pace::Pace& pace)
{
    auto verdicts = take::judge(take.plan, pace, take.found, take.clock, take.recorded_s);
    if (take.first.empty()) {
        return verdicts;
    }
    bool asked = false;
    for (take::Verdict& verdict : verdicts) {
        asked = asked || verdict.id == take.first;
        verdict.outside_take = verdict.outside_take || (!asked && !verdict.heard());
        asked = asked && verdict.id != take.last;
    }
    return verdicts;
}

void makePlan(Prepared& prepared, const Stage& stage)
{
    auto people = plan::usable(stage.reader, stage.driver);
    prepared.doubts = std::move(people.doubts);
    plan::PlanInput input;
    input.calls = prepared.notes.calls;
    input.scale = prepared.notes.style.scale;
    input.placement = &prepared.placement;
    input.reader = people.reader;
    input.driver = people.driver;
    input.pinned_s = stage.pinned_s;
    input.shaping = stage.shaping;
    input.echoes = stage.echoes;
    input.style = stage.style;
    input.order = prepared.notes.style.order;
    prepared.plan = plan::makePlan(input);
}

Stage withRemedy(const Stage& stage, const notes::ParsedNotes& notes, const plan::Remedy& remedy)
{
    Stage after = stage;
    for (const auto& [note, start_s] : remedy.starts_s) {
        after.pinned_s[note] = start_s;
    }
    const plan::Shaping& more = remedy.shaping;
    for (const auto& [note, words] : more.said_as) {
        after.shaping.said_as[note] = words;
    }
    after.shaping.unsaid_distance.insert(more.unsaid_distance.begin(), more.unsaid_distance.end());
    for (const auto& [note, rate] : more.rate_syll_s) {
        after.shaping.rate_syll_s[note] = rate;
    }
    for (const auto& [note, holds] : more.holds_notes) {
        after.shaping.holds_notes[note] = holds;
    }
    for (const auto& [note, offset_s] : more.lead_offset_s) {
        after.shaping.lead_offset_s[note] = offset_s;
    }
    if (!remedy.boundary.empty()) {
        std::vector<bool> begins;
        for (const auto& call : notes.calls) {
            for (const auto& note : call.notes) {
                const bool first = &note == &call.notes.front();
                begins.push_back(note.id == remedy.boundary ? !first : first);
            }
        }
        after = withCalls(after, notes, begins);
    }
    return after;
}

Stage withCalls(const Stage& stage, const notes::ParsedNotes& notes, const std::vector<bool>& begins)
{
    Stage after = stage;
    struct Place {
        int line;
        std::size_t in_call;
    };
    std::vector<Place> places;
    for (const auto& call : notes.calls) {
        for (std::size_t n = 0; n < call.notes.size(); ++n) {
            places.push_back({call.line, n});
        }
    }
    // from the end, so that the lines before a change stay where they are
    for (std::size_t k = std::min(places.size(), begins.size()); k-- > 1;) {
        const bool began = places[k].in_call == 0;
        if (begins[k] && !began && places[k].line == places[k - 1].line) {
            after.text = notes::splitBefore(
                after.text, places[k].line, places[k].in_call, stage.style, notes.style.order);
        } else if (!begins[k] && began && places[k].line > places[k - 1].line) {
            after.text = notes::joinCalls(after.text, places[k - 1].line).text;
        }
    }
    followText(after);
    return after;
}

Stage withCrew(const Stage& stage, const Stage& from)
{
    Stage after = stage;
    after.crew = from.crew;
    after.style = from.style;
    if (const auto written = understand(stage); !written.calls.empty()) {
        after.style.order = written.style.order;
        after.style.scale = written.style.scale;
        after.style.grade_sizes = stage.style.grade_sizes;
        after.style.words = stage.style.words;
        after.style.words.insert(from.style.words.begin(), from.style.words.end());
        after.style.abbreviations = stage.style.abbreviations;
        after.style.abbreviations.insert(from.style.abbreviations.begin(), from.style.abbreviations.end());
    }
    after.reader = from.reader;
    after.driver = from.driver;
    after.echoes = from.echoes;
    followText(after);
    return after;
}

} // namespace brumefall::stage
