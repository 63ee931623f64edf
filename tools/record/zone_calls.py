"""What the recorders of time zones share: the zones that they ask about, which are those that are used most and any that the table
has, and random calls with moments in them."""

import pathlib

from date_calls import DateCalls

often = ["Europe/Berlin", "America/New_York", "Europe/London", "Asia/Tokyo", "Asia/Kolkata", "America/Sao_Paulo", "Australia/Sydney", "America/Los_Angeles", "Europe/Dublin",
         "Pacific/Auckland", "Australia/Lord_Howe", "Africa/Casablanca", "America/St_Johns", "Asia/Kathmandu", "Pacific/Apia", "UTC", "America/Chicago", "Pacific/Chatham"]
root = pathlib.Path(__file__).resolve().parents[2]


def every():
    listed = (root / "src/format/zones.inc").read_text().split("zone_names[] = {")[1].split("};")[0]
    return [name.strip().strip('"') for name in listed.split(",") if name.strip()]


class Zones:
    def __init__(self, random, without=()):
        self.random = random
        self.names = [name for name in every() if name not in without]

    def next(self):
        return self.random.choice(often if self.random.random() < 0.7 else self.names)

    def clock(self):
        """A year, month, day, hour and minute from 1972 to 2086, most often near a change."""
        r = self.random
        year = r.choice([2031, 2031, r.randrange(1972, 2087), r.randrange(1990, 2031)])
        if r.random() < 0.5:
            return year, r.choice([3, 4, 9, 10, 11]), r.choice([r.randrange(1, 9), r.randrange(24, 31)]), r.randrange(0, 5), r.choice([0, 15, 30, 45, 59])
        return year, r.randrange(1, 13), r.randrange(1, 29), r.randrange(24), r.randrange(60)


class ZoneCalls(DateCalls):
    """Calls of whose parts `part(maker, name)` gives those that no form is."""

    def __init__(self, seed, forms, usual, statements, part, without=()):
        super().__init__(seed, forms, "".join(forms), usual, statements, None)
        self.own_part = part
        self.zones = Zones(self.random, without)

    def part(self, name, depth):
        return super().part(name, depth) if name in self.forms else self.own_part(self, name)


def is_early(statement, answer):
    """Whether a case is near the first year that zones have, before which nothing is known."""
    return any(str(year) in answer.get("text", "") + statement for year in range(1960, 1973))
