// Numbers under a pattern of digits.

#include <algorithm>
#include <limits>

#include "decimal_number.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::csharp {

namespace {

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
      : pattern_(pattern),
        culture_(culture),
        grouping_(culture.grouping()),
        number_(number),
        out_(out) {}

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
    out_.append(culture_[Culture::minus]);
    sign_ = false;
  }
  // The sign of a number whose first digit is behind the point is before the first character.
  void put(std::string_view text) {
    if (sign_) put_sign();
    out_.append(text);
  }
  void put_digit(char digit) {
    put({&digit, 1});
    if (section_.groups && position_ > 1 && position_ <= whole_ && grouping_.ends(position_ - 1))
      out_.append(culture_[Culture::group]);
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
            put(culture_[Culture::point]);
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
        case '%':
          put(culture_[Culture::percent]);
          break;
        default:
          if (pattern_.substr(at - 1).starts_with(per_mille)) {
            put(culture_[Culture::per_mille]);
            at += per_mille.size() - 1;
          } else {
            put({&c, 1});
          }
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
  Grouping grouping_;
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

}  // namespace

void append_pattern(std::string_view pattern, const Culture& culture, Number& number, Output& out) {
  Filling(pattern, culture, number, out).run();
}

}  // namespace inky::inline v1::csharp
