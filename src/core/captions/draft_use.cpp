// What is done with a draft once it is made: looked through, corrected, understood.
#include "captions/draft.h"

#include <algorithm>
#include <utility>

namespace brumefall::captions {
namespace {

/// The distance from a later go to its first note, a call without notes, belongs to no note before it.
void partStages(notes::ParsedNotes& parsed, const Draft& draft, const notes::Style& style)
{
    for (const DraftStage& stage : draft.stages) {
        if (stage.first_call == 0 || stage.first_call >= draft.calls.size()
            || !draft.calls[stage.first_call].notes.empty()) {
            continue;
        }
        const auto before = std::find_if(parsed.calls.begin(), parsed.calls.end(),
            [&](const notes::Call& call) { return call.line == static_cast<int>(stage.first_call); });
        const auto alone = notes::parseNotes(draft.calls[stage.first_call - 1].text, style);
        if (before != parsed.calls.end() && !before->notes.empty() && !alone.calls.empty()
            && !alone.calls.back().notes.empty()) {
            before->notes.back().link = alone.calls.back().notes.back().link;
            before->notes.back().spoken_after = alone.calls.back().notes.back().spoken_after;
        }
    }
}

} // namespace

double DraftCall::confidence() const
{
    double least = 1.0;
    for (const DraftNote& note : notes) {
        least = std::min(least, note.sure);
    }
    return least;
}

bool isReading(const Draft& draft)
{
    constexpr int kFew = 4;
    constexpr double kSure = 0.75; // what is made of talk is hardly ever read as likely as that
    constexpr double kShare = 0.5;
    int notes = 0;
    int sure = 0;
    int corners = 0;
    for (const notes::Call& call : understandDraft(draft).calls) {
        for (const notes::Note& note : call.notes) {
            ++notes;
            sure += note.sure >= kSure ? 1 : 0;
            corners += note.sure >= kSure && note.direction ? 1 : 0;
        }
    }
    return corners >= kFew && sure >= kShare * notes;
}

std::optional<std::size_t> noteInDoubt(const DraftCall& call)
{
    std::optional<std::size_t> found;
    for (std::size_t n = 0; n < call.notes.size(); ++n) {
        if (call.notes[n].otherwise && (!found || call.notes[n].sure < call.notes[*found].sure)) {
            found = n;
        }
    }
    return found;
}

void takeOther(DraftCall& call, std::size_t index)
{
    DraftNote& note = call.notes.at(index);
    if (note.otherwise) {
        std::swap(note.text, *note.otherwise);
        note.sure = 1.0;
        call.text.clear();
        for (const DraftNote& each : call.notes) {
            call.text += (call.text.empty() || each.text.empty() ? "" : " ") + each.text;
        }
    }
}

void confirm(DraftCall& call)
{
    for (DraftNote& note : call.notes) {
        note.sure = 1.0;
    }
}

std::string draftText(const Draft& draft, std::size_t first, std::size_t last,
    const std::function<bool(const DraftCall&)>& take)
{
    std::string text;
    for (std::size_t c = first; c < std::min(last, draft.calls.size()); ++c) {
        const DraftCall& call = draft.calls[c];
        text += (!take || take(call) ? call.text : call.heard) + "\n";
    }
    return text;
}

std::vector<DraftPlace> draftPlaces(
    const Draft& draft, const std::vector<int>& line_of_call, const notes::ParsedNotes& parsed, double lead_s)
{
    std::vector<DraftPlace> places;
    for (const notes::Call& call : parsed.calls) {
        const auto it = std::find(line_of_call.begin(), line_of_call.end(), call.line);
        if (call.notes.empty() || it == line_of_call.end()) {
            continue;
        }
        const DraftCall& said = draft.calls[static_cast<std::size_t>(it - line_of_call.begin())];
        for (std::size_t n = 0; n < call.notes.size() && (n == 0 || n < said.notes.size()); ++n) {
            const double said_s = n < said.notes.size() ? said.notes[n].end_s : said.end_s;
            places.push_back({call.notes[n].id, said_s + lead_s});
        }
    }
    return places;
}

notes::ParsedNotes understandDraft(const Draft& draft, const notes::Style& style)
{
    auto with_order = style;
    with_order.order = draft.order;
    auto parsed = notes::parseNotes(draftText(draft, 0, draft.calls.size()), with_order);
    if (!style.order) {
        std::erase_if(
            parsed.style.evidence, [](const notes::Evidence& evidence) { return evidence.line == 0; });
    }
    partStages(parsed, draft, with_order);
    const auto fileLine = [&](int line) {
        const auto index = static_cast<std::size_t>(line - 1);
        return line >= 1 && index < draft.calls.size() ? draft.calls[index].line : line;
    };
    for (notes::Call& call : parsed.calls) {
        const auto index = static_cast<std::size_t>(call.line - 1);
        if (index < draft.calls.size()) {
            const DraftCall& said = draft.calls[index];
            call.at_s = said.at_s;
            for (std::size_t n = 0; n < call.notes.size(); ++n) {
                const bool same = said.notes.size() == call.notes.size();
                call.notes[n].sure = same ? said.notes[n].sure : said.confidence();
                call.notes[n].doubt = same ? said.notes[n].doubt : std::string();
            }
        }
        call.line = fileLine(call.line);
    }
    for (auto& unknown : parsed.unknown) {
        unknown.line = fileLine(unknown.line);
    }
    for (auto& diagnostic : parsed.diagnostics) {
        diagnostic.line = fileLine(diagnostic.line);
    }
    for (auto& evidence : parsed.style.evidence) {
        evidence.line = evidence.line > 0 ? fileLine(evidence.line) : 0;
    }
    parsed.words += draft.chatter;
    parsed.chatter += draft.chatter;
    return parsed;
}

} // namespace brumefall::captions
