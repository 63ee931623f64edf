"""Sessions of Octave that compute what they show: as requests of the contract, and as lines for the asking program."""

import random
import re

from recording import real_payload

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} * {w}", "mod({w}, {k} + 1)", "rem({w}, {k} + 1)", "numel({v})", "sum({u})", "max({u})", "min({u})", "abs({w})", "floor({d})", "round({d})", "fix({d})", "ceil({d})",
          "length({v})", "-{w}", "max({w}, {w})", "prod({u})", "[4 5 6]({j})", "sign({w})",
          "bitand({k}, 6)", "bitor({k}, 9)", "gcd({k} + 1, 12)", "lcm({k} + 1, 4)", "length({t})", "nnz({u})", "{u}(end)", "{u}({j})", "columns({v})", "rows({v})", "factorial({k})", "nchoosek(5, {k})", "idivide(int32({w}), int32(3))"],
    "d": ["{w} / {w}", "{d} + {w}", "{d} * {d}", "{d} - {w}", "sqrt(abs({d}))", "mean({u})", "{d} ^ 2", "{w} / 3", "pi * {w}", "abs({d})", "-{d}", "single({d})", "double({w})",
          "median({u})", "std({u})", "var({u})", "norm({u})", "mod({d}, 2.5)", "rem({d}, 0.3)", "atan2(double({d}), {w})", "hypot(double({d}), {w})", "exp({w} / 100)", "real({z})", "imag({z})", "abs({z})", "angle({z})", "max({u})",
          "polyval({u}, 2)", "[1 2; 3 {c}](2, 2)", "trace([1 2; 3 {c}])", "dot([1 2 3], [{k} 4 5])"],
    "z": ["{z} + {w}", "{z} * {z}", "{z} - {d}", "{z} / {z}", "conj({z})", "sqrt(-abs({w}) - 1)", "{z} ^ 2", "{z} * 2.5", "-{z}", "{z} .^ 3", "exp({z} / 10000)", "round({z})"],
    "q": ['["ab";"cd"]', "num2str([1 2; 3 {k}])", "[upper({t}); {t}]", 'char("a", {t})', "num2str([1.5 {c}; 3 4])"],
    "m": ["sum([1 2; 3 {c}])", "mean([1 2; 3 {c}], 2)", "cumsum({u})", "sort({u})", 'sort({u}, "descend")', "fliplr({u})", "flipud({u})", "reshape(1:6, 2, 3)", "reshape(1:6, [], 2)", "repmat({u}, 1, 2)",
          "linspace(0, {w}, 5)", "[{u} {u}]", "[{u}; {u}]", "[{u}, {c}]", "{u}(1:2)", "{u}({u} > 1)", "find({u} > 1)", "[1 2; 3 {c}](:, 1)", "[1 2; 3 {c}]'", "[1 2; 3 {c}](1, :)", "cumprod({u})", "diff({u})",
          "unique({u})", "isnan([1 NaN {c}])", "[{z}, {c}]", "[{z}; {z}]", "{u}(:)'", "magic(4)", "kron([1 2], [{c} 1])", "max([1 {c}; 3 2])", "min([1 {c}; 3 2], [], 2)", "max({u}, 2)", "any([0 {c}; 0 0])", "{k}:3",
          "triu([1 2; 3 {c}])", "[1 2; 3 4] ^ 2", "[1 2; 3 4] * [{k}; 2]", "{u} > 1 & {u} < 5", "xor(true, {b})", "cross([1 2 3], [4 5 {c}])", "primes(20)", "factor(60)", "zeros({j}, 2)", "{u}(end:-1:1)", "isspace('a b')"],
    "v": ["[{c} {c} {c}]", "[{c}, {c}]", "{v} * 2", "{v} + {w}", "{v} .* 2", "{v} / 2", "{k}:5", "1:{k}+1", "0:0.5:2", "8:0.5:9.5", "{v}'", "zeros(2, 3)", "ones(2)", "[1 2; 3 4] * {w}", "{v} .^ 2",
          "size({v})", "[{c}; {c}]", "floor({v} / 2)", "{v} > 2", "int32({v})", "[1.5 2.25; 3 {c}]", "[{c} -{c}]", "[{c} - {c}, 3]"],
    "u": ["[1 2 3]", "[0.5 2.25]", "[4; 5; 6.5]", "1:4", "[7 -2 3]"],
    "b": ["{w} < {w}", "{w} == {w}", "{d} >= {w}", "{b} && {b}", "!{b}", "{b} | {b}", "{w} ~= {w}", "{w} != {w}"],
    "i": ["int32({w})", "uint8({w})", "int8({d})", "int32({w}) + {w}", "uint8({w}) / 2", "int16({d}) * 2"],
    "t": ['sprintf("%d|%5.2f", {w}, {d})', "num2str({w})", "num2str({d})", "num2str({d}, 4)", 'num2str({d}, "%8.3f")', "num2str([1 2.5 {k}])", "num2str(1:4)", "num2str({b})", "num2str({i})", "num2str({w} / 0)", "mat2str({v})", "mat2str({d}, 4)", "mat2str({b})", "mat2str({w} > {u})", 'upper("ink")',
          'strrep("ink pot", "pot", {t})', "dec2bin({k})", "dec2hex(255 + {k})", "strtrim({t})", '[{t} " !"]', "upper({t})", 'strcat({t}, "x")', 'repmat("-", 1, {k})', "{t}(1)",
          "class({v})", "int2str({d})", "fliplr({t})", "char([72 105])", "sprintf('%d\\n', {w})", '{t}(end)', "lower({t})"],
}
constants = {"w": ["0", "1", "2", "7", "10", "355", "1000", "(-3)"], "c": ["0", "1", "2.5", "7", "10", "355.25"], "d": ["0.5", "2.5", "3.14159", "1e-3", "0.1", "123456.789", "1e5", "99999.5"],
             "v": ["[1 2 3]", "[1.5 2.5]", "[1;2;3]", "[100.25 3; 4 5]", "[0.001 1000]", "[1e-5 1]"], "u": ["[1 2 3]"], "b": ["true", "false"], "i": ["int8(5)", "uint16(300)"], "z": ["(3+4i)", "(1.5-2i)", "2i", "(100.25+0.5i)", "(-7+1e3i)"], "m": ["[1 2 3]"], "q": ["['a'; 'b']"],
             "t": ['"ink"', "'a b'"]}
settings = ["format long", "format short", "format", "format bank", "format short g", "format long g"]


class Sessions:
    def __init__(self, seed):
        self.random = random.Random(seed + 1)

    def make(self, kind, depth):
        r = self.random
        if kind in "kj":
            return str(r.randrange(0, 5) if kind == "k" else r.randrange(1, 4))
        if kind == "c" or depth == 0 or r.random() < 0.2:
            return r.choice(constants[kind])

        def part(found):
            text = self.make(found.group(1), depth - 1)
            return text if re.fullmatch(r'[\w.]+|"[^"]*"|\[[^]]*\]|\([^()]*\)', text) else "(%s)" % text

        return re.sub(r"\{(\w)\}", part, r.choice(forms[kind]))

    def changes(self, depth):
        """Statements that change what a name keeps."""
        make = lambda kind: self.make(kind, depth)
        return ["x = %s; x(2) = %s" % (make("u"), make("c")), "x = %s; x(end+1) = %s" % (make("u"), make("c")), "n = %s; n += %s" % (make("w"), make("w")), "n = %s; n *= 2, n -= 1;\nn" % make("d"),
                "[m, k] = max(%s)" % make("u"), "[s, k] = sort(%s)" % make("u"), "[r, c] = size(%s)" % make("m"), "n = %s; n++; n" % make("w"), "x = %s; x(1) = []" % make("u"), "x = [1 2; 3 4]; x(:, 1) = [%s; 5]" % make("c"),
                "x = [1 2; 3 4]; x(1, :) = []", "%s; ans + 1" % make("w"), "y(3) = %s" % make("c"), "x = %s; x(x > 1) = 0" % make("u"), "s = 'abc'; s(2) = 'X'"]

    def statement(self):
        r = self.random
        if r.random() < 0.12:
            return r.choice(self.changes(r.randrange(1, 3)))
        text = self.make(r.choice("wdvvbitdzmmq"), r.randrange(1, 4))
        form = r.random()
        return text if form < 0.5 else "x = " + text if form < 0.7 else "disp(%s)" % text if form < 0.9 else 'printf("%%g|%%d\\n", %s)' % text

    def case(self):
        r = self.random
        lines = [r.choice(settings)] if r.random() < 0.3 else []
        lines += [self.statement() for _ in range(r.randrange(1, 3))]
        if r.random() < 0.2:
            lines = ["n = %s;" % self.make("w", 1), "n * 2", "disp(n / 4)"]
        source = "\n".join(lines)
        quoted = '"' + "".join("\\%03o" % byte for byte in source.encode("utf-8")) + '"'
        return ({"template": source, "values": []}, "clear -x line fresh failed; fresh(); try; line(evalc(%s)); catch problem; failed(problem); end" % quoted)


class Statements(Sessions):
    """Whole calls: as requests of the contract, and as lines for the asking program."""

    def __init__(self, seed):
        super().__init__(seed + 1)
        self.own = {}

    def make(self, kind, depth):
        if self.random.random() < 0.25 and self.own.get(kind):
            return self.random.choice(self.own[kind])
        return super().make(kind, depth)

    def variables(self):
        r = self.random
        out = []
        for i in range(r.randrange(1, 4)):
            kind = r.choice("wwdtb")
            name = {"w": "n", "d": "x", "t": "s", "b": "f"}[kind] + str(i)
            if kind == "w":
                value = r.randrange(-100, 1000)
                given, source = {"i32": str(value)}, str(value)
            elif kind == "d":
                value = r.randrange(-100000, 100000) / 100
                given, source = {"f64": real_payload(value)}, repr(value)
            elif kind == "t":
                given = r.choice(["ink", "K-07", "Ink Margin", "ab"])
                source = '"%s"' % given
            else:
                given = r.random() < 0.5
                source = "true" if given else "false"
            self.own.setdefault(kind, []).append(name)
            out.append(({"named": [name, given]}, "%s = %s;" % (name, source)))
        return out

    def statement(self):
        r = self.random
        if r.random() < 0.2:
            return "disp(%s)" % self.make(r.choice("wdvbt"), r.randrange(0, 3))
        kinds = [r.choice("wdtvbi") for _ in range(r.randrange(1, 4))]
        fields = ["%" + r.choice(["", "", "-", "+", "0"] if k not in "t" else ["", "-"]) + r.choice(["", "5", "8", "12"]) + {"w": r.choice("dgi"), "d": r.choice(["f", "g", ".2f", ".3e", "d"]), "t": "s", "v": r.choice("gdf"), "b": "d", "i": "d"}[k] for k in kinds]
        text = r.choice(["", "|", "a ", "it''s "]) + r.choice(["|", ", ", " "]).join(fields) + "\\n"
        quote = "'" if "''" in text or r.random() < 0.3 else '"'
        call = r.choice(["printf(", "printf(", "fprintf(", "fprintf(1, "])
        return "%s%s%s%s, %s);" % (call, quote, text, quote, ", ".join(self.make(k, r.randrange(0, 3)) for k in kinds))

    def case(self):
        self.own = {}
        variables = self.variables()
        statement = self.statement()
        quoted = '"' + "".join("\\%03o" % byte for byte in statement.encode("utf-8")) + '"'
        line = "%s try; line(evalc(%s)); catch problem; puts(\"error\\n\"); end" % (" ".join(v[1] for v in variables), quoted)
        return {"statement": statement, "values": [v[0] for v in variables]}, line
