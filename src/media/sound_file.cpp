#include "media/sound_file.h"

#include "wording/wording.h"

#include <sndfile.h>

namespace brumefall::media {

struct SoundWriter::State {
    std::filesystem::path path;
    SNDFILE* file = nullptr;
    int rate_hz = 0;
    long long written = 0;
    long long synced = 0;
};

SoundWriter::SoundWriter(const std::filesystem::path& file, int rate_hz)
    : state_(std::make_unique<State>())
{
    SF_INFO info{};
    info.samplerate = rate_hz;
    info.channels = 1;
    info.format = (file.extension() == ".wav" ? SF_FORMAT_WAV : SF_FORMAT_FLAC) | SF_FORMAT_PCM_16;
    state_->path = file;
    state_->rate_hz = rate_hz;
    state_->file = sf_open(file.c_str(), SFM_WRITE, &info);
    if (state_->file == nullptr) {
        throw MediaError(file,
            wording::filled(
                wording::localized("media", "the recording cannot be made: %1"), {sf_strerror(nullptr)}));
    }
}

SoundWriter::~SoundWriter()
{
    close();
}

void SoundWriter::write(std::span<const std::int16_t> samples)
{
    if (state_->file == nullptr || samples.empty()) {
        return;
    }
    const auto count = static_cast<sf_count_t>(samples.size());
    if (sf_writef_short(state_->file, samples.data(), count) != count) {
        throw MediaError(state_->path,
            wording::filled(
                wording::localized("media", "the recording stopped: %1"), {sf_strerror(state_->file)}));
    }
    state_->written += count;
    if (state_->written - state_->synced >= state_->rate_hz / 4) {
        sf_write_sync(state_->file);
        state_->synced = state_->written;
    }
}

void SoundWriter::close()
{
    if (state_->file != nullptr) {
        sf_close(state_->file);
        state_->file = nullptr;
    }
}

double SoundWriter::duration_s() const
{
    return static_cast<double>(state_->written) / state_->rate_hz;
}

} // namespace brumefall::media
