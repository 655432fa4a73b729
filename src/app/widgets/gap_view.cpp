#include "widgets/gap_view.h"

#include "plan/limits.h"
#include "widgets/keys.h"

#include <QFontMetricsF>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr double kShortest_s = 0.5; // a syllable fills a third of it
constexpr double kLongest_s = 3600.0;

} // namespace

GapView::GapView(QWidget* parent)
    : QWidget(parent)
{
    setMinimumHeight(220);
    setFocusPolicy(Qt::StrongFocus);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Voice and road on one time axis"));
    setToolTip(tr("Wheel: move. Ctrl+wheel or + and -: zoom. Click: choose a note, with Shift a stretch."));
    bindKey(this, QKeyCombination(Qt::Key_Plus), tr("The picture nearer"), [this] { zoom(0.8); });
    bindKey(this, QKeyCombination(Qt::Key_Equal), tr("The picture nearer"), [this] { zoom(0.8); });
    bindKey(this, QKeyCombination(Qt::Key_Minus), tr("The picture farther away"), [this] { zoom(1.25); });
}

void GapView::setSpan(double from_s, double to_s)
{
    const double length = std::clamp(to_s - from_s, kShortest_s, kLongest_s);
    scene_.from_s = std::max(from_s, -10.0);
    scene_.to_s = scene_.from_s + length;
    update();
}

void GapView::setAxis(GapAxis axis)
{
    scene_.axis = axis;
    setAccessibleName(
        axis == GapAxis::time ? tr("Voice and road on one time axis") : tr("Voice and road along the road"));
    update();
}

std::pair<double, double> GapView::span() const
{
    return {scene_.along(scene_.from_s), scene_.along(scene_.to_s)};
}

void GapView::showAlong(double from, double to)
{
    setSpan(scene_.timeAt(from), scene_.timeAt(to));
}

void GapView::showTime(double now_s, bool follow)
{
    scene_.now_s = now_s;
    if (follow) {
        const auto [from, to] = span();
        const double now = scene_.along(now_s);
        showAlong(now - 0.33 * (to - from), now + 0.67 * (to - from));
    }
    update();
}

void GapView::showNote(const std::string& id)
{
    scene_.selected = id;
    if (scene_.plan != nullptr) {
        for (const auto& note : scene_.plan->notes) {
            if (note.id == id && (note.start_s < scene_.from_s || note.arrive_s > scene_.to_s)) {
                const auto [from, to] = span();
                const double start = scene_.along(note.start_s);
                showAlong(start - 0.3 * (to - from), start + 0.7 * (to - from));
            }
        }
    }
    update();
}

double GapView::timeAt(double x) const
{
    const auto [from, to] = span();
    return scene_.timeAt(from + (to - from) * x / std::max(1, width()));
}

QRectF GapView::callRect(std::size_t call) const
{
    if (scene_.plan == nullptr || call >= scene_.plan->calls.size()) {
        return {};
    }
    const auto layout = gapLayout(scene_, rect());
    const auto x = [&](double t) { return width() * scene_.shareAt(t); };
    const auto& planned = scene_.plan->calls[call];
    return {
        QPointF(x(planned.start_s), layout.voice.top()), QPointF(x(planned.end_s), layout.voice.bottom())};
}

std::optional<CascadeNote> GapView::noteAt(const QPointF& point) const
{
    constexpr double kNear = 3.0; // a bar is thin
    for (const CascadeNote& note : cascadeOf(scene_, rect())) {
        const QRectF bars = note.bar.united(note.read_bar).adjusted(-kNear, -kNear, kNear, kNear);
        if (note.words.contains(point) || bars.contains(point)) {
            return note;
        }
    }
    return {};
}

int GapView::callAt(const QPointF& point) const
{
    if (scene_.plan == nullptr) {
        return -1;
    }
    if (const auto note = noteAt(point)) {
        return static_cast<int>(note->call);
    }
    for (std::size_t c = 0; c < scene_.plan->calls.size(); ++c) {
        if (callRect(c).contains(point)) {
            return static_cast<int>(c);
        }
    }
    return -1;
}

std::optional<GapView::Held> GapView::readingAt(const QPointF& point) const
{
    if (scene_.plan == nullptr || scene_.verdicts == nullptr) {
        return {};
    }
    constexpr double kNear = 4.0;
    constexpr double kEnd = 5.0; // of a bar that is wide enough to have a middle
    for (const CascadeNote& note : cascadeOf(scene_, rect())) {
        const bool heard = note.note < scene_.verdicts->size() && (*scene_.verdicts)[note.note].heard()
            && !(*scene_.verdicts)[note.note].outside_take;
        // the bar as planned lies just above: what was read is taken by its own half
        if (!heard || !note.read_bar.adjusted(-kNear, -1.0, kNear, kNear).contains(point)) {
            continue;
        }
        const bool wide = note.read_bar.width() > 4.0 * kEnd;
        const auto edge = wide && point.x() < note.read_bar.left() + kEnd ? take::Edge::start
            : wide && point.x() > note.read_bar.right() - kEnd            ? take::Edge::end
                                                                          : take::Edge::whole;
        return Held{note.note, edge, timeAt(point.x())};
    }
    return {};
}

void GapView::dragReading(double x)
{
    const auto& verdict = (*scene_.verdicts)[held_->note];
    const double by_s = timeAt(x) - held_->from_s;
    scene_.dragged_reading =
        GapScene::DraggedReading{held_->note, verdict.start_s + (held_->edge == take::Edge::end ? 0.0 : by_s),
            verdict.end_s + (held_->edge == take::Edge::start ? 0.0 : by_s)};
    update();
}

void GapView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    paintGap(painter, rect(), scene_, theme());
    // what the hands can do, on the line above the words
    const QString hint = movable_ ? tr("+ \u2212 zoom, Shift+click a stretch")
        : readings_movable_ && scene_.verdicts != nullptr
        ? tr("+ \u2212 zoom, drag the bar of what was read where it was found wrongly")
        : tr("+ \u2212 zoom");
    painter.setFont(typeface(type::kTiny));
    painter.setPen(theme().quiet);
    constexpr double kEdge = 8.0;
    painter.drawText(QPointF(width() - QFontMetricsF(painter.font()).horizontalAdvance(hint) - kEdge,
                         gapLayout(scene_, rect()).voice.top() - 3.0),
        hint);
}

void GapView::wheelEvent(QWheelEvent* event)
{
    const auto [from, to] = span();
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        const double centre = scene_.along(timeAt(event->position().x()));
        const double factor = std::pow(0.85, event->angleDelta().y() / 120.0);
        showAlong(centre - (centre - from) * factor, centre + (to - centre) * factor);
    } else {
        const double step = -0.12 * (to - from) * (event->angleDelta().y() + event->angleDelta().x()) / 120.0;
        showAlong(from + step, to + step);
    }
    event->accept();
}

void GapView::mousePressEvent(QMouseEvent* event)
{
    press_ = event->position();
    press_span_ = span();
    moved_ = false;
    dragged_call_ = movable_ ? callAt(press_) : -1;
    held_ = readings_movable_ ? readingAt(press_) : std::nullopt;
    if (dragged_call_ >= 0) {
        drag_offset_s_ =
            timeAt(press_.x()) - scene_.plan->calls[static_cast<std::size_t>(dragged_call_)].start_s;
    }
}

void GapView::mouseMoveEvent(QMouseEvent* event)
{
    if (!event->buttons().testFlag(Qt::LeftButton)) {
        return;
    }
    moved_ = moved_ || std::abs(event->position().x() - press_.x()) > 4;
    if (moved_ && held_) {
        dragReading(event->position().x());
    } else if (moved_ && dragged_call_ < 0) {
        const auto [from, to] = press_span_;
        const double shift = (to - from) * (press_.x() - event->position().x()) / std::max(1, width());
        showAlong(from + shift, to + shift);
    } else if (moved_) {
        scene_.dragged =
            GapScene::Dragged{static_cast<std::size_t>(dragged_call_), draggedStart(event->position().x())};
        update();
    }
}

double GapView::draggedStart(double x) const
{
    constexpr double kHold_px = 8.0;
    const double start_s = timeAt(x) - drag_offset_s_;
    const auto limits = plan::callLimits(*scene_.plan, static_cast<std::size_t>(dragged_call_));
    for (const double limit_s : {limits.latest_s, limits.earliest_s}) {
        if (std::abs(scene_.shareAt(limit_s) - scene_.shareAt(start_s)) * width() < kHold_px) {
            return limit_s;
        }
    }
    return start_s;
}

void GapView::mouseReleaseEvent(QMouseEvent* event)
{
    if (moved_ && dragged_call_ >= 0) {
        const auto call = static_cast<std::size_t>(dragged_call_);
        const double start_s = draggedStart(event->position().x());
        scene_.dragged.reset();
        emit callMoved(call, start_s);
    } else if (moved_ && held_) {
        const Held held = *held_;
        scene_.dragged_reading.reset();
        emit readingMoved(QString::fromStdString(scene_.plan->notes[held.note].id), held.edge,
            timeAt(event->position().x()) - held.from_s);
    } else if (!moved_) {
        clickAt(event->position(), event->modifiers().testFlag(Qt::ShiftModifier));
    }
    scene_.dragged.reset();
    scene_.dragged_reading.reset();
    held_.reset();
    dragged_call_ = -1;
    update();
}

void GapView::mouseDoubleClickEvent(QMouseEvent* event)
{
    if (const int call = movable_ ? callAt(event->position()) : -1; call >= 0) {
        emit callReleased(static_cast<std::size_t>(call));
    }
}

void GapView::clickAt(const QPointF& point, bool extend)
{
    if (scene_.plan == nullptr || scene_.prepared == nullptr) {
        return;
    }
    const double t = timeAt(point.x());
    if (const auto note = noteAt(point)) {
        const auto id = QString::fromStdString(scene_.plan->notes[note->note].id);
        extend ? emit noteReached(id) : emit noteClicked(id);
        return;
    }
    const auto layout = gapLayout(scene_, rect());
    const bool on_road = point.y() >= layout.road.top();
    const plan::PlannedNote* nearest = nullptr;
    double distance = 1e9;
    for (const auto& note : scene_.plan->notes) {
        const double d =
            on_road ? std::abs(note.arrive_s - t) : std::max({0.0, note.start_s - t, t - note.end_s});
        if (d < distance) {
            distance = d;
            nearest = &note;
        }
    }
    if (nearest != nullptr && distance < 0.08 * (scene_.to_s - scene_.from_s)) {
        const auto id = QString::fromStdString(nearest->id);
        extend ? emit noteReached(id) : emit noteClicked(id);
    } else {
        emit timeClicked(t);
    }
}

void GapView::zoom(double by)
{
    const auto [from, to] = span();
    const double middle = 0.5 * (from + to);
    showAlong(middle - 0.5 * by * (to - from), middle + 0.5 * by * (to - from));
}

} // namespace brumefall::app
