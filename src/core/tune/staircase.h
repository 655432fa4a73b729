/// Homes in on the lead that a driver wishes, by what the driver says while hearing the calls: up and down in
/// steps that are halved wherever the answer turns.
///
/// Levitt, Transformed up-down methods in psychoacoustics, Journal of the Acoustical Society of America 49
/// (1971), 467-477.
#pragma once

#include <optional>
#include <vector>

namespace brumefall::tune {

enum class Said { earlier, later };

/// One class of notes. Leads in seconds.
class Staircase {
public:
    explicit Staircase(double lead_s)
        : lead_s_(lead_s)
    {
    }

    /// The driver wants such a note earlier, or later, than at the present lead.
    void press(Said said);
    /// Such a note was heard and nothing was said of it.
    void pass();

    /// The lead to try next.
    [[nodiscard]] double lead_s() const { return lead_s_; }
    [[nodiscard]] int presses() const { return presses_; }
    [[nodiscard]] int turns() const { return static_cast<int>(turns_s_.size()); }
    /// Enough was heard: the answer turned often enough, or the last step was let pass often enough.
    [[nodiscard]] bool isSettled() const;
    /// What the driver wishes; nothing before the first press.
    [[nodiscard]] std::optional<double> estimate_s() const;

private:
    double lead_s_;
    double step_s_ = 0.4;
    std::optional<Said> last_;
    std::vector<double> turns_s_; ///< leads between which the answer turned
    int presses_ = 0;
    int passed_ = 0; ///< notes since the last press
};

} // namespace brumefall::tune
