/// The road in space and what the lamps of the car show of it.
#pragma once

#include "road_file.h"

#include <QImage>
#include <QSize>

#include <vector>

namespace demo {

/// The centre line every metre.
struct Sample {
    double x_m;
    double y_m;
    double z_m;
    double heading_rad;
    double half_width_m;
    bool cobbles;
};

[[nodiscard]] std::vector<Sample> sampleRoad(const RoadDescription& road);

/// Draws the view from the car at `station_m`. A pure function of its arguments.
class Scene {
public:
    explicit Scene(const RoadDescription& road);

    [[nodiscard]] QImage view(double station_m, double speed_m_s, double time_s, const QSize& size) const;

private:
    struct Camera;
    void drawGround(QPainter& painter, const Camera& camera, double station_m) const;
    void drawThings(QPainter& painter, const Camera& camera, std::size_t first, std::size_t last) const;
    void drawThing(QPainter& painter, const Camera& camera, const std::string& what, double station_m,
        double side) const;

    std::vector<Sample> samples_;
    std::vector<std::vector<std::pair<std::string, double>>> things_; ///< by metre: what, and on which side
};

} // namespace demo
