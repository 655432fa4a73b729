/// What to practise in the minutes that one has.
///
/// A stretch gains by how much trouble its notes are, how dangerous they are and how long ago they were
/// practised. What was read is forgotten by half in a time that doubles with every take in a row in which it
/// went well (half-life regression; Settles & Meeder, Proceedings of the Association for Computational
/// Linguistics 54 (2016), 1848-1858).
#pragma once

#include "log/rally.h"

#include <optional>
#include <string>
#include <vector>

namespace brumefall::log {

struct DrillStretch {
    std::string stage;
    std::filesystem::path folder;
    std::string pass;
    std::string first; ///< notes
    std::string last;
    double minutes = 0.0;
    double gain = 0.0;
    std::optional<double> wrong_share; ///< of its notes, 0 to 1; nothing where it was never read
    std::string why;
    take::Way way = take::Way::guided;
};

/// The stretches that gain most for their time, best first, that fit into `minutes`; `now` is in ISO 8601,
/// local time.
[[nodiscard]] std::vector<DrillStretch> tonight(const Rally& rally, double minutes, const std::string& now);

/// The stretch of a stage that would gain most; nothing where it has no notes.
[[nodiscard]] std::optional<DrillStretch> weakestStretch(const StageSummary& stage, const std::string& now);

/// Days from 1970 of an ISO 8601 date with or without a time of day; 0 where it is none.
[[nodiscard]] double daysOf(const std::string& iso);

} // namespace brumefall::log
