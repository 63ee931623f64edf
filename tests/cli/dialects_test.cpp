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
    const support::Ran page = support::inky("dialects " + std::string(facts.id));
    CHECK(page.status == 0);
    std::istringstream lines(page.out);
    for (std::string line; std::getline(lines, line);)
      CHECK(inky::measure(line, inky::WidthUnit::columns) <= 80);
    for (const inky::ConversionFact& fact : facts.conversions)
      CHECK(page.out.find("\n  %" + std::string(1, fact.letter) + " ") != std::string::npos);
    for (const inky::EscapeFact& fact : facts.escapes)
      CHECK(page.out.find("\n  " + std::string(fact.written)) != std::string::npos);
    const std::string markdown = support::inky("dialects --markdown " + std::string(facts.id)).out;
    CHECK(markdown.rfind("# " + std::string(facts.id) + "\n", 0) == 0);
    CHECK(markdown.find("## Rounding\n") != std::string::npos);
    // Made when the page is printed, by the same code.
    CHECK(page.out.find("of 2.675: \"2.67\"") != std::string::npos);
  }
  const json list = json::parse(support::inky("dialects --json").out);
  CHECK(list.size() == inky::all_dialects().size());
  CHECK(support::inky("dialects").out.find("python-percent: Python, the % operator of str\n") !=
        std::string::npos);
  CHECK(support::inky("dialects sea").status == 2);
  CHECK(support::inky("dialects --markdown").status == 2);
}

TEST_CASE("a template of Python, in words and rendered") {
  const support::Ran shown =
      support::inky("show --in python-percent '%(mass)8.2f|%(lot)#06x' mass=2.675 lot=255");
  CHECK(shown.status == 0);
  CHECK(shown.out.find("····2.67|0x00ff\n") != std::string::npos);
  CHECK(shown.out.find("from 2.675 f64\n") != std::string::npos);
  const support::Ran failed = support::inky("show --in python-percent %d ink");
  CHECK(failed.status == 1);
  CHECK(failed.out.find("as TypeError: %d format: a real number is required, not str") !=
        std::string::npos);
  const support::Ran cut = support::inky("show --in python-percent %d 2.9");
  CHECK(cut.out.find("%d cuts 2.9 toward zero, and never rounds [cut-to-whole]") !=
        std::string::npos);
  const support::Ran words = support::inky("show --in python-percent '%(mass)-8.2f'");
  CHECK(words.out.find("takes the value named") != std::string::npos);
  CHECK(words.out.find("takes     values named mass\n") != std::string::npos);
  CHECK(support::inky("show --in python-percent '\\x4'  ").out.find("SyntaxError") !=
        std::string::npos);
}
