#!/usr/bin/env python3
"""What the documents show is what the tool prints.

    documents.py TOOL

Every example of README.md, docs/ and docs/guide/ is run (examples.py has what an example is; scripts/update-examples rewrites
their output). Every request of docs/contract.md is asked, and the line under it is the answer. Commands
inside of sentences are run, and have to be understood.
"""

import json
import pathlib
import re
import sys

import examples
from examples import root

tool = pathlib.Path(sys.argv[1]).resolve()
faults = []
shown = asked = named = 0


def run(command, **more):
    return examples.run(tool, command, **more)


def look(path):
    global shown, asked, named
    text = path.read_text(encoding="utf-8")
    name = path.relative_to(root)
    outside = text
    for block in examples.block_of_code.finditer(text):
        outside = outside.replace(block.group(0), "")
        for command, output in examples.examples(block.group(1)):
            shown += 1
            ran = run(command)
            if "--witness" in command and "Debian has it in" in ran.stdout:
                print("skipped, as a toolchain is not here: $ " + command)
                continue
            if not examples.same(output, ran.stdout + ran.stderr):
                faults.append("%s: $ %s\nprints\n%s%s" % (name, command, ran.stdout, ran.stderr))
        before = text[:block.start()]
        commands = re.findall(r"`inky (\w+) --jsonl`", before)
        lines = block.group(1).split("\n")
        for request, answer in zip(lines, lines[1:]):
            if not (commands and request.startswith("{") and answer.startswith("{")) or name.name != "contract.md":
                continue
            asked += 1
            got = run("inky %s --jsonl" % commands[-1], input=request + "\n").stdout
            try:
                equal = json.loads(got) == json.loads(answer)
            except json.JSONDecodeError:
                equal = False
            if not equal:
                faults.append("%s: %s\nis answered\n%s" % (name, request, got))
    for command in re.findall(r"`(inky [^`]*)`", outside):
        # Names in capitals stand for what the reader has, and so do files of his; an option at the end is only named.
        if re.search(r"\b[A-Z]{2,}\b|…|data\.csv|\bsrc\b| --?\w+$| all$", command):
            continue
        ran = run(command)
        named += 1
        # The page of codes has requests that are errors.
        if ran.returncode == 2 and len(command.split()) > 2 and name.name != "codes.md":
            faults.append("%s: `%s` is not understood: %s" % (name, command, ran.stderr))


def look_at_pages():
    """docs/dialects has what the guide pages say, but for what is found on one machine."""
    ids = [one["id"] for one in json.loads(run("inky dialects --json").stdout)]
    pages = {page.stem for page in (root / "docs" / "dialects").glob("*.md")} - {"README"}
    if pages != set(ids):
        faults.append("docs/dialects: the pages are not those of the dialects; run scripts/dialect-pages")
    for page in sorted(pages & set(ids)):
        printed = run("inky dialects %s --markdown" % page).stdout.split("\n")
        wanted = "\n".join(line for line in printed if not line.startswith("| `found here` |"))
        if (root / "docs" / "dialects" / (page + ".md")).read_text(encoding="utf-8") != wanted:
            faults.append("docs/dialects/%s.md is not what the tool prints; run scripts/dialect-pages" % page)


def look_at_links():
    """Every link to a file of the project has its file."""
    for page in [*examples.documents(), *root.glob("*.md"), root / "docs/dialects/README.md"]:
        text = re.sub(r"```.*?```|`[^`]*`", "", page.read_text(encoding="utf-8"), flags=re.S)
        for target in re.findall(r"\]\(([^)#:]+)(?:#[^)]*)?\)", text):
            if not (page.parent / target).exists():
                faults.append("%s: there is no %s" % (page.relative_to(root), target))


def look_at_codes():
    if run("inky help --codes").stdout != (root / "docs" / "codes.md").read_text(encoding="utf-8"):
        faults.append("docs/codes.md is not what the tool prints; run inky help --codes > docs/codes.md")


look_at_pages()
look_at_codes()
look_at_links()
for document in examples.documents():
    look(document)
print("\n\n".join(faults) or "%d commands with their output, %d requests, %d commands in sentences" % (shown, asked, named))
sys.exit(1 if faults or shown < 15 or asked < 1 else 0)
