#include "notes/pronunciation.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <initializer_list>

namespace brumefall::notes {
namespace {

/// How a phone is spoken. Vowels: height and backness from 0 to 1, roundness; consonants: place from the lips
/// (0) to the throat (1), manner, voice.
struct Phone {
    std::string_view name;
    bool vowel;
    double first; ///< height, or place
    double second; ///< backness, or manner
    double third; ///< roundness, or voice
};

constexpr double kStop = 0.0;
constexpr double kFricative = 0.45;
constexpr double kNasal = 0.75;
constexpr double kGlide = 1.1;
constexpr std::array kPhones{Phone{"AA", true, 0.0, 0.8, 0.0}, Phone{"AE", true, 0.1, 0.1, 0.0},
    Phone{"AH", true, 0.4, 0.5, 0.0}, Phone{"AO", true, 0.25, 0.9, 0.6}, Phone{"AW", true, 0.3, 0.6, 0.7},
    Phone{"AY", true, 0.3, 0.3, 0.0}, Phone{"EH", true, 0.4, 0.1, 0.0}, Phone{"ER", true, 0.5, 0.5, 0.3},
    Phone{"EY", true, 0.65, 0.05, 0.0}, Phone{"IH", true, 0.8, 0.15, 0.0}, Phone{"IY", true, 1.0, 0.0, 0.0},
    Phone{"OW", true, 0.5, 0.9, 0.9}, Phone{"OY", true, 0.5, 0.6, 0.7}, Phone{"UH", true, 0.8, 0.85, 0.7},
    Phone{"UW", true, 1.0, 0.9, 1.0}, Phone{"B", false, 0.0, kStop, 1.0}, Phone{"P", false, 0.0, kStop, 0.0},
    Phone{"M", false, 0.0, kNasal, 1.0}, Phone{"F", false, 0.1, kFricative, 0.0},
    Phone{"V", false, 0.1, kFricative, 1.0}, Phone{"TH", false, 0.25, kFricative, 0.0},
    Phone{"DH", false, 0.25, kFricative, 1.0}, Phone{"T", false, 0.35, kStop, 0.0},
    Phone{"D", false, 0.35, kStop, 1.0}, Phone{"N", false, 0.35, kNasal, 1.0},
    Phone{"S", false, 0.4, kFricative, 0.0}, Phone{"Z", false, 0.4, kFricative, 1.0},
    Phone{"L", false, 0.4, kGlide, 1.0}, Phone{"R", false, 0.5, kGlide, 1.0},
    Phone{"SH", false, 0.55, kFricative, 0.0}, Phone{"ZH", false, 0.55, kFricative, 1.0},
    Phone{"CH", false, 0.5, 0.25, 0.0}, Phone{"JH", false, 0.5, 0.25, 1.0},
    Phone{"Y", false, 0.65, kGlide, 1.0}, Phone{"K", false, 0.85, kStop, 0.0},
    Phone{"G", false, 0.85, kStop, 1.0}, Phone{"NG", false, 0.85, kNasal, 1.0},
    Phone{"W", false, 0.1, kGlide, 1.0}, Phone{"HH", false, 1.0, kFricative, 0.0}};
constexpr std::size_t kCount = kPhones.size();

double substitution(const Phone& a, const Phone& b)
{
    if (a.vowel != b.vowel) {
        const bool soft = a.name == "W" || b.name == "W" || a.name == "Y" || b.name == "Y" || a.name == "R"
            || b.name == "R" || a.name == "L" || b.name == "L";
        return soft ? 0.9 : 1.3;
    }
    const double first = std::abs(a.first - b.first);
    const double second = std::abs(a.second - b.second);
    const double third = std::abs(a.third - b.third);
    return a.vowel ? std::min(0.9, 0.12 + 0.5 * first + 0.5 * second + 0.15 * third)
                   : std::min(1.1, 0.12 + 0.8 * first + 0.7 * second + 0.2 * third);
}

struct Costs {
    std::array<std::array<double, kCount>, kCount> change{};
    std::array<double, kCount> gap{};

    Costs()
    {
        for (std::size_t i = 0; i < kCount; ++i) {
            for (std::size_t k = 0; k < kCount; ++k) {
                change[i][k] = i == k ? 0.0 : substitution(kPhones[i], kPhones[k]);
                const auto are = [&](std::string_view a, std::string_view b) {
                    return (kPhones[i].name == a && kPhones[k].name == b)
                        || (kPhones[i].name == b && kPhones[k].name == a);
                };
                if (are("AA", "AO")) { // one vowel or two, by where one comes from
                    change[i][k] = 0.1;
                } else if (are("L", "R")) { // both glide, and are hardly ever mistaken
                    change[i][k] = 0.45;
                }
            }
            const std::string_view name = kPhones[i].name;
            const bool swallowed = name == "HH" || name == "T" || name == "D" || name == "AH" || name == "ER"
                || name == "R" || name == "L" || name == "N" || name == "F" || name == "V" || name == "TH"
                || name == "DH";
            gap[i] = name == "R" ? 0.35 : swallowed ? 0.5 : kPhones[i].vowel ? 0.7 : 0.75;
        }
    }
};

const Costs& costs()
{
    static const Costs instance;
    return instance;
}

struct Spelling {
    std::string_view letters;
    std::string_view arpabet;
};

/// A few rules of English spelling, the longest first; for words that no dictionary gives.
constexpr std::array kSpellings{Spelling{"ough", "AO"}, Spelling{"igh", "AY"}, Spelling{"tch", "CH"},
    Spelling{"air", "EH R"}, Spelling{"ear", "IH R"}, Spelling{"ch", "CH"}, Spelling{"sh", "SH"},
    Spelling{"th", "TH"}, Spelling{"ph", "F"}, Spelling{"ck", "K"}, Spelling{"ng", "NG"}, Spelling{"wr", "R"},
    Spelling{"kn", "N"}, Spelling{"qu", "K W"}, Spelling{"ee", "IY"}, Spelling{"ea", "IY"},
    Spelling{"oo", "UW"}, Spelling{"ai", "EY"}, Spelling{"ay", "EY"}, Spelling{"oa", "OW"},
    Spelling{"ou", "AW"}, Spelling{"ow", "OW"}, Spelling{"or", "AO R"}, Spelling{"ar", "AA R"},
    Spelling{"er", "ER"}, Spelling{"ir", "ER"}, Spelling{"ur", "ER"}, Spelling{"au", "AO"},
    Spelling{"a", "AE"}, Spelling{"b", "B"}, Spelling{"c", "K"}, Spelling{"d", "D"}, Spelling{"e", "EH"},
    Spelling{"f", "F"}, Spelling{"g", "G"}, Spelling{"h", "HH"}, Spelling{"i", "IH"}, Spelling{"j", "JH"},
    Spelling{"k", "K"}, Spelling{"l", "L"}, Spelling{"m", "M"}, Spelling{"n", "N"}, Spelling{"o", "AA"},
    Spelling{"p", "P"}, Spelling{"q", "K"}, Spelling{"r", "R"}, Spelling{"s", "S"}, Spelling{"t", "T"},
    Spelling{"u", "AH"}, Spelling{"v", "V"}, Spelling{"w", "W"}, Spelling{"x", "K S"}, Spelling{"y", "IY"},
    Spelling{"z", "Z"}};

Phones spelt(std::string_view word)
{
    Phones phones;
    const bool mute = word.size() > 3 && word.back() == 'e'; // "bale"
    if (mute) {
        word.remove_suffix(1);
    }
    for (std::size_t i = 0; i < word.size();) {
        const auto it = std::find_if(kSpellings.begin(), kSpellings.end(),
            [&](const Spelling& s) { return word.substr(i).starts_with(s.letters); });
        if (it == kSpellings.end()) {
            ++i;
            continue;
        }
        for (const std::uint8_t phone : phonesOf(it->arpabet)) {
            if (phones.empty() || phones.back() != phone) {
                phones.push_back(phone);
            }
        }
        i += it->letters.size();
    }
    return phones;
}

bool isOneOf(std::uint8_t phone, std::initializer_list<std::string_view> names)
{
    return std::find(names.begin(), names.end(), kPhones[phone].name) != names.end();
}

/// The D of "ends" and the T of "points" are hardly said: both sound like "ens", "poins".
void dropSwallowed(Phones& phones)
{
    for (std::size_t i = 1; i + 1 < phones.size();) {
        const bool swallowed = isOneOf(phones[i - 1], {"N"}) && isOneOf(phones[i], {"D", "T"})
            && isOneOf(phones[i + 1], {"Z", "S"});
        if (swallowed) {
            phones.erase(phones.begin() + static_cast<std::ptrdiff_t>(i));
        } else {
            ++i;
        }
    }
}

} // namespace

Phones phonesOf(std::string_view arpabet)
{
    Phones phones;
    for (std::size_t at = 0; at < arpabet.size();) {
        const std::size_t end = std::min(arpabet.find(' ', at), arpabet.size());
        std::string_view name = arpabet.substr(at, end - at);
        while (!name.empty() && name.back() >= '0' && name.back() <= '9') {
            name.remove_suffix(1);
        }
        const auto it = std::find_if(
            kPhones.begin(), kPhones.end(), [&](const Phone& phone) { return phone.name == name; });
        if (it != kPhones.end()) {
            phones.push_back(static_cast<std::uint8_t>(it - kPhones.begin()));
        }
        at = end + 1;
    }
    return phones;
}

PhoneDistance::PhoneDistance(std::span<const std::uint8_t> phones)
    : phones_(phones)
    , width_(phones.size() + 1)
    , rows_(width_)
{
    for (std::size_t k = 0; k < phones.size(); ++k) {
        rows_[k + 1] = rows_[k] + costs().gap[phones[k]];
    }
}

double PhoneDistance::set(std::size_t index, std::uint8_t phone)
{
    const Costs& cost = costs();
    const double gap = cost.gap[phone];
    const auto& change = cost.change[phone];
    rows_.resize(std::max(rows_.size(), (index + 2) * width_));
    const double* before = &rows_[index * width_];
    double* now = &rows_[(index + 1) * width_];
    double last = before[0] + gap;
    double least = last;
    now[0] = last;
    for (std::size_t k = 0; k < phones_.size(); ++k) {
        const std::uint8_t own = phones_[k];
        const double inserted = last + cost.gap[own];
        const double left_out = before[k + 1] + gap;
        last = before[k] + change[own];
        last = inserted < last ? inserted : last;
        last = left_out < last ? left_out : last;
        now[k + 1] = last;
        least = last < least ? last : least;
    }
    return least;
}

double phoneDistance(std::span<const std::uint8_t> a, std::span<const std::uint8_t> b, double most)
{
    constexpr std::size_t kLongest = 40;
    if (a.size() > kLongest || b.size() > kLongest) {
        return 1e9;
    }
    PhoneDistance distance(b);
    for (std::size_t i = 0; i < a.size(); ++i) {
        const double least = distance.set(i, a[i]);
        if (least > most) {
            return least;
        }
    }
    return distance.to(a.size());
}

void Pronunciations::add(std::string_view word, std::string_view arpabet)
{
    Phones phones = phonesOf(arpabet);
    dropSwallowed(phones);
    words_.try_emplace(std::string(word), std::move(phones));
    kept_.targets.reset();
}

const Phones& Pronunciations::of(const std::string& word) const
{
    const auto it = words_.find(word);
    if (it != words_.end()) {
        return it->second;
    }
    Phones phones;
    if (others_) {
        phones = phonesOf(others_(word));
    }
    if (phones.empty()) {
        phones = spelt(word);
    }
    dropSwallowed(phones);
    return words_.emplace(word, std::move(phones)).first->second;
}

} // namespace brumefall::notes
