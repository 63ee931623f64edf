// What names without a value stand for: constants and modules.

#include <algorithm>
#include <limits>

#include "expressions.hpp"

namespace inky::inline v1::python {

using computed::Node;

bool Expressions::name_without_value(const Node& node, Value& out) {
  struct Constant {
    std::string_view name;
    double value;
  };
  constexpr Constant constants[] = {{"pi", 0x1.921fb54442d18p+1},
                                    {"e", 0x1.5bf0a8b145769p+1},
                                    {"tau", 0x1.921fb54442d18p+2},
                                    {"inf", std::numeric_limits<double>::infinity()},
                                    {"nan", std::numeric_limits<double>::quiet_NaN()}};
  const std::string path = own_path(path_of(node));
  for (const Constant& constant : constants) {
    if (path != "math." + std::string(constant.name)) continue;
    out = float_value(constant.value);
    return true;
  }
  if (auto zone = zone_constant(path)) {
    out = std::move(*zone);
    return true;
  }
  if (auto names = calendar_names(path)) {
    out = std::move(*names);
    return true;
  }
  const std::string_view last = std::string_view(path).substr(path.rfind('.') + 1);
  if (decimal_rounding(last) && (path == last || path == "decimal." + std::string(last))) {
    out = Value::text(std::string(last));
    return true;
  }
  const std::string first = path.substr(0, path.find('.'));
  constexpr std::string_view functions[] = {
      "len",      "str",       "int",       "float",     "abs",      "min",        "max",
      "sum",      "round",     "sorted",    "repr",      "list",     "tuple",      "bool",
      "type",     "dict",      "set",       "range",     "map",      "zip",        "enumerate",
      "reversed", "filter",    "print",     "input",     "open",     "iter",       "next",
      "hash",     "id",        "bytes",     "bytearray", "object",   "isinstance", "vars",
      "dir",      "slice",     "frozenset", "callable",  "getattr",  "datetime",   "decimal",
      "Decimal",  "sys",       "os",        "random",    "json",     "re",         "time",
      "string",   "itertools", "timezone",  "zoneinfo",  "ZoneInfo", "calendar",   "fractions",
      "Fraction", "statistics"};
  if (std::find(std::begin(functions), std::end(functions), first) != std::end(functions))
    return not_yet("a function as a value is", node);
  if (first == "math") return not_yet("the name " + path + " is", node);
  return raise("NameError", "name '" + first + "' is not defined", node);
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  return call_known(node, own_path(path), arguments, out);
}

std::string Expressions::own_path(const std::string& path) const {
  const std::size_t point = std::min(path.find('.'), path.size());
  const Value* imported = find(path.substr(0, point));
  const bool is_module = imported != nullptr && imported->is_expression() &&
                         is_imported_name(imported->as_text()) &&
                         !imported->as_text().starts_with("math.");
  return is_module ? std::string(imported->as_text()) + path.substr(point) : path;
}

}  // namespace inky::inline v1::python
