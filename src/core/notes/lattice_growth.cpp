#include "notes/lattice_growth.h"

#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <charconv>
#include <utility>

namespace brumefall::notes {

bool isDigits(std::string_view text)
{
    return !text.empty() && std::all_of(text.begin(), text.end(), [](char c) { return isDigit(c); });
}

int valueOf(std::string_view digits)
{
    int value = 0;
    std::from_chars(digits.data(), digits.data() + digits.size(), value);
    return value;
}

LatticeGrowth::LatticeGrowth(std::span<const HeardWord> words, const Pronunciations& pronunciations)
    : inner_(static_cast<int>(words.size()) + 1)
{
    lattice_.words = words;
    lattice_.from.resize(words.size() + 1);
    for (const HeardWord& word : words) {
        lattice_.pause.push_back(word.pause);
        phones_.push_back(pronunciations.of(isDigits(word.word) && word.word.size() == 1
                ? sayNumber(valueOf(word.word), HundredsSaid::short_form)
                : word.word));
        known_.push_back(knownWord(word.word));
    }
    lattice_.pause.push_back(Pause::stop_edge);
}

void LatticeGrowth::add(
    std::size_t first, std::size_t last, const std::vector<Piece>& pieces, By by, double cost)
{
    int from = static_cast<int>(first);
    for (std::size_t k = 0; k < pieces.size(); ++k) {
        int to = static_cast<int>(last);
        if (k + 1 < pieces.size()) {
            to = static_cast<int>(lattice_.from.size());
            lattice_.from.emplace_back();
            lattice_.pause.push_back(Pause::none);
        }
        lattice_.from[static_cast<std::size_t>(from)].push_back({to, pieces[k].part, by, pieces[k].words,
            pieces[k].number, k == 0 ? cost + pauseWithin(first, last) : 0.0, first, last});
        from = to;
    }
}

double LatticeGrowth::pauseWithin(std::size_t first, std::size_t last) const
{
    double cost = 0.0;
    for (std::size_t i = first + 1; i < last; ++i) {
        const Pause pause = lattice_.words[i].pause;
        cost += pause == Pause::none  ? 0.0
            : pause == Pause::edge    ? 0.4
            : pause == Pause::comma   ? 0.7
            : pause == Pause::silence ? 4.0
                                      : 1.6;
    }
    return cost;
}

void LatticeGrowth::add(std::size_t i, Alternative alternative)
{
    lattice_.from[i].push_back(std::move(alternative));
}

bool LatticeGrowth::standsAt(std::size_t i, std::span<const std::string> phrase) const
{
    return i + phrase.size() <= lattice_.words.size()
        && std::equal(phrase.begin(), phrase.end(), lattice_.words.begin() + static_cast<std::ptrdiff_t>(i),
            [](const std::string& word, const HeardWord& heard) { return word == heard.word; });
}

void LatticeGrowth::endWord(std::size_t i)
{
    lattice_.order.push_back(static_cast<int>(i));
    for (; inner_ < static_cast<int>(lattice_.from.size()); ++inner_) {
        lattice_.order.push_back(inner_);
    }
}

Lattice LatticeGrowth::finish()
{
    lattice_.order.push_back(lattice_.end());
    return std::move(lattice_);
}

NumberClass LatticeGrowth::classAt(std::size_t i) const
{
    if (i >= lattice_.words.size()) {
        return NumberClass::none;
    }
    return isDigits(lattice_.words[i].word) ? NumberClass::digits
        : known_[i] == nullptr              ? NumberClass::none
                                            : known_[i]->number_class;
}

int LatticeGrowth::numberAt(std::size_t i) const
{
    return isDigits(lattice_.words[i].word) ? valueOf(lattice_.words[i].word)
        : known_[i] == nullptr              ? 0
                                            : known_[i]->number;
}

} // namespace brumefall::notes
