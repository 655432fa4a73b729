/// Where the plan cannot be spoken, why, and what would help; and where to breathe.
#pragma once

#include "document/document.h"

#include <QWidget>

#include <utility>
#include <vector>

class QListWidget;
class QPushButton;

namespace brumefall::app {

class AdvicePanel : public QWidget {
    Q_OBJECT

public:
    explicit AdvicePanel(Document& document, QWidget* parent = nullptr);

    /// Does what the chosen remedy says.
    void acceptRemedy();
    /// Proposes where to breathe in notes [first, last) of the plan; asked once more, takes the proposal.
    void proposeBreaths(std::size_t first, std::size_t last);

signals:
    /// The plan as it would be with the remedy that the user has chosen; null where none is. Stays valid
    /// until the next one.
    void previewed(const plan::Plan* after);
    void breathsWanted(); ///< the button was pressed: the workspace knows the stretch

private:
    void showPlan();
    void addWeakest();
    void preview();
    /// The remedy of the chosen row, null for a heading.
    [[nodiscard]] const plan::Remedy* chosenRemedy() const;
    void addRow(const QString& text, const std::string& note, std::size_t squeeze, std::size_t remedy);
    [[nodiscard]] QString headingOf(const plan::Squeeze& squeeze) const;

    Document& document_;
    QListWidget* list_;
    QPushButton* accept_;
    QPushButton* breaths_;
    std::vector<std::pair<std::size_t, std::size_t>>
        remedy_of_row_; ///< squeeze and remedy; no remedy for a heading
    bool showing_ = false;
    stage::Prepared after_;
    std::vector<bool> proposed_; ///< breaths proposed and not yet taken
};

} // namespace brumefall::app
