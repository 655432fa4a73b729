/// Where one note of a line ends and the next begins.
#pragma once

#include "notes/heads.h"

#include <vector>

namespace brumefall::notes {

class Boundaries {
public:
    /// Both must outlive this.
    Boundaries(const AtomLine& line, const std::vector<Head>& heads);

    /// Atom `i` is a distance to the next note.
    [[nodiscard]] bool isDistance(std::size_t i) const { return distance_[i]; }
    /// What atom `i` joins two notes with, none where it is no joining word.
    [[nodiscard]] LinkKind joinerAt(std::size_t i) const;
    /// Where the note of `a` ends and that of `b` begins, when no distance or joining word says it.
    [[nodiscard]] std::size_t cutBetween(const Head& a, const Head& b) const;

private:
    void findDistances();
    [[nodiscard]] bool headBeginsAt(std::size_t i) const;
    [[nodiscard]] bool headBeforeBoundary(std::size_t i) const;
    [[nodiscard]] bool headComesAtOnce(std::size_t i) const;
    [[nodiscard]] bool leadsToThing(std::size_t i) const;
    [[nodiscard]] bool isInto(std::size_t i) const;
    [[nodiscard]] bool isPrefix(std::size_t i) const;
    [[nodiscard]] bool extentLeads(const Head& head) const;

    const AtomLine& line_;
    const std::vector<Head>& heads_;
    std::vector<bool> distance_;
};

} // namespace brumefall::notes
