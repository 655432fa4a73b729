/// How one crew writes and says its notes. A style is data: nothing about one crew's habit is code.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::notes {

enum class Order { number_first, direction_first };

/// ascending: a higher number is a faster corner; descending: a lower one is.
enum class Scale { ascending, descending };

/// When the distance to the next note is said.
enum class DistanceSaid { at_end, at_start };

/// "one fifty" or "a hundred and fifty".
enum class HundredsSaid { short_form, long_form };

/// What the notes themselves show about the style: a sentence and the line it was seen in.
struct Evidence {
    std::string says;
    int line = 0;
};

/// A crew's language. Unset order and scale are detected from the notes.
struct Style {
    std::optional<Order> order;
    std::optional<Scale> scale;
    HundredsSaid hundreds = HundredsSaid::short_form;
    std::map<std::string, std::string> abbreviations; ///< what is written -> the words it stands for

    bool operator==(const Style&) const = default;
};

/// The style that a text was read with, and why.
struct DetectedStyle {
    Order order = Order::direction_first;
    Scale scale = Scale::ascending;
    std::vector<Evidence> evidence;
};

[[nodiscard]] std::string toString(Order order);
[[nodiscard]] std::string toString(Scale scale);

} // namespace brumefall::notes
