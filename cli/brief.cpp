#include "brief.hpp"

#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"
#include "number/magnitude.hpp"

namespace inky::cli {

std::string brief(std::string_view exact) {
  constexpr int shown = 6;
  constexpr std::size_t most_brief = 40;
  const std::string_view cut = exact.substr(0, exact.find("..."));
  const std::optional<DecimalText> decimal = scan_decimal(cut);
  Digits digits;
  if (!decimal || !typed_digits(*decimal, digits)) return std::string(exact.substr(0, most_brief));
  round_digits(digits, shown, decimal->negative, Rounding::half_even);
  digits.strip_trailing_zeros();
  return plain_text(digits, decimal->negative);
}

std::string brief_size(std::string_view exact) {
  return brief(exact.substr(exact[0] == '-' ? 1 : 0));
}

std::string shortened(std::string text, std::size_t most) {
  if (text.size() > most) text.replace(most - 3, std::string::npos, "...");
  return text;
}

}  // namespace inky::cli
