/// The driver watches and hears the calls, and presses earlier or later: the leads move while it goes on, and
/// what was found can be taken over.
#pragma once

#include "document/document.h"
#include "tune/drivers_ear.h"
#include "widgets/background.h"
#include "widgets/transport.h"

#include <QElapsedTimer>
#include <QObject>

#include <optional>

namespace brumefall::app {

class DriversEarSession : public QObject {
    Q_OBJECT

public:
    DriversEarSession(Document& document, Transport& transport, QObject* parent = nullptr);

    /// Plays from `from_s` (stage time) with the guide voice.
    void begin(double from_s, double rate);
    void end();
    [[nodiscard]] bool isOn() const { return ear_.has_value() && on_; }
    /// Said of the note that was heard last.
    void press(tune::Said said);
    /// What was found; nothing where nothing was said.
    [[nodiscard]] std::optional<plan::Driver> heard() const;
    /// The leads as they stand, in words.
    [[nodiscard]] QString words() const;
    /// The plan that is heard now.
    [[nodiscard]] const plan::Plan& plan() const { return prepared_.plan; }

signals:
    void changed();
    void failed(const QString& why);

private:
    void replan();
    void renewVoice();
    void showTime(double stage_s);
    [[nodiscard]] std::optional<plan::LeadClass> classOf(const std::string& id) const;

    Document& document_;
    Transport& transport_;
    bool on_ = false;
    std::optional<tune::DriversEar> ear_;
    stage::Prepared prepared_;
    std::string heard_last_; ///< the note that ended last
    std::string pressed_; ///< the note of the last press
    std::size_t passed_ = 0; ///< notes of the plan that the car has reached
    Job voice_;
};

} // namespace brumefall::app
