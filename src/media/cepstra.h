/// What a sound is like from one hundredth of a second to the next, as the recogniser hears it.
#pragma once

#include "take/own_words.h"

#include <cstdint>
#include <span>
#include <vector>

struct fe_s;

namespace brumefall::media {

/// The recogniser's front end: mel-frequency cepstra without the first, which is the loudness (Davis &
/// Mermelstein, IEEE Transactions on Acoustics, Speech, and Signal Processing 28 (1980), 357-366).
class FrontEnd {
public:
    /// To tell words by, what goes on all the time is taken out; to tell voices by, everything counts.
    enum class Of { words, voices };
    explicit FrontEnd(Of what);
    FrontEnd(const FrontEnd&) = delete;
    FrontEnd& operator=(const FrontEnd&) = delete;
    ~FrontEnd();

    /// Of every frame of kFrame samples that the window around it is whole for.
    [[nodiscard]] std::vector<take::Cepstra> cepstraOf(std::span<const std::int16_t> samples);

private:
    fe_s* front_end_;
};

} // namespace brumefall::media
