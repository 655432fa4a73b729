/// A crew's style made ready for reading many lines: what is written short, and words of the crew's own.
#pragma once

#include "notes/atoms.h"
#include "notes/style.h"

#include <span>
#include <string>
#include <unordered_map>
#include <vector>

namespace brumefall::notes {

class Dictionary {
public:
    explicit Dictionary(const Style& style);

    [[nodiscard]] HundredsSaid hundreds() const { return hundreds_; }
    /// The words that the crew writes `word` for; null where it is no abbreviation of its own.
    [[nodiscard]] const std::vector<std::string>* expansion(const std::string& word) const;

    /// A word or phrase of the crew's own, and the roles that it has.
    struct OwnWord {
        std::vector<std::string> words;
        std::vector<Atom> meaning;
    };
    /// The longest own phrase that `tokens` begin with, null where none does.
    [[nodiscard]] const OwnWord* ownWord(std::span<const Token> tokens) const;

private:
    HundredsSaid hundreds_;
    std::unordered_map<std::string, std::vector<std::string>> expansions_;
    std::unordered_map<std::string, std::vector<OwnWord>> own_; ///< by first word
};

} // namespace brumefall::notes
