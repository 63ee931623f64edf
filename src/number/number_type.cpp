#include "number/number_type.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

std::string decimal(bool negative, uint128 magnitude) {
  WholeRoom room;
  std::string out(negative ? "-" : "");
  return out.append(write_whole(magnitude, 10, Letters::lower, room));
}

std::string decimal(uint128 bits, int width, bool is_signed) {
  if (!is_signed) return decimal(false, wrap_unsigned(static_cast<int128>(bits), width));
  const int128 value = wrap_signed(bits, width);
  return decimal(value < 0, magnitude_of(value));
}

// The magnitude of the end of the range on that side.
uint128 limit(const NumberType& type, bool negative) {
  if (!type.is_signed) {
    return negative ? 0 : wrap_unsigned(-1, type.width);
  }
  const uint128 half = uint128{1} << (type.width - 1);
  return negative ? half : half - 1;
}

}  // namespace

const NumberType* number_type_named(std::string_view name) {
  const auto* found = std::find_if(number_types.begin(), number_types.end(),
                                   [&](const NumberType& type) { return type.name == name; });
  return found == number_types.end() ? nullptr : found;
}

bool fits(const SignedNatural& value, const NumberType& type) {
  const bool negative = value.negative && !value.magnitude.is_zero();
  return value.magnitude.bit_length() <= 128 && value.magnitude.low_bits() <= limit(type, negative);
}

std::string lowest_whole(const NumberType& type) {
  return decimal(type.is_signed, limit(type, true));
}

std::string highest_whole(const NumberType& type) {
  return decimal(false, limit(type, false));
}

StoredWhole store_whole(const SignedNatural& value, const NumberType& type) {
  const uint128 low = value.magnitude.low_bits();
  const uint128 bits = value.negative ? uint128{0} - low : low;
  const bool negative = value.negative && !value.magnitude.is_zero();
  StoredWhole out;
  out.fits = fits(value, type);
  out.bits = wrap_unsigned(static_cast<int128>(bits), type.width);
  out.wrapped = decimal(bits, type.width, type.is_signed);
  out.saturated = out.fits ? out.wrapped : negative ? lowest_whole(type) : highest_whole(type);
  return out;
}

std::string reinterpreted(uint128 bits, const NumberType& type) {
  return decimal(bits, type.width, !type.is_signed);
}

}  // namespace inky::inline v1
