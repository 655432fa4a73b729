#include "widgets/pace_picture.h"

#include <QObject>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr double kLeft = 74.0;
constexpr double kNotes = 22.0;
constexpr double kGap = 18.0;
constexpr int kColumns = 480; // of a curve, whatever the width
constexpr double kKmh = 3.6;

class PacePainter {
public:
    PacePainter(QPainter& painter, const QRectF& rect, const PaceScene& scene, const Theme& theme)
        : p_(painter)
        , rect_(rect)
        , scene_(scene)
        , t_(theme)
        , from_m_(scene.from_m)
        , to_m_(scene.to_m > scene.from_m ? scene.to_m : scene.own.pace->length_m())
    {
        const double room = rect.height() - kNotes - 24.0;
        const bool two = scene.other.pace != nullptr;
        speed_ = QRectF(
            rect.left() + kLeft, rect.top() + 22.0, rect.width() - kLeft - 12.0, room * (two ? 0.46 : 0.68));
        pull_ =
            QRectF(speed_.left(), speed_.bottom() + kGap, speed_.width(), room * (two ? 0.22 : 0.32) - kGap);
        time_ = QRectF(speed_.left(), pull_.bottom() + kGap, speed_.width(), two ? room * 0.32 - kGap : 0.0);
    }

    void paint()
    {
        p_.setRenderHint(QPainter::Antialiasing);
        p_.fillRect(rect_, t_.panel);
        p_.setFont(typeface(type::kTiny));
        beyond();
        speeds();
        pulls();
        if (scene_.other.pace != nullptr) {
            times();
        }
        notes();
        if (scene_.now_m) {
            p_.setPen(QPen(t_.lamp, 2.0));
            p_.drawLine(
                QPointF(x(*scene_.now_m), rect_.top() + 20), QPointF(x(*scene_.now_m), rect_.bottom()));
        }
    }

private:
    [[nodiscard]] double x(double station_m) const
    {
        return speed_.left() + speed_.width() * (station_m - from_m_) / std::max(1.0, to_m_ - from_m_);
    }

    [[nodiscard]] double station(int column) const
    {
        return from_m_ + (to_m_ - from_m_) * column / static_cast<double>(kColumns);
    }

    template <typename Value>
    void curve(const QRectF& area, double low, double high, const QPen& pen, Value value)
    {
        QPainterPath path;
        for (int i = 0; i <= kColumns; ++i) {
            const double s = station(i);
            const double v = std::clamp(value(s), low, high);
            const QPointF point(x(s), area.bottom() - area.height() * (v - low) / (high - low));
            i == 0 ? path.moveTo(point) : path.lineTo(point);
        }
        p_.setBrush(Qt::NoBrush);
        p_.setPen(pen);
        p_.drawPath(path);
    }

    void rule(const QRectF& area, double share, const QString& text)
    {
        const double y = area.bottom() - area.height() * share;
        p_.setPen(QPen(t_.line, 1.0));
        p_.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        p_.setPen(t_.quiet);
        p_.drawText(QRectF(rect_.left(), y - 9, kLeft - 6, 18), Qt::AlignRight | Qt::AlignVCenter, text);
    }

    void beyond()
    {
        for (const auto& [from, to] : scene_.beyond_m) {
            const QRectF band(x(from), speed_.top(), std::max(2.0, x(to) - x(from)), speed_.height());
            p_.fillRect(band, QBrush(t_.quiet, Qt::BDiagPattern));
        }
    }

    void speeds()
    {
        double fastest = 10.0;
        for (const auto* drawn : {&scene_.own, &scene_.other}) {
            for (int i = 0; drawn->pace != nullptr && i <= kColumns; ++i) {
                fastest = std::max(fastest, drawn->pace->speedAt(station(i)) * kKmh);
            }
        }
        const double top = std::ceil(std::min(fastest, 400.0) / 40.0) * 40.0;
        for (double v = 0.0; v <= top + 1.0; v += top / 2.0) {
            rule(speed_, v / top, QObject::tr("%1 km/h").arg(v, 0, 'f', 0));
        }
        if (scene_.other.pace != nullptr) {
            curve(speed_, 0.0, top, QPen(t_.quiet, 1.4, Qt::DashLine),
                [&](double s) { return scene_.other.pace->speedAt(s) * kKmh; });
        }
        curve(speed_, 0.0, top, QPen(t_.ink, 1.8),
            [&](double s) { return scene_.own.pace->speedAt(s) * kKmh; });
        legend();
    }

    void legend()
    {
        double left = speed_.left();
        const double y = rect_.top() + 11.0;
        const auto entry = [&](const QString& name, const QPen& pen) {
            p_.setPen(pen);
            p_.drawLine(QPointF(left, y), QPointF(left + 26, y));
            p_.setPen(t_.ink);
            p_.drawText(QPointF(left + 32, y + 4), name);
            left += 52 + QFontMetricsF(p_.font()).horizontalAdvance(name);
        };
        entry(scene_.own.name, QPen(t_.ink, 1.8));
        if (scene_.other.pace != nullptr) {
            entry(scene_.other.name, QPen(t_.quiet, 1.4, Qt::DashLine));
        }
        if (!scene_.beyond_m.empty()) {
            p_.fillRect(QRectF(left, y - 6, 26, 12), QBrush(t_.quiet, Qt::BDiagPattern));
            p_.setPen(t_.ink);
            p_.drawText(QPointF(left + 32, y + 4), QObject::tr("faster than the player can show"));
        }
    }

    /// Longitudinal acceleration: up is speeding up, down is braking.
    void pulls()
    {
        constexpr double kMost = 6.0;
        rule(pull_, 0.5, QObject::tr("pull, brake"));
        curve(pull_, -kMost, kMost, QPen(t_.road, 1.2), [&](double s) {
            constexpr double kStep_m = 6.0;
            const double v0 = scene_.own.pace->speedAt(s - kStep_m);
            const double v1 = scene_.own.pace->speedAt(s + kStep_m);
            return (v1 * v1 - v0 * v0) / (4.0 * kStep_m);
        });
    }

    void times()
    {
        double most = 1.0;
        for (int i = 0; i <= kColumns; ++i) {
            most = std::max(most, std::abs(timeBehind(*scene_.own.pace, *scene_.other.pace, station(i))));
        }
        rule(time_, 0.5, QObject::tr("0 s"));
        rule(time_, 1.0, QObject::tr("+%1 s").arg(most, 0, 'f', most < 10.0 ? 1 : 0));
        rule(time_, 0.0, QObject::tr("\u2212%1 s").arg(most, 0, 'f', most < 10.0 ? 1 : 0));
        curve(time_, -most, most, QPen(t_.ink, 1.6),
            [&](double s) { return timeBehind(*scene_.own.pace, *scene_.other.pace, s); });
        p_.setPen(t_.quiet);
        p_.drawText(time_.adjusted(6, 0, 0, 0), Qt::AlignLeft | Qt::AlignTop,
            QObject::tr("%1 behind %2").arg(scene_.other.name, scene_.own.name));
        p_.drawText(time_.adjusted(6, 0, 0, 0), Qt::AlignLeft | Qt::AlignBottom,
            QObject::tr("%1 ahead of %2").arg(scene_.other.name, scene_.own.name));
    }

    void notes()
    {
        if (scene_.notes == nullptr) {
            return;
        }
        p_.setPen(t_.quiet);
        double free_x = -1e9;
        for (std::size_t k = 0; k < scene_.notes->size(); ++k) {
            const double at = x((*scene_.notes)[k].station_m);
            if (at < speed_.left() - 1 || at > speed_.right() + 1) {
                continue;
            }
            p_.drawLine(QPointF(at, rect_.bottom() - kNotes), QPointF(at, rect_.bottom() - kNotes + 5));
            if (at > free_x) {
                p_.drawText(QRectF(at - 15, rect_.bottom() - kNotes + 5, 30, 15), Qt::AlignCenter,
                    QString::number(k + 1));
                free_x = at + 24;
            }
        }
    }

    QPainter& p_;
    QRectF rect_;
    const PaceScene& scene_;
    const Theme& t_;
    double from_m_;
    double to_m_;
    QRectF speed_;
    QRectF pull_;
    QRectF time_;
};

} // namespace

double timeBehind(const pace::Pace& own, const pace::Pace& other, double station_m)
{
    return other.timeAt(std::min(station_m, other.length_m()))
        - own.timeAt(std::min(station_m, own.length_m()));
}

void paintPace(QPainter& painter, const QRectF& rect, const PaceScene& scene, const Theme& theme)
{
    if (scene.own.pace == nullptr || scene.own.pace->empty()) {
        painter.fillRect(rect, theme.panel);
        painter.setPen(theme.quiet);
        painter.setFont(typeface(type::kText));
        painter.drawText(
            rect, Qt::AlignCenter, QObject::tr("Write the notes first (F1): they give the road."));
        return;
    }
    PacePainter(painter, rect, scene, theme).paint();
}

} // namespace brumefall::app
