// Lines with classes of .NET in F#, as people paste them. The texts are those that the runtime
// printed of the same lines: .NET SDK 10.0.401, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with classes of .NET in F# print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"printfn \"%s\" (DateTime(2031, 5, 9).ToString(\"yyyy-MM-dd\"))", "2031-05-09\n"},
      {"printfn \"%O\" (DateTime(2031, 5, 9))", "05/09/2031 00:00:00\n"},
      {"printfn \"%A\" (DateTime(2031, 5, 9))", "05/09/2031 00:00:00\n"},
      {"printfn \"%M\" 19.99M", "19.99\n"},
      {"printfn \"%.2f\" 19.995M", "20.00\n"},
      {"printfn \"%s\" ((1234.5M).ToString(\"C\", CultureInfo(\"en-US\")))", "$1,234.50\n"},
      {"printfn \"%s\" ((1234.5).ToString(\"N2\", CultureInfo.GetCultureInfo(\"de-DE\")))",
       "1.234,50\n"},
      {"printfn \"%s\" (String.Format(CultureInfo.InvariantCulture, \"{0:N2}\", 1234.5))",
       "1,234.50\n"},
      {"printfn $\"{DateTime(2031, 5, 9):``yyyy-MM-dd``}\"", "2031-05-09\n"},
      {"printfn $\"{1234.5:N2}\"", "1,234.50\n"},
      {"printfn $\"{19.99M * 3M}\"", "59.97\n"},
      {"printfn \"%s\" (TimeSpan.FromMinutes(125.0).ToString(@\"hh\\:mm\"))", "02:05\n"},
      {"printfn \"%A\" (TimeSpan.FromMinutes 125.0)", "02:05:00\n"},
      {"printfn \"%d\" (DateTime(2031, 5, 9)).DayOfYear", "129\n"},
      {"printfn \"%s\" ((DateTime(2031, 5, 9)).AddDays(30.0).ToString(\"d\", "
       "CultureInfo.InvariantCulture))",
       "06/08/2031\n"},
      {"printfn \"%A\" 1.10M", "1.10M\n"},
      {"printfn \"%M\" (Math.Round(2.675M, 2))", "2.68\n"},
      {"printfn \"%f\" (float 2.5M)", "2.500000\n"},
      {"printfn \"%O\" (DateTimeOffset(2031, 5, 9, 14, 5, 0, TimeSpan.FromHours(2.0)))",
       "05/09/2031 14:05:00 +02:00\n"},
      {"printfn \"%b\" (DateTime.IsLeapYear 2032)", "true\n"},
      {"printfn \"%s\" (DateOnly(2031, 5, 9).ToString(\"o\"))", "2031-05-09\n"},
      {"printfn \"%i days\" (DateTime(2031, 12, 24) - DateTime(2031, 5, 9)).Days", "229 days\n"},
  };
  support::check_lines("fsharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("fsharp", line.source, {});
}
