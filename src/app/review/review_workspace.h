/// Review: what happened, and why? Planned and read calls over the sound, a row a note with its verdict.
#pragma once

#include "document/document.h"
#include "media/elsewhere.h"
#include "read/take_recorder.h"
#include "review/tuning_panel.h"
#include "review/verdict_model.h"
#include "widgets/background.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"

#include <QWidget>

#include <optional>

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QStackedWidget;
class QTableView;

namespace brumefall::app {

/// The recording's waveform, on the same axis as the gap picture above it.
class TakeWave : public QWidget {
    Q_OBJECT

public:
    explicit TakeWave(GapView& gap, QWidget* parent = nullptr);
    void setPeaks(media::Peaks peaks, const take::Clock& clock);

protected:
    void paintEvent(QPaintEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    GapView& gap_;
    double shown_from_s_ = 0.0;
    double shown_to_s_ = 0.0;
    media::Peaks peaks_;
    take::Clock clock_;
};

class ReviewWorkspace : public QWidget {
    Q_OBJECT

public:
    ReviewWorkspace(
        Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent = nullptr);

    void showTake(const QString& name);
    [[nodiscard]] const stage::Take* take() const { return take_ ? &*take_ : nullptr; }

private:
    QLayout* makeHead();
    QLayout* makeRemarks();
    void makeTable();
    void fillTakes();
    void sayFigures();
    void loadSound();
    void chooseNote(const QString& id, bool play);
    void goToFault(int step);
    void filter();
    void remark(const QString& says);
    void askForWords(const QString& says);
    void takeWords();
    void importReading();
    void keepReading(const QString& file, const media::Sound& sound, const media::ReadingElsewhere& reading);
    [[nodiscard]] Faults shownFaults() const;

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    QComboBox* takes_;
    QLabel* summary_;
    QLabel* figures_;
    QLabel* why_;
    GapView* gap_;
    TakeWave* wave_;
    QTableView* table_;
    VerdictModel* model_;
    TuningPanel* tuning_;
    QWidget* tuning_page_ = nullptr;
    QStackedWidget* pages_;
    QPushButton* judge_;
    QPushButton* tune_ = nullptr;
    QComboBox* faults_;
    QLineEdit* words_;
    QString words_for_; ///< what the words that are being typed are: reword, other
    std::optional<stage::Take> take_;
    media::Sound sound_;
    Job loading_;
    Job importing_;
};

} // namespace brumefall::app
