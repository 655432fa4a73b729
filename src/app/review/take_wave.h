/// The sound of a take under the picture of the gap.
#pragma once

#include "media/sound.h"
#include "take/take.h"
#include "widgets/gap_view.h"

#include <QWidget>

namespace brumefall::app {

/// The recording's waveform, on the same axis as the gap picture above it.
class TakeWave : public QWidget {
    Q_OBJECT

public:
    explicit TakeWave(GapView& gap, QWidget* parent = nullptr);
    void setPeaks(media::Peaks peaks, const take::Clock& clock);

protected:
    void paintEvent(QPaintEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    GapView& gap_;
    double shown_from_s_ = 0.0;
    double shown_to_s_ = 0.0;
    media::Peaks peaks_;
    take::Clock clock_;
};

} // namespace brumefall::app
