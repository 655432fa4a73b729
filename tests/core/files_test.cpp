// Files that are read: what is no text is told with its line.

#include "formats/files.h"
#include "support.h"

#include <gtest/gtest.h>

using namespace brumefall;

namespace {

/// The line at which `text` is refused, 0 where it is text.
int refusedAt(const std::string& text)
{
    try {
        formats::requireUtf8(text, "notes.txt");
    } catch (const formats::FormatError& error) {
        EXPECT_EQ(error.file(), "notes.txt");
        EXPECT_FALSE(error.message().empty());
        return error.line();
    }
    return 0;
}

} // namespace

TEST(Files, TextOfAnyScriptIsText)
{
    EXPECT_EQ(refusedAt(""), 0);
    EXPECT_EQ(refusedAt("left four\nStra\xC3\x9F"
                        "e\n"),
        0)
        << "two bytes";
    EXPECT_EQ(refusedAt("\xE2\x86\x92 right \xE4\xB8\x80\n"), 0) << "three";
    EXPECT_EQ(refusedAt("\xF0\x9F\x8F\x81 finish\n"), 0) << "four";
    EXPECT_EQ(refusedAt("\xED\x9F\xBF \xEE\x80\x80 \xF4\x8F\xBF\xBF"), 0) << "the last of their lengths";
}

TEST(Files, WhatIsNoTextIsRefusedWithItsLine)
{
    EXPECT_EQ(refusedAt("left four\nStra\xDF"
                        "e\n"),
        2)
        << "another encoding";
    EXPECT_EQ(refusedAt("a\nb\n\x80"), 3) << "the rest of a letter without its beginning";
    EXPECT_EQ(refusedAt("a\nb\xC3"), 2) << "a letter cut off";
    EXPECT_EQ(refusedAt("\xE2\x86"), 1);
    EXPECT_EQ(refusedAt("\xF0\x9F\x8F"), 1);
    EXPECT_EQ(refusedAt("\xC0\xAF"), 1) << "a letter in more bytes than it needs";
    EXPECT_EQ(refusedAt("\xE0\x80\xAF"), 1);
    EXPECT_EQ(refusedAt("\xF0\x80\x80\xAF"), 1);
    EXPECT_EQ(refusedAt("\xED\xA0\x80"), 1) << "half of a pair";
    EXPECT_EQ(refusedAt("\xF4\x90\x80\x80"), 1) << "beyond the last letter";
    EXPECT_EQ(refusedAt("\xFF"), 1);
}

TEST(Files, AFileThatIsTooLongOrAFolderIsToldAndNotRead)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "long.txt";
    support::write(file, std::string(2'000'001, 'x'));
    EXPECT_EQ(formats::readFile(file).size(), 2'000'001U);
    try {
        static_cast<void>(formats::readFile(file, 2'000'000));
        FAIL() << "read all the same";
    } catch (const formats::FormatError& error) {
        EXPECT_NE(error.message().find("2 MB"), std::string::npos) << error.message();
    }
    EXPECT_THROW(static_cast<void>(formats::readFile(scratch.path())), formats::FormatError);
    EXPECT_THROW(static_cast<void>(formats::readFile(scratch.path() / "nowhere")), formats::FormatError);
}

TEST(Files, AWriteThatFailsLeavesTheOldFileAndNothingBesideIt)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "sub" / "notes.txt";
    support::write(file, "old");
    std::filesystem::create_directories(scratch.path() / "sub" / "taken");
    EXPECT_THROW(formats::writeFile(scratch.path() / "sub" / "taken", "new"), formats::FormatError);
    EXPECT_THROW(formats::writeFile(file / "below a file", "new"), formats::FormatError);
    EXPECT_EQ(support::read(file), "old");
    formats::writeFile(file, "new");
    EXPECT_EQ(support::read(file), "new");
    std::size_t files = 0;
    for (const auto& entry : std::filesystem::directory_iterator(scratch.path() / "sub")) {
        files += entry.is_regular_file() ? 1 : 0;
    }
    EXPECT_EQ(files, 1U);
}

TEST(Files, ALineIsCountedFromOne)
{
    EXPECT_EQ(formats::lineOf("a\nb\nc", 0), 1);
    EXPECT_EQ(formats::lineOf("a\nb\nc", 2), 2);
    EXPECT_EQ(formats::lineOf("a\nb\nc", 99), 3) << "beyond the end is the last";
}
