// Lines with decimals and times, as people paste them. The texts are those that the runtimes printed
// of the same lines: CPython 3.11, .NET 10.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines of money and time in Python print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"from decimal import Decimal; print(Decimal(\"1.10\") * 3)", "3.30\n"},
      {"from decimal import Decimal; print(f\"{Decimal('19.99') * 3 + Decimal('0.07'):.2f}\")",
       "60.04\n"},
      {"from decimal import Decimal, ROUND_HALF_UP; "
       "print(Decimal(\"2.675\").quantize(Decimal(\"0.01\"), rounding=ROUND_HALF_UP))",
       "2.68\n"},
      {"from decimal import Decimal; print(Decimal(\"2.675\").quantize(Decimal(\"0.01\")))",
       "2.68\n"},
      {"import decimal; print(decimal.Decimal(1) / decimal.Decimal(7))",
       "0.1428571428571428571428571429\n"},
      {"from decimal import Decimal; print(Decimal(0.1))",
       "0.1000000000000000055511151231257827021181583404541015625\n"},
      {"from decimal import Decimal; print(Decimal(\"10\") // 3, Decimal(\"-10\") % 3, "
       "divmod(Decimal(\"10.5\"), 3))",
       "3 -1 (Decimal('3'), Decimal('1.5'))\n"},
      {"from decimal import Decimal; x = Decimal(\"1.10\"); print(x, repr(x), -x, abs(-x), x + 1, "
       "1 - x, x ** 2, x == 1.1, x == Decimal(\"1.1\"), x < 2)",
       "1.10 Decimal('1.10') -1.10 1.10 2.10 -0.10 1.2100 False True True\n"},
      {"from decimal import Decimal; print(sum([Decimal(\"0.1\")] * 3), 0.1 + 0.1 + 0.1)",
       "0.3 0.30000000000000004\n"},
      {"from decimal import Decimal; print(round(Decimal(\"2.675\"), 2), round(Decimal(\"2.5\")), "
       "int(Decimal(\"-2.7\")), float(Decimal(\"1.10\")))",
       "2.68 2 -2 1.1\n"},
      {"from decimal import Decimal; print(Decimal(\"2\").sqrt(), Decimal(\"9.00\").sqrt(), "
       "Decimal(\"1.500\").normalize(), Decimal(\"100\").normalize())",
       "1.414213562373095048801688724 3.0 1.5 1E+2\n"},
      {"from decimal import Decimal; print(max(Decimal(\"1.5\"), 2), sorted([Decimal(\"3\"), 1, "
       "Decimal(\"2.5\")]), bool(Decimal(\"0.00\")))",
       "2 [1, Decimal('2.5'), Decimal('3')] False\n"},
      {"from decimal import Decimal; print(\"%.2f %s\" % (Decimal(\"1.005\"), Decimal(\"1.005\")))",
       "1.00 1.005\n"},
      {"from decimal import Decimal; print(Decimal(\"1.1\") + 1.1)", nullptr},
      {"from decimal import Decimal; print(Decimal(\"abc\"))", nullptr},
      {"from decimal import Decimal; print(Decimal(1) / 0)", nullptr},
      {"from decimal import Decimal; print(Decimal(\"1.05\") ** -3, Decimal(2) ** 100, "
       "Decimal(\"1.1\") ** 40)",
       "0.8638375985314760824964906598 1.267650600228229401496703205E+30 "
       "45.25925556817595180588935603\n"},
      {"from decimal import Decimal; prices = [Decimal(p) for p in [\"1.10\", \"2.20\"]]; "
       "print(f\"{sum(prices):>10}\")",
       "      3.30\n"},
      {"from decimal import Decimal; print(Decimal(\"1e3\") + 1, Decimal(\"0.1\") - "
       "Decimal(\"0.1\"), Decimal(\"-0.0\") + 0, -Decimal(\"0\"))",
       "1001 0.0 0.0 0\n"},
      {"from decimal import Decimal; print([Decimal(\"1.10\")], {\"a\": Decimal(\"2\")}, "
       "Decimal(\"12.34\").to_integral_value(), Decimal(\"12.34\").adjusted())",
       "[Decimal('1.10')] {'a': Decimal('2')} 12 1\n"},
      {"from decimal import Decimal; print(list(map(Decimal, [\"1.0\", \"2\"])), "
       "str(Decimal(\"1E+5\")), f\"{Decimal('1E+5'):,}\")",
       "[Decimal('1.0'), Decimal('2')] 1E+5 1E+5\n"},
      {"import datetime; print(datetime.datetime(2031, 5, 9, 14, 5, 7))", "2031-05-09 14:05:07\n"},
      {"from datetime import datetime, timedelta; print(datetime(2031, 5, 9) + timedelta(days=1, "
       "hours=2.5))",
       "2031-05-10 02:30:00\n"},
      {"from datetime import date; print(date(2031, 5, 9).strftime(\"%d/%m/%Y\"), f\"{date(2031, "
       "5, 9):%A, %-d %B %Y}\")",
       "09/05/2031 Friday, 9 May 2031\n"},
      {"from datetime import datetime; d = datetime(2031, 5, 9, 14, 5); print(f\"{d:%Y-%m-%d "
       "%H:%M}\", d.isoformat(), repr(d), d.year, d.weekday())",
       "2031-05-09 14:05 2031-05-09T14:05:00 datetime.datetime(2031, 5, 9, 14, 5) 2031 4\n"},
      {"from datetime import date; print(date(2031, 12, 25) - date(2031, 5, 9), (date(2031, 12, "
       "25) - date(2031, 5, 9)).days)",
       "230 days, 0:00:00 230\n"},
      {"from datetime import timedelta; print(timedelta(hours=26, minutes=30), "
       "repr(timedelta(seconds=-1)), timedelta(minutes=90).total_seconds(), timedelta(hours=1) / "
       "timedelta(minutes=7), timedelta(hours=1) * 3, -timedelta(hours=1))",
       "1 day, 2:30:00 datetime.timedelta(days=-1, seconds=86399) 5400.0 8.571428571428571 3:00:00 "
       "-1 day, 23:00:00\n"},
      {"from datetime import datetime; print(datetime(2031, 5, 9) < datetime(2032, 1, 1), "
       "datetime(2031, 5, 9) == datetime(2031, 5, 9), datetime(2031,5,9,14,5).date(), "
       "datetime(2031,5,9,14,5).time())",
       "True True 2031-05-09 14:05:00\n"},
      {"from datetime import datetime; print(datetime(2031, 2, 30))", nullptr},
      {"import datetime; print(datetime.date.fromisoformat(\"2031-05-09\"), "
       "datetime.datetime.fromisoformat(\"2031-05-09T14:05:07\"))",
       "2031-05-09 2031-05-09 14:05:07\n"},
      {"from datetime import timedelta; print(timedelta(hours=1) // timedelta(minutes=7), "
       "timedelta(hours=1) % timedelta(minutes=7), timedelta(hours=1) // 7, timedelta(hours=1) / "
       "7)",
       "8 0:04:00 0:08:34.285714 0:08:34.285714\n"},
      {"from datetime import date, timedelta; print(date(2031, 5, 9) + timedelta(hours=30), "
       "date(2031, 5, 9) - timedelta(hours=30), date(9999,12,31) + timedelta(days=1))",
       nullptr},
      {"from datetime import timedelta; print(timedelta(999999999) , timedelta(weeks=1, days=1, "
       "milliseconds=5))",
       "999999999 days, 0:00:00 8 days, 0:00:00.005000\n"},
      {"from datetime import time; print(time(14, 5), repr(time(14,5,7,250)), "
       "f\"{time(14,5):%H.%M}\", time(1,2) < time(2,1))",
       "14:05:00 datetime.time(14, 5, 7, 250) 14.05 True\n"},
      {"from datetime import datetime; print(datetime(2031, 5, 9, hour=14, "
       "minute=5).strftime(\"%I:%M %p\"))",
       "02:05 PM\n"},
      {"from datetime import timedelta; print(timedelta(hours=-3)/timedelta(hours=-1))", "3.0\n"},
      {"from datetime import timedelta; print(timedelta(hours=3)/timedelta(hours=-1))", "-3.0\n"},
      {"from datetime import timedelta; print(timedelta(hours=-3)/timedelta(hours=2))", "-1.5\n"},
      {"from datetime import timedelta; print(timedelta(hours=3)/-2)", "-1 day, 22:30:00\n"},
      {"from datetime import timedelta; print(timedelta(hours=3)//-7)",
       "-1 day, 23:34:17.142857\n"},
      {"from datetime import timedelta; "
       "print(timedelta(microseconds=1)/timedelta(microseconds=-1))",
       "-1.0\n"},
      {"from datetime import timedelta; print(timedelta(0)/timedelta(hours=-1), "
       "timedelta(0)/timedelta(hours=1), timedelta(hours=7)//timedelta(hours=-2), "
       "timedelta(hours=7)%timedelta(hours=-2))",
       "-0.0 0.0 -4 -1 day, 23:00:00\n"},
      {"from datetime import timedelta; print(-timedelta(hours=3)*-2, abs(timedelta(hours=-3)), "
       "timedelta(days=1)//-3)",
       "6:00:00 3:00:00 -1 day, 16:00:00\n"},
  };
  support::check_lines("python", lines);
  for (const PastedLine& line : lines) support::check_beginnings("python", line.source, {});
}

TEST_CASE("lines of money and time in C# print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"decimal price = 19.99m; Console.WriteLine($\"{price * 3 + 0.07m:F2}\");", "60.04\n"},
      {"decimal price = 19.99m; int n = 3; Console.WriteLine(\"{0:C} {1:N3}\", price * n, price / "
       "n);",
       "¤59.97 6.663\n"},
      {"Console.WriteLine(1.10m * 3);", "3.30\n"},
      {"Console.WriteLine(1m / 3);", "0.3333333333333333333333333333\n"},
      {"Console.WriteLine(2m / 3m + \" \" + 10m / 4 + \" \" + 1.00m / 1m + \" \" + 1.0m / 4m + \" "
       "\" + 100m / 8m);",
       "0.6666666666666666666666666667 2.5 1.00 0.25 12.5\n"},
      {"Console.WriteLine(0.1m + 0.2m == 0.3m);", "True\n"},
      {"Console.WriteLine(0.1 + 0.2 == 0.3);", "False\n"},
      {"Console.WriteLine(Math.Round(2.675m, 2));", "2.68\n"},
      {"Console.WriteLine(Math.Round(2.665m, 2, MidpointRounding.AwayFromZero));", "2.67\n"},
      {"Console.WriteLine($\"{Math.Round(2.5m)} {Math.Floor(-2.5m)} {Math.Ceiling(2.1m)} "
       "{Math.Truncate(2.99m)} {Math.Abs(-1.50m)}\");",
       "2 -3 3 2 1.50\n"},
      {"Console.WriteLine((decimal)0.1 + \" \" + (decimal)1.1f + \" \" + (double)1.10m + \" \" + "
       "(int)2.99m);",
       "0.1 1.1 1.1 2\n"},
      {"Console.WriteLine(decimal.Parse(\"1.10\") + 1);", "2.10\n"},
      {"Console.WriteLine(10.5m % 3 + \" \" + -10.5m % 3m + \" \" + 1m % 3.00m);", "1.5 -1.5 1\n"},
      {"var items = new List<decimal> { 1.10m, 2.25m, 0.05m }; Console.WriteLine(items.Sum() + \" "
       "\" + items.Max() + \" \" + items.Average());",
       "3.40 2.25 1.1333333333333333333333333333\n"},
      {"decimal total = 0; total += 9.55m; total += 1; Console.WriteLine(total.ToString(\"F3\"));",
       "10.550\n"},
      {"decimal x = 5; Console.WriteLine(x / 2);", "2.5\n"},
      {"Console.WriteLine(decimal.MaxValue);", "79228162514264337593543950335\n"},
      {"Console.WriteLine(1.1m + 1.1);", nullptr},
      {"decimal d = 1.5; Console.WriteLine(d);", nullptr},
      {"Console.WriteLine(-1.50m + \" \" + +2m + \" \" + (1.50m > 1.5m) + \" \" + (1.50m == "
       "1.5m));",
       "-1.50 2 False True\n"},
      {"decimal r = 0.0825m; decimal amount = 1249.99m; Console.WriteLine($\"Tax: {amount * "
       "r:0.00}, total {amount * (1 + r):#,##0.00}\");",
       "Tax: 103.12, total 1,353.11\n"},
      {"Console.WriteLine(string.Format(\"{0,10:F2}|{1,-10}|\", 12.345m, 1.0m));",
       "     12.35|1.0       |\n"},
      {"decimal zero = 0m; Console.WriteLine(1m / zero);", nullptr},
      {"Console.WriteLine(79228162514264337593543950335m + 1m);", nullptr},
      {"var t = true ? 1.5m : 2; Console.WriteLine(t);", "1.5\n"},
      {"Console.WriteLine(0.00m * 12345678901234567890.0m + \"|\" + 0.00m * 5.0m + \"|\" + "
       "1.0000000000000000000000000001m * 1.0000000000000000000000000001m);",
       "0|0.000|1.0000000000000000000000000002\n"},
      {"Console.WriteLine(1.10m.ToString());", "1.10\n"},
      {"Console.WriteLine($\"{1.10m} {1.10m:G} {1234567.891m:N} {0.256m:P1} {1e3m}\");",
       "1.10 1.10 1,234,567.89 25.6 % 1000\n"},
      {"const decimal rate = 1.07m; Console.WriteLine(rate * 100);", "107.00\n"},
      {"Console.WriteLine(100m * 1.19m + \" \" + 19.99m * 0.19m + \" \" + 7m / 12m);",
       "119.00 3.7981 0.5833333333333333333333333333\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"yyyy-MM-dd\"));", "2031-05-09\n"},
      {"Console.WriteLine(new DateTime(2031, 12, 25) - new DateTime(2031, 5, 9));",
       "230.00:00:00\n"},
      {"Console.WriteLine((new DateTime(2031, 12, 25) - new DateTime(2031, 5, 9)).Days);", "230\n"},
      {"Console.WriteLine(TimeSpan.FromMinutes(90));", "01:30:00\n"},
      {"Console.WriteLine($\"{TimeSpan.FromSeconds(3661):hh\\\\:mm\\\\:ss} {new TimeSpan(1, 2, "
       "3):c} {TimeSpan.FromHours(26.5).TotalMinutes}\");",
       "01:01:01 01:02:03 1590\n"},
      {"Console.WriteLine(new DateOnly(2031, 5, 9).ToString(\"d MMMM yyyy\") + \" \" + new "
       "TimeOnly(14, 5));",
       "9 May 2031 14:05\n"},
      {"Console.WriteLine(new DateTimeOffset(2031, 5, 9, 14, 5, 7, "
       "TimeSpan.FromHours(2)).ToString(\"o\"));",
       "2031-05-09T14:05:07.0000000+02:00\n"},
      {"Console.WriteLine(new DateTime(2031, 1, 31).AddMonths(1).ToShortDateString());",
       "02/28/2031\n"},
      {"Console.WriteLine(DateTime.Parse(\"2031-05-09\").AddHours(5).ToString(\"s\"));",
       "2031-05-09T05:00:00\n"},
      {"Console.WriteLine(\"{0:D} at {0:t}\", new DateTime(2031, 5, 9, 14, 5, 0));",
       "Friday, 09 May 2031 at 14:05\n"},
      {"Console.WriteLine(new DateTime(2031,5,9) < new DateTime(2031,5,10));", "True\n"},
      {"Console.WriteLine(new DateTime(2031, 2, 30));", nullptr},
      {"Console.WriteLine(new DateTime(2031,5,9).AddDays(1.5) + \" \" + new "
       "DateTime(2031,5,9).AddYears(-1) + \" \" + new "
       "DateTime(2032,2,29).AddYears(1).ToString(\"d\"));",
       "05/10/2031 12:00:00 05/09/2030 00:00:00 02/28/2033\n"},
      {"Console.WriteLine(TimeSpan.FromHours(1) + TimeSpan.FromMinutes(30) - "
       "TimeSpan.FromSeconds(1));",
       "01:29:59\n"},
      {"Console.WriteLine(-TimeSpan.FromMinutes(5) + \" \" + TimeSpan.FromDays(2).Hours + \" \" + "
       "TimeSpan.FromHours(49.5).Days + \" \" + TimeSpan.FromHours(1) / TimeSpan.FromMinutes(7));",
       "-00:05:00 0 2 8.571428571428571\n"},
      {"TimeSpan t = TimeSpan.FromMinutes(125); Console.WriteLine($\"{t.Hours}h {t.Minutes}m "
       "({t.TotalHours:F2})\");",
       "2h 5m (2.08)\n"},
      {"DateTime when = new DateTime(2031, 5, 9, 14, 5, 0); Console.WriteLine($\"{when:t} "
       "{when.TimeOfDay} {when.Date:d} {when + TimeSpan.FromHours(12):g}\");",
       "14:05 14:05:00 05/09/2031 05/10/2031 02:05\n"},
      {"Console.WriteLine(new DateTime(9999, 12, 31).AddDays(1));", nullptr},
      {"Console.WriteLine(new TimeOnly(1, 0) - new TimeOnly(23, 0));", "02:00:00\n"},
      {"Console.WriteLine(new DateOnly(2031, 5, 9).AddDays(30) + \" \" + new "
       "DateOnly(2031,5,9).DayOfYear);",
       "06/08/2031 129\n"},
  };
  support::check_lines("csharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("csharp", line.source, {});
}

TEST_CASE("lines of money and time in F# print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"printfn \"%M\" (1.10M * 3M)", "3.30\n"},
      {"printfn \"%.2f %M\" (19.99M * 3.0M) (1M / 3M)", "59.97 0.3333333333333333333333333333\n"},
      {"printfn $\"{1.10M} {1234.5M:N2} {0.256M:P1} {5M:C}\"", "1.10 1,234.50 25.6 % ¤5.00\n"},
      {"printfn \"%M\" (decimal 3 + 0.5M)", "3.5\n"},
      {"printfn \"%A %O %s\" 1.50M 1.50M (string 1.50M)", "1.50M 1.50 1.50\n"},
      {"printfn \"%M %M %M %M\" (round 2.5M) (floor -2.5M) (ceil 2.1M) (truncate 2.99M)",
       "2 -3 3 2\n"},
      {"printfn \"%b %b\" (0.1M + 0.2M = 0.3M) (1.50M > 1.5M)", "true false\n"},
      {"printfn \"%M %M\" (abs -1.50M) (max 1.0M 2.50M)", "1.50 2.50\n"},
      {"printfn \"%M\" (List.sum [1.10M; 2.25M])", "3.35\n"},
      {"printfn \"%M\" (List.average [1.10M; 2.25M])", "1.675\n"},
      {"printfn \"%f %d\" (float 1.10M) (int 2.99M)", "1.100000 2\n"},
      {"printfn \"%M\" (decimal \"1.10\" + decimal 0.1)", "1.20\n"},
      {"printfn \"%M\" (10.5M % 3M)", "1.5\n"},
      {"printfn \"%M\" (1M + 1)", nullptr},
      {"printfn \"%M\" (Math.Round(2.675M, 2))", "2.68\n"},
      {"printfn \"%s\" ((1.5M).ToString(\"F3\"))", "1.500\n"},
      {"printfn \"%10.2f|%-10M|\" 12.345M 1.0M", "     12.35|1.0       |\n"},
  };
  support::check_lines("fsharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("fsharp", line.source, {});
}
