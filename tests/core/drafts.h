/// Drafts of captions that are written in a test.
#pragma once

#include "captions/draft.h"

#include <algorithm>
#include <string>

namespace support {

inline brumefall::captions::Draft draftOf(const std::string& content)
{
    return brumefall::captions::draftNotes(brumefall::captions::readCues(content, "test"));
}

inline std::string proposals(const brumefall::captions::Draft& draft)
{
    return brumefall::captions::draftText(draft, 0, draft.calls.size());
}

/// The same with no regard to where calls begin.
inline std::string inOneLine(const brumefall::captions::Draft& draft)
{
    std::string out = proposals(draft);
    std::replace(out.begin(), out.end(), '\n', ' ');
    return out.substr(0, out.find_last_not_of(' ') + 1);
}

} // namespace support
