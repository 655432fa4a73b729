#include "media/second_look.h"

#include <algorithm>
#include <iterator>
#include <utility>

namespace brumefall::media {

void addBegun(
    std::vector<BegunNote>& notes, const Stretch& stretch, const Condensed& condensed, double before_s)
{
    const auto& words = stretch.words;
    for (std::size_t w = 0; w < words.size(); ++w) {
        if (beginsNote(words, w)) {
            notes.push_back({words[w].place.note, before_s + condensed.originalTime(words[w].span.start_s)});
        }
    }
}

std::vector<Passage> SecondLook::settled(
    PieceSearch& search, const Condensing& how, bool ended, const Progress& progress)
{
    if (waiting_.empty() || !(ended || waiting_.back().stretch.sure)) {
        return {};
    }
    std::vector<Stretch> stretches;
    std::transform(waiting_.begin(), waiting_.end(), std::back_inserter(stretches),
        [](const Passage& passage) { return passage.stretch; });
    auto runs = doubtful(stretches);
    std::reverse(runs.begin(), runs.end()); // so that what comes before keeps its place
    for (const Doubtful& run : runs) {
        if (run.first > 0 || !first_told_) {
            lookAgain(search, run, how, progress);
        }
    }
    Passage last{waiting_.back().stretch, waiting_.back().condensed, waiting_.back().before_s, {}};
    std::vector<Passage> out(std::make_move_iterator(waiting_.begin() + (first_told_ ? 1 : 0)),
        std::make_move_iterator(waiting_.end()));
    waiting_.clear();
    first_told_ = last.stretch.sure;
    if (first_told_) {
        waiting_.push_back(std::move(last));
    }
    return out;
}

void SecondLook::lookAgain(
    PieceSearch& search, const Doubtful& run, const Condensing& how, const Progress& progress)
{
    const auto first = waiting_.begin() + static_cast<std::ptrdiff_t>(run.first);
    const auto last = waiting_.begin() + static_cast<std::ptrdiff_t>(run.last);
    Between between{run.notes, {}, run.before.has_value(), 0};
    const auto addAround = [&](const Passage& passage) {
        addBegun(between.around, passage.stretch, *passage.condensed, passage.before_s);
    };
    if (run.before) {
        addAround(waiting_[*run.before]);
    }
    addAround(waiting_[run.after]);
    for (std::size_t next = run.after + 1; // a short one alone does not tell how late the reader is
         next < waiting_.size() && between.around.size() < ReaderPlace::kLast; ++next) {
        if (waiting_[next].stretch.sure) {
            addAround(waiting_[next]);
        }
    }
    std::vector<Stretch> stretches;
    std::transform(
        first, last, std::back_inserter(stretches), [](const Passage& passage) { return passage.stretch; });
    between.found = notesIn(stretches, run.notes);
    auto condensed = first->condensed;
    double before_s = first->before_s;
    take::Span span{first->stretch.span.start_s, std::prev(last)->stretch.span.end_s};
    if (std::prev(last)->condensed != condensed) {
        Sound sound{{}, kAlignRate_hz};
        for (auto passage = first; passage != last; ++passage) {
            sound.samples.insert(sound.samples.end(), passage->samples.begin(), passage->samples.end());
        }
        before_s += condensed->originalTime(span.start_s);
        condensed = std::make_shared<const Condensed>(condense(sound, how));
        span = {0.0, static_cast<double>(condensed->samples.size()) / kAlignRate_hz};
    }
    auto better = search.searchBetween(*condensed, span, before_s, between, progress);
    if (better.empty()) {
        return;
    }
    std::vector<Passage> instead;
    for (Stretch& stretch : better) {
        instead.push_back({std::move(stretch), condensed, before_s, {}});
    }
    waiting_.insert(waiting_.erase(first, last), std::make_move_iterator(instead.begin()),
        std::make_move_iterator(instead.end()));
}

} // namespace brumefall::media
