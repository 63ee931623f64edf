"""The shared library behind the package, called by ctypes."""

from __future__ import annotations

import ctypes
import json
import os
import pathlib
from typing import Any, Mapping

_name = "libinky_margin.so"


def _load() -> ctypes.CDLL:
    named = os.environ.get("INKY_MARGIN_LIBRARY")
    beside = pathlib.Path(__file__).with_name(_name)
    library = ctypes.CDLL(named or (str(beside) if beside.exists() else _name + ".0.1"))
    library.inky_version.restype = ctypes.c_char_p
    library.inky_answer.restype = ctypes.c_void_p
    library.inky_answer.argtypes = [ctypes.c_char_p, ctypes.c_char_p, ctypes.c_size_t]
    library.inky_free.argtypes = [ctypes.c_void_p]
    library.inky_parse.restype = ctypes.c_void_p
    library.inky_parse.argtypes = [ctypes.c_char_p, ctypes.c_char_p, ctypes.c_size_t, ctypes.POINTER(ctypes.c_void_p)]
    library.inky_template_free.argtypes = [ctypes.c_void_p]
    library.inky_render.restype = ctypes.c_int
    library.inky_render.argtypes = [ctypes.c_void_p, ctypes.POINTER(PlainValue), ctypes.c_size_t, ctypes.c_char_p,
                                    ctypes.c_size_t, ctypes.POINTER(ctypes.c_size_t), ctypes.POINTER(ctypes.c_void_p)]
    return library


class _Text(ctypes.Structure):
    _fields_ = [("bytes", ctypes.c_char_p), ("size", ctypes.c_size_t)]


class _As(ctypes.Union):
    _fields_ = [("whole", ctypes.c_int64), ("natural", ctypes.c_uint64), ("real", ctypes.c_double),
                ("character", ctypes.c_uint32), ("truth", ctypes.c_int), ("text", _Text)]


class PlainValue(ctypes.Structure):
    """`inky_value` of inky_margin.h."""

    _fields_ = [("type", ctypes.c_int32), ("as_", _As)]


library = _load()


class InkyError(Exception):
    """The request is bad, or not supported yet. `code`, `span` and `remedy` are those of the contract."""

    def __init__(self, error: Mapping[str, Any]) -> None:
        self.code: str = error["code"]
        self.span: tuple[int, int] = tuple(error.get("span") or (0, 0))  # type: ignore[assignment]
        self.remedy: str = error.get("remedy", "")
        super().__init__(error["message"] + (". " + self.remedy if self.remedy else ""))


def take(text: int | None) -> Any:
    """The JSON of a text that the library gave us, which is freed."""
    if not text:
        raise MemoryError
    try:
        return json.loads(ctypes.string_at(text))
    finally:
        library.inky_free(text)


def ask(command: str, request: Mapping[str, Any]) -> dict[str, Any]:
    """The answer to a request of the contract; raises InkyError where it is an error."""
    line = json.dumps(request, allow_nan=False).encode("utf-8", "surrogatepass")
    answer: dict[str, Any] = take(library.inky_answer(command.encode(), line, len(line)))
    # The answer of weigh has a member of that name too: a text.
    if isinstance(answer.get("error"), dict):
        raise InkyError(answer["error"])
    return answer
