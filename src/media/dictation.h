/// Notes dictated into a microphone, heard a breath at a time.
#pragma once

#include "captions/cues.h"
#include "media/condense.h"
#include "media/notes_decoder.h"

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace brumefall::media {

/// Not for two threads at a time.
class Dictation {
public:
    /// Throws MediaError where the recogniser's model is missing.
    explicit Dictation(notes::Style style);

    /// The next samples, at kAlignRate_hz. The breath that ended in them, where one did: its words, timed
    /// from the first sample; empty text where nothing in it was a note.
    [[nodiscard]] std::optional<captions::Cue> hear(std::span<const std::int16_t> samples);
    /// There is no more.
    [[nodiscard]] std::optional<captions::Cue> finish();
    /// What was made out of the breath that goes on.
    [[nodiscard]] const std::string& soFar() const { return so_far_; }

private:
    static constexpr double kQuietWithin_s = 5.0; ///< where an engine starts, breaths end again after it
    [[nodiscard]] std::optional<captions::Cue> takeFrame();
    /// What is heard in the breath, `whole` where it has ended.
    [[nodiscard]] captions::Cue heardIn(bool whole) const;
    /// Whether captions::kScratch explains what was heard as `now` in `samples` hardly worse; `before` is
    /// what was heard in them before the breath.
    [[nodiscard]] bool isScratch(std::span<const std::int16_t> samples, std::span<const NotesWord> before,
        std::span<const NotesWord> now) const;
    [[nodiscard]] std::optional<captions::Cue> endBreath();

    NotesDecoder decoder_;
    RumbleFilter filter_;
    LevelWatch level_{kQuietWithin_s};
    std::vector<std::int16_t> frame_; ///< as far as it has come
    std::vector<float> filtered_; ///< the same without rumble
    std::vector<std::int16_t> room_; ///< what was before the breath
    std::vector<std::int16_t> breath_;
    std::vector<std::int16_t> earlier_; ///< the end of the breaths before
    std::size_t heard_ = 0; ///< samples
    std::size_t from_ = 0; ///< the breath's first
    std::size_t quiet_ = 0; ///< frames since the last loud one
    std::size_t loud_ = 0; ///< loud frames of the breath
    std::size_t next_look_ = 0; ///< samples of the breath
    std::string so_far_;
};

} // namespace brumefall::media
