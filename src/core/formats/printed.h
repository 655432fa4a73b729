/// Words with figures in them, as printf makes them.
#pragma once

#include <array>
#include <cstdio>
#include <string>

namespace brumefall::formats {

template <typename... Values> [[nodiscard]] std::string printed(const char* words, Values... values)
{
    std::array<char, 240> text{};
    std::snprintf(text.data(), text.size(), words, values...);
    return text.data();
}

} // namespace brumefall::formats
