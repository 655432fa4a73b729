/// What is said of the last thing done, and under it what goes on in the background.
#pragma once

#include <QLabel>

namespace brumefall::app {

class MessageLine : public QWidget {
    Q_OBJECT

public:
    explicit MessageLine(QWidget* parent = nullptr);

    [[nodiscard]] QString text() const { return said_->text(); }
    /// In the place of what was said before; nothing takes that away.
    void say(const QString& text);
    /// What came out in the background does not take away what one may be reading.
    void sayAlso(const QString& text);
    /// Stays until it is let go, whatever is done meanwhile.
    void sayAndKeep(const QString& text);
    void letGo();
    /// Takes away what was said before the present event.
    void drop();
    /// `what` goes on; nothing where it is over.
    void setGoesOn(const QString& what);

private:
    QLabel* said_;
    QLabel* goes_on_;
    bool is_new_ = false;
    bool stays_ = false;
};

} // namespace brumefall::app
