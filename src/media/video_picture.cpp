#include "media/video_picture.h"

#include "media/gl_picture.h"

#include <QMetaObject>
#include <QTimer>

#include <mpv/client.h>
#include <mpv/render.h>

#include <array>
#include <atomic>
#include <chrono>

namespace brumefall::media {

struct VideoPicture::State {
    std::unique_ptr<GlPicture> gl;
    mpv_render_context* render = nullptr; ///< that of `gl`, or one for software
    std::atomic<bool> waits = false; ///< a change is on its way to the window already
    int offered = 0;
    std::chrono::steady_clock::time_point taken_at; ///< by a window
};

VideoPicture::VideoPicture(mpv_handle* mpv)
    : state_(std::make_unique<State>())
{
    state_->gl = GlPicture::make(mpv);
    mpv_render_param params[]{{MPV_RENDER_PARAM_API_TYPE, const_cast<char*>(MPV_RENDER_API_TYPE_SW)},
        {MPV_RENDER_PARAM_INVALID, nullptr}};
    if (state_->gl) {
        state_->render = state_->gl->context();
    } else if (mpv_render_context_create(&state_->render, mpv, params) < 0) {
        state_->render = nullptr;
    }
    if (state_->render != nullptr) {
        mpv_render_context_set_update_callback(
            state_->render, [](void* self) { static_cast<VideoPicture*>(self)->announce(); }, this);
    }
}

VideoPicture::~VideoPicture()
{
    if (state_->render != nullptr) {
        mpv_render_context_set_update_callback(state_->render, nullptr, nullptr);
        if (!state_->gl) {
            mpv_render_context_free(state_->render);
        }
    }
}

bool VideoPicture::drawsWithGl() const
{
    return state_->gl != nullptr;
}

QImage VideoPicture::image(const QSize& size)
{
    state_->taken_at = std::chrono::steady_clock::now();
    return rendered(size);
}

unsigned int VideoPicture::texture(const QSize& size)
{
    state_->taken_at = std::chrono::steady_clock::now();
    state_->waits = false;
    return state_->gl && !size.isEmpty() ? state_->gl->texture(size) : 0;
}

void VideoPicture::announce()
{
    if (!state_->waits.exchange(true)) {
        QMetaObject::invokeMethod(this, &VideoPicture::offer, Qt::QueuedConnection);
    }
}

/// Where no window takes the picture, the player would wait for one before it goes on: take a small one then.
/// A window that took the last one is only late, and each change of size costs libmpv more than a picture.
void VideoPicture::offer()
{
    constexpr std::chrono::milliseconds kPatience(30);
    constexpr std::chrono::milliseconds kPatienceWithWindow(150);
    constexpr std::chrono::milliseconds kLately(500);
    emit changed();
    const bool lately = std::chrono::steady_clock::now() - state_->taken_at < kLately;
    const int offered = ++state_->offered;
    QTimer::singleShot(lately ? kPatienceWithWindow : kPatience, this, [this, offered] {
        if (state_->waits && offered == state_->offered) {
            static_cast<void>(rendered({16, 9}));
        }
    });
}

QImage VideoPicture::rendered(const QSize& size)
{
    state_->waits = false;
    if (state_->render == nullptr || size.isEmpty()) {
        return {};
    }
    if (state_->gl) {
        return state_->gl->image(size);
    }
    mpv_render_context_update(state_->render);
    QImage image(size, QImage::Format_RGB32);
    std::array<int, 2> pixels{size.width(), size.height()};
    auto stride = static_cast<std::size_t>(image.bytesPerLine());
    int no_wait = 0;
    mpv_render_param params[]{{MPV_RENDER_PARAM_SW_SIZE, pixels.data()},
        {MPV_RENDER_PARAM_SW_FORMAT, const_cast<char*>("bgr0")}, {MPV_RENDER_PARAM_SW_STRIDE, &stride},
        {MPV_RENDER_PARAM_SW_POINTER, image.bits()}, {MPV_RENDER_PARAM_BLOCK_FOR_TARGET_TIME, &no_wait},
        {MPV_RENDER_PARAM_INVALID, nullptr}};
    return mpv_render_context_render(state_->render, params) >= 0 ? image : QImage();
}

} // namespace brumefall::media
