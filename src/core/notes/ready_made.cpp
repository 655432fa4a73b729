#include "notes/ready_made.h"

#include "wording/wording.h"

namespace brumefall::notes {

const std::vector<Style>& readyMadeStyles()
{
    static const std::map<std::string, std::string> kShort{{"L", "left"}, {"R", "right"}, {"lg", "long"},
        {"sh", "short"}, {"dc", "don't cut"}, {"cr", "crest"}, {"hp", "hairpin"}, {"sq", "square"},
        {"ti", "tightens"}, {"op", "opens"}, {"ca", "caution"}};
    static const std::vector<Style> kStyles{
        {{}, {}, HundredsSaid::short_form, wording::localizable("style", "As the notes show it"), {}, {}},
        {Order::direction_first, Scale::ascending, HundredsSaid::short_form,
            wording::localizable("style", "Direction first, higher is faster"), kShort, {}},
        {Order::number_first, Scale::ascending, HundredsSaid::short_form,
            wording::localizable("style", "Number first, higher is faster"), kShort, {}},
        {Order::direction_first, Scale::descending, HundredsSaid::long_form,
            wording::localizable("style", "Direction first, lower is faster"), kShort, {}},
        {Order::number_first, Scale::descending, HundredsSaid::long_form,
            wording::localizable("style", "Number first, lower is faster"), kShort, {}},
        {Order::direction_first, Scale::ascending, HundredsSaid::short_form,
            wording::localizable("style", "Words for grades, no numbers"), kShort,
            {{"flat", "six"}, {"fast", "five"}, {"easy", "five minus"}, {"medium", "four"},
                {"middling", "three"}, {"tight", "two"}, {"slow", "one"}}}};
    return kStyles;
}

} // namespace brumefall::notes
