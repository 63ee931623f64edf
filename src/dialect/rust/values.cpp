#include "values.hpp"

#include <algorithm>
#include <array>
#include <limits>

#include "../family/values.hpp"
#include "durations.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::rust {

bool has_format(const Value& value, char form) {
  const bool whole = is_whole(value.type());
  const bool real = is_real(value.type());
  switch (form) {
    case '?':
      return true;
    case 0:
      return whole || real || is_text_or_character(value) || value.is(Type::truth);
    case 'e':
    case 'E':
      return whole || real;
    case 'p':
      return value.is(Type::text);
    default:
      return whole;
  }
}

namespace {

bool is_option(const Value& value) {
  return value.is(Type::some) || value.is(Type::nil);
}

// Options are of one type where what they hold is.
bool are_of_one_type(const Value& one, const Value& other) {
  if (one.is(Type::some) && other.is(Type::some))
    return are_of_one_type(one.as_list()[0], other.as_list()[0]);
  return one.type() == other.type() || (is_option(one) && is_option(other));
}

bool are_of_one_type(const Value& item, std::span<const Value> items) {
  return std::all_of(items.begin(), items.end(),
                     [&](const Value& other) { return are_of_one_type(item, other); });
}

}  // namespace

bool is_known(const Value& value) {
  switch (value.type()) {
    case Type::big:
    case Type::f16:
    case Type::bf16:
    case Type::f80:
    case Type::f128:
    case Type::complex:
    case Type::decimal:
    case Type::moment:
    case Type::date:
    case Type::time:
      return false;
    case Type::duration:
      return fits_duration(value.as_duration());
    default:
      break;
  }
  if (value.is(Type::some)) return is_known(value.as_list()[0]);
  if (!is_compound(value.type())) return true;
  const auto items = value.as_list();
  return std::all_of(items.begin(), items.end(), [&](const Value& item) {
    return is_known(item) && (!value.is(Type::list) || are_of_one_type(item, items));
  });
}

namespace {

// As escape_debug has it.
void append_escaped(char32_t c, char quote, std::string& out) {
  constexpr std::string_view named = "\tt\nn\rr\\\\";
  const std::size_t name =
      c != 0 && c < 0x80 ? named.find(static_cast<char>(c)) : std::string_view::npos;
  if (c == 0) {
    out += "\\0";
  } else if (c == static_cast<unsigned char>(quote)) {
    (out += '\\') += quote;
  } else if (name != std::string_view::npos && name % 2 == 0) {
    (out += '\\') += named[name + 1];
  } else if (is_printable(c) && !extends_another(c)) {
    append_utf8(c, out);
  } else {
    WholeRoom room;
    ((out += "\\u{") += write_whole(c, 16, Letters::lower, room)) += '}';
  }
}

}  // namespace

std::string debug_quoted(std::string_view text, char quote) {
  std::string out(1, quote);
  while (const auto point = first_code_point(text)) {
    append_escaped(point->value, quote, out);
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  return out += quote;
}

}  // namespace inky::inline v1::rust
