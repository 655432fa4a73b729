/// One blank-separated piece of a line cut into words: "L4+" is "left" "4" "plus", "HpL" is "hairpin" "left".
#pragma once

#include "notes/tokens.h"

#include <string_view>
#include <vector>

namespace brumefall::notes {

/// Appends the words of `written` to `out`. It stands at bytes [begin, end) of its line and keeps its
/// capitals.
void cutPiece(std::vector<Token>& out, const Dictionary& dictionary, std::string_view written,
    std::size_t begin, std::size_t end);

} // namespace brumefall::notes
