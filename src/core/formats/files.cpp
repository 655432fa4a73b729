#include "formats/files.h"

#include "wording/wording.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <sys/stat.h>
#include <unistd.h>

namespace brumefall::formats {
namespace {

/// Length of the UTF-8 sequence at `i`, 0 where there is none.
std::size_t sequenceAt(std::string_view text, std::size_t i)
{
    const auto byte = [&](std::size_t j) { return static_cast<unsigned char>(text[j]); };
    const auto follows = [&](std::size_t j) { return j < text.size() && (byte(j) & 0xC0U) == 0x80U; };
    const unsigned char lead = byte(i);
    if (lead < 0x80U) {
        return 1;
    }
    if (lead >= 0xC2U && lead <= 0xDFU) {
        return follows(i + 1) ? 2 : 0;
    }
    if (lead >= 0xE0U && lead <= 0xEFU) {
        if (!follows(i + 1) || !follows(i + 2)) {
            return 0;
        }
        const bool overlong = lead == 0xE0U && byte(i + 1) < 0xA0U;
        const bool surrogate = lead == 0xEDU && byte(i + 1) > 0x9FU;
        return overlong || surrogate ? 0 : 3;
    }
    if (lead >= 0xF0U && lead <= 0xF4U) {
        if (!follows(i + 1) || !follows(i + 2) || !follows(i + 3)) {
            return 0;
        }
        const bool overlong = lead == 0xF0U && byte(i + 1) < 0x90U;
        const bool beyond = lead == 0xF4U && byte(i + 1) > 0x8FU;
        return overlong || beyond ? 0 : 4;
    }
    return 0;
}

class FileDescriptor {
public:
    explicit FileDescriptor(int fd)
        : fd_(fd)
    {
    }
    FileDescriptor(const FileDescriptor&) = delete;
    FileDescriptor& operator=(const FileDescriptor&) = delete;
    ~FileDescriptor()
    {
        if (fd_ >= 0) {
            ::close(fd_);
        }
    }
    [[nodiscard]] int get() const { return fd_; }

private:
    int fd_;
};

} // namespace

int lineOf(std::string_view text, std::size_t offset)
{
    return 1
        + static_cast<int>(std::count(
            text.begin(), text.begin() + static_cast<std::ptrdiff_t>(std::min(offset, text.size())), '\n'));
}

std::string readFile(const std::filesystem::path& path, std::size_t longest)
{
    std::error_code error;
    if (std::filesystem::is_directory(path, error)) {
        throw FormatError(path.string(), 0, wording::localized("file", "this is a folder, not a file"));
    }
    std::ifstream stream(path, std::ios::binary);
    if (!stream) {
        const int error = errno; // a language may be looked up in between
        throw FormatError(path.string(), 0,
            wording::filled(wording::localized("file", "cannot be read: %1"), {std::strerror(error)}));
    }
    std::string content;
    std::string block(1 << 16, '\0');
    while (stream.read(block.data(), static_cast<std::streamsize>(block.size())) || stream.gcount() > 0) {
        content.append(block, 0, static_cast<std::size_t>(stream.gcount()));
        if (content.size() > longest) {
            throw FormatError(path.string(), 0,
                wording::filled(wording::localized("file", "larger than %1 MB: not a file of this kind"),
                    {std::to_string(longest / 1'000'000)}));
        }
    }
    return content;
}

void requireUtf8(std::string_view text, const std::string& file)
{
    if (text.starts_with("\xFF\xFE") || text.starts_with("\xFE\xFF")) {
        throw FormatError(file, 1, wording::localized("file", "this is UTF-16 text; save it as UTF-8"));
    }
    for (std::size_t i = 0; i < text.size();) {
        const std::size_t length = sequenceAt(text, i);
        if (length == 0 || text[i] == '\0') {
            throw FormatError(file, lineOf(text, i),
                text[i] == '\0' ? wording::localized("file", "a zero byte: this is not text")
                                : wording::localized("file", "not UTF-8 text; save the file as UTF-8"));
        }
        i += length;
    }
}

std::string readText(const std::filesystem::path& path)
{
    std::string text = readFile(path);
    requireUtf8(text, path.string());
    std::erase(text, '\r');
    return text;
}

void writeFile(const std::filesystem::path& path, std::string_view content)
{
    const std::string file = path.string();
    const std::string beside = file + ".tmp";
    const auto fail = [&](bool whole) {
        const int error = errno;
        ::unlink(beside.c_str());
        throw FormatError(file, 0,
            wording::filled(whole ? wording::localized("file", "cannot be replaced: %1")
                                  : wording::localized("file", "cannot be written: %1"),
                {std::strerror(error)}));
    };
    {
        ::unlink(beside.c_str()); // left over, or a link that leads elsewhere
        const FileDescriptor fd(
            ::open(beside.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0644));
        if (fd.get() < 0) {
            fail(false);
        }
        std::size_t written = 0;
        while (written < content.size()) {
            const auto n = ::write(fd.get(), content.data() + written, content.size() - written);
            if (n < 0 && errno != EINTR) {
                fail(false);
            }
            written += n > 0 ? static_cast<std::size_t>(n) : 0;
        }
        if (::fsync(fd.get()) != 0) {
            fail(false);
        }
    }
    if (::rename(beside.c_str(), file.c_str()) != 0) {
        fail(true);
    }
    // the name is safe on the disk, too, once its folder is
    const FileDescriptor folder(::open(
        path.has_parent_path() ? path.parent_path().c_str() : ".", O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folder.get() >= 0) {
        ::fsync(folder.get());
    }
}

} // namespace brumefall::formats
