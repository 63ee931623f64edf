#include "shown.hpp"

#include "../family/values.hpp"
#include "numbers.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::csharp {

namespace {

// "(1, ink)" of a tuple, "{ mass = 12.5 }" of a record.
void append_parts(const Value& value, std::string& out) {
  const bool tuple = value.is(Type::tuple);
  const auto parts = value.as_list();
  out += tuple ? "(" : "{ ";
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (i > 0) out += ", ";
    if (!tuple) (out += parts[i].name()) += " = ";
    append_shown(parts[i], out);
  }
  out += tuple ? ")" : parts.empty() ? "}" : " }";
}

}  // namespace

void append_shown(const Value& value, std::string& out) {
  switch (value.type()) {
    case Type::nil:
      return;
    case Type::truth:
      out += value.as_whole() != 0 ? "True" : "False";
      return;
    case Type::text:
    case Type::character:
      out += text_of(value);
      return;
    case Type::list:
      out += list_name(value);
      return;
    case Type::tuple:
    case Type::record:
      return append_parts(value, out);
    case Type::complex:
      out += '<';
      append_shown(value.as_list()[0], out);
      out += "; ";
      append_shown(value.as_list()[1], out);
      out += '>';
      return;
    case Type::moment:
    case Type::date:
    case Type::time:
    case Type::duration: {
      std::string why;
      (void)append_time_value(value, "", invariant_culture(), out, why);
      return;
    }
    default: {
      TextBuffer number;
      (void)append_number({}, value, invariant_culture(), number);
      out += number.view();
    }
  }
}

}  // namespace inky::inline v1::csharp
