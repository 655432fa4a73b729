/// Log: am I getting better, what next? The rally, tonight's list, takes, trends, trouble and a diary.
#pragma once

#include "document/document.h"
#include "log/rally_reader.h"
#include "log/tonight.h"
#include "log/trends.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QStackedWidget;

namespace brumefall::app {

class BoardPage;
class DiaryPage;
class SideTabs;
class TakesPage;
class TonightPage;
class TrendsPage;
class TroublePage;

class LogWorkspace : public QWidget {
    Q_OBJECT

public:
    explicit LogWorkspace(Document& document, QWidget* parent = nullptr);

    enum Page { kTonight, kBoard, kTakes, kTrends, kTrouble, kDiary };
    void showPage(Page page);
    /// What was begun of tonight's list is done, with what came of it, or was left off.
    [[nodiscard]] bool isDrilling() const;
    void drillDone(const QString& result);
    void drillLeft();

signals:
    void takeChosen(const QString& name); ///< of the open stage
    void takeWanted(const QString& folder, const QString& take);
    void noteWanted(const QString& folder, const QString& note);
    void stageWanted(const QString& folder);
    void drillWanted(const brumefall::log::DrillStretch& drill);

protected:
    void showEvent(QShowEvent* event) override;

private:
    QLayout* makeHead();
    void readAnew();
    void showTakes();
    void showRally();
    void sayNext();
    void listPasses();
    void exportTable(bool as_json);
    [[nodiscard]] log::Filter filter() const;

    Document& document_;
    RallyReader reader_;
    QLabel* next_;
    QComboBox* readers_;
    QComboBox* passes_;
    QCheckBox* whole_;
    QStackedWidget* pages_;
    SideTabs* tabs_;
    TonightPage* tonight_;
    BoardPage* board_;
    TakesPage* takes_;
    TrendsPage* trends_;
    TroublePage* trouble_;
    DiaryPage* diary_;
};

} // namespace brumefall::app
