// Faults that were found and fixed, dialect by dialect. Each case below was once answered
// wrongly. The texts are those of the runtimes that `inky dialects` names.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/answers.hpp"

using namespace inky;
using support::value;

namespace {

struct Printed {
  const char* dialect;
  const char* source;
  std::vector<Value> values;
  const char* text;
};

struct Refused {
  const char* dialect;
  const char* source;
  std::vector<Value> values;
  const char* as;  // the language's own name; empty: an error of ours
};

}  // namespace

TEST_CASE("past faults: what was printed wrongly or refused, and prints") {
  const Value nine = value("x=9");
  const Value ten = value("y=10");
  const Printed rows[] = {
      {"r-format", "formatC(2.5, drop0trailing = TRUE)", {}, "2.5"},
      // A zero byte ends the texts of C.
      {"c", "%d\\0%d", {value("1"), value("2")}, "1"},
      {"c", "ink\\0%q", {}, "ink"},
      {"c", "a\\0b%%\\0c", {}, "a"},
      {"cpp-format", "{}\\0{}", {value("1"), value("2")}, "1"},
      {"cpp-stream", "cout << \"a\\0b\" << 1", {}, "a1"},
      // Letters of the recorded C library.
      {"c", "%b", {value("5")}, "101"},
      {"c", "%#B", {value("5")}, "0B101"},
      {"c",
       "%8.5b|%#010b|%-8b|",
       {value("5"), value("5"), value("5")},
       "   00101|0b00000101|101     |"},
      {"c", "%#b|%.0b|", {value("0"), value("0")}, "0||"},
      {"c", "%hhb", {value("511")}, "11111111"},
      // A piece of a chain, without its stream.
      {"cpp-stream", "oct << x << \"|\" << y", {nine, ten}, "11|12"},
      {"cpp-stream", "x << '*' << setw(9) << y", {nine, ten}, "9*       10"},
      {"cpp-stream", "x << x << y", {nine, ten}, "9910"},
      {"cpp-stream", "setw(5) << right << x", {nine}, "    9"},
      {"cpp-stream", "\"Total: \" << x << endl", {nine}, "Total: 9\n"},
      {"cpp-stream", "report << x", {nine}, "9"},
      {"cpp-stream", "<< x << y;", {nine, ten}, "910"},
      {"cpp-stream", "cout << +x << ' ' << +c", {nine, value("c='a':char")}, "9 97"},
      {"cpp-stream", "cout << +true << unitbuf << skipws << x", {nine}, "19"},
      // A raw f-string keeps its backslashes.
      {"python", "rf\"\\d{x}\"", {value("x=3")}, "\\d3"},
      {"python", "Rf'\\n{x}'", {value("x=3")}, "\\n3"},
      {"python", "fr\"\\{x}\\\"\"", {value("x=3")}, "\\3\\\""},
      // Literals side by side are one.
      {"python", "f\"{x}\" f\"{y}\"", {nine, ten}, "910"},
      {"python", "f\"{x}\" \"lit{\" f'{y}'", {nine, ten}, "9lit{10"},
      {"python", "f'{x}' r'\\n' F\"{y}\"", {nine, ten}, "9\\n10"},
      // Grouping that is asked for, in locales that begin late with it.
      {"javascript", "${x.toLocaleString(\"es-ES\")}", {value("x=1234")}, "1234"},
      {"javascript",
       "${x.toLocaleString(\"es-ES\", {useGrouping: true})}",
       {value("x=1234")},
       "1.234"},
      {"javascript",
       "${x.toLocaleString(\"pl-PL\", {useGrouping: true})}",
       {value("x=1234")},
       "1\u00a0234"},
      {"javascript",
       "${x.toLocaleString(\"it-IT\", {useGrouping: true})}",
       {value("x=123")},
       "123"},
      {"javascript",
       "${x.toLocaleString(\"en-US\", {maximumFractionDigits: 20})}",
       {value("x=1.5")},
       "1.5"},
      // A number where the character for an overflow should be: no error while nothing overflows.
      {"lisp", "~14,,,1F", {value("2.5:f32")}, "           2.5"},
      {"lisp", "~14,1,,1F", {value("2.5:f32")}, "           2.5"},
      // formatC() takes a decimal mark.
      {"r-format",
       "formatC(x, decimal.mark = \",\", format = \"f\", digits = 2)",
       {value("x=2.5")},
       "2,50"},
      {"r-format",
       "formatC(c(1234.5, 2), big.mark = \".\", decimal.mark = \",\", format = \"f\", digits = 1)",
       {},
       "1.234,5\n2,0"},
      {"r-format",
       "formatC(1e-20, digits = 4, format = \"e\", decimal.mark = \",\")",
       {},
       "1,0000e-20"},
      {"r-format", "formatC(\"a.5\", decimal.mark = \",\")", {}, "a.5"},
  };
  for (const Printed& row : rows) {
    INFO(row.dialect << ": " << row.source);
    const support::Answer answer =
        support::answer(*find_dialect(row.dialect), row.source, row.values, {});
    CHECK(answer.outcome.prints());
    CHECK(answer.text == row.text);
  }
}

TEST_CASE("past faults: what was printed, and is refused") {
  const Refused rows[] = {
      {"python", "{a[9223372036854775808]}", {value("a=[1, 2]")}, "ValueError"},
      {"javascript",
       "${x.toLocaleString(\"en-US\", {maximumFractionDigits: 21})}",
       {value("x=1.5")},
       "RangeError"},
      {"python", "f\"{x}\" y'", {value("x=9")}, "SyntaxError"},
      {"python", "f\"{x}'", {value("x=9")}, "SyntaxError"},
      {"cpp-stream", "cout << +x", {value("x=ink")}, "error"},
      // In R, d is the beginning of several names.
      {"r-format", "formatC(2.5, d = 3)", {}, "simpleError"},
      {"lisp", "~2,1,,1F", {value("222.5:f32")}, "TYPE-ERROR"},
      {"lisp", "~14,1,,,1F", {value("2.5:f32")}, "TYPE-ERROR"},
      // Literals of another kind, once printed as they stand.
      {"fsharp", "$\"ink {x}\"", {}, ""},
      {"fsharp", "$\"{x:F2}\"", {value("x=2.5")}, ""},
      {"fsharp", "@\"ink\"", {}, ""},
      {"csharp", "$@\"{x}\"", {value("x=2.5")}, ""},
      // An iteration that never ends.
      {"lisp", "~{~A~:*~}", {value("[1]")}, ""},
      {"lisp", "~@{~A~:*~}", {value("1")}, ""},
  };
  for (const Refused& row : rows) {
    INFO(row.dialect << ": " << row.source);
    const Dialect& dialect = *find_dialect(row.dialect);
    if (!dialect.parse(row.source)) {
      CHECK(std::string(row.as).empty());
      continue;
    }
    const support::Answer answer = support::answer(dialect, row.source, row.values, {});
    CHECK_FALSE(answer.outcome.prints());
    CHECK(answer.text.empty());
    const bool of_ours = answer.outcome.kind() == Outcome::Kind::error;
    CHECK(of_ours == std::string(row.as).empty());
    if (!of_ours) CHECK(answer.outcome.failure_name() == row.as);
  }
}
