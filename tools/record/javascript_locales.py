#!/usr/bin/env python3
"""Records dates, numbers, currencies and units as locales write them: what Intl of the running Node.js makes of random ones.

    tools/record/javascript_locales.py [SEED]         writes tests/vectors/javascript-locales.jsonl
    tools/record/javascript_locales.py --live SEED    fewer cases, to standard output
"""

import subprocess
import sys

import javascript
from javascript_locale_calls import Cases
from recording import needs, write_cases

count = 12000
live_count = 4000


def cases(seed, wanted):
    made = Cases(seed)
    return javascript.asked([made.case() for _ in range(wanted)])


def main():
    needs("node --version | grep -q v20")
    version = subprocess.run(["node", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "javascript", "runtime": "Node.js " + version, "recorder": "tools/record/javascript_locales.py"}
    write_cases(javascript.root / "tests/vectors/javascript-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
