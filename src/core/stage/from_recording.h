/// New stages from one long recording: its captions tell where each begins and stops.
#pragma once

#include "captions/draft.h"
#include "stage/stage.h"

#include <filesystem>
#include <functional>
#include <vector>

namespace brumefall::stage {

/// A note is said about so long before the car is at its place, in an onboard of anybody.
inline constexpr double kUsualLead_s = 1.8;

/// A stage, and the pass that its span of the recording is.
struct FromRecording {
    Stage stage;
    pace::Pass pass;
};

/// Go and span of `pass` as `part` of its recording was heard: some seconds before go, but not before
/// `free_from_s`, and after the stop, within the recording where its length is known.
void layOver(pace::Pass& pass, const captions::DraftStage& part, double free_from_s = 0.0);

/// One for each stage of `draft`, read by the crew of `crew`: notes as proposed where `take` says so, and
/// their times as draft places. `file` is the recording, as long as `duration_s`; passes name it as it is
/// given.
[[nodiscard]] std::vector<FromRecording> stagesOf(const captions::Draft& draft,
    const std::function<bool(const captions::DraftCall&)>& take, const Stage& crew,
    const std::filesystem::path& file, double duration_s);

/// Writes each into a folder of its own in `rally`, "<name> 1", "<name> 2" and so on, past what is there
/// already; returns the folders. Throws formats::FormatError.
std::vector<std::filesystem::path> addStages(
    const std::filesystem::path& rally, const std::string& name, std::vector<FromRecording> stages);

} // namespace brumefall::stage
