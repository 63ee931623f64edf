// Numbers under a standard letter.

#include <algorithm>
#include <string>

#include "decimal_number.hpp"
#include "inky_margin/number/digits.hpp"
#include "numbers.hpp"

namespace inky::inline v1::csharp {

namespace {

struct Marks {
  std::string_view point;
  std::string_view group;  // empty: there is none
  Grouping grouping;
};

constexpr Grouping no_groups("0");

void append_fixed(const Number& number, int places, const Marks& marks, Output& out) {
  if (number.scale <= 0) out.append('0');
  for (int i = 0; i < number.scale; ++i) {
    if (i > 0 && !marks.group.empty() && marks.grouping.ends(number.scale - i))
      out.append(marks.group);
    out.append(number.digit(i));
  }
  if (places > 0) out.append(marks.point);
  for (int i = 0; i < places; ++i) out.append(number.digit(number.scale + i));
}

// "($n)": the number under a pattern of its culture.
void append_patterned(std::string_view pattern, const Number& number, int places,
                      const Marks& marks, const Culture& culture, Output& out) {
  for (const char c : pattern) {
    if (c == 'n')
      append_fixed(number, places, marks, out);
    else if (c == '-')
      out.append(culture[Culture::minus]);
    else if (c == '%')
      out.append(culture[Culture::percent]);
    else if (c == '$')
      out.append(culture[Culture::currency]);
    else
      out.append(c);
  }
}

}  // namespace

void append_exponent(int exponent, char letter, int least_digits, bool plus, const Culture& culture,
                     Output& out) {
  out.append(letter);
  if (exponent < 0)
    out.append(culture[Culture::minus]);
  else if (plus)
    out.append(culture[Culture::plus]);
  const std::string digits = std::to_string(std::abs(exponent));
  out.fill("0",
           static_cast<std::size_t>(std::max(least_digits - static_cast<int>(digits.size()), 0)));
  out.append(digits);
}

int places_of(const NumberFormat& format, const Culture& culture) {
  if (format.precision != unset) return format.precision;
  return upper(format.letter) == 'C' ? culture.digit(Culture::currency_places)
                                     : culture.digit(Culture::places);
}

void append_standard(const NumberFormat& format, int most_digits, const Number& number,
                     const Culture& culture, Output& out) {
  const Marks plain{culture[Culture::point], {}, no_groups};
  const Marks marks{culture[Culture::point], culture[Culture::group], culture.grouping()};
  const int places = places_of(format, culture);
  switch (upper(format.letter)) {
    case 'F':
      if (number.negative) out.append(culture[Culture::minus]);
      return append_fixed(number, places, plain, out);
    case 'N':
      if (number.negative) out.append(culture[Culture::minus]);
      return append_fixed(number, places, marks, out);
    case 'C':
      return append_patterned(
          culture[number.negative ? Culture::negative_currency : Culture::positive_currency],
          number, places,
          {culture[Culture::currency_point], culture[Culture::currency_group],
           culture.currency_grouping()},
          culture, out);
    case 'P':
      return append_patterned(
          culture[number.negative ? Culture::negative_percent : Culture::positive_percent], number,
          places, marks, culture, out);
    default:
      break;
  }
  if (number.negative) out.append(culture[Culture::minus]);
  const bool scientific = upper(format.letter) == 'E';
  const bool by_size = number.scale > most_digits || number.scale < -3;
  if (!scientific && !by_size) {
    return append_fixed(number, std::max(number.digits.size() - number.scale, 0), plain, out);
  }
  out.append(number.digit(0));
  const int after = scientific ? most_digits - 1 : std::max(number.digits.size() - 1, 0);
  if (after > 0) out.append(culture[Culture::point]);
  for (int i = 1; i <= after; ++i) out.append(number.digit(i));
  const bool lower = format.letter >= 'a' && format.letter <= 'z';
  append_exponent(number.digits.is_zero() ? 0 : number.scale - 1, lower ? 'e' : 'E',
                  scientific ? 3 : 2, true, culture, out);
}

}  // namespace inky::inline v1::csharp
