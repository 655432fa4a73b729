#include "plan/plan_workspace.h"

#include "theme/theme.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

PlanWorkspace::PlanWorkspace(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , gap_(new GapView)
    , summary_(new QLabel)
    , chosen_(new QLabel)
    , squeezes_(new QListWidget)
{
    setObjectName(QStringLiteral("planWorkspace"));
    gap_->setObjectName(QStringLiteral("planGap"));
    gap_->setCallsMovable(true);
    gap_->setSpan(-2.0, 16.0);
    summary_->setObjectName(QStringLiteral("planSummary"));
    summary_->setProperty("large", true);
    chosen_->setObjectName(QStringLiteral("planChosen"));
    chosen_->setWordWrap(true);
    chosen_->setMinimumHeight(62);
    chosen_->setAlignment(Qt::AlignTop);
    squeezes_->setObjectName(QStringLiteral("squeezeList"));
    squeezes_->setWordWrap(true);

    auto* controls = new QVBoxLayout;
    auto* wishes = new QLabel(tr("How early the driver wants to hear it"));
    wishes->setProperty("large", true);
    wishes->setWordWrap(true);
    controls->addWidget(wishes);
    addDriverControl(controls, tr("Fast corners"), "leadFast", &plan::Driver::fast_s, 0.3, 6.0, 0.1, tr("s"));
    addDriverControl(
        controls, tr("Medium corners"), "leadMedium", &plan::Driver::medium_s, 0.3, 6.0, 0.1, tr("s"));
    addDriverControl(controls, tr("Slow corners"), "leadSlow", &plan::Driver::slow_s, 0.3, 6.0, 0.1, tr("s"));
    addDriverControl(controls, tr("Hazards"), "leadHazard", &plan::Driver::hazard_s, 0.3, 6.0, 0.1, tr("s"));
    addDriverControl(
        controls, tr("More for a warning"), "leadWarning", &plan::Driver::warning_s, 0.0, 3.0, 0.1, tr("s"));
    addDriverControl(
        controls, tr("Never less than"), "leadFloor", &plan::Driver::floor_m, 0.0, 100.0, 5.0, tr("m"));
    addDriverControl(
        controls, tr("Reaction"), "reaction", &plan::Driver::reaction_s, 0.0, 1.5, 0.05, tr("s"));
    addControl(
        controls, tr("Notes held in mind"), "holds",
        [this] { return static_cast<double>(document_.stage().driver.holds_notes); },
        [this](double v) {
            auto driver = document_.stage().driver;
            driver.holds_notes = static_cast<int>(std::lround(v));
            document_.setDriver(driver, tr("Change how many notes the driver holds"));
        },
        1, 10, 1, QString());
    auto* reader = new QLabel(tr("How you read"));
    reader->setProperty("large", true);
    controls->addSpacing(6);
    controls->addWidget(reader);
    addControl(
        controls, tr("Rate"), "readerRate", [this] { return document_.stage().reader.rate_syll_s; },
        [this](double v) {
            auto changed = document_.stage().reader;
            changed.rate_syll_s = v;
            document_.setReader(changed, tr("Change the reading rate"));
        },
        2.5, 9.0, 0.1, tr("syllables/s"));
    addControl(
        controls, tr("Breath"), "readerBreath", [this] { return document_.stage().reader.breath_s; },
        [this](double v) {
            auto changed = document_.stage().reader;
            changed.breath_s = v;
            document_.setReader(changed, tr("Change the breath between calls"));
        },
        0.1, 1.5, 0.05, tr("s"));
    controls->addStretch();
    auto* panel = new QWidget;
    panel->setFixedWidth(268);
    panel->setLayout(controls);

    auto* bottom = new QHBoxLayout;
    bottom->addWidget(chosen_, 3);
    auto* list = new QVBoxLayout;
    auto* tight = new QLabel(tr("Where it cannot be done"));
    tight->setProperty("large", true);
    list->addWidget(tight);
    list->addWidget(squeezes_);
    bottom->addLayout(list, 4);
    auto* left = new QVBoxLayout;
    left->addWidget(summary_);
    left->addWidget(gap_, 3);
    left->addLayout(bottom, 2);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(left, 1);
    layout->addWidget(panel);

    connect(&document_, &Document::planChanged, this, &PlanWorkspace::showPlan);
    connect(&document_, &Document::currentNoteChanged, this, &PlanWorkspace::showChosen);
    connect(gap_, &GapView::noteClicked, &document_, &Document::setCurrentNote);
    connect(gap_, &GapView::timeClicked, this, [this](double t) { transport_.seekStage(t); });
    connect(gap_, &GapView::callMoved, this,
        [this](std::size_t call, double start_s) { document_.pinCall(call, start_s); });
    connect(gap_, &GapView::callReleased, this, [this](std::size_t call) { document_.pinCall(call, {}); });
    connect(&transport_, &Transport::ticked, this, [this](double now_s) {
        if (isVisible()) {
            gap_->showTime(now_s, transport_.player().isPlaying());
        }
    });
    connect(squeezes_, &QListWidget::itemClicked, this,
        [this](QListWidgetItem* item) { document_.setCurrentNote(item->data(Qt::UserRole).toString()); });
}

void PlanWorkspace::addDriverControl(QVBoxLayout* layout, const QString& name, const char* object_name,
    double plan::Driver::*member, double least, double most, double step, const QString& unit)
{
    addControl(
        layout, name, object_name, [this, member] { return document_.stage().driver.*member; },
        [this, member, name](double v) {
            auto driver = document_.stage().driver;
            driver.*member = v;
            document_.setDriver(driver, tr("Change the lead: %1").arg(name));
        },
        least, most, step, unit);
}

void PlanWorkspace::addControl(QVBoxLayout* layout, const QString& name, const char* object_name,
    std::function<double()> get, std::function<void(double)> set, double least, double most, double step,
    const QString& unit)
{
    auto* label = new QLabel(name);
    auto* value = new QLabel;
    value->setAlignment(Qt::AlignRight);
    auto* slider = new QSlider(Qt::Horizontal);
    slider->setObjectName(QString::fromLatin1(object_name));
    slider->setAccessibleName(name);
    slider->setRange(static_cast<int>(std::lround(least / step)), static_cast<int>(std::lround(most / step)));
    label->setBuddy(slider);
    auto* row = new QHBoxLayout;
    row->addWidget(label);
    row->addWidget(value);
    layout->addLayout(row);
    layout->addWidget(slider);
    connect(slider, &QSlider::valueChanged, this, [set = std::move(set), step](int v) { set(v * step); });
    controls_.push_back({slider, value, std::move(get), step, unit});
}

void PlanWorkspace::showPlan()
{
    const auto& prepared = document_.prepared();
    gap_->scene().prepared = &prepared;
    gap_->scene().plan = &prepared.plan;
    for (const Control& control : controls_) {
        const QSignalBlocker quiet(control.slider);
        const double v = control.get();
        control.slider->setValue(static_cast<int>(std::lround(v / control.step)));
        control.value->setText(QStringLiteral("%1 %2")
                                   .arg(v, 0, 'f',
                                       control.step < 0.1       ? 2
                                           : control.step < 1.0 ? 1
                                                                : 0)
                                   .arg(control.unit));
    }
    int late = 0;
    int early = 0;
    for (const auto& note : prepared.plan.notes) {
        late += note.status == plan::Status::late ? 1 : 0;
        early += note.status == plan::Status::early ? 1 : 0;
    }
    const auto count = static_cast<int>(prepared.plan.notes.size());
    summary_->setText(count == 0
            ? tr("Nothing to plan yet")
            : tr("%1 of %2 notes reach the driver in time; %3 come too late, %4 too early.")
                  .arg(count - late - early)
                  .arg(count)
                  .arg(late)
                  .arg(early));
    squeezes_->clear();
    for (const auto& squeeze : prepared.plan.squeezes) {
        QString text = tr("Notes %1 to %2: %3 s short.")
                           .arg(document_.numberOf(squeeze.first))
                           .arg(document_.numberOf(squeeze.last))
                           .arg(squeeze.short_s, 0, 'f', 1);
        if (squeeze.first == squeeze.last) {
            text = tr("Note %1: %2 s short.")
                       .arg(document_.numberOf(squeeze.first))
                       .arg(squeeze.short_s, 0, 'f', 1);
        }
        for (const auto& remedy : squeeze.remedies) {
            text += QLatin1Char('\n') + QString::fromStdString(remedy.text) + QLatin1Char('.');
        }
        auto* item = new QListWidgetItem(text);
        item->setData(Qt::UserRole, QString::fromStdString(squeeze.first));
        squeezes_->addItem(item);
    }
    if (prepared.plan.squeezes.empty()) {
        squeezes_->addItem(count == 0 ? tr("Write the notes first (F1).")
                                      : tr("Nowhere: everything can be said in time. Next: read it (F4)."));
    }
    showChosen();
}

void PlanWorkspace::showChosen()
{
    const std::string id = document_.currentNote().toStdString();
    if (isVisible() || gap_->scene().selected != id) {
        gap_->showNote(id);
    }
    const auto& notes = document_.prepared().plan.notes;
    const auto it = std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.id == id; });
    if (it == notes.end()) {
        chosen_->setText(tr("Click a note to see when it is due. Drag a call to move it by hand; "
                            "double-click it to let it go again."));
        return;
    }
    const QString state = it->status == plan::Status::late
        ? tr("That is %1 s too late.").arg(it->end_s - it->window.closes_s, 0, 'f', 1)
        : it->status == plan::Status::early
        ? tr("That is %1 s too early.").arg(it->window.opens_s - it->end_s, 0, 'f', 1)
        : tr("That is in time.");
    chosen_->setText(tr("<b>%1 &nbsp;%2</b><br>Start at %3 s, finish at %4 s: %5 s and %6 m before the "
                        "driver must act, with %7 ahead. %8<br>"
                        "The window opens at %9 s and closes at %10 s; best is %11 s.%12")
                         .arg(document_.numberOf(id))
                         .arg(QString::fromStdString(it->spoken).toHtmlEscaped())
                         .arg(it->start_s, 0, 'f', 1)
                         .arg(it->end_s, 0, 'f', 1)
                         .arg(it->lead_s, 0, 'f', 1)
                         .arg(std::lround(it->lead_m))
                         .arg(it->notes_ahead == 1 ? tr("1 note") : tr("%1 notes").arg(it->notes_ahead))
                         .arg(state)
                         .arg(it->window.opens_s, 0, 'f', 1)
                         .arg(it->window.closes_s, 0, 'f', 1)
                         .arg(it->window.ideal_s, 0, 'f', 1)
                         .arg(it->pinned ? tr(" This call is held where you put it.") : QString()));
}

} // namespace brumefall::app
