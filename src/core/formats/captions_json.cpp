#include "formats/captions_json.h"

#include "formats/notes_json.h"

#include <nlohmann/json.hpp>

namespace brumefall::formats {

nlohmann::ordered_json draftToJson(const captions::Draft& draft)
{
    using Json = nlohmann::ordered_json;
    Json json = notesToJson(captions::understandDraft(draft));
    Json stages = Json::array();
    for (const auto& stage : draft.stages) {
        stages.push_back({{"go_s", stage.go_s}, {"stop_s", stage.stop_s},
            {"first_line", draft.calls[stage.first_call].line},
            {"last_line", draft.calls[stage.last_call - 1].line}});
    }
    Json repairs = Json::array();
    for (const auto& call : draft.calls) {
        for (const auto& repair : call.repairs) {
            repairs.push_back({{"line", repair.line}, {"from", repair.from}, {"to", repair.to},
                {"confidence", repair.confidence}});
        }
    }
    json["stages"] = std::move(stages);
    json["repairs"] = std::move(repairs);
    return json;
}

} // namespace brumefall::formats
