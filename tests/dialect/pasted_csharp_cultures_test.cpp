// Lines with cultures and times in C#, as people paste them. The texts are those that the runtime
// printed of the same lines: .NET SDK 10.0.401, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with cultures and times in C# print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"yyyy-MM-dd\"));", "2031-05-09\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9, 14, 5, 7).ToString(\"dd MMM yyyy HH:mm\", "
       "CultureInfo.InvariantCulture));",
       "09 May 2031 14:05\n"},
      {"Console.WriteLine($\"{new DateTime(2031, 5, 9):dddd, dd MMMM yyyy}\");",
       "Friday, 09 May 2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"D\", new CultureInfo(\"fr-FR\")));",
       "vendredi 9 mai 2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"d\", "
       "CultureInfo.GetCultureInfo(\"de-DE\")));",
       "09.05.2031\n"},
      {"Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $\"{1234.5:N2}\"));",
       "1,234.50\n"},
      {"Console.WriteLine(FormattableString.Invariant($\"{1234.5:N2}\"));", "1,234.50\n"},
      {"Console.WriteLine((1234.5).ToString(\"C\", CultureInfo.GetCultureInfo(\"de-DE\")));",
       "1.234,50 €\n"},
      {"Console.WriteLine(1234.5m.ToString(\"C2\", new CultureInfo(\"en-US\")));", "$1,234.50\n"},
      {"Console.WriteLine(string.Format(new CultureInfo(\"en-GB\"), \"{0:C}\", 1234.5m));",
       "£1,234.50\n"},
      {"Console.WriteLine(DateTime.Parse(\"2031-05-09\").ToString(\"o\"));",
       "2031-05-09T00:00:00.0000000\n"},
      {"Console.WriteLine(DateTime.ParseExact(\"09.05.2031\", \"dd.MM.yyyy\", "
       "CultureInfo.InvariantCulture).ToString(\"s\"));",
       "2031-05-09T00:00:00\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).AddDays(30).ToShortDateString());",
       "06/08/2031\n"},
      {"Console.WriteLine((new DateTime(2031, 12, 24) - new DateTime(2031, 5, 9)).TotalDays);",
       "229\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).DayOfWeek);", "Friday\n"},
      {"Console.WriteLine((int)new DateTime(2031, 5, 9).DayOfWeek);", "5\n"},
      {"Console.WriteLine(TimeSpan.FromMinutes(125).ToString(@\"hh\\:mm\"));", "02:05\n"},
      {"Console.WriteLine(TimeSpan.FromSeconds(3725));", "01:02:05\n"},
      {"Console.WriteLine($\"{TimeSpan.FromHours(1.5):g}\");", "1:30:00\n"},
      {"Console.WriteLine(new DateTimeOffset(2031, 5, 9, 14, 5, 0, "
       "TimeSpan.FromHours(2)).ToString(\"o\"));",
       "2031-05-09T14:05:00.0000000+02:00\n"},
      {"Console.WriteLine(new DateTimeOffset(2031, 5, 9, 14, 5, 0, "
       "TimeSpan.FromHours(2)).ToUniversalTime());",
       "05/09/2031 12:05:00 +00:00\n"},
      {"Console.WriteLine(new DateOnly(2031, 5, 9).ToString(\"yyyy-MM-dd\"));", "2031-05-09\n"},
      {"Console.WriteLine(DateOnly.FromDateTime(new DateTime(2031, 5, 9)));", "05/09/2031\n"},
      {"Console.WriteLine(new TimeOnly(14, 5).ToString(\"HH:mm\"));", "14:05\n"},
      {"Console.WriteLine(DateTime.UnixEpoch.AddSeconds(1935930307));", "05/07/2031 14:25:07\n"},
      {"Console.WriteLine(DateTimeOffset.FromUnixTimeSeconds(1935930307).ToString(\"u\"));",
       "2031-05-07 14:25:07Z\n"},
      {"Console.WriteLine(DateTime.IsLeapYear(2032));", "True\n"},
      {"Console.WriteLine(DateTime.DaysInMonth(2031, 2));", "28\n"},
      {"Console.WriteLine(Math.Round(2.675m, 2));", "2.68\n"},
      {"Console.WriteLine(Math.Round(2.5m, MidpointRounding.AwayFromZero));", "3\n"},
      {"Console.WriteLine(decimal.Round(2.345m, 2));", "2.34\n"},
      {"Console.WriteLine(19.99m * 3);", "59.97\n"},
      {"Console.WriteLine(10m / 3m);", "3.3333333333333333333333333333\n"},
      {"Console.WriteLine(1.10m);", "1.10\n"},
      {"Console.WriteLine(1.10m.ToString(\"0.###\"));", "1.1\n"},
      {"Console.WriteLine((double)0.1m + 0.2);", "0.30000000000000004\n"},
      {"Console.WriteLine(decimal.MaxValue);", "79228162514264337593543950335\n"},
      {"Console.WriteLine(12345.678m.ToString(\"#,##0.00;(#,##0.00);zero\"));", "12,345.68\n"},
      {"Console.WriteLine(\"{0,10:N2}|{1,-8}|{2:P1}\", 1234.5m, \"ink\", 0.256);",
       "  1,234.50|ink     |25.6 %\n"},
      {"Console.WriteLine(1234567.891.ToString(\"N2\", CultureInfo.GetCultureInfo(\"hi-IN\")));",
       "12,34,567.89\n"},
      {"var culture = new CultureInfo(\"de-DE\"); Console.WriteLine(1234.5.ToString(\"N2\", "
       "culture));",
       "1.234,50\n"},
      {"CultureInfo.CurrentCulture = new CultureInfo(\"fr-FR\"); "
       "Console.WriteLine($\"{1234.5:N2}\");",
       "1 234,50\n"},
      {"Thread.CurrentThread.CurrentCulture = new CultureInfo(\"de-DE\"); "
       "Console.WriteLine(1234.5);",
       "1234,5\n"},
      {"var d = new DateTime(2031, 5, 9); Console.WriteLine($\"{d:d} {d:t}\");",
       "05/09/2031 00:00\n"},
      {"Console.WriteLine(CultureInfo.GetCultureInfo(\"de-DE\").DateTimeFormat.GetMonthName(5));",
       "Mai\n"},
      {"Console.WriteLine(new CultureInfo(\"en-US\").NumberFormat.CurrencySymbol);", "$\n"},
      {"Console.WriteLine(1e6m);", "1000000\n"},
  };
  support::check_lines("csharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("csharp", line.source, {});
}
