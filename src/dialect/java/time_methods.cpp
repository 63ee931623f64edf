// Methods of objects of java.time and java.util, and methods of times that take or give one.

#include <algorithm>
#include <cstdlib>

#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "time_objects.hpp"
#include "times.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

using computed::Node;
using computed::object_of;
using computed::object_part;

// date.with(TemporalAdjusters.firstDayOfMonth())
std::optional<bool> Expressions::adjust(const Node& node, const Value& of, const Value& adjuster,
                                        Value& out) {
  const std::string_view name = object_part(adjuster, 0).as_text();
  Moment moment = of.as_moment();
  const auto give = [&] {
    out = Value::date(moment);
    return of.is(Type::date) ||
           give_zoned(node, zoned(moment, zone_of(moment), moment.offset), out);
  };
  if (name == "firstDayOfMonth" || name == "firstDayOfYear") {
    moment.day = 1;
    if (name == "firstDayOfYear") moment.month = 1;
    return give();
  }
  if (name == "lastDayOfMonth" || name == "lastDayOfYear") {
    if (name == "lastDayOfYear") moment.month = 12;
    moment.day = days_of_month(moment.year, moment.month);
    return give();
  }
  if (name == "firstDayOfNextMonth" || name == "firstDayOfNextYear") {
    moment.day = 1;
    const bool next_year = name == "firstDayOfNextYear" || moment.month == 12;
    if (next_year && moment.year == 9999) return not_yet("such a year is", node);
    if (next_year) ++moment.year;
    moment.month = next_year ? 1 : moment.month + 1;
    return give();
  }
  const auto day = object_part(adjuster, 1).is(Type::text)
                       ? weekday_of_name(object_part(adjuster, 1).as_text())
                       : std::nullopt;
  if (!day) return std::nullopt;
  const int ahead = (*day - weekday(moment) + 7) % 7;
  const int by = name == "next"         ? (ahead == 0 ? 7 : ahead)
                 : name == "nextOrSame" ? ahead
                 : name == "previous"   ? (ahead == 0 ? -7 : ahead - 7)
                                        : (ahead == 0 ? 0 : ahead - 7);
  return move_time(node, of, int128{by} * 86'400 * nanoseconds_per_second, true, out);
}

std::optional<bool> Expressions::call_on_object(const Node& node, const Value& of,
                                                const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (!computed::is_object(of)) return std::nullopt;
  const std::string kind = computed::object_kind(of);
  const auto give_long = [&](int128 number) {
    out = Value::whole(Type::i64, number);
    return true;
  };
  const auto give = [&](int number) {
    out = int_of(number);
    return true;
  };
  if (name == "toString" && count == 0) {
    auto text = object_text(of);
    if (!text) return std::nullopt;
    out = Value::text(std::move(*text));
    return true;
  }
  if (kind == old_format_object && name == "format" && count == 1 &&
      computed::is_object(arguments[0], date_object)) {
    return show_by(node, object_part(arguments[0], 0),
                   object_of(time_format_object,
                             {Value(object_part(of, 0)), Value(object_part(of, 1)), Value()}),
                   out);
  }
  if (kind == instant_object || kind == date_object) {
    const Moment moment = object_part(of, 0).as_moment();
    const int128 instant = instant_of(moment);
    const auto down = [&](int128 unit) { return instant / unit - (instant % unit < 0 ? 1 : 0); };
    if (count == 0 && name == (kind == date_object ? "getTime" : "toEpochMilli"))
      return give_long(down(1'000'000));
    if (count == 0 && name == "getEpochSecond") return give_long(down(nanoseconds_per_second));
    if (count == 0 && name == "toInstant" && kind == date_object) {
      out = object_of(instant_object, {Value(object_part(of, 0))});
      return true;
    }
    const bool adds = name.starts_with("plus");
    if (kind == instant_object && count == 1 && (adds || name.starts_with("minus"))) {
      const std::string unit = name.substr(adds ? 4 : 5);
      int128 by = 0;
      if (unit.empty() && arguments[0].is(Type::duration))
        by = arguments[0].as_duration();
      else if ((unit == "Seconds" || unit == "Millis") && is_number(arguments[0]) &&
               !is_real(arguments[0].type()) &&
               computed::fits(Type::i64, computed::whole_of(arguments[0])))
        by = computed::whole_of(arguments[0]).convert_to<std::int64_t>() *
             (unit == "Seconds" ? nanoseconds_per_second : int128{1'000'000});
      else
        return std::nullopt;
      const auto moved = moment_at(adds ? instant + by : instant - by, 0);
      if (!moved) return not_yet("such a year is", node);
      out = object_of(instant_object, {Value::moment(*moved)});
      return true;
    }
    if (kind == instant_object && name == "atOffset" && count == 1 &&
        computed::is_object(arguments[0], offset_object)) {
      const int minutes = number_in(arguments[0], 0);
      const auto moved =
          moment_at(instant + int128{minutes} * 60 * nanoseconds_per_second, minutes);
      if (!moved) return not_yet("such a year is", node);
      out = Value::moment(*moved);
      return true;
    }
    return std::nullopt;
  }
  if (kind == period_object && count == 0) {
    constexpr std::string_view names[] = {"getYears", "getMonths", "getDays"};
    for (std::size_t i = 0; i < 3; ++i) {
      if (names[i] == name) return give(number_in(of, i));
    }
    if (name == "toTotalMonths") return give_long(int128{number_in(of, 0)} * 12 + number_in(of, 1));
    return std::nullopt;
  }
  if (kind == year_object && count == 0) {
    if (name == "isLeap") {
      out = Value::truth(is_leap_year(number_in(of, 0)));
      return true;
    }
    if (name == "length") return give(is_leap_year(number_in(of, 0)) ? 366 : 365);
    return name == "getValue" ? std::optional(give(number_in(of, 0))) : std::nullopt;
  }
  if (kind == month_object) {
    const int days = days_of_month(number_in(of, 0), number_in(of, 1));
    if (count == 0 && name == "lengthOfMonth") return give(days);
    if (count == 0 && name == "getYear") return give(number_in(of, 0));
    if (count == 0 && name == "getMonthValue") return give(number_in(of, 1));
    std::int64_t day = days;
    if (name == "atDay" && count == 1) {
      if (!take_int(node, arguments[0], day)) return false;
      if (day < 1 || day > days)
        return fail(computed::Trouble::When::run, "DateTimeException", "there is no such day",
                    node);
    } else if (name != "atEndOfMonth" || count != 0) {
      return std::nullopt;
    }
    out = Value::date({number_in(of, 0), number_in(of, 1), static_cast<int>(day)});
    return true;
  }
  return std::nullopt;
}

// What methods of dates and times make of such objects, and objects of them.
std::optional<bool> Expressions::call_with_object(const Node& node, const Value& of,
                                                  const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (of.is(Type::duration)) {
    const int128 length = of.as_duration();
    const bool in_milliseconds = name == "toMillis";
    if (count != 0 || (!in_milliseconds && name != "toNanos")) return std::nullopt;
    out = Value::whole(Type::i64, in_milliseconds
                                      ? length / 1'000'000 - (length % 1'000'000 < 0 ? 1 : 0)
                                      : length);
    return true;
  }
  Moment moment = of.as_moment();
  const bool has_date = !of.is(Type::time);
  const auto keep = [&] {
    if (of.is(Type::moment))
      return give_zoned(node, zoned(moment, zone_of(moment), moment.offset), out);
    out = of.is(Type::date) ? Value::date(moment) : Value::time(moment);
    return true;
  };
  if (name == "with" && count == 1 && has_date &&
      computed::is_object(arguments[0], adjuster_object))
    return adjust(node, of, arguments[0], out);
  if (count == 1 && has_date && computed::is_object(arguments[0], period_object) &&
      (name == "plus" || name == "minus")) {
    const int sign = name == "plus" ? 1 : -1;
    const std::int64_t months =
        std::int64_t{number_in(arguments[0], 0)} * 12 + number_in(arguments[0], 1);
    const auto later = months_later(moment, sign * months);
    if (!later) return not_yet("such a year is", node);
    const Value moved = of.is(Type::date) ? Value::date(*later) : Value::moment(*later);
    return move_time(node, moved,
                     int128{sign} * number_in(arguments[0], 2) * 86'400 * nanoseconds_per_second,
                     true, out);
  }
  const bool to_offset = name == "atOffset" || name == "withOffsetSameInstant" ||
                         name == "withOffsetSameLocal" || name == "toInstant" ||
                         name == "toEpochSecond";
  if (of.is(Type::moment) && to_offset) {
    const bool has_argument = count == 1 && computed::is_object(arguments[0], offset_object);
    const int minutes = has_argument ? number_in(arguments[0], 0) : moment.offset.value_or(0);
    if (count != (has_argument ? 1U : 0U)) return std::nullopt;
    const bool is_local = !moment.offset.has_value();
    if (is_local && !has_argument) return std::nullopt;
    if (name == "toEpochSecond") {
      Moment with = moment;
      with.offset = minutes;
      const int128 at = instant_of(with);
      out = Value::whole(Type::i64,
                         at / nanoseconds_per_second - (at % nanoseconds_per_second < 0 ? 1 : 0));
      return true;
    }
    if (name == "toInstant") {
      Moment with = moment;
      with.offset = minutes;
      const auto at = moment_at(instant_of(with), 0);
      if (!at) return not_yet("such a year is", node);
      out = object_of(instant_object, {Value::moment(*at)});
      return true;
    }
    if (moment.zone != 0) return std::nullopt;
    if (name == "withOffsetSameInstant" && !is_local) {
      const auto moved =
          moment_at(instant_of(moment) + int128{minutes} * 60 * nanoseconds_per_second, minutes);
      if (!moved) return not_yet("such a year is", node);
      moment = *moved;
    } else if ((name == "atOffset") != is_local) {
      return std::nullopt;
    }
    moment.offset = minutes;
    return keep();
  }
  if (of.is(Type::moment) && name == "toLocalDateTime" && count == 0 && moment.offset) {
    moment.offset.reset();
    moment.zone = 0;
    return keep();
  }
  if (of.is(Type::date) && name == "toEpochDay" && count == 0) {
    out = Value::whole(Type::i64, seconds_since_1970(moment) / 86'400);
    return true;
  }
  if (of.is(Type::date) && name == "lengthOfYear" && count == 0) {
    out = int_of(is_leap_year(moment.year) ? 366 : 365);
    return true;
  }
  if (of.is(Type::date) && name == "until" && count == 1 && arguments[0].is(Type::date)) {
    out = period_between(moment, arguments[0].as_moment());
    return true;
  }
  if (of.is(Type::date) && name == "atTime" && count >= 1 && count <= 3) {
    Moment clock;
    if (arguments[0].is(Type::time) && count == 1) {
      clock = arguments[0].as_moment();
    } else {
      Value made;
      const auto done = make_time(node, "LocalTime.of", arguments, made);
      if (!done || !*done) return done;
      clock = made.as_moment();
    }
    out = Value::moment({moment.year, moment.month, moment.day, clock.hour, clock.minute,
                         clock.second, clock.nanosecond});
    return true;
  }
  if (name == "truncatedTo" && count == 1 && arguments[0].is(Type::text) && !of.is(Type::date)) {
    const std::string_view unit = arguments[0].as_text();
    if (!has_word("DAYS HOURS MINUTES SECONDS", unit)) return std::nullopt;
    moment.nanosecond = 0;
    if (unit != "SECONDS") moment.second = 0;
    if (unit == "HOURS" || unit == "DAYS") moment.minute = 0;
    if (unit == "DAYS") moment.hour = 0;
    return keep();
  }
  constexpr std::string_view setter = "with";
  if (!name.starts_with(setter) || count != 1) return std::nullopt;
  const std::pair<std::string_view, int*> parts[] = {
      {"Year", &moment.year},      {"Month", &moment.month},   {"DayOfMonth", &moment.day},
      {"Hour", &moment.hour},      {"Minute", &moment.minute}, {"Second", &moment.second},
      {"Nano", &moment.nanosecond}};
  for (std::size_t i = 0; i < std::size(parts); ++i) {
    const bool of_date = i < 3;
    if (parts[i].first != name.substr(setter.size())) continue;
    if (of_date ? !has_date : of.is(Type::date)) return std::nullopt;
    std::int64_t number = 0;
    if (!take_int(node, arguments[0], number)) return false;
    const std::int64_t most[] = {9999, 12, 31, 23, 59, 59, 999'999'999};
    if (number < (of_date ? 1 : 0) || number > most[i])
      return i == 0 ? not_yet("such a year is", node)
                    : fail(computed::Trouble::When::run, "DateTimeException",
                           "there is no such date or time", node);
    *parts[i].second = static_cast<int>(number);
    const int days = days_of_month(moment.year, moment.month);
    if (moment.day > days && i == 2)
      return fail(computed::Trouble::When::run, "DateTimeException", "there is no such date", node);
    moment.day = std::min(moment.day, days);
    return keep();
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::java_language
