#!/usr/bin/env python3
"""Records what a stream of C++ prints of numbers and times in the locales that imbue() gives it.

    tools/record/cpp_stream_locales.py [SEED]           writes tests/vectors/cpp-stream-locales.jsonl
    tools/record/cpp_stream_locales.py --live SEED      fewer cases, in fewer locales, to standard output
"""

import pathlib
import subprocess
import sys
import tempfile

import c_locales
import glibc_locale_table
from recording import Values, answer_of, needs, write_cases

count = 5000
live_count = 1000
root = pathlib.Path(__file__).resolve().parents[2]

head = """#include <ctime>
#include <iomanip>
#include <iostream>
#include <locale>
#include <sstream>
#include <string>
static void show(const std::string& text) { std::cout << '='; for (unsigned char c : text) { std::cout << "0123456789abcdef"[c >> 4] << "0123456789abcdef"[c & 15]; } std::cout << '\\n'; }
"""


class Maker:
    """Chains of numbers, each with a locale."""

    def __init__(self, seed, names):
        self.values = Values(seed)
        self.random = self.values.random
        self.names = names

    def number(self):
        r = self.random
        if r.random() < 0.45:
            value = r.choice([0, 7, 1234, -5, 999, 1000, 123456789, r.randrange(-10 ** 9, 10 ** 9), r.randrange(10 ** r.randrange(1, 9))])
            base = r.choice(["", "", "", "hex << ", "oct << ", "showbase << hex << ", "showbase << oct << "])
            return base, str(value)
        value = r.choice([0.0, 0.125, 1234567.891, -1234.5, 1e20, 1e-7, 123456.0, -99999.5, r.randrange(-10 ** 9, 10 ** 9) / 10 ** r.randrange(4), self.values.real()])
        if value != value or abs(value) == float("inf"):
            value = 1e6
        return r.choice(["fixed << setprecision(2) << ", "", "scientific << ", "hexfloat << ", "showpoint << ", "setprecision(10) << ", "fixed << setprecision(0) << "]), repr(float(value))

    def money(self):
        r = self.random
        value = r.choice([0, 5, 12, 123, -5, -12, 123456, -1234567, r.randrange(-10 ** 12, 10 ** 12), r.randrange(-2000, 2000)])
        given = r.choice([str(value), str(value), '"%d"' % value, repr(value + r.choice([0.0, 0.25, 0.5])), '"%d.7"' % value, '""', '"-"', '"a1"'])
        if given.lstrip("-").isdigit() and abs(value) >= 2 ** 31:
            given = '"%d"' % value
        return r.choice(["", "showbase << "]), "put_money(%s%s)" % (given, r.choice(["", "", ", true", ", false"]))

    def case(self):
        r = self.random
        chain = "o"
        for _ in range(r.randrange(1, 3)):
            base, number = self.money() if r.random() < 0.25 else self.number()
            chain += " << " + base + r.choice(["", "", "setw(18) << ", "setfill('*') << setw(22) << ", "internal << setfill('0') << setw(16) << ", "left << setw(15) << ", "showpos << "]) + number
            chain += r.choice(["", ' << "|"', ' << " g "'])
        return {"template": chain, "values": [], "locale": r.choice(self.names)}, chain


def cases(seed, wanted):
    names = c_locales.names_of(seed, 30 if wanted <= live_count else 150)
    with tempfile.TemporaryDirectory() as place:
        folder = pathlib.Path(place)
        glibc_locale_table.build(folder, names)
        maker = Maker(seed, names + ["C"])
        made = [maker.case() for _ in range(wanted)]
        lines = [head, "using namespace std;"]
        for number, (request, chain) in enumerate(made):
            lines.append('static void c%d() { ostringstream o; o.imbue(locale("%s")); %s; show(o.str()); }' % (number, glibc_locale_table.plain(request["locale"]), chain))
        lines.append("int main() {" + " ".join("c%d();" % number for number in range(len(made))) + "}")
        (folder / "ask.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
        subprocess.run(["g++", "-std=c++20", "-w", "-O0", "-o", folder / "ask", folder / "ask.cpp"], check=True)
        printed = subprocess.run([folder / "ask"], check=True, capture_output=True, text=True, env=c_locales.environment_of(folder)).stdout.splitlines()
    return [{**request, **answer_of(bytes.fromhex(line[1:]))} for (request, _), line in zip(made, printed, strict=True)]


def main():
    needs("g++ --version")
    needs("localedef --version")
    version = subprocess.run(["g++", "-dumpfullversion"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "cpp-stream", "runtime": "g++ " + version, "recorder": "tools/record/cpp_stream_locales.py"}
    write_cases(root / "tests/vectors/cpp-stream-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
