#include "units.hpp"

#include "../family/values.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::computed {

std::optional<Value> unit_of(const std::string& text) {
  const std::u16string units = utf16_of(text);
  if (units.size() != 1) return std::nullopt;
  return Value::character(units[0]);
}

std::optional<std::string> utf8_of(std::u16string_view units) {
  std::string out;
  for (std::size_t i = 0; i < units.size(); ++i) {
    const char32_t unit = units[i];
    if (unit < 0xD800 || unit > 0xDFFF) {
      append_utf8(unit, out);
      continue;
    }
    const char32_t low = i + 1 < units.size() ? units[i + 1] : U'\0';
    if (unit > 0xDBFF || low < 0xDC00 || low > 0xDFFF) return std::nullopt;
    append_utf8(0x10000 + ((unit - 0xD800) << 10) + (low - 0xDC00), out);
    ++i;
  }
  return out;
}

Value answer(TextQuestion question, std::u16string_view text, std::u16string_view other) {
  const auto place = [](std::size_t found) {
    return Value::whole(Type::i32,
                        found == std::u16string_view::npos ? -1 : static_cast<int128>(found));
  };
  switch (question) {
    case TextQuestion::contains:
      return Value::truth(text.find(other) != std::u16string_view::npos);
    case TextQuestion::starts:
      return Value::truth(text.starts_with(other));
    case TextQuestion::ends:
      return Value::truth(text.ends_with(other));
    case TextQuestion::first:
      return place(text.find(other));
    case TextQuestion::last:
      return place(text.rfind(other));
  }
  return Value();
}

std::u16string replaced(std::u16string_view text, std::u16string_view from,
                        std::u16string_view to) {
  std::u16string out;
  for (;;) {
    const std::size_t found = text.find(from);
    out += text.substr(0, found);
    if (found == std::u16string_view::npos) return out;
    out += to;
    text.remove_prefix(found + from.size());
  }
}

}  // namespace inky::inline v1::computed
