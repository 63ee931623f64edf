// What print_r, var_dump, var_export and json_encode make of a value: the PHP manual, Variable
// handling Functions and JSON Functions; observed on PHP 8.2.

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "changes.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "inky_margin/text/output.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;

// A float with as many digits as read back.
std::string exact_text(const Value& value) {
  const BinaryReal real = float_of(value);
  if (real.kind == RealClass::not_a_number) return "NAN";
  if (!real.is_finite()) return real.negative ? "-INF" : "INF";
  Spec spec;
  spec.letters = Letters::upper;
  TextBuffer out;
  lay_out_compact(spec, real, out);
  return out.string();
}

bool is_float(const Value& value) {
  return is_real(value.type()) || (is_whole(value.type()) && !is_int(value));
}

std::string spaces(std::size_t count) {
  return std::string(count, ' ');
}

void print_readably(const Value& value, std::size_t indent, std::string& out) {
  if (!is_array(value)) {
    out += any_text(value);
    return;
  }
  out += "Array\n" + spaces(indent) + "(\n";
  std::size_t place = 0;
  for (const Value& item : value.as_list()) {
    const std::string key =
        value.is(Type::record) ? std::string(item.name()) : std::to_string(place++);
    out += spaces(indent + 4) + "[" + key + "] => ";
    print_readably(item, indent + 8, out);
    out += "\n";
  }
  out += spaces(indent) + ")\n";
}

void dump(const Value& value, std::size_t indent, std::string& out) {
  out += spaces(indent);
  if (value.is(Type::nil)) {
    out += "NULL\n";
  } else if (value.is(Type::truth)) {
    out += value.as_whole() != 0 ? "bool(true)\n" : "bool(false)\n";
  } else if (value.is(Type::text)) {
    const std::string text(value.as_text());
    out += "string(" + std::to_string(text.size()) + ") \"" + text + "\"\n";
  } else if (is_float(value)) {
    out += "float(" + exact_text(value) + ")\n";
  } else if (!is_array(value)) {
    out += "int(" + any_text(value) + ")\n";
  } else {
    out += "array(" + std::to_string(value.as_list().size()) + ") {\n";
    std::size_t place = 0;
    for (const Value& item : value.as_list()) {
      const std::string key =
          value.is(Type::record) ? "\"" + std::string(item.name()) + "\"" : std::to_string(place++);
      out += spaces(indent + 2) + "[" + key + "]=>\n";
      dump(item, indent + 2, out);
    }
    out += spaces(indent) + "}\n";
  }
}

std::string in_single_quotes(std::string_view text) {
  std::string out = "'";
  for (const char c : text) {
    if (c == '\'' || c == '\\') out += '\\';
    out += c;
  }
  return out + "'";
}

// False for what is written in a form of its own: a NUL in a text.
bool export_value(const Value& value, std::size_t indent, std::string& out) {
  if (value.is(Type::nil)) {
    out += "NULL";
  } else if (value.is(Type::truth)) {
    out += value.as_whole() != 0 ? "true" : "false";
  } else if (value.is(Type::text)) {
    if (value.as_text().find('\0') != std::string_view::npos) return false;
    out += in_single_quotes(value.as_text());
  } else if (is_float(value)) {
    const std::string text = exact_text(value);
    const bool is_plain = text.find_first_not_of("-0123456789") == std::string::npos;
    out += text + (is_plain ? ".0" : "");
  } else if (!is_array(value)) {
    out += any_text(value);
  } else {
    out += "array (\n";
    std::size_t place = 0;
    for (const Value& item : value.as_list()) {
      const std::string key =
          value.is(Type::record) ? in_single_quotes(item.name()) : std::to_string(place++);
      out += spaces(indent + 2) + key + " => ";
      if (is_array(item)) out += "\n" + spaces(indent + 2);
      if (!export_value(item, indent + 2, out)) return false;
      out += ",\n";
    }
    out += spaces(indent) + ")";
  }
  return true;
}

constexpr int unescaped_slashes = 64;
constexpr int pretty = 128;
constexpr int unescaped_letters = 256;

bool encode_text(std::string_view text, int options, std::string& out) {
  constexpr std::string_view plain = "\"\\/\b\f\n\r\t";
  constexpr std::string_view names = "\"\\/bfnrt";
  constexpr char digits[] = "0123456789abcdef";
  const auto add_unit = [&](char16_t unit) {
    out += "\\u";
    for (int shift = 12; shift >= 0; shift -= 4) out += digits[unit >> shift & 15];
  };
  out += '"';
  while (!text.empty()) {
    const auto point = first_code_point(text);
    if (!point) return false;
    const std::string_view one = text.substr(0, static_cast<std::size_t>(point->bytes));
    const std::size_t known = one.size() == 1 ? plain.find(one[0]) : std::string_view::npos;
    const bool is_plain_slash = one == "/" && (options & unescaped_slashes) != 0;
    const bool is_line_end = point->value == 0x2028 || point->value == 0x2029;
    if (known != std::string_view::npos && !is_plain_slash) {
      (out += '\\') += names[known];
    } else if (point->value < 0x20 ||
               (point->value > 0x7E && ((options & unescaped_letters) == 0 || is_line_end))) {
      if (point->value == 0x7F) {
        out += one;
      } else {
        for (const char16_t unit : utf16_of(one)) add_unit(unit);
      }
    } else {
      out += one;
    }
    text.remove_prefix(one.size());
  }
  out += '"';
  return true;
}

// False for what json_encode refuses.
bool encode(const Value& value, int options, std::size_t depth, std::string& out) {
  if (value.is(Type::nil)) {
    out += "null";
  } else if (value.is(Type::truth)) {
    out += value.as_whole() != 0 ? "true" : "false";
  } else if (value.is(Type::text)) {
    return encode_text(value.as_text(), options, out);
  } else if (is_float(value)) {
    if (!float_of(value).is_finite()) return false;
    std::string text = exact_text(value);
    for (char& c : text) c = c == 'E' ? 'e' : c;
    out += text;
  } else if (!is_array(value)) {
    out += any_text(value);
  } else {
    const bool is_object = value.is(Type::record);
    const bool breaks = (options & pretty) != 0 && !value.as_list().empty();
    out += is_object ? '{' : '[';
    bool is_first = true;
    for (const Value& item : value.as_list()) {
      if (!is_first) out += ',';
      is_first = false;
      if (breaks) out += "\n" + spaces(4 * depth + 4);
      if (is_object) {
        if (!encode_text(item.name(), options, out)) return false;
        out += (options & pretty) != 0 ? ": " : ":";
      }
      if (!encode(item, options, depth + 1, out)) return false;
    }
    if (breaks) out += "\n" + spaces(4 * depth);
    out += is_object ? '}' : ']';
  }
  return true;
}

// Arrays, texts and plain numbers.
bool is_known(const Value& value) {
  if (is_array(value)) {
    for (const Value& item : value.as_list()) {
      if (!is_known(item)) return false;
    }
    return true;
  }
  return value.is(Type::nil) || value.is(Type::truth) || value.is(Type::text) ||
         is_real(value.type()) || is_whole(value.type());
}

}  // namespace

std::optional<bool> Expressions::show_value(const Node& node, const std::string& name,
                                            const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const bool dumps = name == "var_dump";
  const bool is_one = name == "print_r" || name == "var_export" || name == "json_encode";
  if (!dumps && !is_one) return std::nullopt;
  std::string text;
  for (const Value& value : arguments.values) {
    if (!is_known(value)) return not_yet("the function " + name + " of this is", node);
  }
  if (count == 0 || (is_one && count > 2) || (is_one && count == 2 && name != "json_encode"))
    return not_yet("the function " + name + " with these arguments is", node);
  if (dumps) {
    for (const Value& value : arguments.values) dump(value, 0, text);
  } else if (name == "print_r") {
    print_readably(arguments[0], 0, text);
  } else if (name == "var_export") {
    if (!export_value(arguments[0], 0, text)) return not_yet("such a text is", node);
  } else {
    std::int64_t options = 0;
    if (count == 2 && !take_int(node, arguments[1], options)) return false;
    if ((options & ~std::int64_t{unescaped_slashes | pretty | unescaped_letters}) != 0)
      return not_yet("these options are", node);
    if (!encode(arguments[0], static_cast<int>(options), 0, text))
      return not_yet("json_encode of this is", node);
  }
  out = Value::text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::php
