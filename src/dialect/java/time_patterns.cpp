#include "time_patterns.hpp"

#include <algorithm>
#include <cstdlib>

#include "time_objects.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

namespace {

// ---- Weeks, as WeekFields of a locale counts them ----

int wrapped(int number, int size) {
  return (number % size + size) % size;
}

struct Week {
  int year = 0;  // to which it belongs
  int number = 0;
};

class Weeks {
 public:
  explicit Weeks(const JavaLocale& locale)
      : start_(locale.digit(JavaLocale::week_start)),
        least_(locale.digit(JavaLocale::least_days_of_week)) {}

  // 1 is the first of the locale's week.
  int day_of_week(const Moment& moment) const {
    const int from_monday = (weekday(moment) + 6) % 7 + 1;
    return wrapped(from_monday - start_, 7) + 1;
  }

  Week of_year(const Moment& moment) const {
    const int day = day_of_year(moment);
    const int offset = offset_of(day, day_of_week(moment));
    Week out{moment.year, week_at(offset, day)};
    if (out.number == 0) {
      Moment before = moment;
      --before.year;
      before.month = 12;
      before.day = 31;
      return of_year(before);
    }
    Moment last = moment;
    last.month = 12;
    last.day = 31;
    const int first_of_next = week_at(offset, day_of_year(last) + least_);
    if (out.number >= first_of_next) return {moment.year + 1, out.number - first_of_next + 1};
    return out;
  }

  int of_month(const Moment& moment) const {
    return week_at(offset_of(moment.day, day_of_week(moment)), moment.day);
  }

 private:
  // Where the first week begins, relative to the day 1.
  int offset_of(int day, int week_day) const {
    const int start = wrapped(day - week_day, 7);
    return start + 1 > least_ ? 7 - start : -start;
  }
  static int week_at(int offset, int day) { return (7 + offset + (day - 1)) / 7; }

  int start_;
  int least_;
};

// ---- Patterns ----

class PatternFilling {
 public:
  PatternFilling(const Value& value, const JavaLocale& locale, std::string& out)
      : value_(value), moment_(value.as_moment()), locale_(locale), weeks_(locale), out_(out) {}

  PatternFault fill(std::string_view pattern) {
    pattern_ = pattern;
    // The whole pattern is read before anything is printed.
    for (const bool second_time : {false, true}) {
      prints_ = second_time;
      std::size_t at = 0;
      if (const PatternFault fault = walk(at, 0); fault != PatternFault::none) return fault;
    }
    return PatternFault::none;
  }

 private:
  // Up to the end, or to the bracket that ends an optional part.
  PatternFault walk(std::size_t& at, int depth) {
    while (at < pattern_.size()) {
      const char c = pattern_[at];
      const bool is_letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
      PatternFault fault = PatternFault::none;
      if (is_letter) {
        const std::size_t end = std::min(pattern_.find_first_not_of(c, at), pattern_.size());
        fault = prints_ ? print(c, end - at) : check(c, end - at);
        at = end;
      } else if (c == fraction_mark) {
        ++at;
        fault = prints_ && lacks('S') ? PatternFault::lacks_part : PatternFault::none;
        if (fault == PatternFault::none) put_fraction();
      } else if (c == greenwich_mark || c == instant_mark) {
        ++at;
        fault = put_of_instant(c);
      } else if (c == '\'') {
        fault = put_quoted(at);
      } else if (c == '[') {
        fault = walk_optional(at, depth);
      } else if (c == ']') {
        if (depth > 0) return PatternFault::none;
        fault = PatternFault::bad_pattern;
      } else if (c == '{' || c == '}' || c == '#') {
        fault = PatternFault::bad_pattern;
      } else {
        put(pattern_.substr(at, 1));
        ++at;
      }
      if (fault != PatternFault::none) return fault;
    }
    return PatternFault::none;
  }

  PatternFault put_of_instant(char mark) {
    if (!prints_) return PatternFault::none;
    if (lacks('X')) return PatternFault::lacks_part;
    if (mark == greenwich_mark) {
      put(*moment_.offset == 0 ? "GMT" : offset_text(*moment_.offset, ""));
      return PatternFault::none;
    }
    const auto in_utc = moment_at(instant_of(moment_), utc);
    if (!in_utc) return PatternFault::not_supported_yet;
    put(instant_text(*in_utc));
    return PatternFault::none;
  }

  PatternFault put_quoted(std::size_t& at) {
    std::string text;
    for (++at; at < pattern_.size(); ++at) {
      if (pattern_[at] == '\'') {
        if (at + 1 >= pattern_.size() || pattern_[at + 1] != '\'') break;
        ++at;
      }
      text += pattern_[at];
    }
    if (at >= pattern_.size()) return PatternFault::bad_pattern;
    ++at;
    put(text.empty() ? "'" : text);
    return PatternFault::none;
  }

  // What is in brackets is left out as a whole where the value lacks a part of it.
  PatternFault walk_optional(std::size_t& at, int depth) {
    constexpr int most = 100;
    if (depth == most) return PatternFault::not_supported_yet;
    const std::size_t size = out_.size();
    ++at;
    const std::size_t inner = at;
    const PatternFault fault = walk(at, depth + 1);
    if (fault == PatternFault::lacks_part) {
      out_.resize(size);
      prints_ = false;
      at = inner;
      (void)walk(at, depth + 1);
      prints_ = true;
    } else if (fault != PatternFault::none) {
      return fault;
    }
    at += at < pattern_.size() ? 1 : 0;
    return PatternFault::none;
  }

  // Whether there is such a letter, so often.
  static PatternFault check(char letter, std::size_t count) {
    const auto up_to = [&](std::size_t most) {
      return count <= most ? PatternFault::none : PatternFault::bad_pattern;
    };
    switch (letter) {
      case 'd':
      case 'H':
      case 'h':
      case 'K':
      case 'k':
      case 'm':
      case 's':
      case 'w':
        return up_to(2);
      case 'W':
      case 'a':
      case 'F':
        return up_to(1);
      case 'y':
      case 'u':
      case 'Y':
      case 'n':
      case 'N':
      case 'A':
        return up_to(19);
      case 'M':
      case 'L':
      case 'E':
      case 'e':
      case 'G':
        return up_to(5);
      case 'c':
        return count == 2 ? PatternFault::bad_pattern : up_to(5);
      case 'Q':
      case 'q':
        return count <= 2 ? PatternFault::none : not_yet(count <= 5);
      case 'D':
        return up_to(3);
      case 'S':
        return up_to(9);
      case 'V':
        return count == 2 ? PatternFault::none : PatternFault::bad_pattern;
      case 'O':
        return count == 1 || count == 4 ? PatternFault::none : PatternFault::bad_pattern;
      case 'z':
        return up_to(4);
      case 'x':
      case 'X':
        return count <= 3 ? PatternFault::none : not_yet(count <= 5);
      case 'Z':
        return count <= 3 ? PatternFault::none : not_yet(count <= 5);
      case 'g':
      case 'B':
      case 'v':
      case 'p':
        return PatternFault::not_supported_yet;
      default:
        return PatternFault::bad_pattern;
    }
  }

  static PatternFault not_yet(bool is_known) {
    return is_known ? PatternFault::not_supported_yet : PatternFault::bad_pattern;
  }

  bool lacks(char letter) const {
    const bool of_date =
        std::string_view("GyuYQqMLwWdDFEec").find(letter) != std::string_view::npos;
    const bool of_zone = std::string_view("xXZOVz").find(letter) != std::string_view::npos;
    if (of_zone) return !moment_.offset;
    return of_date ? value_.is(Type::time) : value_.is(Type::date);
  }

  PatternFault print(char letter, std::size_t count) {
    if (lacks(letter)) return PatternFault::lacks_part;
    switch (letter) {
      case 'G':
        put(locale_[count <= 3   ? JavaLocale::era
                    : count == 4 ? JavaLocale::long_era
                                 : JavaLocale::narrow_era]);
        break;
      case 'y':
      case 'u':
        number(count == 2 ? moment_.year % 100 : moment_.year, count);
        break;
      case 'Y': {
        const int year = weeks_.of_year(moment_).year;
        if (count == 4 && year > 9999) put("+");
        number(count == 2 ? wrapped(year, 100) : year, count);
        break;
      }
      case 'Q':
      case 'q':
        number((moment_.month + 2) / 3, count);
        break;
      case 'M':
      case 'L':
        put_month(letter == 'L', count);
        break;
      case 'w':
        number(weeks_.of_year(moment_).number, count);
        break;
      case 'W':
        number(weeks_.of_month(moment_), count);
        break;
      case 'E':
        put_day(false, std::max<std::size_t>(count, 3));
        break;
      case 'e':
      case 'c':
        if (count <= 2)
          number(weeks_.day_of_week(moment_), count);
        else
          put_day(letter == 'c', count);
        break;
      case 'd':
        number(moment_.day, count);
        break;
      case 'D':
        number(day_of_year(moment_), count);
        break;
      case 'F':
        number((moment_.day - 1) % 7 + 1, count);
        break;
      case 'x':
      case 'X':
      case 'Z':
      case 'O':
        put_offset(letter, count);
        break;
      case 'V':
      case 'z':
        return put_zone(letter, count);
      default:
        put_clock(letter, count);
    }
    return PatternFault::none;
  }

  void put_clock(char letter, std::size_t count) {
    const std::int64_t seconds = moment_.hour * 3600 + moment_.minute * 60 + moment_.second;
    switch (letter) {
      case 'a':
        return put(locale_.name(JavaLocale::formatter_halves, moment_.hour / 12));
      case 'H':
        return number(moment_.hour, count);
      case 'h':
        return number((moment_.hour + 11) % 12 + 1, count);
      case 'K':
        return number(moment_.hour % 12, count);
      case 'k':
        return number(moment_.hour == 0 ? 24 : moment_.hour, count);
      case 'm':
        return number(moment_.minute, count);
      case 's':
        return number(moment_.second, count);
      case 'n':
        return number(moment_.nanosecond, count);
      case 'A':
        return number(seconds * 1000 + moment_.nanosecond / 1'000'000, count);
      case 'N':
        return number(seconds * 1'000'000'000 + moment_.nanosecond, count);
      default: {  // S
        std::string digits = std::to_string(moment_.nanosecond);
        digits.insert(0, 9 - digits.size(), '0');
        return put(std::string_view(digits).substr(0, count));
      }
    }
  }

  // Of a name alone, or beside a day: the two differ in some languages.
  void put_month(bool alone, std::size_t count) {
    using enum JavaLocale::Part;
    if (count <= 2) return number(moment_.month, count);
    const JavaLocale::Part list = count == 3   ? alone ? lone_short_months : formatter_short_months
                                  : count == 4 ? alone ? lone_months : formatter_months
                                  : alone      ? lone_narrow_months
                                               : formatter_narrow_months;
    put(locale_.name(list, moment_.month - 1));
  }

  void put_day(bool alone, std::size_t count) {
    using enum JavaLocale::Part;
    const JavaLocale::Part list = count == 3   ? alone ? lone_short_days : formatter_short_days
                                  : count == 4 ? alone ? lone_days : formatter_days
                                  : alone      ? lone_narrow_days
                                               : formatter_narrow_days;
    put(locale_.name(list, weekday(moment_)));
  }

  void put_fraction() {
    if (moment_.nanosecond == 0) return;
    std::string digits = std::to_string(1'000'000'000 + moment_.nanosecond);
    digits.erase(digits.find_last_not_of('0') + 1);
    digits[0] = '.';
    put(digits);
  }

  void put_offset(char letter, std::size_t count) {
    const int minutes = *moment_.offset;
    if (letter == 'O') return put_offset_of_greenwich(minutes, count);
    if (letter == 'X' && minutes == 0) return put("Z");
    if (letter == 'Z') return put(offset_text(minutes, ""));
    std::string text = offset_text(minutes, count == 3 ? ":" : "");
    // Whole hours alone, but for minutes that there are.
    if (count == 1 && minutes % 60 == 0) text.resize(3);
    put(text);
  }

  // "GMT+2", "GMT+02:00"
  void put_offset_of_greenwich(int minutes, std::size_t count) {
    put(greenwich_name(locale_));
    if (minutes == 0) return;
    std::string text = offset_text(minutes);
    if (count == 1) {
      if (text[1] == '0') text.erase(1, 1);
      if (minutes % 60 == 0) text.resize(text.find(':'));
    }
    put(text);
  }

  PatternFault put_zone(char letter, std::size_t count) {
    // Whether it is a ZonedDateTime or an OffsetDateTime, an offset alone does not tell.
    if (moment_.zone == 0) return PatternFault::not_supported_yet;
    if (letter == 'V') {
      put(zone_name(moment_.zone));
      return PatternFault::none;
    }
    const auto name = zone_display_name(moment_, count == 4, locale_);
    if (!name) return PatternFault::not_supported_yet;
    put(*name);
    return PatternFault::none;
  }

  void number(std::int64_t value, std::size_t width) {
    const std::string digits = std::to_string(value);
    if (digits.size() < width) put(std::string(width - digits.size(), '0'));
    put(digits);
  }

  void put(std::string_view text) {
    if (prints_) out_ += text;
  }

  const Value& value_;
  const Moment moment_;
  const JavaLocale& locale_;
  const Weeks weeks_;
  std::string& out_;
  std::string_view pattern_;
  bool prints_ = false;
};

}  // namespace

PatternFault append_by_pattern(const Value& value, std::string_view pattern,
                               const JavaLocale& locale, std::string& out) {
  return PatternFilling(value, locale, out).fill(pattern);
}

std::string localized_pattern(int date_style, int time_style, const JavaLocale& locale) {
  const auto part = [&](JavaLocale::Part first, int style) {
    return std::string(locale[static_cast<JavaLocale::Part>(first + style)]);
  };
  if (time_style < 0) return part(JavaLocale::date_style, date_style);
  if (date_style < 0) return part(JavaLocale::time_style, time_style);
  std::string out = part(JavaLocale::date_and_time, std::max(date_style, time_style));
  const std::size_t date = out.find("{1}");
  if (date != std::string::npos) out.replace(date, 3, part(JavaLocale::date_style, date_style));
  const std::size_t time = out.find("{0}");
  if (time != std::string::npos) out.replace(time, 3, part(JavaLocale::time_style, time_style));
  return out;
}

}  // namespace inky::inline v1::java_language
