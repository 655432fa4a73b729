/// One rule for keys, for the whole window.
///
/// A letter acts wherever no text is being typed; Enter presses the focused button, opens the focused list
/// box and the chosen row; Space plays everywhere but in text; Tab leaves every list; up and down stay with
/// the list, slider or box that has the focus. A key belongs to a place (a workspace, a panel) and acts while
/// that place is on the screen, wherever the focus is.
#pragma once

#include <QKeyCombination>
#include <QObject>
#include <QString>

#include <functional>
#include <vector>

class QAbstractButton;
class QKeyEvent;
class QWidget;

namespace brumefall::app {

/// What a key does while `place`, its parent, is seen. Belongs to the place.
class KeyBinding : public QObject {
    Q_OBJECT

public:
    KeyBinding(QWidget* place, QKeyCombination key, const QString& does, std::function<void()> act,
        QAbstractButton* button);

    [[nodiscard]] QKeyCombination key() const { return key_; }
    [[nodiscard]] const QString& does() const { return does_; } ///< in words, for the list of keys
    [[nodiscard]] QWidget* place() const;
    [[nodiscard]] QAbstractButton* button() const { return button_; } ///< that it presses; may be null
    void press() const { act_(); }

private:
    QKeyCombination key_;
    QString does_;
    std::function<void()> act_;
    QAbstractButton* button_;
};

/// `key` acts while `place` is seen; `button` is the one that it stands for, where there is one.
void bindKey(QWidget* place, QKeyCombination key, const QString& does, std::function<void()> act,
    QAbstractButton* button = nullptr);

/// `key` presses `button` while it is seen and can be pressed; the button says so after its words.
void bindButton(QAbstractButton* button, QKeyCombination key);

/// As it stands on a control: "Ctrl+J", "\u2190", "M".
[[nodiscard]] QString keyName(QKeyCombination key);

/// The bindings that act in `window` now, in the order that they were made.
[[nodiscard]] std::vector<const KeyBinding*> keysNow(const QWidget* window);

/// Carries the rule out in `window`, from when it is made.
class KeyRule : public QObject {
    Q_OBJECT

public:
    explicit KeyRule(QWidget* window);
    ~KeyRule() override;

    /// Off while something stands in front of everything else.
    void setAsleep(bool asleep) { asleep_ = asleep; }

signals:
    void left(); ///< text was finished (Enter) or left (Esc): the workspace has the focus again

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    [[nodiscard]] bool act(QWidget* at, const QKeyEvent& event);
    [[nodiscard]] bool actOnFocus(QWidget* focus, const QKeyEvent& event);

    QWidget* window_;
    bool asleep_ = false;
};

} // namespace brumefall::app
