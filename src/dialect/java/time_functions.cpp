// Objects of java.time and java.util in expressions: what makes them, and their methods.

#include <algorithm>
#include <cstdlib>

#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "time_objects.hpp"
#include "time_patterns.hpp"
#include "times.hpp"

namespace inky::inline v1::java_language {

using computed::Node;
using computed::object_of;
using computed::object_part;

// What is printed of an object: its text.
Value Expressions::as_shown(const Value& value) {
  auto text = object_text(value);
  if (!text) return value;
  Value out = Value::text(std::move(*text));
  out.set_expression();
  return out;
}

std::optional<Value> Expressions::object_constant(std::string_view path) {
  const std::pair<std::string_view, Value> known[] = {
      {"ZoneOffset.UTC", object_of(offset_object, {int_of(0)})},
      {"Instant.EPOCH", object_of(instant_object, {Value::moment({1970, 1, 1, 0, 0, 0, 0, 0})})},
      {"LocalDate.EPOCH", Value::date({1970, 1, 1})},
      {"LocalTime.MIDNIGHT", Value::time({})},
      {"LocalTime.MIN", Value::time({})},
      {"LocalTime.NOON", Value::time({1, 1, 1, 12})},
      {"LocalTime.MAX", Value::time({1, 1, 1, 23, 59, 59, 999'999'999})},
      {"Duration.ZERO", Value::duration(0)},
      {"Period.ZERO", object_of(period_object, {int_of(0), int_of(0), int_of(0)})},
      {"MathContext.DECIMAL32", object_of(context_object, {int_of(7), Value::text("HALF_EVEN")})},
      {"MathContext.DECIMAL64", object_of(context_object, {int_of(16), Value::text("HALF_EVEN")})},
      {"MathContext.DECIMAL128", object_of(context_object, {int_of(34), Value::text("HALF_EVEN")})},
      {"MathContext.UNLIMITED", object_of(context_object, {int_of(0), Value::text("HALF_UP")})}};
  for (const auto& [name, value] : known) {
    if (name == path) return value;
  }
  // By their names.
  for (const std::string_view type : {"Month.", "DayOfWeek.", "ChronoUnit."}) {
    if (path.starts_with(type) && path.find('.', type.size()) == std::string_view::npos)
      return Value::text(std::string(path.substr(type.size())));
  }
  return std::nullopt;
}

// LocalDate.parse("09/05/2031", formatter)
bool Expressions::read_time_by(const Node& node, std::string_view type, const Arguments& arguments,
                               Value& out) {
  const bool good = arguments.size() == 2 && arguments[0].is(Type::text) &&
                    computed::is_object(arguments[1], time_format_object);
  if (!good) return not_yet("parse() with these arguments is", node);
  const std::string_view text = arguments[0].as_text();
  const JavaLocale locale = locale_or_root(object_part(arguments[1], 1).as_text());
  const auto steps = reading_steps(object_part(arguments[1], 0).as_text());
  if (!steps) return not_yet("reading by this pattern is", node);
  const auto parts = read_time_parts(text, *steps, false);
  const auto fails = [&] {
    return this->fail(computed::Trouble::When::run, "DateTimeParseException",
                      "Text '" + std::string(text) + "' could not be parsed", node);
  };
  if (!parts) {
    const bool has_names = std::any_of(steps->begin(), steps->end(), [](const TimeStep& step) {
      return step.what >= TimeStep::What::month_name;
    });
    return has_names ? not_yet("reading this text is", node) : fails();
  }
  // The names that were read are English ones.
  using Part = JavaLocale::Part;
  const bool is_english =
      locale.name(Part::formatter_months, 4) == english_month(5) &&
      locale.name(Part::formatter_short_months, 8) == english_month(9).substr(0, 3) &&
      locale.name(Part::formatter_days, 1) == english_weekday(1) &&
      locale.name(Part::formatter_halves, 1) == "PM";
  for (const TimeStep& step : *steps) {
    if (step.what >= TimeStep::What::month_name && step.what != TimeStep::What::offset &&
        !is_english)
      return not_yet("reading names of this locale is", node);
  }
  Moment usual{0, 0, 0};
  const bool is_time = type == "LocalTime";
  const bool has_date = (parts->year || parts->year_of_century) && parts->month && parts->day;
  const bool has_clock = parts->hour || (parts->hour_of_half && parts->afternoon);
  if ((!is_time && !has_date) || (type != "LocalDate" && !has_clock)) return fails();
  if (is_time) usual = Moment{};
  TimeParts settled = *parts;
  const int year = parts->year.value_or(parts->year_of_century.value_or(1) + 2000);
  if (!is_time && year < 1) return not_yet("such a year is", node);
  // The last day of the month where there is no such day: ResolverStyle.SMART.
  if (!is_time) settled.day = std::min(*parts->day, days_of_month(year, *parts->month));
  constexpr int all_of_2000 = 100;
  auto moment = moment_of(settled, usual, all_of_2000);
  if (!moment || (parts->weekday && *parts->weekday != weekday(*moment))) return fails();
  if ((type == "OffsetDateTime") != parts->offset.has_value()) return fails();
  if (type == "LocalDate") moment->hour = moment->minute = moment->second = moment->nanosecond = 0;
  out = is_time               ? Value::time(*moment)
        : type == "LocalDate" ? Value::date(*moment)
                              : Value::moment(*moment);
  return true;
}

std::optional<bool> Expressions::make_offset(const Node& node, std::string_view name,
                                             const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  int minutes = 0;
  if (name == "of" && count == 1 && arguments[0].is(Type::text)) {
    const auto read = read_plain_moment("2000-01-01T00:00" + std::string(arguments[0].as_text()));
    if (!read || !read->offset) return not_yet("this offset is", node);
    minutes = *read->offset;
  } else if ((name == "ofHours" && count == 1) || (name == "ofHoursMinutes" && count == 2)) {
    for (std::size_t i = 0; i < count; ++i) {
      std::int64_t part = 0;
      if (!take_int(node, arguments[i], part)) return false;
      if (std::abs(part) > 59) return not_yet("this offset is", node);
      minutes += static_cast<int>(part) * (i == 0 ? 60 : 1);
    }
  } else {
    return std::nullopt;
  }
  constexpr int most = 18 * 60;
  if (std::abs(minutes) > most)
    return fail(computed::Trouble::When::run, "DateTimeException", "Zone offset not in valid range",
                node);
  out = object_of(offset_object, {int_of(minutes)});
  return true;
}

std::optional<bool> Expressions::make_period(const Node& node, std::string_view name,
                                             const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (name == "between" && count == 2 && arguments[0].is(Type::date) &&
      arguments[1].is(Type::date)) {
    out = period_between(arguments[0].as_moment(), arguments[1].as_moment());
    return true;
  }
  std::int64_t parts[3] = {};
  constexpr std::string_view names[] = {"ofYears", "ofMonths", "ofDays"};
  for (std::size_t i = 0; i < 3; ++i) {
    if ((names[i] == name && count == 1) || (name == "of" && count == 3)) {
      if (!take_int(node, arguments[name == "of" ? i : 0], parts[i])) return false;
    }
  }
  if (name == "ofWeeks" && count == 1) {
    if (!take_int(node, arguments[0], parts[2])) return false;
    parts[2] *= 7;
  } else if ((name != "of" || count != 3) &&
             (count != 1 ||
              std::find(std::begin(names), std::end(names), name) == std::end(names))) {
    return std::nullopt;
  }
  out = object_of(period_object, {int_of(parts[0]), int_of(parts[1]), int_of(parts[2])});
  return true;
}

// ChronoUnit.DAYS.between(a, b): whole units, cut toward zero.
std::optional<bool> Expressions::count_units(const Node& node, std::string_view unit,
                                             const Arguments& arguments, Value& out) {
  if (arguments.size() != 2 || !arguments[0].is(arguments[1].type())) return std::nullopt;
  const Value& from = arguments[0];
  if (!from.is(Type::date) && !from.is(Type::moment) && !from.is(Type::time)) return std::nullopt;
  const Moment a = from.as_moment();
  Moment b = arguments[1].as_moment();
  if (a.zone != 0 && b.offset) {
    const auto there = moment_at(instant_of(b), zone_of(a));
    if (!there) return not_yet("a time in a zone before 1970, or after 9999, is", node);
    b = *there;
  }
  const bool same_zone = a.zone == b.zone && (a.zone != 0 || a.offset == b.offset);
  if (!same_zone) return not_yet("moments with two offsets here are", node);
  constexpr std::pair<std::string_view, std::int64_t> lengths[] = {
      {"WEEKS", 7 * 86'400}, {"DAYS", 86'400}, {"HOURS", 3'600}, {"MINUTES", 60}, {"SECONDS", 1}};
  const int128 apart = instant_of(b) - instant_of(a);
  const int128 days_apart =
      apart + int128{b.offset.value_or(0) - a.offset.value_or(0)} * 60 * nanoseconds_per_second;
  for (const auto& [name, seconds] : lengths) {
    const bool of_days = name == "WEEKS" || name == "DAYS";
    if (name != unit) continue;
    if (of_days ? from.is(Type::time) : from.is(Type::date))
      return fail(computed::Trouble::When::run, "UnsupportedTemporalTypeException",
                  "Unsupported unit: " + std::string(unit), node);
    out = Value::whole(Type::i64,
                       (of_days ? days_apart : apart) / (int128{seconds} * nanoseconds_per_second));
    return true;
  }
  if (unit == "MILLIS" && !from.is(Type::date)) {
    out = Value::whole(Type::i64, apart / 1'000'000);
    return true;
  }
  const int per_unit = unit == "MONTHS" ? 1 : unit == "YEARS" ? 12 : unit == "DECADES" ? 120 : 0;
  if (per_unit == 0 || from.is(Type::time)) return std::nullopt;
  int months = (b.year - a.year) * 12 + b.month - a.month;
  const auto in_month = [](const Moment& moment) {
    return (int128{moment.day} * 86'400 + moment.hour * 3'600 + moment.minute * 60 +
            moment.second) *
               nanoseconds_per_second +
           moment.nanosecond;
  };
  if (months > 0 && in_month(b) < in_month(a)) --months;
  if (months < 0 && in_month(b) > in_month(a)) ++months;
  out = Value::whole(Type::i64, months / per_unit);
  return true;
}

std::optional<bool> Expressions::make_time_object(const Node& node, std::string_view path,
                                                  const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if ((path == "Date" && count == 1) || path == "Instant.ofEpochMilli" ||
      path == "Instant.ofEpochSecond") {
    if (count != 1 || !is_number(arguments[0]) || is_real(arguments[0].type()))
      return not_yet(std::string(path) + " of this is", node);
    const Integer given = computed::whole_of(arguments[0]);
    constexpr std::int64_t most = std::int64_t{1} << 58;
    if (given > most || given < -most) return not_yet("so long a time is", node);
    const auto moment =
        moment_at(int128{given.convert_to<std::int64_t>()} *
                      (path == "Instant.ofEpochSecond" ? nanoseconds_per_second : 1'000'000),
                  0);
    if (!moment) return not_yet("such a year is", node);
    out = object_of(path == "Date" ? date_object : instant_object, {Value::moment(*moment)});
    return true;
  }
  if (path == "Instant.parse" && count == 1 && arguments[0].is(Type::text)) {
    const auto read = read_plain_moment(arguments[0].as_text());
    const bool good = read && read->offset == 0 && arguments[0].as_text().ends_with('Z');
    if (!good) return not_yet("reading this text is", node);
    out = object_of(instant_object, {Value::moment(*read)});
    return true;
  }
  if (path == "SimpleDateFormat" && count > 0 && arguments[0].is(Type::text)) {
    std::string tag;
    if (!take_locale(node, arguments, 1, tag)) return false;
    const auto pattern = pattern_of_old(arguments[0].as_text());
    if (!pattern) return not_yet("this pattern of SimpleDateFormat is", node);
    out = object_of(old_format_object, {Value::text(*pattern), Value::text(tag)});
    return true;
  }
  if (path == "MathContext" && (count == 1 || count == 2)) {
    std::int64_t precision = 0;
    if (!take_int(node, arguments[0], precision)) return false;
    if (precision < 0)
      return fail(computed::Trouble::When::run, "IllegalArgumentException", "Digits < 0", node);
    if (count == 2 && !rounding_mode(arguments[1])) return not_yet("this way of rounding is", node);
    out = object_of(context_object,
                    {int_of(precision), count == 2 ? arguments[1] : Value::text("HALF_UP")});
    return true;
  }
  const std::size_t point = path.find('.');
  if (point == std::string_view::npos) return std::nullopt;
  const std::string_view type = path.substr(0, point);
  const std::string_view name = path.substr(point + 1);
  if (type == "ChronoUnit" && name.ends_with(".between"))
    return count_units(node, name.substr(0, name.find('.')), arguments, out);
  if (type == "ZoneOffset") return make_offset(node, name, arguments, out);
  if (type == "Period") return make_period(node, name, arguments, out);
  if (type == "TemporalAdjusters") {
    const bool by_day = has_word("next nextOrSame previous previousOrSame", name);
    if (count != (by_day ? 1U : 0U)) return std::nullopt;
    out = object_of(adjuster_object,
                    {Value::text(std::string(name)), by_day ? arguments[0] : Value()});
    return true;
  }
  if ((type == "Year" || type == "YearMonth") && (name == "of" || name == "isLeap") &&
      count == (type == "Year" ? 1U : 2U)) {
    std::int64_t parts[2] = {1, 1};
    for (std::size_t i = 0; i < count; ++i) {
      if (arguments[i].is(Type::text) && i == 1) {
        const auto month = month_of_name(arguments[i].as_text());
        if (!month) return std::nullopt;
        parts[i] = *month;
      } else if (!take_int(node, arguments[i], parts[i])) {
        return false;
      }
    }
    if (parts[0] < 1 || parts[0] > 9999) return not_yet("such a year is", node);
    if (parts[1] < 1 || parts[1] > 12)
      return fail(computed::Trouble::When::run, "DateTimeException", "there is no such month",
                  node);
    if (name == "isLeap")
      out = Value::truth(is_leap_year(static_cast<int>(parts[0])));
    else if (type == "Year")
      out = object_of(year_object, {int_of(parts[0])});
    else
      out = object_of(month_object, {int_of(parts[0]), int_of(parts[1])});
    return true;
  }
  if ((type == "LocalDate" || type == "LocalDateTime" || type == "LocalTime" ||
       type == "OffsetDateTime") &&
      name == "parse" && count == 2)
    return read_time_by(node, type, arguments, out);
  if (path == "LocalDate.ofEpochDay" || path == "LocalDate.ofYearDay") {
    std::int64_t parts[2] = {1, 1};
    if (count != (name == "ofEpochDay" ? 1U : 2U)) return std::nullopt;
    for (std::size_t i = 0; i < count; ++i) {
      if (!is_number(arguments[i]) || is_real(arguments[i].type())) return std::nullopt;
      const Integer given = computed::whole_of(arguments[i]);
      if (given > 10'000'000 || given < -10'000'000) return not_yet("such a date is", node);
      parts[i] = given.convert_to<std::int64_t>();
    }
    if (name == "ofYearDay") {
      if (parts[0] < 1 || parts[0] > 9999) return not_yet("such a year is", node);
      const int days = is_leap_year(static_cast<int>(parts[0])) ? 366 : 365;
      if (parts[1] < 1 || parts[1] > days)
        return fail(computed::Trouble::When::run, "DateTimeException", "there is no such day",
                    node);
    }
    const int128 day =
        name == "ofEpochDay"
            ? int128{parts[0]}
            : seconds_since_1970({static_cast<int>(parts[0]), 1, 1}) / 86'400 + parts[1] - 1;
    const auto moment = moment_at(day * 86'400 * nanoseconds_per_second, std::nullopt);
    if (!moment) return not_yet("such a year is", node);
    out = Value::date({moment->year, moment->month, moment->day});
    return true;
  }
  if (path == "OffsetDateTime.of" && count > 1 &&
      computed::is_object(arguments[count - 1], offset_object)) {
    Arguments local = arguments;
    local.values.pop_back();
    Value made = local.values[0];
    const bool is_made = count == 2 && made.is(Type::moment);
    if (!is_made) {
      const auto done = make_time(node, "LocalDateTime.of", local, made);
      if (!done || !*done) return done;
    }
    Moment moment = made.as_moment();
    moment.offset = number_in(arguments[count - 1], 0);
    out = Value::moment(moment);
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::java_language
