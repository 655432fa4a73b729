/// A small Matroska file of H.264 and Opus, through the FFmpeg libraries.
#pragma once

#include <QImage>

#include <cstdint>
#include <filesystem>
#include <memory>
#include <vector>

namespace demo {

class Encoder {
public:
    struct Wish {
        QSize size;
        int frames_per_s;
        int video_bit_s;
        int sound_rate_hz; ///< 0 for a silent film
        int turned_deg =
            0; ///< clockwise, to be turned by when shown, as phones write it; such a film is an MP4
    };

    /// Throws std::runtime_error where a codec is missing or the file cannot be made.
    Encoder(const std::filesystem::path& file, const Wish& wish);
    ~Encoder();

    void addFrame(const QImage& image);
    void addSound(const std::vector<std::int16_t>& samples);
    void finish();

private:
    struct State;
    void openSound(int rate_hz);
    std::unique_ptr<State> state_;
};

} // namespace demo
