"""What the functions return: plain objects that show themselves in a terminal and in a notebook."""

from __future__ import annotations

import html
import itertools
from dataclasses import dataclass, field
from typing import Any

_style = "font-family:monospace;white-space:pre;line-height:1.35;margin:0"


def _visible(text: str) -> str:
    return text.replace(" ", "·").replace("\n", "⏎\n")


def _ruler(columns: int) -> str:
    return "".join(str(i // 10 % 10) if i % 10 == 0 else "┴" if i % 5 == 0 else "─" for i in range(1, columns + 1))


def _block(lines: list[str]) -> str:
    return f'<pre style="{_style}">' + "\n".join(lines) + "</pre>"


@dataclass(frozen=True)
class Note:
    """Something to know, with a stable code (docs/codes.md) and the bytes of the template that it is about."""

    code: str
    message: str
    span: tuple[int, int] | None = None

    def __str__(self) -> str:
        return f"{self.message} [{self.code}]"


def notes_of(answer: dict[str, Any]) -> list[Note]:
    return [Note(one["code"], one["message"], tuple(one["span"]) if one.get("span") else None)
            for one in answer.get("notes", [])]


@dataclass(frozen=True)
class Shown:
    """What a language prints for a template and values; or how it fails; or that it is undefined."""

    dialect: str
    template: str
    text: str | None = None
    texts: list[str] | None = None
    data: bytes | None = None  # what it prints, where that is not UTF-8
    fails: dict[str, str] | None = None  # when, as, why
    undefined: str | None = None
    complaints: list[dict[str, Any]] = field(default_factory=list)
    status: int | None = None
    notes: list[Note] = field(default_factory=list)
    values: tuple = field(default=(), repr=False)
    types: list[str] = field(default_factory=list, repr=False)

    @property
    def prints(self) -> bool:
        return self.fails is None and self.undefined is None

    def outcome(self) -> str:
        """The text; or, where nothing is printed, why."""
        if self.fails is not None:
            return f"fails when it {'is compiled' if self.fails['when'] == 'compile' else 'runs'}, as {self.fails['as']}: {self.fails['why']}"
        if self.undefined is not None:
            return f"undefined: {self.undefined}"
        if self.texts is not None:
            return "\n".join(self.texts)
        return self.text if self.text is not None else repr(self.data)

    def beside(self, *dialects: str) -> "Beside":
        """The same template carried to other dialects and shown there. Needs values, and types that `carry` knows."""
        from . import _beside

        return _beside(self, dialects)

    def _lines(self) -> list[str]:
        if not self.prints:
            return [self.outcome()]
        lines = _visible(self.outcome()).split("\n")
        return [_ruler(max(map(len, lines), default=0)), *lines]

    def __str__(self) -> str:
        return "\n".join([*self._lines(), *(f"note: {note}" for note in self.notes)])

    def _repr_html_(self) -> str:
        notes = "".join(f"<li>{html.escape(str(note))}</li>" for note in self.notes)
        head = f"<code>{html.escape(self.dialect)}</code> <code>{html.escape(self.template)}</code>"
        return f"<div>{head}{_block([html.escape(line) for line in self._lines()])}{f'<ul>{notes}</ul>' if notes else ''}</div>"


@dataclass(frozen=True)
class Beside:
    """One template in several dialects, the first being its own."""

    shown: list[Shown]
    missing: dict[str, str]  # dialects that cannot, with the reason

    def _marked(self, one: Shown) -> tuple[str, int, int]:
        """The text, and from where to where it differs from the first."""
        first, text = self.shown[0].outcome(), one.outcome()
        if text == first:
            return text, 0, 0
        begin = sum(1 for _ in itertools.takewhile(lambda pair: pair[0] == pair[1], zip(first, text)))
        room = min(len(first), len(text)) - begin
        end = sum(1 for _ in itertools.takewhile(lambda pair: pair[0] == pair[1], zip(first[::-1], text[::-1])))
        return text, begin, len(text) - min(end, room)

    def __str__(self) -> str:
        lines = []
        for one in self.shown:
            text, begin, end = self._marked(one)
            lines.append(f"{one.dialect:<16}{_visible(text)}")
            if text != self.shown[0].outcome():
                lines.append(" " * (16 + begin) + "▔" * max(end - begin, 1))
        return "\n".join(lines + [f"{dialect:<16}cannot: {why}" for dialect, why in self.missing.items()])

    def _repr_html_(self) -> str:
        rows = []
        for one in self.shown:
            text, begin, end = self._marked(one)
            parts = [html.escape(_visible(part)) for part in (text[:begin], text[begin:end], text[end:])]
            marked = f"{parts[0]}<mark>{parts[1]}</mark>{parts[2]}" if end > begin else html.escape(_visible(text))
            rows.append(f"<tr><td><code>{html.escape(one.dialect)}</code></td><td><code>{html.escape(one.template)}</code></td>"
                        f'<td style="text-align:left">{_block([marked])}</td></tr>')
        rows += [f'<tr><td><code>{html.escape(dialect)}</code></td><td colspan="2">cannot: {html.escape(why)}</td></tr>'
                 for dialect, why in self.missing.items()]
        return "<table>" + "".join(rows) + "</table>"


class Answer(dict):
    """An answer of the contract: its members are attributes too."""

    def __getattr__(self, name: str) -> Any:
        try:
            return self[name]
        except KeyError:
            raise AttributeError(f"the answer has no {name!r}; it has {', '.join(self)}") from None

    def __repr__(self) -> str:
        return f"{type(self).__name__}({dict.__repr__(self)})"

    def _repr_html_(self) -> str:
        rows = "".join(f"<tr><td><code>{html.escape(key)}</code></td>"
                       f'<td style="text-align:left">{html.escape(str(value))}</td></tr>' for key, value in self.items())
        return f"<table>{rows}</table>"


class Weighed(Answer):
    """What is stored for a number. docs/contract.md has the members."""


class Rounded(Answer):
    """A number rounded every way: `stored` and `decimal` have the seven modes as keys."""


class Written(Answer):
    """A wish as the source of one dialect: `dialect`, `template`, `call`, `text` or `why`, `notes`; with
    `composed`, no `template`, and the `helpers` that `call` uses."""


class Carried(Answer):
    """A template in another dialect: `template`, `call`, `verdict`, `range`, `example`, `notes`."""


class Fault(Answer):
    """`code`, `severity`, `message`, `span`, `effect`, `repair`."""


class Checked(Answer):
    """`ok`, `faults`, and `repaired`: the fixed template, or None."""


class Proof(Answer):
    """A table previewed: `lines`, `columns`, `findings`, `notes`, and the `text` of a style."""

    @property
    def table(self) -> str:
        return "".join(line["text"] + "\n" for line in self["lines"])

    def __str__(self) -> str:
        return self.get("text") or self.table

    def _repr_html_(self) -> str:
        findings = "".join(f"<li>line {one['line']}: {html.escape(one['column'])}: {html.escape(one['message'])}</li>"
                           for one in self["findings"])
        return _block([html.escape(line["text"]) for line in self["lines"]]) + (f"<ul>{findings}</ul>" if findings else "")
