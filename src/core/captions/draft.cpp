#include "captions/draft.h"

#include "captions/heard_words.h"
#include "captions/tidy.h"
#include "notes/atom_line.h"
#include "notes/dictionary.h"
#include "notes/line_parser.h"
#include "notes/text.h"

#include <algorithm>

namespace brumefall::captions {
namespace {

using notes::Order;
using notes::Role;

/// How sure it is that words shown again at an edge were said once.
constexpr double kShownAgain = 0.9;

/// What a line is, beside notes.
struct LineRole {
    bool talk = false; ///< nothing but chatter
    bool countdown = false;
    bool go = false;
    bool stop = false;
    bool road = false; ///< something in it says what road comes
};

/// Words that say what road comes; a line with one of them is no mere talk.
bool saysRoad(const notes::Atom& atom)
{
    const auto is = [&](std::initializer_list<Role> roles) { return notes::isOneOf(roles, atom.role); };
    return is({Role::direction, Role::number, Role::shape, Role::warning, Role::finish, Role::stop,
               Role::line, Role::junction, Role::chicane})
        || (atom.role == Role::named_grade
            && (atom.value.ends_with("hairpin") || atom.value.ends_with("square")));
}

LineRole roleOf(const std::string& text, const notes::Dictionary& dictionary, Order order)
{
    const auto tokens = notes::tokenise(text, dictionary);
    const auto atoms = notes::findAtoms(tokens, order, dictionary);
    LineRole role;
    role.talk = !atoms.empty();
    std::size_t talk = 0;
    std::size_t odd = 0;
    std::size_t content = 0;
    bool road = false;
    for (const auto& atom : atoms) {
        talk += atom.role == Role::chatter ? 1 : 0;
        odd += atom.role == Role::unknown ? 1 : 0;
        content += notes::isOneOf({Role::chatter, Role::unknown, Role::glue}, atom.role) ? 0 : 1;
        road = road || saysRoad(atom);
        role.talk = role.talk && (atom.role == Role::chatter || atom.role == Role::glue);
        role.countdown = role.countdown || (atom.role == Role::chatter && atom.value == "countdown");
        role.stop = role.stop || atom.role == Role::stop;
    }
    role.road = road;
    // "so that was a good stage, I thought the tyres were cold"
    role.talk = role.talk || (!road && talk >= 2 && talk + odd >= content);
    const auto words = notes::splitWords(text);
    role.go = role.talk && !words.empty() && words.back() == "go";
    return role;
}

class Drafter {
public:
    Drafter(const std::vector<Cue>& cues, const notes::Style& style)
        : dictionary_(style)
        , words_(heardWords(cues))
    {
        draft_.order = style.order.value_or(orderOf(words_));
    }

    Draft draft()
    {
        for (const auto& [begin, end] : cutIntoCalls(words_, draft_.order)) {
            addCall(begin, end);
        }
        closeStage();
        return std::move(draft_);
    }

private:
    void addCall(std::size_t begin, std::size_t end)
    {
        DraftCall call;
        call.line = words_[begin].line;
        call.at_s = words_[begin].at_s;
        const double pace_s = end - begin > 1
            ? (words_[end - 1].at_s - words_[begin].at_s) / static_cast<double>(end - begin - 1)
            : 0.3;
        call.end_s = words_[end - 1].at_s + pace_s;
        std::vector<std::string> words;
        for (std::size_t i = begin; i < end; ++i) {
            if (!words_[i].shown_again.empty()) {
                call.heard += (call.heard.empty() ? "" : " ") + words_[i].shown_again;
                call.repairs.push_back({0, words_[i].shown_again, "", kShownAgain});
            }
            call.heard += (call.heard.empty() ? "" : " ") + words_[i].word;
            words.push_back(words_[i].word);
        }
        if (const LineRole heard = roleOf(notes::joinWords(words), dictionary_, draft_.order);
            heard.talk && !heard.countdown && !heard.go) {
            addTalk(std::move(call), end - begin);
            return;
        }
        auto tidied = tidy(std::move(words), draft_.order);
        call.repairs.insert(call.repairs.end(), tidied.repairs.begin(), tidied.repairs.end());
        removeTalkAtTheEdges(tidied.words, call);
        for (Repair& repair : call.repairs) {
            repair.line = call.line;
        }
        call.text = notes::joinWords(tidied.words);
        const LineRole role = roleOf(call.text, dictionary_, draft_.order);
        if (role.countdown || role.go) {
            closeStage();
            go_s_ = call.end_s;
            counted_down_ = true;
        }
        if (role.talk || (!role.road && isBetweenStages())) {
            addTalk(std::move(call), end - begin);
            return;
        }
        draft_.calls.push_back(std::move(call));
        if (role.stop) {
            closeStage();
        }
    }

    /// After a stop, and no countdown heard since.
    [[nodiscard]] bool isBetweenStages() const
    {
        return !draft_.stages.empty() && draft_.stages.back().last_call == draft_.calls.size()
            && !counted_down_;
    }

    void addTalk(DraftCall call, std::size_t words)
    {
        draft_.chatter += static_cast<int>(words);
        call.text.clear();
        call.repairs.clear();
        draft_.talk.push_back(std::move(call));
    }

    /// "lovely, keep pushing, 150 left two": what is said before and after the notes of a call goes, and is
    /// told.
    void removeTalkAtTheEdges(std::vector<std::string>& words, DraftCall& call)
    {
        const auto tokens = notes::tokenise(notes::joinWords(words), dictionary_);
        const auto atoms = notes::findAtoms(tokens, draft_.order, dictionary_);
        const auto isTalk = [](const notes::Atom& atom) {
            return atom.role == Role::chatter && atom.value != "countdown";
        };
        const auto isAny = [&](const notes::Atom& atom) { return isTalk(atom) || atom.role == Role::glue; };
        if (tokens.size() != words.size()) {
            return; // a word that stands for several: its place is not known here
        }
        const auto first = std::find_if_not(atoms.begin(), atoms.end(), isAny);
        const auto last = std::find_if_not(atoms.rbegin(), atoms.rend(), isAny).base();
        if (first >= last) {
            return;
        }
        const auto remove = [&](std::size_t from, std::size_t to) {
            const auto begin = words.begin() + static_cast<std::ptrdiff_t>(from);
            const auto end = words.begin() + static_cast<std::ptrdiff_t>(to);
            call.repairs.push_back({0, notes::joinWords({begin, end}), "", 0.8});
            draft_.chatter += static_cast<int>(to - from);
            words.erase(begin, end);
        };
        if (std::any_of(last, atoms.end(), isTalk)) {
            remove((last - 1)->last, words.size());
        }
        if (std::any_of(atoms.begin(), first, isTalk)) {
            remove(0, first->first);
        }
    }

    void closeStage()
    {
        const std::size_t first = draft_.stages.empty() ? 0 : draft_.stages.back().last_call;
        if (first < draft_.calls.size()) {
            const DraftCall& from = draft_.calls[first];
            draft_.stages.push_back({counted_down_ ? std::min(go_s_, from.at_s) : from.at_s,
                draft_.calls.back().end_s, counted_down_, first, draft_.calls.size()});
        }
        counted_down_ = false;
    }

    notes::Dictionary dictionary_;
    std::vector<HeardWord> words_;
    Draft draft_;
    double go_s_ = 0.0;
    bool counted_down_ = false;
};

} // namespace

double DraftCall::confidence() const
{
    double least = 1.0;
    for (const Repair& repair : repairs) {
        least = std::min(least, repair.confidence);
    }
    return least;
}

Draft draftNotes(const std::vector<Cue>& cues, const notes::Style& style)
{
    return Drafter(cues, style).draft();
}

std::string draftText(const Draft& draft, std::size_t first, std::size_t last,
    const std::function<bool(const DraftCall&)>& take)
{
    std::string text;
    for (std::size_t c = first; c < std::min(last, draft.calls.size()); ++c) {
        const DraftCall& call = draft.calls[c];
        text += (!take || take(call) ? call.text : call.heard) + "\n";
    }
    return text;
}

std::vector<DraftPlace> draftPlaces(
    const Draft& draft, const std::vector<int>& line_of_call, const notes::ParsedNotes& parsed, double lead_s)
{
    std::vector<DraftPlace> places;
    for (const notes::Call& call : parsed.calls) {
        const auto it = std::find(line_of_call.begin(), line_of_call.end(), call.line);
        if (call.notes.empty() || it == line_of_call.end()) {
            continue;
        }
        const DraftCall& said = draft.calls[static_cast<std::size_t>(it - line_of_call.begin())];
        const double share = 1.0 / static_cast<double>(call.notes.size());
        const double said_s = said.at_s + share * (said.end_s - said.at_s);
        places.push_back({call.notes.front().id, said_s + lead_s});
    }
    return places;
}

notes::ParsedNotes understandDraft(const Draft& draft, const notes::Style& style)
{
    auto with_order = style;
    with_order.order = draft.order;
    auto parsed = notes::parseNotes(draftText(draft, 0, draft.calls.size()), with_order);
    const auto fileLine = [&](int line) {
        const auto index = static_cast<std::size_t>(line - 1);
        return line >= 1 && index < draft.calls.size() ? draft.calls[index].line : line;
    };
    for (notes::Call& call : parsed.calls) {
        const auto index = static_cast<std::size_t>(call.line - 1);
        if (index < draft.calls.size()) {
            call.at_s = draft.calls[index].at_s;
        }
        call.line = fileLine(call.line);
    }
    for (auto& unknown : parsed.unknown) {
        unknown.line = fileLine(unknown.line);
    }
    for (auto& diagnostic : parsed.diagnostics) {
        diagnostic.line = fileLine(diagnostic.line);
    }
    for (auto& evidence : parsed.style.evidence) {
        evidence.line = evidence.line > 0 ? fileLine(evidence.line) : 0;
    }
    parsed.words += draft.chatter;
    parsed.chatter += draft.chatter;
    return parsed;
}

} // namespace brumefall::captions
