// Notes heard when they are not due are looked for when they are.

#include "media/off_time.h"

#include "media/resample.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <string>
#include <vector>

using namespace brumefall;
using media::HeardWord;

namespace {

const std::vector<std::string> kNotes{"left four long", "right three tightens", "caution left two",
    "right six over crest", "hairpin left", "right five don't cut", "left three opens",
    "right two over bridge", "left six", "right four minus"};

constexpr std::size_t kNone = 99;

/// The notes, each read after a silence, as they are heard; the plan has them begin when they do.
class ReadOnTime {
public:
    explicit ReadOnTime(std::size_t skipped = kNone)
    {
        for (const std::string& note : kNotes) {
            expected_.push_back({note, note, ""});
        }
        media::Sound sound{{}, media::kAlignRate_hz};
        for (std::size_t k = 0; k < kNotes.size(); ++k) {
            sound.samples.resize(sound.samples.size() + 3 * media::kAlignRate_hz);
            expected_[k].planned_s = sound.duration_s();
            if (k == skipped) {
                continue;
            }
            const auto said = media::resampled(media::sayAtRate(kNotes[k], 200, {}), media::kAlignRate_hz);
            sound.samples.insert(sound.samples.end(), said.samples.begin(), said.samples.end());
        }
        condensed_ = media::condense(sound);
        recogniser_ = std::make_unique<media::NoteRecogniser>(expected_);
        span_ = {0.0, static_cast<double>(condensed_.samples.size()) / media::kAlignRate_hz};
        window_ = {0, expected_.size(), 0, false};
        read_ = recogniser_->hear(condensed_, span_, window_).words;
        for (std::size_t w = 0; w < read_.size(); ++w) {
            if (media::beginsNote(read_, w)) {
                expected_[read_[w].place.note].planned_s = startOf(read_[w]);
            }
        }
    }

    [[nodiscard]] const std::vector<HeardWord>& read() const { return read_; }
    /// The first word of a note among some.
    static std::size_t firstOf(const std::vector<HeardWord>& words, std::size_t note)
    {
        return static_cast<std::size_t>(std::find_if(words.begin(), words.end(), [&](const HeardWord& word) {
            return word.place.note == note;
        }) - words.begin());
    }
    /// In seconds of the recording.
    [[nodiscard]] double startOf(const HeardWord& word) const
    {
        return condensed_.originalTime(word.span.start_s);
    }
    [[nodiscard]] double plannedOf(std::size_t note) const
    {
        return expected_[note].planned_s.value_or(-1.0);
    }
    void forgetPlan()
    {
        for (auto& note : expected_) {
            note.planned_s.reset();
        }
    }
    [[nodiscard]] std::vector<HeardWord> heardWhenDue(std::vector<HeardWord> words, bool driver = false)
    {
        media::hearWhenDue(*recogniser_, condensed_, span_, window_, {expected_, {}, 0.0}, driver, words);
        return words;
    }

private:
    std::vector<take::ExpectedNote> expected_;
    media::Condensed condensed_;
    std::unique_ptr<media::NoteRecogniser> recogniser_;
    take::Span span_;
    media::Grammar::Window window_;
    std::vector<HeardWord> read_;
};

std::vector<std::size_t> notesOf(const std::vector<HeardWord>& words)
{
    std::vector<std::size_t> notes;
    for (std::size_t w = 0; w < words.size(); ++w) {
        if (media::beginsNote(words, w)) {
            notes.push_back(words[w].place.note);
        }
    }
    return notes;
}

} // namespace

TEST(OffTime, AWordTakenFromTheTalkBeforeANoteIsPutBackToIt)
{
    ReadOnTime reading;
    ASSERT_EQ(notesOf(reading.read()).size(), kNotes.size());
    auto words = reading.read();
    const std::size_t first = ReadOnTime::firstOf(words, 6);
    const double before_s = words[first - 1].span.end_s;
    words[first].span = {before_s, before_s + 0.2}; // seconds before the next word
    const auto heard = reading.heardWhenDue(words);
    ASSERT_EQ(heard.size(), words.size());
    EXPECT_NEAR(reading.startOf(heard[first]), reading.plannedOf(6), 0.15);
    EXPECT_EQ(notesOf(heard), notesOf(words));
}

TEST(OffTime, ANoteHeardLongBeforeItIsDueIsFoundWhenItIs)
{
    ReadOnTime reading;
    auto words = reading.read();
    const std::size_t first = ReadOnTime::firstOf(words, 7);
    const double before_s = words[first - 1].span.end_s;
    for (std::size_t w = first; w < words.size() && words[w].place.note == 7; ++w) {
        const double start_s = before_s + 0.05 * static_cast<double>(w - first);
        words[w].span = {start_s, start_s + 0.05};
    }
    ASSERT_LT(reading.startOf(words[first]), reading.plannedOf(7) - 2.0);
    const auto heard = reading.heardWhenDue(words);
    ASSERT_EQ(heard.size(), words.size());
    EXPECT_NEAR(reading.startOf(heard[first]), reading.plannedOf(7), 0.15);
}

TEST(OffTime, ANoteOfScrapsOfTheDriverIsNone)
{
    constexpr std::size_t kSkipped = 6;
    ReadOnTime reading(kSkipped);
    auto words = reading.read();
    ASSERT_EQ(notesOf(words).size(), kNotes.size() - 1);
    const std::size_t next = ReadOnTime::firstOf(words, kSkipped + 1);
    const double first_s = words[next - 1].span.end_s;
    const double second_s = words[next].span.start_s - 0.2;
    const std::vector<HeardWord> scraps{{{kSkipped, 0, false, 0}, {first_s, first_s + 0.1}, {}, 0.0},
        {{kSkipped, 1, false, 0}, {second_s, second_s + 0.1}, {}, 0.0},
        {{kSkipped, 2, false, 0}, {second_s + 0.1, second_s + 0.2}, {}, 0.0}};
    words.insert(words.begin() + static_cast<std::ptrdiff_t>(next), scraps.begin(), scraps.end());
    EXPECT_EQ(notesOf(reading.heardWhenDue(words, true)), notesOf(reading.read()));
    EXPECT_EQ(notesOf(reading.heardWhenDue(words, false)), notesOf(words)) << "who hesitated, alone";
}

TEST(OffTime, ANoteThatWasMissedIsFoundWhereItIsDue)
{
    constexpr std::size_t kSkipped = 3;
    ReadOnTime reading(kSkipped);
    for (const std::size_t missed : {std::size_t{6}, kNotes.size() - 1}) {
        auto words = reading.read();
        std::erase_if(words, [&](const HeardWord& word) { return word.place.note == missed; });
        const auto heard = reading.heardWhenDue(words);
        EXPECT_EQ(notesOf(heard), notesOf(reading.read())) << "and none for the one that was left out";
        ASSERT_LT(ReadOnTime::firstOf(heard, missed), heard.size());
        EXPECT_NEAR(
            reading.startOf(heard[ReadOnTime::firstOf(heard, missed)]), reading.plannedOf(missed), 0.15);
    }
}

TEST(OffTime, WhatIsOnTimeOrDueNobodyKnowsWhenStaysAsItWasHeard)
{
    ReadOnTime reading;
    const auto same = [](const std::vector<HeardWord>& a, const std::vector<HeardWord>& b) {
        return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](const HeardWord& x, const HeardWord& y) {
            return x.span.start_s == y.span.start_s && x.place.note == y.place.note;
        });
    };
    EXPECT_TRUE(same(reading.heardWhenDue(reading.read()), reading.read()));
    auto words = reading.read();
    const std::size_t first = ReadOnTime::firstOf(words, 6);
    words[first].span = words[first - 1].span;
    reading.forgetPlan();
    EXPECT_TRUE(same(reading.heardWhenDue(words), words));
}
