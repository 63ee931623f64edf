#!/usr/bin/env python3
"""Compares what `inky check` says of templates whose holes a library fills in with what the library prints.

    tools/compilers/holes.py INKY node|java|slf4j|dotnet [CALLS] [SEED]     500 calls where left out

Random templates and values are formatted by util.format of Node.js, by java.text.MessageFormat, by SLF4J where its jar
is installed, and by Microsoft.Extensions.Logging where ASP.NET Core is. A call has a fault where the library throws, a
hole is left in what it prints, a value is in no part of it, or NaN is. Exits 1 where inky says otherwise, and 77 where
the library is not here.
"""

import glob
import json
import pathlib
import random
import re
import subprocess
import sys
import tempfile


class Maker:
    def __init__(self, seed):
        self.random = random.Random(seed)

    def pick(self, *choices):
        return self.random.choice(choices)

    def values(self):
        return [f"V{i}" for i in range(self.random.randrange(0, 5))]

    # Whether text of the template is in no part of what is printed.
    def loses_text(self, template, text):
        return any(template.count(word) > text.count(word) for word in ("tins", "ink", "100 g", "K-07", "done"))

    def template(self):
        pieces = [self.piece(i) for i in range(self.random.randrange(0, 5))]
        words = ["tins", "of ink", "100 g,", "(K-07)"]
        out = "".join(self.pick("", self.pick(*words) + " ") + one + " " for one in pieces)
        return (out + self.pick("", "done"))


class Node(Maker):
    """util.format: https://nodejs.org/api/util.html"""
    name, ending = "javascript", "js"

    def piece(self, number):
        return self.pick("%s", "%s", "%s", "%d", "%i", "%f", "%j", "%o", "%O", "%c", "%% ", "%x", "%.2f", "%5d", "%")

    def values(self):
        return [self.pick(f"V{i}", f"V{i}", str(i)) for i in range(self.random.randrange(0, 5))]

    def call(self, template, values):
        return "out(util.format(" + ", ".join(json.dumps(one) for one in [template] + values) + "));"

    def printed(self, folder, calls):
        file = folder / "run.js"
        file.write_text('const util = require("util"); const out = (text) => console.log(JSON.stringify(text));\n' +
                        "\n".join(self.call(*one) for one in calls))
        return [json.loads(line) for line in run(["node", str(file)]).splitlines()]

    def is_fault(self, template, values, text):
        return bool(values) and bool(re.search(r"%[sdifjoOc]|%[0-9.]+[sdifgexXu]|NaN", text))


class Java(Maker):
    """java.text.MessageFormat"""
    name, ending = "java", "java"

    def piece(self, number):
        return self.pick("{0}", "{1}", "{2}", "{" + str(number) + "}", "{" + str(number) + "}", "{3}", "''", "'{x}'", "'",
                         "{0", "{a}", "{}", "it''s", "}")

    def quoted(self, text):
        return json.dumps(text)

    def arguments(self, template, values):
        return ", ".join(self.quoted(one) for one in [template] + values)

    def call(self, template, values):
        return f"class A {{ void f() {{ MessageFormat.format({self.arguments(template, values)}); }} }}"

    formatted = "java.text.MessageFormat.format(p, a)"
    path = []

    def printed(self, folder, calls):
        lines = "".join(f"    out({self.arguments(*one)});\n" for one in calls)
        file = folder / "Run.java"
        file.write_text("public class Run {\n  static void out(String p, Object... a) {\n    String text;\n"
                        f"    try {{ text = {self.formatted}; }} catch (RuntimeException e) {{ text = \"THROWN\"; }}\n"
                        "    System.out.println(text);\n  }\n  public static void main(String[] all) {\n" + lines + "  }\n}\n")
        return run(["java", *self.path, str(file)]).split("\n")

    def is_fault(self, template, values, text):
        # What stands between apostrophes is meant as text.
        open_text = re.sub("'[^']*'", "", template.replace("''", ""))
        left = re.search(r"\{\d\}", text) and re.search(r"\{\d\}", open_text)
        return text == "THROWN" or bool(left) or any(one not in text for one in values) or self.loses_text(template, text)


class Slf4j(Java):
    """org.slf4j, by its own formatter"""
    formatted = "org.slf4j.helpers.MessageFormatter.arrayFormat(p, a).getMessage()"

    def __init__(self, seed):
        super().__init__(seed)
        jars = glob.glob("/usr/share/java/slf4j-api.jar")
        if not jars:
            sys.exit(77)
        self.path = ["-cp", jars[0]]

    def piece(self, number):
        return self.pick("{}", "{}", "{}", "{}", "\\{}", "{ }", "{0}", "%d", "{", "}")

    def call(self, template, values):
        return f"import org.slf4j.Logger; class A {{ void f() {{ log.info({self.arguments(template, values)}); }} }}"

    def is_fault(self, template, values, text):
        left = text.count("{}") > template.count("\\{}")
        return bool(values) and (left or any(one not in text for one in values))


class Dotnet(Maker):
    """Microsoft.Extensions.Logging, by a logger of its own"""
    name, ending = "csharp", "cs"

    def __init__(self, seed):
        super().__init__(seed)
        found = glob.glob("/usr/share/dotnet/shared/Microsoft.AspNetCore.App/*/Microsoft.Extensions.Logging.Abstractions.dll") + \
            glob.glob("/usr/lib/dotnet/shared/Microsoft.AspNetCore.App/*/Microsoft.Extensions.Logging.Abstractions.dll")
        if not found:
            sys.exit(77)
        self.folder = str(pathlib.Path(sorted(found)[-1]).parent)

    def piece(self, number):
        return self.pick("{Mass}", "{Tins}", "{Tins,5}", "{Lot}", "{{", "}}", "{", "}", "{@Lot}")

    def arguments(self, template, values):
        return ", ".join(json.dumps(one) for one in [template] + values)

    def call(self, template, values):
        return f"class A {{ void f() {{ logger.LogInformation({self.arguments(template, values)}); }} }}"

    def printed(self, folder, calls):
        (folder / "run.csproj").write_text(
            '<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><OutputType>Exe</OutputType><TargetFramework>'
            f'net{run(["dotnet", "--version"]).split(".")[0]}.0</TargetFramework></PropertyGroup><ItemGroup>' + "".join(
                f'<Reference Include="{one}"><HintPath>{self.folder}/{one}.dll</HintPath></Reference>'
                for one in ("Microsoft.Extensions.Logging.Abstractions", "Microsoft.Extensions.DependencyInjection.Abstractions")) +
            "</ItemGroup></Project>")
        lines = "".join(f"    Out({self.arguments(*one)});\n" for one in calls)
        (folder / "Run.cs").write_text("""using System; using Microsoft.Extensions.Logging;
class Printer : ILogger {
  public IDisposable BeginScope<T>(T state) => null;
  public bool IsEnabled(LogLevel level) => true;
  public void Log<T>(LogLevel level, EventId id, T state, Exception e, Func<T, Exception, string> text) =>
    Console.WriteLine(text(state, e));
}
class Run {
  static void Out(string template, params object[] values) {
    try { new Printer().LogInformation(template, values); } catch (FormatException) { Console.WriteLine("THROWN"); }
  }
  static void Main() {
""" + lines + "  }\n}\n")
        return run(["dotnet", "run", "--project", str(folder)]).split("\n")

    def is_fault(self, template, values, text):
        if not values:
            return bool(re.search(r"(?<!\{)\{@?\w+[^{}]*\}", text))
        # A brace in a hole: what is before it is taken for a part of the name.
        nested = re.search(r"\{[^{}]*\{", template.replace("{{", "").replace("}}", ""))
        return text == "THROWN" or any(one not in text for one in values) or bool(nested)


def run(command):
    ran = subprocess.run(command, capture_output=True, text=True)
    if ran.returncode != 0:
        raise SystemExit(ran.stdout[-1000:] + ran.stderr[-1000:])
    return ran.stdout


def main():
    inky, which = sys.argv[1:3]
    count = int(sys.argv[3]) if len(sys.argv) > 3 else 500
    maker = {"node": Node, "java": Java, "slf4j": Slf4j, "dotnet": Dotnet}[which](int(sys.argv[4]) if len(sys.argv) > 4 else 20310509)
    calls = [(maker.template(), maker.values()) for _ in range(count)]
    differing = []
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        printed = maker.printed(folder, calls)
        source = folder / f"calls.{maker.ending}"
        source.write_text("\n".join(maker.call(*one) for one in calls) + "\n")
        ran = subprocess.run([inky, "check", "--json", "--no-settings", str(source)], capture_output=True, text=True)
        found = {}
        for fault in json.loads(ran.stdout)["faults"]:
            found.setdefault(fault["line"], fault["message"])
    faults = 0
    for i, (template, values) in enumerate(calls):
        expected = maker.is_fault(template, values, printed[i])
        faults += expected
        if expected != (i + 1 in found):
            differing.append(f"{template!r} with {values}: prints {printed[i]!r}, and inky says {found.get(i + 1)!r}")
    print(f"{which}: {count} calls, {faults} with a fault, {len(differing)} told otherwise")
    for line in differing[:20]:
        print("  " + line)
    return 1 if differing else 0


if __name__ == "__main__":
    sys.exit(main())
