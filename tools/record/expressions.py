"""Random expressions of C and C++ over named values, with the type that each has."""

widths = {"i8": 8, "u8": 8, "i16": 16, "u16": 16, "i32": 32, "u32": 32, "i64": 64, "u64": 64}
names = {"i8": "signed char", "u8": "unsigned char", "i16": "short", "u16": "unsigned short", "i32": "int",
         "u32": "unsigned int", "i64": "long", "u64": "unsigned long", "f32": "float", "f64": "double",
         "f80": "long double", "truth": "bool", "char": "char"}
reals = ["f32", "f64", "f80"]


def promoted(kind):
    return "i32" if kind in ("i8", "u8", "i16", "u16", "truth", "char") else kind


def met(left, right):
    left, right = promoted(left), promoted(right)
    if left in reals or right in reals:
        return max((k for k in (left, right) if k in reals), key=reals.index)
    if widths[left] != widths[right]:
        return max(left, right, key=widths.get)
    return left if left[0] == "u" else right


class Expressions:
    """`variables` are pairs of a name and a type."""

    def __init__(self, random, variables, cpp):
        self.random = random
        self.variables = variables
        self.cpp = cpp

    def constant(self):
        r = self.random
        if r.random() < 0.6:
            value = r.choice([0, 1, 2, 3, 5, 7, 10, 100, 255, 1000])
            suffix, kind = r.choice([("", "i32")] * 5 + [("u", "u32"), ("L", "i64"), ("ul", "u64")])
            return r.choice(["%d", "%d", "%d", "0x%X"]) % value + suffix, kind
        return r.choice([("0.5", "f64"), ("0.76", "f64"), ("2.5f", "f32"), ("1e3", "f64"), ("0.1", "f64"), ("3.0L", "f80"),
                         ("100.0", "f64"), (".25", "f64")])

    def leaf(self):
        r = self.random
        return r.choice(self.variables) if self.variables and r.random() < 0.7 else self.constant()

    def operand(self, depth):
        text, kind = self.number(depth)
        return ("(%s)" % text if self.random.random() < 0.8 and not text.isalnum() else text), kind

    def number(self, depth):
        r = self.random
        if depth == 0 or r.random() < 0.15:
            return self.leaf()
        form = r.randrange(20)
        if form < 9:
            (a, x), (b, y) = self.operand(depth - 1), self.operand(depth - 1)
            whole = met(x, y) not in reals
            sign = r.choice("+-*/%" if whole else "+-*/")
            if self.cpp and not whole and r.random() < 0.02:
                sign = "%"
            return "%s %s %s" % (a, sign, b), met(x, y)
        if form < 11:
            (a, x), (b, y) = self.operand(depth - 1), self.operand(depth - 1)
            if met(x, y) in reals:
                return "%s + %s" % (a, b), met(x, y)
            if r.random() < 0.5:
                return "%s %s (%s)" % (a, r.choice(["<<", ">>"]), r.choice(["1", "3", "7", b])), promoted(x)
            return "%s %s %s" % (a, r.choice("&|^"), b), met(x, y)
        if form < 12:
            (a, x) = self.operand(depth - 1)
            return r.choice(["-", "+", "~" if x not in reals else "-"]) + "(%s)" % a, promoted(x)
        if form < 14:
            kind = r.choice(list(names))
            if kind == "char" and not self.cpp or kind == "char":
                kind = "i32"
            # A compiler may cut a product, or a constant, before it is one that has no meaning.
            narrow = kind in ("i8", "u8", "i16", "u16")
            plain = [v[0] for v in self.variables] or ["1"]
            text = r.choice(plain) if narrow else self.number(depth - 1)[0]
            if self.cpp and r.random() < 0.3:
                return "static_cast<%s>(%s)" % (names[kind], text), kind
            return "(%s)(%s)" % (names[kind], text), kind
        if form < 16:
            (a, x), (b, y) = self.operand(depth - 1), self.operand(depth - 1)
            return "(%s ? %s : %s)" % (self.test(depth - 1), a, b), x if x == y else met(x, y)
        if form < 17:
            return "(%s)" % self.test(depth - 1), "truth" if self.cpp else "i32"
        return self.call(depth)

    def call(self, depth):
        r = self.random
        a, x = self.number(depth - 1)
        name = r.choice(["sqrt", "floor", "ceil", "round", "trunc", "fabs", "fmod", "pow", "abs"])
        if name in ("fmod", "pow"):
            return "%s((double)(%s), %s)" % (name, a, r.choice(["2", "3.0", "0.5", "10"])), "f64"
        if name == "abs":
            return "abs((int)(%s))" % a, "i32"
        if self.cpp and x in reals and (x == "f64" or name not in ("sqrt",)):
            return "%s(%s)" % (name, a), x
        return "%s((double)(%s))" % (name, a), "f64"

    def test(self, depth):
        r = self.random
        (a, _), (b, _) = self.operand(depth), self.operand(depth)
        text = "%s %s %s" % (a, r.choice(["<", "<=", ">", ">=", "==", "!="]), b)
        if depth > 0 and r.random() < 0.3:
            text = "(%s) %s (%s)" % (text, r.choice(["&&", "||"]), self.test(depth - 1))
        return "!(%s)" % text if r.random() < 0.1 else text
