/// Plan: when must each note be spoken? Calls, windows and action points on one axis, in time or along the
/// road.
#pragma once

#include "document/document.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"

#include <QWidget>

#include <string>
#include <utility>
#include <vector>

class QLabel;
class QPushButton;
class QStackedWidget;

namespace brumefall::app {

class AdvicePanel;
class CalibrationPanel;
class DriverPanel;
class SideTabs;
class WhatIfPanel;

class PlanWorkspace : public QWidget {
    Q_OBJECT

public:
    PlanWorkspace(Document& document, Transport& transport, QWidget* parent = nullptr);

private:
    [[nodiscard]] QWidget* makePicture();
    [[nodiscard]] QWidget* makeHands();
    [[nodiscard]] QWidget* makeAdvice();
    void showPlan();
    void showChosen();
    void showStretch();
    void showWhatIf();
    void toggleAxis();
    void calibrate(bool open);
    void proposeBreaths();
    /// Moves the chosen call, and stops at the ends of its windows on the way.
    void moveCall(double by_s);
    void releaseCall();
    /// Moves the wished lead of the chosen note, of the stretch, or with `whole_call` of the call.
    void shiftLead(double by_s, bool whole_call);
    /// Goes to the note after or before; with `extend` the notes between become a stretch.
    void goOn(int by, bool extend);
    void extendTo(const QString& id);
    void forgetStretch();
    /// The chosen notes in the plan, [first, last); the chosen note alone where there is no stretch.
    [[nodiscard]] std::pair<std::size_t, std::size_t> chosenNotes() const;
    [[nodiscard]] const plan::PlannedNote* chosenNote() const;
    [[nodiscard]] std::size_t indexOf(const std::string& id) const;

    Document& document_;
    Transport& transport_;
    GapView* gap_;
    QLabel* summary_;
    QLabel* chosen_;
    QPushButton* axis_ = nullptr;
    QStackedWidget* pages_; ///< the picture, or a minute of reading
    QStackedWidget* side_pages_;
    SideTabs* sides_;
    DriverPanel* people_;
    AdvicePanel* advice_;
    WhatIfPanel* what_if_;
    CalibrationPanel* calibration_;
    std::string stretch_from_; ///< the other end of the stretch; empty where only one note is chosen
    std::string stretch_to_; ///< the end that is the chosen note, while there is a stretch
};

} // namespace brumefall::app
