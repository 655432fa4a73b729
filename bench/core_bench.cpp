// How long the core takes: parsing, planning, identity. Google Benchmark; figures, not tests.

#include "notes/identity.h"
#include "notes/parser.h"
#include "plan/grouping.h"
#include "plan/schedule.h"
#include "stage/stage.h"

#include <benchmark/benchmark.h>

#include <random>

namespace {

using namespace brumefall;

std::string stageText(int notes)
{
    static const char* const kLines[]{"right four long tightens two into left three 60",
        "caution square left 100", "left five over crest 50", "right six 150", "hairpin left opens 40",
        "unseen right three minus don't cut into left two plus 80"};
    std::string text;
    for (int made = 0; made < notes;) {
        const auto& line = kLines[static_cast<std::size_t>(made) % std::size(kLines)];
        text += std::string(line) + "\n";
        made += std::string_view(line).find(" into ") != std::string_view::npos ? 2 : 1;
    }
    return text;
}

void parse(benchmark::State& state)
{
    const auto text = stageText(static_cast<int>(state.range(0)));
    for (auto _ : state) {
        benchmark::DoNotOptimize(notes::parseNotes(text));
    }
    state.SetComplexityN(state.range(0));
}
BENCHMARK(parse)->Arg(1000)->Arg(10000)->Unit(benchmark::kMillisecond)->Complexity(benchmark::oN);

std::vector<plan::CallToPlan> callsToPlan(int notes, double spacing_s)
{
    std::mt19937 random(1);
    std::uniform_real_distribution<double> unit(0.0, 1.0);
    std::vector<plan::CallToPlan> calls;
    double ideal_s = 5.0;
    for (int n = 0; n < notes; ++n) {
        ideal_s += spacing_s * (0.3 + 1.4 * unit(random));
        calls.push_back({{{0.8 + 0.6 * unit(random), ideal_s, 0.5 + unit(random)}}, 1.5, {}});
    }
    return calls;
}

/// range(1): hundredths of a second between notes; at 60 the whole stage is one squeeze.
void schedule(benchmark::State& state)
{
    const auto calls =
        callsToPlan(static_cast<int>(state.range(0)), 0.01 * static_cast<double>(state.range(1)));
    for (auto _ : state) {
        benchmark::DoNotOptimize(plan::schedule(calls, {}));
    }
}
BENCHMARK(schedule)
    ->Args({2000, 300})
    ->Args({20000, 300})
    ->Args({2000, 60})
    ->Args({20000, 60})
    ->Unit(benchmark::kMicrosecond);

/// range(0): kilometres, at a grid of one metre.
void predictedPace(benchmark::State& state)
{
    stage::Stage stage;
    stage.official_length_m = 1000.0 * static_cast<double>(state.range(0));
    stage.text = stageText(static_cast<int>(state.range(0)) * 10);
    const auto road = stage::prepare(stage, nullptr).road;
    for (auto _ : state) {
        benchmark::DoNotOptimize(pace::predictPace(road, {}, 1.0));
    }
}
BENCHMARK(predictedPace)->Arg(40)->Unit(benchmark::kMillisecond);

void replan600(benchmark::State& state)
{
    stage::Stage stage;
    stage.text = stageText(600);
    const auto parsed = stage::understand(stage);
    for (auto _ : state) {
        benchmark::DoNotOptimize(stage::prepare(stage, parsed, nullptr));
    }
}
BENCHMARK(replan600)->Unit(benchmark::kMillisecond);

void wholePlan(benchmark::State& state)
{
    stage::Stage stage;
    stage.text = stageText(static_cast<int>(state.range(0)));
    const auto prepared = stage::prepare(stage, nullptr);
    plan::PlanInput input;
    input.calls = prepared.notes.calls;
    input.placement = &prepared.placement;
    for (auto _ : state) {
        benchmark::DoNotOptimize(plan::makePlan(input));
    }
}
BENCHMARK(wholePlan)->Arg(2000)->Arg(20000)->Unit(benchmark::kMillisecond);

void grouping(benchmark::State& state)
{
    stage::Stage stage;
    stage.text = stageText(static_cast<int>(state.range(0)));
    const auto prepared = stage::prepare(stage, nullptr);
    for (auto _ : state) {
        benchmark::DoNotOptimize(
            plan::proposeGrouping(prepared.plan, stage.reader, 0, prepared.plan.notes.size()));
    }
}
BENCHMARK(grouping)->Arg(2000)->Unit(benchmark::kMillisecond);

void keepIdsAfterAnEdit(benchmark::State& state)
{
    const auto before = notes::rememberNotes(notes::parseNotes(stageText(600)).calls);
    auto edited = notes::parseNotes("left one 30\n" + stageText(600));
    for (auto _ : state) {
        auto calls = edited.calls;
        notes::keepIds(before, calls);
        benchmark::DoNotOptimize(calls);
    }
}
BENCHMARK(keepIdsAfterAnEdit)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
