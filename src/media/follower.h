/// Follows a reader: sound in as it comes, notes out a moment after they were said.
#pragma once

#include "media/aligner.h"
#include "media/speech_decoder.h"
#include "take/take.h"

#include <cstdint>
#include <deque>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// A note that was heard. Times in seconds from the first sample.
struct FollowedNote {
    std::size_t note = 0; ///< of those expected
    take::Span span;
    double told_s = 0.0; ///< how much sound had come when it was told
};

/// Decodes one long utterance after another as the sound comes, each over the notes around the reader. What
/// was told once stays told. Not for two threads at a time.
class Follower {
public:
    /// `due` is the note that comes first, where that is known; else the place is found by what is said.
    /// Throws MediaError where the acoustic model is missing.
    explicit Follower(std::vector<ExpectedNote> expected, std::optional<std::size_t> due = {});
    Follower(const Follower&) = delete;
    Follower& operator=(const Follower&) = delete;
    ~Follower();

    /// The next samples, at kAlignRate_hz.
    void hear(std::span<const std::int16_t> samples);
    /// There is no more: what was said last is told.
    void finish();

    [[nodiscard]] const std::vector<FollowedNote>& told() const { return told_; }
    /// Stretches in which something was said for some seconds and no note was found.
    [[nodiscard]] const std::vector<take::Span>& lost() const { return lost_; }
    [[nodiscard]] double heard_s() const { return static_cast<double>(heard_) / kAlignRate_hz; }

private:
    static constexpr double kQuietWithin_s = 25.0; ///< calls may chain for long
    void takeFrame(std::span<const float> frame);
    void feed(std::span<const float> frame, std::size_t original);
    void decodeFed();
    void look(bool at_end);
    void beginUtterance(std::size_t from_sample);
    [[nodiscard]] double originalTime(double fed_s) const;
    /// Where the place was not known, one note is no sign of it: two that follow each other are.
    [[nodiscard]] bool showsPlace(const std::vector<FollowedNote>& whole) const;
    [[nodiscard]] bool isToldAlready(std::size_t note, double end_s) const;
    void watchForLoss(const Heard& heard);

    std::vector<ExpectedNote> expected_;
    Decoder decoder_;
    Grammar grammar_;
    RumbleFilter filter_;
    LevelWatch level_{kQuietWithin_s};

    std::vector<float> rest_; ///< samples that fill no frame yet
    std::deque<std::vector<float>> before_; ///< quiet frames that may come before a word
    std::size_t quiet_ = 1000; ///< frames since the last that was loud
    std::size_t heard_ = 0; ///< samples
    std::vector<std::int16_t> fed_; ///< samples of the present utterance
    std::vector<Condensed::Piece> pieces_; ///< where they stood
    std::size_t decoded_ = 0; ///< of those fed
    std::size_t next_ = 0; ///< the note that is due
    bool found_place_ = false;
    std::size_t warm_up_ = 0; ///< how often the first words were heard again
    std::vector<FollowedNote> told_;
    std::vector<FollowedNote> maybe_; ///< heard whole at the last look
    std::vector<take::Span> lost_;
    double last_sense_s_ = 0.0; ///< when a note was last told, or silence was
};

} // namespace brumefall::media
