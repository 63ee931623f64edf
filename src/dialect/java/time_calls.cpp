// java.time in expressions: LocalDate, LocalDateTime, LocalTime, OffsetDateTime, Duration, and
// DateTimeFormatter.

#include <algorithm>
#include <cstdlib>

#include "../computed/objects.hpp"
#include "../family/instants.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "time_patterns.hpp"
#include "times.hpp"
#include "values.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;

constexpr int128 nanos_of_second = 1'000'000'000;
constexpr int128 nanos_of_day = 86'400 * nanos_of_second;

// Days and months of java.time are their names.
constexpr std::string_view day_names[] = {"SUNDAY",   "MONDAY", "TUESDAY", "WEDNESDAY",
                                          "THURSDAY", "FRIDAY", "SATURDAY"};
constexpr std::string_view month_names[] = {"JANUARY",   "FEBRUARY", "MARCH",    "APRIL",
                                            "MAY",       "JUNE",     "JULY",     "AUGUST",
                                            "SEPTEMBER", "OCTOBER",  "NOVEMBER", "DECEMBER"};

std::optional<int> place_of(std::span<const std::string_view> names, std::string_view name) {
  const auto found = std::find(names.begin(), names.end(), name);
  if (found == names.end()) return std::nullopt;
  return static_cast<int>(found - names.begin());
}

}  // namespace

std::optional<int> month_of_name(std::string_view name) {
  const auto at = place_of(month_names, name);
  return at ? std::optional(*at + 1) : std::nullopt;
}
std::optional<int> weekday_of_name(std::string_view name) {
  return place_of(day_names, name);
}

namespace {

int128 clock_of(const Moment& moment) {
  return int128{moment.hour * 3600 + moment.minute * 60 + moment.second} * nanos_of_second +
         moment.nanosecond;
}

int128 local_of(const Moment& moment) {
  return int128{seconds_since_1970(moment)} * nanos_of_second + moment.nanosecond;
}

struct Unit {
  std::string_view name;
  int128 nanoseconds;
};
constexpr Unit units[] = {{"Weeks", 7 * nanos_of_day},
                          {"Days", nanos_of_day},
                          {"Hours", 3600 * nanos_of_second},
                          {"Minutes", 60 * nanos_of_second},
                          {"Seconds", nanos_of_second},
                          {"Millis", 1'000'000},
                          {"Nanos", 1}};
const Unit* unit_named(std::string_view name) {
  const auto found = std::find_if(std::begin(units), std::end(units),
                                  [&](const Unit& one) { return one.name == name; });
  return found == std::end(units) ? nullptr : found;
}

Value with_type(const Value& like, const Moment& moment) {
  return like.is(Type::date)   ? Value::date(moment)
         : like.is(Type::time) ? Value::time(moment)
                               : Value::moment(moment);
}

}  // namespace

std::optional<bool> Expressions::make_time(const Node& node, std::string_view path,
                                           const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const std::size_t point = path.find('.');
  if (point == std::string_view::npos) return std::nullopt;
  const std::string_view type = path.substr(0, point);
  const std::string_view name = path.substr(point + 1);
  if (type == "DateTimeFormatter") return make_time_format(node, name, arguments, out);
  if (type == "Duration" && name.starts_with("of") && count == 1) {
    const Unit* unit = unit_named(name.substr(2));
    std::int64_t amount = 0;
    if (unit == nullptr || unit->name == "Weeks" || !is_number(arguments[0]) ||
        is_real(arguments[0].type()))
      return std::nullopt;
    const Integer given = computed::whole_of(arguments[0]);
    constexpr std::int64_t most = std::int64_t{1} << 40;
    if (given > most || given < -most) return not_yet("a duration this long is", node);
    amount = given.convert_to<std::int64_t>();
    out = Value::duration(unit->nanoseconds * amount);
    return true;
  }
  if (path == "Duration.between" && count == 2 && arguments[0].is(arguments[1].type()) &&
      (arguments[0].is(Type::moment) || arguments[0].is(Type::time))) {
    out = Value::duration(instant_of(arguments[1].as_moment()) -
                          instant_of(arguments[0].as_moment()));
    return true;
  }
  const bool is_date = type == "LocalDate";
  const bool is_time = type == "LocalTime";
  const bool is_both = type == "LocalDateTime";
  const bool is_offset = type == "OffsetDateTime";
  if (!is_date && !is_time && !is_both && !is_offset) return std::nullopt;
  if (name == "parse" && count == 1 && arguments[0].is(Type::text)) {
    const std::string_view text = arguments[0].as_text();
    const auto read = is_date   ? read_date(text)
                      : is_time ? read_time(text)
                                : read_plain_moment(text);
    const bool suits = read && read->offset.has_value() == is_offset &&
                       (is_date || is_time || text.find('T') != std::string_view::npos);
    if (!suits) return not_yet("reading this text is", node);
    out = is_date ? Value::date(*read) : is_time ? Value::time(*read) : Value::moment(*read);
    return true;
  }
  if (name != "of" || is_offset) return std::nullopt;
  if (is_both && count == 2 && arguments[0].is(Type::date) && arguments[1].is(Type::time)) {
    Moment moment = arguments[0].as_moment();
    const Moment clock = arguments[1].as_moment();
    moment.hour = clock.hour;
    moment.minute = clock.minute;
    moment.second = clock.second;
    moment.nanosecond = clock.nanosecond;
    out = Value::moment(moment);
    return true;
  }
  const std::size_t least = is_date ? 3 : is_time ? 2 : 5;
  const std::size_t most = is_date ? 3 : is_time ? 4 : 7;
  if (count < least || count > most) return not_yet(std::string(path) + " with these is", node);
  std::int64_t parts[7] = {1, 1, 1, 0, 0, 0, 0};
  const std::size_t first = is_time ? 3 : 0;
  for (std::size_t i = 0; i < count; ++i) {
    const auto month = first + i == 1 && arguments[i].is(Type::text)
                           ? month_of_name(arguments[i].as_text())
                           : std::nullopt;
    if (month)
      parts[1] = *month;
    else if (!take_int(node, arguments[i], parts[first + i]))
      return false;
  }
  if (parts[0] < 1 || parts[0] > 9999) return not_yet("such a year is", node);
  const bool good =
      1 <= parts[1] && parts[1] <= 12 && 1 <= parts[2] &&
      parts[2] <= days_of_month(static_cast<int>(parts[0]), static_cast<int>(parts[1])) &&
      0 <= parts[3] && parts[3] < 24 && 0 <= parts[4] && parts[4] < 60 && 0 <= parts[5] &&
      parts[5] < 60 && 0 <= parts[6] && parts[6] < 1'000'000'000;
  if (!good)
    return fail(computed::Trouble::When::run, "DateTimeException", "there is no such date or time",
                node);
  const Moment moment{static_cast<int>(parts[0]), static_cast<int>(parts[1]),
                      static_cast<int>(parts[2]), static_cast<int>(parts[3]),
                      static_cast<int>(parts[4]), static_cast<int>(parts[5]),
                      static_cast<int>(parts[6])};
  out = is_date ? Value::date(moment) : is_time ? Value::time(moment) : Value::moment(moment);
  return true;
}

// MAY.getDisplayName(TextStyle.SHORT, Locale.FRANCE)
std::optional<bool> Expressions::call_on_name(const Node& node, const Value& of,
                                              const Arguments& arguments, Value& out) {
  using enum JavaLocale::Part;
  const auto day = place_of(day_names, of.as_text());
  const auto month = place_of(month_names, of.as_text());
  const std::string& name = node.parts[0].text;
  if (!day && !month) return std::nullopt;
  if (name == "getValue" && arguments.size() == 0) {
    out = Value::whole(Type::i32, month ? *month + 1 : (*day + 6) % 7 + 1);
    return true;
  }
  if (name != "getDisplayName" || arguments.size() != 2 || !arguments[0].is(Type::text) ||
      !computed::is_object(arguments[1], locale_object))
    return std::nullopt;
  const std::string_view style = arguments[0].as_text();
  constexpr std::string_view styles[] = {"FULL",   "FULL_STANDALONE",  "SHORT", "SHORT_STANDALONE",
                                         "NARROW", "NARROW_STANDALONE"};
  constexpr JavaLocale::Part months_by_style[] = {formatter_months,        lone_months,
                                                  formatter_short_months,  lone_short_months,
                                                  formatter_narrow_months, lone_narrow_months};
  constexpr JavaLocale::Part days_by_style[] = {formatter_days,        lone_days,
                                                formatter_short_days,  lone_short_days,
                                                formatter_narrow_days, lone_narrow_days};
  const auto at = place_of(styles, style);
  if (!at) return not_yet("this style is", node);
  const JavaLocale locale = locale_or_root(computed::object_part(arguments[1], 0).as_text());
  out = Value::text(std::string(month ? locale.name(months_by_style[*at], *month)
                                      : locale.name(days_by_style[*at], *day)));
  return true;
}

// plusDays(1), format(formatter), getYear()
std::optional<bool> Expressions::call_on_time(const Node& node, const Value& of,
                                              const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const auto give = [&](std::int64_t number) {
    out = Value::whole(Type::i32, number);
    return true;
  };
  if (name == "toString" && count == 0) return shown(node, of, out);
  if (name == "equals" && count == 1 && arguments[0].is(of.type())) {
    const auto same = [&] {
      if (of.is(Type::duration)) return of.as_duration() == arguments[0].as_duration();
      const Moment a = of.as_moment();
      const Moment b = arguments[0].as_moment();
      return local_of(a) == local_of(b) && zone_of(a) == zone_of(b);
    };
    out = Value::truth(same());
    return true;
  }
  if (name == "hashCode" && count == 0) return give(static_cast<std::int32_t>(time_hash(of)));
  if (of.is(Type::duration)) {
    const int128 length = of.as_duration();
    const auto floor_by = [&](int128 unit) { return length / unit - (length % unit < 0 ? 1 : 0); };
    const int128 seconds = floor_by(nanos_of_second);
    const auto give_long = [&](int128 number) {
      out = Value::whole(Type::i64, number);
      return true;
    };
    if (count != 0) return std::nullopt;
    // Whole seconds are cut toward zero.
    if (name == "toDays") return give_long(seconds / 86'400);
    if (name == "toHours") return give_long(seconds / 3'600);
    if (name == "toMinutes") return give_long(seconds / 60);
    if (name == "getSeconds" || name == "toSeconds") return give_long(seconds);
    if (name == "toHoursPart") return give(static_cast<std::int64_t>(seconds / 3'600 % 24));
    if (name == "toMinutesPart") return give(static_cast<std::int64_t>(seconds / 60 % 60));
    if (name == "toSecondsPart") return give(static_cast<std::int64_t>(seconds % 60));
    if (name == "isNegative") {
      out = Value::truth(length < 0);
      return true;
    }
    return std::nullopt;
  }
  if (name == "format" && count == 1 && computed::is_object(arguments[0], time_format_object))
    return show_by(node, of, arguments[0], out);
  const Moment moment = of.as_moment();
  const bool has_date = !of.is(Type::time);
  const bool has_clock = !of.is(Type::date);
  if (count == 0) {
    const std::pair<std::string_view, int> dates[] = {{"getYear", moment.year},
                                                      {"getMonthValue", moment.month},
                                                      {"getDayOfMonth", moment.day},
                                                      {"getDayOfYear", day_of_year(moment)}};
    const std::pair<std::string_view, int> clocks[] = {{"getHour", moment.hour},
                                                       {"getMinute", moment.minute},
                                                       {"getSecond", moment.second},
                                                       {"getNano", moment.nanosecond}};
    for (const auto& [known, number] : dates) {
      if (has_date && known == name) return give(number);
    }
    for (const auto& [known, number] : clocks) {
      if (has_clock && known == name) return give(number);
    }
    if (has_date && (name == "getDayOfWeek" || name == "getMonth"))
      out = Value::text(std::string(name == "getMonth" ? month_names[moment.month - 1]
                                                       : day_names[weekday(moment)]));
    else if (of.is(Type::moment) && name == "toLocalDate")
      out = Value::date({moment.year, moment.month, moment.day});
    else if (of.is(Type::moment) && name == "toLocalTime")
      out = Value::time({1, 1, 1, moment.hour, moment.minute, moment.second, moment.nanosecond});
    else if (of.is(Type::date) && name == "atStartOfDay")
      out = Value::moment({moment.year, moment.month, moment.day});
    else if (of.is(Type::date) && (name == "isLeapYear" || name == "lengthOfMonth"))
      out = name == "isLeapYear"
                ? Value::truth(is_leap_year(moment.year))
                : Value::whole(Type::i32, days_of_month(moment.year, moment.month));
    else
      return std::nullopt;
    return true;
  }
  if (count == 1 && of.is(arguments[0].type()) &&
      (name == "isBefore" || name == "isAfter" || (name == "isEqual" && has_date))) {
    const Moment other = arguments[0].as_moment();
    const int128 a = instant_of(moment);
    const int128 b = instant_of(other);
    if (moment.offset.has_value() != other.offset.has_value()) return std::nullopt;
    out = Value::truth(name == "isBefore" ? a < b : name == "isAfter" ? a > b : a == b);
    return true;
  }
  const bool adds = name.starts_with("plus");
  if (count != 1 || (!adds && !name.starts_with("minus"))) return std::nullopt;
  const std::string_view what = std::string_view(name).substr(adds ? 4 : 5);
  if (what.empty() && arguments[0].is(Type::duration) && of.is(Type::moment))
    return move_time(node, of, adds ? arguments[0].as_duration() : -arguments[0].as_duration(),
                     false, out);
  if (!is_number(arguments[0]) || is_real(arguments[0].type())) return std::nullopt;
  const Integer given = computed::whole_of(arguments[0]);
  constexpr std::int64_t most = 1'000'000'000;
  if (given > most || given < -most) return not_yet("a step of more than 1,000,000,000 is", node);
  const std::int64_t amount = given.convert_to<std::int64_t>() * (adds ? 1 : -1);
  if ((what == "Months" || what == "Years") && has_date) {
    const auto moved = months_later(moment, amount * (what == "Years" ? 12 : 1));
    if (!moved) return not_yet("such a year is", node);
    if (moment.zone != 0)
      return give_zoned(node, zoned(*moved, zone_of(moment), moment.offset), out);
    out = with_type(of, *moved);
    return true;
  }
  const Unit* unit = unit_named(what);
  const bool of_days = what == "Days" || what == "Weeks";
  if (unit == nullptr || what == "Millis" || (of_days ? !has_date : !has_clock))
    return std::nullopt;
  return move_time(node, of, unit->nanoseconds * amount, of_days, out);
}

bool Expressions::move_time(const Node& node, const Value& of, int128 by, bool of_days,
                            Value& out) {
  const Moment moment = of.as_moment();
  if (moment.zone != 0 && !of_days)
    return give_zoned(node, moment_at(instant_of(moment) + by, zone_of(moment)), out);
  int128 local = of.is(Type::time) ? clock_of(moment) : local_of(moment);
  local += by;
  if (of.is(Type::time)) local = (local % nanos_of_day + nanos_of_day) % nanos_of_day;
  if (of.is(Type::time)) local += local_of({});  // in the year 1
  const auto moved = moment_at(local, moment.offset);
  if (!moved) return not_yet("such a year is", node);
  if (moment.zone != 0) return give_zoned(node, zoned(*moved, zone_of(moment), moment.offset), out);
  out = with_type(of, *moved);
  return true;
}

}  // namespace inky::inline v1::java_language
