// ZoneId and ZonedDateTime in expressions.

#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "time_objects.hpp"
#include "times.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

using computed::Node;
using computed::object_of;
using computed::object_part;

std::optional<TimeZone> zone_in(const Value& object) {
  if (computed::is_object(object, zone_object))
    return TimeZone{std::nullopt, static_cast<Zone>(number_in(object, 0))};
  if (computed::is_object(object, offset_object)) return TimeZone{number_in(object, 0), 0};
  return std::nullopt;
}

bool Expressions::give_zoned(const Node& node, const std::optional<Moment>& moment, Value& out) {
  if (!moment || (moment->zone != 0 && databases_differ(moment->zone, seconds_since_1970(*moment))))
    return not_yet("a time in this zone so early, or after 9999, is", node);
  out = Value::moment(*moment);
  return true;
}

// ZoneId.of("Europe/Berlin"), ZonedDateTime.of(…), LocalDateTime.ofInstant(…)
std::optional<bool> Expressions::make_zoned(const Node& node, std::string_view path,
                                            const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path == "ZoneId.of" && count == 1 && arguments[0].is(Type::text)) {
    const std::string_view name = arguments[0].as_text();
    if (const auto zone = zone_named(name); zone && has_zone(*zone)) {
      out = object_of(zone_object, {int_of(*zone)});
      return true;
    }
    if (name == "Z" || name.starts_with('+') || name.starts_with('-'))
      return make_offset(node, "of", arguments, out);
    const bool is_prefixed =
        name.starts_with("UTC") || name.starts_with("GMT") || name.starts_with("UT");
    if (is_prefixed) return not_yet("this zone is", node);
    return fail(computed::Trouble::When::run, "ZoneRulesException",
                "Unknown time-zone ID: " + std::string(name), node);
  }
  const std::size_t point = path.find('.');
  if (point == std::string_view::npos || count == 0) return std::nullopt;
  const std::string_view type = path.substr(0, point);
  const std::string_view name = path.substr(point + 1);
  if (name == "ofInstant" && count == 2 && computed::is_object(arguments[0], instant_object)) {
    const auto zone = zone_in(arguments[1]);
    if (!zone) return std::nullopt;
    auto moment = moment_at(instant_of(object_part(arguments[0], 0).as_moment()), *zone);
    if (moment && type != "ZonedDateTime") {
      moment->zone = 0;
      if (type == "LocalDateTime") moment->offset.reset();
    }
    if (!has_word("ZonedDateTime OffsetDateTime LocalDateTime LocalDate LocalTime", type))
      return std::nullopt;
    if (!give_zoned(node, moment, out)) return false;
    if (type == "LocalDate")
      out = Value::date({moment->year, moment->month, moment->day});
    else if (type == "LocalTime")
      out =
          Value::time({1, 1, 1, moment->hour, moment->minute, moment->second, moment->nanosecond});
    return true;
  }
  if (type != "ZonedDateTime") return std::nullopt;
  if (name == "parse" && count == 1 && arguments[0].is(Type::text)) {
    const auto read = read_moment(arguments[0].as_text());
    const bool suits = read && read->offset &&
                       arguments[0].as_text().find('T') != std::string_view::npos &&
                       (read->zone == 0 || has_zone(read->zone));
    if (!suits) return not_yet("reading this text is", node);
    out = Value::moment(*read);
    return true;
  }
  const auto zone = zone_in(arguments[count - 1]);
  if (name != "of" || !zone) return std::nullopt;
  Arguments local = arguments;
  local.values.pop_back();
  Value made = local.values.empty() ? Value() : local.values[0];
  if (count != 2 || !made.is(Type::moment)) {
    const auto done = make_time(node, "LocalDateTime.of", local, made);
    if (!done || !*done) return done;
  }
  return give_zoned(node, zoned(made.as_moment(), *zone), out);
}

// zone.getId(), instant.atZone(zone), moment.withZoneSameInstant(zone)
std::optional<bool> Expressions::call_with_zone(const Node& node, const Value& of,
                                                const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (computed::is_object(of, zone_object)) {
    if (count != 0 || (name != "getId" && name != "toString")) return std::nullopt;
    out = Value::text(*object_text(of));
    return true;
  }
  const auto zone = count == 1 ? zone_in(arguments[0]) : std::nullopt;
  if (computed::is_object(of, instant_object)) {
    if (name != "atZone" || !zone) return std::nullopt;
    return give_zoned(node, moment_at(instant_of(object_part(of, 0).as_moment()), *zone), out);
  }
  if (of.is(Type::date) && name == "atStartOfDay" && zone) {
    const Moment day = of.as_moment();
    return give_zoned(node, zoned({day.year, day.month, day.day}, *zone), out);
  }
  if (!of.is(Type::moment)) return std::nullopt;
  const Moment moment = of.as_moment();
  if (zone && name == "atZone" && !moment.offset)
    return give_zoned(node, zoned(moment, *zone), out);
  if (!moment.offset) return std::nullopt;
  if (zone && (name == "withZoneSameInstant" || name == "atZoneSameInstant"))
    return give_zoned(node, moment_at(instant_of(moment), *zone), out);
  if (zone && (name == "withZoneSameLocal" || name == "atZoneSimilarLocal"))
    return give_zoned(node, zoned(moment, *zone, moment.offset), out);
  if (count != 0) return std::nullopt;
  if (name == "getOffset") {
    out = object_of(offset_object, {int_of(*moment.offset)});
    return true;
  }
  if (name == "getZone") {
    out = moment.zone != 0 ? object_of(zone_object, {int_of(moment.zone)})
                           : object_of(offset_object, {int_of(*moment.offset)});
    return true;
  }
  if (name == "toOffsetDateTime" || name == "toZonedDateTime" || name == "withFixedOffsetZone") {
    Moment fixed = moment;
    if (name != "toZonedDateTime") fixed.zone = 0;
    out = Value::moment(fixed);
    return true;
  }
  if (name == "withEarlierOffsetAtOverlap" || name == "withLaterOffsetAtOverlap")
    return give_zoned(node, moment_on(moment, zone_of(moment), name == "withLaterOffsetAtOverlap"),
                      out);
  return std::nullopt;
}

}  // namespace inky::inline v1::java_language
