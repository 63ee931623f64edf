#include "times.hpp"

#include <algorithm>
#include <bit>
#include <cstdlib>

#include "text/utf8.hpp"
#include "values.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

namespace {

constexpr int64_t billion = 1'000'000'000;

// What a value has of a moment.
struct TimeParts {
  Moment moment;
  bool date = true;
  bool time = true;
  bool zone = false;
  bool is_long = false;  // whose zone has a name
};

TimeParts time_parts_of(const Value& value) {
  TimeParts out;
  if (value.is(Type::moment)) {
    out.moment = value.as_moment();
    out.zone = out.moment.offset.has_value();
  } else if (value.is(Type::date) || value.is(Type::time)) {
    out.moment = value.as_moment();
    out.time = value.is(Type::time);
    out.date = !out.time;
  } else {
    const auto millis = static_cast<std::int64_t>(value.as_whole());
    const std::int64_t rest = ((millis % 1000) + 1000) % 1000;
    out.moment = moment_of_seconds((millis - rest) / 1000);
    out.moment.nanosecond = static_cast<int>(rest) * 1'000'000;
    out.moment.offset = 0;
    out.zone = out.is_long = true;
  }
  return out;
}

class TimeText {
 public:
  TimeText(const TimeParts& parts, const JavaLocale& locale, std::string& out)
      : parts_(parts),
        moment_(parts.moment),
        locale_(locale),
        zero_(locale.zero_digit()),
        year_(moment_.year),
        out_(out) {
    // A long is a Calendar, which counts other years there.
    constexpr int thai_years = 543;
    if (parts.is_long && locale.tag() == "th-TH") year_ += thai_years;
  }

  char append(char letter) {
    switch (letter) {
      case 'R':
        return all("H:M");
      case 'T':
        return all("H:M:S");
      case 'r': {
        if (const char fault = all("I:M:S ")) return fault;
        out_ += locale_.name(JavaLocale::clock_halves, moment_.hour / 12);
        return 0;
      }
      case 'D':
        return all("m/d/y");
      case 'F':
        return all("Y-m-d");
      case 'c':
        return all("a b d H:M:S Z Y");
      default:
        return append_part(letter);
    }
  }

 private:
  // Letters with marks between them.
  char all(std::string_view letters) {
    for (const char c : letters) {
      const bool is_letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
      if (!is_letter) {
        out_ += c;
      } else if (const char fault = append_part(c)) {
        return fault;
      }
    }
    return 0;
  }

  char append_part(char letter) {
    const bool of_time = std::string_view("HIklMSLNp").find(letter) != std::string_view::npos;
    const bool of_zone = std::string_view("zZsQ").find(letter) != std::string_view::npos;
    if (of_zone ? !parts_.zone : of_time ? !parts_.time : !parts_.date) return letter;
    const int twelve = (moment_.hour + 11) % 12 + 1;
    switch (letter) {
      case 'H':
      case 'k':
        return number(moment_.hour, letter == 'H' ? 2 : 1);
      case 'I':
      case 'l':
        return number(twelve, letter == 'I' ? 2 : 1);
      case 'M':
        return number(moment_.minute, 2);
      case 'S':
        return number(moment_.second, 2);
      case 'L':
        return number(moment_.nanosecond / 1'000'000, 3);
      case 'N':
        return number(moment_.nanosecond, 9);
      case 'p':
        out_ += locale_.name(JavaLocale::halves, moment_.hour / 12);
        return 0;
      case 'B':
        out_ += locale_.name(JavaLocale::months, moment_.month - 1);
        return 0;
      case 'b':
      case 'h':
        out_ += locale_.name(JavaLocale::short_months, moment_.month - 1);
        return 0;
      case 'A':
        out_ += locale_.name(JavaLocale::days, weekday(moment_));
        return 0;
      case 'a':
        out_ += locale_.name(JavaLocale::short_days, weekday(moment_));
        return 0;
      case 'C':
        return number(year_ / 100, 2);
      case 'Y':
        return number(year_, 4);
      case 'y':
        return number(year_ % 100, 2);
      case 'j':
        return number(day_of_year(moment_), 3);
      case 'm':
        return number(moment_.month, 2);
      case 'd':
      case 'e':
        return number(moment_.day, letter == 'd' ? 2 : 1);
      case 'z':
        out_ += *moment_.offset < 0 ? '-' : '+';
        return number(std::abs(*moment_.offset) / 60 * 100 + std::abs(*moment_.offset) % 60, 4);
      case 'Z':
        if (moment_.zone != 0) {
          const auto name = zone_display_name(moment_, false, locale_);
          // Where the names are not known here, it is refused before.
          out_ += name.value_or(std::string_view());
          return 0;
        }
        out_ += parts_.is_long ? "UTC" : *moment_.offset == 0 ? "Z" : offset_text(*moment_.offset);
        return 0;
      default: {  // s and Q
        const std::int64_t seconds = seconds_since_1970(moment_) - *moment_.offset * 60;
        const std::int64_t millis = seconds * 1000 + moment_.nanosecond / 1'000'000;
        // A long is divided toward zero.
        return number(letter == 'Q' ? millis : parts_.is_long ? millis / 1000 : seconds, 1);
      }
    }
  }

  char number(std::int64_t number, std::size_t least) {
    std::string digits = std::to_string(std::abs(number));
    if (digits.size() < least) digits.insert(0, least - digits.size(), '0');
    // A slip of OpenJDK 17: the minus is moved as the digits are, three before the zero.
    if (number < 0) digits.insert(0, 1, '-');
    for (const char c : digits) append_utf8(zero_ - '0' + static_cast<unsigned char>(c), out_);
    return 0;
  }

  const TimeParts& parts_;
  const Moment& moment_;
  const JavaLocale& locale_;
  char32_t zero_;
  int year_;
  std::string& out_;
};

// "14:05", "14:05:07.250"
std::string local_time(const Moment& moment) {
  const std::string full = time_text(moment);
  const bool short_form = moment.second == 0 && moment.nanosecond == 0;
  return short_form ? full.substr(0, 5) : full;
}

std::string duration_string(int128 all) {
  auto seconds = static_cast<std::int64_t>(all / billion);
  auto nanos = static_cast<std::int64_t>(all % billion);
  if (nanos < 0) {
    nanos += billion;
    --seconds;
  }
  if (seconds == 0 && nanos == 0) return "PT0S";
  const bool borrows = seconds < 0 && nanos > 0;
  const std::int64_t shown = seconds + (borrows ? 1 : 0);
  std::string out = "PT";
  if (shown / 3600 != 0) out += std::to_string(shown / 3600) + "H";
  if (shown % 3600 / 60 != 0) out += std::to_string(shown % 3600 / 60) + "M";
  const std::int64_t rest = shown % 60;
  if (rest == 0 && nanos == 0) return out;
  out += borrows && rest == 0 ? "-0" : std::to_string(rest);
  if (nanos > 0) {
    std::string digits = std::to_string(seconds < 0 ? 2 * billion - nanos : nanos + billion);
    digits.erase(digits.find_last_not_of('0') + 1);
    digits[0] = '.';
    out += digits;
  }
  return out + "S";
}

std::uint32_t folded(std::uint64_t bits) {
  return static_cast<std::uint32_t>(bits ^ bits >> 32);
}

std::uint32_t date_hash(const Moment& moment) {
  const auto year = static_cast<std::uint32_t>(moment.year);
  return (year & 0xFFFFF800U) ^ ((year << 11) + (static_cast<std::uint32_t>(moment.month) << 6) +
                                 static_cast<std::uint32_t>(moment.day));
}

std::uint32_t clock_hash(const Moment& moment) {
  const std::int64_t seconds = moment.hour * 3600 + moment.minute * 60 + moment.second;
  return folded(static_cast<std::uint64_t>(seconds * billion + moment.nanosecond));
}

}  // namespace

bool has_times(const Value& value) {
  return value.is(Type::moment) || value.is(Type::date) || value.is(Type::time) ||
         class_of(value) == Class::long_class;
}

std::optional<Outcome> time_refused(const Value& value, char letter, const JavaLocale& locale,
                                    Span span) {
  constexpr int128 furthest = 60'000'000'000'000;
  if (is_whole(value.type()) && (value.as_whole() < -furthest || value.as_whole() > furthest))
    return Outcome::error({Code::not_supported_yet,
                           "moments outside the years 1 to 9999 are not supported yet", span,
                           "Give fewer milliseconds."});
  const bool names_zone = letter == 'Z' || letter == 'c';
  if (names_zone && value.is(Type::moment) && value.as_moment().zone != 0 &&
      !zone_display_name(value.as_moment(), false, locale))
    return Outcome::error({Code::not_supported_yet,
                           "the names of time zones in this locale are not supported yet", span,
                           "Use %tz."});
  return std::nullopt;
}

char append_time(const Value& value, char letter, const JavaLocale& locale, std::string& out) {
  const TimeParts parts = time_parts_of(value);
  return TimeText(parts, locale, out).append(letter);
}

std::string time_to_string(const Value& value) {
  if (value.is(Type::duration)) return duration_string(value.as_duration());
  const Moment moment = value.as_moment();
  if (value.is(Type::time)) return local_time(moment);
  if (value.is(Type::date)) return date_text(moment);
  std::string out = date_text(moment) + "T" + local_time(moment);
  if (moment.offset) out += *moment.offset == 0 ? "Z" : offset_text(*moment.offset);
  if (moment.zone != 0) ((out += '[') += zone_name(moment.zone)) += ']';
  return out;
}

std::uint32_t time_hash(const Value& value) {
  if (value.is(Type::duration)) {
    int128 seconds = value.as_duration() / billion;
    int128 nanos = value.as_duration() % billion;
    if (nanos < 0) {
      nanos += billion;
      --seconds;
    }
    return folded(static_cast<std::uint64_t>(seconds)) + 51 * static_cast<std::uint32_t>(nanos);
  }
  const Moment moment = value.as_moment();
  if (value.is(Type::time)) return clock_hash(moment);
  if (value.is(Type::date)) return date_hash(moment);
  const std::uint32_t local = date_hash(moment) ^ clock_hash(moment);
  if (!moment.offset) return local;
  std::uint32_t zone = 0;
  for (const char c : zone_name(moment.zone)) zone = zone * 31 + static_cast<unsigned char>(c);
  return local ^ static_cast<std::uint32_t>(*moment.offset * 60) ^ std::rotl(zone, 3);
}

}  // namespace inky::inline v1::java_language
