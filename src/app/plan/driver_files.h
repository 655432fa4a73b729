/// Drivers' wishes kept by name, a file for each, to be used on any stage and carried elsewhere.
#pragma once

#include "plan/people.h"

#include <QString>

#include <utility>
#include <vector>

namespace brumefall::app {

using NamedDriver = std::pair<QString, plan::Driver>;

/// The folder of the files, "drivers" in the application's own data.
[[nodiscard]] QString driversFolder();

/// All that can be read, by name; a file that cannot is left out.
[[nodiscard]] std::vector<NamedDriver> loadDrivers();

/// Throws formats::FormatError.
void saveDriver(const QString& name, const plan::Driver& driver);

/// Takes a copy of a driver's file that came from elsewhere, under the file's own name. Throws
/// formats::FormatError.
[[nodiscard]] NamedDriver importDriver(const QString& file);

} // namespace brumefall::app
