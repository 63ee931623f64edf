#!/usr/bin/env python3
"""Records what whole calls of GNU Octave print of dates and times.

    tools/record/octave_dates.py [SEED]           writes tests/vectors/octave-dates.jsonl
    tools/record/octave_dates.py --live SEED      fewer cases, to standard output
"""

import os
import pathlib
import re
import subprocess
import sys
import tempfile

from date_calls import DateCalls
from recording import bytes_or_failure, needs, write_cases

count = 5000
live_count = 1500
root = pathlib.Path(__file__).resolve().parents[2]

head = """1;
function line (text)
  printf ("=%s\\n", sprintf ("%02x", uint8 (text)));
end
function failed (problem)
  printf ("error\\n");
end
"""

# d: a serial number; t: a text; w: a number.
forms = {
    "d": ["datenum({date})", "datenum([{parts}])", "datenum({date}, {time})", '(datenum("{iso}", "yyyy-mm-dd"))', "({d} + {k})", "({d} - {k} / 24)", "datenum([{date}, {time}])"],
    "t": ['datestr({d}, "{format}")', "datestr({d}, {number})", "datestr({d})", "datestr([{parts}])", 'strftime("{codes}", gmtime({seconds}))', 'strftime("{codes}", localtime({seconds}))',
          "strtrim(asctime(gmtime({seconds})))", 'datestr("{iso}", {number})', 'datestr("{iso} {clock}", "{format}")'],
    "w": ["{d}", "weekday({d})", "floor({d})", "{d} - {d}", "eomday({year}, {month})", "is_leap_year({year})", "datevec({d})(1)", "length({t})"],
}
codes = "aAbBcdeFHIjmMpRSTuUVwWyYGgCDr%"
letters = ["yyyy", "yy", "mm", "mmm", "mmmm", "dd", "ddd", "dddd", "HH", "MM", "SS", "m", "d", "QQ"]


statements = ["disp({t})", 'printf("%s\\n", {t})', 'printf("%g\\n", {w})', "disp({w})", 'printf("%.6f\\n", {d})', 'fprintf("%s|%d\\n", {t}, {w})', 'd = {d}; printf("%s %s\\n", datestr(d, 1), datestr(d + {k}, "{format}"))']


def part(maker, name, date):
    r = maker.random
    hour, minute, second = maker.times.clock(0)[:3]
    if name == "format":
        made = "".join(r.choice(["", "/", "-", " ", ".", ":", ", "]) + r.choice(letters) for _ in range(r.randrange(1, 5)))
        # Letters that run together are read otherwise.
        return made if all(one in letters for one in re.findall(r"[A-Za-z]+", made)) else "dd/mm/yyyy"
    if name == "codes":
        return "".join(r.choice(["", "/", "-", " ", ".", ":"]) + "%" + r.choice(codes) for _ in range(r.randrange(1, 5)))
    return {"k": str(r.randrange(0, 60)), "date": "%d, %d, %d" % date, "parts": "%d %d %d %d %d %d" % (date + (hour, minute, second)), "time": "%d, %d, %d" % (hour, minute, second),
            "number": str(r.randrange(32)), "seconds": str(r.randrange(0, 4_000_000_000))}[name]


def cases(seed, wanted):
    maker = DateCalls(seed, forms, "dtw", forms["d"][:3], statements, part)
    out = []
    with tempfile.TemporaryDirectory() as folder:
        while len(out) < wanted:
            made = [maker.statement() for _ in range(wanted // 2)]
            quoted = ['"' + "".join("\\%03o" % byte for byte in statement.encode("utf-8")) + '"' for statement in made]
            source = pathlib.Path(folder) / "dates.m"
            source.write_text(head + "".join("try; line(evalc(%s)); catch problem; failed(problem); end\n" % one for one in quoted), encoding="utf-8")
            ran = subprocess.run(["octave-cli", "--norc", "--quiet", "--no-gui", source], capture_output=True, text=True, env={**os.environ, "LC_ALL": "C.UTF-8", "TZ": "UTC"})
            for statement, line in zip(made, ran.stdout.splitlines(), strict=True):
                if line.startswith("="):
                    out.append({"statement": statement, **bytes_or_failure(line)})
    return out[:wanted]


def main():
    needs("octave-cli --version")
    version = subprocess.run(["octave-cli", "--version"], check=True, capture_output=True, text=True).stdout.split()[3]
    header = {"dialect": "octave", "runtime": "GNU Octave " + version, "recorder": "tools/record/octave_dates.py"}
    write_cases(root / "tests/vectors/octave-dates.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
