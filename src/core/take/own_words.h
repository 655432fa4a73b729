/// Which word a reader said, told by how the same reader says it elsewhere in the take: no accent, throat or
/// microphone is strange to itself.
///
/// Words are compared by dynamic time warping (Sakoe & Chiba, IEEE Transactions on Acoustics, Speech, and
/// Signal Processing 26 (1978), 43-49) of their mel cepstra (Davis & Mermelstein, ibid. 28 (1980), 357-366).
#pragma once

#include "take/take.h"

#include <array>
#include <cstddef>
#include <string>
#include <vector>

namespace brumefall::take {

inline constexpr std::size_t kCepstra = 12; ///< of a frame of a hundredth of a second; without its loudness
using Cepstra = std::array<float, kCepstra>;

/// A word of a found note as it was said.
struct SaidWord {
    std::size_t note = 0; ///< among those found
    std::string written; ///< what the note says there
    std::vector<std::string> misses; ///< what else could be said there
    std::vector<Cepstra> frames;
    bool doubtful = false; ///< it was heard as another word: no example of the written one
};

/// How much nearer a word is to how the reader says another one than to how he says the written one.
struct Likeness {
    std::string other;
    double nearer = 0.0; ///< natural logarithm of how many times; below 0 the written one is nearer
};

/// For each of `words` and each of its misses that the take holds often enough; empty where the written one
/// is said too seldom.
[[nodiscard]] std::vector<std::vector<Likeness>> likenesses(const std::vector<SaidWord>& words);

/// Beside another voice, or over stones, a word that is unlike the others tells nothing but for a side: there
/// they `only_clear`.
enum class OwnWordsMay { accuse, only_clear };

/// Weighs what was heard as misread against it: raises what is said as the reader says the other word, lowers
/// what is said as he says the written one, and adds what no model of the language heard.
void weighByOwnWords(
    std::vector<FoundNote>& found, const std::vector<SaidWord>& words, OwnWordsMay may = OwnWordsMay::accuse);

} // namespace brumefall::take
