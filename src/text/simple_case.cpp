#include "text/simple_case.hpp"

#include <utf8proc.h>

#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

constexpr char32_t sharp_s = 0xDF;  // its capital form is no mapping of the standard

char32_t upper(char32_t c) {
  const utf8proc_int32_t up = utf8proc_toupper(static_cast<utf8proc_int32_t>(c));
  const bool leads_back = utf8proc_tolower(up) == static_cast<utf8proc_int32_t>(c);
  return leads_back && c != sharp_s ? static_cast<char32_t>(up) : c;
}
char32_t lower(char32_t c) {
  const utf8proc_int32_t low = utf8proc_tolower(static_cast<utf8proc_int32_t>(c));
  const bool leads_back = utf8proc_toupper(low) == static_cast<utf8proc_int32_t>(c);
  return leads_back && static_cast<char32_t>(low) != sharp_s ? static_cast<char32_t>(low) : c;
}
bool is_in_word(char32_t c) {
  const auto category = utf8proc_category(static_cast<utf8proc_int32_t>(c));
  return category >= UTF8PROC_CATEGORY_LU && category <= UTF8PROC_CATEGORY_NO &&
         category != UTF8PROC_CATEGORY_MN && category != UTF8PROC_CATEGORY_MC &&
         category != UTF8PROC_CATEGORY_ME;
}

}  // namespace

std::string simple_case(std::string_view text, Capitals capitals) {
  std::string out;
  out.reserve(text.size());
  bool raises = capitals != Capitals::none;
  while (const auto point = first_code_point(text)) {
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
    const char32_t c = point->value;
    append_utf8(raises ? upper(c) : lower(c), out);
    if (capitals == Capitals::first_word && is_in_word(c)) raises = false;
    if (capitals == Capitals::each_word) raises = !is_in_word(c);
  }
  return out;
}

}  // namespace inky::inline v1
