/// Stages packed into one file and out of it; packages got from strangers.
#include "demo.h"
#include "export/package.h"
#include "formats/files.h"
#include "stage/stage.h"
#include "support.h"

#include <archive.h>
#include <archive_entry.h>
#include <gtest/gtest.h>

using namespace brumefall;
using namespace brumefall::exporting;

namespace {

/// A .zip made by hand, whatever is in it.
class Zip {
public:
    explicit Zip(std::filesystem::path file)
        : file_(std::move(file))
        , zip_(archive_write_new())
    {
        archive_write_set_format_zip(zip_);
        archive_write_open_filename(zip_, file_.c_str());
    }
    Zip(const Zip&) = delete;
    Zip& operator=(const Zip&) = delete;
    ~Zip() { archive_write_free(zip_); }

    Zip& add(const std::string& name, const std::string& content)
    {
        return put(name, content.size(),
            [&](archive* zip) { archive_write_data(zip, content.data(), content.size()); });
    }
    /// Zeros: a thousand to one.
    Zip& swell(const std::string& name, std::size_t bytes)
    {
        return put(name, bytes, [&](archive* zip) {
            const std::string block(1 << 20, '\0');
            for (std::size_t at = 0; at < bytes; at += block.size()) {
                archive_write_data(zip, block.data(), block.size());
            }
        });
    }
    Zip& link(const std::string& name, const std::string& to)
    {
        archive_entry* entry = archive_entry_new();
        archive_entry_set_pathname(entry, name.c_str());
        archive_entry_set_filetype(entry, AE_IFLNK);
        archive_entry_set_symlink(entry, to.c_str());
        archive_entry_set_perm(entry, 0777);
        archive_write_header(zip_, entry);
        archive_entry_free(entry);
        return *this;
    }
    std::filesystem::path close()
    {
        archive_write_close(zip_);
        return file_;
    }

private:
    template <typename Content> Zip& put(const std::string& name, std::size_t size, Content content)
    {
        archive_entry* entry = archive_entry_new();
        archive_entry_set_pathname(entry, name.c_str());
        archive_entry_set_size(entry, static_cast<la_int64_t>(size));
        archive_entry_set_filetype(entry, AE_IFREG);
        archive_entry_set_perm(entry, 0644);
        archive_write_header(zip_, entry);
        content(zip_);
        archive_entry_free(entry);
        return *this;
    }

    std::filesystem::path file_;
    archive* zip_;
};

class PackageTest : public testing::Test {
protected:
    void SetUp() override { std::filesystem::create_directories(into()); }
    [[nodiscard]] std::filesystem::path into() const { return scratch_.path() / "into"; }
    [[nodiscard]] Zip zip() const { return Zip(scratch_.path() / "strange.zip"); }
    static std::string stageFile() { return support::read(kDemo / "stage.brumefall"); }

    /// Why it is refused; empty where it is not. Nothing may be left of it, anywhere.
    std::string refused(const std::filesystem::path& package)
    {
        std::string why;
        try {
            static_cast<void>(unpack(package, into()));
        } catch (const formats::FormatError& error) {
            why = error.message();
        }
        EXPECT_TRUE(std::filesystem::is_empty(into())) << why;
        std::size_t beside = 0;
        for ([[maybe_unused]] const auto& entry : std::filesystem::directory_iterator(scratch_.path())) {
            ++beside;
        }
        EXPECT_EQ(beside, 2U) << "the package and the folder, nothing else";
        return why;
    }

    support::ScratchFolder scratch_;
};

} // namespace

TEST_F(PackageTest, AStageComesOutAsItWentIn)
{
    const auto package = scratch_.path() / "stage.zip";
    EXPECT_TRUE(pack(kDemo, package, true).empty());
    const auto out = unpack(package, into());
    EXPECT_EQ(out, into() / "Lantern Pass");
    for (const auto& entry : std::filesystem::recursive_directory_iterator(kDemo)) {
        if (entry.is_regular_file() && entry.path().filename().string().front() != '.') {
            const auto there = out / entry.path().lexically_relative(kDemo);
            ASSERT_TRUE(std::filesystem::exists(there)) << there;
            EXPECT_EQ(support::read(there), support::read(entry.path())) << there;
        }
    }
    EXPECT_TRUE(stage::checkFolder(out).empty());
    EXPECT_EQ(unpack(package, into()), into() / "Lantern Pass 2") << "what is there stays";
}

TEST_F(PackageTest, WithoutItsMediaItIsSmall)
{
    const auto package = scratch_.path() / "stage.zip";
    static_cast<void>(pack(kDemo, package, false));
    EXPECT_LT(std::filesystem::file_size(package), 12'000'000U);
    const auto out = unpack(package, into());
    EXPECT_TRUE(stage::readStage(out / "stage.brumefall") == stage::readStage(kDemo / "stage.brumefall"));
    EXPECT_FALSE(std::filesystem::exists(out / "media" / "stage.mkv"));
}

TEST_F(PackageTest, ARallyGoesAsAWhole)
{
    const auto package = scratch_.path() / "rally.zip";
    static_cast<void>(pack(kDemo.parent_path(), package, false));
    const auto out = unpack(package, into());
    EXPECT_TRUE(std::filesystem::exists(out / "rally.brumefall"));
    EXPECT_TRUE(std::filesystem::exists(out / "Salt Stair" / "stage.brumefall"));
}

TEST_F(PackageTest, MediaThatLieElsewhereAreTold)
{
    const auto copy = support::copyDemo(scratch_);
    auto pass = stage::readPass(copy / "passes" / "stage.json");
    pass.media.path = "/somewhere/onboard.mkv";
    stage::writePass(copy / "passes" / "stage.json", pass);
    const auto says = pack(copy, scratch_.path() / "x.zip", true);
    ASSERT_EQ(says.size(), 1U);
    EXPECT_NE(says[0].find("/somewhere/onboard.mkv"), std::string::npos);
}

TEST_F(PackageTest, LinksInAStageFolderDoNotGoAlong)
{
    const auto copy = support::copyDemo(scratch_);
    std::filesystem::create_symlink("/etc/passwd", copy / "media" / "secret.csv");
    static_cast<void>(pack(copy, scratch_.path() / "x.zip", false));
    EXPECT_FALSE(std::filesystem::exists(unpack(scratch_.path() / "x.zip", into()) / "media" / "secret.csv"));
}

TEST_F(PackageTest, PathsThatLeadOutAreRefused)
{
    for (const auto* name :
        {"../out.txt", "A/../../out.txt", "/tmp/brumefall-out.txt", "A/./../../x", "A\\..\\..\\x"}) {
        const auto why = refused(zip().add("A/stage.brumefall", stageFile()).add(name, "out").close());
        EXPECT_NE(why.find("leads out"), std::string::npos) << name << ": " << why;
    }
    EXPECT_FALSE(std::filesystem::exists("/tmp/brumefall-out.txt"));
}

TEST_F(PackageTest, LinksAreRefused)
{
    const auto why = refused(zip()
                                 .add("A/stage.brumefall", stageFile())
                                 .link("A/media", "/etc")
                                 .add("A/media/passwd", "x")
                                 .close());
    EXPECT_NE(why.find("link"), std::string::npos) << why;
}

TEST_F(PackageTest, WhatSwellsIsRefusedBeforeTheDiskIsFull)
{
    const auto why = refused(
        zip().add("A/stage.brumefall", stageFile()).swell("A/takes/x.json", std::size_t{280} << 20).close());
    EXPECT_NE(why.find("swells"), std::string::npos) << why;
}

TEST_F(PackageTest, WhatIsNoPackageIsToldAsWhatItIs)
{
    support::write(scratch_.path() / "strange.zip", "no package at all");
    EXPECT_FALSE(refused(scratch_.path() / "strange.zip").empty());
    EXPECT_NE(refused(zip().add("A/readme.txt", "hello").close()).find("no stage"), std::string::npos);
    EXPECT_NE(refused(zip().add("stage.brumefall", stageFile()).close()).find("no stage"), std::string::npos)
        << "a package of a stage holds its folder";
    const auto whole = zip().add("A/stage.brumefall", stageFile()).close();
    const std::string content = support::read(whole);
    support::write(whole, content.substr(0, content.size() / 3));
    EXPECT_NE(refused(whole).find("roken"), std::string::npos) << "half of one";
}
