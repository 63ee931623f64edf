"""Inky Margin: exactly what a format specifier will print, and why.

    import inky_margin as inky
    inky.show("%.2f", 2.675).text        # '2.67'

Values are plain values of Python; a type of another language is `inky.Typed("f32", "1.1")`. Every function raises InkyError
where the request is bad or not supported yet. The answers are those of docs/contract.md.
"""

from __future__ import annotations

import ctypes
import json
from typing import Any, Iterable, Mapping, Sequence

from ._library import InkyError, PlainValue, ask, library, take
from ._results import Beside, Carried, Checked, Fault, Note, Proof, Rounded, Shown, Weighed, Written, notes_of
from ._values import Typed, Value, request_value, request_values

__all__ = ["Beside", "Carried", "Checked", "Fault", "InkyError", "Note", "Proof", "Rounded", "Shown", "Template", "Typed",
           "Weighed", "Written", "carry", "check", "proof", "round", "show", "version", "weigh", "write"]


def version() -> str:
    """The version of the library: '0.1.0'."""
    return library.inky_version().decode()


def _type_of(value: Value) -> str:
    if isinstance(value, Typed):
        return value.type
    if isinstance(value, bool):
        return "truth"
    if isinstance(value, int):
        return "i32" if -2**31 <= value < 2**31 else "i64" if -2**63 <= value < 2**63 else "big"
    return {float: "f64", str: "text", complex: "complex", list: "list", tuple: "tuple"}.get(type(value), "nil")


def show(template: str, *values: Value, dialect: str = "c", named: Mapping[str, Value] | None = None,
         locale: str | None = None, settings: Mapping[str, str] | None = None) -> Shown:
    """What the language of `dialect` prints for a template, written as in its source.

        show("%-6s|%8.2f", "K-07", 2.675)
        show("{mass:.1f} g", dialect="python", named={"mass": 2.5})
    """
    request: dict[str, Any] = {"dialect": dialect, "template": template, "values": request_values(values, named)}
    if locale is not None:
        request["locale"] = locale
    if settings:
        request["settings"] = dict(settings)
    answer = ask("show", request)
    return Shown(dialect, template, answer.get("text"), answer.get("texts"),
                 bytes.fromhex(answer["bytes"]) if "bytes" in answer else None, answer.get("fails"),
                 answer["undefined"]["why"] if "undefined" in answer else None, answer.get("complaints", []),
                 answer.get("status"), notes_of(answer), values, [_type_of(value) for value in values])


def _beside(first: Shown, dialects: Iterable[str]) -> Beside:
    shown, missing = [first], {}
    for carried in carry(first.template, first.types, dialect=first.dialect, to=list(dialects)):
        if carried["template"] is None:
            missing[carried["dialect"]] = "; ".join(note["message"] for note in carried["notes"])
            continue
        order = carried.get("arguments") or range(len(first.values))
        try:
            shown.append(show(carried["template"], *(first.values[i] for i in order), dialect=carried["dialect"]))
        except InkyError as error:
            missing[carried["dialect"]] = str(error)
    return Beside(shown, missing)


def weigh(number: str | int | float, as_: str | None = None, places: int | None = None) -> Weighed:
    """What is stored for a number or an expression.

        weigh("0.1 + 0.2 == 0.3").holds       # False
        weigh(300, as_="u8")
    """
    request: dict[str, Any] = {"number": number if isinstance(number, str) else repr(number)}
    if as_ is not None:
        request["as"] = as_
    if places is not None:
        request["places"] = places
    return Weighed(ask("weigh", request))


def round(number: str | int | float, places: int | None = None, significant: int | None = None,
          step: str | None = None, as_: str | None = None) -> Rounded:
    """A number rounded every way, as stored and as typed. Give one of places, significant and step."""
    request: dict[str, Any] = {"number": number if isinstance(number, str) else repr(number)}
    for key, value in (("places", places), ("significant", significant), ("step", step), ("as", as_)):
        if value is not None:
            request[key] = value
    return Rounded(ask("round", request))


def write(value: Value = None, to: Sequence[str] = ("all",), **wish: Any) -> list[Written]:
    """A wish as each language's source: write(2.5, to=["rust"], places=2, width=10)."""
    request: dict[str, Any] = {"wish": {key: str(one).lower() if isinstance(one, bool) else str(one)
                                        for key, one in wish.items()}, "to": list(to)}
    if value is not None:
        request["value"] = request_value(value)
    return [Written(one) for one in ask("write", request)["results"]]


def carry(template: str, types: Sequence[str] | None = None, dialect: str = "c", to: Sequence[str] = ("all",)) -> list[Carried]:
    """A template in other dialects, and whether it prints the same there."""
    request: dict[str, Any] = {"dialect": dialect, "template": template, "to": list(to)}
    if types is not None:
        request["types"] = list(types)
    return [Carried(one) for one in ask("carry", request)["results"]]


def check(template: str, types: Sequence[str] | None = None, dialect: str = "c") -> Checked:
    """What is wrong with a template for values of these types: check("%d", ["f64"]).faults."""
    request: dict[str, Any] = {"dialect": dialect, "template": template}
    if types is not None:
        request["types"] = list(types)
    answer = Checked(ask("check", request))
    answer["faults"] = [Fault(one) for one in answer["faults"]]
    return answer


def proof(data: str | Sequence[Mapping[str, Any]], sheet: str | None = None, columns: Sequence[str] = (),
          settings: Sequence[str] = (), style: str | None = None) -> Proof:
    """A table previewed. `data` is the text of CSV or JSON Lines, or a list of records; `sheet` the text of a sheet.

        proof([{"code": "K-07", "mass": 2.675}], columns=["code", "mass places=2"])
    """
    text = data if isinstance(data, str) else "".join(json.dumps(dict(row)) + "\n" for row in data)
    request: dict[str, Any] = {"data": text}
    for key, value in (("sheet", sheet), ("style", style), ("columns", list(columns)), ("set", list(settings))):
        if value:
            request[key] = value
    return Proof(ask("proof", request))


class Template:
    """A template read once and rendered many times, for speed. Values are None, bool, int, float and str."""

    def __init__(self, template: str, dialect: str = "c") -> None:
        source = template.encode("utf-8", "surrogatepass")
        error = ctypes.c_void_p()
        self.template = template
        self.dialect = dialect
        self._parsed = library.inky_parse(dialect.encode(), source, len(source), ctypes.byref(error))
        if not self._parsed:
            raise InkyError(take(error.value)["error"])

    def __del__(self) -> None:
        if getattr(self, "_parsed", None):
            library.inky_template_free(self._parsed)

    def render(self, *values: bool | int | float | str | None) -> str:
        """The text. Raises InkyError where nothing is printed: its message is the language's own reason."""
        kept = [value.encode("utf-8", "surrogatepass") if isinstance(value, str) else value for value in values]
        plain = (PlainValue * len(kept))(*map(_plain, kept))
        size, why = ctypes.c_size_t(), ctypes.c_void_p()
        room = 256
        while True:
            out = ctypes.create_string_buffer(room)
            outcome = library.inky_render(self._parsed, plain, len(kept), out, room, ctypes.byref(size), ctypes.byref(why))
            answer = take(why.value) if why.value else {}
            if outcome > 1:
                raise InkyError(_reason(answer))
            if size.value <= room:
                return out.raw[:size.value].decode("utf-8", "replace")
            room = size.value

    def __repr__(self) -> str:
        return f"Template({self.template!r}, dialect={self.dialect!r})"


def _reason(answer: Mapping[str, Any]) -> Mapping[str, Any]:
    if "error" in answer:
        return answer["error"]
    if "fails" in answer:
        return {"code": "language-fails", "message": f"{answer['fails']['as']}: {answer['fails']['why']}"}
    return {"code": "language-undefined", "message": answer.get("undefined", {}).get("why", "memory ran out")}


def _plain(value: bool | int | float | bytes | None) -> PlainValue:
    out = PlainValue()
    if isinstance(value, bool):
        out.type, out.as_.truth = 13, int(value)
    elif isinstance(value, int):
        small = -2**31 <= value < 2**31
        if not -2**63 <= value < 2**63:
            raise OverflowError("a whole number of more than 64 bits: use show()")
        out.type, out.as_.whole = (3 if small else 4), value
    elif isinstance(value, float):
        out.type, out.as_.real = 10, value
    elif isinstance(value, bytes):
        out.type = 11
        out.as_.text.bytes, out.as_.text.size = value, len(value)
    elif value is not None:
        raise TypeError(f"Template takes None, bool, int, float and str, not {type(value).__name__}: use show()")
    return out
