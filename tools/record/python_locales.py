#!/usr/bin/env python3
"""Records what the type n and the module locale of Python print in the locales of the C library, which localedef builds in a
folder of the recorder's own.

    tools/record/python_locales.py [SEED]           writes tests/vectors/python-locales.jsonl
    tools/record/python_locales.py --live SEED      fewer cases, in fewer locales, to standard output
"""

import json
import pathlib
import platform
import subprocess
import sys
import tempfile

import c_locales
import glibc_locale_table
from recording import Values, answer_of, needs, real_payload, write_cases

count = 6000
live_count = 2500
root = pathlib.Path(__file__).resolve().parents[2]

program = r"""
import decimal, json, locale, sys
for line in sys.stdin:
    name, expression = json.loads(line)
    locale.setlocale(locale.LC_ALL, name)
    try:
        print("=" + eval(expression).encode().hex())
    except Exception as problem:
        print(type(problem).__name__)
"""


class Maker:
    def __init__(self, seed, names):
        self.values = Values(seed)
        self.random = self.values.random
        self.names = names

    def number(self):
        """As the contract and as Python have it."""
        r = self.random
        if r.random() < 0.45:
            value = self.values.whole(r.choice([16, 32, 64]), True)
            return {"i64": str(value)}, "(%d)" % value
        value = self.values.real() if r.random() < 0.4 else r.randrange(-10 ** 9, 10 ** 9) / 10 ** r.randrange(5)
        return {"f64": real_payload(value)}, "float('%r')" % value

    def template(self):
        r = self.random
        value, source = self.number()
        whole = "i64" in value
        align = r.choice(["", "", "<", ">", "^", "=", "*=", "0="])
        spec = align + r.choice(["", "", "+", " "]) + r.choice(["", "", "0"]) + r.choice(["", "", str(r.randrange(1, 25))])
        if not whole and r.random() < 0.4:
            spec += ".%d" % r.randrange(20)
        return {"template": "{:%sn}" % spec, "values": [value]}, "format(%s, %r)" % (source, spec + "n")

    def call(self):
        r = self.random
        literal = r.choice(["1234567.891", "-0.5", "12.5", "1e9", "999999.995", "0", "-1234", "1234567", "0.001", "-12345.678"])
        if r.random() < 0.5:
            flags = "".join(", %s=%s" % (name, r.choice(["True", "False"])) for name in ["symbol", "grouping", "international"] if r.random() < 0.5)
            return "locale.currency(%s%s)" % (literal, flags)
        if r.random() < 0.1:
            return "locale.str(%s)" % literal
        field = "%" + r.choice(["", "", "-", "+", "0", " "]) + r.choice(["", "", "12", "20"]) + r.choice(["d", ".2f", ".0f", "f", "g", "e", ".3f", "s"])
        text = r.choice(["", "ink: "]) + field + r.choice(["", " g", "%%"])
        return 'locale.format_string("%s", %s%s)' % (text, literal, r.choice(["", ", grouping=True", ", grouping=True", ", True", ", grouping=True, monetary=True"]))

    def case(self):
        name = self.random.choice(self.names)
        if self.random.random() < 0.5:
            request, expression = self.template()
        else:
            expression = self.call()
            request = {"statement": 'print(%s, end="")' % expression, "values": []}
        return {**request, "locale": name}, (glibc_locale_table.plain(name), expression)


def cases(seed, wanted):
    names = c_locales.names_of(seed, 50 if wanted <= live_count else len(glibc_locale_table.supported()))
    with tempfile.TemporaryDirectory() as place:
        folder = pathlib.Path(place)
        glibc_locale_table.build(folder, names)
        maker = Maker(seed, names)
        made = [maker.case() for _ in range(wanted)]
        lines = "".join(json.dumps(asked) + "\n" for _, asked in made)
        printed = subprocess.run([sys.executable, "-c", program], input=lines, capture_output=True, text=True, check=True,
                                 env=c_locales.environment_of(folder)).stdout.splitlines()
    return [{**request, **(answer_of(bytes.fromhex(line[1:])) if line.startswith("=") else {"fails": {"when": "run", "as": line}})}
            for (request, _), line in zip(made, printed, strict=True)]


def main():
    needs("localedef --version")
    header = {"dialect": "python", "runtime": "Python " + platform.python_version(), "recorder": "tools/record/python_locales.py"}
    write_cases(root / "tests/vectors/python-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
