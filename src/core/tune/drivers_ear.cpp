#include "tune/drivers_ear.h"

#include <cmath>

namespace brumefall::tune {

using plan::LeadClass;

DriversEar::DriversEar(const plan::Driver& driver)
    : driver_(driver)
    , stairs_{Staircase(leadOf(driver, LeadClass::fast)), Staircase(leadOf(driver, LeadClass::medium)),
          Staircase(leadOf(driver, LeadClass::slow)), Staircase(leadOf(driver, LeadClass::hazard))}
{
}

plan::Driver DriversEar::toTry() const
{
    plan::Driver driver = driver_;
    for (std::size_t c = 0; c < plan::kLeadClasses; ++c) {
        leadOf(driver, static_cast<LeadClass>(c)) = stairs_[c].lead_s();
    }
    return driver;
}

plan::Driver DriversEar::heard() const
{
    plan::Driver driver = driver_;
    for (std::size_t c = 0; c < plan::kLeadClasses; ++c) {
        if (const auto lead_s = stairs_[c].estimate_s()) {
            leadOf(driver, static_cast<LeadClass>(c)) = std::round(100.0 * *lead_s) / 100.0;
        }
    }
    return driver;
}

} // namespace brumefall::tune
