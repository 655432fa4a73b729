/// The grammar of a reading: the expected notes in a chain, each of them skippable, repeatable, broken off.
#pragma once

#include "media/aligner.h"

#include <string>
#include <string_view>
#include <vector>

struct ps_decoder_s;
struct fsg_model_s;

namespace brumefall::media {

/// Which note, which word of it, and whether it is of the distance; written into the dictionary word's name.
struct WordPlace {
    std::size_t note = 0;
    std::size_t word = 0;
    bool after = false;
};

/// Reads a dictionary word's name back; false where it is none of this grammar.
[[nodiscard]] bool parseName(std::string_view name, WordPlace& place);

/// States: B_k before each note, inner ones between its words, E_k after its own words.
class Grammar {
public:
    /// `expected` outlives it. The decoder is given the pronunciations of all words.
    Grammar(ps_decoder_s* decoder, const std::vector<ExpectedNote>& expected);

    /// Makes the decoder search by this grammar.
    void use();

    [[nodiscard]] const std::vector<std::string>& ownWords(std::size_t k) const { return own_[k]; }

private:
    [[nodiscard]] int log(double natural) const;
    void addPronunciations();
    void addWord(const std::string& name, const std::string& word);
    void transition(int from, int to, double log_probability, const WordPlace& place);
    void addNote(std::size_t k);
    void null(int from, int to, double log_probability);
    void addSkipsFrom(int state, std::size_t next, double cost);
    void addSkips();

    ps_decoder_s* decoder_;
    const std::vector<ExpectedNote>& expected_;
    std::vector<std::vector<std::string>> own_;
    std::vector<std::vector<std::string>> after_;
    std::vector<int> inner_;
    fsg_model_s* fsg_ = nullptr;
};

} // namespace brumefall::media
