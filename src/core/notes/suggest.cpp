#include "notes/suggest.h"

#include "notes/lexicon.h"

#include <algorithm>
#include <array>
#include <cstdint>
#include <map>
#include <numeric>
#include <set>
#include <unordered_map>
#include <vector>

namespace brumefall::notes {
namespace {

const std::map<std::string, std::string, std::less<>>& soundAlikes()
{
    static const std::map<std::string, std::string, std::less<>> kTable{{"titans", "tightens"},
        {"titan", "tightens"}, {"portion", "caution"}, {"write", "right"}, {"rite", "right"},
        {"wright", "right"}, {"lift", "left"}, {"laughed", "left"}, {"for", "four"}, {"fore", "four"},
        {"tree", "three"}, {"free", "three"}, {"too", "two"}, {"sex", "six"}, {"sicks", "six"},
        {"won", "one"}, {"hive", "five"}, {"chris", "crest"}, {"crust", "crest"}, {"priest", "crest"},
        {"hare", "hairpin"}, {"airpin", "hairpin"}, {"squire", "square"}, {"scare", "square"},
        {"opals", "opens"}, {"opium", "opens"}, {"jumped", "jump"}, {"camper", "camber"}, {"fort", "ford"},
        {"cots", "cut"}, {"cats", "cut"}, {"corshun", "caution"}};
    return kTable;
}

/// `word` and all that remains of it when up to `most` letters are left out.
void collectShortened(const std::string& word, int most, std::set<std::string>& out)
{
    if (!out.insert(word).second || most == 0 || word.size() < 2) {
        return;
    }
    for (std::size_t i = 0; i < word.size(); ++i) {
        std::string shorter = word;
        shorter.erase(i, 1);
        collectShortened(shorter, most - 1, out);
    }
}

/// Finds known words within two edits by what remains of both when letters are left out, so that a look-up
/// does not walk the whole language.
class NearWords {
public:
    NearWords()
        : words_(knownWords())
    {
        for (std::size_t i = 0; i < words_.size(); ++i) {
            if (words_[i].size() < 3) {
                continue;
            }
            std::set<std::string> shortened;
            collectShortened(words_[i], kMostEdits, shortened);
            for (const std::string& rest : shortened) {
                by_rest_[rest].push_back(static_cast<std::uint16_t>(i));
            }
        }
    }

    [[nodiscard]] std::vector<std::uint16_t> near(const std::string& word, int edits) const
    {
        std::set<std::string> shortened;
        collectShortened(word, edits, shortened);
        std::vector<std::uint16_t> found;
        for (const std::string& rest : shortened) {
            if (const auto it = by_rest_.find(rest); it != by_rest_.end()) {
                found.insert(found.end(), it->second.begin(), it->second.end());
            }
        }
        std::sort(found.begin(), found.end());
        found.erase(std::unique(found.begin(), found.end()), found.end());
        return found;
    }

    [[nodiscard]] const std::string& word(std::uint16_t index) const { return words_[index]; }

private:
    static constexpr int kMostEdits = 2;
    const std::vector<std::string>& words_;
    std::unordered_map<std::string, std::vector<std::uint16_t>> by_rest_;
};

} // namespace

int editDistance(std::string_view a, std::string_view b)
{
    constexpr std::size_t kLongest = 63; // no word of notes comes near
    a = a.substr(0, kLongest);
    b = b.substr(0, kLongest);
    const std::size_t columns = b.size() + 1;
    std::array<std::array<int, kLongest + 1>, 3> rows; // taken in turn
    std::iota(rows[0].begin(), rows[0].begin() + static_cast<std::ptrdiff_t>(columns), 0);
    for (std::size_t i = 1; i <= a.size(); ++i) {
        auto& row = rows[i % 3];
        const auto& above = rows[(i + 2) % 3];
        const auto& before = rows[(i + 1) % 3];
        row[0] = static_cast<int>(i);
        for (std::size_t j = 1; j < columns; ++j) {
            const int change = a[i - 1] == b[j - 1] ? 0 : 1;
            row[j] = std::min({above[j] + 1, row[j - 1] + 1, above[j - 1] + change});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) {
                row[j] = std::min(row[j], before[j - 2] + 1);
            }
        }
    }
    return rows[a.size() % 3][columns - 1];
}

std::string suggestFor(std::string_view word)
{
    if (const auto it = soundAlikes().find(word); it != soundAlikes().end()) {
        return it->second;
    }
    if (word.size() < 3 || word.size() > 16 || refuses(std::string(word))) { // "don't" is spelled well
        return {};
    }
    static const NearWords kNear;
    const int allowed = word.size() <= 4 ? 1 : 2;
    int best_distance = allowed + 1;
    std::string best;
    for (const std::uint16_t index : kNear.near(std::string(word), allowed)) {
        const std::string& known = kNear.word(index);
        if (const int distance = editDistance(word, known); distance > 0 && distance < best_distance) {
            best_distance = distance;
            best = known;
        }
    }
    return best;
}

} // namespace brumefall::notes
