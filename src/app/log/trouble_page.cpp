#include "log/trouble_page.h"

#include "log/rows.h"
#include "notes/easier.h"
#include "notes/shorten.h"
#include "widgets/keys.h"

#include <algorithm>

namespace brumefall::app {
namespace {

QString wordsOf(take::Cause cause)
{
    switch (cause) {
    case take::Cause::plan: return QObject::tr("the plan has it so");
    case take::Cause::start: return QObject::tr("begun late");
    case take::Cause::before: return QObject::tr("the one before overran");
    case take::Cause::rate: return QObject::tr("read slowly");
    case take::Cause::stumble: return QObject::tr("stumbled");
    case take::Cause::misread: return QObject::tr("misread");
    case take::Cause::skipped: return QObject::tr("left out");
    case take::Cause::lost: return QObject::tr("the place was lost");
    case take::Cause::none: break;
    }
    return {};
}

} // namespace

TroublePage::TroublePage(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , notes_(makeRows("troubleNotes", tr("Notes that go wrong again and again"),
          {tr("stage"), tr("note"), tr("wrong"), tr("by the plan"), tr("by the reading"), tr("most often")},
          1))
    , words_(makeRows("troubleWords", tr("Words that go wrong again and again"),
          {tr("word"), tr("wrong"), tr("more often")}, 0))
    , says_(new QLabel)
{
    setObjectName(QStringLiteral("troublePage"));
    says_->setObjectName(QStringLiteral("troubleSays"));
    says_->setWordWrap(true);
    auto* tables = new QHBoxLayout;
    tables->addWidget(notes_, 5);
    tables->addWidget(words_, 2);
    auto* row = new QHBoxLayout;
    bindButton(addButton(row, tr("Show it in Plan"), "troubleOpen", [this] { openChosen(); }),
        QKeyCombination(Qt::Key_O));
    easier_ = addButton(row, tr("Say it easier"), "troubleEasier", [this] { sayEasier(); });
    bindButton(easier_, QKeyCombination(Qt::Key_Y));
    row->addWidget(says_, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(tables, 1);
    layout->addLayout(row);
    connect(notes_, &QTableWidget::cellActivated, this, &TroublePage::openChosen);
    connect(notes_, &QTableWidget::cellDoubleClicked, this, &TroublePage::openChosen);
    connect(notes_, &QTableWidget::currentCellChanged, this, &TroublePage::showOffer);
}

void TroublePage::show(const log::Rally& rally, int open, const log::Filter& filter)
{
    rally_ = &rally;
    open_ = open;
    const int chosen = std::max(0, notes_->currentRow());
    trouble_ = log::troubleNotes(rally, filter);
    notes_->setRowCount(0);
    for (int i = 0; i < static_cast<int>(trouble_.size()); ++i) {
        const auto& note = trouble_[static_cast<std::size_t>(i)];
        setRow(notes_, i,
            {QString::fromStdString(rally.stages[note.stage].name), QString::fromStdString(note.spoken),
                tr("%1 of %2").arg(note.wrong).arg(note.read), QString::number(note.plan_faults),
                QString::number(note.reading_faults), wordsOf(note.most)});
    }
    words_->setRowCount(0);
    int row = 0;
    for (const auto& word : log::troubleWords(rally, filter)) {
        setRow(words_, row++,
            {QString::fromStdString(word.word), tr("%1 of %2").arg(word.wrong).arg(word.read),
                tr("%1 times").arg(word.times_more, 0, 'f', 1)});
    }
    chooseRow(notes_, chosen);
    showOffer();
}

QString TroublePage::offerFor(int row) const
{
    if (row < 0 || row >= static_cast<int>(trouble_.size())) {
        return {};
    }
    const auto& trouble = trouble_[static_cast<std::size_t>(row)];
    const auto* note = static_cast<int>(trouble.stage) == open_ ? document_.note(trouble.id) : nullptr;
    if (note == nullptr) {
        return {};
    }
    const auto& style = document_.stage().style;
    const auto order = document_.prepared().notes.style.order;
    if (const auto easier = notes::easierWords(*note, style, order); !easier.empty()) {
        return QString::fromStdString(easier.front().spoken);
    }
    const auto all = notes::shortenings(*note, style, order);
    return all.empty() ? QString() : QString::fromStdString(all.front().spoken);
}

void TroublePage::showOffer()
{
    const int row = notes_->currentRow();
    const QString offer = offerFor(row);
    easier_->setEnabled(!offer.isEmpty());
    const auto* trouble = row >= 0 && row < static_cast<int>(trouble_.size())
        ? &trouble_[static_cast<std::size_t>(row)]
        : nullptr;
    says_->setText(trouble == nullptr                   ? tr("No note goes wrong again and again.")
            : !offer.isEmpty()                          ? tr("It could be said \u201c%1\u201d.").arg(offer)
            : static_cast<int>(trouble->stage) != open_ ? tr("Its stage is not open: O opens it.")
            : trouble->most == take::Cause::plan
            ? tr("No reading helps here: O shows what the plan can do.")
            : tr("There is no easier way to say it, and nothing of it can "
                 "stay unsaid."));
}

void TroublePage::sayEasier()
{
    const int row = notes_->currentRow();
    const QString offer = offerFor(row);
    if (!offer.isEmpty()) {
        document_.rewordNote(QString::fromStdString(trouble_[static_cast<std::size_t>(row)].id), offer);
        emit document_.message(
            tr("It is \u201c%1\u201d in the notes now; Ctrl+Z takes that back.").arg(offer));
        showOffer();
    }
}

void TroublePage::openChosen()
{
    const int row = notes_->currentRow();
    if (rally_ != nullptr && row >= 0 && row < static_cast<int>(trouble_.size())) {
        const auto& note = trouble_[static_cast<std::size_t>(row)];
        emit noteWanted(QString::fromStdString(rally_->stages[note.stage].folder.string()),
            QString::fromStdString(note.id));
    }
}

DiaryPage::DiaryPage(QWidget* parent)
    : QWidget(parent)
    , table_(makeRows("diaryTable", tr("Diary, a line an evening"), {tr("day"), tr("what was read")}, 1))
{
    setObjectName(QStringLiteral("diaryPage"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(table_);
}

void DiaryPage::show(const log::Rally& rally, const log::Filter& filter)
{
    table_->setRowCount(0);
    int row = 0;
    for (const auto& session : log::sessionsOf(rally, filter)) {
        setRow(table_, row++,
            {QString::fromStdString(session.day), QString::fromStdString(log::describe(session))});
    }
}

} // namespace brumefall::app
