#include "captions/draft.h"

#include "captions/heard.h"
#include "captions/read_notes.h"
#include "notes/spoken.h"
#include "notes/text.h"
#include "notes/weighted_reading.h"

#include <algorithm>

namespace brumefall::captions {
namespace {

using notes::By;
using notes::HeardWord;
using notes::Part;
using notes::Pause;
using notes::Said;

/// A monotone table from the reading's own probability to how often such a note was right, on made captions.
double calibrated(double probability)
{
    struct Point {
        double said;
        double right;
    };
    constexpr Point kTable[]{
        {0.0, 0.25}, {0.25, 0.64}, {0.45, 0.73}, {0.6, 0.83}, {0.75, 0.92}, {0.9, 0.965}, {1.0, 0.985}};
    for (std::size_t i = 1; i < std::size(kTable); ++i) {
        if (probability <= kTable[i].said) {
            const auto& a = kTable[i - 1];
            const auto& b = kTable[i];
            return a.right + (b.right - a.right) * (probability - a.said) / (b.said - a.said);
        }
    }
    return kTable[std::size(kTable) - 1].right;
}

class Drafter {
public:
    Drafter(
        const std::vector<Cue>& cues, const notes::Style& style, const notes::Pronunciations& pronunciations)
        : words_(heardWords(cues))
    {
        auto lattice = notes::alternativesOf(words_, style, pronunciations);
        reading_ = notes::readLattice(lattice, style.order);
        draft_.order = reading_.order;
        last_s_ = cues.empty() ? 0.0 : cues.back().end_s;
        for (const Cue& cue : cues) {
            if (cue.text == kUnknownTalk) {
                unknown_talk_.push_back(cue);
            }
        }
    }

    Draft draft()
    {
        for (const Event& event : unitedEvents(eventsOf(reading_.said, words_))) {
            take(event);
        }
        closeStage();
        if (heard_to_ < words_.size()) {
            addTalk(words_.size());
        }
        for (const Cue& cue : unknown_talk_) {
            DraftCall talk;
            talk.line = cue.line;
            talk.at_s = cue.start_s;
            talk.end_s = cue.end_s;
            draft_.talk.push_back(std::move(talk));
        }
        return std::move(draft_);
    }

private:
    static constexpr std::size_t kMostLineUp = 8; ///< notes that are read on the start line

    void take(const Event& event)
    {
        switch (event.what) {
        case Event::note:
            if (isBetweenStages() && !event.read.corner) {
                addTalk(event.read.last_word);
            } else {
                addNote(event.read);
            }
            break;
        case Event::lead_in: addLeadIn(event); break;
        case Event::talk: addTalk(event.last); break;
        case Event::go:
            if (draft_.calls.size() > firstOfStage() && (counted_down_ || isAmidNotes(event))) {
                addTalk(event.last);
                break;
            }
            if (!counted_down_) {
                endLineUp();
                closeStage();
            }
            go_s_ = goAfter(event);
            counted_down_ = true;
            addTalk(event.last);
            break;
        case Event::stop: closeStage(); break;
        }
    }

    /// When "go" is said (or the one word heard for it), or the countdown is over; where that broke off at
    /// "two", as much later as its numbers are apart.
    [[nodiscard]] double goAfter(const Event& event) const
    {
        const HeardWord& last = words_[event.last - 1];
        if (last.word == "two" || last.word == "2") {
            const auto apart = static_cast<double>(event.last - event.first - 1);
            return last.at_s + 2.0 * (last.at_s - words_[event.first].at_s) / apart;
        }
        const bool went = event.last - event.first > 1 && last.word != "one" && last.word != "1";
        return went || last.word == "go" ? last.at_s : endOf(event.last);
    }

    /// A lone "go" after more notes than are read on a start line, or one that runs on into what is said
    /// next, starts nothing: no countdown was heard.
    [[nodiscard]] bool isAmidNotes(const Event& event) const
    {
        const bool lone = event.last - event.first == 1 && words_[event.first].word == "go";
        const bool runs_on = event.last < words_.size() && words_[event.last].pause == Pause::none;
        return lone && (runs_on || notesFrom(firstOfStage()) > kMostLineUp);
    }

    [[nodiscard]] std::size_t notesFrom(std::size_t call) const
    {
        std::size_t notes = 0;
        for (std::size_t c = call; c < draft_.calls.size(); ++c) {
            notes += draft_.calls[c].notes.size();
        }
        return notes;
    }

    /// The first notes, read on the start line before the countdown: they are said again after it.
    void endLineUp()
    {
        const std::size_t first = firstOfStage();
        if (notesFrom(first) > kMostLineUp) {
            return;
        }
        for (std::size_t c = first; c < draft_.calls.size(); ++c) {
            DraftCall& call = draft_.calls[c];
            draft_.chatter += static_cast<int>(notes::splitWords(call.heard).size());
            call.text.clear();
            call.repairs.clear();
            call.notes.clear();
            draft_.talk.push_back(std::move(call));
        }
        draft_.calls.resize(first);
    }

    void addNote(const ReadNote& note)
    {
        if (note.text().empty()) {
            return;
        }
        doubtRefusalAfterNote(note.first_word);
        if (!continuesCall(note)) {
            openCall(note.first_word);
        }
        DraftCall& call = draft_.calls.back();
        DraftNote draft{textOf(note), words_[note.first_word].line, words_[note.first_word].at_s,
            endOf(note.last_word), 1.0, {}, {}};
        call.text += (call.text.empty() ? "" : " ") + draft.text;
        hear(call, note.last_word);
        const Said* least = nullptr;
        for (const auto* said_of : {&note.parts, &note.distance}) {
            for (const Said* said : *said_of) {
                if (said->sure < (least == nullptr ? 1.0 : least->sure) && said->part != Part::glue) {
                    least = said;
                }
            }
        }
        draft.sure = calibrated(least == nullptr ? 1.0 : least->sure);
        if (least != nullptr && least->sure <= 0.9) {
            draft.doubt = doubtOf(*least);
            if (!least->otherwise.empty()) {
                draft.otherwise = textOf(note, *least);
            }
        }
        doubtTalk(draft, note);
        doubtRefusal(draft, note);
        call.notes.push_back(std::move(draft));
        call.end_s = endOf(note.last_word);
        before_word_ = note.first_word;
        before_last_word_ = note.last_word;
        before_is_corner_ = note.corner;
        before_wants_number_ = note.parts.back()->part == Part::shape && note.distance.empty();
    }

    /// What may be talk is not surer than that; where nothing else is as doubtful, its other reading is none.
    void doubtTalk(DraftNote& draft, const ReadNote& note) const
    {
        constexpr double kDoubt = 0.8;
        double sure = 1.0;
        for (std::size_t w = note.first_word; w < note.last_word; ++w) {
            sure = std::min(sure, words_[w].sure);
        }
        if (sure < kDoubt && sure < draft.sure) {
            draft.doubt = heardIn(note.first_word, note.last_word) + ", or talk?";
            draft.otherwise = "";
        }
        draft.sure *= sure;
    }

    /// A refusal that became no part of its note ("do not court") may have been "don't cut": it is asked.
    void doubtRefusal(DraftNote& draft, const ReadNote& note) const
    {
        if (std::any_of(note.parts.begin(), note.parts.end(), [](const Said* part) {
                return part->part == Part::cut && notes::refuses(notes::splitWords(part->words).front());
            })) {
            return; // and was said again
        }
        for (std::size_t w = note.first_word; w < note.last_word; ++w) {
            const bool said = std::any_of(note.parts.begin(), note.parts.end(), [&](const Said* part) {
                const bool here = part->first <= w && w < part->last && !part->words.empty();
                const bool begun = w < part->first && notes::refuses(words_[part->first].word);
                return part->part != Part::unknown && (here || begun);
            });
            if (notes::refuses(words_[w].word) && !said) {
                doubtRefusal(draft, w, note.last_word);
                draft.otherwise = textWithoutCutting(note, w);
                return;
            }
        }
    }

    /// The note's words with "don't cut" in the place of what was not understood from word `from` on.
    [[nodiscard]] std::string textWithoutCutting(ReadNote note, std::size_t from) const
    {
        Said cut;
        cut.part = Part::cut;
        cut.words = "don't cut";
        std::erase_if(
            note.parts, [&](const Said* part) { return part->part == Part::unknown && part->first >= from; });
        note.parts.push_back(&cut);
        return textOf(note);
    }

    /// The same where it was said soon after the note, and the next one begins at word `next`.
    void doubtRefusalAfterNote(std::size_t next)
    {
        constexpr std::size_t kSoon = 3; // words: later it is talk
        if (draft_.calls.empty() || draft_.calls.back().notes.empty()) {
            return;
        }
        for (std::size_t w = before_last_word_; w < std::min(next, before_last_word_ + kSoon); ++w) {
            if (notes::refuses(words_[w].word) && !isShownAgain(w)) {
                doubtRefusal(draft_.calls.back().notes.back(), w, next);
                return;
            }
        }
    }

    [[nodiscard]] bool isShownAgain(std::size_t word) const
    {
        return std::any_of(reading_.said.begin(), reading_.said.end(), [&](const Said& said) {
            return said.part == Part::again && said.first <= word && word < said.last;
        });
    }

    void doubtRefusal(DraftNote& draft, std::size_t word, std::size_t last) const
    {
        constexpr double kSure = 0.5;
        draft.sure = std::min(draft.sure, kSure);
        draft.doubt = "nothing, or don't cut? heard: " + heardIn(word, std::min(word + 2, last));
        draft.otherwise.reset();
    }

    /// The same; the words of `doubted`, a part of it or its distance, as they may be instead.
    [[nodiscard]] std::string textOf(ReadNote note, const Said& doubted) const
    {
        Said other = doubted;
        other.part = Part::glue; // words as they are
        other.words = other.otherwise == "nothing" ? "" : other.otherwise;
        for (auto* said_of : {&note.parts, &note.distance}) {
            std::replace(said_of->begin(), said_of->end(), &doubted, static_cast<const Said*>(&other));
        }
        return textOf(note);
    }
    /// The note's words with what joins it and what follows.
    [[nodiscard]] std::string textOf(const ReadNote& note) const
    {
        std::string text;
        append(text, note.joiner);
        Said square;
        if (const auto ninety = ninetyAtJunction(note); ninety != note.parts.end()) {
            square = **ninety;
            square.words = "square";
            auto written = note.parts;
            written[static_cast<std::size_t>(ninety - note.parts.begin())] = &square;
            append(text, written);
        } else {
            append(text, note.parts);
        }
        append(text, note.distance, note.parts.back()->part);
        return text;
    }
    /// "ninety left at junction", "flat ninety left at junction": written so without what joins it, it would
    /// be metres. The end where there is none.
    [[nodiscard]] static std::vector<const Said*>::const_iterator ninetyAtJunction(const ReadNote& note)
    {
        const auto& parts = note.parts;
        const bool junction = std::any_of(
            parts.begin(), parts.end(), [](const Said* part) { return part->part == Part::junction; });
        if (!junction || !note.joiner.empty()) {
            return parts.end();
        }
        return std::adjacent_find(parts.begin(), parts.end(), [](const Said* part, const Said* next) {
            return part->part == Part::named_grade && (part->words == "ninety" || part->words == "90")
                && (next->part == Part::left || next->part == Part::right);
        });
    }

    /// A line of notes is a breath: notes joined by a word belong to one call, and so do those that follow
    /// each other without a pause. A note without a corner stands on a line of its own, where it cannot be
    /// taken for a part of its neighbour.
    [[nodiscard]] bool continuesCall(const ReadNote& note) const
    {
        if (draft_.calls.empty() || closed_) {
            return false;
        }
        constexpr std::size_t kLongCall = 5;
        if (!note.joiner.empty()) {
            return true;
        }
        // a distance may be said long after its note
        const bool silence = std::any_of(words_.begin() + static_cast<std::ptrdiff_t>(before_word_) + 1,
            words_.begin() + static_cast<std::ptrdiff_t>(note.first_word) + 1,
            [](const HeardWord& word) { return word.pause == Pause::silence; });
        const bool pause = silence || (note.pause != Pause::none && note.pause != Pause::comma);
        const bool number = note.parts.front()->part == Part::grade; // "tightens three left"
        return !(number && before_wants_number_) && note.corner && before_is_corner_ && !note.prefixed
            && !pause && draft_.calls.back().notes.size() < kLongCall && !draft_.calls.back().notes.empty();
    }

    /// A call whose first word is `word`; what was heard before it and belongs to nothing goes with it.
    void openCall(std::size_t word)
    {
        finishCall();
        DraftCall call;
        call.line = words_[word].line;
        call.at_s = words_[word].at_s;
        call.end_s = call.at_s;
        draft_.calls.push_back(std::move(call));
        closed_ = false;
    }

    /// A call that reads back as other notes than it was made of stands as a line for each note.
    void finishCall()
    {
        if (draft_.calls.empty() || draft_.calls.back().notes.size() < 2) {
            return;
        }
        notes::Style style;
        style.order = draft_.order;
        const auto parsed = notes::parseNotes(draft_.calls.back().text, style);
        if (!parsed.calls.empty() && parsed.calls.front().notes.size() == draft_.calls.back().notes.size()) {
            return;
        }
        DraftCall whole = std::move(draft_.calls.back());
        draft_.calls.pop_back();
        for (std::size_t n = 0; n < whole.notes.size(); ++n) {
            DraftNote& note = whole.notes[n];
            DraftCall call;
            call.line = note.line;
            call.at_s = note.at_s;
            call.end_s = note.end_s;
            call.text = note.text;
            if (n == 0) {
                call.heard = std::move(whole.heard);
                call.repairs = std::move(whole.repairs);
            }
            call.notes.push_back(std::move(note));
            draft_.calls.push_back(std::move(call));
        }
    }

    /// Adds the words of `parts` to `text`. After a shape without a target a distance is written in digits,
    /// so that it cannot be taken for one ("tightens one fifty").
    void append(std::string& text, const std::vector<const Said*>& parts, Part before = Part::unknown) const
    {
        for (const Said* said : parts) {
            const bool digits = said->part == Part::distance && (before == Part::shape || before == Part::to)
                && said->words.find(' ') != std::string::npos;
            const std::string words = digits  ? std::to_string(said->number)
                : said->part == Part::unknown ? heardIn(said->first, said->last)
                                              : said->words;
            text += (text.empty() || words.empty() ? "" : " ") + words;
        }
    }

    /// Adds what was heard up to word `last`, and what of it was mended or left out.
    void hear(DraftCall& call, std::size_t last)
    {
        if (last <= heard_to_) {
            return;
        }
        call.heard += (call.heard.empty() ? "" : " ") + heardIn(heard_to_, last);
        for (const Said& said : reading_.said) {
            if (said.first < heard_to_ || said.last > last || said.part == Part::unknown || isTalk(said)
                || (said.by == By::word && said.words.empty())) {
                continue;
            }
            const std::string from = heardIn(said.first, said.last);
            if (from != said.words) {
                mend(call, said, from);
            }
        }
        heard_to_ = last;
    }

    /// The parts of one stretch ("460" is "4", "60") are one thing mended.
    static void mend(DraftCall& call, const Said& said, const std::string& from)
    {
        if (said.by == By::split && !call.repairs.empty() && call.repairs.back().from == from) {
            call.repairs.back().to += " " + said.words;
            call.repairs.back().confidence = std::min(call.repairs.back().confidence, said.sure);
        } else {
            call.repairs.push_back({call.line, from, said.words, said.sure});
        }
    }

    [[nodiscard]] std::string doubtOf(const Said& said) const
    {
        const std::string heard = heardIn(said.first, said.last);
        return (said.words.empty() ? "nothing" : said.words)
            + (said.otherwise.empty() ? "?" : ", or " + said.otherwise + "?")
            + (said.words == heard ? "" : " heard: " + heard);
    }

    void addLeadIn(const Event& event)
    {
        openCall(event.first);
        append(draft_.calls.back().text, event.read.distance);
        hear(draft_.calls.back(), event.last);
        draft_.calls.back().end_s = endOf(event.last);
        closed_ = true;
    }

    /// All that was heard and told of no call yet, up to word `last`, is talk.
    void addTalk(std::size_t last)
    {
        const std::size_t first = heard_to_;
        if (last <= first) {
            return;
        }
        heard_to_ = last;
        draft_.chatter += static_cast<int>(last - first);
        if (talk_to_ == first && !draft_.talk.empty()) {
            draft_.talk.back().heard += " " + heardIn(first, last);
            draft_.talk.back().end_s = endOf(last);
            talk_to_ = last;
            return;
        }
        talk_to_ = last;
        DraftCall talk;
        talk.line = words_[first].line;
        talk.at_s = words_[first].at_s;
        talk.end_s = endOf(last);
        talk.heard = heardIn(first, last);
        draft_.talk.push_back(std::move(talk));
        closed_ = true;
    }

    [[nodiscard]] std::string heardIn(std::size_t first, std::size_t last) const
    {
        std::string text;
        for (std::size_t i = first; i < last; ++i) {
            text += (text.empty() ? "" : " ") + words_[i].word;
        }
        return text;
    }

    /// When the word before `last` is over.
    [[nodiscard]] double endOf(std::size_t last) const
    {
        constexpr double kLongestWord_s = 0.8;
        const double next_s = last < words_.size() ? words_[last].at_s : last_s_;
        return std::clamp(next_s, words_[last - 1].at_s, words_[last - 1].at_s + kLongestWord_s);
    }

    [[nodiscard]] std::size_t firstOfStage() const
    {
        return draft_.stages.empty() ? 0 : draft_.stages.back().last_call;
    }

    /// After a stop, and no countdown heard since.
    [[nodiscard]] bool isBetweenStages() const
    {
        return !draft_.stages.empty() && draft_.stages.back().last_call == draft_.calls.size()
            && !counted_down_;
    }

    void closeStage()
    {
        finishCall();
        const std::size_t first = firstOfStage();
        closed_ = true;
        if (first < draft_.calls.size()) {
            const DraftCall& from = draft_.calls[first];
            draft_.stages.push_back({counted_down_ ? go_s_ : from.at_s, draft_.calls.back().end_s,
                counted_down_, first, draft_.calls.size()});
            counted_down_ = false;
        }
    }

    std::vector<HeardWord> words_;
    std::vector<Cue> unknown_talk_;
    notes::Reading reading_;
    Draft draft_;
    double last_s_ = 0.0;
    double go_s_ = 0.0;
    bool counted_down_ = false;
    std::size_t talk_to_ = static_cast<std::size_t>(-1); ///< where the last talk ended
    bool closed_ = true; ///< the last call takes no more notes
    std::size_t before_word_ = 0; ///< the first of the note before
    std::size_t before_last_word_ = 0; ///< one past its last
    bool before_is_corner_ = false;
    bool before_wants_number_ = false; ///< the last note ends with "tightens", or "opens"
    std::size_t heard_to_ = 0; ///< words that stand in a call's `heard` or in talk
};

} // namespace

Draft draftNotes(
    const std::vector<Cue>& cues, const notes::Style& style, const notes::Pronunciations& pronunciations)
{
    return Drafter(cues, style, pronunciations).draft();
}

} // namespace brumefall::captions
