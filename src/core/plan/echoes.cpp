#include "plan/echoes.h"

#include "notes/spoken.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace brumefall::plan {
namespace {

/// What is said again: the side and the grade, in the crew's own order, and "now"; empty where there is
/// neither.
std::string echoWords(const notes::Note& note, notes::Order order)
{
    if (!note.direction || !note.grade) {
        return {};
    }
    std::string grade = note.grade->isNumber()
        ? notes::sayNumber(note.grade->number, notes::HundredsSaid::short_form)
        : note.grade->name;
    std::replace(grade.begin(), grade.end(), '_', ' ');
    const std::string side = notes::toString(*note.direction);
    return (order == notes::Order::number_first ? grade + " " + side : side + " " + grade) + " now";
}

/// `note` said again, if the crew wishes it and there is time for it between the first saying and the corner.
std::optional<PlannedNote> echoOf(const PlannedNote& note, const notes::Note& source, const PlanInput& input)
{
    constexpr double kNearest_s = 4.0; // "as the car comes up to it"
    constexpr double kSpare_s = 0.4; // before the last moment
    const bool long_ago = input.echoes.after_s > 0.0 && note.lead_s > input.echoes.after_s;
    const bool dangerous = input.echoes.dangerous && !source.warnings.empty();
    const std::string words = note.echo_of.empty() ? echoWords(source, input.order) : std::string();
    if ((!long_ago && !dangerous) || words.empty()) {
        return {};
    }
    const double breath_s = input.reader.breath_s;
    PlannedNote echo = note;
    echo.id = note.id + "e";
    echo.echo_of = note.id;
    echo.text = words;
    echo.spoken = words;
    echo.spoken_after.clear();
    echo.spoken_s = spokenLength_s(notes::countSyllables(words), input.reader);
    echo.gap_after_s = breath_s;
    echo.weight = 0.5 * note.weight;
    Window& window = echo.window;
    window.opens_s = std::max(note.end_s + breath_s + echo.spoken_s, note.act_s - kNearest_s);
    window.ideal_s =
        std::clamp(window.closes_s - kSpare_s, std::min(window.opens_s, window.closes_s), window.closes_s);
    return window.opens_s > window.closes_s ? std::nullopt : std::optional(echo);
}

/// The call before which there is room for `echo` nearest to its wished moment; nothing where there is none.
std::optional<std::size_t> pauseFor(const PlannedNote& echo, const Plan& plan, double breath_s)
{
    double best_off_s = std::numeric_limits<double>::infinity();
    std::optional<std::size_t> best;
    const Window& window = echo.window;
    for (auto c = static_cast<std::size_t>(echo.call) + 1; c <= plan.calls.size(); ++c) {
        const double free_from_s = plan.calls[c - 1].end_s + breath_s + echo.spoken_s;
        if (free_from_s > window.closes_s) {
            break;
        }
        const double free_to_s = c < plan.calls.size() ? plan.calls[c].start_s - breath_s
                                                       : std::numeric_limits<double>::infinity();
        const double from_s = std::max(free_from_s, window.opens_s);
        const double to_s = std::min(free_to_s, window.closes_s);
        if (from_s > to_s) {
            continue;
        }
        const double off_s = std::abs(window.ideal_s - std::clamp(window.ideal_s, from_s, to_s));
        if (off_s < best_off_s) {
            best_off_s = off_s;
            best = c;
        }
    }
    return best;
}

} // namespace

std::vector<Echo> chooseEchoes(
    const Plan& plan, std::span<const notes::Note* const> sources, const PlanInput& input)
{
    std::vector<Echo> echoes;
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        auto note = echoOf(plan.notes[k], *sources[k], input);
        if (!note) {
            continue;
        }
        const auto pause = pauseFor(*note, plan, input.reader.breath_s);
        const bool taken = pause && !echoes.empty() && echoes.back().before_call == *pause;
        if (pause && !taken) {
            echoes.push_back({*pause, std::move(*note), sources[k]});
        }
    }
    std::stable_sort(echoes.begin(), echoes.end(),
        [](const Echo& a, const Echo& b) { return a.before_call < b.before_call; });
    return echoes;
}

void insertEchoes(Plan& plan, std::vector<const notes::Note*>& sources, const std::vector<Echo>& echoes)
{
    for (auto echo = echoes.rbegin(); echo != echoes.rend(); ++echo) { // from the end: what is before stays
        const std::size_t at =
            echo->before_call < plan.calls.size() ? plan.calls[echo->before_call].first : plan.notes.size();
        const auto place = static_cast<std::ptrdiff_t>(at);
        plan.notes.insert(plan.notes.begin() + place, echo->note);
        sources.insert(sources.begin() + place, echo->source);
        const int line = echo->before_call > 0 ? plan.calls[echo->before_call - 1].line : 0;
        plan.calls.insert(plan.calls.begin() + static_cast<std::ptrdiff_t>(echo->before_call),
            {line, echo->note.text, at, at + 1, 0.0, 0.0});
        plan.notes[at].call = static_cast<int>(echo->before_call);
        for (std::size_t c = echo->before_call + 1; c < plan.calls.size(); ++c) {
            ++plan.calls[c].first;
            ++plan.calls[c].last;
        }
        for (std::size_t k = at + 1; k < plan.notes.size(); ++k) {
            ++plan.notes[k].call;
        }
    }
}

std::vector<LineUpNote> lineUpReading(const Plan& plan, int count)
{
    constexpr double kBeforeCountdown_s = -7.0;
    std::vector<LineUpNote> reading;
    double at_s = 0.0;
    for (const PlannedNote& note : plan.notes) {
        if (static_cast<int>(reading.size()) >= count) {
            break;
        }
        if (note.echo_of.empty()) {
            reading.push_back({note.id, note.spoken, at_s, at_s + note.spoken_s});
            at_s += note.spoken_s + note.gap_after_s;
        }
    }
    const double shift_s = reading.empty() ? 0.0 : kBeforeCountdown_s - reading.back().end_s;
    for (LineUpNote& note : reading) {
        note.start_s += shift_s;
        note.end_s += shift_s;
    }
    return reading;
}

} // namespace brumefall::plan
