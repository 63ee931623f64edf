#!/usr/bin/env python3
"""Records what java.util.Formatter prints, of templates and of whole calls.

    tools/record/java.py [SEED]           writes tests/vectors/java.jsonl
    tools/record/java.py --live SEED      fewer cases, to standard output
"""

import math
import pathlib
import struct
import subprocess
import sys
import tempfile

import java_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]
locales = ["de-DE", "fr-FR", "ar-EG", "hi-IN", "de-CH", "tr-TR", "pl-PL", "en-US"]

head = """
import java.io.*;
import java.math.*;
import java.text.*;
import java.time.*;
import java.time.format.*;
import java.nio.charset.StandardCharsets;
import java.util.*;

public class Record {
  static PrintStream out = new PrintStream(new BufferedOutputStream(new FileOutputStream(FileDescriptor.out)));
  static void line(String text) {
    StringBuilder line = new StringBuilder("=");
    for (byte b : text.getBytes(StandardCharsets.UTF_8))
      line.append(Character.forDigit(b >> 4 & 15, 16)).append(Character.forDigit(b & 15, 16));
    out.println(line);
  }
  static void plain(Object value) { line(String.valueOf(value)); }
  interface Call { String text(); }
  static void call(Call asked) {
    try {
      line(asked.text());
    } catch (RuntimeException exception) {
      out.println(exception.getClass().getSimpleName());
    }
  }
  static void ask(String locale, String template, Object... values) {
    Locale chosen = locale.isEmpty() ? Locale.ROOT : Locale.forLanguageTag(locale);
    try {
      line(String.format(chosen, template, values));
    } catch (IllegalFormatException exception) {
      out.println(exception.getClass().getSimpleName());
    }
  }
"""


def literal(text):
    """A text as Java source, in UTF-16 escapes where it is not plain."""
    units = text.encode("utf-16-be")
    out = ""
    for i in range(0, len(units), 2):
        unit = units[i] * 256 + units[i + 1]
        plain = 32 <= unit < 127 and chr(unit) not in '"\\'
        out += chr(unit) if plain else {10: "\\n", 34: '\\"', 92: "\\\\"}.get(unit, "\\u%04x" % unit)
    return '"' + out + '"'


class Maker:
    """Templates with their values, each as the contract and as Java have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        name, bits, signed, form = r.choice([
            ("i8", 8, True, "(byte)%d"), ("i16", 16, True, "(short)%d"), ("i32", 32, True, "%d"), ("i32", 32, True, "%d"),
            ("i64", 64, True, "%dL"), ("u8", 8, False, "(short)%d"), ("u16", 16, False, "%d"), ("u32", 32, False, "%dL"),
            ("u64", 64, False, 'new BigInteger("%d")'), ("i128", 128, True, 'new BigInteger("%d")'),
            ("big", 300, True, 'new BigInteger("%d")')])
        value = self.values.whole(bits, signed)
        return {name: str(value)}, form % value

    def real(self):
        value = self.values.real()
        if self.random.random() < 0.2:
            bits = struct.unpack("<I", struct.pack("<f", value if abs(value) < 3e38 or math.isinf(value) or math.isnan(value) else 1.1))[0]
            value = struct.unpack("<f", struct.pack("<I", bits))[0]
            return {"f32": real_payload(value)}, "Float.intBitsToFloat(0x%08x)" % bits
        return {"f64": real_payload(value)}, "Double.longBitsToDouble(0x%016xL)" % struct.unpack("<Q", struct.pack("<d", value))[0]

    def value(self, letter):
        """A value that suits the letter, but for one in eight."""
        r = self.random
        kind = r.choice("whole real text char code other".split()) if letter in "bBhHsS" or r.random() < 0.12 else (
            "whole" if letter in "doxX" else "real" if letter in "eEfgGaA" else r.choice(["char", "char", "code"]))
        if kind == "whole":
            return self.whole()
        if kind == "real":
            return self.real()
        if kind == "text":
            text = self.values.text()
            return text, literal(text)
        if kind == "char":
            character = self.values.character()
            code = ord(character)
            return {"char": character}, literal(character) if code > 0xFFFF else "(char)%d" % code
        if kind == "code":
            value = r.choice([65, 233, 0x58A8, 0x1F5A8, 0, -1, 0x110000, 0xD83D])
            return value, str(value)
        return r.choice([(True, "true"), (False, "false"), (None, "null")])

    def field(self, values):
        r = self.random
        letter = r.choice("doxXeEfgGaAcCsSbBhHn%doxfffeg") if r.random() < 0.985 else r.choice("iuFyDNé")
        # Mostly flags that go with the letter and with each other.
        allowed = {"d": "-+ 0,(", "f": "-#+ 0,(", "e": "-#+ 0(", "g": "-+ 0,(", "a": "-#+ 0", "o": "-#0", "x": "-#0"}.get(letter.lower(), "-")
        flags = "".join(flag for flag in allowed if r.random() < 0.2)
        if r.random() < 0.9:
            flags = flags.replace("0", "") if "-" in flags else flags
            flags = flags.replace(" ", "") if "+" in flags else flags
        if r.random() < 0.015:
            flags += r.choice("-#+ 0,(")
        if r.random() < 0.005:
            flags += r.choice(flags or "-") * 2
        position = ""
        if letter not in "n%":
            if r.random() < 0.08:
                position = "%d$" % r.randrange(0 if r.random() < 0.1 else 1, 4)
            elif r.random() < 0.04:
                flags += "<"
        width = str(r.randrange(1, 26)) if r.random() < (0.97 if "-" in flags or "0" in flags else 0.4) and letter != "n" else ""
        precise = letter in "eEfgGasSbBhH" and r.random() < 0.5 or r.random() < 0.01
        precision = ".%d" % r.choice([0, 1, 2, 3, 5, 8, 15, 17, 20, 25]) if precise else ""
        if r.random() < 0.003:
            precision = "."
        if letter not in "n%" and "<" not in flags:
            values.append(self.value(letter))
        return "%" + position + flags + width + precision + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.08:
            value = self.value("s" if r.random() < 0.3 else "f")
            return {"values": [value[0]]}, [value[1]]
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\u03a9", "\\uD83D\\uDDA8", "\\101", "\\s", "\\4771"])
            template += self.field(values)
        if r.random() < 0.03 and values:
            values.pop()
        if r.random() < 0.03:
            values.append(self.value("s"))
        if r.random() < 0.01:
            template += r.choice(["%", "%5", "%-", "%.", "%1$"])
        request = {"template": template, "values": [value[0] for value in values]}
        if r.random() < 0.1:
            request["locale"] = r.choice(locales)
        return request, [value[1] for value in values]


def cases(seed, wanted):
    third = wanted // 3
    with tempfile.TemporaryDirectory() as name:
        return templates(seed, wanted - third) + java_calls.cases(pathlib.Path(name), seed, third)


def templates(seed, wanted):
    maker = Maker(seed)
    return asked([maker.case() for _ in range(wanted)])


def asked(made):
    wanted = len(made)
    lines = [head]
    block = 200
    for start in range(0, wanted, block):
        lines.append("  static void block%d() {" % start)
        for request, arguments in made[start:start + block]:
            if "statement" in request:
                # What println would have written, or what it throws.
                lines.append("    call(() -> %s + \"\\n\");" % arguments)
                continue
            if "template" not in request:
                lines.append("    plain(%s);" % arguments[0])
                continue
            passed = "".join(", " + argument for argument in arguments)
            if arguments == ["null"]:
                passed = ", (Object)null"
            # The template is source already; only what is not ASCII is escaped for the compiler.
            lines.append('    ask("%s", "%s"%s);' % (request.get("locale", ""), request["template"], passed))
        lines.append("  }")
    lines.append("  public static void main(String[] arguments) {")
    lines += ["    block%d();" % start for start in range(0, wanted, block)]
    lines.append("    out.flush();\n  }\n}")
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "Record.java"
        source.write_text("\n".join(lines), encoding="utf-8")
        printed = subprocess.run(["java", "-Dfile.encoding=UTF-8", "-Duser.timezone=UTC", source], check=True, capture_output=True, text=True).stdout.splitlines()
    return answered(made, printed, wanted)


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java.py"}
    write_cases(root / "tests/vectors/java.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
