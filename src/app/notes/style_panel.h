/// The crew's language: what the notes show of it, what the crew overrules, and its own words.
#pragma once

#include "document/document.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QTableWidget;

namespace brumefall::app {

class GradeTable;

class StylePanel : public QWidget {
    Q_OBJECT

public:
    explicit StylePanel(Document& document, QWidget* parent = nullptr);

private:
    enum Column { kWritten, kKind, kMeans };

    void show_();
    void chooseReadyMade(int index);
    void takeChoices();
    void takeWords();
    void addWord();
    void removeWord();
    void exportStyle();
    void importStyle();

    Document& document_;
    QComboBox* ready_made_;
    QComboBox* order_;
    QComboBox* scale_;
    QComboBox* hundreds_;
    QLabel* evidence_;
    QTableWidget* words_;
    GradeTable* grades_;
    bool showing_ = false;
};

} // namespace brumefall::app
