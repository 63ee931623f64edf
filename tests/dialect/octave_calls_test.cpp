// Whole calls and sessions of Octave that compute: what they print. The texts are those that Octave 7.3.0 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::show;
using support::value;

TEST_CASE("whole calls of Octave print what Octave prints") {
  const std::vector<PrintingCall> calls = {
      {"printf(\"%-8s|%6.2f\\n\", name, x * 0.76);",
       {value("x=9.55"), value("name=ink")},
       "ink     |  7.26\n"},
      {"printf('%d item''s: \"%s\"\\n', n, name);",
       {value("n=7"), value("name=ink")},
       "7 item's: \"ink\"\n"},
      {"fprintf(\"%5.1f|%d\\n\", [1 2; 3 4]);", {}, "  1.0|3\n  2.0|4\n"},
      {"fprintf(1, \"%g\\n\", 355/113);", {}, "3.14159\n"},
      {"disp(355/113)", {}, "3.1416\n"},
      {"disp([1 2; 3 4] / 2)", {}, "   0.5000   1.0000\n   1.5000   2.0000\n"},
      {"disp(\"ink\")", {}, "ink\n"},
      {"puts(\"paper\\n\");", {}, "paper\n"},
      {"printf(\"%d %d\\n\", floor(x), mod(neg, 4));", {value("x=9.55"), value("neg=-7")}, "9 1\n"},
      {"printf(\"%s\\n\", num2str(pi));", {}, "3.1416\n"},
      {"printf(\"%d\\n\", x > 5 && n < 10);", {value("n=7"), value("x=9.55")}, "1\n"},
      {"printf(\"%d, \", 1:5); ", {}, "1, 2, 3, 4, 5, "},
      {"fprintf(\"%s\\n\", upper(name));", {value("name=ink")}, "INK\n"},
      {"y = sprintf(\"%05d\", n);", {value("n=7")}, "00007"},
      {"disp(n * x)", {value("n=7"), value("x=9.55")}, "66.850\n"},
      {"disp(x == 9.55)", {value("x=9.55")}, "1\n"},
      {"fprintf(\"no value\\n\");", {}, "no value\n"},
      {"printf(\"%g \", sqrt([4 9 2]));", {}, "2 3 1.41421 "},
  };
  support::check_calls("octave", calls);
}

TEST_CASE("a session computes what it shows") {
  struct Case {
    const char* session;
    const char* text;
  };
  const std::vector<Case> cases = {
      {"355/113", "ans = 3.1416\n"},
      {"sqrt(55)", "ans = 7.4162\n"},
      {"format long\n0.1+0.2==0.3\n355/113", "ans = 0\nans = 3.141592920353983\n"},
      {"x = 1:5\nx'", "x =\n\n   1   2   3   4   5\n\nans =\n\n   1\n   2\n   3\n   4\n   5\n\n"},
      {"[1 2;3 4]*[5;6]", "ans =\n\n   17\n   39\n\n"},
      {"[1 2;3 4].*2", "ans =\n\n   2   4\n   6   8\n\n"},
      {"a = 3;\nb = a^2 + 1\nb/4", "b = 10\nans = 2.5000\n"},
      {"mean([1 2 4])", "ans = 2.3333\n"},
      {"floor(-2.5)\nmod(-7, 4)\nrem(-7, 4)", "ans = -3\nans = 1\nans = -3\n"},
      {"size(ones(2,3))", "ans =\n\n   2   3\n\n"},
      {"1/0", "ans = Inf\n"},
      {"-1/0", "ans = -Inf\n"},
      {"0/0", "ans = NaN\n"},
      {"int32(7)/2", "ans = 4\n"},
      {"uint8(200)+100", "ans = 255\n"},
      {"x = [1.5 2.25]; x(2)", "ans = 2.2500\n"},
      {"s = sprintf(\"%d|\", [1 2 3])", "s = 1|2|3|\n"},
      {"disp(pi*2)", "6.2832\n"},
      {"1e5*1.5", "ans = 150000\n"},
      {"2^0.5", "ans = 1.4142\n"},
      {"[1 2 3] > 2", "ans =\n\n  0  0  1\n\n"},
      {"!true", "ans = 0\n"},
      {"10:-3:1", "ans =\n\n   10    7    4    1\n\n"},
      {"0:0.25:1", "ans =\n\n         0    0.2500    0.5000    0.7500    1.0000\n\n"},
      {"max([3 9 2])", "ans = 9\n"},
      {"x = 5; printf(\"%d\\n\", x*2);", "10\n"},
      {"num2str(3.14159)", "ans = 3.1416\n"},
      {"abs(-3:3)", "ans =\n\n   3   2   1   0   1   2   3\n\n"},
      {"[1, -2]", "ans =\n\n   1  -2\n\n"},
      {"[1 - 2]", "ans = -1\n"},
      {"[1 -2]", "ans =\n\n   1  -2\n\n"},
      {"upper('ink')", "ans = INK\n"},
      {"format bank\n19.999*3", "ans = 60.00\n"},
      {"prod([2 3 4])", "ans = 24\n"},
      {"round(2.5)", "ans = 3\n"},
      {"zeros(2)", "ans =\n\n   0   0\n   0   0\n\n"},
      {"x = 7; y = x; x == y", "ans = 1\n"},
      {"1000000*1.5", "ans = 1500000\n"},
      {"[1e6 0.5]*2", "ans =\n\n   2.0000e+06   1.0000e+00\n\n"},
  };
  for (const Case& one : cases) {
    INFO(one.session);
    const support::Answer answer =
        support::answer(*find_dialect("octave-display"), one.session, {}, {});
    CHECK(answer.text == one.text);
    CHECK(answer.outcome.prints());
  }
}
