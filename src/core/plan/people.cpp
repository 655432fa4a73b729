#include "plan/people.h"

#include "road/layout.h"

#include <algorithm>
#include <array>

namespace brumefall::plan {
namespace {

constexpr double kFastBelow = 0.36; // tightness of a grade 4+ (ascending)
constexpr double kMediumBelow = 0.58; // tightness of a grade 3-

} // namespace

LeadClass leadClass(const notes::Note& note, notes::Scale scale)
{
    if (!note.grade && note.kind != notes::NoteKind::chicane && note.kind != notes::NoteKind::junction) {
        return LeadClass::hazard;
    }
    const double tight = note.grade ? road::tightness(note, scale) : 1.0;
    if (tight < kFastBelow) {
        return LeadClass::fast;
    }
    return tight < kMediumBelow ? LeadClass::medium : LeadClass::slow;
}

std::string toString(LeadClass lead_class)
{
    static constexpr std::array kNames{"fast", "medium", "slow", "hazard"};
    return kNames.at(static_cast<std::size_t>(lead_class));
}

double& leadOf(Driver& driver, LeadClass lead_class)
{
    static constexpr std::array kLeads{
        &Driver::fast_s, &Driver::medium_s, &Driver::slow_s, &Driver::hazard_s};
    static_assert(kLeads.size() == kLeadClasses);
    return driver.*kLeads.at(static_cast<std::size_t>(lead_class));
}

double leadOf(const Driver& driver, LeadClass lead_class)
{
    Driver copy = driver;
    return leadOf(copy, lead_class);
}

double wishedLead_s(const notes::Note& note, notes::Scale scale, const Driver& driver, double speed_m_s)
{
    double lead_s = leadOf(driver, leadClass(note, scale));
    if (!note.warnings.empty()) {
        lead_s += driver.warning_s;
    }
    lead_s += driver.speed_s * std::max(0.0, speed_m_s - kSlowApproach_m_s) / 10.0;
    return std::max(lead_s, driver.floor_m / std::max(speed_m_s, 3.0));
}

double weightOf(const notes::Note& note, notes::Scale scale)
{
    if (note.kind == notes::NoteKind::instruction) {
        return 0.5;
    }
    double weight = 1.0 + (note.grade ? road::tightness(note, scale) : 0.0);
    weight += note.warnings.empty() ? 0.0 : 1.0;
    return note.echo_of.empty() ? weight : 0.5 * weight;
}

} // namespace brumefall::plan
