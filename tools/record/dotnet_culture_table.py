#!/usr/bin/env python3
"""Writes what every culture of the running .NET has for numbers, dates and times.

    tools/record/dotnet_culture_table.py              writes src/dialect/csharp/cultures.inc
"""

import json

import csharp
import locale_table
from recording import needs

program = r"""
using System;
using System.Globalization;
using System.Linq;
using System.Text.Json;

static class Program {
  static string Sizes(int[] sizes) => string.Join(",", sizes);
  static string List(string[] names) => string.Join("|", names.Take(12));

  static readonly string[] PositiveCurrency = { "$n", "n$", "$ n", "n $" };
  static readonly string[] NegativeCurrency = { "($n)", "-$n", "$-n", "$n-", "(n$)", "-n$", "n-$", "n$-", "-n $", "-$ n",
                                                "n $-", "$ n-", "$ -n", "n- $", "($ n)", "(n $)", "$- n" };
  static readonly string[] PositivePercent = { "n %", "n%", "%n", "% n" };
  static readonly string[] NegativePercent = { "-n %", "-n%", "-%n", "%-n", "%n-", "n-%", "n%-", "-% n", "n %-", "% n-", "% -n", "n- %" };

  static void Main() {
    CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
    var version = typeof(object).Assembly.GetType("Interop+Globalization")
        ?.GetMethod("GetICUVersion", System.Reflection.BindingFlags.Static | System.Reflection.BindingFlags.NonPublic)?.Invoke(null, null);
    Console.WriteLine(JsonSerializer.Serialize(new[] { Environment.Version.ToString(), version == null ? "" : ((int)version >> 24) + "." + (((int)version >> 16) & 255) }));
    // Those without their script are not listed, and most written: zh-CN.
    var names = CultureInfo.GetCultures(CultureTypes.AllCultures).Select(culture => culture.Name).ToHashSet();
    foreach (var parts in names.Select(name => name.Split('-')).Where(parts => parts.Length == 3 && parts[1].Length == 4).ToList())
      names.Add(parts[0] + "-" + parts[2]);
    foreach (var culture in names.OrderBy(name => name, StringComparer.Ordinal).Select(CultureInfo.GetCultureInfo)) {
      var n = culture.NumberFormat;
      var d = culture.DateTimeFormat;
      if (n.NumberNegativePattern != 1 || n.NegativeInfinitySymbol != n.NegativeSign + n.PositiveInfinitySymbol
          || n.PercentDecimalSeparator != n.NumberDecimalSeparator || n.PercentGroupSeparator != n.NumberGroupSeparator
          || Sizes(n.PercentGroupSizes) != Sizes(n.NumberGroupSizes) || n.PercentDecimalDigits != n.NumberDecimalDigits)
        if (culture.Name != "") throw new Exception("a form that the table has no place for: " + culture.Name);
      Console.WriteLine(JsonSerializer.Serialize(new[] {
        culture.Name == "" ? "invariant" : culture.Name,
        n.NumberDecimalSeparator, n.NumberGroupSeparator, Sizes(n.NumberGroupSizes), n.NegativeSign, n.PositiveSign, n.NaNSymbol,
        n.PositiveInfinitySymbol, n.PercentSymbol, n.PerMilleSymbol, n.CurrencySymbol, n.CurrencyDecimalSeparator,
        n.CurrencyGroupSeparator, Sizes(n.CurrencyGroupSizes), "" + n.NumberDecimalDigits, "" + n.CurrencyDecimalDigits,
        PositiveCurrency[n.CurrencyPositivePattern], NegativeCurrency[n.CurrencyNegativePattern],
        PositivePercent[n.PercentPositivePattern], NegativePercent[n.PercentNegativePattern],
        d.Calendar.GetType().Name.Replace("Calendar", ""), d.GetEraName(0), d.AMDesignator, d.PMDesignator, d.DateSeparator, d.TimeSeparator,
        List(d.DayNames), List(d.AbbreviatedDayNames), List(d.MonthNames), List(d.MonthGenitiveNames), List(d.AbbreviatedMonthNames),
        List(d.AbbreviatedMonthGenitiveNames), d.ShortDatePattern, d.LongDatePattern, d.FullDateTimePattern, d.ShortTimePattern,
        d.LongTimePattern, d.MonthDayPattern, d.YearMonthPattern }));
    }
  }
}
"""


def main():
    needs("dotnet --version")
    answers = csharp.printed_by(program).splitlines()
    (runtime, icu), *cultures = [json.loads(line) for line in answers]
    heading = ["Asked of NumberFormatInfo and DateTimeFormatInfo, .NET %s with ICU %s." % (runtime, icu), "Written by tools/record/dotnet_culture_table.py."]
    rows = [(culture[0], culture[1:]) for culture in cultures]
    (csharp.root / "src/dialect/csharp/cultures.inc").write_text(locale_table.table(heading, rows))


if __name__ == "__main__":
    main()
