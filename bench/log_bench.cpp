// A rally of thirty stages with sixty takes each: how soon its board is there, and tonight's list after it.

#include "log/rally.h"
#include "log/tonight.h"

#include <chrono>
#include <cstdio>
#include <filesystem>

int main()
{
    using namespace brumefall;
    namespace fs = std::filesystem;
    using Clock = std::chrono::steady_clock;
    const fs::path demo = DEMO_FOLDER;
    const fs::path rally_folder = fs::temp_directory_path() / "brumefall-log-bench";
    fs::remove_all(rally_folder);
    constexpr int kStages = 30;
    constexpr int kTakes = 60;
    for (int s = 0; s < kStages; ++s) {
        const fs::path folder = rally_folder / ("stage " + std::to_string(s));
        fs::create_directories(folder / "takes");
        fs::copy(demo / "stage.brumefall", folder);
        fs::copy(demo / "passes", folder / "passes", fs::copy_options::recursive);
        for (int t = 0; t < kTakes; ++t) {
            fs::copy(demo / "takes" / "2030-03-07 20.14.05.json",
                folder / "takes" / (std::to_string(t) + ".json"));
        }
    }
    const auto seconds = [](Clock::duration d) { return std::chrono::duration<double>(d).count(); };
    const auto began = Clock::now();
    const auto rally = log::readRally(rally_folder);
    const auto there = Clock::now();
    const auto list = log::tonight(rally, 60.0, "2030-03-10T19:00:00");
    const auto listed = Clock::now();
    std::printf("%zu stages, %zu takes each: board %.2f s, tonight %.0f ms after (%zu stretches)\n",
        rally.stages.size(), rally.stages.front().takes.size(), seconds(there - began),
        1000.0 * seconds(listed - there), list.size());
    fs::remove_all(rally_folder);
    return 0;
}
