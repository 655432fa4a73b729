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

/// "one fifty" or "a hundred and fifty".
enum class HundredsSaid { short_form, long_form };

/// What the notes themselves show about the style: a sentence and the line it was seen in.
struct Evidence {
    std::string says;
    int line = 0;
};

/// How a corner of one grade is bent, before its extent and shapes.
struct CornerSize {
    double radius_m = 0.0;
    double angle_deg = 0.0;

    bool operator==(const CornerSize&) const = default;
};

/// A crew's language. Unset order and scale are detected from the notes.
struct Style {
    std::optional<Order> order;
    std::optional<Scale> scale;
    HundredsSaid hundreds = HundredsSaid::short_form;
    std::string name; ///< of the style, for choosing it again; may be empty
    std::map<std::string, std::string> abbreviations; ///< what is written -> the words it is short for
    /// The crew's own words and grades -> what they mean in the words of the language ("bullet" -> "six",
    /// "nadgery" -> "narrow"); said as they are. An empty meaning is a word that says nothing.
    std::map<std::string, std::string> words;
    /// Corners as this crew drives its grades ("4", "hairpin"), where they differ from the usual ones.
    std::map<std::string, CornerSize> grade_sizes{};

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
