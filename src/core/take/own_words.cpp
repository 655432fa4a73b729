#include "take/own_words.h"

#include "notes/near_misses.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <limits>
#include <map>
#include <numeric>
#include <optional>
#include <utility>

namespace brumefall::take {
namespace {

/// Mean distance of frames along the best way through both words, of which each step costs the frame that it
/// goes to, twice where both go on.
double warped(const std::vector<Cepstra>& a, const std::vector<Cepstra>& b)
{
    constexpr double kFar = std::numeric_limits<double>::infinity();
    const auto distance = [](const Cepstra& x, const Cepstra& y) {
        double sum = 0.0;
        for (std::size_t i = 0; i < kCepstra; ++i) {
            sum += (x[i] - y[i]) * (x[i] - y[i]);
        }
        return std::sqrt(sum);
    };
    std::vector<double> before(b.size() + 1, kFar);
    std::vector<double> now(b.size() + 1, kFar);
    before[0] = 0.0;
    for (const Cepstra& frame : a) {
        now[0] = kFar;
        for (std::size_t j = 1; j <= b.size(); ++j) {
            const double here = distance(frame, b[j - 1]);
            now[j] = std::min({before[j - 1] + 2.0 * here, before[j] + here, now[j - 1] + here});
        }
        std::swap(before, now);
    }
    return before[b.size()] / static_cast<double>(a.size() + b.size());
}

/// Each coefficient brought to the same mean and spread over all words.
void level(std::vector<SaidWord>& words)
{
    Cepstra mean{};
    Cepstra spread{};
    double count = 0.0;
    for (const SaidWord& word : words) {
        for (const Cepstra& frame : word.frames) {
            count += 1.0;
            for (std::size_t i = 0; i < kCepstra; ++i) {
                const double away = frame[i] - mean[i]; // Welford, Technometrics 4 (1962), 419-420
                mean[i] += static_cast<float>(away / count);
                spread[i] += static_cast<float>(away * (frame[i] - mean[i]));
            }
        }
    }
    for (SaidWord& word : words) {
        for (Cepstra& frame : word.frames) {
            for (std::size_t i = 0; i < kCepstra; ++i) {
                frame[i] =
                    (frame[i] - mean[i]) / std::max(1e-3F, std::sqrt(spread[i] / static_cast<float>(count)));
            }
        }
    }
}

/// What the words of a take are like among themselves.
class Examples {
public:
    explicit Examples(const std::vector<SaidWord>& words)
        : words_(words)
    {
        for (std::size_t i = 0; i < words.size(); ++i) {
            if (!words[i].frames.empty()) {
                by_word_[words[i].written].push_back(i);
            }
        }
    }

    /// Anew with each call, as words become doubtful.
    [[nodiscard]] std::vector<std::vector<Likeness>> likenesses()
    {
        std::vector<std::vector<Likeness>> out(words_.size());
        for (std::size_t i = 0; i < words_.size(); ++i) {
            const SaidWord& word = words_[i];
            const bool known = !word.frames.empty() && !word.misses.empty();
            const auto own = known ? distance(i, word.written) : std::optional<double>();
            for (const std::string& other : own ? word.misses : std::vector<std::string>{}) {
                if (const auto to_other = distance(i, other)) {
                    out[i].push_back({other, std::log(*own / std::max(*to_other, 1e-6))});
                }
            }
        }
        return out;
    }

private:
    /// Mean of the nearest few examples: one that was misread itself counts little. Nothing where there are
    /// too few.
    std::optional<double> distance(std::size_t i, const std::string& word)
    {
        constexpr std::size_t kFew = 3;
        constexpr std::size_t kEnough = 12; ///< examples: those said about the same time
        const auto found = by_word_.find(word);
        if (found == by_word_.end()) {
            return {};
        }
        std::vector<double> distances;
        for (const bool doubtful : {false, true}) { // where there are too few others, those too
            std::vector<std::size_t> examples;
            std::copy_if(found->second.begin(), found->second.end(), std::back_inserter(examples),
                [&](std::size_t j) { return j != i && words_[j].doubtful == doubtful; });
            const auto enough =
                examples.begin() + static_cast<std::ptrdiff_t>(std::min(kEnough, examples.size()));
            std::partial_sort(examples.begin(), enough, examples.end(), [&](std::size_t a, std::size_t b) {
                return std::max(a, i) - std::min(a, i) < std::max(b, i) - std::min(b, i);
            });
            std::transform(examples.begin(), enough, std::back_inserter(distances),
                [&](std::size_t j) { return between(i, j); });
            if (distances.size() >= kFew) {
                break;
            }
        }
        if (distances.size() < kFew) {
            return {};
        }
        std::partial_sort(distances.begin(), distances.begin() + kFew, distances.end());
        return std::accumulate(distances.begin(), distances.begin() + kFew, 0.0) / static_cast<double>(kFew);
    }

    double between(std::size_t i, std::size_t j)
    {
        const auto [at, fresh] = known_.try_emplace(std::minmax(i, j), 0.0);
        if (fresh) {
            at->second = warped(words_[i].frames, words_[j].frames);
        }
        return at->second;
    }

    const std::vector<SaidWord>& words_;
    std::map<std::string, std::vector<std::size_t>> by_word_;
    std::map<std::pair<std::size_t, std::size_t>, double> known_;
};

/// A named corner that is heard as the same other one in most of its places is how this reader says it:
/// nobody reads "flat" for "square" time and again. Sides, grades and opposites somebody may have learnt
/// wrong.
void clearHabits(std::vector<FoundNote>& found, const std::vector<SaidWord>& words)
{
    constexpr std::size_t kChance = 1; ///< times
    std::map<std::string, std::size_t> places;
    for (const SaidWord& word : words) {
        ++places[word.written];
    }
    std::map<std::pair<std::string, std::string>, std::size_t> heard;
    for (const FoundNote& note : found) {
        for (const Misread& m : note.misread) {
            ++heard[{m.note_says, m.said}];
        }
    }
    for (FoundNote& note : found) {
        std::erase_if(note.misread, [&](const Misread& m) { // (no distance is a named corner)
            const std::size_t times = heard[{m.note_says, m.said}];
            return notes::isNamedCorner(m.note_says) && places.contains(m.note_says) && times > kChance
                && 2 * times >= places[m.note_says];
        });
    }
}

} // namespace

std::vector<std::vector<Likeness>> likenesses(const std::vector<SaidWord>& given)
{
    constexpr double kExample = -0.05; ///< less like any other word than this is an example of its own
    std::vector<SaidWord> words = given;
    level(words);
    Examples examples(words);
    auto out = examples.likenesses();
    for (std::size_t i = 0; i < words.size(); ++i) {
        words[i].doubtful = words[i].doubtful
            || std::any_of(
                out[i].begin(), out[i].end(), [](const Likeness& l) { return l.nearer > kExample; });
    }
    return examples.likenesses();
}

void weighByOwnWords(std::vector<FoundNote>& found, const std::vector<SaidWord>& words, OwnWordsMay may)
{
    constexpr double kEven = 0.11; ///< as likely the one as the other
    constexpr double kSlope = 0.02;
    constexpr double kMostOfModel = 3.0; ///< nats
    constexpr double kMost = 8.0;
    constexpr double kCleared = 0.1; ///< less sure is not worth a "perhaps"
    const auto all = likenesses(words);
    for (std::size_t i = 0; i < words.size(); ++i) {
        FoundNote& note = found[words[i].note];
        const auto nearest = std::max_element(all[i].begin(), all[i].end(),
            [](const Likeness& a, const Likeness& b) { return a.nearer < b.nearer; });
        if (nearest == all[i].end()) {
            continue;
        }
        const bool accuses = may == OwnWordsMay::accuse || notes::isSide(words[i].written);
        const double most = accuses ? kMost : 0.0;
        const auto weight = [&](double nearer) {
            return std::clamp((nearer - kEven) / kSlope, -kMost, most);
        };
        const auto heard = std::find_if(note.misread.begin(), note.misread.end(),
            [&](const Misread& m) { return !m.of_distance && m.note_says == words[i].written; });
        if (heard == note.misread.end()) {
            const double sure = 1.0 / (1.0 + std::exp(-weight(nearest->nearer)));
            if (sure > kSure) {
                note.misread.push_back({nearest->other, words[i].written, sure, false});
            }
            continue;
        }
        const auto same = std::find_if(
            all[i].begin(), all[i].end(), [&](const Likeness& l) { return l.other == heard->said; });
        if (same == all[i].end()) {
            continue;
        }
        const double of_model = std::clamp(
            std::log(heard->sure / std::max(1e-9, 1.0 - heard->sure)), -kMostOfModel, kMostOfModel);
        if (accuses && nearest->nearer > same->nearer && nearest->nearer > kEven) {
            heard->said = nearest->other;
            heard->sure = 1.0 / (1.0 + std::exp(-weight(nearest->nearer)));
        } else {
            heard->sure = 1.0 / (1.0 + std::exp(-of_model - weight(same->nearer)));
        }
    }
    clearHabits(found, words);
    for (FoundNote& note : found) {
        std::erase_if(note.misread, [](const Misread& m) { return m.sure < kCleared; });
    }
}

} // namespace brumefall::take
