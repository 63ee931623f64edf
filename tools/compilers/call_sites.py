#!/usr/bin/env python3
"""Compares what `inky check FILE` finds with what the languages' own compilers and runtimes refuse.

    tools/compilers/call_sites.py INKY LANGUAGE [CALLS] [SEED]     2,000 calls where left out

Random call sites, one a line, with literals, casts and declared variables of every type, right and wrong, are given
to the compiler (C, with all of its format warnings; Rust; F#) or compiled and run (Java, Python). Every line that it
objects to must be a fault of ours. A fault of ours that it does not name must be of a kind that has its reason in
`extra` below. Exits 1 where either does not hold.
"""

import glob
import json
import os
import pathlib
import random
import re
import shutil
import subprocess
import sys
import tempfile

# What we find and the compiler does not look for, and why that is right.
common = {
    "flag-without-effect": "it prints, and a flag or a precision does nothing",
    "flag-overridden": "it prints, and another flag takes the effect of one",
    "bits-reinterpreted": "it prints another number than the value: with a constant, or where the language takes every whole number",
    "value-wrapped": "it prints another number than the value, which does not fit",
}
extra = {
    "c": common | {
        "low-byte-only": "%c of a number that has more than a byte: the compiler knows types, not values",
        "language-undefined": "a flag or a length that the standard leaves undefined with this letter, and the compiler lets pass",
        "no-grouping-in-locale": "the flag ' prints nothing in the locale of a program that sets none",
    },
    "java": common | {"too-many-values": "Java ignores them", "no-grouping-in-locale": "the root locale's own"},
    "rust": common | {"language-undefined": "an address is printed, which is another one each time"},
    "fsharp": common,
    "python": common | {"too-many-values": "str.format ignores them", "cut-to-whole": "%d of a real: its digits behind the point are lost"},
}


class Maker:
    def __init__(self, seed):
        self.random = random.Random(seed)

    def pick(self, *choices):
        return self.random.choice(choices)

    def chance(self, share):
        return self.random.random() < share

    def count(self, most):
        return str(self.random.randrange(1, most))


class C(Maker):
    variables = ["signed char sc", "unsigned char uc", "short sh", "unsigned short us", "int in", "unsigned un", "long lo",
                 "unsigned long ul", "long long ll", "unsigned long long ull", "size_t sz", "float fl", "double dou",
                 "long double ld", "const char *tx", "char bu[9]", "int8_t i8", "uint16_t u16", "int64_t i64", "uint64_t u64", "char ch"]
    # What needs more than a name to know.
    pointers = ["int *pi", "double *pd", "void *pv", "char **pt", "FILE *fi", "struct lot *st"]
    expressions = ["*pi", "pd[0]", "in + 1", "lo * 2", "in ? 1 : 2.5", "st->mass", "(*st).name", "st->tins", "errno", "in == 2", "-sh", "sizeof pi",
                   "&in", "pt[1]", "*pt", "(long)*pi", "in - lo", "fl * 2", "ch ? tx : bu", "strchr(tx, 'k')", "total()", "DIGITS", "NULL"]
    fitting = {"": ["in", "sh", "sc", "7", "'x'", "ch", "(int)dou", "i8"], "u": ["un", "us", "uc", "7u", "(unsigned)in"],
               "hh": ["sc", "in"], "h": ["sh", "in"], "l": ["lo", "7L", "i64", "(long)in"], "ul": ["ul", "sz", "7UL", "u64", "sizeof(in)"],
               "ll": ["ll", "7LL", "(long long)in"], "ull": ["ull", "7ULL"]}

    def anything(self):
        everything = [one.split()[-1].strip("*").split("[")[0] for one in self.variables]
        if self.chance(0.4):
            return self.pick(*(one.split()[-1].strip("*") for one in self.pointers), *self.expressions)
        return self.pick(*everything, "2.5", "-1", "\"ink\"", "'x'", "3000000000", "2.5f", "2.5L", "0x1F", "strlen(tx)", "(char)in", "7L")

    def field(self):
        letter = self.pick(*"ddiuxXoeEfFgGaAcsp", "d", "s", "f")
        flags = "".join(self.pick(*"-+ #0'") for _ in range(self.pick(0, 0, 0, 1, 1, 2)))
        width = self.pick("", "", self.count(12))
        precision = self.pick("", "", "", "." + self.count(9))
        length = ""
        if letter in "diuxXo":
            length = self.pick("", "", "", "l", "ll", "h", "hh", "z", "j", "t")
            key = {"z": "l", "j": "l", "t": "l"}.get(length, length)
            if letter in "uxXo":
                key = {"": "u", "l": "ul", "ll": "ull", "h": "u", "hh": "u"}[key]
            value = self.pick(*self.fitting[key])
        elif letter in "eEfFgGaA":
            length = self.pick("", "", "", "l", "L")
            value = self.pick(*(["ld", "2.5L"] if length == "L" else ["dou", "fl", "2.5", "1e3", "2.5f"]))
        elif letter == "c":
            value = self.pick("'x'", "ch", "in", "65")
        elif letter == "s":
            value = self.pick("tx", "bu", "\"ink\"", "(char *)bu")
        else:
            value = self.pick("(void *)tx", "tx")
        if self.chance(0.05):
            length = self.pick("h", "l", "ll", "L", "z", "q")
        return "%" + flags + width + precision + length + letter, self.anything() if self.chance(0.3) else value

    def line(self, number):
        fields = [self.field() for _ in range(self.pick(1, 1, 1, 2, 3))]
        template = self.pick("", "ink ", "%% ") + "|".join(one[0] for one in fields) + self.pick("", "\\n", " g")
        values = [one[1] for one in fields]
        if self.chance(0.06):
            values.append(self.anything())
        if self.chance(0.06):
            values.pop()
        if self.chance(0.02):
            template += self.pick("%", "%y", "%5", "%-")
        # The template itself, a constant, or one of two.
        way = self.random.random()
        before, shown = "", '"%s"' % template
        if way < 0.15:
            before, shown = 'static const char line[] = "%s"; ' % template, "line"
        elif way < 0.25 and len(values) <= template.replace("%%", "").count("%"):
            # What one of two templates leaves over may be for the other.
            shown = 'in == 1 ? "%s" : "%s"' % (template, self.pick(template, "%s tins"))
        elif way < 0.3:
            shown = '"%s" INK' % template
        arguments = ", ".join(self.variables + self.pointers)
        return 'void c%d(%s) { %sprintf(%s%s); }' % (number, arguments, before, shown, "".join(", " + one for one in values))

    def source(self, count):
        return ("#include <errno.h>\n#include <stdint.h>\n#include <stdio.h>\n#include <string.h>\n#define INK \" ink\"\n#define DIGITS 17\n"
                "struct lot { double mass; char *name; unsigned long tins; };\nlong total(void);\n" +
                "".join(self.line(i) + "\n" for i in range(count)))

    def refused(self, folder, source):
        path = folder / "sites.c"
        path.write_text(source, encoding="utf-8")
        ran = subprocess.run(["gcc", "-std=c17", "-fsyntax-only", "-Wformat=2", "-Wformat-signedness", str(path)], capture_output=True, text=True,
                             env={**os.environ, "LC_ALL": "C"})
        if "error:" in ran.stderr:
            raise SystemExit(ran.stderr[:2000])
        return path, {int(line) for line in re.findall(r"sites\.c:(\d+):\d+: warning: .*\[-Wformat", ran.stderr)}


class Java(Maker):
    variables = ["byte by", "short sh", "int in", "long lo", "float fl", "double dou", "char ch", "boolean tr", "String tx", "int[] all"]

    def value(self, letter):
        if letter in "dxXo":
            return self.pick("by", "sh", "in", "lo", "7", "7L", "-3", "(long) in")
        if letter in "eEfgGaA":
            return self.pick("fl", "dou", "2.5", "2.5f", "1e3", "(double) in")
        if letter in "cC":
            return self.pick("ch", "'x'", "65", "by")
        return self.anything()

    def anything(self):
        return self.pick("by", "sh", "in", "lo", "fl", "dou", "ch", "tr", "tx", "7", "2.5", "'x'", "\"ink\"", "true", "tx.length()",
                         "in + 1", "in / 2", "in * 2.5", "lo + in", "tx + in", "in == 2", "tr ? in : lo", "Math.sqrt(in)", "System.nanoTime()",
                         "Integer.toString(in)", "String.valueOf(dou)", "tx.trim()", "tx.charAt(0)", "-dou", "(in)", "(int) dou", "all[0]", "tx.hashCode() % 7")

    def field(self):
        letter = self.pick(*"ddxXoeEfgGacCsSbBhn%", "d", "s", "f")
        flags = "".join(self.pick(*"-+ #0,(") for _ in range(self.pick(0, 0, 0, 1, 1, 2)))
        field = "%" + flags + self.pick("", "", self.count(12)) + self.pick("", "", "", "." + self.count(9)) + letter
        if letter in "n%":
            return field, None
        return field, self.anything() if self.chance(0.2) else self.value(letter)

    def line(self, number):
        fields = [self.field() for _ in range(self.pick(1, 1, 1, 2, 3))]
        template = self.pick("", "ink ") + "|".join(one[0] for one in fields) + self.pick("", "\\n", " g")
        values = [one[1] for one in fields if one[1]]
        if self.chance(0.06):
            values.append(self.anything())
        if values and self.chance(0.06):
            values.pop()
        if self.chance(0.02):
            template += self.pick("%", "%y", "%5", "%-")
        shown = '"%s"' % template
        before = first = ""
        way = self.random.random()
        if way < 0.15:
            before, shown = 'final String line = %s; ' % shown, "line"
        elif way < 0.3:
            first, shown = 'static final String LINE%d = %s; ' % (number, shown), self.pick("LINE%d", "Sites.LINE%d") % number
        elif way < 0.4 and len(template) > 3:
            cut = self.random.randrange(1, len(template))
            shown = '"%s" + "%s"' % (template[:cut], template[cut:]) if template[cut - 1] != "\\" else shown
        call = self.pick("String.format(%s%s)", "String.format(java.util.Locale.ROOT, %s%s)", "(%s).formatted(%s)")
        listed = ", ".join(values)
        text = call % (shown, listed if "formatted" in call else ("".join(", " + one for one in values)))
        if "formatted" in call and " + " not in shown:
            text = text.replace("(" + shown + ")", shown, 1)
        return "%sstatic void c%d(%s) { %s%s; }" % (first, number, ", ".join(self.variables), before, text)

    def source(self, count):
        return "class Sites {\n" + "".join(self.line(i) + "\n" for i in range(count)) + """
  public static void main(String[] all) throws Exception {
    for (java.lang.reflect.Method one : Sites.class.getDeclaredMethods()) {
      if (one.getName().equals("main")) continue;
      try {
        one.invoke(null, (byte) 1, (short) 2, 3, 4L, 5.5f, 6.5, 'c', true, "text", new int[] {8});
      } catch (java.lang.reflect.InvocationTargetException thrown) {
        System.out.println(one.getName() + " " + thrown.getCause().getClass().getName());
      }
    }
  }
}
"""

    def refused(self, folder, source):
        path = folder / "Sites.java"
        path.write_text(source, encoding="utf-8")
        subprocess.run(["javac", "-nowarn", "-d", str(folder), str(path)], check=True, capture_output=True)
        ran = subprocess.run(["java", "-cp", str(folder), "Sites"], check=True, capture_output=True, text=True)
        return path, {int(name) + 2 for name in re.findall(r"^c(\d+) ", ran.stdout, re.M)}


class Rust(Maker):
    variables = ["a: i8", "b: u16", "c: i32", "d: u64", "e: f32", "f: f64", "g: char", "h: bool", "s: &str", "t: String", "n: usize"]

    def field(self):
        letter = self.pick("", "", "", "", "?", "x", "X", "o", "b", "e", "E", "#?", "x?", "p", "d")
        spec = self.pick("", "", "<", "^", "*>") + self.pick("", "", "+", "#", "0") + self.pick("", "", self.count(12)) + self.pick("", "", "", "." + self.count(9)) + letter
        if letter in ("x", "X", "o", "b"):
            value = self.pick("a", "b", "c", "d", "7", "7u8")
        elif letter in ("e", "E"):
            value = self.pick("e", "f", "2.5", "c", "7")
        else:
            value = self.anything()
        return spec, self.anything() if self.chance(0.2) else value

    def anything(self):
        return self.pick("a", "b", "c", "d", "e", "f", "g", "h", "s", "t", "n", "7", "2.5", "'x'", "\"ink\"", "true", "7u8", "c as f64")

    def line(self, number):
        fields = [self.field() for _ in range(self.pick(1, 1, 1, 2, 3))]
        values = [one[1] for one in fields]
        texts = []
        for i, (spec, value) in enumerate(fields):
            name = str(i) if self.chance(0.1) else ""
            if len(value) == 1 and value.isalpha() and self.chance(0.1):
                name, values[i] = value, None
            texts.append("{" + name + (":" + spec if spec else "") + "}")
        values = [one for one in values if one]
        if self.chance(0.05):
            values.append(self.anything())
        if values and self.chance(0.05):
            values.pop()
        template = self.pick("", "ink ", "{{}} ") + "|".join(texts) + (self.pick("{", "}", "{:", "{:>>>}") if self.chance(0.02) else "")
        return 'fn c%d(%s) { print!("%s"%s); }' % (number, ", ".join(self.variables), template, "".join(", " + one for one in values))

    def source(self, count):
        return "#![allow(warnings)]\n" + "".join(self.line(i) + "\n" for i in range(count)) + "fn main() {}\n"

    def refused(self, folder, source):
        path = folder / "sites.rs"
        path.write_text(source, encoding="utf-8")
        lines = source.split("\n")
        found = set()
        # Some passes of the compiler begin only when those before found nothing.
        while True:
            trial = folder / "trial.rs"
            trial.write_text("\n".join("" if i + 1 in found else line for i, line in enumerate(lines)), encoding="utf-8")
            ran = subprocess.run(["rustc", "--edition", "2021", "--emit=metadata", "--error-format=json", "-o", str(folder / "trial.rmeta"), str(trial)],
                                 capture_output=True, text=True)
            more = set()
            for line in ran.stderr.splitlines():
                message = json.loads(line)
                if message.get("level") == "error":
                    more |= {span["line_start"] for span in message["spans"] if span["file_name"].endswith("trial.rs")}
            if not more - found:
                return path, found
            found |= more


class FSharp(Maker):
    variables = ["(a: sbyte)", "(b: uint16)", "(c: int)", "(d: uint64)", "(e: float32)", "(f: float)", "(g: char)", "(h: bool)", "(s: string)"]

    def anything(self):
        return self.pick("a", "b", "c", "d", "e", "f", "g", "h", "s", "7", "2.5", "'x'", "\"ink\"", "true", "7L", "7uy", "2.5f")

    def field(self):
        letter = self.pick(*"ddiuxXoeEfFgGcsbAOMBy", "d", "s", "f") if self.chance(0.97) else "y"
        flags = "".join(self.pick(*"-+ 0#") for _ in range(self.pick(0, 0, 0, 1, 1, 2)))
        value = self.anything()
        if letter in "diuxXoB":
            value = self.pick("a", "b", "c", "d", "7", "7L", "7uy")
        elif letter in "eEfFgG":
            value = self.pick("e", "f", "2.5", "2.5f")
        elif letter == "c":
            value = self.pick("g", "'x'")
        elif letter == "s":
            value = self.pick("s", "\"ink\"")
        elif letter == "b":
            value = self.pick("h", "true")
        return "%" + flags + self.pick("", "", self.count(12)) + self.pick("", "", "", "." + self.count(9)) + letter, self.anything() if self.chance(0.2) else value

    def line(self, number):
        fields = [self.field() for _ in range(self.pick(1, 1, 1, 2, 3))]
        values = [one[1] for one in fields]
        if self.chance(0.05):
            values.append(self.anything())
        if self.chance(0.05):
            values.pop()
        template = self.pick("", "ink ", "%% ") + "|".join(one[0] for one in fields)
        return 'let c%d %s = sprintf "%s" %s' % (number, " ".join(self.variables), template, " ".join(values))

    def source(self, count):
        return "module Sites\n" + "".join(self.line(i) + "\n" for i in range(count))

    def refused(self, folder, source):
        path = folder / "sites.fs"
        path.write_text(source, encoding="utf-8")
        dotnet = pathlib.Path(os.path.realpath(shutil.which("dotnet"))).parent
        compiler = sorted(glob.glob(str(dotnet / "sdk/*/FSharp/fsc.dll")))[-1]
        references = sorted(glob.glob(str(dotnet / "packs/Microsoft.NETCore.App.Ref/*/ref/net*")))[-1]
        command = ["dotnet", compiler, "--noframework", "--nologo", "--targetprofile:netcore", "--target:library", "--typecheckonly",
                   "--simpleresolution", "--maxerrors:100000", "-r:" + str(pathlib.Path(compiler).parent / "FSharp.Core.dll")]
        command += ["-r:" + one for one in glob.glob(references + "/*.dll")] + [str(path)]
        ran = subprocess.run(command, cwd=folder, capture_output=True, text=True)
        return path, {int(line) for line in re.findall(r"sites\.fs\((\d+),\d+\): error", ran.stdout + ran.stderr)}


class Python(Maker):
    def anything(self):
        return self.pick("7", "-3", "2.5", "\"ink\"", "True", "1000000000000000000000000000000", "len('ink')", "float(3)", "'x'")

    def line(self, number):
        count = self.pick(1, 1, 1, 2, 3)
        values = [self.anything() for _ in range(count)]
        if self.chance(0.5):
            texts = ["%" + "".join(self.pick(*"-+ 0#") for _ in range(self.pick(0, 0, 1))) + self.pick("", self.count(9)) + self.pick("", "", "." + self.count(6))
                     + self.pick(*"ddsrfeGxoc", "s") for _ in range(count)]
            if self.chance(0.03):
                texts[-1] += self.pick("%", "%y")
            if self.chance(0.1):
                values = values[:-1] if self.chance(0.5) else values + ["7"]
            way = self.random.random()
            text = "'%s'" % "|".join(texts)
            operand = "(%s)" % "".join(one + ", " for one in values)
            if way < 0.2:
                return "LINE%d = %s; LINE%d %% %s" % (number, text, number, operand)
            if way < 0.35:
                text = "'%s'" % "|".join(one.replace("%", "%%(v%d)" % i, 1) for i, one in enumerate(texts))
                given = {"v%d" % i: one for i, one in enumerate(values)}
                return text + " % {" + ", ".join("'%s': %s" % one for one in given.items()) + "}"
            if way < 0.45 and count == 1 and "c" not in text:
                name, value = self.pick(("a: int", "7"), ("a: str", "'ink'"), ("a: float", "2.5"), ("a: bool", "True"))
                return "def f%d(%s): return %s %% a\nf%d(%s)" % (number, name, text, number, value)
            # What %s and %c of bytes take is not checked.
            if way < 0.55 and "s" not in text and "c" not in text:
                return "b" + text + " % " + operand
            return "%s %% %s" % (text, operand)
        if self.chance(0.15):
            value = self.anything()
            spec = self.pick("", "<", "*^") + self.pick("", "+") + self.pick("", self.count(9)) + self.pick("", "." + self.count(6)) + self.pick("", *"dsfegxbcn%y")
            return "format(%s, '%s')" % (value, spec)
        texts = ["{" + self.pick("", "", "", "", str(i)) + ":" + self.pick("", "", "<", "=", "*^") + self.pick("", "", "+", "#", "0") + self.pick("", self.count(9))
                 + self.pick("", "", ",", "." + self.count(6)) + self.pick("", "", *"dsfegxbcn%") + "}" for i in range(count)]
        if self.chance(0.03):
            texts[-1] += self.pick("{", "}", "{!y}")
        if self.chance(0.1):
            values = values[:-1] if self.chance(0.5) else values + ["7"]
        return "'%s'.format(%s)" % ("|".join(texts), ", ".join(values))

    def source(self, count):
        return "".join(self.line(i) + "\n" for i in range(count))

    def refused(self, folder, source):
        path = folder / "sites.py"
        path.write_text(source, encoding="utf-8")
        found = set()
        names = {}
        for number, line in enumerate(source.splitlines(), 1):
            try:
                exec(line, names)
            except (ValueError, TypeError, IndexError, KeyError, OverflowError):
                # The call of a function stands below it, and the fault in it.
                found.add(number - 1 if re.match(r"f\d+\(", line) else number)
        return path, found


languages = {"c": C, "java": Java, "rust": Rust, "fsharp": FSharp, "python": Python}


def main():
    inky, name = sys.argv[1:3]
    count = int(sys.argv[3]) if len(sys.argv) > 3 else 2000
    seed = int(sys.argv[4]) if len(sys.argv) > 4 else 20310509
    maker = languages[name](seed)
    source = maker.source(count)
    with tempfile.TemporaryDirectory() as folder:
        path, refused = maker.refused(pathlib.Path(folder), source)
        ran = subprocess.run([inky, "check", "--json", "--unchecked", "--signedness", str(path)], capture_output=True, text=True)
    lines = source.split("\n")
    ours, unchecked, odd = {}, set(), []
    for fault in json.loads(ran.stdout)["faults"]:
        if fault["code"] == "not-checked":
            unchecked.add(fault["line"])
        else:
            ours.setdefault(fault["line"], []).append(fault)
    missed = sorted(refused - set(ours) - unchecked)
    for line, faults in sorted(ours.items()):
        if line in refused:
            continue
        if any(one["code"] not in extra[name] for one in faults):
            odd.append(line)
    for line in missed[:20]:
        print("missed: " + lines[line - 1])
    for line in odd[:20]:
        print("odd: " + lines[line - 1] + "".join("\n     " + one["code"] + ": " + one["message"] for one in ours[line]))
    print("%s: %d calls, seed %d: %d refused, %d missed; %d faults more, %d without a reason; %d not checked"
          % (name, count, seed, len(refused), len(missed), len(set(ours) - refused), len(odd), len(unchecked)))
    sys.exit(1 if missed or odd else 0)


main()
