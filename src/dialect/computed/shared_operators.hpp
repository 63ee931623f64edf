// The operators that several languages write alike and bind alike. What one of them has beside
// these is its own to add.
#pragma once

#include <array>
#include <cstddef>

#include "grammar.hpp"

namespace inky::inline v1::computed {

inline constexpr auto shared_infix = std::to_array<OperatorFact>({
    {"*", Operation::multiply, 13},     {"/", Operation::divide, 13},
    {"%", Operation::remainder, 13},    {"+", Operation::add, 12},
    {"-", Operation::subtract, 12},     {"<<", Operation::shift_left, 11},
    {">>", Operation::shift_right, 11}, {"<", Operation::less, 10},
    {"<=", Operation::at_most, 10},     {">", Operation::more, 10},
    {">=", Operation::at_least, 10},    {"==", Operation::equal, 9},
    {"!=", Operation::unequal, 9},      {"&", Operation::bits_and, 8},
    {"^", Operation::bits_differ, 7},   {"|", Operation::bits_or, 6},
    {"&&", Operation::both, 5},         {"||", Operation::either, 4},
    {"=", Operation::none, 1},          {"+=", Operation::none, 1},
    {"-=", Operation::none, 1},         {"*=", Operation::none, 1},
    {"/=", Operation::none, 1},         {"%=", Operation::none, 1},
    {"&=", Operation::none, 1},         {"|=", Operation::none, 1},
    {"^=", Operation::none, 1},         {"<<=", Operation::none, 1},
    {">>=", Operation::none, 1},        {"++", Operation::none, 1},
    {"--", Operation::none, 1},
});

inline constexpr auto shared_prefix = std::to_array<OperatorFact>({
    {"-", Operation::negate, 14},
    {"+", Operation::keep, 14},
    {"~", Operation::complement, 14},
    {"!", Operation::deny, 14},
    {"++", Operation::none, 14},
    {"--", Operation::none, 14},
});

// The shared operators, and behind them those of one language.
template <std::size_t shared, std::size_t own>
constexpr auto with_own(const std::array<OperatorFact, shared>& facts,
                        const std::array<OperatorFact, own>& more) {
  std::array<OperatorFact, shared + own> out{};
  std::size_t at = 0;
  for (const OperatorFact& fact : facts) out[at++] = fact;
  for (const OperatorFact& fact : more) out[at++] = fact;
  return out;
}

}  // namespace inky::inline v1::computed
