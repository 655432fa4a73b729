#include "notes/identity.h"
#include "notes/parser.h"
#include "notes/spoken.h"
#include "notes/suggest.h"

#include <gtest/gtest.h>

#include <random>
#include <set>
#include <utility>

using namespace brumefall::notes;

namespace {

Note only(const std::string& line, const Style& style = {})
{
    const auto parsed = parseNotes(line, style);
    EXPECT_EQ(parsed.calls.size(), 1U) << line;
    if (parsed.calls.empty() || parsed.calls[0].notes.size() != 1) {
        ADD_FAILURE() << "not one note: " << line;
        return {};
    }
    return parsed.calls[0].notes[0];
}

std::vector<Note> all(const std::string& text, const Style& style = {})
{
    std::vector<Note> notes;
    for (const auto& call : parseNotes(text, style).calls) {
        notes.insert(notes.end(), call.notes.begin(), call.notes.end());
    }
    return notes;
}

Style numberFirst()
{
    Style style;
    style.order = Order::number_first;
    return style;
}

struct CornerCase {
    const char* line;
    Direction direction;
    const char* grade;
    const char* modifier;
    const char* extent;
    LinkKind link;
    double metres;
};

class Corners : public testing::TestWithParam<CornerCase> { };

} // namespace

TEST_P(Corners, AreUnderstood)
{
    const CornerCase& expected = GetParam();
    const Note note = only(expected.line);
    EXPECT_EQ(note.direction, expected.direction);
    ASSERT_TRUE(note.grade.has_value());
    EXPECT_EQ(toString(*note.grade), expected.grade);
    EXPECT_EQ(note.modifier, expected.modifier);
    EXPECT_EQ(note.extent, expected.extent);
    EXPECT_EQ(note.link.kind, expected.link);
    EXPECT_EQ(note.link.metres, expected.metres);
}

INSTANTIATE_TEST_SUITE_P(Notes, Corners,
    testing::Values(CornerCase{"left four", Direction::left, "4", "", "", LinkKind::none, 0},
        CornerCase{"four left", Direction::left, "4", "", "", LinkKind::none, 0},
        CornerCase{"right four long sixty", Direction::right, "4", "", "long", LinkKind::distance, 60},
        CornerCase{"long four right 60", Direction::right, "4", "", "long", LinkKind::distance, 60},
        CornerCase{"left three minus one fifty", Direction::left, "3", "minus", "", LinkKind::distance, 150},
        CornerCase{"three minus left a hundred and twenty", Direction::left, "3", "minus", "",
            LinkKind::distance, 120},
        CornerCase{"R4- lg 120", Direction::right, "4", "minus", "long", LinkKind::distance, 120},
        CornerCase{"4R+ sh 30", Direction::right, "4", "plus", "short", LinkKind::distance, 30},
        CornerCase{"left 3 1-20", Direction::left, "3", "", "", LinkKind::distance, 120},
        CornerCase{"hairpin left fifty", Direction::left, "hairpin", "", "", LinkKind::distance, 50},
        CornerCase{"right open hairpin", Direction::right, "open_hairpin", "", "", LinkKind::none, 0},
        CornerCase{
            "very tight hairpin left", Direction::left, "very_tight_hairpin", "", "", LinkKind::none, 0},
        CornerCase{"square right thirty five", Direction::right, "square", "", "", LinkKind::distance, 35},
        CornerCase{"left two and a half", Direction::left, "2", "half", "", LinkKind::none, 0},
        CornerCase{
            "left five half long 200 metres", Direction::left, "5", "", "half_long", LinkKind::distance, 200},
        CornerCase{
            "right six extra extra long", Direction::right, "6", "", "extra_extra_long", LinkKind::none, 0}));

TEST(Notes, AChainIsSplitAtItsJoiningWords)
{
    const auto notes = all("right four long tightens two into left three and right five, sixty");
    ASSERT_EQ(notes.size(), 3U);
    EXPECT_EQ(notes[0].link.kind, LinkKind::into);
    EXPECT_EQ(notes[1].link.kind, LinkKind::and_);
    EXPECT_EQ(notes[2].link.metres, 60.0);
    EXPECT_EQ(notes[1].spoken, "into left three")
        << "a joining word is spoken with the note that it leads to";
    EXPECT_EQ(notes[2].spoken_after, "sixty");
    EXPECT_EQ(notes[2].spoken, "and right five");
}

TEST(Notes, NumberFirstAndDirectionFirstMeanTheSame)
{
    const auto a = all("4 left 50 3 right long into 5 left\n2 right tightens 1", numberFirst());
    const auto b = all("left 4 50 right 3 long into left 5\nright 2 tightens 1");
    ASSERT_EQ(a.size(), b.size());
    for (std::size_t i = 0; i < a.size(); ++i) {
        EXPECT_TRUE(a[i].sameMeaning(b[i])) << a[i].text << " / " << b[i].text;
    }
}

TEST(Notes, SpelledNumbersBeforeACornerAreADistanceAndAGrade)
{
    const auto notes = all("four left fifty three right", numberFirst());
    ASSERT_EQ(notes.size(), 2U);
    EXPECT_EQ(notes[0].link.metres, 50.0);
    EXPECT_EQ(notes[1].grade->number, 3);
}

TEST(Notes, ShapesKeepTheirTargetsAndFeatures)
{
    const Note note = only("left five opens, then tightens three late over crest");
    ASSERT_EQ(note.shapes.size(), 2U);
    EXPECT_EQ(note.shapes[0].kind, "opens");
    EXPECT_EQ(note.shapes[1].kind, "tightens");
    EXPECT_EQ(note.shapes[1].to->number, 3);
    EXPECT_TRUE(note.shapes[1].late);
    ASSERT_EQ(note.shapes[1].features.size(), 1U);
    EXPECT_EQ(note.shapes[1].features[0].relation, "over");
}

TEST(Notes, AGradeAfterAShapesOwnTargetIsAFurtherShape)
{
    const Note note = only("left four opens five to three late 60");
    ASSERT_EQ(note.shapes.size(), 2U);
    EXPECT_EQ(note.shapes[0].to->number, 5);
    EXPECT_FALSE(note.shapes[0].late);
    EXPECT_EQ(note.shapes[1].to->number, 3);
    EXPECT_TRUE(note.shapes[1].late);
}

TEST(Notes, AStraightThatNeedsItsOwnWordIsANote)
{
    EXPECT_EQ(only("long straight 200").kind, NoteKind::straight);
    EXPECT_EQ(only("left six over straight crest").kind, NoteKind::corner);
}

TEST(Notes, FeaturesKeepRelationSizeCountAndDoubt)
{
    const Note crests = only("left four over two small crests");
    ASSERT_EQ(crests.features.size(), 1U);
    EXPECT_EQ(crests.features[0], (Feature{"over", "crest", "small", false, 2}));
    const Note jump = only("jump maybe 80");
    ASSERT_EQ(jump.features.size(), 1U);
    EXPECT_TRUE(jump.features[0].maybe);
    EXPECT_EQ(jump.kind, NoteKind::feature);
    const Note logs = only("left three logs outside on exit");
    ASSERT_FALSE(logs.features.empty());
    EXPECT_EQ(logs.features[0].relation, "outside");
}

TEST(Notes, LinesWarningsAndSurfacesAreKept)
{
    const Note note = only("double caution unseen right two plus don't cut keep left onto cobbles");
    EXPECT_EQ(note.warnings, std::vector<std::string>{"double_caution"});
    EXPECT_EQ(note.visibility, "unseen");
    EXPECT_EQ(note.lines, (std::vector<std::string>{"dont_cut", "keep_left"}));
    EXPECT_EQ(note.surface, "cobbles");
}

TEST(Notes, JunctionsAndChicanesHaveTheirDirection)
{
    const Note junction = only("turn left at junction");
    EXPECT_EQ(junction.kind, NoteKind::junction);
    EXPECT_EQ(junction.direction, Direction::left);
    const Note chicane = only("chicane left entry 30");
    EXPECT_EQ(chicane.kind, NoteKind::chicane);
    EXPECT_EQ(chicane.direction, Direction::left);
    EXPECT_EQ(only("right four past junction").kind, NoteKind::corner) << "a junction driven past is no turn";
}

TEST(Notes, ACornerNamedRightAfterItsNumberIsOneCorner)
{
    for (const char* line : {"right one hairpin opens 40", "1 right hairpin opens 40"}) {
        const Note note = only(line);
        EXPECT_EQ(note.direction, Direction::right) << line;
        ASSERT_TRUE(note.grade) << line;
        EXPECT_EQ(note.grade->name, "hairpin") << line;
        EXPECT_EQ(note.free_words, std::vector<std::string>{"one"}) << "nothing is lost: " << line;
        EXPECT_EQ(note.shapes.size(), 1U) << line;
    }
    EXPECT_EQ(all("right two hairpin left 40").size(), 2U) << "the next corner's name";
    EXPECT_EQ(all("right two, hairpin 40").size(), 2U);
}

TEST(Notes, ASelfCorrectionKeepsTheLastWordAndShowsTheFirst)
{
    const Note note = only("left three, no, right three fifty");
    EXPECT_EQ(note.direction, Direction::right);
    EXPECT_EQ(note.corrected_from, "left three");
    EXPECT_EQ(note.link.metres, 50.0);
}

TEST(Notes, SayingANoteAgainWhenTheCarIsThereIsAnEcho)
{
    const auto notes = all("left four 200\nleft four here now into right three");
    ASSERT_EQ(notes.size(), 3U);
    EXPECT_EQ(notes[1].echo_of, notes[0].id);
    EXPECT_TRUE(notes[2].echo_of.empty());
}

TEST(Notes, ANumberAloneIsTheDistanceAfterTheNoteBefore)
{
    const auto parsed = parseNotes("left four\n200\nright three");
    ASSERT_EQ(parsed.calls.size(), 3U);
    EXPECT_EQ(parsed.calls[0].notes[0].link.metres, 200.0);
    EXPECT_EQ(parsed.calls[0].notes[0].spoken_after, "two hundred");
    EXPECT_TRUE(parsed.calls[1].notes.empty());
}

TEST(Notes, ADistanceAtTheStartOfACallIsSpokenWithItsFirstNote)
{
    const auto notes = all("left four\nsixty right three");
    ASSERT_EQ(notes.size(), 2U);
    EXPECT_EQ(notes[0].link.metres, 60.0);
    EXPECT_TRUE(notes[0].spoken_after.empty());
    EXPECT_EQ(notes[1].spoken, "sixty right three");
}

TEST(Notes, CommentsBlankLinesAndLapsAreNotCalls)
{
    const auto parsed = parseNotes("# start\nleft four\n\n[laps 3]\nright two # tight\n[end]\nleft six\n");
    ASSERT_EQ(parsed.calls.size(), 5U);
    EXPECT_EQ(parsed.calls[3].text, "right two");
    EXPECT_TRUE(parsed.calls[1].paragraph_before);
}

TEST(Notes, WhatIsNotUnderstoodStaysAndGetsASuggestion)
{
    const auto parsed = parseNotes("left four titans two\nright thre");
    ASSERT_GE(parsed.unknown.size(), 2U);
    EXPECT_EQ(parsed.unknown[0].suggestion, "tightens");
    EXPECT_EQ(parsed.unknown[0].line, 1);
    EXPECT_EQ(parsed.calls[0].text, "left four titans two");
}

TEST(Notes, WhatIsNotSoDoesNotCountAsSaid)
{
    const auto parsed =
        parseNotes("left three not jump 60\nright four don't keep in 50\nleft four, not over a crest, long 40");
    ASSERT_EQ(parsed.calls.size(), 3U);
    EXPECT_TRUE(parsed.calls[0].notes.front().features.empty());
    EXPECT_TRUE(parsed.calls[1].notes.front().lines.empty());
    EXPECT_TRUE(parsed.calls[2].notes.front().features.empty());
    EXPECT_EQ(parsed.calls[2].notes.front().extent, "long");
    ASSERT_EQ(parsed.unknown.size(), 7U);
    EXPECT_EQ(parsed.unknown[0].text, "not");
    EXPECT_EQ(parsed.unknown[1].text, "jump");
    EXPECT_TRUE(parsed.unknown[2].suggestion.empty()) << "nothing is misspelled in don't";
}

TEST(Notes, EveryWordIsCountedOnce)
{
    const auto parsed = parseNotes("left four one fifty good luck flibble");
    EXPECT_EQ(parsed.words, 6); // "one fifty" is one number
    EXPECT_EQ(parsed.chatter, 2);
    EXPECT_EQ(parsed.understood, 3);
    EXPECT_EQ(parsed.unknown.size(), 1U);
}

TEST(Notes, TheScaleIsFoundFromWhatTightensToWhat)
{
    EXPECT_EQ(parseNotes("left four tightens two\nright five opens six").style.scale, Scale::ascending);
    const auto descending = parseNotes("left two tightens four\nright five opens three").style;
    EXPECT_EQ(descending.scale, Scale::descending);
    ASSERT_FALSE(descending.evidence.empty());
    EXPECT_GT(descending.evidence.back().line, 0);
}

TEST(Notes, TheOrderIsFoundByMajorityAndOverruledByTheCrew)
{
    EXPECT_EQ(parseNotes("four left\nthree right\nleft two").style.order, Order::number_first);
    Style style;
    style.order = Order::direction_first;
    EXPECT_EQ(parseNotes("four left\nthree right", style).style.order, Order::direction_first);
}

TEST(Notes, AnyBytesAtAllAreReadWithoutLosingALine)
{
    std::mt19937 random(3);
    for (int trial = 0; trial < 300; ++trial) {
        std::string text;
        int lines = 0;
        for (int i = 0; i < 200; ++i) {
            const char c = static_cast<char>(random() % 256);
            text += c == '#' || c == '[' ? 'x' : c;
        }
        for (std::size_t at = 0; at <= text.size();) {
            const auto end = std::min(text.find('\n', at), text.size());
            lines += text.substr(at, end - at).find_first_not_of(" \t\r") != std::string::npos ? 1 : 0;
            at = end + 1;
        }
        EXPECT_EQ(static_cast<int>(parseNotes(text).calls.size()), lines);
    }
}

TEST(Notes, LapsAndLongTextsAreBoundedWithAMessage)
{
    std::string text = "[laps 20]\n";
    for (int i = 0; i < 20000; ++i) {
        text += "left four 60\n";
    }
    const auto parsed = parseNotes(text + "[end]\n");
    EXPECT_EQ(parsed.calls.size(), kMostLines);
    EXPECT_FALSE(parsed.diagnostics.empty());
}

TEST(Spoken, NumbersAreSaidTheWayTheCrewSaysThem)
{
    EXPECT_EQ(sayNumber(150, HundredsSaid::short_form), "one fifty");
    EXPECT_EQ(sayNumber(150, HundredsSaid::long_form), "a hundred and fifty");
    EXPECT_EQ(sayNumber(100, HundredsSaid::short_form), "one hundred");
    EXPECT_EQ(sayNumber(35, HundredsSaid::short_form), "thirty five");
    EXPECT_EQ(sayNumber(205, HundredsSaid::short_form), "two hundred and five");
}

TEST(Spoken, SyllablesOfTheNoteLanguageAreCounted)
{
    const std::pair<const char*, int> kExpected[]{{"left four", 2}, {"tightens", 2}, {"over crest", 3},
        {"hairpin", 2}, {"caution", 2}, {"don't cut", 2}, {"into", 2}, {"one fifty", 3}, {"square", 1},
        {"seventy", 3}, {"opens", 2}};
    for (const auto& [words, syllables] : kExpected) {
        EXPECT_EQ(countSyllables(words), syllables) << words;
    }
}

TEST(Suggest, CountsASwapAsOneEdit)
{
    EXPECT_EQ(editDistance("rihgt", "right"), 1);
    EXPECT_EQ(suggestFor("hairpn"), "hairpin");
    EXPECT_EQ(suggestFor("zzzzzz"), "");
}

TEST(Identity, NotesKeepTheirIdsWhenTheTextAroundThemChanges)
{
    auto before = parseNotes("left four 60\nright three 50\nleft two\nright six");
    const auto known = rememberNotes(before.calls);
    auto after = parseNotes("left four 60\ncaution hairpin left\nright three 40\nright six");
    keepIds(known, after.calls);
    EXPECT_EQ(after.calls[0].notes[0].id, "n1");
    EXPECT_EQ(after.calls[2].notes[0].id, "n2") << "its distance was changed, the note is the same";
    EXPECT_EQ(after.calls[3].notes[0].id, "n4");
    EXPECT_EQ(after.calls[1].notes[0].id, "n5") << "a new note gets an id that no other ever had";
}

namespace {

/// The ids of a text that is edited line by line, with what went from it remembered.
class TextBeingEdited {
public:
    std::vector<std::string> ids(const std::string& text)
    {
        auto parsed = parseNotes(text);
        keepIds(known_, parsed.calls, gone_);
        const auto before = std::exchange(known_, rememberNotes(parsed.calls));
        gone_ = rememberGone(gone_, before, known_, [](const std::string&) { return true; });
        std::vector<std::string> out;
        for (const auto& note : known_) {
            out.push_back(note.id);
        }
        return out;
    }
    [[nodiscard]] std::size_t gone() const { return gone_.size(); }

private:
    std::vector<KnownNote> known_;
    std::vector<GoneNote> gone_;
};

using Ids = std::vector<std::string>;

} // namespace

TEST(Identity, LinesThatWereCutAndPutBackHaveTheIdsThatTheyHad)
{
    TextBeingEdited text;
    text.ids("left four 60\nright three 50\nleft two\nright six 30\nhairpin left");
    EXPECT_EQ(text.ids("left four 60\nhairpin left"), (Ids{"n1", "n5"}));
    EXPECT_EQ(text.gone(), 3U);
    EXPECT_EQ(text.ids("left four 60\nright three 50\nleft two\nright six 30\nhairpin left"),
        (Ids{"n1", "n2", "n3", "n4", "n5"}));
    EXPECT_EQ(text.gone(), 0U);
    text.ids("left four 60\nhairpin left");
    EXPECT_EQ(text.ids("left four 60\nhairpin left\nright three 50\nleft two\nright six 30"),
        (Ids{"n1", "n5", "n2", "n3", "n4"}))
        << "put back in another place, they are together all the same";
}

TEST(Identity, ANewNoteNeverHasTheIdOfOneThatWent)
{
    TextBeingEdited text;
    text.ids("left four 60\nright three 50");
    text.ids("left four 60");
    EXPECT_EQ(text.ids("left four 60\nhairpin left"), (Ids{"n1", "n3"}))
        << "else it would have the mark of the other";
    EXPECT_EQ(text.ids("left four 60\nhairpin left\nright three 50"), (Ids{"n1", "n3", "n4"}))
        << "the same words in another place are another corner";
}

TEST(Identity, SurvivesThousandsOfRandomEditsWithoutTwoNotesSharingAnId)
{
    const std::vector<std::string> kLines{"left four 60", "right three into left two", "hairpin right 50",
        "caution left five over crest", "right six 120", "square left", "left kink",
        "chicane right entry 30"};
    std::mt19937 random(9);
    std::vector<std::string> lines(kLines.begin(), kLines.end());
    std::vector<KnownNote> known;
    std::vector<GoneNote> gone;
    for (int edit = 0; edit < 3000; ++edit) {
        const auto at = random() % (lines.size() + 1);
        const auto& line = kLines[random() % kLines.size()];
        if ((random() % 2 == 0 && lines.size() < 40) || lines.empty()) {
            lines.insert(lines.begin() + static_cast<std::ptrdiff_t>(at), line);
        } else if (at < lines.size()) {
            lines.erase(lines.begin() + static_cast<std::ptrdiff_t>(at));
        }
        std::string text;
        for (const auto& l : lines) {
            text += l + "\n";
        }
        auto parsed = parseNotes(text);
        const auto before = known;
        keepIds(before, parsed.calls, gone);
        known = rememberNotes(parsed.calls);
        gone = rememberGone(gone, before, known, [](const std::string&) { return true; });
        std::set<std::string> ids;
        std::size_t kept = 0;
        for (const auto& note : known) {
            ASSERT_TRUE(ids.insert(note.id).second) << "two notes are " << note.id;
            kept += std::any_of(before.begin(), before.end(), [&](const auto& b) { return b.id == note.id; })
                ? 1U
                : 0U;
        }
        // one line was touched: every note but those of that line keeps its id
        ASSERT_GE(kept + 2, std::min(before.size(), known.size()));
    }
}

TEST(Syllables, OfANoteAreThoseOfItsSpokenWords)
{
    for (const char* text : {"left four 1-20", "unseen right three minus don't cut into left two plus 80",
             "caution hairpin left opens, tightens three late over crest 40",
             "left nadgery wobble into right six", "1km flat right 150", "R4+ lg tightens 3 past 2 bales!"}) {
        for (const auto& call : parseNotes(text).calls) {
            for (const auto& note : call.notes) {
                EXPECT_EQ(note.syllables, countSyllables(note.spoken)) << note.spoken;
            }
        }
    }
}

TEST(Notes, WhatIsRunTogetherWithoutEndIsOneStrangeWordAndNotAThousandNotes)
{
    std::string line;
    while (line.size() < 3000) {
        line += "L4";
    }
    const auto parsed = parseNotes(line + " 60\nleft four");
    ASSERT_EQ(parsed.unknown.size(), 1U);
    EXPECT_EQ(parsed.unknown.front().line, 1);
    EXPECT_EQ(parsed.calls.back().notes.size(), 1U);
}

TEST(Order, IsThatOfTheManyAlsoWhereTheFirstLinesAreTheOthers)
{
    std::string text;
    for (int line = 0; line < 50; ++line) {
        text += "four left 60\n";
    }
    for (int line = 0; line < 200; ++line) {
        text += "right three 80\n";
    }
    EXPECT_EQ(parseNotes(text).style.order, Order::direction_first);
}
