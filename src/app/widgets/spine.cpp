#include "widgets/spine.h"

#include "theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

constexpr double kStep_m = 5.0;
constexpr double kLoadWindow_s = 20.0;
constexpr double kHeaviest_words_s = 3.6;

/// Words with one blank between.
int countWords(const std::string& text)
{
    return text.empty() ? 0 : 1 + static_cast<int>(std::count(text.begin(), text.end(), ' '));
}

} // namespace

Spine::Spine(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
{
    setObjectName(QStringLiteral("spine"));
    setAccessibleName(tr("The stage, go at the bottom"));
    setToolTip(tr("The stage, go at the bottom. Click or drag to go there; type a note's number and Enter. "
                  "Shift and drag marks the "
                  "note in view."));
    setFixedWidth(116);
    setFocusPolicy(Qt::ClickFocus);
    connect(&document_, &Document::planChanged, this, &Spine::rebuild);
    connect(&document_, &Document::currentNoteChanged, this, qOverload<>(&QWidget::update));
    connect(&transport_, &Transport::ticked, this, [this](double stage_s) {
        const auto& pace = document_.prepared().placement.pace;
        now_m_ = pace.empty() ? 0.0 : std::clamp(pace.stationAt(stage_s), 0.0, pace.length_m());
        update();
    });
}

void Spine::rebuild()
{
    const auto sway_before = std::exchange(sway_, {});
    load_.clear();
    squeezes_.clear();
    const auto& prepared = document_.prepared();
    const auto& pace = prepared.placement.pace;
    if (pace.empty() || prepared.road.notes.empty()) {
        picture_ = QPixmap();
        update();
        return;
    }
    // the heading leaks back to straight up, so that every bend shows and the road stays in its column
    const auto count = static_cast<std::size_t>(pace.length_m() / kStep_m) + 1;
    std::vector<double> turn(count, 0.0);
    for (std::size_t k = 0; k < prepared.road.notes.size(); ++k) {
        double station_m = prepared.placement.notes[k].station_m;
        for (const auto& piece : prepared.road.notes[k].pieces) {
            const auto first = static_cast<std::size_t>(std::max(0.0, station_m / kStep_m));
            const auto last = static_cast<std::size_t>(std::max(0.0, (station_m + piece.length_m) / kStep_m));
            for (std::size_t i = first; i <= last && i < count; ++i) {
                turn[i] -= piece.turn_deg * 0.01745 / static_cast<double>(last - first + 1);
            }
            station_m += piece.length_m;
        }
    }
    double heading = 0.0;
    double x = 0.0;
    double widest = 1e-6;
    for (std::size_t i = 0; i < count; ++i) {
        heading = (heading + turn[i]) * 0.90;
        x = (x + std::sin(std::clamp(heading, -1.4, 1.4)) * kStep_m) * 0.975;
        sway_.push_back(x);
        widest = std::max(widest, std::abs(x));
    }
    for (double& s : sway_) {
        s /= widest;
    }
    if (sway_ != sway_before) {
        picture_ = QPixmap(); // the road is another; drawing it takes longer than planning it
    }
    measureLoad(count);
    for (const auto& squeeze : prepared.plan.squeezes) {
        const int first = document_.numberOf(squeeze.first);
        const int last = document_.numberOf(squeeze.last);
        if (first > 0 && last > 0) {
            const auto at = [&](int number) {
                return prepared.placement.notes[static_cast<std::size_t>(number - 1)].station_m;
            };
            squeezes_.emplace_back(at(first), at(last));
        }
    }
    update();
}

/// Words a second in the twenty seconds around every fourth step; both walk along the stage together.
void Spine::measureLoad(std::size_t steps)
{
    const auto& prepared = document_.prepared();
    const auto& notes = prepared.plan.notes;
    std::vector<std::pair<double, int>> said; // when, and how many words
    for (const auto& note : notes) {
        said.emplace_back(note.end_s, countWords(note.spoken) + countWords(note.spoken_after));
    }
    std::sort(said.begin(), said.end());
    std::size_t first = 0;
    std::size_t last = 0;
    int words = 0;
    for (std::size_t i = 0; i < steps; i += 4) {
        const double t = prepared.placement.pace.timeAt(static_cast<double>(i) * kStep_m);
        for (; last < said.size() && said[last].first < t + 0.5 * kLoadWindow_s; ++last) {
            words += said[last].second;
        }
        for (; first < last && said[first].first <= t - 0.5 * kLoadWindow_s; ++first) {
            words -= said[first].second;
        }
        load_.push_back(words / kLoadWindow_s);
    }
}

QRectF Spine::roadArea() const
{
    return QRectF(rect()).adjusted(14, 30, -14, -30);
}

double Spine::yOf(double station_m) const
{
    const double length = std::max(1.0, document_.prepared().placement.pace.length_m());
    const QRectF area = roadArea();
    return area.bottom() - area.height() * station_m / length;
}

QPointF Spine::pointAt(double station_m) const
{
    const QRectF area = roadArea();
    const auto i = std::min(static_cast<std::size_t>(std::max(0.0, station_m) / kStep_m), sway_.size() - 1);
    return {area.left() + 0.38 * area.width() + 0.36 * area.width() * sway_[i], yOf(station_m)};
}

void Spine::paintRoad(QPainter& p) const
{
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.fillRect(rect(), t.panel);
    p.setFont(typeface(type::kSmall));
    p.setPen(t.quiet);
    const auto& prepared = document_.prepared();
    if (sway_.empty()) {
        p.drawText(rect().adjusted(8, 0, -8, 0), Qt::AlignCenter | Qt::TextWordWrap,
            document_.isOpen() ? tr("The road is drawn from the notes") : tr("Open a stage"));
        return;
    }
    const QRectF area = roadArea();
    p.drawText(QRectF(0, area.bottom() + 6, width(), 20), Qt::AlignCenter, tr("go"));
    p.drawText(QRectF(0, area.top() - 27, width(), 20), Qt::AlignCenter,
        tr("%1 m").arg(std::lround(prepared.placement.pace.length_m())));
    QPainterPath path;
    constexpr double kApart_px = 1.5; // on a long stage many steps fall on one pixel
    for (std::size_t i = 0; i < sway_.size(); ++i) {
        const QPointF point = pointAt(static_cast<double>(i) * kStep_m);
        if (i == 0) {
            path.moveTo(point);
        } else if (QLineF(path.currentPosition(), point).length() > kApart_px || i + 1 == sway_.size()) {
            path.lineTo(point);
        }
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.shelf, 9, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.drawPath(path);
    p.setPen(QPen(t.road, 2.0, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.drawPath(path);
}

/// The words along the road on its right, the squeezes as vices on its left.
void Spine::paintPlan(QPainter& p) const
{
    const Theme& t = theme();
    const QRectF area = roadArea();
    const double right = area.right();
    double drawn_y = 1e9;
    for (std::size_t i = 0; i < load_.size(); ++i) {
        const double y = yOf(static_cast<double>(i) * 4.0 * kStep_m);
        if (drawn_y - y < 1.0) {
            continue; // on a long stage many steps fall on one pixel
        }
        drawn_y = y;
        const double length = 34.0 * std::min(1.0, load_[i] / kHeaviest_words_s);
        p.setPen(QPen(load_[i] > 2.6 ? t.quiet : t.line, 2.0));
        p.drawLine(QPointF(right + 10 - length, y), QPointF(right + 10, y));
    }
    p.setPen(QPen(t.ink, 2.2));
    for (const auto& [first_m, last_m] : squeezes_) {
        const double top = yOf(last_m) - 4;
        const double bottom = yOf(first_m) + 4;
        p.drawLine(QPointF(6, top), QPointF(6, bottom));
        p.drawLine(QPointF(6, top), QPointF(11, top));
        p.drawLine(QPointF(6, bottom), QPointF(11, bottom));
    }
}

void Spine::paintEvent(QPaintEvent*)
{
    const Theme& t = theme();
    if (picture_.size() != size() * devicePixelRatioF() || picture_dark_ != t.dark) {
        picture_ = QPixmap(size() * devicePixelRatioF());
        picture_.setDevicePixelRatio(devicePixelRatioF());
        picture_dark_ = t.dark;
        QPainter road(&picture_);
        paintRoad(road);
    }
    QPainter p(this);
    p.drawPixmap(0, 0, picture_);
    if (sway_.empty()) {
        return;
    }
    p.setRenderHint(QPainter::Antialiasing);
    paintPlan(p);
    p.setFont(typeface(type::kSmall));
    const auto& prepared = document_.prepared();
    if (const int number = document_.numberOf(document_.currentNote().toStdString()); number > 0) {
        const QPointF at = pointAt(prepared.placement.notes[static_cast<std::size_t>(number - 1)].station_m);
        p.setPen(QPen(t.ink, 2.0));
        p.setBrush(t.raised);
        p.drawEllipse(at, 6, 6);
        p.drawText(QPointF(at.x() + 10, at.y() + 4), QString::number(number));
    }
    const QPointF now = pointAt(now_m_);
    p.setPen(Qt::NoPen);
    p.setBrush(t.lamp);
    p.drawEllipse(now, 5, 5);
    if (!typed_.isEmpty()) {
        p.setFont(typeface(type::kLarge, true));
        p.setPen(t.ink);
        p.drawText(QRectF(0, height() / 2.0 - 20, width(), 40), Qt::AlignCenter, typed_);
    }
}

double Spine::stationAt(double y) const
{
    const QRectF area = roadArea();
    return document_.prepared().placement.pace.length_m()
        * std::clamp((area.bottom() - y) / area.height(), 0.0, 1.0);
}

void Spine::goTo(double y)
{
    const auto& pace = document_.prepared().placement.pace;
    if (pace.empty()) {
        return;
    }
    const double station_m = stationAt(y);
    transport_.seekStage(pace.timeAt(station_m));
    const auto& notes = document_.prepared().placement.notes;
    const auto next =
        std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.station_m >= station_m; });
    if (next != notes.end()) {
        document_.setCurrentNote(QString::fromStdString(next->id));
    }
}

void Spine::mousePressEvent(QMouseEvent* event)
{
    if (!event->modifiers().testFlag(Qt::ShiftModifier)) {
        goTo(event->position().y());
    }
}

void Spine::mouseMoveEvent(QMouseEvent* event)
{
    if (!event->buttons().testFlag(Qt::LeftButton)) {
        return;
    }
    if (event->modifiers().testFlag(
            Qt::ShiftModifier)) { // the picture follows, the note in view stays chosen
        const auto& pace = document_.prepared().placement.pace;
        if (!pace.empty()) {
            transport_.seekStage(pace.timeAt(stationAt(event->position().y())));
        }
    } else {
        goTo(event->position().y());
    }
}

/// With Shift, the note in view is marked where the mouse lets go.
void Spine::mouseReleaseEvent(QMouseEvent* event)
{
    const auto& pace = document_.videoPlacement().pace;
    if (event->modifiers().testFlag(Qt::ShiftModifier) && document_.pass() != nullptr && !pace.empty()
        && !document_.currentNote().isEmpty()) {
        document_.setMark(
            document_.currentNote(), document_.pass()->go_s + pace.timeAt(stationAt(event->position().y())));
    }
}

void Spine::keyPressEvent(QKeyEvent* event)
{
    const QString text = event->text();
    if (!text.isEmpty() && text[0].isDigit() && typed_.size() < 5) {
        typed_ += text[0];
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        const auto& notes = document_.prepared().placement.notes;
        const auto number = typed_.toULongLong();
        if (number >= 1 && number <= notes.size()) {
            const auto& note = notes[number - 1];
            document_.setCurrentNote(QString::fromStdString(note.id));
            transport_.seekStage(note.arrive_s - 3.0);
        }
        typed_.clear();
    } else if (event->key() == Qt::Key_Escape) {
        typed_.clear();
    } else {
        QWidget::keyPressEvent(event);
    }
    update();
}

} // namespace brumefall::app
