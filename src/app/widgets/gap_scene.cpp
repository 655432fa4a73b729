#include "widgets/gap_scene.h"

#include <algorithm>

namespace brumefall::app {
namespace {

constexpr double kMargin = 6.0;
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

GapScale::GapScale(const GapScene& of, const QRectF& within)
    : scene(of)
    , rect(within)
    , from(of.along(of.from_s))
    , to(of.along(of.to_s))
{
}

double GapScale::x(double time_s) const
{
    return rect.left() + rect.width() * (scene.along(time_s) - from) / (to - from);
}

double GapScale::timeAtX(double px) const
{
    return scene.timeAt(from + (to - from) * (px - rect.left()) / rect.width());
}

bool GapScale::visible(double from_s, double to_s) const
{
    return to_s >= scene.from_s - 1.0 && from_s <= scene.to_s + 1.0;
}

double GapScale::pixelsPerSecond() const
{
    return rect.width() / (scene.to_s - scene.from_s);
}

} // namespace brumefall::app
