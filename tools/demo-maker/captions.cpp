#include "captions.h"

#include <array>
#include <cstdio>
#include <random>
#include <regex>
#include <vector>

namespace demo {
namespace {

struct Mishearing {
    const char* said;
    const char* heard;
};

constexpr std::array kMishearings{Mishearing{"over crest", "of a crest"}, Mishearing{"caution", "portion"},
    Mishearing{"tightens", "titans"}, Mishearing{"hairpin", "hair pin"}, Mishearing{"four", "for"},
    Mishearing{"right", "write"}, Mishearing{"don't cut", "don't cup"}, Mishearing{"into", "in two"},
    Mishearing{"two", "to"}};

std::string stamp(double time_s)
{
    const auto ms = static_cast<long>(time_s * 1000.0);
    char text[32];
    std::snprintf(text, sizeof text, "%02ld:%02ld:%02ld,%03ld", ms / 3600000, ms / 60000 % 60, ms / 1000 % 60,
        ms % 1000);
    return text;
}

std::string misheard(std::string words, std::mt19937& random)
{
    for (const auto& [said, heard] : kMishearings) {
        const auto at = words.find(said);
        if (at != std::string::npos && std::uniform_int_distribution(0, 4)(random) == 0) {
            words.replace(at, std::string_view(said).size(), heard);
        }
    }
    return words;
}

} // namespace

std::string faultyCaptions(const brumefall::plan::Plan& plan, double offset_s, unsigned seed)
{
    std::mt19937 random(seed);
    std::string out;
    int number = 0;
    std::string last_word;
    for (const auto& call : plan.calls) {
        std::string words;
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& note = plan.notes[k];
            words += (words.empty() ? "" : " ") + note.spoken;
            words += note.spoken_after.empty() ? "" : " " + note.spoken_after;
        }
        words = misheard(words, random);
        if (!last_word.empty() && std::uniform_int_distribution(0, 6)(random) == 0) {
            words = last_word + " " + words; // a repeated segment edge
        }
        last_word = words.substr(words.rfind(' ') + 1);
        char line[64];
        std::snprintf(line, sizeof line, "%d\n", ++number);
        out += line + stamp(call.start_s + offset_s) + " --> " + stamp(call.end_s + offset_s + 0.2) + "\n"
            + words + "\n\n";
    }
    return out;
}

} // namespace demo
