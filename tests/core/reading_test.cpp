// The weighted reading by itself: sounds, alternatives, the least-cost path and how sure it is.

#include "captions/heard.h"
#include "notes/text.h"
#include "notes/weighted_reading.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>

using namespace brumefall;
using namespace brumefall::notes;

namespace {

std::vector<HeardWord> heard(const std::string& text)
{
    return captions::heardWords({{0.0, 0.3 * static_cast<double>(splitWords(text).size()), 1, text}});
}

/// What was read, part by part: "left 4 | 60".
std::string read(const std::string& text, const Style& style = {}, const Pronunciations& sounds = {})
{
    const auto words = heard(text);
    auto lattice = alternativesOf(words, style, sounds);
    std::string out;
    for (const Said& said : readLattice(lattice, style.order).said) {
        if (!said.words.empty()) {
            out += (out.empty() ? "" : said.begins ? " | " : " ") + said.words;
        }
    }
    return out;
}

Pronunciations someSounds()
{
    Pronunciations sounds;
    for (const auto& [word, phones] : std::initializer_list<std::pair<const char*, const char*>>{
             {"four", "F AO R"}, {"for", "F AO R"}, {"right", "R AY T"}, {"write", "R AY T"}, {"two", "T UW"},
             {"to", "T UW"}, {"tightens", "T AY T AH N Z"}, {"titans", "T AY T AH N Z"}, {"over", "OW V ER"},
             {"left", "L EH F T"}, {"crest", "K R EH S T"}, {"chest", "CH EH S T"}}) {
        sounds.add(word, phones);
    }
    return sounds;
}

} // namespace

TEST(Phones, OfWordsThatSoundAlikeAreNearAndOthersFar)
{
    const auto four = phonesOf("F AO1 R");
    EXPECT_EQ(four.size(), 3U);
    EXPECT_DOUBLE_EQ(phoneDistance(four, phonesOf("F AO R")), 0.0);
    const double near = phoneDistance(phonesOf("K R EH S T"), phonesOf("CH EH S T"));
    const double far = phoneDistance(phonesOf("K R EH S T"), phonesOf("M IY D IY AH M"));
    EXPECT_LT(near, 1.3);
    EXPECT_GT(far, 3.0);
    EXPECT_LT(phoneDistance(phonesOf("B"), phonesOf("P")), phoneDistance(phonesOf("B"), phonesOf("S")));
}

TEST(Phones, AreSymmetricAndKeepTheTriangle)
{
    std::mt19937 random(3);
    const auto word = [&] {
        Phones phones(1 + random() % 7);
        for (auto& phone : phones) {
            phone = static_cast<std::uint8_t>(random() % 39);
        }
        return phones;
    };
    for (int round = 0; round < 300; ++round) {
        const auto a = word();
        const auto b = word();
        EXPECT_NEAR(phoneDistance(a, b), phoneDistance(b, a), 1e-9);
        EXPECT_DOUBLE_EQ(phoneDistance(a, a), 0.0);
        EXPECT_GE(phoneDistance(a, b), 0.0);
    }
}

TEST(Phones, OfAWordThatNoDictionaryHasAreSpeltOut)
{
    const Pronunciations none;
    EXPECT_LT(phoneDistance(none.of("left"), phonesOf("L EH F T")), 0.5);
    EXPECT_LT(phoneDistance(none.of("bale"), none.of("bail")), 0.6);
}

TEST(WeightedReading, ReadsBothOrders)
{
    EXPECT_EQ(read("left four 60 right three long into left two 50"),
        "left four 60 | right three long into | left two 50");
    EXPECT_EQ(read("four left 60 three right long into two left 50"),
        "four left 60 | three right long into | two left 50");
}

TEST(WeightedReading, CutsNumbersThatRanTogetherWhereTheNoteWantsIt)
{
    EXPECT_EQ(read("left 460 right 5 80"), "left 4 60 | right 5 80");
    EXPECT_EQ(read("4 left 603 right 50 2 left 40"), "4 left 60 | 3 right 50 | 2 left 40");
    EXPECT_EQ(read("left 4 over crest 150 right 2"), "left 4 over crest 150 | right 2");
    EXPECT_EQ(read("right 3- 50 left 4+ 60"), "right 3 minus 50 | left 4 plus 60");
}

TEST(WeightedReading, AfterAShapeANumberIsMoreLikelyItsTargetThanAVeryLongStraight)
{
    const auto words = heard("left five 60 right four tightens three fifty");
    auto lattice = alternativesOf(words, {}, {});
    EXPECT_EQ(readLattice(lattice).said.back().number, 50);
    const auto straight = heard("left five 60 right four three fifty");
    lattice = alternativesOf(straight, {}, {});
    EXPECT_EQ(readLattice(lattice).said.back().number, 350);
}

TEST(WeightedReading, HearsWhatTheNoteWantsOnlyWhereItSoundsLikeIt)
{
    EXPECT_EQ(read("write for titans to 60 left 5", {}, someSounds()), "right four tightens two 60 | left 5");
    EXPECT_EQ(read("left 4 over chest 60", {}, someSounds()), "left 4 over crest 60");
}

TEST(WeightedReading, WordsThatRanTogetherAreHeardAsThePhraseThatCrewsSay)
{
    Pronunciations sounds = someSounds();
    for (const auto& [word, phones] :
        std::initializer_list<std::pair<const char*, const char*>>{{"overpriced", "OW V ER P R AY S T"},
            {"and", "AH N D"}, {"seen", "S IY N"}, {"unseen", "AH N S IY N"}}) {
        sounds.add(word, phones);
    }
    EXPECT_EQ(read("left four overpriced 80 right two", {}, sounds), "left four over crest 80 | right two");
    EXPECT_EQ(read("left four 40 and seen right one", {}, sounds), "left four 40 | unseen right one");
}

TEST(WeightedReading, AWordWrittenAsTwoIsOne)
{
    EXPECT_EQ(read("left four out side rocks 60 right three"), "left four outside rocks 60 | right three");
    EXPECT_EQ(read("hair pin left 40 right four"), "hairpin left 40 | right four");
    Pronunciations sounds = someSounds();
    for (const auto& [word, phones] :
        std::initializer_list<std::pair<const char*, const char*>>{{"tight", "T AY T"}, {"ends", "EH N D Z"},
            {"hairpin", "HH EH R P IH N"}, {"hair", "HH EH R"}, {"pin", "P IH N"}, {"happen", "HH AE P AH N"},
            {"in", "IH N"}, {"the", "DH AH"}, {"into", "IH N T UW"}}) {
        sounds.add(word, phones);
    }
    EXPECT_EQ(read("left three tight ends 60 right four", {}, sounds), "left three tightens 60 | right four");
    EXPECT_EQ(read("40 happen right 30 left four", {}, sounds), "40 | hairpin right 30 | left four");
    EXPECT_EQ(read("left four in the right three 50", {}, sounds), "left four into | right three 50");
    EXPECT_EQ(read("left four tight 60 right three", {}, sounds), "left four tight 60 | right three")
        << "a corner that is tight";
}

TEST(WeightedReading, ALetterARightAngleAndAnExtentBelongToTheirCorner)
{
    EXPECT_EQ(read("k left over crest 70 right four"), "kink left over crest 70 | right four");
    EXPECT_EQ(read("left 90 at junction 150 right four 90 left five"),
        "left 90 at junction 150 | right four 90 | left five");
    EXPECT_EQ(read("left three 60 over crest long left five"), "left three 60 | over crest | long left five");
}

TEST(WeightedReading, ANumberIsWrittenInOneWay)
{
    EXPECT_EQ(read("left two tightens one 80 right four"), "left two tightens one 80 | right four");
    EXPECT_EQ(read("left two one eighty right four"), "left two one eighty | right four");
}

TEST(WeightedReading, PrefixesGoToTheNoteThatFollows)
{
    EXPECT_EQ(read("left four 60 caution right two 40"), "left four 60 | caution right two 40");
    EXPECT_EQ(read("left four, 60, unseen right two"), "left four 60 | unseen right two");
}

TEST(WeightedReading, HowTightAHairpinIsStaysWithItAndAHandIsASide)
{
    EXPECT_EQ(read("right 4 50 hairpin left tight 40"), "right 4 50 | hairpin left tight 40");
    EXPECT_EQ(read("right 4 50 hairpin left right tight 40"), "right 4 50 | hairpin left | right tight 40");
    EXPECT_EQ(read("right 4 50 left hand 3 60"), "right 4 50 | left hand 3 60");
    EXPECT_EQ(read("right 4 past left hand gatepost 60"), "right 4 past left hand gatepost 60");
    EXPECT_EQ(read("right 4 50 through kinks 80"), "right 4 50 | through kinks 80");
}

TEST(WeightedReading, WhereAThingLiesIsSaidOfItAndNeedsNothingMore)
{
    EXPECT_EQ(read("left five 50 careful rocks inside right three 40 left six"),
        "left five 50 | careful rocks inside | right three 40 | left six");
    EXPECT_EQ(read("right four caution rocks outside 90 left six"),
        "right four caution rocks outside 90 | left six");
    EXPECT_EQ(read("left six plus very long rock inside one fifty right two"),
        "left six plus very long rock inside one fifty | right two");
    EXPECT_EQ(read("left three inside rock 40 right four"), "left three inside rock 40 | right four");
}

TEST(WeightedReading, WhatWasBegunAndHesitatedOverIsSaidOnce)
{
    EXPECT_EQ(read("right three 40 left uh left three long 60"), "right three 40 | left three long 60");
    EXPECT_EQ(read("right three yeah right three opens 80 left two"), "right three opens 80 | left two");
    EXPECT_EQ(read("left five over crest left five 80"), "left five over crest | left five 80")
        << "two corners";
}

TEST(WeightedReading, WhatTurnsAWordIntoItsOppositeStaysWithIt)
{
    EXPECT_EQ(read("left four doesn't tighten 50 not flat right six 60"),
        "left four doesn't tighten 50 | not flat right six 60");
    EXPECT_EQ(read("flat if brave left six 60 nearly flat right five"),
        "flat if brave left six 60 | nearly flat right five");
}

TEST(WeightedReading, GradesInWordsAreGrades)
{
    EXPECT_EQ(read("easy right 40 medium left 60 into hard right 50 hard left over crest"),
        "easy right 40 | medium left 60 into | hard right 50 | hard left over crest");
}

TEST(WeightedReading, AWordOfTheCrewsOwnIsReadByWhatItMeans)
{
    Style style;
    style.words["nadgery"] = "narrow";
    style.words["bullet"] = "six";
    EXPECT_EQ(read("left bullet 60 right four nadgery 40 left two", style),
        "left bullet 60 | right four nadgery 40 | left two");
    EXPECT_EQ(read("left four 60 right two nadgery 40"), "left four 60 | right two 40") << "and only by that";
}

TEST(WeightedReading, TakesEveryWordOnceAndSaysHowSureItIs)
{
    std::mt19937 random(11);
    const std::vector<std::string> vocabulary{"left", "right", "four", "5", "60", "460", "over", "crest",
        "wibble", "into", "and", "don't", "cut", "no", "good", "tightens", "the", "one", "hundred", "caution",
        "go"};
    for (int round = 0; round < 200; ++round) {
        std::string text;
        for (int i = 0; i < 30; ++i) {
            text += vocabulary[random() % vocabulary.size()] + (random() % 6 == 0 ? ", " : " ");
        }
        const auto words = heard(text);
        auto lattice = alternativesOf(words, {}, {});
        std::size_t at = 0;
        for (const Said& said : readLattice(lattice).said) {
            EXPECT_TRUE(said.first == at || said.last == at) << text; // parts of one stretch share it
            at = said.last;
            EXPECT_GE(said.sure, 0.0);
            EXPECT_LE(said.sure, 1.0 + 1e-9);
        }
        EXPECT_EQ(at, words.size()) << text;
    }
}

TEST(WeightedReading, IsSurerOfPlainWordsThanOfMendedOnes)
{
    const auto sounds = someSounds();
    const auto words = heard("right four over crest 60 write for over chest 60 left five 80");
    auto lattice = alternativesOf(words, {}, sounds);
    double plain = 1.0;
    double mended = 1.0;
    for (const Said& said : readLattice(lattice).said) {
        if (said.first < 5) {
            plain = std::min(plain, said.sure);
        } else if (said.first < 10) {
            mended = std::min(mended, said.sure);
        }
    }
    EXPECT_LT(mended, plain);
}

TEST(HeardWords, HaveTheTimesThatTheFileTells)
{
    const auto cues = captions::readCues(
        "WEBVTT\n\n00:00:01.000 --> 00:00:05.000 align:start\n \n"
        "left<00:00:01.400><c> four</c><00:00:03.500><c> right</c><00:00:03.900><c> three</c>\n\n"
        "00:00:05.000 --> 00:00:05.010\nleft four right three\n \n\n"
        "00:00:05.010 --> 00:00:07.000\nleft four right three\nsixty<00:00:05.600><c> left</c>\n",
        "a.vtt");
    const auto words = captions::heardWords(cues);
    ASSERT_EQ(words.size(), 6U);
    EXPECT_EQ(words[0].word, "left");
    EXPECT_DOUBLE_EQ(words[0].at_s, 1.0);
    EXPECT_DOUBLE_EQ(words[1].at_s, 1.4);
    EXPECT_DOUBLE_EQ(words[2].at_s, 3.5);
    EXPECT_EQ(words[2].pause, Pause::stop) << "a silence that nobody wrote";
    EXPECT_EQ(words[3].pause, Pause::none);
    EXPECT_DOUBLE_EQ(words[4].at_s, 5.01);
    EXPECT_DOUBLE_EQ(words[5].at_s, 5.6);
}

TEST(HeardWords, LinesThatRollOnAreSaidOnce)
{
    const auto words = captions::heardWords({{1.0, 3.0, 1, "keep in one"}, {3.0, 3.01, 4, "keep in one"},
        {3.01, 5.0, 7, "keep in one\nhundred right four"}, {9.0, 10.0, 10, "right four"},
        {10.0, 12.0, 13, "right four"}});
    std::vector<std::string> texts;
    for (const auto& word : words) {
        texts.push_back(word.word);
    }
    EXPECT_EQ(joinWords(texts), "keep in one hundred right four right four right four")
        << "a call said again is no rolling line";
}

TEST(HeardWords, FollowEachOtherWhereBlocksStandOnOrBeginTogether)
{
    const auto words = captions::heardWords({{1.0, 9.0, 2, "left four right three"},
        {3.0, 4.0, 6, "sixty left"}, {5.0, 7.0, 10, "right two"}, {5.0, 6.0, 14, "over crest"}});
    ASSERT_EQ(words.size(), 10U);
    EXPECT_DOUBLE_EQ(words[3].at_s, 2.5) << "said before the next block though the first stands until 9 s";
    EXPECT_DOUBLE_EQ(words[4].at_s, 3.0);
    EXPECT_TRUE(std::is_sorted(
        words.begin(), words.end(), [](const auto& a, const auto& b) { return a.at_s < b.at_s; }));
}

TEST(HeardWords, KeepTheirPausesAndTheSignsOfTheirNumbers)
{
    const auto words = captions::heardWords({{1.0, 3.0, 2, "Left 3-, over crest. [Music] 60m"},
        {3.1, 4.0, 6, "right 4"}, {6.0, 7.0, 9, "hair-pin left"}, {13.0, 14.0, 12, "right 5"}});
    std::vector<std::string> texts;
    for (const auto& word : words) {
        texts.push_back(word.word);
    }
    EXPECT_EQ(joinWords(texts), "left 3- over crest 60 right 4 hair pin left right 5");
    EXPECT_EQ(words[2].pause, Pause::comma);
    EXPECT_EQ(words[4].pause, Pause::stop);
    EXPECT_EQ(words[5].pause, Pause::edge);
    EXPECT_EQ(words[7].pause, Pause::stop_edge);
    EXPECT_EQ(words[7].line, 9);
    EXPECT_EQ(words[10].pause, Pause::silence);
}

TEST(WeightedReading, AGradeThatSoundsLikeAPartOfAJoiningWordIsThatPart)
{
    auto sounds = someSounds();
    sounds.add("into", "IH N T UW");
    sounds.add("onto", "AA N T UW");
    EXPECT_EQ(read("right 3 50 left 4 in 2 right 3 60", {}, sounds), "right 3 50 | left 4 into | right 3 60");
    EXPECT_EQ(read("right 3 50 left 4 on 2 bridge 60", {}, sounds), "right 3 50 | left 4 onto bridge 60");
    EXPECT_EQ(read("right 3 50 left 2 60", {}, sounds), "right 3 50 | left 2 60");
}

TEST(WeightedReading, AWordBetweenTwoThingsMayLeadOrJoin)
{
    EXPECT_EQ(read("right four 50 left two to small crest 60"), "right four 50 | left two to small crest 60");
    EXPECT_EQ(read("right four 50 left two over crest to right five 60"),
        "right four 50 | left two over crest into | right five 60");
    EXPECT_EQ(read("right four 50 left five tightens to three 60"),
        "right four 50 | left five tightens to three 60");
}

TEST(WeightedReading, AWordOfItsOwnWarnsWhereItSizesNothing)
{
    EXPECT_EQ(read("left four 50 bad right three 60"), "left four 50 | bad right three 60");
    EXPECT_EQ(read("left four 50 bad bumps 60"), "left four 50 | bad bumps 60");
}

TEST(WeightedReading, TwoWaysOfWritingTheSameAreNoDoubt)
{
    const auto words = heard("left four 50 right three keep middle 60 right five bumps 40");
    auto lattice = alternativesOf(words, {}, someSounds());
    int met = 0;
    for (const Said& said : readLattice(lattice).said) {
        if (said.words == "keep middle" || said.words == "bumps") {
            ++met;
            EXPECT_GT(said.sure, 0.75) << said.words << ", or " << said.otherwise;
            EXPECT_NE(said.otherwise, "middle");
            EXPECT_NE(said.otherwise, "bump");
        }
    }
    EXPECT_EQ(met, 2);
}
