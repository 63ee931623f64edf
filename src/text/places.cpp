#include "text/places.hpp"

#include <algorithm>

#include "text/utf8.hpp"

namespace inky::inline v1 {

std::size_t offset_of(std::string_view text, std::size_t line, std::size_t column) {
  std::size_t at = 0;
  for (std::size_t i = 1; i < line && at < text.size(); ++i)
    at = std::min(text.find('\n', at), text.size() - 1) + 1;
  for (std::size_t i = 1; i < column && at < text.size(); ++i)
    at +=
        static_cast<std::size_t>(first_code_point(text.substr(at)).value_or(CodePoint{0, 1}).bytes);
  return std::min(at, text.size());
}

}  // namespace inky::inline v1
