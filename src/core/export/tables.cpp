#include "export/tables.h"

#include "formats/csv.h"
#include "take/causes.h"

#include <map>

namespace brumefall::exporting {
namespace {

using formats::CsvRow;

std::string header(std::initializer_list<const char*> names)
{
    CsvRow row;
    for (const char* name : names) {
        row << name;
    }
    return row.line();
}

} // namespace

std::string notesTable(const stage::Prepared& prepared)
{
    std::string out = header({"number", "id", "call", "kind", "text", "spoken", "direction", "grade",
        "modifier", "warnings", "distance_after_m", "station_m", "arrive_s", "marked"});
    std::map<std::string, const pace::PlacedNote*> placed;
    for (const auto& note : prepared.placement.notes) {
        placed.emplace(note.id, &note);
    }
    long number = 0;
    long call_number = 0;
    for (const auto& call : prepared.notes.calls) {
        call_number += call.notes.empty() ? 0 : 1;
        for (const auto& note : call.notes) {
            std::string warnings;
            for (const std::string& warning : note.warnings) {
                warnings += (warnings.empty() ? "" : " ") + warning;
            }
            CsvRow row;
            row.count(++number) << note.id;
            row.count(call_number) << notes::toString(note.kind) << note.text << note.spoken
                                   << (note.direction ? notes::toString(*note.direction) : "")
                                   << (note.grade ? notes::toString(*note.grade) : "") << note.modifier
                                   << warnings;
            if (note.link.metres > 0.0) {
                row.figure(note.link.metres, 0);
            } else {
                row << "";
            }
            if (const auto at = placed.find(note.id); at != placed.end()) {
                row.figure(at->second->station_m, 1).figure(at->second->arrive_s, 2);
                row.count(at->second->marked ? 1 : 0);
            } else {
                row << ""
                    << ""
                    << "0";
            }
            out += row.line();
        }
    }
    return out;
}

std::string planTable(const plan::Plan& plan)
{
    std::string out = header({"id", "says_again", "call", "text", "spoken", "start_s", "end_s",
        "window_opens_s", "window_closes_s", "arrive_s", "station_m", "act_s", "action_m", "lead_s", "lead_m",
        "notes_ahead", "status", "in_time_percent"});
    for (const auto& note : plan.notes) {
        CsvRow row;
        row << note.id << note.echo_of;
        row.count(note.call + 1) << note.text << note.spoken;
        for (const double time_s :
            {note.start_s, note.end_s, note.window.opens_s, note.window.closes_s, note.arrive_s}) {
            row.figure(time_s, 2);
        }
        row.figure(note.station_m, 1).figure(note.act_s, 2).figure(note.action_m, 1);
        row.figure(note.lead_s, 2).figure(note.lead_m, 1).count(note.notes_ahead)
            << plan::toString(note.status);
        row.figure(100.0 * note.in_time_share, 0);
        out += row.line();
    }
    return out;
}

std::string verdictsTable(const stage::Take& take)
{
    std::string out = header({"id", "text", "verdict", "off_window_s", "start_s", "end_s", "planned_end_s",
        "lead_s", "lead_m", "notes_ahead", "said", "note_says", "why", "driver_says", "driver_words"});
    const auto reasons = take::reasons(take.plan, take.found, take.clock, take.verdicts);
    for (std::size_t k = 0; k < take.verdicts.size() && k < take.plan.notes.size(); ++k) {
        const auto& verdict = take.verdicts[k];
        CsvRow row;
        row << verdict.id << take.plan.notes[k].text
            << (verdict.outside_take         ? std::string("outside")
                       : verdict.isMisread() ? std::string("misread")
                                             : take::toString(verdict.timing));
        if (verdict.heard()) {
            row.figure(verdict.off_s, 2).figure(verdict.start_s, 2).figure(verdict.end_s, 2);
        } else {
            row << ""
                << ""
                << "";
        }
        row.figure(verdict.planned_end_s, 2);
        if (verdict.heard()) {
            row.figure(verdict.lead_s, 2).figure(verdict.lead_m, 1).count(verdict.notes_ahead);
        } else {
            row << ""
                << ""
                << "";
        }
        std::string said;
        std::string says;
        for (const auto& misread : verdict.misread) {
            if (take::isWrong(misread)) {
                said += (said.empty() ? "" : " / ") + misread.said;
                says += (says.empty() ? "" : " / ") + misread.note_says;
            }
        }
        row << said << says << (k < reasons.size() ? reasons[k].text : std::string());
        const stage::Remark* remark = nullptr;
        for (const auto& one : take.remarks) {
            remark = one.note == verdict.id ? &one : remark;
        }
        row << (remark == nullptr ? std::string() : remark->says)
            << (remark == nullptr ? std::string() : remark->words);
        out += row.line();
    }
    return out;
}

} // namespace brumefall::exporting
