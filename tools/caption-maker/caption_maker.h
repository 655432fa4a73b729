/// Made-up recordings as automatic captions show them, with the truth beside: random stages over all schools,
/// spoken, misheard, cut into blocks and repeated at their edges. Seeded; the same each time.
#pragma once

#include "notes/note.h"
#include "notes/pronunciation.h"
#include "notes/style.h"

#include <cstdint>
#include <string>
#include <vector>

namespace brumefall::caption_maker {

/// How one crew speaks, and what their captions look like.
struct School {
    notes::Order order = notes::Order::direction_first;
    notes::Scale scale = notes::Scale::ascending;
    bool distances_first = false; ///< at the start of the next call
    double advice = 0.2; ///< share of notes with a line, a thing, something seen
    double said_again = 0.0; ///< share of calls that are said twice
    double corrected = 0.0;
    double talk = 0.0; ///< share of gaps with talk in them
    bool line_up = false; ///< the first notes are read before the countdown
    bool punctuation = true;
    bool digits = true;
    double misheard = 0.05; ///< share of words
    double glued = 0.1; ///< share of neighbouring numbers
    double repeated_edges = 0.1; ///< share of blocks that begin with words of the one before
    double block_s = 5.0; ///< usual length of a block
    int stages = 1;
};

struct MadeCaptions {
    School school;
    std::string srt;
    std::vector<std::string> said; ///< the notes, one a line, in full words with what joins each to the next
    std::vector<notes::Note> truth; ///< the same, understood
    int stages = 1;
};

[[nodiscard]] MadeCaptions make(std::uint32_t seed, const notes::Pronunciations& pronunciations);

/// How many notes of `read` are right, held against `truth` in order.
struct Score {
    int truth = 0;
    int read = 0;
    int heads = 0; ///< direction, grade and modifier
    int core = 0; ///< with extent and shapes
    int whole = 0; ///< with everything else and the link
    void add(const Score& other);
};
struct Judged {
    Score score;
    std::vector<std::pair<int, int>> pairs; ///< truth and read, -1 where one has no partner
    std::vector<bool> read_whole; ///< for each note read
};
[[nodiscard]] Judged judge(const std::vector<notes::Note>& truth, const std::vector<notes::Note>& read);

} // namespace brumefall::caption_maker
