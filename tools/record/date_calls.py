"""Random whole calls with dates, from the forms that a language has.

In a form, {D} and other names of kinds stand for values of these kinds, and {iso}, {clock} and their like for parts of
a date that is drawn for each of them.
"""

import re

from recording import Times, Values


class DateCalls:
    """`forms` by kind; `kinds`: the letters of the kinds that hold others; `statements`: what they are put into."""

    def __init__(self, seed, forms, kinds, usual, statements, parts):
        self.random = Values(seed).random
        self.times = Times(self.random)
        self.forms, self.kinds, self.usual, self.statements, self.parts = forms, kinds, usual, statements, parts

    def filled(self, text, depth):
        return re.sub(r"\{(\w+)\}", lambda found: self.part(found.group(1), depth), text)

    def part(self, name, depth):
        r = self.random
        if name in self.forms:
            holds_none = [form for form in self.forms[name] if not re.search(r"\{[%s]\}" % self.kinds, form)]
            choices = self.forms[name] if depth > 0 else holds_none or self.usual
            return self.filled(r.choice(choices), depth - 1)
        year, month, day = self.times.date()
        if r.random() < 0.7:
            year = r.randrange(1950, 2080)
        # A day that there is, in a year that steps do not leave.
        year, day = max(min(year, 9000), 10), min(day, 28)
        shared = {"iso": "%04d-%02d-%02d" % (year, month, day), "year": str(year), "month": str(month), "clock": "%02d:%02d:%02d" % self.times.clock(0)[:3]}
        return shared[name] if name in shared else self.parts(self, name, (year, month, day))

    def statement(self):
        return self.filled(self.random.choice(self.statements), self.random.randrange(0, 3))
