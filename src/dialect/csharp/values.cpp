#include "values.hpp"

#include <algorithm>
#include <array>
#include <limits>
#include <string>

#include "../family/dotnet_decimal.hpp"
#include "../family/utf16.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::csharp {

bool is_known(const Value& value) {
  switch (value.type()) {
    case Type::bf16:
    case Type::f80:
    case Type::f128:
      return false;
    case Type::decimal:
      return decimal96(value.as_decimal()).has_value();
    case Type::character:
      return value.as_character() <= 0xFFFF;
    default:
      break;
  }
  if (!is_compound(value.type())) return true;
  const auto items = value.as_list();
  return std::all_of(items.begin(), items.end(), is_known);
}

std::string list_name(const Value& value) {
  std::string item;
  for (const Value& one : value.as_list()) {
    const std::string name = type_name(one);
    if (!item.empty() && item != name) return "System.Collections.Generic.List`1[System.Object]";
    item = name;
  }
  if (item.empty()) item = "System.Object";
  return "System.Collections.Generic.List`1[" + item + "]";
}

std::string type_name(const Value& value) {
  constexpr std::array<std::string_view, 13> numbers = {"System.SByte",
                                                        "System.Int16",
                                                        "System.Int32",
                                                        "System.Int64",
                                                        "System.Int128",
                                                        "System.Byte",
                                                        "System.UInt16",
                                                        "System.UInt32",
                                                        "System.UInt64",
                                                        "System.UInt128",
                                                        "System.Numerics.BigInteger",
                                                        "System.Half",
                                                        ""};
  if (value.type() <= Type::f16)
    return std::string(numbers[static_cast<std::size_t>(value.type())]);
  switch (value.type()) {
    case Type::f32:
      return "System.Single";
    case Type::f64:
      return "System.Double";
    case Type::text:
      return "System.String";
    case Type::character:
      return "System.Char";
    case Type::truth:
      return "System.Boolean";
    case Type::complex:
      return "System.Numerics.Complex";
    case Type::moment:
      return value.as_moment().offset ? "System.DateTimeOffset" : "System.DateTime";
    case Type::date:
      return "System.DateOnly";
    case Type::time:
      return "System.TimeOnly";
    case Type::duration:
      return "System.TimeSpan";
    case Type::decimal:
      return "System.Decimal";
    case Type::list:
      return list_name(value);
    default:
      return "System.Object";
  }
}

}  // namespace inky::inline v1::csharp
