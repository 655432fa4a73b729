/// What the takes of a stage say about its driver and its reader.
#pragma once

#include "stage/stage.h"
#include "tune/leads.h"

#include <array>
#include <functional>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::tune {

/// The reader as fitted from own full takes.
struct ReaderFit {
    plan::Reader reader;
    double spread_s =
        0.0; ///< one standard deviation of a note's end about the plan, the take's own drift taken out
    int takes = 0;
};

/// How a class's lead would change, and what with it.
struct ClassChange {
    ClassFit fit;
    double before_s = 0.0;
    double metres = 0.0; ///< by how much sooner on the road its notes would end, in the middle
    int moved_calls = 0;
};

struct Tuning {
    std::vector<ClassChange> classes;
    std::optional<ReaderFit> reader; ///< nothing without an own full take
};

/// The remarks of `takes` as evidence, in the order of the takes. `notes` are those of the stage as it is.
[[nodiscard]] std::vector<Evidence> evidenceOf(
    const stage::Stage& stage, const stage::Prepared& prepared, std::span<const stage::Take> takes);

/// How early the notes of a class were read in a take: the middle of their leads, less what the driver's
/// wishes add.
struct ReadLead {
    double lead_s = 0.0;
    int notes = 0;
};
using ReadLeads = std::array<ReadLead, plan::kLeadClasses>;
[[nodiscard]] ReadLeads leadsRead(
    const stage::Stage& stage, const stage::Prepared& prepared, const stage::Take& take);

/// A whole reading by the reader of this stage, no simulated one: what a reader is measured by.
[[nodiscard]] bool isOwnFullTake(const stage::Take& take);

[[nodiscard]] std::optional<ReaderFit> fitReader(
    const plan::Reader& reader, std::span<const stage::Take> takes);

/// All of it; `prepare` plans a changed stage at the pace that `prepared` is planned at.
using Prepare = std::function<stage::Prepared(const stage::Stage&)>;
[[nodiscard]] Tuning tune(const stage::Stage& stage, const stage::Prepared& prepared, const Prepare& prepare,
    std::span<const stage::Take> takes);

} // namespace brumefall::tune
