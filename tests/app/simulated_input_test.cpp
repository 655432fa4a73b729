// The simulated reader reads along the video, as whoever watches it does.

#include "media/input.h"

#include <QElapsedTimer>
#include <QTest>

#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <vector>

using namespace brumefall;

namespace {

constexpr double kWord_s = 0.25;

/// Words that begin at these moments, and half a second after the last.
media::Reading readingOf(const std::vector<double>& begin_s)
{
    media::Reading reading;
    auto& samples = reading.sound.samples;
    reading.sound.rate_hz = media::kRecordingRate_hz;
    samples.assign(static_cast<std::size_t>((begin_s.back() + 0.5) * media::kRecordingRate_hz), 0);
    for (const double at_s : begin_s) {
        std::fill_n(samples.begin() + static_cast<std::ptrdiff_t>(at_s * media::kRecordingRate_hz),
            static_cast<std::ptrdiff_t>(kWord_s * media::kRecordingRate_hz), std::int16_t{9000});
    }
    return reading;
}

/// When words begin in what is given along a video, of which `video_s` says where it is after so many
/// seconds; until `until_s`.
std::vector<double> wordsAlong(
    const std::vector<double>& begin_s, const std::function<double(double)>& video_s, double until_s)
{
    QElapsedTimer since;
    since.start();
    const auto now_s = [&] { return 0.001 * static_cast<double>(since.elapsed()); };
    const auto input = media::makeSimulatedReader(readingOf(begin_s), [&] { return video_s(now_s()); });
    std::vector<std::int16_t> given;
    QObject::connect(input.get(), &media::VoiceInput::samplesReady, [&](const QByteArray& bytes) {
        const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
        given.insert(given.end(), samples, samples + bytes.size() / 2);
    });
    input->start();
    EXPECT_TRUE(QTest::qWaitFor([&] { return now_s() > until_s; }, 60000));
    input->stop();
    std::vector<double> out;
    bool in_word = false;
    for (std::size_t i = 0; i < given.size(); ++i) {
        const bool voice = given[i] > 5000;
        if (voice && !in_word) {
            out.push_back(static_cast<double>(i) / media::kRecordingRate_hz);
        }
        in_word = voice;
    }
    return out;
}

/// A video that stands still at `at_s` for `stood_s`.
std::function<double(double)> standingStill(double at_s, double stood_s)
{
    return [=](double now_s) { return now_s < at_s ? now_s : std::max(at_s, now_s - stood_s); };
}

} // namespace

TEST(SimulatedInput, WaitsForAVideoThatStoodStillAndForNoSmallStep)
{
    for (const double stood_s : {0.1, 1.2}) {
        const auto words = wordsAlong({1.0}, standingStill(0.3, stood_s), 1.5 + stood_s);
        ASSERT_EQ(words.size(), 1U);
        EXPECT_NEAR(words.front(), stood_s > 0.2 ? 1.0 + stood_s : 1.0, 0.2) << "stood still for " << stood_s;
    }
}

TEST(SimulatedInput, SaysNoWordTwiceWhereTheVideoStoodStill)
{
    const auto words = wordsAlong({0.2, 0.6, 1.2}, standingStill(0.15, 0.8), 2.6);
    ASSERT_EQ(words.size(), 3U);
    EXPECT_NEAR(words.back(), 1.2 + 0.8, 0.2);
}

TEST(SimulatedInput, CatchesUpWithAVideoThatRanAheadWithoutLosingAWordOrAHesitation)
{
    const auto words = wordsAlong(
        {0.4, 1.3, 3.5}, [](double now_s) { return now_s < 0.5 ? now_s : now_s + 1.0; }, 3.4);
    ASSERT_EQ(words.size(), 3U);
    EXPECT_NEAR(words[1] - words[0], 0.9, 0.05) << "a hesitation stays one";
    EXPECT_NEAR(words.back(), 2.5, 0.3);
}

TEST(SimulatedInput, GoesWithAVideoThatIsSoughtElsewhere)
{
    const auto words = wordsAlong(
        {0.3, 20.0}, [](double now_s) { return now_s < 1.0 ? now_s : now_s + 18.0; }, 2.6);
    ASSERT_EQ(words.size(), 2U);
    EXPECT_NEAR(words.back(), 2.0, 0.2);
}
