#include "inky_margin/number/whole.hpp"

#include <algorithm>
#include <cassert>

#include "number/decimal_writing.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view digit_letters[] = {"0123456789abcdefghijklmnopqrstuvwxyz",
                                              "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"};

std::string_view letters_of(Letters letters) {
  return digit_letters[static_cast<std::size_t>(letters)];
}

char* write_bits(std::uint64_t n, int bits, std::string_view letters, char* end) {
  const std::uint64_t mask = (std::uint64_t{1} << bits) - 1;
  do {
    *--end = letters[n & mask];
    n >>= bits;
  } while (n != 0);
  return end;
}

char* write_base(uint128 n, int base, std::string_view letters, char* end) {
  const auto divisor = static_cast<unsigned>(base);
  do {
    *--end = letters[static_cast<std::size_t>(n % divisor)];
    n /= divisor;
  } while (n != 0);
  return end;
}

// The largest power of a base that a limb of 64 bits holds, and how many digits that is.
struct LimbPower {
  std::uint64_t value;
  int digits;
};
LimbPower power_in_limb(int base) {
  const auto factor = static_cast<std::uint64_t>(base);
  LimbPower out = {1, 0};
  while (out.value <= ~std::uint64_t{0} / factor) {
    out.value *= factor;
    ++out.digits;
  }
  return out;
}

int digit_value(char c) {
  if (c >= '0' && c <= '9') return c - '0';
  if (c >= 'a' && c <= 'z') return c - 'a' + 10;
  if (c >= 'A' && c <= 'Z') return c - 'A' + 10;
  return highest_base;
}

int take_base(std::string_view& text) {
  if (text.size() < 3 || text[0] != '0') return 10;
  const char mark = text[1];
  const int base = mark == 'x' || mark == 'X'   ? 16
                   : mark == 'o' || mark == 'O' ? 8
                   : mark == 'b' || mark == 'B' ? 2
                                                : 10;
  if (base != 10) text.remove_prefix(2);
  return base;
}

}  // namespace

std::string_view write_whole(uint128 magnitude, int base, Letters letters, WholeRoom& room) {
  assert(lowest_base <= base && base <= highest_base);
  char* const end = room.data() + room.size();
  char* begin = end;
  if (base == 10 && high_half(magnitude) == 0) {
    const int count = decimal_writing::digit_count(low_half(magnitude));
    begin = end - count;
    decimal_writing::write_padded(begin, low_half(magnitude), count);
  } else if (base == 16 && high_half(magnitude) == 0) {
    begin = write_bits(low_half(magnitude), 4, letters_of(letters), end);
  } else {
    begin = write_base(magnitude, base, letters_of(letters), end);
  }
  return {begin, static_cast<std::size_t>(end - begin)};
}

void append_whole(const Natural& magnitude, int base, Letters letters, std::string& out) {
  const std::size_t start = out.size();
  const LimbPower power = power_in_limb(base);
  Natural rest = magnitude;
  do {
    // As many digits at a time as a limb has.
    std::uint64_t part = rest.divide(power.value);
    for (int i = 0; i < power.digits && (part != 0 || !rest.is_zero()); ++i) {
      out += letters_of(letters)[part % static_cast<unsigned>(base)];
      part /= static_cast<unsigned>(base);
    }
  } while (!rest.is_zero());
  if (out.size() == start) out += '0';
  std::reverse(out.begin() + static_cast<std::ptrdiff_t>(start), out.end());
}

std::optional<SignedNatural> read_whole(std::string_view text) {
  SignedNatural out;
  if (!text.empty() && (text[0] == '-' || text[0] == '+')) {
    out.negative = text[0] == '-';
    text.remove_prefix(1);
  }
  const int base = take_base(text);
  if (text.empty() || text.size() > most_whole_digits) return std::nullopt;
  const LimbPower power = power_in_limb(base);
  while (!text.empty()) {
    std::uint64_t part = 0;
    std::uint64_t scale = 1;
    const std::size_t taken = std::min(text.size(), static_cast<std::size_t>(power.digits));
    for (const char c : text.substr(0, taken)) {
      const int digit = digit_value(c);
      if (digit >= base) return std::nullopt;
      part = part * static_cast<unsigned>(base) + static_cast<unsigned>(digit);
      scale *= static_cast<unsigned>(base);
    }
    out.magnitude.multiply(scale);
    out.magnitude.add(part);
    text.remove_prefix(taken);
  }
  out.negative = out.negative && !out.magnitude.is_zero();
  return out;
}

}  // namespace inky::inline v1
