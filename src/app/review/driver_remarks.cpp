#include "review/driver_remarks.h"

#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QLineEdit>

#include <tuple>
#include <utility>

namespace brumefall::app {

DriverRemarks::DriverRemarks(Document& document, QLayout* row, QObject* parent)
    : QObject(parent)
    , document_(document)
    , typed_(new QLineEdit)
{
    auto* says_of = new QLabel(tr("   The driver says of it:"));
    says_of->setMinimumHeight(28);
    row->addWidget(says_of);
    for (const auto& [says, label, key] : std::initializer_list<std::tuple<QString, QString, Qt::Key>>{
             {QStringLiteral("earlier"), tr("earlier"), Qt::Key_E},
             {QStringLiteral("later"), tr("later"), Qt::Key_L},
             {QStringLiteral("good"), tr("good"), Qt::Key_K},
             {QStringLiteral("reword"), tr("reword"), Qt::Key_W},
             {QStringLiteral("other"), tr("else"), Qt::Key_O}, {QString(), tr("nothing"), Qt::Key_Delete}}) {
        const QByteArray name = QByteArrayLiteral("remark_") + (says.isEmpty() ? "none" : says.toLatin1());
        auto* button = addButton(row, label, name.constData(), [this, says = says] { remark(says); });
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
    }
    into_notes_ =
        addButton(row, tr("The new words into the notes"), "wordsIntoNotes", [this] { takeIntoNotes(); });
    makeCompact(into_notes_);
    bindButton(into_notes_, QKeyCombination(Qt::Key_Y));
    into_notes_->hide();
    typed_->setObjectName(QStringLiteral("remarkWords"));
    typed_->setAccessibleName(tr("What the driver said"));
    typed_->setMinimumWidth(260);
    typed_->hide();
    row->addWidget(typed_);
    connect(typed_, &QLineEdit::editingFinished, this, &DriverRemarks::takeTyped);
}

void DriverRemarks::show(const stage::Take* take, const QString& id, const QString& words)
{
    take_ = take;
    id_ = id;
    words_ = words;
    into_notes_->setVisible(!newWords().isEmpty());
}

QString DriverRemarks::newWords() const
{
    const auto* note = document_.note(id_.toStdString());
    if (take_ == nullptr || note == nullptr) {
        return {};
    }
    for (const auto& remark : take_->remarks) {
        if (remark.note == note->id && remark.says == "reword" && !remark.words.empty()
            && remark.words != note->spoken) {
            return QString::fromStdString(remark.words);
        }
    }
    return {};
}

void DriverRemarks::takeIntoNotes()
{
    const QString words = newWords();
    if (words.isEmpty()) {
        return;
    }
    const QString id = id_; // another note may be shown by the change
    document_.rewordNote(id, words);
    const auto* note = document_.note(id.toStdString());
    emit document_.message(tr(
        "Note %1 is \u201c%2\u201d from now on. Takes that were read keep the words that they were read by.")
                               .arg(document_.numberOf(id.toStdString()))
                               .arg(note == nullptr ? QString() : QString::fromStdString(note->spoken)));
    emit reworded();
}

void DriverRemarks::remark(const QString& says)
{
    if (take_ == nullptr || id_.isEmpty()) {
        return;
    }
    if (says == QStringLiteral("reword") || says == QStringLiteral("other")) {
        askForWords(says);
        return;
    }
    document_.setRemark(QString::fromStdString(take_->name), id_, says);
}

void DriverRemarks::askForWords(const QString& says)
{
    typed_for_ = says;
    typed_->setText(says == QStringLiteral("reword") ? words_ : QString());
    typed_->setPlaceholderText(tr("What the driver said (Enter)"));
    typed_->show();
    typed_->selectAll();
    typed_->setFocus();
}

void DriverRemarks::takeTyped()
{
    const QString says = std::exchange(typed_for_, {});
    const QString words = typed_->text().trimmed();
    typed_->hide();
    emit left();
    if (!says.isEmpty() && take_ != nullptr && !id_.isEmpty() && !words.isEmpty()) {
        document_.setRemark(QString::fromStdString(take_->name), id_, says, words);
    }
}

} // namespace brumefall::app
