#include "document/aside.h"

#include "formats/files.h"

#include <QCryptographicHash>
#include <QStandardPaths>
#include <QString>

#include <algorithm>

namespace brumefall::app {
namespace {

constexpr const char* kWhere = ".folder"; ///< holds the path of the stage's folder
constexpr const char* kMadeFrom = ".made-from";

std::filesystem::path allOfThem()
{
    return std::filesystem::path(
               QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString())
        / "not saved yet";
}

std::string contentOf(const std::filesystem::path& file)
{
    std::error_code error;
    return std::filesystem::is_regular_file(file, error) ? formats::readFile(file) : std::string();
}

} // namespace

Aside::Aside(const std::filesystem::path& folder)
    : folder_(folder)
    , here_(allOfThem()
          / QCryptographicHash::hash(QByteArray::fromStdString(folder.string()), QCryptographicHash::Sha1)
                .toHex()
                .toStdString())
{
}

Aside Aside::of(const std::filesystem::path& folder, std::string_view content)
{
    Aside own(folder);
    std::error_code error;
    if (!own.isEmpty() || content.empty()) {
        return own;
    }
    for (const auto& entry : std::filesystem::directory_iterator(allOfThem(), error)) {
        const std::filesystem::path was = contentOf(entry.path() / kWhere);
        Aside other(was);
        if (other.here_ == entry.path() && !std::filesystem::exists(was, error)
            && other.madeFrom() == content) {
            std::filesystem::rename(other.here_, own.here_, error);
            if (!error) {
                formats::writeFile(own.here_ / kWhere, folder.string());
            }
            return own;
        }
    }
    return own;
}

std::vector<std::filesystem::path> Aside::files() const
{
    std::vector<std::filesystem::path> out;
    std::error_code error;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(here_, error)) {
        const auto name = entry.path().lexically_relative(here_);
        const bool whole = entry.path().extension() != ".tmp";
        if (entry.is_regular_file(error) && whole && name != kWhere && name != kMadeFrom) {
            out.push_back(name);
        }
    }
    std::sort(out.begin(), out.end());
    return out;
}

bool Aside::isEmpty() const
{
    return files().empty();
}

std::filesystem::path Aside::placeOf(const std::filesystem::path& file) const
{
    std::error_code error;
    return std::filesystem::is_regular_file(here_ / file, error) ? here_ / file : folder_ / file;
}

std::string Aside::madeFrom() const
{
    return contentOf(here_ / kMadeFrom);
}

void Aside::put(const std::filesystem::path& file,
    const std::function<void(const std::filesystem::path&)>& write, std::string_view made_from)
{
    std::error_code ignored;
    std::filesystem::create_directories((here_ / file).parent_path(), ignored);
    formats::writeFile(here_ / kWhere, folder_.string());
    if (!made_from.empty()) {
        formats::writeFile(here_ / kMadeFrom, made_from);
    }
    write(here_ / file);
}

void Aside::drop(const std::filesystem::path& file)
{
    std::error_code ignored;
    std::filesystem::remove(here_ / file, ignored);
    if (isEmpty()) {
        std::filesystem::remove_all(here_, ignored);
    }
}

} // namespace brumefall::app
