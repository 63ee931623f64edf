// DateTime, DateTimeOffset, DateOnly, TimeOnly and TimeSpan in expressions: the .NET API, System.

#include <algorithm>
#include <cmath>
#include <optional>

#include "../family/instants.hpp"
#include "../family/time_reading.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "times.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::Operation;

constexpr int128 billion = nanoseconds_per_second;
constexpr int128 tick = 100;

int128 clock_of(const Moment& moment) {
  return int128{moment.hour * 3600 + moment.minute * 60 + moment.second} * billion +
         moment.nanosecond;
}

Value with_type(const Value& like, const Moment& moment) {
  Value out = like.is(Type::date)   ? Value::date(moment)
              : like.is(Type::time) ? Value::time(moment)
                                    : Value::moment(moment);
  if (has_utc_kind(like)) out.set_expression();
  return out;
}

struct Unit {
  std::string_view name;
  std::int64_t ticks;
};
constexpr Unit units[] = {{"Days", 864'000'000'000}, {"Hours", 36'000'000'000},
                          {"Minutes", 600'000'000},  {"Seconds", 10'000'000},
                          {"Milliseconds", 10'000},  {"Microseconds", 10}};
const Unit* unit_named(std::string_view name) {
  const auto found = std::find_if(std::begin(units), std::end(units),
                                  [&](const Unit& one) { return one.name == name; });
  return found == std::end(units) ? nullptr : found;
}

}  // namespace

bool Expressions::give_time(const Node& node, const Value& like, int128 local, Value& out) {
  const std::optional<int> offset =
      like.is(Type::moment) ? like.as_moment().offset : std::optional<int>();
  const auto moment = moment_at(local, offset);
  if (!moment)
    return raise("ArgumentOutOfRangeException", "a time outside of the years 1 to 9999", node, like,
                 out);
  out = with_type(like, *moment);
  return true;
}

// Of 64 bits of ticks.
bool Expressions::give_span(const Node& node, int128 nanoseconds, Value& out) {
  constexpr int128 most = (int128{1} << 63) - 1;
  const int128 ticks = nanoseconds / tick;
  if (ticks > most || ticks < -most - 1)
    return raise("OverflowException", "a TimeSpan too long", node, Value::duration(0), out);
  out = Value::duration(ticks * tick);
  return true;
}

// new DateOnly(2031, 5, 9), TimeSpan.FromMinutes(90)
std::optional<bool> Expressions::make_time(const Node& node, std::string_view path,
                                           const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path.starts_with("TimeSpan.From") && count == 1) {
    const Unit* unit = unit_named(path.substr(13));
    const Value& given = arguments[0];
    if (unit == nullptr || !is_number(given)) return std::nullopt;
    int128 ticks = 0;
    if (is_real(given.type())) {
      const double made = computed::double_of(computed::real_of(Type::f64, given)) *
                          static_cast<double>(unit->ticks);
      if (!(std::fabs(made) < 8e18)) return not_yet("a TimeSpan this long is", node);
      ticks = static_cast<std::int64_t>(made);
    } else {
      const Integer made = computed::whole_of(given) * unit->ticks;
      if (!computed::fits(Type::i64, made)) return not_yet("a TimeSpan this long is", node);
      ticks = made.convert_to<std::int64_t>();
    }
    out = Value::duration(ticks * tick);
    return true;
  }
  const bool known = has_word("DateOnly TimeOnly TimeSpan DateTimeOffset", path);
  if (!known) return std::nullopt;
  std::int64_t parts[8] = {};
  std::size_t numbers = count;
  if (path == "DateTimeOffset") {
    if (count != 7 && count != 2) return not_yet("DateTimeOffset with these arguments is", node);
    if (!arguments[count - 1].is(Type::duration))
      return not_yet("DateTimeOffset with these arguments is", node);
    numbers = count - 1;
    const int128 minutes = arguments[count - 1].as_duration() / (60 * billion);
    if (minutes * 60 * billion != arguments[count - 1].as_duration() || minutes < -840 ||
        minutes > 840)
      return raise("ArgumentException", "an offset of whole minutes, up to 14 hours", node, Value(),
                   out);
    parts[7] = static_cast<std::int64_t>(minutes);
    if (count == 2) {
      if (!arguments[0].is(Type::moment) || arguments[0].as_moment().offset)
        return not_yet("DateTimeOffset with these arguments is", node);
      Moment moment = arguments[0].as_moment();
      moment.offset = static_cast<int>(parts[7]);
      out = Value::moment(moment);
      return true;
    }
  }
  if (numbers > 7) return not_yet(std::string(path) + " with these arguments is", node);
  for (std::size_t i = 0; i < numbers; ++i) {
    if (!take_int(node, arguments[i], parts[i])) return false;
  }
  if (path == "TimeSpan") {
    // Ticks; hours, minutes, seconds; days before them, milliseconds behind.
    if (count == 0 || count == 2 || count > 5)
      return not_yet("TimeSpan with these arguments is", node);
    if (count == 1) {
      out = Value::duration(int128{parts[0]} * tick);
      return true;
    }
    const std::size_t first = count == 3 ? 0 : 1;
    const int128 whole_days = count == 3 ? 0 : parts[0];
    const int128 seconds =
        ((whole_days * 24 + parts[first]) * 60 + parts[first + 1]) * 60 + parts[first + 2];
    return give_span(node, seconds * billion + (count == 5 ? int128{parts[4]} * 1'000'000 : 0),
                     out);
  }
  Moment moment;
  const bool is_time = path == "TimeOnly";
  if (is_time ? numbers < 2 || numbers > 4 : path == "DateOnly" ? numbers != 3 : numbers != 6)
    return not_yet(std::string(path) + " with these arguments is", node);
  const std::size_t clock = is_time ? 0 : 3;
  const auto part = [&](std::size_t i) { return i < numbers ? parts[i] : 0; };
  if (!is_time) {
    const bool good =
        1 <= parts[0] && parts[0] <= 9999 && 1 <= parts[1] && parts[1] <= 12 && 1 <= parts[2] &&
        parts[2] <= days_of_month(static_cast<int>(parts[0]), static_cast<int>(parts[1]));
    if (!good)
      return raise("ArgumentOutOfRangeException", "there is no such date", node,
                   Value::moment(moment), out);
    moment.year = static_cast<int>(parts[0]);
    moment.month = static_cast<int>(parts[1]);
    moment.day = static_cast<int>(parts[2]);
  }
  if (path != "DateOnly") {
    const std::int64_t hour = part(clock);
    const std::int64_t minute = part(clock + 1);
    const std::int64_t second = part(clock + 2);
    const std::int64_t milli = is_time ? part(3) : 0;
    if (hour < 0 || hour > 23 || minute < 0 || minute > 59 || second < 0 || second > 59 ||
        milli < 0 || milli > 999)
      return raise("ArgumentOutOfRangeException", "there is no such time", node,
                   Value::moment(moment), out);
    moment.hour = static_cast<int>(hour);
    moment.minute = static_cast<int>(minute);
    moment.second = static_cast<int>(second);
    moment.nanosecond = static_cast<int>(milli) * 1'000'000;
  }
  if (path == "DateTimeOffset") moment.offset = static_cast<int>(parts[7]);
  out = is_time              ? Value::time(moment)
        : path == "DateOnly" ? Value::date(moment)
                             : Value::moment(moment);
  return true;
}

bool Expressions::combine_times(const Node& node, Operation operation, const Value& left,
                                const Value& right, Value& out) {
  const bool adds = operation == Operation::add;
  const bool subtracts = operation == Operation::subtract;
  if (computed::is_comparison(operation)) {
    if (!left.is(right.type())) return refuse("there is no such operator for these", node);
    const auto key = [](const Value& value) {
      return value.is(Type::duration) ? value.as_duration() : instant_of(value.as_moment());
    };
    const int128 a = key(left);
    const int128 b = key(right);
    const auto order = a < b   ? std::partial_ordering::less
                       : b < a ? std::partial_ordering::greater
                               : std::partial_ordering::equivalent;
    out = Value::truth(computed::relates(operation, order));
    return true;
  }
  if (left.is(Type::duration) && right.is(Type::duration)) {
    if (adds || subtracts) {
      return give_span(node,
                       adds ? left.as_duration() + right.as_duration()
                            : left.as_duration() - right.as_duration(),
                       out);
    }
    if (operation == Operation::divide) {
      out = Value::real(static_cast<double>(static_cast<std::int64_t>(left.as_duration() / tick)) /
                        static_cast<double>(static_cast<std::int64_t>(right.as_duration() / tick)));
      return true;
    }
    return refuse("there is no such operator for two TimeSpans", node);
  }
  const auto has_date = [](const Value& value) { return value.is(Type::moment); };
  if (has_date(left) && right.is(Type::duration) && (adds || subtracts)) {
    const int128 local =
        instant_of(left.as_moment()) + int128{left.as_moment().offset.value_or(0)} * 60 * billion;
    return give_time(node, left, adds ? local + right.as_duration() : local - right.as_duration(),
                     out);
  }
  if (has_date(left) && has_date(right) && subtracts) {
    out = Value::duration(instant_of(left.as_moment()) - instant_of(right.as_moment()));
    return true;
  }
  if (left.is(Type::time) && right.is(Type::time) && subtracts) {
    constexpr int128 day = int128{86'400} * billion;
    const int128 apart = clock_of(left.as_moment()) - clock_of(right.as_moment());
    out = Value::duration(apart < 0 ? apart + day : apart);
    return true;
  }
  const bool scales = operation == Operation::multiply || operation == Operation::divide;
  if (scales && (left.is(Type::duration) || right.is(Type::duration)))
    return not_yet("a TimeSpan times a number is", node);
  return refuse("there is no such operator for these", node);
}

std::optional<bool> Expressions::call_on_time(const Node& node, const Value& of,
                                              const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  constexpr std::pair<std::string_view, std::string_view> shown_as[] = {
      {"ToShortDateString", "{0:d}"},
      {"ToLongDateString", "{0:D}"},
      {"ToShortTimeString", "{0:t}"},
      {"ToLongTimeString", "{0:T}"}};
  for (const auto& [known, form] : shown_as) {
    if (name == known && count == 0)
      return fill(node, *csharp_dialect(), std::string(form), {&of, 1}, out);
  }
  if (of.is(Type::duration)) {
    const int128 length = of.as_duration();
    if (count == 0 && (name == "Negate" || name == "Duration")) {
      out = Value::duration(name == "Negate" || length < 0 ? -length : length);
      return true;
    }
    if (count == 1 && arguments[0].is(Type::duration) && (name == "Add" || name == "Subtract"))
      return combine_times(node, name == "Add" ? Operation::add : Operation::subtract, of,
                           arguments[0], out);
    return std::nullopt;
  }
  if (of.is(Type::moment) && of.as_moment().offset) {
    const bool in_milliseconds = name == "ToUnixTimeMilliseconds";
    if (count == 0 && (in_milliseconds || name == "ToUnixTimeSeconds")) {
      const int128 length = in_milliseconds ? 1'000'000 : billion;
      int128 whole = instant_of(of.as_moment()) / length;
      if (instant_of(of.as_moment()) % length < 0) --whole;
      out = Value::whole(Type::i64, whole);
      return true;
    }
    const bool to_universal = name == "ToUniversalTime" && count == 0;
    if (to_universal || (name == "ToOffset" && count == 1 && arguments[0].is(Type::duration))) {
      const int128 minutes = to_universal ? 0 : arguments[0].as_duration() / (60 * billion);
      const bool is_whole = to_universal || minutes * 60 * billion == arguments[0].as_duration();
      if (!is_whole || minutes < -840 || minutes > 840)
        return raise("ArgumentException", "an offset of whole minutes, up to 14 hours", node, of,
                     out);
      const auto moved =
          moment_at(instant_of(of.as_moment()) + minutes * 60 * billion, static_cast<int>(minutes));
      if (!moved)
        return raise("ArgumentOutOfRangeException", "a time outside of the years 1 to 9999", node,
                     of, out);
      out = Value::moment(*moved);
      return true;
    }
  }
  if (count == 1 && (name == "Add" || name == "Subtract"))
    return combine_times(node, name == "Add" ? Operation::add : Operation::subtract, of,
                         arguments[0], out);
  if (count != 1 || !name.starts_with("Add") || !is_number(arguments[0])) return std::nullopt;
  const std::string_view what = std::string_view(name).substr(3);
  const Moment moment = of.as_moment();
  if ((what == "Months" || what == "Years") && !of.is(Type::time)) {
    std::int64_t by = 0;
    if (!take_int(node, arguments[0], by)) return false;
    if (std::abs(by) > 120'000) return not_yet("a step of more than 120,000 months is", node);
    const auto moved = months_later(moment, by * (what == "Years" ? 12 : 1));
    if (!moved)
      return raise("ArgumentOutOfRangeException", "a time outside of the years 1 to 9999", node, of,
                   out);
    out = with_type(of, *moved);
    return true;
  }
  const Unit* unit = unit_named(what);
  if (unit == nullptr || (of.is(Type::date) && what != "Days") || of.is(Type::time))
    return std::nullopt;
  int128 ticks = 0;
  if (is_real(arguments[0].type())) {
    const double given = computed::double_of(computed::real_of(Type::f64, arguments[0]));
    if (!(std::fabs(given) * static_cast<double>(unit->ticks) < 8e18))
      return not_yet("so long a time is", node);
    const double whole = std::trunc(given);
    ticks = static_cast<int128>(static_cast<std::int64_t>(whole)) * unit->ticks +
            static_cast<std::int64_t>((given - whole) * static_cast<double>(unit->ticks));
  } else {
    const Integer made = computed::whole_of(arguments[0]) * unit->ticks;
    if (!computed::fits(Type::i64, made)) return not_yet("so long a time is", node);
    ticks = made.convert_to<std::int64_t>();
  }
  const int128 local =
      instant_of(of.as_moment()) + int128{moment.offset.value_or(0)} * 60 * billion;
  return give_time(node, of, local + ticks * tick, out);
}

// Hour, TotalMinutes, Date
std::optional<bool> Expressions::member_of_time(const Node& node, const Value& of, Value& out) {
  const std::string& name = node.text;
  const auto give = [&](std::int64_t number) {
    out = Value::whole(Type::i32, number);
    return true;
  };
  if (of.is(Type::duration)) {
    const int128 ticks = of.as_duration() / tick;
    if (name == "Ticks") {
      out = Value::whole(Type::i64, ticks);
      return true;
    }
    if (name.starts_with("Total")) {
      const Unit* unit = unit_named(std::string_view(name).substr(5));
      if (unit == nullptr) return std::nullopt;
      const auto all = static_cast<double>(static_cast<std::int64_t>(ticks));
      out = Value::real(all / static_cast<double>(unit->ticks));
      return true;
    }
    constexpr std::pair<std::string_view, int> cycles[] = {
        {"Hours", 24}, {"Minutes", 60}, {"Seconds", 60}, {"Milliseconds", 1000}};
    const Unit* unit = unit_named(name);
    if (unit == nullptr) return std::nullopt;
    if (name == "Days") return give(static_cast<std::int64_t>(ticks / unit->ticks));
    for (const auto& [known, cycle] : cycles) {
      if (known == name) return give(static_cast<std::int64_t>(ticks / unit->ticks % cycle));
    }
    return std::nullopt;
  }
  const Moment moment = of.as_moment();
  const bool has_date = !of.is(Type::time);
  const bool has_clock = !of.is(Type::date);
  const std::pair<std::string_view, int> dates[] = {{"Year", moment.year},
                                                    {"Month", moment.month},
                                                    {"Day", moment.day},
                                                    {"DayOfYear", day_of_year(moment)}};
  const std::pair<std::string_view, int> clocks[] = {
      {"Hour", moment.hour},
      {"Minute", moment.minute},
      {"Second", moment.second},
      {"Millisecond", moment.nanosecond / 1'000'000}};
  for (const auto& [known, number] : dates) {
    if (has_date && known == name) return give(number);
  }
  for (const auto& [known, number] : clocks) {
    if (has_clock && known == name) return give(number);
  }
  if (has_date && name == "DayOfWeek") {
    out = computed::object_of(weekday_object,
                              {Value::text(std::string(english_weekday(inky::weekday(moment))))});
    return true;
  }
  if (of.is(Type::moment) && name == "Date") {
    out = with_type(of, {moment.year, moment.month, moment.day});
    return true;
  }
  if (of.is(Type::moment) && name == "Kind" && !moment.offset) {
    out = computed::object_of(kind_object, {Value::text(has_utc_kind(of) ? "Utc" : "Unspecified")});
    return true;
  }
  if (of.is(Type::moment) && name == "TimeOfDay") {
    out = Value::duration(clock_of(moment));
    return true;
  }
  if (of.is(Type::moment) && name == "Offset" && moment.offset) {
    out = Value::duration(int128{*moment.offset} * 60 * billion);
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::csharp
