/// What the driver says of the chosen note: keys, the words that go with them, and new words taken into the
/// notes.
#pragma once

#include "document/document.h"

#include <QObject>

class QLayout;
class QLineEdit;
class QPushButton;

namespace brumefall::app {

class DriverRemarks : public QObject {
    Q_OBJECT

public:
    /// Adds what it shows to `row`.
    DriverRemarks(Document& document, QLayout* row, QObject* parent);

    /// The note that is spoken of, by its id and its words in `take`, which lives as long as it is shown;
    /// null and nothing: none.
    void show(const stage::Take* take, const QString& id, const QString& words);

signals:
    void left(); ///< the words were typed, or not
    void reworded(); ///< the notes have the driver's words

private:
    void remark(const QString& says);
    void askForWords(const QString& says);
    void takeTyped();
    void takeIntoNotes();
    /// The driver's new words for the note; empty where there are none.
    [[nodiscard]] QString newWords() const;

    Document& document_;
    QPushButton* into_notes_ = nullptr;
    QLineEdit* typed_;
    QString typed_for_; ///< what the words that are being typed are: reword, other
    const stage::Take* take_ = nullptr;
    QString id_;
    QString words_;
};

} // namespace brumefall::app
