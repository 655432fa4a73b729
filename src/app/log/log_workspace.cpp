#include "log/log_workspace.h"

#include "formats/files.h"
#include "formats/log_json.h"
#include "log/board_page.h"
#include "log/takes_page.h"
#include "log/tonight_page.h"
#include "log/trends_page.h"
#include "log/trouble_page.h"
#include "widgets/panels.h"
#include "widgets/side_tabs.h"

#include <nlohmann/json.hpp>

#include <QCheckBox>
#include <QFileDialog>
#include <QSignalBlocker>
#include <QStackedWidget>
#include <QTableWidget>

#include <algorithm>
#include <set>

namespace brumefall::app {

LogWorkspace::LogWorkspace(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , reader_(document)
    , next_(new QLabel)
    , readers_(new QComboBox)
    , passes_(new QComboBox)
    , whole_(new QCheckBox(tr("whole takes only")))
    , pages_(new QStackedWidget)
    , tabs_(new SideTabs(pages_))
    , tonight_(new TonightPage)
    , board_(new BoardPage)
    , takes_(new TakesPage(document))
    , trends_(new TrendsPage)
    , trouble_(new TroublePage(document))
    , diary_(new DiaryPage)
{
    setObjectName(QStringLiteral("logWorkspace"));
    next_->setObjectName(QStringLiteral("logNext"));
    next_->setProperty("large", true);
    next_->setWordWrap(true);
    tabs_->add(tr("Tonight"), "logTonight", tonight_);
    tabs_->add(tr("Rally"), "logBoard", board_);
    tabs_->add(tr("Takes"), "logTakes", takes_);
    tabs_->add(tr("Trends"), "logTrends", trends_);
    tabs_->add(tr("Trouble"), "logTrouble", trouble_);
    tabs_->add(tr("Diary"), "logDiary", diary_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addWidget(next_);
    layout->addLayout(makeHead());
    layout->addWidget(pages_, 1);
    // the keys go with the page: to its list, where it has one
    const auto keysToPage = [this] {
        QWidget* page = pages_->currentWidget();
        auto* list = page->findChild<QTableWidget*>();
        beginAt(this, list != nullptr ? list : page);
    };
    keysToPage();
    connect(tabs_, &SideTabs::changed, this, [this, keysToPage] {
        keysToPage();
        if (isVisible()) {
            takeFocus(this);
        }
    });

    connect(&document_, &Document::takesChanged, this, &LogWorkspace::showTakes);
    connect(&document_, &Document::notesChanged, this, &LogWorkspace::readAnew);
    connect(&document_, &Document::opened, this, [this] {
        readAnew();
        showTakes();
    });
    connect(&reader_, &RallyReader::changed, this, &LogWorkspace::showRally);
    connect(takes_, &TakesPage::takeChosen, this, &LogWorkspace::takeChosen);
    connect(trends_, &TrendsPage::takeWanted, this, &LogWorkspace::takeWanted);
    connect(trouble_, &TroublePage::noteWanted, this, &LogWorkspace::noteWanted);
    connect(board_, &BoardPage::stageWanted, this, &LogWorkspace::stageWanted);
    connect(board_, &BoardPage::crewWanted, this, [this](const QString& folder) {
        if (std::filesystem::path(folder.toStdString()) == document_.folder()) {
            emit document_.message(tr("That is the open stage: choose the one whose crew is to read it."));
            return;
        }
        try {
            const auto from =
                stage::readStage(std::filesystem::path(folder.toStdString()) / "stage.brumefall");
            document_.takeCrew(from);
            const auto theirs = stage::understand(from).style;
            const auto& ours = document_.prepared().notes.style;
            const bool same = ours.scale == theirs.scale && ours.order == theirs.order;
            emit document_.message((same
                    ? tr("%1 is read by the crew of %2 now; Ctrl+Z takes that back.")
                    : tr("%1 is read by the crew of %2 now; what is written keeps its own order and scale. "
                         "Ctrl+Z takes that back."))
                    .arg(QString::fromStdString(document_.stage().name), QString::fromStdString(from.name)));
        } catch (const formats::FormatError& error) {
            document_.tell(error);
        }
    });
    connect(tonight_, &TonightPage::drillWanted, this, &LogWorkspace::drillWanted);
    showTakes();
}

QLayout* LogWorkspace::makeHead()
{
    auto* head = new FlowLayout(6);
    head->addWidget(tabs_);
    readers_->setObjectName(QStringLiteral("logReaders"));
    readers_->setAccessibleName(tr("Whose takes are shown"));
    readers_->addItems({tr("all readers"), tr("own takes"), tr("simulated reader")});
    passes_->setObjectName(QStringLiteral("logPasses"));
    passes_->setAccessibleName(tr("Takes along which pass are shown"));
    passes_->addItem(tr("all passes"), QString());
    whole_->setObjectName(QStringLiteral("logWhole"));
    whole_->setMinimumHeight(30);
    head->addWidget(readers_);
    head->addWidget(passes_);
    head->addWidget(whole_);
    makeCompact(addButton(head, tr("As a table\u2026"), "exportCsv", [this] { exportTable(false); }));
    makeCompact(addButton(head, tr("As JSON\u2026"), "exportJson", [this] { exportTable(true); }));
    const auto again = [this] {
        showTakes();
        showRally();
    };
    connect(readers_, &QComboBox::currentIndexChanged, this, again);
    connect(passes_, &QComboBox::currentIndexChanged, this, again);
    connect(whole_, &QCheckBox::toggled, this, again);
    return head;
}

log::Filter LogWorkspace::filter() const
{
    return {static_cast<log::Readers>(std::max(0, readers_->currentIndex())), whole_->isChecked(),
        passes_->currentData().toString().toStdString()};
}

/// The passes that there are takes of, anywhere in the rally.
void LogWorkspace::listPasses()
{
    std::set<std::string> names;
    for (const auto& stage : reader_.rally().stages) {
        for (const auto& take : stage.takes) {
            names.insert(take.pass);
        }
    }
    for (const auto& take : document_.takes()) {
        names.insert(take.pass);
    }
    names.erase(std::string()); // read without a video
    const QSignalBlocker quiet(passes_);
    const QString chosen = passes_->currentData().toString();
    while (passes_->count() > 1) {
        passes_->removeItem(1);
    }
    for (const std::string& name : names) {
        const auto shown = QString::fromStdString(name);
        passes_->addItem(tr("pass \u201c%1\u201d").arg(shown), shown);
    }
    passes_->setCurrentIndex(std::max(0, passes_->findData(chosen)));
}

void LogWorkspace::showPage(Page page)
{
    tabs_->choose(page);
}

bool LogWorkspace::isDrilling() const
{
    return tonight_->isBegun();
}

void LogWorkspace::drillDone(const QString& result)
{
    tonight_->tick(result);
    showPage(kTonight);
}

void LogWorkspace::drillLeft()
{
    tonight_->leave();
}

/// Other programs, and other windows, write into a rally, too: it is read whenever it is looked at.
void LogWorkspace::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    reader_.read();
}

void LogWorkspace::readAnew()
{
    if (isVisible()) {
        reader_.read();
    }
}

void LogWorkspace::showTakes()
{
    listPasses();
    takes_->show(filter());
    readAnew();
    sayNext();
}

void LogWorkspace::showRally()
{
    const auto& rally = reader_.rally();
    const int open = reader_.openStage();
    listPasses();
    tonight_->show(rally);
    board_->show(rally, open);
    trends_->show(rally, open, filter());
    trouble_->show(rally, open, filter());
    diary_->show(rally, filter());
    sayNext();
}

void LogWorkspace::sayNext()
{
    const auto& rally = reader_.rally();
    if (document_.takes().empty()
        && std::all_of(rally.stages.begin(), rally.stages.end(),
            [](const auto& stage) { return stage.takes.empty(); })) {
        next_->setText(tr("Next: read the stage once (F4). Every take is kept here."));
        return;
    }
    const auto trouble = log::troubleNotes(rally, filter());
    if (trouble.empty()) {
        next_->setText(tr("No note goes wrong again and again. Next: what was read longest ago (Tonight)."));
        return;
    }
    const auto& worst = trouble.front();
    next_->setText(
        tr("Worst: \u201c%1\u201d on %2, wrong in %3 of %4 takes. Next: begin tonight's list (Alt+1, Enter).")
            .arg(QString::fromStdString(worst.spoken), QString::fromStdString(rally.stages[worst.stage].name))
            .arg(worst.wrong)
            .arg(worst.read));
}

void LogWorkspace::exportTable(bool as_json)
{
    const QString file = QFileDialog::getSaveFileName(this, tr("The log of the rally"),
        QString::fromStdString((document_.folder().parent_path() / "log").string())
            + (as_json ? QStringLiteral(".json") : QStringLiteral(".csv")));
    if (file.isEmpty()) {
        return;
    }
    try {
        const auto& rally = reader_.rally();
        formats::writeFile(file.toStdString(),
            as_json ? formats::rallyToJson(rally).dump(2) + "\n" : formats::rallyToCsv(rally));
        emit document_.message(tr("The log is in %1.").arg(file));
    } catch (const formats::FormatError& error) {
        emit document_.message(QString::fromStdString(error.what()));
    }
}

} // namespace brumefall::app
