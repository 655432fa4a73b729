#include "captions/read_notes.h"

#include "notes/text.h"

#include <algorithm>
#include <utility>

namespace brumefall::captions {
namespace {

using notes::HeardWord;
using notes::Kind;
using notes::Part;
using notes::Pause;
using notes::Said;

bool isHead(Part part)
{
    return part == Part::left || part == Part::right || part == Part::grade || part == Part::named_grade
        || part == Part::chicane;
}

class Grouper {
public:
    Grouper(const std::vector<Said>& said, const std::vector<HeardWord>& words)
        : said_(said)
        , words_(words)
    {
    }

    std::vector<Event> group()
    {
        for (std::size_t i = 0; i < said_.size(); ++i) {
            take(said_[i], i);
        }
        completeCorrected();
        return std::move(events_);
    }

private:
    void take(const Said& said, std::size_t i)
    {
        if (said.part == Part::countdown || said.part == Part::go) {
            events_.push_back({Event::go, {}, said.first, said.last});
            open_ = false;
            if (said.part == Part::countdown || isEndOfStage()) {
                completeCorrected(); // a distance from there is of no note before
                last_note_ = kNone;
            }
            return;
        }
        if (isTalk(said)) {
            if (!events_.empty() && events_.back().what == Event::talk) {
                events_.back().last = said.last;
            } else {
                events_.push_back({Event::talk, {}, said.first, said.last});
                open_ = open_ && said.state.kind != Kind::talk && said.state.kind != Kind::start;
            }
            return;
        }
        if (isEndSaidAgain(said)) {
            endAgain(said);
            return;
        }
        if (said.begins) {
            begin(said);
            return;
        }
        switch (said.part) {
        case Part::distance: distance(said); return;
        case Part::into:
            if (said.state.kind == Kind::after_into) {
                joiner_.push_back(&said);
                return;
            }
            break;
        case Part::and_:
            if (nextBegins(i) || said.state.kind == Kind::after_into) {
                joiner_.push_back(&said);
                return;
            }
            break;
        case Part::correction:
            if (said.state.kind == Kind::after_distance) { // "60, no, 80"
                distance_taken_back_ = true;
                return;
            }
            break;
        case Part::again:
        case Part::skipped: return;
        case Part::glue:
            if (notes::splitWords(said.words).size() == 1 && said.words != "for") {
                return;
            }
            break;
        default: break;
        }
        if (open_) {
            add(last_note_, said);
        } else if (said.part != Part::to && said.part != Part::glue && said.part != Part::unknown
            && said.part != Part::and_) {
            begin(said);
        }
    }

    [[nodiscard]] bool nextBegins(std::size_t i) const
    {
        for (std::size_t k = i + 1; k < said_.size(); ++k) {
            if (said_[k].part != Part::glue && said_[k].part != Part::again) {
                return said_[k].begins;
            }
        }
        return false;
    }

    /// "two left, no, right": what was not said anew stays.
    void completeCorrected()
    {
        if (taken_back_.empty() || last_note_ >= events_.size()) {
            return;
        }
        auto& parts = events_[last_note_].read.parts;
        const auto kindOf = [](const Said* said) {
            return said->part == Part::right      ? Part::left
                : said->part == Part::named_grade ? Part::grade
                                                  : said->part;
        };
        // in the order of what was said first, so that a side and a grade keep their places
        std::vector<const Said*> whole;
        for (const Said* old : taken_back_) {
            if (kindOf(old) != Part::left && kindOf(old) != Part::grade) {
                continue;
            }
            const auto anew = std::find_if(
                parts.begin(), parts.end(), [&](const Said* said) { return kindOf(said) == kindOf(old); });
            whole.push_back(anew == parts.end() ? old : *anew);
        }
        const bool head_anew = std::count_if(parts.begin(), parts.end(), [&](const Said* said) {
            return kindOf(said) == Part::left || kindOf(said) == Part::grade;
        }) >= 2;
        if (!head_anew) {
            std::erase_if(parts,
                [&](const Said* said) { return std::find(whole.begin(), whole.end(), said) != whole.end(); });
            parts.insert(parts.begin(), whole.begin(), whole.end());
        }
        taken_back_.clear();
    }

    [[nodiscard]] static bool isEnd(Part part) { return part == Part::finish || part == Part::stop; }

    [[nodiscard]] bool isEndOfStage() const
    {
        return last_note_ < events_.size()
            && std::any_of(events_[last_note_].read.parts.begin(), events_[last_note_].read.parts.end(),
                [](const Said* said) { return isEnd(said->part); });
    }

    /// Where the last note says the same part, if it does.
    [[nodiscard]] std::vector<const Said*>::iterator inLastNote(Part part)
    {
        auto& parts = events_[last_note_].read.parts;
        return std::find_if(parts.begin(), parts.end(), [&](const Said* said) { return said->part == part; });
    }

    /// "finish, flying finish", "stop here, stop": a stage has one finish and one stop.
    [[nodiscard]] bool isEndSaidAgain(const Said& said)
    {
        return isEnd(said.part) && last_note_ < events_.size() && events_[last_note_].read.distance.empty()
            && inLastNote(said.part) != events_[last_note_].read.parts.end();
    }

    void endAgain(const Said& said)
    {
        const auto end = inLastNote(said.part);
        *end = said.words.size() > (*end)->words.size() ? &said : *end;
        events_[last_note_].read.last_word = said.last;
        joiner_.clear();
    }

    /// "tyres inside", "left three": where a thing is on a corner is said of one; after a distance it is the
    /// next.
    [[nodiscard]] bool leadsToCorner(const Said& said) const
    {
        if (!isHead(said.part) || !open_ || !joiner_.empty() || last_note_ >= events_.size()
            || last_note_ + 1 != events_.size() || isStop(words_[said.first].pause)) {
            return false;
        }
        const ReadNote& note = events_[last_note_].read;
        const bool after_corner = last_note_ > 0 && events_[last_note_ - 1].what == Event::note
            && events_[last_note_ - 1].read.distance.empty();
        return !note.corner && !after_corner
            && std::any_of(note.parts.begin(), note.parts.end(),
                [](const Said* part) { return part->part == Part::position; });
    }

    void begin(const Said& said)
    {
        if (leadsToCorner(said)) {
            events_[last_note_].read.prefixed = true;
            add(last_note_, said);
            return;
        }
        completeCorrected();
        distance_taken_back_ = false;
        Event event;
        event.read.joiner = std::exchange(joiner_, {});
        const std::size_t first =
            event.read.joiner.empty() ? said.first : std::min(said.first, event.read.joiner.front()->first);
        event.read.first_word = first;
        event.read.pause = words_[first].pause;
        if (last_note_ < events_.size()) { // words shown again, or taken for nothing, may stand between
            for (std::size_t i = events_[last_note_].read.last_word; i < first; ++i) {
                event.read.pause = std::max(event.read.pause, words_[i].pause);
            }
        }
        event.read.prefixed = !isHead(said.part);
        events_.push_back(std::move(event));
        last_note_ = events_.size() - 1;
        open_ = true;
        add(last_note_, said);
    }

    /// All of a note so far, or of "tightens to three, no, to two" only what follows the shape.
    void takeBack(ReadNote& note, bool only_target)
    {
        note.corrected = true;
        if (!only_target) {
            taken_back_.insert(taken_back_.end(), note.parts.begin(), note.parts.end());
            note.parts.clear();
        }
        while (!note.parts.empty() && note.parts.back()->part != Part::shape) {
            note.parts.pop_back();
        }
    }

    /// "don't cut, don't cut, don't cut" is meant once. "long long" is longer, and "caution caution" worse.
    [[nodiscard]] static bool isPhraseSaidTwice(const ReadNote& note, const Said& said)
    {
        return !note.parts.empty() && note.parts.back()->part == said.part
            && note.parts.back()->words == said.words && said.words.find(' ') != std::string::npos;
    }

    void add(std::size_t event, const Said& said)
    {
        ReadNote& note = events_[event].read;
        note.last_word = said.last;
        if (said.part == Part::correction) {
            takeBack(note, said.state.kind == Kind::shape_to);
            return;
        }
        if (isPhraseSaidTwice(note, said)) {
            return;
        }
        note.parts.push_back(&said);
        note.corner = note.corner || isHead(said.part);
        if (said.part == Part::stop) {
            events_.push_back({Event::stop, {}, said.first, said.last});
        }
    }

    void distance(const Said& said)
    {
        if (last_note_ < events_.size() && events_[last_note_].what == Event::note) {
            ReadNote& note = events_[last_note_].read;
            completeCorrected();
            if (std::exchange(distance_taken_back_, false)) {
                note.distance.clear();
            }
            if (note.distance.empty()) { // of two that follow each other the first stays
                note.distance.push_back(&said);
                note.last_word = said.last;
            }
        } else {
            events_.push_back({Event::lead_in, {}, said.first, said.last});
            events_.back().read.distance.push_back(&said);
        }
        joiner_.clear();
        open_ = false;
    }

    const std::vector<Said>& said_;
    const std::vector<HeardWord>& words_;
    std::vector<Event> events_;
    std::vector<const Said*> joiner_;
    static constexpr auto kNone = static_cast<std::size_t>(-1);
    std::size_t last_note_ = kNone;
    std::vector<const Said*> taken_back_; ///< of the last note
    bool distance_taken_back_ = false; ///< where another one follows
    bool open_ = false; ///< the last note can still grow
};

/// What of a note tells it from another one.
struct Signature {
    Part side = Part::unknown;
    std::string grade;
    std::string modifier;
    std::string extent;
    std::string shapes;
    std::string cut;

    [[nodiscard]] bool isCorner() const { return side != Part::unknown; }
};

Signature signatureOf(const ReadNote& note)
{
    Signature out;
    for (const Said* said : note.parts) {
        switch (said->part) {
        case Part::left:
        case Part::right: out.side = out.side == Part::unknown ? said->part : out.side; break;
        case Part::grade:
            if (out.shapes.empty()) {
                out.grade = std::to_string(said->number);
            } else {
                out.shapes += std::to_string(said->number);
            }
            break;
        case Part::named_grade: (out.shapes.empty() ? out.grade : out.shapes) += said->words; break;
        case Part::modifier: out.modifier = said->words; break;
        case Part::extent: out.extent = said->words; break;
        case Part::cut: out.cut = said->words; break;
        case Part::shape: out.shapes += said->words; break;
        default: break;
        }
    }
    return out;
}

bool agree(const std::string& a, const std::string& b)
{
    return a.empty() || b.empty() || a == b || notes::meansTheSame(a, b);
}

/// "left four here now": said again on purpose, as the car comes up to it.
bool isEchoOf(const ReadNote& first, const ReadNote& again)
{
    const auto here = [](const Said* said) { return said->part == Part::here; };
    return std::any_of(again.parts.begin(), again.parts.end(), here)
        && std::none_of(first.parts.begin(), first.parts.end(), here);
}

/// How much of it says something of the road.
std::size_t meaningOf(const ReadNote& note)
{
    return static_cast<std::size_t>(std::count_if(note.parts.begin(), note.parts.end(),
        [](const Said* said) { return said->part < Part::glue && said->part != Part::here; }));
}

/// What is said of a corner as a whole, with no thing that belongs to it.
bool standsByItself(Part part)
{
    return part == Part::cut || part == Part::keep || part == Part::unseen || part == Part::warning
        || part == Part::speed || part == Part::flat_out;
}

bool sameCorner(const ReadNote& a, const ReadNote& b)
{
    const Signature x = signatureOf(a);
    const Signature y = signatureOf(b);
    return x.isCorner() && x.side == y.side && x.grade == y.grade && agree(x.modifier, y.modifier)
        && agree(x.extent, y.extent) && agree(x.shapes, y.shapes) && agree(x.cut, y.cut);
}

int metresOf(const ReadNote& note)
{
    return note.distance.empty() ? 0 : note.distance.front()->number;
}

class Uniter {
public:
    explicit Uniter(std::vector<Event> events)
        : events_(std::move(events))
    {
        countHabit();
    }

    std::vector<Event> unite()
    {
        for (std::size_t i = 0; i < events_.size(); ++i) {
            while (isBegunAnew(i)) {
                take(i, 1);
            }
            if (isSaidAgainAfterTalk(i)) {
                takeAfterTalk(i);
                continue; // with the talk
            }
            for (std::size_t n = kLongestRun; n >= 1; --n) {
                while (isSaidAgain(i, n)) {
                    take(i, n);
                }
            }
        }
        return std::move(events_);
    }

private:
    static constexpr std::size_t kLongestRun = 4;

    [[nodiscard]] const ReadNote* noteAt(std::size_t i) const
    {
        return i < events_.size() && events_[i].what == Event::note ? &events_[i].read : nullptr;
    }

    /// How often a corner follows itself: some crews always say a note twice, with nothing between or with
    /// its distance.
    void countHabit()
    {
        int notes = 0;
        int twice = 0;
        int with_distance = 0;
        for (std::size_t i = 0; i + 1 < events_.size(); ++i) {
            const ReadNote* a = noteAt(i);
            const ReadNote* b = noteAt(i + 1);
            notes += a != nullptr ? 1 : 0;
            if (a == nullptr || b == nullptr || !b->joiner.empty() || !sameCorner(*a, *b)) {
                continue;
            }
            twice += a->distance.empty() ? 1 : 0;
            with_distance += isDistanceSaidAgain(i, i, i + 1) ? 1 : 0;
        }
        constexpr int kEnough = 4;
        constexpr double kShare = 0.04;
        constexpr double kShareWithDistance = 0.15; // a road has like corners at like distances, too
        habit_ = twice >= kEnough && twice > kShare * notes;
        habit_with_distance_ = with_distance >= kEnough && with_distance > kShareWithDistance * notes;
    }

    /// Whether the notes from `first` to `last` were said with their distance, before or after, and the ones
    /// up to `again` are they once more: "60 left two, 60 left two, 100 ...", "left two 60, left two 60".
    [[nodiscard]] bool isDistanceSaidAgain(std::size_t first, std::size_t last, std::size_t again) const
    {
        const int before_m = first > 0 ? metresOf(events_[first - 1].read) : 0;
        const int there_m = metresOf(*noteAt(last));
        return there_m != 0 && (there_m == metresOf(*noteAt(again)) || there_m == before_m);
    }

    [[nodiscard]] bool isSaidAgain(std::size_t i, std::size_t n) const
    {
        for (std::size_t k = 0; k < n; ++k) {
            const ReadNote* a = noteAt(i + k);
            const ReadNote* b = noteAt(i + n + k);
            if (a == nullptr || b == nullptr || !sameCorner(*a, *b) || isEchoOf(*a, *b)) {
                return false;
            }
            const int there_m = metresOf(*a);
            const int here_m = metresOf(*b);
            const bool within = k + 1 < n;
            const bool joined_alike = k == 0 || a->joiner.empty() == b->joiner.empty();
            const bool habit = !within && habit_with_distance_ && isDistanceSaidAgain(i, i + k, i + n + k);
            if (within ? there_m != here_m || !joined_alike
                       : !joined_alike || (there_m != 0 && !habit && (n == 1 || there_m != here_m))) {
                return false;
            }
        }
        const ReadNote& first = *noteAt(i);
        const ReadNote& again = *noteAt(i + n);
        if (!again.joiner.empty()) {
            // "into X, into X": the first of them is joined as well
            return n == 1 && !first.joiner.empty() && metresOf(first) == 0
                && signatureOf(first).grade == signatureOf(again).grade && again.pause != notes::Pause::none;
        }
        const bool edge = isEdge(again.pause);
        return edge || habit_ || habit_with_distance_ || (n >= 2 && again.pause != Pause::none);
    }

    /// "left four into right four, no, left four into right three": the correction goes back to the note
    /// before. "left four into right four, no, left four" is two corners.
    [[nodiscard]] bool isBegunAnew(std::size_t i) const
    {
        const ReadNote* a = noteAt(i);
        const ReadNote* b = noteAt(i + 1);
        const ReadNote* next = noteAt(i + 2);
        return a != nullptr && b != nullptr && next != nullptr && b->corrected && !next->joiner.empty()
            && metresOf(*a) == 0 && metresOf(*b) == 0 && sameCorner(*a, *b);
    }

    /// "right four", "where are we?", "right four 60": who was interrupted says it once more. Long after, it
    /// is another corner.
    [[nodiscard]] bool isSaidAgainAfterTalk(std::size_t i) const
    {
        const ReadNote* a = noteAt(i);
        const ReadNote* b = noteAt(i + 2);
        return a != nullptr && b != nullptr && events_[i + 1].what == Event::talk && b->joiner.empty()
            && b->pause != Pause::silence && metresOf(*a) == 0 && sameCorner(*a, *b) && !isEchoOf(*a, *b);
    }

    /// The second run takes the place of the first; of each note the fuller form stays.
    void take(std::size_t i, std::size_t n)
    {
        for (std::size_t k = 0; k < n; ++k) {
            ReadNote& a = events_[i + k].read;
            ReadNote& b = events_[i + n + k].read;
            keepFuller(a, b);
            a.distance = b.distance; // that of the first was said before it, where it is another
            if (k + 1 == n) {
                a.last_word = b.last_word;
            }
        }
        const auto from = events_.begin() + static_cast<std::ptrdiff_t>(i + n);
        events_.erase(from, from + static_cast<std::ptrdiff_t>(n));
    }

    /// The note behind the talk stays, as it is joined to the one before.
    void takeAfterTalk(std::size_t i)
    {
        ReadNote& stays = events_[i + 2].read;
        keepFuller(stays, events_[i].read);
        stays.joiner = std::move(events_[i].read.joiner);
        events_.erase(events_.begin() + static_cast<std::ptrdiff_t>(i));
    }

    static void keepFuller(ReadNote& stays, ReadNote& other)
    {
        if (meaningOf(other) > meaningOf(stays)) {
            std::swap(stays.parts, other.parts);
            stays.corner = other.corner;
            stays.prefixed = other.prefixed;
        }
        for (const Said* said : other.parts) { // "don't cut" the first time, and "caution" the second
            const bool there = std::any_of(stays.parts.begin(), stays.parts.end(),
                [&](const Said* part) { return part->part == said->part; });
            if (standsByItself(said->part) && !there) {
                stays.parts.push_back(said);
            }
        }
    }

    std::vector<Event> events_;
    bool habit_ = false;
    bool habit_with_distance_ = false;
};

} // namespace

bool isTalk(const Said& said)
{
    return said.state.kind == Kind::talk || said.part == Part::chatter;
}

std::string ReadNote::text() const
{
    std::string out;
    for (const Said* said : parts) {
        out += (out.empty() || said->words.empty() ? "" : " ") + said->words;
    }
    return out;
}

std::vector<Event> eventsOf(const std::vector<Said>& said, const std::vector<HeardWord>& words)
{
    return Grouper(said, words).group();
}

std::vector<Event> unitedEvents(std::vector<Event> events)
{
    return Uniter(std::move(events)).unite();
}

} // namespace brumefall::captions
