/// The editor of the notes' text: completion from the crew's language, calls split and joined, words that are
/// not understood underlined. Typing is never interrupted: completion shows, Tab takes it.
#pragma once

#include "notes/edit.h"
#include "notes/parser.h"

#include <QPlainTextEdit>

#include <functional>
#include <vector>

class QCompleter;
class QStringListModel;

namespace brumefall::app {

class NotesEditor : public QPlainTextEdit {
    Q_OBJECT

public:
    explicit NotesEditor(QWidget* parent = nullptr);

    /// The words offered while typing, best first.
    void setVocabulary(const QStringList& words);
    /// Underlines the words that were not understood.
    void showUnknown(const std::vector<notes::Unknown>& unknown);
    /// Replaces the text by `edited`, with the cursor where it says.
    void take(const notes::EditedText& edited);
    /// Shows `text`, changing only what differs, with the cursor at the change.
    void showText(const QString& text);
    void goTo(int line, std::size_t byte);

    [[nodiscard]] int cursorLine() const; ///< from 1
    [[nodiscard]] std::size_t cursorByte() const; ///< in its line
    /// First and last line of the selection; of the whole text where nothing is selected.
    [[nodiscard]] std::pair<int, int> selectedLines() const;
    [[nodiscard]] QCompleter& completer() { return *completer_; }

signals:
    void splitWanted();
    void joinWanted();
    void undoWanted();
    void redoWanted();

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    bool focusNextPrevChild(bool next) override;

private:
    [[nodiscard]] QString wordBeforeCursor() const;
    void offerCompletion();
    void complete(const QString& word);

    QCompleter* completer_;
    QStringListModel* words_;
};

} // namespace brumefall::app
