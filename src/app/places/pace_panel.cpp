#include "places/pace_panel.h"

#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/when_seen.h"

#include <QCheckBox>
#include <QComboBox>
#include <QCoreApplication>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr auto kRehearsal = "rehearsal";

/// `names` in the user's language; what is kept of a choice is the name itself.
void addNames(QComboBox& box, const char* context, std::span<const std::string_view> names)
{
    for (const auto name : names) {
        const std::string own(name);
        box.addItem(QCoreApplication::translate(context, own.c_str()), QString::fromStdString(own));
    }
}

} // namespace

PaceView::PaceView(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
{
    setObjectName(QStringLiteral("paceView"));
    setAccessibleName(tr("Speed and time along the stage"));
    setMinimumHeight(200);
    auto* when_seen = new WhenSeen(this, [this] { rebuild(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&transport_, &Transport::ticked, this, [this](double stage_s) {
        const auto& pace = document_.prepared().placement.pace;
        if (isVisible() && !pace.empty()) {
            scene_.now_m = std::clamp(pace.stationAt(stage_s), 0.0, pace.length_m());
            update();
        }
    });
}

void PaceView::compareWith(const QString& what)
{
    compared_ = what;
    rebuild();
}

void PaceView::rebuild()
{
    const auto& placement = document_.videoPlacement();
    scene_.own = {
        document_.pass() == nullptr ? tr("rehearsal pace") : QString::fromStdString(document_.pass()->name),
        placement.pace.empty() ? nullptr : &placement.pace};
    scene_.notes = &placement.notes;
    scene_.other = {};
    other_ = {};
    if (compared_ == QLatin1String(kRehearsal)) {
        other_ = document_.rehearsalPlacement();
        scene_.other.name = tr("rehearsal pace");
    } else {
        for (const auto& pass : document_.passes()) {
            if (QString::fromStdString(pass.name) == compared_) {
                other_ =
                    pace::place(document_.prepared().road, pass, pace::carModel(document_.stage().rehearsal));
                scene_.other.name = compared_;
            }
        }
    }
    scene_.other.pace = other_.pace.empty() ? nullptr : &other_.pace;
    scene_.beyond_m.clear();
    const auto& along = document_.prepared().placement.pace;
    if (document_.retiming().changes()) {
        for (const auto& stretch : pace::beyondRange(document_.retiming(), along.duration_s(),
                 media::Player::kSlowest, media::Player::kFastest)) {
            scene_.beyond_m.emplace_back(along.stationAt(stretch.from_s), along.stationAt(stretch.to_s));
        }
    }
    update();
}

double PaceView::stationAt(double x) const
{
    const double to_m = scene_.to_m > scene_.from_m ? scene_.to_m
        : scene_.own.pace == nullptr                ? 1.0
                                                    : scene_.own.pace->length_m();
    constexpr double kLeft = 74.0;
    return scene_.from_m + (to_m - scene_.from_m) * (x - kLeft) / std::max(1.0, width() - kLeft - 12.0);
}

void PaceView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    paintPace(painter, rect(), scene_, theme());
}

void PaceView::mousePressEvent(QMouseEvent* event)
{
    const auto& pace = document_.prepared().placement.pace;
    if (!pace.empty()) {
        transport_.seekStage(pace.timeAt(std::clamp(stationAt(event->position().x()), 0.0, pace.length_m())));
    }
}

void PaceView::wheelEvent(QWheelEvent* event)
{
    if (scene_.own.pace == nullptr) {
        return;
    }
    const double length_m = scene_.own.pace->length_m();
    const double to_m = scene_.to_m > scene_.from_m ? scene_.to_m : length_m;
    const double centre_m = stationAt(event->position().x());
    const double factor = std::pow(0.85, event->angleDelta().y() / 120.0);
    const bool zoom = event->modifiers().testFlag(Qt::ControlModifier);
    const double span_m = std::clamp((to_m - scene_.from_m) * (zoom ? factor : 1.0), 100.0, length_m);
    double from_m = zoom ? centre_m - (centre_m - scene_.from_m) * factor
                         : scene_.from_m - 0.1 * span_m * event->angleDelta().y() / 120.0;
    from_m = std::clamp(from_m, 0.0, length_m - span_m);
    scene_.from_m = from_m;
    scene_.to_m = from_m + span_m;
    update();
    event->accept();
}

PacePanel::PacePanel(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , view_(new PaceView(document, transport))
    , along_(new QComboBox)
    , compare_(new QComboBox)
    , car_(new QComboBox)
    , surface_(new QComboBox)
    , wet_(new QCheckBox(tr("wet")))
    , night_(new QCheckBox(tr("night")))
    , target_(new QDoubleSpinBox)
    , facts_(new QLabel)
{
    setObjectName(QStringLiteral("pacePanel"));
    along_->setObjectName(QStringLiteral("playAlong"));
    compare_->setObjectName(QStringLiteral("comparePace"));
    car_->setObjectName(QStringLiteral("rehearsalCar"));
    surface_->setObjectName(QStringLiteral("rehearsalSurface"));
    target_->setObjectName(QStringLiteral("rehearsalTarget"));
    target_->setAccessibleName(tr("Target time"));
    addNames(*car_, "car", pace::carNames());
    addNames(*surface_, "surface", pace::surfaceNames());
    target_->setRange(0.0, 7200.0);
    target_->setDecimals(1);
    target_->setSuffix(tr(" s"));
    target_->setSpecialValueText(tr("as the road gives it"));
    target_->setKeyboardTracking(false);
    facts_->setObjectName(QStringLiteral("paceFacts"));
    facts_->setWordWrap(true);
    facts_->setProperty("quiet", true);
    for (auto* box : {along_, compare_, car_, surface_}) {
        box->setMinimumContentsLength(8);
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    }
    auto* grid = new QGridLayout;
    grid->addWidget(new QLabel(tr("Play along")), 0, 0);
    grid->addWidget(along_, 0, 1);
    grid->addWidget(new QLabel(tr("beside it")), 0, 2);
    grid->addWidget(compare_, 0, 3);
    grid->addWidget(new QLabel(tr("Car")), 1, 0);
    grid->addWidget(car_, 1, 1);
    grid->addWidget(new QLabel(tr("on")), 1, 2);
    grid->addWidget(surface_, 1, 3);
    grid->addWidget(new QLabel(tr("Target")), 2, 0);
    grid->addWidget(target_, 2, 1);
    grid->addWidget(wet_, 2, 2);
    grid->addWidget(night_, 2, 3);
    grid->setColumnStretch(1, 1);
    grid->setColumnStretch(3, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(grid);
    layout->addWidget(facts_);
    layout->addWidget(view_, 1);

    connect(along_, &QComboBox::activated, this, &PacePanel::chooseAlong);
    connect(compare_, &QComboBox::activated, this,
        [this] { view_->compareWith(compare_->currentData().toString()); });
    for (auto* box : {car_, surface_}) {
        connect(box, &QComboBox::activated, this, &PacePanel::takeRehearsal);
    }
    for (auto* box : {wet_, night_}) {
        connect(box, &QCheckBox::toggled, this, &PacePanel::takeRehearsal);
    }
    connect(target_, &QDoubleSpinBox::valueChanged, this, &PacePanel::takeRehearsal);
    auto* when_seen = new WhenSeen(this, [this] { refresh(); });
    connect(&document_, &Document::passChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
}

void PacePanel::refresh()
{
    showing_ = true;
    const QString compared = compare_->currentData().toString();
    along_->clear();
    compare_->clear();
    along_->addItem(tr("as recorded"), QString());
    compare_->addItem(tr("nothing"), QString());
    const std::string own = document_.pass() == nullptr ? std::string() : document_.pass()->name;
    for (const auto& pass : document_.passes()) {
        const QString name = QString::fromStdString(pass.name);
        if (pass.name != own) {
            along_->addItem(tr("pass \u201c%1\u201d").arg(name), name);
            compare_->addItem(tr("pass \u201c%1\u201d").arg(name), name);
        }
    }
    along_->addItem(tr("the rehearsal pace"), QString::fromLatin1(kRehearsal));
    compare_->addItem(tr("the rehearsal pace"), QString::fromLatin1(kRehearsal));
    const QString along = document_.along() == Document::Along::rehearsal ? QString::fromLatin1(kRehearsal)
        : document_.along() == Document::Along::other_pass ? QString::fromStdString(document_.alongPass())
                                                           : QString();
    along_->setCurrentIndex(std::max(0, along_->findData(along)));
    compare_->setCurrentIndex(std::max(0, compare_->findData(compared)));
    const auto& rehearsal = document_.stage().rehearsal;
    car_->setCurrentIndex(std::max(0, car_->findData(QString::fromStdString(rehearsal.car))));
    surface_->setCurrentIndex(std::max(0, surface_->findData(QString::fromStdString(rehearsal.surface))));
    wet_->setChecked(rehearsal.wet);
    night_->setChecked(rehearsal.night);
    target_->setValue(rehearsal.target_time_s);
    tellFacts();
    showing_ = false;
}

void PacePanel::tellFacts()
{
    const auto& retiming = document_.retiming();
    const auto& along = document_.prepared().placement;
    QString text;
    if (retiming.changes()) {
        const auto beyond = pace::beyondRange(
            retiming, along.pace.duration_s(), media::Player::kSlowest, media::Player::kFastest);
        text = tr("The video is played along this pace, %1 instead of %2.")
                   .arg(clockText(along.pace.duration_s()),
                       clockText(document_.videoPlacement().pace.duration_s()));
        if (!beyond.empty()) {
            double sum_s = 0.0;
            for (const auto& stretch : beyond) {
                sum_s += stretch.to_s - stretch.from_s;
            }
            text += QLatin1Char(' ')
                + tr("For %1 s of it the picture would have to run faster than the player can show "
                     "(hatched); the clock "
                     "waits for it there.")
                      .arg(sum_s, 0, 'f', 1);
        }
    } else {
        text =
            tr("A slow recce can be played along a quicker pace: its rate then changes with the road, its "
               "pitch does "
               "not. The rehearsal pace is for rehearsing at a desk. It is not advice on how fast to drive.");
    }
    for (const auto& warning : along.warnings) {
        text += QLatin1Char('\n') + QString::fromStdString(warning);
    }
    facts_->setText(text);
}

void PacePanel::chooseAlong(int index)
{
    const QString what = along_->itemData(index).toString();
    if (what.isEmpty()) {
        document_.chooseAlong(Document::Along::recorded);
    } else if (what == QLatin1String(kRehearsal)) {
        document_.chooseAlong(Document::Along::rehearsal);
    } else {
        document_.chooseAlong(Document::Along::other_pass, what);
    }
}

void PacePanel::takeRehearsal()
{
    if (showing_) {
        return;
    }
    document_.setRehearsal(
        {car_->currentData().toString().toStdString(), surface_->currentData().toString().toStdString(),
            wet_->isChecked(), night_->isChecked(), target_->value()});
}

} // namespace brumefall::app
