#include "widgets/transport_bar.h"

#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/flow_layout.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {

TransportBar::TransportBar(Document& document, Transport& transport, Guard guard, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , guard_(std::move(guard))
    , rate_(new QLabel(QStringLiteral("1.00\u00d7")))
    , time_(new QLabel(QStringLiteral("0:00.0")))
{
    constexpr double kStep_s = 5.0;
    constexpr double kQuicker = 1.25;
    setObjectName(QStringLiteral("transportBar"));
    auto* whole = new QHBoxLayout(this);
    whole->setContentsMargins(10, 6, 12, 8);
    auto* layout = new FlowLayout(5);
    whole->addLayout(layout, 1);
    const auto add = [&](const QString& text, const char* name, QKeyCombination key, auto action) {
        auto* button = addButton(layout, text, name, action);
        makeCompact(button);
        bindButton(button, key);
        return button;
    };
    const auto seek = [this](double by_s) {
        return guarded([this, by_s] { transport_.seekStage(transport_.stageTime() + by_s); });
    };
    const auto quicken = [this](double by) {
        return guarded([this, by] { transport_.setRate(transport_.rate() * by); });
    };
    play_ = add(tr("Play"), "playButton", QKeyCombination(Qt::Key_Space), [this] { emit playWanted(); });
    play_->setMinimumWidth(100);
    add(tr("Go"), "goButton", QKeyCombination(Qt::Key_Home), guarded([this] { transport_.seekStage(0.0); }));
    add(tr("−5 s"), "backButton", QKeyCombination(Qt::Key_Left), seek(-kStep_s));
    add(tr("+5 s"), "forwardButton", QKeyCombination(Qt::Key_Right), seek(kStep_s));
    add(tr("Frame"), "frameButton", QKeyCombination(Qt::CTRL, Qt::Key_Right),
        guarded([this] { transport_.player().stepFrame(1); }));
    add(tr("Slower"), "slowerButton", QKeyCombination(Qt::Key_BracketLeft), quicken(1.0 / kQuicker));
    rate_->setObjectName(QStringLiteral("rateLabel"));
    rate_->setAlignment(Qt::AlignCenter);
    rate_->setMinimumSize(50, 28);
    layout->addWidget(rate_);
    add(tr("Faster"), "fasterButton", QKeyCombination(Qt::Key_BracketRight), quicken(kQuicker));
    time_->setObjectName(QStringLiteral("timeLabel"));
    time_->setFont(typeface(type::kLarge));
    time_->setStyleSheet(QStringLiteral("font-size: %1px;").arg(type::kLarge));
    time_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    time_->setMinimumWidth(
        QFontMetrics(typeface(type::kLarge)).horizontalAdvance(QStringLiteral("-0:00.0  10000 m")));
    whole->addWidget(time_);

    connect(&transport_, &Transport::outOfRange, this, [this](bool beyond) {
        rate_->setStyleSheet(beyond ? QStringLiteral("font-weight: bold;") : QString());
        rate_->setToolTip(
            beyond ? tr("The picture cannot be played as fast as the pace asks here.") : QString());
    });
    connect(&transport_, &Transport::ticked, this, &TransportBar::showTime);
    connect(&transport_, &Transport::playingChanged, this,
        [this](bool playing) { play_->setText(playing ? tr("Pause (Space)") : tr("Play (Space)")); });
    connect(&transport_, &Transport::rateChanged, this,
        [this](double rate) { rate_->setText(QStringLiteral("%1\u00d7").arg(rate, 0, 'f', 2)); });
}

std::function<void()> TransportBar::guarded(std::function<void()> act) const
{
    return [this, act = std::move(act)] { guard_(act); };
}

void TransportBar::showTime(double stage_s)
{
    const auto& pace = document_.prepared().placement.pace;
    const double station_m = pace.empty() ? 0.0 : std::clamp(pace.stationAt(stage_s), 0.0, pace.length_m());
    time_->setText(tr("%1   %2 m").arg(clockText(stage_s)).arg(std::lround(station_m)));
}

} // namespace brumefall::app
