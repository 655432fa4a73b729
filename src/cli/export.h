/// Stages as files of other kinds, and out of packages.
#pragma once

namespace brumefall::cli {

/// The suffix of `--to` chooses.
int runExport(int argc, char** argv);

int runUnpack(int argc, char** argv);

} // namespace brumefall::cli
