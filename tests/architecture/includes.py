#!/usr/bin/env python3
"""Each floor may include only the floors above it in docs/design.md, and no floor may do I/O."""

import pathlib
import re
import sys

root = pathlib.Path(__file__).resolve().parents[2]
floors = {
    "text": set(),
    "number": {"text"},
    "format": {"number", "text"},
    "dialect": {"number", "text", "format"},
    "carry": {"number", "text", "format", "dialect"},
    "compose": {"number", "text", "format", "dialect", "carry"},
    "check": {"number", "text", "format", "dialect", "carry"},
    "scan": {"number", "text", "format", "dialect", "carry", "check"},
    "write": {"number", "text", "format", "dialect", "scan"},
    "contract": {"number", "text", "format", "dialect", "carry", "compose", "check", "sheet"},
    "sheet": {"number", "text", "format", "dialect"},
    "emit": {"number", "text", "format", "dialect", "carry", "scan", "write", "sheet"},
}
forbidden = re.compile(r"<(iostream|fstream|sstream|cstdio|stdio\.h|format|charconv|locale|clocale)>")
faults = []
for floor, above in floors.items():
    files = [*root.glob(f"src/{floor}/**/*.?pp"), *root.glob(f"include/inky_margin/{floor}/**/*.hpp")]
    if not files:
        faults.append(f"{floor}: no files")
    for path in files:
        for number, line in enumerate(path.read_text(encoding="utf-8").splitlines(), 1):
            place = f"{path.relative_to(root)}:{number}"
            used = re.match(r'#include "(?:inky_margin/)?(\w+)/', line)
            if used and used[1] in floors and used[1] != floor and used[1] not in above:
                faults.append(f"{place}: {floor} may not use {used[1]}")
            if line.startswith("#include") and forbidden.search(line):
                faults.append(f"{place}: {line.strip()} does I/O or formatting")
print("\n".join(faults) or "every include goes up")
sys.exit(1 if faults else 0)
