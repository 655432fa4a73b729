// What a spreadsheet is given of a stage: notes, plan and a take.

#include "export/tables.h"
#include "small_reading.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

using Row = std::vector<std::string>;

/// As RFC 4180 says a table is read.
std::vector<Row> rowsOf(const std::string& table)
{
    std::vector<Row> rows{{""}};
    bool quoted = false;
    for (std::size_t i = 0; i < table.size(); ++i) {
        const char c = table[i];
        if (quoted && c == '"' && i + 1 < table.size() && table[i + 1] == '"') {
            rows.back().back() += '"';
            ++i;
        } else if (c == '"') {
            quoted = !quoted;
        } else if (!quoted && c == ',') {
            rows.back().emplace_back();
        } else if (!quoted && c == '\n') {
            rows.push_back({""});
        } else if (quoted || c != '\r') {
            rows.back().back() += c;
        }
    }
    rows.pop_back();
    return rows;
}

/// The cells under a header's name; nothing in a row that is too short.
Row column(const std::vector<Row>& rows, const std::string& name)
{
    const auto at = std::find(rows.front().begin(), rows.front().end(), name) - rows.front().begin();
    Row out;
    for (std::size_t r = 1; r < rows.size(); ++r) {
        const auto c = static_cast<std::size_t>(at);
        out.push_back(c < rows[r].size() ? rows[r][c] : "no such cell");
    }
    return out;
}

void expectWhole(const std::vector<Row>& rows)
{
    for (const Row& row : rows) {
        EXPECT_EQ(row.size(), rows.front().size()) << row.front();
    }
}

stage::Take takeOf(const support::SmallReading& reading)
{
    stage::Take take;
    take.plan = reading.plan();
    take.found = reading.found;
    take.verdicts = reading.verdicts();
    return take;
}

} // namespace

TEST(Tables, ARowANoteWithWhatWasUnderstoodOfIt)
{
    stage::Stage stage;
    stage.text = "left four 60\ncaution hairpin right into left two \"the barn\", 80\n# nothing\nfinish\n";
    const auto rows = rowsOf(exporting::notesTable(stage::prepare(stage, nullptr)));
    ASSERT_EQ(rows.size(), 5U);
    expectWhole(rows);
    EXPECT_EQ(column(rows, "number"), (Row{"1", "2", "3", "4"}));
    EXPECT_EQ(column(rows, "call"), (Row{"1", "2", "2", "3"}));
    EXPECT_EQ(column(rows, "direction"), (Row{"left", "right", "left", ""}));
    EXPECT_EQ(column(rows, "grade"), (Row{"4", "hairpin", "2", ""}));
    EXPECT_EQ(column(rows, "warnings"), (Row{"", "caution", "", ""}));
    EXPECT_EQ(column(rows, "distance_after_m"), (Row{"60", "", "80", ""}));
    EXPECT_NE(column(rows, "text")[2].find("\"the barn\""), std::string::npos) << column(rows, "text")[2];
    EXPECT_EQ(column(rows, "marked"), (Row{"0", "0", "0", "0"}));
}

TEST(Tables, ThePlanSaysWhatIsSaidAgainAndWhen)
{
    stage::Stage stage;
    stage.text = "100 left four 400\ncaution right three 60\nleft two 400\ndanger right five 200\nleft six";
    stage.driver.holds_notes = 4;
    stage.echoes = {true, 4.0, 0};
    const auto plan = stage::prepare(stage, nullptr).plan;
    const auto rows = rowsOf(exporting::planTable(plan));
    ASSERT_EQ(rows.size(), plan.notes.size() + 1);
    expectWhole(rows);
    const Row again = column(rows, "says_again");
    ASSERT_GT(
        std::count_if(again.begin(), again.end(), [](const std::string& id) { return !id.empty(); }), 0);
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        EXPECT_EQ(again[k], plan.notes[k].echo_of);
        EXPECT_NEAR(std::stod(column(rows, "start_s")[k]), plan.notes[k].start_s, 0.006);
        EXPECT_NEAR(std::stod(column(rows, "lead_m")[k]), plan.notes[k].lead_m, 0.06);
    }
}

TEST(Tables, AMissedNoteHasNoTimesAndAMisreadOneBothWords)
{
    support::SmallReading reading;
    reading.found[1].read = false;
    reading.found[1].span = {};
    reading.found[2].misread = {{"five", "six", 1.0, false}};
    reading.shift(6, reading.tooLate_s(6));
    auto take = takeOf(reading);
    take.remarks.push_back({take.plan.notes[6].id, "earlier", ""});
    const auto rows = rowsOf(exporting::verdictsTable(take));
    ASSERT_EQ(rows.size(), take.plan.notes.size() + 1);
    expectWhole(rows);
    const Row verdict = column(rows, "verdict");
    EXPECT_EQ(verdict[0], "on_time");
    EXPECT_EQ(verdict[1], "missed");
    EXPECT_EQ(verdict[2], "misread");
    EXPECT_EQ(verdict[6], "late");
    EXPECT_EQ(column(rows, "start_s")[1], "");
    EXPECT_NE(column(rows, "planned_end_s")[1], "") << "when it should have been said is known";
    EXPECT_EQ(column(rows, "said")[2], "five");
    EXPECT_EQ(column(rows, "note_says")[2], "six");
    EXPECT_GT(std::stod(column(rows, "off_window_s")[6]), 0.3);
    EXPECT_NE(column(rows, "why")[6], "");
    EXPECT_EQ(column(rows, "driver_says")[6], "earlier");
    EXPECT_EQ(column(rows, "driver_says")[5], "");
}

TEST(Tables, WhatADriverSaidCannotBecomeAFormulaOrASecondRow)
{
    auto take = takeOf(support::SmallReading());
    take.remarks.push_back({take.plan.notes[0].id, "reword", "=1+1, \"left\"\nfour"});
    const auto rows = rowsOf(exporting::verdictsTable(take));
    ASSERT_EQ(rows.size(), take.plan.notes.size() + 1);
    expectWhole(rows);
    const std::string words = column(rows, "driver_words")[0];
    EXPECT_NE(words.front(), '=') << words;
    EXPECT_NE(words.find("\"left\"\nfour"), std::string::npos) << words;
}

TEST(Tables, ANoteBeforeATakeBeganIsOutsideIt)
{
    support::SmallReading reading;
    auto take = takeOf(reading);
    take.verdicts[0].outside_take = true;
    EXPECT_EQ(column(rowsOf(exporting::verdictsTable(take)), "verdict")[0], "outside");
}
