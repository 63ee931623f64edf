#include "numbers.hpp"

#include <algorithm>
#include <array>
#include <limits>
#include <string>

#include "../family/dotnet_digits.hpp"
#include "../family/values.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::csharp {

namespace {

constexpr char upper(char c) {
  return c >= 'a' && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
}

// A number being formatted: 0.d1 d2 ... x 10^scale.
struct Number {
  Digits digits;
  int scale = 0;
  bool negative = false;
  bool is_real = false;

  char digit(int at) const {
    return at >= 0 && at < digits.size() ? digits.text()[static_cast<std::size_t>(at)] : '0';
  }
  // To its first `keep` digits, half away. A whole number has no negative zero.
  void round(int keep) {
    round_digits(digits, keep, negative, Rounding::half_away);
    digits.strip_trailing_zeros();
    scale += digits.point();
    digits.set(digits.size(), 0);
    if (digits.is_zero()) {
      scale = 0;
      if (!is_real) negative = false;
    }
  }
};

// The point is taken out of the digits, which are then rounded as if it stood before them.
void take(Number& number) {
  number.digits.strip_trailing_zeros();
  number.scale = number.digits.point();
  number.digits.set(number.digits.size(), 0);
}

void take_whole(const Value& value, Number& out) {
  const std::string digits = whole_digits(value, 10, Letters::lower, out.negative);
  const auto size = static_cast<int>(digits.size());
  if (digits != "0") {
    std::copy(digits.begin(), digits.end(), out.digits.room(size));
    out.digits.set(size, size);
  }
  take(out);
}

// ---- Standard letters ----

struct Marks {
  std::string_view point;
  std::string_view group;  // empty: there is none
};

// Whether a thousands mark stands before the last `left` digits of the whole part.
bool is_group_end(int left, bool twos) {
  return left == 3 || (left > 3 && (left - 3) % (twos ? 2 : 3) == 0);
}

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

// The places that F, N, C and P show.
int places_of(const NumberFormat& format, const Culture& culture) {
  if (format.precision != unset) return format.precision;
  return upper(format.letter) == 'C' ? culture.currency_places : culture.places;
}

// Rounded already. `digits`: how many significant ones G and E show at most.
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

// ---- Patterns ----

constexpr std::string_view per_mille = "\xe2\x80\xb0";
constexpr int none = std::numeric_limits<int>::max();

// A section of a pattern, read: "#,##0.00".
struct Section {
  std::size_t start = 0;
  int digits = 0;         // placeholders
  int point = none;       // how many of them stand before the point
  int first_zero = none;  // the first 0 among them
  int last_zero = 0;      // and one past the last
  bool scientific = false;
  bool groups = false;
  int scaling = 0;  // powers of ten by which the number is multiplied
};

// The end of a quoted text that begins at `at`, behind its quote.
std::size_t quote_end(std::string_view pattern, std::size_t at) {
  return std::min(pattern.find(pattern[at], at + 1), pattern.size() - 1) + 1;
}

// The end of what stands at `at`: a quoted text, a backslash with the character after it, or a
// byte.
std::size_t next_at(std::string_view pattern, std::size_t at) {
  const char c = pattern[at];
  if (c == '\'' || c == '"') return quote_end(pattern, at);
  if (c != '\\') return at + 1;
  const auto escaped = first_code_point(pattern.substr(at + 1));
  return at + 1 + (escaped ? static_cast<std::size_t>(escaped->bytes) : 0);
}

// Where the section begins: 0 for numbers above zero, 1 below, 2 zero; an empty one is the first.
std::size_t section_start(std::string_view pattern, int section) {
  for (std::size_t at = 0; section > 0 && at < pattern.size();) {
    const bool ends = pattern[at] == ';';
    at = next_at(pattern, at);
    if (!ends || --section != 0) continue;
    return at < pattern.size() && pattern[at] != ';' ? at : 0;
  }
  return 0;
}

// Whether an exponent stands at `at`: E0, E+0, E-0.
bool is_exponent(std::string_view pattern, std::size_t at) {
  const std::string_view rest = pattern.substr(at + 1);
  return rest.starts_with('0') || rest.starts_with("+0") || rest.starts_with("-0");
}

Section read_section(std::string_view pattern, std::size_t start) {
  Section out;
  out.start = start;
  int comma = none;  // before which placeholder the last comma stands
  int commas = 0;    // side by side
  for (std::size_t at = start; at < pattern.size() && pattern[at] != ';';) {
    const std::size_t here = at;
    at = next_at(pattern, here);
    switch (pattern[here]) {
      case '#':
        ++out.digits;
        break;
      case '0':
        if (out.first_zero == none) out.first_zero = out.digits;
        out.last_zero = ++out.digits;
        break;
      case '.':
        if (out.point == none) out.point = out.digits;
        break;
      case ',':
        if (out.digits == 0 || out.point != none) break;
        if (comma == out.digits) {
          ++commas;
          break;
        }
        if (comma != none) out.groups = true;
        comma = out.digits;
        commas = 1;
        break;
      case '%':
        out.scaling += 2;
        break;
      case 'E':
      case 'e':
        if (!is_exponent(pattern, here)) break;
        out.scientific = true;
        at = std::min(pattern.find_first_not_of('0', at + 1), pattern.size());
        break;
      default:
        if (pattern.substr(here).starts_with(per_mille)) out.scaling += 3;
    }
  }
  if (out.point == none) out.point = out.digits;
  // Commas before the point divide; others ask for thousands marks.
  if (comma == out.point)
    out.scaling -= 3 * commas;
  else if (comma != none)
    out.groups = true;
  return out;
}

// A number that fills a pattern, character by character.
class Filling {
 public:
  Filling(std::string_view pattern, const Culture& culture, Number& number, Output& out)
      : pattern_(pattern), culture_(culture), number_(number), out_(out) {}

  void run() {
    choose_section();
    const int first = section_.first_zero;
    least_ = first < section_.point ? section_.point - first : 0;
    last_ = section_.last_zero > section_.point ? section_.point - section_.last_zero : 0;
    position_ = section_.scientific ? section_.point : std::max(number_.scale, section_.point);
    extra_ = section_.scientific ? 0 : number_.scale - section_.point;
    whole_ = std::max(position_ + std::min(extra_, 0), least_);
    // A sign of its own only where no section is for negative numbers; of nothing, none.
    sign_ = number_.negative && section_.start == 0;
    if (sign_ && number_.scale != 0) put_sign();
    fill();
  }

 private:
  void choose_section() {
    section_ = read_section(pattern_, section_start(pattern_, number_.digits.is_zero() ? 2
                                                              : number_.negative       ? 1
                                                                                       : 0));
    if (!number_.digits.is_zero()) {
      number_.scale += section_.scaling;
      number_.round(section_.scientific ? section_.digits
                                        : number_.scale + section_.digits - section_.point);
      const std::size_t of_zero = section_start(pattern_, 2);
      if (number_.digits.is_zero() && of_zero != section_.start)
        section_ = read_section(pattern_, of_zero);
      if (!number_.digits.is_zero()) return;
    }
    if (!number_.is_real) number_.negative = false;
    number_.scale = 0;
  }

  void put_sign() {
    out_.append(culture_.minus);
    sign_ = false;
  }
  // The sign of a number whose first digit is behind the point stands before the first character.
  void put(std::string_view text) {
    if (sign_) put_sign();
    out_.append(text);
  }
  void put_digit(char digit) {
    put({&digit, 1});
    if (section_.groups && position_ > 1 && position_ <= whole_ &&
        is_group_end(position_ - 1, culture_.groups_of_two))
      out_.append(culture_.group);
  }

  // A placeholder: a digit, a zero, or nothing.
  void place() {
    if (extra_ < 0) {
      ++extra_;
      if (position_ <= least_) put_digit('0');
    } else if (at_ < number_.digits.size()) {
      put_digit(number_.digit(at_++));
    } else if (position_ > last_) {
      put_digit('0');
    }
    --position_;
  }

  void fill() {
    bool pointed = false;
    for (std::size_t at = section_.start; at < pattern_.size() && pattern_[at] != ';';) {
      const char c = pattern_[at++];
      if (c == '#' || c == '0' || c == '.') {
        // The first placeholder takes all digits that there are too many.
        for (; extra_ > 0; --extra_, --position_)
          put_digit(at_ < number_.digits.size() ? number_.digit(at_++) : '0');
      }
      switch (c) {
        case '#':
        case '0':
          place();
          break;
        case '.':
          if (position_ != 0 || pointed) break;
          if (last_ < 0 || (section_.point < section_.digits && at_ < number_.digits.size())) {
            put(culture_.point);
            pointed = true;
          }
          break;
        case ',':
          break;
        case '\'':
        case '"': {
          const std::size_t end = quote_end(pattern_, at - 1);
          const bool closed = end - 1 >= at && pattern_[end - 1] == c;
          const std::string_view text = pattern_.substr(at, end - at - (closed ? 1 : 0));
          if (!text.empty()) put(text);
          at = end;
          break;
        }
        case '\\':
          if (at < pattern_.size()) put(pattern_.substr(at++, 1));
          break;
        case 'E':
        case 'e':
          at = put_exponent(at - 1);
          break;
        default:
          put({&c, 1});
      }
    }
  }

  // The E at `at`; returns where the pattern goes on.
  std::size_t put_exponent(std::size_t at) {
    const char letter = pattern_[at++];
    if (sign_) put_sign();
    const bool has_sign = at < pattern_.size() && (pattern_[at] == '+' || pattern_[at] == '-');
    const bool counts = section_.scientific && is_exponent(pattern_, at - 1);
    const std::size_t digits = at + (has_sign ? 1 : 0);
    const std::size_t end = std::min(pattern_.find_first_not_of('0', digits), pattern_.size());
    if (!counts) {
      const std::size_t copied = section_.scientific ? at : end;
      out_.append(pattern_.substr(at - 1, copied - at + 1));
      return copied;
    }
    section_.scientific = false;
    append_exponent(number_.digits.is_zero() ? 0 : number_.scale - section_.point, letter,
                    static_cast<int>(std::min<std::size_t>(end - digits, 10)), pattern_[at] == '+',
                    culture_, out_);
    return end;
  }

  std::string_view pattern_;
  const Culture& culture_;
  Number& number_;
  Output& out_;
  Section section_;
  int at_ = 0;        // the next digit of the number
  int position_ = 0;  // of the next digit, counted down to 0 at the point
  int extra_ = 0;     // digits more than placeholders before the point; below 0: fewer
  int whole_ = 0;     // digits shown before the point
  int least_ = 0;     // positions up to which zeros are shown before the point
  int last_ = 0;      // and after it
  bool sign_ = false;
};

// ---- Whole numbers ----

// The digits of two's complement, as few as show the sign, in base 16 or 2: "0FF" of 255.
std::string twos_complement(const SignedNatural& value, int bits_a_digit) {
  Natural bits = value.magnitude;
  if (value.negative) bits.subtract(Natural(1));
  const int needed = bits.bit_length() + 1;
  const int count = (needed + bits_a_digit - 1) / bits_a_digit;
  std::string out;
  for (int i = count; i-- > 0;) {
    int digit = 0;
    for (int k = bits_a_digit; k-- > 0;) {
      const int at = i * bits_a_digit + k;
      const bool bit = at < bits.bit_length() && bits.bit(at);
      digit = 2 * digit + (bit != value.negative ? 1 : 0);
    }
    out += "0123456789ABCDEF"[digit];
  }
  return out;
}

void append_bits(const NumberFormat& format, const Value& value, Output& out) {
  const bool hexadecimal = upper(format.letter) == 'X';
  std::string digits;
  char fill = '0';
  if (value.is(Type::big)) {
    digits = twos_complement(value.as_big(), hexadecimal ? 4 : 1);
    if (value.as_big().negative) fill = hexadecimal ? 'F' : '1';
    if (value.as_big().magnitude.is_zero()) digits = "0";
  } else {
    const int width = fact_of(value.type()).width;
    WholeRoom room;
    digits = write_whole(wrap_unsigned(static_cast<int128>(value.bits()), width),
                         hexadecimal ? 16 : 2, Letters::upper, room);
  }
  digits.insert(
      0, static_cast<std::size_t>(std::max(format.precision - static_cast<int>(digits.size()), 0)),
      fill);
  if (format.letter == 'x') {
    for (char& c : digits) c = c >= 'A' && c <= 'F' ? static_cast<char>(c - 'A' + 'a') : c;
  }
  out.append(digits);
}

bool append_whole_number(const NumberFormat& format, const Value& value, const Culture& culture,
                         Output& out) {
  // R is G.
  const char letter = upper(format.letter) == 'R' ? 'G' : upper(format.letter);
  if (letter == 'X' || letter == 'B') {
    append_bits(format, value, out);
    return true;
  }
  const bool is_big = value.is(Type::big);
  if (letter == 'D' || (letter == 'G' && (format.precision < 1 || is_big))) {
    bool negative = false;
    const std::string digits = whole_digits(value, 10, Letters::lower, negative);
    if (negative) out.append(culture.minus);
    const bool pads = letter == 'D' || is_big;
    const int missing = pads ? format.precision - static_cast<int>(digits.size()) : 0;
    out.fill("0", static_cast<std::size_t>(std::max(missing, 0)));
    out.append(digits);
    return true;
  }
  Number number;
  take_whole(value, number);
  if (format.letter == 0) {
    Filling(format.pattern, culture, number, out).run();
    return true;
  }
  int most_digits = format.precision;
  if (letter == 'E') most_digits = (format.precision == unset ? 6 : format.precision) + 1;
  if (letter == 'P') number.scale += number.digits.is_zero() ? 0 : 2;
  if (letter == 'E' || letter == 'G')
    number.round(most_digits);
  else
    number.round(number.scale + places_of(format, culture));
  append_standard(format, most_digits, number, culture, out);
  return true;
}

// ---- Reals ----

struct RealFact {
  int pattern_digits;   // that a pattern takes
  int shortest_digits;  // that G and R show without an exponent
};

RealFact fact_of_real(Type type) {
  if (type == Type::f64) return {15, 17};
  return type == Type::f32 ? RealFact{7, 9} : RealFact{5, 5};
}

bool append_real(const NumberFormat& format, const Value& value, const Culture& culture,
                 Output& out) {
  const BinaryFormat& binary = *inky::fact_of(value.type()).format;
  const BinaryReal real = value.as_real();
  const RealFact fact = fact_of_real(value.type());
  const char letter = upper(format.letter);
  Number number;
  number.negative = real.negative;
  number.is_real = true;
  if (letter == 0) {
    digits_to_significant(real, fact.pattern_digits, Rounding::half_even, number.digits);
    take(number);
    Filling(format.pattern, culture, number, out).run();
    return true;
  }
  int most_digits = format.precision;
  switch (letter) {
    case 'R':
    case 'G':
      if (most_digits < 1 || letter == 'R') {
        dotnet_digits(binary, real, number.digits);
        most_digits = std::max(number.digits.size(), fact.shortest_digits);
      } else {
        digits_to_significant(real, most_digits, Rounding::half_even, number.digits);
      }
      break;
    case 'E':
      most_digits = (format.precision == unset ? 6 : format.precision) + 1;
      digits_to_significant(real, most_digits, Rounding::half_even, number.digits);
      break;
    default:
      digits_to_places(real, places_of(format, culture) + (letter == 'P' ? 2 : 0),
                       Rounding::half_even, number.digits);
  }
  take(number);
  if (letter == 'P' && !number.digits.is_zero()) number.scale += 2;
  append_standard(format, most_digits, number, culture, out);
  return true;
}

}  // namespace

NumberFormat read_number_format(std::string_view text) {
  text = text.substr(0, text.find('\0'));
  NumberFormat out;
  if (text.empty()) return out;
  out.letter = 0;
  out.pattern = text;
  if (!is_letter(text[0])) return out;
  int number = 0;
  std::size_t at = 1;
  for (; at < text.size() && is_digit(text[at]); ++at) {
    constexpr int most = 100'000'000;
    if (number >= most) {
      out.unreadable = true;
      return out;
    }
    number = number * 10 + (text[at] - '0');
  }
  if (at < text.size()) return out;
  out.letter = text[0];
  if (at > 1) out.precision = number;
  return out;
}

bool append_number(const NumberFormat& format, const Value& value, const Culture& culture,
                   Output& out) {
  const bool whole = is_whole(value.type());
  if (!whole && !value.as_real().is_finite()) {
    const BinaryReal real = value.as_real();
    if (real.kind == RealClass::not_a_number) {
      out.append(culture.not_a_number);
    } else {
      if (real.negative) out.append(culture.minus);
      out.append(culture.infinity);
    }
    return true;
  }
  constexpr std::string_view of_wholes = "CDEFGNPRXB";
  constexpr std::string_view of_reals = "CEFGNPR";
  const std::string_view letters = whole ? of_wholes : of_reals;
  if (format.unreadable ||
      (format.letter != 0 && letters.find(upper(format.letter)) == std::string_view::npos))
    return false;
  return whole ? append_whole_number(format, value, culture, out)
               : append_real(format, value, culture, out);
}

bool rounds_twice(const NumberFormat& format, const Value& value) {
  const BinaryReal real = value.as_real();
  TextBuffer as_is;
  TextBuffer in_full;
  const Culture& culture = *culture_tagged("");
  (void)append_real(format, value, culture, as_is);
  Number number;
  number.negative = real.negative;
  number.is_real = true;
  exact_digits(real, number.digits);
  take(number);
  Filling(format.pattern, culture, number, in_full).run();
  return as_is.view() != in_full.view();
}

}  // namespace inky::inline v1::csharp
