/// Wished leads from what the driver said: a fit for every class of notes.
///
/// "Earlier" says that the wish lies above the lead that was heard, "later" below it, "good" near it: an
/// ordered logit (McCullagh, Journal of the Royal Statistical Society B 42 (1980), 109-142), of which a share
/// is taken for slips, so that contrary remarks pull little. The wish is drawn to the lead that the driver
/// had set when the first of them was made: few remarks move it little, and what a changed plan has answered
/// moves it no further.
#pragma once

#include "plan/people.h"

#include <array>
#include <cstddef>
#include <optional>
#include <span>
#include <string_view>
#include <vector>

namespace brumefall::tune {

enum class Word { earlier, good, later };

/// A remark about how soon a note came.
struct Evidence {
    plan::LeadClass lead_class = plan::LeadClass::medium;
    Word says = Word::good;
    double lead_s = 0.0; ///< that was heard, less what the driver's wishes add to the class's own
    double wished_s = 0.0; ///< the class's lead as it was set then
};

struct ClassFit {
    plan::LeadClass lead_class = plan::LeadClass::medium;
    int remarks = 0;
    double after_s = 0.0;
    double low_s = 0.0; ///< four times in five the wish lies between these
    double high_s = 0.0;
    bool contrary = false; ///< the remarks contradict each other more than slips would
};

/// `evidence` in the order that it was made. Classes without remarks are left out. Leads from 0 to
/// kMostLead_s.
inline constexpr double kMostLead_s = 6.0;
[[nodiscard]] std::vector<ClassFit> fitLeads(std::span<const Evidence> evidence);

/// `driver` with the fitted leads, in whole hundredths.
[[nodiscard]] plan::Driver withLeads(plan::Driver driver, std::span<const ClassFit> fits);

/// Nothing where the remark says nothing of time.
[[nodiscard]] std::optional<Word> wordFrom(std::string_view says);

} // namespace brumefall::tune
