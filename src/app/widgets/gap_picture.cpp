#include "widgets/gap_picture.h"

#include "widgets/road_rail.h"
#include "widgets/words_in_box.h"

#include <QFontMetricsF>
#include <QObject>
#include <QPainter>
#include <QPolygonF>

#include <algorithm>
#include <array>
#include <cmath>
#include <span>
#include <vector>

namespace brumefall::app {
namespace {

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
        , scale_(scene, rect)
        , road_(scale_, layout_.road)
    {
    }

    void paint()
    {
        p_.save();
        p_.setClipRect(rect_);
        p_.setRenderHint(QPainter::Antialiasing);
        p_.fillRect(rect_, theme_.panel);
        paintRuler();
        if (scene_.stretch.second > scene_.stretch.first && scene_.stretch.second <= plan_.notes.size()) {
            paintStretch();
        }
        if (scene_.now_s) {
            paintNow();
        }
        if (scene_.windows) {
            paintWindows();
        }
        road_.paint(p_, theme_);
        if (scene_.other != nullptr) {
            paintOther();
        }
        paintRailNames();
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
        road_.paintNumbers(p_, theme_);
        p_.restore();
    }

private:
    [[nodiscard]] double x(double time_s) const { return scale_.x(time_s); }
    [[nodiscard]] bool visible(double from_s, double to_s) const { return scale_.visible(from_s, to_s); }

    void paintRuler()
    {
        const bool metres = scene_.axis == GapAxis::distance;
        constexpr std::array kMetres{10.0, 20.0, 50.0, 100.0, 200.0, 500.0, 1000.0, 2000.0};
        constexpr std::array kSeconds{1.0, 2.0, 5.0, 10.0, 30.0, 60.0};
        double step = 1.0;
        for (const double candidate :
            metres ? std::span<const double>(kMetres) : std::span<const double>(kSeconds)) {
            step = candidate;
            if (candidate * rect_.width() / (scale_.to - scale_.from) >= (metres ? 70.0 : 55.0)) {
                break;
            }
        }
        p_.setFont(typeface(type::kSmall));
        for (double at = std::ceil(scale_.from / step) * step; at < scale_.to; at += step) {
            const double px = rect_.left() + rect_.width() * (at - scale_.from) / (scale_.to - scale_.from);
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
        const QFontMetricsF metrics(p_.font());
        const auto name = [&](double baseline, const QString& words) {
            const QPointF at(rect_.left() + 6, baseline);
            p_.fillRect(metrics.boundingRect(words).translated(at).adjusted(-2, 0, 3, 0), theme_.panel);
            p_.drawText(at, words);
        };
        name(layout_.voice.top() - 5, take ? QObject::tr("as planned") : QObject::tr("voice"));
        if (take) {
            name(layout_.read.top() - 5, QObject::tr("as read"));
        }
        name(layout_.road.bottom() - 4, QObject::tr("road"));
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
        paintWords(p_, own, QString::fromStdString(note.spoken), theme_.ink, theme_.quiet);
        if (!note.spoken_after.empty()) {
            paintWords(p_, QRectF(QPointF(x(end_s), row.top()), QPointF(x(next_s), row.bottom())),
                QString::fromStdString(note.spoken_after), theme_.quiet, theme_.quiet);
        }
        p_.setPen(QPen(theme_.ink, chosen ? 3.0 : 2.0)); // the last syllable
        p_.drawLine(QPointF(x(end_s), row.top() + 2), QPointF(x(end_s), row.bottom() + 2));
    }

    /// From the end of a spoken note down to its action point.
    struct Tether {
        QPointF from;
        QPointF to;
        double lead_s;
        double lead_m;
        bool late;
        bool chosen;
    };

    [[nodiscard]] std::vector<Tether> tethers() const
    {
        std::vector<Tether> out;
        const auto add = [&](const plan::PlannedNote& note, double end_s, double top, double lead_s,
                             double lead_m, bool late) {
            if (visible(std::min(end_s, note.act_s), std::max(end_s, note.act_s))) {
                out.push_back({{x(end_s), top + 1}, {x(note.act_s), road_.y(note.act_s)}, lead_s, lead_m,
                    late, note.id == scene_.selected});
            }
        };
        for (std::size_t k = 0; k < plan_.notes.size(); ++k) {
            const auto& note = plan_.notes[k];
            if (scene_.verdicts == nullptr) {
                add(note, note.end_s, layout_.voice.bottom(), note.lead_s, note.lead_m,
                    note.status == plan::Status::late);
            } else if (k < scene_.verdicts->size() && (*scene_.verdicts)[k].timing != take::Timing::missed) {
                const auto& verdict = (*scene_.verdicts)[k];
                add(note, verdict.end_s, layout_.read.bottom(), verdict.lead_s, verdict.lead_m,
                    verdict.timing == take::Timing::late);
            }
        }
        return out;
    }

    void paintTethers()
    {
        auto drawn = tethers();
        for (const Tether& tether : drawn) {
            p_.setPen(QPen(tether.chosen || tether.late ? theme_.ink : theme_.quiet,
                tether.chosen     ? 3.0
                    : tether.late ? 2.2
                                  : 1.3,
                tether.late ? Qt::DashLine : Qt::SolidLine));
            p_.drawLine(tether.from, tether.to);
            p_.setPen(Qt::NoPen);
            p_.setBrush(theme_.ink);
            p_.drawEllipse(tether.to, 3.2, 3.2);
        }
        if (!scene_.figures || scale_.pixelsPerSecond() <= 26.0) {
            return;
        }
        // above the lines; the chosen one's has its place first
        std::stable_partition(drawn.begin(), drawn.end(), [](const Tether& t) { return t.chosen; });
        std::vector<QRectF> taken;
        for (const Tether& tether : drawn) {
            paintFigures(tether, taken);
        }
    }

    void paintFigures(const Tether& tether, std::vector<QRectF>& taken)
    {
        const QString text =
            (tether.lead_s < -0.05 ? QObject::tr("%1 s after  %2 m") : QObject::tr("%1 s  %2 m"))
                .arg(std::abs(tether.lead_s), 0, 'f', 1)
                .arg(std::lround(std::abs(tether.lead_m)));
        const QFont f = typeface(type::kSmall, tether.chosen);
        constexpr double kShare = 0.62; // of the way down
        const QPointF at = tether.from + kShare * (tether.to - tether.from);
        const QRectF box(at.x() + 6, at.y() - 10, QFontMetricsF(f).horizontalAdvance(text) + 6, 18);
        const bool free = std::none_of(taken.begin(), taken.end(),
            [&](const QRectF& other) { return other.adjusted(-4, 0, 4, 0).intersects(box); });
        if (!free || box.right() > rect_.right() || box.left() < rect_.left()) {
            return;
        }
        taken.push_back(box);
        p_.setPen(Qt::NoPen);
        p_.setBrush(theme_.panel);
        p_.drawRect(box);
        p_.setFont(f);
        p_.setPen(theme_.ink);
        p_.drawText(box, Qt::AlignCenter, text);
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
                paintWords(p_, box, QObject::tr("missed"), theme_.quiet, theme_.quiet);
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
            paintWords(p_, box, QString::fromStdString(note.spoken), theme_.ink, theme_.quiet);
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
    GapScale scale_;
    RoadRail road_;
};

} // namespace

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

} // namespace brumefall::app
