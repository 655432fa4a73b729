#include "plan/usable.h"

#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>

namespace brumefall::plan {
namespace {

/// What a member can be. Above `most` it becomes `most`, below `least` its default.
template <typename Who> struct Bounds {
    double Who::*value;
    const char* member;
    const char* name;
    const char* unit;
    double least;
    double most;
};

constexpr std::array kReader{
    Bounds<Reader>{&Reader::rate_syll_s, "rate_syll_s", wording::localizable("plan", "a rate"),
        wording::localizable("plan", "syllables a second"), 0.5, 15.0},
    Bounds<Reader>{&Reader::fastest_syll_s, "fastest_syll_s", wording::localizable("plan", "a fastest rate"),
        wording::localizable("plan", "syllables a second"), 0.5, 20.0},
    Bounds<Reader>{&Reader::breath_s, "breath_s", wording::localizable("plan", "a breath"),
        wording::localizable("plan", "s"), 0.0, 5.0},
    Bounds<Reader>{&Reader::longest_run_s, "longest_run_s", wording::localizable("plan", "a longest run"),
        wording::localizable("plan", "s"), 0.5, 60.0},
    Bounds<Reader>{&Reader::spread_s, "spread_s", wording::localizable("plan", "a spread"),
        wording::localizable("plan", "s"), 0.01, 5.0}};

constexpr std::array kDriver{
    Bounds<Driver>{&Driver::reaction_s, "reaction_s", wording::localizable("plan", "a reaction"),
        wording::localizable("plan", "s"), 0.0, 5.0},
    Bounds<Driver>{&Driver::fast_s, "fast_s", wording::localizable("plan", "a lead for fast corners"),
        wording::localizable("plan", "s"), 0.05, 30.0},
    Bounds<Driver>{&Driver::medium_s, "medium_s", wording::localizable("plan", "a lead for medium corners"),
        wording::localizable("plan", "s"), 0.05, 30.0},
    Bounds<Driver>{&Driver::slow_s, "slow_s", wording::localizable("plan", "a lead for slow corners"),
        wording::localizable("plan", "s"), 0.05, 30.0},
    Bounds<Driver>{&Driver::hazard_s, "hazard_s", wording::localizable("plan", "a lead for hazards"),
        wording::localizable("plan", "s"), 0.05, 30.0},
    Bounds<Driver>{&Driver::warning_s, "warning_s",
        wording::localizable("plan", "an extra lead for a warning"), wording::localizable("plan", "s"), 0.0,
        30.0},
    Bounds<Driver>{&Driver::speed_s, "speed_s", wording::localizable("plan", "an extra lead for speed"),
        wording::localizable("plan", "s"), 0.0, 5.0},
    Bounds<Driver>{&Driver::floor_m, "floor_m", wording::localizable("plan", "a least lead"),
        wording::localizable("plan", "m"), 0.0, 1000.0},
    Bounds<Driver>{&Driver::brake_m_s2, "brake_m_s2", wording::localizable("plan", "a braking"),
        wording::localizable("plan", "m/s\u00b2"), 0.5, 20.0},
    Bounds<Driver>{&Driver::late_penalty, "late_penalty", wording::localizable("plan", "a weight of late"),
        wording::localizable("plan", "times early"), 0.01, 1000.0}};

std::string figure(double value)
{
    std::array<char, 32> text{};
    std::snprintf(text.data(), text.size(), "%.4g", value);
    return text.data();
}

template <typename Who, std::size_t n>
Who within(Who who, const std::array<Bounds<Who>, n>& bounds, std::vector<Doubt>& doubts)
{
    for (const auto& [value, member, name, unit, least, most] : bounds) {
        const double written = who.*value;
        if (written >= least && written <= most) {
            continue;
        }
        who.*value = written > most ? most : Who{}.*value;
        doubts.push_back({member,
            wording::filled(wording::localized("plan", "%1 of %2 %3 cannot be meant; planned with %4"),
                {wording::localized("plan", name), figure(written), wording::localized("plan", unit),
                    figure(who.*value)})});
    }
    return who;
}

} // namespace

Usable usable(const Reader& reader, const Driver& driver)
{
    Usable made;
    made.reader = within(reader, kReader, made.doubts);
    made.driver = within(driver, kDriver, made.doubts);
    constexpr int kMostHeld = 50;
    if (driver.holds_notes < 1 || driver.holds_notes > kMostHeld) {
        made.driver.holds_notes = driver.holds_notes < 1 ? Driver{}.holds_notes : kMostHeld;
        made.doubts.push_back({"holds_notes",
            wording::filled(
                wording::localized("plan", "a driver who holds %1 notes cannot be meant; planned with %2"),
                {std::to_string(driver.holds_notes), std::to_string(made.driver.holds_notes)})});
    }
    made.reader.fastest_syll_s = std::max(made.reader.fastest_syll_s, made.reader.rate_syll_s);
    return made;
}

} // namespace brumefall::plan
