#include "media/aligner.h"
#include "media/demo_plan.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound.h"
#include "media/sounds.h"
#include "media/voice.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>
#include <string>

using namespace brumefall;

TEST(Aligner, HearingWhileItIsReadFindsWhatIsFoundAfterwards)
{
    const auto plan = demoPlan();
    media::FaultWish wish;
    constexpr double kUntil_s = 60.0;
    wish.skipping = 2;
    wish.repeating = 2;
    wish.to_s = kUntil_s;
    const auto reading = media::readAloud(plan, media::chooseFaults(plan, wish, 6), 6, 0.0, kUntil_s);
    const auto expected = take::expectedNotes(plan);
    const auto sound = media::resampled(reading.sound, media::kAlignRate_hz);
    media::LiveAligner aligner(expected);
    hearInBlocks(aligner, sound);
    EXPECT_LT(aligner.unsearched_s(), 20.0) << "little is left to do when the take is stopped";
    const auto found = aligner.finish();
    ASSERT_GT(found.size(), reading.truth.size());
    std::size_t repeats = 0;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        EXPECT_EQ(found[k].read, reading.truth[k].read) << found[k].id;
        if (found[k].read && reading.truth[k].read) {
            EXPECT_NEAR(found[k].span.start_s, reading.truth[k].span.start_s, 0.15) << found[k].id;
        }
        repeats += found[k].repeats.size();
    }
    EXPECT_EQ(repeats, 2U);
}

TEST(Aligner, AMisreadWordIsToldAndOneReadAsItIsWrittenIsNot)
{
    const auto plan = demoPlan();
    media::FaultWish wish;
    wish.misreading = 4;
    wish.to_s = 100.0;
    const auto reading = media::readAloud(plan, media::chooseFaults(plan, wish, 12), 12, 0.0, 100.0);
    const auto found = media::align(reading.sound, take::expectedNotes(plan)).notes;
    int planted = 0;
    int told = 0;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        const bool sure = std::any_of(found[k].misread.begin(), found[k].misread.end(),
            [](const auto& misread) { return misread.sure >= take::kSure; });
        if (reading.truth[k].misread.empty()) {
            EXPECT_FALSE(sure) << found[k].id;
            continue;
        }
        ++planted;
        const auto& is = reading.truth[k].misread.front();
        told += std::any_of(found[k].misread.begin(), found[k].misread.end(),
                    [&](const auto& misread) {
                        return misread.sure >= take::kSure && misread.said == is.said
                            && misread.note_says == is.note_says;
                    })
            ? 1
            : 0;
    }
    EXPECT_EQ(planted, 4);
    EXPECT_GE(told, 3);
}

struct Said {
    media::Sound sound;
    std::vector<double> starts_s; ///< of each text
};

/// Texts said one after another, a third of a second apart.
Said saidInTurn(const std::vector<std::string>& texts, int words_per_min, const media::VoiceStyle& voice)
{
    Said out{{std::vector<std::int16_t>(media::kAlignRate_hz, 0), media::kAlignRate_hz}, {}};
    for (const std::string& text : texts) {
        out.starts_s.push_back(out.sound.duration_s());
        const auto said =
            media::resampled(media::sayAtRate(text, words_per_min, voice), media::kAlignRate_hz);
        out.sound.samples.insert(out.sound.samples.end(), said.samples.begin(), said.samples.end());
        out.sound.samples.insert(out.sound.samples.end(), media::kAlignRate_hz / 3, 0);
    }
    return out;
}

media::Sound saidAloud(
    const std::vector<std::string>& texts, int words_per_min, const media::VoiceStyle& voice)
{
    return saidInTurn(texts, words_per_min, voice).sound;
}

/// The demo's notes [first, last).
std::vector<take::ExpectedNote> someNotes(std::size_t first, std::size_t last)
{
    const auto all = take::expectedNotes(demoPlan());
    return {
        all.begin() + static_cast<std::ptrdiff_t>(first), all.begin() + static_cast<std::ptrdiff_t>(last)};
}

std::vector<std::string> textsOf(const std::vector<take::ExpectedNote>& notes)
{
    std::vector<std::string> texts;
    for (const auto& note : notes) {
        texts.push_back(note.spoken);
    }
    return texts;
}

/// A voice that the model knows ill, with a short throat.
media::VoiceStyle accent()
{
    media::VoiceStyle voice;
    voice.variant = "en-gb-scotland+f3";
    return voice;
}

/// The model takes this accent's every other word for another: only the voice itself tells them apart.
TEST(Aligner, AMisreadDirectionIsToldInAVoiceThatTheModelKnowsIll)
{
    constexpr std::size_t kFirst = 28;
    constexpr std::size_t kLast = 46;
    constexpr std::size_t kMisread = 36 - kFirst; // "right ...", said "left ..."
    const auto expected = someNotes(kFirst, kLast);
    auto texts = textsOf(expected);
    const auto right = texts[kMisread].find("right");
    ASSERT_NE(right, std::string::npos);
    texts[kMisread].replace(right, 5, "left");
    const auto found = media::align(saidAloud(texts, 280, accent()), expected).notes;
    for (std::size_t k = 0; k < found.size(); ++k) {
        const bool told = std::any_of(found[k].misread.begin(), found[k].misread.end(), [](const auto& m) {
            return m.sure >= take::kSure && m.said == "left" && m.note_says == "right";
        });
        EXPECT_EQ(told, k == kMisread) << expected[k].spoken;
    }
}

/// Its vowels fit talk nearly as well as the words.
TEST(Aligner, NotesInAnAccentUnlikeTheModelsAreNotTakenForTalk)
{
    constexpr std::size_t kFirst = 12;
    constexpr std::size_t kLast = 42;
    const auto expected = someNotes(kFirst, kLast);
    const auto found = media::align(saidAloud(textsOf(expected), 260, accent()), expected).notes;
    constexpr std::ptrdiff_t kMostMissed = 2; // four and more, where talk has one price
    EXPECT_GE(
        std::count_if(found.begin(), found.end(), [](const auto& note) { return note.read; }) + kMostMissed,
        static_cast<std::ptrdiff_t>(found.size()));
}

/// The recogniser put the first word of a note, which clipping had made unlike itself, at the end of the call
/// before, five seconds earlier.
TEST(Aligner, ANoteBeginsWhereItIsSaidAndNotAtTheEndOfTheCallBefore)
{
    constexpr double kClip = 6000.0;
    constexpr double kGain = 40.0;
    const auto expected = someNotes(0, 14);
    media::VoiceStyle hidden;
    hidden.variant = "en-us+f2";
    media::Sound sound{std::vector<std::int16_t>(media::kAlignRate_hz, 0), media::kAlignRate_hz};
    std::vector<double> starts_s;
    for (const auto& note : expected) {
        starts_s.push_back(sound.duration_s());
        const std::string all = note.spoken + " " + note.spoken_after;
        const auto said = media::resampled(media::sayAtRate(all, 260, hidden), media::kAlignRate_hz);
        for (const std::int16_t sample : said.samples) {
            sound.samples.push_back(static_cast<std::int16_t>(std::clamp(kGain * sample, -kClip, kClip)));
        }
        const int silent = note.spoken_after.empty() ? media::kAlignRate_hz / 20 : 5 * media::kAlignRate_hz;
        sound.samples.insert(sound.samples.end(), static_cast<std::size_t>(silent), 0);
    }
    const auto found = media::align(sound, expected).notes;
    std::size_t read = 0;
    for (std::size_t k = 0; k < found.size(); ++k) {
        read += found[k].read ? 1U : 0U;
        if (found[k].read) {
            EXPECT_NEAR(found[k].span.start_s, starts_s[k], 1.0) << expected[k].spoken;
        }
    }
    EXPECT_GE(read, 10U) << "clipped as it is";
}

/// Who reads slowly draws "into" out so long that the recogniser takes it for talk before the note.
TEST(Aligner, ANoteBeginsWithItsIntoHoweverSlowlyThatIsSaid)
{
    constexpr int kSlow = 80; ///< words in a minute
    const auto expected = someNotes(22, 28);
    const auto said = saidInTurn(textsOf(expected), kSlow, {});
    const auto found = media::align(said.sound, expected).notes;
    std::size_t joined = 0;
    for (std::size_t k = 0; k < found.size(); ++k) {
        ASSERT_TRUE(found[k].read) << expected[k].spoken;
        EXPECT_NEAR(found[k].span.start_s, said.starts_s[k], 0.2) << expected[k].spoken;
        joined += take::isJoiner(take::spokenWords(expected[k].spoken).front()) ? 1U : 0U;
    }
    EXPECT_GE(joined, 2U);
}

/// By itself it is as likely as a word of talk.
TEST(Aligner, ANoteOfOneWordThatIsDueIsNoTalk)
{
    constexpr std::size_t kFirst = 58;
    const auto expected = someNotes(kFirst, demoPlan().notes.size());
    ASSERT_EQ(expected.back().spoken, "stop");
    media::VoiceStyle voice;
    voice.variant = "en-gb-scotland";
    auto texts = textsOf(expected);
    EXPECT_TRUE(media::align(saidAloud(texts, 250, voice), expected).notes.back().read);
    texts.back() = "that was not so bad at all I think";
    EXPECT_FALSE(media::align(saidAloud(texts, 250, voice), expected).notes.back().read)
        << "so much talk is no word";
}

TEST(Aligner, ANoteLeftOutBeforeOneThatIsSaidTwiceIsMissedAndNotMisread)
{
    const std::vector<media::ExpectedNote> expected{{"n1", "left four", "sixty"},
        {"n2", "right six long", ""}, {"n3", "left five over crest", ""}, {"n4", "into left two", ""},
        {"n5", "into right three", ""}, {"n6", "left six", "eighty"}, {"n7", "right four tightens", ""}};
    std::vector<std::string> texts;
    for (const auto& note : expected) {
        texts.push_back(note.spoken + " " + note.spoken_after);
    }
    texts[3] = texts[4];
    const auto found = media::align(saidAloud(texts, 240, {}), expected).notes;
    EXPECT_FALSE(found[3].read);
    ASSERT_TRUE(found[4].read);
    EXPECT_EQ(found[4].repeats.size(), 1U);
    EXPECT_LT(found[4].span.start_s, found[4].repeats.empty() ? 0.0 : found[4].repeats[0].start_s);
    for (const auto& note : found) {
        EXPECT_TRUE(note.misread.empty()) << note.id;
    }
}

TEST(Aligner, ANoteMisreadAsTheOneBeforeItIsMisreadAndNotThatOneSaidTwice)
{
    const std::vector<media::ExpectedNote> expected{{"n1", "left five onto gravel", "eighty"},
        {"n2", "right four long", ""}, {"n3", "into left four long", ""}, {"n4", "into right two", "sixty"},
        {"n5", "left six", "one hundred"}, {"n6", "unseen right three over crest", ""}};
    std::vector<std::string> texts;
    for (const auto& note : expected) {
        texts.push_back(note.spoken + " " + note.spoken_after);
    }
    texts[2] = "into right four long";
    const auto found = media::align(saidAloud(texts, 240, {}), expected).notes;
    EXPECT_TRUE(found[1].read && found[1].repeats.empty());
    ASSERT_TRUE(found[2].read);
    ASSERT_EQ(found[2].misread.size(), 1U);
    EXPECT_EQ(found[2].misread[0].said, "right");
    EXPECT_EQ(found[2].misread[0].note_says, "left");
    EXPECT_GE(found[2].misread[0].sure, take::kSure);
    for (const std::size_t k : {0U, 1U, 3U, 4U, 5U}) {
        EXPECT_TRUE(found[k].read && found[k].misread.empty()) << expected[k].id;
    }
}

TEST(Aligner, SilenceHasNoNotes)
{
    const auto plan = demoPlan();
    media::Sound silence{std::vector<std::int16_t>(static_cast<std::size_t>(20 * media::kAlignRate_hz), 0),
        media::kAlignRate_hz};
    for (const auto& note : media::align(silence, take::expectedNotes(plan)).notes) {
        EXPECT_FALSE(note.read);
    }
}

TEST(Aligner, APartOfTheStageIsFoundWhereverItBegins)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 3, 100.0, 160.0);
    const auto alignment = media::align(reading.sound, take::expectedNotes(plan));
    std::size_t read = 0;
    for (const auto& note : alignment.notes) {
        read += note.read ? 1U : 0U;
    }
    EXPECT_EQ(read, reading.truth.size());
    EXPECT_TRUE(std::all_of(reading.truth.begin(), reading.truth.end(), [&](const auto& truth) {
        return std::any_of(alignment.notes.begin(), alignment.notes.end(),
            [&](const auto& n) { return n.id == truth.id && n.read; });
    }));
}

/// A minute and a half is cut out of it, as of a video: nothing is said then when the plan has it.
TEST(Aligner, AReadingIsFoundOnBothSidesOfACut)
{
    constexpr std::size_t kAtTheCut = 2; ///< notes that may be lost
    const auto plan = demoPlan();
    const auto before = media::readAloud(plan, {}, 5, 0.0, 38.0);
    const auto behind = media::readAloud(plan, {}, 6, 160.0, 184.0);
    const auto found = media::align(joined(before.sound, behind.sound), take::expectedNotes(plan)).notes;
    std::size_t read = 0;
    for (const auto& truth : {before.truth, behind.truth}) {
        read += static_cast<std::size_t>(std::count_if(truth.begin(), truth.end(), [&](const auto& note) {
            return std::any_of(found.begin(), found.end(),
                [&](const auto& heard) { return heard.id == note.id && heard.read; });
        }));
    }
    EXPECT_GE(read + kAtTheCut, before.truth.size() + behind.truth.size());
}

TEST(Aligner, ATakeStoppedInTheMiddleOfANoteKeepsAllThatWasReadBefore)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 3, 0.0, 45.0);
    const auto expected = take::expectedNotes(plan);
    std::mt19937 random(11);
    for (int cut = 0; cut < 3; ++cut) {
        // somewhere inside a note, in the middle of a word as a rule
        const std::size_t k = 3 + random() % (reading.truth.size() - 3);
        const take::Span& note = reading.truth[k].span;
        const double share = std::uniform_real_distribution(0.1, 0.9)(random);
        const double end_s = note.start_s + share * (note.end_s - note.start_s);
        media::Sound part{
            {reading.sound.samples.begin(),
                reading.sound.samples.begin() + static_cast<std::ptrdiff_t>(end_s * reading.sound.rate_hz)},
            reading.sound.rate_hz};
        const auto alignment = media::align(part, expected);
        for (std::size_t n = 0; n < k; ++n) {
            EXPECT_TRUE(alignment.notes[n].read)
                << "note " << n << " of a take cut at " << end_s << " s, in " << plan.notes[k].spoken;
            EXPECT_NEAR(alignment.notes[n].span.start_s, reading.truth[n].span.start_s, 0.15);
        }
        EXPECT_FALSE(alignment.notes[k].restarted) << "cut at " << end_s << " s: not begun again";
        for (std::size_t n = k + 1; n < alignment.notes.size(); ++n) {
            EXPECT_FALSE(alignment.notes[n].read) << "note " << n << " after the cut at " << end_s << " s";
        }
    }
}

/// Where it is known when each note is due, what sounds like one that is not cannot lead the search astray.
TEST(Aligner, WhereTheClockIsKnownNotesAreFoundWhereTheyAreDue)
{
    stage::Stage stage;
    stage.text =
        "right five over crest 80\nleft four long into right three 60\ncaution left two don't cut 50\n"
        "right six 100\nleft three tightens 40\nright four into left five 70\n"
        "right five over crest 90\nleft four long into right three 60\ncaution left two don't cut 50\n"
        "right six 120\n";
    const auto plan = stage::prepare(stage, nullptr).plan;
    const double from_s = plan.notes.front().start_s - 2.0;
    const auto first = media::readAloud(plan, {}, 3, from_s, plan.notes[5].end_s + 1.0);
    const auto readIn = [&](double offset_s) {
        const auto found =
            media::align(first.sound, take::expectedNotes(plan, take::Clock{offset_s, 1.0})).notes;
        std::vector<std::size_t> read;
        for (std::size_t k = 0; k < found.size(); ++k) {
            if (found[k].read) {
                read.push_back(k);
            }
        }
        return read;
    };
    const auto read = readIn(from_s);
    EXPECT_GE(read.size(), 5U);
    EXPECT_TRUE(std::all_of(read.begin(), read.end(), [](std::size_t k) { return k < 6; }));
    EXPECT_LE(readIn(from_s - 200.0).size(), 2U) << "long before anything is due";
}
