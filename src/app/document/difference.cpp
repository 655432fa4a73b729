#include "document/difference.h"

#include <utility>

namespace brumefall::app {
namespace {

/// `value` as a value that others may have, too: `shared` where it is the same.
template <typename Value>
std::shared_ptr<const Value> sharing(Value value, std::shared_ptr<const Value>& shared)
{
    if (shared == nullptr || !(*shared == value)) {
        shared = std::make_shared<const Value>(std::move(value));
    }
    return shared;
}

stage::Stage withoutText(stage::Stage stage)
{
    stage.text.clear();
    stage.known.clear();
    stage.raw.clear(); // nothing changes it
    return stage;
}

pace::Pass withoutMarks(pace::Pass pass)
{
    pass.marks.clear();
    pass.trace.clear();
    return pass;
}

} // namespace

StageDifference::StageDifference(
    const stage::Stage& before, const stage::Stage& after, std::shared_ptr<const stage::Stage>& shared)
    : text_(before.text, after.text)
    , known_(before.known, after.known)
    , before_(sharing(withoutText(before), shared))
    , after_(sharing(withoutText(after), shared))
{
}

void StageDifference::apply(stage::Stage& stage, bool after) const
{
    auto text = std::move(stage.text);
    auto known = std::move(stage.known);
    auto raw = std::move(stage.raw);
    text_.apply(text, after);
    known_.apply(known, after);
    stage = after ? *after_ : *before_;
    stage.text = std::move(text);
    stage.known = std::move(known);
    stage.raw = std::move(raw);
}

PassDifference::PassDifference(
    const pace::Pass& before, const pace::Pass& after, std::shared_ptr<const pace::Pass>& shared)
    : marks_(before.marks, after.marks)
    , trace_(before.trace, after.trace)
    , before_(sharing(withoutMarks(before), shared))
    , after_(sharing(withoutMarks(after), shared))
{
}

void PassDifference::apply(pace::Pass& pass, bool after) const
{
    auto marks = std::move(pass.marks);
    auto trace = std::move(pass.trace);
    marks_.apply(marks, after);
    trace_.apply(trace, after);
    pass = after ? *after_ : *before_;
    pass.marks = std::move(marks);
    pass.trace = std::move(trace);
}

} // namespace brumefall::app
