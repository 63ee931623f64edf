// What names without a value stand for: constants of the library.

#include <cmath>
#include <limits>

#include "expressions.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;

// The constants of the types of numbers, and of System.Math.
std::optional<Value> known_constant(const Node& node) {
  struct Known {
    std::string_view name;
    Value value;
  };
  const Integer one = 1;
  const std::string path = computed::path_of(node);
  const Known known[] = {
      {"Math.PI", Value::real(0x1.921fb54442d18p+1)},
      {"Math.E", Value::real(0x1.5bf0a8b145769p+1)},
      {"int.MaxValue", computed::wrapped(Type::i32, (one << 31) - 1)},
      {"int.MinValue", computed::wrapped(Type::i32, one << 31)},
      {"uint.MaxValue", computed::wrapped(Type::u32, (one << 32) - 1)},
      {"long.MaxValue", computed::wrapped(Type::i64, (one << 63) - 1)},
      {"long.MinValue", computed::wrapped(Type::i64, one << 63)},
      {"ulong.MaxValue", computed::wrapped(Type::u64, (one << 64) - 1)},
      {"double.MaxValue", Value::real(0x1.fffffffffffffp+1023)},
      {"double.MinValue", Value::real(-0x1.fffffffffffffp+1023)},
      {"double.NaN", Value::real(std::numeric_limits<double>::quiet_NaN())},
      {"double.PositiveInfinity", Value::real(HUGE_VAL)},
      {"double.NegativeInfinity", Value::real(-HUGE_VAL)},
      {"byte.MaxValue", computed::wrapped(Type::u8, 255)},
      {"short.MaxValue", computed::wrapped(Type::i16, 32767)},
      {"double.Epsilon", Value::real(0x1p-1074)},
      {"TimeSpan.Zero", Value::duration(0)},
      {"DateTime.UnixEpoch", Value::moment({1970, 1, 1})},
      {"DateTime.MinValue", Value::moment({})},
      {"DateTime.MaxValue", Value::moment({9999, 12, 31, 23, 59, 59, 999'999'900})},
      {"DateOnly.MinValue", Value::date({})},
      {"DateOnly.MaxValue", Value::date({9999, 12, 31})},
      {"TimeOnly.MinValue", Value::time({})},
      {"TimeOnly.MaxValue", Value::time({1, 1, 1, 23, 59, 59, 999'999'900})},
      {"DateTimeOffset.UnixEpoch", Value::moment({1970, 1, 1, 0, 0, 0, 0, 0})},
      {"decimal.Zero", Value::decimal({})},
      {"decimal.One", *read_typed(Type::decimal, "1")},
      {"decimal.MinusOne", *read_typed(Type::decimal, "-1")},
      {"decimal.MaxValue", *read_typed(Type::decimal, "79228162514264337593543950335")},
      {"decimal.MinValue", *read_typed(Type::decimal, "-79228162514264337593543950335")}};
  for (const Known& fact : known) {
    if (fact.name == path) return fact.value;
  }
  return std::nullopt;
}

}  // namespace

bool is_known_name(const Node& node) {
  return known_constant(node).has_value();
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  if (auto known = known_constant(node)) {
    out = std::move(*known);
    return true;
  }
  const std::string path = computed::path_of(node);
  if (path == "Environment.NewLine" || path == "string.Empty" || path == "String.Empty") {
    out = Value::text(path == "Environment.NewLine" ? "\n" : "");
    return true;
  }
  // By its name.
  if (path.starts_with("MidpointRounding.")) {
    out = Value::text(path.substr(17));
    return true;
  }
  if (auto culture = culture_named(path)) {
    out = std::move(*culture);
    return true;
  }
  if (auto constant = zone_constant(path)) {
    out = std::move(*constant);
    return true;
  }
  if (auto weekday = weekday_named(path)) {
    out = std::move(*weekday);
    return true;
  }
  if (node.kind == Node::Kind::member) return not_yet("the member " + node.text + " is", node);
  return refuse_as("CS0103", "the name " + node.text + " does not exist", node);
}

}  // namespace inky::inline v1::csharp
