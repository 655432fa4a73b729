#include "media/simulated_reader.h"

#include "media/voice.h"
#include "notes/near_misses.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <optional>
#include <random>

namespace brumefall::media {
namespace {

constexpr double kHesitationPause_s = 0.8;
constexpr double kLeastBreath_s = 0.12;

std::string join(const std::vector<std::string>& words, std::size_t first, std::size_t last)
{
    std::string text;
    for (std::size_t i = first; i < last; ++i) {
        text += (text.empty() ? "" : " ") + words[i];
    }
    return text;
}

/// `spoken` with another direction or grade in it, by `seed`, and which word that is.
struct Misreading {
    std::string words;
    take::Misread misread;
};
std::optional<Misreading> misreadingOf(const std::string& spoken, std::uint32_t seed)
{
    auto words = notes::splitWords(spoken);
    const auto misses = notes::nearMisses(words, notes::Spoken::note);
    std::vector<std::size_t> fits;
    for (std::size_t w = 0; w < words.size(); ++w) {
        if (!misses[w].empty()
            && std::none_of(misses[w].begin(), misses[w].end(), [](const auto& m) { return m.empty(); })) {
            fits.push_back(w);
        }
    }
    if (fits.empty()) {
        return {};
    }
    const std::size_t w = fits[seed % fits.size()];
    const std::string instead = misses[w][seed / 7 % misses[w].size()];
    Misreading out{{}, {instead, words[w], 1.0, false}};
    words[w] = instead;
    out.words = join(words, 0, words.size());
    return out;
}

/// Shift that makes every note of the call late by at least a third of a second.
double lateShift_s(const plan::Plan& plan, const plan::PlannedCall& call)
{
    double shift_s = 0.0;
    for (std::size_t k = call.first; k < call.last; ++k) {
        shift_s = std::max(shift_s, plan.notes[k].window.closes_s - plan.notes[k].end_s + 0.35);
    }
    return shift_s;
}

/// How much longer the call lasts with this fault.
double extra_s(const plan::Plan& plan, const plan::PlannedCall& call, FaultKind kind, std::size_t note)
{
    const plan::PlannedNote& n = plan.notes[note];
    switch (kind) {
    case FaultKind::late: return lateShift_s(plan, call);
    case FaultKind::hesitating: return kHesitationPause_s;
    case FaultKind::stumbling: return 0.6 * n.spoken_s + 0.3;
    case FaultKind::repeating: return n.spoken_s + 0.25;
    case FaultKind::hurried:
    case FaultKind::misreading:
    case FaultKind::skipping: return 0.0;
    }
    return 0.0;
}

class Choice {
public:
    Choice(const plan::Plan& plan, const FaultWish& wish, std::uint32_t seed)
        : plan_(plan)
        , wish_(wish)
        , random_(seed)
        , taken_(plan.calls.size(), false)
    {
    }

    std::vector<Fault> choose()
    {
        pick(FaultKind::late, wish_.late);
        pick(FaultKind::repeating, wish_.repeating);
        pick(FaultKind::hesitating, wish_.hesitating);
        pick(FaultKind::stumbling, wish_.stumbling);
        pick(FaultKind::skipping, wish_.skipping);
        pick(FaultKind::hurried, wish_.hurried);
        pick(FaultKind::misreading, wish_.misreading);
        return std::move(faults_);
    }

private:
    void pick(FaultKind kind, int count)
    {
        std::vector<std::pair<std::size_t, std::size_t>> fits;
        for (std::size_t c = 0; c < plan_.calls.size(); ++c) {
            for (std::size_t k = plan_.calls[c].first; k < plan_.calls[c].last; ++k) {
                if (fitsAt(kind, c, k)) {
                    fits.emplace_back(c, k);
                }
            }
        }
        std::shuffle(fits.begin(), fits.end(), random_);
        for (const auto& [call, note] : fits) {
            if (count == 0) {
                return;
            }
            if (!taken_[call]) {
                taken_[call] = true;
                faults_.push_back({kind, plan_.notes[note].id});
                --count;
            }
        }
    }

    [[nodiscard]] bool fitsAt(FaultKind kind, std::size_t c, std::size_t k) const
    {
        const plan::PlannedCall& call = plan_.calls[c];
        const plan::PlannedNote& note = plan_.notes[k];
        if (call.start_s < wish_.from_s || call.end_s > wish_.to_s || note.status != plan::Status::on_time) {
            return false;
        }
        const bool last_note = k + 1 == call.last;
        const bool first_note = k == call.first;
        const auto words = static_cast<long>(notes::splitWords(note.spoken).size());
        if (kind == FaultKind::late && !first_note) {
            return false;
        }
        const bool needs_words = kind == FaultKind::hesitating || kind == FaultKind::stumbling;
        if ((needs_words && words < 3) || (kind == FaultKind::skipping && words < 2)) {
            return false;
        }
        if (kind == FaultKind::misreading && !misreadingOf(note.spoken, 0)) {
            return false;
        }
        const bool needs_room =
            kind != FaultKind::skipping && kind != FaultKind::hurried && kind != FaultKind::misreading;
        if (!needs_room) {
            return true;
        }
        const double extra = extra_s(plan_, call, kind, k);
        const double next_s = c + 1 < plan_.calls.size() ? plan_.calls[c + 1].start_s : 1e9;
        const bool stays_alone = call.end_s + extra + 0.3 < next_s;
        if (kind == FaultKind::late) {
            return stays_alone && extra < 6.0;
        }
        // this note and the rest of its call must stay inside their windows all the same
        const std::size_t first_hit = kind == FaultKind::repeating ? k + 1 : k;
        for (std::size_t j = first_hit; j < call.last; ++j) {
            if (plan_.notes[j].end_s + extra + 0.1 > plan_.notes[j].window.closes_s) {
                return false;
            }
        }
        return stays_alone && (last_note || kind != FaultKind::repeating);
    }

    const plan::Plan& plan_;
    const FaultWish& wish_;
    std::mt19937 random_;
    std::vector<bool> taken_;
    std::vector<Fault> faults_;
};

/// Puts spoken pieces on a time line.
class Speaker {
public:
    /// With `uneven_s` 0 every note is said at its moment, whatever went before.
    Speaker(const plan::Plan& plan, const std::vector<Fault>& faults, std::uint32_t seed, double from_s,
        double uneven_s)
        : plan_(plan)
        , random_(seed)
        , from_s_(from_s)
        , uneven_s_(uneven_s)
    {
        for (const Fault& fault : faults) {
            faults_[fault.note] = fault.kind;
        }
        out_.from_s = from_s;
        out_.faults = faults;
        out_.sound.rate_hz = kVoiceRate_hz;
    }

    void readCall(const plan::PlannedCall& call)
    {
        double shift_s = uneven_s_ > 0.0 ? std::normal_distribution(0.0, uneven_s_)(random_) : 0.0;
        for (std::size_t k = call.first; k < call.last; ++k) {
            if (const auto it = faults_.find(plan_.notes[k].id);
                it != faults_.end() && it->second == FaultKind::late) {
                shift_s += lateShift_s(plan_, call);
            }
        }
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& note = plan_.notes[k];
            readNote(note, k + 1 < call.last ? note.gap_after_s : call.end_s - note.end_s, shift_s);
        }
    }

    void readLineUp()
    {
        for (const auto& note : plan_.line_up) {
            speak(note.spoken, note.end_s - note.start_s, note.start_s - from_s_);
        }
    }

    Reading finish() { return std::move(out_); }

private:
    /// `after_s` is how long the distance after the note sounds.
    void readNote(const plan::PlannedNote& note, double after_s, double& shift_s)
    {
        take::FoundNote truth;
        truth.id = note.id;
        const auto fault = faults_.find(note.id);
        const auto has = [&](FaultKind kind) { return fault != faults_.end() && fault->second == kind; };
        if (has(FaultKind::skipping)) {
            out_.truth.push_back(std::move(truth));
            return;
        }
        std::string spoken = note.spoken;
        if (has(FaultKind::misreading)) {
            if (const auto misreading = misreadingOf(spoken, static_cast<std::uint32_t>(random_()))) {
                spoken = misreading->words;
                truth.misread.push_back(misreading->misread);
            }
        }
        const auto words = notes::splitWords(spoken);
        double at_s = note.start_s + shift_s - from_s_;
        if (uneven_s_ > 0.0) {
            at_s = std::max(at_s, free_s_);
        }
        const double length_s = has(FaultKind::hurried) ? 0.75 * note.spoken_s : note.spoken_s;
        if (has(FaultKind::stumbling)) {
            at_s = speak(join(words, 0, words.size() - 1), 0.6 * length_s, at_s) + 0.2;
            truth.restarted = true;
        }
        truth.read = true;
        truth.span.start_s = at_s;
        if (has(FaultKind::hesitating)) {
            const std::size_t half = words.size() / 2;
            const double share = static_cast<double>(half) / static_cast<double>(words.size());
            const double paused_s = speak(join(words, 0, half), length_s * share, at_s);
            at_s = speak(
                join(words, half, words.size()), length_s * (1.0 - share), paused_s + kHesitationPause_s);
            truth.hesitations.push_back({paused_s, paused_s + kHesitationPause_s});
        } else {
            at_s = speak(spoken, length_s, at_s);
        }
        truth.span.end_s = at_s;
        if (has(FaultKind::repeating)) {
            const double again_s = at_s + 0.2;
            at_s = speak(note.spoken, length_s, again_s);
            truth.repeats.push_back({again_s, at_s});
        }
        if (!note.spoken_after.empty()) {
            constexpr double kBetween_s = 0.02;
            at_s = speak(note.spoken_after, std::max(0.15, after_s - kBetween_s), at_s + kBetween_s);
        }
        if (uneven_s_ == 0.0) {
            shift_s = 0.0;
        } else {
            shift_s = std::max(shift_s, at_s + from_s_ - (note.end_s + note.gap_after_s));
        }
        shift_s = has(FaultKind::late) || shift_s > 0.0 ? shift_s : 0.0;
        free_s_ = at_s + kLeastBreath_s * (note.spoken_after.empty() ? 0.0 : 1.0);
        out_.truth.push_back(std::move(truth));
    }

    /// Mixes `text` in at `at_s`; returns when it ends.
    double speak(const std::string& text, double length_s, double at_s)
    {
        VoiceStyle style;
        style.pitch = 45 + std::uniform_int_distribution(-4, 4)(random_);
        const Sound said = say(text, length_s, style);
        const auto first = static_cast<std::size_t>(std::max(0.0, at_s) * kVoiceRate_hz);
        auto& samples = out_.sound.samples;
        if (samples.size() < first + said.samples.size()) {
            samples.resize(first + said.samples.size(), 0);
        }
        for (std::size_t i = 0; i < said.samples.size(); ++i) {
            const int mixed = samples[first + i] + said.samples[i];
            samples[first + i] = static_cast<std::int16_t>(std::clamp(mixed, -32768, 32767));
        }
        return at_s + said.duration_s();
    }

    const plan::Plan& plan_;
    std::mt19937 random_;
    double from_s_;
    double uneven_s_;
    double free_s_ = 0.0;
    std::map<std::string, FaultKind> faults_;
    Reading out_;
};

} // namespace

std::vector<Fault> chooseFaults(const plan::Plan& plan, const FaultWish& wish, std::uint32_t seed)
{
    return Choice(plan, wish, seed).choose();
}

namespace {

void readCalls(Speaker& speaker, const plan::Plan& plan, double from_s, double to_s, const Progress& progress)
{
    for (std::size_t c = 0; c < plan.calls.size(); ++c) {
        const auto& call = plan.calls[c];
        if (call.start_s >= from_s && call.start_s < to_s) {
            speaker.readCall(call);
        }
        if (progress && !progress(static_cast<double>(c + 1) / static_cast<double>(plan.calls.size()))) {
            break;
        }
    }
}

} // namespace

Reading readAloud(const plan::Plan& plan, const std::vector<Fault>& faults, std::uint32_t seed, double from_s,
    double to_s, const Progress& progress)
{
    constexpr double kHuman_s = 0.03;
    Speaker speaker(plan, faults, seed, from_s, kHuman_s);
    readCalls(speaker, plan, from_s, to_s, progress);
    return speaker.finish();
}

Reading readAsPlanned(const plan::Plan& plan, const Progress& progress)
{
    const double from_s = plan.line_up.empty() ? 0.0 : std::min(0.0, plan.line_up.front().start_s);
    Speaker speaker(plan, {}, 0, from_s, 0.0);
    speaker.readLineUp();
    readCalls(speaker, plan, from_s, std::numeric_limits<double>::max(), progress);
    return speaker.finish();
}

std::string toString(FaultKind kind)
{
    static constexpr std::array kNames{
        "late", "hurried", "hesitating", "skipping", "stumbling", "repeating", "misreading"};
    return kNames.at(static_cast<std::size_t>(kind));
}

} // namespace brumefall::media
