#include "widgets/gap_picture.h"

#include "widgets/gap_cascade.h"
#include "widgets/road_rail.h"

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
        , cascade_(cascadeOf(scene, rect))
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
        paintTethers();
        paintRailNames();
        for (const CascadeNote& note : cascade_) {
            paintNote(note);
        }
        if (scene_.other != nullptr) {
            paintOther();
        }
        if (scene_.dragged && scene_.dragged->call < plan_.calls.size()) {
            paintDragged();
        }
        if (scene_.dragged_reading) {
            paintDraggedReading();
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
        name(layout_.voice.top() - 2,
            !take                        ? QObject::tr("voice")
                : scene_.besides.empty() ? QObject::tr("voice: as planned, and below as read")
                                         : QObject::tr("voice: as planned, as read, and in the other take"));
        name(layout_.road.bottom() - 4, QObject::tr("road"));
    }

    /// The other plan's notes lie over this one's bars, as dashed outlines.
    void paintOther()
    {
        p_.setBrush(Qt::NoBrush);
        p_.setPen(QPen(theme_.ink, 1.4, Qt::DashLine));
        for (const CascadeNote& note : cascade_) {
            if (note.note < scene_.other->notes.size()) {
                const auto& there = scene_.other->notes[note.note];
                p_.drawRect(QRectF(QPointF(x(there.start_s), note.bar.top() - 3.0),
                    QPointF(x(there.end_s), note.bar.bottom() + 3.0)));
            }
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
        paintBox(text, QPointF(strip.center().x(), strip.bottom() + 4));
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

    /// The shelf of note `k` lies under the voice, in one of three steps so that neighbours stay apart.
    [[nodiscard]] double shelfTop(std::size_t k) const
    {
        return layout_.shelves.top() + 2.5 + 5.5 * static_cast<double>(k % 3);
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

    void paintNote(const CascadeNote& placed)
    {
        const auto& note = plan_.notes[placed.note];
        const auto& call = plan_.calls[placed.call];
        const bool chosen = note.id == scene_.selected;
        const bool now = scene_.now_s && *scene_.now_s >= call.start_s && *scene_.now_s <= call.end_s;
        if (!placed.words.isEmpty()) {
            QColor ground = now ? theme_.lamp_pale : chosen ? theme_.shelf : theme_.panel;
            ground.setAlpha(chosen ? 255 : 200); // a tether that passes behind is seen faintly
            p_.fillRect(placed.words.adjusted(0, 0, 2, 0), ground);
            p_.setFont(typeface(placed.letter_size));
            p_.setPen(isMissed(placed.note) ? theme_.quiet : theme_.ink);
            p_.drawText(placed.words.adjusted(kInset, 0, 2, 0), Qt::AlignLeft | Qt::AlignVCenter, placed.own);
            p_.setPen(theme_.quiet);
            p_.drawText(placed.words, Qt::AlignRight | Qt::AlignVCenter, placed.after);
        }
        if (scene_.verdicts == nullptr) {
            p_.setBrush(chosen || note.pinned ? theme_.ink : theme_.quiet);
            p_.setPen(QPen(theme_.ink, note.pinned ? 2.4 : 1.0));
            p_.drawRect(placed.bar);
        } else {
            p_.setBrush(theme_.panel);
            p_.setPen(QPen(theme_.quiet, 1.0));
            p_.drawRect(placed.bar);
            paintReadBar(placed);
            paintBesideBar(placed);
        }
        const QRectF& last = placed.read_bar.isEmpty() ? placed.bar : placed.read_bar;
        p_.setPen(QPen(theme_.ink, chosen ? 3.0 : 2.0)); // the last syllable
        p_.drawLine(last.topRight() - QPointF(0, 2), last.bottomRight());
    }

    [[nodiscard]] bool isMissed(std::size_t note) const
    {
        return scene_.verdicts != nullptr && note < scene_.verdicts->size()
            && !(*scene_.verdicts)[note].heard() && !(*scene_.verdicts)[note].outside_take;
    }

    /// Early is hollow, on time is solid, late is hatched, missed is a gap.
    void paintReadBar(const CascadeNote& placed)
    {
        if (placed.note >= scene_.verdicts->size() || (*scene_.verdicts)[placed.note].outside_take) {
            return;
        }
        const auto timing = (*scene_.verdicts)[placed.note].timing;
        const bool missed = !(*scene_.verdicts)[placed.note].heard();
        p_.setPen(QPen(missed ? theme_.quiet : theme_.ink, 1.2, missed ? Qt::DotLine : Qt::SolidLine));
        p_.setBrush(timing == take::Timing::on_time ? QBrush(theme_.ink)
                : timing == take::Timing::late      ? QBrush(theme_.ink, Qt::BDiagPattern)
                                                    : QBrush(Qt::NoBrush));
        p_.drawRect(placed.read_bar);
        if ((*scene_.verdicts)[placed.note].isMisread()) { // struck through: something else was said
            p_.setPen(QPen(theme_.ink, 2.0));
            p_.drawLine(placed.read_bar.bottomLeft(), placed.read_bar.topRight());
            p_.drawLine(placed.read_bar.topLeft(), placed.read_bar.bottomRight());
        }
    }

    /// In the other take: a thin line, its last syllable upright.
    void paintBesideBar(const CascadeNote& placed)
    {
        if (placed.beside_bar.isEmpty()) {
            return;
        }
        const QRectF& bar = placed.beside_bar;
        p_.setPen(QPen(theme_.quiet, 1.6));
        p_.drawLine(QPointF(bar.left(), bar.center().y()), QPointF(bar.right(), bar.center().y()));
        p_.drawLine(bar.topRight(), bar.bottomRight());
    }

    /// Where what was read would be, and how it would stand to its window then.
    void paintDraggedReading()
    {
        const auto& dragged = *scene_.dragged_reading;
        const auto placed = std::find_if(cascade_.begin(), cascade_.end(),
            [&](const CascadeNote& note) { return note.note == dragged.note; });
        if (placed == cascade_.end()) {
            return;
        }
        constexpr double kGrown = 3.0;
        const QRectF bar(QPointF(x(dragged.start_s), placed->read_bar.top() - kGrown),
            QPointF(x(dragged.end_s), placed->read_bar.bottom() + kGrown));
        p_.setBrush(Qt::NoBrush);
        p_.setPen(QPen(theme_.ink, 2.6));
        p_.drawRoundedRect(bar, 2, 2);
        const auto& window = plan_.notes[dragged.note].window;
        const double late_s = dragged.end_s - window.closes_s;
        const double early_s = window.opens_s - dragged.end_s;
        paintBox(late_s > 0.0   ? QObject::tr("%1 s late").arg(late_s, 0, 'f', 2)
                : early_s > 0.0 ? QObject::tr("%1 s early").arg(early_s, 0, 'f', 2)
                                : QObject::tr("on time"),
            QPointF(bar.center().x(), bar.bottom() + 4));
    }

    /// Words in a box whose top middle is `at`, kept inside the picture.
    void paintBox(const QString& text, const QPointF& at)
    {
        p_.setFont(typeface(type::kSmall, true));
        const double width = QFontMetricsF(p_.font()).horizontalAdvance(text) + 12;
        const QRectF box(
            std::clamp(at.x() - 0.5 * width, rect_.left(), rect_.right() - width), at.y(), width, 20);
        p_.setBrush(theme_.raised);
        p_.setPen(QPen(theme_.ink, 1.0));
        p_.drawRoundedRect(box, 3, 3);
        p_.drawText(box, Qt::AlignCenter, text);
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
        for (const CascadeNote& placed : cascade_) {
            const auto& note = plan_.notes[placed.note];
            const QPointF act(x(note.act_s), road_.y(note.act_s));
            const bool chosen = note.id == scene_.selected;
            if (scene_.verdicts == nullptr) {
                out.push_back({placed.bar.bottomRight(), act, note.lead_s, note.lead_m,
                    note.status == plan::Status::late, chosen});
            } else if (placed.note < scene_.verdicts->size() && (*scene_.verdicts)[placed.note].heard()) {
                const auto& verdict = (*scene_.verdicts)[placed.note];
                out.push_back({placed.read_bar.bottomRight(), act, verdict.lead_s, verdict.lead_m,
                    verdict.timing == take::Timing::late, chosen});
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
        // below the words, where the line passes
        const double y = layout_.figures.center().y();
        const double share = (y - tether.from.y()) / std::max(1.0, tether.to.y() - tether.from.y());
        const QPointF at = tether.from + share * (tether.to - tether.from);
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

    QPainter& p_;
    QRectF rect_;
    const GapScene& scene_;
    const plan::Plan& plan_;
    const Theme& theme_;
    GapLayout layout_;
    GapScale scale_;
    RoadRail road_;
    std::vector<CascadeNote> cascade_;
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
            scene.instead.empty()
                ? QObject::tr("Nothing is planned yet. Write the notes (F1) and give them places (F2).")
                : QString::fromStdString(scene.instead));
        return;
    }
    GapPainter(painter, rect, scene, theme).paint();
}

} // namespace brumefall::app
