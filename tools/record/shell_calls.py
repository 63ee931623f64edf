"""Whole commands of a shell: as requests of the contract, and as lines to run."""

from recording import Values

texts = ["ink", "K-07", "Ink Margin", "2.675", "-12", "0x1F", "9.55", "1e3", "naïve", "a*b", "50%", "3.7", ".5"]


class Maker:
    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def arithmetic(self, names, depth):
        r = self.random
        if depth == 0:
            return r.choice(names) if names and r.random() < 0.7 else str(r.randrange(0, 100))
        left, right = self.arithmetic(names, depth - 1), self.arithmetic(names, depth - 1)
        return r.choice(["%s + %s", "%s - %s", "%s * %s", "%s / 7", "%s %% 5", "%s & %s", "%s | %s", "%s ^ %s", "%s << 2", "%s >> 1", "%s < %s", "%s == %s", "-%s", "~%s", "!%s", "%s > %s ? %s : 3"]
                        ).replace("%%", "%").replace("%s", "(" + left + ")", 1).replace("%s", "(" + right + ")")

    def word(self, variables):
        """A word without signs that a shell acts on, outside of quotes."""
        r = self.random
        wholes = [name for name, _, text in variables if text.lstrip("-").isdigit()]
        kind = r.randrange(7)
        name = r.choice(variables)[0]
        if kind == 0:
            return '"$%s"' % name
        if kind == 1:
            return '"${%s}%s"' % (name, r.choice(["pot", " x", "", "-$" + name]))
        if kind == 2:
            return "'%s'" % r.choice(["ink", "$n", "a\\tb", '"', "", "\\c", "x y"])
        if kind == 3:
            return '"%s"' % r.choice(["a\\\"b", "it's", "\\$n", "a\\\\b", "\\\\tx", "Total: $" + name])
        if kind == 4:
            return r.choice(["$((%s))", '"$((%s))"']) % self.arithmetic(wholes, r.randrange(0, 3))
        if kind == 5:
            return r.choice(["42", "2.5", "abc", "a\\ b", "-7", "ink-$" + name if name in wholes else "x", "'a'\"b\"c"])
        return r.choice(["$" + w for w in wholes] or ["7"])

    def case(self):
        r = self.random
        variables = []
        for i in range(r.randrange(1, 4)):
            if r.random() < 0.5:
                value = r.randrange(-1000, 1000)
                variables.append(("n%d" % i, {"i32": str(value)}, str(value)))
            else:
                value = r.choice(texts)
                variables.append(("s%d" % i, value, value))
        words = [self.word(variables) for _ in range(r.randrange(0, 4))]
        if r.random() < 0.3:
            source = "echo " + " ".join((["-n"] if r.random() < 0.2 else []) + words)
        else:
            fields = "".join(r.choice(["", "|", " ", "ink: ", "%%", "\\t"]) + "%" + r.choice(["d", "5d", "-6d", "s", "s", "10s", "-8s", ".2s", "f", ".2f", "8.3f", "e", "g", "x", "b", "c", "i", "*d", ".*f"])
                             for _ in range(r.randrange(0, 4)))
            quote = r.choice("''\"")
            source = "printf %s%s%s%s %s" % ("-- " if r.random() < 0.1 else "", quote, fields + r.choice(["", "\\n"]), quote, " ".join(words))
        request = {"statement": source, "values": [{"named": [name, given]} for name, given, _ in variables]}
        lines = "".join("%s='%s'\n" % (name, text) for name, _, text in variables)
        return request, lines + source
