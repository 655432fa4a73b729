/// Position logs from files: GPX 1.0 and 1.1, and the plane that positions are measured on.
///
/// Distances are geodesic on the WGS 84 ellipsoid: Karney, Journal of Geodesy 87 (2013), 43-55.
#pragma once

#include "pace/log.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace brumefall::media {

/// All track points of a GPX file in order of time, speeds of its extensions included. Throws
/// formats::FormatError naming the line: not XML, not GPX, no points, points without time, too many.
[[nodiscard]] pace::Log readGpx(std::string_view content, const std::string& file);

/// Sets `east_m` and `north_m` of every point that has a position, in metres around the first (azimuthal
/// equidistant, exact along the way for a stage's size), and leaves out points without one. Does nothing to a
/// log without positions.
void layOnPlane(pace::Log& log);

/// A log file of either kind, told by its content; columns of a table as they are guessed.
[[nodiscard]] pace::Log readLogFile(const std::filesystem::path& file);

} // namespace brumefall::media
