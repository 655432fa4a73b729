/// Review: what happened, and why? Planned and read calls over the sound, a row a note with its verdict.
#pragma once

#include "document/document.h"
#include "read/take_recorder.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"

#include <QAbstractTableModel>
#include <QWidget>

#include <optional>

class QComboBox;
class QLabel;
class QPushButton;
class QTableView;

namespace brumefall::app {

/// One row for each note of a take.
class VerdictModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column { kNumber, kVerdict, kNote, kWords, kLead, kMetres, kAhead, kBeside, kColumns };

    using QAbstractTableModel::QAbstractTableModel;
    void show(const stage::Take* take);
    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    [[nodiscard]] const take::Verdict* verdict(int row) const;
    [[nodiscard]] int rowOf(const QString& note) const;

private:
    const stage::Take* take_ = nullptr;
    QStringList numbers_; ///< of the rows, as they are shown
};

/// The recording's waveform, on the same axis as the gap picture above it.
class TakeWave : public QWidget {
    Q_OBJECT

public:
    explicit TakeWave(GapView& gap, QWidget* parent = nullptr);
    void setPeaks(media::Peaks peaks, const take::Clock& clock);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    GapView& gap_;
    media::Peaks peaks_;
    take::Clock clock_;
};

class ReviewWorkspace : public QWidget {
    Q_OBJECT

public:
    ReviewWorkspace(
        Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent = nullptr);

    void showTake(const QString& name);
    [[nodiscard]] const stage::Take* take() const { return take_ ? &*take_ : nullptr; }

private:
    void fillTakes();
    void chooseNote(const QString& id, bool play);
    void remark(const QString& says);

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    QComboBox* takes_;
    QLabel* summary_;
    QLabel* figures_;
    GapView* gap_;
    TakeWave* wave_;
    QTableView* table_;
    VerdictModel* model_;
    QPushButton* judge_;
    std::optional<stage::Take> take_;
    media::Sound sound_;
};

} // namespace brumefall::app
