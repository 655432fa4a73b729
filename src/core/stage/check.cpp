#include "formats/files.h"
#include "plan/usable.h"
#include "stage/stage.h"

#include <algorithm>
#include <set>

namespace brumefall::stage {
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
        for (const auto& file : orphanedSound(folder_)) {
            add(file, 0, "this recording belongs to no take; \u201cFrom elsewhere\u201d in Review judges it");
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
            for (const auto& doubt : plan::usable(stage_.reader, stage_.driver).doubts) {
                const std::string content = formats::readFile(file);
                const auto at = content.find("\"" + doubt.member + "\"");
                add(file, at == std::string::npos ? 0 : formats::lineOf(content, at), doubt.says);
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
            addGone(file, "a mark", mark.note);
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
        for (const Remark& remark : take.remarks) {
            const bool echo = std::any_of(take.plan.notes.begin(), take.plan.notes.end(),
                [&](const plan::PlannedNote& n) { return n.id == remark.note && !n.echo_of.empty(); });
            if (!echo) {
                addGone(file, "a remark", remark.note);
            }
        }
        if (!std::filesystem::exists(folder_ / "passes" / (take.pass + ".json"), error)) {
            add(file, 0, "its pass is not there: " + take.pass);
        }
    }

    /// What is kept of a note that is not in the text, if it is none.
    void addGone(const std::filesystem::path& file, const std::string& what, const std::string& id)
    {
        if (ids_.contains(id)) {
            return;
        }
        const auto note = std::find_if(stage_.gone.begin(), stage_.gone.end(),
            [&](const notes::GoneNote& gone) { return gone.id == id; });
        if (note == stage_.gone.end()) {
            add(file, 0, what + " for a note that is not in the stage: " + id);
        } else {
            add(file, 0,
                what + " of \u201c" + note->text + "\u201d (" + id
                    + "), which is not in the notes any more; it is kept, and comes back with the note");
            problems_.back().harmless = true;
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
