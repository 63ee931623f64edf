#!/usr/bin/env python3
"""Writes what the running OpenJDK calls the time zones, in a few languages.

    tools/record/jdk_zone_name_table.py              writes src/dialect/java/zone_names.inc
"""

import pathlib
import subprocess
import tempfile

import zone_calls
import zone_table
from locale_table import lines_of, literal
from recording import needs

root = pathlib.Path(__file__).resolve().parents[2]
languages = ["root", "en", "en-GB", "en-CA", "en-AU", "de", "fr", "es", "it"]

program = r"""
import java.io.*;
import java.nio.charset.StandardCharsets;
import java.time.*;
import java.time.format.*;
import java.util.*;

public class Ask {
  static String names(TimeZone zone, Locale locale) {
    return zone.getDisplayName(false, 0, locale) + "|" + zone.getDisplayName(true, 0, locale) + "|" + zone.getDisplayName(false, 1, locale) + "|" + zone.getDisplayName(true, 1, locale);
  }
  public static void main(String[] languages) {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    for (String id : new TreeSet<>(ZoneId.getAvailableZoneIds())) {
      StringBuilder line = new StringBuilder(id);
      for (String language : languages) line.append("\t").append(names(TimeZone.getTimeZone(id), language.equals("root") ? Locale.ROOT : Locale.forLanguageTag(language)));
      out.println(line);
    }
    // Since when it is summer time, and since when not, to six hours.
    for (String id : new TreeSet<>(ZoneId.getAvailableZoneIds())) {
      StringBuilder line = new StringBuilder("*" + id);
      boolean last = false;
      for (long second = 0; second < 2130000000L; second += 6 * 3600) {
        boolean now = ZoneId.of(id).getRules().isDaylightSavings(Instant.ofEpochSecond(second));
        if (now != last) line.append("\t").append(second);
        last = now;
      }
      out.println(line);
    }
    // What stands for Greenwich where it is not GMT.
    for (Locale locale : Locale.getAvailableLocales()) {
      String text = DateTimeFormatter.ofPattern("O", locale).format(OffsetDateTime.of(2031, 5, 9, 14, 5, 0, 0, ZoneOffset.UTC));
      if (!text.equals("GMT")) out.println("+" + locale.toLanguageTag() + "\t" + text);
    }
    // The locales that say what their language says.
    for (String language : languages) {
      StringBuilder line = new StringBuilder("=" + language);
      for (Locale locale : Locale.getAvailableLocales()) {
        if (!locale.getLanguage().equals(Locale.forLanguageTag(language).getLanguage())) continue;
        boolean same = true;
        for (String id : ZoneId.getAvailableZoneIds()) same &= names(TimeZone.getTimeZone(id), locale).equals(names(TimeZone.getTimeZone(id), Locale.forLanguageTag(language)));
        if (same) line.append("\t").append(locale.toLanguageTag());
      }
      out.println(line);
    }
  }
}
"""


def inversions(name, seconds):
    """Where the two differ for longer than a day: from one second until another, or for ever where they differ in July of 2037."""
    zone = zone_table.Zone((zone_table.machine / name).read_bytes())
    last = 2130000000
    changes = [second for second, _ in zone.changes if second < last]
    out = []
    bounds = sorted({0, *changes, *seconds, last})
    for begin, end in zip(bounds, bounds[1:]):
        middle = (begin + end) // 2
        before = [kind for second, kind in zone.changes if second <= middle]
        is_summer = bool((before[-1] if before else zone.first)[1])
        is_java = sum(second <= middle for second in seconds) % 2 == 1
        if is_java != is_summer:
            out.append([begin, end])
    day = 86400
    joined = []
    for begin, end in out:
        if joined and begin - joined[-1][1] < day:
            joined[-1][1] = end
        else:
            joined.append([begin, end])
    return [(begin, 2**32 - 1 if end == last else end) for begin, end in joined if end - begin > day]


def main():
    needs("javac --version")
    with tempfile.TemporaryDirectory() as folder:
        file = pathlib.Path(folder) / "Ask.java"
        file.write_text(program, encoding="utf-8")
        ran = subprocess.run(["java", "-Duser.language=en", str(file), *languages], check=True, capture_output=True).stdout.decode()
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()[1]
    ours = set(zone_calls.every())
    lines = [line.split("\t") for line in ran.splitlines()]
    zones = [line for line in lines if line[0][0] not in "=+*" and line[0] in ours]
    tags = {"root": 0}
    for line in lines:
        if line[0].startswith("="):
            tags.update({tag: languages.index(line[0][1:]) for tag in line[1:]})
    texts = {}
    for _, *names in zones:
        for text in names:
            texts.setdefault(text, len(texts))
    out = ["// Written by tools/record/jdk_zone_name_table.py from OpenJDK %s; do not edit." % version]
    out += ["constexpr std::string_view java_zones[] = {"] + lines_of([literal(line[0]) for line in zones]) + ["};"]
    out += ["// Short, short in summer, long, long in summer.", "constexpr std::string_view java_zone_texts[] = {"] + lines_of([literal(text) for text in texts]) + ["};"]
    out += ["constexpr std::array<std::uint16_t, %d> java_zone_names[] = {" % len(languages)]
    out += lines_of(["{" + ",".join(str(texts[text]) for text in names) + "}" for _, *names in zones]) + ["};"]
    out += ["constexpr std::pair<std::string_view, int> java_zone_languages[] = {"]
    out += lines_of(["{%s,%d}" % (literal(tag), at) for tag, at in sorted(tags.items())]) + ["};"]
    greenwich = sorted((line[0][1:], line[1]) for line in lines if line[0].startswith("+"))
    out += ["constexpr std::pair<std::string_view, std::string_view> java_greenwich[] = {"] + lines_of(["{%s,%s}" % (literal(tag), literal(text)) for tag, text in greenwich]) + ["};"]
    out += ["// Where Java has summer time while tzdata has it not, and the other way round.", "constexpr ZoneInversion java_inversions[] = {"]
    for line in lines:
        if line[0][0] == "*" and line[0][1:] in ours:
            out += ["{%s,%d,%d}," % (literal(line[0][1:]), begin, end) for begin, end in inversions(line[0][1:], [int(second) for second in line[1:]])]
    out += ["};"]
    (root / "src/dialect/java/zone_names.inc").write_text("\n".join(out) + "\n", encoding="utf-8")
    print(len(zones), "zones,", len(texts), "texts,", len(tags), "locales")


if __name__ == "__main__":
    main()
