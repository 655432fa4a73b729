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

} // namespace brumefall::app
