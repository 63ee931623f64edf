// Helpers in Python that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"
#include "times.hpp"

namespace inky::inline v1::python {

inline constexpr ComposingForm composing = {
    .carrier = "python",
    .unit = WidthUnit::code_points,
    .text_of = "\"@S\".format(@V)",
    .print = "print(@T, end=\"\")",
    .before = "import re\n",
    .zeros = {"with_zeros(@T, @D)", R"code(def with_zeros(text, count):
    """Zeros in front of a number, up to `count` digits."""
    sign = "-" if text.startswith("-") else ""
    return sign + text[len(sign):].rjust(count, "0")
)code"},
    .marks = {"with_marks(@T, @G, @P)", R"code(def with_marks(text, group, point):
    """A mark between thousands, and a decimal mark."""
    whole, has_point, rest = text.partition(".")
    whole = re.sub(r"\d(?=(\d{3})+$)", lambda digit: digit[0] + group, whole)
    return whole + (point if has_point else "") + rest
)code"},
    .sign = {"with_sign(@T, @U, @O, @C)", R"code(def with_sign(text, plus, opening, closing):
    """`plus` in front of a number, or `opening` and `closing` for the minus."""
    return opening + text[1:] + closing if text.startswith("-") else plus + text
)code"},
    .behind = {"@T + @G"},
    .inside = {"fill_inside(@T, @X, @D, @F)", R"code(def fill_inside(text, prefix, width, fill):
    """A prefix behind the sign of a number, and what fills it up to a width."""
    sign = text[:1] if text[:1] in "-+ (" else ""
    return sign + prefix + fill * (width - len(prefix) - len(text)) + text[len(sign):]
)code"},
    .pad_left = {"@T.rjust(@D, @F)"},
    .pad_right = {"@T.ljust(@D, @F)"},
    .pad_center = {"format(@T, \"@f^@D\")"},
    .cut = {"@T[:@D]"},
    .percent = {"percent(@T)", R"code(def percent(text):
    """Moves the point of a number two places, and adds a percent sign."""
    whole, has_point, rest = text.partition(".")
    if not has_point:
        return text
    moved = (whole + rest[:2] + "." + rest[2:]).removesuffix(".")
    return re.sub(r"^(-?)0+(?=\d)", r"\1", moved) + "%"
)code"},
    .engineering = {"engineering(@T)", R"code(def engineering(text):
    """d.ddde+xx with an exponent in steps of three."""
    found = re.fullmatch(r"(-?\d)\.?(\d*)([eE])([-+]?\d+)", text)
    if not found:
        return text
    lead = int(found[4]) % 3
    digits = found[2].ljust(lead, "0")
    rest = "." + digits[lead:] if digits[lead:] else ""
    return found[1] + digits[:lead] + rest + "{}{:+03d}".format(found[3], int(found[4]) - lead)
)code"},
    .thousands = {"for_thousands(@T, @1, @2)", R"code(def for_thousands(none, one, two):
    """Of a number with some places, one more and two more: what engineering() keeps these of."""
    def size(text):
        return int((re.split("[eE]", text) + ["0"])[1])
    lead = size(two) % 3
    text = [none, one, two][lead]
    if size(text) == size(two):
        return text
    return none if lead == 2 else re.sub("[eE]", r"0\g<0>", text) if "." in text else text
)code"},
    .plain = {"plain(@T)", R"code(def plain(text):
    """d.ddde+xx without an exponent."""
    found = re.fullmatch(r"(-?)(\d)\.?(\d*)[eE]([-+]?\d+)", text)
    if not found:
        return text
    exponent = int(found[4])
    digits = "0" * -exponent + found[2] + found[3]
    behind = max(exponent, 0) + 1
    digits = digits.ljust(behind, "0")
    return found[1] + digits[:behind] + ("." + digits[behind:] if digits[behind:] else "")
)code"},
    .in_base = {"in_base(@V, @D)", R"code(def in_base(value, base):
    """A whole number in a base from 2 to 36."""
    text, rest = "", abs(value)
    while rest or not text:
        rest, digit = divmod(rest, base)
        text = "0123456789abcdefghijklmnopqrstuvwxyz"[digit] + text
    return "-" + text if value < 0 else text
)code"},
    .hexadecimal = {"in_hexadecimal(@V)", R"code(def in_hexadecimal(value):
    """A real in base 16, without zeros at its end."""
    return re.sub(r"\.?0*p", "p", float(value).hex()) if value - value == 0 else str(value)
)code"},
    .money =
        "import locale\nlocale.setlocale(locale.LC_ALL, \"@L\")\nprint(locale.currency(@V, "
        "grouping=True), end=\"\")",
    .moment = "print(\"%s\" % @V.strftime(\"@M\"), end=\"\")",
    .moment_letters = write_strftime_call,
    .upper = {"@T.upper()"},
    .truth = {"str(@V).lower()"},
};

}  // namespace inky::inline v1::python
