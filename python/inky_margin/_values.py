"""Plain values of Python as values of the contract."""

from __future__ import annotations

import datetime
import math
from typing import Any, Mapping, Union


class Typed:
    """A value of a named type: Typed("f32", "1.1"), Typed("u8", 255). docs/values.md has the types."""

    def __init__(self, type_: str, payload: Any) -> None:
        self.type = type_
        self.payload = payload

    def __repr__(self) -> str:
        return f"Typed({self.type!r}, {self.payload!r})"


Value = Union[None, bool, int, float, complex, str, datetime.datetime, datetime.date, list, tuple, Mapping, Typed]


def request_value(value: Value) -> Any:
    if value is None or isinstance(value, (bool, str)):
        return value
    if isinstance(value, int):
        return int(value)
    if isinstance(value, float):
        if math.isfinite(value):
            return float(value)
        return {"f64": "nan" if math.isnan(value) else "inf" if value > 0 else "-inf"}
    if isinstance(value, complex):
        return {"complex": f"{value.real!r}{value.imag:+}i"}
    if isinstance(value, datetime.datetime):
        if value.tzinfo is not None:
            raise TypeError("moments with a time zone are not supported yet")
        return {"moment": value.isoformat()}
    if isinstance(value, datetime.date):
        return {"moment": value.isoformat()}
    if isinstance(value, Typed):
        return {value.type: value.payload}
    if isinstance(value, tuple):
        return {"tuple": [request_value(one) for one in value]}
    if isinstance(value, Mapping):
        return {"record": {str(key): request_value(one) for key, one in value.items()}}
    if isinstance(value, list):
        return [request_value(one) for one in value]
    raise TypeError(f"{type(value).__name__} has no value in the contract; give its text, or Typed(...)")


def request_values(values: tuple, named: Mapping[str, Value] | None) -> list:
    out = [request_value(one) for one in values]
    for name, value in (named or {}).items():
        out.append({"named": [name, request_value(value)]})
    return out
