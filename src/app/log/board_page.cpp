#include "log/board_page.h"

#include "log/rows.h"
#include "log/tonight.h"
#include "widgets/keys.h"

#include <QDateTime>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

const log::TakeSummary* lastWhole(const log::StageSummary& stage)
{
    const auto it = std::find_if(stage.takes.rbegin(), stage.takes.rend(),
        [](const log::TakeSummary& take) { return take.whole && !take.dud; });
    return it == stage.takes.rend() ? nullptr : &*it;
}

QString kilometres(double length_m)
{
    return length_m > 0.0 ? QObject::tr("%1 km").arg(length_m / 1000.0, 0, 'f', 2) : QString();
}

} // namespace

BoardPage::BoardPage(QWidget* parent)
    : QWidget(parent)
    , name_(heading({}))
    , table_(makeRows("boardTable", tr("The stages of the rally"),
          {tr("stage"), tr("length"), tr("notes"), tr("placed"), tr("squeezes"), tr("takes"), tr("on time"),
              tr("last read"), tr("weakest")},
          kWeakest))
    , problems_(new QLabel)
{
    setObjectName(QStringLiteral("boardPage"));
    name_->setObjectName(QStringLiteral("rallyName"));
    problems_->setObjectName(QStringLiteral("boardProblems"));
    problems_->setTextFormat(Qt::PlainText);
    problems_->setWordWrap(true);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(name_);
    layout->addWidget(table_, 1);
    layout->addWidget(problems_);
    auto* row = new QHBoxLayout;
    const auto open = [this] {
        if (const QString folder = chosenFolder(); !folder.isEmpty()) {
            emit stageWanted(folder);
        }
    };
    bindButton(addButton(row, tr("Open it"), "boardOpen", open), QKeyCombination(Qt::Key_O));
    auto* crew = addButton(row, tr("Its crew reads the open stage"), "boardCrew", [this] {
        if (const QString folder = chosenFolder(); !folder.isEmpty()) {
            emit crewWanted(folder);
        }
    });
    crew->setToolTip(tr("Takes its language, reader, driver and crew over into the stage that is open"));
    bindButton(crew, QKeyCombination(Qt::Key_K));
    auto* hint = new QLabel(tr("A folder of stages is a rally: what is put into it stands here."));
    hint->setProperty("quiet", true);
    row->addWidget(hint, 1);
    layout->addLayout(row);
    connect(table_, &QTableWidget::cellActivated, this, open);
    connect(table_, &QTableWidget::cellDoubleClicked, this, open);
}

namespace {

QString weakestIn(const log::StageSummary& stage, const log::DrillStretch& stretch)
{
    const QString numbers = numbersOf(stretch, stage);
    return !stretch.wrong_share
        ? BoardPage::tr("notes %1, never read").arg(numbers)
        : BoardPage::tr("notes %1, %2 % go wrong").arg(numbers).arg(std::lround(100.0 * *stretch.wrong_share));
}

} // namespace

void BoardPage::show(const log::Rally& rally, int open)
{
    rally_ = &rally;
    const int chosen = table_->rowCount() == 0 ? open : table_->currentRow();
    table_->setRowCount(0);
    const auto now = QDateTime::currentDateTime().toString(Qt::ISODate).toStdString();
    double length_m = 0.0;
    std::size_t notes = 0;
    std::size_t placed = 0;
    std::size_t squeezes = 0;
    std::size_t takes = 0;
    int judged = 0;
    int on_time = 0;
    QStringList problems;
    if (!rally.problem.empty()) {
        problems << QString::fromStdString(rally.problem);
    }
    for (int s = 0; s < static_cast<int>(rally.stages.size()); ++s) {
        const log::StageSummary& stage = rally.stages[static_cast<std::size_t>(s)];
        const bool doubled = std::count_if(rally.stages.begin(), rally.stages.end(), [&](const auto& other) {
            return other.name == stage.name;
        }) > 1;
        const QString name = QString::fromStdString(stage.name)
            + (doubled ? tr("  in %1").arg(QString::fromStdString(stage.folder.filename().string()))
                       : QString())
            + (stage.runs > 1 ? tr("  \u00d7%1").arg(stage.runs) : QString())
            + (s == open ? tr("  (open)") : QString());
        for (const auto& broken : stage.broken_takes) {
            problems << QString::fromStdString(broken);
        }
        if (!stage.problem.empty()) {
            problems << QString::fromStdString(stage.problem);
            setRow(table_, s, {name, {}, {}, {}, {}, {}, {}, {}, tr("cannot be read")});
            continue;
        }
        const log::TakeSummary* last = lastWhole(stage);
        const auto weakest = log::weakestStretch(stage, now);
        setRow(table_, s,
            {name, kilometres(stage.length_m), QString::number(stage.notes),
                stage.pass.empty() ? tr("no video") : tr("%1 of %2").arg(stage.placed).arg(stage.notes),
                QString::number(stage.squeezes), QString::number(stage.takes.size()),
                last == nullptr ? QString()
                                : tr("%1 %").arg(std::lround(100.0 * last->figures.on_time_share)),
                stage.takes.empty() ? tr("never")
                                    : QString::fromStdString(stage.takes.back().made_at).left(10),
                !weakest ? tr("no notes yet") : weakestIn(stage, *weakest)});
        length_m += stage.runs * stage.length_m;
        notes += stage.notes;
        placed += stage.placed;
        squeezes += stage.squeezes;
        takes += stage.takes.size();
        judged += last == nullptr ? 0 : last->figures.judged;
        on_time += last == nullptr ? 0 : last->figures.on_time;
    }
    if (rally.stages.size() > 1) {
        const int row = table_->rowCount();
        setRow(table_, row,
            {tr("all"), kilometres(length_m), QString::number(notes), tr("%1 of %2").arg(placed).arg(notes),
                QString::number(squeezes), QString::number(takes),
                judged == 0 ? QString() : tr("%1 %").arg(std::lround(100.0 * on_time / judged)), {}, {}});
        for (int column = 0; column < table_->columnCount(); ++column) {
            QFont font = table_->font();
            font.setBold(true);
            table_->item(row, column)->setFont(font);
        }
    }
    name_->setText(
        QString::fromStdString(rally.dates.empty() ? rally.name : rally.name + ", " + rally.dates));
    constexpr int kMostTold = 4;
    if (problems.size() > kMostTold) {
        const auto more = problems.size() - kMostTold;
        problems = problems.mid(0, kMostTold);
        problems << tr("and %1 more").arg(more);
    }
    problems_->setText(problems.join(QLatin1Char('\n')));
    problems_->setVisible(!problems.isEmpty());
    chooseRow(table_, chosen);
}

QString BoardPage::chosenFolder() const
{
    const int row = table_->currentRow();
    return rally_ != nullptr && row >= 0 && row < static_cast<int>(rally_->stages.size())
        ? QString::fromStdString(rally_->stages[static_cast<std::size_t>(row)].folder.string())
        : QString();
}

} // namespace brumefall::app
