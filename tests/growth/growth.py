#!/usr/bin/env python3
"""Nothing grows faster than its input: the work for n and for 4n of a thing, counted in instructions.

    growth.py INKY [CASE]

The tool is run under callgrind, which counts the same in every run, whatever else the machine does.
What it takes to start is left out. Fourfold input may take up to sixfold work.
"""

import json
import os
import re
import subprocess
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor

TOOL = sys.argv[1]
WANTED = sys.argv[2] if len(sys.argv) > 2 else ""
MOST_GROWTH = 6.0
# Writing and reading a whole number in base 10 is quadratic, and bounded: at the limit of 20,000
# digits it takes fewer instructions than this.
QUADRATIC = {"show python: digits": 60_000_000}


def names(n):
    return [f"x{i}" for i in range(n)]


def named(n):
    return [{"named": [name, 1]} for name in names(n)]


def lines(*requests):
    return "".join(json.dumps(request) + "\n" for request in requests)


def show(dialect, template, values):
    return ["show", "--jsonl"], lines({"dialect": dialect, "template": template, "values": values})


def statement(dialect, source):
    return ["show", "--jsonl"], lines({"dialect": dialect, "statement": source, "values": []})


def check(dialect, template, **more):
    return ["check", "--jsonl"], lines({"dialect": dialect, "template": template, **more})


def carry(dialect, template, to):
    return ["carry", "--jsonl"], lines({"dialect": dialect, "template": template, "to": to})


def slots(n):
    return "`" + "".join("${%s}" % name for name in names(n)) + "`"


def keys(n, form):
    return "".join(form % name for name in names(n))


def file_with(ending, text):
    with tempfile.NamedTemporaryFile("w", suffix=ending, delete=False) as file:
        file.write(text)
    return file.name


def proof_of(ending, text):
    return ["proof", file_with(ending, text), "--style", "csv"], ""


def declarations(n):
    text = "".join(f'int v{i} = {i}; printf("%d", v{i});\n' for i in range(n))
    return ["check", file_with(".c", text)], ""


# A name, the smaller n, and what to run.
CASES = [
    ("show javascript: names", 1000, lambda n: show("javascript", slots(n), named(n))),
    ("show javascript: places", 1000, lambda n: show("javascript", slots(n), [1] * n)),
    ("show cpp-stream: names", 1000, lambda n: show("cpp-stream", "cout" + keys(n, " << %s"), named(n))),
    ("show cpp-stream: places", 1000, lambda n: show("cpp-stream", "cout" + keys(n, " << %s"), [1] * n)),
    ("show rust: names", 1000, lambda n: show("rust", keys(n, "{%s}"), named(n))),
    ("show rust: places", 1000, lambda n: show("rust", "{}" * n, [1] * n)),
    ("show python: names", 1000, lambda n: show("python", keys(n, "{%s}"), named(n))),
    ("show python: places", 1000, lambda n: show("python", "{}" * n, [1] * n)),
    ("show python: an f-string", 1000, lambda n: show("python", 'f"' + keys(n, "{%s}") + '"', named(n))),
    ("show python-percent: keys", 1000, lambda n: show("python-percent", keys(n, "%%(%s)s"), named(n))),
    ("show python: a record", 1000,
     lambda n: show("python", "{}", [{"record": {name: 1 for name in names(n)}}])),
    ("show python: digits", 5000, lambda n: show("python", "{:d}", [{"big": "7" * n}])),
    ("show r: a vector", 2000, lambda n: show("r", "%d", [[1] * n])),
    ("show r-format: a vector", 2000, lambda n: show("r-format", "format(x)", [{"named": ["x", [1] * n]}])),
    ("show octave: a list", 2000, lambda n: show("octave", "%d ", [[1] * n])),
    ("show octave-display: a list", 2000,
     lambda n: show("octave-display", "x", [{"named": ["x", [1] * n]}])),
    ("show lisp: an iteration", 2000, lambda n: show("lisp", "~{~D~A~}", [[1] * n])),
    ("show lisp: columns", 1000, lambda n: show("lisp", "~D~8T" * n, [1] * n)),
    ("show fsharp: %A", 250, lambda n: show("fsharp", "%A" * n, [[1, 2]] * n)),
    *((f"show {dialect}: fields", 2000, lambda n, d=dialect, f=field: show(d, f * n, [1] * n))
      for dialect, field in [("c", "%d"), ("cpp-format", "{}"), ("fsharp", "%d"), ("java", "%d"),
                             ("lisp", "~D"), ("octave", "%d"), ("php", "%d"), ("r", "%d")]),
    ("show php: a sorted array", 1000, lambda n: statement("php", "$a = range(1, %d); rsort($a); echo $a[0];" % n)),
    ("show csharp: what is distinct", 1000,
     lambda n: statement("csharp", "Console.WriteLine(Enumerable.Range(1, %d).Distinct().Count());" % n)),
    ("show c: counted names", 250, lambda n: statement("c", 'printf("%d", ' + " + ".join(name + "++" for name in names(n)) + ");")),
    ("show java: an array", 500, lambda n: statement("java", "int[] q = {%s}; System.out.println(q[0]);" % ", ".join(["7"] * n))),
    ("show rust: a vector", 500, lambda n: statement("rust", 'let v = vec![%s]; println!("{}", v[0]);' % ", ".join(["7"] * n))),
    ("show cpp-stream: a vector", 500, lambda n: statement("cpp-stream", "vector<int> v = {%s}; cout << v[0] << endl;" % ", ".join(["7"] * n))),
    ("show csharp: fields", 1000, lambda n: show("csharp", "".join("{%d}" % i for i in range(n)), [1] * n)),
    ("request: the same keys", 5000, lambda n: (["show", "--jsonl"], lines({name: 1 for name in names(n)}))),
    ("request: lists", 10000,
     lambda n: show("python", "{}", [[[]] * n])),
    *((f"check {dialect}: fields", 200, lambda n, d=dialect, f=field: check(d, f * n))
      for dialect, field in [("c", "%d"), ("lisp", "~D"), ("rust", "{}"), ("python", "{}"),
                             ("java", "%s"), ("php", "%d"), ("fsharp", "%A")]),
    ("check c: faults", 25, lambda n: check("c", "%d" * n, types=["f64"] * n)),
    ("check javascript: names", 200, lambda n: check("javascript", slots(n))),
    ("check: declarations", 1500, declarations),
    ("carry c: values", 12, lambda n: carry("c", "%d|" * n, ["rust", "java", "python"])),
    ("carry c: reals", 5, lambda n: carry("c", "%.2f|" * n, ["rust", "java", "lisp"])),
    ("weigh: operations", 100, lambda n: (["weigh", "--jsonl"], lines({"number": " + ".join(["7"] * n)}))),
    ("weigh: parentheses", 50, lambda n: (["weigh", "--jsonl"], lines({"number": "(" * n + "1" + ")" * n}))),
    ("weigh: digits", 5000, lambda n: (["weigh", "--jsonl"], lines({"number": "0." + "7" * n}))),
    ("proof: columns of CSV", 200,
     lambda n: proof_of(".csv", ",".join(names(n)) + "\n" + ",".join(["1"] * n) + "\n")),
    ("proof: columns of one name", 200,
     lambda n: proof_of(".csv", ",".join(["x"] * n) + "\n" + ",".join(["1"] * n) + "\n")),
    ("proof: rows of CSV", 1000, lambda n: proof_of(".csv", "a,b\n" + "1,ink\n" * n)),
    ("proof: rows of JSON Lines", 1000,
     lambda n: proof_of(".jsonl", "".join('{"a":%d,"b":"ink"}\n' % i for i in range(n)))),
]


def instructions(arguments, text):
    ran = subprocess.run(
        ["valgrind", "--tool=callgrind", "--callgrind-out-file=/dev/null", TOOL, *arguments],
        input=text, capture_output=True, text=True, errors="replace",
        env={**os.environ, "LC_ALL": "C.UTF-8"})
    found = re.search(r"Collected : (\d+)", ran.stderr)
    if found is None or ran.returncode not in (0, 1):
        raise RuntimeError(f"{arguments}: status {ran.returncode}\n{ran.stderr[-400:]}")
    return int(found.group(1)), ran.stdout


def measure(case):
    name, n, make = case
    small, _ = instructions(*make(n))
    large, answer = instructions(*make(4 * n))
    return name, n, small, large, answer


def main():
    start, _ = instructions(["--version"], "")
    faults = 0
    chosen = [case for case in CASES if WANTED in case[0]]
    with ThreadPoolExecutor(os.cpu_count()) as pool:
        for name, n, small, large, answer in pool.map(measure, chosen):
            growth = (large - start) / max(small - start, 1)
            # An answer that is a limit says nothing of growth.
            limited = '"over-limit"' in answer
            bound = QUADRATIC.get(name)
            fails = limited or (growth > MOST_GROWTH if bound is None else large - start > bound)
            faults += fails
            print(f"{name}: {n} and {4 * n}: {small - start:,} and {large - start:,}, "
                  f"{growth:.1f}-fold{', over a limit' if limited else ''}{'  FAILS' if fails else ''}")
    print(f"{len(chosen) - faults} passed, {faults} failed")
    return 1 if faults or not chosen else 0


sys.exit(main())
