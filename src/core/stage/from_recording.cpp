#include "stage/from_recording.h"

#include "stage/folder.h"

#include <algorithm>

namespace brumefall::stage {
namespace {

constexpr double kBefore_s = 10.0; ///< of the recording, before go
constexpr double kAfter_s = 5.0;

} // namespace

void layOver(pace::Pass& pass, const captions::DraftStage& part, double free_from_s)
{
    pass.go_s = part.go_s;
    pass.in_s = std::max(free_from_s, part.go_s - kBefore_s);
    pass.out_s = part.stop_s + kAfter_s;
    if (pass.media.duration_s > 0.0) {
        pass.out_s = std::min(pass.out_s, pass.media.duration_s);
    }
}

std::vector<FromRecording> stagesOf(const captions::Draft& draft,
    const std::function<bool(const captions::DraftCall&)>& take, const Stage& crew,
    const std::filesystem::path& file, double duration_s)
{
    std::vector<FromRecording> out;
    double free_from_s = 0.0;
    for (const captions::DraftStage& part : draft.stages) {
        FromRecording made;
        made.stage = withCrew({}, crew);
        made.stage.text = captions::draftText(draft, part.first_call, part.last_call, take);
        const auto parsed = understand(made.stage);
        made.stage.known = notes::rememberNotes(parsed.calls);
        std::vector<int> line_of_call(draft.calls.size(), 0);
        for (std::size_t c = part.first_call; c < part.last_call; ++c) {
            line_of_call[c] = static_cast<int>(c - part.first_call) + 1;
        }
        pace::Pass& pass = made.pass;
        pass.name = "stage";
        pass.kind = "stage";
        pass.media.path = file.string();
        pass.media.duration_s = duration_s;
        std::error_code error;
        const auto size = std::filesystem::file_size(file, error);
        pass.media.size_bytes = error ? 0 : static_cast<long long>(size);
        layOver(pass, part, free_from_s);
        free_from_s = part.stop_s;
        for (const auto& place : captions::draftPlaces(draft, line_of_call, parsed, kUsualLead_s)) {
            pass.marks.push_back({place.note, place.media_s, true});
        }
        out.push_back(std::move(made));
    }
    return out;
}

std::vector<std::filesystem::path> addStages(
    const std::filesystem::path& rally, const std::string& name, std::vector<FromRecording> stages)
{
    std::vector<std::filesystem::path> folders;
    int number = 0;
    for (FromRecording& made : stages) {
        std::filesystem::path folder;
        std::error_code error;
        do {
            folder = rally / (name + " " + std::to_string(++number));
        } while (std::filesystem::exists(folder, error));
        made.stage.name = folder.filename().string();
        made.pass.media.path = mediaPath(made.pass.media.path, folder);
        writeStage(folder / "stage.brumefall", made.stage);
        writePass(folder / "passes" / "stage.json", made.pass);
        folders.push_back(std::move(folder));
    }
    return folders;
}

} // namespace brumefall::stage
