/// What was understood of the notes: a row for each note, drawn as its piece of road and its meaning in
/// words.
#pragma once

#include "document/document.h"

#include <QAbstractListModel>
#include <QStyledItemDelegate>

#include <vector>

namespace brumefall::app {

/// One row for each note, in road order.
class UnderstoodModel : public QAbstractListModel {
    Q_OBJECT

public:
    explicit UnderstoodModel(Document& document, QObject* parent = nullptr);
    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    void reset();
    [[nodiscard]] int lineOf(int row) const;
    [[nodiscard]] int firstRowOfLine(int line) const;

private:
    struct Row {
        const notes::Note* note;
        int line;
    };
    Document& document_;
    std::vector<Row> rows_;
};

class UnderstoodDelegate : public QStyledItemDelegate {
public:
    UnderstoodDelegate(Document& document, QObject* parent);
    void paint(
        QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    Document& document_;
};

/// A note's meaning in plain words, for the list and the screen reader.
[[nodiscard]] QString meaningOf(const notes::Note& note);

} // namespace brumefall::app
