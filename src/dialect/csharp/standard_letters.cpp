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
};

void append_fixed(const Number& number, int places, const Marks& marks, bool twos, Output& out) {
  if (number.scale <= 0) out.append('0');
  for (int i = 0; i < number.scale; ++i) {
    if (i > 0 && !marks.group.empty() && is_group_end(number.scale - i, twos))
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
      append_fixed(number, places, marks, culture.groups_of_two, out);
    else if (c == '-')
      out.append(culture.minus);
    else if (c == '$')
      out.append(culture.currency);
    else
      out.append(c);
  }
}

}  // namespace

bool is_group_end(int left, bool twos) {
  return left == 3 || (left > 3 && (left - 3) % (twos ? 2 : 3) == 0);
}

void append_exponent(int exponent, char letter, int least_digits, bool plus, const Culture& culture,
                     Output& out) {
  out.append(letter);
  if (exponent < 0)
    out.append(culture.minus);
  else if (plus)
    out.append('+');
  const std::string digits = std::to_string(std::abs(exponent));
  out.fill("0",
           static_cast<std::size_t>(std::max(least_digits - static_cast<int>(digits.size()), 0)));
  out.append(digits);
}

int places_of(const NumberFormat& format, const Culture& culture) {
  if (format.precision != unset) return format.precision;
  return upper(format.letter) == 'C' ? culture.currency_places : culture.places;
}

void append_standard(const NumberFormat& format, int most_digits, const Number& number,
                     const Culture& culture, Output& out) {
  const Marks marks{culture.point, culture.group};
  const Marks currency_marks{culture.currency_point, culture.currency_group};
  const int places = places_of(format, culture);
  switch (upper(format.letter)) {
    case 'F':
      if (number.negative) out.append(culture.minus);
      return append_fixed(number, places, {culture.point, ""}, false, out);
    case 'N':
      if (number.negative) out.append(culture.minus);
      return append_fixed(number, places, marks, culture.groups_of_two, out);
    case 'C':
      return append_patterned(
          number.negative ? culture.negative_currency : culture.positive_currency, number, places,
          currency_marks, culture, out);
    case 'P':
      return append_patterned(number.negative ? culture.negative_percent : culture.positive_percent,
                              number, places, marks, culture, out);
    default:
      break;
  }
  if (number.negative) out.append(culture.minus);
  const bool scientific = upper(format.letter) == 'E';
  const bool by_size = number.scale > most_digits || number.scale < -3;
  if (!scientific && !by_size) {
    return append_fixed(number, std::max(number.digits.size() - number.scale, 0),
                        {culture.point, ""}, false, out);
  }
  out.append(number.digit(0));
  const int after = scientific ? most_digits - 1 : std::max(number.digits.size() - 1, 0);
  if (after > 0) out.append(culture.point);
  for (int i = 1; i <= after; ++i) out.append(number.digit(i));
  const bool lower = format.letter >= 'a' && format.letter <= 'z';
  append_exponent(number.digits.is_zero() ? 0 : number.scale - 1, lower ? 'e' : 'E',
                  scientific ? 3 : 2, true, culture, out);
}

}  // namespace inky::inline v1::csharp
