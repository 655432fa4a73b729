/// What was found of the chosen note, corrected by hand: it is not mine, it was cut wrongly, it was another
/// note, it was said right after all.
#pragma once

#include "document/document.h"
#include "take/by_hand.h"
#include "widgets/transport.h"

#include <QWidget>

class QLineEdit;
class QPushButton;

namespace brumefall::app {

class ByHandBar : public QWidget {
    Q_OBJECT

public:
    ByHandBar(Document& document, Transport& transport, QWidget* parent = nullptr);

    /// The note that it acts on, by its place in the plan of `take`, which lives as long as it is shown; -1
    /// and null: none. `numbers` are those of all notes as the rows show them.
    void show(const stage::Take* take, int note, const QStringList& numbers);
    /// What was read of `id` was really `by_s` later, in seconds of the stage.
    void move(const QString& id, take::Edge edge, double by_s);

private:
    void nudge(double by_s);
    void notMine();
    void splitHere();
    void askForNote();
    void giveToTyped();
    void saidRight();
    void keep(const std::vector<take::FoundNote>& found, const QString& what, const QString& note);
    [[nodiscard]] const take::Verdict* verdict() const;
    [[nodiscard]] QString id() const;
    [[nodiscard]] QString number() const { return numbers_.value(note_); }

    Document& document_;
    Transport& transport_;
    QPushButton* not_mine_ = nullptr;
    QPushButton* split_ = nullptr;
    QPushButton* give_ = nullptr;
    QPushButton* said_right_ = nullptr;
    QLineEdit* other_;
    const stage::Take* take_ = nullptr;
    int note_ = -1;
    QStringList numbers_;
};

} // namespace brumefall::app
