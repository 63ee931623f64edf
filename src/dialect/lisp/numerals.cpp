#include "numerals.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1::lisp {

namespace {

constexpr std::array<std::string_view, 10> ones = {"",     "one", "two",   "three", "four",
                                                   "five", "six", "seven", "eight", "nine"};
constexpr std::array<std::string_view, 10> teens = {"ten",      "eleven",  "twelve",  "thirteen",
                                                    "fourteen", "fifteen", "sixteen", "seventeen",
                                                    "eighteen", "nineteen"};
constexpr std::array<std::string_view, 10> tens = {"",      "",      "twenty",  "thirty", "forty",
                                                   "fifty", "sixty", "seventy", "eighty", "ninety"};
constexpr std::array<std::string_view, 10> ordinal_ones = {
    "", "first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth"};
constexpr std::array<std::string_view, 10> ordinal_tens = {
    "",         "tenth",    "twentieth",  "thirtieth", "fortieth",
    "fiftieth", "sixtieth", "seventieth", "eightieth", "ninetieth"};
constexpr auto periods = std::to_array<std::string_view>({"",
                                                          " thousand",
                                                          " million",
                                                          " billion",
                                                          " trillion",
                                                          " quadrillion",
                                                          " quintillion",
                                                          " sextillion",
                                                          " septillion",
                                                          " octillion",
                                                          " nonillion",
                                                          " decillion",
                                                          " undecillion",
                                                          " duodecillion",
                                                          " tredecillion",
                                                          " quattuordecillion",
                                                          " quindecillion",
                                                          " sexdecillion",
                                                          " septendecillion",
                                                          " octodecillion",
                                                          " novemdecillion",
                                                          " vigintillion"});

// Below a thousand.
void append_small(int number, std::string& out) {
  const auto hundreds = static_cast<std::size_t>(number / 100);
  const auto rest = static_cast<std::size_t>(number % 100);
  if (hundreds > 0) (out += ones[hundreds]) += rest > 0 ? " hundred " : " hundred";
  if (rest >= 20) {
    out += tens[rest / 10];
    if (rest % 10 > 0) (out += '-') += ones[rest % 10];
  } else {
    out += rest >= 10 ? teens[rest - 10] : ones[rest];
  }
}

int number_of(std::string_view digits) {
  int out = 0;
  for (const char c : digits) out = out * 10 + (c - '0');
  return out;
}

// The magnitude in words, nothing for zero; false where it has no name.
bool append_cardinal(std::string_view digits, std::string& out) {
  digits.remove_prefix(std::min(digits.find_first_not_of('0'), digits.size()));
  if (digits.size() > 3 * periods.size()) return false;
  bool begun = false;
  while (!digits.empty()) {
    const std::size_t size = (digits.size() - 1) % 3 + 1;
    const std::size_t period = (digits.size() - size) / 3;
    const int group = number_of(digits.substr(0, size));
    digits.remove_prefix(size);
    if (group == 0) continue;
    if (begun) out += ' ';
    append_small(group, out);
    out += periods[period];
    begun = true;
  }
  return true;
}

}  // namespace

std::optional<std::string> cardinal(std::string_view digits, bool negative) {
  std::string out = negative ? "negative " : "";
  if (digits.find_first_not_of('0') == std::string_view::npos) return "zero";
  if (!append_cardinal(digits, out)) return std::nullopt;
  return out;
}

std::optional<std::string> ordinal(std::string_view digits, bool negative) {
  std::string out = negative ? "negative " : "";
  const std::size_t before = out.size();
  std::string hundreds(digits);
  const std::size_t from = hundreds.size() > 2 ? hundreds.size() - 2 : 0;
  const auto rest = static_cast<std::size_t>(number_of(digits.substr(from)));
  std::fill(hundreds.begin() + static_cast<std::ptrdiff_t>(from), hundreds.end(), '0');
  if (!append_cardinal(hundreds, out)) return std::nullopt;
  const bool has_hundreds = out.size() > before;
  if (rest == 0) return out + (has_hundreds ? "th" : "zeroth");
  if (has_hundreds) out += ' ';
  if (rest == 12)
    out += "twelfth";
  else if (rest / 10 == 1)
    (out += teens[rest - 10]) += "th";
  else if (rest < 10)
    out += ordinal_ones[rest];
  else if (rest % 10 == 0)
    out += ordinal_tens[rest / 10];
  else
    ((out += tens[rest / 10]) += '-') += ordinal_ones[rest % 10];
  return out;
}

std::string roman(int number, bool old) {
  struct Numeral {
    int value;
    std::string_view letters;
    bool subtracts;
  };
  constexpr Numeral numerals[] = {{1000, "M", false}, {900, "CM", true}, {500, "D", false},
                                  {400, "CD", true},  {100, "C", false}, {90, "XC", true},
                                  {50, "L", false},   {40, "XL", true},  {10, "X", false},
                                  {9, "IX", true},    {5, "V", false},   {4, "IV", true},
                                  {1, "I", false}};
  std::string out;
  for (const Numeral& numeral : numerals) {
    if (old && numeral.subtracts) continue;
    for (; number >= numeral.value; number -= numeral.value) out += numeral.letters;
  }
  return out;
}

}  // namespace inky::inline v1::lisp
