#include "time_objects.hpp"

#include <algorithm>

#include "../computed/objects.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::java_language {

using computed::object_of;
using computed::object_part;

Value int_of(std::int64_t number) {
  return Value::whole(Type::i32, number);
}
int number_in(const Value& object, std::size_t part) {
  return static_cast<int>(object_part(object, part).as_whole());
}

Value period_between(const Moment& from, const Moment& to) {
  int months = (to.year - from.year) * 12 + to.month - from.month;
  int days = to.day - from.day;
  const auto days_apart = [](const Moment& a, const Moment& b) {
    return static_cast<int>((seconds_since_1970({b.year, b.month, b.day}) -
                             seconds_since_1970({a.year, a.month, a.day})) /
                            86'400);
  };
  if (months > 0 && days < 0) {
    --months;
    // Between the two, and so within the years that there are.
    days = days_apart(*months_later(from, months), to);
  } else if (months < 0 && days > 0) {
    ++months;
    days -= days_of_month(to.year, to.month);
  }
  return object_of(period_object, {int_of(months / 12), int_of(months % 12), int_of(days)});
}

// Instant.toString(): the seconds always, and as many groups of three digits as it takes.
std::string instant_text(const Moment& moment) {
  std::string out = date_text(moment) + "T";
  const auto two = [](int number) { return (number < 10 ? "0" : "") + std::to_string(number); };
  out += two(moment.hour) + ":" + two(moment.minute) + ":" + two(moment.second);
  if (moment.nanosecond != 0) {
    std::string digits = std::to_string(moment.nanosecond);
    digits.insert(0, 9 - digits.size(), '0');
    while (digits.ends_with("000")) digits.resize(digits.size() - 3);
    out += "." + digits;
  }
  return out + "Z";
}

namespace {

// Date.toString(): "EEE MMM dd HH:mm:ss zzz yyyy", in the zone of the machine.
std::string date_object_text(const Moment& moment) {
  const auto two = [](int number) { return (number < 10 ? "0" : "") + std::to_string(number); };
  std::string year = std::to_string(moment.year);
  year.insert(0, 4 - std::min<std::size_t>(year.size(), 4), '0');
  return std::string(english_weekday(weekday(moment)).substr(0, 3)) + " " +
         std::string(english_month(moment.month).substr(0, 3)) + " " + two(moment.day) + " " +
         two(moment.hour) + ":" + two(moment.minute) + ":" + two(moment.second) + " UTC " + year;
}

std::string period_text(const Value& period) {
  constexpr std::string_view letters = "YMD";
  std::string out = "P";
  for (std::size_t i = 0; i < letters.size(); ++i) {
    if (number_in(period, i) != 0) (out += std::to_string(number_in(period, i))) += letters[i];
  }
  return out.size() == 1 ? "P0D" : out;
}

}  // namespace

std::optional<std::string> object_text(const Value& object) {
  if (!computed::is_object(object)) return std::nullopt;
  const std::string kind = computed::object_kind(object);
  if (kind == instant_object) return instant_text(computed::object_part(object, 0).as_moment());
  if (kind == date_object) return date_object_text(computed::object_part(object, 0).as_moment());
  if (kind == period_object) return period_text(object);
  if (kind == year_object) return std::to_string(number_in(object, 0));
  if (kind == month_object)
    return date_text({number_in(object, 0), number_in(object, 1), 1}).substr(0, 7);
  if (kind == offset_object)
    return number_in(object, 0) == 0 ? "Z" : offset_text(number_in(object, 0));
  if (kind == zone_object) return std::string(zone_name(static_cast<Zone>(number_in(object, 0))));
  if (kind == context_object)
    return "precision=" + std::to_string(number_in(object, 0)) +
           " roundingMode=" + std::string(computed::object_part(object, 1).as_text());
  return std::nullopt;
}

Outcome object_refused(const std::string& field, Span span) {
  return Outcome::error({Code::not_supported_yet, field + " of such an object is not supported yet",
                         span, "Use %s, or a LocalDateTime."});
}

std::optional<std::vector<TimeStep>> reading_steps(std::string_view pattern) {
  using What = TimeStep::What;
  std::vector<TimeStep> out;
  for (std::size_t at = 0; at < pattern.size();) {
    const char c = pattern[at];
    const std::size_t behind = std::min(pattern.find_first_not_of(c, at), pattern.size());
    const int run = static_cast<int>(behind - at);
    const auto number = [&](What what) {
      if (run <= 2) out.push_back({what, run, 2});
      return run <= 2;
    };
    bool known = true;
    switch (c) {
      case 'y':
      case 'u':
        known = run == 2 || run == 4;
        out.push_back({run == 4 ? What::year : What::year_of_century, run, run});
        break;
      case 'M':
        known = run <= 4;
        if (run <= 2)
          number(What::month);
        else
          out.push_back({run == 3 ? What::short_month_name : What::month_name});
        break;
      case 'd':
        known = number(What::day);
        break;
      case 'E':
        known = run <= 4;
        out.push_back({run == 4 ? What::weekday_name : What::short_weekday_name});
        break;
      case 'H':
        known = number(What::hour);
        break;
      case 'h':
        known = number(What::hour_of_half);
        break;
      case 'm':
        known = number(What::minute);
        break;
      case 's':
        known = number(What::second);
        break;
      case 'S':
        known = run <= 9;
        out.push_back({What::fraction, run, run});
        break;
      case 'a':
        known = run == 1;
        out.push_back({What::half});
        break;
      case 'X':
        known = run == 3;
        out.push_back({What::offset});
        break;
      case '\'': {
        const std::size_t close = pattern.find('\'', at + 1);
        if (close == std::string_view::npos) return std::nullopt;
        const std::string_view text = pattern.substr(at + 1, close - at - 1);
        out.push_back({What::literal, 0, 0, text.empty() ? "'" : std::string(text)});
        at = close + 1;
        continue;
      }
      default:
        known = !is_word_start(c) && std::string_view("[]{}#").find(c) == std::string_view::npos &&
                (static_cast<unsigned char>(c) >= 0x20);
        out.push_back({What::literal, 0, 0, std::string(pattern.substr(at, behind - at))});
    }
    if (!known) return std::nullopt;
    at = behind;
  }
  // Digits of two parts side by side share them by rules of their own.
  for (std::size_t i = 0; i + 1 < out.size(); ++i) {
    const auto is_number = [](const TimeStep& step) {
      return What::year <= step.what && step.what <= What::fraction;
    };
    if (is_number(out[i]) && is_number(out[i + 1]) && out[i].least != out[i].most)
      return std::nullopt;
  }
  return out;
}

std::optional<std::string> pattern_of_old(std::string_view pattern) {
  std::string out;
  for (std::size_t at = 0; at < pattern.size();) {
    const char c = pattern[at];
    if (c == '\'') {
      const std::size_t close = pattern.find('\'', at + 1);
      if (close == std::string_view::npos) return std::nullopt;
      out += pattern.substr(at, close + 1 - at);
      at = close + 1;
      continue;
    }
    const std::size_t behind = std::min(pattern.find_first_not_of(c, at), pattern.size());
    const std::size_t run = behind - at;
    const std::string_view letters = pattern.substr(at, run);
    const bool plain =
        (c == 'y' && run != 3) || (c == 'M' && run <= 4) ||
        (std::string_view("dHhKkms").find(c) != std::string_view::npos && run <= 2) ||
        (c == 'S' && run == 3) || (c == 'X' && run <= 3);
    if (plain)
      out += letters;
    else if (c == 'E')
      out += run >= 4 ? "EEEE" : "EEE";
    else if (c == 'a')
      out += "a";
    else if (c == 'z' && run <= 3)
      out += "'UTC'";
    else if (c == 'Z')
      out += "'+0000'";
    else if (is_word_start(c) || std::string_view("[]{}#").find(c) != std::string_view::npos)
      return std::nullopt;
    else
      out += letters;
    at = behind;
  }
  return out;
}

}  // namespace inky::inline v1::java_language
