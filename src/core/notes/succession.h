/// How the words of notes follow each other: what a listener expects to hear next.
#pragma once

#include "notes/style.h"

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// A model of pairs of words. Made from the language and the costs of its weighted reading, not counted from
/// any text: the parts of a note follow each other as their costs say, and each part is said by its phrases,
/// those that every crew has most of all.
struct Succession {
    struct Pair {
        std::size_t first;
        std::size_t next;
        double probability; ///< of `next` where `first` was said
    };
    std::vector<std::string> words; ///< in order of the alphabet
    std::vector<double> share; ///< of each word among all that is said; they sum to 1
    std::vector<Pair> pairs; ///< by `first` and `next`; the likely ones
    std::vector<double> begins; ///< how likely each word begins what is said between two silences
    std::vector<double> ends; ///< how likely a silence follows each word: hardly ever where more must come

    [[nodiscard]] double shareOf(std::string_view word) const; ///< 0 where it is none of them
    /// How likely `next` is where `first` was said; 0 where they are no likely pair.
    [[nodiscard]] double probabilityOf(std::string_view first, std::string_view next) const;

private:
    [[nodiscard]] std::optional<std::size_t> indexOf(std::string_view word) const;
};

/// For crews that say `order`, or either where that is not known; with the crew's own words of `style`.
/// `alone` is a phrase that is no note and is said between two silences now and then; empty for none.
[[nodiscard]] Succession succession(
    std::optional<Order> order, const Style& style = {}, const std::string& alone = {});

/// The model in the ARPA format for back-off models, of order two. What is no pair backs off to the shares:
/// Katz, IEEE Transactions on Acoustics, Speech and Signal Processing 35 (1987), 400-401.
///
/// `talk` are names for the sounds of anything else. They may follow each other and every word, each as dear
/// as kTalk, and what begins a note may follow them.
inline constexpr double kTalk = 3.2e-3; ///< so dear that they do not explain the words themselves
[[nodiscard]] std::string arpaOf(const Succession& succession, const std::vector<std::string>& talk = {});

} // namespace brumefall::notes
