/// Notes and words that go wrong again and again, with what could be said instead; and a diary.
#pragma once

#include "document/document.h"
#include "log/trouble.h"

#include <QWidget>

class QLabel;
class QPushButton;
class QTableWidget;

namespace brumefall::app {

class TroublePage : public QWidget {
    Q_OBJECT

public:
    explicit TroublePage(Document& document, QWidget* parent = nullptr);
    void show(const log::Rally& rally, int open, const log::Filter& filter);

signals:
    void noteWanted(const QString& folder, const QString& note);

private:
    void openChosen();
    void sayEasier();
    /// What could be said of the chosen note instead; empty where nothing may go, or its stage is not open.
    [[nodiscard]] QString offerFor(int row) const;
    void showOffer();

    Document& document_;
    QTableWidget* notes_;
    QTableWidget* words_;
    QLabel* says_;
    QPushButton* easier_ = nullptr;
    const log::Rally* rally_ = nullptr;
    int open_ = -1;
    std::vector<log::TroubleNote> trouble_;
};

/// A line a session, the latest first.
class DiaryPage : public QWidget {
    Q_OBJECT

public:
    explicit DiaryPage(QWidget* parent = nullptr);
    void show(const log::Rally& rally, const log::Filter& filter);

private:
    QTableWidget* table_;
};

} // namespace brumefall::app
