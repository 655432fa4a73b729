#include "export/package.h"

#include "formats/files.h"
#include "stage/stage.h"
#include "wording/wording.h"

#include <archive.h>
#include <archive_entry.h>

#include <algorithm>
#include <array>
#include <fstream>
#include <memory>
#include <unistd.h>

namespace brumefall::exporting {
namespace {

constexpr std::size_t kMostFiles = 20'000;
constexpr std::uintmax_t kLargest_bytes = 64ULL << 30; ///< ten hours of video
constexpr std::uintmax_t kLargestText_bytes = 256ULL << 20; ///< of any file that is no video and no sound
constexpr double kMostSwollen = 1000.0; ///< unpacked to packed; text becomes a tenth
constexpr std::size_t kBlock = 1 << 16;

using Writer = std::unique_ptr<archive, decltype(&archive_write_free)>;
using Reader = std::unique_ptr<archive, decltype(&archive_read_free)>;
using Entry = std::unique_ptr<archive_entry, decltype(&archive_entry_free)>;

[[noreturn]] void fail(const std::filesystem::path& file, const std::string& why)
{
    throw formats::FormatError(file.string(), 0, why);
}

bool isMedia(const std::filesystem::path& file)
{
    static const std::vector<std::string> kMedia{".mkv", ".mp4", ".mov", ".avi", ".webm", ".mts", ".m2ts",
        ".m4v", ".flac", ".wav", ".opus", ".ogg", ".m4a", ".mp3"};
    std::string suffix = file.extension().string();
    std::transform(
        suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return std::tolower(c); });
    return std::find(kMedia.begin(), kMedia.end(), suffix) != kMedia.end();
}

/// Files of a stage's folder that are part of it, by their names within it.
std::vector<std::filesystem::path> filesOf(const std::filesystem::path& folder, bool with_media)
{
    std::vector<std::filesystem::path> files;
    std::error_code error;
    for (std::filesystem::recursive_directory_iterator it(folder, error), end; it != end;
         it.increment(error)) {
        const auto name = it->path().lexically_relative(folder);
        const std::string first = name.begin()->string();
        const bool ours = first == "passes" || first == "takes" || first == "media"
            || (name == first && it->path().extension() == ".brumefall") || name == "notes.txt";
        const bool heavy = first == "media" && isMedia(it->path());
        if (it->is_symlink(error) || !it->is_regular_file(error) || !ours || it->path().extension() == ".tmp"
            || (heavy && !with_media)) {
            continue;
        }
        files.push_back(name);
    }
    std::sort(files.begin(), files.end());
    return files;
}

bool isStage(const std::filesystem::path& folder)
{
    std::error_code error;
    return std::filesystem::is_regular_file(folder / "stage.brumefall", error);
}

class Packer {
public:
    Packer(const std::filesystem::path& file, const media::Progress& progress)
        : file_(file)
        , beside_(file.string() + ".tmp")
        , progress_(progress)
        , writer_(archive_write_new(), &archive_write_free)
    {
        require(archive_write_set_format_zip(writer_.get()));
        require(archive_write_set_options(writer_.get(), "zip:hdrcharset=UTF-8"));
        ::unlink(beside_.c_str());
        require(archive_write_open_filename(writer_.get(), beside_.c_str()));
    }
    Packer(const Packer&) = delete;
    Packer& operator=(const Packer&) = delete;
    ~Packer()
    {
        writer_.reset();
        std::error_code ignored;
        std::filesystem::remove(beside_, ignored);
    }

    void add(const std::filesystem::path& from, const std::filesystem::path& name, double share)
    {
        if (progress_ && !progress_(share)) {
            fail(file_, wording::localized("package", "stopped; nothing was written"));
        }
        std::error_code error;
        const auto size = std::filesystem::file_size(from, error);
        std::ifstream stream(from, std::ios::binary);
        if (!stream || error) {
            fail(from, wording::localized("package", "it cannot be read"));
        }
        // what is compressed already is stored
        require(isMedia(from) ? archive_write_zip_set_compression_store(writer_.get())
                              : archive_write_zip_set_compression_deflate(writer_.get()));
        const Entry entry(archive_entry_new(), &archive_entry_free);
        archive_entry_set_pathname_utf8(entry.get(), name.generic_string().c_str());
        archive_entry_set_size(entry.get(), static_cast<la_int64_t>(size));
        archive_entry_set_filetype(entry.get(), AE_IFREG);
        archive_entry_set_perm(entry.get(), 0644);
        require(archive_write_header(writer_.get(), entry.get()));
        std::string block(kBlock, '\0');
        while (stream.read(block.data(), kBlock) || stream.gcount() > 0) {
            if (archive_write_data(writer_.get(), block.data(), static_cast<std::size_t>(stream.gcount()))
                < 0) {
                require(ARCHIVE_FATAL);
            }
        }
    }

    void finish()
    {
        require(archive_write_close(writer_.get()));
        std::error_code error;
        std::filesystem::rename(beside_, file_, error);
        if (error) {
            fail(file_,
                wording::filled(wording::localized("package", "cannot be written: %1"), {error.message()}));
        }
    }

private:
    void require(int result)
    {
        if (result < ARCHIVE_WARN) {
            const char* why = archive_error_string(writer_.get());
            fail(file_,
                wording::filled(
                    wording::localized("package", "cannot be written: %1"), {why == nullptr ? "?" : why}));
        }
    }

    std::filesystem::path file_;
    std::filesystem::path beside_;
    const media::Progress& progress_;
    Writer writer_;
};

/// A name within a package that stays inside the folder; empty where it does not.
std::filesystem::path safeName(const char* given)
{
    const std::string name = given == nullptr ? "" : given;
    const std::filesystem::path path(name);
    const bool odd = name.empty() || name.size() > 1000 || path.is_absolute()
        || name.find('\\') != std::string::npos || name.find('\0') != std::string::npos
        || std::any_of(name.begin(), name.end(), [](char c) { return static_cast<unsigned char>(c) < 0x20; });
    if (odd || std::any_of(path.begin(), path.end(), [](const auto& part) { return part == ".."; })) {
        return {};
    }
    return path.lexically_normal();
}

class Unpacker {
public:
    Unpacker(
        const std::filesystem::path& package, std::filesystem::path into, const media::Progress& progress)
        : package_(package)
        , into_(std::move(into))
        , progress_(progress)
        , reader_(archive_read_new(), &archive_read_free)
    {
    }

    void run()
    {
        std::error_code error;
        if (!std::filesystem::is_regular_file(package_, error)) {
            fail(package_, wording::localized("package", "there is no such file"));
        }
        packed_bytes_ = std::filesystem::file_size(package_, error);
        archive_read_support_format_zip(reader_.get());
        if (archive_read_open_filename(reader_.get(), package_.c_str(), kBlock) != ARCHIVE_OK) {
            fail(package_,
                wording::filled(wording::localized("package", "this is no package of a stage: %1"), {why()}));
        }
        archive_entry* entry = nullptr;
        int read = archive_read_next_header(reader_.get(), &entry);
        for (; read == ARCHIVE_OK || read == ARCHIVE_WARN;
             read = archive_read_next_header(reader_.get(), &entry)) {
            take(*entry);
        }
        if (read != ARCHIVE_EOF) {
            fail(package_, wording::filled(wording::localized("package", "broken: %1"), {why()}));
        }
    }

private:
    [[nodiscard]] std::string why() const
    {
        const char* text = archive_error_string(reader_.get());
        return text == nullptr ? wording::localized("package", "it cannot be read") : text;
    }

    void take(archive_entry& entry)
    {
        const char* given = archive_entry_pathname_utf8(&entry);
        given = given == nullptr ? archive_entry_pathname(&entry) : given;
        const auto name = safeName(given);
        const std::string shown = given == nullptr ? "" : given;
        if (name.empty()) {
            fail(package_,
                wording::filled(
                    wording::localized("package", "it holds a file that leads out of its folder: “%1”"),
                    {shown}));
        }
        if (archive_entry_filetype(&entry) == AE_IFDIR) {
            return; // made with the files in it
        }
        if (archive_entry_filetype(&entry) != AE_IFREG || archive_entry_hardlink(&entry) != nullptr) {
            fail(package_,
                wording::filled(wording::localized("package", "it holds a link or a device: “%1”"), {shown}));
        }
        if (++files_ > kMostFiles) {
            fail(package_,
                wording::filled(wording::localized("package", "it holds more than %1 files: no stage does"),
                    {std::to_string(kMostFiles)}));
        }
        const auto to = into_ / name;
        std::error_code error;
        std::filesystem::create_directories(to.parent_path(), error);
        if (error || std::filesystem::exists(to, error)) {
            fail(package_,
                wording::filled(
                    wording::localized("package", "it holds “%1” twice, or as file and folder"), {shown}));
        }
        std::ofstream stream(to, std::ios::binary);
        std::string block(kBlock, '\0');
        std::uintmax_t size = 0;
        la_ssize_t got = archive_read_data(reader_.get(), block.data(), kBlock);
        for (; got > 0; got = archive_read_data(reader_.get(), block.data(), kBlock)) {
            size += static_cast<std::uintmax_t>(got);
            bytes_ += static_cast<std::uintmax_t>(got);
            bound(size, name, shown);
            if (!stream.write(block.data(), got)) {
                fail(to,
                    wording::localized(
                        "package", "cannot be written: the disk is full, or it may not be written to"));
            }
            if (progress_ && !progress_(0.5)) {
                fail(package_, wording::localized("package", "stopped; nothing was unpacked"));
            }
        }
        if (got < 0) {
            fail(package_,
                wording::filled(wording::localized("package", "broken at “%1”: %2"), {shown, why()}));
        }
    }

    void bound(std::uintmax_t size, const std::filesystem::path& name, const std::string& shown) const
    {
        const bool swollen =
            static_cast<double>(bytes_) > kMostSwollen * static_cast<double>(packed_bytes_) + 1e6;
        if (swollen || bytes_ > kLargest_bytes || (!isMedia(name) && size > kLargestText_bytes)) {
            fail(package_,
                wording::filled(wording::localized("package",
                                    "it swells beyond what a stage can be, at “%1”; it was not unpacked"),
                    {shown}));
        }
    }

    std::filesystem::path package_;
    std::filesystem::path into_;
    const media::Progress& progress_;
    Reader reader_;
    std::uintmax_t packed_bytes_ = 0;
    std::uintmax_t bytes_ = 0;
    std::size_t files_ = 0;
};

} // namespace

std::vector<std::string> pack(const std::filesystem::path& folder, const std::filesystem::path& to,
    bool with_media, const media::Progress& progress)
{
    struct Part {
        std::filesystem::path from;
        std::filesystem::path name;
    };
    std::vector<Part> parts;
    std::vector<std::string> says;
    const auto addStage = [&](const std::filesystem::path& stage) {
        for (const auto& name : filesOf(stage, with_media)) {
            parts.push_back({stage / name, stage.filename() / name});
        }
        for (const auto& file : stage::listJson(stage / "passes")) {
            const auto path = std::filesystem::path(stage::readPass(file).media.path);
            const auto within =
                (stage / path).lexically_normal().lexically_relative(stage.lexically_normal());
            if (!path.empty() && (within.empty() || *within.begin() == "..")) {
                says.push_back(wording::filled(
                    wording::localized("package", "the video of %1 lies elsewhere and is not in it: %2"),
                    {file.stem().string(), path.string()}));
            }
        }
    };
    std::error_code error;
    const auto given = std::filesystem::weakly_canonical(folder, error);
    if (isStage(given)) {
        addStage(given);
    } else {
        if (std::filesystem::is_regular_file(given / "rally.brumefall", error)) {
            parts.push_back({given / "rally.brumefall", given.filename() / "rally.brumefall"});
        }
        for (const auto& entry : std::filesystem::directory_iterator(given, error)) {
            if (entry.is_directory(error) && !entry.is_symlink(error) && isStage(entry.path())) {
                const auto first = parts.size();
                addStage(entry.path());
                for (auto part = parts.begin() + static_cast<std::ptrdiff_t>(first); part != parts.end();
                     ++part) {
                    part->name = given.filename() / part->name;
                }
            }
        }
    }
    if (parts.empty()) {
        fail(folder, wording::localized("package", "there is no stage in it"));
    }
    Packer packer(to, progress);
    for (std::size_t i = 0; i < parts.size(); ++i) {
        packer.add(parts[i].from, parts[i].name, static_cast<double>(i) / static_cast<double>(parts.size()));
    }
    packer.finish();
    return says;
}

std::filesystem::path unpack(
    const std::filesystem::path& package, const std::filesystem::path& into, const media::Progress& progress)
{
    std::error_code error;
    const auto scratch = into / ("." + package.stem().string() + ".unpacking");
    std::filesystem::remove_all(scratch, error);
    std::filesystem::create_directories(scratch, error);
    if (error) {
        fail(
            into, wording::filled(wording::localized("package", "cannot be written: %1"), {error.message()}));
    }
    try {
        Unpacker(package, scratch, progress).run();
        // one folder: a stage, or a rally of them
        std::vector<std::filesystem::path> top;
        for (const auto& entry : std::filesystem::directory_iterator(scratch)) {
            top.push_back(entry.path());
        }
        const bool one = top.size() == 1 && std::filesystem::is_directory(top.front(), error);
        bool any = one && isStage(top.front());
        for (std::filesystem::directory_iterator it(one ? top.front() : scratch, error), end;
             it != end && !any; it.increment(error)) {
            any = isStage(it->path());
        }
        if (!one || !any) {
            fail(package, wording::localized("package", "there is no stage in it"));
        }
        const std::string name = top.front().filename().string();
        auto to = into / name;
        for (int i = 2; std::filesystem::exists(to, error); ++i) {
            to = into / (name + " " + std::to_string(i));
        }
        std::filesystem::rename(top.front(), to);
        std::filesystem::remove_all(scratch, error);
        return to;
    } catch (...) {
        std::filesystem::remove_all(scratch, error);
        throw;
    }
}

} // namespace brumefall::exporting
