/// The book of the open stage, as the user wishes it.
#pragma once

#include "document/document.h"
#include "pages/book.h"

namespace brumefall::app {

/// What the user wished last: paper, binding, letters and words.
[[nodiscard]] pages::BookWish bookWish();
void rememberBookWish(const pages::BookWish& wish);

[[nodiscard]] pages::Book makeBook(const Document& document, const plan::Plan& plan);

} // namespace brumefall::app
