#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {

std::vector<std::string> splitWords(std::string_view text)
{
    std::vector<std::string> words;
    const auto* at = std::find_if_not(text.begin(), text.end(), isBlank);
    while (at != text.end()) {
        const auto* const end = std::find_if(at, text.end(), isBlank);
        words.emplace_back(at, end);
        at = std::find_if_not(end, text.end(), isBlank);
    }
    return words;
}

std::string joinWords(const std::vector<std::string>& words)
{
    std::string text;
    for (const std::string& word : words) {
        text += (text.empty() ? "" : " ") + word;
    }
    return text;
}

std::string lowerCase(std::string_view text)
{
    std::string lower;
    lower.reserve(text.size());
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (c == '\xE2' && (text.substr(i, 3) == "\xE2\x80\x99" || text.substr(i, 3) == "\xE2\x80\x98")) {
            lower += '\'';
            i += 2;
        } else {
            lower += c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
        }
    }
    return lower;
}

std::string_view trimmed(std::string_view text)
{
    while (!text.empty() && isBlank(text.front())) {
        text.remove_prefix(1);
    }
    while (!text.empty() && isBlank(text.back())) {
        text.remove_suffix(1);
    }
    return text;
}

} // namespace brumefall::notes
