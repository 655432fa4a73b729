/// How the words of a take sound, kept while it is searched, to tell one by another at its end.
#pragma once

#include "media/aligner.h"
#include "media/cepstra.h"
#include "media/condense.h"
#include "media/speech_decoder.h"
#include "take/own_words.h"

#include <map>
#include <utility>
#include <vector>

namespace brumefall::media {

class WordSounds {
public:
    /// `word` was heard in `condensed`; in the recording it begins at `start_s`.
    void add(const HeardWord& word, const Condensed& condensed, double start_s);
    /// The words of `found`, one for each of `expected`, as they were said.
    [[nodiscard]] std::vector<take::SaidWord> saidWords(
        const std::vector<take::FoundNote>& found, const std::vector<ExpectedNote>& expected) const;

private:
    FrontEnd front_end_{FrontEnd::Of::words};
    std::map<std::pair<std::size_t, double>, std::vector<take::Cepstra>> said_; ///< by note and beginning
};

} // namespace brumefall::media
