#!/usr/bin/env python3
"""Completions in the real shells, and man pages in the real man: shells.py FOLDER TOOL.

A shell that is not installed is named and left out; bash and the pages are always tested.
"""

import pathlib
import shutil
import subprocess
import sys

folder = pathlib.Path(sys.argv[1])
tool = sys.argv[2]
faults = []
asked = 0
commands = ["show", "weigh", "round", "write", "carry", "check", "proof", "dialects", "demo", "help"]

# What is typed before the key for completion, some of what is offered, and something that is not.
cases = [
    ("sh", {"show"}, "weigh"),
    ("", set(commands), "all"),
    ("show --in ja", {"java", "java-pattern", "javascript"}, "c"),
    ("show --wit", {"--witness"}, "--width-of"),
    ("show --width-of utf", {"utf16-units"}, "bytes"),
    ("show --locale de-", {"de-DE"}, "en-US"),
    ("write --sign a", {"always"}, "minus"),
    ("proof --style mark", {"markdown"}, "html"),
    ("weigh --overflow s", {"saturate"}, "wrap"),
    ("carry --to c,ru", {"c,rust"}, "c,java"),
    ("dialects pyth", {"python", "python-percent"}, "php"),
    ("check --language xq", set(), "octave"),
]


def run(*command, **more):
    return subprocess.run(command, capture_output=True, text=True, check=False, timeout=60, **more)


def in_bash(typed):
    words = ("inky " + typed).split(" ")
    script = 'source "$1"; shift; COMP_WORDS=("$@"); COMP_CWORD=$(($# - 1)); _inky; printf "%s\\n" "${COMPREPLY[@]}"'
    return run("bash", "--norc", "-c", script, "bash", str(folder / "bash/inky"), *words).stdout.split("\n")


def in_fish(typed):
    script = 'source %s; complete -C "inky %s"' % (folder / "fish/inky.fish", typed)
    return [line.split("\t")[0] for line in run("fish", "--no-config", "-c", script).stdout.split("\n")]


# What zsh would offer is taken from the builtin that all of its completions end in.
zsh_script = r"""
zmodload zsh/zpty
zpty z zsh -f -i
zpty -w z 'PROMPT=; fpath=("'$1'" $fpath); autoload -Uz compinit; compinit -u -D; LISTMAX=0; zstyle ":completion:*" list-packed no'
zpty -w z 'compadd() { local -a hits; builtin compadd -A hits "$@"; (( $#hits )) && print -rl -- "<hit>"$^hits"</hit>" >> '$2'; builtin compadd "$@" }'
zpty -w z 'done-now() { print finished >> '$2' }; zle -N done-now; bindkey "^X" done-now'
sleep 1
zpty -w -n z "inky $3"$'\t'$'\x18'
for i in {1..100}; do grep -qs finished $2 && break; sleep 0.1; done
zpty -d z
"""


def in_zsh(typed):
    hits = folder / "zsh-hits"
    hits.unlink(missing_ok=True)
    run("zsh", "-f", "-c", zsh_script, "zsh", str(folder / "zsh"), str(hits), typed)
    text = hits.read_text(encoding="utf-8", errors="replace") if hits.exists() else ""
    found = [part.split("</hit>")[0] for part in text.split("<hit>")[1:]]
    before = typed.split(" ")[-1].rpartition(",")[0]
    # A description is behind a colon; of a list, zsh completes the last part.
    return [(before + "," if before else "") + one for one in found] + found


for shell, ask in [("bash", in_bash), ("fish", in_fish), ("zsh", in_zsh)]:
    if shutil.which(shell) is None:
        print(shell + " is not here, and is left out")
        continue
    for typed, wanted, other in cases:
        asked += 1
        offered = set(ask(typed))
        if not wanted <= offered:
            faults.append("%s: %r offers %s, and not %s" % (shell, typed, sorted(offered), sorted(wanted - offered)))
        if other in offered:
            faults.append("%s: %r offers %s" % (shell, typed, other))

for name in ["inky"] + ["inky-" + command for command in commands]:
    page = folder / "man1" / (name + ".1")
    shown = run("man", "-l", "--warnings", str(page), env={"MANWIDTH": "100", "PATH": "/usr/bin:/bin", "LC_ALL": "C.UTF-8", "MANPAGER": "cat"})
    if shown.returncode != 0 or shown.stderr:
        faults.append("%s: man says: %s" % (name, shown.stderr or shown.returncode))
    for option in ["--help"] if name == "inky" else [
            word.split(",")[-1] for word in run(tool, name[5:], "--help").stdout.split() if word.startswith("--")]:
        if option.strip(".,;") not in shown.stdout:
            faults.append("%s: the page lacks %s" % (name, option))

print("\n".join(faults) or "%d completions, %d pages" % (asked, 1 + len(commands)))
sys.exit(1 if faults else 0)
