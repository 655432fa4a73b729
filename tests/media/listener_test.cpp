// Notes straight from the sound, in the voice of the simulated reader.

#include "captions/draft.h"
#include "media/car_noise.h"
#include "media/condense.h"
#include "media/demo_plan.h"
#include "media/listener.h"
#include "media/pronunciations.h"
#include "media/simulated_reader.h"
#include "media/voice.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

plan::Plan planOf(const std::string& text)
{
    stage::Stage stage;
    stage.text = text;
    return stage::prepare(stage, nullptr).plan;
}

captions::Draft draftOf(const std::vector<captions::Cue>& cues)
{
    return captions::draftNotes(cues, {}, media::englishPronunciations());
}

/// Direction and grade of every note of a draft.
std::vector<std::string> headsOf(const captions::Draft& draft)
{
    std::vector<std::string> heads;
    for (const auto& call : captions::understandDraft(draft).calls) {
        for (const auto& note : call.notes) {
            const std::string side = !note.direction        ? "-"
                : *note.direction == notes::Direction::left ? "L"
                                                            : "R";
            heads.push_back(side + (note.grade ? notes::toString(*note.grade) : "?"));
        }
    }
    return heads;
}

const std::vector<std::string> kHeads{"R5", "L4", "R3", "L2", "R6", "L3", "R4", "L5"};

/// How many heads are wrong, where there are as many as were said.
std::ptrdiff_t wrongOf(const std::vector<std::string>& heads)
{
    return heads.size() != kHeads.size()
        ? static_cast<std::ptrdiff_t>(kHeads.size())
        : std::count_if(heads.begin(), heads.end(),
            [&, i = 0U](const std::string& head) mutable { return head != kHeads[i++]; });
}

constexpr const char* kStage = "right five over crest 80\nleft four long into right three 60\n"
                               "caution left two don't cut 50\nright six 100\nleft three tightens 40\n"
                               "right four into left five 70\n";

} // namespace

TEST(Listener, HearsTheNotesAndWhenTheyWereSaid)
{
    const auto plan = planOf(kStage);
    const auto reading = media::readAloud(plan, {}, 3);
    std::string last;
    double share = 0.0;
    const auto cues = media::listen(
        reading.sound, {},
        [&](double now) {
            share = std::max(share, now);
            return true;
        },
        [&](const captions::Cue& cue) { last = cue.text; });
    EXPECT_FALSE(last.empty()) << "shown while it is heard";
    EXPECT_GE(share, 0.0);
    const auto draft = draftOf(cues);
    EXPECT_TRUE(captions::isReading(draft));
    EXPECT_LE(wrongOf(headsOf(draft)), 1);
    ASSERT_FALSE(draft.calls.empty());
    // the first note of each call, where the reader said it
    std::size_t note = 0;
    for (const auto& call : draft.calls) {
        EXPECT_NEAR(call.at_s, reading.truth[note].span.start_s, 0.25) << call.text;
        note += call.notes.size();
    }
}

TEST(Listener, ANumberFirstCrewIsHeardAsOne)
{
    notes::Style style;
    style.order = notes::Order::number_first;
    stage::Stage stage;
    stage.style = style;
    stage.text = "five right over crest 80\nfour left long into three right 60\ntwo left don't cut 50\n"
                 "six right 100\nthree left tightens 40\nfour right into five left 70\n";
    const auto reading = media::readAloud(stage::prepare(stage, nullptr).plan, {}, 4);
    const auto draft = draftOf(media::listen(reading.sound, {}));
    EXPECT_EQ(draft.order, notes::Order::number_first);
    EXPECT_LE(wrongOf(headsOf(draft)), 1) << captions::draftText(draft, 0, draft.calls.size());
}

TEST(Listener, TalkAndSilenceAreNoNotes)
{
    EXPECT_TRUE(media::listen({}, {}).empty());
    media::Sound silence{std::vector<std::int16_t>(5 * media::kAlignRate_hz, 0), media::kAlignRate_hz};
    EXPECT_FALSE(captions::isReading(draftOf(media::listen(silence, {}))));
    const auto talk =
        media::sayAtRate("we should talk about the weather after lunch. the others had a problem "
                         "with their brakes, so they asked whether they could borrow our tools",
            180);
    const auto draft = draftOf(media::listen(talk, {}));
    EXPECT_FALSE(captions::isReading(draft)) << captions::draftText(draft, 0, draft.calls.size());
}

/// A remark between notes makes none, and is told with its times.
TEST(Listener, TalkBetweenNotesIsKeptAsTalk)
{
    const auto reading = media::readAloud(planOf(kStage), {}, 3);
    const auto talk = media::sayAtRate(
        "look at those people in the garden. we could have bought the old house by the river, and grown "
        "potatoes for the whole family. my sister said that nobody wanted it, because of the water in the "
        "cellar, but her husband had already told the bank about the whole thing",
        180);
    ASSERT_EQ(talk.rate_hz, reading.sound.rate_hz);
    media::Sound both = reading.sound;
    const double from_s = both.duration_s() + 1.0;
    const std::vector<std::int16_t> silence(static_cast<std::size_t>(both.rate_hz), 0);
    for (const auto* part : {&silence, &talk.samples, &silence, &reading.sound.samples}) {
        both.samples.insert(both.samples.end(), part->begin(), part->end());
    }
    const auto draft = draftOf(media::listen(both, {}));
    double told_s = 0.0;
    for (const auto& part : draft.talk) {
        EXPECT_GT(part.at_s, from_s - 1.0);
        EXPECT_LT(part.end_s, from_s + talk.duration_s() + 1.0);
        told_s += part.end_s - part.at_s;
    }
    EXPECT_GT(told_s, 0.7 * talk.duration_s());
    EXPECT_TRUE(std::none_of(draft.calls.begin(), draft.calls.end(), [&](const captions::DraftCall& call) {
        return call.at_s > from_s - 0.5 && call.at_s < from_s + talk.duration_s() + 0.5;
    }));
    EXPECT_EQ(headsOf(draft).size(), 2 * kHeads.size());
}

/// An engine holds a tone far longer than a reader holds a vowel.
TEST(Listener, AnEngineAloneIsNoWords)
{
    const auto cues = media::listen(media::carNoise(media::kNoiseLoop_s), {});
    EXPECT_TRUE(cues.empty()) << cues.front().text;
}

/// The recogniser aborted where its best path ended in talk that no silence could follow.
TEST(Listener, AnOnboardInWhichNobodySpeaksIsNoNotes)
{
    auto onboard = media::decodeSound(kDemo / "media" / "stage.mkv", media::kAlignRate_hz);
    onboard = media::spanOf(onboard, 0.0, 50.0);
    EXPECT_FALSE(captions::isReading(draftOf(media::listen(std::move(onboard), {}))));
}

TEST(Listener, ItStopsWhenItIsAskedTo)
{
    const auto reading = media::readAloud(planOf(kStage), {}, 3);
    EXPECT_TRUE(media::listen(reading.sound, {}, [](double) { return false; }).empty());
}

/// Two seconds of another's voice between two calls, more than once.
TEST(Listener, AShortRemarkIsTalkToo)
{
    const auto reading = media::readAloud(planOf(kStage), {}, 3);
    media::VoiceStyle other;
    other.variant = "en-us+m3";
    media::Sound all{{}, reading.sound.rate_hz};
    const std::vector<std::int16_t> silence(static_cast<std::size_t>(all.rate_hz) / 2, 0);
    const auto add = [&](const media::Sound& said) {
        all.samples.insert(all.samples.end(), silence.begin(), silence.end());
        all.samples.insert(all.samples.end(), said.samples.begin(), said.samples.end());
        return all.duration_s() - said.duration_s();
    };
    add(reading.sound);
    const double bird_s = add(media::sayAtRate("did you see that big bird on the wall", 200, other));
    add(reading.sound);
    const double visor_s =
        add(media::sayAtRate("my visor is steaming up again can you see anything", 200, other));
    const auto draft = draftOf(media::listen(all, {}));
    for (const double at_s : {bird_s, visor_s}) {
        EXPECT_TRUE(std::any_of(draft.talk.begin(), draft.talk.end(), [&](const auto& talk) {
            return std::abs(talk.at_s - at_s) < 1.0;
        })) << at_s;
    }
    EXPECT_EQ(headsOf(draft).size(), 2 * kHeads.size()) << "all the notes, and no other";
}
