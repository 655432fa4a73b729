/// The driver hears the calls and says earlier or later: a staircase for every class of notes.
#pragma once

#include "plan/people.h"
#include "tune/staircase.h"

#include <array>

namespace brumefall::tune {

class DriversEar {
public:
    explicit DriversEar(const plan::Driver& driver);

    void press(plan::LeadClass lead_class, Said said) { stairs(lead_class).press(said); }
    void pass(plan::LeadClass lead_class) { stairs(lead_class).pass(); }
    [[nodiscard]] const Staircase& of(plan::LeadClass lead_class) const
    {
        return stairs_[static_cast<std::size_t>(lead_class)];
    }

    /// The driver to plan the next calls with.
    [[nodiscard]] plan::Driver toTry() const;
    /// The driver as heard; classes of which nothing was said keep their leads. Leads are whole hundredths.
    [[nodiscard]] plan::Driver heard() const;

private:
    Staircase& stairs(plan::LeadClass lead_class) { return stairs_[static_cast<std::size_t>(lead_class)]; }

    plan::Driver driver_;
    std::array<Staircase, plan::kLeadClasses> stairs_;
};

} // namespace brumefall::tune
