#!/usr/bin/env python3
"""Writes how long the months of the Um al-Qura calendar are, as .NET has it.

    tools/record/dotnet_calendar_table.py          writes src/dialect/csharp/um_al_qura.inc
"""


import csharp
from locale_table import lines_of
from recording import needs

program = r"""
using System;
using System.Globalization;

static class Program {
  static void Main() {
    Console.WriteLine(Environment.Version);
    var calendar = new UmAlQuraCalendar();
    Console.WriteLine((calendar.MinSupportedDateTime - new DateTime(1970, 1, 1)).Days);
    int first = calendar.GetYear(calendar.MinSupportedDateTime), last = calendar.GetYear(calendar.MaxSupportedDateTime);
    Console.WriteLine(first);
    for (int year = first; year <= last; ++year) {
      int longMonths = 0;
      for (int month = 1; month <= 12; ++month) longMonths |= (calendar.GetDaysInMonth(year, month) - 29) << (month - 1);
      Console.WriteLine(longMonths);
    }
  }
}
"""


def main():
    needs("dotnet --version")
    version, first_day, first_year, *years = csharp.printed_by(program).splitlines()
    out = ["// Written by tools/record/dotnet_calendar_table.py from .NET %s; do not edit." % version,
           "constexpr int first_day = %s;  // from 1970-01-01" % first_day,
           "constexpr int first_year = %s;" % first_year,
           "// Of each year a bit for each month, from the lowest: it has 30 days, else 29.",
           "constexpr std::uint16_t long_months[] = {"]
    out += lines_of(years, 96) + ["};"]
    (csharp.root / "src/dialect/csharp/um_al_qura.inc").write_text("\n".join(out) + "\n")
    print(len(years), "years")


if __name__ == "__main__":
    main()
