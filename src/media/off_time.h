/// Notes that were heard long before or after they are due, or in words seconds apart: of what somebody else
/// says, some always sounds like a note.
#pragma once

#include "media/condense.h"
#include "media/heard.h"
#include "media/note_recogniser.h"
#include "media/reader_place.h"

#include <vector>

namespace brumefall::media {

/// When a reader reads what: as steadily as `place` tells; `before_s` of the recording lie before what is
/// condensed of it.
struct ReadingTimes {
    const std::vector<ExpectedNote>& expected;
    ReaderPlace place;
    double before_s = 0.0;
};

/// Hears such notes once more around the time they are due, first by themselves, then with the notes beside
/// them, and takes what was heard so where more of them are whole and on time. `words` were heard in `span`
/// of `condensed`, in `window`. A note or two that are missing between others, or after the last one of the
/// stage, are looked for where they are due. Nothing changes where the notes are not read steadily, or nobody
/// knows. Where a `driver` speaks, too, a note that is not found so either, and whose words are strewn over
/// more than anybody takes for it, was none.
void hearWhenDue(NoteRecogniser& recogniser, const Condensed& condensed, const take::Span& span,
    const Grammar::Window& window, const ReadingTimes& times, bool driver, std::vector<HeardWord>& words);

} // namespace brumefall::media
