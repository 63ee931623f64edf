// DateTime, DateTimeImmutable and DateInterval in expressions: the PHP manual, Date and Time.

#include "../computed/objects.hpp"
#include "../family/time_reading.hpp"
#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;

// Its moment, whether a Z says its zone, whether it changes in place, and whether its time of day is
// that of now.
constexpr std::string_view moment_object = "DateTime";
// Its parts, whether it goes back, and its days; nil: they are not known.
constexpr std::string_view interval_object = "DateInterval";

Value date_time(const Moment& moment, bool is_zulu, bool changes, bool lacks_clock = false) {
  return computed::object_of(moment_object, {Value::moment(moment), Value::truth(is_zulu),
                                             Value::truth(changes), Value::truth(lacks_clock)});
}
bool flag_of(const Value& object, std::size_t part) {
  return computed::object_part(object, part).as_whole() != 0;
}
// The same with another moment.
Value with_moment(const Value& like, const Moment& moment) {
  return date_time(moment, flag_of(like, 1), flag_of(like, 2), flag_of(like, 3));
}

Instant instant_of_object(const Value& object) {
  const Moment moment = computed::object_part(object, 0).as_moment();
  Instant out = fields_of(moment);
  out.is_zulu = flag_of(object, 1);
  out.lacks_clock = flag_of(object, 3);
  return out;
}

Value interval_value(const Interval& interval) {
  std::vector<Value> parts;
  for (const int part : interval.parts) parts.push_back(Value::whole(Type::i64, part));
  parts.push_back(Value::truth(interval.inverted));
  parts.push_back(interval.days ? Value::whole(Type::i64, *interval.days) : Value());
  return computed::object_of(interval_object, std::move(parts));
}
Interval interval_in(const Value& object) {
  Interval out;
  for (std::size_t i = 0; i < 6; ++i)
    out.parts[i] = static_cast<int>(computed::object_part(object, i).as_whole());
  out.inverted = flag_of(object, 6);
  if (!computed::object_part(object, 7).is(Type::nil))
    out.days = static_cast<int>(computed::object_part(object, 7).as_whole());
  return out;
}

// The steps of DateTime::createFromFormat, and whether what is not read becomes that of 1970;
// nothing: a letter that is not known here.
struct Reading {
  std::vector<TimeStep> steps;
  bool resets = false;
};
std::optional<Reading> reading_of(std::string_view format) {
  using What = TimeStep::What;
  Reading out;
  for (std::size_t i = 0; i < format.size(); ++i) {
    const char c = format[i];
    const auto add = [&](TimeStep step) { out.steps.push_back(std::move(step)); };
    switch (c) {
      case 'd':
      case 'j':
        add({What::day});
        break;
      case 'm':
      case 'n':
        add({What::month});
        break;
      case 'Y':
        add({What::year, 4, 4});
        break;
      case 'y':
        add({What::year_of_century, 2, 2});
        break;
      case 'H':
      case 'G':
        add({What::hour});
        break;
      case 'i':
        add({What::minute, 2, 2});
        break;
      case 's':
        add({What::second, 2, 2});
        break;
      case 'M':
        add({What::short_month_name});
        break;
      case 'F':
        add({What::month_name});
        break;
      case '!':
        if (i != 0) return std::nullopt;
        out.resets = true;
        break;
      case '|':
        if (i + 1 != format.size()) return std::nullopt;
        out.resets = true;
        break;
      case '-':
      case '/':
      case '.':
      case ':':
      case ',':
      case ' ':
        add({What::literal, 0, 0, std::string(1, c)});
        break;
      default:
        return std::nullopt;
    }
  }
  return out;
}

}  // namespace

Value given_value(const Value& value) {
  return value.is(Type::moment) ? date_time(value.as_moment(), false, false) : value;
}

// DateTime::createFromFormat("d/m/Y", "09/05/2031")
bool Expressions::read_moment_by(const Node& node, bool changes, const Arguments& arguments,
                                 Value& out) {
  TimeZone zone = usual_zone();
  const bool has_zone = arguments.size() == 3 && computed::is_object(arguments[2], zone_object);
  if (has_zone) zone = zone_in(arguments[2]);
  const bool texts = arguments.size() == (has_zone ? 3U : 2U) && arguments[0].is(Type::text) &&
                     arguments[1].is(Type::text);
  const auto reading = texts ? reading_of(arguments[0].as_text()) : std::nullopt;
  if (!reading) return not_yet("createFromFormat with these arguments is", node);
  const auto parts = read_time_parts(arguments[1].as_text(), reading->steps, true);
  if (!parts) return not_yet("a text that this format does not read is", node);
  const bool has_date = (parts->year || parts->year_of_century) && parts->month && parts->day;
  if (!has_date) return not_yet("a date of now is", node);
  constexpr int first_of_1900 = 70;
  auto moment = moment_of(*parts, {1970, 1, 1}, first_of_1900);
  if (!moment) return not_yet("a day that is not there is", node);
  moment = settled_on(*moment, zone);
  if (!moment) return not_yet("a time that clocks show twice, or before 1970, is", node);
  // What the format has of the clock sets the rest of it to nothing.
  out = date_time(*moment, false, changes, !parts->has_clock() && !reading->resets);
  return true;
}

bool Expressions::give_moment(const Node& node, const Value& like, const Moment& local,
                              Value& out) {
  const auto settled = settled_on(local, zone_of(local));
  if (!settled) return not_yet("a time that clocks show twice, or before 1970, is", node);
  out = with_moment(like, *settled);
  return true;
}

std::optional<bool> Expressions::make_moment(const Node& node, const std::string& name,
                                             const Arguments& arguments, Value& out) {
  constexpr std::string_view makers =
      "datetime datetimeimmutable date_create date_create_immutable";
  const std::string small = small_letters(name);
  const bool changes = small.find("immutable") == std::string::npos;
  if (small == "datetime::createfromformat" || small == "datetimeimmutable::createfromformat" ||
      small == "date_create_from_format")
    return read_moment_by(node, changes, arguments, out);
  if (small == "dateinterval") {
    const auto interval = arguments.size() == 1 && arguments[0].is(Type::text)
                              ? read_interval(arguments[0].as_text())
                              : std::nullopt;
    if (!interval) return not_yet("this DateInterval is", node);
    out = interval_value(*interval);
    return true;
  }
  if (small == "date_diff" && arguments.size() == 2)
    return apart(node, arguments[0], arguments[1], out);
  if (small == "datetimezone" || small == "timezone_open") return make_zone(node, arguments, out);
  if (small == "date_default_timezone_get" && arguments.size() == 0) {
    const TimeZone zone = usual_zone();
    out = Value::text(zone.zone == 0 ? "UTC" : std::string(zone_name(zone.zone)));
    return true;
  }
  const bool makes = has_word(makers, small);
  if (!makes && small != "strtotime" && small != "mktime" && small != "gmmktime")
    return std::nullopt;
  const auto unknown = [&] { return not_yet(name + " with these arguments is", node); };
  if (small.ends_with("mktime")) {
    std::int64_t parts[6] = {};
    if (arguments.size() != 6) return unknown();
    for (std::size_t i = 0; i < 6; ++i) {
      if (!take_int(node, arguments[i], parts[i])) return false;
    }
    constexpr std::int64_t most = 100'000;
    for (const std::int64_t part : parts) {
      if (part > most || part < -most) return unknown();
    }
    // Months and days beyond theirs go on into the next.
    const std::int64_t months = parts[5] * 12 + parts[3] - 1;
    const std::int64_t year = months / 12 - (months % 12 < 0 ? 1 : 0);
    if (year < 100 || year > 9'998) return unknown();
    Moment first{static_cast<int>(year), static_cast<int>(months - year * 12) + 1, 1};
    const std::int64_t local = seconds_since_1970(first) + (parts[4] - 1) * seconds_of_day +
                               parts[0] * 3'600 + parts[1] * 60 + parts[2];
    const TimeZone zone = small == "gmmktime" ? TimeZone{} : usual_zone();
    const auto settled = settled_on(moment_of_seconds(local), zone);
    if (!settled) return not_yet("a time that clocks show twice, or before 1970, is", node);
    out = Value::whole(Type::i64, seconds_since_1970(*settled) - settled->offset.value_or(0) * 60);
    return true;
  }
  if (arguments.size() == 0 || arguments.size() > 2 || !arguments[0].is(Type::text))
    return unknown();
  std::optional<Moment> base;
  TimeZone zone = usual_zone();
  if (arguments.size() == 2 && small != "strtotime") {
    if (!computed::is_object(arguments[1], zone_object)) return not_yet("this zone is", node);
    zone = zone_in(arguments[1]);
  } else if (arguments.size() == 2) {
    std::int64_t seconds = 0;
    if (!take_int(node, arguments[1], seconds)) return false;
    if (seconds < -62'135'596'800 || seconds > 253'402'300'799)
      return not_yet("such a date is", node);
    base = moment_at(int128{seconds} * nanoseconds_per_second, zone);
    if (!base) return not_yet("a time in a zone before 1970 is", node);
  }
  auto moment = moment_named(arguments[0].as_text(), base ? &*base : nullptr);
  if (!moment) return not_yet("a text such as this as a date is", node);
  // The zone that the text has comes first; that of the base is its own.
  const TimeZone own = zone_of(*moment);
  moment = settled_on(*moment, own.is_none() ? zone : own);
  if (!moment) return not_yet("a time that clocks show twice, or before 1970, is", node);
  if (small == "strtotime")
    out = Value::whole(Type::i64, seconds_since_1970(*moment) - moment->offset.value_or(0) * 60);
  else
    out = date_time(*moment, arguments[0].as_text().ends_with('Z'), changes);
  return true;
}

bool Expressions::apart(const Node& node, const Value& from, const Value& to, Value& out) {
  const bool good =
      computed::is_object(from, moment_object) && computed::is_object(to, moment_object);
  if (!good || flag_of(from, 3) || flag_of(to, 3)) return not_yet("a difference of these is", node);
  const Moment a = computed::object_part(from, 0).as_moment();
  const Moment b = computed::object_part(to, 0).as_moment();
  if (a.offset != b.offset || a.nanosecond != b.nanosecond || a.zone != b.zone)
    return not_yet("a difference of two offsets, or with fractions, is", node);
  out = interval_value(between(a, b));
  return true;
}

// $interval->days
std::optional<bool> Expressions::part_of_interval(std::string_view name, const Value& of,
                                                  Value& out) {
  if (!computed::is_object(of, interval_object)) return std::nullopt;
  constexpr std::string_view names[] = {"y", "m", "d", "h", "i", "s"};
  for (std::size_t i = 0; i < std::size(names); ++i) {
    if (names[i] != name) continue;
    out = computed::object_part(of, i);
    return true;
  }
  if (name == "invert") {
    out = Value::whole(Type::i64, flag_of(of, 6) ? 1 : 0);
    return true;
  }
  if (name != "days") return std::nullopt;
  out = computed::object_part(of, 7).is(Type::nil) ? Value::truth(false)
                                                   : Value(computed::object_part(of, 7));
  return true;
}

bool Expressions::add_in_zone(const Node& node, const Value& of, Interval by, bool subtracts,
                              Value& out) {
  const int sign = subtracts != by.inverted ? -1 : 1;
  const int128 passes = (int128{by.parts[3]} * 3'600 + by.parts[4] * 60 + by.parts[5]) * sign *
                        nanoseconds_per_second;
  by.parts[3] = by.parts[4] = by.parts[5] = 0;
  const Moment moment = computed::object_part(of, 0).as_moment();
  const bool has_days = by.parts[0] != 0 || by.parts[1] != 0 || by.parts[2] != 0;
  auto later = has_days ? moved(moment, by, subtracts) : moment;
  if (later && has_days) later = settled_on(*later, zone_of(moment));
  if (later) later = moment_at(instant_of(*later) + passes, zone_of(moment));
  if (!later) return not_yet("a time that clocks show twice, or before 1970, is", node);
  out = with_moment(of, *later);
  return true;
}

// modify("+1 month"), add(new DateInterval("P1D")), setDate(2031, 5, 9); nothing: another method.
std::optional<bool> Expressions::move_date(const Node& node, const std::string& name,
                                           const Value& of, const Arguments& arguments,
                                           Value& out) {
  if (!has_word("modify add sub setdate settime settimestamp settimezone", name))
    return std::nullopt;
  Moment moment = computed::object_part(of, 0).as_moment();
  const std::size_t count = arguments.size();
  if (name == "settimezone") {
    if (count != 1 || !computed::is_object(arguments[0], zone_object) || flag_of(of, 3))
      return not_yet("setTimezone with these arguments is", node);
    const auto there = moment_at(instant_of(moment), zone_in(arguments[0]));
    if (!there) return not_yet("a time in a zone before 1970 is", node);
    out = date_time(*there, false, flag_of(of, 2));
    return true;
  }
  std::optional<Moment> changed;
  if (name == "modify") {
    if (count == 1 && arguments[0].is(Type::text))
      changed = moment_named(arguments[0].as_text(), &moment);
    if (!changed) return not_yet("modify() by this text is", node);
  } else if (name == "add" || name == "sub") {
    if (count != 1 || !computed::is_object(arguments[0], interval_object))
      return not_yet("this interval is", node);
    Interval by = interval_in(arguments[0]);
    if (moment.zone != 0) return add_in_zone(node, of, by, name == "sub", out);
    changed = moved(moment, by, name == "sub");
    if (!changed) return not_yet("such a year is", node);
  } else {
    std::int64_t parts[3] = {};
    const bool of_date = name == "setdate";
    if (name == "settimestamp" || count < (of_date ? 3U : 2U) || count > 3)
      return not_yet("the method " + node.parts[0].text + " with these arguments is", node);
    for (std::size_t i = 0; i < count; ++i) {
      if (!take_int(node, arguments[i], parts[i])) return false;
    }
    const bool good = of_date ? parts[0] >= 1 && parts[0] <= 9999 && parts[1] >= 1 &&
                                    parts[1] <= 12 && parts[2] >= 1 &&
                                    parts[2] <= days_of_month(static_cast<int>(parts[0]),
                                                              static_cast<int>(parts[1]))
                              : parts[0] >= 0 && parts[0] < 24 && parts[1] >= 0 && parts[1] < 60 &&
                                    parts[2] >= 0 && parts[2] < 60;
    if (!good) return not_yet("a date or a time that is not there is", node);
    int* const targets[] = {of_date ? &moment.year : &moment.hour,
                            of_date ? &moment.month : &moment.minute,
                            of_date ? &moment.day : &moment.second};
    for (std::size_t i = 0; i < 3; ++i) *targets[i] = static_cast<int>(parts[i]);
    if (!of_date) moment.nanosecond = 0;
    changed = moment;
  }
  const bool sets_clock = name == "settime";
  return give_moment(node, sets_clock ? date_time(*changed, flag_of(of, 1), flag_of(of, 2)) : of,
                     *changed, out);
}

// $d->format("Y-m-d"), $d->getTimestamp()
bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string name = small_letters(node.parts[0].text);
  const std::size_t count = arguments.size();
  if (computed::is_object(of, interval_object) && name == "format" && count == 1 &&
      arguments[0].is(Type::text)) {
    auto text = shown_interval(arguments[0].as_text(), interval_in(of));
    if (!text) return not_yet("this code of an interval is", node);
    out = Value::text(std::move(*text));
    return true;
  }
  if (computed::is_object(of, zone_object) && name == "getname" && count == 0) {
    const TimeZone zone = zone_in(of);
    out = Value::text(zone.zone != 0 ? std::string(zone_name(zone.zone))
                                     : offset_text(zone.offset.value_or(0)));
    return true;
  }
  if (!computed::is_object(of, moment_object))
    return Evaluator::call_method(node, of, arguments, out);
  const Moment moment = computed::object_part(of, 0).as_moment();
  if (name == "gettimestamp" && count == 0 && !flag_of(of, 3)) {
    out = Value::whole(Type::i64, seconds_since_1970(moment) - moment.offset.value_or(0) * 60);
    return true;
  }
  if (count == 0 && (name == "gettimezone" || name == "getoffset")) {
    // What has no zone is in UTC.
    const TimeZone zone = zone_of(moment);
    const Zone of_utc = *zone_named("UTC");
    if (flag_of(of, 1)) return not_yet("the zone Z is", node);
    out = name == "getoffset" ? Value::whole(Type::i64, moment.offset.value_or(0) * 60)
                              : zone_value(zone.is_none() ? TimeZone{std::nullopt, of_utc} : zone);
    return true;
  }
  if (name == "diff" && count == 1) return apart(node, of, arguments[0], out);
  // What another name stands for, too, does not change here without a word.
  const bool is_named = node.parts[0].parts[0].kind == Node::Kind::name;
  if (const auto done = move_date(node, name, of, arguments, out)) {
    if (*done && flag_of(of, 2) && is_named && !may_change_)
      return not_yet("a change of a DateTime within an expression is", node);
    return *done;
  }
  if (name != "format" || count != 1 || !arguments[0].is(Type::text))
    return not_yet("the method " + node.parts[0].text + " is", node);
  auto text = shown_by(arguments[0].as_text(), instant_of_object(of));
  if (!text) return not_yet("this code of date is", node);
  out = Value::text(std::move(*text));
  return true;
}

// $b = $a: two names of one DateTime, which a change of the one would change for both.
bool Expressions::finish(const Node& node, Value& out) {
  const bool shares =
      node.kind == Node::Kind::name && computed::is_object(out, moment_object) && flag_of(out, 2);
  return !shares || not_yet("another name for a DateTime is", node);
}

// $d->modify("+1 day"); as a statement: what $d stands for behind it.
bool Expressions::change_date(const Node& node, Value& out) {
  const Value* before = find(node.parts[0].parts[0].text);
  if (before == nullptr || !computed::is_object(*before, moment_object))
    return not_yet("such a statement is", node);
  const Value kept = *before;
  may_change_ = true;
  if (!evaluate(node, out)) return false;
  if (!flag_of(kept, 2)) out = kept;
  return true;
}

std::optional<bool> Expressions::format_date(const Node& node, const std::string& name,
                                             const Arguments& arguments, Value& out) {
  if (name == "date_format" && arguments.size() == 2 &&
      computed::is_object(arguments[0], moment_object) && arguments[1].is(Type::text)) {
    auto shown = shown_by(arguments[1].as_text(), instant_of_object(arguments[0]));
    if (!shown) return not_yet("this code of date is", node);
    out = Value::text(std::move(*shown));
    return true;
  }
  if (name == "checkdate" && arguments.size() == 3) {
    std::int64_t parts[3] = {};
    for (std::size_t i = 0; i < 3; ++i) {
      if (!take_int(node, arguments[i], parts[i])) return false;
    }
    const bool good =
        parts[0] >= 1 && parts[0] <= 12 && parts[1] >= 1 && parts[2] >= 1 && parts[2] <= 32'767 &&
        parts[1] <= days_of_month(static_cast<int>(parts[2]), static_cast<int>(parts[0]));
    out = Value::truth(good);
    return true;
  }
  if (name == "cal_days_in_month" && arguments.size() == 3) {
    std::int64_t parts[3] = {};
    for (std::size_t i = 0; i < 3; ++i) {
      if (!take_int(node, arguments[i], parts[i])) return false;
    }
    const bool good =
        parts[0] == 0 && parts[1] >= 1 && parts[1] <= 12 && parts[2] >= 1 && parts[2] <= 9999;
    if (!good) return not_yet("such a month is", node);
    out = Value::whole(Type::i64,
                       days_of_month(static_cast<int>(parts[2]), static_cast<int>(parts[1])));
    return true;
  }
  const bool is_number = name == "idate";
  if (name != "date" && name != "gmdate" && !is_number) return std::nullopt;
  if (arguments.size() != 2 || !arguments[0].is(Type::text))
    return not_yet("the function " + name + " with these arguments is", node);
  std::int64_t seconds = 0;
  if (!take_int(node, arguments[1], seconds)) return false;
  // The years 1 to 9999.
  if (seconds < -62'135'596'800 || seconds > 253'402'300'799)
    return not_yet("such a date is", node);
  const TimeZone zone = name == "gmdate" ? TimeZone{} : usual_zone();
  const auto moment = moment_at(int128{seconds} * nanoseconds_per_second, zone);
  if (!moment) return not_yet("a time in a zone before 1970 is", node);
  Instant at = fields_of(*moment);
  at.is_greenwich = name == "gmdate";
  auto text = shown_by(arguments[0].as_text(), at);
  if (!text) return not_yet("this code of date is", node);
  if (is_number) {
    const bool good = arguments[0].as_text().size() == 1 &&
                      text->find_first_not_of("0123456789") == std::string::npos;
    if (!good) return not_yet("this code of idate is", node);
    out = Value::whole(Type::i64, std::atoll(text->c_str()));
    return true;
  }
  out = Value::text(std::move(*text));
  return true;
}

}  // namespace inky::inline v1::php
