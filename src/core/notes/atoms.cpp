#include "notes/atoms.h"

#include "notes/dictionary.h"
#include "notes/numbers.h"
#include "notes/suggest.h"

#include <algorithm>
#include <optional>
#include <span>
#include <utility>

namespace brumefall::notes {
namespace {

/// Finds atoms from left to right; numbers are read with what stands around them.
class AtomFinder {
public:
    AtomFinder(const std::vector<Token>& tokens, Order order, const Dictionary& dictionary)
        : tokens_(tokens)
        , numbers_(tokens, order)
        , order_(order)
        , dictionary_(dictionary)
    {
        atoms_.reserve(tokens.size());
    }

    std::vector<Atom> find()
    {
        std::size_t i = 0;
        while (i < tokens_.size()) {
            i = next(i);
        }
        return std::move(atoms_);
    }

private:
    std::size_t next(std::size_t i)
    {
        if (const std::size_t count = countdownAt(i); count > 0) {
            push(Role::chatter, "countdown", 0, i, i + count);
            return i + count;
        }
        const std::size_t phrase_end = endOfPhrase(i);
        if (const std::size_t count = ownWordAt(i, phrase_end); count > 0) {
            return i + count;
        }
        if (numbers_.beginsAt(i)) {
            const auto [value, count] = numbers_.read(i, gradeWanted());
            if (const std::size_t after = i + count; after < tokens_.size()
                && (tokens_[after].word == "seconds" || tokens_[after].word == "minutes"
                    || tokens_[after].word == "minute")) {
                push(Role::chatter, "countdown", 0, i, after + 1);
                return after + 1;
            }
            push(Role::number, std::to_string(value), value, i, i + count);
            return i + count;
        }
        auto match = longestMatch(std::span(tokens_).subspan(i, phrase_end - i));
        if (match.entry == nullptr) {
            push(namesLandmark(i) ? Role::thing : Role::unknown, tokens_[i].word, 0, i, i + 1);
            return i + 1;
        }
        if (match.words > 1 && isSideBeforeCorner(*match.entry, i + match.words)) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "bump on left four": a bump on a corner
        }
        if (match.entry != nullptr && match.entry->role == Role::entry && match.words == 2
            && (tokens_[i].word == "in" || tokens_[i + 1].word == "in") && !speaksOfChicane()) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "dip in left five"
        }
        if (match.entry == nullptr) {
            push(Role::unknown, tokens_[i].word, 0, i, i + 1);
            return i + 1;
        }
        if (isTargetAfterInto(i)) {
            push(Role::to, "to", 0, i, i + 1);
            return i + 1;
        }
        if (match.words == 1 && joinsTwoCorners(i)) {
            push(Role::joiner, "into", 0, i, i + 1);
            return i + 1;
        }
        if (match.words > 1 && match.entry->words.front() == "hug" && endsWithSideOf(i, match.words)) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "hug left three": the corner's own side
        }
        if (isSideOfThing(*match.entry, i + match.words)) {
            push(Role::qualifier, match.entry->value + "_hand", 0, i, i + match.words);
            return i + match.words;
        }
        if (Atom* refusal = refusalOf(match.entry->role); refusal != nullptr) {
            refusal->role = Role::unknown;
            refusal->value = tokens_[refusal->first].word;
            for (std::size_t j = i; j < i + match.words; ++j) {
                push(Role::unknown, tokens_[j].word, 0, j, j + 1);
            }
            return i + match.words;
        }
        push(match.entry->role, match.entry->value, 0, i, i + match.words);
        return i + match.words;
    }

    /// "don't keep in", "not a jump": what is not so must not count as said. The word that refuses it; null
    /// where none stands before.
    [[nodiscard]] Atom* refusalOf(Role role)
    {
        if (!isOneOf({Role::line, Role::shape, Role::extent, Role::width, Role::camber, Role::thing,
                         Role::warning, Role::speed},
                role)) {
            return nullptr;
        }
        for (auto it = atoms_.rbegin(); it != atoms_.rend() && !it->pause_after; ++it) {
            const std::string& word = tokens_[it->first].word;
            if (it->last - it->first == 1 && refuses(word)) {
                return isOneOf({Role::chatter, Role::unknown}, it->role) ? &*it : nullptr;
            }
            if (!isOneOf({Role::glue, Role::chatter, Role::relation, Role::size}, it->role)) {
                return nullptr;
            }
        }
        return nullptr;
    }

    /// "left hand gatepost": "left hand" says which thing, where it says no corner ("left hand three", "three
    /// left hand", "left hand hairpin").
    [[nodiscard]] bool isSideOfThing(const LexiconEntry& entry, std::size_t next) const
    {
        if (entry.role != Role::direction || !entry.words.back().ends_with("hand")) {
            return false;
        }
        const auto isGrade = [](const Atom& atom) {
            return atom.role == Role::named_grade || (atom.role == Role::number && atom.number < 10);
        };
        if (!atoms_.empty() && isGrade(atoms_.back()) && !atoms_.back().pause_after) {
            return false;
        }
        const auto after =
            next < tokens_.size() ? longestMatch(std::span(tokens_).subspan(next)) : LexiconMatch{};
        return !(next < tokens_.size() && numbers_.isGrade(next))
            && !(after.entry != nullptr
                && isOneOf({Role::named_grade, Role::extent, Role::modifier}, after.entry->role));
    }

    /// A phrase does not go on beyond a comma, but for a word said twice: "extra, extra long".
    [[nodiscard]] std::size_t endOfPhrase(std::size_t i) const
    {
        while (
            i + 1 < tokens_.size() && (!tokens_[i].pause_after || tokens_[i].word == tokens_[i + 1].word)) {
            ++i;
        }
        return i + 1;
    }

    /// "at the fingerpost": a word that is like no known one, where a landmark is wanted.
    [[nodiscard]] bool namesLandmark(std::size_t i) const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend() && !it->pause_after; ++it) {
            if (it->role == Role::relation) {
                const bool wants = it->value == "at" || it->value == "past" || it->value == "around"
                    || it->value == "before" || it->value == "after";
                return wants && tokens_[i].word.size() >= 4 && suggestFor(tokens_[i].word).empty();
            }
            if (it->role != Role::glue && it->role != Role::qualifier && it->role != Role::size) {
                return false;
            }
        }
        return false;
    }

    [[nodiscard]] bool speaksOfChicane()
    {
        if (!speaks_of_chicane_) {
            speaks_of_chicane_ = std::any_of(tokens_.begin(), tokens_.end(), [](const Token& token) {
                return token.word == "chicane" || token.word == "chicanes" || token.word == "esses";
            });
        }
        return *speaks_of_chicane_;
    }

    /// "tightens into three": the number is what the corner becomes, unless it is the next corner's own.
    [[nodiscard]] bool isTargetAfterInto(std::size_t i) const
    {
        if (tokens_[i].word != "into" || atoms_.empty() || atoms_.back().role != Role::shape) {
            return false;
        }
        std::size_t j = i + 1;
        while (j < tokens_.size() && (tokens_[j].word == "a" || tokens_[j].word == "long")) {
            ++j;
        }
        return numbers_.isGrade(j) && !numbers_.directionLedTo(j)
            && !(j + 1 < tokens_.size() && isDirection(tokens_[j + 1]));
    }

    /// "four left to three right", "three left in two right": between two whole corners either word means
    /// "into". "One left plus to two left" is one corner.
    [[nodiscard]] bool joinsTwoCorners(std::size_t i) const
    {
        const bool to = tokens_[i].word == "to";
        if ((!to && tokens_[i].word != "in") || atoms_.empty() || tokens_[i].pause_after) {
            return false;
        }
        if (!to
            && !isOneOf({Role::direction, Role::number, Role::named_grade, Role::modifier, Role::extent},
                atoms_.back().role)) {
            return false; // "dip in left five"
        }
        const auto ahead = cornerAt(i + 1);
        const Atom* before = sideOfCornerBefore();
        return ahead && before != nullptr && (!to || before->value != tokens_[*ahead].word);
    }

    /// The direction of the corner that is being told, null where what was told last is a shape or a
    /// distance.
    [[nodiscard]] const Atom* sideOfCornerBefore() const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend(); ++it) {
            if (it->role == Role::direction) {
                return &*it;
            }
            if (isOneOf({Role::shape, Role::joiner}, it->role)
                || (it->role == Role::number && it->number >= 10)) {
                return nullptr;
            }
        }
        return nullptr;
    }

    /// The direction of the whole corner that begins at token `i`, in the file's order.
    [[nodiscard]] std::optional<std::size_t> cornerAt(std::size_t i) const
    {
        if (i + 1 >= tokens_.size()) {
            return {};
        }
        const auto isGrade = [&](std::size_t j, std::size_t& words) {
            const auto named = longestMatch(std::span(tokens_).subspan(j));
            words = named.entry != nullptr && named.entry->role == Role::named_grade ? named.words : 1;
            return (named.entry != nullptr && named.entry->role == Role::named_grade) || numbers_.isGrade(j);
        };
        std::size_t words = 1;
        if (isDirection(tokens_[i])) {
            return isGrade(i + 1, words) ? std::optional(i) : std::nullopt;
        }
        if (!isGrade(i, words)) {
            return {};
        }
        return words == 1 && numbers_.isGrade(i)                            ? numbers_.directionLedTo(i)
            : i + words < tokens_.size() && isDirection(tokens_[i + words]) ? std::optional(i + words)
                                                                            : std::nullopt;
    }

    /// The last of `count` words is the direction of a corner whose grade follows.
    [[nodiscard]] bool endsWithSideOf(std::size_t i, std::size_t count) const
    {
        const std::size_t next = i + count;
        return order_ == Order::direction_first && isDirection(tokens_[next - 1])
            && !tokens_[next - 1].pause_after && numbers_.isGrade(next);
    }

    [[nodiscard]] bool isSideBeforeCorner(const LexiconEntry& entry, std::size_t next) const
    {
        const bool side = entry.value == "left" || entry.value == "right";
        return side && entry.role == Role::relation && entry.words.front() == "on" && next < tokens_.size()
            && !tokens_[next - 1].pause_after && numbers_.isGrade(next);
    }

    /// Number of tokens of "five four three two one [go]" at `i`, 0 where there is none.
    [[nodiscard]] std::size_t countdownAt(std::size_t i) const
    {
        std::size_t j = i;
        while (j < tokens_.size() && tokens_[j].number_class != NumberClass::none && tokens_[j].number <= 10
            && (j == i || tokens_[j].number == tokens_[j - 1].number - 1)) {
            ++j;
        }
        const bool go = j < tokens_.size() && tokens_[j].word == "go";
        const bool to_one = j > i && tokens_[j - 1].number == 1 && (j == tokens_.size() || go);
        return j - i >= 3 && (to_one || go) ? j - i + (go ? 1 : 0) : 0;
    }

    /// A word of the crew's own: its words stay, its meaning is that of the phrase it stands for.
    [[nodiscard]] std::size_t ownWordAt(std::size_t i, std::size_t end)
    {
        const auto* own = dictionary_.ownWord(std::span(tokens_).subspan(i, end - i));
        if (own == nullptr) {
            return 0;
        }
        const std::size_t last = i + own->words.size();
        if (own->meaning.empty()) {
            push(Role::glue, "own", 0, i, last);
        }
        for (const Atom& atom : own->meaning) {
            push(atom.role, atom.value, atom.number, &atom == &own->meaning.front() ? i : last, last);
        }
        return own->words.size();
    }

    void push(Role role, std::string value, int number, std::size_t first, std::size_t last)
    {
        atoms_.push_back({role, std::move(value), number, first, last, tokens_[last - 1].pause_after});
    }

    /// A single small number right here must be a grade: after "left", "tightens", "to".
    [[nodiscard]] bool gradeWanted() const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend(); ++it) {
            switch (it->role) {
            case Role::direction:
                // "flat left one fifty": that corner has its grade
                return order_ == Order::direction_first
                    && (std::next(it) == atoms_.rend() || std::next(it)->role != Role::named_grade
                        || std::next(it)->pause_after);
            case Role::shape:
            case Role::to: return true;
            case Role::extent:
            case Role::late:
            case Role::sudden:
            case Role::visibility:
            case Role::glue: continue;
            default: return false;
            }
        }
        return false;
    }

    const std::vector<Token>& tokens_;
    NumberReader numbers_;
    Order order_;
    const Dictionary& dictionary_;
    std::vector<Atom> atoms_;
    std::optional<bool> speaks_of_chicane_; ///< not looked for before it is asked
};

} // namespace

std::vector<Atom> findAtoms(const std::vector<Token>& tokens, Order order, const Dictionary& dictionary)
{
    return AtomFinder(tokens, order, dictionary).find();
}

} // namespace brumefall::notes
