#include "media/seams.h"

#include <algorithm>
#include <iterator>

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

std::optional<double> begunBefore(std::span<const HeardWord> heard, std::size_t first, double time_s)
{
    while (first < heard.size() && heard[first].span.start_s < time_s) {
        const std::size_t end = endOfNote(heard, first);
        if (heard[end - 1].span.end_s >= time_s) {
            return heard[first].span.start_s;
        }
        first = end;
    }
    return {};
}

std::size_t lastBegun(std::span<const HeardWord> heard)
{
    std::size_t i = heard.empty() ? 0 : heard.size() - 1;
    while (i > 0 && !beginsNote(heard, i)) {
        --i;
    }
    return i;
}

std::vector<HeardWord> wordsIn(std::span<const HeardWord> heard, const take::Span& span)
{
    std::vector<HeardWord> out;
    std::copy_if(heard.begin(), heard.end(), std::back_inserter(out), [&](const HeardWord& word) {
        return word.span.start_s >= span.start_s && word.span.start_s < span.end_s;
    });
    return out;
}

std::vector<take::Span> saidParts(const Condensed& condensed, const take::Span& span)
{
    constexpr double kSilence_s = 0.7;
    constexpr double kLeast_s = 1.0;
    std::vector<take::Span> parts{span};
    for (std::size_t k = 1; k < condensed.pieces.size(); ++k) {
        const Condensed::Piece& before = condensed.pieces[k - 1];
        const Condensed::Piece& here = condensed.pieces[k];
        const auto cut = static_cast<double>(here.original - before.original - (here.first - before.first));
        const double at_s = static_cast<double>(here.first) / kAlignRate_hz;
        if (cut > kSilence_s * kAlignRate_hz && at_s > parts.back().start_s + kLeast_s
            && at_s < span.end_s - kLeast_s) {
            parts.back().end_s = at_s;
            parts.push_back({at_s, span.end_s});
        }
    }
    return parts;
}

} // namespace brumefall::media
