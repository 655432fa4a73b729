/// Drivers' wishes kept by name, a file for each, to be used on any stage and carried elsewhere.
#pragma once

#include "plan/people.h"

#include <QString>

#include <utility>
#include <vector>

namespace brumefall::app {

/// The folder of the files, "drivers" in the application's own data.
[[nodiscard]] QString driversFolder();

/// All that can be read, by name; a file that cannot is left out.
[[nodiscard]] std::vector<std::pair<QString, plan::Driver>> loadDrivers();

/// Throws formats::FormatError.
void saveDriver(const QString& name, const plan::Driver& driver);

} // namespace brumefall::app
