// DateTimeZone in expressions: the PHP manual, Date and Time, List of Supported Timezones.

#include "../computed/objects.hpp"
#include "dates.hpp"
#include "expressions.hpp"

namespace inky::inline v1::php {

using computed::Node;

TimeZone zone_in(const Value& object) {
  const auto part = [&](std::size_t at) {
    return static_cast<int>(computed::object_part(object, at).as_whole());
  };
  return part(1) != 0 ? TimeZone{std::nullopt, static_cast<Zone>(part(1))} : TimeZone{part(0), 0};
}
Value zone_value(const TimeZone& zone) {
  return computed::object_of(zone_object, {Value::whole(Type::i32, zone.offset.value_or(0)),
                                           Value::whole(Type::i32, zone.zone)});
}

// The zone of a program: what it was set to, or none, which is UTC.
TimeZone Expressions::usual_zone() const {
  const Value* set = find(default_zone);
  return set != nullptr && computed::is_object(*set, zone_object) ? zone_in(*set) : TimeZone{};
}

// new DateTimeZone("Europe/Berlin")
bool Expressions::make_zone(const Node& node, const Arguments& arguments, Value& out) {
  if (arguments.size() != 1 || !arguments[0].is(Type::text)) return not_yet("this zone is", node);
  const std::string_view name = arguments[0].as_text();
  const auto zone = zone_named(name);
  // Names without a / are letters such as EST, of which PHP has a list of its own.
  if (zone && (name.find('/') != std::string_view::npos || name == "UTC")) {
    out = zone_value({std::nullopt, *zone});
    return true;
  }
  const auto offset = read_plain_moment("2000-01-01T00:00" + std::string(name));
  if (offset && (name.starts_with('+') || name.starts_with('-'))) {
    out = zone_value({offset->offset, 0});
    return true;
  }
  if (name.find('/') == std::string_view::npos || zone_named_in_any_case(name))
    return not_yet("this zone is", node);
  return fail(computed::Trouble::When::run, "Exception",
              "DateTimeZone::__construct(): Unknown or bad timezone (" + std::string(name) + ")",
              node);
}

}  // namespace inky::inline v1::php
