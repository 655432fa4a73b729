/// Captions of an onboard as draft notes: what was captioned, what is proposed, how sure it is; taken all,
/// one or none. Nothing is changed silently.
#pragma once

#include "captions/draft.h"
#include "document/document.h"

#include <QTimer>
#include <QWidget>

#include <optional>
#include <set>

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QTableWidget;

namespace brumefall::app {

class CaptionsReview : public QWidget {
    Q_OBJECT

public:
    explicit CaptionsReview(Document& document, QWidget* parent = nullptr);

    /// Throws formats::FormatError.
    void open(const QString& file);
    /// A draft from captions; or from what was heard in `recording`, where there is one.
    void show(captions::Draft draft, const QString& name, const QString& recording = {});
    [[nodiscard]] const captions::Draft& draft() const { return draft_; }

signals:
    void finished();
    /// The notes that were heard in the pass's own recording are the stage's now: it is a reading of them.
    void heardTaken(const QString& recording);

private:
    enum Column { kTake, kTime, kHeard, kProposed, kMended, kSure, kColumns };

    using QWidget::show;
    void showStage();
    void showRow(int row, std::size_t call);
    void takeAll(bool take);
    void lookAtNext();
    /// The other reading of the chosen call's least sure note; once more, and it is as before.
    void takeOther();
    /// The chosen call is right as it stands; on to the next in doubt.
    void confirmCall();
    void showCall(int row);
    void showAgain(std::size_t call);
    [[nodiscard]] std::optional<std::size_t> chosenCall() const; ///< of the draft
    void takeSure();
    void refresh();
    void accept();
    void makeStages();
    [[nodiscard]] const captions::DraftStage& stage() const;
    /// What was heard is a video, and the stage has none yet: it becomes its pass.
    [[nodiscard]] bool makesPass() const;
    void addHeardPass();
    /// The log of positions beside the video that the draft is of; empty where there is none.
    [[nodiscard]] QString logBeside() const;
    /// Moves the draft places to the bends of that log; what came of it, empty for nothing.
    [[nodiscard]] QString sharpenPlaces(bool go_is_known);
    [[nodiscard]] bool isTaken(std::size_t call) const { return !kept_as_heard_.contains(call); }

    Document& document_;
    captions::Draft draft_;
    QString file_;
    QString recording_; ///< that it was heard in; empty for captions
    std::size_t looked_at_ = 0; ///< calls in doubt
    std::set<std::size_t> kept_as_heard_;
    std::vector<std::size_t> call_of_row_; ///< of the table; kNoCall for talk
    QLabel* head_;
    QComboBox* stages_;
    QTableWidget* table_;
    QCheckBox* places_;
    QLabel* summary_;
    QPushButton* accept_;
    QPushButton* each_ = nullptr; ///< every stage of the recording as one of its own
    QTimer fit_; ///< rows take their height once the columns have their width
    bool showing_ = false;
};

} // namespace brumefall::app
