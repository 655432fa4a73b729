/// One run over the stage as recorded, and the place in metres and seconds that it gives every note.
#pragma once

#include "notes/note.h"
#include "pace/car_models.h"
#include "pace/pace.h"
#include "road/layout.h"

#include <optional>
#include <span>
#include <string>
#include <vector>

namespace brumefall::pace {

/// Ties a note to a time in the pass's media.
struct Mark {
    std::string note;
    double media_s = 0.0;
    bool draft = false; ///< a proposal, from captions or a log, that nobody has confirmed
    double sure_s = 1.0; ///< of a proposal: one standard deviation

    bool operator==(const Mark&) const = default;
};

/// The file that a pass was recorded in; referenced, never changed.
struct Media {
    std::string path; ///< relative to the stage folder
    double duration_s = 0.0;
    long long size_bytes = 0;

    bool operator==(const Media&) const = default;
};

/// A run over the stage. Times are seconds in the media; the trace is seconds from go over metres.
struct Pass {
    std::string name;
    std::string kind; ///< "stage" or "recce"
    std::string car;
    std::string weather;
    std::string remark; ///< anything the crew wants to remember of this run
    Media media;
    double in_s = 0.0;
    double out_s = 0.0; ///< 0 for the end of the media
    double go_s = 0.0;
    std::optional<double> finish_s;
    std::vector<Mark> marks;
    std::vector<Knot> trace;
    int turned_deg = 0; ///< by hand, clockwise: 0, 90, 180 or 270
    std::string log; ///< where the trace was read from and how it was laid to the video; empty without

    bool operator==(const Pass&) const = default;
};

/// Where a note is: metres and seconds from go. `sure_s` is one standard deviation of the time.
struct PlacedNote {
    std::string id;
    double station_m = 0.0;
    double arrive_s = 0.0;
    double sure_s = 0.0;
    bool marked = false;
    bool draft = false; ///< by a mark that nobody has confirmed
};

/// The stage in one pass: its pace, and each note of the road on it, in road order.
struct Placement {
    Pace pace;
    std::vector<PlacedNote> notes;
    std::vector<std::string> warnings; ///< marks that contradict order, and the like
};

/// Places the notes of `road` by the marks and the trace of `pass`; with neither, by the predicted pace.
[[nodiscard]] Placement place(const road::Road& road, const Pass& pass, const CarModel& car = {});

/// Places the notes by the rehearsal pace alone.
[[nodiscard]] Placement placeByPrediction(const road::Road& road, const Rehearsal& rehearsal);

/// `dry` as it would be on a wet road: at every place slower by as much as the rehearsal pace of `road` is.
[[nodiscard]] Placement asIfWet(const road::Road& road, const Placement& dry, Rehearsal rehearsal);

} // namespace brumefall::pace
