/// A reading of a small stage, as planned, in which a test makes faults.
#pragma once

#include "stage/stage.h"
#include "take/causes.h"

#include <string>
#include <vector>

namespace support {

/// A reading of a small stage that a test makes faults in, and what was made of it.
class SmallReading {
public:
    SmallReading()
    {
        brumefall::stage::Stage stage;
        stage.text = "150 left four 60\ncaution hairpin right 80\nright six 150\nleft two tightens one into "
                     "right three into left four 200\nright five 120\nleft three 90\nright four 60\nleft two";
        prepared_ = brumefall::stage::prepare(stage, nullptr);
        for (const auto& note : plan().notes) {
            found.push_back({note.id, true, {note.start_s, note.end_s}, {}, {}, {}, false, {}});
        }
    }

    [[nodiscard]] const brumefall::plan::Plan& plan() const { return prepared_.plan; }

    /// Everything of the call of note `k`, from that note on, is said `by_s` later.
    void shift(std::size_t k, double by_s)
    {
        for (std::size_t j = k; j < plan().notes.size() && plan().notes[j].call == plan().notes[k].call;
             ++j) {
            found[j].span.start_s += by_s;
            found[j].span.end_s += by_s;
        }
    }

    /// By how much note `k` has to end later than planned to be late by half a second.
    [[nodiscard]] double tooLate_s(std::size_t k) const
    {
        return plan().notes[k].window.closes_s - plan().notes[k].end_s + 0.5;
    }

    [[nodiscard]] std::vector<brumefall::take::Verdict> verdicts() const
    {
        return brumefall::take::judge(plan(), prepared_.placement.pace, found, {}, 1e4);
    }
    [[nodiscard]] brumefall::take::Reason reasonOf(std::size_t k) const
    {
        return brumefall::take::reasons(plan(), found, {}, verdicts())[k];
    }

    std::vector<brumefall::take::FoundNote> found;

private:
    brumefall::stage::Prepared prepared_;
};

} // namespace support
