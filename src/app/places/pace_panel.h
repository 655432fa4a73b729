/// The pace that the stage is rehearsed at: as recorded, along another pass, or the rehearsal pace; and two
/// paces side by side.
#pragma once

#include "document/document.h"
#include "widgets/pace_picture.h"
#include "widgets/transport.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QDoubleSpinBox;

namespace brumefall::app {

/// The picture of PaceScene as a widget: click to go there, Ctrl+wheel to zoom.
class PaceView : public QWidget {
    Q_OBJECT

public:
    PaceView(Document& document, Transport& transport, QWidget* parent = nullptr);
    /// Which pace stands beside the one in view: a pass's name, "rehearsal" or nothing.
    void compareWith(const QString& what);
    [[nodiscard]] const PaceScene& scene() const { return scene_; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    void rebuild();
    [[nodiscard]] double stationAt(double x) const;

    Document& document_;
    Transport& transport_;
    QString compared_;
    pace::Placement other_;
    PaceScene scene_;
};

class PacePanel : public QWidget {
    Q_OBJECT

public:
    PacePanel(Document& document, Transport& transport, QWidget* parent = nullptr);

private:
    void refresh();
    void chooseAlong(int index);
    void takeRehearsal();
    void tellFacts();

    Document& document_;
    PaceView* view_;
    QComboBox* along_;
    QComboBox* compare_;
    QComboBox* car_;
    QComboBox* surface_;
    QCheckBox* wet_;
    QCheckBox* night_;
    QDoubleSpinBox* target_;
    QLabel* facts_;
    bool showing_ = false;
};

} // namespace brumefall::app
