#include "vector_format.hpp"

#include <algorithm>
#include <limits>

#include "../family/values.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "values.hpp"

namespace inky::inline v1::r_language {

namespace {

// What one number asks of the format that all share: R's scientific().
struct Need {
  int exponent = 0;
  int digits = 1;       // significant ones, without zeros at the end
  bool widens = false;  // rounding to `digits` made it longer, which fixed notation does not
  bool negative = false;
};

Need need_of(const BinaryReal& real, int digits) {
  Need out;
  if (real.is_zero()) return out;
  out.negative = real.negative;
  Digits rounded;
  digits_to_significant(real, digits, Rounding::half_even, rounded);
  rounded.strip_trailing_zeros();
  out.exponent = rounded.point() - 1;
  out.digits = rounded.size();
  constexpr int most_exponent = 22;
  if (digits >= 16 || out.exponent <= 0 || out.exponent > most_exponent) return out;
  // Fixed notation cuts farther to the right, if at all.
  digits_to_places(real, std::clamp(digits - out.exponent, 0, most_exponent), Rounding::half_away,
                   rounded);
  out.widens = rounded.point() <= out.exponent;
  return out;
}

}  // namespace

Shared share(std::span<const std::optional<BinaryReal>> numbers, int digits, int nsmall,
             int penalty) {
  constexpr int most_places = 350;
  int right = 0;
  int left = 1;
  int highest = std::numeric_limits<int>::min();
  int lowest = std::numeric_limits<int>::max();
  int most_digits = 0;
  bool negative = false;
  int special = 0;
  for (const auto& number : numbers) {
    if (!number || !number->is_finite()) {
      const bool minus_infinite = number && number->kind == RealClass::infinite && number->negative;
      special = std::max(special, !number ? 2 : minus_infinite ? 4 : 3);
      continue;
    }
    const Need need = need_of(*number, digits);
    const int whole = need.exponent + 1 - (need.widens ? 1 : 0);
    right = std::max(right, need.digits - need.exponent - 1);
    left = std::max(left, (need.negative ? 1 : 0) + std::max(whole, 1));
    highest = std::max(highest, need.exponent);
    lowest = std::min(lowest, need.exponent);
    most_digits = std::max(most_digits, need.digits);
    negative |= need.negative;
  }
  Shared out;
  if (most_digits > 0) {
    right = std::min(right, most_places);
    const auto fixed_width = [&] { return left + right + (right > 0 ? 1 : 0); };
    const int exponent = highest >= 100 || lowest <= -100 ? 2 : 1;
    out.places = most_digits - 1;
    out.width = (negative ? 1 : 0) + (out.places > 0 ? 1 : 0) + out.places + 4 + exponent;
    out.scientific = fixed_width() > out.width + penalty;
    if (!out.scientific) {
      right = std::max(right, nsmall);
      out.places = right;
      out.width = fixed_width();
    }
  }
  out.width = std::max(out.width, special);
  return out;
}

std::string special_text(const std::optional<BinaryReal>& number) {
  if (!number) return "NA";
  if (number->kind == RealClass::not_a_number) return "NaN";
  return number->negative ? "-Inf" : "Inf";
}

std::string number_text(const std::optional<BinaryReal>& number, const Shared& shared) {
  if (!number || !number->is_finite()) return special_text(number);
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = shared.scientific ? Notation::scientific : Notation::fixed;
  spec.places = shared.places;
  BinaryReal shown = *number;
  if (shown.is_zero()) shown.negative = false;
  TextBuffer out;
  lay_out_real(spec, binary64, shown, number_style, out);
  return out.string();
}

void drop_zeros(char point, std::string& text) {
  const std::size_t at = text.find(point);
  if (at == std::string::npos) return;
  const std::size_t exponent = text.find('e', at);
  const std::size_t last = text.find_last_not_of('0');
  if (exponent == std::string::npos)
    text.resize(last + 1);
  else if (last == exponent + 1 && last + 1 < text.size())
    text.resize(exponent);
  if (text.size() == at + 1) text.pop_back();
}

std::size_t put_marks(const Marks& marks, std::string& text) {
  // A point with nothing after it is dropped.
  if (text.ends_with(marks.point)) text.pop_back();
  const std::size_t end = std::min(text.find(marks.point), text.size());
  const auto interval = static_cast<std::size_t>(marks.interval);
  std::size_t run = 0;
  std::size_t longest = 0;
  for (std::size_t i = 0; i < end; ++i) {
    run = text[i] >= '0' && text[i] <= '9' ? run + 1 : 0;
    longest = std::max(longest, run);
  }
  if (longest <= interval) return 0;
  std::string out;
  std::size_t added = 0;
  const auto is_word = [](char c) {
    return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
  };
  // From the right, as often as a whole group of digits is followed by more.
  std::size_t digits = 0;
  for (std::size_t i = end; i-- > 0;) {
    digits = text[i] >= '0' && text[i] <= '9' ? digits + 1 : 0;
    out.insert(out.begin(), text[i]);
    if (digits == interval) {
      digits = 0;
      if (i > 0 && is_word(text[i - 1])) {
        out.insert(0, marks.mark);
        added += marks.mark.size();
      }
    }
  }
  text.replace(0, end, out);
  return added;
}

int width_of(std::string_view text, WidthUnit unit) {
  int out = static_cast<int>(measure(text, unit));
  for (const char c : text) {
    if (c == '\\' || (c >= 7 && c <= 13))
      out += c == '\\' ? 1 : 2;
    else if ((c >= 0 && c < 0x20) || c == 0x7F)
      out += 4;
  }
  return out;
}

std::string padded_by(std::string_view text, int missing, std::string_view justify) {
  missing = std::max(missing, 0);
  const int before = justify == "right" ? missing : justify == "centre" ? missing / 2 : 0;
  const int after = justify == "none" ? 0 : missing - before;
  return std::string(static_cast<std::size_t>(before), ' ') + std::string(text) +
         std::string(static_cast<std::size_t>(after), ' ');
}

}  // namespace inky::inline v1::r_language
