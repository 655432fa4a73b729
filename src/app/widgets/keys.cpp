#include "widgets/keys.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QAbstractSlider>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QKeySequence>
#include <QLineEdit>
#include <QMenu>
#include <QPlainTextEdit>
#include <QTextEdit>

#include <algorithm>
#include <array>

namespace brumefall::app {
namespace {

bool isEnter(int key)
{
    return key == Qt::Key_Return || key == Qt::Key_Enter;
}

/// One line of text; its Enter means that it is finished.
bool isLine(const QWidget* widget)
{
    const auto* line = qobject_cast<const QLineEdit*>(widget);
    return (line != nullptr && !line->isReadOnly())
        || qobject_cast<const QAbstractSpinBox*>(widget) != nullptr;
}

bool takesText(const QWidget* widget)
{
    const auto* plain = qobject_cast<const QPlainTextEdit*>(widget);
    const auto* rich = qobject_cast<const QTextEdit*>(widget);
    return isLine(widget) || (plain != nullptr && !plain->isReadOnly())
        || (rich != nullptr && !rich->isReadOnly());
}

/// Lists, sliders and boxes that go up and down by themselves.
bool goesUpAndDown(const QWidget* widget)
{
    return qobject_cast<const QAbstractItemView*>(widget) != nullptr
        || qobject_cast<const QAbstractSlider*>(widget) != nullptr
        || qobject_cast<const QComboBox*>(widget) != nullptr
        || qobject_cast<const QTextEdit*>(widget) != nullptr
        || qobject_cast<const QPlainTextEdit*>(widget) != nullptr;
}

/// Whether a key with these modifiers could be text, or moves within it.
bool isText(const QKeyEvent& event)
{
    const bool function = event.key() >= Qt::Key_F1 && event.key() <= Qt::Key_F12;
    const bool command = event.modifiers().testFlag(Qt::ControlModifier)
        && (isEnter(event.key()) || (event.key() >= Qt::Key_A && event.key() <= Qt::Key_Z));
    return !function && !command && !event.modifiers().testFlag(Qt::AltModifier);
}

/// Keys that may be held down: they move by a little.
bool repeats(int key)
{
    constexpr std::array kSteps{Qt::Key_Left, Qt::Key_Right, Qt::Key_Up, Qt::Key_Down, Qt::Key_Comma,
        Qt::Key_Period, Qt::Key_Plus, Qt::Key_Minus};
    return std::find(kSteps.begin(), kSteps.end(), key) != kSteps.end();
}

} // namespace

KeyBinding::KeyBinding(QWidget* place, QKeyCombination key, const QString& does, std::function<void()> act,
    QAbstractButton* button)
    : QObject(place)
    , key_(key)
    , does_(does)
    , act_(std::move(act))
    , button_(button)
{
}

QWidget* KeyBinding::place() const
{
    return static_cast<QWidget*>(parent());
}

void bindKey(QWidget* place, QKeyCombination key, const QString& does, std::function<void()> act,
    QAbstractButton* button)
{
    new KeyBinding(place, key, does, std::move(act), button);
}

void bindButton(QAbstractButton* button, QKeyCombination key)
{
    bindKey(
        button, key, button->text(), [button] { button->click(); }, button);
    button->setText(QStringLiteral("%1 (%2)").arg(button->text(), keyName(key)));
}

QString keyName(QKeyCombination key)
{
    QString name = QKeySequence(key).toString();
    for (const auto& [word, sign] : {std::pair(QStringLiteral("Left"), QStringLiteral("\u2190")),
             std::pair(QStringLiteral("Right"), QStringLiteral("\u2192")),
             std::pair(QStringLiteral("Up"), QStringLiteral("\u2191")),
             std::pair(QStringLiteral("Down"), QStringLiteral("\u2193")),
             std::pair(QStringLiteral("Return"), QObject::tr("Enter"))}) {
        name.replace(word, sign);
    }
    return name;
}

std::vector<const KeyBinding*> keysNow(const QWidget* window)
{
    std::vector<const KeyBinding*> now;
    for (const KeyBinding* binding : window->findChildren<KeyBinding*>()) {
        if (binding->place()->isVisible()) {
            now.push_back(binding);
        }
    }
    return now;
}

KeyRule::KeyRule(QWidget* window)
    : QObject(window)
    , window_(window)
{
    QApplication::instance()->installEventFilter(this);
}

KeyRule::~KeyRule()
{
    if (QApplication::instance() != nullptr) {
        QApplication::instance()->removeEventFilter(this);
    }
}

bool KeyRule::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() != QEvent::KeyPress || asleep_ || !watched->isWidgetType()) {
        return false;
    }
    const auto& key = *static_cast<QKeyEvent*>(event);
    auto* at = static_cast<QWidget*>(watched);
    if (QWidget* popup = QApplication::activePopupWidget()) {
        const bool workspace = key.key() >= Qt::Key_F1 && key.key() <= Qt::Key_F6;
        if (!workspace || qobject_cast<QMenu*>(popup) != nullptr) {
            return false; // an open list or menu has its own keys
        }
        popup->close();
        return act(window_, key);
    }
    return at->window() == window_ && QApplication::activeModalWidget() == nullptr && act(at, key);
}

bool KeyRule::act(QWidget* at, const QKeyEvent& event)
{
    QWidget* focus = QApplication::focusWidget();
    const bool typing = (takesText(focus) && focus->window() == window_) || takesText(at);
    if (typing && isText(event)) {
        QWidget* text = takesText(focus) ? focus : at;
        const bool in_a_row = text->parentWidget() != nullptr
            && qobject_cast<QAbstractItemView*>(text->parentWidget()->parentWidget()) != nullptr;
        if (!in_a_row && (event.key() == Qt::Key_Escape || (isEnter(event.key()) && isLine(text)))
            && !event.modifiers().testFlag(Qt::ControlModifier) && !text->property("keepsFocus").toBool()) {
            // the text takes it first, then gives the focus back
            QMetaObject::invokeMethod(this, &KeyRule::left, Qt::QueuedConnection);
        }
        return false;
    }
    if (focus != nullptr && focus->window() == window_ && actOnFocus(focus, event)) {
        return true;
    }
    const auto plain = event.modifiers() & ~(Qt::KeypadModifier | Qt::GroupSwitchModifier);
    const bool steps = event.key() == Qt::Key_Up || event.key() == Qt::Key_Down;
    if (steps && !(plain & Qt::ShiftModifier) && (goesUpAndDown(focus) || goesUpAndDown(at))) {
        return false;
    }
    const QKeyCombination pressed(Qt::KeyboardModifiers(plain), static_cast<Qt::Key>(event.key()));
    // the innermost place last made is asked first: a panel before its workspace
    const auto now = keysNow(window_);
    const auto bound = std::find_if(now.rbegin(), now.rend(), [&](const KeyBinding* binding) {
        return binding->key() == pressed && (binding->button() == nullptr || binding->button()->isEnabled());
    });
    if (bound == now.rend()) {
        return false;
    }
    if (!event.isAutoRepeat() || repeats(event.key())) {
        (*bound)->press();
    }
    return true;
}

bool KeyRule::actOnFocus(QWidget* focus, const QKeyEvent& event)
{
    if (!isEnter(event.key()) || (event.modifiers() & ~Qt::KeypadModifier) != Qt::NoModifier
        || event.isAutoRepeat()) {
        return false;
    }
    if (auto* button = qobject_cast<QAbstractButton*>(focus)) {
        button->click();
        return true;
    }
    if (auto* box = qobject_cast<QComboBox*>(focus); box != nullptr && !box->isEditable()) {
        box->showPopup();
        return true;
    }
    return false;
}

} // namespace brumefall::app
