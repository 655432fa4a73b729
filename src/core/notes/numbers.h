/// Numbers in notes: "one fifty", "a hundred and twenty", and the grade that stands before its direction.
#pragma once

#include "notes/style.h"
#include "notes/tokens.h"

#include <optional>
#include <vector>

namespace brumefall::notes {

[[nodiscard]] bool isDirection(const Token& token);

/// Reads the numbers of one line, whose `tokens` outlive it.
class NumberReader {
public:
    NumberReader(const std::vector<Token>& tokens, Order order)
        : tokens_(tokens)
        , order_(order)
    {
    }

    struct Number {
        int value = 0;
        std::size_t count = 0; ///< of tokens
    };

    /// `NumberClass::none` beyond the end.
    [[nodiscard]] NumberClass classAt(std::size_t i) const;
    [[nodiscard]] bool beginsAt(std::size_t i) const;
    [[nodiscard]] bool isGrade(std::size_t i) const;

    /// The number that begins at token `i`; where a grade is wanted, "one fifty" is a grade and a distance.
    [[nodiscard]] Number read(std::size_t i, bool grade_wanted) const;

    /// Number first: the direction of "four [plus] [long] left" that begins at token `i`.
    [[nodiscard]] std::optional<std::size_t> directionLedTo(std::size_t i) const;

private:
    [[nodiscard]] bool isHundred(std::size_t i) const;
    [[nodiscard]] Number belowHundred(std::size_t i) const;
    [[nodiscard]] Number afterHundred(int value, std::size_t first, std::size_t next) const;

    const std::vector<Token>& tokens_;
    Order order_;
};

} // namespace brumefall::notes
