// The guide pages, and dialects other than c, through the built tool.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <sstream>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/text/columns.hpp"
#include "support/process.hpp"

using nlohmann::json;

TEST_CASE("the guide page of every dialect is made from its facts") {
  for (const inky::Dialect* dialect : inky::all_dialects()) {
    const inky::DialectFacts& facts = dialect->facts();
    INFO(facts.id);
    const support::Ran page = support::run_tool("dialects " + std::string(facts.id));
    CHECK(page.status == 0);
    std::istringstream lines(page.out);
    for (std::string line; std::getline(lines, line);)
      CHECK(inky::measure(line, inky::WidthUnit::columns) <= 80);
    for (const inky::ConversionFact& fact : facts.conversions) {
      std::string field(facts.letter_form);
      field.replace(field.find('@'), 1, 1, fact.letter);
      CHECK(page.out.find("\n  " + field + " ") != std::string::npos);
    }
    for (const inky::EscapeFact& fact : facts.escapes)
      CHECK(page.out.find("\n  " + std::string(fact.written)) != std::string::npos);
    const std::string markdown =
        support::run_tool("dialects --markdown " + std::string(facts.id)).out;
    CHECK(markdown.rfind("# " + std::string(facts.id) + "\n", 0) == 0);
    CHECK((markdown.find("## Rounding\n") == std::string::npos) == facts.rounding.basis.empty());
    if (facts.places_form.empty()) continue;
    // Made when the page is printed, by the same code.
    const std::string cents = facts.id == "java" ? "2.68" : "2.67";
    CHECK(page.out.find("of 2.675: \"" + cents + "\"") != std::string::npos);
  }
  const json list = json::parse(support::run_tool("dialects --json").out);
  CHECK(list.size() == inky::all_dialects().size());
  CHECK(support::run_tool("dialects").out.find("python-percent: Python, the % operator of str\n") !=
        std::string::npos);
  CHECK(support::run_tool("dialects sea").status == 2);
  CHECK(support::run_tool("dialects --markdown").status == 2);
}

TEST_CASE("templates in braces, and a chain, in words and rendered") {
  const support::Ran python =
      support::run_tool("show --in python '{mass:>8.2f}|{lots[0]}' mass=2.675 'lots=[7, 8]'");
  CHECK(python.status == 0);
  CHECK(python.out.find("····2.67|7\n") != std::string::npos);
  CHECK(python.out.find("from 2.675 f64\n") != std::string::npos);
  CHECK(support::run_tool("show --bare --in python \"f'{mass=}'\" mass=2.675").out == "mass=2.675");
  const support::Ran rust = support::run_tool("show --in rust '{:x}' 1.5");
  CHECK(rust.status == 1);
  CHECK(rust.out.find("when the program is compiled, as E0277: ") != std::string::npos);
  CHECK(support::run_tool("show --bare --in rust '{:?}' '{mass: 12.5}'").out ==
        "Record { mass: 12.5 }");
  CHECK(support::run_tool("show --bare --in rust --plain 1e16").out == "10000000000000000");
  CHECK(support::run_tool("show --bare --in python --plain 1e16").out == "1e+16");
  CHECK(support::run_tool("show --bare --in cpp-format --plain 1e5").out == "1e+05");
  CHECK(support::run_tool("show --bare --in cpp-stream --plain 1234567.0").out == "1.23457e+06");
  const support::Ran chain =
      support::run_tool("show --in cpp-stream 'cout << fixed << setw(9) << mass << lot' 2.5 7");
  CHECK(chain.status == 0);
  CHECK(chain.out.find("·2.5000007\n") != std::string::npos);
  CHECK(chain.out.find("from 7 i32\n") != std::string::npos);
  CHECK(chain.out.find("[width-used-up]") != std::string::npos);
  CHECK(chain.out.find("cout << defaultfloat;") != std::string::npos);
  // Where each part stands.
  const json words = json::parse(support::run_tool("show --json --in rust '{:>8.2}'").out);
  CHECK(words["words"].size() == 5);
  CHECK(words["words"][2]["role"] == "width");
  CHECK(words["words"][2]["span"] == json::array({3, 4}));
  const support::Ran told = support::run_tool("show --in cpp-format '{:>8}|'");
  CHECK(told.out.find("8       columns, at least: 8\n") != std::string::npos);
}

TEST_CASE("a template of Python, in words and rendered") {
  const support::Ran shown =
      support::run_tool("show --in python-percent '%(mass)8.2f|%(lot)#06x' mass=2.675 lot=255");
  CHECK(shown.status == 0);
  CHECK(shown.out.find("····2.67|0x00ff\n") != std::string::npos);
  CHECK(shown.out.find("from 2.675 f64\n") != std::string::npos);
  const support::Ran failed = support::run_tool("show --in python-percent %d ink");
  CHECK(failed.status == 1);
  CHECK(failed.out.find("as TypeError: %d format: a real number is required, not str") !=
        std::string::npos);
  const support::Ran cut = support::run_tool("show --in python-percent %d 2.9");
  CHECK(cut.out.find("%d cuts 2.9 toward zero, and never rounds [cut-to-whole]") !=
        std::string::npos);
  const support::Ran words = support::run_tool("show --in python-percent '%(mass)-8.2f'");
  CHECK(words.out.find("takes the value named") != std::string::npos);
  CHECK(words.out.find("takes     values named mass\n") != std::string::npos);
  CHECK(support::run_tool("show --in python-percent '\\x4'  ").out.find("SyntaxError") !=
        std::string::npos);
}

TEST_CASE("lists, several texts and plain prints, at the command line") {
  const support::Ran vector = support::run_tool("show --in r --bare '%5.1f %s' '[1.25, 2]' ink");
  CHECK(vector.status == 0);
  CHECK(vector.out == "  1.2 ink\n  2.0 ink");
  const support::Ran rounds = support::run_tool("show --in octave '%d,%s|' '[1, 2.5]' ink");
  CHECK(rounds.out.find("1,|2.5,ink|\n") == std::string::npos);
  CHECK(rounds.out.find("[template-recycled]") != std::string::npos);
  CHECK(support::run_tool("show --in octave --bare '%d,' '[1, 2.5]' 7").out == "1,2.5,7,");
  CHECK(support::run_tool("show --in java --plain --bare 1e10").out == "1.0E10");
  CHECK(support::run_tool("show --in python-percent --plain --bare 1e16").out == "1e+16");
  const support::Ran none = support::run_tool("show --in c --plain 7");
  CHECK(none.status == 1);
  CHECK(none.out.find("undefined C needs a format to print a value\n") != std::string::npos);
  CHECK(support::run_tool("show --in java --plain 1 2").status == 2);
  CHECK(support::run_tool("show --in php --plain nil:nil").out.find("prints    nothing\n") !=
        std::string::npos);
  // A fill of more than one byte, which PHP takes by half.
  const json half = json::parse(support::run_tool("show --in php --json \"%'éd\" 1").out);
  CHECK(half["fails"]["as"] == "ValueError");
  const json plain = json::parse(support::run_tool("show --in r --plain --json 0.1").out);
  CHECK(plain["text"] == "[1] 0.1");
  CHECK(plain["dialect"] == "r");
  const support::Ran broken = support::run_tool("show --in r %d '[1, 2'");
  CHECK(broken.status == 1);  // a text that begins with a bracket
  const support::Ran item = support::run_tool("show --in r %d '[1, 300:u8]'");
  CHECK(item.status == 2);
  CHECK(item.err.find("300 does not fit u8") != std::string::npos);
  CHECK(item.err.find("            [1, 300:u8]\n                ▔▔▔") != std::string::npos);
}

TEST_CASE("Java in a locale, and what it says of a template that fails") {
  CHECK(support::run_tool("show --in java --locale de-DE --bare '%,.2f' 1234.5").out == "1.234,50");
  const support::Ran failed = support::run_tool("show --in java '%d|%.2d' 1 2");
  CHECK(failed.status == 1);
  CHECK(failed.out.find("when the program runs, as IllegalFormatPrecisionException") !=
        std::string::npos);
  const support::Ran words = support::run_tool("show --in java '%2$-8s|%<S'");
  CHECK(words.out.find("takes value 2") != std::string::npos);
  CHECK(words.out.find("takes the value of the field before") != std::string::npos);
  const support::Ran fill = support::run_tool("show --in php \"%'*10s\"");
  CHECK(fill.out.find("'*      pads with the byte that follows") != std::string::npos);
}

TEST_CASE("patterns, slots, directives and calls, at the command line") {
  CHECK(support::run_tool("show --bare --in java-pattern --rounding away '#,##0.0;(#)' -- -1234.51")
            .out == "(1,234.6)");
  CHECK(support::run_tool("show --in c --rounding up %d 1").status == 2);
  CHECK(support::run_tool("show --bare --in java --setting locale=de-DE %.2f 2.5").out == "2,50");
  CHECK(support::run_tool("show --in java --setting locale %.2f 2.5").status == 2);
  CHECK(support::run_tool("show --in java --setting paper=A5 %.2f 2.5").status == 2);
  const support::Ran twice = support::run_tool("show --in csharp '{0:0.00}|{0:F2}' 2.675");
  CHECK(twice.out.find("2.68|2.67\n") != std::string::npos);
  CHECK(twice.out.find("[decimal-rounded]") != std::string::npos);
  CHECK(twice.out.find("[stored-off-tie]") != std::string::npos);
  const support::Ran slots = support::run_tool(
      "show --in javascript '`${mass.toFixed(2).padStart(9)}|${lot}`' mass=2.675 lot=7");
  CHECK(slots.status == 0);
  CHECK(slots.out.find("·····2.67|7\n") != std::string::npos);
  CHECK(slots.out.find("from 7 i32\n") != std::string::npos);
  const support::Ran words = support::run_tool("show --in javascript '${mass.toFixed(2)}'");
  CHECK(words.out.find("takes     values named mass\n") != std::string::npos);
  CHECK(words.out.find("fixed notation with N places") != std::string::npos);
  CHECK(support::run_tool("show --bare --in lisp '~{~A~^, ~}|~R' '[7, 9]' 12").out ==
        "7, 9|twelve");
  const support::Ran directives = support::run_tool("show --in lisp '~{~A~^, ~}'");
  CHECK(directives.out.find("closes ~{\n") != std::string::npos);
  const support::Ran call =
      support::run_tool("show --in r-format 'format(mass, digits = 3)' 'mass=[12.25, 0.5]'");
  CHECK(call.out.find("  text 2    ") != std::string::npos);
  CHECK(call.out.find("[digits-are-significant]") != std::string::npos);
  const support::Ran failed = support::run_tool("show --in r-format 'format(1, digits = 0)'");
  CHECK(failed.status == 1);
  CHECK(failed.out.find("when the program runs, as simpleError: invalid value 0") !=
        std::string::npos);
}

TEST_CASE("several texts of R stand apart, and none is said") {
  const support::Ran two = support::run_tool("show --in r '%5.1f g' '[12.25, 9]'");
  CHECK(two.status == 0);
  CHECK(two.out.find("  text 1    ·12.2·g\n") != std::string::npos);
  CHECK(two.out.find("  text 2    ··9.0·g\n") != std::string::npos);
  CHECK(two.out.find("%5.1f  5 bytes, 2 times  from [12.25, 9] list\n") != std::string::npos);
  CHECK(support::run_tool("show --in r %d '[]'").out.find("no text at all") != std::string::npos);
}
