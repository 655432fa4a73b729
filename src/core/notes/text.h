/// Cutting plain text into words, as every reader of it needs.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// Some ASCII characters, asked by table: every letter of the notes is asked about more than once.
class CharacterSet {
public:
    constexpr explicit CharacterSet(std::string_view characters)
    {
        for (const char c : characters) {
            has_[static_cast<unsigned char>(c)] = true;
        }
    }
    [[nodiscard]] constexpr bool has(char c) const { return has_[static_cast<unsigned char>(c)]; }

private:
    std::array<bool, 256> has_{};
};

inline constexpr CharacterSet kBlanks{" \t\r\n\v\f"};
[[nodiscard]] constexpr bool isBlank(char c)
{
    return kBlanks.has(c);
}
[[nodiscard]] constexpr bool isDigit(char c)
{
    return c >= '0' && c <= '9';
}

/// The words between blanks.
[[nodiscard]] std::vector<std::string> splitWords(std::string_view text);

/// `words` with one blank between.
[[nodiscard]] std::string joinWords(const std::vector<std::string>& words);

/// ASCII letters in lower case; typographic apostrophes become plain ones.
[[nodiscard]] std::string lowerCase(std::string_view text);

/// Without blanks at either end.
[[nodiscard]] std::string_view trimmed(std::string_view text);

} // namespace brumefall::notes
