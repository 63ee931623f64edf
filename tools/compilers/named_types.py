"""Asks gcc for the types that src/dialect/c/source.hpp states: what other names of types stand for,
and what functions of the C library return. Prints what differs; the exit status is 1 then.

    python3 tools/compilers/named_types.py
"""

import pathlib
import re
import subprocess
import sys
import tempfile

HEADERS = """arpa/inet.h ctype.h errno.h inttypes.h libgen.h math.h netdb.h netinet/in.h pwd.h stddef.h stdint.h
stdio.h stdlib.h string.h sys/resource.h sys/socket.h sys/stat.h sys/time.h sys/types.h time.h unistd.h""".split()


def stated():
    root = pathlib.Path(__file__).resolve().parents[2]
    text = (root / "src/dialect/c/source.hpp").read_text()
    table = text[text.index("NamedTypeFact named_types[]"):]
    return re.findall(r'\{"([^"]+)", "([^"]+)"\}', table[:table.index("};")])


def main():
    includes = "#define _GNU_SOURCE\n" + "".join(f"#include <{name}>\n" for name in HEADERS)
    facts = stated()
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "a.c"
        listed = pathlib.Path(folder) / "functions"
        source.write_text(includes)
        subprocess.run(["gcc", "-fno-builtin", "-c", "-o", "/dev/null", "-aux-info", listed, source], check=True)
        # /* /usr/include/string.h:246:NC */ extern char *strchr (const char *, int);
        returned = {}
        for line in listed.read_text().splitlines():
            found = re.match(r"/\*.*?\*/ (?:extern|static) (.*?)\b(\w+) \(.*\);", line)
            if found:
                returned[found[2]] = found[1]
        lines, wrong = [], []
        for name, type_ in facts:
            # libgen.h names basename so.
            theirs = returned.get(name[:-2], returned.get("__xpg_" + name[:-2])) if name.endswith("()") else name
            if theirs is None:
                wrong.append(f"{name}: gcc knows no such function")
                continue
            theirs = theirs.replace("const ", "")
            lines.append(f"_Static_assert(__builtin_types_compatible_p({theirs}, {type_}), "
                         f'"{name} is no {type_} but {theirs.strip()}");')
        source.write_text(includes + "\n".join(lines) + "\n")
        ran = subprocess.run(["gcc", "-std=gnu17", "-fsyntax-only", source], capture_output=True, text=True)
        wrong += re.findall(r'error: (?:static assertion failed: )?"?([^"\n]*)', ran.stderr)
    for line in wrong:
        print(line)
    print(f"{len(facts)} types, {len(wrong)} other ones")
    return 1 if wrong else 0


if __name__ == "__main__":
    sys.exit(main())
