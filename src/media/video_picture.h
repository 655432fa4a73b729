/// The picture of what libmpv plays: drawn with OpenGL where the machine has it, by libmpv's own software
/// rendering where it has not.
#pragma once

#include <QImage>
#include <QObject>
#include <QSize>

#include <memory>

struct mpv_handle;

namespace brumefall::media {

class VideoPicture : public QObject {
    Q_OBJECT

public:
    /// `mpv` outlives it.
    explicit VideoPicture(mpv_handle* mpv);
    ~VideoPicture() override;

    [[nodiscard]] bool drawsWithGl() const;
    /// The current picture, fitted into `size`; null where there is none, or `size` is empty: then it counts
    /// as taken, so that the next one is announced.
    [[nodiscard]] QImage image(const QSize& size);
    /// The same as an OpenGL texture, in the contexts shared by the application; 0 where there is none.
    [[nodiscard]] unsigned int texture(const QSize& size);

    /// There is another one: said by libmpv, in any of its threads.
    void announce();

signals:
    void changed();

private:
    struct State;
    void offer();
    QImage rendered(const QSize& size);

    std::unique_ptr<State> state_;
};

} // namespace brumefall::media
