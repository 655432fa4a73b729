/// A row of controls that goes on in a next row where the window is narrow.
#pragma once

#include <QLayout>
#include <QList>

namespace brumefall::app {

class FlowLayout : public QLayout {
    Q_OBJECT

public:
    explicit FlowLayout(int spacing = 4, QWidget* parent = nullptr);
    ~FlowLayout() override;

    void addItem(QLayoutItem* item) override;
    [[nodiscard]] int count() const override { return static_cast<int>(items_.size()); }
    [[nodiscard]] QLayoutItem* itemAt(int index) const override { return items_.value(index); }
    QLayoutItem* takeAt(int index) override;
    [[nodiscard]] Qt::Orientations expandingDirections() const override { return {}; }
    [[nodiscard]] bool hasHeightForWidth() const override { return true; }
    [[nodiscard]] int heightForWidth(int width) const override;
    [[nodiscard]] QSize sizeHint() const override;
    [[nodiscard]] QSize minimumSize() const override;
    void setGeometry(const QRect& rect) override;

private:
    /// Lays the items out in `rect`, or only asks how high that is.
    int lay(const QRect& rect, bool place) const;

    QList<QLayoutItem*> items_;
};

} // namespace brumefall::app
