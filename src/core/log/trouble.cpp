#include "log/trouble.h"

#include <algorithm>
#include <map>
#include <set>
#include <sstream>

namespace brumefall::log {
namespace {

constexpr double kSeldom = 0.1; ///< how often a note goes wrong that nothing is known of
constexpr double kDoubt = 1.5; ///< readings that this counts as much as
constexpr double kTrouble = 0.3;

double shrunken(int wrong, int read)
{
    return (wrong + kDoubt * kSeldom) / (read + kDoubt);
}

template <typename Each> void forEachOutcome(const StageSummary& stage, const Filter& filter, Each each)
{
    for (const TakeSummary& take : stage.takes) {
        if (!take.dud && filter.takes(take)) {
            for (const NoteOutcome& note : take.notes) {
                each(note);
            }
        }
    }
}

bool isReadingFault(const NoteOutcome& note)
{
    return note.cause != take::Cause::none && !take::isPlanFault(note.cause);
}

std::set<std::string> wordsOf(const std::string& spoken)
{
    std::istringstream stream(spoken);
    std::set<std::string> words;
    for (std::string word; stream >> word;) {
        words.insert(word);
    }
    return words;
}

} // namespace

std::vector<TroubleNote> troubleNotes(const Rally& rally, const Filter& filter)
{
    std::vector<TroubleNote> out;
    for (std::size_t s = 0; s < rally.stages.size(); ++s) {
        const StageSummary& stage = rally.stages[s];
        std::map<std::string, TroubleNote> notes;
        std::map<std::string, std::map<take::Cause, int>> causes;
        forEachOutcome(stage, filter, [&](const NoteOutcome& note) {
            TroubleNote& trouble = notes[note.id];
            ++trouble.read;
            if (note.timing != take::Timing::on_time) {
                ++trouble.wrong;
                trouble.plan_faults += take::isPlanFault(note.cause) ? 1 : 0;
                trouble.reading_faults += isReadingFault(note) ? 1 : 0;
                ++causes[note.id][note.cause];
            }
        });
        for (const auto& planned : stage.plan.notes) { // notes that are gone trouble nobody
            const auto it = notes.find(planned.id);
            if (it == notes.end()) {
                continue;
            }
            TroubleNote& trouble = it->second;
            trouble.trouble = shrunken(trouble.wrong, trouble.read);
            if (trouble.wrong == 0 || trouble.trouble < kTrouble) {
                continue;
            }
            trouble.stage = s;
            trouble.id = planned.id;
            trouble.spoken = planned.spoken;
            const auto& own = causes[planned.id];
            trouble.most = std::max_element(own.begin(), own.end(), [](const auto& a, const auto& b) {
                return a.second < b.second;
            })->first;
            out.push_back(trouble);
        }
    }
    std::stable_sort(out.begin(), out.end(),
        [](const TroubleNote& a, const TroubleNote& b) { return a.trouble > b.trouble; });
    return out;
}

std::vector<TroubleWord> troubleWords(const Rally& rally, const Filter& filter)
{
    constexpr int kFewest = 4; // readings and
    constexpr int kFewestWrong = 2; // faults that a word is told by
    constexpr double kMore = 1.5;
    std::map<std::string, TroubleWord> words;
    int read = 0;
    int wrong = 0;
    for (const StageSummary& stage : rally.stages) {
        std::map<std::string, std::set<std::string>> words_of;
        for (const auto& planned : stage.plan.notes) {
            words_of[planned.id] = wordsOf(planned.spoken);
        }
        forEachOutcome(stage, filter, [&](const NoteOutcome& note) {
            const bool fault = isReadingFault(note);
            ++read;
            wrong += fault ? 1 : 0;
            for (const auto& word : words_of[note.id]) {
                TroubleWord& trouble = words[word];
                trouble.word = word;
                ++trouble.read;
                trouble.wrong += fault ? 1 : 0;
            }
        });
    }
    const double usual = shrunken(wrong, read);
    std::vector<TroubleWord> out;
    for (auto& [word, trouble] : words) {
        trouble.times_more = shrunken(trouble.wrong, trouble.read) / usual;
        if (trouble.read >= kFewest && trouble.wrong >= kFewestWrong && trouble.times_more >= kMore) {
            out.push_back(trouble);
        }
    }
    std::stable_sort(out.begin(), out.end(),
        [](const TroubleWord& a, const TroubleWord& b) { return a.times_more > b.times_more; });
    return out;
}

} // namespace brumefall::log
