/// A rally: the stages of a folder, and what their takes have come to.
///
/// A folder of stages is a rally; an optional rally.brumefall in it ("brumefall/rally/1") holds its name and
/// the order of its stages. A stage that cannot be read is shown with what is wrong; the others are not less
/// for it.
#pragma once

#include "stage/stage.h"
#include "take/causes.h"
#include "take/practice.h"

#include <filesystem>
#include <string>
#include <vector>

namespace brumefall::log {

/// How one note went in one take.
struct NoteOutcome {
    std::string id;
    take::Timing timing = take::Timing::missed;
    take::Cause cause = take::Cause::none;
};

/// A take without its sound and its plan.
struct TakeSummary {
    std::string name;
    std::string made_at; ///< ISO 8601, local time
    std::string title;
    std::string comment;
    std::string pass;
    std::string reader;
    std::string way;
    double recorded_s = 0.0;
    bool simulated = false;
    bool whole = false; ///< most of the stage was read
    bool dud = false; ///< nothing of it could be judged, or it was never judged
    take::TakeFigures figures;
    double median_lead_error_s = 0.0; ///< how much sooner before its action point a note ended than planned
    int plan_faults = 0;
    int reading_faults = 0;
    std::vector<NoteOutcome> notes; ///< those that were due
};

struct StageSummary {
    std::string name;
    std::filesystem::path folder;
    std::string problem; ///< why it could not be read; else empty
    std::string pass; ///< the one that it is rehearsed along
    double length_m = 0.0;
    int runs = 1; ///< how often it is driven in the rally
    std::size_t notes = 0;
    std::size_t placed = 0; ///< by marks
    std::size_t squeezes = 0;
    plan::Plan plan;
    std::vector<TakeSummary> takes; ///< oldest first
    std::vector<std::string> broken_takes; ///< what is wrong with those that could not be read
};

struct Rally {
    std::string name;
    std::string dates; ///< as its file has them
    std::filesystem::path folder;
    std::string problem; ///< of its file; the stages are there all the same
    std::vector<StageSummary> stages;
};

/// Reads the stages in `folder`, or the one that it is. Throws formats::FormatError where it is no folder. A
/// rally.brumefall that cannot be read is told as a problem.
[[nodiscard]] Rally readRally(const std::filesystem::path& folder);

/// The folder of the rally that the stage in `stage_folder` belongs to: the one around it where that holds
/// another stage or a rally.brumefall, else its own.
[[nodiscard]] std::filesystem::path rallyFolder(const std::filesystem::path& stage_folder);

[[nodiscard]] TakeSummary summaryOf(const stage::Take& take);

} // namespace brumefall::log
