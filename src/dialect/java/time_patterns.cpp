#include "time_patterns.hpp"

#include <algorithm>
#include <cstdlib>

#include "names.hpp"

namespace inky::inline v1::java_language {

namespace {

class PatternFilling {
 public:
  PatternFilling(const Value& value, std::string& out)
      : value_(value), moment_(value.as_moment()), names_(*names_tagged("")), out_(out) {}

  PatternFault fill(std::string_view pattern) {
    // The whole pattern is read before anything is printed.
    for (const bool second_time : {false, true}) {
      prints_ = second_time;
      if (const PatternFault fault = walk(pattern); fault != PatternFault::none) return fault;
    }
    return PatternFault::none;
  }

 private:
  PatternFault walk(std::string_view pattern) {
    for (std::size_t at = 0; at < pattern.size();) {
      const char c = pattern[at];
      const bool is_letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
      if (is_letter) {
        const std::size_t end = std::min(pattern.find_first_not_of(c, at), pattern.size());
        const PatternFault fault = prints_ ? print(c, end - at) : check(c, end - at);
        if (fault != PatternFault::none) return fault;
        at = end;
      } else if (c == '\'') {
        std::string text;
        for (++at; at < pattern.size(); ++at) {
          if (pattern[at] == '\'') {
            if (at + 1 >= pattern.size() || pattern[at + 1] != '\'') break;
            ++at;
          }
          text += pattern[at];
        }
        if (at >= pattern.size()) return PatternFault::bad_pattern;
        ++at;
        put(text.empty() ? "'" : text);
      } else if (c == '[' || c == ']') {
        return PatternFault::not_supported_yet;
      } else if (c == '{' || c == '}' || c == '#') {
        return PatternFault::bad_pattern;
      } else {
        put(pattern.substr(at, 1));
        ++at;
      }
    }
    return PatternFault::none;
  }

  // Whether there is such a letter, so often.
  static PatternFault check(char letter, std::size_t count) {
    constexpr std::string_view one_or_two = "dHhKkms";
    constexpr std::string_view known_elsewhere = "GQqwWeFNAnVvOBgcLZX";
    if (one_or_two.find(letter) != std::string_view::npos)
      return count <= 2 ? PatternFault::none : PatternFault::bad_pattern;
    switch (letter) {
      case 'y':
      case 'u':
        return count == 2 || count == 1 || count == 4 ? PatternFault::none
                                                      : PatternFault::not_supported_yet;
      case 'M':
        return count <= 4   ? PatternFault::none
               : count == 5 ? PatternFault::not_supported_yet
                            : PatternFault::bad_pattern;
      case 'D':
        return count <= 3 ? PatternFault::none : PatternFault::bad_pattern;
      case 'S':
        return count <= 9 ? PatternFault::none : PatternFault::bad_pattern;
      case 'a':
        return count == 1 ? PatternFault::none : PatternFault::bad_pattern;
      case 'E':
        return count <= 4   ? PatternFault::none
               : count == 5 ? PatternFault::not_supported_yet
                            : PatternFault::bad_pattern;
      case 'x':
        return count <= 3 ? PatternFault::none : PatternFault::not_supported_yet;
      case 'X':
        return count <= 3 ? PatternFault::none : PatternFault::not_supported_yet;
      case 'Z':
        return count <= 3 ? PatternFault::none : PatternFault::not_supported_yet;
      default:
        return known_elsewhere.find(letter) != std::string_view::npos || letter == 'Y' ||
                       letter == 'z' || letter == 'p'
                   ? PatternFault::not_supported_yet
                   : PatternFault::bad_pattern;
    }
  }

  PatternFault print(char letter, std::size_t count) {
    const bool of_date = std::string_view("yuMDdE").find(letter) != std::string_view::npos;
    const bool of_zone = std::string_view("xXZ").find(letter) != std::string_view::npos;
    if (of_date && value_.is(Type::time)) return PatternFault::lacks_part;
    if (!of_date && !of_zone && value_.is(Type::date)) return PatternFault::lacks_part;
    if (of_zone && !moment_.offset) return PatternFault::lacks_part;
    const int twelve = (moment_.hour + 11) % 12 + 1;
    const auto month = static_cast<std::size_t>(moment_.month - 1);
    const auto week_day = static_cast<std::size_t>(weekday(moment_));
    switch (letter) {
      case 'y':
      case 'u':
        number(count == 2 ? moment_.year % 100 : moment_.year, count);
        break;
      case 'M':
        if (count <= 2)
          number(moment_.month, count);
        else
          put(count == 3 ? names_.short_months[month] : names_.months[month]);
        break;
      case 'E':
        put(count <= 3 ? names_.short_days[week_day] : names_.days[week_day]);
        break;
      case 'd':
        number(moment_.day, count);
        break;
      case 'D':
        number(day_of_year(moment_), count);
        break;
      case 'H':
        number(moment_.hour, count);
        break;
      case 'h':
        number(twelve, count);
        break;
      case 'K':
        number(moment_.hour % 12, count);
        break;
      case 'k':
        number(moment_.hour == 0 ? 24 : moment_.hour, count);
        break;
      case 'm':
        number(moment_.minute, count);
        break;
      case 's':
        number(moment_.second, count);
        break;
      case 'S': {
        std::string digits = std::to_string(moment_.nanosecond);
        digits.insert(0, 9 - digits.size(), '0');
        put(std::string_view(digits).substr(0, count));
        break;
      }
      case 'a':
        put(moment_.hour < 12 ? names_.upper_before_noon : names_.upper_after_noon);
        break;
      default:
        offset(letter, count);
    }
    // A number of one or two digits holds no more.
    return too_long_ ? PatternFault::not_supported_yet : PatternFault::none;
  }

  void offset(char letter, std::size_t count) {
    const int minutes = *moment_.offset;
    if (letter == 'X' && minutes == 0) return put("Z");
    if (letter == 'Z') return put(offset_text(minutes, ""));
    std::string text = offset_text(minutes, count == 3 ? ":" : "");
    // Whole hours alone, but for minutes that there are.
    if (count == 1 && minutes % 60 == 0) text.resize(3);
    put(text);
  }

  void number(int value, std::size_t width) {
    const std::string digits = std::to_string(value);
    if (width > 1 && digits.size() > width && width != 2) too_long_ = true;
    if (digits.size() < width) put(std::string(width - digits.size(), '0'));
    put(digits);
  }

  void put(std::string_view text) {
    if (prints_) out_ += text;
  }

  const Value& value_;
  const Moment moment_;
  const TimeNames& names_;
  std::string& out_;
  bool prints_ = false;
  bool too_long_ = false;
};

}  // namespace

PatternFault append_by_pattern(const Value& value, std::string_view pattern, std::string& out) {
  return PatternFilling(value, out).fill(pattern);
}

}  // namespace inky::inline v1::java_language
