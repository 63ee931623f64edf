"""Whole calls of Lisp: as requests of the contract, and as forms for the asking program."""

from calls import Calls, Language

forms = {
    "w": ["(+ {w} {k})", "(- {w} {w})", "(* {w} {k})", "(floor {w} 3)", "(mod {w} 7)", "(rem {w} 4)", "(abs {w})", "(max {w} {k})", "(min {w} {w} {k})", "(length {t})", "(ash {w} {k})",
          "(logand {w} 12)", "(logior {w} {k})", "(if {b} {w} {w})", "(expt {k} {k})", "(1+ {w})", "(1- {w})", "(- {w})", "(round {d})", "(truncate {d})", "(ceiling {w} 2)", "(round {w} 2)",
          "(truncate {w} 5)", "(reduce #'+ (list {w} {k}))", "(gcd {w} 12)", "(cond ({b} {w}) (t {k}))", "(or {w} {k})", "(+ {w} {w} {w})", "(/ (* {w} 6) 3)", "(char-code (char \"ink\" {k2}))"],
    "d": ["(+ {d} {d})", "(- {d} 1.5)", "(* {d} {d})", "(/ {d} 3.0)", "(- {d})", "(float {w})", "(float {w} 1d0)", "(sqrt (abs {d}))", "(abs {d})", "(* {d} 0.76)", "(/ {w} 2.0)", "(/ {w} 2d0)",
          "(if {b} {d} {d})", "(coerce {w} 'double-float)", "(coerce {d} 'single-float)", "(+ {w} {d})", "(* 1.0 {w})", "(max {d} 2.5d0)", "(* {d} {w})"],
    "t": ["(string-upcase {t})", "(string-downcase {t})", "(string-capitalize {t})", "(concatenate 'string {t} \"-\" {t})", "(format nil \"~d\" {w})", "(format nil \"~,2f\" {d})",
          "(if {b} {t} {t})", "(reverse {t})", "(princ-to-string {w})", "(subseq \"ink margin\" {k})", "(write-to-string {w})"],
    "b": ["(< {w} {w})", "(<= {w} {k})", "(> {d} {d})", "(>= {d} 2.5d0)", "(= {w} {w})", "(/= {w} {k})", "(and {b} {b})", "(or {b} {b})", "(not {b})", "(string= {t} \"ink\")", "(evenp {w})",
          "(oddp {w})", "(zerop {w})", "(< {w} {d})", "(plusp {d})"],
}
types = {"w": [("i32", "")], "d": [("f64", "")], "t": [("text", "")], "b": [("truth", "")]}
constants = {"w": ["7", "100", "-3", "#xFF", "12345678901"], "d": ["0.5", "0.76", "1e3", "100.0d0", "2.5d-3"], "t": ['"ink"', '"a b"', '""'], "b": ["t", "nil"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "t" if value else "nil"
    if type_name == "f64":
        text = "%r" % float(value)
        return text.replace("e", "d") if "e" in text else text + "d0"
    return "%d" % value


class LispCalls(Calls):
    def make(self, kind, depth, variables):
        # Forms have parentheses of their own.
        r = self.random
        own = [v[0] for v in variables if v[1] == kind]
        if kind == "k":
            return str(r.randrange(0, 7))
        if depth == 0 or r.random() < 0.15:
            return r.choice(own) if own and r.random() < 0.75 else r.choice(self.language.constants[kind])
        form = r.choice(self.language.forms[kind]).replace("{k2}", str(r.randrange(0, 3)))
        out = ""
        while "{" in form:
            before, rest = form.split("{", 1)
            out += before + self.make(rest[0], depth - 1, variables)
            form = rest[2:]
        return out + form


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 4)
    if r.random() < 0.15:
        kind = r.choice("wdt")
        return "(%s %s)" % (r.choice(["princ", "prin1", "print", "write-line"] if kind == "t" else ["princ", "prin1", "print"]), made.make(kind, depth, variables))
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdtb")
        template += r.choice(["", "|", "ink: ", " ", "~~"])
        template += r.choice({"w": ["~d", "~5d", "~:d", "~a", "~x", "~@d"], "d": ["~a", "~,2f", "~8,3f", "~s"], "t": ["~a", "~8a", "~s", "~8@a"], "b": ["~a", "~s"]}[kind])
        arguments.append(made.make(kind, depth, variables))
    template += r.choice(["~%", "~%", ""])
    return '(format %s "%s" %s)' % (r.choice(["t", "nil"]), template, " ".join(arguments))


language = Language(forms, types, written, constants, statement, texts=("ink", "Ink Margin", "K-07", "ab"))


def made(seed, wanted):
    """Requests, each with the form that asks for its text."""
    maker = LispCalls(seed + 1, language)
    out = []
    while len(out) < wanted:
        request, variables = maker.case()
        # SBCL's reader is not exact below the normal numbers.
        if any(v[1] == "d" and 0 < abs(float.fromhex(v[2]["f64"])) < 1e-300 for v in variables):
            continue
        bound = " ".join("(%s %s)" % (v[0], v[4]) for v in variables)
        out.append((request, "(ask-form (lambda () (let (%s) (declare (ignorable %s)) %s)))" % (bound, " ".join(v[0] for v in variables), request["statement"])))
    return out
