#include "utf16.hpp"

#include <algorithm>
#include <optional>

#include "inky_margin/number/whole.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// The unit of "\u03a9" at the start of `text`; nothing where it is not one.
std::optional<std::uint32_t> unit_of(std::string_view text) {
  if (!text.starts_with("\\u") || text.size() < 6) return std::nullopt;
  const std::string digits(text.substr(2, 4));
  if (digits.find_first_not_of("0123456789abcdefABCDEF") != std::string::npos) return std::nullopt;
  return static_cast<std::uint32_t>(low_half(read_whole("0x" + digits)->magnitude.low_bits()));
}

}  // namespace

std::size_t read_surrogates(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  const auto unit = unit_of(rest);
  if (!unit || *unit < 0xD800 || *unit >= 0xE000) return 0;
  const auto low = unit_of(rest.substr(6));
  if (*unit < 0xDC00 && low && *low >= 0xDC00 && *low < 0xE000) {
    append_utf8(static_cast<char32_t>(0x10000 + ((*unit - 0xD800) << 10) + (*low - 0xDC00)),
                out.literals);
    return 12;
  }
  if (!out.refusal) {
    out.refusal = {Refusal::When::not_supported_yet, "Write the character itself.",
                   "half of a surrogate pair is not supported yet",
                   Span{at, std::min(at + 6, out.source.size())}};
  }
  return 6;
}

}  // namespace inky::inline v1
