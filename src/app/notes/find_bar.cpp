#include "notes/find_bar.h"

#include "notes/notes_editor.h"
#include "widgets/flow_layout.h"

#include <QComboBox>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>

namespace brumefall::app {
namespace {

constexpr int kSlowest = 1;
constexpr int kFastest = 6;

std::map<int, int> turnedRound()
{
    std::map<int, int> becomes;
    for (int grade = kSlowest; grade <= kFastest; ++grade) {
        becomes[grade] = kSlowest + kFastest - grade;
    }
    return becomes;
}

std::map<int, int> moved(int by)
{
    std::map<int, int> becomes;
    for (int grade = 1; grade <= 9; ++grade) {
        if (grade + by >= 1 && grade + by <= 9) {
            becomes[grade] = grade + by;
        }
    }
    return becomes;
}

} // namespace

FindBar::FindBar(NotesEditor& editor, QWidget* parent)
    : QWidget(parent)
    , editor_(editor)
    , find_(new QLineEdit)
    , replace_(new QLineEdit)
    , count_(new QLabel)
    , change_(new QComboBox)
    , from_(new QSpinBox)
    , to_(new QSpinBox)
{
    setObjectName(QStringLiteral("findBar"));
    find_->setObjectName(QStringLiteral("findText"));
    find_->setPlaceholderText(tr("find"));
    replace_->setObjectName(QStringLiteral("replaceText"));
    replace_->setPlaceholderText(tr("put in its place"));
    count_->setProperty("quiet", true);
    count_->setObjectName(QStringLiteral("findCount"));
    auto* all = new QPushButton(tr("Replace all"));
    all->setObjectName(QStringLiteral("replaceAll"));
    auto* close = new QPushButton(tr("Esc"));
    for (auto* line : {find_, replace_}) {
        line->setProperty("keepsFocus", true); // Enter finds the next one
    }
    change_->setMinimumContentsLength(10);
    change_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    change_->setObjectName(QStringLiteral("renumberHow"));
    change_->addItems({tr("1 is 6, 6 is 1"), tr("one higher"), tr("one lower"), tr("one grade:")});
    for (auto* spin : {from_, to_}) {
        spin->setRange(1, 9);
        spin->setEnabled(false);
    }
    from_->setObjectName(QStringLiteral("renumberFrom"));
    to_->setObjectName(QStringLiteral("renumberTo"));
    from_->setValue(4);
    to_->setValue(5);
    to_->setPrefix(tr("becomes "));
    auto* renumber = new QPushButton(tr("Renumber"));
    renumber->setObjectName(QStringLiteral("renumberButton"));
    renumber->setToolTip(tr("In the selected lines; in all where none are selected. Distances stay."));

    auto* layout = new QGridLayout(this);
    layout->setContentsMargins(0, 4, 0, 0);
    auto* find_row = new QHBoxLayout;
    find_row->addWidget(find_, 2);
    find_row->addWidget(count_);
    find_row->addWidget(replace_, 2);
    find_row->addWidget(all);
    find_row->addWidget(close);
    auto* grades_row = new FlowLayout;
    auto* grades = new QLabel(tr("Grades"));
    grades->setMinimumHeight(30);
    grades_row->addWidget(grades);
    grades_row->addWidget(change_);
    grades_row->addWidget(from_);
    grades_row->addWidget(to_);
    grades_row->addWidget(renumber);
    layout->addLayout(find_row, 0, 0);
    layout->addLayout(grades_row, 1, 0);

    connect(find_, &QLineEdit::textChanged, this, [this] {
        QTextCursor cursor = editor_.textCursor();
        cursor.setPosition(cursor.selectionStart());
        editor_.setTextCursor(cursor);
        findNext();
        count();
    });
    connect(find_, &QLineEdit::returnPressed, this, [this] { findNext(); });
    connect(all, &QPushButton::clicked, this, [this] {
        if (!find_->text().isEmpty()) {
            emit replaceAllWanted(find_->text(), replace_->text());
            count();
        }
    });
    connect(close, &QPushButton::clicked, this, [this] {
        hide();
        editor_.setFocus();
    });
    connect(change_, &QComboBox::currentIndexChanged, this, [this](int index) {
        from_->setEnabled(index == 3);
        to_->setEnabled(index == 3);
    });
    connect(renumber, &QPushButton::clicked, this, &FindBar::renumber);
    hide();
}

void FindBar::open()
{
    show();
    const QString selected = editor_.textCursor().selectedText();
    if (!selected.isEmpty() && !selected.contains(QChar::ParagraphSeparator)) {
        find_->setText(selected);
    }
    find_->setFocus();
    find_->selectAll();
}

void FindBar::findNext(bool backwards)
{
    if (find_->text().isEmpty()) {
        return;
    }
    const auto flags = backwards ? QTextDocument::FindBackward : QTextDocument::FindFlags();
    if (!editor_.find(find_->text(), flags)) {
        const QTextCursor before = editor_.textCursor();
        editor_.moveCursor(backwards ? QTextCursor::End : QTextCursor::Start);
        if (!editor_.find(find_->text(), flags)) {
            editor_.setTextCursor(before);
        }
    }
}

void FindBar::count()
{
    const auto found = editor_.toPlainText().count(find_->text(), Qt::CaseInsensitive);
    count_->setText(find_->text().isEmpty() ? QString() : tr("%1 found").arg(found));
}

void FindBar::renumber()
{
    switch (change_->currentIndex()) {
    case 0: emit renumberWanted(turnedRound(), tr("Turn the scale round")); break;
    case 1: emit renumberWanted(moved(1), tr("Every grade one higher")); break;
    case 2: emit renumberWanted(moved(-1), tr("Every grade one lower")); break;
    default:
        emit renumberWanted({{from_->value(), to_->value()}},
            tr("Grade %1 becomes %2").arg(from_->value()).arg(to_->value()));
    }
}

void FindBar::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape) {
        hide();
        editor_.setFocus();
        return;
    }
    if (event->key() == Qt::Key_F3) {
        findNext(event->modifiers().testFlag(Qt::ShiftModifier));
        return;
    }
    QWidget::keyPressEvent(event);
}

} // namespace brumefall::app
