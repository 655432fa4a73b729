/// What one chooses before reading: who reads, in which way, how fast, which notes.
#pragma once

#include "document/document.h"
#include "read/practice.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QSpinBox;

namespace brumefall::app {

class PracticeBar : public QWidget {
    Q_OBJECT

public:
    explicit PracticeBar(Document& document, QWidget* parent = nullptr);

    [[nodiscard]] Practice::Wish wish() const;
    [[nodiscard]] bool wantsPrintedPages() const;
    void setWay(take::Way way);
    void setNotes(int first, int last); ///< 1-based; 0: from here, to the end

signals:
    void changed();

private:
    void showWay();
    void fitNotes();

    Document& document_;
    QComboBox* way_;
    QComboBox* rate_;
    QSpinBox* first_;
    QSpinBox* last_;
    QSpinBox* clean_;
    QCheckBox* noise_;
    QCheckBox* printed_;
};

/// What a way of practising is called, and what it is, in a line.
[[nodiscard]] QString nameOf(take::Way way);
[[nodiscard]] QString wordsOf(take::Way way);

} // namespace brumefall::app
