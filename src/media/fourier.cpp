#include "media/fourier.h"

#include <algorithm>
#include <new>

namespace brumefall::media {

Transform::Transform(std::size_t size, bool inverse)
    : size_(size)
    , in_(static_cast<Complex*>(av_malloc(size * sizeof(Complex))))
    , out_(static_cast<Complex*>(av_malloc(size * sizeof(Complex))))
{
    const float scale = 1.0F;
    if (!in_ || !out_
        || av_tx_init(&context_, &act_, AV_TX_FLOAT_FFT, inverse ? 1 : 0, static_cast<int>(size), &scale, 0)
            < 0) {
        throw std::bad_alloc();
    }
}

std::span<const Complex> Transform::operator()(std::span<const Complex> values)
{
    std::copy(values.begin(), values.end(), in_.get());
    act_(context_, out_.get(), in_.get(), sizeof(Complex));
    return {out_.get(), size_};
}

} // namespace brumefall::media
