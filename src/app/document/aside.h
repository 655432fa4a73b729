/// What could not be written into a stage's folder (a full disk, a folder that is read-only or gone) lies
/// aside, in the application's data folder, until it can be.
#pragma once

#include <filesystem>
#include <functional>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::app {

class Aside {
public:
    /// Of the stage in `folder`.
    explicit Aside(const std::filesystem::path& folder);
    /// The one that belongs to the stage in `folder`, whose file holds `content`: its own, or that of a
    /// folder that is no more and whose stage was the same, since a folder gets another name now and then.
    [[nodiscard]] static Aside of(const std::filesystem::path& folder, std::string_view content);

    [[nodiscard]] bool isEmpty() const;
    /// Files that lie here, by their names within the stage's folder.
    [[nodiscard]] std::vector<std::filesystem::path> files() const;
    /// Where `file` of the stage is to be read: here, if it lies here, else in the stage's folder.
    [[nodiscard]] std::filesystem::path placeOf(const std::filesystem::path& file) const;
    /// What the stage's file held when what lies here was made from it; empty where that is not known.
    [[nodiscard]] std::string madeFrom() const;

    /// `write` writes `file`, a name within the stage's folder, where it is told. Throws formats::FormatError
    /// where that cannot be done here either.
    void put(const std::filesystem::path& file,
        const std::function<void(const std::filesystem::path&)>& write, std::string_view made_from = {});
    /// It is where it belongs now.
    void drop(const std::filesystem::path& file);

private:
    std::filesystem::path folder_;
    std::filesystem::path here_;
};

} // namespace brumefall::app
