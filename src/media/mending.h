/// Mends what was heard of a piece, word by word: each note is heard once more by itself.
#pragma once

#include "media/condense.h"
#include "media/heard.h"
#include "media/note_recogniser.h"

#include <vector>

namespace brumefall::media {

/// A word may have been heard at the end of the call before, where the note is said after a silence: then
/// all its words stand where the rest of it was heard; after a short silence only if they fit there.
void closeGaps(NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words);

/// A note was heard without its "into", said too weakly or too slowly, and so begins too late: the word is
/// put before it where that explains what is heard there better than silence does.
void addJoiners(NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words);

/// How sure it is that a word was another: by how much better the note fits the sound with it;
/// `in_noise` that comes and goes, that has to be more.
void judgeMisses(
    NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words, bool in_noise);

} // namespace brumefall::media
