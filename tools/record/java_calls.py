"""Whole calls of Java, with what the Java compiler and a program say of each."""

import re
import subprocess

from calls import Calls, Language

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} * {w}", "{w} / {w}", "{w} % {w}", "{w} & {w}", "{w} | {w}", "{w} ^ {w}", "-{w}", "~{w}",
          "{w} << {k}", "{w} >> {k}", "{w} >>> {k}", "{w} << {w}", "(int) {d}", "(long) {d}", "(byte) {w}", "(short) {d}", "Math.abs({w})",
          "Math.max({w}, {w})", "Math.min({w}, {w})", "Math.floorMod({w}, {w})", "Math.floorDiv({w}, {w})", "Math.round({d})",
          "{t}.length()", "{t}.indexOf(\"n\")", "{b} ? {w} : {w}", "Integer.parseInt(\"42\")", "{t}.lastIndexOf(\"a\")",
          "new int[]{ {k}, {k} }[1]", "new int[]{ {k}, {k} }.length", "{t}.compareTo({t})", "(int) List.of({k}, {k}).get(1)", "IntStream.rangeClosed(1, {k} + 1).sum()",
          "\"a,b,c\".split(\",\").length", "Arrays.stream(new int[]{ {k}, 4 }).max().getAsInt()", "Stream.of({k}, {k}).reduce(1, (p, q) -> p * q)"],
    "d": ["{d} + {n}", "{n} - {d}", "{d} * {n}", "{n} / {d}", "{d} % {n}", "-{d}", "(double) {w}", "(float) {d}", "Math.sqrt({n})", "Math.floor({d})",
          "Math.ceil({d})", "Math.rint({d})", "Math.abs({d})", "Math.max({d}, {n})", "Math.pow({k}, 3)", "{b} ? {d} : {n}", "{n} * 0.76",
          "Double.parseDouble(\"2.5\")", "Math.PI * {n}"],
    "t": ["{t} + {n}", "{t} + {t}", "{t} + {b}", "{n} + {t}", "{t}.toUpperCase()", "{t}.toLowerCase()", "{t}.trim()", "{t}.strip()",
          "{t}.substring({k})", "{t}.substring(0, {k})", "{t}.repeat({k})", "{t}.replace(\"n\", \"mm\")", "{t}.concat({t})", "String.valueOf({n})",
          "String.format(\"%.2f\", {d})", "String.format(\"%05d\", {w})", "Integer.toHexString((int) ({w}))", "Long.toBinaryString({w})",
          "{b} ? {t} : {t}", "String.join(\"-\", {t}, {t})", "\"%s|%d\".formatted({t}, {w})", "Integer.toString((int) ({w}))", "{t} + {t}.charAt(0)",
          "Double.toString({d})", "Arrays.toString(new int[]{ {k}, {k} })", "String.join(\"+\", List.of({t}, {t}))", "Integer.toString({k} + 20, 16)",
          "\"\" + List.of({k}, {k})", "\"a-b\".split(\"-\")[{k} % 2]", "Objects.toString({n})", "IntStream.range(0, 3).mapToObj(q -> \"q\" + q).collect(Collectors.joining(\",\"))", "{t} + (char) ({w})"],
    "b": ["{n} < {n}", "{n} <= {n}", "{n} > {n}", "{n} >= {n}", "{w} == {w}", "{w} != {w}", "{b} && {b}", "{b} || {b}", "!{b}", "{b} ^ {b}", "{b} & {b}",
          "{t}.equals({t})", "{t}.contains(\"n\")", "{t}.startsWith(\"I\")", "{t}.isEmpty()", "{t}.endsWith(\"n\")", "{b} == {b}", "{t}.isBlank()", "{t}.equalsIgnoreCase({t})", "List.of({k}, {k}).contains(3)", "Character.isDigit('7')"],
}
types = {"w": [("i32", "int"), ("i32", "int"), ("i64", "long"), ("i8", "byte"), ("i16", "short")], "d": [("f64", "double"), ("f64", "double"), ("f32", "float")],
         "t": [("text", "String")], "b": [("truth", "boolean")]}
constants = {"w": ["0", "1", "2", "7", "10", "100", "1_000", "0xFF", "0b101", "1000L", "'A'", "Integer.MAX_VALUE"],
             "d": ["0.5", "0.76", "2.5f", "1e3", "100.0", ".25", "3d", "0.1"], "t": ['"ink"', '"a b"', '""', '"x\\ty"'], "b": ["true", "false"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    if type_name in ("f32", "f64"):
        return repr(float(value)) + ("f" if type_name == "f32" else "")
    return {"i8": "(byte) %d", "i16": "(short) %d", "i32": "(int) %dL", "i64": "%dL"}[type_name] % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 4)
    if r.random() < 0.35:
        return "%s(%s);" % (r.choice(["System.out.println", "System.out.print"]), made.make(r.choice("wdtb"), depth, variables))
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdt")
        letter = r.choice({"w": ["d", "5d", "-6d|", "s", "08d", ",d", "x"], "d": [".2f", "8.3f", "e", "s", ",.2f", "g", ".0f"], "t": ["s", "-8s|", "10s", ".3s", "S"]}[kind])
        template += r.choice(["", "|", "ink: ", " ", "%%"]) + "%" + letter
        arguments.append(made.make(kind, depth, variables))
    given = ", ".join(arguments)
    literal = '"%s%s"' % (template, r.choice(["", "%n", "\\n"]))
    form = r.choice(["System.out.printf(@, #);", "System.out.printf(@, #);", "String.format(@, #)", "System.out.print(String.format(@, #));",
                     "System.out.println(String.format(@, #));", "@.formatted(#)", "System.out.format(@, #);", "System.out.printf(Locale.ROOT, @, #);",
                     "String.format(Locale.GERMANY, @, #)", "String.format(Locale.forLanguageTag(\"fr-FR\"), @, #)"])
    return form.replace("@", literal).replace("#", given)


language = Language(forms, types, written, constants, statement)

head = """import java.io.*;
import java.nio.charset.StandardCharsets;
import java.util.*;
import java.util.stream.*;

public class Calls {
  static ByteArrayOutputStream room = new ByteArrayOutputStream();
  static PrintStream sink = new PrintStream(room, true, StandardCharsets.UTF_8);
  interface Case { void run(); }
  static void ask(Case made) {
    room.reset();
    try { made.run(); } catch (RuntimeException exception) { System.out.println("!" + exception.getClass().getSimpleName()); return; }
    StringBuilder line = new StringBuilder("=");
    for (byte b : room.toByteArray()) line.append(Character.forDigit(b >> 4 & 15, 16)).append(Character.forDigit(b & 15, 16));
    System.out.println(line);
  }
"""


def printed(folder, made, imports=""):
    """For each what it prints, in hexadecimal behind =, or the exception behind !, or ? where javac refuses it."""
    lines = []
    for number, (request, variables) in enumerate(made):
        lets = " ".join("%s %s = %s;" % (v[3], v[0], v[4]) for v in variables)
        source = request["statement"].replace("System.out.", "sink.")
        if not source.startswith("sink."):
            source = "sink.print(%s);" % source
        lines.append("  static void c%d() { %s %s }" % (number, lets, source))
    file = folder / "Calls.java"
    above = imports + head
    bad = set()
    while True:
        good = [number for number in range(len(made)) if number not in bad]
        kept = ["" if number in bad else line for number, line in enumerate(lines)]
        blocks = ["  static void block%d() { %s }" % (at, " ".join("ask(Calls::c%d);" % n for n in good[at:at + 500])) for at in range(0, len(good), 500)]
        main = "  public static void main(String[] arguments) { Locale.setDefault(Locale.ROOT); %s }" % " ".join("block%d();" % at for at in range(0, len(good), 500))
        file.write_text(above + "\n".join(kept + blocks + [main]) + "\n}\n", encoding="utf-8")
        told = subprocess.run(["javac", "-J-Duser.language=en", "-encoding", "UTF-8", "-Xmaxerrs", "100000", "-nowarn", file], cwd=folder, capture_output=True, text=True)
        found = {int(at) - above.count("\n") - 1 for at in re.findall(r"Calls\.java:(\d+): error:", told.stderr)}
        if not found:
            assert told.returncode == 0, told.stderr[-2000:]
            break
        bad |= found
    ran = subprocess.run(["java", "-Duser.timezone=UTC", "-Dstdout.encoding=UTF-8", "-cp", folder, "Calls"], capture_output=True, text=True, check=True).stdout.splitlines()
    answers = iter(ran)
    return ["?" if number in bad else next(answers) for number in range(len(made))]


def cases(folder, seed, wanted):
    maker = Calls(seed + 1, language)
    made = [maker.case() for _ in range(wanted)]
    out = []
    for (request, _), line in zip(made, printed(folder, made), strict=True):
        if line == "?":
            answer = {"fails": {"when": "compile", "as": "error"}}
        elif line[0] == "!":
            answer = {"fails": {"when": "run", "as": line[1:]}}
        else:
            answer = {"text": bytes.fromhex(line[1:]).decode("utf-8")}
        out.append({**request, **answer})
    return out
