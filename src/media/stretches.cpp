#include "media/stretches.h"

#include <algorithm>
#include <limits>
#include <map>
#include <set>
#include <utility>

namespace brumefall::media {
namespace {

std::size_t firstNote(const Stretch& stretch)
{
    return stretch.words.front().place.note;
}

std::size_t lastNote(const Stretch& stretch)
{
    return stretch.words.back().place.note;
}

/// `b` goes on where `a` ends, or later: a few notes may be said again.
bool comesAfter(const Stretch& a, const Stretch& b)
{
    constexpr std::size_t kAgain = 3;
    return firstNote(b) + kAgain > lastNote(a) && lastNote(b) > lastNote(a);
}

std::size_t notesOf(const Stretch& stretch)
{
    return notesIn({&stretch, 1}, {0, std::numeric_limits<std::size_t>::max()});
}

/// Those of the stretches that were surely read one after the other, as many notes as possible in all.
std::vector<std::size_t> inOrder(const std::vector<Stretch>& stretches)
{
    struct Best {
        std::size_t notes = 0;
        std::optional<std::size_t> before;
    };
    std::vector<Best> best(stretches.size());
    std::optional<std::size_t> last;
    for (std::size_t k = 0; k < stretches.size(); ++k) {
        if (!stretches[k].sure || stretches[k].words.empty()) {
            continue;
        }
        for (std::size_t before = 0; before < k; ++before) {
            if (best[before].notes > best[k].notes && comesAfter(stretches[before], stretches[k])) {
                best[k] = {best[before].notes, before};
            }
        }
        best[k].notes += notesOf(stretches[k]);
        if (!last || best[k].notes > best[*last].notes) {
            last = k;
        }
    }
    std::vector<std::size_t> chosen;
    for (; last; last = best[*last].before) {
        chosen.push_back(*last);
    }
    std::reverse(chosen.begin(), chosen.end());
    return chosen;
}

} // namespace

bool isSurelyRead(const Heard& heard)
{
    constexpr std::size_t kMany = 5;
    return heard.notes() >= kMany && heard.isReading() && heard.isInOrder() && heard.goesForward();
}

std::size_t notesIn(std::span<const Stretch> stretches, const NoteRange& range)
{
    std::set<std::size_t> notes;
    for (const Stretch& stretch : stretches) {
        for (const HeardWord& word : stretch.words) {
            if (word.place.note >= range.first && word.place.note < range.last) {
                notes.insert(word.place.note);
            }
        }
    }
    return notes.size();
}

std::vector<Doubtful> doubtful(const std::vector<Stretch>& stretches)
{
    std::vector<Doubtful> out;
    Doubtful run;
    for (const std::size_t sure : inOrder(stretches)) {
        run.last = sure;
        run.after = sure;
        run.notes.last = std::max(firstNote(stretches[sure]), run.notes.first);
        const std::span<const Stretch> between(stretches.begin() + static_cast<std::ptrdiff_t>(run.first),
            stretches.begin() + static_cast<std::ptrdiff_t>(run.last));
        if (!between.empty() && run.notes.first + notesIn(between, run.notes) < run.notes.last) {
            out.push_back(run);
        }
        run.first = sure + 1;
        run.before = sure;
        run.notes.first = lastNote(stretches[sure]) + 1;
    }
    return out;
}

void dropRepeats(std::vector<Stretch>& stretches)
{
    std::map<std::size_t, std::size_t> said_to; ///< the last word that was said of each note
    for (const Stretch& stretch : stretches) {
        for (const HeardWord& word : stretch.words) {
            if (!word.place.after) {
                std::size_t& last = said_to[word.place.note];
                last = std::max(last, word.place.word);
            }
        }
    }
    std::set<std::size_t> kept;
    for (Stretch& stretch : stretches) {
        std::vector<HeardWord> once;
        bool keeps = false;
        for (std::size_t w = 0; w < stretch.words.size(); ++w) {
            const HeardWord& word = stretch.words[w];
            if (beginsNote(stretch.words, w)) {
                const HeardWord& last = stretch.words[endOfNote(stretch.words, w) - 1];
                keeps = last.place.word == said_to[word.place.note] && kept.insert(word.place.note).second;
            }
            if (keeps) {
                once.push_back(word);
            }
        }
        stretch.words = std::move(once);
    }
}

} // namespace brumefall::media
