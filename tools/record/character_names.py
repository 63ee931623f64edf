#!/usr/bin/env python3
"""Writes the names that Python gives characters (\\N{...}), as the running Python has them.

    tools/record/character_names.py [ALIASES]       writes src/dialect/python/character_names.inc
    tools/record/character_names.py --live SEED     five thousand cases to standard output

ALIASES is NameAliases.txt of the Unicode character database (in Debian's package unicode-data): Python
does not list them, but says of each whether it knows it. The ideographs and the syllables of Hangul are
left out, since their names are made by rule.

The names are sorted, and stand in blocks. A block has its first name whole; of each further name the
count of the letters it shares with the one before (as one character, from '#'), the letters after them,
and its code point: four digits of base 35, from '[', without the backslash.
"""

import json
import pathlib
import platform
import random
import sys
import unicodedata

from recording import no_runtime

most_in_block = 32
digits = [chr(c) for c in range(ord("["), 127) if chr(c) != "\\"]
by_rule = "CJK UNIFIED IDEOGRAPH-", "HANGUL SYLLABLE "


def names_of_python(aliases):
    names = {}
    for point in range(0x110000):
        name = unicodedata.name(chr(point), "")
        if name and not name.startswith(by_rule):
            names[name] = point
    for line in pathlib.Path(aliases).read_text().splitlines():
        fields = line.split("#")[0].split(";")
        if len(fields) < 3:
            continue
        try:
            found = unicodedata.lookup(fields[1])
        except KeyError:
            continue
        names[fields[1]] = ord(found)
    return names


def code(point):
    out = ""
    for _ in range(4):
        out = digits[point % 35] + out
        point //= 35
    return out


def live(seed):
    """Random names, and some that no character has, as literals of Python have them."""
    if unicodedata.unidata_version != "14.0.0":
        print("this needs a Python with the names of Unicode 14", file=sys.stderr)
        sys.exit(no_runtime)
    r = random.Random(seed)
    print(json.dumps({"dialect": "python", "runtime": "CPython " + platform.python_version(),
                      "recorder": "tools/record/character_names.py", "seed": seed}))
    made = 0
    while made < 5000:
        name = unicodedata.name(chr(r.randrange(r.choice([0x300, 0x3200, 0x10000, 0x20000, 0x32000]))), "")
        if not name:
            continue
        if r.random() < 0.1:
            name = r.choice([name.lower(), name + "S", name[:-1], name[1:], " " + name, name.replace(" ", "  "), name + " "])
        template = "\\N{%s}|" % name
        try:
            answer = {"text": eval('"' + template + '"').format()}  # noqa: our own names only
        except SyntaxError as error:
            answer = {"fails": {"when": "compile", "as": type(error).__name__}}
        except ValueError as error:
            answer = {"fails": {"when": "run", "as": type(error).__name__}}
        print(json.dumps({"template": template, "values": [], **answer}))
        made += 1


def main():
    if sys.argv[1:2] == ["--live"]:
        return live(int(sys.argv[2]))
    aliases = sys.argv[1] if len(sys.argv) > 1 else "/usr/share/unicode/NameAliases.txt"
    names = sorted(names_of_python(aliases).items())
    lines = [f"// Names of characters, as Python {platform.python_version()} has them (Unicode "
             f"{unicodedata.unidata_version}).", "// Written by tools/record/character_names.py, which says how."]
    for start in range(0, len(names), most_in_block):
        block = names[start:start + most_in_block]
        packed = code(block[0][1])
        for (before, _), (name, point) in zip(block, block[1:]):
            shared = 0
            while shared < min(len(before), len(name)) and before[shared] == name[shared]:
                shared += 1
            packed += chr(ord("#") + min(shared, 90)) + name[min(shared, 90):] + code(point)
        quote = lambda text: '"' + text.replace("\\", "\\\\").replace('"', '\\"') + '"'
        lines.append(f"{{{quote(block[0][0])}, {quote(packed)}}},")
    target = pathlib.Path(__file__).resolve().parents[2] / "src/dialect/python/character_names.inc"
    target.write_text("\n".join(lines) + "\n")
    print(f"{len(names)} names in {target}")


if __name__ == "__main__":
    main()
