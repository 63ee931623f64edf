#!/usr/bin/env python3
"""Writes which zone .NET takes for each name of a time zone that Windows has.

    tools/record/dotnet_zone_table.py              writes src/dialect/csharp/windows_zones.inc
"""

import csharp
import zone_calls
from locale_table import lines_of, literal
from recording import needs

program = r"""
using System;
using System.Collections.Generic;

static class Program {
  static void Main() {
    Console.WriteLine(Environment.Version);
    var names = new SortedSet<string>(StringComparer.Ordinal);
    foreach (var zone in "@ZONES".Split(' '))
      if (TimeZoneInfo.TryConvertIanaIdToWindowsId(zone, out var name)) names.Add(name);
    foreach (var name in names)
      if (TimeZoneInfo.TryConvertWindowsIdToIanaId(name, out var zone)) Console.WriteLine(name + "\t" + zone);
  }
}
"""


def main():
    needs("dotnet --version")
    version, *lines = csharp.printed_by(program.replace("@ZONES", " ".join(zone_calls.every()))).splitlines()
    rows = [line.split("\t") for line in lines]
    known = set(zone_calls.every())
    out = ["// Written by tools/record/dotnet_zone_table.py from .NET %s; do not edit." % version]
    out += ["constexpr std::pair<std::string_view, std::string_view> windows_zones[] = {"]
    out += lines_of(["{%s,%s}" % (literal(name), literal(zone)) for name, zone in rows if zone in known]) + ["};"]
    (csharp.root / "src/dialect/csharp/windows_zones.inc").write_text("\n".join(out) + "\n")
    print(len(rows), "names")


if __name__ == "__main__":
    main()
