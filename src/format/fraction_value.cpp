#include "fraction_value.hpp"

#include <string>

namespace inky::inline v1 {

namespace {

Value whole_value(const Integer& number) {
  return *read_typed(Type::big, number.str());
}

Integer integer_in(const Value& whole) {
  return integer_of(whole.as_big());
}

}  // namespace

Value fraction_value(const Rational& number) {
  return Value::fraction(whole_value(numerator(number)), whole_value(denominator(number)));
}

Rational rational_of(const Value& fraction) {
  return Rational(integer_in(fraction.as_list()[0]), integer_in(fraction.as_list()[1]));
}

std::string fraction_text(const Value& fraction) {
  return describe(fraction.as_list()[0]) + "/" + describe(fraction.as_list()[1]);
}

}  // namespace inky::inline v1
