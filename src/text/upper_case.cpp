#include "text/upper_case.hpp"

#include <utf8proc.h>

#include <algorithm>
#include <array>

#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

struct LongUpper {
  char32_t lower;
  std::u32string_view upper;
};

// Unicode, SpecialCasing.txt, the unconditional mappings: upper case takes more than one character.
constexpr auto long_uppers = std::to_array<LongUpper>({
    {0x00DF, U"SS"},
    {0x0149, U"\u02BCN"},
    {0x01F0, U"J\u030C"},
    {0x0390, U"\u0399\u0308\u0301"},
    {0x03B0, U"\u03A5\u0308\u0301"},
    {0x0587, U"\u0535\u0552"},
    {0x1E96, U"H\u0331"},
    {0x1E97, U"T\u0308"},
    {0x1E98, U"W\u030A"},
    {0x1E99, U"Y\u030A"},
    {0x1E9A, U"A\u02BE"},
    {0x1F50, U"\u03A5\u0313"},
    {0x1F52, U"\u03A5\u0313\u0300"},
    {0x1F54, U"\u03A5\u0313\u0301"},
    {0x1F56, U"\u03A5\u0313\u0342"},
    {0x1F80, U"\u1F08\u0399"},
    {0x1F81, U"\u1F09\u0399"},
    {0x1F82, U"\u1F0A\u0399"},
    {0x1F83, U"\u1F0B\u0399"},
    {0x1F84, U"\u1F0C\u0399"},
    {0x1F85, U"\u1F0D\u0399"},
    {0x1F86, U"\u1F0E\u0399"},
    {0x1F87, U"\u1F0F\u0399"},
    {0x1F88, U"\u1F08\u0399"},
    {0x1F89, U"\u1F09\u0399"},
    {0x1F8A, U"\u1F0A\u0399"},
    {0x1F8B, U"\u1F0B\u0399"},
    {0x1F8C, U"\u1F0C\u0399"},
    {0x1F8D, U"\u1F0D\u0399"},
    {0x1F8E, U"\u1F0E\u0399"},
    {0x1F8F, U"\u1F0F\u0399"},
    {0x1F90, U"\u1F28\u0399"},
    {0x1F91, U"\u1F29\u0399"},
    {0x1F92, U"\u1F2A\u0399"},
    {0x1F93, U"\u1F2B\u0399"},
    {0x1F94, U"\u1F2C\u0399"},
    {0x1F95, U"\u1F2D\u0399"},
    {0x1F96, U"\u1F2E\u0399"},
    {0x1F97, U"\u1F2F\u0399"},
    {0x1F98, U"\u1F28\u0399"},
    {0x1F99, U"\u1F29\u0399"},
    {0x1F9A, U"\u1F2A\u0399"},
    {0x1F9B, U"\u1F2B\u0399"},
    {0x1F9C, U"\u1F2C\u0399"},
    {0x1F9D, U"\u1F2D\u0399"},
    {0x1F9E, U"\u1F2E\u0399"},
    {0x1F9F, U"\u1F2F\u0399"},
    {0x1FA0, U"\u1F68\u0399"},
    {0x1FA1, U"\u1F69\u0399"},
    {0x1FA2, U"\u1F6A\u0399"},
    {0x1FA3, U"\u1F6B\u0399"},
    {0x1FA4, U"\u1F6C\u0399"},
    {0x1FA5, U"\u1F6D\u0399"},
    {0x1FA6, U"\u1F6E\u0399"},
    {0x1FA7, U"\u1F6F\u0399"},
    {0x1FA8, U"\u1F68\u0399"},
    {0x1FA9, U"\u1F69\u0399"},
    {0x1FAA, U"\u1F6A\u0399"},
    {0x1FAB, U"\u1F6B\u0399"},
    {0x1FAC, U"\u1F6C\u0399"},
    {0x1FAD, U"\u1F6D\u0399"},
    {0x1FAE, U"\u1F6E\u0399"},
    {0x1FAF, U"\u1F6F\u0399"},
    {0x1FB2, U"\u1FBA\u0399"},
    {0x1FB3, U"\u0391\u0399"},
    {0x1FB4, U"\u0386\u0399"},
    {0x1FB6, U"\u0391\u0342"},
    {0x1FB7, U"\u0391\u0342\u0399"},
    {0x1FBC, U"\u0391\u0399"},
    {0x1FC2, U"\u1FCA\u0399"},
    {0x1FC3, U"\u0397\u0399"},
    {0x1FC4, U"\u0389\u0399"},
    {0x1FC6, U"\u0397\u0342"},
    {0x1FC7, U"\u0397\u0342\u0399"},
    {0x1FCC, U"\u0397\u0399"},
    {0x1FD2, U"\u0399\u0308\u0300"},
    {0x1FD3, U"\u0399\u0308\u0301"},
    {0x1FD6, U"\u0399\u0342"},
    {0x1FD7, U"\u0399\u0308\u0342"},
    {0x1FE2, U"\u03A5\u0308\u0300"},
    {0x1FE3, U"\u03A5\u0308\u0301"},
    {0x1FE4, U"\u03A1\u0313"},
    {0x1FE6, U"\u03A5\u0342"},
    {0x1FE7, U"\u03A5\u0308\u0342"},
    {0x1FF2, U"\u1FFA\u0399"},
    {0x1FF3, U"\u03A9\u0399"},
    {0x1FF4, U"\u038F\u0399"},
    {0x1FF6, U"\u03A9\u0342"},
    {0x1FF7, U"\u03A9\u0342\u0399"},
    {0x1FFC, U"\u03A9\u0399"},
    {0xFB00, U"FF"},
    {0xFB01, U"FI"},
    {0xFB02, U"FL"},
    {0xFB03, U"FFI"},
    {0xFB04, U"FFL"},
    {0xFB05, U"ST"},
    {0xFB06, U"ST"},
    {0xFB13, U"\u0544\u0546"},
    {0xFB14, U"\u0544\u0535"},
    {0xFB15, U"\u0544\u053B"},
    {0xFB16, U"\u054E\u0546"},
    {0xFB17, U"\u0544\u053D"},
});

}  // namespace

std::string upper_case(std::string_view text) {
  std::string out;
  out.reserve(text.size());
  while (const auto point = first_code_point(text)) {
    const auto found = std::lower_bound(
        long_uppers.begin(), long_uppers.end(), point->value,
        [](const LongUpper& entry, char32_t wanted) { return entry.lower < wanted; });
    if (found != long_uppers.end() && found->lower == point->value) {
      for (const char32_t c : found->upper) append_utf8(c, out);
    } else {
      const auto lower = static_cast<utf8proc_int32_t>(point->value);
      append_utf8(static_cast<char32_t>(utf8proc_toupper(lower)), out);
    }
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  return out;
}

}  // namespace inky::inline v1
