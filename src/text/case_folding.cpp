#include "text/case_folding.hpp"

#include <utf8proc.h>

#include <iterator>

#include "text/utf8.hpp"

namespace inky::inline v1 {

std::string folded_case(std::string_view text) {
  std::string out;
  out.reserve(text.size());
  while (const auto point = first_code_point(text)) {
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
    // No character becomes more than three.
    utf8proc_int32_t folded[4] = {};
    int boundary_class = 0;
    const utf8proc_ssize_t count =
        utf8proc_decompose_char(static_cast<utf8proc_int32_t>(point->value), folded,
                                std::ssize(folded), UTF8PROC_CASEFOLD, &boundary_class);
    for (utf8proc_ssize_t i = 0; i < count; ++i) append_utf8(static_cast<char32_t>(folded[i]), out);
  }
  return out;
}

}  // namespace inky::inline v1
