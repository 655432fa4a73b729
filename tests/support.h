/// Small builders that several tests share.
#pragma once

#include <filesystem>
#include <fstream>
#include <random>
#include <string>

namespace support {

/// A folder that is gone when the test is.
class ScratchFolder {
public:
    ScratchFolder()
        : path_(std::filesystem::temp_directory_path()
            / ("brumefall-test-" + std::to_string(std::random_device{}())))
    {
        std::filesystem::create_directories(path_);
    }
    ScratchFolder(const ScratchFolder&) = delete;
    ScratchFolder& operator=(const ScratchFolder&) = delete;
    ~ScratchFolder()
    {
        std::error_code ignored;
        std::filesystem::permissions(path_, std::filesystem::perms::owner_all, ignored);
        std::filesystem::remove_all(path_, ignored);
    }
    [[nodiscard]] const std::filesystem::path& path() const { return path_; }

private:
    std::filesystem::path path_;
};

inline void write(const std::filesystem::path& file, const std::string& content)
{
    std::filesystem::create_directories(file.parent_path());
    std::ofstream(file, std::ios::binary) << content;
}

inline std::string read(const std::filesystem::path& file)
{
    std::ifstream stream(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(stream), {}};
}

/// A copy of the demo stage that a test may change.
inline std::filesystem::path copyDemo(const ScratchFolder& scratch)
{
    const auto copy = scratch.path() / "Lantern Pass";
    std::filesystem::copy(DEMO_FOLDER, copy, std::filesystem::copy_options::recursive);
    return copy;
}

/// The whole rally of the demo, in a folder of its own; returns the folder of its first stage.
inline std::filesystem::path copyDemoRally(const ScratchFolder& scratch)
{
    std::filesystem::copy(std::filesystem::path(DEMO_FOLDER).parent_path(), scratch.path() / "rally",
        std::filesystem::copy_options::recursive);
    return scratch.path() / "rally" / "Lantern Pass";
}

} // namespace support
