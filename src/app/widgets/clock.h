/// Times as a co-driver reads them.
#pragma once

#include <QString>

namespace brumefall::app {

/// "1:02.3", with a minus before go.
[[nodiscard]] QString clockText(double time_s);

} // namespace brumefall::app
