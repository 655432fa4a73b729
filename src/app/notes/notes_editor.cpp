#include "notes/notes_editor.h"

#include "theme/theme.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QKeyEvent>
#include <QScrollBar>
#include <QStringListModel>
#include <QTextBlock>

#include <algorithm>

namespace brumefall::app {
namespace {

constexpr int kLeastPrefix = 2;
constexpr int kMostShown = 6;

/// Position in the block's text of a place that the core counts in bytes.
int unitsOf(const QString& line, std::size_t byte)
{
    const QByteArray utf8 = line.toUtf8();
    return static_cast<int>(
        QString::fromUtf8(utf8.left(static_cast<qsizetype>(std::min<std::size_t>(byte, 1'000'000)))).size());
}

} // namespace

NotesEditor::NotesEditor(QWidget* parent)
    : QPlainTextEdit(parent)
    , completer_(new QCompleter(this))
    , words_(new QStringListModel(completer_))
{
    setFont(typeface(type::kNotes));
    setStyleSheet(QStringLiteral("QPlainTextEdit { font-size: %1px; padding: 6px; }").arg(type::kNotes));
    setTabChangesFocus(true);
    setUndoRedoEnabled(false); // the stage has one undo for everything
    completer_->setModel(words_);
    completer_->setWidget(this);
    completer_->setCompletionMode(QCompleter::PopupCompletion);
    completer_->setCaseSensitivity(Qt::CaseInsensitive);
    completer_->setMaxVisibleItems(kMostShown);
    completer_->popup()->setObjectName(QStringLiteral("completionPopup"));
    connect(completer_, qOverload<const QString&>(&QCompleter::activated), this, &NotesEditor::complete);
}

void NotesEditor::setVocabulary(const QStringList& words)
{
    if (words != words_->stringList()) {
        words_->setStringList(words);
    }
}

void NotesEditor::showUnknown(const std::vector<notes::Unknown>& unknown)
{
    QList<QTextEdit::ExtraSelection> marks;
    for (const auto& item : unknown) {
        const QTextBlock block = document()->findBlockByNumber(item.line - 1);
        if (!block.isValid()) {
            continue;
        }
        QTextEdit::ExtraSelection mark;
        mark.cursor = QTextCursor(block);
        const int length = std::max(0, block.length() - 1);
        mark.cursor.setPosition(block.position() + std::min(unitsOf(block.text(), item.begin), length));
        mark.cursor.setPosition(
            block.position() + std::min(unitsOf(block.text(), item.end), length), QTextCursor::KeepAnchor);
        mark.format.setUnderlineStyle(QTextCharFormat::WaveUnderline);
        mark.format.setUnderlineColor(theme().ink);
        marks << mark;
    }
    setExtraSelections(marks);
}

void NotesEditor::take(const notes::EditedText& edited)
{
    const QString text = QString::fromStdString(edited.text);
    if (text == toPlainText()) {
        return;
    }
    showText(text);
    goTo(edited.line, edited.byte);
}

void NotesEditor::showText(const QString& text)
{
    const QString before = toPlainText();
    if (text == before) {
        return;
    }
    const auto shorter = std::min(before.size(), text.size());
    qsizetype head = 0;
    while (head < shorter && before[head] == text[head]) {
        ++head;
    }
    qsizetype tail = 0;
    while (tail < shorter - head && before[before.size() - 1 - tail] == text[text.size() - 1 - tail]) {
        ++tail;
    }
    QTextCursor change(document());
    change.setPosition(static_cast<int>(head));
    change.setPosition(static_cast<int>(before.size() - tail), QTextCursor::KeepAnchor);
    change.insertText(text.mid(head, text.size() - tail - head));
    setTextCursor(change);
    ensureCursorVisible();
}

void NotesEditor::goTo(int line, std::size_t byte)
{
    const QTextBlock block = document()->findBlockByNumber(std::max(0, line - 1));
    if (block.isValid()) {
        QTextCursor cursor(block);
        cursor.setPosition(
            block.position() + std::min(unitsOf(block.text(), byte), std::max(0, block.length() - 1)));
        setTextCursor(cursor);
        ensureCursorVisible();
    }
}

int NotesEditor::cursorLine() const
{
    return textCursor().blockNumber() + 1;
}

std::size_t NotesEditor::cursorByte() const
{
    const QTextCursor cursor = textCursor();
    return static_cast<std::size_t>(cursor.block().text().left(cursor.positionInBlock()).toUtf8().size());
}

std::pair<int, int> NotesEditor::selectedLines() const
{
    const QTextCursor cursor = textCursor();
    if (!cursor.hasSelection()) {
        return {1, document()->blockCount()};
    }
    const int first = document()->findBlock(cursor.selectionStart()).blockNumber() + 1;
    const int last =
        document()->findBlock(std::max(cursor.selectionStart(), cursor.selectionEnd() - 1)).blockNumber() + 1;
    return {first, last};
}

void NotesEditor::keyPressEvent(QKeyEvent* event)
{
    const bool control = event->modifiers().testFlag(Qt::ControlModifier);
    const bool enter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    auto* popup = completer_->popup();
    if (popup->isVisible()) {
        const bool chosen = popup->currentIndex().isValid();
        if (event->key() == Qt::Key_Tab || (enter && chosen && !control)) {
            const QModelIndex index =
                chosen ? popup->currentIndex() : completer_->completionModel()->index(0, 0);
            popup->hide();
            complete(index.data().toString());
            return;
        }
        if (event->key() == Qt::Key_Escape) {
            popup->hide();
            return;
        }
    }
    if (event->matches(QKeySequence::Undo)) {
        emit undoWanted();
        return;
    }
    if (event->matches(QKeySequence::Redo)) {
        emit redoWanted();
        return;
    }
    if (enter && control) {
        popup->hide();
        emit splitWanted();
        return;
    }
    if (event->key() == Qt::Key_J && control) {
        popup->hide();
        emit joinWanted();
        return;
    }
    QPlainTextEdit::keyPressEvent(event);
    const bool wished = event->key() == Qt::Key_Space && control;
    if (wished || (!event->text().isEmpty() && event->text().at(0).isPrint())
        || event->key() == Qt::Key_Backspace) {
        offerCompletion();
    } else {
        popup->hide();
    }
}

void NotesEditor::focusInEvent(QFocusEvent* event)
{
    completer_->setWidget(this);
    QPlainTextEdit::focusInEvent(event);
}

bool NotesEditor::focusNextPrevChild(bool next)
{
    // Tab takes the completion that is offered
    return !completer_->popup()->isVisible() && QPlainTextEdit::focusNextPrevChild(next);
}

QString NotesEditor::wordBeforeCursor() const
{
    const QTextCursor cursor = textCursor();
    const QString before = cursor.block().text().left(cursor.positionInBlock());
    qsizetype begin = before.size();
    while (begin > 0 && (before[begin - 1].isLetter() || before[begin - 1] == QLatin1Char('\''))) {
        --begin;
    }
    return before.mid(begin);
}

void NotesEditor::offerCompletion()
{
    const QString word = wordBeforeCursor();
    auto* popup = completer_->popup();
    completer_->setCompletionPrefix(word);
    const bool whole = words_->stringList().contains(word, Qt::CaseInsensitive);
    if (word.size() < kLeastPrefix || whole || completer_->completionCount() == 0) {
        popup->hide();
        return;
    }
    popup->setCurrentIndex({});
    QRect at = cursorRect();
    at.translate(viewport()->pos());
    at.setWidth(std::max(180, popup->sizeHintForColumn(0) + 40));
    completer_->complete(at);
}

void NotesEditor::complete(const QString& word)
{
    QTextCursor cursor = textCursor();
    cursor.movePosition(
        QTextCursor::Left, QTextCursor::KeepAnchor, static_cast<int>(wordBeforeCursor().size()));
    cursor.insertText(word + QLatin1Char(' '));
    setTextCursor(cursor);
}

} // namespace brumefall::app
