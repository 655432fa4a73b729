/// What a stretch of words may have been misheard for: the phrases of the language by their phones.
#pragma once

#include "notes/part.h"
#include "notes/pronunciation.h"

#include <map>
#include <string>
#include <vector>

namespace brumefall::notes {

/// A phrase that others may be misheard for.
struct SoundTarget {
    Part part;
    std::string words;
    int number = 0; ///< a grade, or metres
    std::string before; ///< the relation that it is said with: the two may be heard as one word
    Phones phones;
    double prior = 0.0; ///< what it costs to be rare
    std::size_t shared = 0; ///< phones that it begins with as the target before it does

    [[nodiscard]] bool isWritten(const std::string& text) const
    {
        return before.empty() ? words == text : before + " " + words == text;
    }
};

class SoundTargets {
public:
    explicit SoundTargets(const Pronunciations& pronunciations);

    struct Near {
        const SoundTarget* target;
        double cost;
    };
    static constexpr double kAlike = 0.6; ///< what a word costs that sounds the same
    static constexpr double kSame = kAlike + 0.1;

    /// The targets that `stretch`, whose phones are `phones`, sounds like, the cheapest first; kept once
    /// asked for. With phone distance d and n phones of the target a target costs 0.6 + 1.4 d + 1.9 d / n and
    /// its prior.
    [[nodiscard]] const std::vector<Near>& nearest(const std::string& stretch, const Phones& phones);

private:
    std::vector<SoundTarget> targets_; ///< by their phones
    std::map<std::string, std::vector<Near>> near_;
};

/// A phrase of the language as it is said.
struct SaidPhrase {
    Part part;
    std::vector<std::string> words;
    int number; ///< a grade, or metres; 0 where it is neither
    bool common; ///< it carries notes of every crew
};
/// The phrases that notes are mostly said in: one spelling of each, numbers too.
[[nodiscard]] const std::vector<SaidPhrase>& usualPhrases();

/// Words that carry most notes, whatever the crew; the rest of the language is said less often.
[[nodiscard]] bool isCommon(const std::string& words);

} // namespace brumefall::notes
