#include "times.hpp"

#include <algorithm>

#include "calendars.hpp"
#include "moments.hpp"

namespace inky::inline v1::csharp {

namespace {

// Whether a pattern has one of these codes outside of quotes, which the type does not take.
bool has_code(std::string_view pattern, std::string_view codes) {
  for (std::size_t at = 0; at < pattern.size(); ++at) {
    const char c = pattern[at];
    if (c == '\\') {
      ++at;
    } else if (c == '\'' || c == '"') {
      at = std::min(pattern.find(c, at + 1), pattern.size());
    } else if (codes.find(c) != std::string_view::npos) {
      return true;
    }
  }
  return false;
}

bool append_part_of_moment(const Value& value, std::string_view format, const Culture& given,
                           std::string& out, std::string& why) {
  const Culture culture = is_same_in_every_culture(format) ? invariant_culture() : given;
  const bool is_date = value.is(Type::date);
  if (format.empty()) format = is_date ? "d" : "t";
  if (format.size() == 1) {
    const char letter = format[0];
    const std::string_view letters = is_date ? "dDmMoOrRyY" : "tToOrR";
    if (letters.find(letter) == std::string_view::npos) {
      why = std::string(is_date ? "a DateOnly" : "a TimeOnly") + " has no format " +
            std::string(format);
      return false;
    }
    const bool round_trip = (letter | 0x20) == 'o';
    if (is_date && round_trip) format = "yyyy'-'MM'-'dd";
    if (is_date && (letter | 0x20) == 'r') format = "ddd, dd MMM yyyy";
    if (!is_date && round_trip) format = "HH':'mm':'ss'.'fffffff";
    if (!is_date && (letter | 0x20) == 'r') format = "HH':'mm':'ss";
  } else if (has_code(format, is_date ? ":tfFhHmszK" : "dMy/z")) {
    why = is_date ? "a DateOnly has no time" : "a TimeOnly has no date";
    return false;
  }
  return append_moment(value.as_moment(), false, format, culture, out, why);
}

// ---- Durations ----

struct SpanParts {
  bool negative = false;
  std::int64_t days = 0;
  int hours = 0;
  int minutes = 0;
  int seconds = 0;
  int ticks = 0;  // of 100 ns
};

SpanParts span_parts(int128 nanoseconds) {
  SpanParts out;
  out.negative = nanoseconds <= -100;
  int128 ticks = nanoseconds / 100;
  if (ticks < 0) ticks = -ticks;
  out.ticks = static_cast<int>(ticks % 10'000'000);
  auto seconds = static_cast<std::int64_t>(ticks / 10'000'000);
  out.days = seconds / 86'400;
  out.hours = static_cast<int>(seconds % 86'400 / 3'600);
  out.minutes = static_cast<int>(seconds % 3'600 / 60);
  out.seconds = static_cast<int>(seconds % 60);
  return out;
}

std::string digits_of(std::int64_t number, std::size_t least) {
  std::string digits = std::to_string(number);
  if (digits.size() < least) digits.insert(0, least - digits.size(), '0');
  return digits;
}

std::string standard_span(const SpanParts& span, char letter, const Culture& culture) {
  std::string out = span.negative ? "-" : "";
  const bool constant = letter != 'g' && letter != 'G';
  if (span.days != 0 || letter == 'G') out += std::to_string(span.days) + (constant ? "." : ":");
  out += digits_of(span.hours, letter == 'g' ? 1 : 2) + ":" + digits_of(span.minutes, 2) + ":" +
         digits_of(span.seconds, 2);
  if (span.ticks == 0 && letter != 'G') return out;
  std::string fraction = digits_of(span.ticks, 7);
  if (letter == 'g') fraction.erase(fraction.find_last_not_of('0') + 1);
  return out.append(constant ? "." : culture[Culture::point]) + fraction;
}

// Appends what a pattern makes of it; false where it is none.
bool fill_span(const SpanParts& span, std::string_view pattern, std::string& out,
               std::string& why) {
  const auto refuse = [&](std::string reason) {
    why = std::move(reason);
    return false;
  };
  for (std::size_t at = 0; at < pattern.size();) {
    const char c = pattern[at];
    const std::size_t end = std::min(pattern.find_first_not_of(c, at), pattern.size());
    const std::size_t count = end - at;
    switch (c) {
      case 'h':
      case 'm':
      case 's': {
        if (count > 2) return refuse("a part of a TimeSpan has two digits at most");
        const int number = c == 'h' ? span.hours : c == 'm' ? span.minutes : span.seconds;
        out += digits_of(number, count);
        at = end;
        break;
      }
      case 'd':
        if (count > 8) return refuse("the days of a TimeSpan have eight digits at most");
        out += digits_of(span.days, count);
        at = end;
        break;
      case 'f':
      case 'F': {
        if (count > 7) return refuse("a fraction of a second has seven places at most");
        std::string digits = digits_of(span.ticks, 7).substr(0, count);
        if (c == 'F') digits.erase(digits.find_last_not_of('0') + 1);
        out += digits;
        at = end;
        break;
      }
      case '\'':
      case '"': {
        for (++at; at < pattern.size() && pattern[at] != c; ++at) {
          if (pattern[at] == '\\' && ++at == pattern.size()) break;
          out += pattern[at];
        }
        if (at >= pattern.size()) return refuse("a closing quote is missing");
        ++at;
        break;
      }
      case '%':
        if (at + 1 >= pattern.size() || pattern[at + 1] == '%')
          return refuse("% needs one code after it");
        if (!fill_span(span, pattern.substr(at + 1, 1), out, why)) return false;
        at += 2;
        break;
      case '\\':
        if (at + 1 >= pattern.size()) return refuse("a backslash ends the pattern");
        out += pattern[at + 1];
        at += 2;
        break;
      default:
        return refuse("a TimeSpan takes no other characters than its codes; text is in quotes");
    }
  }
  return true;
}

bool append_span(const Value& value, std::string_view format, const Culture& culture,
                 std::string& out, std::string& why) {
  const SpanParts span = span_parts(value.as_duration());
  if (format.size() > 1) return fill_span(span, format, out, why);
  const char letter = format.empty() ? 'c' : format[0];
  if (std::string_view("ctTgG").find(letter) == std::string_view::npos) {
    why = "a TimeSpan has no format " + std::string(format);
    return false;
  }
  out += standard_span(span, letter, culture);
  return true;
}

}  // namespace

bool is_time_value(const Value& value) {
  return value.is(Type::moment) || value.type() >= Type::date;
}

bool append_time_value(const Value& value, std::string_view format, const Culture& culture,
                       std::string& out, std::string& why) {
  if (value.is(Type::duration)) return append_span(value, format, culture, out, why);
  if (value.is(Type::moment))
    return append_moment(value.as_moment(), has_utc_kind(value), format, culture, out, why);
  return append_part_of_moment(value, format, culture, out, why);
}

bool needs_other_calendar(const Value& value, std::string_view format, const Culture& culture) {
  const std::string_view calendar = culture[Culture::calendar];
  const bool has_date = value.is(Type::moment) || value.is(Type::date);
  if (!has_date || calendar == "Gregorian" || is_same_in_every_culture(format)) return false;
  // U goes by the Gregorian calendar, with an era of that.
  return format == "U" || !date_in_calendar(calendar, value.as_moment());
}

}  // namespace inky::inline v1::csharp
