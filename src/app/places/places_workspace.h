/// Places: where, and when, is each note? Watch the pass and mark each note as the car enters its corner.
#pragma once

#include "document/document.h"
#include "widgets/transport.h"
#include "widgets/video_view.h"
#include "widgets/wave_view.h"

#include <QFutureWatcher>
#include <QWidget>

#include <atomic>
#include <memory>

class QComboBox;
class QLabel;
class QTableWidget;

namespace brumefall::app {

class PlacesWorkspace : public QWidget {
    Q_OBJECT

public:
    PlacesWorkspace(Document& document, Transport& transport, QWidget* parent = nullptr);
    ~PlacesWorkspace() override;

    /// Marks the current note here, and goes on to the next.
    void markHere();
    void nudge(double by_s);

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void showPasses();
    void showNotes();
    void showCurrent();
    void loadPeaks();
    void chooseNote(const QString& id);

    Document& document_;
    Transport& transport_;
    QComboBox* passes_;
    QLabel* next_;
    QLabel* facts_;
    QTableWidget* table_;
    WaveView* wave_;
    std::shared_ptr<std::atomic<bool>> cancel_;
    QString peaks_file_;
};

} // namespace brumefall::app
