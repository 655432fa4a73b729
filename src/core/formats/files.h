/// Reading and writing files so that a bad one is told plainly and a good one is never lost.
#pragma once

#include <filesystem>
#include <stdexcept>
#include <string>
#include <string_view>

namespace brumefall::formats {

/// A file that cannot be read: which, where (line from 1, 0 for the whole file) and why.
class FormatError : public std::runtime_error {
public:
    FormatError(std::string file, int line, std::string message)
        : std::runtime_error(file + ":" + std::to_string(line) + ": " + message)
        , file_(std::move(file))
        , line_(line)
        , message_(std::move(message))
    {
    }

    [[nodiscard]] const std::string& file() const { return file_; }
    [[nodiscard]] int line() const { return line_; }
    [[nodiscard]] const std::string& message() const { return message_; }

private:
    std::string file_;
    int line_;
    std::string message_;
};

/// The bytes of a file of at most `longest` bytes; throws FormatError.
[[nodiscard]] std::string readFile(const std::filesystem::path& path, std::size_t longest = 64'000'000);

/// The text of a notes file: UTF-8, any line endings. Throws FormatError naming the first line that is not.
[[nodiscard]] std::string readText(const std::filesystem::path& path);

/// Throws FormatError where `text` is not UTF-8, naming `file` and the line.
void requireUtf8(std::string_view text, const std::string& file);

/// Replaces the file in one step: a new file beside it, flushed to the disk, renamed over it.
/// Throws FormatError (read-only folder, full disk); the old file is then untouched.
void writeFile(const std::filesystem::path& path, std::string_view content);

/// The line, from 1, of byte `offset` in `text`.
[[nodiscard]] int lineOf(std::string_view text, std::size_t offset);

} // namespace brumefall::formats
