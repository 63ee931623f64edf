"""What the recorders of locale tables share: the C++ source of a table.

A table is three arrays: the tags, in order; the texts that any locale has, each once; and for each locale
the numbers of its texts. src/dialect/family/locale_table.hpp reads it.
"""

import unicodedata


def literal(text):
    """A C++ literal of a text; what does not show itself is escaped, in octal: three digits, whatever follows."""
    out = ""
    for c in text:
        shows = unicodedata.category(c)[0] in "LMNPS" or c == " "
        if c in '"\\':
            out += "\\" + c
        elif shows:
            out += c
        else:
            out += "".join("\\%03o" % byte for byte in c.encode())
    return '"' + out + '"'


def lines_of(items, width=1000):
    out, line = [], ""
    for item in items:
        if line and len(line) + len(item) > width:
            out.append(line)
            line = ""
        line += item + ","
    return out + [line]


def table(heading, rows):
    """`rows`: a tag and its texts each, all of the same length; in the order in which they are to stay."""
    texts = {}
    for _, parts in rows:
        for part in parts:
            texts.setdefault(part, len(texts))
    assert len(texts) < 65536 and len({len(parts) for _, parts in rows}) == 1
    out = ["// " + line for line in heading]
    out += ["constexpr std::string_view locale_tags_here[] = {"] + lines_of([literal(tag) for tag, _ in rows]) + ["};"]
    out += ["constexpr std::string_view locale_texts[] = {"] + lines_of([literal(text) for text in texts]) + ["};"]
    out += ["constexpr std::array<std::uint16_t, %d> locale_parts[] = {" % len(rows[0][1])]
    out += lines_of(["{" + ",".join(str(texts[part]) for part in parts) + "}" for _, parts in rows]) + ["};"]
    return "\n".join(out) + "\n"


def tags_in(table):
    """The tags of such a table, but for the first, which is the usual one's."""
    listed = table.read_text().split("locale_tags_here[] = {")[1].split("};")[0]
    return [tag.strip().strip('"') for tag in listed.split(",") if tag.strip()][1:]


class Order:
    """Every tag in turn, and those that are used most in between."""

    def __init__(self, random, tags, often):
        self.random, self.tags, self.often, self.left = random, tags, often, []

    def next(self):
        if self.random.random() < 0.4:
            return self.random.choice(self.often)
        if not self.left:
            self.left = self.random.sample(self.tags, len(self.tags))
        return self.left.pop()
