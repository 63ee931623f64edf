#!/usr/bin/env python3
"""Records what java.text.DecimalFormat prints, under every rounding mode.

    tools/record/java_pattern.py [SEED]           writes tests/vectors/java-pattern.jsonl
    tools/record/java_pattern.py --live SEED      fewer cases, to standard output
"""

import pathlib
import subprocess
import sys
import tempfile

import locale_table
from java import Maker as Leaves
from java import literal
from recording import answered, needs, write_cases

count = 6000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]
often = ["de-DE", "fr-FR", "ar-EG", "hi-IN", "de-CH", "tr-TR", "pl-PL", "en-US", "sv-SE", "fa-IR", "ja-JP", "uk-UA", "bn-BD", "de-AT"]
roundings = {"half-even": "HALF_EVEN", "half-away": "HALF_UP", "half-toward": "HALF_DOWN", "up": "CEILING", "down": "FLOOR",
             "away": "UP", "toward": "DOWN"}

head = """
import java.io.*;
import java.math.*;
import java.nio.charset.StandardCharsets;
import java.text.*;
import java.util.*;

public class Record {
  static PrintStream out = new PrintStream(new BufferedOutputStream(new FileOutputStream(FileDescriptor.out)));
  static void line(String text) {
    StringBuilder line = new StringBuilder("=");
    for (byte b : text.getBytes(StandardCharsets.UTF_8))
      line.append(Character.forDigit(b >> 4 & 15, 16)).append(Character.forDigit(b & 15, 16));
    out.println(line);
  }
  interface Case { String ask(DecimalFormat format); }
  static void ask(String locale, String pattern, RoundingMode mode, Case asked) {
    Locale chosen = locale.isEmpty() ? Locale.ROOT : Locale.forLanguageTag(locale);
    try {
      DecimalFormat format = new DecimalFormat(pattern, DecimalFormatSymbols.getInstance(chosen));
      if (mode != null) format.setRoundingMode(mode);
      line(asked.ask(format));
    } catch (IllegalArgumentException exception) {
      out.println(exception.getClass().getSimpleName());
    }
  }
"""


class Maker:
    """Patterns with their values, each as the contract and as Java have it."""

    def __init__(self, seed):
        self.leaves = Leaves(seed)
        self.random = self.leaves.random
        self.locales = locale_table.Order(self.random, locale_table.tags_in(root / "src/dialect/java/locales.inc"), often)

    def value(self):
        r = self.random
        kind = r.random()
        if kind < 0.25:
            return self.leaves.whole()
        if kind < 0.95:
            return self.leaves.real()
        if kind < 0.97:
            character = r.choice("Kk09 ~\u03a9\u00df\u58a8")
            return {"char": character}, "(char)%d" % ord(character)
        text = self.leaves.values.text()
        return r.choice([(text, literal(text)), (True, "true"), (None, "(Object)null")])

    def digits(self):
        r = self.random
        if r.random() < 0.03:
            return "".join(r.choice("##00,.E") for _ in range(r.randrange(1, 8)))
        whole = "#" * r.choice([0, 0, 1, 1, 2, 3]) + "0" * r.choice([0, 1, 1, 1, 2, 3, 5])
        if r.random() < 0.4:
            size = r.choice([1, 2, 3, 3, 3, 4])
            whole = ("#,##" + whole) if r.random() < 0.5 else whole + "," + "0" * size
            if r.random() < 0.1:
                whole = "#,#" + whole
        fraction = ""
        if r.random() < 0.75:
            fraction = "." + "0" * r.choice([0, 1, 2, 2, 2, 3, 5]) + "#" * r.choice([0, 0, 0, 1, 2, 4, 15])
        exponent = "E" + "0" * r.choice([1, 1, 2, 3]) if r.random() < 0.2 else ""
        return (whole + fraction or "0") + exponent

    def affix(self):
        r = self.random
        if r.random() < 0.55:
            return ""
        return "".join(r.choice(["%", "\u2030", "\u00a4", "\u00a4\u00a4", "-", "'#'", "''", "'a,b'", " g", "+", "(", ")", "\u00e9", "kg ", "'%'", "E", "\\t", "\\u03a9",
                                 "/l", "'", "*"]) if r.random() < 0.97 else r.choice(["%", "0", ".", ";"]) for _ in range(r.choice([1, 1, 1, 2, 3])))

    def pattern(self):
        r = self.random
        if r.random() < 0.01:
            return r.choice(["", ";", "'", "#", "0", "abc", "''", "%"])
        out = self.affix() + self.digits() + self.affix()
        if r.random() < 0.15:
            out += ";" + r.choice(["-", "(", "", self.affix()]) + r.choice(["0", "#,##0.00", "#"]) + r.choice([")", "", "-", self.affix()])
        return out

    def case(self):
        r = self.random
        value = self.value()
        if r.random() < 0.04:
            return {"values": [value[0]]}, ("#,##0.###", value[1], "", None)
        request = {"template": self.pattern(), "values": [value[0]]}
        mode = None
        if r.random() < 0.5:
            mode = r.choice(list(roundings))
            request["rounding"] = mode
        if r.random() < 0.4:
            request["locale"] = self.locales.next()
        return request, (request["template"], value[1], request.get("locale", ""), mode)


def cases(seed, wanted):
    maker = Maker(seed)
    return asked([maker.case() for _ in range(wanted)])


def asked(made):
    wanted = len(made)
    lines = [head]
    block = 200
    for start in range(0, wanted, block):
        lines.append("  static void block%d() {" % start)
        for _, (pattern, value, locale, mode) in made[start:start + block]:
            lines.append('    ask("%s", "%s", %s, f -> f.format(%s));' % (
                locale, pattern, "RoundingMode." + roundings[mode] if mode else "null", value))
        lines.append("  }")
    lines.append("  public static void main(String[] arguments) {")
    lines += ["    block%d();" % start for start in range(0, wanted, block)]
    lines.append("    out.flush();\n  }\n}")
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "Record.java"
        source.write_text("\n".join(lines), encoding="utf-8")
        subprocess.run(["javac", "-encoding", "UTF-8", source], check=True, capture_output=True)
        printed = subprocess.run(["java", "-cp", folder, "Record"], check=True, capture_output=True, text=True).stdout.splitlines()
    return answered(made, printed, wanted)


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java-pattern", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_pattern.py"}
    write_cases(root / "tests/vectors/java-pattern.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
