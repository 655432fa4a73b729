/// How words sound, as phones, and how far apart two runs of phones are.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

namespace brumefall::notes {

/// Phones of the ARPAbet, each by its place in a table.
using Phones = std::vector<std::uint8_t>;

/// "L EH F T" as phones; what is no phone is left out, stress marks are dropped.
[[nodiscard]] Phones phonesOf(std::string_view arpabet);

/// What it costs to hear one run of phones for another: substitutions by how the two are spoken (vowels by
/// height and place, consonants by voice, place and manner), insertions and deletions by how easily they are
/// swallowed. Needleman & Wunsch, Journal of Molecular Biology 48 (1970), 443-453. The other run is given a
/// phone at a time, so that what several begin with is worked out once.
class PhoneDistance {
public:
    explicit PhoneDistance(std::span<const std::uint8_t> phones);
    /// Sets phone `index` of the other run; those before it are set. Returns what all that go on from here
    /// cost at least.
    double set(std::size_t index, std::uint8_t phone);
    /// To the first `count` phones of the other run.
    [[nodiscard]] double to(std::size_t count) const { return rows_[(count + 1) * width_ - 1]; }

private:
    std::span<const std::uint8_t> phones_;
    std::size_t width_;
    std::vector<double> rows_; ///< by phones of the other run, then of this one
};

/// The distance of `a` to `b`; once it is above `most`, something above that.
[[nodiscard]] double phoneDistance(
    std::span<const std::uint8_t> a, std::span<const std::uint8_t> b, double most = 1e9);

class SoundTargets;

/// Pronunciations of words, as a value: read from a recogniser's dictionary by whoever has one. What it lacks
/// is asked of `others`, where that is set, else spelt out by a few rules.
class Pronunciations {
public:
    void add(std::string_view word, std::string_view arpabet);
    void setOthers(std::function<std::string(const std::string&)> arpabet_of)
    {
        others_ = std::move(arpabet_of);
    }
    /// Phones of `word`, in lower case; kept once asked for.
    [[nodiscard]] const Phones& of(const std::string& word) const;
    /// The phrases of the language by these sounds; kept once asked for.
    [[nodiscard]] SoundTargets& targets() const;

private:
    /// A copy, which may go to another thread, makes its own.
    struct Kept {
        Kept() = default;
        Kept(const Kept&) {}
        Kept& operator=(const Kept&)
        {
            targets.reset();
            return *this;
        }
        std::shared_ptr<SoundTargets> targets;
    };
    mutable Kept kept_;
    mutable std::unordered_map<std::string, Phones> words_;
    std::function<std::string(const std::string&)> others_;
};

} // namespace brumefall::notes
