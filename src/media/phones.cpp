#include "media/phones.h"

#include "media/voice.h"

#include <algorithm>
#include <array>
#include <string_view>

namespace brumefall::media {
namespace {

struct PhoneOfIpa {
    std::string_view ipa;
    std::string_view phone;
};

// longest first where one begins with another
constexpr std::array kPhones{PhoneOfIpa{"tʃ", "CH"}, PhoneOfIpa{"dʒ", "JH"}, PhoneOfIpa{"aɪ", "AY"},
    PhoneOfIpa{"aʊ", "AW"}, PhoneOfIpa{"eɪ", "EY"}, PhoneOfIpa{"oʊ", "OW"}, PhoneOfIpa{"əʊ", "OW"},
    PhoneOfIpa{"ɔɪ", "OY"}, PhoneOfIpa{"ɔː", "AO"}, PhoneOfIpa{"ɑː", "AA"}, PhoneOfIpa{"iː", "IY"},
    PhoneOfIpa{"uː", "UW"}, PhoneOfIpa{"ɜː", "ER"}, PhoneOfIpa{"ɚ", "ER"}, PhoneOfIpa{"ɝ", "ER"},
    PhoneOfIpa{"ɔ", "AO"}, PhoneOfIpa{"ɑ", "AA"}, PhoneOfIpa{"æ", "AE"}, PhoneOfIpa{"ʌ", "AH"},
    PhoneOfIpa{"ə", "AH"}, PhoneOfIpa{"ɐ", "AH"}, PhoneOfIpa{"ɛ", "EH"}, PhoneOfIpa{"e", "EH"},
    PhoneOfIpa{"ɪ", "IH"}, PhoneOfIpa{"i", "IY"}, PhoneOfIpa{"ʊ", "UH"}, PhoneOfIpa{"u", "UW"},
    PhoneOfIpa{"ɒ", "AA"}, PhoneOfIpa{"o", "OW"}, PhoneOfIpa{"a", "AE"}, PhoneOfIpa{"ŋ", "NG"},
    PhoneOfIpa{"ʃ", "SH"}, PhoneOfIpa{"ʒ", "ZH"}, PhoneOfIpa{"θ", "TH"}, PhoneOfIpa{"ð", "DH"},
    PhoneOfIpa{"ɹ", "R"}, PhoneOfIpa{"r", "R"}, PhoneOfIpa{"ɾ", "T"}, PhoneOfIpa{"j", "Y"},
    PhoneOfIpa{"b", "B"}, PhoneOfIpa{"d", "D"}, PhoneOfIpa{"f", "F"}, PhoneOfIpa{"ɡ", "G"},
    PhoneOfIpa{"g", "G"}, PhoneOfIpa{"h", "HH"}, PhoneOfIpa{"k", "K"}, PhoneOfIpa{"l", "L"},
    PhoneOfIpa{"m", "M"}, PhoneOfIpa{"n", "N"}, PhoneOfIpa{"p", "P"}, PhoneOfIpa{"s", "S"},
    PhoneOfIpa{"t", "T"}, PhoneOfIpa{"v", "V"}, PhoneOfIpa{"w", "W"}, PhoneOfIpa{"z", "Z"}};

} // namespace

std::string phonesFor(const std::string& word)
{
    const std::string ipa = phonemesOf(word);
    std::string phones;
    std::size_t i = 0;
    while (i < ipa.size()) {
        const auto rest = std::string_view(ipa).substr(i);
        const auto it = std::find_if(
            kPhones.begin(), kPhones.end(), [&](const PhoneOfIpa& p) { return rest.starts_with(p.ipa); });
        if (it == kPhones.end()) {
            ++i;
            continue;
        }
        phones += (phones.empty() ? "" : " ") + std::string(it->phone);
        i += it->ipa.size();
    }
    return phones.empty() ? "AH" : phones;
}

} // namespace brumefall::media
