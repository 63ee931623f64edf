#!/usr/bin/env python3
"""Records what java.util.Formatter prints of the classes of java.time.

    tools/record/java_times.py [SEED]           writes tests/vectors/java-times.jsonl
    tools/record/java_times.py --live SEED      fewer cases, to standard output
    tools/record/java_times.py --names          writes src/dialect/java/names.inc
"""

import pathlib
import re
import subprocess
import sys
import tempfile

import java
from recording import Times, needs, write_cases

count = 6000
live_count = 2000
locales = ["de-DE", "fr-FR", "en-US", "ja-JP", "pl-PL", "tr-TR", "hi-IN", "ar-EG", "es-ES", "sv-SE"]
letters = "HIklMSLNpzZsQBbhAaCYyjmdeRTrDFc"

names_source = """
import java.text.*; import java.util.*;
public class Names {
  static void list(String[] all, int from) {
    System.out.print("{");
    for (int i = from; i < all.length && i < from + (from == 0 ? 12 : 7); ++i) System.out.print((i > from ? ", " : "") + quoted(all[i]));
    System.out.print("}, ");
  }
  static String quoted(String text) { return "\\"" + text + "\\""; }
  public static void main(String[] tags) {
    for (String tag : tags) {
      Locale locale = tag.equals("root") ? Locale.ROOT : Locale.forLanguageTag(tag);
      DateFormatSymbols symbols = DateFormatSymbols.getInstance(locale);
      System.out.print("{" + quoted(tag) + ", ");
      list(symbols.getMonths(), 0); list(symbols.getShortMonths(), 0); list(symbols.getWeekdays(), 1); list(symbols.getShortWeekdays(), 1);
      Calendar morning = new GregorianCalendar(2031, 0, 1, 1, 0), evening = new GregorianCalendar(2031, 0, 1, 13, 0);
      System.out.println(quoted(String.format(locale, "%tp", morning)) + ", " + quoted(String.format(locale, "%tp", evening)) + ", "
          + quoted(String.format(locale, "%tr", morning).split(" ", 2)[1]) + ", " + quoted(String.format(locale, "%tr", evening).split(" ", 2)[1]) + "},");
    }
  }
}
"""


def write_names():
    tags = re.findall(r'^    \{"([A-Za-z-]+)",', (java.root / "src/dialect/java/locales.cpp").read_text(), re.M)
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "Names.java"
        source.write_text(names_source, encoding="utf-8")
        text = subprocess.run(["java", "-Dfile.encoding=UTF-8", source, *tags], check=True, capture_output=True).stdout.decode("utf-8")
    (java.root / "src/dialect/java/names.inc").write_text(text, encoding="utf-8")


class Maker(java.Maker):
    """Templates of %t, with moments, dates, times and durations."""

    def __init__(self, seed):
        super().__init__(seed)
        self.times = Times(self.random)

    def when(self):
        r = self.random
        kind = r.choice(["moment", "moment", "offset", "offset", "date", "time", "duration"])
        if kind == "duration":
            nanos = self.times.nanoseconds()
            return {"duration": self.times.duration(nanos)}, "Duration.ofSeconds(%dL, %dL)" % divmod(nanos, 10 ** 9)
        year, month, day = self.times.date()
        hour, minute, second, nano = self.times.clock(9)
        date = "%04d-%02d-%02d" % (year, month, day)
        clock = "%02d:%02d:%02d.%09d" % (hour, minute, second, nano)
        of_date, of_time = "LocalDate.of(%d, %d, %d)" % (year, month, day), "LocalTime.of(%d, %d, %d, %d)" % (hour, minute, second, nano)
        if kind == "date":
            return {"date": date}, of_date
        if kind == "time":
            return {"time": clock}, of_time
        if kind == "moment":
            return {"moment": date + "T" + clock}, "LocalDateTime.of(%s, %s)" % (of_date, of_time)
        offset = self.times.offset()
        return ({"moment": date + "T" + clock + self.times.offset_text(offset)},
                "OffsetDateTime.of(%s, %s, ZoneOffset.ofTotalSeconds(%d))" % (of_date, of_time, offset * 60))

    def long(self):
        value = self.random.choice([0, -1, 1936094707250, self.random.randrange(-10 ** 12, 10 ** 13)])
        return {"i64": str(value)}, "%dL" % value

    def field(self, values):
        r = self.random
        kind = r.random()
        if kind < 0.1:
            values.append(self.when())
            return "%" + r.choice(["", "", "-30", "30"]) + r.choice("ssssSbhd")
        again = values and r.random() < 0.45
        letter = r.choice(letters) if r.random() < 0.98 else r.choice("XuVnq%")
        flags = "<" if again else ""
        width = ""
        if r.random() < 0.15:
            width = str(r.randrange(1, 30))
            flags += r.choice(["", "-"])
        if r.random() < 0.01:
            flags += r.choice("-#+ 0,(")
        if r.random() < 0.005:
            width += ".3"
        if not again:
            if kind < 0.15:
                values.append(self.long())
            elif kind < 0.17:
                values.append(r.choice([(None, "null"), ("x", '"x"'), ({"i32": "5"}, "5")]))
            else:
                values.append(self.when())
        return "%" + flags + width + r.choice("tttttT") + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.06:
            value = self.when()
            return {"values": [value[0]]}, [value[1]]
        template = ""
        for _ in range(r.choice([1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "-", ":", " ", "/"]) + self.field(values)
        request = {"template": template, "values": [value[0] for value in values]}
        if r.random() < 0.25:
            request["locale"] = r.choice(locales)
        return request, [value[1] for value in values]


def cases(seed, wanted):
    maker = Maker(seed)
    return java.asked([maker.case() for _ in range(wanted)])


def main():
    needs("javac --version")
    if sys.argv[1:] == ["--names"]:
        write_names()
        return
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_times.py"}
    write_cases(java.root / "tests/vectors/java-times.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
