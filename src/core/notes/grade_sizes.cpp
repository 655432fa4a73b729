#include "notes/grade_sizes.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::notes {
namespace {

// ascending grades 1 to 6
constexpr std::array<CornerSize, 6> kNumbered{
    {{16.0, 85.0}, {27.0, 70.0}, {44.0, 56.0}, {70.0, 44.0}, {115.0, 33.0}, {190.0, 24.0}}};

const std::map<std::string, CornerSize, std::less<>>& namedSizes()
{
    static const std::map<std::string, CornerSize, std::less<>> kNamed{{"hairpin", {9.0, 165.0}},
        {"open_hairpin", {13.0, 150.0}}, {"tight_hairpin", {7.0, 170.0}},
        {"very_tight_hairpin", {6.0, 175.0}}, {"acute", {8.0, 125.0}}, {"square", {13.0, 90.0}},
        {"open_square", {17.0, 85.0}}, {"tight_square", {10.0, 92.0}}, {"kink", {220.0, 14.0}},
        {"slight", {240.0, 14.0}}, {"flat", {300.0, 16.0}}, {"bend", {130.0, 30.0}}, {"easy", {150.0, 28.0}},
        {"medium", {60.0, 48.0}}, {"open", {90.0, 36.0}}, {"fast", {120.0, 30.0}}, {"quick", {120.0, 30.0}},
        {"slow", {22.0, 78.0}}, {"sharp", {22.0, 78.0}}, {"hard", {36.0, 64.0}}, {"tight", {26.0, 72.0}},
        {"very_tight", {17.0, 85.0}}};
    return kNamed;
}

/// The size of the grade at `position` from the tightest, 0 to 5.
CornerSize numbered(std::size_t position, const Grades& grades)
{
    if (grades.own.empty()) {
        return kNumbered.at(position);
    }
    const auto number = grades.scale == Scale::ascending ? position + 1 : 6 - position;
    const auto it = grades.own.find(std::to_string(number));
    return it == grades.own.end() ? kNumbered.at(position) : it->second;
}

} // namespace

CornerSize sizeOf(const Grade& grade, const std::string& modifier, const Grades& grades)
{
    if (!grades.own.empty() && modifier.empty()) {
        if (const auto own = grades.own.find(toString(grade)); own != grades.own.end()) {
            return own->second;
        }
    }
    const Scale scale = grades.scale;
    if (!grade.isNumber()) {
        const auto it = namedSizes().find(grade.name);
        return it == namedSizes().end() ? CornerSize{60.0, 45.0} : it->second;
    }
    const int number = scale == Scale::ascending ? grade.number : 7 - grade.number;
    double position = std::clamp(number, 1, 6) - 1;
    const double faster = scale == Scale::ascending ? 1.0 : -1.0;
    if (modifier == "plus" || modifier == "double_plus") {
        position += modifier == "plus" ? 0.33 : 0.45;
    } else if (modifier == "minus" || modifier == "double_minus") {
        position -= modifier == "minus" ? 0.33 : 0.45;
    } else if (modifier == "half") {
        position += 0.5 * faster;
    }
    position = std::clamp(position, -0.4, 5.6);
    const auto low = static_cast<std::size_t>(std::clamp(std::floor(position), 0.0, 4.0));
    const double share = position - static_cast<double>(low);
    const CornerSize a = numbered(low, grades);
    if (share == 0.0) {
        return a;
    }
    const CornerSize b = numbered(low + 1, grades);
    return {a.radius_m * std::pow(b.radius_m / a.radius_m, share),
        a.angle_deg + share * (b.angle_deg - a.angle_deg)};
}

} // namespace brumefall::notes
