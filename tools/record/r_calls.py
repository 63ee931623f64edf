"""Whole calls of R: as requests of the contract, and as lines for the asking program."""

import os
import pathlib
import subprocess
import tempfile

from calls import Calls, Language
from recording import bytes_or_failure

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} %% {w}", "{w} %/% {w}", "-{w}", "as.integer({d})", "nchar({t})", "length({v})", "abs({w})", "max({w}, {w})", "sum({w}, {w})", "{v}[1L]",
          "length({u})", "which.max({u})", "bitwAnd({k}L, 6L)", "strtoi(\"ff\", 16L)", "nrow({m})", "nchar(\"größe\")", "order(c({k}, 3, 1))[1]"],
    "d": ["{d} + {n}", "{n} - {d}", "{d} * {n}", "{n} / {n}", "{d} ^ 2", "{d} %% {n}", "{d} %/% {n}", "-{d}", "round({d})", "round({d}, 2)", "round({d}, digits = 1)", "floor({d})", "ceiling({d})", "trunc({d})",
          "sqrt(abs({d}))", "abs({d})", "mean({v})", "sum({v})", "max({d}, {n})", "min({v})", "as.numeric({w})", "as.numeric(\"2.50\")", "signif({w}, 3)", "signif({w}, {k} + 1L)", "{k} ** 2", "{w} / 3", "pi * {n}", "ifelse({b}, {d}, {d})", "prod({w}, {d})",
          "median({u})", "sd({u})", "var({u})", "max({u})", "Reduce(`+`, {u})", "{u}[2]", "sum({m})", "factorial({k})", "choose(6, {k})", "sum(c(1, NA, {d}), na.rm = TRUE)"],
    "t": ["paste0({t}, {n})", "paste({t}, {n})", "paste({t}, {t}, sep = \"-\")", "toupper({t})", "tolower({t})", "trimws({t})", "strrep({t}, {k})", "substr({t}, 1, {k})", "format({d}, nsmall = 2)",
          "format(round({d}, 2), nsmall = 2)", "formatC({d}, digits = 2, format = \"f\")", "sprintf(\"%.2f\", {d})", "sprintf(\"%5s|\", {t})", "prettyNum({w}, big.mark = \",\")", "as.character({n})",
          "paste(sprintf(\"%.1f\", {v} + 0.5), collapse = \" \")", "paste({v}, collapse = \", \")", "ifelse({b}, {t}, {t})", "format({w}, width = 8)",
          "toString({u})", "gsub(\"a\", \"e\", {t})", "sub(\"n\", \"m\", {t})", "strsplit(\"a,b\", \",\")[[1]]", "class({n})", "typeof({v})", "names(c(a = {n}, b = {n}))", "letters[1:3]", "LETTERS[{k}L + 1L]", "list(a = {t}, n = {n})$a"],
    "b": ["{n} < {n}", "{n} <= {n}", "{n} > {n}", "{n} >= {n}", "{n} == {n}", "{n} != {n}", "{b} && {b}", "{b} || {b}", "!{b}", "{b} & {b}", "{t} == {t}", "is.na({d})",
          "{k} %in% {u}", "any({u} > 1)", "all({u} > 1)", "identical({u}, {u})", "is.numeric({d})", "startsWith({t}, \"in\")", "grepl(\"a\", {t})", "xor({b}, {b})"],
    "v": ["c({n}, {n}, {n})", "c({d}, {d})", "{k}:{k}", "rev({v})", "{v} * 2", "{v} + 0.5", "round({v}, 1)", "seq_len({k} + 1L)", "rep({w}, 3)", "{v} / 3", "c({v}, {n})", "{u}"],
    "u": ["c({k}, 7, {k})", "cumsum({u})", "sort({u})", "rev({u})", "{u}[-1]", "{u}[c(1, 2)]", "head({u}, 2)", "tail({u}, 2)", "seq(1, 2, by = 0.25)", "seq(0, {k} + 1, length.out = 3)", "rep({u}, times = 2)", "rep(c(1, {k}), each = 2)",
          "sapply({u}, function(i) i * 2)", "{u} * 1.5", "unique({u})", "diff(c({k}, 3, 8))", "range({u})", "{u}[c(TRUE, FALSE)]", "ifelse({u} > 2, 1, 0)", "Filter(function(x) x > 1, {u})", "rowSums({m})", "as.numeric({u})"],
    "m": ["matrix({u}, nrow = 1)", "t({m})", "{m} * 2", "matrix(1:6, 2)", "outer(1:2, {u})", "{m} + {m}", "matrix(c({n}, {n}, {n}, {n}), 2, byrow = TRUE)"],
    "a": ["c(a = {n}, b = {n})", "c(lot = {t}, name = {t})", "round(c(a = {d}, b = {d}), 1)", "c(a = {n}, b = {n}) * 2", "rev(c(a = 1, b = {n}))", "sapply(c(\"a\", \"bb\"), nchar)", "c(a = 1, b = {n})[\"b\"]"],
    "l": ["list(a = {n}, b = {t})", "list(v = {u}, m = {m})"],
    "z": ["(1+2i) * {k}", "c(1+2i, 3.5-1i)", "Conj(3-4i)", "(2+1i) * (1-1i)"],
}
types = {"w": [("i32", "")], "d": [("f64", "")], "t": [("text", "")], "b": [("truth", "")]}
constants = {"w": ["0L", "1L", "2L", "7L", "100L", "1000L"], "d": ["0.5", "0.76", "1e3", "100", ".25", "0.1", "3", "1e-8"], "t": ['"ink"', "'a b'", '""', '"x\\ty"'], "b": ["TRUE", "FALSE"],
             "u": ["c(0.5, 2.25, 100)", "1:3", "4:12", "c(3, 1, 2)"], "m": ["matrix(1:4, 2)", "matrix(c(0.5, 2.25, 100, 7), 2)"], "a": ["c(a = 1.5, b = 22)"], "l": ["list(a = 1)"], "z": ["1+2i"],
             "v": ["1:3", "c(0.5, 2.25, 100)", "c(3L, NA, 5L)", "c(1, 22, 333)", "c(0.001, 123456)", "4:12"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "TRUE" if value else "FALSE"
    return repr(float(value)) if type_name == "f64" else "%dL" % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 3)
    kind = r.random()
    if kind < 0.35:
        return "print(%s)" % made.make(r.choice("wdtbvvduumaalz"), depth, variables)
    if kind < 0.45:
        return "%s(%s)" % (r.choice(["writeLines", "message"]), made.make("t", depth, variables))
    parts = [made.make(r.choice("wdtbvdt"), depth, variables) for _ in range(r.randrange(1, 4))]
    if r.random() < 0.3:
        parts.insert(0, '"Total:"')
    if r.random() < 0.6:
        parts.append('"\\n"')
    if r.random() < 0.2:
        parts.append("sep = " + r.choice(['""', '", "', '"|"', '"\\n"']))
    return "%scat(%s)" % ("", ", ".join(parts))


language = Language(forms, types, written, constants, statement, ("ink", "Ink Margin", " paper ", "K-07", "ab", ""), loose=0)

head = """run <- function(made) {
  room <- rawConnection(raw(0), "wb")
  sink(room); sink(room, type = "message")
  failed <- tryCatch({ suppressWarnings(made()); NULL }, error = function(problem) class(problem)[1])
  sink(type = "message"); sink()
  bytes <- rawConnectionValue(room); close(room)
  base::cat(if (is.null(failed)) paste0("=", paste(bytes, collapse = "")) else failed, "\\n", sep = "")
}
"""


def made(seed, wanted):
    """Requests, each with the line that asks."""
    maker = Calls(seed + 1, language)
    out = []
    while len(out) < wanted:
        request, variables = maker.case()
        if any(v[1] == "w" and abs(int(v[2]["i32"])) > 10000 for v in variables):
            continue
        lets = "; ".join("%s <- %s" % (v[0], v[4]) for v in variables)
        out.append((request, "run(function() { %s; %s })" % (lets, request["statement"])))
    return out


def answers(maker, wanted, takes=lambda case: True):
    """Statements of `maker`, which `takes` may leave out, with what Rscript answers; NA, and what it refuses, are left out. At least as many as are wanted."""
    out = []
    with tempfile.TemporaryDirectory() as folder:
        while len(out) < wanted:
            made = [maker.statement() for _ in range(wanted // 2)]
            source = pathlib.Path(folder) / "calls.R"
            source.write_text(head + "".join("run(function() { %s })\n" % statement for statement in made), encoding="utf-8")
            ran = subprocess.run(["Rscript", "--vanilla", source], check=True, capture_output=True, text=True, env={**os.environ, "LC_ALL": "C.UTF-8", "TZ": "UTC"})
            cases = [{"statement": statement, **bytes_or_failure(line)} for statement, line in zip(made, ran.stdout.splitlines(), strict=True) if "4e41" not in line and line.startswith("=")]
            out += [case for case in cases if takes(case)]
    return out


def runtime():
    version = subprocess.run(["Rscript", "--version"], check=True, capture_output=True, text=True)
    words = (version.stdout + version.stderr).split()
    return "R " + words[words.index("version") + 1]
