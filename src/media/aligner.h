/// Finds the calls of a plan in a recording: forced alignment with pocketsphinx.
///
/// The grammar is a chain of the expected notes over the whole recording. Every note can be skipped,
/// repeated and broken off, distances and joining words may be left out, and silence and noise may stand
/// anywhere. Each word of each note is a dictionary word of its own, so what is found is never ambiguous.
#pragma once

#include "media/condense.h"
#include "media/sound.h"
#include "take/readings.h"

#include <cstdint>
#include <memory>
#include <span>
#include <vector>

namespace brumefall::media {

struct Condensed;

using take::ExpectedNote;

struct Alignment {
    std::vector<take::FoundNote> notes; ///< one for each expected note, in their order
    double real_time_factor = 0.0;
};

/// `sound` at any rate. Throws MediaError where the acoustic model is missing. Cancelling returns the
/// notes as missed.
[[nodiscard]] Alignment align(
    const Sound& sound, const std::vector<ExpectedNote>& expected, const Progress& progress = {});

/// The same while the recording is made: what can be searched is, so that little is left to do at its end.
/// Not for two threads at a time.
class LiveAligner {
public:
    /// Throws MediaError where the acoustic model is missing.
    explicit LiveAligner(std::vector<ExpectedNote> expected);
    LiveAligner(const LiveAligner&) = delete;
    LiveAligner& operator=(const LiveAligner&) = delete;
    ~LiveAligner();

    /// The next samples, at kAlignRate_hz, about a second at a time. Every few seconds, and where a call
    /// ends, it searches what has come: less than a second of work where that is plainly a reading, several
    /// where it is not.
    void hear(std::span<const std::int16_t> samples);
    /// The next samples, left for later.
    void add(std::span<const std::int16_t> samples);
    /// How much of the recording is left to search if it ends now.
    [[nodiscard]] double unsearched_s() const;
    /// There is no more: one found note for each expected one.
    [[nodiscard]] std::vector<take::FoundNote> finish(const Progress& progress = {});

private:
    struct State;
    void search(std::shared_ptr<const Condensed> condensed, bool more, const Progress& progress);
    bool goOnPlainly(const std::shared_ptr<const Condensed>& condensed, bool more);
    std::unique_ptr<State> state_;
};

} // namespace brumefall::media
