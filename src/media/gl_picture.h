/// Draws libmpv's picture with OpenGL into a texture, in a context of its own that shares with the window's.
#pragma once

#include <QImage>
#include <QOffscreenSurface>
#include <QOpenGLContext>
#include <QOpenGLFramebufferObject>
#include <QSize>

#include <memory>

struct mpv_handle;
struct mpv_render_context;

namespace brumefall::media {

class GlPicture {
public:
    /// Whether `make` could give one: a device is there, or BRUMEFALL_PICTURE=gl.
    [[nodiscard]] static bool mayBe();
    /// Null where there is no OpenGL, or only one that is itself drawn in software, which is slower than
    /// libmpv's own. BRUMEFALL_PICTURE=gl takes any OpenGL, BRUMEFALL_PICTURE=software none.
    [[nodiscard]] static std::unique_ptr<GlPicture> make(mpv_handle* mpv);
    ~GlPicture();
    GlPicture(const GlPicture&) = delete;
    GlPicture& operator=(const GlPicture&) = delete;

    [[nodiscard]] mpv_render_context* context() const { return render_; }
    /// The current picture as a texture of `size` in the shared contexts; 0 where it cannot be drawn.
    /// Leaves no context current but the one that was.
    [[nodiscard]] unsigned int texture(const QSize& size);
    [[nodiscard]] QImage image(const QSize& size);

private:
    GlPicture() = default;
    [[nodiscard]] bool draw(const QSize& size);

    QOffscreenSurface surface_;
    QOpenGLContext gl_;
    std::unique_ptr<QOpenGLFramebufferObject> frame_;
    mpv_render_context* render_ = nullptr;
};

} // namespace brumefall::media
