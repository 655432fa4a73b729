/// Sound files that grow on the disk while they are made.
#pragma once

#include "media/sound.h"

#include <filesystem>
#include <memory>
#include <span>

namespace brumefall::media {

/// Writes one channel of 16-bit sound; the suffix chooses FLAC or WAV. Everything given to `write` more
/// than half a second ago is on the disk, whatever happens to the process.
class SoundWriter {
public:
    /// Throws MediaError where the file cannot be made.
    SoundWriter(const std::filesystem::path& file, int rate_hz);
    SoundWriter(const SoundWriter&) = delete;
    SoundWriter& operator=(const SoundWriter&) = delete;
    ~SoundWriter();

    /// Throws MediaError where the disk takes no more.
    void write(std::span<const std::int16_t> samples);
    void close();
    [[nodiscard]] double duration_s() const;

private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace brumefall::media
