#include "text/lower_case.hpp"

#include <utf8proc.h>

#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

constexpr char32_t capital_sigma = 0x03A3;
constexpr char32_t final_sigma = 0x03C2;
constexpr char32_t capital_i_with_dot = 0x0130;

utf8proc_category_t category_of(char32_t c) {
  return utf8proc_category(static_cast<utf8proc_int32_t>(c));
}
bool is_cased(char32_t c) {
  const auto category = category_of(c);
  return category == UTF8PROC_CATEGORY_LU || category == UTF8PROC_CATEGORY_LL ||
         category == UTF8PROC_CATEGORY_LT;
}
bool is_ignorable(char32_t c) {
  switch (category_of(c)) {
    case UTF8PROC_CATEGORY_MN:
    case UTF8PROC_CATEGORY_ME:
    case UTF8PROC_CATEGORY_CF:
    case UTF8PROC_CATEGORY_LM:
    case UTF8PROC_CATEGORY_SK:
      return true;
    default:
      return c == '\'' || c == '.' || c == ':' || c == 0xB7 || c == 0x2019;
  }
}

// Whether a letter with case follows, but for what is ignorable.
bool goes_on(std::string_view rest) {
  while (const auto point = first_code_point(rest)) {
    if (!is_ignorable(point->value)) return is_cased(point->value);
    rest.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  return false;
}

}  // namespace

std::string lower_case(std::string_view text) {
  std::string out;
  out.reserve(text.size());
  bool after_cased = false;
  while (const auto point = first_code_point(text)) {
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
    const char32_t c = point->value;
    if (c == capital_i_with_dot)
      out += "i\xcc\x87";
    else if (c == capital_sigma && after_cased && !goes_on(text))
      append_utf8(final_sigma, out);
    else
      append_utf8(static_cast<char32_t>(utf8proc_tolower(static_cast<utf8proc_int32_t>(c))), out);
    if (!is_ignorable(c)) after_cased = is_cased(c);
  }
  return out;
}

}  // namespace inky::inline v1
