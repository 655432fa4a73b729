/// One line under the editor: find, replace, and change the numbers of grades.
#pragma once

#include <QWidget>

#include <map>

class QComboBox;
class QLabel;
class QLineEdit;
class QSpinBox;

namespace brumefall::app {

class NotesEditor;

class FindBar : public QWidget {
    Q_OBJECT

public:
    explicit FindBar(NotesEditor& editor, QWidget* parent = nullptr);

    void open();
    void findNext(bool backwards = false);

signals:
    void replaceAllWanted(const QString& what, const QString& by);
    void renumberWanted(const std::map<int, int>& becomes, const QString& name);

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void count();
    void renumber();

    NotesEditor& editor_;
    QLineEdit* find_;
    QLineEdit* replace_;
    QLabel* count_;
    QComboBox* change_;
    QSpinBox* from_;
    QSpinBox* to_;
};

} // namespace brumefall::app
