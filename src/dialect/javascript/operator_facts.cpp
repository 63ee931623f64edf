// The operators of JavaScript, and how tightly they bind: ECMA-262, 13.

#include "expression.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr computed::OperatorFact infix_operators[] = {
    {"**", computed::Operation::power, 14, true},
    {"*", computed::Operation::multiply, 13},
    {"/", computed::Operation::divide, 13},
    {"%", computed::Operation::remainder, 13},
    {"+", computed::Operation::add, 12},
    {"-", computed::Operation::subtract, 12},
    {"<<", computed::Operation::shift_left, 11},
    {">>", computed::Operation::shift_right, 11},
    {">>>", computed::Operation::shift_right_plain, 11},
    {"<", computed::Operation::less, 10},
    {"<=", computed::Operation::at_most, 10},
    {">", computed::Operation::more, 10},
    {">=", computed::Operation::at_least, 10},
    {"==", computed::Operation::equal, 9},
    {"!=", computed::Operation::unequal, 9},
    {"===", computed::Operation::same, 9},
    {"!==", computed::Operation::not_same, 9},
    {"&", computed::Operation::bits_and, 8},
    {"^", computed::Operation::bits_differ, 7},
    {"|", computed::Operation::bits_or, 6},
    {"&&", computed::Operation::both, 5},
    {"||", computed::Operation::either, 4},
    {"?\?", computed::Operation::if_nil, 3},
    {"++", computed::Operation::none},
    {"--", computed::Operation::none},
    {"=", computed::Operation::none},
    {"=>", computed::Operation::none},
    {"+=", computed::Operation::none},
    {"-=", computed::Operation::none},
    {"*=", computed::Operation::none},
    {"/=", computed::Operation::none},
    {"%=", computed::Operation::none},
    {"**=", computed::Operation::none},
    {"<<=", computed::Operation::none},
    {">>=", computed::Operation::none},
    {">>>=", computed::Operation::none},
    {"&=", computed::Operation::none},
    {"|=", computed::Operation::none},
    {"^=", computed::Operation::none},
    {"&&=", computed::Operation::none},
    {"||=", computed::Operation::none},
    {"?\?=", computed::Operation::none},
};
constexpr computed::OperatorFact prefix_operators[] = {{"-", computed::Operation::negate},
                                                       {"+", computed::Operation::keep},
                                                       {"!", computed::Operation::deny},
                                                       {"~", computed::Operation::complement}};

}  // namespace

const computed::Grammar operators = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  return out;
}();

}  // namespace inky::inline v1::javascript
