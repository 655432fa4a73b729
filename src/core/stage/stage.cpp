#include "stage/stage.h"

#include "formats/files.h"
#include "notes/edit.h"

#include <algorithm>
#include <set>

namespace brumefall::stage {

notes::ParsedNotes understand(const Stage& stage)
{
    auto parsed = notes::parseNotes(stage.text, stage.style);
    if (!stage.known.empty()) {
        notes::keepIds(stage.known, parsed.calls);
    }
    return parsed;
}

Prepared prepare(const Stage& stage, const pace::Pass* pass, double target_time_s)
{
    return prepare(stage, understand(stage), pass, target_time_s);
}

Prepared prepare(const Stage& stage, notes::ParsedNotes notes, const pace::Pass* pass, double target_time_s)
{
    Prepared out;
    out.notes = std::move(notes);
    out.road =
        road::layOut(out.notes.calls, out.notes.style.scale, out.notes.lead_in_m, stage.official_length_m);
    const bool predicted = pass == nullptr || target_time_s > 0.0;
    auto rehearsal = stage.rehearsal;
    rehearsal.target_time_s = target_time_s > 0.0 ? target_time_s : rehearsal.target_time_s;
    out.placement = predicted ? pace::placeByPrediction(out.road, rehearsal)
                              : pace::place(out.road, *pass, pace::carModel(stage.rehearsal));
    plan::PlanInput input;
    input.calls = out.notes.calls;
    input.scale = out.notes.style.scale;
    input.placement = &out.placement;
    input.reader = stage.reader;
    input.driver = stage.driver;
    input.pinned_s = stage.pinned_s;
    input.shaping = stage.shaping;
    input.echoes = stage.echoes;
    input.style = stage.style;
    input.order = out.notes.style.order;
    out.plan = plan::makePlan(input);
    return out;
}

Stage withRemedy(const Stage& stage, const notes::ParsedNotes& notes, const plan::Remedy& remedy)
{
    Stage after = stage;
    for (const auto& [note, start_s] : remedy.starts_s) {
        after.pinned_s[note] = start_s;
    }
    const plan::Shaping& more = remedy.shaping;
    for (const auto& [note, words] : more.said_as) {
        after.shaping.said_as[note] = words;
    }
    after.shaping.unsaid_distance.insert(more.unsaid_distance.begin(), more.unsaid_distance.end());
    for (const auto& [note, rate] : more.rate_syll_s) {
        after.shaping.rate_syll_s[note] = rate;
    }
    for (const auto& [note, holds] : more.holds_notes) {
        after.shaping.holds_notes[note] = holds;
    }
    for (const auto& [note, offset_s] : more.lead_offset_s) {
        after.shaping.lead_offset_s[note] = offset_s;
    }
    if (!remedy.boundary.empty()) {
        std::vector<bool> begins;
        for (const auto& call : notes.calls) {
            for (const auto& note : call.notes) {
                const bool first = &note == &call.notes.front();
                begins.push_back(note.id == remedy.boundary ? !first : first);
            }
        }
        after = withCalls(after, notes, begins);
    }
    return after;
}

Stage withCalls(const Stage& stage, const notes::ParsedNotes& notes, const std::vector<bool>& begins)
{
    Stage after = stage;
    struct Place {
        int line;
        std::size_t in_call;
    };
    std::vector<Place> places;
    for (const auto& call : notes.calls) {
        for (std::size_t n = 0; n < call.notes.size(); ++n) {
            places.push_back({call.line, n});
        }
    }
    // from the end, so that the lines before a change stay where they are
    for (std::size_t k = std::min(places.size(), begins.size()); k-- > 1;) {
        const bool began = places[k].in_call == 0;
        if (begins[k] && !began && places[k].line == places[k - 1].line) {
            after.text = notes::splitBefore(
                after.text, places[k].line, places[k].in_call, stage.style, notes.style.order);
        } else if (!begins[k] && began && places[k].line > places[k - 1].line) {
            after.text = notes::joinCalls(after.text, places[k - 1].line).text;
        }
    }
    auto parsed = notes::parseNotes(after.text, after.style);
    notes::keepIds(after.known, parsed.calls);
    after.known = notes::rememberNotes(parsed.calls);
    return after;
}

namespace {

class Checker {
public:
    explicit Checker(std::filesystem::path folder)
        : folder_(std::move(folder))
    {
    }

    std::vector<Problem> check()
    {
        checkStage();
        for (const auto& file : listJson(folder_ / "passes")) {
            attempt(file, [&] { checkPass(file); });
        }
        for (const auto& file : listJson(folder_ / "takes")) {
            attempt(file, [&] { checkTake(file); });
        }
        return std::move(problems_);
    }

private:
    template <typename Work> void attempt(const std::filesystem::path& file, Work work)
    {
        try {
            work();
        } catch (const formats::FormatError& error) {
            problems_.push_back({error.file(), error.line(), error.message()});
        } catch (const std::exception& error) {
            problems_.push_back({file.string(), 0, error.what()});
        }
    }

    void checkStage()
    {
        const auto file = folder_ / "stage.brumefall";
        attempt(file, [&] {
            stage_ = readStage(file);
            notes_ = understand(stage_);
            for (const auto& call : notes_.calls) {
                for (const auto& note : call.notes) {
                    ids_.insert(note.id);
                }
            }
            if (ids_.empty()) {
                add(file, 0, "it has no notes");
            }
            for (const auto& unknown : notes_.unknown) {
                add(file, 0,
                    "notes line " + std::to_string(unknown.line) + ": \u201c" + unknown.text
                        + "\u201d is not understood"
                        + (unknown.suggestion.empty()
                                ? ""
                                : "; did you mean \u201c" + unknown.suggestion + "\u201d?"));
            }
            for (const auto& diagnostic : notes_.diagnostics) {
                add(file, 0, "notes line " + std::to_string(diagnostic.line) + ": " + diagnostic.message);
            }
        });
    }

    void checkPass(const std::filesystem::path& file)
    {
        const auto pass = readPass(file);
        const auto media = folder_ / pass.media.path;
        std::error_code error;
        if (pass.media.path.empty()) {
            add(file, 0, "it names no video");
        } else if (!std::filesystem::exists(media, error)) {
            add(file, 0, "its video is not there: " + pass.media.path);
        } else if (pass.media.size_bytes > 0
            && std::filesystem::file_size(media, error)
                != static_cast<std::uintmax_t>(pass.media.size_bytes)) {
            add(file, 0, "its video has another size than when the pass was made: " + pass.media.path);
        }
        for (const auto& mark : pass.marks) {
            if (!ids_.contains(mark.note)) {
                add(file, 0, "a mark for a note that is not in the stage: " + mark.note);
            }
        }
        if (pass.finish_s && *pass.finish_s <= pass.go_s) {
            add(file, 0, "its finish is before its go");
        }
        if (!ids_.empty()) {
            for (const std::string& warning : prepare(stage_, notes_, &pass).placement.warnings) {
                add(file, 0, warning);
            }
        }
    }

    void checkTake(const std::filesystem::path& file)
    {
        const auto take = readTake(file);
        std::error_code error;
        if (!take.audio.empty() && !std::filesystem::exists(folder_ / "takes" / take.audio, error)) {
            add(file, 0, "its recording is not there: " + take.audio);
        }
        if (!std::filesystem::exists(folder_ / "passes" / (take.pass + ".json"), error)) {
            add(file, 0, "its pass is not there: " + take.pass);
        }
    }

    void add(const std::filesystem::path& file, int line, std::string message)
    {
        problems_.push_back({file.string(), line, std::move(message)});
    }

    std::filesystem::path folder_;
    Stage stage_;
    notes::ParsedNotes notes_;
    std::set<std::string> ids_;
    std::vector<Problem> problems_;
};

} // namespace

std::vector<Problem> checkFolder(const std::filesystem::path& folder)
{
    return Checker(folder).check();
}

} // namespace brumefall::stage
