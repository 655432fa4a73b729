#include "media/seams.h"

namespace brumefall::media {
namespace {

/// The last word of the note that begins with word `i`, where it was heard whole; else `heard.size()`.
/// The joining word may have been left out.
std::size_t lastWordOf(const std::vector<HeardWord>& heard, const Grammar& grammar, std::size_t i)
{
    const WordPlace& place = heard[i].place;
    const bool goes_on = i > 0 && heard[i].goesOn(heard[i - 1]);
    const std::size_t own = grammar.ownWords(place.note).size();
    const std::size_t last = i + own - 1 - place.word;
    const bool whole = !place.after && place.word <= 1 && !goes_on && last < heard.size()
        && heard[last].place.note == place.note && !heard[last].place.after
        && heard[last].place.word + 1 == own;
    return whole ? last : heard.size();
}

} // namespace

std::size_t seamOf(const std::vector<HeardWord>& heard, const Grammar& grammar, double from_s, double sure_s)
{
    for (std::size_t i = heard.size(); i-- > 1;) {
        const std::size_t last = lastWordOf(heard, grammar, i);
        if (last < heard.size() && heard[last].span.end_s < sure_s && heard[i].span.start_s > from_s) {
            return i;
        }
    }
    return heard.size();
}

std::size_t wholeUntil(const std::vector<HeardWord>& heard, const Grammar& grammar, double sure_s)
{
    for (std::size_t i = heard.size(); i-- > 0;) {
        const std::size_t last = lastWordOf(heard, grammar, i);
        if (last < heard.size() && heard[last].span.end_s < sure_s) {
            return last + 1;
        }
    }
    return 0;
}

} // namespace brumefall::media
