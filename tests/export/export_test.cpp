/// A stage as files of other kinds, read back by whatever reads such files.
#include "captions/cues.h"
#include "captions/draft.h"
#include "demo.h"
#include "export/export_stage.h"
#include "export/tables.h"
#include "formats/files.h"
#include "media/position_log.h"
#include "media/track.h"
#include "notes/printer.h"
#include "support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <sndfile.h>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <sstream>

using namespace brumefall;
using namespace brumefall::exporting;

namespace {

const std::string kTake = "2030-03-08 21.40.31";

class ExportTest : public testing::Test {
protected:
    void SetUp() override
    {
        pass_ = stage::readPass(kDemo / "passes" / "stage.json");
        prepared_ = stage::prepare(stage::readStage(kDemo / "stage.brumefall"), &pass_);
    }
    std::filesystem::path write(const std::string& name, ExportWish wish = {})
    {
        wish.to = scratch_.path() / name;
        static_cast<void>(exportStage(kDemo, wish));
        return wish.to;
    }
    static ExportWish ofTake()
    {
        ExportWish wish;
        wish.take = kTake;
        return wish;
    }
    /// Cells of a table without quotes in it.
    static std::vector<std::vector<std::string>> cells(const std::string& csv)
    {
        std::vector<std::vector<std::string>> rows;
        std::istringstream lines(csv);
        for (std::string line; std::getline(lines, line);) {
            std::istringstream cells(line);
            rows.emplace_back();
            for (std::string cell; std::getline(cells, cell, ',');) {
                rows.back().push_back(cell);
            }
        }
        return rows;
    }

    support::ScratchFolder scratch_;
    pace::Pass pass_;
    stage::Prepared prepared_;
};

double loudness(const media::Sound& sound, double from_s, double to_s)
{
    double sum = 0.0;
    const auto from = static_cast<std::size_t>(from_s * sound.rate_hz);
    const auto to = std::min(sound.samples.size(), static_cast<std::size_t>(to_s * sound.rate_hz));
    for (std::size_t i = from; i < to; ++i) {
        sum += std::abs(static_cast<double>(sound.samples[i]));
    }
    return sum / static_cast<double>(std::max<std::size_t>(1, to - from));
}

} // namespace

TEST_F(ExportTest, CaptionsOfThePlanComeBackAsItsNotes)
{
    for (const auto* name : {"plan.srt", "plan.vtt"}) {
        const auto file = write(name);
        const auto cues = captions::readCues(formats::readText(file), file.string());
        ASSERT_EQ(cues.size(), prepared_.plan.calls.size()) << name;
        EXPECT_NEAR(cues[5].start_s, prepared_.plan.calls[5].start_s + pass_.go_s, 0.002)
            << "on the video's clock";
        for (std::size_t i = 1; i < cues.size(); ++i) {
            EXPECT_LE(cues[i - 1].end_s, cues[i].start_s + 1e-9) << "two at once";
        }
        const auto draft = captions::draftNotes(cues, {}, {});
        std::size_t notes = 0;
        for (const auto& call : draft.calls) {
            notes += call.notes.size();
        }
        EXPECT_EQ(notes, prepared_.road.notes.size()) << name;
    }
}

TEST_F(ExportTest, CaptionsOfATakeStandWhereItWasRead)
{
    const auto file = write("read.srt", ofTake());
    const auto take = stage::readTake(kDemo / "takes" / (kTake + ".json"));
    const auto cues = captions::readCues(formats::readText(file), file.string());
    const auto heard =
        std::count_if(take.verdicts.begin(), take.verdicts.end(), [](const auto& v) { return v.heard(); });
    EXPECT_EQ(static_cast<long>(cues.size()), heard);
    EXPECT_NEAR(cues[0].start_s, take.verdicts[0].start_s + pass_.go_s, 0.002);
}

TEST_F(ExportTest, WordsInCaptionsAreNeverTakenForTimesOrMarkup)
{
    const std::vector<TimedText> texts{{1.0, 2.0, "left <4> & 3 --> 5\n00:00"}};
    EXPECT_EQ(toSubRip(texts), "1\n00:00:01,000 --> 00:00:02,000\nleft <4> & 3 -> 5 00:00\n\n");
    EXPECT_NE(toWebVtt(texts).find("left &lt;4&gt; &amp; 3 -&gt; 5 00:00"), std::string::npos);
}

TEST_F(ExportTest, TablesHaveARowANoteAndUnitsInTheirHeaders)
{
    ExportWish wish;
    wish.table = Table::notes;
    const auto notes = cells(support::read(write("notes.csv", wish)));
    EXPECT_EQ(notes.size(), prepared_.road.notes.size() + 1);
    const auto plan = cells(support::read(write("plan.csv")));
    ASSERT_EQ(plan.size(), prepared_.plan.notes.size() + 1);
    const auto lead = std::find(plan[0].begin(), plan[0].end(), "lead_s") - plan[0].begin();
    ASSERT_LT(lead, std::ssize(plan[0]));
    EXPECT_NEAR(std::stod(plan[7][static_cast<std::size_t>(lead)]), prepared_.plan.notes[6].lead_s, 0.006);
    const auto verdicts = support::read(write("verdicts.csv", ofTake()));
    EXPECT_NE(verdicts.find("misread"), std::string::npos);
    EXPECT_NE(verdicts.find("off_window_s"), std::string::npos);
    wish.table = Table::verdicts;
    EXPECT_THROW(write("none.csv", wish), std::invalid_argument) << "verdicts without a take";
}

TEST_F(ExportTest, TheGuideTrackSaysEachCallAtItsMomentOfTheVideo)
{
    const auto sound = media::decodeSound(write("guide.flac"), 16000);
    double in_calls = 0.0;
    double between = 0.0;
    int gaps = 0;
    const auto& calls = prepared_.plan.calls;
    for (std::size_t c = 0; c + 1 < calls.size(); ++c) {
        in_calls += loudness(sound, calls[c].start_s + pass_.go_s, calls[c].end_s + pass_.go_s)
            / static_cast<double>(calls.size());
        if (calls[c + 1].start_s - calls[c].end_s > 1.5) {
            between +=
                loudness(sound, calls[c].end_s + pass_.go_s + 0.4, calls[c + 1].start_s + pass_.go_s - 0.4);
            ++gaps;
        }
    }
    ASSERT_GT(gaps, 5);
    EXPECT_GT(in_calls, 50.0 * between / gaps);
}

TEST_F(ExportTest, AWavHasACuePointACall)
{
    const auto file = write("guide.wav");
    SF_INFO info{};
    SNDFILE* wav = sf_open(file.c_str(), SFM_READ, &info);
    ASSERT_NE(wav, nullptr);
    std::uint32_t count = 0;
    sf_command(wav, SFC_GET_CUE_COUNT, &count, sizeof count);
    SF_CUES cues{};
    sf_command(wav, SFC_GET_CUE, &cues, sizeof cues);
    sf_close(wav);
    ASSERT_EQ(count, prepared_.plan.calls.size());
    EXPECT_NEAR(static_cast<double>(cues.cue_points[3].sample_offset) / info.samplerate,
        prepared_.plan.calls[3].start_s + pass_.go_s, 0.01);
}

TEST_F(ExportTest, AnyNumberOfCallsHasACuePointEach)
{
    constexpr std::size_t kCalls = 340;
    const media::Sound sound{std::vector<std::int16_t>(35 * 8000, 0), 8000};
    std::vector<media::TrackMark> marks;
    for (std::size_t i = 0; i < kCalls; ++i) {
        marks.push_back({0.1 * static_cast<double>(i), "call " + std::to_string(i)});
    }
    const auto file = scratch_.path() / "long.wav";
    media::writeTrack(file, sound, marks);
    SF_INFO info{};
    SNDFILE* wav = sf_open(file.c_str(), SFM_READ, &info);
    ASSERT_NE(wav, nullptr);
    EXPECT_EQ(info.frames, std::ssize(sound.samples));
    std::uint32_t count = 0;
    sf_command(wav, SFC_GET_CUE_COUNT, &count, sizeof count);
    ASSERT_EQ(count, kCalls);
    SF_CUES_VAR(kCalls) cues{};
    sf_command(wav, SFC_GET_CUE, &cues, sizeof cues);
    sf_close(wav);
    EXPECT_EQ(cues.cue_points[kCalls - 1].sample_offset, 8000U * (kCalls - 1) / 10U);
}

TEST_F(ExportTest, OpusIsTheSameTrackWithAChapterACall)
{
    const auto flac = media::decodeSound(write("guide.flac"), 16000);
    const auto file = write("guide.opus");
    const auto opus = media::decodeSound(file, 16000);
    EXPECT_NEAR(opus.duration_s(), flac.duration_s(), 0.1);
    const double at_s = prepared_.plan.calls[2].start_s + pass_.go_s;
    EXPECT_NEAR(loudness(opus, at_s, at_s + 1.0), loudness(flac, at_s, at_s + 1.0),
        0.3 * loudness(flac, at_s, at_s + 1.0));
    const std::string content = support::read(file);
    EXPECT_NE(content.find("CHAPTER001"), std::string::npos);
    EXPECT_NE(content.find(prepared_.plan.calls[2].text), std::string::npos);
}

TEST_F(ExportTest, AVideoKeepsItsPictureAndGetsTheCallsAsSoundAndCaptions)
{
    const auto file = write("with calls.mkv");
    const auto before = media::inspect(kDemo / pass_.media.path);
    const auto after = media::inspect(file);
    EXPECT_EQ(after.width, before.width);
    EXPECT_NEAR(after.duration_s, before.duration_s, 0.5);
    EXPECT_EQ(after.sound_tracks, before.sound_tracks + 1);
    EXPECT_NE(support::read(file).find(prepared_.plan.calls[2].text), std::string::npos);
}

TEST_F(ExportTest, UnderTheVoiceTheCarIsQuieterAndElsewhereAsItWas)
{
    media::Sound car;
    media::Sound voice;
    car.rate_hz = voice.rate_hz = 16000;
    car.samples.assign(16000 * 6, 0);
    voice.samples.assign(16000 * 6, 0);
    for (std::size_t i = 0; i < car.samples.size(); ++i) {
        car.samples[i] = static_cast<std::int16_t>(i % 2 == 0 ? 8000 : -8000);
        const double at_s = static_cast<double>(i) / 16000.0;
        if (at_s > 2.0 && at_s < 4.0) {
            voice.samples[i] =
                static_cast<std::int16_t>(3000.0 * std::sin(2.0 * std::numbers::pi * 200.0 * at_s));
        }
    }
    const auto both = media::mixed(car, voice);
    EXPECT_NEAR(loudness(both, 0.2, 1.6), 8000.0, 1.0);
    EXPECT_LT(loudness(both, 2.5, 3.5), 4000.0);
    EXPECT_NEAR(loudness(both, 5.0, 6.0), 8000.0, 1.0);
}

TEST_F(ExportTest, StoppedOrImpossibleNothingIsLeftBehind)
{
    ExportWish wish;
    for (const auto* name : {"x.opus", "x.mkv", "x.flac", "x.zip"}) {
        wish.to = scratch_.path() / name;
        EXPECT_ANY_THROW(static_cast<void>(exportStage(kDemo, wish, [](double) { return false; }))) << name;
    }
    wish.to = "/nowhere at all/x.pdf";
    EXPECT_THROW(static_cast<void>(exportStage(kDemo, wish)), formats::FormatError);
    wish.to = scratch_.path() / "x.xyz";
    EXPECT_THROW(static_cast<void>(exportStage(kDemo, wish)), std::invalid_argument);
    EXPECT_TRUE(std::filesystem::is_empty(scratch_.path()));
}

TEST_F(ExportTest, NothingIsWrittenOverTheStageItIsMadeFrom)
{
    const auto copy = support::copyDemo(scratch_);
    ExportWish wish;
    for (const auto& own : {copy / "media" / "stage.mkv", copy / "takes" / (kTake + ".flac"),
             copy / "passes" / "stage.json", copy / "media" / ".." / "takes" / (kTake + ".json")}) {
        const auto before = support::read(own);
        wish.to = own;
        EXPECT_THROW(static_cast<void>(exportStage(copy, wish)), std::invalid_argument) << own;
        EXPECT_EQ(support::read(own), before);
    }
    wish.to = copy / "media" / "stage.srt"; // beside the video is where captions belong
    EXPECT_NO_THROW(static_cast<void>(exportStage(copy, wish)));
}

TEST_F(ExportTest, WhatWasThereStaysWhereAnExportIsStopped)
{
    support::write(scratch_.path() / "x.opus", "an older track");
    ExportWish wish;
    wish.to = scratch_.path() / "x.opus";
    EXPECT_ANY_THROW(static_cast<void>(exportStage(kDemo, wish, [](double) { return false; })));
    EXPECT_EQ(support::read(scratch_.path() / "x.opus"), "an older track");
}

TEST_F(ExportTest, AStageWithoutNotesSaysSo)
{
    stage::Stage empty;
    empty.name = "Empty";
    std::filesystem::create_directories(scratch_.path() / "Empty");
    stage::writeStage(scratch_.path() / "Empty" / "stage.brumefall", empty);
    for (const auto* name : {"x.pdf", "x.flac", "x.mkv"}) {
        ExportWish wish;
        wish.to = scratch_.path() / name;
        EXPECT_ANY_THROW(static_cast<void>(exportStage(scratch_.path() / "Empty", wish))) << name;
        EXPECT_FALSE(std::filesystem::exists(wish.to)) << name;
    }
}

TEST_F(ExportTest, PlacedNotesBecomeWayPointsOnTheTrackOfTheLog)
{
    const auto copy = support::copyDemo(scratch_);
    auto log = media::readLogFile(copy / "media" / "stage.gpx");
    media::layOnPlane(log);
    const auto clean = pace::cleanLog(log);
    auto pass = pass_;
    pass.trace = pace::traceOf(clean, pace::fitByGo(clean));
    stage::writePass(copy / "passes" / "stage.json", pass);
    ExportWish wish;
    wish.to = scratch_.path() / "notes.gpx";
    wish.log = copy / "media" / "stage.gpx";
    static_cast<void>(exportStage(copy, wish));
    const std::string gpx = support::read(wish.to);
    std::size_t points = 0;
    for (std::size_t at = gpx.find("<wpt"); at != std::string::npos; at = gpx.find("<wpt", at + 1)) {
        ++points;
    }
    EXPECT_GT(points, prepared_.road.notes.size() * 9 / 10);
    EXPECT_NE(gpx.find("<trkpt"), std::string::npos);
    EXPECT_NE(gpx.find("hairpin"), std::string::npos);
    wish.log.clear();
    EXPECT_THROW(static_cast<void>(exportStage(copy, wish)), std::invalid_argument);
}
