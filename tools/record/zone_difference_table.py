#!/usr/bin/env python3
"""Writes until when the databases of zones that Node.js and OpenJDK bring with them differ from the table.

    tools/record/zone_difference_table.py              writes src/dialect/family/zone_differences.inc

Each zone is asked a second before and at each change that the table has, and in the middle of each month to 2040.
"""

import calendar
import datetime
import json
import pathlib
import subprocess
import tempfile
import zoneinfo

import zone_calls
import zone_table
from locale_table import lines_of, literal
from recording import needs

root = pathlib.Path(__file__).resolve().parents[2]

node = r"""
for (const line of require("fs").readFileSync(0, "utf8").trim().split("\n")) {
  const [zone, ...seconds] = line.split(" ");
  const form = new Intl.DateTimeFormat("en-US", { timeZone: zone, timeZoneName: "longOffset" });
  const offset = (second) => {
    const text = form.formatToParts(new Date(second * 1000)).find((part) => part.type === "timeZoneName").value;
    const [, sign, hours, minutes, rest] = /GMT(?:([+-])(\d\d):(\d\d)(?::(\d\d))?)?/.exec(text);
    return (sign === "-" ? -1 : 1) * ((hours | 0) * 3600 + (minutes | 0) * 60 + (rest | 0));
  };
  console.log([zone, ...seconds.map(offset)].join(" "));
}
"""

java = r"""
import java.io.*;
import java.time.*;
import java.util.*;

public class Ask {
  public static void main(String[] arguments) throws IOException {
    BufferedReader lines = new BufferedReader(new InputStreamReader(System.in));
    for (String line = lines.readLine(); line != null; line = lines.readLine()) {
      String[] parts = line.split(" ");
      if (!ZoneId.getAvailableZoneIds().contains(parts[0])) continue;
      StringBuilder out = new StringBuilder(parts[0]);
      for (int i = 1; i < parts.length; ++i) out.append(' ').append(ZoneId.of(parts[0]).getRules().getOffset(Instant.ofEpochSecond(Long.parseLong(parts[i]))).getTotalSeconds());
      System.out.println(out);
    }
  }
}
"""


def main():
    needs("javac --version")
    needs("node --version | grep -q v20")
    months = [calendar.timegm((year, month, 15, 0, 0, 0)) for year in range(1970, 2041) for month in range(1, 13)]
    seconds = {}
    for name in zone_calls.every():
        changes = [second for second, _ in zone_table.Zone((zone_table.machine / name).read_bytes()).changes]
        seconds[name] = sorted({*months, *changes, *(second - 1 for second in changes)})
    asked = "".join("%s %s\n" % (name, " ".join(map(str, times))) for name, times in seconds.items())
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "Ask.java"
        source.write_text(java)
        answers = [subprocess.run(command, input=asked, check=True, capture_output=True, text=True).stdout for command in (["node", "-e", node], ["java", str(source)])]
    until = {}
    for line in "".join(answers).splitlines():
        name, *offsets = line.split()
        zone = zoneinfo.ZoneInfo(name)
        for second, offset in zip(seconds[name], offsets, strict=True):
            own = datetime.datetime.fromtimestamp(second, zone).utcoffset().total_seconds()
            if own != int(offset):
                until[name] = max(until.get(name, 0), second)
    # From the next year on they agree.
    rows = [(name, calendar.timegm((datetime.datetime.fromtimestamp(second, datetime.timezone.utc).year + 1, 1, 1, 0, 0, 0))) for name, second in sorted(until.items())]
    out = ["// Written by tools/record/zone_difference_table.py; do not edit.", "constexpr ZoneDifference zone_differences[] = {"]
    out += lines_of(["{%s,%d}" % (literal(name), second) for name, second in rows]) + ["};"]
    (root / "src/dialect/family/zone_differences.inc").write_text("\n".join(out) + "\n")
    print(rows)


if __name__ == "__main__":
    main()
