#include "plan/what_if_panel.h"

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

WhatIfPanel::WhatIfPanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , what_(new QComboBox)
    , facts_(new QLabel)
    , moved_(new QListWidget)
{
    what_->setObjectName(QStringLiteral("whatIf"));
    what_->setAccessibleName(tr("What if"));
    what_->setMinimumContentsLength(12);
    what_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    facts_->setObjectName(QStringLiteral("whatIfFacts"));
    facts_->setWordWrap(true);
    moved_->setObjectName(QStringLiteral("movedCalls"));
    moved_->setAccessibleName(tr("Calls that would move"));
    moved_->setWordWrap(true);
    moved_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(what_);
    layout->addWidget(facts_);
    layout->addWidget(moved_, 1);
    moved_->setMinimumHeight(90);
    connect(what_, &QComboBox::activated, this, &WhatIfPanel::chosen);
    const auto open = [this](QListWidgetItem* item) {
        document_.setCurrentNote(item->data(Qt::UserRole).toString());
    };
    connect(moved_, &QListWidget::itemClicked, this, open);
    connect(moved_, &QListWidget::itemActivated, this, open);
}

void WhatIfPanel::setDrivers(const std::vector<NamedDriver>& drivers)
{
    drivers_ = drivers;
    fillChoices();
}

void WhatIfPanel::fillChoices()
{
    const QString chosen = what_->currentData().toString();
    what_->clear();
    what_->addItem(tr("the road is wet"), QStringLiteral("wet"));
    what_->addItem(tr("the reader is a tenth slower"), QStringLiteral("slower"));
    what_->addItem(tr("the driver wants it half a second sooner"), QStringLiteral("sooner"));
    for (const auto& pass : document_.passes()) {
        what_->addItem(tr("at the pace of \u201c%1\u201d").arg(QString::fromStdString(pass.name)),
            QStringLiteral("pass:") + QString::fromStdString(pass.name));
    }
    for (const auto& [name, driver] : drivers_) {
        what_->addItem(tr("driven by %1").arg(name), QStringLiteral("driver:") + name);
    }
    what_->setCurrentIndex(std::max(0, what_->findData(chosen)));
}

const plan::Plan& WhatIfPanel::compare()
{
    fillChoices();
    const QString what = what_->currentData().toString();
    auto stage = document_.stage();
    other_ = document_.prepared();
    if (what == QLatin1String("wet")) {
        other_.placement = pace::asIfWet(other_.road, other_.placement, stage.rehearsal);
    } else if (what == QLatin1String("slower")) {
        stage.reader.rate_syll_s *= 0.9;
    } else if (what == QLatin1String("sooner")) {
        for (double plan::Driver::*lead : {&plan::Driver::fast_s, &plan::Driver::medium_s,
                 &plan::Driver::slow_s, &plan::Driver::hazard_s}) {
            stage.driver.*lead += 0.5;
        }
    } else if (what.startsWith(QLatin1String("pass:"))) {
        for (const auto& pass : document_.passes()) {
            if (pass.name == what.mid(5).toStdString()) {
                other_.placement = pace::place(other_.road, pass, pace::carModel(stage.rehearsal));
            }
        }
    } else {
        for (const auto& [name, driver] : drivers_) {
            stage.driver = name == what.mid(7) ? driver : stage.driver;
        }
    }
    stage::makePlan(other_, stage);
    listMoved();
    return other_.plan;
}

void WhatIfPanel::listMoved()
{
    moved_->clear();
    constexpr double kMoves_s = 0.5;
    const auto& plan = document_.prepared().plan;
    const auto late = std::count_if(other_.plan.notes.begin(), other_.plan.notes.end(),
        [](const plan::PlannedNote& note) { return note.status == plan::Status::late; });
    for (std::size_t c = 0; c < plan.calls.size() && c < other_.plan.calls.size(); ++c) {
        const double by_s = other_.plan.calls[c].start_s - plan.calls[c].start_s;
        if (std::abs(by_s) > kMoves_s) {
            auto* item = new QListWidgetItem(tr("Note %1, %2 s %3: %4")
                                                 .arg(document_.numberOf(plan.notes[plan.calls[c].first].id))
                                                 .arg(std::abs(by_s), 0, 'f', 1)
                                                 .arg(by_s < 0.0 ? tr("sooner") : tr("later"),
                                                     QString::fromStdString(plan.calls[c].text)));
            item->setData(Qt::UserRole, QString::fromStdString(plan.notes[plan.calls[c].first].id));
            moved_->addItem(item);
        }
    }
    facts_->setText(
        tr("%1 of %2 calls would move by more than half a second; %3 notes would come too late. The "
           "dashed strips are where the calls would be.")
            .arg(moved_->count())
            .arg(plan.calls.size())
            .arg(late));
}

} // namespace brumefall::app
