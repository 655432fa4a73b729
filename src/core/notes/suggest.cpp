#include "notes/suggest.h"

#include "notes/lexicon.h"

#include <algorithm>
#include <map>
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

} // namespace

int editDistance(std::string_view a, std::string_view b)
{
    const std::size_t columns = b.size() + 1;
    std::vector<int> before(columns);
    std::vector<int> above(columns);
    std::vector<int> row(columns);
    for (std::size_t j = 0; j < columns; ++j) {
        above[j] = static_cast<int>(j);
    }
    for (std::size_t i = 1; i <= a.size(); ++i) {
        row[0] = static_cast<int>(i);
        for (std::size_t j = 1; j < columns; ++j) {
            const int change = a[i - 1] == b[j - 1] ? 0 : 1;
            row[j] = std::min({above[j] + 1, row[j - 1] + 1, above[j - 1] + change});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) {
                row[j] = std::min(row[j], before[j - 2] + 1);
            }
        }
        std::swap(before, above);
        std::swap(above, row);
    }
    return above[columns - 1];
}

std::string suggestFor(std::string_view word)
{
    if (const auto it = soundAlikes().find(word); it != soundAlikes().end()) {
        return it->second;
    }
    if (word.size() < 3 || word.size() > 24) {
        return {};
    }
    const int allowed = word.size() <= 4 ? 1 : 2;
    int best_distance = allowed + 1;
    std::string best;
    for (const std::string& known : knownWords()) {
        const auto difference = static_cast<long>(known.size()) - static_cast<long>(word.size());
        if (known.size() < 3 || std::abs(difference) > allowed) {
            continue;
        }
        if (const int distance = editDistance(word, known); distance > 0 && distance < best_distance) {
            best_distance = distance;
            best = known;
        }
    }
    return best;
}

} // namespace brumefall::notes
