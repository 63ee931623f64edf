// datetime.timezone and zoneinfo.ZoneInfo in expressions: the Python 3.11 library reference, datetime
// and zoneinfo.

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/escape.hpp"
#include "times.hpp"

namespace inky::inline v1::python {

using computed::Node;

TimeZone Expressions::zone_in(const Value& object) {
  return {static_cast<int>(computed::object_part(object, 0).as_whole()),
          static_cast<Zone>(computed::object_part(object, 1).as_whole())};
}

Value Expressions::zone_object_of(const TimeZone& zone) {
  return computed::object_of(zone_object, {Value::whole(Type::i32, zone.offset.value_or(0)),
                                           Value::whole(Type::i32, zone.zone)});
}

std::string Expressions::zone_text(const Value& zone) {
  const TimeZone of = zone_in(zone);
  if (of.zone != 0) return std::string(zone_name(of.zone));
  return *of.offset == 0 ? "UTC" : "UTC" + offset_text(*of.offset);
}

// timezone.utc, UTC; nothing: no zone.
std::optional<Value> Expressions::zone_constant(std::string_view path) {
  const std::string_view name = class_of_path(path);
  if (name != "timezone.utc" && name != "UTC") return std::nullopt;
  return zone_object_of(utc);
}

bool Expressions::take_zone(const Node& node, const Value& value, TimeZone& out) {
  out = {};
  if (value.is(Type::nil)) return true;
  if (!computed::is_object(value, zone_object)) return not_yet("this zone is", node);
  out = zone_in(value);
  return true;
}

// timezone(timedelta(hours=2))
bool Expressions::make_timezone(const Node& node, const Arguments& arguments, Value& out) {
  if (arguments.size() != 1 || !arguments.named.empty())
    return not_yet("a zone with a name is", node);
  if (!arguments[0].is(Type::duration))
    return raise("TypeError",
                 "timezone() argument 1 must be datetime.timedelta, not " +
                     std::string(type_name(arguments[0])),
                 node);
  const int128 offset = arguments[0].as_duration();
  const int128 minute = 60 * billion;
  if (offset <= -1440 * minute || offset >= 1440 * minute)
    return raise("ValueError",
                 "offset must be a timedelta strictly between -timedelta(hours=24) and "
                 "timedelta(hours=24)",
                 node);
  if (offset % minute != 0) return not_yet("an offset with seconds is", node);
  out = zone_object_of({static_cast<int>(offset / minute), 0});
  return true;
}

// ZoneInfo("Europe/Berlin")
bool Expressions::make_zone_info(const Node& node, const Arguments& arguments, Value& out) {
  const Value* key = arguments.size() == 1 ? &arguments[0] : arguments.find("key");
  if (key == nullptr || !is_text_or_character(*key) || arguments.named.size() > 1)
    return not_yet("this zone is", node);
  const std::string name = text_of(*key);
  const auto zone = zone_named(name);
  if (!zone) return raise("ZoneInfoNotFoundError", "No time zone found with key " + name, node);
  out = zone_object_of({0, *zone});
  return true;
}

bool Expressions::give_moment_at(const Node& node, const TimeZone& zone, int128 instant,
                                 Value& out) {
  const auto moment = moment_at(instant, zone);
  if (moment) {
    out = Value::moment(*moment);
    return true;
  }
  return zone.zone == 0 ? raise("OverflowError", "date value out of range", node)
                        : not_yet("a time in a zone before 1970, or after 9999, is", node);
}

bool Expressions::give_moment_on(const Node& node, const TimeZone& zone, const Moment& local,
                                 bool later, Value& out) {
  const auto moment = moment_on(local, zone, later);
  if (!moment) return not_yet("a time in a zone before 1970, or after 9999, is", node);
  if (later && !is_second(*moment))
    return not_yet("fold=1 of what clocks do not show twice is", node);
  out = Value::moment(*moment);
  return true;
}

std::optional<bool> Expressions::call_on_zone(const Node& node, std::string_view name,
                                              const Value& of, const Arguments& arguments,
                                              Value& out) {
  if (!has_word("utcoffset tzname dst", name) || !arguments.named.empty()) return std::nullopt;
  Moment moment;
  if (computed::is_object(of, zone_object)) {
    // zone.utcoffset(moment): of what its clocks show then.
    const TimeZone zone = zone_in(of);
    if (arguments.size() != 1 || !arguments[0].is(Type::moment)) return std::nullopt;
    Value settled;
    if (!give_moment_on(node, zone, arguments[0].as_moment(), false, settled)) return false;
    moment = settled.as_moment();
  } else {
    if (!of.is(Type::moment) || arguments.size() != 0) return std::nullopt;
    moment = of.as_moment();
  }
  if (!moment.offset || (name == "dst" && moment.zone == 0)) {
    out = Value();
    return true;
  }
  if (name == "tzname") return format_time(node, Value::moment(moment), "%Z", out);
  const int minutes = name == "dst" ? summer_minutes(moment) : *moment.offset;
  out = Value::duration(int128{minutes} * 60 * billion);
  return true;
}

}  // namespace inky::inline v1::python
