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

from recording import Times, Values, bytes_or_failure, needs, write_cases

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
    "d": ["datenum({date})", "datenum([{parts}])", "datenum({date}, {clock})", '(datenum("{iso}", "yyyy-mm-dd"))', "({d} + {k})", "({d} - {k} / 24)", "datenum([{date}, {clock}])"],
    "t": ['datestr({d}, "{format}")', "datestr({d}, {number})", "datestr({d})", "datestr([{parts}])", 'strftime("{codes}", gmtime({seconds}))', 'strftime("{codes}", localtime({seconds}))',
          "strtrim(asctime(gmtime({seconds})))", 'datestr("{iso}", {number})', 'datestr("{iso} {time}", "{format}")'],
    "w": ["{d}", "weekday({d})", "floor({d})", "{d} - {d}", "eomday({year}, {month})", "is_leap_year({year})", "datevec({d})(1)", "length({t})"],
}
codes = "aAbBcdeFHIjmMpRSTuUVwWyYGgCDr%"
letters = ["yyyy", "yy", "mm", "mmm", "mmmm", "dd", "ddd", "dddd", "HH", "MM", "SS", "m", "d", "QQ"]


class Maker:
    def __init__(self, seed):
        self.random = Values(seed).random
        self.times = Times(self.random)

    def filled(self, text, depth):
        return re.sub(r"\{(\w+)\}", lambda found: self.part(found.group(1), depth), text)

    def part(self, name, depth):
        r = self.random
        if name in forms:
            choices = forms[name] if depth > 0 else [form for form in forms[name] if not re.search(r"\{[tw]\}", form)]
            return self.filled(r.choice(choices[:3] if name == "d" and depth <= 0 else choices), depth - 1)
        if name == "k":
            return str(r.randrange(0, 60))
        year, month, day = self.times.date()
        if r.random() < 0.7:
            year = r.randrange(1950, 2080)
        # A day that there is, in a year that steps do not leave.
        year, day = max(min(year, 9000), 10), min(day, 28)
        hour, minute, second = self.times.clock(0)[:3]
        if name == "format":
            made = "".join(r.choice(["", "/", "-", " ", ".", ":", ", "]) + r.choice(letters) for _ in range(r.randrange(1, 5)))
            # Letters that run together, or that make a text of their own, are read otherwise.
            made = re.sub(r"([A-Za-z])\1{4,}", r"\1\1", made)
            return made if not re.search(r"[a-zA-Z]{5,}|m{2}M|d[md]{2,}m", made) and all(one in letters for one in re.findall(r"[A-Za-z]+", made)) else "dd/mm/yyyy"
        if name == "codes":
            return "".join(r.choice(["", "/", "-", " ", ".", ":"]) + "%" + r.choice(codes) for _ in range(r.randrange(1, 5)))
        return {"iso": "%04d-%02d-%02d" % (year, month, day), "date": "%d, %d, %d" % (year, month, day), "parts": "%d %d %d %d %d %d" % (year, month, day, hour, minute, second),
                "clock": "%d, %d, %d" % (hour, minute, second), "time": "%02d:%02d:%02d" % (hour, minute, second), "number": str(r.randrange(32)),
                "seconds": str(r.randrange(0, 4_000_000_000)), "year": str(year), "month": str(month)}[name]

    def statement(self):
        form = self.random.choice(["disp({t})", 'printf("%s\\n", {t})', 'printf("%g\\n", {w})', "disp({w})", 'printf("%.6f\\n", {d})', 'fprintf("%s|%d\\n", {t}, {w})', 'd = {d}; printf("%s %s\\n", datestr(d, 1), datestr(d + {k}, "{format}"))'])
        return self.filled(form, self.random.randrange(0, 3))


def cases(seed, wanted):
    maker = Maker(seed)
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
