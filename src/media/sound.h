/// Sound as samples, decoded from any media that FFmpeg reads, and its peaks for drawing.
#pragma once

#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <stdexcept>
#include <string>
#include <vector>

namespace brumefall::media {

/// A medium that cannot be used: which, and why, in words for the user.
class MediaError : public std::runtime_error {
public:
    MediaError(const std::filesystem::path& file, const std::string& why)
        : std::runtime_error(file.filename().string() + ": " + why)
    {
    }
};

/// One channel of 16-bit sound.
struct Sound {
    std::vector<std::int16_t> samples;
    int rate_hz = 16000;

    [[nodiscard]] double duration_s() const { return static_cast<double>(samples.size()) / rate_hz; }
};

/// Lowest and highest sample of each slice of `slice_s` seconds, as shares of full scale.
struct Peaks {
    double slice_s = 0.02;
    std::vector<float> low;
    std::vector<float> high;

    [[nodiscard]] double duration_s() const { return slice_s * static_cast<double>(low.size()); }
};

/// Told how much is done (0 to 1); returns false to cancel.
using Progress = std::function<bool(double)>;

/// The first sound track of `file`, mixed to one channel at `rate_hz`. Throws MediaError: missing,
/// not media, no sound. What follows a broken packet is read on.
[[nodiscard]] Sound decodeSound(
    const std::filesystem::path& file, int rate_hz, const Progress& progress = {});

/// What is between two moments, in seconds.
[[nodiscard]] Sound spanOf(const Sound& sound, double from_s, double to_s);

/// Peaks of the first sound track, without holding the samples. Cancelled work returns what there is.
[[nodiscard]] Peaks decodePeaks(
    const std::filesystem::path& file, double slice_s, const Progress& progress = {});

/// Decodes the first sound track and keeps nothing; returns the number of frames. What a waveform is measured
/// against.
[[nodiscard]] long long decodeBare(const std::filesystem::path& file);

[[nodiscard]] Peaks peaksOf(const Sound& sound, double slice_s);

/// When the sharpest sound within `near_s` of `at_s` begins: a clapper, a hand on the roof. Nothing where no
/// sound stands out of what is heard around it.
[[nodiscard]] std::optional<double> sharpestOnset(const Peaks& peaks, double at_s, double near_s);

/// What a media file holds.
struct MediaFacts {
    double duration_s = 0.0;
    bool has_video = false;
    bool has_sound = false;
    int width = 0; ///< as stored
    int height = 0;
    int sound_tracks = 0;
    bool varying_rate = false; ///< its pictures do not come evenly
    int turned_deg = 0; ///< clockwise, that the picture is to be shown turned by: phones; 0, 90, 180 or 270
};

/// Throws MediaError where the file is missing or is not media.
[[nodiscard]] MediaFacts inspect(const std::filesystem::path& file);

} // namespace brumefall::media
