/// A position log for the pass: read, cleaned, laid to the video's clock, and what it says of the notes'
/// places.
#pragma once

#include "document/document.h"
#include "pace/csv_log.h"
#include "pace/log.h"
#include "widgets/transport.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;
class QTableWidget;

namespace brumefall::app {

class TrackPanel : public QWidget {
    Q_OBJECT

public:
    TrackPanel(Document& document, Transport& transport, QWidget* parent = nullptr);

    /// Reads a log; what is wrong with it is told in the window.
    void load(const QString& file);

private:
    void chooseFile();
    void showColumns();
    void takeColumns();
    void clean();
    void fit();
    void use();
    void propose();
    void showTrip(double stage_s);

    Document& document_;
    Transport& transport_;
    QString file_;
    pace::LogTable table_;
    pace::Log log_;
    std::optional<pace::CleanLog> clean_;
    pace::LogFit fit_;
    double stood_s_ = 0.0; ///< where the car came to a stand in the video, from go; 0 where it was not shown
    QLabel* facts_;
    QTableWidget* preview_;
    QComboBox* by_;
    QPushButton* use_;
    QPushButton* propose_;
    QLabel* trip_;
    bool showing_ = false;
};

} // namespace brumefall::app
