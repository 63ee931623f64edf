#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/output.hpp"
#include "support/random_values.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/ruler.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

using namespace inky;

TEST_CASE("every code point goes to UTF-8 and back, and every cut of it is refused") {
  for (char32_t value = 0; value <= 0x10FFFF; ++value) {
    if (value >= 0xD800 && value <= 0xDFFF) continue;
    std::string text;
    append_utf8(value, text);
    const auto point = first_code_point(text);
    if (!point || point->value != value || static_cast<std::size_t>(point->bytes) != text.size())
      FAIL(static_cast<unsigned>(value));
    if (text.size() > 1 && first_code_point(text.substr(0, text.size() - 1)))
      FAIL("cut " << static_cast<unsigned>(value));
  }
}

TEST_CASE("what is not UTF-8 is found at its byte") {
  struct Case {
    std::string text;
    std::size_t at;
    const char* why;
  };
  const Case cases[] = {
      {"ink\xff", 3, "a byte that never occurs"},
      {"\xc0\x80", 0, "overlong zero"},
      {"a\xe0\x80\x80", 1, "overlong three bytes"},
      {"\xed\xa0\x80", 0, "a surrogate"},
      {"\xf4\x90\x80\x80", 0, "above U+10FFFF"},
      {"Ω\xce", 2, "cut short"},
      {"\x80", 0, "a continuation alone"},
      {"Zinkweiß 墨 🖨", std::string::npos, "all good"},
  };
  for (const Case& c : cases) {
    INFO(c.why);
    CHECK(first_invalid_utf8(c.text) == c.at);
  }
}

TEST_CASE("widths in each unit") {
  struct Case {
    const char* text;
    std::size_t bytes, code_points, utf16, columns;
  };
  const Case cases[] = {
      {"", 0, 0, 0, 0},           {"ink", 3, 3, 3, 3},       {"Zinkweiß", 9, 8, 8, 8},
      {"e\u0301", 3, 2, 2, 1},    {"墨汁", 6, 2, 2, 4},      {"🖨", 4, 1, 2, 1},
      {"🖨\uFE0F", 7, 2, 3, 2}, {"👩\u200D🎨", 11, 3, 5, 2}, {"한", 3, 1, 1, 2},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    CHECK(measure(c.text, WidthUnit::bytes) == c.bytes);
    CHECK(measure(c.text, WidthUnit::code_points) == c.code_points);
    CHECK(measure(c.text, WidthUnit::utf16_units) == c.utf16);
    CHECK(measure(c.text, WidthUnit::columns) == c.columns);
  }
}

TEST_CASE("a cut fits, is a prefix, and only bytes split a character") {
  const std::string text = "K-07 墨汁 e\u0301 👩\u200D🎨 🖨\uFE0F";
  for (const WidthUnit unit :
       {WidthUnit::bytes, WidthUnit::code_points, WidthUnit::utf16_units, WidthUnit::columns}) {
    for (std::size_t limit = 0; limit <= text.size(); ++limit) {
      const std::string_view kept = cut(text, limit, unit);
      REQUIRE(text.starts_with(kept));
      REQUIRE(measure(kept, unit) <= limit);
      if (unit != WidthUnit::bytes) REQUIRE(is_utf8(kept));
    }
    CHECK(cut(text, text.size(), unit) == text);
  }
}

TEST_CASE("unprintable characters show, printable ones stay") {
  CHECK(visible("a\tb\n") == "a\\tb\\n");
  CHECK(visible("\x1b[0m\x7f\xff") == "\\x1b[0m\\x7f\\xff");
  CHECK(visible("\u202Eabc\u2028") == "\\u{202e}abc\\u{2028}");
  CHECK(visible("Zinkweiß 墨") == "Zinkweiß 墨");
  CHECK(in_quotes("say \"ink\" \\") == R"("say \"ink\" \\")");
  CHECK(to_hexadecimal("\x00\xc3z" + std::string()) == "");
  CHECK(to_hexadecimal(std::string_view("\x00\xc3z", 3)) == "00c37a");
}

TEST_CASE("a growing and a fixed output hold the same beginning") {
  support::RandomValues random(support::seed(5));
  for (int i = 0; i < support::cases(2000); ++i) {
    char room[40];
    const auto size = static_cast<std::size_t>(random.below(41));
    FixedOutput fixed(std::span<char>(room, size));
    TextBuffer growing;
    for (int step = 0; step < 8; ++step) {
      const auto count = static_cast<std::size_t>(random.below(12));
      for (Output* out : {static_cast<Output*>(&fixed), static_cast<Output*>(&growing)}) {
        switch (step % 3) {
          case 0:
            out->append(std::string(count, 'k'));
            break;
          case 1:
            out->fill("ß", count);
            break;
          default:
            out->emit(count, [&](char* at) { std::memset(at, '7', count); });
        }
      }
    }
    REQUIRE(fixed.needed() == growing.needed());
    REQUIRE(fixed.fits() == (growing.needed() <= size));
    REQUIRE(growing.view().starts_with(fixed.view()));
    REQUIRE(fixed.view().size() == std::min(size, growing.needed()));
    fixed.clear();
    fixed.append(std::string(size, 'x'));
    REQUIRE(fixed.fits());
  }
}

TEST_CASE("rulers and near names") {
  CHECK(ruler(24, ruler_ascii) == "----+----1----+----2----");
  CHECK(measure(ruler(123, ruler_unicode), WidthUnit::columns) == 123);
  const std::string_view names[] = {"width", "align", "fill", "places"};
  CHECK(nearest_name("widht", names) == "width");
  CHECK(nearest_name("plces", names) == "places");
  CHECK(nearest_name("zebra", names).empty());
  CHECK(nearest_name("", names).empty());
}

// Expected: the Unicode Standard, 3.13, and SpecialCasing.txt.
TEST_CASE("upper case, which may grow") {
  const std::pair<const char*, const char*> cases[] = {
      {"", ""},
      {"ink K-07", "INK K-07"},
      {"Zinkweiß", "ZINKWEISS"},
      {"étude", "ÉTUDE"},
      {"ﬃ", "FFI"},
      {"ŉ", "ʼN"},
      {"\u0390", "\u0399\u0308\u0301"},
      {"ᾀ", "ἈΙ"},
      {"ὀδυσσεύς", "ὈΔΥΣΣΕΎΣ"},
      {"墨🖨", "墨🖨"},
      {"ǆ ǅ", "Ǆ Ǆ"},
      {"ı i", "I I"},
      {"ß", "SS"},
      {"\xf0\x90\x90\xa8", "\xf0\x90\x90\x80"},
  };
  for (const auto& [lower, upper] : cases) {
    INFO(lower);
    CHECK(inky::upper_case(lower) == upper);
    CHECK(inky::upper_case(upper) == upper);
  }
}
