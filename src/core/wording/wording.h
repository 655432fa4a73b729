/// What the core and the media layer say in words, in the user's language.
///
/// The core knows no languages: it says English, and whoever shows it may set what stands for that.
#pragma once

#include <functional>
#include <initializer_list>
#include <string>

namespace brumefall::wording {

/// The words that stand for `english`; `context` says where it is used, for those who translate.
using Language = std::function<std::string(const char* context, const char* english)>;

/// Everything is said in `language` from now on; empty is English. Not while another thread speaks.
void speak(Language language);

/// `english` in the user's language. Texts with figures hold the places %1 to %9 for `filled`.
[[nodiscard]] std::string localized(const char* context, const char* english);

/// Marks `english` for those who translate, where it is said elsewhere.
[[nodiscard]] constexpr const char* localizable(const char* /*context*/, const char* english)
{
    return english;
}

/// `text` with each of its places %1 to %9 taken by one of `values`; a place without a value stays.
[[nodiscard]] std::string filled(const std::string& text, std::initializer_list<std::string> values);

/// `value` with so many decimals.
[[nodiscard]] std::string figure(double value, int decimals = 0);

} // namespace brumefall::wording
