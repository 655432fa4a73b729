/// Notes: what do we say? Text on one side, what was understood on the other, live.
#pragma once

#include "document/document.h"

#include <QAbstractListModel>
#include <QStyledItemDelegate>
#include <QTimer>
#include <QWidget>

class QLabel;
class QListView;
class QPlainTextEdit;

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

/// Draws a note as its piece of road and its meaning in words.
class UnderstoodDelegate : public QStyledItemDelegate {
public:
    UnderstoodDelegate(Document& document, QObject* parent);
    void paint(
        QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    Document& document_;
};

class NotesWorkspace : public QWidget {
    Q_OBJECT

public:
    explicit NotesWorkspace(Document& document, QWidget* parent = nullptr);

private:
    void showText();
    void takeText();
    void showUnderstanding();
    void importFile();

    Document& document_;
    QPlainTextEdit* editor_;
    QListView* list_;
    QLabel* style_;
    QLabel* unknown_;
    UnderstoodModel* model_;
    QTimer pause_;
    bool showing_ = false;
};

/// A note's meaning in plain words, for the list and the screen reader.
[[nodiscard]] QString meaningOf(const notes::Note& note);

} // namespace brumefall::app
