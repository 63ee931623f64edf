#!/usr/bin/env python3
"""Writes what every locale of the GNU C library has for numbers, money, dates and times.

    tools/record/glibc_locale_table.py              writes src/dialect/family/glibc_locales.inc

The locales are built by localedef into a folder of its own; nothing of the machine is changed.
"""

import gzip
import os
import pathlib
import re
import shutil
import subprocess
import sys
import tempfile

import locale_table
from recording import needs

root = pathlib.Path(__file__).resolve().parents[2]

program = r"""
#include <langinfo.h>
#include <locale.h>
#include <stdio.h>
#include <string.h>
#include <time.h>

static void sizes(const char *grouping, const char *mark) {
  /* A mark that is empty groups nothing. */
  if (*mark == 0 || *grouping == 0) { printf("0"); return; }
  for (const char *at = grouping; *at != 0; ++at) {
    if (*at == 127 || *at < 0) { printf("%s0", at == grouping ? "" : ","); return; }
    printf("%s%d", at == grouping ? "" : ",", *at);
  }
}
static void list(nl_item first, int count) {
  for (int i = 0; i < count; ++i) printf("%s%s", i == 0 ? "" : "|", nl_langinfo(first + i));
}
static void eras(void) {
  const char *era = nl_langinfo(ERA);
  unsigned count = *era == 0 ? 0 : (unsigned)(unsigned long)nl_langinfo(_NL_TIME_ERA_NUM_ENTRIES);
  for (unsigned i = 0; i < count; ++i, era += strlen(era) + 1) printf("%s%s", i == 0 ? "" : "|", era);
}
/* From 0 to 99, as years of a century behind O; nothing where it is the usual digits. */
static void numbers(void) {
  if (*nl_langinfo(ALT_DIGITS) == 0) return;
  for (int i = 0; i < 100; ++i) {
    struct tm time = {.tm_year = 100 + i, .tm_mday = 1};
    char text[100], usual[100];
    strftime(text, sizeof text, "%Oy", &time);
    strftime(usual, sizeof usual, "%y", &time);
    printf("%s%s", i == 0 ? "" : "|", strcmp(text, usual) == 0 ? "" : text);
  }
}
static void number(char value) { printf("\037%d", value == 127 ? 9 : value); }

int main(int count, char **names) {
  for (int i = 1; i < count; ++i) {
    if (setlocale(LC_ALL, names[i]) == NULL) { fprintf(stderr, "no locale %s\n", names[i]); return 1; }
    const struct lconv *l = localeconv();
    printf("%s\037%s\037%s\037", names[i], l->decimal_point, l->thousands_sep);
    sizes(l->grouping, l->thousands_sep);
    printf("\037%s\037%s\037%s\037%s\037", l->int_curr_symbol, l->currency_symbol, l->mon_decimal_point, l->mon_thousands_sep);
    sizes(l->mon_grouping, l->mon_thousands_sep);
    printf("\037%s\037%s", l->positive_sign, l->negative_sign);
    number(l->frac_digits); number(l->int_frac_digits);
    number(l->p_cs_precedes); number(l->p_sep_by_space); number(l->p_sign_posn);
    number(l->n_cs_precedes); number(l->n_sep_by_space); number(l->n_sign_posn);
    printf("\037"); list(MON_1, 12);
    printf("\037"); list(ABMON_1, 12);
    printf("\037"); list(ALTMON_1, 12);
    printf("\037"); list(_NL_ABALTMON_1, 12);
    printf("\037"); list(DAY_1, 7);
    printf("\037"); list(ABDAY_1, 7);
    printf("\037%s|%s", nl_langinfo(AM_STR), nl_langinfo(PM_STR));
    printf("\037%s\037%s\037%s\037%s", nl_langinfo(D_T_FMT), nl_langinfo(D_FMT), nl_langinfo(T_FMT), nl_langinfo(T_FMT_AMPM));
    printf("\037"); eras();
    printf("\037%s\037%s\037%s", nl_langinfo(ERA_D_T_FMT), nl_langinfo(ERA_D_FMT), nl_langinfo(ERA_T_FMT));
    printf("\037"); numbers();
    number(l->int_p_cs_precedes); number(l->int_p_sep_by_space); number(l->int_p_sign_posn);
    number(l->int_n_cs_precedes); number(l->int_n_sep_by_space); number(l->int_n_sign_posn);
    printf("\n");
  }
  return 0;
}
"""


def supported():
    """The names of the locales in UTF-8, as the C library lists them."""
    lines = pathlib.Path("/usr/share/i18n/SUPPORTED").read_text().splitlines()
    return sorted(line.split()[0] for line in lines if line.endswith(" UTF-8") and not line.startswith("C."))


def plain(name):
    """A name without its encoding, which the C library would compare with what the parts say of theirs. Two are aliases so."""
    return name if name.startswith(("C.", "ja_JP", "ko_KR")) else name.replace(".UTF-8", "")


beyond_two_planes = re.compile("<U00(0[2-9A-F]|10)....>")


def small_charmap():
    """The characters of the first two planes, without their widths: five times as fast, and the same but for LC_CTYPE."""
    with gzip.open("/usr/share/i18n/charmaps/UTF-8.gz", "rt", encoding="utf-8") as file:
        lines = file.read().split("\nWIDTH\n")[0].split("\n")
    return "\n".join(line for line in lines if not beyond_two_planes.match(line)) + "\n"


def build(folder, names):
    """Builds locales there, under plain(name): what they have for numbers, money and times, and characters of UTF-8."""
    characters = pathlib.Path("/usr/lib/locale/C.utf8/LC_CTYPE")
    source = folder / "source"
    charmap = folder / "UTF-8"
    charmap.write_text(small_charmap())
    for name in names:
        base, target = name.replace(".UTF-8", ""), folder / plain(name)
        parts = "".join('LC_%s\ncopy "%s"\nEND LC_%s\n' % (part, base, part) for part in ("NUMERIC", "MONETARY", "TIME"))
        source.write_text("comment_char %\nescape_char /\n" + parts)
        made = target / "LC_NUMERIC"
        command = ["localedef", "--quiet", "--no-archive", "-f", charmap]
        # The parts that are left out are warned of.
        subprocess.run(command + ["-c", "-i", source, target], capture_output=True)
        if made.exists():
            shutil.copy(characters, target / "LC_CTYPE")
            continue
        # localedef 2.36 does not make the parts of a few alone.
        subprocess.run(command + ["-i", base, target], capture_output=True)
        if not made.exists():
            sys.exit("localedef makes no " + base)


def main():
    needs("localedef --version")
    names = supported()
    with tempfile.TemporaryDirectory() as place:
        folder = pathlib.Path(place)
        build(folder, names)
        (folder / "ask.c").write_text("#define _GNU_SOURCE\n" + program)
        subprocess.run(["cc", "-o", folder / "ask", folder / "ask.c"], check=True)
        answer = subprocess.run([folder / "ask", "C", "POSIX", "C.UTF-8"] + [plain(name) for name in names], check=True, capture_output=True,
                                env={**os.environ, "LOCPATH": str(folder) + ":/usr/lib/locale"}).stdout.decode()
    rows = [line.split("\037") for line in answer.split("\n") if line]
    for row, name in zip(rows, ["C", "POSIX", "C.UTF-8"] + names):
        row[0] = name
    rows = rows[:1] + sorted(rows[1:])
    version = subprocess.run(["ldd", "--version"], check=True, capture_output=True, text=True).stdout.split("\n")[0].split()[-1]
    heading = ["Asked of localeconv() and nl_langinfo(), the GNU C library %s." % version, "Written by tools/record/glibc_locale_table.py."]
    (root / "src/dialect/family/glibc_locales.inc").write_text(locale_table.table(heading, [(row[0], row[1:]) for row in rows]))


if __name__ == "__main__":
    main()
