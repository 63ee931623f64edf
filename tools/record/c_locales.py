#!/usr/bin/env python3
"""Records what printf of the C library prints in its locales, which localedef builds in a folder of the recorder's own.

    tools/record/c_locales.py [SEED]           writes tests/vectors/c-locales.jsonl
    tools/record/c_locales.py --live SEED      fewer cases, in fewer locales, to standard output
"""

import os
import pathlib
import subprocess
import sys
import tempfile

import c
import glibc_locale_table
from recording import needs, write_cases

count = 10500
live_count = 4000
often = "de_DE.UTF-8 fr_FR.UTF-8 en_US.UTF-8 en_IN hi_IN de_CH.UTF-8 ps_AF pl_PL.UTF-8 sv_SE.UTF-8 ja_JP.UTF-8 yue_HK pt_PT.UTF-8".split()


class Maker(c.Maker):
    """Fields of numbers, each with a locale."""

    def __init__(self, seed, names):
        super().__init__(seed)
        self.names = names

    def flags(self, allowed):
        out = super().flags(allowed)
        return out + "'" if "'" in allowed and "'" not in out and self.random.random() < 0.5 else out

    def field(self):
        while True:
            made = super().field()
            # Fields of text do not look at the locale.
            if made[0][-1] not in "sc" or self.random.random() < 0.1:
                return made

    def case(self):
        request, arguments = super().case()
        request["locale"] = self.random.choice(self.names)
        return request, arguments


def names_of(seed, wanted):
    """All locales, or as many as a live run has the time to build."""
    maker = c.Maker(seed)
    return often + maker.random.sample([name for name in glibc_locale_table.supported() if name not in often], wanted - len(often))


def environment_of(folder):
    return {**os.environ, "LOCPATH": "%s:/usr/lib/locale" % folder}


def cases(seed, wanted):
    names = names_of(seed, 50 if wanted <= live_count else len(glibc_locale_table.supported()))
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        glibc_locale_table.build(folder, names)
        maker = Maker(seed, names)
        return c.templates(folder, [maker.case() for _ in range(wanted)], glibc_locale_table.plain, environment_of(folder))


def main():
    needs("gcc --version")
    needs("localedef --version")
    library = subprocess.run(["getconf", "GNU_LIBC_VERSION"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "c", "runtime": library, "recorder": "tools/record/c_locales.py"}
    write_cases(c.root / "tests/vectors/c-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
