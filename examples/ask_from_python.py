#!/usr/bin/env python3
"""From Python, through the shared library and nothing but the standard library.

    ask_from_python.py [PATH OF libinky_margin.so]
"""

import ctypes
import json
import sys

library = ctypes.CDLL(sys.argv[1] if len(sys.argv) > 1 else "libinky_margin.so.0.1")
library.inky_version.restype = ctypes.c_char_p
library.inky_answer.restype = ctypes.c_void_p
library.inky_answer.argtypes = [ctypes.c_char_p, ctypes.c_char_p, ctypes.c_size_t]
library.inky_free.argtypes = [ctypes.c_void_p]


def ask(command, **request):
    line = json.dumps(request).encode()
    answer = library.inky_answer(command.encode(), line, len(line))
    if not answer:
        raise MemoryError
    try:
        return json.loads(ctypes.string_at(answer))
    finally:
        library.inky_free(answer)


for dialect in ["c", "java", "php"]:
    answer = ask("show", dialect=dialect, template="%.2f", values=[{"f64": "1.005"}])
    print(f"{dialect:<5} {answer['text']}")

print(ask("round", number="1.005", places=2)["stored"]["half-even"])
for fault in ask("check", dialect="c", template="%d", types=["f64"])["faults"]:
    print(f"{fault['code']}: write {fault['repair']}")
print(ask("show", dialect="basic", template="%d", values=[])["error"]["message"])
