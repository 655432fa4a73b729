/// Places: where, and when, is each note? Watch the pass and mark each note as the car enters its corner.
#pragma once

#include "document/document.h"
#include "widgets/background.h"
#include "widgets/transport.h"
#include "widgets/video_view.h"
#include "widgets/wave_view.h"

#include <QFutureWatcher>
#include <QWidget>

#include <memory>

class QComboBox;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableWidget;

namespace brumefall::app {

class DistancesPanel;
class TrackPanel;
class PassPanel;
class SideTabs;

class PlacesWorkspace : public QWidget {
    Q_OBJECT

public:
    PlacesWorkspace(Document& document, Transport& transport, QWidget* parent = nullptr);
    ~PlacesWorkspace() override;

    /// Marks the current note here, and goes on to the next.
    void markHere();
    void nudge(double by_s);
    void nudgeBack();
    void nudgeOn();
    void removeMark();
    /// Goes on without a mark.
    void skip();
    /// Back to the note before, its mark taken away, the video three seconds before it.
    void goBack();
    /// The proposed place of the current note is good; on to the next.
    void keepDraft();
    /// Takes the marks of the selected notes away and goes to where they begin.
    void markAgain();

    /// A pass of the video in `file`; one that cannot be used is told.
    void takeVideo(const QString& file);
    void takeLog(const QString& file);

    /// What stands on the right.
    enum Side { kNotes, kPass, kTrack, kDistances, kPace };
    [[nodiscard]] TrackPanel& trackPanel() { return *track_; }

private:
    void showPasses();
    void showNotes();
    void showCurrent();
    void loadPeaks();
    void chooseNote(const QString& id);
    void addVideo();
    void goOn(int number);
    [[nodiscard]] QWidget* makeVideoSide();
    [[nodiscard]] QWidget* makeNotesSide();
    [[nodiscard]] const pace::PlacedNote* current() const;

    Document& document_;
    Transport& transport_;
    QComboBox* passes_;
    QLabel* next_;
    QLabel* facts_;
    QTableWidget* table_;
    WaveView* wave_;
    QStackedWidget* side_pages_;
    SideTabs* sides_;
    PassPanel* pass_;
    TrackPanel* track_;
    DistancesPanel* distances_;
    QPushButton* captions_ = nullptr;
    QString asked_for_; ///< a mark that cannot well be, already asked for
    Job reading_; ///< of the sound
    QString peaks_file_;
};

} // namespace brumefall::app
