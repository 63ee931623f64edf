// Literals of numbers as programming languages write them.

#include "number/literal.hpp"

#include <catch2/catch.hpp>
#include <charconv>
#include <string>

#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string read(std::string_view text) {
  const auto literal = literal_in(text);
  if (!literal) return "none";
  return literal->digits + (literal->type.empty() ? "" : " " + std::string(literal->type));
}

struct Case {
  const char* text;
  const char* meaning;
};

}  // namespace

TEST_CASE("literals of other languages become decimal digits") {
  const Case cases[] = {
      {"#2r1101", "13"},
      {"#b1101", "13"},
      {"#o17", "15"},
      {"#xff", "255"},
      {"#16RFF", "255"},
      {"#36rzz", "1295"},
      {"2#1101#", "13"},
      {"16#ff", "255"},
      {"16#FF#", "255"},
      {"8#17#", "15"},
      {"&HFF", "255"},
      {"&hff&", "255"},
      {"&O17", "15"},
      {"&B101", "5"},
      {"0xFFu", "255"},
      {"0xffULL", "255"},
      {"0b1101u8", "13 u8"},
      {"1'000", "1000"},
      {"1'000'000u", "1000000"},
      {"1.1f", "1.1 f32"},
      {"1e3F", "1e3 f32"},
      {"2.5f32", "2.5 f32"},
      {"200u8", "200 u8"},
      {"-5i64", "-5 i64"},
      {"10L", "10"},
      {"10n", "10"},
      {"-#b11", "-3"},
      {"0xff", "255"},
      {"0x1F", "31"},
      {"1_000", "1000"},
      {"0b1'1", "3"},
  };
  for (const Case& one : cases) {
    INFO(one.text);
    CHECK(read(one.text) == one.meaning);
  }
}

TEST_CASE("what is no such literal is left alone") {
  for (const char* text :
       {"",      "-",   "2.675", "213",   "#",         "#r",       "#2r",  "#2r12", "#1r0",
        "#37r1", "2#",  "2##",   "2#3#",  "1#0",       "&",        "&H",   "&HG",   "&D1",
        "f",     "abc", "1.5m",  "12abc", "1''0",      "1_",       "_1",   "1+1f",  "1_0+1_0",
        "0b2",   "0xg", "nan",   "inf",   "0.1 + 0.2", "i32(7.9)", "1,000"}) {
    INFO(text);
    CHECK(read(text) == "none");
  }
}

TEST_CASE("a whole number reads back from every literal that it has") {
  support::RandomValues random(support::seed(217));
  for (int i = 0; i < support::cases(5'000); ++i) {
    const std::uint64_t value = random.whole();
    for (const int base : {2, 3, 8, 16, 36}) {
      char digits[65];
      const auto end = std::to_chars(digits, digits + sizeof digits, value, base);
      const std::string text(digits, end.ptr);
      const std::string decimal = std::to_string(value);
      const std::string radix = std::to_string(base);
      REQUIRE(read("#" + radix + "r" + text) == decimal);
      REQUIRE(read(radix + "#" + text + "#") == decimal);
      if (base == 16) REQUIRE(read("&H" + text) == decimal);
      if (base == 2) REQUIRE(read("#b" + text) == decimal);
    }
  }
}
