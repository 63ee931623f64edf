#!/usr/bin/env python3
"""Writes what Intl of the running Node.js calls the time zones in American English, from 2021 on.

    tools/record/javascript_zone_name_table.py              writes src/dialect/javascript/zone_names.inc
"""

import json
import pathlib
import subprocess

import zone_calls
from locale_table import lines_of, literal
from recording import needs

root = pathlib.Path(__file__).resolve().parents[2]

program = r"""
const zones = JSON.parse(require("fs").readFileSync(0, "utf8"));
const name = (timeZone, timeZoneName, at) => new Intl.DateTimeFormat("en-US", { timeZone, timeZoneName }).formatToParts(at).find((part) => part.type === "timeZoneName").value;
for (const zone of zones) {
  const found = new Map();
  let good = true;
  for (let month = 0; month < 12 * 16; ++month) {
    const at = new Date(Date.UTC(2021, month, 15));
    const offset = name(zone, "longOffset", at);
    const names = name(zone, "short", at) + "|" + name(zone, "long", at);
    good &&= (found.get(offset) ?? names) === names;
    found.set(offset, names);
  }
  // One offset under two names cannot be told apart here.
  if (good) console.log(JSON.stringify([zone, [...found].sort().map((pair) => pair.join("|")).join("\n")]));
}
"""


def main():
    needs("node --version | grep -q v20")
    ran = subprocess.run(["node", "-e", program], input=json.dumps(zone_calls.every()), check=True, capture_output=True, text=True).stdout
    versions = json.loads(subprocess.run(["node", "-p", "JSON.stringify(process.versions)"], check=True, capture_output=True, text=True).stdout)
    zones = [json.loads(line) for line in ran.splitlines()]
    texts = {}
    for _, text in zones:
        texts.setdefault(text, len(texts))
    out = ["// Written by tools/record/javascript_zone_name_table.py from Node.js %s with ICU %s; do not edit." % (versions["node"], versions["icu"])]
    out += ["constexpr std::string_view named_zones[] = {"] + lines_of([literal(name) for name, _ in zones]) + ["};"]
    out += ["// Each line an offset, the short and the long name.", "constexpr std::string_view zone_texts[] = {"] + lines_of([literal(text) for text in texts]) + ["};"]
    out += ["constexpr std::uint16_t zone_places[] = {"] + lines_of([str(texts[text]) for _, text in zones]) + ["};"]
    (root / "src/dialect/javascript/zone_names.inc").write_text("\n".join(out) + "\n", encoding="utf-8")
    print(len(zones), "zones,", len(texts), "texts")


if __name__ == "__main__":
    main()
