#!/usr/bin/env python3
"""Records what str.format and f-strings of Python print.

    tools/record/python.py [SEED]           writes tests/vectors/python.jsonl
    tools/record/python.py --live SEED      two thousand cases to standard output
"""

import datetime
import math
import pathlib
import platform
import sys
import unicodedata

from python_expressions import Expressions
from recording import Values, needs, real_payload, write_cases

count = 9000
live_count = 4000


class Maker:
    """Templates with their values, each as the contract and as Python have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        if r.random() < 0.1:
            value = self.values.whole(300, True)
            return {"big": str(value)}, value
        bits, signed = r.choice([8, 16, 32, 64, 128]), r.random() < 0.6
        value = self.values.whole(bits, signed)
        return {("i" if signed else "u") + str(bits): str(value)}, value

    def real(self):
        value = self.values.real()
        return {"f64": real_payload(value)}, value

    def text(self):
        r = self.random
        value = self.values.text() if r.random() < 0.7 else self.values.character()
        return value, value

    def moment(self):
        r = self.random
        value = datetime.datetime(
            r.choice([1, 999, 1970, 2024, 2031, 9999, r.randrange(1, 9999)]), r.randrange(1, 13), r.randrange(1, 29),
            r.randrange(24), r.randrange(60), r.choice([0, r.randrange(60)]), r.choice([0, 0, 250000, r.randrange(10 ** 6)]))
        return {"moment": value.isoformat()}, value

    def complex(self):
        real, imaginary = self.values.real(), self.values.real()
        if self.random.random() < 0.3:
            real = self.random.choice([0.0, -0.0, 1.0])
        value = complex(real, imaginary)
        parts = [real_payload(value.real), real_payload(value.imag)]
        if not parts[1].startswith("-"):
            parts[1] = "+" + parts[1]
        return {"complex": parts[0] + parts[1] + "i"}, value

    def compound(self, depth=0):
        r = self.random
        kind = r.choice(["list", "tuple", "record"])
        items = [self.value(depth + 1) for _ in range(r.randrange(4))]
        if kind == "record":
            names = r.sample(["mass", "lot", "name", "shift"], len(items))
            return ({"record": {n: i[0] for n, i in zip(names, items)}}, {n: i[1] for n, i in zip(names, items)})
        made = [i[1] for i in items]
        return {kind: [i[0] for i in items]}, tuple(made) if kind == "tuple" else made

    def value(self, depth=0):
        r = self.random
        kinds = [self.whole, self.real, self.text, self.other, self.moment, self.complex]
        if depth < 2 and r.random() < 0.3:
            return self.compound(depth)
        return r.choice(kinds)()

    def other(self):
        return self.random.choice([(True, True), (False, False), (None, None)])

    def suited(self, letter):
        """A value that suits the type, but for one in ten."""
        r = self.random
        if r.random() < 0.1:
            return self.value()
        if letter in "bcdoxX":
            if letter == "c":
                value = r.choice([65, 0xE9, 0x58A8, 0x1F5A8, 10, 0, -1, 0x110000, 2 ** 70])
                return {"big": str(value)}, value
            return r.choice([self.whole, self.whole, self.whole, self.other])()
        if letter == "s":
            return self.text()
        if letter == "":
            return r.choice([self.whole, self.real, self.text, self.complex, self.other, self.compound, self.moment])()
        return r.choice([self.real, self.real, self.real, self.whole, self.complex])()

    def count(self, positional, nest):
        r = self.random
        if nest and r.random() < 0.25:
            amount = r.randrange(0, 25) if r.random() < 0.95 else r.choice(["x", -3, 2.5, True, None, "12"])
            payload = {"f64": real_payload(amount)} if isinstance(amount, float) else amount
            return nest((payload, amount))
        return str(r.randrange(25)) if r.random() < 0.98 else r.choice(["99999999999999999999", "007"])

    def spec(self, letter, nest):
        r = self.random
        if letter == "moment":
            codes = "aAbBcCdDeFgGHIjklmMnpPrRStTuUVwWxXyYfzZ%"
            return "".join(r.choice(["%" + r.choice(codes), r.choice("-: /,Ω")]) for _ in range(r.randrange(1, 6)))
        out = ""
        if r.random() < 0.4:
            out += r.choice(["", "", "*", "0", "墨", "x", "<"]) + r.choice("<>^=")
        if r.random() < 0.3:
            out += r.choice("+- ")
        if r.random() < (0.15 if letter in "eEfFgG%" else 0.02):
            out += "z"
        if r.random() < 0.15:
            out += "#"
        if r.random() < 0.2:
            out += "0"
        if r.random() < 0.6:
            out += self.count(None, nest)
        if r.random() < 0.2:
            out += r.choice(",_")
        if r.random() < (0.6 if letter in "eEfFgGns%" else 0.05):
            out += "." + (self.count(None, nest) if r.random() < 0.97 else "")
        if r.random() < 0.01:
            out += r.choice([" ", "5", "é", ",", "L"])
        return out + letter

    def path(self, value):
        """Attributes and items, mostly such as the value has."""
        r = self.random
        if isinstance(value, (list, tuple)) and r.random() < 0.7:
            index = r.randrange(3)
            return "[%d]" % index
        if isinstance(value, dict) and r.random() < 0.7:
            return "[%s]" % r.choice(["mass", "lot", "name", "shift", "0"])
        if isinstance(value, datetime.datetime) and r.random() < 0.5:
            return "." + r.choice(["year", "month", "day", "hour", "minute", "second", "microsecond"])
        if isinstance(value, (int, float, complex)) and r.random() < 0.2:
            return "." + r.choice(["real", "imag", "numerator", "denominator"])
        if isinstance(value, str) and r.random() < 0.15:
            return "[%d]" % r.randrange(4)
        return r.choice(["[x]", "[0]", ".mass", ".real", ".[0]", "[0", "[0]x", "."]) if r.random() < 0.03 else ""

    def named_character(self):
        """A character by its name, but for one in twelve."""
        r = self.random
        if r.random() < 0.1:
            return "\\N{%s}" % r.choice(["LF", "line feed", "NBSP", "VS1", "BELL", "LEFT CURLY BRACKET", "WJ", "NULL"])
        name = ""
        while not name:
            name = unicodedata.name(chr(r.randrange(32, r.choice([0x400, 0x3100, 0x10000, 0x20000, 0x32000]))), "")
        if r.random() < 0.1:
            name = name.lower()
        if r.random() < 0.08:
            name = r.choice([name + "S", name[:-1], name[1:], " " + name, name.replace(" ", "  "), ""])
        return "\\N{%s}" % name

    def literal(self):
        if self.random.random() < 0.03:
            return self.named_character()
        return self.random.choice(["", "|", "Ω ", "{{", "}}", "ink: ", "\\t", "\\x41", "\\u03a9", "\\q", "\\101", "{{}}", "'"])

    def case(self):
        r = self.random
        if r.random() < 0.08:
            value = self.value()
            return {"values": [value[0]]}, ([value[1]], {})
        if r.random() < 0.35:
            return self.computed()
        return self.f_string() if r.random() < 0.25 else self.format()

    def computed(self):
        """An f-string of expressions."""
        r = self.random
        named = {}
        for i in range(r.randrange(1, 4)):
            make = r.choice([self.small, self.small, self.whole, self.real, self.text, self.items, self.other])
            named["v%d" % i] = make()
        opening, quote = r.choice([('f"', "'"), ("f'", '"'), ('f"""', "'"), ("rf'", '"'), ('"ink: " f"', "'")])
        maker = Expressions(r, [(n, v[1]) for n, v in named.items()], quote)
        template = opening
        for _ in range(r.choice([1, 1, 2])):
            template += r.choice(["", "|", "Ω ", "{{", "ink: "])
            expression = maker.any(r.randrange(1, 4))
            if expression[0] == "{" or expression[0] == "}":
                expression = " " + expression
            said = r.choice(["=", " = "]) if r.random() < 0.08 else ""
            conversion = "!" + r.choice("rsa") if r.random() < 0.08 else ""
            nested = ":{v0}" if type(named["v0"][1]) is int and named["v0"][1] < 1000 else ""
            spec = r.choice(["", "", "", "", ":>12", ":.2f", ":,", ":^9.3", ":.1%", nested])
            template += "{%s%s%s%s}" % (expression, said, conversion, spec)
        template += {'f"""': '"""'}.get(opening, opening[-1])
        if r.random() < 0.05:
            template += " '!'"
        values = [{"named": [n, v[0]]} for n, v in named.items()]
        return {"template": template, "values": values}, ([], {n: v[1] for n, v in named.items()})

    def small(self):
        r = self.random
        if r.random() < 0.5:
            value = r.randrange(-20, 300)
            return value, value
        value = r.randrange(-1000, 100000) / r.choice([1, 10, 100, 8])
        return {"f64": real_payload(value)}, value

    def items(self):
        made = [self.small() for _ in range(self.random.randrange(4))]
        return [m[0] for m in made], [m[1] for m in made]

    def letter(self):
        r = self.random
        if r.random() < 0.06:
            return "moment"
        return r.choice(["", "", "", *"bcdoxXeEfFgGn%s"]) if r.random() < 0.99 else r.choice("iuyDZé")

    def field_value(self, letter):
        return self.moment() if letter == "moment" else self.suited(letter)

    def format(self):
        r = self.random
        positional, named = [], {}
        style = r.choice(["automatic", "automatic", "manual", "named"])
        template = ""

        def place(value):
            """The text that names a value: by its place or by a name."""
            if style == "named" or r.random() < 0.03:
                name = "v%d" % len(named) if r.random() < 0.98 else "Ω"
                named[name] = value
                return name
            positional.append(value)
            explicit = style == "manual" or r.random() < 0.01
            return str(len(positional) - 1) if explicit else ""

        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += self.literal()
            letter = self.letter()
            value = self.field_value(letter)
            name = place(value)
            conversion = "!" + r.choice("rsa") if r.random() < 0.1 else ""
            if r.random() < 0.01:
                conversion = r.choice(["!", "!x", "!r ", "!rr"])
            nest = (lambda inner: "{%s}" % place(inner)) if r.random() < 0.3 else None
            spec = ""
            if r.random() < 0.85:
                spec = ":" + self.spec(r.choice(["s", ""]) if conversion and r.random() < 0.9 else letter, nest)
            template += "{%s%s%s%s}" % (name, self.path(value[1]), conversion, spec)
        if r.random() < 0.02:
            template += r.choice(["{", "}", "{0", "{:", "{!", "{:{", "{:{:{}}}", "{a{b}}", "}}}", "{{{"])
        if r.random() < 0.03 and positional:
            positional.pop()
        if r.random() < 0.02:
            positional.append(self.value())
        values = [v[0] for v in positional] + [{"named": [n, v[0]]} for n, v in named.items()]
        return ({"template": template, "values": values},
                ([v[1] for v in positional], {n: v[1] for n, v in named.items()}))

    def f_string(self):
        r = self.random
        named = {}
        template = "f" + '"'

        def place(value):
            name = "v%d" % len(named)
            named[name] = value
            return name

        for _ in range(r.choice([1, 1, 2])):
            template += self.literal().replace('"', "'")
            letter = self.letter()
            value = self.field_value(letter)
            name = place(value) if r.random() < 0.99 else "missing"
            path = self.path(value[1])
            if path.startswith("[") and path[1:-1].isalpha():
                path = "['%s']" % path[1:-1]
            if path in ("[0", "[0]x", ".", ".[0]"):
                path = ""
            if path.startswith("[") and r.random() < 0.2:
                path = "[-1]"
            said = r.choice(["=", " = ", "= "]) if r.random() < 0.2 else ""
            space = " " if r.random() < 0.1 else ""
            conversion = "!" + r.choice("rsa") if r.random() < 0.1 else ""
            nest = (lambda inner: "{%s}" % place(inner)) if r.random() < 0.3 else None
            spec = ""
            if r.random() < 0.8:
                spec = ":" + self.spec(r.choice(["s", ""]) if conversion else letter, nest)
            template += "{%s%s%s%s%s%s}" % (space, name, path, said, conversion, spec)
        if r.random() < 0.03:
            template += r.choice(["}", "{}", "{!r}", "{v0!x}", "{v0!r:{v0:{v0:{v0}}}}", "{v0", "{v0!}"])
        template += '"'
        values = [{"named": [n, v[0]]} for n, v in named.items()]
        return {"template": template, "values": values}, ([], {n: v[1] for n, v in named.items()})


def unescaped(template):
    """The text that the source of a literal stands for, as Python itself reads it."""
    return eval('"' + template.replace('"', '\\"') + '"')  # noqa: our own templates only


def is_f_string(template):
    return template.startswith(('f"', "f'", "rf'", '"ink: " f"'))


def answer(template, right):
    positional, named = right
    try:
        if is_f_string(template):
            try:
                code = compile(template, "template", "eval")
            except SyntaxError as error:
                return {"fails": {"when": "compile", "as": type(error).__name__}}
            return {"text": eval(code, {"math": math}, named)}
        return {"text": unescaped(template).format(*positional, **named)}
    except SyntaxError as error:
        return {"fails": {"when": "compile", "as": type(error).__name__}}
    except Exception as error:
        return {"fails": {"when": "run", "as": type(error).__name__}}


def is_asked(answered):
    """Addresses change; half a surrogate pair is not supported."""
    text = answered.get("text", "")
    # Nor is what is beyond our limits.
    if answered.get("fails", {}).get("as") == "MemoryError" or len(text) > 2000:
        return False
    return " at 0x" not in text and not any("\ud800" <= c <= "\udfff" for c in text)


def cases(seed, wanted):
    return asked(Maker(seed), wanted)


def asked(maker, wanted):
    made = []
    while len(made) < wanted:
        request, right = maker.case()
        if "template" not in request:
            made.append({**request, "text": str(right[0][0])})
            continue
        answered = answer(request["template"], right)
        if is_asked({**request, **answered}):
            made.append({**request, **answered})
    return made


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python", "runtime": "CPython " + platform.python_version(),
              "recorder": "tools/record/python.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
