// Locales of JavaScript without a region, and its choices. The texts are those that Node.js 20 printed of
// the same lines; where there is none, it threw.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"const x = 1234.5; console.log(x.toLocaleString(\"es\"), x.toLocaleString(\"es\", "
     "{useGrouping: true}), x.toLocaleString(\"de\"), x.toLocaleString(\"en\"));",
     "1234,5 1.234,5 1.234,5 1,234.5\n"},
    {"console.log(new Intl.NumberFormat(\"pt\", {style: \"currency\", currency: "
     "\"BRL\"}).format(1234.5), new Intl.NumberFormat(\"ja\", {style: \"currency\", currency: "
     "\"JPY\"}).format(1234.5), new Intl.NumberFormat(\"sv\").format(-1234567.891));",
     "R$ 1.234,50 ￥1,235 −1 234 567,891\n"},
    {"console.log(new Intl.DateTimeFormat(\"fr\", {dateStyle: \"full\", timeZone: "
     "\"UTC\"}).format(new Date(0)), new Date(0).toLocaleDateString(\"it\", {timeZone: \"UTC\"}), "
     "new Date(0).toLocaleDateString(\"en\", {month: \"long\", day: \"numeric\", timeZone: "
     "\"UTC\"}));",
     "jeudi 1 janvier 1970 01/01/1970 January 1\n"},
    {"console.log((0.256).toLocaleString(\"nl\", {style: \"percent\"}), "
     "(1e6).toLocaleString(\"pl\"), (1234).toLocaleString(\"it\", {useGrouping: true}));",
     "26% 1 000 000 1.234\n"},
    {"console.log((1.5).toLocaleString(\"en\", {maximumFractionDigits: 200}));", nullptr},
    {"const x = 1; switch (x) { case \"1\": console.log(\"text\"); break; case 1: "
     "console.log(\"number\"); break; }",
     "number\n"},
    {"let n = 0; do { n++; } while (n < 3); console.log(n); switch (\"b\") { case \"a\": "
     "console.log(1); case \"b\": console.log(2); case \"c\": console.log(3); break; default: "
     "console.log(4); }",
     "3\n2\n3\n"},
};

}  // namespace

TEST_CASE("locales without a region, and choices, print what Node.js prints") {
  support::check_lines("javascript", lines);
}
