#include "notes/talk.h"

#include "maths/quantile.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <optional>

namespace brumefall::notes {
namespace {

// All in natural logarithms. How much likelier talk is than notes where a word was heard: by logistic
// regression over the words of 20 made readings with remarks in them, seeds 701 to 714 (hear_bench,
// HEAR_REMARKS=1).
constexpr double kOfAny = -6.90;
constexpr double kOfRare = 0.643; ///< for each logarithm of how rare the word is in notes
constexpr double kOfLift = -0.214; ///< of how much likelier the word before makes it
constexpr double kOfMisfit = 3.30; ///< of how many times worse than usual its sounds fit
constexpr double kMostMisfit = 2.5;
constexpr double kAnyMisfit = 1.16; ///< that of talk and of notes alike

constexpr double kChange = 8.0;
constexpr double kChangeAtPause = 2.0;

/// How much likelier talk is where each word was heard, whatever its sounds.
std::vector<double> byWordsAlone(std::span<const SpokenWord> words, const Succession& succession)
{
    constexpr double kLeast = 1e-5; ///< share of a word that no note holds
    constexpr double kAnyPair = 0.3; ///< of the word's share, where the word before says nothing of it
    constexpr double kAskedFor = 0.7; ///< by the word before: rare as a word is, it is not rare there
    std::vector<double> talk;
    for (std::size_t i = 0; i < words.size(); ++i) {
        const double share = std::max(kLeast, succession.shareOf(words[i].word));
        const double pair = i == 0 ? 0.0 : succession.probabilityOf(words[i - 1].word, words[i].word);
        const bool asked_for = pair >= kAskedFor;
        const double after = asked_for       ? pair
            : i == 0 || words[i].after_pause ? share
                                             : std::max(kAnyPair * share, pair);
        talk.push_back(kOfAny - kOfRare * std::log(asked_for ? pair : share)
            + kOfLift * std::log(after / share) + kOfMisfit * kAnyMisfit);
    }
    return talk;
}

/// Logarithm of the sum of two likelihoods, given by their own.
double either(double a, double b)
{
    return std::max(a, b) + std::log1p(std::exp(-std::abs(a - b)));
}

/// How likely each word is talk, where talk is that much likelier by the word itself.
std::vector<double> likelihoods(std::span<const SpokenWord> words, std::span<const double> by_word)
{
    struct States { // logarithms of likelihoods
        double notes;
        double talk;
    };
    const std::size_t n = words.size();
    const auto change = [&](std::size_t i) { return words[i].after_pause ? kChangeAtPause : kChange; };
    const auto moved = [](const States& from, double price) {
        return States{either(from.notes, from.talk - price), either(from.talk, from.notes - price)};
    };
    std::vector<States> up_to;
    for (std::size_t i = 0; i < n; ++i) {
        up_to.push_back(i == 0 ? States{0.0, -kChangeAtPause} : moved(up_to.back(), change(i)));
        up_to.back().talk += by_word[i];
    }
    std::vector<double> talk(n);
    States after{0.0, 0.0};
    for (std::size_t i = n; i-- > 0;) {
        const double notes = up_to[i].notes + after.notes;
        talk[i] = 1.0 / (1.0 + std::exp(notes - up_to[i].talk - after.talk));
        after = moved({after.notes, after.talk + by_word[i]}, change(i));
    }
    return talk;
}

/// How well the words that are no talk fit, or a little worse; nothing where few are known.
std::optional<double> usualFit(std::span<const SpokenWord> words, std::span<const double> talk)
{
    constexpr std::size_t kEnough = 8;
    constexpr double kShare = 0.45; ///< of them fit worse
    constexpr double kBest = -1.0;
    std::vector<double> fits;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (talk[i] < 0.5 && words[i].fit) {
            fits.push_back(*words[i].fit);
        }
    }
    if (fits.size() < kEnough) {
        return {};
    }
    return std::min(maths::quantile(std::span(fits), kShare), kBest);
}

} // namespace

std::vector<double> talkAmong(std::span<const SpokenWord> words, const Succession& succession)
{
    auto by_word = byWordsAlone(words, succession);
    auto talk = likelihoods(words, by_word);
    const auto usual = usualFit(words, talk);
    if (!usual) {
        return talk;
    }
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (words[i].fit) {
            by_word[i] += kOfMisfit * (std::min(kMostMisfit, *words[i].fit / *usual) - kAnyMisfit);
        }
    }
    return likelihoods(words, by_word);
}

} // namespace brumefall::notes
