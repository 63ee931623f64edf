#!/usr/bin/env python3
"""Records what format() of R makes of dates and times in the locales of the C library, which localedef builds in a folder of its own.

    tools/record/r_locales.py [SEED]           writes tests/vectors/r-locales.jsonl
    tools/record/r_locales.py --live SEED      fewer cases, in fewer locales, to standard output
"""

import os
import pathlib
import subprocess
import sys
import tempfile

import c_locales
import glibc_locale_table
import strftime
from recording import answer_of, needs, write_cases

count = 5200
live_count = 1500
root = pathlib.Path(__file__).resolve().parents[2]

program = """
lines <- readLines("cases", encoding = "bytes")
for (line in lines) {
  parts <- strsplit(line, " ", fixed = TRUE)[[1]]
  invisible(Sys.setlocale("LC_TIME", parts[1]))
  codes <- rawToChar(as.raw(strtoi(substring(parts[3], seq(1, nchar(parts[3]), 2), seq(2, nchar(parts[3]), 2)), 16L)))
  Encoding(codes) <- "UTF-8"
  x <- if (nchar(parts[2]) == 10) as.Date(parts[2]) else as.POSIXct(parts[2], tz = "UTC", format = "%Y-%m-%dT%H:%M:%S")
  cat("=", paste(as.character(charToRaw(enc2utf8(format(x, codes)))), collapse = ""), "\\n", sep = "")
}
"""


class Maker(strftime.Maker):
    """Calls of format() with a date or a time and a locale."""

    def case(self):
        while True:
            request, _ = super().case()
            value = request["values"][0]
            text = value.get("date") or value["moment"]
            # A time in R is an instant in UTC; %OS is its own.
            if len(text) in (10, 19) and "OS" not in request["template"] and request["template"].strip():
                break
        codes = request["template"]
        call = 'format(x, "%s")' % codes
        return {"template": call, "values": [{"named": ["x", value]}], "locale": request["locale"]}, (text, codes)


def cases(seed, wanted):
    names = c_locales.names_of(seed, 30 if wanted <= live_count else 150)
    with tempfile.TemporaryDirectory() as place:
        folder = pathlib.Path(place)
        glibc_locale_table.build(folder, names)
        maker = Maker(seed, names + ["C.UTF-8"] * 10)
        made = [maker.case() for _ in range(wanted)]
        (folder / "cases").write_text("".join("%s %s %s\n" % (glibc_locale_table.plain(request["locale"]), text, codes.encode().hex())
                                              for request, (text, codes) in made))
        (folder / "ask.R").write_text(program)
        printed = subprocess.run(["Rscript", "--vanilla", "ask.R"], cwd=folder, check=True, capture_output=True, text=True,
                                 env={**os.environ, "LC_ALL": "C.UTF-8", "TZ": "UTC", "LOCPATH": "%s:/usr/lib/locale" % folder}).stdout.splitlines()
    return [{**request, **answer_of(bytes.fromhex(line[1:]))} for (request, _), line in zip(made, printed, strict=True)]


def main():
    needs("Rscript --version")
    needs("localedef --version")
    version = subprocess.run(["Rscript", "-e", "cat(R.version$major, R.version$minor, sep = '.')"], check=True, capture_output=True, text=True).stdout
    header = {"dialect": "r-format", "runtime": "R " + version, "recorder": "tools/record/r_locales.py"}
    write_cases(root / "tests/vectors/r-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
