#include "review/by_hand_bar.h"

#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QLineEdit>

namespace brumefall::app {

ByHandBar::ByHandBar(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , other_(new QLineEdit)
{
    setObjectName(QStringLiteral("byHand"));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    const auto add = [&](const QString& text, const char* name, QKeyCombination key, const QString& tip,
                         void (ByHandBar::*act)()) {
        auto* button = addButton(row, text, name, [this, act] { (this->*act)(); });
        makeCompact(button);
        bindButton(button, key);
        button->setToolTip(tip);
        return button;
    };
    said_right_ = add(tr("Was said right"), "saidRight", QKeyCombination(Qt::SHIFT, Qt::Key_K),
        tr("The note was said as it is written, whatever was heard"), &ByHandBar::saidRight);
    not_mine_ = add(tr("Not this note"), "notMine", QKeyCombination(Qt::Key_X),
        tr("What was heard here is no reading of this note"), &ByHandBar::notMine);
    split_ = add(tr("Split here"), "splitReading", QKeyCombination(Qt::Key_S),
        tr("From the lamp on it is the next note: play the note, and stop where that begins"),
        &ByHandBar::splitHere);
    give_ = add(tr("It is note\u2026"), "giveReading", QKeyCombination(Qt::Key_J),
        tr("What was heard here is another note: its number"), &ByHandBar::askForNote);
    other_->setObjectName(QStringLiteral("otherNote"));
    other_->setAccessibleName(tr("The number of the note that it is"));
    other_->setPlaceholderText(tr("its number (Enter)"));
    other_->setFixedWidth(130);
    other_->hide();
    row->addWidget(other_);
    connect(other_, &QLineEdit::editingFinished, this, &ByHandBar::giveToTyped);
    constexpr double kStep_s = 0.05;
    bindKey(this, QKeyCombination(Qt::ALT, Qt::Key_Left), tr("What was read of the note a little sooner"),
        [this] { nudge(-kStep_s); });
    bindKey(this, QKeyCombination(Qt::ALT, Qt::Key_Right), tr("What was read of the note a little later"),
        [this] { nudge(kStep_s); });
    show(nullptr, -1, {});
}

void ByHandBar::show(const stage::Take* take, int note, const QStringList& numbers)
{
    take_ = take;
    note_ = note;
    numbers_ = numbers;
    const take::Verdict* own = verdict();
    const bool heard = own != nullptr && own->heard() && !own->outside_take;
    not_mine_->setVisible(heard);
    split_->setVisible(heard);
    give_->setVisible(heard);
    said_right_->setVisible(heard && !own->misread.empty());
}

const take::Verdict* ByHandBar::verdict() const
{
    return take_ != nullptr && note_ >= 0 && note_ < static_cast<int>(take_->verdicts.size())
        ? &take_->verdicts[static_cast<std::size_t>(note_)]
        : nullptr;
}

QString ByHandBar::id() const
{
    return verdict() == nullptr ? QString() : QString::fromStdString(verdict()->id);
}

void ByHandBar::keep(const std::vector<take::FoundNote>& found, const QString& what, const QString& note)
{
    document_.setFound(QString::fromStdString(take_->name), found, what, note);
}

void ByHandBar::move(const QString& id, take::Edge edge, double by_s)
{
    if (take_ != nullptr) {
        keep(take::moved(take_->found, id.toStdString(), edge, by_s / take_->clock.rate),
            tr("Move what was read of note %1").arg(document_.numberOf(id.toStdString())), id);
    }
}

void ByHandBar::nudge(double by_s)
{
    if (const auto* own = verdict(); own != nullptr && own->heard()) {
        move(id(), take::Edge::whole, by_s);
    }
}

void ByHandBar::notMine()
{
    if (verdict() != nullptr) {
        keep(take::notMine(take_->found, id().toStdString()), tr("It is not note %1").arg(number()), id());
    }
}

void ByHandBar::saidRight()
{
    if (verdict() != nullptr) {
        keep(take::saidRight(take_->found, id().toStdString()), tr("Note %1 was said right").arg(number()),
            id());
    }
}

void ByHandBar::splitHere()
{
    if (verdict() == nullptr) {
        return;
    }
    const auto next = static_cast<std::size_t>(note_) + 1;
    if (next >= take_->plan.notes.size()) {
        emit document_.message(tr("There is no note after this one that the rest could be."));
        return;
    }
    const auto found = take::split(take_->found, id().toStdString(),
        take_->clock.recordingTime(transport_.stageTime()), take_->plan.notes[next].id);
    if (found == take_->found) {
        emit document_.message(
            tr("The lamp is not within what was read of this note. Play it (Enter), and stop "
               "where the next note begins (Space)."));
        return;
    }
    keep(found, tr("Split what was read of note %1").arg(number()), id());
}

void ByHandBar::askForNote()
{
    if (verdict() != nullptr) {
        other_->clear();
        other_->show();
        other_->setFocus();
    }
}

void ByHandBar::giveToTyped()
{
    const QString typed = other_->text().trimmed();
    if (!other_->isVisible()) {
        return;
    }
    other_->hide();
    if (typed.isEmpty() || verdict() == nullptr) {
        return;
    }
    const auto to = numbers_.indexOf(typed);
    if (to < 0 || to == note_) {
        emit document_.message(tr("There is no other note %1 in this take.").arg(typed));
        return;
    }
    const auto& other = take_->plan.notes[static_cast<std::size_t>(to)];
    keep(take::given(take_->found, id().toStdString(), other.id),
        tr("What was read as note %1 is note %2").arg(number(), typed), QString::fromStdString(other.id));
}

} // namespace brumefall::app
