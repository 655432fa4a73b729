#include "media/gl_picture.h"

#include <QDir>
#include <QOpenGLFunctions>

#include <mpv/render_gl.h>

#include <string_view>

namespace brumefall::media {
namespace {

/// Makes a context current, and the one before it again at the end.
class Current {
public:
    Current(QOpenGLContext& context, QSurface& surface)
        : before_(QOpenGLContext::currentContext())
        , before_surface_(before_ == nullptr ? nullptr : before_->surface())
        , context_(context)
        , done_(context.makeCurrent(&surface))
    {
    }
    Current(const Current&) = delete;
    Current& operator=(const Current&) = delete;
    ~Current()
    {
        if (before_ != nullptr) {
            before_->makeCurrent(before_surface_);
        } else {
            context_.doneCurrent();
        }
    }
    explicit operator bool() const { return done_; }

private:
    QOpenGLContext* before_;
    QSurface* before_surface_;
    QOpenGLContext& context_;
    bool done_;
};

bool isDrawnInSoftware(QOpenGLContext& context)
{
    const auto* name = context.functions()->glGetString(GL_RENDERER);
    const std::string_view renderer = name == nullptr ? "" : reinterpret_cast<const char*>(name);
    for (const std::string_view software : {"llvmpipe", "softpipe", "swrast", "Software"}) {
        if (renderer.find(software) != std::string_view::npos) {
            return true;
        }
    }
    return renderer.empty();
}

} // namespace

bool GlPicture::mayBe()
{
    if (qgetenv("BRUMEFALL_PICTURE") == "gl") {
        return true;
    }
    const QStringList devices{QStringLiteral("renderD*"), QStringLiteral("nvidia*"), QStringLiteral("dxg")};
    return !QDir(QStringLiteral("/dev/dri")).entryList(devices, QDir::System).isEmpty()
        || !QDir(QStringLiteral("/dev")).entryList(devices, QDir::System).isEmpty();
}

std::unique_ptr<GlPicture> GlPicture::make(mpv_handle* mpv)
{
    const QByteArray wish = qgetenv("BRUMEFALL_PICTURE");
    auto* shared = QOpenGLContext::globalShareContext();
    if (mpv == nullptr || shared == nullptr || wish == "software") {
        return nullptr;
    }
    std::unique_ptr<GlPicture> picture(new GlPicture);
    picture->gl_.setShareContext(shared);
    picture->gl_.setFormat(shared->format());
    picture->surface_.setFormat(shared->format());
    picture->surface_.create();
    if (!picture->gl_.create() || !picture->surface_.isValid()) {
        return nullptr;
    }
    const Current current(picture->gl_, picture->surface_);
    if (!current || (wish != "gl" && isDrawnInSoftware(picture->gl_))) {
        return nullptr;
    }
    mpv_opengl_init_params gl{[](void*, const char* name) {
                                  return reinterpret_cast<void*>(
                                      QOpenGLContext::currentContext()->getProcAddress(name));
                              },
        nullptr};
    mpv_render_param params[]{{MPV_RENDER_PARAM_API_TYPE, const_cast<char*>(MPV_RENDER_API_TYPE_OPENGL)},
        {MPV_RENDER_PARAM_OPENGL_INIT_PARAMS, &gl}, {MPV_RENDER_PARAM_INVALID, nullptr}};
    if (mpv_render_context_create(&picture->render_, mpv, params) < 0) {
        return nullptr;
    }
    return picture;
}

GlPicture::~GlPicture()
{
    const Current current(gl_, surface_);
    if (render_ != nullptr) {
        mpv_render_context_free(render_);
    }
    frame_.reset();
}

bool GlPicture::draw(const QSize& size)
{
    const bool resized = !frame_ || frame_->size() != size;
    if (resized) {
        frame_ = std::make_unique<QOpenGLFramebufferObject>(size);
    }
    const bool fresh = (mpv_render_context_update(render_) & MPV_RENDER_UPDATE_FRAME) != 0;
    if (!fresh && !resized) {
        return true;
    }
    mpv_opengl_fbo target{static_cast<int>(frame_->handle()), size.width(), size.height(), 0};
    int flip = 1;
    int no_wait = 0;
    mpv_render_param params[]{{MPV_RENDER_PARAM_OPENGL_FBO, &target}, {MPV_RENDER_PARAM_FLIP_Y, &flip},
        {MPV_RENDER_PARAM_BLOCK_FOR_TARGET_TIME, &no_wait}, {MPV_RENDER_PARAM_INVALID, nullptr}};
    const bool drawn = mpv_render_context_render(render_, params) >= 0;
    gl_.functions()->glFlush();
    return drawn;
}

unsigned int GlPicture::texture(const QSize& size)
{
    const Current current(gl_, surface_);
    return current && draw(size) ? frame_->texture() : 0;
}

QImage GlPicture::image(const QSize& size)
{
    const Current current(gl_, surface_);
    return current && draw(size) ? frame_->toImage(true).convertToFormat(QImage::Format_RGB32) : QImage();
}

} // namespace brumefall::media
