// Lines of a shell as people paste them. The texts are those that dash 0.5.12 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("pasted lines of a shell print what the runtime prints") {
  const std::vector<PrintingCall> calls = {
      {"printf '%s\\n' \"$name\"", {value("n=7"), value("name=ink")}, "ink\n"},
      {"printf \"%s has %d items (%.1f%%)\\n\" \"$name\" \"$n\" \"$pct\"",
       {value("n=7"), value("name=ink"), value("pct=0.256:text")},
       "ink has 7 items (0.3%)\n"},
      {"printf '%-8s|%8.2f|%03d\\n' \"$name\" \"$x\" \"$n\"",
       {value("n=7"), value("x=9.55:text"), value("name=ink")},
       "ink     |    9.55|007\n"},
      {"printf '%5.1f\\n' $x", {value("n=7"), value("x=9.55:text")}, "  9.6\n"},
      {"printf '%d\\n' $((n + 1))", {value("n=7")}, "8\n"},
      {"printf '%d %d %d\\n' $((n / 2)) $((n % 4)) \"$((n * 3))\"", {value("n=7")}, "3 3 21\n"},
      {"printf '%s-%s\\n' \"${name}pot\" $name", {value("n=7"), value("name=ink")}, "inkpot-ink\n"},
      {"printf \"Total: %s\\n\" \"$total\"",
       {value("n=7"), value("total=1234567.891:text")},
       "Total: 1234567.891\n"},
      {"printf '%s\\n' a b c", {value("n=7")}, "a\nb\nc\n"},
      {"printf '%s %s\\n' a b c", {value("n=7")}, "a b\nc \n"},
      {"printf '%x %X %o\\n' 255 255 8", {value("n=7"), value("x=9.55:text")}, "ff FF 10\n"},
      {"printf '%05d|%+d|% d\\n' 42 42 42", {value("n=7")}, "00042|+42| 42\n"},
      {"printf '%e|%g|%a\\n' 12345.678 0.0001 0.5", {value("n=7")}, "1.234568e+04|0.0001|0x1p-1\n"},
      {"printf '%b' 'a\\tb\\n'", {value("n=7")}, "a\tb\n"},
      {"printf '%b\\n' \"line\\\\nnext\"", {value("n=7")}, "line\nnext\n"},
      {"printf '%10s|%-10s|\\n' \"$name\" \"$name\"",
       {value("n=7"), value("name=ink")},
       "       ink|ink       |\n"},
      {"printf '%.2s\\n' \"$name\"", {value("n=7"), value("name=ink")}, "in\n"},
      {"printf '%c%c\\n' abc xyz", {value("n=7")}, "ax\n"},
      {"printf '%*d|%-*d|\\n' 6 \"$n\" 6 \"$n\"", {value("n=7")}, "     7|7     |\n"},
      {"printf '%.*f\\n' 2 \"$x\"", {value("n=7"), value("x=9.55:text")}, "9.55\n"},
      {"printf '100%%\\n'", {value("n=7")}, "100%\n"},
      {"printf 'no args\\n'", {value("n=7")}, "no args\n"},
      {"printf '%s\\n'", {value("n=7")}, "\n"},
      {"printf '%d\\n' 0x1F", {value("n=7")}, "31\n"},
      {"printf \"%d\\n\" \"'A\"", {value("n=7")}, "65\n"},
      {"printf -- '-%s-\\n' \"$name\"", {value("n=7"), value("name=ink")}, "-ink-\n"},
      {"printf '%s\\n' \"it's $n\"", {value("n=7")}, "it's 7\n"},
      {"printf '%s\\n' 'it'\"'\"'s'", {value("n=7")}, "it's\n"},
      {"printf \"\\$%s\\n\" 5", {value("n=7")}, "$5\n"},
      {"printf \"%s\\n\" \"a\\\"b\"", {value("n=7")}, "a\"b\n"},
      {"printf %s\\\\n \"$name\"", {value("n=7"), value("name=ink")}, "ink\n"},
      {"printf '%.2f\\n' 2.675 1.005 0.125", {value("n=7")}, "2.67\n1.00\n0.12\n"},
      {"echo \"Total: $n\"", {value("n=7")}, "Total: 7\n"},
      {"echo \"$name has $n items\"", {value("n=7"), value("name=ink")}, "ink has 7 items\n"},
      {"echo 'single $name'", {value("name=ink")}, "single $name\n"},
      {"echo -n \"no newline\"", {value("n=7")}, "no newline"},
      {"echo \"tab\\there\"", {}, "tab\there\n"},
      {"echo a   b    c", {}, "a b c\n"},
      {"echo \"${name}s\" $((n*2))", {value("n=7"), value("name=ink")}, "inks 14\n"},
      {"echo \"a\\nb\"", {}, "a\nb\n"},
      {"echo", {}, "\n"},
      {"line=$(printf '%05d' \"$n\")", {value("n=7")}, "00007"},
      {"printf '%s\\n' \"$((n > 5 ? 1 : 0))\"", {value("n=7")}, "1\n"},
      {"printf '%d\\n' $((2 << 3 | 1))", {value("n=7")}, "17\n"},
      {"printf '%d\\n' $((-7 / 2))", {value("n=7")}, "-3\n"},
      {"printf '%i\\n' 010", {value("n=7")}, "8\n"},
      {"printf '%s' \"$name\" \"$n\"", {value("n=7"), value("name=ink")}, "ink7"},
      {"printf '| %-10s | %8s |\\n' Item Price ink 9.55",
       {value("n=7")},
       "| Item       |    Price |\n| ink        |     9.55 |\n"},
      {"printf '%8.3f\\n' \"$total\"",
       {value("n=7"), value("total=1234567.891:text")},
       "1234567.891\n"},
      {"printf '%5c|\\n' \"$name\"", {value("n=7"), value("name=ink")}, "    i|\n"},
      {"printf '\\101\\x41\\n'", {value("n=7")}, "A\\x41\n"},
      {"printf \"%s\\n\" a\"b\"c'd'", {value("n=7")}, "abcd\n"},
      {"printf '%u\\n' -1", {value("n=7")}, "18446744073709551615\n"},
      {"printf '%#x %#o\\n' 255 8", {value("n=7"), value("x=9.55:text")}, "0xff 010\n"},
      {"printf '%G %E %F\\n' 1e10 1e10 1e10",
       {value("n=7")},
       "1E+10 1.000000E+10 10000000000.000000\n"},
      {"printf '%f\\n' inf nan -inf", {value("n=7")}, "inf\nnan\n-inf\n"},
      {"printf '%.0f %.0f %.0f\\n' 0.5 1.5 2.5", {value("n=7")}, "0 2 2\n"},
  };
  support::check_calls("shell", calls);
}

TEST_CASE("a command of a shell that is not understood ends, with an error at its place") {
  for (const char* source :
       {"printf '%s'\n\"x\"", "printf", "printf ", "echo a\nb", "printf '%s' $(date)",
        "printf '%s' \"a", "printf '%s' 'a", "printf '%s' ${n:-x}", "printf '%s' $((1 + ))",
        "printf '%s' $((1", "printf '%s' a > b", "printf '%s' *", "printf -v x '%s'",
        "printf \"%s $n\" a"}) {
    INFO(source);
    const auto parsed = inky::parse_statement(*inky::find_dialect("shell"), source);
    REQUIRE(!parsed.ok());
    CHECK(parsed.error().span.to <= std::string_view(source).size());
    CHECK_FALSE(parsed.error().remedy.empty());
  }
}
