// TimeZoneInfo and DateTimeKind in expressions: the .NET API, System. Observed on .NET 10.0.

#include "../family/time_zones.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "times.hpp"

namespace inky::inline v1::csharp {

using computed::Node;
using computed::object_of;
using computed::object_part;

namespace {

constexpr int128 minute = 60 * nanoseconds_per_second;
constexpr std::string_view utc_id = "UTC";

#include "windows_zones.inc"

// A TimeZoneInfo is the number of its zone, and the name that it was asked by.
Value zone_value(Zone zone, std::string_view id) {
  return object_of(zone_object, {Value::whole(Type::i32, zone), Value::text(std::string(id))});
}
Zone zone_in(const Value& object) {
  return static_cast<Zone>(object_part(object, 0).as_whole());
}

// What its standard time is ahead of UTC in the year 2026, and so in those to come.
std::optional<int> standard_seconds(Zone zone) {
  constexpr std::int64_t january = 1'768'435'200;
  constexpr std::int64_t july = 1'784'073'600;
  for (const std::int64_t second : {january, july}) {
    const auto clock = clock_at(zone, second);
    if (clock && !clock->is_summer) return clock->seconds;
  }
  return std::nullopt;
}

bool is_plain_moment(const Value& value) {
  return value.is(Type::moment) && !value.as_moment().offset;
}

// What a zone's clocks are ahead of UTC at a DateTime of theirs: of a time that they show twice or
// skip, the standard time's.
std::optional<int> offset_at(Zone zone, const Moment& local) {
  const auto clocks = clocks_showing(zone, seconds_since_1970(local));
  if (!clocks || clocks->earlier.seconds % 60 != 0 || clocks->later.seconds % 60 != 0)
    return std::nullopt;
  return std::min(clocks->earlier.seconds, clocks->later.seconds) / 60;
}

}  // namespace

std::optional<Value> Expressions::zone_constant(std::string_view path) {
  if (path == "TimeZoneInfo.Utc") return zone_value(*inky::zone_named(utc_id), utc_id);
  if (path == "DateTimeKind.Utc" || path == "DateTimeKind.Unspecified")
    return object_of(kind_object, {Value::text(std::string(path.substr(13)))});
  return std::nullopt;
}

// Of the kind Utc, or of none.
Value Expressions::of_kind(const Moment& local, bool is_utc) {
  Moment plain = local;
  plain.offset.reset();
  plain.zone = 0;
  Value out = Value::moment(plain);
  if (is_utc) out.set_expression();
  return out;
}

bool Expressions::take_zone(const Node& node, const Value& value, Zone& out) {
  if (!computed::is_object(value, zone_object)) return not_yet("this time zone is", node);
  out = zone_in(value);
  return true;
}

bool Expressions::find_zone(const Node& node, const Value& id, Value& out) {
  if (!id.is(Type::text)) return not_yet("this time zone is", node);
  std::string_view name = id.as_text();
  for (const auto& [windows, own] : windows_zones) {
    if (windows == name) name = own;
  }
  if (const auto zone = inky::zone_named(name)) {
    out = zone_value(*zone, id.as_text());
    return true;
  }
  return fail(computed::Trouble::When::run, "TimeZoneNotFoundException",
              "The time zone ID '" + std::string(id.as_text()) + "' was not found", node);
}

// What clocks of `to` show: of a DateTimeOffset one, of a DateTime of the clocks of `from` another.
bool Expressions::convert_time(const Node& node, const Value& time, Zone from, Zone to,
                               Value& out) {
  Moment moment = time.as_moment();
  const bool has_offset = moment.offset.has_value();
  if (!has_offset) {
    const auto clocks = clocks_showing(from, seconds_since_1970(moment));
    if (clocks && clocks->skipped)
      return raise("ArgumentException", "clocks of its zone skip this time", node, time, out);
    moment.offset = offset_at(from, moment);
    if (!moment.offset) return not_yet("a time in a zone before 1970 is", node);
  }
  auto there = moment_at(instant_of(moment), TimeZone{std::nullopt, to});
  if (!there) return not_yet("a time in a zone before 1970, or after 9999, is", node);
  there->zone = 0;
  out = has_offset ? Value::moment(*there) : of_kind(*there, inky::zone_name(to) == utc_id);
  return true;
}

std::optional<bool> Expressions::call_zone_function(const Node& node, std::string_view path,
                                                    const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const bool is_kind = count > 0 && computed::is_object(arguments[count - 1], kind_object);
  if ((path == "DateTime" || path == "DateTime.SpecifyKind") && is_kind) {
    const bool is_utc = object_part(arguments[count - 1], 0).as_text() == "Utc";
    Value made = arguments[0];
    if (path == "DateTime") {
      Arguments parts = arguments;
      parts.values.pop_back();
      if (!make_moment(node, path, parts, made)) return false;
    } else if (count != 2 || !is_plain_moment(made)) {
      return std::nullopt;
    }
    out = of_kind(made.as_moment(), is_utc);
    return true;
  }
  constexpr std::string_view type = "TimeZoneInfo.";
  if (!path.starts_with(type)) return std::nullopt;
  const std::string_view name = path.substr(type.size());
  if (name == "FindSystemTimeZoneById" && count == 1) return find_zone(node, arguments[0], out);
  if (count == 0 || !arguments[0].is(Type::moment)) return std::nullopt;
  const Value& time = arguments[0];
  const bool is_plain = is_plain_moment(time);
  Zone zones[2] = {*inky::zone_named(utc_id), *inky::zone_named(utc_id)};
  const bool by_id = name == "ConvertTimeBySystemTimeZoneId";
  if (!by_id && !has_word("ConvertTime ConvertTimeFromUtc ConvertTimeToUtc", name))
    return std::nullopt;
  if (count > 3) return std::nullopt;
  for (std::size_t i = 1; i < count; ++i) {
    Value zone = arguments[i];
    if (by_id && !find_zone(node, arguments[i], zone)) return false;
    if (!take_zone(node, zone, zones[i - 1])) return false;
  }
  if (name == "ConvertTimeToUtc") {
    // Without a zone it is of the machine's, which is UTC here.
    if (!is_plain || count > 2) return std::nullopt;
    return convert_time(node, time, zones[0], *inky::zone_named(utc_id), out);
  }
  if (name == "ConvertTimeFromUtc")
    return is_plain && count == 2
               ? std::optional(convert_time(node, time, *inky::zone_named(utc_id), zones[0], out))
               : std::nullopt;
  // A DateTime alone is of the machine's zone, too, or in UTC.
  if (count == 2) return convert_time(node, time, *inky::zone_named(utc_id), zones[0], out);
  return count == 3 && is_plain ? std::optional(convert_time(node, time, zones[0], zones[1], out))
                                : std::nullopt;
}

std::optional<bool> Expressions::call_on_zone(const Node& node, const Value& of,
                                              const Arguments& arguments, Value& out) {
  if (!computed::is_object(of, zone_object) || arguments.size() != 1 ||
      !arguments[0].is(Type::moment))
    return std::nullopt;
  const std::string& name = node.parts[0].text;
  const Zone zone = zone_in(of);
  Moment moment = arguments[0].as_moment();
  const auto clocks = clocks_showing(zone, seconds_since_1970(moment));
  if (!clocks) return not_yet("a time in a zone before 1970 is", node);
  if (!moment.offset && (name == "IsAmbiguousTime" || name == "IsInvalidTime")) {
    const bool differ = clocks->earlier.seconds != clocks->later.seconds;
    out = Value::truth(differ && clocks->skipped == (name == "IsInvalidTime"));
    return true;
  }
  if (name != "GetUtcOffset" && name != "IsDaylightSavingTime") return std::nullopt;
  // A DateTime of the kind Utc is an instant.
  if (has_utc_kind(arguments[0])) moment.offset = 0;
  if (moment.offset) {
    const auto there = moment_at(instant_of(moment), TimeZone{std::nullopt, zone});
    if (!there) return not_yet("a time in a zone before 1970, or after 9999, is", node);
    moment = *there;
  } else {
    moment.offset = offset_at(zone, moment);
    moment.zone = zone;
    if (!moment.offset) return not_yet("a time in a zone before 1970 is", node);
  }
  if (name == "GetUtcOffset") {
    out = Value::duration(*moment.offset * minute);
    return true;
  }
  if (clocks->earlier.seconds != clocks->later.seconds)
    return not_yet("summer time where clocks change is", node);
  const auto clock = clock_at(zone, seconds_since_1970(moment) - *moment.offset * 60);
  out = Value::truth(clock && clock->is_summer);
  return true;
}

std::optional<bool> Expressions::member_of_zone(const Node& node, const Value& of, Value& out) {
  if (computed::is_object(of, zone_object)) {
    if (node.text == "Id") {
      out = Value(object_part(of, 1));
      return true;
    }
    const auto standard = standard_seconds(zone_in(of));
    if (node.text != "BaseUtcOffset" || !standard) return std::nullopt;
    out = Value::duration(*standard * nanoseconds_per_second);
    return true;
  }
  if (!of.is(Type::moment)) return std::nullopt;
  const Moment moment = of.as_moment();
  if (node.text == "UtcDateTime" && moment.offset) {
    const auto in_utc = moment_at(instant_of(moment), utc);
    if (!in_utc) return std::nullopt;
    out = of_kind(*in_utc, true);
    return true;
  }
  if (node.text == "DateTime" && moment.offset) {
    out = of_kind(moment, false);
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::csharp
