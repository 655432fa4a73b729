#include "media/pronunciations.h"

#include "formats/files.h"
#include "media/phones.h"
#include "notes/text.h"

#include <algorithm>
#include <memory>
#include <unordered_map>

namespace brumefall::media {
namespace {

/// Lines of "word PH ON ES"; further ways to say a word stand as "word(2)".
struct Dictionary {
    std::string text;
    std::unordered_map<std::string_view, std::string_view> phones;

    Dictionary()
    {
        try {
            text = formats::readFile(kPronouncingDictionary);
        } catch (const formats::FormatError&) {
            return;
        }
        const std::string_view all = text;
        phones.reserve(140'000);
        for (std::size_t at = 0; at < all.size();) {
            const std::size_t end = std::min(all.find('\n', at), all.size());
            const std::string_view line = all.substr(at, end - at);
            const std::size_t blank = line.find(' ');
            if (blank != std::string_view::npos) {
                phones.emplace(line.substr(0, blank), line.substr(blank + 1));
            }
            at = end + 1;
        }
    }
};

const Dictionary& dictionary()
{
    static const Dictionary read;
    return read;
}

} // namespace

const notes::Pronunciations& englishPronunciations()
{
    static thread_local const notes::Pronunciations instance = [] {
        notes::Pronunciations made;
        made.setOthers([](const std::string& word) {
            const auto it = dictionary().phones.find(word);
            return it != dictionary().phones.end() ? std::string(it->second) : phonesFor(word);
        });
        return made;
    }();
    return instance;
}

std::string britishWay(std::string_view phones)
{
    const auto all = notes::splitWords(phones);
    const auto isVowel = [&](std::size_t i) {
        return i < all.size() && std::string_view("AEIOU").find(all[i][0]) != std::string_view::npos;
    };
    std::vector<std::string> out;
    bool has_vowel = false;
    for (std::size_t i = 0; i < all.size(); ++i) {
        const std::string& phone = all[i];
        const std::string_view next = i + 1 < all.size() ? std::string_view(all[i + 1]) : std::string_view();
        if (phone == "R" && !isVowel(i + 1)) {
            continue;
        }
        const bool unstressed_end = phone == "ER" && next.empty() && has_vowel; // "over", but not "spur"
        const bool bath = phone == "AE" && (next == "S" || next == "F" || next == "TH");
        const bool lot = phone == "AA" && next != "R";
        out.push_back(unstressed_end ? "AH" : bath ? "AA" : lot ? "AO" : phone);
        has_vowel = has_vowel || isVowel(i);
    }
    return notes::joinWords(out);
}

std::vector<std::string> waysToSay(const std::string& word)
{
    constexpr int kMost = 3;
    std::vector<std::string> ways;
    for (int way = 1; way <= kMost; ++way) {
        const auto it = dictionary().phones.find(way == 1 ? word : word + "(" + std::to_string(way) + ")");
        if (it == dictionary().phones.end()) {
            break;
        }
        ways.emplace_back(it->second);
    }
    if (ways.empty()) {
        ways.push_back(phonesFor(word));
    }
    return ways;
}

std::vector<std::string> waysWithBritish(const std::string& word)
{
    auto ways = waysToSay(word);
    for (std::size_t way = 0, american = ways.size(); way < american; ++way) {
        const std::string british = britishWay(ways[way]);
        if (std::find(ways.begin(), ways.end(), british) == ways.end()) {
            ways.push_back(british);
        }
    }
    return ways;
}

} // namespace brumefall::media
