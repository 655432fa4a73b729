// Lines of invented crews, across the schools, with what they mean in short.

#include "notes/parser.h"

#include <gtest/gtest.h>

#include <sstream>

using namespace brumefall::notes;

namespace {

/// A note in a few letters: "L4 long tightens>2 over-crest !caution 60".
std::string brief(const Note& note)
{
    std::ostringstream out;
    for (const auto& warning : note.warnings) {
        out << "!" << warning << " ";
    }
    if (note.kind != NoteKind::corner) {
        out << toString(note.kind) << " ";
    }
    if (note.direction) {
        out << (*note.direction == Direction::left ? "L" : "R");
    }
    if (note.grade) {
        out << toString(*note.grade);
    }
    for (const std::string& part :
        {note.modifier, note.extent, note.visibility, note.surface, note.camber, note.width, note.gradient}) {
        if (!part.empty()) {
            out << " " << part;
        }
    }
    for (const auto& shape : note.shapes) {
        out << " " << (shape.late ? "late-" : "") << shape.kind;
        if (shape.to) {
            out << ">" << toString(*shape.to);
        }
        for (const auto& feature : shape.features) {
            out << " " << feature.relation << "-" << feature.what;
        }
    }
    for (const auto& line : note.lines) {
        out << " " << line;
    }
    for (const auto& feature : note.features) {
        out << " " << feature.relation << (feature.relation.empty() ? "" : "-") << feature.size
            << (feature.size.empty() ? "" : "-") << feature.what;
    }
    for (const auto& speed : note.speed) {
        out << " " << speed;
    }
    if (note.link.kind == LinkKind::distance) {
        out << " " << note.link.metres;
    } else if (note.link.kind != LinkKind::none) {
        out << " " << toString(note.link.kind);
    }
    std::istringstream words(out.str());
    std::string text;
    for (std::string word; words >> word;) {
        text += (text.empty() ? "" : " ") + word;
    }
    return text;
}

struct Line {
    const char* text;
    const char* meaning; ///< notes separated by " | "
};

class Corpus : public testing::TestWithParam<Line> { };

} // namespace

TEST_P(Corpus, IsUnderstood)
{
    const auto parsed = parseNotes(GetParam().text);
    std::string meaning;
    for (const auto& call : parsed.calls) {
        for (const auto& note : call.notes) {
            meaning += (meaning.empty() ? "" : " | ") + brief(note);
        }
    }
    EXPECT_EQ(meaning, GetParam().meaning);
    EXPECT_TRUE(parsed.unknown.empty()) << parsed.unknown.front().text;
    EXPECT_EQ(parsed.words, parsed.understood + parsed.chatter);
}

INSTANTIATE_TEST_SUITE_P(DirectionFirst, Corpus,
    testing::Values(Line{"left six over crest one hundred", "L6 over-crest 100"},
        Line{"right four into left four into right two 40", "R4 into | L4 into | R2 40"},
        Line{"caution left two tightens hairpin", "!caution L2 tightens>hairpin"},
        Line{"left four long opens 80", "L4 long opens 80"},
        Line{"right three don't cut seventy", "R3 dont_cut 70"},
        Line{"left 5 keep in over crest 60", "L5 keep_in over-crest 60"},
        Line{"right kink through gate 50", "Rkink through-gate 50"},
        Line{"left three narrow over bridge", "L3 narrow over-bridge"},
        Line{"danger right acute downhill", "!danger Racute downhill"},
        Line{"left four loose 120", "L4 loose 120"}, Line{"right five bad camber 70", "R5 bad_camber 70"},
        Line{"unseen left three plus big cut", "L3 plus unseen big_cut"},
        Line{"left two opens four long 90", "L2 long opens>4 90"},
        Line{"sudden right square", "!sudden Rsquare"},
        Line{"left 4 and right 4 and left 3 30", "L4 and | R4 and | L3 30"}));

INSTANTIATE_TEST_SUITE_P(NumberFirst, Corpus,
    testing::Values(Line{"4 left 3 right\nfive left sixty four right", "L4 | R3 | L5 60 | R4"},
        Line{"three right tightens two into four left", "R3 tightens>2 into | L4"},
        Line{"four plus left long 50\nthree right", "L4 plus long 50 | R3"},
        Line{"six right over crest 200\nfive left", "R6 over-crest 200 | L5"},
        Line{"hairpin left 40\nfour right", "Lhairpin 40 | R4"},
        Line{"long three left don't cut\ntwo right", "L3 long dont_cut | R2"},
        Line{"care five right 80\nfour left", "!care R5 80 | L4"},
        Line{"two minus right into two left\nsix left", "R2 minus into | L2 | L6"}));

INSTANTIATE_TEST_SUITE_P(WithoutACorner, Corpus,
    testing::Values(Line{"jump 60", "feature jump 60"}, Line{"over bridge 40", "feature over-bridge 40"},
        Line{"flying finish 100", "finish 100"}, Line{"stop", "stop"},
        Line{"turn right at junction 80", "junction R 80"},
        Line{"keep middle over crest", "feature keep_middle over-crest"}, Line{"good luck", ""},
        Line{"slow", "instruction slow"}, Line{"chicane right entry 50", "chicane R 50"}));

INSTANTIATE_TEST_SUITE_P(Abbreviated, Corpus,
    testing::Values(Line{"L4 lg 60", "L4 long 60"}, Line{"R3- dc", "R3 minus dont_cut"},
        Line{"L5+ 100 R4", "L5 plus 100 | R4"}, Line{"L2 ti R3", "L2 tightens | R3"},
        Line{"R hp 40", "Rhairpin 40"}, Line{"ca L3 kl", "!caution L3 keep_left"}));
