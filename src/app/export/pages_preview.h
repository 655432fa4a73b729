/// The pages of a book beside each other, as they will be printed.
#pragma once

#include "pages/book.h"

#include <QWidget>

namespace brumefall::app {

class PagesPreview : public QWidget {
    Q_OBJECT

public:
    explicit PagesPreview(QWidget* parent = nullptr);
    void show(std::optional<pages::Book> book);
    [[nodiscard]] const pages::Book* book() const { return book_ ? &*book_ : nullptr; }
    [[nodiscard]] std::size_t first() const { return first_; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    void turn(int by);
    std::optional<pages::Book> book_;
    std::size_t first_ = 0; ///< of the two in view
};

} // namespace brumefall::app
