/// A reader that ships: reads a plan aloud, with chosen faults, the same each time for the same seed.
#pragma once

#include "media/sound.h"
#include "plan/plan.h"
#include "take/take.h"

#include <cstdint>
#include <string>
#include <vector>

namespace brumefall::media {

enum class FaultKind { late, hurried, hesitating, skipping, stumbling, repeating, misreading };

/// A fault at one note. `late` shifts the note's whole call until all of it is late.
struct Fault {
    FaultKind kind;
    std::string note;
};

/// How many of each fault to choose, and where they may fall.
struct FaultWish {
    int late = 0;
    int hurried = 0;
    int hesitating = 0;
    int skipping = 0;
    int stumbling = 0;
    int repeating = 0;
    int misreading = 0; ///< another direction or grade
    double from_s = 0.0;
    double to_s = 1e9;
};

/// What was read: the sound, from `from_s` of the stage on, and the truth about it.
struct Reading {
    Sound sound; ///< at kVoiceRate_hz
    double from_s = 0.0;
    std::vector<take::FoundNote> truth; ///< times in seconds from the start of the sound
    std::vector<Fault> faults;
};

/// Chooses faults at notes where each leaves the other calls alone, at most one to a call; fewer than
/// wished where there is no room.
[[nodiscard]] std::vector<Fault> chooseFaults(
    const plan::Plan& plan, const FaultWish& wish, std::uint32_t seed);

/// Reads the calls of `plan` that start in [from_s, to_s). Small human unevenness (some hundredths of a
/// second) comes from `seed`.
[[nodiscard]] Reading readAloud(const plan::Plan& plan, const std::vector<Fault>& faults, std::uint32_t seed,
    double from_s = 0.0, double to_s = 1e9, const Progress& progress = {});

/// The guide voice: every note of `plan` at the very moment that is planned for it, and the line-up reading
/// before go. The reading's `from_s` is where its sound begins.
[[nodiscard]] Reading readAsPlanned(const plan::Plan& plan, const Progress& progress = {});

[[nodiscard]] std::string toString(FaultKind kind);

} // namespace brumefall::media
