// Characters by name in literals of Python. The texts are those of CPython 3.11.2.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "support/answers.hpp"

using namespace inky;
using support::value;

namespace {

struct Named {
  const char* name;
  const char* text;  // empty: no character has the name
};
constexpr Named names[] = {
    {"BULLET", "\u2022"},
    {"bullet", "\u2022"},
    {"Euro Sign", "\u20AC"},
    {"LF", "\n"},
    {"line feed", "\n"},
    {"NBSP", "\u00A0"},
    {"VS1", "\uFE00"},
    {"BELL", "\U0001F514"},
    {"ALERT", "\a"},
    {"LATIN SMALL LETTER GHA", "\u01A3"},
    {"weierstrass elliptic function", "\u2118"},
    {"VARIATION SELECTOR-256", "\U000E01EF"},
    {"NUSHU CHARACTER-1B170", "\U0001B170"},
    {"CJK UNIFIED IDEOGRAPH-4E00", "\u4E00"},
    {"CJK UNIFIED IDEOGRAPH-04E00", "\u4E00"},
    {"CJK UNIFIED IDEOGRAPH-20000", "\U00020000"},
    {"HANGUL SYLLABLE GAG", "\uAC01"},
    {"HANGUL SYLLABLE A", "\uC544"},
    {"HANGUL SYLLABLE GGYALG", "\uAE8D"},
    {"CJK UNIFIED IDEOGRAPH-4e00", ""},
    {"cjk unified ideograph-4E00", ""},
    {"hangul syllable gag", ""},
    {" BULLET", ""},
    {"BULLET ", ""},
    {"KEYCAP DIGIT ONE", ""},
    {"TANGUT IDEOGRAPH-17000", ""},
    {"INK", ""},
};

}  // namespace

TEST_CASE("a literal of Python has characters by their names") {
  const Dialect& python = *find_dialect("python");
  for (const Named& one : names) {
    INFO(one.name);
    const std::string escape = std::string("\\N{") + one.name + "}";
    for (const std::string& literal : {"|" + escape + "|{}", "f\"|" + escape + "|{7}\""}) {
      const support::Answer got = support::answer(python, literal, {value("7")}, {});
      if (*one.text != '\0') {
        CHECK(got.text == std::string("|") + one.text + "|7");
        continue;
      }
      CHECK(got.outcome.kind() == Outcome::Kind::fails_compile);
      CHECK(got.outcome.failure_name() == "SyntaxError");
    }
  }
}

TEST_CASE("a name that is cut off is a fault of the whole literal") {
  for (const char* literal :
       {"\\N", "\\N{", "\\N{}", "\\N{BULLET", "f\"\\N\"", "f\"\\N{BULLET\""}) {
    INFO(literal);
    const support::Answer got = support::answer(*find_dialect("python"), literal, {}, {});
    CHECK(got.outcome.kind() == Outcome::Kind::fails_compile);
    CHECK(got.outcome.failure_name() == "SyntaxError");
  }
}

TEST_CASE("characters by name stand in specs and in templates of the percent sign") {
  const Dialect& python = *find_dialect("python");
  CHECK(support::answer(python, "f\"{1:\\N{BULLET}>5}\"", {}, {}).text ==
        "\u2022\u2022\u2022\u20221");
  CHECK(support::answer(*find_dialect("python-percent"), "%d\\N{DEGREE SIGN}", {value("5")}, {})
            .text == "5\u00B0");
  CHECK(support::answer(python, "rf\"\\N{1}\"", {}, {}).text == "\\N1");
  CHECK(support::answer(python, "\\N{LEFT CURLY BRACKET}0}", {value("5")}, {}).text == "5");
}
