/// Fourier transforms of complex numbers.
#pragma once

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/tx.h>
}

#include <complex>
#include <cstddef>
#include <memory>
#include <span>

namespace brumefall::media {

using Complex = std::complex<float>;

/// Of one size, in one direction; neither is scaled.
class Transform {
public:
    /// Throws std::bad_alloc where there is no memory for so many.
    Transform(std::size_t size, bool inverse);
    Transform(const Transform&) = delete;
    Transform& operator=(const Transform&) = delete;
    ~Transform() { av_tx_uninit(&context_); }

    /// `values` are `size` many; the result stays until the next call.
    std::span<const Complex> operator()(std::span<const Complex> values);

private:
    struct AvFreer {
        void operator()(void* memory) const { av_free(memory); }
    };
    std::size_t size_;
    std::unique_ptr<Complex, AvFreer> in_;
    std::unique_ptr<Complex, AvFreer> out_;
    AVTXContext* context_ = nullptr;
    av_tx_fn act_ = nullptr;
};

} // namespace brumefall::media
