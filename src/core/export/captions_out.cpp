#include "export/captions_out.h"

#include "formats/printed.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace brumefall::exporting {
namespace {

constexpr double kShortest_s = 0.5; ///< that anything can be read in

/// Sorted, none before the beginning, each gone when the next one comes.
std::vector<TimedText> inOrder(std::vector<TimedText> texts)
{
    std::erase_if(texts, [](const TimedText& text) { return text.start_s < 0.0 || text.text.empty(); });
    std::stable_sort(texts.begin(), texts.end(),
        [](const TimedText& a, const TimedText& b) { return a.start_s < b.start_s; });
    for (std::size_t i = 0; i < texts.size(); ++i) {
        texts[i].end_s = std::max(texts[i].end_s, texts[i].start_s + kShortest_s);
        if (i + 1 < texts.size()) {
            texts[i].end_s = std::min(texts[i].end_s, texts[i + 1].start_s);
        }
    }
    return texts;
}

std::string clock(double s, char point)
{
    const long long ms = std::llround(1000.0 * s);
    return formats::printed(
        "%02lld:%02lld:%02lld%c%03lld", ms / 3'600'000, ms / 60'000 % 60, ms / 1000 % 60, point, ms % 1000);
}

/// A line that is neither empty nor taken for a time.
std::string shown(std::string text, bool marked_up)
{
    std::replace(text.begin(), text.end(), '\n', ' ');
    for (std::size_t at = text.find("-->"); at != std::string::npos; at = text.find("-->")) {
        text.replace(at, 3, "->");
    }
    if (!marked_up) {
        return text;
    }
    std::string out;
    for (const char c : text) {
        out += c == '<' ? "&lt;" : c == '>' ? "&gt;" : c == '&' ? "&amp;" : std::string(1, c);
    }
    return out;
}

} // namespace

std::vector<TimedText> callsOf(const plan::Plan& plan, double begin_s)
{
    std::vector<TimedText> texts;
    for (const auto& call : plan.calls) {
        texts.push_back({call.start_s - begin_s, call.end_s - begin_s, call.text});
    }
    return inOrder(std::move(texts));
}

std::vector<TimedText> readingOf(
    const plan::Plan& plan, std::span<const take::Verdict> verdicts, double begin_s)
{
    std::map<std::string, const plan::PlannedNote*> by_id;
    for (const auto& note : plan.notes) {
        by_id.emplace(note.id, &note);
    }
    std::vector<TimedText> texts;
    for (const auto& verdict : verdicts) {
        if (const auto note = by_id.find(verdict.id); note != by_id.end() && verdict.heard()) {
            texts.push_back({verdict.start_s - begin_s, verdict.end_s - begin_s, note->second->text});
        }
    }
    return inOrder(std::move(texts));
}

std::string toSubRip(std::span<const TimedText> texts)
{
    std::string out;
    for (std::size_t i = 0; i < texts.size(); ++i) {
        out += std::to_string(i + 1) + "\n" + clock(texts[i].start_s, ',') + " --> "
            + clock(texts[i].end_s, ',') + "\n" + shown(texts[i].text, false) + "\n\n";
    }
    return out;
}

std::string toWebVtt(std::span<const TimedText> texts)
{
    std::string out = "WEBVTT\n\n";
    for (const TimedText& text : texts) {
        out += clock(text.start_s, '.') + " --> " + clock(text.end_s, '.') + "\n" + shown(text.text, true)
            + "\n\n";
    }
    return out;
}

} // namespace brumefall::exporting
