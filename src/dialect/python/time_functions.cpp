// What makes times of texts and numbers: the Python 3.11 library reference, datetime and
// calendar.

#include <algorithm>
#include <cmath>

#include "../family/time_reading.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/escape.hpp"
#include "times.hpp"

namespace inky::inline v1::python {

namespace {

using computed::Node;

// The steps of Lib/_strptime.py; nothing: a code that is not known here.
std::optional<std::vector<TimeStep>> steps_of(std::string_view codes) {
  using What = TimeStep::What;
  std::vector<TimeStep> out;
  const auto literal = [&](std::string_view text) {
    out.push_back({What::literal, 0, 0, std::string(text)});
  };
  for (std::size_t at = 0; at < codes.size(); ++at) {
    if (codes[at] == ' ' || codes[at] == '\t' || codes[at] == '\n') {
      if (out.empty() || out.back().what != What::blanks) out.push_back({What::blanks});
      continue;
    }
    if (codes[at] != '%') {
      literal(codes.substr(at, 1));
      continue;
    }
    if (++at == codes.size()) return std::nullopt;
    switch (codes[at]) {
      case 'Y':
        out.push_back({What::year, 4, 4});
        break;
      case 'y':
        out.push_back({What::year_of_century, 2, 2});
        break;
      case 'm':
        out.push_back({What::month});
        break;
      case 'd':
        out.push_back({What::day});
        break;
      case 'j':
        out.push_back({What::day_of_year, 1, 3});
        break;
      case 'H':
        out.push_back({What::hour});
        break;
      case 'I':
        out.push_back({What::hour_of_half});
        break;
      case 'M':
        out.push_back({What::minute});
        break;
      case 'S':
        out.push_back({What::second});
        break;
      case 'f':
        out.push_back({What::fraction, 1, 6});
        break;
      case 'B':
        out.push_back({What::month_name});
        break;
      case 'b':
        out.push_back({What::short_month_name});
        break;
      case 'A':
        out.push_back({What::weekday_name});
        break;
      case 'a':
        out.push_back({What::short_weekday_name});
        break;
      case 'p':
        out.push_back({What::half});
        break;
      case 'z':
        out.push_back({What::offset});
        break;
      case '%':
        literal("%");
        break;
      default:
        return std::nullopt;
    }
  }
  return out;
}

constexpr int first_year_of_1900 = 69;

// ISO 8601: the year and the week that a day is in.
std::pair<int, int> iso_week(const Moment& moment) {
  const int iso_day = weekday(moment) == 0 ? 7 : weekday(moment);
  int year = moment.year;
  int week = (day_of_year(moment) - iso_day + 10) / 7;
  const auto weeks_of = [](int of) {
    const Moment first{of, 1, 1};
    const bool is_long = weekday(first) == 4 || (weekday(first) == 3 && is_leap_year(of));
    return is_long ? 53 : 52;
  };
  if (week < 1) {
    --year;
    week = year < 1 ? 52 : weeks_of(year);
  } else if (week > weeks_of(year)) {
    ++year;
    week = 1;
  }
  return {year, week};
}

}  // namespace

std::string_view class_of_path(std::string_view path) {
  for (const std::string_view module : {"datetime.", "zoneinfo."}) {
    const std::string_view rest = path.substr(std::min(module.size(), path.size()));
    const bool is_class = has_word("datetime date time timedelta timezone UTC ZoneInfo",
                                   rest.substr(0, rest.find('.')));
    if (path.starts_with(module) && is_class) return rest;
  }
  return path;
}

// ---- Functions ----

bool Expressions::read_time_by(const Node& node, const Arguments& arguments, Value& out) {
  const bool texts = arguments.size() == 2 && is_text_or_character(arguments[0]) &&
                     is_text_or_character(arguments[1]);
  if (!texts) return not_yet("strptime() of these is", node);
  const std::string text = text_of(arguments[0]);
  const std::string codes = text_of(arguments[1]);
  const auto steps = steps_of(codes);
  if (!steps) return not_yet("reading by these codes is", node);
  const auto parts = read_time_parts(text, *steps, true);
  // Only where the text is not what the codes say at first sight may another way be found.
  if (!parts) {
    const bool begins_apart =
        !text.empty() && !codes.empty() && codes[0] == '%' &&
        std::string_view("YmdHMSIyj").find(codes[1]) != std::string_view::npos &&
        (text[0] < '0' || text[0] > '9');
    if (!begins_apart) return not_yet("this text by these codes is", node);
    return raise(
        "ValueError",
        "time data " + quoted(text, false) + " does not match format " + quoted(codes, false),
        node);
  }
  const auto moment = moment_of(*parts, {1900, 1, 1}, first_year_of_1900);
  if (!moment) return raise("ValueError", "day is out of range for month", node);
  if (parts->afternoon && !parts->hour_of_half) return not_yet("AM or PM alone is", node);
  out = Value::moment(*moment);
  return true;
}

std::optional<bool> Expressions::call_time_function(const Node& node, std::string_view path,
                                                    const Arguments& arguments, Value& out) {
  const std::string_view name = class_of_path(path);
  const std::size_t count = arguments.size();
  if (name == "timezone") return make_timezone(node, arguments, out);
  if (name == "ZoneInfo") return make_zone_info(node, arguments, out);
  if (name == "datetime.strptime") return read_time_by(node, arguments, out);
  const bool from_stamp = name == "datetime.fromtimestamp" || name == "date.fromtimestamp" ||
                          name == "datetime.utcfromtimestamp" || name == "time.gmtime";
  if (from_stamp) {
    const Value* zone = count == 2 ? &arguments[1] : arguments.find("tz");
    TimeZone given;
    if (count == 0 || count > 2 || arguments.named.size() > (zone == nullptr ? 0U : 1U) ||
        !is_simple_number(arguments[0]))
      return not_yet(std::string(name) + "() of these is", node);
    if (zone != nullptr && !take_zone(node, *zone, given)) return false;
    // To the nearest microsecond, ties to the even one.
    const Rational exact = is_int(arguments[0])
                               ? Rational(computed::whole_of(arguments[0]))
                               : rational_of(computed::real_of(Type::f64, arguments[0]).as_real());
    constexpr std::int64_t most = 1'000'000'000'000;
    if (exact > most || exact < -most) return raise("ValueError", "year is out of range", node);
    const auto micro =
        round_whole(exact * 1'000'000, Rounding::half_even).convert_to<std::int64_t>();
    const Type type = name.starts_with("date.") ? Type::date : Type::moment;
    const int128 instant = int128{micro} * 1000;
    return type == Type::date ? give_moment(node, type, instant, out)
                              : give_moment_at(node, given, instant, out);
  }
  const Value* of_zone = count == 3 ? &arguments[2] : arguments.find("tzinfo");
  const bool named_zone = count == 2 && of_zone != nullptr;
  if (name == "datetime.combine" && count >= 2 && count <= 3 &&
      arguments.named.size() == (named_zone ? 1U : 0U)) {
    const bool good = (arguments[0].is(Type::date) || arguments[0].is(Type::moment)) &&
                      arguments[1].is(Type::time);
    if (!good) return not_yet("datetime.combine() of these is", node);
    Moment moment = arguments[1].as_moment();
    const Moment day = arguments[0].as_moment();
    moment.year = day.year;
    moment.month = day.month;
    moment.day = day.day;
    TimeZone zone;
    if (of_zone != nullptr && !take_zone(node, *of_zone, zone)) return false;
    return give_moment_on(node, zone, moment, false, out);
  }
  if ((name == "date.fromordinal" || name == "datetime.fromordinal") && count == 1) {
    std::int64_t day = 0;
    if (!take_whole(node, arguments[0], day)) return false;
    constexpr std::int64_t days_to_1970 = 719'163;
    return give_moment(node, name.starts_with("datetime") ? Type::moment : Type::date,
                       int128{day - days_to_1970} * 86'400 * billion, out);
  }
  if (name == "time.strftime" && count == 2 && is_text_or_character(arguments[0]) &&
      arguments[1].is(Type::moment))
    return format_time(node, arguments[1], text_of(arguments[0]), out);
  return call_calendar(node, name, arguments, out);
}

// calendar.monthrange(2031, 2), calendar.isleap(2032)
std::optional<bool> Expressions::call_calendar(const Node& node, std::string_view name,
                                               const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (name == "calendar.isleap" && count == 1) {
    std::int64_t year = 0;
    if (!take_whole(node, arguments[0], year)) return false;
    out = Value::truth((year % 4 == 0 && year % 100 != 0) || year % 400 == 0);
    return true;
  }
  const bool is_range = name == "calendar.monthrange" && count == 2;
  if (!is_range && (name != "calendar.weekday" || count != 3)) return std::nullopt;
  std::int64_t parts[3] = {1, 1, 1};
  for (std::size_t i = 0; i < count; ++i) {
    if (!take_whole(node, arguments[i], parts[i])) return false;
  }
  const bool good = parts[0] >= 1 && parts[0] <= 9999 && parts[1] >= 1 && parts[1] <= 12;
  if (!good) return not_yet("such a month is", node);
  const int year = static_cast<int>(parts[0]);
  const int month = static_cast<int>(parts[1]);
  if (parts[2] < 1 || parts[2] > days_of_month(year, month))
    return raise("ValueError", "day is out of range for month", node);
  const Moment day{year, month, static_cast<int>(parts[2])};
  const Value number = Value::whole(Type::i32, (weekday(day) + 6) % 7);
  out = is_range ? Value::tuple({number, Value::whole(Type::i32, days_of_month(year, month))})
                 : number;
  return true;
}

// calendar.month_name[5], calendar.day_abbr[0]
std::optional<Value> Expressions::calendar_names(std::string_view path) {
  const bool of_months = path == "calendar.month_name" || path == "calendar.month_abbr";
  if (!of_months && path != "calendar.day_name" && path != "calendar.day_abbr") return std::nullopt;
  const std::size_t size = path.ends_with("_abbr") ? 3 : std::string_view::npos;
  std::vector<Value> names;
  if (of_months) names.push_back(Value::text(""));
  for (int i = 1; i <= (of_months ? 12 : 7); ++i)
    names.push_back(Value::text(
        std::string((of_months ? english_month(i) : english_weekday(i % 7)).substr(0, size))));
  return Value::list(std::move(names));
}

// ---- Methods ----

// replace(day=1), isoformat(timespec="milliseconds")
std::optional<bool> Expressions::call_on_time_by_name(const Node& node, const Value& of,
                                                      const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  if (!takes_codes(of)) return std::nullopt;
  Moment moment = of.as_moment();
  if (auto done = call_on_zone(node, name, of, arguments, out)) return done;
  if (name == "replace") {
    TimeZone zone = zone_of(moment);
    bool later = is_second(moment);
    const bool is_time = of.is(Type::time);
    const std::pair<std::string_view, int*> parts[] = {
        {"year", &moment.year},  {"month", &moment.month},   {"day", &moment.day},
        {"hour", &moment.hour},  {"minute", &moment.minute}, {"second", &moment.second},
        {"microsecond", nullptr}};
    const std::size_t first = is_time ? 3 : 0;
    const std::size_t last = of.is(Type::date) ? 3 : std::size(parts);
    const auto put = [&](std::size_t part, const Value& value) {
      std::int64_t number = 0;
      if (!take_whole(node, value, number)) return false;
      constexpr std::int64_t most = 1'000'000;
      if (number < 0 || number >= most)
        return raise("ValueError", "a part of the time is out of range", node);
      if (parts[part].second != nullptr)
        *parts[part].second = static_cast<int>(number);
      else
        moment.nanosecond = static_cast<int>(number) * 1000;
      return true;
    };
    for (std::size_t i = 0; i < arguments.size(); ++i) {
      if (first + i >= last) return not_yet("these arguments of replace() are", node);
      if (!put(first + i, arguments[i])) return false;
    }
    for (const auto& [key, value] : arguments.named) {
      if (key == "tzinfo" && of.is(Type::moment)) {
        if (!take_zone(node, value, zone)) return false;
        continue;
      }
      if (key == "fold" && of.is(Type::moment)) {
        std::int64_t fold = 0;
        if (!take_whole(node, value, fold)) return false;
        later = fold == 1;
        continue;
      }
      std::size_t part = first;
      while (part < last && parts[part].first != key) ++part;
      if (part == last)
        return raise("TypeError", "'" + key + "' is an invalid keyword argument for replace()",
                     node);
      if (!put(part, value)) return false;
    }
    const bool good = moment.year >= 1 && moment.year <= 9999 && moment.month >= 1 &&
                      moment.month <= 12 && moment.day >= 1 &&
                      moment.day <= days_of_month(moment.year, moment.month) && moment.hour <= 23 &&
                      moment.minute <= 59 && moment.second <= 59;
    if (!good) return raise("ValueError", "there is no such day, or no such time", node);
    if (of.is(Type::moment)) return give_moment_on(node, zone, moment, later, out);
    out = is_time ? Value::time(moment) : Value::date(moment);
    return true;
  }
  if (name == "isoformat" && !of.is(Type::date)) {
    const Value* given = arguments.find("timespec");
    const Value* sep =
        of.is(Type::moment) && arguments.size() > 0 ? &arguments[0] : arguments.find("sep");
    if (given == nullptr && sep == nullptr) return std::nullopt;
    if (arguments.size() > (of.is(Type::moment) ? 1U : 0U) ||
        (given != nullptr && !is_text_or_character(*given)) ||
        (sep != nullptr && !is_text_or_character(*sep)))
      return not_yet("these arguments of isoformat() are", node);
    return format_iso(node, of, given == nullptr ? "auto" : text_of(*given),
                      sep == nullptr ? "T" : text_of(*sep), out);
  }
  if (!arguments.named.empty() || of.is(Type::time)) return std::nullopt;
  if (name == "isocalendar" && arguments.size() == 0) {
    const auto [year, week] = iso_week(moment);
    const int day = weekday(moment);
    out = computed::object_of(week_object,
                              {Value::whole(Type::i32, year), Value::whole(Type::i32, week),
                               Value::whole(Type::i32, day == 0 ? 7 : day)});
    return true;
  }
  if (name == "ctime" && arguments.size() == 0)
    return format_time(node, of, "%a %b %e %H:%M:%S %Y", out);
  if (!of.is(Type::moment)) return std::nullopt;
  if (name == "timestamp" && arguments.size() == 0) {
    // The machine's zone is taken to be UTC.
    const Rational micro =
        Rational(computed::whole_of(Value::whole(Type::i128, instant_of(of.as_moment()) / 1000)));
    out = Value::real(Type::f64, stored(binary64, micro / 1'000'000, false));
    return true;
  }
  if (name == "astimezone" && arguments.size() <= 1) {
    // The machine's zone is taken to be UTC.
    TimeZone zone = utc;
    if (arguments.size() == 1 && !take_zone(node, arguments[0], zone)) return false;
    return give_moment_at(node, zone.is_none() ? utc : zone, instant_of(moment), out);
  }
  return std::nullopt;
}

bool Expressions::format_iso(const Node& node, const Value& of, std::string_view timespec,
                             std::string_view separator, Value& out) {
  const Moment moment = of.as_moment();
  constexpr std::pair<std::string_view, std::string_view> forms[] = {
      {"hours", "%H"},
      {"minutes", "%H:%M"},
      {"seconds", "%H:%M:%S"},
      {"milliseconds", "%H:%M:%S.%f"},
      {"microseconds", "%H:%M:%S.%f"}};
  std::string codes;
  for (const auto& [known, form] : forms) {
    if (known == timespec) codes = form;
  }
  if (timespec == "auto") codes = moment.nanosecond / 1000 != 0 ? "%H:%M:%S.%f" : "%H:%M:%S";
  if (codes.empty()) return raise("ValueError", "Unknown timespec value", node);
  std::string text;
  Value clock =
      Value::time({1, 1, 1, moment.hour, moment.minute, moment.second, moment.nanosecond});
  if (!append_time_by_codes(clock, codes, {}, text).empty()) return not_yet("this is", node);
  constexpr std::size_t micro_beyond_milli = 3;
  if (timespec == "milliseconds") text.resize(text.size() - micro_beyond_milli);
  if (of.is(Type::moment)) text = date_text(moment) + std::string(separator) + text;
  if (of.is(Type::moment) && moment.offset) text += offset_text(*moment.offset);
  out = Value::text(std::move(text));
  return true;
}

// isocalendar().week, isocalendar()[1]
std::optional<bool> Expressions::part_of_week(std::string_view name, const Value& of, Value& out) {
  if (!computed::is_object(of, week_object)) return std::nullopt;
  constexpr std::string_view names[] = {"year", "week", "weekday"};
  for (std::size_t i = 0; i < std::size(names); ++i) {
    if (names[i] != name && std::to_string(i) != name) continue;
    out = computed::object_part(of, i);
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::python
