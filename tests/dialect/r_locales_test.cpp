// Locales of R, and several statements that show what they come to. The texts are those that R 4.2.2
// printed, with the locales of the GNU C library 2.36.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::Line lines[] = {
    {"Sys.setlocale(\"LC_TIME\", \"de_DE.UTF-8\"); format(as.Date(\"2031-05-09\"), \"%A, %d. %B "
     "%Y\")",
     "[1] \"de_DE.UTF-8\"\n[1] \"Freitag, 09. Mai 2031\"\n"},
    {"invisible(Sys.setlocale(\"LC_TIME\", \"fr_CH.UTF-8\")); months(as.Date(\"2031-05-09\"), "
     "abbreviate = TRUE)",
     "[1] \"mai\"\n"},
    {"x <- as.Date(\"2019-05-01\")\nSys.setlocale(\"LC_TIME\", \"ja_JP.UTF-8\")\n"
     "cat(format(x, \"%EY %x|%Od\"), weekdays(x), \"\\n\")",
     "[1] \"ja_JP.UTF-8\"\n令和元年 2019年05月01日|一 水曜日 \n"},
    {"Sys.setlocale(\"LC_TIME\", \"th_TH.UTF-8\"); Sys.setlocale(\"LC_TIME\", \"C\"); "
     "weekdays(as.Date(\"2031-05-09\"))",
     "[1] \"th_TH.UTF-8\"\n[1] \"C\"\n[1] \"Friday\"\n"},
    // Numbers are written as in C all the same.
    {"Sys.setlocale(\"LC_TIME\", \"de_DE.UTF-8\"); cat(sprintf(\"%.2f\", 1234.5), "
     "format(1234567.8, big.mark = \",\"), month.name[5], \"\\n\")",
     "[1] \"de_DE.UTF-8\"\n1234.50 1,234,568 May \n"},
    // Letters that are no codes are no names.
    {"invisible(Sys.setlocale(\"LC_TIME\", \"de_DE.UTF-8\")); as.Date(\"9.5.2031 at\", \"%d.%m.%Y "
     "at\")",
     "[1] \"2031-05-09\"\n"},
    {"x <- c(1, 2, 4); mean(x)", "[1] 2.333333\n"},
    {"x <- c(1, 2, 4)\nx", "[1] 1 2 4\n"},
    {"round(2.567, 1); round(3.4)", "[1] 2.6\n[1] 3\n"},
    {"x = 16; sqrt(x)", "[1] 4\n"},
};

}  // namespace

TEST_CASE("R prints dates in the locale of LC_TIME, and what several statements come to") {
  support::check_statements("r", lines);
}

TEST_CASE("several statements of R are never a template") {
  const Dialect& r = *find_dialect("r");
  for (const support::Line& line : lines) {
    INFO(line.source);
    CHECK(is_statement(r, line.source));
  }
  // Without a language, an arrow tells.
  CHECK(is_statement(r, "x <- c(1, 2, 4); mean(x)", false));
  CHECK_FALSE(is_statement(r, "round(2.567, 1); round(3.4)", false));
  for (const char* pattern : {"%d; %s", "mean: %.2f; sd: %.2f", "a = %d; b = %d", "x; y"}) {
    INFO(pattern);
    CHECK_FALSE(is_statement(r, pattern));
  }
}

TEST_CASE("what is not known of R's locales is said") {
  for (const char* source : {
           "Sys.setlocale(\"LC_ALL\", \"de_DE.UTF-8\"); weekdays(as.Date(\"2031-05-09\"))",
           "Sys.setlocale(\"LC_TIME\", \"xx\"); weekdays(as.Date(\"2031-05-09\"))",
           "Sys.setlocale(\"LC_TIME\", \"de_DE.UTF-8\"); as.Date(\"9. Mai 2031\", \"%d. %B %Y\")",
       }) {
    INFO(source);
    const auto parsed = parse_statement(*find_dialect("r"), source);
    if (!parsed) {
      CHECK(parsed.error().code == Code::not_supported_yet);
      continue;
    }
    TextBuffer text;
    const Outcome outcome = parsed->dialect().render(*parsed, {}, text);
    CHECK(outcome.kind() == Outcome::Kind::error);
    CHECK(outcome.why().find("not supported yet") != std::string::npos);
  }
}
