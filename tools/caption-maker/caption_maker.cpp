#include "caption_maker.h"

#include "notes/parser.h"
#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <cstdio>
#include <map>
#include <random>

namespace brumefall::caption_maker {
namespace {

/// Ordinary words that a general language model might hear instead.
constexpr std::string_view kEveryday = "a about after air all also an and any are as ask at bad bail bale "
                                       "ball band bar bare base be bear beat bed bee been "
                                       "best better big bit bite blue board boat body book born both box boy "
                                       "bread break bring bus but buy by call came can "
                                       "cap car care case cat cause chain chair change check chess chest "
                                       "child clear close coal coat cold come cook cool "
                                       "corn cost could count course court cover cross cup cut dad dark date "
                                       "dawn day dead deal dear deep deer did dig dinner "
                                       "do doe dog done door dot down draw dress drive drop dry due each ear "
                                       "earn east easy eat edge eight else end ever eye "
                                       "face fact fair fall far farm fast fat feel feet fell few field fight "
                                       "file fill film find fine fire first fish fit "
                                       "five flag flat floor flow fly foe follow food foot for force form "
                                       "four free friend from front full fun gain game gap "
                                       "gave get girl give glad go goal god gold good got great green grey "
                                       "grow guess had hair half hall hand hang happy "
                                       "hard has hat have he head hear heart heat held help her here hey "
                                       "high hill him his hit hold hole home hope horse hot "
                                       "hour house how hug ice if in is it jam jar jaw job join joke jump "
                                       "just keep kept key kick kid kill kind king kiss "
                                       "knee knew know lack lad lady lake lamb land lane large last late "
                                       "laugh law lay lead leaf lean learn least leave led "
                                       "left leg less let lie life lift light like line lip list live lock "
                                       "long look lord lose lot loud love low luck lunch "
                                       "mad made main make man many map mark mass match may me mean meat "
                                       "meet met mid might mile milk mind mine miss more "
                                       "most mother move much must my name near neck need nest net new next "
                                       "nice night nine no nor nose not note now number "
                                       "odd of off oh oil old on once one open or order our out oven over "
                                       "own pack page paid pain paint pair pan paper park "
                                       "part pass past path pay peace pen phone pick piece pig pin place "
                                       "plan play plus point poor port post pot pound pour "
                                       "price print proud pull push put quite race rain ran rate raw reach "
                                       "read real red rest rice rich ride right ring rise "
                                       "road rock roll roof room root rose rough round row rub rule run safe "
                                       "said sail sale salt same sand sat save saw say "
                                       "sea seal seat see seed seem seen self sell send sent set seven sex "
                                       "shade shall shape share she sheep shell ship shirt "
                                       "shoe shop short shot should show shut sick side sign silk sing sit "
                                       "site six size skin skip sky sleep slip slow small "
                                       "smell smile so soap soft soil sold some son song soon sort soul "
                                       "sound soup south space speak spin spot square stage "
                                       "stand star start state stay step still stone stop store storm story "
                                       "such sun sure swim table tail take talk tall "
                                       "tape task taste tax tea team tell ten tense tent test than that the "
                                       "their them then there these they thick thin "
                                       "thing think this those threw through throw tie tight tightens titans "
                                       "till time tin tip to toe told tone too took "
                                       "tooth top torch touch tour town toy train tree trip true try tube "
                                       "turn two type under up us use van very view visit "
                                       "voice vote wait walk wall want war warm was wash waste watch water "
                                       "wave way we weak wear week weight well went were "
                                       "west wet what wheel when where which white who whole why wide wife "
                                       "wild will win wind wine wing wire wise wish with "
                                       "won wood word work world worn would wrap write wrong yard yeah year "
                                       "yes yet you young your portion auction cushion "
                                       "notion ocean option";

constexpr std::array<std::string_view, 14> kTalk{"good", "lovely that's really good", "keep pushing",
    "come on", "nice one", "that's it", "okay", "well done mate", "brilliant keep it up",
    "watch the temperature", "we're doing fine", "how are the brakes", "oh that was close", "perfect"};

class Maker {
public:
    Maker(std::uint32_t seed, const notes::Pronunciations& pronunciations)
        : random_(seed)
        , pronunciations_(pronunciations)
    {
        chooseSchool();
    }

    MadeCaptions make()
    {
        for (int stage = 0; stage < made_.school.stages; ++stage) {
            sayStage();
        }
        mishear();
        made_.stages = made_.school.stages;
        made_.srt = blocks();
        understand();
        return std::move(made_);
    }

private:
    /// A word as it will be shown.
    struct Word {
        std::string text;
        double at_s = 0.0;
        double end_s = 0.0;
        bool note_begins = false;
        bool call_ends = false; ///< a breath follows
        int number = 0; ///< for a number, said in one go: its value
        bool is_distance = false;
    };

    bool chance(double share) { return std::uniform_real_distribution<>(0.0, 1.0)(random_) < share; }
    double between(double low, double high) { return std::uniform_real_distribution<>(low, high)(random_); }
    int whole(int low, int high) { return std::uniform_int_distribution<>(low, high)(random_); }
    template <typename Range> auto oneOf(const Range& range)
    {
        return range[static_cast<std::size_t>(whole(0, static_cast<int>(std::size(range)) - 1))];
    }

    void chooseSchool()
    {
        School& s = made_.school;
        s.order = chance(0.5) ? notes::Order::number_first : notes::Order::direction_first;
        s.scale = chance(0.3) ? notes::Scale::descending : notes::Scale::ascending;
        s.distances_first = chance(0.4);
        s.advice = between(0.05, 0.45);
        s.said_again = chance(0.25) ? between(0.05, 0.3) : 0.0;
        s.corrected = chance(0.3) ? 0.015 : 0.0;
        s.talk = chance(0.6) ? between(0.01, 0.06) : 0.0;
        s.line_up = chance(0.2);
        s.punctuation = chance(0.55);
        s.digits = chance(0.7);
        s.misheard = between(0.01, 0.09);
        s.glued = between(0.0, 0.25);
        s.repeated_edges = chance(0.5) ? between(0.05, 0.25) : 0.0;
        s.block_s = chance(0.6) ? between(2.0, 6.0) : between(6.0, 40.0);
        s.stages = chance(0.2) ? 2 : 1;
    }

    // --- what is said -----------------------------------------------------------------------------

    struct SaidNote {
        std::vector<std::string> words; ///< without the link
        std::string link; ///< "into", "and", "" or a distance
        int metres = 0;
    };

    std::string gradeWord(int grade) { return notes::sayNumber(grade, notes::HundredsSaid::short_form); }

    SaidNote corner()
    {
        SaidNote note;
        const School& s = made_.school;
        const auto say = [&](std::string_view words) {
            for (const auto& word : notes::splitWords(words)) {
                note.words.push_back(word);
            }
        };
        if (chance(0.07)) {
            say(oneOf(std::array<std::string_view, 4>{"caution", "care", "danger", "double caution"}));
        }
        if (chance(0.25 * s.advice)) {
            say("unseen");
        }
        const std::string side = chance(0.5) ? "left" : "right";
        const int grade = whole(1, 6);
        std::string head;
        const bool named = chance(0.1);
        if (named) {
            head = oneOf(std::array<std::string_view, 6>{
                "hairpin", "open hairpin", "square", "acute", "kink", "tight hairpin"});
        } else {
            head = gradeWord(grade);
        }
        const std::string modifier = !named && chance(0.14) ? (chance(0.5) ? "plus" : "minus") : "";
        const std::string extent = chance(0.22)
            ? std::string(
                oneOf(std::array<std::string_view, 5>{"long", "long", "short", "very long", "extra long"}))
            : "";
        if (s.order == notes::Order::number_first) {
            say(head);
            say(modifier);
            say(side);
        } else {
            say(named && chance(0.5) ? head + " " + side : side + " " + head);
            say(modifier);
        }
        say(extent);
        if (!named && chance(0.16)) {
            const bool tightens = chance(0.65);
            say(tightens ? "tightens" : "opens");
            const bool lower = tightens == (s.scale == notes::Scale::ascending);
            const int target = lower ? grade - whole(1, 2) : grade + whole(1, 2);
            if (target >= 1 && target <= 6 && chance(0.75)) {
                say(gradeWord(target));
            }
            if (chance(0.15)) {
                say("late");
            }
        }
        if (chance(0.5 * s.advice)) {
            say(oneOf(std::array<std::string_view, 7>{"over crest", "over small crest", "over jump",
                "through gate", "past house", "over bridge", "into dip"}));
        } else if (chance(0.3 * s.advice)) {
            say(oneOf(
                std::array<std::string_view, 4>{"rock inside", "tree outside", "bump on exit", "narrow"}));
        }
        if (chance(0.5 * s.advice)) {
            say(oneOf(std::array<std::string_view, 6>{
                "don't cut", "don't cut", "small cut", "keep in", "keep out", "cut"}));
        }
        return note;
    }

    SaidNote headless()
    {
        SaidNote note;
        note.words = notes::splitWords(oneOf(std::array<std::string_view, 6>{
            "over crest", "keep left over jump", "crest", "over bridge", "keep right", "through gate"}));
        return note;
    }

    void choose(SaidNote& note)
    {
        const double u = between(0.0, 1.0);
        if (u < 0.3) {
            note.link = "into";
        } else if (u < 0.36) {
            note.link = "and";
        } else if (u < 0.92) {
            constexpr std::array kMetres{
                30, 40, 50, 50, 60, 60, 80, 80, 100, 100, 120, 150, 200, 70, 20, 300};
            note.metres = oneOf(kMetres);
            note.link = notes::sayNumber(note.metres, notes::HundredsSaid::short_form);
        }
    }

    void speak(const std::string& word, bool begins = false, int number = 0, bool distance = false)
    {
        Word out;
        out.text = word;
        out.at_s = now_s_;
        now_s_ += notes::countSyllables(word) / between(4.6, 6.2);
        out.end_s = now_s_;
        out.note_begins = begins;
        out.number = number;
        out.is_distance = distance;
        words_.push_back(std::move(out));
    }

    void breath(double low = 0.2, double high = 1.2)
    {
        if (!words_.empty()) {
            words_.back().call_ends = true;
        }
        now_s_ += between(low, high);
    }

    void sayNote(const SaidNote& note, const std::string& joiner)
    {
        if (!joiner.empty()) {
            speak(joiner);
        }
        for (std::size_t i = 0; i < note.words.size(); ++i) {
            speak(note.words[i], i == 0 && joiner.empty());
        }
    }

    void sayDistance(const SaidNote& note)
    {
        const auto words = notes::splitWords(note.link);
        for (std::size_t i = 0; i < words.size(); ++i) {
            speak(words[i], false, i == 0 ? note.metres : -1, true);
        }
    }

    void sayStage()
    {
        now_s_ += between(3.0, 20.0);
        std::vector<SaidNote> notes;
        for (int i = whole(25, 60); i > 0; --i) {
            notes.push_back(
                !notes.empty() && notes.back().metres > 0 && chance(0.12 * made_.school.advice + 0.01)
                    ? headless()
                    : corner());
            choose(notes.back());
            if (notes.back().words.front() == "over" || notes.back().words.front() == "keep"
                || notes.back().words.front() == "crest" || notes.back().words.front() == "through") {
                while (notes.back().metres == 0) {
                    choose(notes.back());
                }
            }
        }
        notes.back().link.clear();
        notes.back().metres = 0;
        if (made_.school.line_up) {
            for (std::size_t i = 0; i < 2; ++i) {
                sayNote(notes[i], {});
                breath();
            }
            now_s_ += 8.0;
        }
        for (const char* word : {"five", "four", "three", "two", "one", "go"}) {
            speak(word);
            now_s_ += 0.6;
        }
        breath(0.5, 2.0);
        std::string joiner;
        std::size_t call_begins = words_.size();
        for (std::size_t i = 0; i < notes.size(); ++i) {
            const SaidNote& note = notes[i];
            const bool joined = !joiner.empty();
            if (!joined) {
                call_begins = words_.size();
            }
            if (!joined && chance(made_.school.corrected) && note.words.size() >= 2) {
                sayNote(corner(), {});
                speak("no");
                speak("sorry");
            }
            sayNote(note, joiner);
            made_.said.push_back(notes::joinWords(note.words) + (note.link.empty() ? "" : " " + note.link));
            joiner = note.metres > 0 ? "" : note.link;
            if (!joiner.empty()) {
                now_s_ += between(0.0, 0.2);
                continue;
            }
            if (chance(made_.school.said_again)) {
                const std::vector<Word> call(
                    words_.begin() + static_cast<std::ptrdiff_t>(call_begins), words_.end());
                breath(0.4, 1.5);
                for (const Word& word : call) {
                    speak(word.text, word.note_begins, word.number, word.is_distance);
                }
            }
            if (note.metres > 0 && !made_.school.distances_first) {
                sayDistance(note);
            }
            breath(0.2, note.metres > 100 ? 4.0 : 1.5);
            if (chance(made_.school.talk)) {
                for (const auto& word : notes::splitWords(oneOf(kTalk))) {
                    speak(word);
                }
                breath();
            }
            if (note.metres > 0 && made_.school.distances_first) {
                sayDistance(note);
            }
        }
        breath(2.0, 4.0);
        for (const char* word : {"flying", "finish"}) {
            speak(word, true);
        }
        breath(1.0, 2.0);
        speak("stop", true);
        breath(4.0, 8.0);
        made_.said.emplace_back("flying finish");
        made_.said.emplace_back("stop");
    }

    // --- what is heard ----------------------------------------------------------------------------

    void mishear()
    {
        std::vector<Word> out;
        for (std::size_t i = 0; i < words_.size(); ++i) {
            Word word = words_[i];
            if (word.is_distance && word.number == -1) {
                // the rest of a distance goes with its first word
                out.push_back(std::move(word));
                continue;
            }
            if (chance(made_.school.misheard)) {
                const std::string other = misheardAs(word.text);
                if (!other.empty()) {
                    word.text = other;
                    word.number = 0;
                    word.is_distance = false;
                }
            }
            out.push_back(std::move(word));
        }
        words_ = std::move(out);
        if (made_.school.digits) {
            toDigits();
        }
    }

    std::string misheardAs(const std::string& word)
    {
        auto [it, fresh] = heard_.try_emplace(word);
        if (fresh) {
            const auto& phones = pronunciations_.of(word);
            const auto n = static_cast<double>(phones.size());
            static const auto kWords = notes::splitWords(kEveryday);
            for (const std::string& other : kWords) {
                if (other != word
                    && notes::phoneDistance(pronunciations_.of(other), phones, 0.3 * n) <= 0.28 * n) {
                    it->second.push_back(other);
                }
            }
            if (phones.size() >= 5) {
                for (const std::string& a : kWords) {
                    const auto& first = pronunciations_.of(a);
                    if (first.size() + 1 >= phones.size()
                        || notes::phoneDistance(first, std::span(phones).first(first.size()), 0.8) > 0.7) {
                        continue;
                    }
                    for (const std::string& b : kWords) {
                        notes::Phones both = first;
                        const auto& second = pronunciations_.of(b);
                        both.insert(both.end(), second.begin(), second.end());
                        if (notes::phoneDistance(both, phones, 0.25 * n) <= 0.22 * n) {
                            it->second.push_back(a + " " + b);
                        }
                    }
                }
            }
        }
        return it->second.empty()
            ? std::string()
            : it->second[static_cast<std::size_t>(whole(0, static_cast<int>(it->second.size()) - 1))];
    }

    static int unitOf(const std::string& word)
    {
        static const std::map<std::string, int> kUnits{
            {"one", 1}, {"two", 2}, {"three", 3}, {"four", 4}, {"five", 5}, {"six", 6}};
        const auto it = kUnits.find(word);
        return it == kUnits.end() ? 0 : it->second;
    }

    /// Numbers as digits, sometimes run together; a minus stuck to its grade or lost.
    void toDigits()
    {
        std::vector<Word> out;
        for (std::size_t i = 0; i < words_.size(); ++i) {
            Word word = words_[i];
            if (word.is_distance) {
                if (word.number < 0) {
                    if (!out.empty()) {
                        out.back().call_ends = out.back().call_ends || word.call_ends;
                        out.back().end_s = word.end_s;
                    }
                    continue;
                }
                word.text = std::to_string(word.number);
                if (!out.empty() && std::isdigit(static_cast<unsigned char>(out.back().text.back())) != 0
                    && !out.back().call_ends && chance(made_.school.glued)) {
                    out.back().text += word.text;
                    out.back().call_ends = word.call_ends;
                    continue;
                }
            } else if (const int unit = unitOf(word.text); unit > 0 && chance(0.85)) {
                word.text = std::to_string(unit);
            } else if ((word.text == "minus" || word.text == "plus") && !out.empty()
                && out.back().text.size() == 1
                && std::isdigit(static_cast<unsigned char>(out.back().text[0])) != 0 && chance(0.35)) {
                out.back().text += word.text == "minus" ? "-" : "+";
                out.back().call_ends = word.call_ends;
                continue;
            }
            out.push_back(std::move(word));
        }
        words_ = std::move(out);
    }

    // --- how it is shown --------------------------------------------------------------------------

    static std::string clock(double t)
    {
        char text[32];
        const auto ms = static_cast<long>(t * 1000.0);
        std::snprintf(text, sizeof text, "%02ld:%02ld:%02ld,%03ld", ms / 3600000, ms / 60000 % 60,
            ms / 1000 % 60, ms % 1000);
        return text;
    }

    std::string blocks()
    {
        std::string srt;
        int number = 0;
        std::size_t begin = 0;
        std::vector<std::string> before;
        while (begin < words_.size()) {
            const double length_s = made_.school.block_s * between(0.6, 1.4);
            std::size_t end = begin + 1;
            while (end < words_.size() && words_[end].end_s - words_[begin].at_s < length_s
                && words_[end].at_s - words_[end - 1].end_s < 3.0) {
                ++end;
            }
            std::vector<std::string> text;
            if (!before.empty() && chance(made_.school.repeated_edges)) {
                const auto n = std::min<std::size_t>(before.size(), static_cast<std::size_t>(whole(1, 3)));
                text.assign(before.end() - static_cast<std::ptrdiff_t>(n), before.end());
            }
            std::vector<std::string> own;
            for (std::size_t i = begin; i < end; ++i) {
                std::string word = words_[i].text;
                if (made_.school.punctuation) {
                    const bool next_begins = i + 1 < words_.size() && words_[i + 1].note_begins;
                    if (words_[i].call_ends && chance(0.8)) {
                        word += chance(0.6) ? "." : ",";
                    } else if (next_begins && chance(0.4)) {
                        word += ",";
                    } else if (chance(0.02)) {
                        word += ",";
                    }
                }
                own.push_back(word);
            }
            text.insert(text.end(), own.begin(), own.end());
            before = own;
            srt += std::to_string(++number) + "\n" + clock(words_[begin].at_s) + " --> "
                + clock(words_[end - 1].end_s) + "\n" + notes::joinWords(text) + "\n\n";
            begin = end;
        }
        return srt;
    }

    void understand()
    {
        notes::Style style;
        style.order = made_.school.order;
        style.scale = made_.school.scale;
        std::string text;
        for (const std::string& line : made_.said) {
            text += line + (line.ends_with("into") || line.ends_with(" and") ? " " : "\n");
        }
        for (const auto& call : notes::parseNotes(text, style).calls) {
            made_.truth.insert(made_.truth.end(), call.notes.begin(), call.notes.end());
        }
    }

    std::mt19937 random_;
    const notes::Pronunciations& pronunciations_;
    MadeCaptions made_;
    std::vector<Word> words_;
    double now_s_ = 0.0;
    std::map<std::string, std::vector<std::string>> heard_;
};

bool sameHead(const notes::Note& a, const notes::Note& b)
{
    return a.direction == b.direction && a.grade == b.grade && a.modifier == b.modifier
        && (a.direction.has_value() || a.grade.has_value() || a.kind == b.kind);
}

bool sameCore(const notes::Note& a, const notes::Note& b)
{
    const auto same = [](const notes::Shape& x, const notes::Shape& y) {
        return x.kind == y.kind && x.to == y.to && x.late == y.late;
    };
    return sameHead(a, b) && a.extent == b.extent
        && std::equal(a.shapes.begin(), a.shapes.end(), b.shapes.begin(), b.shapes.end(), same);
}

bool sameWhole(const notes::Note& a, const notes::Note& b)
{
    // a note said again or corrected means the same
    notes::Note x = a;
    notes::Note y = b;
    for (notes::Note* note : {&x, &y}) {
        note->corrected_from.clear();
        note->echo_of.clear();
        note->free_words.clear();
        std::sort(note->lines.begin(), note->lines.end());
    }
    return x.sameMeaning(y);
}

} // namespace

void Score::add(const Score& other)
{
    truth += other.truth;
    read += other.read;
    heads += other.heads;
    core += other.core;
    whole += other.whole;
}

MadeCaptions make(std::uint32_t seed, const notes::Pronunciations& pronunciations)
{
    return Maker(seed, pronunciations).make();
}

Judged judge(const std::vector<notes::Note>& truth, const std::vector<notes::Note>& read)
{
    // the alignment in order that pairs most, a whole note more than a head, a head more than a mere pair
    const std::size_t n = truth.size();
    const std::size_t m = read.size();
    std::vector<double> best((n + 1) * (m + 1), 0.0);
    const auto at = [&](std::size_t i, std::size_t k) -> double& { return best[i * (m + 1) + k]; };
    const auto worth = [&](std::size_t i, std::size_t k) {
        return (sameWhole(truth[i], read[k]) ? 1.0 : 0.0) + (sameHead(truth[i], read[k]) ? 2.0 : 0.0)
            + (truth[i].direction == read[k].direction ? 0.3 : 0.0) + 0.1;
    };
    for (std::size_t i = n; i-- > 0;) {
        for (std::size_t k = m; k-- > 0;) {
            at(i, k) = std::max({at(i + 1, k), at(i, k + 1), at(i + 1, k + 1) + worth(i, k)});
        }
    }
    Judged judged;
    judged.score.truth = static_cast<int>(n);
    judged.score.read = static_cast<int>(m);
    judged.read_whole.assign(m, false);
    std::size_t i = 0;
    std::size_t k = 0;
    while (i < n || k < m) {
        if (i < n && k < m && at(i, k) == at(i + 1, k + 1) + worth(i, k)) {
            judged.pairs.emplace_back(static_cast<int>(i), static_cast<int>(k));
            judged.score.heads += sameHead(truth[i], read[k]) ? 1 : 0;
            judged.score.core += sameCore(truth[i], read[k]) ? 1 : 0;
            judged.score.whole += sameWhole(truth[i], read[k]) ? 1 : 0;
            judged.read_whole[k] = sameWhole(truth[i], read[k]);
            ++i;
            ++k;
        } else if (i < n && (k == m || at(i, k) == at(i + 1, k))) {
            judged.pairs.emplace_back(static_cast<int>(i++), -1);
        } else {
            judged.pairs.emplace_back(-1, static_cast<int>(k++));
        }
    }
    return judged;
}

} // namespace brumefall::caption_maker
