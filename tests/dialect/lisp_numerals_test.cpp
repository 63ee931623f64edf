// Whole numbers in words and in Roman numerals. What is expected was printed by SBCL 2.2.9, for
// ~R, ~:R, ~@R and ~:@R.

#include "lisp/numerals.hpp"

#include <catch2/catch.hpp>

using namespace inky;

namespace {

struct InWords {
  const char* digits;
  const char* cardinal;
  const char* ordinal;
};
constexpr InWords in_words[] = {
    {"0", "zero", "zeroth"},
    {"1", "one", "first"},
    {"7", "seven", "seventh"},
    {"10", "ten", "tenth"},
    {"11", "eleven", "eleventh"},
    {"19", "nineteen", "nineteenth"},
    {"20", "twenty", "twentieth"},
    {"21", "twenty-one", "twenty-first"},
    {"40", "forty", "fortieth"},
    {"99", "ninety-nine", "ninety-ninth"},
    {"100", "one hundred", "one hundredth"},
    {"101", "one hundred one", "one hundred first"},
    {"110", "one hundred ten", "one hundred tenth"},
    {"342", "three hundred forty-two", "three hundred forty-second"},
    {"999", "nine hundred ninety-nine", "nine hundred ninety-ninth"},
    {"1000", "one thousand", "one thousandth"},
    {"1001", "one thousand one", "one thousand first"},
    {"1234", "one thousand two hundred thirty-four", "one thousand two hundred thirty-fourth"},
    {"10000", "ten thousand", "ten thousandth"},
    {"65536", "sixty-five thousand five hundred thirty-six",
     "sixty-five thousand five hundred thirty-sixth"},
    {"100000", "one hundred thousand", "one hundred thousandth"},
    {"999999", "nine hundred ninety-nine thousand nine hundred ninety-nine",
     "nine hundred ninety-nine thousand nine hundred ninety-ninth"},
    {"1000000", "one million", "one millionth"},
    {"1000001", "one million one", "one million first"},
    {"20000000", "twenty million", "twenty millionth"},
    {"123456789",
     "one hundred twenty-three million four hundred fifty-six thousand seven hundred eighty-nine",
     "one hundred twenty-three million four hundred fifty-six thousand seven hundred eighty-ninth"},
    {"1000000000", "one billion", "one billionth"},
    {"1000000000000", "one trillion", "one trillionth"},
    {"999999999999999",
     "nine hundred ninety-nine trillion nine hundred ninety-nine billion nine hundred ninety-nine "
     "million nine hundred ninety-nine thousand nine hundred ninety-nine",
     "nine hundred ninety-nine trillion nine hundred ninety-nine billion nine hundred ninety-nine "
     "million nine hundred ninety-nine thousand nine hundred ninety-ninth"},
    {"1000000000000000000", "one quintillion", "one quintillionth"},
    {"123456789012345678901",
     "one hundred twenty-three quintillion four hundred fifty-six quadrillion seven hundred "
     "eighty-nine trillion twelve billion three hundred forty-five million six hundred "
     "seventy-eight thousand nine hundred one",
     "one hundred twenty-three quintillion four hundred fifty-six quadrillion seven hundred "
     "eighty-nine trillion twelve billion three hundred forty-five million six hundred "
     "seventy-eight thousand nine hundred first"},
    {"1000000000000000000000000000000000000000000000000000000000000000", "one vigintillion",
     "one vigintillionth"},
};

struct InRoman {
  int number;
  const char* usual;
  const char* old;
};
constexpr InRoman in_roman[] = {
    {1, "I", "I"},
    {3, "III", "III"},
    {4, "IV", "IIII"},
    {5, "V", "V"},
    {9, "IX", "VIIII"},
    {14, "XIV", "XIIII"},
    {40, "XL", "XXXX"},
    {49, "XLIX", "XXXXVIIII"},
    {90, "XC", "LXXXX"},
    {99, "XCIX", "LXXXXVIIII"},
    {400, "CD", "CCCC"},
    {444, "CDXLIV", "CCCCXXXXIIII"},
    {494, "CDXCIV", "CCCCLXXXXIIII"},
    {900, "CM", "DCCCC"},
    {944, "CMXLIV", "DCCCCXXXXIIII"},
    {1666, "MDCLXVI", "MDCLXVI"},
    {1999, "MCMXCIX", "MDCCCCLXXXXVIIII"},
    {2031, "MMXXXI", "MMXXXI"},
    {3888, "MMMDCCCLXXXVIII", "MMMDCCCLXXXVIII"},
    {3999, "MMMCMXCIX", "MMMDCCCCLXXXXVIIII"},
};

}  // namespace

TEST_CASE("Lisp numerals: numbers in words, as SBCL has them") {
  for (const InWords& one : in_words) {
    CAPTURE(one.digits);
    CHECK(lisp::cardinal(one.digits, false) == one.cardinal);
    CHECK(lisp::ordinal(one.digits, false) == one.ordinal);
  }
  CHECK(lisp::cardinal("21", true) == "negative twenty-one");
  CHECK(lisp::ordinal("21", true) == "negative twenty-first");
  const std::string most(66, '9');
  CHECK(lisp::cardinal(most, false));
  CHECK_FALSE(lisp::cardinal('1' + std::string(66, '0'), false));
  CHECK_FALSE(lisp::ordinal('1' + std::string(66, '0'), true));
}

TEST_CASE("Lisp numerals: Roman ones, as SBCL has them") {
  for (const InRoman& one : in_roman) {
    CAPTURE(one.number);
    CHECK(lisp::roman(one.number, false) == one.usual);
    CHECK(lisp::roman(one.number, true) == one.old);
  }
}

TEST_CASE("Lisp numerals: all Roman ones read back as the number") {
  const auto value_of = [](char c) {
    switch (c) {
      case 'I':
        return 1;
      case 'V':
        return 5;
      case 'X':
        return 10;
      case 'L':
        return 50;
      case 'C':
        return 100;
      case 'D':
        return 500;
      default:
        return 1000;
    }
  };
  for (const bool old : {false, true}) {
    for (int number = 1; number < (old ? 5000 : 4000); ++number) {
      const std::string text = lisp::roman(number, old);
      int sum = 0;
      for (std::size_t i = 0; i < text.size(); ++i) {
        const bool subtracts = i + 1 < text.size() && value_of(text[i]) < value_of(text[i + 1]);
        sum += subtracts ? -value_of(text[i]) : value_of(text[i]);
        if (old) CHECK_FALSE(subtracts);
      }
      CHECK(sum == number);
    }
  }
}
