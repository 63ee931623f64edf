// Lines of C as people paste them. The texts are those that the program of gcc 12 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("pasted lines of C print what the compiled program prints, part 1") {
  const std::vector<PrintingCall> calls = {
      {"putchar('x'); putchar('\\n');", {}, "x\n"},
      {"printf(\"%-10s|%8.2f|%03d\\n\", name, x, n);",
       {value("n=7"), value("x=9.55"), value("name=ink")},
       "ink       |    9.55|007\n"},
      {"printf(\"%d%%\\n\", (int)(pct * 100));", {value("pct=0.256")}, "25%\n"},
      {"printf(\"%.2f\\n\", total / n);",
       {value("n=7"), value("total=1234567.891")},
       "176366.84\n"},
      {"printf(\"%5.1f|%-8.3f|%+.2e\\n\", x, x, total);",
       {value("x=9.55"), value("total=1234567.891")},
       "  9.6|9.550   |+1.23e+06\n"},
      {"printf(\"%d %d %d\\n\", n / 2, n % 4, neg / 2);",
       {value("n=7"), value("neg=-7")},
       "3 3 -3\n"},
      {"printf(\"%x %X %#x %o %#o\\n\", 255, 255, 255, 8, 8);", {}, "ff FF 0xff 10 010\n"},
      {"printf(\"%c%c\\n\", 'K', 65);", {}, "KA\n"},
      {"printf(\"%s\\n\", n > 5 ? \"many\" : \"few\");", {value("n=7")}, "many\n"},
      {"printf(\"%*d|%-*d|%.*f\\n\", 6, n, 6, n, 3, x);",
       {value("n=7"), value("x=9.55")},
       "     7|7     |9.550\n"},
      {"printf(\"%lld %llu\\n\", big, (unsigned long long)big);",
       {value("big=9876543210:i64")},
       "9876543210 9876543210\n"},
      {"printf(\"%zu\\n\", sizeof(int));", {}, "4\n"},
      {"printf(\"%zu\\n\", strlen(name));", {value("name=ink")}, "3\n"},
      {"printf(\"%u\\n\", (unsigned)neg);", {value("neg=-7")}, "4294967289\n"},
      {"printf(\"%hhd %hd\\n\", 300, 70000);", {}, "44 4464\n"},
      {"printf(\"%g %g %g\\n\", 1e10, 0.0001, 1e-5);", {}, "1e+10 0.0001 1e-05\n"},
      {"printf(\"%.3g|%#.3g|%G\\n\", x, 5.0, 1e-10);", {value("x=9.55")}, "9.55|5.00|1E-10\n"},
      {"printf(\"%a\\n\", 1.0);", {}, "0x1p+0\n"},
      {"printf(\"%.0f %.0f %.0f\\n\", 0.5, 1.5, 2.5);", {}, "0 2 2\n"},
      {"printf(\"%f\\n\", 1.0 / 3);", {}, "0.333333\n"},
      {"printf(\"%d\\n\", 7 / 2 * 2);", {}, "6\n"},
      {"printf(\"%f\\n\", (double)n / 2);", {value("n=7")}, "3.500000\n"},
      {"printf(\"%d\\n\", (int)x);", {value("x=9.55")}, "9\n"},
      {"printf(\"%d\\n\", 'a' + 1);", {}, "98\n"},
      {"printf(\"%d\\n\", n == 7 && x > 5);", {value("n=7"), value("x=9.55")}, "1\n"},
      {"printf(\"%d\\n\", !n);", {value("n=7")}, "0\n"},
      {"printf(\"%.2f\\n\", sqrt(2.0));", {}, "1.41\n"},
      {"printf(\"%.2f\\n\", pow(2.0, 0.5));", {}, "1.41\n"},
      {"printf(\"%.1f %.1f %.1f\\n\", floor(x), ceil(x), fabs(-x));",
       {value("x=9.55")},
       "9.0 10.0 9.6\n"},
      {"printf(\"%d\\n\", abs(neg));", {value("neg=-7")}, "7\n"},
      {"printf(\"%d\\n\", n << 2 | 1);", {value("n=7")}, "29\n"},
      {"printf(\"%d %d\\n\", ~n, n ^ 3);", {value("n=7")}, "-8 4\n"},
      {"printf(\"%ld\\n\", (long)n * 1000000000L);", {value("n=7")}, "7000000000\n"},
      {"printf(\"%5s|%-5s|%.2s\\n\", name, name, name);", {value("name=ink")}, "  ink|ink  |in\n"},
      {"printf(\"Total: %'d\\n\", 1234567);", {}, "Total: 1234567\n"},
      {"printf(\"%s %s\\n\", \"two\", \"words\");", {}, "two words\n"},
      {"printf(\"tab\\tnew\\\\n%c\", '\\n');", {}, "tab\tnew\\n\n"},
      {"printf(\"%i items\\n\", n);", {value("n=7")}, "7 items\n"},
      {"printf(\"100%%\\n\");", {}, "100%\n"},
      {"printf(\"%08.3f|%+08d|% d\\n\", x, n, n);",
       {value("n=7"), value("x=9.55")},
       "0009.550|+0000007| 7\n"},
      {"printf(\"%s\\n\", flag ? \"true\" : \"false\");", {value("flag=true:truth")}, "true\n"},
      {"printf(\"%e\\n\", 0.0);", {}, "0.000000e+00\n"},
      {"printf(\"%d\\n\", INT_MAX);", {}, "2147483647\n"},
      {"printf(\"%.10f\\n\", 0.1);", {}, "0.1000000000\n"},
      {"printf(\"%.17g\\n\", 0.1);", {}, "0.10000000000000001\n"},
      {"printf(\"%5.2f%%\\n\", pct * 100);", {value("pct=0.256")}, "25.60%\n"},
      {"printf(\"%c\\n\", name[0]);", {value("name=ink")}, "i\n"},
      {"printf(\"%d\\n\", sizeof(double) > 4);", {}, "1\n"},
      {"printf(\"%2d:%02d\\n\", 9, 5);", {}, " 9:05\n"},
      {"printf(\"%d/%d\\n\", n, n + 1);", {value("n=7")}, "7/8\n"},
      {"printf(\"%.2f\", x);", {value("x=9.55")}, "9.55"},
      {"puts(\"done\");", {}, "done\n"},
      {"printf(\"%s\" \"%d\\n\", name, n);", {value("n=7"), value("name=ink")}, "ink7\n"},
      {"fprintf(stdout, \"%d\\n\", n);", {value("n=7")}, "7\n"},
      {"printf(\"%.3s|%10.3s|\\n\", \"abcdef\", \"abcdef\");", {}, "abc|       abc|\n"},
      {"printf(\"%d\\n\", (n > 5) + (x > 5));", {value("n=7"), value("x=9.55")}, "2\n"},
      {"printf(\"%f %f\\n\", INFINITY, -INFINITY);", {}, "inf -inf\n"},
      {"printf(\"%f\\n\", 3.0f * 0.1f);", {}, "0.300000\n"},
      {"printf(\"%d\\n\", 10 - 2 - 3);", {}, "5\n"},
      {"printf(\"%d\\n\", -7 % 3);", {}, "-1\n"},
      {"printf(\"%u %u\\n\", 5u - 6u, 4000000000u);", {}, "4294967295 4000000000\n"},
  };
  support::check_calls("c", calls);
}

TEST_CASE("pasted lines of C print what the compiled program prints, part 2") {
  const std::vector<PrintingCall> calls = {
      {"printf(\"%.1f\\n\", 5 / 2 + 5 / 2.0);", {}, "4.5\n"},
      {"printf(\"%d\\n\", toupper('a'));", {}, "65\n"},
      {"printf(\"%d\\n\", 017 + 0x1F);", {}, "46\n"},
      {"printf(\"%.2f %.2f\\n\", fmod(7.5, 2), fmax(1, 2));", {}, "1.50 2.00\n"},
      {"printf(\"%d\\n\", (char)200);", {}, "-56\n"},
      {"printf(\"%d\\n\", (unsigned char)300);", {}, "44\n"},
      {"printf(\"%ld\\n\", lround(2.5));", {}, "3\n"},
  };
  support::check_calls("c", calls);
}
