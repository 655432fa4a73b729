#include "captions/heard_words.h"

#include "notes/text.h"

#include <algorithm>
#include <cctype>
#include <iterator>
#include <string_view>

namespace brumefall::captions {
namespace {

std::string plainWord(std::string_view written)
{
    std::string word = notes::lowerCase(written);
    std::erase_if(word, [](unsigned char c) {
        return c < 0x80 && !std::isalnum(c) && c != '\'' && c != '+' && c != '-' && c != '.';
    });
    while (!word.empty() && (word.back() == '.' || word.back() == '-' || word.back() == '\'')) {
        word.pop_back();
    }
    while (!word.empty() && (word.front() == '.' || word.front() == '\'' || word.front() == '-')) {
        word.erase(word.begin());
    }
    return word;
}

/// The cues as one stream of words, with what is shown twice taken once.
class Flattener {
public:
    std::vector<HeardWord> flatten(const std::vector<Cue>& cues)
    {
        for (const Cue& cue : cues) {
            add(cue);
        }
        return std::move(words_);
    }

private:
    void add(const Cue& cue)
    {
        auto fresh = wordsOf(cue);
        const std::size_t overlap = overlapWith(fresh, cue);
        last_end_s_ = cue.end_s;
        if (overlap > 0 && overlap < fresh.size()) {
            fresh[overlap].first_of_cue = true;
            for (std::size_t i = 0; i < overlap; ++i) {
                fresh[overlap].shown_again += (i == 0 ? "" : " ") + fresh[i].word;
            }
        }
        words_.insert(words_.end(),
            std::make_move_iterator(fresh.begin() + static_cast<std::ptrdiff_t>(overlap)),
            std::make_move_iterator(fresh.end()));
    }

    static std::vector<HeardWord> wordsOf(const Cue& cue)
    {
        std::vector<HeardWord> words;
        int line = cue.line;
        std::size_t begin = 0;
        while (begin <= cue.text.size()) {
            const std::size_t end = std::min(cue.text.find('\n', begin), cue.text.size());
            for (const std::string& written :
                notes::splitWords(std::string_view(cue.text).substr(begin, end - begin))) {
                const bool bracketed =
                    written.front() == '[' || written.front() == '(' || written.front() == '>';
                if (auto word = plainWord(written); !word.empty() && !bracketed) {
                    words.push_back({std::move(word), written, 0.0, line, words.empty()});
                }
            }
            ++line;
            begin = end + 1;
        }
        for (std::size_t i = 0; i < words.size(); ++i) {
            const double share = static_cast<double>(i) / static_cast<double>(words.size());
            words[i].at_s = cue.start_s + share * (cue.end_s - cue.start_s);
        }
        return words;
    }

    /// How many of the cue's first words were shown before. Rolling captions repeat whole lines while they
    /// stand; others repeat a word or two at the edge, but hardly a whole corner.
    [[nodiscard]] std::size_t overlapWith(const std::vector<HeardWord>& fresh, const Cue& cue) const
    {
        const bool adjoining = cue.start_s < last_end_s_ + 0.1;
        for (std::size_t n = std::min(fresh.size(), words_.size()); n > 0; --n) {
            const auto tail = words_.end() - static_cast<std::ptrdiff_t>(n);
            const bool same = std::equal(tail, words_.end(), fresh.begin(),
                [](const HeardWord& a, const HeardWord& b) { return a.word == b.word; });
            const bool corner = std::any_of(fresh.begin(), fresh.begin() + static_cast<std::ptrdiff_t>(n),
                [](const HeardWord& w) { return w.word == "left" || w.word == "right"; });
            const bool lone_side = n == 1 && corner; // "… 50 left" / "left five": half a corner is none
            if (same && (adjoining || (n < fresh.size() && (!corner || lone_side)))) {
                return n;
            }
        }
        return 0;
    }

    std::vector<HeardWord> words_;
    double last_end_s_ = -1e9;
};

bool isNumberLike(const std::string& word)
{
    static const std::vector<std::string> kNumbers{
        "one", "two", "three", "four", "five", "six", "for", "to", "tree"};
    return (word.size() == 1 && std::isdigit(static_cast<unsigned char>(word[0])) != 0)
        || std::find(kNumbers.begin(), kNumbers.end(), word) != kNumbers.end();
}

/// Cuts the stream into calls: at silences, and at cue edges where the words before are complete.
class Cutter {
public:
    Cutter(const std::vector<HeardWord>& words, notes::Order order)
        : words_(words)
        , order_(order)
    {
    }

    [[nodiscard]] std::vector<std::pair<std::size_t, std::size_t>> cut() const
    {
        std::vector<std::pair<std::size_t, std::size_t>> calls;
        std::size_t begin = 0;
        for (std::size_t i = 1; i <= words_.size(); ++i) {
            if (i == words_.size() || endsBefore(i, i - begin)) {
                calls.emplace_back(begin, i);
                begin = i;
            }
        }
        return calls;
    }

private:
    [[nodiscard]] bool endsBefore(std::size_t i, std::size_t length) const
    {
        constexpr double kSilence_s = 2.0;
        constexpr std::size_t kLongestCall = 40;
        if (!words_[i].first_of_cue) {
            return length >= kLongestCall;
        }
        if (words_[i].at_s - words_[i - 1].at_s > kSilence_s) {
            return !dangles(i - 1) || words_[i].at_s - words_[i - 1].at_s > 2.0 * kSilence_s;
        }
        return !dangles(i - 1) && !continues(i);
    }

    /// A call does not end with this word.
    [[nodiscard]] bool dangles(std::size_t i) const
    {
        static const std::vector<std::string> kOpen{"into", "over", "and", "tightens", "caution", "through",
            "don't", "keep", "past", "very", "extra", "unseen", "double", "danger", "care", "plus", "sudden"};
        const std::string& word = words_[i].word;
        const bool side = word == "left" || word == "right";
        if (side) {
            return order_ == notes::Order::direction_first && (i == 0 || !isNamedBefore(words_[i - 1].word));
        }
        if (order_ == notes::Order::number_first && isNumberLike(word) && word.size() > 1) {
            return i == 0 || (words_[i - 1].word != "tightens" && words_[i - 1].word != "opens");
        }
        return word != "tightens" && std::find(kOpen.begin(), kOpen.end(), word) != kOpen.end();
    }

    static bool isNamedBefore(const std::string& word)
    {
        return word == "hairpin" || word == "square" || word == "acute" || word == "kink" || word == "keep"
            || word == "flat" || word == "turn" || word == "fork" || word == "chicane" || word == "pin";
    }

    /// A call does not begin with this word.
    [[nodiscard]] bool continues(std::size_t i) const
    {
        static const std::vector<std::string> kGoesOn{
            "tightens", "opens", "titans", "late", "plus", "minus", "long", "no", "sorry", "correction"};
        const std::string& word = words_[i].word;
        return std::find(kGoesOn.begin(), kGoesOn.end(), word) != kGoesOn.end()
            && !(order_ == notes::Order::number_first && word == "long");
    }

    const std::vector<HeardWord>& words_;
    notes::Order order_;
};

} // namespace

std::vector<HeardWord> heardWords(const std::vector<Cue>& cues)
{
    return Flattener().flatten(cues);
}

notes::Order orderOf(const std::vector<HeardWord>& words)
{
    int before = 0;
    int after = 0;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (words[i].word == "left" || words[i].word == "right") {
            before += i > 0 && isNumberLike(words[i - 1].word) ? 1 : 0;
            after += i + 1 < words.size() && isNumberLike(words[i + 1].word) ? 1 : 0;
        }
    }
    return before > after ? notes::Order::number_first : notes::Order::direction_first;
}

std::vector<std::pair<std::size_t, std::size_t>> cutIntoCalls(
    const std::vector<HeardWord>& words, notes::Order order)
{
    return Cutter(words, order).cut();
}

} // namespace brumefall::captions
