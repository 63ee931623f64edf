// A pattern of DecimalFormat, read.
#pragma once

#include <array>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "../family/writing.hpp"
#include "decimal.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::java_language::pattern {

// The text before and after the digits: text, and signs of the locale.
struct Affix {
  enum class Part : std::uint8_t { text, percent, per_mille, currency, currency_code, minus };
  struct Piece {
    Part part = Part::text;
    std::string text;
    friend bool operator==(const Piece&, const Piece&) = default;
  };
  std::vector<Piece> pieces;

  void add(Part part) { pieces.push_back({part, {}}); }
  void add(std::string_view text) {
    if (pieces.empty() || pieces.back().part != Part::text) pieces.push_back({Part::text, {}});
    pieces.back().text += text;
  }
  friend bool operator==(const Affix&, const Affix&) = default;
};

// DecimalFormat.DOUBLE_INTEGER_DIGITS and DOUBLE_FRACTION_DIGITS: more are not shown of a double.
inline constexpr int most_whole_places = 309;
inline constexpr int most_fraction_places = 340;

struct Pattern final : Program {
  std::array<Affix, 2> prefix;  // of positive numbers, of negative ones
  std::array<Affix, 2> suffix;
  int least_whole = 0;
  int most_whole = most_width;
  int least_places = 0;
  int most_places = 0;
  int group = 0;  // digits from one thousands mark to the next; 0: there are none
  int multiplier = 1;
  bool scientific = false;
  int least_exponent = 0;  // digits
  bool always_point = false;
  bool is_currency = false;
};

inline constexpr std::string_view illegal_argument = "IllegalArgumentException";

// Reads the pattern in out.source; what DecimalFormat refuses is refused there. `words` may be
// null.
void read_pattern(TemplateContent& out, Pattern& pattern, std::vector<Words>* words);

}  // namespace inky::inline v1::java_language::pattern
