#include "widgets/clock.h"

#include <cmath>

namespace brumefall::app {

QString clockText(double time_s)
{
    const double t = std::round(std::abs(time_s) * 10.0) / 10.0;
    const auto minutes = static_cast<int>(t / 60.0);
    return QStringLiteral("%1%2:%3")
        .arg(time_s < -0.05 ? QStringLiteral("\u2212") : QString())
        .arg(minutes)
        .arg(t - 60.0 * minutes, 4, 'f', 1, QLatin1Char('0'));
}

std::optional<double> secondsOfClock(const QString& text)
{
    const QStringList parts = text.trimmed().split(QLatin1Char(':'));
    double seconds = 0.0;
    for (const QString& part : parts) {
        bool number = false;
        const double value = QString(part).replace(QLatin1Char(','), QLatin1Char('.')).toDouble(&number);
        const bool within = parts.size() == 1 || &part == &parts.front() || value < 60.0;
        if (!number || value < 0.0 || !within || parts.size() > 3) {
            return {};
        }
        seconds = 60.0 * seconds + value;
    }
    return seconds;
}

ClockBox::ClockBox(QWidget* parent)
    : QDoubleSpinBox(parent)
{
    setRange(0.0, 100'000.0);
    setDecimals(2);
    setSingleStep(0.1);
    setKeyboardTracking(false);
}

QString ClockBox::textFromValue(double value) const
{
    const auto hundredths = static_cast<long long>(std::llround(100.0 * value));
    return QStringLiteral("%1:%2.%3")
        .arg(hundredths / 6000)
        .arg(hundredths / 100 % 60, 2, 10, QLatin1Char('0'))
        .arg(hundredths % 100, 2, 10, QLatin1Char('0'));
}

double ClockBox::valueFromText(const QString& text) const
{
    return secondsOfClock(text).value_or(value());
}

QValidator::State ClockBox::validate(QString& text, int&) const
{
    static const QString kMayHold = QStringLiteral("0123456789:., ");
    for (const QChar letter : text) {
        if (!kMayHold.contains(letter) && text != specialValueText()) {
            return QValidator::Invalid;
        }
    }
    return secondsOfClock(text) || text == specialValueText() ? QValidator::Acceptable
                                                              : QValidator::Intermediate;
}

} // namespace brumefall::app
