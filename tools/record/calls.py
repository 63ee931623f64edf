"""Random whole calls with expressions as arguments, from the forms that a language has.

A form makes a value of one kind: w a whole number, d a real, t a text, b a truth value. In it {w}, {d}, {t},
{b} stand for values of these kinds, {n} for any number, {k} for a small whole number written out.
"""

import re

from recording import Values, real_payload


class Language:
    """`forms` by kind; `types`: for each kind, pairs of a type of the contract and how the language declares it;
    `written`: a value of a type as its source; `constants` by kind."""

    def __init__(self, forms, types, written, constants, statements, texts=("ink", "Ink Margin", " paper ", "K-07", "ab", "naïve", ""), loose=0.05):
        # `loose`: how often an operand goes without parentheses.
        self.loose = loose
        self.forms, self.types, self.written, self.texts = forms, types, written, texts
        self.constants, self.statements = constants, statements


class Calls:
    def __init__(self, seed, language, prefix=""):
        self.values = Values(seed)
        self.random = self.values.random
        self.language = language
        self.prefix = prefix  # of names

    def variables(self):
        r = self.random
        out = []
        for i in range(r.randrange(1, 5)):
            kind = r.choice("wwwddtb")
            type_name, declared = r.choice(self.language.types[kind])
            name = "%s%d" % ({"w": "n", "d": "x", "t": "s", "b": "f"}[kind], i)
            if kind == "w":
                bits, signed = int(type_name[1:]), type_name[0] == "i"
                value = r.randrange(-100 if signed else 0, 101) if r.random() < 0.7 else self.values.whole(bits, signed)
                given = {type_name: str(value)}
            elif kind == "d":
                value = r.randrange(-100000, 100000) / 100 if r.random() < 0.8 else self.values.real()
                if type_name == "f32" or value != value or abs(value) == float("inf"):
                    value = r.randrange(-4000, 4000) / 8
                given = {type_name: real_payload(value)}
            elif kind == "t":
                value = given = r.choice(self.language.texts)
            else:
                value = given = r.random() < 0.5
            out.append((name, kind, given, declared, self.language.written(type_name, value)))
        return out

    def make(self, kind, depth, variables):
        r = self.random
        if kind == "n":
            kind = r.choice("wd")
        if kind == "k":
            return str(r.randrange(0, 7))
        own = [v[0] for v in variables if v[1] == kind]
        if depth == 0 or r.random() < 0.15:
            if own and r.random() < 0.75:
                return self.prefix + r.choice(own)
            return r.choice(self.language.constants[kind])
        form = r.choice(self.language.forms[kind])

        def part(found):
            text = self.make(found.group(1), depth - 1, variables)
            return text if re.fullmatch(r"[\w.$]+|\"[^\"]*\"", text) or " ? " not in text and text[0] != "-" and r.random() < self.language.loose else "(%s)" % text

        return re.sub(r"\{(\w)\}", part, form)

    def case(self):
        """A statement of the language, the values of the contract, and the variables."""
        r = self.random
        variables = self.variables()
        statement = self.language.statements(self, variables)
        values = [{"named": [v[0], v[2]]} for v in variables]
        return {"statement": statement, "values": values}, variables
