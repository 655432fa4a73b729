#include "formats/log_json.h"

#include <nlohmann/json.hpp>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

Json takeToJson(const log::TakeSummary& take)
{
    const auto& f = take.figures;
    Json json{{"take", take.name}, {"made_at", take.made_at}, {"pass", take.pass}, {"reader", take.reader}};
    if (!take.way.empty()) {
        json["way"] = take.way;
    }
    json.update({{"simulated", take.simulated}, {"whole", take.whole}, {"dud", take.dud},
        {"judged", f.judged}, {"on_time", f.on_time}, {"early", f.early}, {"late", f.late},
        {"missed", f.missed}, {"misread", f.misread}, {"on_time_share", f.on_time_share},
        {"median_lead_error_s", take.median_lead_error_s}, {"rate_syll_s", f.rate_syll_s},
        {"drift_s_per_min", f.drift_s_per_min}, {"plan_faults", take.plan_faults},
        {"reading_faults", take.reading_faults}});
    return json;
}

} // namespace

Json rallyToJson(const log::Rally& rally)
{
    Json stages = Json::array();
    for (const auto& stage : rally.stages) {
        Json json{{"stage", stage.name}, {"folder", stage.folder.filename().string()}};
        if (!stage.problem.empty()) {
            json["problem"] = stage.problem;
        } else {
            json.update({{"pass", stage.pass}, {"length_m", stage.length_m}, {"notes", stage.notes},
                {"placed", stage.placed}, {"squeezes", stage.squeezes}});
        }
        Json takes = Json::array();
        for (const auto& take : stage.takes) {
            takes.push_back(takeToJson(take));
        }
        json["takes"] = std::move(takes);
        stages.push_back(std::move(json));
    }
    return {{"format", "brumefall/log/1"}, {"rally", rally.name}, {"stages", std::move(stages)}};
}

Json tonightToJson(const std::vector<log::DrillStretch>& stretches)
{
    Json list = Json::array();
    for (const auto& drill : stretches) {
        list.push_back(
            {{"stage", drill.stage}, {"pass", drill.pass}, {"first", drill.first}, {"last", drill.last},
                {"minutes", drill.minutes}, {"why", drill.why}, {"way", take::toString(drill.way)}});
    }
    return {{"format", "brumefall/tonight/1"}, {"stretches", std::move(list)}};
}

} // namespace brumefall::formats
