/// Differences of two stages, and of two passes: what a change that can be taken back keeps of them.
#pragma once

#include "stage/stage.h"

#include <algorithm>
#include <cstddef>
#include <memory>
#include <string>
#include <vector>

namespace brumefall::app {

/// A run of elements in place of another one.
template <typename Sequence> class Splice {
public:
    Splice() = default;
    Splice(const Sequence& before, const Sequence& after)
    {
        const auto shorter = std::min(before.size(), after.size());
        std::size_t last = 0;
        while (at_ < shorter && before[at_] == after[at_]) {
            ++at_;
        }
        while (last < shorter - at_ && before[before.size() - 1 - last] == after[after.size() - 1 - last]) {
            ++last;
        }
        const auto from = static_cast<std::ptrdiff_t>(at_);
        const auto to = static_cast<std::ptrdiff_t>(last);
        before_.assign(before.begin() + from, before.end() - to);
        after_.assign(after.begin() + from, after.end() - to);
    }

    /// `sequence` is what was before, where it becomes what is after; or the other way.
    void apply(Sequence& sequence, bool after) const
    {
        const Sequence& from = after ? before_ : after_;
        const Sequence& to = after ? after_ : before_;
        const auto first = sequence.begin() + static_cast<std::ptrdiff_t>(at_);
        sequence.erase(first, first + static_cast<std::ptrdiff_t>(from.size()));
        sequence.insert(sequence.begin() + static_cast<std::ptrdiff_t>(at_), to.begin(), to.end());
    }

private:
    std::size_t at_ = 0;
    Sequence before_;
    Sequence after_;
};

/// The text and the ids as differences; all else as it was and is, which changes that leave it alone share
/// through `shared`.
class StageDifference {
public:
    StageDifference(
        const stage::Stage& before, const stage::Stage& after, std::shared_ptr<const stage::Stage>& shared);
    void apply(stage::Stage& stage, bool after) const;

private:
    Splice<std::string> text_;
    Splice<std::vector<notes::KnownNote>> known_;
    std::shared_ptr<const stage::Stage> before_;
    std::shared_ptr<const stage::Stage> after_;
};

/// The same of a pass, whose marks and trace are long.
class PassDifference {
public:
    PassDifference(
        const pace::Pass& before, const pace::Pass& after, std::shared_ptr<const pace::Pass>& shared);
    void apply(pace::Pass& pass, bool after) const;

private:
    Splice<std::vector<pace::Mark>> marks_;
    Splice<std::vector<pace::Knot>> trace_;
    std::shared_ptr<const pace::Pass> before_;
    std::shared_ptr<const pace::Pass> after_;
};

} // namespace brumefall::app
