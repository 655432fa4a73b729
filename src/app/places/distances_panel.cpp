#include "places/distances_panel.h"

#include "notes/edit.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QTableWidget>

#include <algorithm>

namespace brumefall::app {

DistancesPanel::DistancesPanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , facts_(new QLabel)
    , table_(new QTableWidget(0, 5))
{
    setObjectName(QStringLiteral("distancesPanel"));
    facts_->setObjectName(QStringLiteral("distanceFacts"));
    facts_->setWordWrap(true);
    facts_->setProperty("quiet", true);
    table_->setObjectName(QStringLiteral("distancesTable"));
    table_->setAccessibleName(tr("Noted distances and measured ones"));
    table_->setHorizontalHeaderLabels({tr("#"), tr("after"), tr("you call"), tr("it is"), tr("call it")});
    asRows(table_);
    table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    for (const int column : {0, 2, 3, 4}) {
        table_->horizontalHeader()->setSectionResizeMode(column, QHeaderView::ResizeToContents);
    }
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(facts_);
    layout->addWidget(table_, 1);
    auto* row = new QHBoxLayout;
    correct_ = addButton(row, tr("Say it as it is"), "correctDistance", [this] { correct(); });
    bindButton(correct_, QKeyCombination(Qt::Key_C));
    row->addStretch();
    layout->addLayout(row);
    const auto open = [this](int at, int) {
        emit noteChosen(QString::fromStdString(checks_[static_cast<std::size_t>(at)].note));
    };
    connect(table_, &QTableWidget::cellClicked, this, open);
    connect(table_, &QTableWidget::cellActivated, this, open);
    auto* when_seen = new WhenSeen(this, [this] { refresh(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
}

void DistancesPanel::refresh()
{
    checks_.clear();
    const auto* pass = document_.pass();
    const bool measured = pass != nullptr && pass->trace.size() >= 2;
    if (measured) {
        std::vector<road::MeasuredPlace> places;
        const auto& placement = document_.videoPlacement();
        for (const auto& note : placement.notes) {
            places.push_back({note.station_m, note.sure_s * placement.pace.speedAt(note.station_m)});
        }
        checks_ = road::checkDistances(document_.prepared().notes.calls, document_.prepared().road, places);
    }
    table_->setRowCount(static_cast<int>(checks_.size()));
    for (int row = 0; row < table_->rowCount(); ++row) {
        const auto& check = checks_[static_cast<std::size_t>(row)];
        const auto* note = document_.note(check.note);
        const QString cells[]{QString::number(document_.numberOf(check.note)),
            note == nullptr ? QString() : QString::fromStdString(note->spoken), tr("%1 m").arg(check.noted_m),
            tr("%1 m").arg(check.measured_m, 0, 'f', 0), tr("%1").arg(check.wished_m)};
        for (int column = 0; column < 5; ++column) {
            auto* item = new QTableWidgetItem(cells[column]);
            item->setTextAlignment((column == 1 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
            table_->setItem(row, column, item);
        }
    }
    facts_->setText(!measured ? tr("Distances are measured by a track: load one (Track).")
            : checks_.empty() ? tr("Every noted distance is as measured, as far as the places are known.")
                              : tr("Off by more than rounding explains: %1, worst first. You call %2 "
                                   "here; it is %3 m.")
                                    .arg(checks_.size())
                                    .arg(checks_.front().noted_m)
                                    .arg(checks_.front().measured_m, 0, 'f', 0));
    correct_->setEnabled(!checks_.empty());
    if (!checks_.empty()) {
        table_->selectRow(0);
    }
}

void DistancesPanel::correct()
{
    if (checks_.empty()) {
        return;
    }
    const auto check = checks_[static_cast<std::size_t>(std::max(0, table_->currentRow()))];
    for (const auto& call : document_.prepared().notes.calls) {
        for (std::size_t n = 0; n < call.notes.size(); ++n) {
            if (call.notes[n].id != check.note) {
                continue;
            }
            const auto text = notes::withDistance(document_.stage().text, call.line, n, check.wished_m,
                document_.stage().style, document_.prepared().notes.style.order);
            document_.setNotesText(QString::fromStdString(text),
                tr("Call %1 m after note %2").arg(check.wished_m).arg(document_.numberOf(check.note)));
            return;
        }
    }
}

} // namespace brumefall::app
