/// Plan: when must each note be spoken? Calls, windows and action points on one time axis.
#pragma once

#include "document/document.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"

#include <QWidget>

#include <functional>

class QButtonGroup;
class QComboBox;
class QLabel;
class QListWidget;
class QPushButton;
class QSlider;
class QSpinBox;
class QStackedWidget;
class QVBoxLayout;

namespace brumefall::app {

class PlanWorkspace : public QWidget {
    Q_OBJECT

public:
    PlanWorkspace(Document& document, Transport& transport, QWidget* parent = nullptr);

    /// Does what the chosen remedy says.
    void acceptRemedy();
    /// Proposes where to breathe, for the whole stage; once more to take the proposal.
    void proposeBreaths();
    /// Moves the chosen call, or the wished lead of the chosen note.
    void moveCall(double by_s);
    void shiftLead(double by_s, bool whole_call);
    void measureReader();

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    struct Control {
        QSlider* slider;
        QLabel* value;
        std::function<double()> get;
        double step;
        QString unit;
    };
    void addDriverControl(QVBoxLayout* layout, const QString& name, const char* object_name,
        double plan::Driver::*member, double least, double most, double step, const QString& unit);
    void addControl(QVBoxLayout* layout, const QString& name, const char* object_name,
        std::function<double()> get, std::function<void(double)> set, double least, double most, double step,
        const QString& unit);
    [[nodiscard]] QWidget* makeControls();
    [[nodiscard]] QWidget* makeAdvice();
    void fillProfiles();
    void chooseProfile(int index);
    void saveProfile();
    void showPlan();
    void showSqueezes();
    void showChosen();
    void showWhatIf();
    [[nodiscard]] const plan::PlannedNote* chosenNote() const;

    Document& document_;
    Transport& transport_;
    GapView* gap_;
    QLabel* summary_;
    QLabel* chosen_;
    QListWidget* squeezes_;
    QPushButton* accept_;
    QPushButton* breaths_;
    QPushButton* release_;
    QButtonGroup* sides_;
    QStackedWidget* pages_;
    QComboBox* what_if_;
    QLabel* what_if_facts_;
    QListWidget* moved_;
    QComboBox* profiles_;
    QComboBox* echoes_;
    QSpinBox* line_up_;
    std::vector<std::pair<std::size_t, std::size_t>>
        remedy_of_row_; ///< squeeze and remedy; kNone for its heading
    stage::Prepared other_;
    std::vector<bool> proposed_; ///< breaths proposed and not yet taken
    std::vector<Control> controls_;
};

} // namespace brumefall::app
