/// Each way to practise, in the real window, with a microphone that hears another voice than the simulated
/// reader's: run by tests/with-devices, as a mouth has to speak into a room.
#include "practice_window.h"
#include "review/review_workspace.h"
#include "stage/stage.h"

#include "media/sound_file.h"
#include "media/voice.h"

#include <QProcess>

#include <algorithm>
#include <map>

using namespace brumefall;
using namespace brumefall::app;

namespace {

/// A man of another accent than the guide's, who reads every note at the moment that is planned for it.
class Mouth {
public:
    Mouth(const plan::Plan& plan, std::filesystem::path folder)
        : folder_(std::move(folder))
    {
        for (const auto& note : plan.notes) {
            auto voice = media::say(note.text, note.end_s - note.start_s, {.pitch = 30, .variant = "en-us"});
            said_.emplace(note.start_s, std::move(voice.samples));
        }
    }
    Mouth(const Mouth&) = delete;
    Mouth& operator=(const Mouth&) = delete;
    ~Mouth() { close(); }

    /// Speaks up to `to_s` of the stage, which is at `now_s`.
    void open(double now_s, double to_s)
    {
        close();
        constexpr double kOpens_s = 0.6; // the process takes about that long to begin
        const double from_s = now_s + kOpens_s;
        const auto sampleAt = [&](double stage_s) {
            return static_cast<std::size_t>((stage_s - from_s) * media::kVoiceRate_hz);
        };
        std::vector<std::int16_t> sound;
        for (const auto& [start_s, samples] : said_) {
            if (start_s >= from_s && start_s < to_s) {
                const std::size_t at = sampleAt(start_s);
                sound.resize(std::max(sound.size(), at + samples.size()));
                std::copy(samples.begin(), samples.end(), sound.begin() + static_cast<std::ptrdiff_t>(at));
            }
        }
        const auto file = folder_ / "mouth.wav";
        media::SoundWriter(file, media::kVoiceRate_hz).write(sound);
        process_.start(QStringLiteral("paplay"), {QString::fromStdString(file.string())});
    }

    void close()
    {
        process_.kill();
        process_.waitForFinished();
    }

private:
    std::filesystem::path folder_;
    std::map<double, std::vector<std::int16_t>> said_; ///< by when, from go
    QProcess process_;
};

class MicrophoneTest : public support::PracticeWindow {
protected:
    void SetUp() override
    {
        PracticeWindow::SetUp();
        find<QComboBox>("inputChoice")->setCurrentIndex(0);
        ASSERT_NE(find<QComboBox>("inputChoice")->currentData().toString(), QStringLiteral("simulated"));
        mouth_.emplace(document().prepared().plan, scratch_.path());
        QObject::connect(&recorder(), &TakeRecorder::started, window_.get(), [this] {
            const double now_s = window_->transport().stageTime();
            mouth_->open(now_s, std::min(practice().stretch().to_s, now_s + 60.0));
        });
        QObject::connect(&recorder(), &TakeRecorder::judging, window_.get(), [this] { mouth_->close(); });
    }
    void TearDown() override
    {
        mouth_.reset();
        PracticeWindow::TearDown();
    }

    /// Whether the notes of the last take were heard without a gap, all of them later than planned by about
    /// the same: what the mouth took to open (0.2 to 1.5 s, more on a busy machine), and what the device
    /// hears late. The notes before the mouth was open and those that it had not come to at the end are
    /// nobody's fault.
    void expectHeard(std::size_t at_least)
    {
        std::vector<double> late_s;
        std::vector<std::string> passed_over;
        for (const auto& verdict : lastTake().verdicts) {
            const auto& notes = lastTake().plan.notes;
            const auto note = std::find_if(
                notes.begin(), notes.end(), [&](const auto& one) { return one.id == verdict.id; });
            if (verdict.heard()) {
                late_s.push_back(verdict.start_s - note->start_s);
                EXPECT_TRUE(passed_over.empty())
                    << passed_over.front() << " was not heard, " << verdict.id << " was";
            } else if (!late_s.empty() && !verdict.outside_take) {
                passed_over.push_back(verdict.id);
            }
        }
        ASSERT_GE(late_s.size(), at_least);
        std::sort(late_s.begin(), late_s.end());
        const double usual_s = late_s[late_s.size() / 2];
        EXPECT_LT(std::abs(usual_s), 3.0 + stoodStill_s());
        EXPECT_LT(late_s.back() - usual_s, 1.0 + stoodStill_s())
            << "the clocks agree, as far as a busy sound server does";
        EXPECT_LT(usual_s - late_s.front(), 1.0 + stoodStill_s());
    }

    std::optional<Mouth> mouth_;
};

TEST_F(MicrophoneTest, GuidedItIsHeardFollowedAndJudged)
{
    choose(take::Way::guided);
    chooseNotes(8, 12);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    EXPECT_TRUE(waitFor([&] { return page().behind_s().has_value(); }, 25000)) << "nobody was followed";
    ASSERT_TRUE(waitForVerdicts()) << "it stops by itself";
    EXPECT_EQ(lastTake().way, "guided");
    expectHeard(4);
}

TEST_F(MicrophoneTest, WithThePageOnlyBesideALoudspeakerThatPlaysTheVideo)
{
    choose(take::Way::page_only);
    chooseNotes(8, 12);
    qunsetenv("BRUMEFALL_SILENT");
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    EXPECT_FALSE(page().look().cue);
    ASSERT_TRUE(waitForVerdicts());
    qputenv("BRUMEFALL_SILENT", "1");
    expectHeard(4);
}

TEST_F(MicrophoneTest, ListeningFirstTheGuideIsNotTakenForTheReader)
{
    choose(take::Way::listen_first);
    chooseNotes(9, 11);
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return practice().state() == Practice::State::listening; }, 20000));
    EXPECT_FALSE(recorder().isRecording());
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitForVerdicts());
    expectHeard(3);
}

TEST_F(MicrophoneTest, AStretchIsReadAgainByItself)
{
    choose(take::Way::stretch);
    chooseNotes(9, 11);
    const auto before = document().takes().size();
    press(Qt::Key_R);
    for (std::size_t i = 1; i <= 2; ++i) {
        ASSERT_TRUE(waitForReading());
        ASSERT_TRUE(waitFor([&] { return practice().state() == Practice::State::judging; }, 60000));
        ASSERT_TRUE(waitFor([&] { return practice().state() != Practice::State::judging; }, 60000));
        ASSERT_EQ(document().takes().size(), before + i);
        expectHeard(3);
    }
    press(Qt::Key_R);
    EXPECT_TRUE(waitFor([&] { return !practice().isOn(); }, 20000));
}

TEST_F(MicrophoneTest, ThrownInThePlaceIsShownOnceTheVoiceHasFoundIt)
{
    choose(take::Way::thrown_in);
    practice().setSeed(4);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(page().look().place == false);
    EXPECT_TRUE(waitFor([&] { return !practice().isPlaceHidden(); }, 30000));
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_FALSE(practice().result().isEmpty());
}

TEST_F(MicrophoneTest, WithThePageLostTheVoiceIsHeardInTheDarkToo)
{
    readWithTheLostPage();
    expectHeard(2);
}

TEST_F(MicrophoneTest, TheDriversEarWatchesAndNothingIsRecorded)
{
    choose(take::Way::drivers_ear);
    const auto takes = document().takes().size();
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 30000));
    EXPECT_FALSE(recorder().isRecording());
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return !practice().isOn(); }, 20000));
    EXPECT_EQ(document().takes().size(), takes);
}

} // namespace
