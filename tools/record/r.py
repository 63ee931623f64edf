#!/usr/bin/env python3
"""Records what sprintf of R prints, and what whole calls print.

    tools/record/r.py [SEED]           writes tests/vectors/r.jsonl
    tools/record/r.py --live SEED      fewer cases, to standard output
"""

import math
import os
import pathlib
import subprocess
import sys
import tempfile

import r_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]

# Each case is parsed by itself, so that what R cannot parse fails alone.
head = r"""
hex <- function(x) paste(vapply(x, function(t) paste0("=", paste(as.character(charToRaw(enc2utf8(t))), collapse = "")), ""), collapse = " ")
ask <- function(source) {
  call <- tryCatch(parse(text = source, keep.source = FALSE)[[1]], error = function(e) NULL)
  if (is.null(call)) { cat("!\n"); return(invisible()) }
  line <- tryCatch({
    texts <- suppressWarnings(eval(call))
    odd <- length(texts) > 1 && !all(validUTF8(texts))
    if (length(texts) == 0) "none" else if (odd || any(nchar(texts, "bytes") > 5000)) "skip" else hex(texts)
  }, error = function(e) class(e)[1])
  cat(line, "\n", sep = "")
}
for (line in readLines("CASES", encoding = "UTF-8")) ask(line)
"""


def literal(text):
    return '"' + text.replace("\\", "\\\\").replace('"', '\\"').replace("\n", "\\n") + '"'


def real(value):
    if math.isnan(value):
        return "NaN"
    if math.isinf(value):
        return "-Inf" if value < 0 else "Inf"
    return value.hex().replace("0x0.0p+0", "0x0p+0")


class Maker:
    """Templates with their values, each as the contract and as R have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def scalar(self, letter):
        r = self.random
        kind = r.choice("whole real text truth".split()) if letter == "s" or r.random() < 0.06 else (
            "whole" if letter in "dioxX" else r.choice(["real", "real", "real", "whole"]))
        if r.random() < 0.06:
            return None, "NA"
        if kind == "whole":
            name, bits, signed = r.choice([("i8", 8, True), ("i32", 32, True), ("i32", 32, True), ("u16", 16, False), ("i64", 64, True), ("u32", 32, False)])
            value = self.values.whole(bits, signed)
            small = name in ("i8", "i32", "u16") and value != -2 ** 31
            return {name: str(value)}, "%dL" % value if small else "%d" % value
        if kind == "text":
            text = self.values.text()
            return text, literal(text)
        if kind == "truth":
            return r.choice([(True, "TRUE"), (False, "FALSE")])
        value = float(r.randrange(-2000, 2000)) if letter in "dixs" and r.random() < 0.5 else self.values.real()
        if r.random() < 0.3 and letter == "s":
            value = r.choice([1e5, 123456.0, 1e15, 1e-4, 0.1 + 0.2, 1e-5, 100000.5, 2.0 ** 31, 1e22])
        return {"f64": real_payload(value)}, real(value)

    def value(self, letter):
        r = self.random
        if r.random() < 0.88:
            return self.scalar(letter)
        items = [self.scalar(letter) for _ in range(r.choice([0, 1, 2, 2, 3, 4]))]
        return {"list": [item[0] for item in items]}, "c(%s)" % ", ".join(item[1] for item in items)

    def count(self, values, width):
        r = self.random
        if r.random() < 0.15:
            amount = r.randrange(-12 if width else 0, 25) if r.random() < 0.92 else r.choice([2.5, "5", None, True])
            source = {None: "NA", True: "TRUE", "5": '"5"', 2.5: "2.5"}[amount] if not isinstance(amount, int) or amount is True else "%dL" % amount
            values.append(({"f64": real_payload(amount)} if isinstance(amount, float) else amount, source))
            return "*"
        return str(r.randrange(26))

    def field(self, values):
        r = self.random
        letter = r.choice("dioxXeEfgGaAsdfgs") if r.random() < 0.985 else r.choice("ybcDup%é")
        source = "%"
        if r.random() < 0.05:
            source += "%d$" % r.randrange(0 if r.random() < 0.1 else 1, 4)
        source += "".join(flag for flag in ("-" if letter == "s" else "-+ #0") if r.random() < 0.2)
        starred = r.random() < 0.5
        if starred:
            source += self.count(values, True)
        if r.random() < 0.45:
            precise = self.count(values, False) if r.random() < 0.92 else ""
            source += "." + precise
        values.append(self.value(letter))
        return source + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.07:
            value = self.scalar("s")
            return {"values": [value[0]]}, "capture.output(print(%s))" % value[1]
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\x41", "\\u03a9", "\\101", "\\u{3a9}", "\\'", "\\`"])
            template += self.field(values)
        if r.random() < 0.04 and values:
            values.pop()
        if r.random() < 0.03:
            values.append(self.value("s"))
        if r.random() < 0.02:
            template += r.choice(["%", "%5", "%-", "%.", "\\q", "\\400"])
        # A negative precision is undefined, and positions may make one.
        if ".*" in template and "$" in template:
            return self.case()
        call = ", ".join(['"%s"' % template] + [value[1] for value in values])
        return {"template": template, "values": [value[0] for value in values]}, "sprintf(%s)" % call


def answer(line):
    if line == "!":
        return {"fails": {"when": "compile", "as": "parse error"}}
    if line == "none":
        return {"texts": []}
    if " " in line:
        return {"texts": [bytes.fromhex(text[1:]).decode() for text in line.split(" ")]}
    return None


def cases(seed, wanted):
    third = wanted // 3
    return templates(seed, wanted - third) + calls(seed, third)


def calls(seed, wanted):
    made = r_calls.made(seed, wanted)
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "calls.R"
        source.write_text(r_calls.head + "".join(body + "\n" for _, body in made), encoding="utf-8")
        ran = subprocess.run(["Rscript", "--vanilla", source], check=True, capture_output=True, env={**os.environ, "LC_ALL": "C.UTF-8"})
    return answered(made, ran.stdout.decode().splitlines(), wanted)


def templates(seed, wanted):
    maker = Maker(seed)
    made = [maker.case() for _ in range(wanted + 50)]
    with tempfile.TemporaryDirectory() as folder:
        asked = pathlib.Path(folder) / "cases"
        asked.write_text("".join(call + "\n" for _, call in made), encoding="utf-8")
        source = pathlib.Path(folder) / "record.R"
        source.write_text(head.replace("CASES", str(asked)), encoding="utf-8")
        ran = subprocess.run(["Rscript", "--vanilla", source], check=True, capture_output=True, env={**os.environ, "LC_ALL": "C.UTF-8"})
    return answered(made, ran.stdout.decode().splitlines(), wanted, answer)


def main():
    needs("Rscript --version")
    version = subprocess.run(["Rscript", "--version"], check=True, capture_output=True, text=True)
    header = {"dialect": "r", "runtime": "R " + (version.stdout + version.stderr).split()[3], "recorder": "tools/record/r.py"}
    write_cases(root / "tests/vectors/r.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
