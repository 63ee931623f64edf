"""The commands in README.md and docs/, and what is printed under them.

A block with a line "$ inky ..." is an example: the lines under the command are its output. A line of three points
stands for any lines.
"""

import pathlib
import re
import subprocess

root = pathlib.Path(__file__).resolve().parents[2]
command_line = re.compile(r"^\$ ((?:echo .*\| )?inky .*)\n", re.M)
block_of_code = re.compile(r"^```[^\n]*\n(.*?)^```$", re.M | re.S)


def documents():
    docs = root / "docs"
    return [root / "README.md", *sorted(docs.glob("*.md")), *sorted((docs / "design").glob("*.md")), *sorted((docs / "guide").glob("*.md"))]


def run(tool, command, **more):
    line = re.sub(r"(^|\| )inky\b", lambda found: found.group(1) + str(tool), command)
    return subprocess.run(["bash", "-c", line], cwd=root, capture_output=True, text=True, check=False, timeout=120, **more)


def examples(block):
    """Pairs of a command and the text under it."""
    parts = command_line.split(block)
    return list(zip(parts[1::2], parts[2::2]))


def same(expected, printed):
    """Line by line, without blanks at the ends."""
    pattern = ""
    for line in expected.rstrip("\n").split("\n"):
        if line.strip() == "...":
            pattern += r"(?:.*\n)*?"
        else:
            pattern += re.escape(line.rstrip()) + r"[ ]*\n"
    return re.fullmatch(pattern, clean(printed)) is not None


def clean(printed):
    return "\n".join(line.rstrip() for line in printed.rstrip("\n").split("\n")) + "\n"
