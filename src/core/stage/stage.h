/// A stage folder: the stage itself, its passes and its takes, as values and as files.
///
///     <folder>/stage.brumefall        brumefall/stage/1
///     <folder>/passes/<name>.json     brumefall/pass/1
///     <folder>/takes/<time>.json      brumefall/take/1
#pragma once

#include "notes/identity.h"
#include "notes/parser.h"
#include "pace/pass.h"
#include "plan/people.h"
#include "plan/plan.h"
#include "plan/usable.h"
#include "take/take.h"

#include <filesystem>
#include <functional>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::stage {

/// When notes taken from captions were heard, to be offered as places once the stage has a pass.
struct CaptionTimes {
    std::string file; ///< name of the captions' file
    std::map<std::string, double> place_s; ///< by note: where it probably is, in seconds of the media

    bool operator==(const CaptionTimes&) const = default;
};

/// What a crew knows and wishes about one stage. `raw` keeps members that this version does not know.
struct Stage {
    std::string name;
    double official_length_m = 0.0; ///< 0 where it is not known
    std::string crew;
    notes::Style style;
    std::string text; ///< the notes as written
    std::vector<notes::KnownNote> known; ///< their ids, in road order
    std::vector<notes::GoneNote> gone; ///< what is kept of them (marks, remarks) waits for their return
    plan::Reader reader;
    plan::Driver driver;
    std::map<std::string, double> pinned_s;
    pace::Rehearsal rehearsal;
    plan::Shaping shaping;
    plan::Echoes echoes;
    CaptionTimes captions;
    std::string raw;

    bool operator==(const Stage& other) const;
};

/// A remark of the driver about a note in a take.
struct Remark {
    std::string note;
    std::string says; ///< earlier, later, reword, good, or other
    std::string words; ///< the new words of a reword, or what else was said
    bool operator==(const Remark&) const = default;
};

/// What a take names as its reader where nobody but the application read.
inline constexpr const char* kSimulatedReader = "Simulated reader";

/// A rehearsal as kept. `found` is in the order of the plan's notes.
struct Take {
    std::string name; ///< file name without suffix
    std::string pass;
    std::string made_at; ///< ISO 8601, local time
    std::string title; ///< what the crew calls it; empty: nothing
    std::string comment;
    std::string reader; ///< the device that it was recorded from
    std::string way; ///< of practising, as take::toString(Way); empty in takes of older versions
    std::string first; ///< the notes that were asked for; the whole stage where empty
    std::string last;
    plan::Plan plan; ///< as it was
    pace::Pace pace; ///< that it was read along; empty in takes of older versions
    take::Clock clock;
    double recorded_s = 0.0;
    std::string audio; ///< file name within takes/
    std::vector<take::FoundNote> found;
    std::vector<take::Verdict> verdicts;
    std::vector<Remark> remarks;
    std::string raw;
};

/// The folder of a stage, given the folder itself or its stage.brumefall.
[[nodiscard]] std::filesystem::path stageFolder(const std::filesystem::path& given);

/// Readers and writers of the three kinds of file. They throw formats::FormatError, naming the file and,
/// where it is known, the line: not JSON, a wrong kind, a newer version, a member of the wrong type.
[[nodiscard]] Stage readStage(const std::filesystem::path& file);
void writeStage(const std::filesystem::path& file, const Stage& stage);
[[nodiscard]] pace::Pass readPass(const std::filesystem::path& file);
void writePass(const std::filesystem::path& file, const pace::Pass& pass);
[[nodiscard]] Take readTake(const std::filesystem::path& file);
void writeTake(const std::filesystem::path& file, const Take& take);

/// The pass called `name`, or the one that the stage has for its stage pace, or the last one; nothing where it
/// has none and none is named.
[[nodiscard]] std::optional<pace::Pass> passOf(
    const std::filesystem::path& folder, const std::optional<std::string>& name);

/// A driver's wishes as a file of their own, "brumefall/driver/1".
[[nodiscard]] plan::Driver readDriver(const std::filesystem::path& file);
void writeDriver(const std::filesystem::path& file, const plan::Driver& driver);

/// Files of passes/ or takes/, sorted by name; an absent folder has none.
[[nodiscard]] std::vector<std::filesystem::path> listJson(const std::filesystem::path& folder);

/// What became of every note of `take`, against its own plan along `pace`. Notes that it was not asked for,
/// and that were not heard, are set apart.
[[nodiscard]] std::vector<take::Verdict> judge(const Take& take, const pace::Pace& pace);

/// Recordings in takes/ that belong to no take: its file was lost, or could not be written.
[[nodiscard]] std::vector<std::filesystem::path> orphanedSound(const std::filesystem::path& folder);

/// The stage's notes understood, with their kept ids.
[[nodiscard]] notes::ParsedNotes understand(const Stage& stage);

/// The same for a stage whose text was changed: `known` and `gone` follow. A note that went is remembered
/// where `matters` is true of its id.
notes::ParsedNotes followText(Stage& stage, const std::function<bool(const std::string&)>& matters = {});

/// Everything that the plan of a stage along one pass is made of.
struct Prepared {
    notes::ParsedNotes notes;
    road::Road road;
    pace::Placement placement;
    plan::Plan plan;
    std::vector<plan::Doubt> doubts; ///< what of the reader and the driver could not be meant
};

/// Notes, road, places and plan of `stage`; `pass` may be null for the predicted pace. A positive
/// `target_time_s` plans at the predicted pace stretched to that time.
[[nodiscard]] Prepared prepare(const Stage& stage, const pace::Pass* pass, double target_time_s = 0.0);

/// The same, for notes that are understood already.
[[nodiscard]] Prepared prepare(
    const Stage& stage, notes::ParsedNotes notes, const pace::Pass* pass, double target_time_s = 0.0);

/// Makes the plan of `prepared` anew, its notes, road and places as they are.
void makePlan(Prepared& prepared, const Stage& stage);

/// The stage with a remedy for a squeeze accepted; `notes` are its notes understood.
[[nodiscard]] Stage withRemedy(
    const Stage& stage, const notes::ParsedNotes& notes, const plan::Remedy& remedy);

/// The stage with its calls cut anew: `begins` says of every note, in road order, whether a call begins with
/// it. Only the text changes, and in it only where lines end; comments and blank lines stay.
[[nodiscard]] Stage withCalls(
    const Stage& stage, const notes::ParsedNotes& notes, const std::vector<bool>& begins);

/// The stage read by the crew of `from`: its name, language, reader, driver and what it says again. The notes
/// keep their ids and their meaning: what is written already stays in the order, with the scale and with the
/// words that it was written with.
[[nodiscard]] Stage withCrew(const Stage& stage, const Stage& from);

/// One thing that is wrong with a stage folder.
struct Problem {
    std::string file;
    int line = 0;
    std::string message;
    bool harmless = false; ///< kept for later, not wrong
};

/// Everything that is wrong with a stage folder, worst first.
[[nodiscard]] std::vector<Problem> checkFolder(const std::filesystem::path& folder);

} // namespace brumefall::stage
