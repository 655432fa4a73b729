#include "road/distances.h"

#include <algorithm>
#include <cmath>

namespace brumefall::road {

double roundedAsSaid(double metres)
{
    const double step_m = metres < 120.0 ? 10.0 : metres < 200.0 ? 20.0 : 50.0;
    return std::max(10.0, std::round(metres / step_m) * step_m);
}

std::vector<DistanceCheck> checkDistances(
    std::span<const notes::Call> calls, const Road& road, std::span<const MeasuredPlace> places)
{
    std::vector<DistanceCheck> checks;
    std::size_t k = 0;
    for (const notes::Call& call : calls) {
        for (const notes::Note& note : call.notes) {
            const std::size_t here = k++;
            if (note.link.kind != notes::LinkKind::distance || here + 1 >= road.notes.size()
                || here + 1 >= places.size()) {
                continue;
            }
            DistanceCheck check;
            check.note = note.id;
            check.next = road.notes[here + 1].id;
            check.noted_m = note.link.metres;
            check.measured_m =
                places[here + 1].station_m - places[here].station_m - road.notes[here].length_m;
            check.sure_m = std::hypot(places[here].sure_m, places[here + 1].sure_m);
            check.wished_m = roundedAsSaid(check.measured_m);
            // the corner's own length is known to a fifth; a distance is said to ten metres
            const double allowed_m =
                8.0 + 0.12 * check.noted_m + 0.2 * road.notes[here].length_m + 1.5 * check.sure_m;
            if (check.measured_m > 0.0 && std::abs(check.off_m()) > allowed_m
                && check.wished_m != check.noted_m) {
                checks.push_back(check);
            }
        }
    }
    std::stable_sort(checks.begin(), checks.end(), [](const DistanceCheck& a, const DistanceCheck& b) {
        const auto share = [](const DistanceCheck& c) {
            return std::abs(std::log(c.measured_m / c.noted_m));
        };
        return share(a) > share(b);
    });
    return checks;
}

} // namespace brumefall::road
