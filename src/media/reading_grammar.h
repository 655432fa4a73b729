/// The grammar of a reading: the expected notes in a chain, each of them skippable, repeatable, broken off,
/// and talk between any two of them.
#pragma once

#include "media/aligner.h"

#include <string>
#include <string_view>
#include <vector>

struct ps_decoder_s;
struct fsg_model_s;

namespace brumefall::media {

using take::WordPlace;

/// Reads a dictionary word's name back; false where it is none of this grammar.
[[nodiscard]] bool parseName(std::string_view name, WordPlace& place);

/// A dictionary of fillers for the decoder's "-fdict": silence and noise, and phones as fillers of their own.
/// A run of these explains whatever was said that is no note.
[[nodiscard]] std::string fillerDictionary();
/// The names of the phones of talk, and the phones.
[[nodiscard]] std::vector<std::pair<std::string, std::string>> talkWords();

/// Natural logarithm of what a phone of talk costs: dearer, and remarks are taken for notes; cheaper, and
/// notes in an accent unlike the model's are taken for talk.
inline constexpr double kTalkPhone = -22.0;

/// The words of all expected notes, and grammars over a run of them.
class Grammar {
public:
    /// `expected` outlives it. The decoder is given the pronunciations of all words.
    Grammar(ps_decoder_s* decoder, const std::vector<ExpectedNote>& expected);

    /// Which notes a piece of the recording is searched for, and where the reader probably is.
    struct Window {
        std::size_t first = 0;
        std::size_t last = 0; ///< one past
        std::size_t at =
            0; ///< the note that comes next; those before it can be read again, those after skipped
        bool anywhere = false; ///< where the reader is, is not known
        double talk_phone = kTalkPhone; ///< natural logarithm of what a phone of talk costs
        /// How much what the grammar says counts against the sound, which tells less in noise.
        double weight = 1.0;
        double skip_weight = 1.0; ///< the same of leaving notes out
        bool near_misses = false; ///< other words may stand in the place of a note's own
    };
    /// Makes the decoder search `window` from now on.
    void use(const Window& window);

    /// Makes the decoder hear these words and no others, silence between them where there is any.
    void useExactly(const std::vector<WordPlace>& words);

    [[nodiscard]] std::size_t notes() const { return own_.size(); }
    [[nodiscard]] const std::vector<std::string>& ownWords(std::size_t k) const { return own_[k].words; }
    /// The word that stands there in the notes, and what was said in its place.
    [[nodiscard]] const std::string& written(const WordPlace& place) const;
    [[nodiscard]] const std::string& said(const WordPlace& place) const;
    /// Whether a word of a note could be dropped, and the note still be a note.
    [[nodiscard]] bool canDrop(std::size_t k, std::size_t word) const;

private:
    /// States: one before each note, inner ones between its words, one after it, one to begin and one to end
    /// in. Talk comes back to the state before a note many times in each frame: what may be left out or read
    /// again there is said at the states that a note ends in.
    struct States {
        std::size_t first = 0;
        std::size_t last = 0;
        std::vector<int> inner; ///< first inner state, by note of the window
        int begin = 0;
        int end = 0;

        [[nodiscard]] int before(std::size_t k) const { return static_cast<int>(k - first); }
        [[nodiscard]] int after(std::size_t k) const { return static_cast<int>(last + 1 + k - 2 * first); }
    };

    /// Natural logarithms of what the grammar allows beside reading every note once.
    struct Costs {
        double skip_first = -28.0; ///< skipping one note
        double skip_more = -7.0; ///< each further note of the same skip
        double repeat = -22.0; ///< reading a note again
        double back_more = -4.0; ///< going back by one note more
        double break_off = -25.0; ///< beginning a note again from its middle
        double no_distance = -3.0; ///< leaving out the distance
        double no_joiner = -16.0; ///< leaving out "into"
        double take_edge = -14.0; ///< beginning after the first note, ending before the last
        double misread = -12.0; ///< a word in the place of another
        double talk_phone = kTalkPhone;

        /// As they weigh in `window`.
        static Costs of(const Window& window);
    };

    [[nodiscard]] int log(double natural) const;
    /// What leaving out so many notes costs.
    [[nodiscard]] double skipping(std::size_t notes) const;
    void addPronunciations();
    void make(int states);
    void give();
    void addSilence();
    void addTalk(int state);
    void transition(int from, int to, double log_probability, const WordPlace& place);
    void addNote(const States& states, std::size_t k, bool near_misses);
    void addMisses(int from, int to, WordPlace place);
    void null(int from, int to, double log_probability);
    void addWaysOn(const States& states, int state, std::size_t k, double no_distance);

    ps_decoder_s* decoder_;
    const std::vector<ExpectedNote>& expected_;
    /// Words in their order, and what could be said in the place of each.
    struct Words {
        std::vector<std::string> words;
        std::vector<std::vector<std::string>> misses;
    };
    std::vector<Words> own_;
    std::vector<Words> after_;
    Costs costs_; ///< in the window
    fsg_model_s* fsg_ = nullptr;
};

} // namespace brumefall::media
