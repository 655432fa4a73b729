// The simulated reader reads along the video, as whoever watches it does.

#include "media/input.h"

#include <QElapsedTimer>
#include <QTest>

#include <gtest/gtest.h>

#include <algorithm>
#include <cstdlib>
#include <vector>

using namespace brumefall;

namespace {

/// A word after a second of silence.
media::Reading oneWord()
{
    media::Reading reading;
    reading.sound.rate_hz = media::kRecordingRate_hz;
    reading.sound.samples.assign(media::kRecordingRate_hz, 0);
    reading.sound.samples.insert(reading.sound.samples.end(), media::kRecordingRate_hz / 4, 9000);
    return reading;
}

/// Where in what was given the word begins, in seconds; negative where it does not.
double wordIn(const std::vector<std::int16_t>& given)
{
    const auto at = std::find_if(given.begin(), given.end(), [](auto sample) { return sample > 5000; });
    return at == given.end() ? -1.0 : static_cast<double>(at - given.begin()) / media::kRecordingRate_hz;
}

} // namespace

TEST(SimulatedInput, WaitsForAVideoThatStoodStillAndForNoSmallStep)
{
    for (const double stood_s : {0.1, 1.2}) {
        QElapsedTimer since;
        since.start();
        const auto video_s = [&] {
            constexpr double kAt_s = 0.3;
            const double now_s = 0.001 * static_cast<double>(since.elapsed());
            return now_s < kAt_s ? now_s : std::max(kAt_s, now_s - stood_s);
        };
        const auto input = media::makeSimulatedReader(oneWord(), video_s);
        std::vector<std::int16_t> given;
        QObject::connect(input.get(), &media::VoiceInput::samplesReady, [&](const QByteArray& bytes) {
            const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
            given.insert(given.end(), samples, samples + bytes.size() / 2);
        });
        input->start();
        ASSERT_TRUE(QTest::qWaitFor([&] { return wordIn(given) >= 0.0; }, 20000));
        input->stop();
        EXPECT_NEAR(wordIn(given), stood_s > 0.2 ? 1.0 + stood_s : 1.0, 0.2) << "stood still for " << stood_s;
    }
}
