/// Colours, sizes and type: the only place that names any.
#pragma once

#include <QColor>
#include <QFont>
#include <QPalette>

class QApplication;

namespace brumefall::app {

/// Fog and a lamp. `lamp` means now, and nothing else.
struct Theme {
    QColor ground;
    QColor panel;
    QColor raised;
    QColor ink;
    QColor quiet;
    QColor line;
    QColor faint; ///< words on what cannot be done now
    QColor shelf;
    QColor strip;
    QColor road;
    QColor lamp;
    QColor lamp_pale;
    bool dark = false;

    [[nodiscard]] static Theme paper();
    [[nodiscard]] static Theme nightRoom();
    [[nodiscard]] QPalette palette() const;
    [[nodiscard]] QString styleSheet() const;
};

/// Type sizes in pixels.
namespace type {
inline constexpr int kTiny = 12;
inline constexpr int kSmall = 13;
inline constexpr int kText = 15;
inline constexpr int kNotes = 17;
inline constexpr int kLarge = 20;
inline constexpr int kPage = 25;
inline constexpr int kNext = 34;
} // namespace type

[[nodiscard]] QFont typeface(int pixels, bool bold = false);

/// The theme in use; changed by `applyTheme` only.
[[nodiscard]] const Theme& theme();
void applyTheme(QApplication& application, const Theme& theme);

/// The one that was chosen last; where none was, the night room on a desktop whose own colours are dark.
[[nodiscard]] Theme wishedTheme(const QPalette& desktop);
void chooseTheme(QApplication& application, const Theme& theme);

/// While one lives, widgets are made without the style sheet, and get it when it goes: Qt works the sheet out
/// anew for everything in a widget with each parent that it gets.
class BuiltUnstyled {
public:
    BuiltUnstyled();
    BuiltUnstyled(const BuiltUnstyled&) = delete;
    BuiltUnstyled& operator=(const BuiltUnstyled&) = delete;
    ~BuiltUnstyled();

private:
    QString sheet_;
};

/// Loads the type that ships with the application.
void loadFonts();

} // namespace brumefall::app
