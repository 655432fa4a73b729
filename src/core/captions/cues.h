/// Caption files as timed lines: SRT, WebVTT, or plain "[m:ss] text".
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::captions {

/// A stretch of captions. Times are seconds in the media; `line` is that of its text in the file, from 1.
struct Cue {
    double start_s = 0.0;
    double end_s = 0.0;
    int line = 0;
    std::string text; ///< without markup; lines are separated by '\n'
    /// Where the file tells when words begin: bytes of `text` in order, and the times of what stands there.
    struct Timed {
        std::size_t byte;
        double at_s;
        double sure = 1.0; ///< how likely it is a word of notes and not of talk, 0 to 1
    };
    std::vector<Timed> times{};
};

/// The text of a cue for speech of which no word is known. As all that stands in brackets, it is no word.
inline constexpr std::string_view kUnknownTalk = "[talk]";

inline constexpr std::size_t kMostCues = 100'000;

/// Reads any of the three kinds; a plain line lasts until the next. Throws formats::FormatError naming `file`
/// and the line where there is no time stamp at all or one makes no sense.
[[nodiscard]] std::vector<Cue> readCues(std::string_view content, const std::string& file);

/// The same `by_s` later.
void shift(std::vector<Cue>& cues, double by_s);

/// Whether `content` looks like captions rather than notes.
[[nodiscard]] bool looksLikeCaptions(std::string_view content);

} // namespace brumefall::captions
