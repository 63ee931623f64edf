#!/usr/bin/env python3
"""Records what template literals of JavaScript come to, and why they fail; and what whole calls print.

    tools/record/javascript.py [SEED]           writes tests/vectors/javascript.jsonl
    tools/record/javascript.py --live SEED      fewer cases, to standard output
"""

import json
import math
import pathlib
import struct
import subprocess
import sys
import tempfile

import javascript_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3100
root = pathlib.Path(__file__).resolve().parents[2]
locales = ["en-US", "de-DE", "de-CH", "en-GB", "en-IN", "es-ES", "fr-FR", "it-IT", "ja-JP", "nl-NL", "pl-PL", "pt-BR", "sv-SE"]
# Those of which numbers, currencies and dates are known, but no words that go by the number.
plain_locales = ("bg-BG ca-ES cs-CZ da-DK de-AT de-LU el-GR en-AU en-CA en-HK en-IE en-NZ en-SG en-ZA es-AR es-CL es-CO es-MX es-US et-EE "
                 "fi-FI fil-PH fr-BE fr-CA fr-CH ga-IE he-IL hi-IN hr-HR hu-HU id-ID is-IS it-CH ko-KR lt-LT lv-LV ms-MY nb-NO nl-BE pt-PT "
                 "ro-RO ru-RU sk-SK sl-SI sr-RS sw-KE ta-IN te-IN th-TH tr-TR uk-UA vi-VN zh-CN zh-HK zh-TW").split()
# Those whose words go by the number as src/dialect/javascript/plurals.cpp knows it, where they are used most.
worded_locales = [tag for tag in locales + plain_locales if tag not in ("lv-LV", "ga-IE", "he-IL", "sl-SI")] + (
    "fa-IR bn-BD ur-PK mr-IN gu-IN kn-IN pa-IN en-NG af-ZA az-AZ eu-ES gl-ES hy-AM ka-GE kk-KZ sq-AL mk-MK uz-UZ km-KH lo-LA mn-MN "
    "my-MM ne-NP si-LK de-LI es-PE es-419 es-VE").split()
worded_locales += sorted({tag.split("-")[0] for tag in worded_locales})

program = r"""
"use strict";
const lines = require("fs").readFileSync(process.argv[2], "utf8").split("\n").slice(0, -1);
const out = [];
let printed = "";
const room = new (require("stream").Writable)({ write(chunk, encoding, done) { printed += chunk; done(); } });
const output = new console.Console(room, room);
const fake = { stdout: { write(text) { if (typeof text !== "string") throw new TypeError(); printed += text; } } };
for (const line of lines) {
  const { names, values, template, statement } = JSON.parse(line);
  let answer;
  try {
    const run = statement ? new Function("console", "process", ...names, '"use strict"; ' + statement)
                          : new Function(...names, '"use strict"; return ' + template);
    try {
      const given = (0, eval)("[" + values.join(",") + "]");
      printed = "";
      const text = statement ? (run(output, fake, ...given), printed) : run(...given);
      answer = text.isWellFormed() ? "=" + Buffer.from(text, "utf8").toString("hex") : "skip";
    } catch (problem) {
      answer = problem.name;
    }
  } catch (problem) {
    // A call that cannot be read is an error of the request.
    answer = statement ? "skip" : "!" + problem.name;
  }
  out.push(answer);
}
process.stdout.write(out.join("\n") + "\n");
"""


def number(value):
    return "NaN" if math.isnan(value) else ("-" if value < 0 else "") + "Infinity" if math.isinf(value) else repr(value)


class Maker:
    """Templates with their values, each as the contract and as JavaScript have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        name, bits, signed, form = r.choice([
            ("i8", 8, True, "%d"), ("i16", 16, True, "%d"), ("i32", 32, True, "%d"), ("i32", 32, True, "%d"), ("u8", 8, False, "%d"),
            ("i64", 64, True, "%d"), ("u32", 32, False, "%d"), ("u64", 64, False, "%d"), ("i128", 128, True, "%dn"), ("big", 200, True, "%dn")])
        value = self.values.whole(bits, signed)
        return {name: str(value)}, form % value

    def real(self):
        r = self.random
        value = self.values.real()
        if r.random() < 0.15:
            value = r.choice([1e21, 1e20, 999999999999999934464.0, 1e-6, 9.999e-7, 1e-7, 123456.5, 0.1 + 0.2, 2.675, 1.005, 1.45, 0.5, 1.5, 2.5, -0.5, 4.35, 1e16])
        if r.random() < 0.1 and (not math.isfinite(value) or abs(value) < 3e38):
            value = struct.unpack("<f", struct.pack("<f", value))[0]
            return {"f32": real_payload(value)}, number(value)
        return {"f64": real_payload(value)}, number(value)

    def other(self, depth=0):
        r = self.random
        kind = r.choice("text text truth nil list record".split() if depth < 2 else ["text", "truth", "nil"])
        if kind == "text":
            text = r.choice([self.values.text(), "ÉTUDE", "ΟΔΟΣ", "ŉ ǆ İ", " 12.5 ", "0x1F", "1e3", "-7", "ﬀ"])
            return text, json.dumps(text)
        if kind == "truth":
            return r.choice([(True, "true"), (False, "false")])
        if kind == "nil":
            return None, "null"
        parts = [r.choice([self.whole, self.real, lambda: self.other(depth + 1)])() for _ in range(r.randrange(4))]
        if kind == "list":
            return [p[0] for p in parts], "[%s]" % ", ".join(p[1] for p in parts)
        names = r.sample(["batch", "mass", "lot", "length", "x"], len(parts))
        return ({"record": {name: p[0] for name, p in zip(names, parts)}}, "({%s})" % ", ".join("%s: %s" % (name, p[1]) for name, p in zip(names, parts)))

    def locale_call(self):
        r = self.random
        arguments = [] if r.random() < 0.1 else ['"%s"' % r.choice(locales)]
        if arguments and r.random() < 0.7:
            options = []
            for option in r.sample(["minimumFractionDigits: %d" % r.choice([0, 1, 2, 2, 5]), "maximumFractionDigits: %d" % r.choice([0, 1, 2, 2, 3, 6, 20]),
                                    "useGrouping: false", 'style: "percent"', "minimumIntegerDigits: %d" % r.choice([1, 2, 5])], r.randrange(0, 4)):
                options.append(option)
            arguments.append("{ %s }" % ", ".join(options))
        return ".toLocaleString(%s)" % ", ".join(arguments)

    def number_call(self):
        r = self.random
        kind = r.random()
        digits = str(r.choice([0, 0, 1, 1, 2, 2, 2, 3, 4, 6, 10, 17, 20, 21, 30, 100])) if r.random() < 0.96 else r.choice(["", "-1", "101", "2.9", '"3"', "null", "NaN"])
        if kind < 0.4:
            return ".toFixed(%s)" % digits
        if kind < 0.55:
            return ".toPrecision(%s)" % (digits if digits != "0" or r.random() < 0.1 else "4")
        if kind < 0.68:
            return ".toExponential(%s)" % digits
        if kind < 0.84:
            return ".toString(%s)" % r.choice(["", "2", "16", "8", "36", "3", "10", "7", "16", "1", "37"])
        return self.locale_call()

    def text_call(self):
        r = self.random
        return r.choice([".padStart(%d)" % r.randrange(0, 26), ".padEnd(%d)" % r.randrange(0, 26), ".padStart(%d, %s)" % (r.randrange(26), r.choice(['"0"', "'*-'", '"Ω"', '""', "7"])),
                         ".padEnd(%d, '.')" % r.randrange(26), ".toUpperCase()", ".toLowerCase()", ".trim()", ".repeat(%s)" % r.choice(["0", "2", "3", "-1"]), ".toString()", ".length"])

    def operand(self, place):
        r = self.random
        kind = r.random()
        if kind < 0.87:
            value = r.choices([self.whole, self.real, self.other], [4, 9, 3])[0]()
            self.big = value[1].endswith("n")
            out = place(value)
        else:
            self.big = False
            out = r.choice(["42", "2.5", "1e3", "0x1F", "1_000", "0b101", '"ink"', "'K-07'", "`a`", "true", "null", "undefined", "NaN", "[1, 2]", ".5", "5.", "Infinity", "(0.1 + 0.2)", "(1 / 3)", "(2 * 1.15)", "(-7 % 4)"])
        if r.random() < 0.15:
            out = r.choice(["Math.round(%s)", "Math.floor(%s)", "Math.ceil(%s)", "Math.trunc(%s)", "Math.abs(%s)", "String(%s)", "Number(%s)", "-%s", "+%s"]) % out
        return out

    def expression(self, place):
        r = self.random
        if r.random() < 0.02:
            return r.choice(["nosuch", "1__0", "0x", "5.toFixed(1)", "", "(", "1e", "'a", "7n", "nosuch(1)", "v0 +", "[1", "12n.toString(2)"])
        out = self.operand(place)
        left_big = self.big
        kind = r.random()
        if kind < 0.18:
            left, right = out, self.operand(place)
            # Arithmetic of two BigInts is not supported yet.
            out = left + (' + " " + ' if left_big and self.big else " " + r.choice("+-*/%+") + " ") + right
        if kind < 0.25:
            out = "(" + out + ")"
        elif kind < 0.3:
            return "Math.round(%s * 100) / 100" % out
        simple = out[:1].isalpha() and " " not in out or out.startswith("(")
        if r.random() < 0.75:
            if not simple:
                out = "(" + out + ")"
            out += self.number_call() if r.random() < 0.85 else self.text_call()
            if r.random() < 0.4 and not out.endswith("length"):
                out += self.text_call()
        elif simple and r.random() < 0.1:
            out += r.choice(["[0]", "[1]", ".mass", ".length", ".join('; ')", "[\"x\"]"])
        return out

    def case(self):
        r = self.random
        given = []
        by_name = r.random() < 0.3

        def place(value):
            given.append(value)
            return "v%d" % (len(given) - 1)

        if r.random() < 0.06:
            value = r.choice([self.whole, self.real, self.real, self.other])()
            return {"values": [value[0]]}, {"names": ["x"], "values": [value[1]], "template": "`${x}`"}
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "", "|", "Ω ", "$", "{", "}", "ink: ", "\\t", "\\x41", "\\u03a9", "\\0", "\\'", "\\uD83D\\uDDA8", "\\u{1F5A8}", "\\`", "\\$", "\\q", "\n", "\\\n"])
            template += "${" + r.choice(["", "", " "]) + self.expression(place) + r.choice(["", "", " "]) + "}"
        if r.random() < 0.01:
            template += r.choice(["${", "`", "\\1", "\\u12", "\\x4", "\\u{110000}", "${}", "${1 2}"])
        if not by_name:
            # A name without a value would take the first one.
            template = template.replace("nosuch", "undefined")
        # A template that breaks off early names fewer values than were made.
        names = ["v%d" % i for i in range(len(given))]
        source = "`" + template + "`"
        values = [{"named": [name, value[0]]} for name, value in zip(names, given)] if by_name else [value[0] for value in given]
        return ({"template": source, "values": values}, {"names": names, "values": [value[1] for value in given], "template": source})


def cases(seed, wanted):
    third = wanted // 3
    maker = Maker(seed)
    return asked([maker.case() for _ in range(wanted - third)]) + asked(javascript_calls.made(seed, third))


def asked(made):
    wanted = len(made)
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        (folder / "ask.js").write_text(program)
        (folder / "cases").write_text("".join(json.dumps(asked) + "\n" for _, asked in made))
        ran = subprocess.run(["node", folder / "ask.js", folder / "cases"], check=True, capture_output=True, text=True,
                             env={"PATH": "/usr/bin:/bin", "LANG": "en_US.UTF-8", "LC_ALL": "en_US.UTF-8", "TZ": "UTC"})
    return answered([(request, None) for request, _ in made], ran.stdout.splitlines(), wanted,
                    lambda line: {"fails": {"when": "compile", "as": line[1:]}} if line[0] == "!" else None)


def main():
    needs("node --version | grep -q v20")
    version = subprocess.run(["node", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "javascript", "runtime": "Node.js " + version, "recorder": "tools/record/javascript.py"}
    write_cases(root / "tests/vectors/javascript.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
