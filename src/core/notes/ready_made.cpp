#include "notes/ready_made.h"

namespace brumefall::notes {

const std::vector<Style>& readyMadeStyles()
{
    static const std::map<std::string, std::string> kShort{{"L", "left"}, {"R", "right"}, {"lg", "long"},
        {"sh", "short"}, {"dc", "don't cut"}, {"cr", "crest"}, {"hp", "hairpin"}, {"sq", "square"},
        {"ti", "tightens"}, {"op", "opens"}, {"ca", "caution"}};
    static const std::vector<Style> kStyles{
        {{}, {}, HundredsSaid::short_form, "As the notes show it", {}, {}},
        {Order::direction_first, Scale::ascending, HundredsSaid::short_form,
            "Direction first, higher is faster", kShort, {}},
        {Order::number_first, Scale::ascending, HundredsSaid::short_form, "Number first, higher is faster",
            kShort, {}},
        {Order::direction_first, Scale::descending, HundredsSaid::long_form,
            "Direction first, lower is faster", kShort, {}},
        {Order::number_first, Scale::descending, HundredsSaid::long_form, "Number first, lower is faster",
            kShort, {}},
        {Order::direction_first, Scale::ascending, HundredsSaid::short_form, "Words for grades, no numbers",
            kShort,
            {{"flat", "six"}, {"fast", "five"}, {"easy", "five minus"}, {"medium", "four"},
                {"middling", "three"}, {"tight", "two"}, {"slow", "one"}}}};
    return kStyles;
}

} // namespace brumefall::notes
