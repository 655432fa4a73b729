/// How a word sounds, for the recogniser.
#pragma once

#include <string>

namespace brumefall::media {

/// ARPAbet phones of an English word that the dictionary lacks, from the voice's own pronunciation.
[[nodiscard]] std::string phonesFor(const std::string& word);

} // namespace brumefall::media
