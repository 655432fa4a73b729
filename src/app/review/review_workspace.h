/// Review: what happened, and why? Planned and read calls over the sound, a row a note with its verdict.
#pragma once

#include "document/document.h"
#include "read/take_recorder.h"
#include "review/by_hand_bar.h"
#include "review/driver_remarks.h"
#include "review/reading_import.h"
#include "review/rhythm_panel.h"
#include "review/take_wave.h"
#include "review/tuning_panel.h"
#include "review/verdict_model.h"
#include "widgets/background.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"
#include "widgets/video_view.h"

#include <QWidget>

#include <optional>

class QComboBox;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableView;

namespace brumefall::app {

class ReviewWorkspace : public QWidget {
    Q_OBJECT

public:
    [[nodiscard]] ReadingImport& import() { return *import_; }
    ReviewWorkspace(
        Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent = nullptr);

    void showTake(const QString& name);
    [[nodiscard]] const stage::Take* take() const { return take_ ? &*take_ : nullptr; }

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QLayout* makeHead();
    QLayout* makeFaults();
    void makeTable();
    void fillTakes();
    void showWorst();
    void sayFigures();
    void loadSound();
    void chooseNote(const QString& id, bool play);
    void goToFault(int step);
    void filter();
    /// The page that is shown under the picture: the notes, or what a button of the head stands for.
    void showPage(QWidget* page);
    void fillBeside();
    void compareWith(const QString& take);
    void playFrom(double from_s, double to_s);
    void sayNote(int row);
    [[nodiscard]] Faults shownFaults() const;

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    QComboBox* takes_;
    QLabel* summary_;
    QLabel* figures_;
    QLabel* why_;
    GapView* gap_;
    VideoView* video_;
    TakeWave* wave_;
    QTableView* table_;
    VerdictModel* model_;
    RhythmPanel* rhythm_;
    TuningPanel* tuning_;
    ByHandBar* by_hand_;
    DriverRemarks* remarks_ = nullptr;
    ReadingImport* import_;
    QWidget* tuning_page_ = nullptr;
    QStackedWidget* pages_;
    QPushButton* judge_;
    QPushButton* tune_ = nullptr;
    QPushButton* rhythm_button_ = nullptr;
    QComboBox* faults_;
    QComboBox* beside_;
    std::optional<stage::Take> take_;
    bool seen_ = false; ///< the take was looked at: where one is in it is not changed any more
    media::Sound sound_;
    Job loading_;
};

} // namespace brumefall::app
