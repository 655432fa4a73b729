#include "tune/leads.h"

#include <algorithm>
#include <cmath>

namespace brumefall::tune {
namespace {

constexpr double kSpread_s = 0.12; ///< of what a driver wishes from note to note
constexpr double kHardlyFelt_s = 0.22; ///< a lead so far off the wish is called good as often as not
constexpr double kSlips = 0.2; ///< share of remarks that say nothing
constexpr double kDrawn_s = 0.7; ///< how far the wish may well be from the lead that was set
constexpr double kGrid_s = 0.01;
constexpr double kTail = 0.1;

double logistic(double x)
{
    return 1.0 / (1.0 + std::exp(-x));
}

/// Logarithm of how likely the remark is where the driver wishes `lead_s`.
double logLikelihood(const Evidence& evidence, double lead_s)
{
    const double short_s = lead_s - evidence.lead_s; // positive: it came too late
    const double earlier = logistic((short_s - kHardlyFelt_s) / kSpread_s);
    const double later = logistic((-short_s - kHardlyFelt_s) / kSpread_s);
    const double said = evidence.says == Word::earlier ? earlier
        : evidence.says == Word::later                 ? later
                                                       : std::max(0.0, 1.0 - earlier - later);
    return std::log(kSlips / 3.0 + (1.0 - kSlips) * said);
}

/// More of the remarks are against the fit than slips explain.
bool areContrary(const std::vector<Evidence>& all, double lead_s)
{
    constexpr std::size_t kFew = 4;
    constexpr double kAgainst = 0.35;
    const auto against = std::count_if(all.begin(), all.end(), [&](const Evidence& one) {
        return (one.says == Word::earlier && lead_s < one.lead_s - kHardlyFelt_s)
            || (one.says == Word::later && lead_s > one.lead_s + kHardlyFelt_s);
    });
    return all.size() >= kFew && static_cast<double>(against) > kAgainst * static_cast<double>(all.size());
}

ClassFit fitOne(plan::LeadClass lead_class, const std::vector<Evidence>& all)
{
    const auto steps = static_cast<std::size_t>(kMostLead_s / kGrid_s) + 1;
    std::vector<double> posterior(steps);
    const double drawn_to_s = all.front().wished_s;
    for (std::size_t i = 0; i < steps; ++i) {
        const double lead_s = static_cast<double>(i) * kGrid_s;
        const double off = (lead_s - drawn_to_s) / kDrawn_s;
        posterior[i] = -0.5 * off * off;
        for (const Evidence& one : all) {
            posterior[i] += logLikelihood(one, lead_s);
        }
    }
    const double most = *std::max_element(posterior.begin(), posterior.end());
    double sum = 0.0;
    for (double& value : posterior) {
        value = std::exp(value - most);
        sum += value;
    }
    ClassFit fit{lead_class, static_cast<int>(all.size()), 0.0, 0.0, 0.0, false};
    double until = 0.0;
    bool found_low = false;
    bool found_middle = false;
    for (std::size_t i = 0; i < steps; ++i) {
        until += posterior[i] / sum;
        const double lead_s = static_cast<double>(i) * kGrid_s;
        if (!found_low && until >= kTail) {
            fit.low_s = lead_s;
            found_low = true;
        }
        if (!found_middle && until >= 0.5) {
            fit.after_s = lead_s;
            found_middle = true;
        }
        if (until <= 1.0 - kTail) {
            fit.high_s = lead_s + kGrid_s;
        }
    }
    fit.high_s = std::max(fit.high_s, fit.after_s);
    fit.contrary = areContrary(all, fit.after_s);
    return fit;
}

} // namespace

std::vector<ClassFit> fitLeads(std::span<const Evidence> evidence)
{
    std::array<std::vector<Evidence>, plan::kLeadClasses> by_class;
    for (const Evidence& one : evidence) {
        by_class.at(static_cast<std::size_t>(one.lead_class)).push_back(one);
    }
    std::vector<ClassFit> fits;
    for (std::size_t c = 0; c < by_class.size(); ++c) {
        if (!by_class[c].empty()) {
            fits.push_back(fitOne(static_cast<plan::LeadClass>(c), by_class[c]));
        }
    }
    return fits;
}

plan::Driver withLeads(plan::Driver driver, std::span<const ClassFit> fits)
{
    for (const ClassFit& fit : fits) {
        plan::leadOf(driver, fit.lead_class) = std::round(100.0 * fit.after_s) / 100.0;
    }
    return driver;
}

std::optional<Word> wordFrom(std::string_view says)
{
    return says == "earlier" ? std::optional(Word::earlier)
        : says == "later"    ? std::optional(Word::later)
        : says == "good"     ? std::optional(Word::good)
                             : std::nullopt;
}

} // namespace brumefall::tune
