/// How a word sounds, for the recogniser.
#pragma once

#include <string>

namespace brumefall::media {

/// Of Debian's package pocketsphinx-en-us.
inline constexpr const char* kSpeechModelFolder = "/usr/share/pocketsphinx/model/en-us";
inline constexpr const char* kPronouncingDictionary =
    "/usr/share/pocketsphinx/model/en-us/cmudict-en-us.dict";

/// ARPAbet phones of an English word that the dictionary lacks, from the voice's own pronunciation.
[[nodiscard]] std::string phonesFor(const std::string& word);

} // namespace brumefall::media
