#include "dialect/statement_sizes.hpp"

#include <algorithm>

#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

void ArraySizes::put_into(std::string& source, std::size_t from, std::size_t to) const {
  constexpr std::string_view word = "sizeof";
  if (sizes_.empty()) return;
  for (std::size_t at = source.find(word, from); at < to;
       at = source.find(word, at + word.size())) {
    if (at > 0 && is_word_part(source[at - 1])) continue;
    std::size_t end = at + word.size();
    const auto skip = [&] { end = source.find_first_not_of(statement_blanks, end); };
    skip();
    if (end >= to) return;
    const bool has_brackets = source[end] == '(';
    if (has_brackets) {
      ++end;
      skip();
    }
    bool is_item = end < to && source[end] == '*';
    if (is_item) {
      ++end;
      skip();
    }
    const std::size_t name_from = std::min(end, to);
    while (end < to && is_word_part(source[end])) ++end;
    const std::string_view name = std::string_view(source).substr(name_from, end - name_from);
    const auto known = std::find_if(sizes_.rbegin(), sizes_.rend(),
                                    [&](const Size& one) { return one.name == name; });
    if (known == sizes_.rend()) continue;
    if (std::string_view(source).substr(end).starts_with("[0]")) {
      is_item = true;
      end += 3;
    }
    if (has_brackets) {
      skip();
      if (end >= to || source[end] != ')') continue;
      ++end;
    }
    std::string size = std::to_string(is_item ? known->item_bytes : known->bytes) + "UL";
    if (size.size() > end - at) continue;
    size.resize(end - at, ' ');
    source.replace(at, end - at, size);
  }
}

}  // namespace inky::inline v1
