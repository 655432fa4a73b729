#include "scene.h"

#include <QLinearGradient>
#include <QPainter>
#include <QRadialGradient>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <optional>

namespace demo {
namespace {

constexpr double kEye_m = 1.45;
constexpr double kNear_m = 1.6;
constexpr int kFar_m = 190;
constexpr double kFocal = 0.86; // of the picture's width
constexpr double kVergeWidth_m = 3.5;
constexpr double kLandWidth_m = 70.0;

struct Colour {
    double r;
    double g;
    double b;
};

constexpr Colour kFog{46, 54, 56};
constexpr Colour kGravel{126, 122, 116};
constexpr Colour kSand{50, 50, 52};
constexpr Colour kCobble{150, 140, 132};
constexpr Colour kCobbleDark{112, 106, 104};
constexpr Colour kLand{44, 52, 44};
constexpr Colour kPost{226, 226, 214};
constexpr Colour kReflector{214, 92, 60};
constexpr Colour kRock{104, 98, 94};
constexpr Colour kWood{128, 98, 70};
constexpr Colour kWall{150, 146, 138};
constexpr Colour kLantern{255, 206, 120};

/// Lamp light and fog at `distance_m`.
QColor lit(const Colour& c, double distance_m)
{
    const double lamp = 1.15 * std::exp(-distance_m / 62.0) + 0.10;
    const double fog = 1.0 - std::exp(-distance_m / 95.0);
    const auto mix = [&](double own, double f) {
        return static_cast<int>(std::clamp(
            own * lamp * (1.0 - fog) + f * fog * (0.55 + 0.6 * std::exp(-distance_m / 90.0)), 0.0, 255.0));
    };
    return {mix(c.r, kFog.r), mix(c.g, kFog.g), mix(c.b, kFog.b)};
}

double bump(double station_m, double centre_m, double height_m, double half_m)
{
    const double x = (station_m - centre_m) / half_m;
    return height_m * std::exp(-x * x);
}

} // namespace

std::vector<Sample> sampleRoad(const RoadDescription& road)
{
    std::vector<Sample> samples;
    double x = 0.0;
    double y = 0.0;
    double heading = std::numbers::pi / 2.0;
    const auto count = static_cast<int>(road.length_m) + 1;
    std::size_t e = 0;
    double width = 3.1;
    for (int s = 0; s <= count; ++s) {
        while (e + 1 < road.elements.size() && s >= road.elements[e + 1].station_m) {
            ++e;
        }
        const Element& element = road.elements[e];
        width += ((element.narrow ? 2.0 : 3.1) - width) * 0.12;
        samples.push_back({x, y, 0.0, heading, width, element.cobbles});
        const double curvature =
            element.radius_m > 0.0 ? (element.turn_deg > 0 ? 1.0 : -1.0) / element.radius_m : 0.0;
        heading += curvature;
        x += std::cos(heading);
        y += std::sin(heading);
    }
    for (std::size_t s = 0; s < samples.size(); ++s) {
        const auto at = static_cast<double>(s);
        samples[s].z_m = 3.0 * std::sin(at / 170.0) + 1.2 * std::sin(at / 61.0 + 1.0);
        for (const Element& element : road.elements) {
            if (element.crest && std::abs(element.station_m + 12.0 - at) < 90.0) {
                samples[s].z_m += bump(at, element.station_m + 12.0, 2.6, 20.0);
            }
        }
    }
    // heading and height smoothed: a car does not turn on a point
    auto smooth = samples;
    for (std::size_t s = 3; s + 3 < samples.size(); ++s) {
        double h = 0.0;
        for (std::size_t k = s - 3; k <= s + 3; ++k) {
            h += samples[k].heading_rad / 7.0;
        }
        smooth[s].heading_rad = h;
    }
    return smooth;
}

struct Scene::Camera {
    double x;
    double y;
    double z;
    double cos_yaw;
    double sin_yaw;
    double pitch;
    double roll;
    QSize size;

    struct View {
        double depth;
        QPointF point;
    };

    /// Depth ahead and where it falls in the picture; nothing behind the near plane.
    [[nodiscard]] std::optional<View> project(double px, double py, double pz) const
    {
        const double dx = px - x;
        const double dy = py - y;
        const double forward = dx * cos_yaw + dy * sin_yaw;
        const double right = dx * sin_yaw - dy * cos_yaw;
        if (forward < kNear_m) {
            return {};
        }
        const double up = pz - z + forward * pitch;
        const double focal = kFocal * size.width();
        const double u = focal * right / forward;
        const double v = focal * up / forward;
        return View{forward, {0.5 * size.width() + u + roll * v, 0.46 * size.height() - v + roll * u}};
    }
};

Scene::Scene(const RoadDescription& road)
    : samples_(sampleRoad(road))
    , things_(samples_.size() + 2)
{
    for (std::size_t s = 10; s + 10 < samples_.size(); s += 12) {
        const double turn = samples_[s + 8].heading_rad - samples_[s].heading_rad;
        const bool corner = std::abs(turn) > 0.06;
        if (corner || s % 24 == 10) {
            things_[s].emplace_back("marker", corner ? (turn > 0 ? 1.0 : -1.0) : 1.0);
        }
        if (!corner && s % 24 == 10) {
            things_[s].emplace_back("marker", -1.0);
        }
    }
    int side = 0;
    for (const Landmark& landmark : road.landmarks) {
        const auto s = std::min(static_cast<std::size_t>(landmark.station_m), things_.size() - 1);
        if (landmark.what == "gatepost") {
            things_[s].emplace_back(landmark.what, 1.0);
            things_[s].emplace_back(landmark.what, -1.0);
        } else {
            const double turn =
                samples_[std::min(s + 8, samples_.size() - 1)].heading_rad - samples_[s].heading_rad;
            const double inside = turn > 0.05 ? -1.0 : turn < -0.05 ? 1.0 : (side++ % 2 == 0 ? 1.0 : -1.0);
            things_[s].emplace_back(landmark.what, landmark.what == "rock" ? inside : -inside);
        }
    }
}

QImage Scene::view(double station_m, double speed_m_s, double time_s, const QSize& size) const
{
    QImage image(size, QImage::Format_RGB32);
    QPainter painter(&image);
    const auto at =
        static_cast<std::size_t>(std::clamp(station_m, 0.0, static_cast<double>(samples_.size() - 14)));
    const double share = std::clamp(station_m - static_cast<double>(at), 0.0, 1.0);
    const Sample& a = samples_[at];
    const Sample& b = samples_[at + 1];
    const double ahead = samples_[std::min(at + 9, samples_.size() - 1)].heading_rad;
    const double here = a.heading_rad + share * (b.heading_rad - a.heading_rad);
    const double yaw = here + 0.45 * (ahead - here);
    const double shake = std::min(speed_m_s, 30.0) / 30.0;
    const double slope = (samples_[std::min(at + 6, samples_.size() - 1)].z_m - a.z_m) / 6.0;
    const double z = a.z_m + share * (b.z_m - a.z_m) + kEye_m + 0.02 * shake * std::sin(time_s * 19.0);
    Camera camera{a.x_m + share * (b.x_m - a.x_m), a.y_m + share * (b.y_m - a.y_m), z, std::cos(yaw),
        std::sin(yaw), -0.7 * slope + 0.05 + 0.002 * shake * std::sin(time_s * 23.0),
        -0.35 * (ahead - here) * std::min(1.0, speed_m_s / 25.0), size};

    QLinearGradient sky(0, 0, 0, size.height() * 0.62);
    sky.setColorAt(0.0, QColor(12, 16, 20));
    sky.setColorAt(0.75, QColor(34, 41, 44));
    sky.setColorAt(1.0, QColor(48, 56, 58));
    painter.fillRect(image.rect(), sky);
    painter.setPen(Qt::NoPen);
    drawGround(painter, camera, station_m);

    QRadialGradient glow(QPointF(0.5 * size.width(), 0.62 * size.height()), 0.55 * size.width());
    glow.setColorAt(0.0, QColor(255, 246, 220, 46));
    glow.setColorAt(1.0, QColor(255, 246, 220, 0));
    painter.fillRect(image.rect(), glow);
    // the bonnet
    QPolygonF bonnet;
    bonnet << QPointF(0.12 * size.width(), size.height())
           << QPointF(0.24 * size.width(), 0.93 * size.height())
           << QPointF(0.5 * size.width(), 0.905 * size.height())
           << QPointF(0.76 * size.width(), 0.93 * size.height())
           << QPointF(0.88 * size.width(), size.height());
    painter.setBrush(QColor(18, 22, 24));
    painter.drawPolygon(bonnet);
    return image;
}

void Scene::drawGround(QPainter& painter, const Camera& camera, double station_m) const
{
    const auto first = static_cast<std::size_t>(std::max(0.0, station_m));
    const std::size_t last = std::min(first + kFar_m, samples_.size() - 1);
    const auto edge = [&](const Sample& s, double offset_m, double dz) {
        // positive offset is to the left
        return camera.project(s.x_m - offset_m * std::sin(s.heading_rad),
            s.y_m + offset_m * std::cos(s.heading_rad), s.z_m + dz);
    };
    const auto strip = [&](const Sample& far, const Sample& near, double l0, double l1, double r0, double r1,
                           double dz, const QColor& colour) {
        const auto a = edge(far, l0, dz);
        const auto b = edge(far, r0, dz);
        const auto c = edge(near, r1, dz);
        const auto d = edge(near, l1, dz);
        if (a && b && c && d) {
            const std::array<QPointF, 4> quad{a->point, b->point, c->point, d->point};
            painter.setBrush(colour);
            painter.drawConvexPolygon(quad.data(), 4);
        }
    };
    for (std::size_t i = last; i > first;) {
        const std::size_t distance = i - first;
        const std::size_t step = distance > 90 ? 6 : distance > 30 ? 3 : distance > 8 ? 2 : 1;
        const std::size_t j = i > first + step ? i - step : first;
        const Sample& far = samples_[i];
        const Sample& near = samples_[j];
        const auto d = static_cast<double>(distance);
        strip(
            far, near, kLandWidth_m, kLandWidth_m, far.half_width_m, near.half_width_m, -0.15, lit(kLand, d));
        strip(far, near, -far.half_width_m, -near.half_width_m, -kLandWidth_m, -kLandWidth_m, -0.15,
            lit(kLand, d));
        const double verge_far = far.half_width_m + kVergeWidth_m;
        const double verge_near = near.half_width_m + kVergeWidth_m;
        strip(far, near, verge_far, verge_near, far.half_width_m, near.half_width_m, -0.05, lit(kSand, d));
        strip(
            far, near, -far.half_width_m, -near.half_width_m, -verge_far, -verge_near, -0.05, lit(kSand, d));
        const bool odd = (j / 3) % 2 == 0;
        const Colour surface = near.cobbles ? (odd ? kCobble : kCobbleDark) : kGravel;
        strip(far, near, far.half_width_m, near.half_width_m, -far.half_width_m, -near.half_width_m, 0.0,
            lit(surface, d));
        if (!near.cobbles) { // wheel tracks
            const QColor track = lit({98, 95, 91}, d);
            strip(far, near, 1.05, 1.05, 0.55, 0.55, 0.01, track);
            strip(far, near, -0.55, -0.55, -1.05, -1.05, 0.01, track);
        }
        drawThings(painter, camera, j, i);
        i = j;
    }
}

void Scene::drawThings(QPainter& painter, const Camera& camera, std::size_t first, std::size_t last) const
{
    for (std::size_t s = last; s > first; --s) {
        for (const auto& [what, side] : things_[s]) {
            drawThing(painter, camera, what, static_cast<double>(s), side);
        }
    }
}

void Scene::drawThing(
    QPainter& painter, const Camera& camera, const std::string& what, double station_m, double side) const
{
    const Sample& s = samples_[static_cast<std::size_t>(station_m)];
    struct Shape {
        double offset_m; ///< from the edge of the road
        double width_m;
        double height_m;
        Colour colour;
    };
    Shape shape{0.7, 0.12, 0.9, kPost};
    if (what == "post") {
        shape = {1.2, 0.22, 2.4, kWood};
    } else if (what == "gatepost") {
        shape = {0.35, 0.4, 1.5, kPost};
    } else if (what == "rock") {
        shape = {0.2, 1.5, 0.9, kRock};
    } else if (what == "hut") {
        shape = {3.2, 5.0, 3.0, kWall};
    } else if (what == "lantern") {
        shape = {1.0, 0.14, 3.2, kWood};
    }
    // positive side is to the right of the road
    const double offset = -side * (s.half_width_m + shape.offset_m + 0.5 * shape.width_m);
    const double px = s.x_m - offset * std::sin(s.heading_rad);
    const double py = s.y_m + offset * std::cos(s.heading_rad);
    const auto foot = camera.project(px, py, s.z_m - 0.1);
    const auto top = camera.project(px, py, s.z_m + shape.height_m);
    if (!foot || !top) {
        return;
    }
    const double half = 0.5 * shape.width_m * kFocal * camera.size.width() / foot->depth;
    const QColor colour = lit(shape.colour, foot->depth * 0.8);
    painter.setBrush(colour);
    const QRectF body(
        QPointF(top->point.x() - half, top->point.y()), QPointF(foot->point.x() + half, foot->point.y()));
    if (what == "rock") {
        painter.drawEllipse(body);
        return;
    }
    painter.drawRect(body);
    if (what == "marker") {
        painter.setBrush(lit(kReflector, foot->depth * 0.45));
        painter.drawRect(
            QRectF(body.left(), body.top() + body.height() * 0.12, body.width(), body.height() * 0.3));
    } else if (what == "hut") {
        const std::array<QPointF, 3> roof{QPointF(body.left() - half * 0.2, body.top()),
            QPointF(body.center().x(), body.top() - half * 0.7),
            QPointF(body.right() + half * 0.2, body.top())};
        painter.setBrush(lit({84, 74, 70}, foot->depth * 0.8));
        painter.drawConvexPolygon(roof.data(), 3);
        painter.setBrush(QColor(255, 206, 120, 200));
        painter.drawRect(QRectF(body.center().x() - half * 0.25, body.top() + body.height() * 0.3, half * 0.5,
            body.height() * 0.25));
    } else if (what == "lantern") {
        const double radius = 0.9 * kFocal * camera.size.width() / foot->depth;
        QRadialGradient halo(top->point, radius * 2.4);
        const int strength = static_cast<int>(220.0 * std::exp(-foot->depth / 120.0));
        halo.setColorAt(0.0, QColor(255, 226, 160, strength));
        halo.setColorAt(0.25, QColor(255, 206, 120, strength / 2));
        halo.setColorAt(1.0, QColor(255, 206, 120, 0));
        painter.setBrush(halo);
        painter.drawEllipse(top->point, radius * 2.4, radius * 2.4);
        painter.setBrush(lit(kLantern, foot->depth * 0.25));
        painter.drawEllipse(top->point, radius * 0.25, radius * 0.3);
    }
}

} // namespace demo
