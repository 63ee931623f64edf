#!/usr/bin/env python3
"""Records what the % operator of Python prints.

    tools/record/python_percent.py [SEED]           writes tests/vectors/python-percent.jsonl
    tools/record/python_percent.py --live SEED      a thousand cases to standard output
"""

import pathlib
import platform
import sys

from recording import Values, needs, real_payload, write_cases

count = 6000
live_count = 2000
letters = "diuoxXeEfFgGcrsa"


class Maker:
    """Templates with their values, each as the contract and as Python have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def value(self, letter):
        """A value that suits the letter, but for one in eight."""
        r = self.random
        kind = r.choice("whole real text char other".split()) if letter in "rsa" or r.random() < 0.13 else (
            "whole" if letter in "oxX" else
            r.choice(["whole", "whole", "real"]) if letter in "diu" else
            r.choice(["real", "real", "real", "whole"]) if letter in "eEfFgG" else r.choice(["char", "char", "code"]))
        if kind == "real":
            value = self.values.real()
            return {"f64": real_payload(value)}, value
        if kind == "whole":
            bits = r.choice([8, 16, 32, 64, 128])
            signed = r.random() < 0.6
            if r.random() < 0.15:
                value = self.values.whole(300, True)
                return {"big": str(value)}, value
            value = self.values.whole(bits, signed)
            return {("i" if signed else "u") + str(bits): str(value)}, value
        if kind == "code":
            value = r.choice([65, 0xE9, 0x58A8, 0x1F5A8, 10, 0, -1, 0x110000])
            return value, value
        if kind == "char":
            value = self.values.character()
            return r.choice([value, {"char": value}]), value
        if kind == "text":
            value = self.values.text()
            return value, value
        return r.choice([(True, True), (False, False), (None, None)])

    def count(self, values):
        r = self.random
        if r.random() < 0.2:
            amount = r.randrange(-12, 25) if r.random() < 0.95 else r.choice(["x", 2.5, True, None])
            values.append(({"f64": real_payload(amount)} if isinstance(amount, float) else amount, amount))
            return "*"
        return str(r.randrange(25))

    def field(self, values, keys):
        r = self.random
        letter = r.choice(letters) if r.random() < 0.98 else r.choice("ybDZ%é")
        source = "%"
        if keys is not None and r.random() < 0.95:
            source += "(%s)" % r.choice(keys)
        source += "".join(flag for flag in "-+ #0" if r.random() < 0.25)
        if r.random() < 0.5:
            source += self.count(values)
        if r.random() < 0.5:
            source += "." + (self.count(values) if r.random() < 0.9 else "")
        if r.random() < 0.1:
            source += r.choice("hlL")
        values.append(self.value(letter))
        return source + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.06:
            value = self.value("s" if r.random() < 0.3 else "f")
            return {"values": [value[0]]}, value[1]
        keys = ["mass", "lot", "(odd)", "", "Ω"] if r.random() < 0.12 else None
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\x41", "\\u03a9", "\\q", "\\101"])
            template += self.field(values, keys)
        if keys is not None:
            names = r.sample(keys, r.randrange(2, len(keys) + 1))
            values = [self.value("s") for _ in names]
            request = [{"named": [name, value[0]]} for name, value in zip(names, values)]
            return {"template": template, "values": request}, {n: v[1] for n, v in zip(names, values)}
        if r.random() < 0.04 and values:
            values.pop()
        if r.random() < 0.03:
            values.append(self.value("s"))
        if r.random() < 0.01:
            template += r.choice(["%", "%5", "%-", "%."])
        return {"template": template, "values": [v[0] for v in values]}, tuple(v[1] for v in values)


def unescaped(template):
    """The text that the source of a literal stands for, as Python itself reads it."""
    return eval('"' + template.replace('"', '\\"') + '"')  # noqa: our own templates only


def answer(template, right):
    try:
        return {"text": unescaped(template) % right}
    except Exception as error:
        return {"fails": {"when": "run", "as": type(error).__name__}}


def is_asked(template, right):
    """A width of millions is over our limit; half a surrogate pair is not supported."""
    if any("\ud800" <= c <= "\udfff" for c in answer(template, right).get("text", "")):
        return False
    return not (isinstance(right, dict) and "*" in template
                and any(isinstance(value, int) and abs(value) > 1000 for value in right.values()))


def cases(seed, wanted):
    return asked(Maker(seed), wanted)


def asked(maker, wanted):
    made = []
    while len(made) < wanted:
        request, right = maker.case()
        if "template" not in request:
            made.append({**request, "text": str(right)})
            continue
        if is_asked(request["template"], right):
            made.append({**request, **answer(request["template"], right)})
    return made


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python-percent", "runtime": "CPython " + platform.python_version(),
              "recorder": "tools/record/python_percent.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-percent.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
