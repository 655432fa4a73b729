#include "formats/kind_file.h"

#include "wording/wording.h"

#include <charconv>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

constexpr int kVersion = 1;
constexpr int kDeepest = 40;

/// Depth is bounded so that no file is absurd: the parser recurses in its destructor.
void requireShallow(const std::string& content, const std::string& file)
{
    int depth = 0;
    bool in_text = false;
    for (std::size_t i = 0; i < content.size(); ++i) {
        const char c = content[i];
        if (in_text) {
            i += c == '\\' ? 1 : 0;
            in_text = c != '"';
        } else if (c == '"') {
            in_text = true;
        } else if (c == '{' || c == '[') {
            if (++depth > kDeepest) {
                throw FormatError(
                    file, formats::lineOf(content, i), wording::localized("file", "nested too deeply"));
            }
        } else if (c == '}' || c == ']') {
            --depth;
        }
    }
}

Json parseBounded(const std::string& content, const std::string& file)
{
    requireShallow(content, file);
    try {
        return Json::parse(content);
    } catch (const Json::parse_error& error) {
        const int line = formats::lineOf(content, error.byte == 0 ? 0 : error.byte - 1);
        const bool cut_off = error.byte >= content.size();
        throw FormatError(file, line,
            cut_off ? wording::localized("file", "the file ends in the middle: half written")
                    : wording::localized("file", "not valid JSON here"));
    } catch (const Json::out_of_range& error) { // the parser tells the number, not its place
        const std::string_view what = error.what();
        const auto quote = what.find('\'');
        const auto number = quote == std::string_view::npos
            ? std::string_view{}
            : what.substr(quote + 1, what.rfind('\'') - quote - 1);
        const auto at = number.empty() ? std::string::npos : content.find(number);
        throw FormatError(file, at == std::string::npos ? 0 : formats::lineOf(content, at),
            wording::localized("file", "a number beyond all measure"));
    }
}

} // namespace

Json readKind(const std::filesystem::path& path, const std::string& kind)
{
    const std::string file = path.string();
    std::error_code error;
    if (std::filesystem::exists(path, error) && !std::filesystem::is_regular_file(path, error)) {
        throw FormatError(
            file, 0, wording::localized("file", "this is no file, but a folder, a pipe or a device"));
    }
    const std::string content = formats::readFile(path);
    Json json = parseBounded(content, file);
    const std::string prefix = "brumefall/" + kind + "/";
    const std::string format = json.is_object() && json.contains("format") && json["format"].is_string()
        ? json["format"].get<std::string>()
        : "";
    if (!format.starts_with(prefix)) {
        throw FormatError(file, 1,
            wording::filled(wording::localized("file", "this is not a %1 file of Brumefall"), {kind}));
    }
    int version = 0;
    std::from_chars(format.data() + prefix.size(), format.data() + format.size(), version);
    if (version > kVersion) {
        throw FormatError(file, 1,
            wording::filled(wording::localized("file",
                                "made by a newer Brumefall (version %1); it was not opened and not changed"),
                {std::to_string(version)}));
    }
    if (version < 1) {
        throw FormatError(file, 1, wording::localized("file", "its format says no version"));
    }
    return json;
}

void writeKind(const std::filesystem::path& file, const Json& json)
{
    std::error_code ignored;
    std::filesystem::create_directories(file.parent_path(), ignored);
    writeFile(file, json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n");
}

} // namespace brumefall::formats
