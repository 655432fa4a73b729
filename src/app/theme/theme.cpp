#include "theme/theme.h"

#include "pages/fonts.h"

#include <QApplication>
#include <QDir>
#include <QFontDatabase>
#include <QSaveFile>
#include <QSettings>
#include <QStandardPaths>
#include <QWidget>

/// A static library's resources are linked in only where something asks for them; Qt wants this at global
/// scope.
static void bringInResources()
{
    Q_INIT_RESOURCE(resources);
}

namespace brumefall::app {
namespace {

Theme& current()
{
    static Theme instance = Theme::paper();
    return instance;
}

} // namespace

Theme Theme::paper()
{
    Theme t;
    t.ground = QColor(0xdf, 0xe4, 0xdf);
    t.panel = QColor(0xee, 0xf1, 0xed);
    t.raised = QColor(0xfa, 0xfb, 0xf9);
    t.ink = QColor(0x1c, 0x27, 0x29);
    t.quiet = QColor(0x51, 0x5f, 0x5c);
    t.line = QColor(0xb3, 0xbe, 0xb8);
    t.faint = QColor(0x93, 0x9f, 0x9a);
    t.shelf = QColor(0xc6, 0xd1, 0xca);
    t.strip = QColor(0xfa, 0xfb, 0xf9);
    t.road = QColor(0x3d, 0x4a, 0x4a);
    t.lamp = QColor(0xe0, 0x8a, 0x1e);
    t.lamp_pale = QColor(0xf6, 0xe3, 0xc4);
    return t;
}

Theme Theme::nightRoom()
{
    Theme t;
    t.ground = QColor(0x14, 0x1a, 0x1b);
    t.panel = QColor(0x1d, 0x25, 0x26);
    t.raised = QColor(0x28, 0x32, 0x33);
    t.ink = QColor(0xe2, 0xe8, 0xe3);
    t.quiet = QColor(0x9f, 0xad, 0xa7);
    t.line = QColor(0x42, 0x4f, 0x4f);
    t.faint = QColor(0x6d, 0x7b, 0x78);
    t.shelf = QColor(0x33, 0x40, 0x3f);
    t.strip = QColor(0x28, 0x32, 0x33);
    t.road = QColor(0xb4, 0xc0, 0xba);
    t.lamp = QColor(0xf2, 0xa5, 0x3c);
    t.lamp_pale = QColor(0x4a, 0x3c, 0x25);
    t.dark = true;
    return t;
}

QPalette Theme::palette() const
{
    QPalette p;
    p.setColor(QPalette::Window, ground);
    p.setColor(QPalette::Base, raised);
    p.setColor(QPalette::AlternateBase, panel);
    p.setColor(QPalette::Text, ink);
    p.setColor(QPalette::WindowText, ink);
    p.setColor(QPalette::Button, panel);
    p.setColor(QPalette::ButtonText, ink);
    p.setColor(QPalette::ToolTipBase, raised);
    p.setColor(QPalette::ToolTipText, ink);
    p.setColor(QPalette::PlaceholderText, quiet);
    p.setColor(QPalette::Highlight, shelf);
    p.setColor(QPalette::HighlightedText, ink);
    p.setColor(QPalette::Mid, line);
    return p;
}

QString Theme::styleSheet() const
{
    return QStringLiteral(R"(
        QWidget { color: %1; font-family: B612; font-size: %9px; }
        QMainWindow, QStackedWidget { background: %2; }
        QToolTip { background: %3; color: %1; border: 1px solid %4; padding: 4px; }
        QPushButton { background: %3; border: 1px solid %4; border-radius: 3px; padding: 5px 12px; }
        QPushButton:hover { border-color: %5; }
        QPushButton:pressed, QPushButton:checked { background: %6; border-color: %5; }
        QPushButton:focus { border: 2px solid %5; padding: 4px 11px; }
        QPushButton:disabled { color: %10; }
        QPushButton[compact="true"], QPushButton[tab="true"] { padding: 5px 7px; font-size: 13px; } QPushButton[compact="true"]:focus, QPushButton[tab="true"]:focus { padding: 4px 6px; }
        QPushButton[workspace="true"] { border: none; border-radius: 0; border-bottom: 3px solid transparent; background: transparent; padding: 8px 14px 6px 14px; }
        QPushButton[workspace="true"]:checked { border-bottom: 3px solid %1; font-weight: bold; background: transparent; }
        QPlainTextEdit, QListView, QTableView, QTableWidget, QComboBox, QSpinBox, QDoubleSpinBox, QLineEdit { background: %3; border: 1px solid %4; selection-background-color: %6; selection-color: %1; }
        QTableView { gridline-color: %7; }
        QComboBox { padding: 3px 8px; } QComboBox::drop-down { border: none; width: 22px; } QComboBox::down-arrow { image: url(:/icons/down.png); width: 11px; height: 11px; }
        QSpinBox, QDoubleSpinBox { padding: 3px 20px 3px 6px; } QSpinBox::up-button, QDoubleSpinBox::up-button { border: none; width: 18px; } QSpinBox::down-button, QDoubleSpinBox::down-button { border: none; width: 18px; }
        QSpinBox::up-arrow, QDoubleSpinBox::up-arrow { image: url(:/icons/up.png); width: 9px; height: 9px; } QSpinBox::down-arrow, QDoubleSpinBox::down-arrow { image: url(:/icons/down.png); width: 9px; height: 9px; }
        QCheckBox::indicator { width: 16px; height: 16px; } QComboBox QAbstractItemView { background: %3; color: %1; }
        QHeaderView::section { background: %2; color: %8; border: none; border-bottom: 1px solid %4; padding: 5px 8px; font-size: 13px; }
        QLabel[quiet="true"] { color: %8; font-size: 13px; }
        QLabel[large="true"] { font-size: 20px; font-weight: bold; }
        QScrollBar:vertical { background: %2; width: 12px; } QScrollBar::handle:vertical { background: %4; min-height: 30px; border-radius: 5px; }
        QScrollBar:horizontal { background: %2; height: 12px; } QScrollBar::handle:horizontal { background: %4; min-width: 30px; border-radius: 5px; }
        QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
        QSlider::groove:horizontal { height: 4px; background: %4; border-radius: 2px; }
        QSlider::handle:horizontal { width: 14px; margin: -6px 0; background: %1; border-radius: 7px; }
        QSlider::handle:horizontal:focus { background: %5; border: 2px solid %1; }
        QProgressBar { border: 1px solid %4; background: %3; height: 8px; text-align: center; } QProgressBar::chunk { background: %8; }
        QMenuBar, QMenu { background: %2; } QMenuBar::item:selected, QMenu::item:selected { background: %6; }
        QSplitter::handle { background: %2; }
    )")
        .arg(ink.name(), ground.name(), raised.name(), line.name(), quiet.name(), shelf.name(), panel.name(),
            quiet.name(), QString::number(type::kText), faint.name());
}

QFont typeface(int pixels, bool bold)
{
    QFont f(QStringLiteral("B612"));
    f.setPixelSize(pixels);
    f.setBold(bold);
    return f;
}

const Theme& theme()
{
    return current();
}

void applyTheme(QApplication& application, const Theme& theme)
{
    current() = theme;
    application.setStyleSheet({}); // taking one off and putting one on costs a quarter of changing one
    application.setPalette(theme.palette());
    application.setFont(typeface(type::kText));
    application.setStyleSheet(theme.styleSheet());
    for (QWidget* widget : QApplication::allWidgets()) {
        widget->update();
    }
}

namespace {

constexpr const char* kDarkChosen = "theme/dark"; ///< in the settings

} // namespace

Theme wishedTheme(const QPalette& desktop)
{
    constexpr int kMiddle = 128;
    const bool dark_desktop = desktop.color(QPalette::Window).lightness() < kMiddle;
    return QSettings().value(QLatin1String(kDarkChosen), dark_desktop).toBool() ? Theme::nightRoom()
                                                                                : Theme::paper();
}

void chooseTheme(QApplication& application, const Theme& theme)
{
    applyTheme(application, theme);
    QSettings().setValue(QLatin1String(kDarkChosen), theme.dark);
}

BuiltUnstyled::BuiltUnstyled()
    : sheet_(qApp->styleSheet())
{
    qApp->setStyleSheet({});
}

BuiltUnstyled::~BuiltUnstyled()
{
    qApp->setStyleSheet(sheet_);
}

void loadFonts()
{
    bringInResources();
    pages::loadFonts();
}

} // namespace brumefall::app
