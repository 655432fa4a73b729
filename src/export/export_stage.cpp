#include "export/export_stage.h"

#include "export/captions_out.h"
#include "export/package.h"
#include "export/tables.h"
#include "export/way_points.h"
#include "formats/files.h"
#include "formats/plan_json.h"
#include "formats/printed.h"
#include "formats/verdicts_json.h"
#include "media/position_log.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/track.h"
#include "media/voice.h"
#include "stage/stage.h"
#include "take/causes.h"
#include "wording/wording.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace brumefall::exporting {
namespace {

class Exporter {
public:
    Exporter(std::filesystem::path folder, const ExportWish& wish, const media::Progress& progress)
        : folder_(std::move(folder))
        , wish_(wish)
        , progress_(progress)
        , stage_(stage::readStage(folder_ / "stage.brumefall"))
        , pass_(stage::passOf(folder_, wish.pass))
    {
        if (wish.take) {
            take_ = stage::readTake(folder_ / "takes" / (*wish.take + ".json"));
        }
        prepared_ = stage::prepare(stage_, pass_ ? &*pass_ : nullptr);
    }

    std::vector<std::string> write()
    {
        const std::string suffix = wish_.to.extension().string();
        if (suffix == ".txt") {
            put(stage_.text + "\n");
        } else if (suffix == ".pdf") {
            writePages();
        } else if (suffix == ".srt") {
            put(toSubRip(texts()));
        } else if (suffix == ".vtt") {
            put(toWebVtt(texts()));
        } else if (suffix == ".csv") {
            put(table());
        } else if (suffix == ".json") {
            put(json());
        } else if (suffix == ".mkv") {
            media::writeWithVideo(wish_.to, video(), voice(), texts(), progress_);
        } else if (suffix == ".gpx") {
            writeWayPoints();
        } else { // a sound
            media::writeTrack(wish_.to, wish_.mixed ? mixedVoice() : voice(), marks(), progress_);
        }
        return std::move(says_);
    }

private:
    void put(const std::string& content) { formats::writeFile(wish_.to, content); }

    /// Where the video begins, in seconds from go; without one, a little before the first call.
    [[nodiscard]] double begin_s() const
    {
        constexpr double kBefore_s = 1.0;
        if (pass_) {
            return -pass_->go_s;
        }
        const auto& calls = plan().calls;
        return calls.empty() ? 0.0 : std::min(0.0, calls.front().start_s - kBefore_s);
    }

    [[nodiscard]] const plan::Plan& plan() const { return take_ ? take_->plan : prepared_.plan; }

    [[nodiscard]] std::vector<TimedText> texts() const
    {
        return take_ ? readingOf(take_->plan, take_->verdicts, begin_s())
                     : callsOf(prepared_.plan, begin_s());
    }

    [[nodiscard]] std::vector<media::TrackMark> marks() const
    {
        std::vector<media::TrackMark> marks;
        for (const TimedText& text : texts()) {
            marks.push_back({text.start_s, text.text});
        }
        return marks;
    }

    std::string table()
    {
        const bool verdicts = wish_.table == Table::verdicts || (wish_.table == Table::by_take && take_);
        if (verdicts && !take_) {
            throw std::invalid_argument(
                wording::localized("export", "verdicts are those of a take: name it"));
        }
        return verdicts                   ? verdictsTable(*take_)
            : wish_.table == Table::notes ? notesTable(prepared_)
                                          : planTable(plan());
    }

    std::string json()
    {
        const auto json = take_ ? formats::judgedToJson(take_->plan, take_->verdicts,
                              take::reasons(take_->plan, take_->found, take_->clock, take_->verdicts))
                                : formats::planToJson(prepared_.plan);
        return json.dump(2, ' ', false, nlohmann::ordered_json::error_handler_t::replace) + "\n";
    }

    void writePages()
    {
        const pages::Book book(
            prepared_.plan, prepared_.notes, stage_.style, pages::titleOf(stage_), wish_.book);
        if (book.pages().empty()) {
            throw formats::FormatError((folder_ / "stage.brumefall").string(), 0,
                wording::localized("export", "there are no notes to print yet"));
        }
        book.writePdf(wish_.to);
        if (const auto tight = book.tightest()) {
            const auto& page = book.pages()[*tight];
            says_.push_back(wording::filled(page.in_squeeze
                    ? wording::localized("export", "the tightest turn is that of page %1: %2 s, in a squeeze")
                    : wording::localized("export", "the tightest turn is that of page %1: %2 s"),
                {std::to_string(*tight + 1), wording::figure(page.turn_s, 1)}));
        }
    }

    [[nodiscard]] std::filesystem::path video() const
    {
        if (!pass_ || pass_->media.path.empty()) {
            throw std::invalid_argument(wording::localized("export", "this needs a pass with a video"));
        }
        return folder_ / pass_->media.path;
    }

    /// `sound`, which begins at `from_s` from go, as one that begins with the video.
    [[nodiscard]] media::Sound laid(const media::Sound& sound, double from_s) const
    {
        const auto shift = std::llround((from_s - begin_s()) * sound.rate_hz);
        media::Sound out;
        out.rate_hz = sound.rate_hz;
        out.samples.assign(static_cast<std::size_t>(std::max(0LL, shift)), 0);
        const auto cut = std::min<long long>(std::max(0LL, -shift), std::ssize(sound.samples));
        out.samples.insert(out.samples.end(), sound.samples.begin() + cut, sound.samples.end());
        return out;
    }

    [[nodiscard]] media::Sound voice() const
    {
        if (take_) {
            if (take_->audio.empty()) {
                throw std::invalid_argument(wording::localized("export", "this take has no recording"));
            }
            auto sound =
                media::decodeSound(folder_ / "takes" / take_->audio, media::kVoiceRate_hz, progress_);
            if (std::abs(take_->clock.rate - 1.0) > 1e-6) { // the pace was rehearsed faster or slower
                throw std::invalid_argument(
                    wording::localized("export", "this take was read at another pace than the video's"));
            }
            return laid(sound, take_->clock.offset_s);
        }
        const auto reading = media::readAsPlanned(prepared_.plan, progress_);
        if (reading.sound.samples.empty()) {
            throw formats::FormatError((folder_ / "stage.brumefall").string(), 0,
                wording::localized("export", "there are no notes to say yet"));
        }
        return laid(reading.sound, reading.from_s);
    }

    [[nodiscard]] media::Sound mixedVoice() const
    {
        return media::mixed(media::decodeSound(video(), media::kVoiceRate_hz, progress_), voice());
    }

    void writeWayPoints()
    {
        if (wish_.log.empty() || !pass_ || pass_->trace.empty()) {
            throw std::invalid_argument(
                wording::localized("export", "way points need a log with positions, and a pass laid by one"));
        }
        auto log = media::readLogFile(wish_.log);
        const std::string gpx = wayPoints(prepared_, *pass_, log, stage_.name);
        if (gpx.empty()) {
            throw formats::FormatError(wish_.log.string(), 0,
                wording::localized("export", "it has no positions that fit this pass"));
        }
        put(gpx);
    }

    std::filesystem::path folder_;
    const ExportWish& wish_;
    const media::Progress& progress_;
    stage::Stage stage_;
    std::optional<pace::Pass> pass_;
    std::optional<stage::Take> take_;
    stage::Prepared prepared_;
    std::vector<std::string> says_;
};

/// What is exported must not take the place of what it is made from.
void refuseOwnFiles(const std::filesystem::path& stage, const std::filesystem::path& to)
{
    std::error_code error;
    const auto target = std::filesystem::weakly_canonical(to, error);
    const auto within = target.lexically_relative(std::filesystem::weakly_canonical(stage, error));
    const std::string first = within.empty() ? std::string() : within.begin()->string();
    bool own = first == "passes" || first == "takes";
    for (const auto& file : stage::listJson(stage / "passes")) {
        const auto media = stage / stage::readPass(file).media.path;
        own = own || std::filesystem::weakly_canonical(media, error) == target;
    }
    if (own) {
        throw std::invalid_argument(wording::localized(
            "export", "that is a file of the stage itself; choose another name or folder"));
    }
}

} // namespace

const std::vector<std::string>& suffixes()
{
    static const std::vector<std::string> kAll{
        ".txt", ".pdf", ".srt", ".vtt", ".csv", ".json", ".flac", ".wav", ".opus", ".mkv", ".gpx", ".zip"};
    return kAll;
}

std::vector<std::string> exportStage(
    const std::filesystem::path& folder, const ExportWish& wish, const media::Progress& progress)
{
    const std::string suffix = wish.to.extension().string();
    if (std::find(suffixes().begin(), suffixes().end(), suffix) == suffixes().end()) {
        std::string all;
        for (const std::string& one : suffixes()) {
            all += " " + one;
        }
        throw std::invalid_argument(wording::filled(
            wording::localized("export", "“%1” is no kind of file that a stage becomes; these are:%2"),
            {suffix, all}));
    }
    const auto stage = stage::stageFolder(folder);
    refuseOwnFiles(stage, wish.to);
    if (suffix == ".zip") {
        return pack(stage, wish.to, wish.with_media, progress);
    }
    return Exporter(stage, wish, progress).write();
}

} // namespace brumefall::exporting
