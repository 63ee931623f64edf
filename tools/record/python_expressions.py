"""Random expressions of Python over named values: most of them have a value, some raise."""


class Expressions:
    """`names` are pairs of a name and its value. No text in them has the quote `other`, nor a backslash."""

    def __init__(self, random, names, quote):
        self.random = random
        self.names = names
        self.quote = quote

    def named(self, kinds):
        fitting = [n for n, v in self.names if type(v) in kinds]
        return self.random.choice(fitting) if fitting and self.random.random() < 0.8 else None

    def text_literal(self):
        return self.quote + self.random.choice(["ink", "", "K-07", "a b", "Zink", "%s", "%.2f|%d", "x", ", ", "墨", "7", "2.5"]) + self.quote

    def any(self, depth):
        r = self.random
        if r.random() < 0.06:
            return r.choice([n for n, _ in self.names] + ["missing", "None", "True"])
        return r.choice([self.number, self.number, self.number, self.text, self.text, self.items, self.test])(depth)

    def whole(self, depth):
        r = self.random
        if depth == 0 or r.random() < 0.3:
            return self.named([int, bool]) or r.choice(["0", "1", "2", "7", "-3", "10", "255", "0x1F", "1_000", "10**20", "True"])
        form = r.randrange(11)
        a = self.whole(depth - 1)
        if form < 4:
            return "%s %s %s" % (self.wrap(a), r.choice(["+", "-", "*", "//", "%", "&", "|", "^"]), self.wrap(self.whole(depth - 1)))
        if form == 4:
            return "((%s) %s %s)" % (a, r.choice(["<<", ">>", "**"]), r.choice(["0", "1", "3", "(7)", "-1"]))
        if form == 5:
            return "len(%s)" % self.text(depth - 1)
        if form == 6:
            return "%s(%s)" % (r.choice(["int", "round", "abs", "math.floor", "math.ceil"]), self.number(depth - 1))
        if form == 7:
            return r.choice(["-", "+", "~"]) + self.wrap(a)
        if form == 8:
            return "%s.%s(%s)" % (self.wrap(self.text(depth - 1)), r.choice(["find", "count", "index", "rfind"]), self.text_literal())
        if form == 9:
            return r.choice(["int(%s)" % self.text_literal(), "ord(%sK%s)" % (self.quote, self.quote), "%s.bit_length()" % self.wrap(a)])
        return r.choice(["len(%s)", "%s.index(1)", "%s.count(2)"]) % self.wrap(self.items(depth - 1))

    def number(self, depth):
        r = self.random
        if depth == 0 or r.random() < 0.2:
            return self.named([float, int]) or r.choice(["0.5", "2.5", "1e3", ".1", "7", "100", "1e-7", "0.0", "3"])
        form = r.randrange(12)
        a = self.number(depth - 1)
        if form < 5:
            return "%s %s %s" % (self.wrap(a), r.choice(["+", "-", "*", "/", "//", "%", "/"]), self.wrap(self.number(depth - 1)))
        if form == 5:
            return "((%s) ** %s)" % (a, r.choice(["2", "0.5", "-1", "3", "(1 / 3)", "10", "1j"]))
        if form == 6:
            return "round(%s, %s)" % (a, r.choice(["2", "0", "1", "-1", "5", "ndigits=3"]))
        if form == 7:
            return "%s(%s)" % (r.choice(["abs", "float", "math.sqrt", "math.fabs", "math.exp", "math.log", "max", "min"]),
                               a + (", " + self.number(depth - 1) if r.random() < 0.3 else ""))
        if form == 8:
            return r.choice(["sum(%s)", "max(%s)", "min(%s)", "sum(each * each for each in %s)", "max(each for each in %s)", "sum(map(float, %s))"]) % self.wrap(self.items(depth - 1))
        if form == 9:
            return "%s if %s else %s" % (self.wrap(a), self.test(depth - 1), self.number(depth - 1))
        if form == 10:
            return r.choice(["-", "+"]) + self.wrap(a)
        return self.whole(depth)

    def text(self, depth):
        r = self.random
        if depth == 0 or r.random() < 0.25:
            return self.named([str]) or self.text_literal()
        form = r.randrange(14)
        a = self.wrap(self.text(depth - 1))
        if form == 0:
            return "%s + %s" % (a, self.wrap(self.text(depth - 1)))
        if form == 1:
            return "%s * %s" % (a, r.choice(["3", "0", "2", "-1"]))
        if form < 4:
            return "%s.%s()" % (a, r.choice(["upper", "lower", "strip", "title", "capitalize", "swapcase", "lstrip", "rstrip", "casefold"]))
        if form == 4:
            return "%s.%s(%s%s)" % (a, r.choice(["center", "ljust", "rjust", "zfill"]), r.choice(["9", "2", "12"]),
                                    r.choice(["", "", ", " + self.quote + "*" + self.quote]))
        if form == 5:
            return "%s[%s]" % (a, r.choice(["0", "-1", ":3", "1:", "::2", "::-1", "-2:", "1:-1", "5", "3:1", ":-1:2", "0:99"]))
        if form == 6:
            return "%s(%s)" % (r.choice(["str", "repr", "ascii"]), self.any(depth - 1))
        if form == 7:
            return "%s.replace(%s, %s)" % (a, self.text_literal(), self.text_literal())
        if form == 8:
            return "%s.join(%s)" % (self.text_literal(), r.choice([self.items(depth - 1), "str(each) for each in %s" % self.wrap(self.items(depth - 1)), "map(str, %s)" % self.items(depth - 1), "sorted(%s)" % a, "%s.split()" % a]))
        if form == 9:
            return r.choice(["hex(%s)", "bin(%s)", "oct(%s)", "chr(%s)"]) % self.whole(depth - 1)
        if form == 10:
            return "format(%s, %s%s%s)" % (self.number(depth - 1), self.quote, r.choice([".2f", "08.1f", "e", ",", "x^9"]), self.quote)
        if form == 11:
            return "%s%s%s %% %s" % (self.quote, r.choice(["%d", "%.1f", "%5.2f|", "%s", "%r"]), self.quote,
                                     self.wrap(self.number(depth - 1)))
        if form == 12:
            return "%s%s%s.format(%s)" % (self.quote, r.choice(["{:.1f}", "{}", "{0:>8}"]), self.quote, self.number(depth - 1)) \
                if self.quote == "never" else "%s.%s(%s)" % (a, r.choice(["removeprefix", "removesuffix", "strip"]), self.text_literal())
        return "%s if %s else %s" % (a, self.test(depth - 1), self.text(depth - 1))

    def items(self, depth):
        r = self.random
        if depth == 0 or r.random() < 0.3:
            return self.named([list, tuple]) or r.choice(["[1, 2, 3]", "[]", "(1, 2.5)", "[0.1] * 3", "(7,)", "[3, 1, 2]"])
        form = r.randrange(11)
        if form > 6:
            inner = self.wrap(self.items(depth - 1))
            return r.choice(["[each * 2 for each in %s]", "[each for each in %s if each]", "[str(each) for each in %s]", "list(map(str, %s))", "list(reversed(%s))", "list(enumerate(%s, 1))",
                             "[each for each in %s if each > 1]", "list(zip(%s, range(2, 9)))", "list(range(len(%s)))", "[a + b for a, b in zip(%s, [1, 2.5])]"]) % inner
        if form == 0:
            return "sorted(%s%s)" % (self.items(depth - 1), r.choice(["", ", reverse=True"]))
        if form == 1:
            return "%s[%s]" % (self.wrap(self.items(depth - 1)), r.choice([":2", "1:", "::-1", "-1:", "::2"]))
        if form == 2:
            return "list(%s)" % self.text(depth - 1)
        if form == 3:
            return "%s.split(%s)" % (self.wrap(self.text(depth - 1)), r.choice(["", self.quote + "-" + self.quote, self.quote + " " + self.quote]))
        if form == 4:
            return "%s + %s" % (self.wrap(self.items(depth - 1)), self.wrap(self.items(depth - 1)))
        if form == 5:
            return "divmod(%s, %s)" % (self.number(depth - 1), self.number(depth - 1))
        return "[%s]" % ", ".join(self.number(depth - 1) for _ in range(r.randrange(1, 4)))

    def test(self, depth):
        r = self.random
        form = r.randrange(9)
        depth = max(depth - 1, 0)
        if form < 4:
            chain = "%s %s %s" % (self.wrap(self.number(depth)), r.choice(["<", "<=", ">", ">=", "==", "!="]), self.wrap(self.number(depth)))
            return chain + (" %s %s" % (r.choice(["<", "<=", "=="]), self.wrap(self.number(depth))) if r.random() < 0.2 else "")
        if form == 4:
            return "%s %s %s" % (self.wrap(self.text(depth)), r.choice(["in", "not in", "==", "<"]), self.wrap(self.text(depth)))
        if form == 5:
            return "%s %s %s" % (self.wrap(self.number(depth)), r.choice(["in", "not in"]), self.wrap(self.items(depth)))
        if form == 6:
            return "%s %s %s" % (self.wrap(self.any(depth)), r.choice(["and", "or"]), self.wrap(self.any(depth)))
        if form == 7:
            return "not %s" % self.wrap(self.any(depth))
        return "%s.%s(%s)" % (self.wrap(self.text(depth)), r.choice(["startswith", "endswith"]), self.text_literal())

    def wrap(self, text):
        simple = text.replace("_", "").isalnum() or (text[0] == self.quote and text[-1] == self.quote and text.count(self.quote) == 2)
        return text if simple or self.random.random() < 0.08 else "(%s)" % text
