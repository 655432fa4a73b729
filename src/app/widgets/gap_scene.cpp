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
    constexpr double kRailName = 12.0;
    constexpr double kRow = 22.5; // words at reading size, and the bar under them
    constexpr double kRowOfTake = 27.0; // two bars
    constexpr double kShelves = 20.0;
    constexpr double kFigures = 18.0;
    constexpr double kMostRows = 7.0;
    GapLayout layout;
    const double road = std::clamp(rect.height() * 0.21, 46.0, 140.0);
    layout.road = {rect.left(), rect.bottom() - road - kMargin, rect.width(), road};
    const double top = rect.top() + kRulerHeight + kRailName;
    const double below = (scene.windows ? kShelves : 4.0) + (scene.figures ? kFigures : 0.0);
    constexpr double kBeside = 4.0; // and a third
    layout.row_height =
        scene.verdicts != nullptr ? kRowOfTake + (scene.besides.empty() ? 0.0 : kBeside) : kRow;
    const double room = layout.road.top() - below - top;
    layout.rows = static_cast<int>(std::clamp(room / layout.row_height, 1.0, kMostRows));
    constexpr double kAiry = 5.0; // more between the rows where there is room
    layout.row_height = std::clamp(room / layout.rows, layout.row_height, layout.row_height + kAiry);
    layout.voice = {rect.left(), top, rect.width(), layout.rows * layout.row_height};
    layout.shelves = {rect.left(), layout.voice.bottom(), rect.width(), scene.windows ? kShelves : 0.0};
    layout.figures = {rect.left(), layout.road.top() - kFigures, rect.width(), kFigures};
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
