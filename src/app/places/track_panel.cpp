#include "places/track_panel.h"

#include "media/position_log.h"
#include "pace/match.h"
#include "theme/theme.h"
#include "widgets/clock.h"

#include <QComboBox>
#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kPreviewRows = 4;
enum By { kByGo, kByStandstill, kByMarks };

} // namespace

TrackPanel::TrackPanel(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , facts_(new QLabel)
    , preview_(new QTableWidget)
    , by_(new QComboBox)
    , use_(new QPushButton(tr("Take it as this pass's pace")))
    , propose_(new QPushButton(tr("Propose places by its bends")))
    , trip_(new QLabel)
{
    setObjectName(QStringLiteral("trackPanel"));
    auto* load = new QPushButton(tr("Load a track\u2026"));
    load->setObjectName(QStringLiteral("loadTrack"));
    facts_->setObjectName(QStringLiteral("trackFacts"));
    facts_->setWordWrap(true);
    facts_->setText(
        tr("A track of this pass (GPX, or a table of time with distance, speed or position) measures "
           "the pace, and its bends tell where the notes are."));
    preview_->setObjectName(QStringLiteral("trackColumns"));
    preview_->verticalHeader()->hide();
    preview_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    preview_->setMaximumHeight(190);
    preview_->hide();
    by_->setObjectName(QStringLiteral("trackFitBy"));
    by_->addItems({tr("by go: where it drives off"), tr("by the stop: where the video is now"),
        tr("by the marks of this pass")});
    use_->setObjectName(QStringLiteral("useTrack"));
    propose_->setObjectName(QStringLiteral("proposePlaces"));
    propose_->setToolTip(tr("The bends of the track are matched to the notes; notes that are marked stay."));
    trip_->setObjectName(QStringLiteral("tripmeter"));
    trip_->setFont(typeface(type::kLarge, true));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* top = new QHBoxLayout;
    top->addWidget(load);
    top->addStretch();
    top->addWidget(trip_);
    layout->addLayout(top);
    layout->addWidget(preview_);
    layout->addWidget(facts_);
    auto* lay = new QHBoxLayout;
    lay->addWidget(new QLabel(tr("Lay it to the video")));
    lay->addWidget(by_, 1);
    layout->addLayout(lay);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(use_);
    buttons->addWidget(propose_);
    buttons->addStretch();
    layout->addLayout(buttons);
    layout->addStretch(1);
    connect(load, &QPushButton::clicked, this, &TrackPanel::chooseFile);
    connect(by_, &QComboBox::activated, this, [this] {
        stood_s_ = transport_.stageTime();
        fit();
    });
    connect(use_, &QPushButton::clicked, this, &TrackPanel::use);
    connect(propose_, &QPushButton::clicked, this, &TrackPanel::propose);
    connect(&transport_, &Transport::ticked, this, &TrackPanel::showTrip);
    connect(&document_, &Document::opened, this, [this] {
        clean_.reset();
        preview_->hide();
        fit();
    });
    fit();
}

void TrackPanel::chooseFile()
{
    const QString file = QFileDialog::getOpenFileName(
        this, tr("A track of this pass"), QString(), tr("Tracks (*.gpx *.csv *.txt *.tsv);;All files (*)"));
    if (!file.isEmpty()) {
        load(file);
    }
}

void TrackPanel::load(const QString& file)
{
    clean_.reset();
    file_ = QFileInfo(file).fileName();
    try {
        const auto content = formats::readText(file.toStdString());
        const auto first = content.find_first_not_of(" \t\r\n\xEF\xBB\xBF");
        const bool gpx = first != std::string::npos && content[first] == '<';
        preview_->setVisible(!gpx);
        if (gpx) {
            log_ = media::readGpx(content, file_.toStdString());
            clean();
        } else {
            table_ = pace::readLogTable(content, file_.toStdString());
            showColumns();
            takeColumns();
        }
    } catch (const formats::FormatError& error) {
        preview_->hide();
        document_.tell(error);
        fit();
    }
}

/// The first rows of the table, and above each column what it is.
void TrackPanel::showColumns()
{
    showing_ = true;
    const auto guessed = pace::guessColumns(table_);
    const auto width = static_cast<int>(table_.names.size());
    const auto rows = std::min<int>(kPreviewRows, static_cast<int>(table_.rows.size()));
    preview_->clear();
    preview_->setColumnCount(width);
    preview_->setRowCount(rows + 1);
    for (int column = 0; column < width; ++column) {
        preview_->setHorizontalHeaderItem(column,
            new QTableWidgetItem(QString::fromStdString(table_.names[static_cast<std::size_t>(column)])));
        auto* kind = new QComboBox;
        kind->setObjectName(QStringLiteral("trackColumn%1").arg(column));
        for (const char* name : pace::kLogColumnNames) {
            kind->addItem(QCoreApplication::translate("track", name));
        }
        kind->setCurrentIndex(static_cast<int>(guessed[static_cast<std::size_t>(column)]));
        connect(kind, &QComboBox::activated, this, &TrackPanel::takeColumns);
        preview_->setCellWidget(0, column, kind);
        preview_->setColumnWidth(column, 130);
        for (int row = 0; row < rows; ++row) {
            const auto& cells = table_.rows[static_cast<std::size_t>(row)];
            const auto index = static_cast<std::size_t>(column);
            preview_->setItem(row + 1, column,
                new QTableWidgetItem(
                    index < cells.size() ? QString::fromStdString(cells[index]) : QString()));
        }
    }
    showing_ = false;
}

void TrackPanel::takeColumns()
{
    if (showing_) {
        return;
    }
    std::vector<pace::LogColumn> columns;
    for (int column = 0; column < preview_->columnCount(); ++column) {
        const auto* kind = qobject_cast<QComboBox*>(preview_->cellWidget(0, column));
        columns.push_back(static_cast<pace::LogColumn>(kind->currentIndex()));
    }
    try {
        log_ = pace::logOf(table_, columns, file_.toStdString());
        clean();
    } catch (const formats::FormatError& error) {
        clean_.reset();
        document_.tell(error);
        fit();
    }
}

void TrackPanel::clean()
{
    try {
        media::layOnPlane(log_);
        clean_ = pace::cleanLog(log_);
    } catch (const std::invalid_argument& error) {
        clean_.reset();
        emit document_.message(tr("%1: %2").arg(file_, QString::fromUtf8(error.what())));
    }
    // without positions the marks tell no more than the noted distances do, and those are rounded
    const bool marked = document_.pass() != nullptr && pace::markTimes(*document_.pass()).size() >= 4;
    by_->setCurrentIndex(log_.has_positions && marked ? kByMarks : kByGo);
    fit();
}

void TrackPanel::fit()
{
    const auto* pass = document_.pass();
    use_->setEnabled(clean_ && pass != nullptr);
    propose_->setEnabled(clean_ && pass != nullptr && log_.has_positions);
    if (!clean_) {
        trip_->clear();
        if (pass != nullptr && !pass->log.empty()) {
            facts_->setText(
                tr("The pace of this pass is measured: %1.").arg(QString::fromStdString(pass->log)));
        }
        return;
    }
    QString text = tr("%1: %2 points, %3 m, driving from %4 to %5.")
                       .arg(file_)
                       .arg(log_.points.size())
                       .arg(std::lround(clean_->track.back().station_m))
                       .arg(clockText(clean_->moving_from_s), clockText(clean_->moving_to_s));
    for (const auto& cleaned : clean_->cleaned) {
        text += QLatin1Char('\n') + QString::fromStdString(cleaned.says) + QLatin1Char('.');
    }
    try {
        switch (by_->currentIndex()) {
        case kByStandstill:
            if (stood_s_ <= 0.0) {
                throw std::invalid_argument(
                    "Show the moment where the car comes to a stand, then choose this");
            }
            fit_ = pace::fitByStandstill(*clean_, stood_s_);
            text += QLatin1Char('\n') + tr("The car stands at %1.").arg(clockText(stood_s_));
            break;
        case kByMarks:
            fit_ = pace::fitByMarks(document_.prepared().road, log_, *clean_,
                pass == nullptr ? std::map<std::string, double>() : pace::markTimes(*pass));
            break;
        default: fit_ = pace::fitByGo(*clean_);
        }
        text += QLatin1Char('\n') + tr("Go is at %1 of the track").arg(clockText(fit_.go_log_s))
            + (fit_.spread_s > 0.0 ? tr(", within %1 s by the marks.").arg(fit_.spread_s, 0, 'f', 2)
                                   : QStringLiteral("."));
    } catch (const std::invalid_argument& error) {
        fit_ = pace::fitByGo(*clean_);
        by_->setCurrentIndex(kByGo);
        text += QLatin1Char('\n') + tr("%1: laid by go instead.").arg(QString::fromUtf8(error.what()));
    }
    facts_->setText(text);
    showTrip(transport_.stageTime());
}

void TrackPanel::use()
{
    if (!clean_ || document_.pass() == nullptr) {
        return;
    }
    try {
        auto pass = *document_.pass();
        pace::takeTrace(pass, *clean_, fit_, file_.toStdString());
        document_.setPass(pass, tr("Take the track %1").arg(file_));
    } catch (const std::invalid_argument& error) {
        emit document_.message(tr("%1: %2").arg(file_, QString::fromUtf8(error.what())));
    }
}

void TrackPanel::propose()
{
    if (!clean_ || document_.pass() == nullptr) {
        return;
    }
    auto pass = *document_.pass();
    const auto marks = pace::markTimes(pass);
    std::vector<pace::MatchedNote> matched;
    try {
        matched = pace::matchNotes(document_.prepared().road, log_, *clean_, fit_, marks);
        pace::takeTrace(pass, *clean_, fit_, file_.toStdString());
    } catch (const std::invalid_argument& error) {
        emit document_.message(tr("%1: %2").arg(file_, QString::fromUtf8(error.what())));
        return;
    }
    if (matched.empty()) {
        emit document_.message(
            tr("The bends of %1 and the notes do not fit each other; no place is proposed.").arg(file_));
        return;
    }
    std::erase_if(pass.marks, [](const pace::Mark& mark) { return mark.draft; });
    int proposed = 0;
    for (const auto& note : matched) {
        if (note.by_bend && !marks.contains(note.note)) {
            pass.marks.push_back(pace::proposal(note, pass));
            ++proposed;
        }
    }
    document_.setPass(pass, tr("Places by the bends of %1").arg(file_));
    emit document_.message(
        tr("%1 places are proposed by the bends of the track. Play and watch: K keeps one, M sets it anew.")
            .arg(proposed));
}

void TrackPanel::showTrip(double stage_s)
{
    if (!clean_ || !isVisible()) {
        return;
    }
    const pace::Pace pace(clean_->track);
    const double start_m = std::max(0.0, pace.stationAt(fit_.go_log_s));
    const auto* pass = document_.pass();
    const double own_s = transport_.toMedia(stage_s) - (pass == nullptr ? 0.0 : pass->go_s);
    const double trip_m = std::clamp(pace.stationAt(own_s + fit_.go_log_s), 0.0, pace.length_m()) - start_m;
    trip_->setText(tr("trip %1 m").arg(std::max(0L, std::lround(trip_m))));
}

} // namespace brumefall::app
