/// What a pass is: which part of which recording, its go and finish, and what the crew wants to remember of
/// it.
#pragma once

#include "document/document.h"
#include "media/sound.h"
#include "widgets/transport.h"

#include <QWidget>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QLineEdit;

namespace brumefall::app {

class PassPanel : public QWidget {
    Q_OBJECT

public:
    /// `peaks` gives those of the pass's sound, for the clapper; they are empty while they are read.
    PassPanel(Document& document, Transport& transport, std::function<const media::Peaks&()> peaks,
        QWidget* parent = nullptr);

    enum Moment { kIn, kGo, kFinish, kOut, kMoments };
    /// The moment is where the video stands.
    void setHere(Moment moment);
    /// Go is at the sharpest sound near where the video stands.
    void goAtClap();
    /// A quarter clockwise.
    void turnPicture();

private:
    void refresh();
    void setMoment(Moment moment, double media_s);
    void takeWords();
    void relink();

    Document& document_;
    Transport& transport_;
    std::function<const media::Peaks&()> peaks_;
    QLineEdit* name_;
    QComboBox* kind_;
    QLineEdit* car_;
    QLineEdit* weather_;
    QLineEdit* remark_;
    QDoubleSpinBox* moments_[kMoments];
    QLabel* media_;
    bool showing_ = false;
};

} // namespace brumefall::app
