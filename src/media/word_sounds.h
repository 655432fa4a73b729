/// How the words of a take sound, kept while it is searched, to tell one by another at its end.
#pragma once

#include "media/aligner.h"
#include "media/condense.h"
#include "media/speech_decoder.h"
#include "take/own_words.h"

#include <cstdint>
#include <map>
#include <span>
#include <utility>
#include <vector>

struct fe_s;

namespace brumefall::media {

class WordSounds {
public:
    WordSounds();
    WordSounds(const WordSounds&) = delete;
    WordSounds& operator=(const WordSounds&) = delete;
    ~WordSounds();

    /// `word` was heard in `condensed`; in the recording it begins at `start_s`.
    void add(const HeardWord& word, const Condensed& condensed, double start_s);
    /// The words of `found`, one for each of `expected`, as they were said.
    [[nodiscard]] std::vector<take::SaidWord> saidWords(
        const std::vector<take::FoundNote>& found, const std::vector<ExpectedNote>& expected) const;

private:
    [[nodiscard]] std::vector<take::Cepstra> cepstraOf(std::span<const std::int16_t> samples);

    fe_s* front_end_;
    std::map<std::pair<std::size_t, double>, std::vector<take::Cepstra>> said_; ///< by note and beginning
};

} // namespace brumefall::media
