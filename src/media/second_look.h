/// Hears what was hardly understood once more, when it is known what comes before and after it.
#pragma once

#include "media/condense.h"
#include "media/piece_search.h"
#include "media/stretches.h"

#include <cstdint>
#include <memory>
#include <utility>
#include <vector>

namespace brumefall::media {

/// A stretch of a recording.
struct Passage {
    Stretch stretch;
    std::shared_ptr<const Condensed> condensed; ///< that the stretch is of
    double before_s = 0.0; ///< of the recording lie before that
    std::vector<std::int16_t> samples; ///< of the recording; none where the stretch was surely read
};

/// Adds the notes that begin in a stretch of `condensed`, before which `before_s` of the recording lie.
void addBegun(
    std::vector<BegunNote>& notes, const Stretch& stretch, const Condensed& condensed, double before_s);

class SecondLook {
public:
    /// The next passage of the recording.
    void add(Passage passage) { waiting_.push_back(std::move(passage)); }
    /// Those that are not heard again by `search`, in their order: up to the last one that was surely read,
    /// or where the recording `ended`, all of them.
    [[nodiscard]] std::vector<Passage> settled(
        PieceSearch& search, const Condensing& how, bool ended, const Progress& progress);

private:
    void lookAgain(PieceSearch& search, const Doubtful& run, const Condensing& how, const Progress& progress);

    std::vector<Passage> waiting_;
    bool first_told_ = false; ///< the first that waits was settled before, and tells where it goes on
};

} // namespace brumefall::media
