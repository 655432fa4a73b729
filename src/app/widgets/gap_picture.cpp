#include "widgets/gap_picture.h"

#include <QFontMetricsF>
#include <QObject>
#include <QPainter>
#include <QPainterPath>
#include <QPolygonF>

#include <algorithm>
#include <array>
#include <cmath>
#include <span>

namespace brumefall::app {
namespace {

constexpr double kMargin = 6.0;
constexpr double kRulerHeight = 20.0;

QString rulerText(double time_s)
{
    const int total = static_cast<int>(std::lround(std::abs(time_s)));
    return QStringLiteral("%1%2:%3")
        .arg(time_s < 0 ? QStringLiteral("-") : QString())
        .arg(total / 60)
        .arg(total % 60, 2, 10, QLatin1Char('0'));
}

class GapPainter {
public:
    GapPainter(QPainter& painter, const QRectF& rect, const GapScene& scene, const Theme& theme)
        : p_(painter)
        , rect_(rect)
        , scene_(scene)
        , plan_(*scene.plan)
        , theme_(theme)
        , layout_(gapLayout(scene, rect))
        , from_(scene.along(scene.from_s))
        , to_(scene.along(scene.to_s))
    {
    }

    void paint()
    {
        p_.save();
        p_.setClipRect(rect_);
        p_.setRenderHint(QPainter::Antialiasing);
        p_.fillRect(rect_, theme_.panel);
        paintRuler();
        paintRailNames();
        if (scene_.stretch.second > scene_.stretch.first && scene_.stretch.second <= plan_.notes.size()) {
            paintStretch();
        }
        if (scene_.now_s) {
            paintNow();
        }
        if (scene_.windows) {
            paintWindows();
        }
        paintRoad();
        if (scene_.other != nullptr) {
            paintOther();
        }
        paintTethers();
        for (const auto& call : plan_.calls) {
            if (visible(call.start_s, call.end_s)) {
                paintCall(call);
            }
        }
        if (scene_.verdicts != nullptr) {
            paintReadRow();
        }
        if (scene_.dragged && scene_.dragged->call < plan_.calls.size()) {
            paintDragged();
        }
        paintRoadWords();
        p_.restore();
    }

private:
    [[nodiscard]] double x(double time_s) const
    {
        return rect_.left() + rect_.width() * (scene_.along(time_s) - from_) / (to_ - from_);
    }

    [[nodiscard]] double timeAtX(double px) const
    {
        return scene_.timeAt(from_ + (to_ - from_) * (px - rect_.left()) / rect_.width());
    }

    [[nodiscard]] bool visible(double from_s, double to_s) const
    {
        return to_s >= scene_.from_s - 1.0 && from_s <= scene_.to_s + 1.0;
    }

    [[nodiscard]] double pixelsPerSecond() const { return rect_.width() / (scene_.to_s - scene_.from_s); }

    void paintRuler()
    {
        const bool metres = scene_.axis == GapAxis::distance;
        constexpr std::array kMetres{10.0, 20.0, 50.0, 100.0, 200.0, 500.0, 1000.0, 2000.0};
        constexpr std::array kSeconds{1.0, 2.0, 5.0, 10.0, 30.0, 60.0};
        double step = 1.0;
        for (const double candidate :
            metres ? std::span<const double>(kMetres) : std::span<const double>(kSeconds)) {
            step = candidate;
            if (candidate * rect_.width() / (to_ - from_) >= (metres ? 70.0 : 55.0)) {
                break;
            }
        }
        p_.setFont(typeface(type::kSmall));
        for (double at = std::ceil(from_ / step) * step; at < to_; at += step) {
            const double px = rect_.left() + rect_.width() * (at - from_) / (to_ - from_);
            p_.setPen(QPen(theme_.line, 1.0));
            p_.drawLine(QPointF(px, rect_.top() + kRulerHeight - 5), QPointF(px, rect_.top() + kRulerHeight));
            p_.setPen(theme_.quiet);
            if (px - 30 < rect_.left() || px + 30 > rect_.right() || (metres && at < 0.0)) {
                continue; // its label would be cut, or there is no road
            }
            p_.drawText(QRectF(px - 40, rect_.top(), 80, kRulerHeight - 4), Qt::AlignCenter,
                metres ? QStringLiteral("%1 m").arg(std::lround(at)) : rulerText(at));
        }
    }

    void paintRailNames()
    {
        p_.setFont(typeface(type::kSmall));
        p_.setPen(theme_.quiet);
        const bool take = scene_.verdicts != nullptr;
        p_.drawText(QPointF(rect_.left() + 6, layout_.voice.top() - 5),
            take ? QObject::tr("as planned") : QObject::tr("voice"));
        if (take) {
            p_.drawText(QPointF(rect_.left() + 6, layout_.read.top() - 5), QObject::tr("as read"));
        }
        p_.drawText(QPointF(rect_.left() + 6, layout_.road.bottom() - 4), QObject::tr("road"));
    }

    /// The other plan's calls lie over this one's, as dashed outlines with a line from where they are now.
    void paintOther()
    {
        const QRectF& row = layout_.voice;
        for (const auto& there : scene_.other->calls) {
            if (!visible(there.start_s, there.end_s)) {
                continue;
            }
            const QRectF strip(
                QPointF(x(there.start_s), row.top() - 7), QPointF(x(there.end_s), row.top() + 12));
            p_.setBrush(Qt::NoBrush);
            p_.setPen(QPen(theme_.ink, 1.4, Qt::DashLine));
            p_.drawRoundedRect(strip, 3, 3);
        }
    }

    /// Notes that are chosen together lie in a bracket that opens downward.
    void paintStretch()
    {
        const auto [first, last] = scene_.stretch;
        constexpr double kRailName = 60.0; // the bracket begins after it
        const double left = std::max(x(plan_.notes[first].start_s), rect_.left() + kRailName);
        const double right = std::max(x(plan_.notes[last - 1].end_s), left);
        const double top = layout_.voice.top() - 9;
        p_.setPen(QPen(theme_.ink, 2.0));
        p_.setBrush(Qt::NoBrush);
        p_.drawPolyline(QPolygonF(
            {QPointF(left, top + 7), QPointF(left, top), QPointF(right, top), QPointF(right, top + 7)}));
    }

    /// Where the call would be, and what that would mean for the note that suffers most.
    void paintDragged()
    {
        const auto& call = plan_.calls[scene_.dragged->call];
        const double by_s = scene_.dragged->start_s - call.start_s;
        double late_s = 0.0;
        double early_s = 0.0;
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& note = plan_.notes[k];
            late_s = std::max(late_s, note.end_s + by_s - note.window.closes_s);
            early_s = std::max(early_s, note.window.opens_s - note.end_s - by_s);
        }
        const QRectF strip(QPointF(x(call.start_s + by_s), layout_.voice.top() - 4),
            QPointF(x(call.end_s + by_s), layout_.voice.bottom() + 4));
        p_.setBrush(Qt::NoBrush);
        p_.setPen(QPen(theme_.ink, 2.6, late_s > 0.001 || early_s > 0.001 ? Qt::DashLine : Qt::SolidLine));
        p_.drawRoundedRect(strip, 3, 3);
        QString text = QObject::tr("%1 s %2")
                           .arg(std::abs(by_s), 0, 'f', 1)
                           .arg(by_s < 0.0 ? QObject::tr("sooner") : QObject::tr("later"));
        text += late_s > 0.001 ? QObject::tr(", %1 s too late").arg(late_s, 0, 'f', 1)
            : early_s > 0.001  ? QObject::tr(", %1 s too early").arg(early_s, 0, 'f', 1)
                               : QObject::tr(", in time");
        p_.setFont(typeface(type::kSmall, true));
        const QFontMetricsF metrics(p_.font());
        const double width = metrics.horizontalAdvance(text) + 12;
        const QRectF box(std::clamp(strip.center().x() - 0.5 * width, rect_.left(), rect_.right() - width),
            strip.bottom() + 4, width, 20);
        p_.setBrush(theme_.raised);
        p_.setPen(QPen(theme_.ink, 1.0));
        p_.drawRoundedRect(box, 3, 3);
        p_.drawText(box, Qt::AlignCenter, text);
    }

    void paintNow()
    {
        const double at = x(*scene_.now_s);
        p_.setPen(QPen(theme_.lamp, 2.0));
        p_.drawLine(QPointF(at, rect_.top() + kRulerHeight), QPointF(at, rect_.bottom()));
        p_.setBrush(theme_.lamp);
        p_.setPen(Qt::NoPen);
        p_.drawEllipse(QPointF(at, rect_.top() + kRulerHeight), 4.5, 4.5);
    }

    /// The shelf of note `k` lies under the strip, in one of three steps so that neighbours stay apart.
    [[nodiscard]] double shelfTop(std::size_t k) const
    {
        const QRectF& strip = scene_.verdicts != nullptr ? layout_.read : layout_.voice;
        return strip.bottom() + 4.0 + 7.0 * static_cast<double>(k % 3);
    }

    void paintWindows()
    {
        for (std::size_t k = 0; k < plan_.notes.size(); ++k) {
            const auto& window = plan_.notes[k].window;
            if (!visible(window.opens_s, window.closes_s)) {
                continue;
            }
            const bool chosen = plan_.notes[k].id == scene_.selected;
            const double top = shelfTop(k);
            p_.setPen(Qt::NoPen);
            p_.setBrush(chosen ? theme_.quiet : theme_.shelf);
            p_.drawRoundedRect(
                QRectF(QPointF(x(window.opens_s), top), QPointF(x(window.closes_s), top + 4.5)), 2, 2);
            p_.setPen(QPen(chosen ? theme_.ink : theme_.quiet, 1.5));
            p_.drawLine(QPointF(x(window.ideal_s), top - 1), QPointF(x(window.ideal_s), top + 5.5));
        }
    }

    void paintCall(const plan::PlannedCall& call)
    {
        const bool outline_only = scene_.verdicts != nullptr;
        const QRectF strip(
            QPointF(x(call.start_s), layout_.voice.top()), QPointF(x(call.end_s), layout_.voice.bottom()));
        const bool now = scene_.now_s && *scene_.now_s >= call.start_s && *scene_.now_s <= call.end_s;
        const bool pinned = call.first < plan_.notes.size() && plan_.notes[call.first].pinned;
        p_.setBrush(now ? theme_.lamp_pale : outline_only ? theme_.panel : theme_.strip);
        p_.setPen(QPen(outline_only ? theme_.quiet : theme_.ink, pinned ? 2.6 : 1.3));
        p_.drawRoundedRect(strip, 3, 3);
        for (std::size_t k = call.first; k < call.last; ++k) {
            paintNoteInStrip(plan_.notes[k], layout_.voice, plan_.notes[k].start_s, plan_.notes[k].end_s,
                k + 1 < call.last ? plan_.notes[k + 1].start_s : call.end_s);
        }
    }

    void paintNoteInStrip(
        const plan::PlannedNote& note, const QRectF& row, double start_s, double end_s, double next_s)
    {
        const bool chosen = note.id == scene_.selected;
        const QRectF own(QPointF(x(start_s), row.top()), QPointF(x(end_s), row.bottom()));
        if (chosen) {
            p_.setPen(Qt::NoPen);
            p_.setBrush(theme_.shelf);
            p_.drawRect(own.adjusted(1, 1, -1, -1));
        }
        paintWords(own, QString::fromStdString(note.spoken), theme_.ink);
        if (!note.spoken_after.empty()) {
            paintWords(QRectF(QPointF(x(end_s), row.top()), QPointF(x(next_s), row.bottom())),
                QString::fromStdString(note.spoken_after), theme_.quiet);
        }
        p_.setPen(QPen(theme_.ink, chosen ? 3.0 : 2.0)); // the last syllable
        p_.drawLine(QPointF(x(end_s), row.top() + 2), QPointF(x(end_s), row.bottom() + 2));
    }

    /// Words in a box: across in as many lines as fit, else along it.
    void paintWords(const QRectF& box, const QString& words, const QColor& colour)
    {
        if (box.width() < 14) {
            return;
        }
        p_.setPen(colour);
        const QRectF inner = box.adjusted(2, 0, -2, 0);
        for (const int size : {type::kText, type::kSmall, type::kTiny}) {
            const QFont f = typeface(size);
            const QFontMetricsF metrics(f);
            const QRectF needed = metrics.boundingRect(
                QRectF(0, 0, inner.width() + 2, 1000), Qt::TextWordWrap | Qt::AlignHCenter, words);
            if (needed.height() <= inner.height() + 2 && needed.width() <= inner.width() + 3) {
                p_.setFont(f);
                p_.drawText(inner, Qt::TextWordWrap | Qt::AlignCenter, words);
                return;
            }
        }
        // too narrow across: along the strip, as on the spine of a book
        const QFontMetricsF small(typeface(type::kSmall));
        if (inner.width() >= small.height() - 3 && small.horizontalAdvance(words) <= inner.height() - 2) {
            p_.save();
            p_.translate(inner.center());
            p_.rotate(-90);
            p_.setFont(typeface(type::kSmall));
            p_.drawText(QRectF(-0.5 * inner.height(), -0.5 * inner.width(), inner.height(), inner.width()),
                Qt::AlignCenter, words);
            p_.restore();
            return;
        }
        const QFont tiny = typeface(type::kTiny);
        const QFontMetricsF metrics(tiny);
        const QRectF along = metrics.boundingRect(
            QRectF(0, 0, inner.height() - 2, 1000), Qt::TextWordWrap | Qt::AlignHCenter, words);
        if (along.height() <= inner.width() + 2 && along.width() <= inner.height()) {
            p_.save();
            p_.translate(inner.center());
            p_.rotate(-90);
            p_.setFont(tiny);
            p_.drawText(QRectF(-0.5 * inner.height(), -0.5 * inner.width(), inner.height(), inner.width()),
                Qt::TextWordWrap | Qt::AlignCenter, words);
            p_.restore();
            return;
        }
        // no room for words: dots say that there are some; zoom in to read them
        if (inner.width() > 10) {
            p_.setPen(theme_.quiet);
            p_.drawText(inner, Qt::AlignCenter, QStringLiteral("\u2026"));
        }
    }

    void paintTethers()
    {
        double label_free_x = -1e9;
        for (std::size_t k = 0; k < plan_.notes.size(); ++k) {
            const auto& note = plan_.notes[k];
            double end_s = note.end_s;
            double lead_s = note.lead_s;
            double lead_m = note.lead_m;
            bool late = note.status == plan::Status::late;
            double top = layout_.voice.bottom();
            if (scene_.verdicts != nullptr) {
                if (k >= scene_.verdicts->size() || (*scene_.verdicts)[k].timing == take::Timing::missed) {
                    continue;
                }
                const auto& verdict = (*scene_.verdicts)[k];
                end_s = verdict.end_s;
                lead_s = verdict.lead_s;
                lead_m = verdict.lead_m;
                late = verdict.timing == take::Timing::late;
                top = layout_.read.bottom();
            }
            if (!visible(std::min(end_s, note.act_s), std::max(end_s, note.act_s))) {
                continue;
            }
            const bool chosen = note.id == scene_.selected;
            const QPointF a(x(end_s), top + 1);
            const QPointF b(x(note.act_s), roadY(note.act_s));
            p_.setPen(QPen(chosen || late ? theme_.ink : theme_.quiet,
                chosen     ? 3.0
                    : late ? 2.2
                           : 1.3,
                late ? Qt::DashLine : Qt::SolidLine));
            p_.drawLine(a, b);
            p_.setPen(Qt::NoPen);
            p_.setBrush(theme_.ink);
            p_.drawEllipse(b, 3.2, 3.2);
            if (scene_.figures && pixelsPerSecond() > 26.0) {
                paintFigures(a, b, lead_s, lead_m, chosen, label_free_x);
            }
        }
    }

    void paintFigures(
        const QPointF& a, const QPointF& b, double lead_s, double lead_m, bool chosen, double& free_x)
    {
        const QString text = (lead_s < -0.05 ? QObject::tr("%1 s after  %2 m") : QObject::tr("%1 s  %2 m"))
                                 .arg(std::abs(lead_s), 0, 'f', 1)
                                 .arg(std::lround(std::abs(lead_m)));
        const QFont f = typeface(type::kSmall, chosen);
        const QFontMetricsF metrics(f);
        const double share = 0.62;
        QRectF box(a.x() + share * (b.x() - a.x()) + 6, a.y() + share * (b.y() - a.y()) - 10,
            metrics.horizontalAdvance(text) + 6, 18);
        if ((!chosen && box.left() < free_x) || box.right() > rect_.right() || box.left() < rect_.left()) {
            return;
        }
        free_x = box.right() + 4;
        p_.setPen(Qt::NoPen);
        p_.setBrush(theme_.panel);
        p_.drawRect(box);
        p_.setFont(f);
        p_.setPen(theme_.ink);
        p_.drawText(box, Qt::AlignCenter, text);
    }

    // --- the road, unrolled ---------------------------------------------------------------------

    [[nodiscard]] double roadMiddle() const { return layout_.road.center().y() - 6; }

    /// How far a note's corner bends the rail, in pixels; up is a left.
    [[nodiscard]] double bend(const road::RoadNote& note) const
    {
        if (note.radius_m <= 0.0 || note.pieces.empty()) {
            return 0.0;
        }
        const double tight = std::clamp(
            (std::log(260.0) - std::log(note.radius_m)) / (std::log(260.0) - std::log(8.0)), 0.12, 1.0);
        const double sign = note.pieces.front().turn_deg >= 0.0 ? -1.0 : 1.0;
        return sign * tight * (0.5 * layout_.road.height() - 20);
    }

    struct Corner {
        double from_s;
        double to_s;
        double height;
    };

    void findCorners() const
    {
        if (!corners_.empty()) {
            return;
        }
        const auto& road = scene_.prepared->road;
        const auto& placement = scene_.prepared->placement;
        for (std::size_t k = 0; k < road.notes.size() && k < placement.notes.size(); ++k) {
            const double from_s = placement.notes[k].arrive_s;
            if (road.notes[k].length_m <= 0.0 || !visible(from_s, from_s + 10.0)) {
                continue;
            }
            const double to_s = placement.pace.timeAt(placement.notes[k].station_m + road.notes[k].length_m);
            corners_.push_back({from_s, std::max(to_s, from_s + 0.4), bend(road.notes[k])});
        }
        corners_.push_back({1e9, 1e9, 0.0});
    }

    [[nodiscard]] double roadY(double time_s) const
    {
        findCorners();
        double y = roadMiddle();
        for (const Corner& corner : corners_) {
            if (time_s > corner.from_s && time_s < corner.to_s) {
                const double share = (time_s - corner.from_s) / (corner.to_s - corner.from_s);
                y += corner.height * std::pow(std::sin(share * 3.14159265), 0.75);
            }
        }
        return y;
    }

    void paintRoad()
    {
        QPainterPath path;
        bool first = true;
        const double from_s = std::max(0.0, scene_.from_s);
        const double to_s = std::min(scene_.to_s, scene_.prepared->placement.pace.duration_s());
        for (double px = x(from_s); px <= x(to_s); px += 2.0) {
            const QPointF point(px, roadY(timeAtX(px)));
            first ? path.moveTo(point) : path.lineTo(point);
            first = false;
        }
        p_.setBrush(Qt::NoBrush);
        p_.setPen(QPen(theme_.shelf, 15, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
        p_.drawPath(path);
        p_.setPen(QPen(theme_.road, 2.4, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
        p_.drawPath(path);
    }

    void paintRoadWords()
    {
        double free_x = -1e9;
        p_.setFont(typeface(type::kSmall));
        const QFontMetricsF metrics(p_.font());
        const auto& placement = scene_.prepared->placement;
        for (std::size_t k = 0; k < placement.notes.size(); ++k) {
            const double at_s = placement.notes[k].arrive_s;
            if (!visible(at_s, at_s)) {
                continue;
            }
            const double at = x(at_s);
            p_.setPen(QPen(theme_.quiet, 1.0));
            p_.drawLine(QPointF(at, layout_.road.bottom() - 21), QPointF(at, layout_.road.bottom() - 15));
            const QString number = QString::number(k + 1);
            constexpr double kRailName = 48.0;
            if (at - 10 > std::max(free_x, rect_.left() + kRailName)) {
                p_.setPen(theme_.ink);
                p_.drawText(
                    QPointF(at - metrics.horizontalAdvance(number) / 2, layout_.road.bottom() - 3), number);
                free_x = at + metrics.horizontalAdvance(number) / 2 + 4;
            }
        }
    }

    // --- the row as read ------------------------------------------------------------------------

    void paintReadRow()
    {
        for (std::size_t k = 0; k < plan_.notes.size() && k < scene_.verdicts->size(); ++k) {
            const auto& verdict = (*scene_.verdicts)[k];
            const auto& note = plan_.notes[k];
            if (verdict.outside_take) {
                continue;
            }
            const bool missed = verdict.timing == take::Timing::missed;
            const double start_s = missed ? note.start_s : verdict.start_s;
            const double end_s = missed ? note.end_s : verdict.end_s;
            if (!visible(start_s, end_s)) {
                continue;
            }
            const QRectF box(
                QPointF(x(start_s), layout_.read.top()), QPointF(x(end_s), layout_.read.bottom()));
            if (missed) {
                p_.setBrush(Qt::NoBrush);
                p_.setPen(QPen(theme_.quiet, 1.2, Qt::DotLine));
                p_.drawRect(box);
                paintWords(box, QObject::tr("missed"), theme_.quiet);
                continue;
            }
            const bool chosen = note.id == scene_.selected;
            p_.setPen(QPen(theme_.ink, chosen ? 2.6 : 1.2));
            p_.setBrush(verdict.timing == take::Timing::on_time ? theme_.shelf : theme_.strip);
            p_.drawRect(box);
            if (verdict.timing == take::Timing::late) {
                p_.setPen(Qt::NoPen);
                p_.setBrush(QBrush(theme_.line, Qt::BDiagPattern));
                p_.drawRect(box);
            }
            paintWords(box, QString::fromStdString(note.spoken), theme_.ink);
            p_.setPen(QPen(theme_.ink, 2.0));
            p_.drawLine(QPointF(x(end_s), box.top()), QPointF(x(end_s), box.bottom() + 2));
        }
    }

    QPainter& p_;
    QRectF rect_;
    const GapScene& scene_;
    const plan::Plan& plan_;
    const Theme& theme_;
    GapLayout layout_;
    double from_; ///< the ends of the picture on its axis
    double to_;
    mutable std::vector<Corner> corners_;
};

} // namespace

namespace {

constexpr double kBeyond_m_s = 12.0; // how fast the axis in metres goes on where there is no road

} // namespace

double GapScene::along(double time_s) const
{
    if (axis == GapAxis::time || prepared == nullptr || prepared->placement.pace.empty()) {
        return time_s;
    }
    const pace::Pace& pace = prepared->placement.pace;
    const double end_s = pace.duration_s();
    return time_s <= 0.0  ? kBeyond_m_s * time_s
        : time_s >= end_s ? pace.length_m() + kBeyond_m_s * (time_s - end_s)
                          : pace.stationAt(time_s);
}

double GapScene::timeAt(double place) const
{
    if (axis == GapAxis::time || prepared == nullptr || prepared->placement.pace.empty()) {
        return place;
    }
    const pace::Pace& pace = prepared->placement.pace;
    return place <= 0.0            ? place / kBeyond_m_s
        : place >= pace.length_m() ? pace.duration_s() + (place - pace.length_m()) / kBeyond_m_s
                                   : pace.timeAt(place);
}

double GapScene::shareAt(double time_s) const
{
    return (along(time_s) - along(from_s)) / (along(to_s) - along(from_s));
}

GapLayout gapLayout(const GapScene& scene, const QRectF& rect)
{
    const bool take = scene.verdicts != nullptr;
    const double strip = std::clamp(rect.height() * (take ? 0.21 : 0.25), 40.0, 104.0);
    const double top = rect.top() + kRulerHeight + 22.0;
    GapLayout layout;
    layout.voice = {rect.left(), top, rect.width(), strip};
    layout.read = take ? QRectF(rect.left(), top + strip + 20, rect.width(), strip) : QRectF();
    const double road = std::clamp(rect.height() * (take ? 0.25 : 0.30), 70.0, 150.0);
    layout.road = {rect.left(), rect.bottom() - road - kMargin, rect.width(), road};
    return layout;
}

void paintGap(QPainter& painter, const QRectF& rect, const GapScene& scene, const Theme& theme)
{
    if (scene.prepared == nullptr || scene.plan == nullptr || scene.plan->notes.empty()
        || scene.to_s <= scene.from_s) {
        painter.fillRect(rect, theme.panel);
        painter.setPen(theme.quiet);
        painter.setFont(typeface(type::kText));
        painter.drawText(rect, Qt::AlignCenter,
            QObject::tr("Nothing is planned yet. Write the notes (F1) and give them places (F2)."));
        return;
    }
    GapPainter(painter, rect, scene, theme).paint();
}

void paintVerdict(QPainter& painter, const QRectF& rect, const take::Verdict& verdict, const Theme& theme)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const double size = std::min(14.0, rect.height() - 6);
    const double third = rect.width() / 3.0;
    const auto box = [&](int place) {
        return QRectF(
            rect.left() + third * place + 0.5 * (third - size), rect.center().y() - 0.5 * size, size, size);
    };
    painter.setPen(QPen(theme.line, 1.0));
    painter.drawLine(
        QPointF(rect.left() + 4, rect.center().y()), QPointF(rect.right() - 4, rect.center().y()));
    if (verdict.outside_take) {
        painter.restore();
        return;
    }
    painter.setPen(QPen(theme.ink, 1.6));
    switch (verdict.timing) {
    case take::Timing::early:
        painter.setBrush(theme.raised);
        painter.drawRect(box(0));
        break;
    case take::Timing::on_time:
        painter.setBrush(theme.ink);
        painter.drawRect(box(1));
        break;
    case take::Timing::late:
        painter.fillRect(box(2), theme.raised);
        painter.setBrush(QBrush(theme.ink, Qt::BDiagPattern));
        painter.drawRect(box(2));
        break;
    case take::Timing::missed: {
        const QRectF gap = box(1).adjusted(-size * 0.6, 0, size * 0.6, 0);
        painter.fillRect(gap, theme.raised);
        painter.drawLine(gap.topLeft(), gap.bottomLeft());
        painter.drawLine(gap.topRight(), gap.bottomRight());
        break;
    }
    }
    painter.restore();
}

void paintRoadPiece(QPainter& painter, const QRectF& rect, const road::RoadNote& note, const Theme& theme)
{
    if (note.pieces.empty()) {
        painter.setPen(QPen(theme.road, 2.2));
        painter.drawLine(rect.center() - QPointF(0, 0.35 * rect.height()),
            rect.center() + QPointF(0, 0.35 * rect.height()));
        return;
    }
    // from the bottom upward, as the driver sees it, with a little straight at both ends
    std::vector<QPointF> points{{0, 0}, {0, 12}};
    double heading = 1.5707963;
    double px = 0.0;
    double py = 12.0;
    for (const auto& piece : note.pieces) {
        constexpr int kSteps = 12;
        for (int i = 0; i < kSteps; ++i) {
            heading += piece.turn_deg * 0.01745329 / kSteps;
            px += piece.length_m / kSteps * std::cos(heading);
            py += piece.length_m / kSteps * std::sin(heading);
            points.emplace_back(px, py);
        }
    }
    points.emplace_back(px + 12 * std::cos(heading), py + 12 * std::sin(heading));
    QRectF bounds(points.front(), QSizeF(0, 0));
    for (const QPointF& point : points) {
        bounds.setLeft(std::min(bounds.left(), point.x()));
        bounds.setRight(std::max(bounds.right(), point.x()));
        bounds.setTop(std::min(bounds.top(), point.y()));
        bounds.setBottom(std::max(bounds.bottom(), point.y()));
    }
    const double scale = std::min(
        rect.width() / std::max(bounds.width(), 30.0), rect.height() / std::max(bounds.height(), 30.0));
    QPainterPath path;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const QPointF at(rect.center().x() + scale * (points[i].x() - bounds.center().x()),
            rect.center().y() - scale * (points[i].y() - bounds.center().y()));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme.shelf, 6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.setPen(QPen(theme.road, 1.8, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.setBrush(theme.road);
    painter.setPen(Qt::NoPen);
    painter.drawEllipse(path.elementAt(0), 2.5, 2.5);
    painter.restore();
}

} // namespace brumefall::app
