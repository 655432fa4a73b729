/// The voice rail as a cascade: every note of a call on a row of its own, its words upright and whole, a bar
/// under them as long as it takes to say; the next call at the top again. Rows that do not fit wrap.
#pragma once

#include "widgets/gap_scene.h"

#include <QRectF>
#include <QString>

#include <vector>

namespace brumefall::app {

inline constexpr double kInset = 3.0; ///< from where a note begins to its first letter

/// One note of the plan in the cascade, in pixels.
struct CascadeNote {
    std::size_t note = 0; ///< of the plan
    std::size_t call = 0;
    QRectF words; ///< where they stand; empty where there is no room to show them whole
    QString own; ///< its own words
    QString after; ///< the distance said after it
    int letter_size = 0;
    QRectF bar; ///< from its first syllable to its last, as planned
    QRectF read_bar; ///< the same as read, in a take; where it was missed, as planned
    QRectF beside_bar; ///< the same in another take; empty where there is none
};

/// The notes of the scene's plan that have something in `rect`, in their order. Where a note stands does not
/// depend on how far the picture has moved along, only on how near it is.
[[nodiscard]] std::vector<CascadeNote> cascadeOf(const GapScene& scene, const QRectF& rect);

} // namespace brumefall::app
