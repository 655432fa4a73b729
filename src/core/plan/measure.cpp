#include "plan/measure.h"

#include "maths/quantile.h"
#include "notes/spoken.h"

#include <algorithm>
#include <vector>

namespace brumefall::plan {

std::optional<Reader> measuredReader(const Reader& reader, std::span<const MeasuredTake> takes)
{
    constexpr double kOldWeighs = 2.0;
    constexpr double kReserve =
        1.08; // a reader can be somewhat quicker for a few calls than over a whole take
    std::vector<double> rates;
    double longest_s = 0.0;
    for (const MeasuredTake& take : takes) {
        if (take.rate_syll_s > 1.0 && take.rate_syll_s < 15.0) {
            rates.push_back(take.rate_syll_s);
            longest_s = std::max(longest_s, take.longest_run_s);
        }
    }
    if (rates.empty()) {
        return {};
    }
    std::sort(rates.begin(), rates.end());
    const auto n = static_cast<double>(rates.size());
    const auto blend = [&](double old_value, double measured) {
        return (kOldWeighs * old_value + n * measured) / (kOldWeighs + n);
    };
    Reader measured = reader;
    measured.rate_syll_s = blend(reader.rate_syll_s, rates[rates.size() / 2]);
    measured.fastest_syll_s =
        std::max(measured.rate_syll_s, blend(reader.fastest_syll_s, kReserve * rates.back()));
    measured.longest_run_s = longest_s > 1.0 ? blend(reader.longest_run_s, longest_s) : reader.longest_run_s;
    return measured;
}

std::optional<Reader> calibratedReader(const Reader& reader, std::span<const ReadCall> calls)
{
    constexpr int kFewestSyllables = 4; // a single word has no rate worth measuring
    constexpr double kNoPause_s = 0.12; // between calls said as one
    constexpr double kLost_s = 2.0; // longer than any breath: the place was lost, or the page turned
    std::vector<double> rates;
    std::vector<double> pauses;
    double run_from_s = 0.0;
    double longest_s = 0.0;
    for (std::size_t c = 0; c < calls.size(); ++c) {
        const ReadCall& call = calls[c];
        const double speech_s = call.end_s - call.start_s - call.paused_s;
        if (call.syllables >= kFewestSyllables && speech_s > 0.2) {
            rates.push_back(call.syllables / speech_s);
        }
        const double pause_s = c == 0 ? kLost_s : call.start_s - calls[c - 1].end_s;
        if (pause_s >= kNoPause_s) {
            run_from_s = call.start_s;
            if (pause_s < kLost_s) {
                pauses.push_back(pause_s);
            }
        }
        longest_s = std::max(longest_s, call.end_s - run_from_s);
    }
    if (rates.size() < kFewestCalls) {
        return {};
    }
    Reader measured = reader;
    measured.rate_syll_s = maths::quantile(std::span(rates), 0.5);
    measured.fastest_syll_s = std::max(measured.rate_syll_s, maths::quantile(std::span(rates), 0.9));
    measured.breath_s = pauses.empty() ? reader.breath_s : maths::quantile(std::span(pauses), 0.25);
    measured.longest_run_s = std::max(longest_s, 1.0);
    return measured;
}

Plan readOn(Plan plan, const Reader& reader)
{
    double at_s = 0.0;
    for (PlannedCall& call : plan.calls) {
        call.start_s = at_s;
        for (std::size_t k = call.first; k < call.last; ++k) {
            PlannedNote& note = plan.notes[k];
            note.spoken_s = spokenLength_s(std::max(1, notes::countSyllables(note.spoken)), reader);
            note.gap_after_s = note.spoken_after.empty()
                ? 0.0
                : spokenLength_s(notes::countSyllables(note.spoken_after), reader);
            note.start_s = at_s;
            note.end_s = at_s + note.spoken_s;
            at_s = note.end_s + note.gap_after_s;
        }
        call.end_s = at_s;
        at_s += reader.breath_s;
        if (call.last > call.first) {
            plan.notes[call.last - 1].gap_after_s += reader.breath_s;
        }
    }
    return plan;
}

} // namespace brumefall::plan
