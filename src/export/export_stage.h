/// A stage as a file of another kind; the suffix of the file chooses which.
///
///     .txt          the notes as written
///     .pdf          the notebook's pages
///     .srt .vtt     the plan, or a take as it was read, as captions of the pass's video
///     .csv          a table: notes, plan, or a take's verdicts
///     .json         the plan, or a take's verdicts, as the command line prints them
///     .flac .wav    the guide voice, or a take, on the pass's own clock; WAV with a cue point a call
///     .opus         the same with a chapter a call
///     .mkv          the pass's video as it is, with the voice as a sound of its own and the calls as
///     captions .gpx          placed notes as way points and the track, from a log with positions .zip the
///     stage itself
#pragma once

#include "media/sound.h"
#include "pages/book.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::exporting {

enum class Table { by_take, notes, plan, verdicts }; ///< by_take: verdicts of a take, else the plan

struct ExportWish {
    std::filesystem::path to;
    std::optional<std::string> pass; ///< the stage pass, or the only one, where there is none
    std::optional<std::string> take; ///< what was read in place of what is planned
    Table table = Table::by_take;
    bool mixed = false; ///< the voice over the onboard's sound
    bool with_media = true; ///< in a package
    std::filesystem::path log; ///< with positions, for .gpx
    pages::BookWish book;
};

/// The suffixes above, each with its dot.
[[nodiscard]] const std::vector<std::string>& suffixes();

/// Writes the stage in `folder` to `wish.to`. What was there is replaced only by a whole file. Throws
/// std::invalid_argument where the suffix is none of the above or the wish makes no sense with it,
/// formats::FormatError and media::MediaError for all else. Returns what the user should know of it.
[[nodiscard]] std::vector<std::string> exportStage(
    const std::filesystem::path& folder, const ExportWish& wish, const media::Progress& progress = {});

} // namespace brumefall::exporting
