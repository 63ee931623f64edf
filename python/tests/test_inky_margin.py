"""The package over the built library: INKY_MARGIN_LIBRARY names it, PYTHONPATH has the package."""

import datetime
import html.parser
import pathlib
import unittest

import inky_margin as inky

root = pathlib.Path(__file__).resolve().parents[2]


class Parsed(html.parser.HTMLParser):
    """Whether tags are closed in order, and the text between them."""

    def __init__(self, text):
        super().__init__()
        self.open, self.words, self.marked = [], "", []
        self.feed(text)
        assert not self.open, self.open

    def handle_starttag(self, tag, attrs):
        self.open.append(tag)

    def handle_endtag(self, tag):
        assert self.open.pop() == tag, tag

    def handle_data(self, data):
        self.words += data
        if "mark" in self.open:
            self.marked.append(data)


class Show(unittest.TestCase):
    def test_plain_values(self):
        for template, values, dialect in [
            ("%d|%5.1f|%s|%x", (42, 2.25, "ink", 255), "python-percent"),
            ("{}|{:>6}|{}|{}", (True, "ink", None, 2.0), "python"),
            ("{}|{}|{}", ([1, 2.5, "x"], (1,), 10**30), "python"),
            ("{}|{}|{}", (float("inf"), float("-inf"), -0.0), "python"),
            ("{}|{}", (3 - 5j, -2.5j), "python"),
        ]:
            expected = template % values if dialect == "python-percent" else template.format(*values)
            self.assertEqual(inky.show(template, *values, dialect=dialect).text, expected)

    def test_moments_and_names(self):
        moment = datetime.datetime(2031, 5, 9, 14, 5, 7, 250000)
        self.assertEqual(inky.show("{:%Y-%m-%d %H:%M:%S.%f}", moment, dialect="python").text, f"{moment:%Y-%m-%d %H:%M:%S.%f}")
        self.assertEqual(inky.show("{:%d.%m.%y}", moment.date(), dialect="python").text, "09.05.31")
        self.assertEqual(inky.show("{mass:.1f} of {lot}", dialect="python", named={"mass": 2.25, "lot": "K-07"}).text, "2.2 of K-07")

    def test_typed_values(self):
        self.assertEqual(inky.show("%hhu", inky.Typed("u8", 255)).text, "255")
        self.assertEqual(inky.show("{}", inky.Typed("f32", "1.1"), dialect="rust").text, "1.1")
        with self.assertRaises(TypeError):
            inky.show("%s", object())

    def test_outcomes(self):
        shown = inky.show("%.2f", 2.675)
        self.assertTrue(shown.prints)
        self.assertEqual([note.code for note in shown.notes], ["stored-off-tie"])
        failed = inky.show("%d", "ink", dialect="java")
        self.assertFalse(failed.prints)
        self.assertEqual(failed.fails["as"], "IllegalFormatConversionException")
        self.assertIn("IllegalFormatConversionException", str(failed))
        self.assertIn("double", inky.show("%d", 2.5).undefined)
        self.assertEqual(inky.show("%5.1f", [1.5, 2.5], dialect="r").texts, ["  1.5", "  2.5"])
        self.assertEqual(inky.show("%,.2f", 1234.5, dialect="java", locale="de-DE").text, "1.234,50")
        self.assertEqual(inky.show("%,.2f", 1234.5, dialect="java", settings={"locale": "de-DE"}).text, "1.234,50")

    def test_errors(self):
        with self.assertRaises(inky.InkyError) as caught:
            inky.show("%d", 1, dialect="rsut")
        self.assertEqual(caught.exception.code, "unknown-dialect")
        self.assertIn("rust", str(caught.exception))

    def test_representations(self):
        shown = inky.show("%-6s|<%5.1f", "K-07", 2.5)
        self.assertIn("K-07··|<··2.5", str(shown))
        self.assertIn("K-07··|<··2.5", Parsed(shown._repr_html_()).words)
        beside = inky.show("%.2f", 2.675).beside("java", "python", "lisp")
        self.assertEqual({one.dialect: one.text for one in beside.shown}, {"c": "2.67", "java": "2.68", "python": "2.67", "lisp": "2.67"})
        self.assertEqual(Parsed(beside._repr_html_()).marked, ["8"])
        self.assertIn("java            2.68\n                   ▔", str(beside))


class Numbers(unittest.TestCase):
    def test_weigh(self):
        self.assertEqual(inky.weigh("2.675").exact, "2.67499999999999982236431605997495353221893310546875")
        self.assertEqual(inky.weigh(2.675).shortest, repr(2.675))
        self.assertFalse(inky.weigh("0.1 + 0.2 == 0.3").holds)
        self.assertEqual(inky.weigh(300, as_="u8").exact, "44")
        self.assertIn("2.675", Parsed(inky.weigh("2.675")._repr_html_()).words)
        with self.assertRaisesRegex(AttributeError, "it has"):
            inky.weigh("1").nothing_like_this

    def test_round(self):
        answer = inky.round("2.675", places=2)
        self.assertEqual((answer.stored["half-even"], answer.decimal["half-even"]), ("2.67", "2.68"))
        self.assertEqual(inky.round("1.12", step="0.05").decimal["up"], "1.15")


class Templates(unittest.TestCase):
    def test_write_carry_check(self):
        self.assertEqual(inky.write(places=2, group=",", to=["python"])[0].template, "{:,.2f}")
        self.assertEqual(inky.write(2.5, to=["rust"], kind="real", keep_point=True, places=0)[0].dialect, "rust")
        carried = inky.carry("%8.2f", ["f64"], to=["rust"])[0]
        self.assertEqual(carried.template, "{:8.2}")
        self.assertIn(carried.verdict, ("same", "same-for"))
        checked = inky.check("%d", ["f64"])
        self.assertFalse(checked.ok)
        self.assertEqual(checked.faults[0].repair, "%g")

    def test_read_once(self):
        row = inky.Template("%-6s|%8.2f|%d")
        self.assertEqual(row.render("K-07", 2.675, -7), "%-6s|%8.2f|%d" % ("K-07", 2.675, -7))
        self.assertEqual(inky.Template("%s").render("x" * 1000), "x" * 1000)
        self.assertEqual(inky.Template("{}|{}", dialect="python").render(True, None), "True|None")
        with self.assertRaises(inky.InkyError):
            inky.Template("%d").render("ink")
        with self.assertRaises(inky.InkyError):
            inky.Template("%d", dialect="none")
        with self.assertRaises(OverflowError):
            inky.Template("%d").render(10**30)


class Tables(unittest.TestCase):
    def test_proof(self):
        rows = [{"code": "K-07", "mass": 2.675}, {"code": "K-08", "mass": 12.5}]
        table = inky.proof(rows, columns=["code", "mass places=2 width=8"])
        self.assertEqual(str(table).split("\n")[2], "K-07      2.67")
        self.assertEqual(table.findings, [])
        self.assertIn("K-08", Parsed(table._repr_html_()).words)
        self.assertTrue(str(inky.proof(rows, style="markdown")).startswith("| code |"))

    def test_demo(self):
        sheet = (root / "demo" / "labels.toml").read_text(encoding="utf-8")
        data = (root / "demo" / "batches.csv").read_text(encoding="utf-8")
        self.assertIn("Zinkweiß", inky.proof(data, sheet=sheet).table)


if __name__ == "__main__":
    unittest.main()
