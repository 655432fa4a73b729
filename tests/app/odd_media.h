/// Videos as cameras and phones make them, for tests: short, odd, and made on the spot.
#pragma once

#include <filesystem>
#include <optional>

namespace support {

struct OddVideo {
    double length_s = 40.0;
    int sound_tracks = 1;
    int turned_deg = 0; ///< as a phone writes it
    bool uneven = false; ///< every second second its pictures come at half the rate
    std::optional<double> clap_s{}; ///< a clap in the sound, over a quiet engine
};

/// Writes a small video; what it shows changes every fifth of a second.
void makeVideo(const std::filesystem::path& file, const OddVideo& wish);

/// The packets of `from` in another container: the same recording, another size.
void repack(const std::filesystem::path& from, const std::filesystem::path& to, int sound_tracks = 1,
    bool uneven = false);

} // namespace support
