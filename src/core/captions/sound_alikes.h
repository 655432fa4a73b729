/// What captions write for what was said, as a table. A new mishearing is one entry.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::captions {

/// The company in which a mishearing is one; elsewhere the same words are what they are.
enum class Company { any, grade, direction, before_corner, after_over, after_dont, after_keep };

struct SoundAlike {
    std::vector<std::string> heard;
    std::vector<std::string> said;
    Company company;
    double confidence;
};

/// The entries whose heard words begin with `first_word`, the longest first.
[[nodiscard]] std::span<const SoundAlike> soundAlikes(std::string_view first_word);

} // namespace brumefall::captions
