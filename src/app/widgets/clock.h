/// Times as a co-driver reads them.
#pragma once

#include <QDoubleSpinBox>
#include <QString>

#include <optional>

namespace brumefall::app {

/// "1:02.3", with a minus before go.
[[nodiscard]] QString clockText(double time_s);

/// Seconds from such a text, or from seconds alone ("82.3"); nothing where it is neither.
[[nodiscard]] std::optional<double> secondsOfClock(const QString& text);

/// A moment in a recording, shown and typed as "1:22.35".
class ClockBox : public QDoubleSpinBox {
    Q_OBJECT

public:
    explicit ClockBox(QWidget* parent = nullptr);

protected:
    [[nodiscard]] QString textFromValue(double value) const override;
    [[nodiscard]] double valueFromText(const QString& text) const override;
    [[nodiscard]] QValidator::State validate(QString& text, int& position) const override;
};

} // namespace brumefall::app
