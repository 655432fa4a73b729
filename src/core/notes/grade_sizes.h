/// How a corner of each grade is bent: one table for the road, for the crew's own sizes and for what is
/// tighter.
#pragma once

#include "notes/note.h"
#include "notes/style.h"

#include <map>
#include <string>
#include <utility>

namespace brumefall::notes {

/// What a crew's grades are: those of its scale, but for sizes of its own.
struct Grades {
    // NOLINTNEXTLINE(google-explicit-constructor): a scale alone is a table of grades too
    Grades(Scale of, std::map<std::string, CornerSize> own_sizes = {})
        : scale(of)
        , own(std::move(own_sizes))
    {
    }

    Scale scale;
    std::map<std::string, CornerSize> own; ///< by what the grade is called: "4", "hairpin"
};

/// Size of a grade; numbers beyond a scale's ends are taken as the end, plus and minus lie between the grades
/// beside.
[[nodiscard]] CornerSize sizeOf(const Grade& grade, const std::string& modifier, const Grades& grades);

} // namespace brumefall::notes
