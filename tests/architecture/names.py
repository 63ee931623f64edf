#!/usr/bin/env python3
"""No two files of one namespace define a type of the same name: a linker keeps one of them for both."""

import collections
import pathlib
import re
import sys

root = pathlib.Path(__file__).resolve().parents[2]
found = collections.defaultdict(set)
for folder in ("include", "src", "cli"):
    for path in sorted((root / folder).rglob("*.[hc]pp")):
        spaces = []
        for line in path.read_text(encoding="utf-8").splitlines():
            begun = re.match(r"namespace (.*)\{", line)
            if begun:
                spaces.append(begun.group(1).strip())
            elif line.startswith("}  // namespace") and spaces:
                spaces.pop()
            name = re.match(r"(?:struct|class) (\w+)(?: final)?(?: :[^{]*)? \{", line)
            if name and "" not in spaces:
                found["::".join(spaces + [name.group(1)])].add(str(path.relative_to(root)))
if len(found) < 100:
    sys.exit("only %d types were found" % len(found))
doubled = {name: paths for name, paths in found.items() if len(paths) > 1}
for name, paths in sorted(doubled.items()):
    print("%s: %s" % (name, ", ".join(sorted(paths))))
sys.exit(1 if doubled else 0)
