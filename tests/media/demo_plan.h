/// The demo stage's plan, for tests that read it aloud.
#pragma once

#include "stage/stage.h"

#include <algorithm>
#include <filesystem>
#include <vector>

inline const std::filesystem::path kDemo = DEMO_FOLDER;

inline brumefall::plan::Plan demoPlan()
{
    const auto stage = brumefall::stage::readStage(kDemo / "stage.brumefall");
    const auto pass = brumefall::stage::readPass(kDemo / "passes" / "stage.json");
    return brumefall::stage::prepare(stage, &pass).plan;
}

inline double median(std::vector<double> values)
{
    std::sort(values.begin(), values.end());
    return values.empty() ? 0.0 : values[values.size() / 2];
}
