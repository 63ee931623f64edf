#!/usr/bin/env python3
"""Records what format, formatC and prettyNum of R make of vectors.

    tools/record/r_format.py [SEED]           writes tests/vectors/r-format.jsonl
    tools/record/r_format.py --live SEED      fewer cases, to standard output
"""

import pathlib
import struct
import subprocess
import sys
import tempfile

from recording import Values, needs, real_payload, write_cases

count = 6000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]

head = r"""
options(warn = -1)
hex <- function(text) paste(sprintf("%02x", as.integer(charToRaw(enc2utf8(text)))), collapse = "")
real <- function(text) {
  bytes <- as.raw(strtoi(substring(text, seq(1, 15, 2), seq(2, 16, 2)), 16L))
  readBin(bytes, "double", 1, 8, endian = "big")
}
ask <- function(call) {
  texts <- tryCatch(call(), error = function(problem) NULL)
  if (is.null(texts)) cat("!\n") else cat("=", if (length(texts)) paste0(" ", vapply(texts, hex, "")), "\n", sep = "")
}
"""


def literal(text):
    return '"' + "".join(c if 32 <= ord(c) < 127 and c not in '"\\' else "\\U%08x" % ord(c) for c in text) + '"'


class Maker:
    """Calls with their values, each as the contract and as R have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def real(self):
        r = self.random
        kind = r.random()
        if kind < 0.5:
            value = self.values.real()
        elif kind < 0.8:
            value = r.choice([0.1, 0.15, 0.25, 2.675, 1e5, 123456, 1234567.891, 1e15, 1e-5, 0.00012345, 99999.5, 9996, 999.9999, 12.5, 100.0, 1e-99, 1e99, 1e100, 0.5, 9.999, 9.995])
            value = -value if r.random() < 0.2 else value
        else:
            value = round(r.uniform(-1000, 1000), r.randrange(6))
        value = float(value)
        return {"f64": real_payload(value)}, 'real("%016x")' % struct.unpack("<Q", struct.pack("<d", value))[0]

    def whole(self):
        value = self.values.whole(self.random.choice([8, 16, 32, 32]), True)
        if value == -2 ** 31:
            value = 0
        return {"i32": str(value)}, "(%dL)" % value

    def text(self):
        text = self.values.text()
        while "\n" in text or "🖨" in text or "\u0301" in text:
            text = self.values.text()
        return text, literal(text)

    def truth(self):
        return self.random.choice([(True, "TRUE"), (False, "FALSE")])

    def nothing(self):
        return None, "NA"

    def vector(self, maker):
        r = self.random
        parts = [r.choices([maker, self.nothing], [12, 1])[0]() for _ in range(r.choice([1, 2, 2, 3, 4]))]
        return [part[0] for part in parts], "c(%s)" % ", ".join(part[1] for part in parts)

    def argument(self):
        r = self.random
        maker = r.choices([self.real, self.whole, self.text, self.truth], [10, 3, 3, 1])[0]
        kind = "text" if maker == self.text else "number" if maker != self.truth else "truth"
        if r.random() < 0.5:
            return kind, self.vector(maker)
        return kind, maker() if r.random() < 0.97 else self.nothing()

    def format(self, kind):
        r = self.random
        out = []
        if r.random() < 0.55:
            out.append("digits = %s" % r.choice([1, 2, 3, 3, 4, 5, 7, 10, 15, 16, 17, 22, 0, 23] if r.random() < 0.1 else [1, 2, 3, 3, 4, 5, 6, 7, 10, 12]))
        if r.random() < 0.4:
            out.append("nsmall = %s" % r.choice([0, 1, 2, 2, 2, 3, 5, 20] if r.random() < 0.97 else [21, -1]))
        if r.random() < 0.4:
            out.append("width = %s" % r.choice([0, 1, 5, 8, 10, 12, 20, "12L"]))
        if r.random() < 0.2:
            out.append("scientific = %s" % r.choice(["TRUE", "FALSE", "NA", "5", "-2", "2", "-10"]))
        if r.random() < (0.5 if kind == "text" else 0.05):
            out.append("justify = %s" % r.choice(['"left"', '"right"', '"centre"', '"none"', '"cen"', '"x"']))
        if r.random() < 0.25 and kind != "text":
            out.append("big.mark = %s" % r.choice(['","', '" "', '"\'"', "','"]))
            if r.random() < 0.2:
                out.append("big.interval = %s" % r.choice([2, 3, 4]))
        if r.random() < 0.1 and kind == "number":
            out.append("drop0trailing = TRUE")
        if r.random() < 0.1:
            out.append("trim = %s" % r.choice(["TRUE", "FALSE"]))
        if r.random() < 0.05 and kind == "number":
            out.append('decimal.mark = ","')
            out = [one for one in out if "big.mark" not in one]
        return out

    def format_c(self, kind):
        r = self.random
        out = []
        if r.random() < 0.6:
            out.append("digits = %s" % r.choice([0, 1, 2, 2, 3, 4, 6, 8, 10, 15, -1]))
        if r.random() < 0.6:
            out.append("width = %s" % r.choice([1, 4, 8, 10, 12, 20, -8, 0]))
        if r.random() < 0.6 and kind != "text":
            out.append('format = "%s"' % r.choice("fffeEgGddz" if r.random() < 0.2 else ["f", "f", "f", "e", "E", "g", "G", "d", "fg", "fg"]))
        if r.random() < 0.5:
            out.append('flag = "%s"' % r.choice(["0", "-", "+", " ", "#", "-+", "0+", "x", "+#"]))
        if r.random() < 0.15 and kind == "number":
            out.append('big.mark = ","')
        if r.random() < 0.12 and kind == "number":
            out.append("drop0trailing = %s" % r.choice(["TRUE", "TRUE", "FALSE"]))
        if r.random() < 0.08 and kind == "number":
            out.append('decimal.mark = ","')
        if r.random() < 0.08 and kind == "number":
            out.append('mode = "%s"' % r.choice(["double", "integer", "real", "character"]))
        return out

    def case(self):
        r = self.random
        kind, (given, source) = self.argument()
        function = r.choices(["format", "formatC", "prettyNum"], [10, 6, 1 if kind != "text" else 0])[0]
        if r.random() < 0.04 and not isinstance(given, list):
            return {"values": [given]}, "format(%s)" % source
        arguments = self.format(kind) if function == "format" else self.format_c(kind) if function == "formatC" else \
            ['big.mark = %s' % r.choice(['","', '" "'])] + (["big.interval = 2"] if r.random() < 0.2 else [])
        r.shuffle(arguments)
        if function == "format" and r.random() < 0.1:
            arguments = [one.replace("digits", "dig").replace("scientific", "sci") for one in arguments]
        place = 0 if r.random() < 0.9 else r.randrange(len(arguments) + 1)
        literals = r.random() < 0.2
        name = r.choice(["x", "mass", "x = y", "lot.1"]) if place == 0 else "mass"
        shown = name
        if literals:
            shown = r.choice((['"ink"', 'c("a", "bbb")', 'c(1, "a")'] if function != "prettyNum" else []) + ["12.5", "c(1, 10.5, 100)", "1e5", "123456L", "-0.001", "TRUE", "NA", "c(1.5, NA)", "pi", "NaN", "-Inf", "NULL",
                              "c(TRUE, FALSE)", "c(1.5, 2L)", "100000L", "nosuch"])
        # Without any element that is there, the type of NA would decide, which the contract has not.
        elif kind == "number" and any(one is not None for one in (given if isinstance(given, list) else [given])) and r.random() < 0.3:
            before, bare = name.rsplit(" = ", 1) if " = " in name else ("", name)
            made = r.choice(["round(%s, 2)", "%s * 2", "%s / 3", "-%s", "abs(%s)", "round(%s)", "%s + 1", "c(%s, 1.5)", "sqrt(abs(%s))", "%s * 1.19", "round(%s * 100) / 100"]) % bare
            shown = (before + " = " if before else "") + made
        listed = arguments[:place] + [shown] + arguments[place:]
        template = "%s(%s)" % (function, ", ".join(listed)) if r.random() < 0.9 else "%s( %s )" % (function, ",".join(listed))
        if r.random() < 0.01:
            template = r.choice(["format()", "format(x", "format('x)", "format(x, digits = 2, digits = 3)", "formatC(x, foo = 1)", "format(12x)"])
        values = [] if literals or "(x" not in template and name not in template else [given]
        actual = template
        if not literals and values:
            bare = name.split(" = ")[-1]
            actual = "{ %s <- %s; %s }" % (bare, source, template)
        return {"template": template, "values": values}, actual


def cases(seed, wanted):
    maker = Maker(seed)
    made = [maker.case() for _ in range(wanted)]
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        # A case a file of its own text, so that one that cannot be read is told apart.
        calls = "\n".join("eval_case(%s)" % literal(call) for _, call in made)
        (folder / "record.R").write_text(head + r"""
eval_case <- function(source) {
  parsed <- tryCatch(parse(text = source), error = function(problem) NULL)
  if (is.null(parsed)) cat("parse\n") else ask(function() eval(parsed, new.env()))
}
""" + calls + "\n", encoding="utf-8")
        ran = subprocess.run(["Rscript", "--vanilla", folder / "record.R"], capture_output=True, text=True, check=True,
                             env={"PATH": "/usr/bin:/bin", "LANG": "C.UTF-8", "LC_ALL": "C.UTF-8", "HOME": str(folder)})
    out = []
    for (request, _), line in zip(made, ran.stdout.splitlines(), strict=True):
        if line == "parse":
            answer = {"fails": {"when": "compile", "as": "parse error"}}
        elif line == "!":
            answer = {"fails": {"when": "run", "as": "simpleError"}}
        else:
            # A blank before each text, also before one of nothing.
            texts = [bytes.fromhex(text).decode() for text in line[1:].split(" ")[1:]]
            answer = {"text": texts[0]} if len(texts) == 1 else {"texts": texts}
        out.append({**request, **answer})
    return out


def main():
    needs("Rscript --version")
    version = subprocess.run(["Rscript", "-e", "cat(as.character(getRversion()))"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "r-format", "runtime": "R " + version, "recorder": "tools/record/r_format.py"}
    write_cases(root / "tests/vectors/r-format.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
