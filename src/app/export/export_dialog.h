/// Everything that the open stage can become, with what there is to choose of each, and its pages as they
/// will be printed.
#pragma once

#include "document/document.h"
#include "export/export_stage.h"
#include "widgets/background.h"

#include <QDialog>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QProgressBar;
class QPushButton;
class QSpinBox;
class QStackedWidget;

namespace brumefall::app {

class PagesPreview;

class ExportDialog : public QDialog {
    Q_OBJECT

public:
    enum Kind { kPages, kTrack, kVideo, kCaptions, kTable, kFigures, kText, kWayPoints, kPackage };
    static constexpr int kKinds = kPackage + 1;

    explicit ExportDialog(Document& document, QWidget* parent = nullptr);
    void choose(Kind kind);
    [[nodiscard]] bool isWriting() const { return writing_; }

private:
    void makePages();
    void makeVoiceForm();
    void makeOthers();
    void showKind();
    void showPages();
    void ask();
    void write(const QString& file);
    void finish(const QString& file, const Outcome<std::vector<std::string>>& outcome);
    void print();
    void say(const QString& words);
    [[nodiscard]] Kind kind() const;
    [[nodiscard]] QString suffix() const;
    [[nodiscard]] exporting::ExportWish wish() const;

    Document& document_;
    pages::BookWish book_;
    QListWidget* kinds_;
    QStackedWidget* forms_;
    QLabel* about_;
    QLabel* says_;
    QProgressBar* progress_;
    QPushButton* write_;
    QPushButton* print_;
    QPushButton* stop_;
    PagesPreview* preview_ = nullptr;
    QComboBox* paper_ = nullptr;
    QSpinBox* width_ = nullptr;
    QSpinBox* height_ = nullptr;
    QComboBox* binding_ = nullptr;
    QDoubleSpinBox* letters_ = nullptr;
    QComboBox* words_ = nullptr;
    QLineEdit* version_ = nullptr;
    QLabel* turns_ = nullptr;
    QComboBox* track_as_ = nullptr;
    QComboBox* mixed_ = nullptr;
    QComboBox* captions_as_ = nullptr;
    QComboBox* table_ = nullptr;
    QComboBox* media_ = nullptr;
    QComboBox* whole_ = nullptr;
    std::vector<QComboBox*> takes_; ///< one in every form that can have a take
    bool writing_ = false;
    Job job_;
};

} // namespace brumefall::app
