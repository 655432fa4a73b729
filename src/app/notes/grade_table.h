/// How each of the crew's grades is bent: radius and turned angle, as usual or as this crew drives them.
#pragma once

#include "document/document.h"

#include <QTableWidget>

namespace brumefall::app {

class GradeTable : public QTableWidget {
    Q_OBJECT

public:
    explicit GradeTable(Document& document, QWidget* parent = nullptr);

    /// The grades that the notes have, and those with sizes of their own, tightest first.
    void refresh();

private:
    enum Column { kGrade, kRadius, kAngle, kColumns };
    void takeSize(QTableWidgetItem* changed);
    void addRow(const notes::Grade& grade, const road::Grades& grades);

    Document& document_;
    bool showing_ = false;
};

} // namespace brumefall::app
