/// What a breath of dictation does to the notes that are being dictated.
#pragma once

#include "captions/cues.h"
#include "notes/pronunciation.h"
#include "notes/style.h"

#include <string>
#include <string_view>

namespace brumefall::captions {

/// Said alone it takes back the breath before; after a note, that note.
inline constexpr std::string_view kScratch = "scratch that";

struct Dictated {
    bool scratches = false; ///< what was dictated before is taken back
    std::string line; ///< to be added after that, as it would be written; empty where nothing was a note
    std::string unsure; ///< what is not written, as it was perhaps heard; empty else
};

/// Reads `breath` as captions are read, by a crew of `style`.
[[nodiscard]] Dictated dictated(
    const Cue& breath, const notes::Style& style = {}, const notes::Pronunciations& pronunciations = {});

} // namespace brumefall::captions
