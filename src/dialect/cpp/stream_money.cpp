#include "stream_money.hpp"

#include <algorithm>
#include <array>

#include "../computed/objects.hpp"
#include "stream_numbers.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

enum class Part : unsigned char { none, space, symbol, sign, value };
using Pattern = std::array<Part, 4>;

// The order of the parts, by what localeconv() says: money_base::_S_construct_pattern().
Pattern pattern_of(int precedes, int space, int place) {
  const bool leads = precedes != 0;
  const Part first = leads ? Part::symbol : Part::value;
  const Part second = leads ? Part::value : Part::symbol;
  const bool parts = space != 0;
  switch (place) {
    case 0:
    case 1:
      if (parts) return {Part::sign, first, Part::space, second};
      return {Part::sign, first, second, Part::none};
    case 2:
      if (parts) return {first, Part::space, second, Part::sign};
      return {first, second, Part::sign, Part::none};
    case 3:
      if (leads && parts) return {Part::sign, Part::symbol, Part::space, Part::value};
      if (leads) return {Part::sign, Part::symbol, Part::value, Part::none};
      if (parts) return {Part::value, Part::space, Part::sign, Part::symbol};
      return {Part::value, Part::sign, Part::symbol, Part::none};
    case 4:
      if (leads && parts) return {Part::symbol, Part::sign, Part::space, Part::value};
      if (leads) return {Part::symbol, Part::sign, Part::value, Part::none};
      if (parts) return {Part::value, Part::space, Part::symbol, Part::sign};
      return {Part::value, Part::symbol, Part::sign, Part::none};
    default:
      return {Part::symbol, Part::sign, Part::none, Part::value};
  }
}

// The byte that libstdc++ makes of a mark beside a code; beside a symbol, it takes the first byte of
// any.
std::string_view mark_of(std::string_view mark, bool by_code) {
  if (!by_code) return mark.substr(0, 1);
  const std::string_view narrow = narrowed_mark(mark);
  return narrow.empty() ? mark.substr(0, 1) : narrow;
}

// Whole currency with marks, and as many digits behind the point as the currency has: without a zero
// before it.
std::string value_text(std::string_view digits, int places, std::string_view point,
                       std::string_view mark, const Grouping& sizes) {
  const auto size = static_cast<int>(digits.size());
  const int whole = std::max(size - places, 0);
  const std::string_view before = digits.substr(0, static_cast<std::size_t>(whole));
  std::string out = mark.empty() || before.empty() ? std::string(before)
                                                   : glibc::grouped_digits(before, mark, sizes);
  if (places == 0) return out;
  out += point;
  out.append(static_cast<std::size_t>(std::max(places - size, 0)), '0');
  return out += digits.substr(static_cast<std::size_t>(whole));
}

}  // namespace

std::string money_text(const Value& money, const glibc::Locale& locale, const State& state) {
  using L = glibc::Locale;
  std::string_view digits = computed::object_part(money, 0).as_text();
  const bool by_code = computed::object_part(money, 1).as_whole() != 0;
  const bool below_zero = digits.starts_with('-');
  if (below_zero) digits.remove_prefix(1);
  if (digits.empty()) return {};
  // Three facts each: whether the currency precedes, a space between, the place of the sign.
  const L::Part first = by_code ? (below_zero ? L::code_minus_precedes : L::code_plus_precedes)
                                : (below_zero ? L::minus_precedes : L::plus_precedes);
  const auto fact = [&](int which) { return locale.digit(static_cast<L::Part>(first + which)); };
  const int place = fact(2);
  const Pattern pattern = pattern_of(fact(0), fact(1), place);
  const std::string_view sign =
      below_zero && place == 0 ? "()" : locale[below_zero ? L::minus : L::plus];
  const std::string_view symbol =
      !state.show_base ? std::string_view() : locale[by_code ? L::currency_code : L::currency];
  // Without a decimal mark there are no places.
  const std::string_view point = locale[L::currency_point];
  const int said = locale.digit(by_code ? L::code_places : L::currency_places);
  constexpr int not_said = 9;
  const int places = point.empty() || said == not_said ? 0 : said;
  const std::string value =
      value_text(digits, places, mark_of(point, by_code),
                 mark_of(locale[L::currency_group], by_code), locale.currency_grouping());
  const std::string_view fill = state.fill.text();
  const auto width = static_cast<std::size_t>(std::max(state.width, 0));
  const std::size_t bare = value.size() + sign.size() + symbol.size();
  const bool fills_inside = state.side == inner_side && bare < width;
  const auto filled = [&](std::size_t times) {
    TextBuffer out;
    out.fill(fill, times);
    return out.string();
  };
  std::string out;
  for (const Part part : pattern) {
    switch (part) {
      case Part::symbol:
        out += symbol;
        break;
      case Part::sign:
        out += sign.substr(0, 1);
        break;
      case Part::value:
        out += value;
        break;
      case Part::space:
        out += filled(fills_inside ? width - bare : 1);
        break;
      case Part::none:
        if (fills_inside) out += filled(width - bare);
        break;
    }
  }
  // The rest of a sign stands behind all.
  if (sign.size() > 1) out += sign.substr(1);
  if (out.size() >= width) return out;
  const std::string padding = filled(width - out.size());
  return state.side == left_side ? out + padding : padding + out;
}

}  // namespace inky::inline v1::cpp_stream
