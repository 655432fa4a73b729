#include "notes/identity.h"

#include "notes/suggest.h"

#include <algorithm>
#include <charconv>
#include <map>
#include <set>
#include <unordered_map>

namespace brumefall::notes {
namespace {

/// Edited stretches longer than this (product of lengths) are matched by equal text only.
constexpr std::size_t kLargestTable = 4'000'000;

int similarity(const std::string& a, const std::string& b)
{
    if (a == b) {
        return 4;
    }
    const auto longest = static_cast<int>(std::max(a.size(), b.size()));
    if (longest > 120) {
        return 0;
    }
    return 2 * editDistance(a, b) <= longest ? 2 : 0;
}

long numberOf(const std::string& id)
{
    long number = 0;
    if (id.size() > 1 && id[0] == 'n') {
        std::from_chars(id.data() + 1, id.data() + id.size(), number);
    }
    return number;
}

class Matcher {
public:
    Matcher(const std::vector<KnownNote>& before, const std::vector<Note*>& after)
        : before_(before)
        , after_(after)
        , match_(after.size(), -1)
    {
    }

    std::vector<std::ptrdiff_t> match()
    {
        std::size_t first = 0;
        while (
            first < before_.size() && first < after_.size() && before_[first].text == after_[first]->text) {
            match_[first] = static_cast<std::ptrdiff_t>(first);
            ++first;
        }
        std::size_t b = before_.size();
        std::size_t a = after_.size();
        while (b > first && a > first && before_[b - 1].text == after_[a - 1]->text) {
            --b;
            --a;
            match_[a] = static_cast<std::ptrdiff_t>(b);
        }
        if ((b - first) * (a - first) <= kLargestTable) {
            matchInOrder(first, b, a);
        }
        matchMoved();
        return std::move(match_);
    }

private:
    /// Heaviest common subsequence of before[first, b) and after[first, a).
    void matchInOrder(std::size_t first, std::size_t b, std::size_t a)
    {
        const std::size_t rows = b - first;
        const std::size_t columns = a - first;
        std::vector<int> best((rows + 1) * (columns + 1), 0);
        const auto at = [&](std::size_t i, std::size_t j) -> int& { return best[i * (columns + 1) + j]; };
        const auto score = [&](std::size_t i, std::size_t j) {
            return similarity(before_[first + i].text, after_[first + j]->text);
        };
        std::vector<signed char> scores(rows * columns);
        for (std::size_t i = rows; i-- > 0;) {
            for (std::size_t j = columns; j-- > 0;) {
                const int s = score(i, j);
                scores[i * columns + j] = static_cast<signed char>(s);
                at(i, j) = std::max({at(i + 1, j), at(i, j + 1), s > 0 ? at(i + 1, j + 1) + s : 0});
            }
        }
        std::size_t i = 0;
        std::size_t j = 0;
        while (i < rows && j < columns) {
            const int s = scores[i * columns + j];
            if (s > 0 && at(i, j) == at(i + 1, j + 1) + s) {
                match_[first + j++] = static_cast<std::ptrdiff_t>(first + i++);
            } else if (at(i, j) == at(i + 1, j)) {
                ++i;
            } else {
                ++j;
            }
        }
    }

    void matchMoved()
    {
        std::set<std::ptrdiff_t> taken(match_.begin(), match_.end());
        std::unordered_map<std::string, std::vector<std::ptrdiff_t>> free;
        for (std::size_t i = before_.size(); i-- > 0;) {
            if (!taken.contains(static_cast<std::ptrdiff_t>(i))) {
                free[before_[i].text].push_back(static_cast<std::ptrdiff_t>(i));
            }
        }
        for (std::size_t j = 0; j < after_.size(); ++j) {
            if (match_[j] >= 0) {
                continue;
            }
            if (const auto it = free.find(after_[j]->text); it != free.end() && !it->second.empty()) {
                match_[j] = it->second.back();
                it->second.pop_back();
            }
        }
    }

    const std::vector<KnownNote>& before_;
    const std::vector<Note*>& after_;
    std::vector<std::ptrdiff_t> match_;
};

/// The notes of `gone` that came back, each at most once.
class Returning {
public:
    explicit Returning(const std::vector<GoneNote>& gone)
    {
        for (const GoneNote& note : gone) {
            by_text_[note.text].push_back(&note);
            followed_by_.emplace(note.after, note.text);
        }
    }

    /// The id that a note with `text` had which stands after note `after` and before one with `next`; empty
    /// where it is a new one.
    std::string idOf(const std::string& text, const std::string& after, const std::string& next)
    {
        const auto some = by_text_.find(text);
        if (some == by_text_.end()) {
            return {};
        }
        auto& notes = some->second;
        for (auto note = notes.rbegin(); note != notes.rend(); ++note) { // the one that went last
            const auto [first, last] = followed_by_.equal_range((*note)->id);
            const bool together =
                std::any_of(first, last, [&](const auto& follower) { return follower.second == next; });
            if ((*note)->after == after || together) {
                const std::string id = (*note)->id;
                notes.erase(std::next(note).base());
                return id;
            }
        }
        return {};
    }

private:
    std::map<std::string, std::vector<const GoneNote*>> by_text_;
    std::multimap<std::string, std::string> followed_by_; ///< id -> text of one that went, too
};

} // namespace

void keepIds(
    const std::vector<KnownNote>& before, std::vector<Call>& calls, const std::vector<GoneNote>& gone)
{
    std::vector<Note*> after;
    for (Call& call : calls) {
        for (Note& note : call.notes) {
            after.push_back(&note);
        }
    }
    const auto match = Matcher(before, after).match();
    long highest = 0;
    for (const KnownNote& note : before) {
        highest = std::max(highest, numberOf(note.id));
    }
    for (const GoneNote& note : gone) {
        highest = std::max(highest, numberOf(note.id));
    }
    Returning returning(gone);
    std::map<std::string, std::string> renamed;
    std::string previous;
    for (std::size_t j = 0; j < after.size(); ++j) {
        std::string id = match[j] >= 0 ? before[static_cast<std::size_t>(match[j])].id
                                       : returning.idOf(after[j]->text, previous,
                                           j + 1 < after.size() ? after[j + 1]->text : std::string());
        if (id.empty()) {
            id = "n" + std::to_string(++highest);
        }
        renamed[after[j]->id] = id;
        after[j]->id = id;
        previous = id;
    }
    for (Note* note : after) {
        if (const auto it = renamed.find(note->echo_of); it != renamed.end()) {
            note->echo_of = it->second;
        }
    }
}

std::vector<GoneNote> rememberGone(std::vector<GoneNote> gone, const std::vector<KnownNote>& before,
    const std::vector<KnownNote>& after, const std::function<bool(const std::string&)>& matters)
{
    constexpr std::size_t kMost = 1000;
    std::set<std::string> here;
    for (const KnownNote& note : after) {
        here.insert(note.id);
    }
    std::erase_if(gone, [&](const GoneNote& note) { return here.contains(note.id); });
    std::string previous;
    for (const KnownNote& note : before) {
        if (!here.contains(note.id) && matters && matters(note.id)) {
            gone.push_back({note.id, note.text, previous});
        }
        previous = note.id;
    }
    if (gone.size() > kMost) {
        gone.erase(gone.begin(), gone.end() - static_cast<std::ptrdiff_t>(kMost));
    }
    return gone;
}

std::vector<KnownNote> rememberNotes(const std::vector<Call>& calls)
{
    std::vector<KnownNote> known;
    for (const Call& call : calls) {
        for (const Note& note : call.notes) {
            known.push_back({note.id, note.text});
        }
    }
    return known;
}

} // namespace brumefall::notes
