#include "plan/plan_workspace.h"

#include "plan/driver_files.h"
#include "plan/grouping.h"
#include "plan/measure.h"
#include "theme/theme.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QSpinBox>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

constexpr auto kNone = static_cast<std::size_t>(-1);

} // namespace

PlanWorkspace::PlanWorkspace(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , gap_(new GapView)
    , summary_(new QLabel)
    , chosen_(new QLabel)
    , squeezes_(new QListWidget)
    , sides_(new QButtonGroup(this))
    , pages_(new QStackedWidget)
    , what_if_(new QComboBox)
    , what_if_facts_(new QLabel)
    , moved_(new QListWidget)
    , profiles_(new QComboBox)
    , echoes_(new QComboBox)
    , line_up_(new QSpinBox)
{
    setObjectName(QStringLiteral("planWorkspace"));
    setFocusPolicy(Qt::StrongFocus);
    gap_->setObjectName(QStringLiteral("planGap"));
    gap_->setCallsMovable(true);
    gap_->setSpan(-2.0, 16.0);
    gap_->setMinimumHeight(340); // the words in the strips need it
    summary_->setObjectName(QStringLiteral("planSummary"));
    summary_->setProperty("large", true);
    chosen_->setObjectName(QStringLiteral("planChosen"));
    chosen_->setWordWrap(true);
    chosen_->setMinimumHeight(62);
    chosen_->setAlignment(Qt::AlignTop);

    auto* facts = new QVBoxLayout;
    facts->addWidget(chosen_, 1);
    auto* hands = new QHBoxLayout;
    const auto hand = [&](const QString& text, const char* name, auto action) {
        auto* button = new QPushButton(text);
        button->setObjectName(QString::fromLatin1(name));
        button->setFocusPolicy(Qt::NoFocus);
        connect(button, &QPushButton::clicked, this, action);
        hands->addWidget(button);
        return button;
    };
    hand(tr("Earlier  (E)"), "leadEarlier", [this] { shiftLead(0.1, false); });
    hand(tr("Later  (L)"), "leadLater", [this] { shiftLead(-0.1, false); });
    release_ = hand(tr("Let it go  (Del)"), "releaseCall", [this] {
        if (const auto* note = chosenNote()) {
            document_.pinCall(static_cast<std::size_t>(note->call), {});
        }
    });
    hands->addStretch();
    facts->addLayout(hands);
    auto* bottom = new QHBoxLayout;
    bottom->addLayout(facts, 3);
    bottom->addWidget(makeAdvice(), 4);
    auto* left = new QVBoxLayout;
    left->addWidget(summary_);
    left->addWidget(gap_, 3);
    left->addLayout(bottom, 2);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(left, 1);
    layout->addWidget(makeControls());

    connect(&document_, &Document::planChanged, this, &PlanWorkspace::showPlan);
    connect(&document_, &Document::passChanged, this, &PlanWorkspace::showWhatIf);
    connect(&document_, &Document::opened, this, &PlanWorkspace::fillProfiles);
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
}

QWidget* PlanWorkspace::makeControls()
{
    auto* controls = new QVBoxLayout;
    controls->setSpacing(3);
    auto* wishes = new QLabel(tr("The driver's wishes"));
    wishes->setProperty("large", true);
    wishes->setWordWrap(true);
    controls->addWidget(wishes);
    auto* profile = new QHBoxLayout;
    profiles_->setObjectName(QStringLiteral("driverProfiles"));
    profiles_->setMinimumContentsLength(8);
    profiles_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    profile->addWidget(profiles_, 1);
    auto* keep = new QPushButton(tr("Keep as\u2026"));
    keep->setObjectName(QStringLiteral("saveProfile"));
    profile->addWidget(keep);
    controls->addLayout(profile);
    connect(profiles_, &QComboBox::activated, this, &PlanWorkspace::chooseProfile);
    connect(keep, &QPushButton::clicked, this, &PlanWorkspace::saveProfile);
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
    auto* again = new QHBoxLayout;
    echoes_->setObjectName(QStringLiteral("echoes"));
    echoes_->addItems({tr("once"), tr("again if dangerous"), tr("again after 5 s"), tr("again, both")});
    echoes_->setMinimumContentsLength(5);
    echoes_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    line_up_->setObjectName(QStringLiteral("lineUp"));
    line_up_->setRange(0, 12);
    line_up_->setPrefix(tr("line-up "));
    line_up_->setMinimumWidth(126);
    line_up_->setToolTip(tr("How many notes are read on the start line, before the countdown"));
    again->addWidget(new QLabel(tr("Said")));
    again->addWidget(echoes_, 1);
    again->addWidget(line_up_);
    controls->addLayout(again);
    const auto takeEchoes = [this] {
        constexpr double kLongWait_s = 5.0;
        const int how = echoes_->currentIndex();
        document_.setEchoes({how == 1 || how == 3, how >= 2 ? kLongWait_s : 0.0, line_up_->value()});
    };
    connect(echoes_, &QComboBox::activated, this, takeEchoes);
    connect(line_up_, &QSpinBox::valueChanged, this, takeEchoes);
    auto* reader_row = new QHBoxLayout;
    auto* reader = new QLabel(tr("How you read"));
    reader->setProperty("large", true);
    reader_row->addWidget(reader, 1);
    controls->addSpacing(4);
    controls->addLayout(reader_row);
    const auto addReader = [&](const QString& name, const char* object, double plan::Reader::*member,
                               double least, double most, double step, const QString& unit) {
        addControl(
            controls, name, object, [this, member] { return document_.stage().reader.*member; },
            [this, member, name](double v) {
                auto changed = document_.stage().reader;
                changed.*member = v;
                document_.setReader(changed, tr("Change how you read: %1").arg(name));
            },
            least, most, step, unit);
    };
    addReader(tr("Rate"), "readerRate", &plan::Reader::rate_syll_s, 2.5, 9.0, 0.1, tr("syllables/s"));
    addReader(
        tr("Fastest"), "readerFastest", &plan::Reader::fastest_syll_s, 2.5, 10.0, 0.1, tr("syllables/s"));
    addReader(tr("Breath"), "readerBreath", &plan::Reader::breath_s, 0.1, 1.5, 0.05, tr("s"));
    addReader(tr("Longest without one"), "readerRun", &plan::Reader::longest_run_s, 1.0, 12.0, 0.5, tr("s"));
    auto* measure = new QPushButton(tr("Measure"));
    measure->setObjectName(QStringLiteral("measureReader"));
    measure->setFocusPolicy(Qt::TabFocus);
    connect(measure, &QPushButton::clicked, this, &PlanWorkspace::measureReader);
    measure->setToolTip(tr("From the takes of this stage"));
    reader_row->addWidget(measure);
    controls->addStretch();
    auto* panel = new QWidget;
    panel->setFixedWidth(288);
    panel->setLayout(controls);
    return panel;
}

QWidget* PlanWorkspace::makeAdvice()
{
    auto* advice = new QWidget;
    auto* layout = new QVBoxLayout(advice);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* head = new QHBoxLayout;
    head->setSpacing(4);
    const std::pair<QString, const char*> names[]{
        {tr("Where it cannot be done"), "planSqueezes"}, {tr("What if"), "planWhatIf"}};
    int id = 0;
    for (const auto& [text, name] : names) {
        auto* button = new QPushButton(text);
        button->setObjectName(QString::fromLatin1(name));
        button->setCheckable(true);
        button->setFocusPolicy(Qt::NoFocus);
        button->setChecked(id == 0);
        sides_->addButton(button, id++);
        head->addWidget(button);
    }
    head->addStretch();
    layout->addLayout(head);
    connect(sides_, &QButtonGroup::idClicked, this, [this](int page) {
        pages_->setCurrentIndex(page);
        showWhatIf();
    });

    auto* tight = new QWidget;
    auto* tight_layout = new QVBoxLayout(tight);
    tight_layout->setContentsMargins(0, 0, 0, 0);
    squeezes_->setObjectName(QStringLiteral("squeezeList"));
    squeezes_->setWordWrap(true);
    tight_layout->addWidget(squeezes_, 1);
    auto* buttons = new QHBoxLayout;
    const auto add = [&](const QString& text, const char* name, auto action) {
        auto* button = new QPushButton(text);
        button->setObjectName(QString::fromLatin1(name));
        button->setFocusPolicy(Qt::NoFocus);
        connect(button, &QPushButton::clicked, this, action);
        buttons->addWidget(button);
        return button;
    };
    accept_ = add(tr("Do this  (Y)"), "acceptRemedy", [this] { acceptRemedy(); });
    breaths_ = add(tr("Where to breathe?  (B)"), "proposeBreaths", [this] { proposeBreaths(); });
    add(tr("Let all go"), "clearShaping", [this] { document_.clearShaping(); });
    buttons->addStretch();
    tight_layout->addLayout(buttons);
    pages_->addWidget(tight);

    auto* other = new QWidget;
    auto* other_layout = new QVBoxLayout(other);
    other_layout->setContentsMargins(0, 0, 0, 0);
    what_if_->setObjectName(QStringLiteral("whatIf"));
    what_if_facts_->setObjectName(QStringLiteral("whatIfFacts"));
    what_if_facts_->setWordWrap(true);
    moved_->setObjectName(QStringLiteral("movedCalls"));
    moved_->setWordWrap(true);
    moved_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    squeezes_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    what_if_->setMinimumContentsLength(12);
    what_if_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    other_layout->addWidget(what_if_);
    other_layout->addWidget(what_if_facts_);
    other_layout->addWidget(moved_, 1);
    pages_->addWidget(other);
    layout->addWidget(pages_, 1);
    connect(what_if_, &QComboBox::activated, this, &PlanWorkspace::showWhatIf);
    connect(moved_, &QListWidget::itemClicked, this,
        [this](QListWidgetItem* item) { document_.setCurrentNote(item->data(Qt::UserRole).toString()); });
    connect(squeezes_, &QListWidget::itemClicked, this,
        [this](QListWidgetItem* item) { document_.setCurrentNote(item->data(Qt::UserRole).toString()); });
    connect(squeezes_, &QListWidget::currentRowChanged, this, [this](int row) {
        accept_->setEnabled(row >= 0 && static_cast<std::size_t>(row) < remedy_of_row_.size()
            && remedy_of_row_[static_cast<std::size_t>(row)].second != kNone);
    });
    return advice;
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
    {
        const auto& echoes = document_.stage().echoes;
        const QSignalBlocker quiet(line_up_);
        echoes_->setCurrentIndex((echoes.dangerous ? 1 : 0) + (echoes.after_s > 0.0 ? 2 : 0));
        line_up_->setValue(echoes.line_up_notes);
    }
    proposed_.clear();
    breaths_->setText(tr("Where to breathe?  (B)"));
    showSqueezes();
    showWhatIf();
    showChosen();
}

/// Each run that does not fit, with its cause, and under it what would help, best first.
void PlanWorkspace::showSqueezes()
{
    const auto& plan = document_.prepared().plan;
    squeezes_->clear();
    remedy_of_row_.clear();
    const auto add = [&](const QString& text, const std::string& note, std::size_t squeeze,
                         std::size_t remedy) {
        auto* item = new QListWidgetItem(text);
        item->setData(Qt::UserRole, QString::fromStdString(note));
        if (remedy == kNone) {
            item->setFont(typeface(type::kText, true));
        }
        squeezes_->addItem(item);
        remedy_of_row_.emplace_back(squeeze, remedy);
    };
    for (std::size_t s = 0; s < plan.squeezes.size(); ++s) {
        const auto& squeeze = plan.squeezes[s];
        const int first = document_.numberOf(squeeze.first);
        const int last = document_.numberOf(squeeze.last);
        QString text = (first == last ? tr("Note %1: %2 s short").arg(first)
                                      : tr("Notes %1 to %3: %2 s short").arg(first))
                           .arg(squeeze.short_s, 0, 'f', 1);
        text = first == last ? text : text.arg(last);
        if (!squeeze.cause.empty()) {
            text += QStringLiteral(". %1").arg(QString::fromStdString(squeeze.cause));
        }
        if (squeeze.rate_needed > document_.stage().reader.rate_syll_s + 0.05) {
            text += tr("; %1 syllables a second would do").arg(squeeze.rate_needed, 0, 'f', 1);
        }
        add(text + QLatin1Char('.'), squeeze.first, s, kNone);
        for (std::size_t r = 0; r < squeeze.remedies.size(); ++r) {
            add(QStringLiteral("    \u2192 ") + QString::fromStdString(squeeze.remedies[r].text),
                squeeze.first, s, r);
        }
    }
    if (plan.squeezes.empty()) {
        squeezes_->addItem(plan.notes.empty()
                ? tr("Write the notes first (F1).")
                : tr("Nowhere: everything can be said in time. Next: read it (F4)."));
    } else if (remedy_of_row_.size() > 1) {
        squeezes_->setCurrentRow(1);
    }
    accept_->setEnabled(!plan.squeezes.empty() && !plan.squeezes.front().remedies.empty());
}

void PlanWorkspace::acceptRemedy()
{
    const int row = squeezes_->currentRow();
    if (row < 0 || static_cast<std::size_t>(row) >= remedy_of_row_.size()) {
        return;
    }
    const auto [squeeze, remedy] = remedy_of_row_[static_cast<std::size_t>(row)];
    if (remedy != kNone) {
        const auto chosen = document_.prepared().plan.squeezes[squeeze].remedies[remedy];
        document_.acceptRemedy(chosen);
    }
}

void PlanWorkspace::proposeBreaths()
{
    const auto& plan = document_.prepared().plan;
    if (!proposed_.empty()) {
        const auto begins = std::exchange(proposed_, {});
        document_.setCalls(begins, tr("Breathe where it is proposed"));
        return;
    }
    const auto proposal = plan::proposeGrouping(plan, document_.stage().reader, 0, plan.notes.size());
    if (proposal.changed == 0) {
        emit document_.message(tr("The breaths are where they are best already."));
        return;
    }
    const auto late = [](const plan::Plan& p) {
        return std::count_if(p.notes.begin(), p.notes.end(),
            [](const plan::PlannedNote& n) { return n.status != plan::Status::on_time; });
    };
    const auto after = stage::prepare(
        stage::withCalls(document_.stage(), document_.prepared().notes, proposal.begins), document_.pass());
    proposed_ = proposal.begins;
    breaths_->setText(tr("Breathe so  (B)"));
    emit document_.message(
        tr("Proposed: %1 breaths elsewhere, %2 calls instead of %3; out of their windows then %4 notes "
           "instead of %5. B once more takes it; any other change forgets it.")
            .arg(proposal.changed)
            .arg(after.plan.calls.size())
            .arg(plan.calls.size())
            .arg(late(after.plan))
            .arg(late(plan)));
}

const plan::PlannedNote* PlanWorkspace::chosenNote() const
{
    const auto& notes = document_.prepared().plan.notes;
    const std::string id = document_.currentNote().toStdString();
    const auto it = std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.id == id; });
    return it == notes.end() ? nullptr : &*it;
}

void PlanWorkspace::moveCall(double by_s)
{
    if (const auto* note = chosenNote()) {
        const auto call = static_cast<std::size_t>(note->call);
        document_.pinCall(call, document_.prepared().plan.calls[call].start_s + by_s);
    }
}

void PlanWorkspace::shiftLead(double by_s, bool whole_call)
{
    const auto* note = chosenNote();
    if (note == nullptr) {
        return;
    }
    std::vector<std::string> ids{note->id};
    if (whole_call) {
        const auto& plan = document_.prepared().plan;
        const auto& call = plan.calls[static_cast<std::size_t>(note->call)];
        ids.clear();
        for (std::size_t k = call.first; k < call.last; ++k) {
            ids.push_back(plan.notes[k].id);
        }
    }
    document_.shiftLeads(ids, by_s);
}

void PlanWorkspace::measureReader()
{
    std::vector<plan::MeasuredTake> measures;
    for (const auto& take : document_.takes()) {
        const auto figures = take::figures(take.plan, take.verdicts);
        measures.push_back({figures.rate_syll_s, figures.longest_run_s});
    }
    const auto measured = plan::measuredReader(document_.stage().reader, measures);
    if (!measured) {
        emit document_.message(tr("There is no take to measure from yet: read one (F4)."));
        return;
    }
    document_.setReader(*measured, tr("Measure the reader from the takes"));
    emit document_.message(tr("From %1 takes: %2 syllables a second, at most %3.")
                               .arg(measures.size())
                               .arg(measured->rate_syll_s, 0, 'f', 1)
                               .arg(measured->fastest_syll_s, 0, 'f', 1));
}

void PlanWorkspace::keyPressEvent(QKeyEvent* event)
{
    constexpr double kStep_s = 0.1;
    const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
    switch (event->key()) {
    case Qt::Key_Y: acceptRemedy(); break;
    case Qt::Key_B: proposeBreaths(); break;
    case Qt::Key_E: shiftLead(kStep_s, shift); break;
    case Qt::Key_L: shiftLead(-kStep_s, shift); break;
    case Qt::Key_Comma: moveCall(-kStep_s); break;
    case Qt::Key_Period: moveCall(kStep_s); break;
    case Qt::Key_Delete: release_->click(); break;
    default: QWidget::keyPressEvent(event);
    }
}

/// Another pace, driver or reader: its plan lies over this one, and the calls that move are listed.
void PlanWorkspace::showWhatIf()
{
    const bool asked = pages_->currentIndex() == 1;
    gap_->scene().other = nullptr;
    gap_->update();
    if (!asked) {
        return;
    }
    const QString chosen = what_if_->currentData().toString();
    what_if_->clear();
    what_if_->addItem(tr("the road is wet (rehearsal pace)"), QStringLiteral("wet"));
    what_if_->addItem(tr("the reader is a tenth slower"), QStringLiteral("slower"));
    what_if_->addItem(tr("the driver wants it half a second sooner"), QStringLiteral("sooner"));
    for (const auto& pass : document_.passes()) {
        what_if_->addItem(tr("at the pace of \u201c%1\u201d").arg(QString::fromStdString(pass.name)),
            QStringLiteral("pass:") + QString::fromStdString(pass.name));
    }
    for (const auto& [name, driver] : loadDrivers()) {
        what_if_->addItem(tr("driven by %1").arg(name), QStringLiteral("driver:") + name);
    }
    what_if_->setCurrentIndex(std::max(0, what_if_->findData(chosen)));
    const QString what = what_if_->currentData().toString();
    auto stage = document_.stage();
    const pace::Pass* pass = document_.pass();
    if (what == QLatin1String("wet")) {
        stage.rehearsal.wet = true;
        pass = nullptr;
    } else if (what == QLatin1String("slower")) {
        stage.reader.rate_syll_s *= 0.9;
    } else if (what == QLatin1String("sooner")) {
        for (double plan::Driver::*lead : {&plan::Driver::fast_s, &plan::Driver::medium_s,
                 &plan::Driver::slow_s, &plan::Driver::hazard_s}) {
            stage.driver.*lead += 0.5;
        }
    } else if (what.startsWith(QLatin1String("pass:"))) {
        for (const auto& candidate : document_.passes()) {
            pass = candidate.name == what.mid(5).toStdString() ? &candidate : pass;
        }
    } else {
        for (const auto& [name, driver] : loadDrivers()) {
            stage.driver = name == what.mid(7) ? driver : stage.driver;
        }
    }
    other_ = stage::prepare(stage, document_.prepared().notes, pass);
    gap_->scene().other = &other_.plan;
    moved_->clear();
    constexpr double kMoves_s = 0.5;
    const auto& plan = document_.prepared().plan;
    int late = 0;
    for (const auto& note : other_.plan.notes) {
        late += note.status == plan::Status::late ? 1 : 0;
    }
    for (std::size_t c = 0; c < plan.calls.size() && c < other_.plan.calls.size(); ++c) {
        const double by_s = other_.plan.calls[c].start_s - plan.calls[c].start_s;
        if (std::abs(by_s) > kMoves_s) {
            auto* item = new QListWidgetItem(tr("Call %1, %2 s %3: %4")
                                                 .arg(c + 1)
                                                 .arg(std::abs(by_s), 0, 'f', 1)
                                                 .arg(by_s < 0.0 ? tr("sooner") : tr("later"),
                                                     QString::fromStdString(plan.calls[c].text)));
            item->setData(Qt::UserRole, QString::fromStdString(plan.notes[plan.calls[c].first].id));
            moved_->addItem(item);
        }
    }
    what_if_facts_->setText(
        tr("%1 of %2 calls would move by more than half a second; %3 notes would come too late. The "
           "dashed strips are where the calls would be.")
            .arg(moved_->count())
            .arg(plan.calls.size())
            .arg(late));
    gap_->update();
}

void PlanWorkspace::fillProfiles()
{
    profiles_->clear();
    profiles_->addItem(tr("this stage's own wishes"));
    for (const auto& [name, driver] : loadDrivers()) {
        profiles_->addItem(name);
        if (driver == document_.stage().driver) {
            profiles_->setCurrentIndex(profiles_->count() - 1);
        }
    }
}

void PlanWorkspace::chooseProfile(int index)
{
    for (const auto& [name, driver] : loadDrivers()) {
        if (index > 0 && name == profiles_->itemText(index)) {
            document_.setDriver(driver, tr("Plan for %1").arg(name));
        }
    }
}

void PlanWorkspace::saveProfile()
{
    bool accepted = false;
    const QString name = QInputDialog::getText(
        this, tr("Keep these wishes"), tr("The driver's name"), QLineEdit::Normal, {}, &accepted)
                             .trimmed();
    if (!accepted || name.isEmpty()) {
        return;
    }
    try {
        saveDriver(name, document_.stage().driver);
        fillProfiles();
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
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
