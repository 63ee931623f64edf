#!/usr/bin/env python3
"""Records tests/vectors/shell.jsonl from the printf of dash.

    tools/record/shell.py [SEED]          the vector file, anew
    tools/record/shell.py --live SEED     a shorter one to standard output

Each case is a run of dash of its own, whose standard output, complaints and exit status are kept.
"""

import concurrent.futures
import pathlib
import subprocess
import sys

import shell_calls
from recording import Values, answer_of, needs, write_cases

root = pathlib.Path(__file__).resolve().parents[2]
count = 9000
live_count = 3000

# What dash says, and whether it stops there.
complaints = ["expected numeric value", "not completely converted", "Numerical result out of range",
              "missing format character", "invalid directive", "Illegal option"]


class Maker:
    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def number_text(self):
        """A text that is a number, or nearly one."""
        r = self.random
        base = r.choice(["%d", "%d", "0%o", "0x%x", "0X%X", "+%d", "-%d", " %d", "\t-%d"])
        if r.random() < 0.35:
            return r.choice(["2.675", "1e400", "-1e400", "1e-400", "0x1.8p3", "inf", "-nan", "nan(1)", "1,5", " 2.5", ".5", "5.", "1e", "0x", "1e+", "%r" % self.values.real(), "%.3f" % self.values.real(),
                             "4.9e-324", "1e-310", "2.2250738585072014e-308", "infinit", "+3.25", "1.5e3x", "0x.8", "-.", "."])
        text = base % abs(self.values.whole(r.choice([8, 16, 32, 63, 64, 66]), False))
        if r.random() < 0.25:
            text += r.choice([" ", "x", ".5", "e3", "8", "9", "_", "é", "\n"])
        return text

    def text(self):
        r = self.random
        kind = r.randrange(8)
        if kind < 3:
            return self.number_text()
        if kind == 3:
            return r.choice(["", "-", "+", "0x", "0", "-0", "08", "0xg", "'", '"', "'A", '"é', "'ab", "--", "-x", "$x", "`", "\\", "a\\n"])
        return self.values.text()

    def value(self):
        """The value of the contract, and the argument that it is."""
        r = self.random
        if r.random() < 0.4:
            kind = r.choice(["i8", "i32", "i64", "u32", "u64", "i128", "u128"])
            number = self.values.whole(int(kind[1:]), kind[0] == "i")
            return {kind: str(number)}, str(number)
        if r.random() < 0.1:
            character = self.values.character()
            return {"char": character}, character
        text = self.text()
        return text, text

    def count(self):
        text = self.random.choice(["%d" % self.random.randrange(-20, 30), "ink", "2.5", "", "'A", "12x"])
        return text, text

    def field(self):
        r = self.random
        if r.random() < 0.015:
            return "%" + r.choice(["q", "z", "5k", "é", "-5", "n", "ld", "$", "1$d", " "])
        source = "%"
        for flag in "-+ #0":
            if r.random() < 0.2:
                source += flag
        if r.random() < 0.5:
            source += str(r.randrange(1, 26))
        if r.random() < 0.35:
            source += "." + (str(r.randrange(20)) if r.random() < 0.9 else "")
        letter = r.choice("diuoxXcsddsfeEgGaFfb")
        if r.random() < 0.06:
            source = source.rstrip("0123456789.") + r.choice(["*", ".*", "*.*"])
        return source + letter

    def case(self):
        r = self.random
        template = ""
        fields = r.choice([0, 1, 1, 1, 2, 3])
        for _ in range(fields):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\101", "\\q", "\\", "\\0", "\\777", "\\18", '"', "$x", "`"])
            template += self.field()
        template += r.choice(["", "", "\\n", "|", "%%", "\\c", "\\", " done"])
        if r.random() < 0.02:
            template = "-" + template
        if r.random() < 0.01:
            template += r.choice(["%", "%5", "%-"])
        wanted = max(0, fields + r.choice([0, 0, 0, 0, -1, 1, 2, fields]))
        # Any of them may become a width, and a large one takes all memory.
        values = [self.count() if "*" in template else self.value() for _ in range(wanted)]
        return {"template": template, "values": [value for value, _ in values]}, [argument for _, argument in values]


def ask(made):
    request, arguments = made
    quoted = " ".join("'" + one.replace("'", "'\\''") + "'" for one in [request["template"]] + arguments)
    return answer(request, "printf " + quoted)


def answer(request, line):
    ran = subprocess.run(["dash", "-c", line], capture_output=True, check=False)
    messages = ran.stderr.decode("utf-8", "replace")
    # One message a line, but where an argument has lines of its own.
    found = sorted((at, name) for name in complaints for at in places(messages, name))
    if ran.returncode == 0:
        return {**request, **answer_of(ran.stdout)}
    if found and found[0][1] == "Illegal option":
        return {**request, "fails": {"when": "run", "as": "Illegal option"}}
    return {**request, **answer_of(ran.stdout), "complaints": [{"as": name} for _, name in found], "status": ran.returncode}


def places(text, word):
    at = text.find(word)
    while at >= 0:
        yield at
        at = text.find(word, at + 1)


def cases(seed, wanted):
    maker = Maker(seed)
    third = wanted // 3
    made = [maker.case() for _ in range(wanted - third)]
    calls = shell_calls.Maker(seed + 1)
    with concurrent.futures.ThreadPoolExecutor(4) as pool:
        return list(pool.map(ask, made)) + list(pool.map(ask_call, [calls.case() for _ in range(third)]))


def ask_call(made):
    return answer({**made[0]}, made[1])


def main():
    needs("dash -c true")
    version = subprocess.run(["dpkg-query", "-W", "-f", "${Version}", "dash"], check=True, capture_output=True, text=True).stdout
    header = {"dialect": "shell", "runtime": "dash " + version, "recorder": "tools/record/shell.py"}
    write_cases(root / "tests/vectors/shell.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
