#include "take/compare.h"

#include "maths/quantile.h"

#include <algorithm>
#include <unordered_map>
#include <utility>

namespace brumefall::take {

std::vector<Beside> besides(
    const plan::Plan& plan, const std::vector<Verdict>& verdicts, const std::vector<Verdict>& other)
{
    std::unordered_map<std::string, const Verdict*> by_id;
    for (const Verdict& verdict : other) {
        by_id.emplace(verdict.id, &verdict);
    }
    std::vector<Beside> out(plan.notes.size());
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        const auto it = by_id.find(plan.notes[k].id);
        if (it == by_id.end() || it->second->outside_take) {
            continue;
        }
        const Verdict& there = *it->second;
        Beside& beside = out[k];
        beside.judged = true;
        beside.timing = there.timing;
        beside.heard = there.heard();
        if (!beside.heard) {
            continue;
        }
        beside.end_s = plan.notes[k].act_s - there.lead_s;
        beside.start_s = beside.end_s - (there.end_s - there.start_s);
        if (k < verdicts.size() && verdicts[k].heard()) {
            beside.longer_lead_s = verdicts[k].lead_s - there.lead_s;
        }
    }
    return out;
}

Compared compare(const std::vector<Verdict>& verdicts, const std::vector<Beside>& besides)
{
    Compared out;
    std::vector<double> longer;
    for (std::size_t k = 0; k < std::min(verdicts.size(), besides.size()); ++k) {
        const Beside& beside = besides[k];
        if (verdicts[k].outside_take || !beside.judged) {
            continue;
        }
        ++out.notes;
        out.on_time += verdicts[k].timing == Timing::on_time ? 1 : 0;
        out.on_time_other += beside.timing == Timing::on_time ? 1 : 0;
        if (beside.heard && verdicts[k].heard()) {
            longer.push_back(beside.longer_lead_s);
            out.sooner += beside.longer_lead_s >= kApart_s ? 1 : 0;
            out.later += beside.longer_lead_s <= -kApart_s ? 1 : 0;
        }
    }
    if (!longer.empty()) {
        out.median_longer_lead_s = maths::median(std::move(longer));
    }
    return out;
}

} // namespace brumefall::take
