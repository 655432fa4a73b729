#include "formats/verdicts_json.h"

#include <nlohmann/json.hpp>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

} // namespace

Json judgedToJson(const plan::Plan& plan, const std::vector<take::Verdict>& verdicts,
    const std::vector<take::Reason>& reasons)
{
    const auto f = take::figures(plan, verdicts);
    int plan_faults = 0;
    int reading_faults = 0;
    Json notes = Json::array();
    for (std::size_t k = 0; k < verdicts.size(); ++k) {
        const take::Verdict& v = verdicts[k];
        if (v.outside_take) {
            continue;
        }
        Json json{{"id", v.id}, {"verdict", take::toString(v.timing)}};
        Json misread = Json::array();
        for (const auto& word : v.misread) {
            misread.push_back({{"said", word.said}, {"note_says", word.note_says}, {"sure", word.sure}});
        }
        json["misread"] = std::move(misread);
        const take::Reason reason = k < reasons.size() ? reasons[k] : take::Reason{};
        if (reason.cause != take::Cause::none) {
            (take::isPlanFault(reason.cause) ? plan_faults : reading_faults) += 1;
            json["cause"] = take::toString(reason.cause);
            json["why"] = reason.text;
        }
        if (v.heard()) {
            json.update({{"off_s", v.off_s}, {"lead_s", v.lead_s}, {"lead_m", v.lead_m},
                {"start_s", v.start_s}, {"end_s", v.end_s}, {"notes_ahead", v.notes_ahead}});
        }
        notes.push_back(std::move(json));
    }
    return {{"format", "brumefall/verdicts/1"},
        {"figures",
            {{"judged", f.judged}, {"on_time", f.on_time}, {"early", f.early}, {"late", f.late},
                {"missed", f.missed}, {"misread", f.misread}, {"repeated", f.repeated},
                {"hesitated", f.hesitated}, {"plan_faults", plan_faults}, {"reading_faults", reading_faults},
                {"on_time_share", f.on_time_share}, {"median_off_plan_s", f.median_off_plan_s},
                {"drift_s_per_min", f.drift_s_per_min}, {"rate_syll_s", f.rate_syll_s},
                {"longest_run_s", f.longest_run_s}, {"evenness", f.evenness}}},
        {"notes", std::move(notes)}};
}

Json tuningToJson(const tune::Tuning& tuning)
{
    Json classes = Json::array();
    for (const auto& change : tuning.classes) {
        Json json{{"class", plan::toString(change.fit.lead_class)}, {"before_s", change.before_s},
            {"after_s", change.fit.after_s}, {"low_s", change.fit.low_s}, {"high_s", change.fit.high_s},
            {"remarks", change.fit.remarks}, {"metres", change.metres}, {"moved_calls", change.moved_calls}};
        if (change.fit.contrary) {
            json["contrary"] = true;
        }
        classes.push_back(std::move(json));
    }
    Json reader = Json::object();
    if (tuning.reader) {
        const auto& r = tuning.reader->reader;
        reader = {{"takes", tuning.reader->takes}, {"rate_syll_s", r.rate_syll_s},
            {"fastest_syll_s", r.fastest_syll_s}, {"breath_s", r.breath_s},
            {"longest_run_s", r.longest_run_s}, {"spread_s", tuning.reader->spread_s}};
    }
    return {{"format", "brumefall/tuning/1"}, {"classes", std::move(classes)}, {"reader", std::move(reader)}};
}

} // namespace brumefall::formats
