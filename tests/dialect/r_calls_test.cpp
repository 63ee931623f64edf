// Whole calls of R: what they print. The texts are those that R 4.2.2 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::show;
using support::value;

TEST_CASE("whole calls of R print what R prints") {
  const std::vector<PrintingCall> calls = {
      {"cat(\"Total:\", x * n, \"\\n\")", {value("n=7"), value("x=9.55")}, "Total: 66.85 \n"},
      {"cat(paste0(name, \": \", n), \"\\n\", sep = \"\")",
       {value("n=7"), value("name=ink")},
       "ink: 7\n"},
      {"print(x * n)", {value("n=7"), value("x=9.55")}, "[1] 66.85\n"},
      {"print(1/3)", {}, "[1] 0.3333333\n"},
      {"print(1:3 / 3)", {}, "[1] 0.3333333 0.6666667 1.0000000\n"},
      {"print(c(1.5, NA, 100))", {}, "[1]   1.5    NA 100.0\n"},
      {"print(name)", {value("name=ink")}, "[1] \"ink\"\n"},
      {"print(n > 5)", {value("n=7")}, "[1] TRUE\n"},
      {"print(format(round(x * 0.76, 2), nsmall = 2))", {value("x=9.55")}, "[1] \"7.26\"\n"},
      {"cat(format(total, big.mark = \",\", nsmall = 2), \"\\n\")",
       {value("total=1234567.891")},
       "1,234,567.89 \n"},
      {"cat(formatC(x, format = \"f\", digits = 1), formatC(n, width = 6, flag = \"0\"), sep = "
       "\"|\")",
       {value("n=7"), value("x=9.55")},
       "9.6|000007"},
      {"cat(sprintf(\"%-8s|%6.2f\\n\", name, x * 0.76))",
       {value("x=9.55"), value("name=ink")},
       "ink     |  7.26\n"},
      {"print(sprintf(\"%05d\", 7L))", {}, "[1] \"00007\"\n"},
      {"cat(neg %/% 2, neg %% 4, -7 / 2, 7 %/% 2.5, \"\\n\")", {value("neg=-7")}, "-4 1 -3.5 2 \n"},
      {"cat(round(2.5), round(0.15, 1), round(2.675, 2), round(-1.5), signif(total, 3), \"\\n\")",
       {value("total=1234567.891")},
       "2 0.1 2.67 -2 1230000 \n"},
      {"cat(TRUE && FALSE, 1:10, 1e5, 100000, 123456, 1e-5, 0.1 + 0.2, \"\\n\")",
       {},
       "FALSE 1 2 3 4 5 6 7 8 9 10 1e+05 1e+05 123456 1e-05 0.3 \n"},
      {"cat(1e15, 1e16, 0.1, 1/3, 100 * 1.1, 22/7, \"\\n\")",
       {},
       "1e+15 1e+16 0.1 0.3333333 110 3.142857 \n"},
      {"writeLines(paste(toupper(name), nchar(name), strrep(\"-\", 5)))",
       {value("name=ink")},
       "INK 3 -----\n"},
      {"message(\"weight: \", x, \" g\")", {value("x=9.55")}, "weight: 9.55 g\n"},
      {"cat(ifelse(n > 5, \"many\", \"few\"), \"\\n\")", {value("n=7")}, "many \n"},
      {"print(seq_len(4) * 2.5)", {}, "[1]  2.5  5.0  7.5 10.0\n"},
      {"print(rev(c(3L, 1L)))", {}, "[1] 1 3\n"},
      {"cat(paste(c(1, 2.5, 10), collapse = \", \"), \"\\n\")", {}, "1, 2.5, 10 \n"},
      {"print(sqrt(2) * n)", {value("n=7")}, "[1] 9.899495\n"},
      {"cat(max(n, 8.5), min(c(3, 1, 2)), sum(1:10), mean(c(1, 2, 4)), \"\\n\")",
       {value("n=7")},
       "8.5 1 55 2.333333 \n"},
      {"cat(2^10, 2 ** 3, -2^2, 5L %/% 2L, 5L / 2L, \"\\n\")", {}, "1024 8 -4 2 2.5 \n"},
      {"print(trimws(\"  ink \"))", {}, "[1] \"ink\"\n"},
      {"print(prettyNum(1234567, big.mark = \",\"))", {}, "[1] \"1,234,567\"\n"},
      {"cat(\"a\\tb\", 'it\"s', sep = \"\\n\")", {}, "a\tb\nit\"s\n"},
      {"print(c(0.001, 123456))", {}, "[1]      0.001 123456.000\n"},
      {"print(100000)", {}, "[1] 1e+05\n"},
      {"print(1e5 + 0.1)", {}, "[1] 100000.1\n"},
      {"print(c(TRUE, NA))", {}, "[1] TRUE   NA\n"},
      {"print(20:45)",
       {},
       " [1] 20 21 22 23 24 25 26 27 28 29 30 31 32 33 34 35 36 37 38 39 40 41 42 43 44\n[26] "
       "45\n"},
      {"cat(substr(name, 1, 2), as.integer(x), as.numeric(\"2.50\"), \"\\n\")",
       {value("x=9.55"), value("name=ink")},
       "in 9 2.5 \n"},
      {"print(1:3 == c(1, 5, 3))", {}, "[1]  TRUE FALSE  TRUE\n"},
      {"x <- sprintf(\"%.3f\", x)", {value("x=9.55")}, "9.550"},
  };
  support::check_calls("r", calls);
}

TEST_CASE("formatC in significant digits, and zeros that are dropped") {
  const std::vector<PrintingCall> calls = {
      {"cat(formatC(3.14159, digits = 3, format = \"fg\"))", {}, "3.14"},
      {"cat(formatC(c(1e6, 0.000012345, 0, 99999), digits = 3, format = \"fg\", flag = \"#\", "
       "big.mark = \",\"))",
       {},
       "1,000,000 0.0000123 0 100,000"},
      {"cat(formatC(2.50, format = \"f\", digits = 2, drop0trailing = TRUE))", {}, "2.5"},
      {"cat(formatC(c(1.5, 10, 100.25), format = \"f\", digits = 3, drop0trailing = TRUE, width = "
       "9))",
       {},
       "    1.5    10   100.25"},
      {"cat(format(c(1.5, 10, 100), nsmall = 2, drop0trailing = TRUE))", {}, "  1.5  10 100"},
      {"cat(formatC(1234.5, format = \"f\", digits = 1, decimal.mark = \",\", big.mark = \".\"))",
       {},
       "1.234,5"},
      {"cat(formatC(1e10, format = \"e\", digits = 3, drop0trailing = TRUE))", {}, "1.000e+10"},
      {"cat(prettyNum(c(123456, 1.50), big.mark = \",\", drop0trailing = TRUE))",
       {},
       "123,456 1.5"},
  };
  support::check_calls("r", calls);
}
