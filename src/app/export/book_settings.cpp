#include "export/book_settings.h"

#include <QDate>
#include <QLocale>
#include <QSettings>

#include <algorithm>

namespace brumefall::app {

pages::BookWish bookWish()
{
    const QSettings settings;
    pages::BookWish wish;
    if (const auto paper = pages::paperFrom(settings.value(QStringLiteral("book/paper")).toString())) {
        wish.paper_mm = *paper;
    }
    wish.letters_mm =
        std::clamp(settings.value(QStringLiteral("book/letters_mm"), wish.letters_mm).toDouble(), 3.0, 15.0);
    wish.binding = static_cast<pages::Binding>(
        std::clamp(settings.value(QStringLiteral("book/binding"), 0).toInt(), 0, 2));
    wish.words =
        static_cast<pages::Words>(std::clamp(settings.value(QStringLiteral("book/words"), 0).toInt(), 0, 2));
    wish.version = settings.value(QStringLiteral("book/version")).toString();
    wish.date = QLocale().toString(QDate::currentDate(), QLocale::ShortFormat);
    return wish;
}

void rememberBookWish(const pages::BookWish& wish)
{
    QSettings settings;
    settings.setValue(QStringLiteral("book/paper"),
        QStringLiteral("%1x%2").arg(wish.paper_mm.width()).arg(wish.paper_mm.height()));
    settings.setValue(QStringLiteral("book/letters_mm"), wish.letters_mm);
    settings.setValue(QStringLiteral("book/binding"), static_cast<int>(wish.binding));
    settings.setValue(QStringLiteral("book/words"), static_cast<int>(wish.words));
    settings.setValue(QStringLiteral("book/version"), wish.version);
}

pages::Book makeBook(const Document& document, const plan::Plan& plan)
{
    return {plan, document.prepared().notes, document.stage().style, pages::titleOf(document.stage()),
        bookWish()};
}

} // namespace brumefall::app
