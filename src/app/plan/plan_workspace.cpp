#include "plan/plan_workspace.h"

#include "plan/advice_panel.h"
#include "plan/calibration_panel.h"
#include "plan/driver_panel.h"
#include "plan/limits.h"
#include "plan/what_if_panel.h"
#include "widgets/clock.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/side_tabs.h"
#include "widgets/when_seen.h"

#include <QSplitter>
#include <QStackedWidget>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr auto kNone = static_cast<std::size_t>(-1);
enum Side { kSqueezes, kWhatIf };

} // namespace

PlanWorkspace::PlanWorkspace(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , gap_(new GapView)
    , summary_(new QLabel)
    , chosen_(new QLabel)
    , pages_(new QStackedWidget)
    , side_pages_(new QStackedWidget)
    , sides_(new SideTabs(side_pages_))
    , people_(new DriverPanel(document))
    , advice_(new AdvicePanel(document))
    , what_if_(new WhatIfPanel(document))
    , calibration_(new CalibrationPanel(document))
{
    setObjectName(QStringLiteral("planWorkspace"));
    setAccessibleName(tr("Plan"));
    setFocusPolicy(Qt::StrongFocus);
    pages_->addWidget(makePicture());
    pages_->addWidget(calibration_);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addWidget(pages_, 1);
    auto* people = scrolled(people_);
    people->setFixedWidth(people_->width() + 14);
    layout->addWidget(people);

    auto* when_seen = new WhenSeen(this, [this] { showPlan(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::passChanged, this, &PlanWorkspace::showWhatIf);
    connect(&document_, &Document::opened, this, [this] {
        forgetStretch();
        calibrate(false);
        gap_->setAxis(GapAxis::time);
        gap_->setSpan(-2.0, 16.0);
        axis_->setText(tr("In metres (X)"));
    });
    connect(&document_, &Document::currentNoteChanged, this, &PlanWorkspace::showChosen);
    connect(
        people_, &DriverPanel::driversChanged, this, [this] { what_if_->setDrivers(people_->drivers()); });
    connect(people_, &DriverPanel::calibrationWanted, this, [this] { calibrate(true); });
    connect(calibration_, &CalibrationPanel::done, this, [this] { calibrate(false); });
    connect(advice_, &AdvicePanel::breathsWanted, this, &PlanWorkspace::proposeBreaths);
    connect(advice_, &AdvicePanel::previewed, this, [this](const plan::Plan* after) {
        gap_->scene().other = after;
        gap_->update();
    });
    connect(what_if_, &WhatIfPanel::chosen, this, &PlanWorkspace::showWhatIf);
    connect(gap_, &GapView::noteClicked, this, [this](const QString& id) {
        forgetStretch();
        document_.setCurrentNote(id);
    });
    connect(gap_, &GapView::noteReached, this, &PlanWorkspace::extendTo);
    connect(gap_, &GapView::timeClicked, this, [this](double t) { transport_.seekStage(t); });
    connect(gap_, &GapView::callMoved, this,
        [this](std::size_t call, double start_s) { document_.pinCall(call, start_s); });
    connect(gap_, &GapView::callReleased, this, [this](std::size_t call) { document_.pinCall(call, {}); });
    connect(&transport_, &Transport::ticked, this, [this](double now_s) {
        if (isVisible()) {
            gap_->showTime(now_s, transport_.player().isPlaying());
        }
    });
}

QWidget* PlanWorkspace::makePicture()
{
    gap_->setObjectName(QStringLiteral("planGap"));
    gap_->setCallsMovable(true);
    gap_->setSpan(-2.0, 16.0);
    gap_->setMinimumHeight(250); // the words in the strips need it
    summary_->setObjectName(QStringLiteral("planSummary"));
    summary_->setProperty("large", true);
    summary_->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(summary_, 1);
    axis_ = addButton(head, tr("In metres"), "planAxis", [this] { toggleAxis(); });
    bindButton(axis_, QKeyCombination(Qt::Key_X));
    auto* below = new QWidget;
    auto* bottom = new QHBoxLayout(below);
    bottom->setContentsMargins(0, 6, 0, 0);
    bottom->addWidget(makeHands(), 3);
    bottom->addWidget(makeAdvice(), 4);
    auto* split = new QSplitter(Qt::Vertical);
    split->addWidget(gap_);
    split->addWidget(below);
    split->setChildrenCollapsible(false);
    split->setSizes({390, 240});
    split->setStretchFactor(0, 1);
    auto* picture = new QWidget;
    auto* layout = new QVBoxLayout(picture);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(head);
    layout->addWidget(split, 1);
    return picture;
}

QWidget* PlanWorkspace::makeHands()
{
    chosen_->setObjectName(QStringLiteral("planChosen"));
    chosen_->setWordWrap(true);
    chosen_->setTextFormat(Qt::RichText);
    chosen_->setAlignment(Qt::AlignTop);
    auto* row = new FlowLayout;
    constexpr double kStep_s = 0.1;
    const auto add = [&](const QString& text, const char* name, Qt::Key key, auto action) {
        auto* button = addButton(row, text, name, action);
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
    };
    add(tr("Earlier"), "leadEarlier", Qt::Key_E, [this] { shiftLead(kStep_s, false); });
    add(tr("Later"), "leadLater", Qt::Key_L, [this] { shiftLead(-kStep_s, false); });
    add(tr("Let it go"), "releaseCall", Qt::Key_Delete, [this] { releaseCall(); });
    const auto key = [this](QKeyCombination keys, const QString& does, auto action) {
        bindKey(this, keys, does, action);
    };
    key(Qt::SHIFT | Qt::Key_E, tr("The whole call is wished earlier"), [this] { shiftLead(kStep_s, true); });
    key(Qt::SHIFT | Qt::Key_L, tr("The whole call is wished later"), [this] { shiftLead(-kStep_s, true); });
    key(Qt::Key_Comma, tr("The call sooner by a tenth of a second"), [this] { moveCall(-kStep_s); });
    key(Qt::Key_Period, tr("The call later by a tenth of a second"), [this] { moveCall(kStep_s); });
    key(Qt::Key_Up, tr("The next note"), [this] { goOn(1, false); });
    key(Qt::Key_Down, tr("The note before"), [this] { goOn(-1, false); });
    key(Qt::SHIFT | Qt::Key_Up, tr("A stretch of notes, one more"), [this] { goOn(1, true); });
    key(Qt::SHIFT | Qt::Key_Down, tr("A stretch of notes, one less"), [this] { goOn(-1, true); });
    key(Qt::Key_Escape, tr("Lets the stretch go"), [this] {
        forgetStretch();
        showChosen();
    });
    auto* hands = new QWidget;
    auto* layout = new QVBoxLayout(hands);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* says = scrolled(chosen_);
    says->setMinimumHeight(40);
    layout->addWidget(says, 1);
    layout->addLayout(row);
    return hands;
}

QWidget* PlanWorkspace::makeAdvice()
{
    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    sides_->add(tr("Where it cannot be done"), "planSqueezes", advice_);
    sides_->add(tr("What if"), "planWhatIf", scrolled(what_if_));
    connect(sides_, &SideTabs::changed, this, &PlanWorkspace::showWhatIf);
    layout->addWidget(sides_);
    layout->addWidget(side_pages_, 1);
    return side;
}

void PlanWorkspace::showPlan()
{
    const auto& prepared = document_.prepared();
    gap_->scene().prepared = &prepared;
    gap_->scene().plan = &prepared.plan;
    const auto count = [&](plan::Status status) {
        return std::count_if(prepared.plan.notes.begin(), prepared.plan.notes.end(),
            [&](const plan::PlannedNote& note) { return note.status == status; });
    };
    summary_->setText(prepared.plan.notes.empty()
            ? tr("Nothing to plan yet")
            : tr("%1 of %2 notes reach the driver in time; %3 come too late, %4 too early.")
                  .arg(count(plan::Status::on_time))
                  .arg(prepared.plan.notes.size())
                  .arg(count(plan::Status::late))
                  .arg(count(plan::Status::early)));
    if (!stretch_from_.empty() && indexOf(stretch_from_) == kNone) {
        stretch_from_.clear();
    }
    showWhatIf();
    showChosen();
}

void PlanWorkspace::showWhatIf()
{
    gap_->scene().other = sides_->chosen() == kWhatIf ? &what_if_->compare() : nullptr;
    gap_->update();
}

void PlanWorkspace::toggleAxis()
{
    const bool metres = gap_->scene().axis == GapAxis::time;
    gap_->setAxis(metres ? GapAxis::distance : GapAxis::time);
    axis_->setText(metres ? tr("In seconds (X)") : tr("In metres (X)"));
}

void PlanWorkspace::calibrate(bool open)
{
    if (open) {
        calibration_->prepare();
    }
    pages_->setCurrentIndex(open ? 1 : 0);
    if (isVisible()) {
        setFocus();
    }
}

std::size_t PlanWorkspace::indexOf(const std::string& id) const
{
    const auto& notes = document_.prepared().plan.notes;
    const auto it = std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.id == id; });
    return it == notes.end() ? kNone : static_cast<std::size_t>(it - notes.begin());
}

const plan::PlannedNote* PlanWorkspace::chosenNote() const
{
    const std::size_t k = indexOf(document_.currentNote().toStdString());
    return k == kNone ? nullptr : &document_.prepared().plan.notes[k];
}

std::pair<std::size_t, std::size_t> PlanWorkspace::chosenNotes() const
{
    const std::size_t here = indexOf(document_.currentNote().toStdString());
    if (here == kNone) {
        return {0, 0};
    }
    const std::size_t there = stretch_from_.empty() ? here : indexOf(stretch_from_);
    return {std::min(here, there), std::max(here, there) + 1};
}

void PlanWorkspace::goOn(int by, bool extend)
{
    const auto& notes = document_.prepared().plan.notes;
    if (notes.empty()) {
        return;
    }
    const std::size_t here = indexOf(document_.currentNote().toStdString());
    const auto next = here == kNone ? std::ptrdiff_t{0} : static_cast<std::ptrdiff_t>(here) + by;
    const auto id = QString::fromStdString(
        notes[static_cast<std::size_t>(std::clamp(next, std::ptrdiff_t{0}, std::ssize(notes) - 1))].id);
    if (extend) {
        extendTo(id);
    } else {
        forgetStretch();
        document_.setCurrentNote(id);
    }
}

void PlanWorkspace::extendTo(const QString& id)
{
    if (stretch_from_.empty()) {
        stretch_from_ = document_.currentNote().toStdString();
    }
    stretch_to_ = id.toStdString();
    document_.setCurrentNote(id);
    showChosen();
}

void PlanWorkspace::forgetStretch()
{
    stretch_from_.clear();
    showStretch();
}

void PlanWorkspace::proposeBreaths()
{
    const auto [first, last] = chosenNotes();
    const bool stretch = !stretch_from_.empty() && last > first + 1;
    advice_->proposeBreaths(stretch ? first : 0, stretch ? last : document_.prepared().plan.notes.size());
}

void PlanWorkspace::moveCall(double by_s)
{
    const auto* note = chosenNote();
    if (note == nullptr) {
        return;
    }
    const auto call = static_cast<std::size_t>(note->call);
    const auto& plan = document_.prepared().plan;
    const double from_s = plan.calls[call].start_s;
    double to_s = from_s + by_s;
    const auto limits = plan::callLimits(plan, call);
    constexpr double kThere_s = 1e-6;
    for (const double limit_s : {limits.earliest_s, limits.latest_s}) {
        if (std::min(from_s, to_s) < limit_s - kThere_s && std::max(from_s, to_s) > limit_s + kThere_s) {
            to_s = limit_s;
            emit document_.message(limit_s == limits.latest_s
                    ? tr("As late as this call can be said in time. Once more goes beyond.")
                    : tr("As early as this call can be said for the driver to hold it. Once more goes "
                         "beyond."));
        }
    }
    document_.pinCall(call, to_s);
}

void PlanWorkspace::releaseCall()
{
    if (const auto* note = chosenNote()) {
        document_.pinCall(static_cast<std::size_t>(note->call), {});
    }
}

void PlanWorkspace::shiftLead(double by_s, bool whole_call)
{
    const auto* note = chosenNote();
    if (note == nullptr) {
        return;
    }
    const auto& plan = document_.prepared().plan;
    auto [first, last] = chosenNotes();
    if (whole_call && last == first + 1) {
        const auto& call = plan.calls[static_cast<std::size_t>(note->call)];
        first = call.first;
        last = call.last;
    }
    std::vector<std::string> ids;
    for (std::size_t k = first; k < last; ++k) {
        ids.push_back(plan.notes[k].id);
    }
    document_.shiftLeads(ids, by_s);
}

void PlanWorkspace::showStretch()
{
    const auto [first, last] = chosenNotes();
    gap_->scene().stretch = stretch_from_.empty() ? std::pair<std::size_t, std::size_t>{}
                                                  : std::pair<std::size_t, std::size_t>{first, last};
    gap_->update();
}

void PlanWorkspace::showChosen()
{
    const std::string id = document_.currentNote().toStdString();
    if (!stretch_from_.empty() && id != stretch_to_) {
        stretch_from_.clear(); // another note was chosen elsewhere
    }
    if (isVisible() || gap_->scene().selected != id) {
        gap_->showNote(id);
    }
    showStretch();
    const auto* note = chosenNote();
    if (note == nullptr) {
        chosen_->setText(tr(
            "Next: look at each note that comes too late. \u2191 and \u2193 go from note to note, with Shift "
            "over a stretch; drag a call to move it by hand."));
        return;
    }
    if (const auto [first, last] = chosenNotes(); last > first + 1) {
        const auto& notes = document_.prepared().plan.notes;
        chosen_->setText(
            tr("<b>Notes %1 to %2</b>, a stretch of %3 s.<br>E and L wish all of them earlier or "
               "later; B proposes where to breathe in them; Esc lets the stretch go.")
                .arg(document_.numberOf(notes[first].id))
                .arg(document_.numberOf(notes[last - 1].id))
                .arg(notes[last - 1].arrive_s - notes[first].arrive_s, 0, 'f', 1));
        return;
    }
    const QString state = note->status == plan::Status::late
        ? tr("That is %1 s too late.").arg(note->end_s - note->window.closes_s, 0, 'f', 1)
        : note->status == plan::Status::early
        ? tr("That is %1 s too early.").arg(note->window.opens_s - note->end_s, 0, 'f', 1)
        : tr("That is in time.");
    chosen_->setText(tr("<b>%1 &nbsp;%2</b><br>Start at %3, finish at %4: %5 s and %6 m %12 the "
                        "driver must act, with %7 ahead. %8<br>"
                        "The window opens at %9 and closes at %10; best is %11.%13")
                         .arg(document_.numberOf(id))
                         .arg(QString::fromStdString(note->spoken).toHtmlEscaped(), clockText(note->start_s),
                             clockText(note->end_s))
                         .arg(std::abs(note->lead_s), 0, 'f', 1)
                         .arg(std::lround(std::abs(note->lead_m)))
                         .arg(tr("%n note(s)", nullptr, note->notes_ahead), state,
                             clockText(note->window.opens_s), clockText(note->window.closes_s),
                             clockText(note->window.ideal_s), note->lead_s < 0.0 ? tr("after") : tr("before"))
                         .arg(note->pinned ? tr(" This call is held where you put it.") : QString()));
}

} // namespace brumefall::app
