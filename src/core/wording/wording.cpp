#include "wording/wording.h"

#include "formats/printed.h"

#include <utility>

namespace brumefall::wording {
namespace {

Language& spoken()
{
    static Language language;
    return language;
}

} // namespace

void speak(Language language)
{
    spoken() = std::move(language);
}

std::string localized(const char* context, const char* english)
{
    return spoken() ? spoken()(context, english) : english;
}

std::string filled(const std::string& text, std::initializer_list<std::string> values)
{
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const bool place = text[i] == '%' && i + 1 < text.size() && text[i + 1] >= '1'
            && text[i + 1] < '1' + static_cast<char>(values.size());
        if (place) {
            out += values.begin()[text[++i] - '1'];
        } else {
            out += text[i];
        }
    }
    return out;
}

std::string figure(double value, int decimals)
{
    return formats::printed("%.*f", decimals, value);
}

} // namespace brumefall::wording
