#include "media/cepstra.h"

#include "media/condense.h"
#include "media/speech_decoder.h"

extern "C" {
#include <sphinxbase/cmd_ln.h>
#include <sphinxbase/err.h>
#include <sphinxbase/fe.h>
}

#include <algorithm>

namespace brumefall::media {

FrontEnd::FrontEnd(Of what)
{
    err_set_logfp(nullptr);
    cmd_ln_t* config = cmd_ln_init(nullptr, fe_get_args(), TRUE, "-remove_silence", "no", nullptr);
    if (what == Of::voices) { // as the acoustic model has them
        cmd_ln_set_boolean_r(config, "-remove_noise", FALSE);
        cmd_ln_set_str_r(config, "-transform", "dct");
        cmd_ln_set_int32_r(config, "-nfilt", 25);
        cmd_ln_set_float32_r(config, "-lowerf", 130.0);
        cmd_ln_set_float32_r(config, "-upperf", 6800.0);
    }
    const auto lock = frontEndLock();
    front_end_ = fe_init_auto_r(config); // keeps its own reference
    cmd_ln_free_r(config);
}

FrontEnd::~FrontEnd()
{
    fe_free(front_end_);
}

std::vector<take::Cepstra> FrontEnd::cepstraOf(std::span<const std::int16_t> samples)
{
    const auto width = static_cast<std::size_t>(fe_get_output_size(front_end_));
    const std::size_t most = samples.size() / kFrame + 2; // the end may give one more
    std::vector<mfcc_t> values(most * width);
    std::vector<mfcc_t*> rows(most);
    for (std::size_t i = 0; i < most; ++i) {
        rows[i] = values.data() + i * width;
    }
    const std::int16_t* at = samples.data();
    std::size_t left = samples.size();
    auto frames = static_cast<int32>(most) - 1;
    fe_start_stream(front_end_);
    fe_start_utt(front_end_);
    fe_process_frames(front_end_, &at, &left, rows.data(), &frames, nullptr);
    std::vector<take::Cepstra> out(static_cast<std::size_t>(frames));
    for (std::size_t i = 0; i < out.size(); ++i) {
        std::copy_n(rows[i] + 1, take::kCepstra, out[i].begin());
    }
    int32 more = 0;
    fe_end_utt(front_end_, rows[out.size()], &more);
    return out;
}

} // namespace brumefall::media
