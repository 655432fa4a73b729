/// The words of the note language and what each is for. A table, not code: a new word is one entry.
#pragma once

#include <initializer_list>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// What a word or phrase can be in a note.
enum class Role {
    direction,
    number,
    named_grade,
    modifier,
    extent,
    shape,
    to,
    late,
    line,
    relation,
    thing,
    size,
    maybe,
    visibility,
    surface,
    camber,
    width,
    gradient,
    junction,
    chicane,
    entry,
    warning,
    sudden,
    speed,
    joiner,
    start,
    finish,
    stop,
    here,
    correction,
    for_,
    metres,
    instruction,
    qualifier,
    glue,
    chatter,
    underline,
    unknown,
};

[[nodiscard]] bool isOneOf(std::initializer_list<Role> roles, Role role);

/// One way of saying something: its words in lower case, and the identifier that it means.
struct LexiconEntry {
    std::vector<std::string> words;
    Role role;
    std::string value;
};

/// How a number word can take part in a longer number.
enum class NumberClass { none, unit, teen, ten, hundred, thousand, digits };

/// All that the language knows of one word.
struct KnownWord {
    NumberClass number_class = NumberClass::none;
    int number = 0;
    std::vector<LexiconEntry> phrases; ///< that begin with it, longest first
    int syllables = 0;
    std::vector<std::string>
        short_for; ///< what crews commonly write it for; empty where it is no abbreviation
};

/// Null where the language does not know `word`, which is in lower case.
[[nodiscard]] const KnownWord* knownWord(std::string_view word);

/// The longest phrase that `words` begin with; null where none does.
[[nodiscard]] const LexiconEntry* longestPhrase(std::span<const std::string> words);

struct Token;

/// A phrase found at the beginning of a run of words.
struct LexiconMatch {
    const LexiconEntry* entry = nullptr;
    std::size_t words = 0;
};

/// The longest phrase that `tokens` begin with; `entry` is null where none does.
[[nodiscard]] LexiconMatch longestMatch(std::span<const Token> tokens);

/// A thing that a driver meets with the car, not merely passes.
[[nodiscard]] bool isDriven(const std::string& thing);

/// A relation that needs no thing after it: "rocks inside".
[[nodiscard]] bool saysAll(const std::string& relation);

/// A word that turns what follows into its opposite: a note that lost it is a danger.
[[nodiscard]] bool refuses(const std::string& word);

/// Whether two phrases are of one role and mean the same: "keep middle" and "middle".
[[nodiscard]] bool meansTheSame(std::string_view a, std::string_view b);

/// Every single word that the language knows, sorted; for spelling suggestions and completion.
[[nodiscard]] const std::vector<std::string>& knownWords();

/// Every phrase that the language knows, sorted; none stands twice.
[[nodiscard]] const std::vector<std::string>& knownPhrases();

/// Abbreviations that crews commonly write, as (short, long); longest first is not required.
[[nodiscard]] std::span<const std::pair<std::string_view, std::string_view>> commonAbbreviations();

} // namespace brumefall::notes
