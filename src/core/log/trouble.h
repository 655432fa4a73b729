/// Notes and words that go wrong again and again over the takes of a rally.
#pragma once

#include "log/trends.h"

#include <string>
#include <vector>

namespace brumefall::log {

/// A note that was not on time, or said with another word in it.
struct TroubleNote {
    std::size_t stage = 0; ///< of the rally
    std::string id;
    std::string spoken;
    int read = 0; ///< how often it was due
    int wrong = 0;
    int plan_faults = 0; ///< of the wrong ones
    int reading_faults = 0;
    take::Cause most = take::Cause::none; ///< the cause that it had most often
    double trouble = 0.0; ///< 0 to 1: how often it goes wrong, drawn toward seldom while it was read seldom
};

/// Those that went wrong more than once, or in most of few takes: the worst first.
[[nodiscard]] std::vector<TroubleNote> troubleNotes(const Rally& rally, const Filter& filter);

/// A word in notes that go wrong by the reading more often than notes do here.
struct TroubleWord {
    std::string word;
    int read = 0; ///< how often a note with it was due
    int wrong = 0;
    double times_more = 1.0; ///< how much more often it goes wrong than any note does
};
[[nodiscard]] std::vector<TroubleWord> troubleWords(const Rally& rally, const Filter& filter);

} // namespace brumefall::log
