"""What every recorder shares: random values of the kinds that go wrong, and the vector file.

A vector file holds one JSON object a line. The first names the dialect, the runtime and its version,
the recorder and its seed; each other line is one case: a request of the contract (template, values,
locale), and what the real runtime answered (text, or bytes in hexadecimal, or fails).
"""

import json
import math
import random
import struct
import subprocess
import sys


def real_from_bits(bits):
    return struct.unpack("<d", struct.pack("<Q", bits))[0]


class Values:
    """Seeded values of every class."""

    texts = ["", "ink", "K-07", "Zinkweiß", "墨", "naïve", "e\u0301tude", "Ω Ω Ω", "🖨 press",
             "a longer run of ink", 'say "ink"', "back\\slash", "50%", "{brace}", "two\nlines"]
    characters = "Kk09 ~Ωß墨🖨"

    def __init__(self, seed):
        self.random = random.Random(seed)

    def real(self):
        r = self.random
        kind = r.randrange(9)
        if kind == 0:
            value = real_from_bits(r.getrandbits(63))
            value = value if math.isfinite(value) else 1.5
        elif kind == 1:
            value = r.randrange(100000) / 10 ** r.randrange(6)
        elif kind == 2:
            value = (r.randrange(4096) + 0.5) / 2 ** r.randrange(10)
        elif kind == 3:
            value = (r.randrange(2000) * 10 + 5) / 10 ** (1 + r.randrange(5))
        elif kind == 4:
            value = real_from_bits(r.getrandbits(52) >> r.randrange(52))
        elif kind == 5:
            value = float("1e%d" % r.randrange(-307, 308))
        elif kind == 6:
            value = math.ldexp(1.0, r.randrange(-1074, 1024))
        elif kind == 7:
            value = math.nextafter(r.randrange(1000) / 8, r.choice([0.0, 1e9]))
        else:
            value = r.choice([math.inf, math.nan, 0.0])
        return -value if r.random() < 0.4 else value

    def decimal(self, most_digits=40):
        """The text of a decimal: money, ties, long ones, zeros that are kept."""
        r = self.random
        kind = r.randrange(8)
        if kind <= 1:
            digits, places = str(r.randrange(10 ** r.randrange(1, 8))), 2
        elif kind <= 3:
            digits, places = str(r.randrange(10 ** r.randrange(1, 6))) + "5", r.randrange(6)
        elif kind == 4:
            digits, places = str(r.randrange(10 ** r.randrange(1, most_digits))), r.randrange(28)
        elif kind == 5:
            digits, places = str(r.randrange(1, 1000)), r.choice([-12, -5, -1, 0, 1, 7, 15, 27])
        elif kind == 6:
            digits, places = "9" * r.randrange(1, 12) + r.choice(["", "4", "5", "6", "50", "501"]), r.randrange(12)
        else:
            digits, places = "0", r.choice([0, 0, 1, 2, 9, -3])
        sign = "-" if r.random() < 0.4 else ""
        if places < 0:
            return "%s%sE+%d" % (sign, digits, -places)
        if r.random() < 0.1 and digits != "0":
            digits += "0" * r.randrange(1, 4)
        digits = digits.rjust(places + 1, "0")
        return sign + (digits[:-places] + "." + digits[-places:] if places else digits)

    def whole(self, bits, signed):
        r = self.random
        value = r.getrandbits(bits) >> r.randrange(bits)
        if r.random() < 0.3:
            value = (1 << r.randrange(bits)) + r.randrange(-1, 2)
        if r.random() < 0.1:
            value = 0
        value %= 1 << bits
        return value - (1 << bits) if signed and value >= 1 << (bits - 1) else value

    def text(self):
        return self.random.choice(self.texts)

    def character(self):
        return self.random.choice(self.characters)


class Times:
    """Seeded dates, times of day and durations: the awkward ones, and any."""

    def __init__(self, random):
        self.random = random

    def date(self):
        r = self.random
        if r.random() < 0.3:
            return r.choice([(2032, 2, 29), (2031, 1, 1), (2031, 12, 31), (1, 1, 1), (9999, 12, 31), (1970, 1, 1), (1969, 12, 31),
                             (2000, 2, 29), (2027, 1, 3), (2026, 12, 31), (987, 6, 5), (2024, 12, 30)])
        return r.choice([2031, 1999, r.randrange(1, 10000)]), r.randrange(1, 13), r.randrange(1, 29)

    def clock(self, places):
        """Hour, minute, second and nanoseconds, of so many places."""
        r = self.random
        hour, minute, second = r.choice([(0, 0, 0), (12, 0, 0), (23, 59, 59), (r.randrange(24), r.randrange(60), r.randrange(60)),
                                         (r.randrange(24), r.randrange(60), r.randrange(60)), (r.randrange(24), r.randrange(60), 0)])
        digits = r.choice([0, 0, 0, 3, places, r.randrange(places + 1)])
        return hour, minute, second, r.randrange(10 ** digits) * 10 ** (9 - digits) if digits else 0

    def offset(self):
        """Minutes east of UTC."""
        return self.random.choice([0, 0, 120, -330, 60, 345, -480, 840, -720, 1, -59])

    @staticmethod
    def offset_text(minutes):
        if minutes == 0:
            return "Z"
        return "%s%02d:%02d" % (("-" if minutes < 0 else "+",) + divmod(abs(minutes), 60))

    def nanoseconds(self, places=9):
        r = self.random
        unit = 10 ** (9 - places)
        seconds = r.choice([0, 1, 59, 60, 3600, 86400, 95400, 86399, r.randrange(10 ** 7), r.randrange(10 ** 5)])
        nanos = seconds * 10 ** 9 + r.choice([0, 0, 500000000, 1000, r.randrange(10 ** 9)]) // unit * unit
        return -nanos if r.random() < 0.3 else nanos

    @staticmethod
    def duration(nanoseconds):
        """As ISO 8601 has it."""
        seconds, nanos = divmod(abs(nanoseconds), 10 ** 9)
        fraction = (".%09d" % nanos).rstrip("0") if nanos else ""
        return "%sP%dDT%dS" % ("-" if nanoseconds < 0 else "", seconds // 86400, seconds % 86400) if not fraction else (
            "%sPT%d%sS" % ("-" if nanoseconds < 0 else "", seconds, fraction))


def real_payload(value):
    """An f64 as the contract writes it, exactly."""
    if math.isnan(value):
        return "-nan" if math.copysign(1, value) < 0 else "nan"
    if math.isinf(value):
        return "-inf" if value < 0 else "inf"
    return value.hex()


no_runtime = 77


def needs(command):
    """Ends the recorder where its runtime is not on this machine: `command` answers there."""
    if subprocess.run(command, shell=True, check=False, capture_output=True).returncode != 0:
        print("this needs what answers to " + command, file=sys.stderr)
        sys.exit(no_runtime)


def answered(made, printed, wanted, special=lambda line: None):
    """Each request with its answer, but for those that the asking program skipped.

    `special` knows the lines that only one language's program prints.
    """
    pairs = zip(made, printed, strict=True)
    return [{**request, **(special(line) or bytes_or_failure(line))}
            for (request, _), line in pairs if line != "skip"][:wanted]


def write_cases(path, header, cases, arguments, count, live_count):
    """A vector file for good, or after --live SEED a shorter one to standard output."""
    live = arguments[:1] == ["--live"]
    seed = int(arguments[-1]) if arguments else 20310509
    header = {**header, "seed": seed}
    write_vectors("/dev/stdout" if live else path, header, cases(seed, live_count if live else count))


def write_vectors(path, header, cases):
    with open(path, "w", encoding="utf-8") as out:
        out.write(json.dumps(header, ensure_ascii=False) + "\n")
        for case in cases:
            out.write(json.dumps(case, ensure_ascii=False) + "\n")


def answer_of(printed):
    """Bytes as an answer of the contract; None is a failure of the runtime."""
    if printed is None:
        return {"fails": {"when": "run", "as": "EILSEQ"}}
    try:
        return {"text": printed.decode("utf-8")}
    except UnicodeDecodeError:
        return {"bytes": printed.hex()}


def bytes_or_failure(line):
    """What an asking program prints of a case: "=" and bytes in hexadecimal, or a failure's name."""
    if line.startswith("="):
        return answer_of(bytes.fromhex(line[1:]))
    return {"fails": {"when": "run", "as": line}}
