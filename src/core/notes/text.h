/// Cutting plain text into words, as every reader of it needs.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// The words between blanks.
[[nodiscard]] std::vector<std::string> splitWords(std::string_view text);

/// `words` with one blank between.
[[nodiscard]] std::string joinWords(const std::vector<std::string>& words);

/// ASCII letters in lower case; typographic apostrophes become plain ones.
[[nodiscard]] std::string lowerCase(std::string_view text);

/// Without blanks at either end.
[[nodiscard]] std::string_view trimmed(std::string_view text);

} // namespace brumefall::notes
