/// The guide voice of a plan, made in the background.
#pragma once

#include "media/simulated_reader.h"
#include "widgets/background.h"
#include "widgets/transport.h"

namespace brumefall::app {

/// Where the picture runs faster or slower, so does its sound: the voice is made for the picture's own time,
/// as it is `laid`. `done` is given the reading as an Outcome.
template <typename Done>
[[nodiscard]] Job makeGuideVoice(QObject* owner, const plan::Plan& plan, const Transport::Laid& laid,
    Done done, std::function<void(double)> told = {})
{
    auto spoken = plan::spokenIn(plan, [&](double t) { return laid.retiming.toVideo(t); });
    return inBackground(
        owner,
        [plan = std::move(spoken)](
            const media::Progress& progress) { return media::readAsPlanned(plan, progress); },
        std::move(done), std::move(told));
}

} // namespace brumefall::app
