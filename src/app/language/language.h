/// The language that the window speaks, the core with it.
#pragma once

#include <QString>
#include <QStringList>

class QApplication;

namespace brumefall::app {

/// Codes of the languages that there are: "en", "de".
[[nodiscard]] const QStringList& languages();
/// What a language calls itself.
[[nodiscard]] QString ownName(const QString& language);

/// The one that was chosen, or empty: as the desktop has it.
[[nodiscard]] QString chosenLanguage();
/// From the next start on; empty is as the desktop has it.
void chooseLanguage(const QString& language);

/// The chosen language, or the first of the desktop's that there is, else English. Once, before any window.
void loadLanguage(QApplication& application);

} // namespace brumefall::app
