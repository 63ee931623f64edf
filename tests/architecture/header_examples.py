#!/usr/bin/env python3
"""The examples in the comments of the public headers compile, and give what they say.

    header_examples.py BUILD_DIR COMPILER [FLAGS...]

An example is the indented block of the comment at the top of a header. A line that ends in ; { or } is a statement. Any other
line is one expression, or several between commas, and behind // is what they give, in the same order: a literal, an enumerator,
"nothing" or "an error". A text with ... at its end is a beginning. What follows a literal is for the reader.
"""

import json
import os
import pathlib
import re
import subprocess
import sys
import tempfile

root = pathlib.Path(__file__).resolve().parents[2]
build, compiler, *flags = sys.argv[1:]

# Blocks that are no code of C++: a table of outcomes, a sheet in TOML, loops in outline.
no_code = {"format/outcome.hpp", "sheet/sheet.hpp", "sheet/printer.hpp"}
# What examples use and do not make.
context = """
  const Result<Sheet> sheet_read = read_sheet("[[column]]\\nfrom = \\"mass\\"\\nwidth = 8\\n");
  const Result<Table> table_read = read_csv("mass\\n2.675\\n");
  [[maybe_unused]] const Sheet& some_sheet = *sheet_read;
  [[maybe_unused]] const Table& some_table = *table_read;
  const Result<Proof> proof_made = make_proof(some_sheet, some_table);
  [[maybe_unused]] const Proof& proof = *proof_made;
  [[maybe_unused]] const std::string_view text = "#include <stdio.h>\\nint main(void) {\\n  printf(\\"%d of %s\\", n, ink);\\n}\\n";
  Spec spec_of_wish;
  spec_of_wish.kind = Kind::real;
  spec_of_wish.width = 8;
  spec_of_wish.notation = Notation::fixed;
  spec_of_wish.places = 2;
  [[maybe_unused]] const Spec& wish = spec_of_wish;
  const TemplatePart one_part{{}, FieldWish{spec_of_wish, Type::f64, unset, {}}};
  [[maybe_unused]] const std::span<const TemplatePart> parts(&one_part, 1);
  const std::string one_name = "v1";
  [[maybe_unused]] const std::span<const std::string> names(&one_name, 1);
"""
# Names of the examples that stand for those.
stands_for = {"emit/table_program.hpp": "const Sheet& sheet = some_sheet; const Table& table = some_table;",
              "sheet/proof.hpp": "const Result<Sheet>& sheet = sheet_read; const Result<Table>& table = table_read;"}

literal = re.compile(r'"(?:[^"\\]|\\.)*"|-?0x[0-9a-f]+|-?\d+(?:\.\d+)?|true\b|false\b|[A-Z]\w+(?:::\w+)+|nothing\b|null\b|an error\b')


def split(text):
    """At the commas that are not inside of brackets or quotes."""
    out, depth, quote, start = [], 0, "", 0
    for i, c in enumerate(text):
        if quote:
            if c == quote and text[i - 1] != "\\":
                quote = ""
        elif c in "\"'":
            quote = c
        elif c in "([{":
            depth += 1
        elif c in ")]}":
            depth -= 1
        elif c == "," and depth == 0:
            out.append(text[start:i].strip())
            start = i + 1
    return out + [text[start:].strip()]


def expected(comment):
    out = []
    while found := literal.match(comment):
        out.append(found.group(0))
        rest = comment[found.end():]
        if not rest.startswith(", "):
            break
        comment = rest[2:]
    return out


def checks(expression, want, place):
    if want is None:
        return "(void)(%s);" % expression
    if want in ("nothing", "an error"):
        condition = "!(%s)" % expression
    elif want == "null":
        condition = "(%s) == nullptr" % expression
    elif want.startswith('"') and want.endswith('..."'):
        condition = 'begins(%s, %s")' % (expression, want[:-4])
    else:
        condition = "same(%s, %s)" % (expression, want)
    return "expect(%s, %s);" % (condition, json.dumps("%s: %s is not %s" % (place, expression, want)))


def example(header):
    name = str(header.relative_to(root / "include/inky_margin"))
    lines = []
    for line in header.read_text(encoding="utf-8").split("\n"):
        if line.startswith("#pragma"):
            break
        if line.startswith("//   "):
            lines.append(line[5:])
    if not lines or name in no_code:
        return ""
    # A line of comment alone goes on with what the line before it gives.
    joined = []
    for line in lines:
        if line.strip().startswith("//") and joined and "//" not in joined[-1]:
            joined[-1] += "  " + line.strip()
        elif not line.strip().startswith("//"):
            joined.append(line)
    out = ["void example_%s() {" % re.sub(r"\W", "_", name), context, stands_for.get(name, ""), "{"]
    for line in joined:
        parts = re.split(r"\s+(?://|->) ", line, maxsplit=1)
        code, comment = parts[0].strip(), parts[1] if len(parts) > 1 else ""
        if code.endswith((";", "{", "}")) or code.startswith("}"):
            out.append(code)
            continue
        wants = expected(comment)
        for i, expression in enumerate(split(code)):
            out.append(checks(expression, wants[i] if i < len(wants) else None, name))
    return "\n".join(out + ["}", "}"])


examples = [text for header in sorted((root / "include/inky_margin").rglob("*.hpp")) if (text := example(header))]
checked = sum(text.count("\nexpect(") for text in examples)
program = """
#include <inky_margin/inky_margin.hpp>

#include <iostream>

using namespace inky;

namespace {

int faults = 0;

void expect(bool holds, const char* place) {
  if (holds) return;
  ++faults;
  std::cerr << place << "\\n";
}

template <typename T>
std::string_view text_of(const T& text) {
  if constexpr (requires { text.view(); }) return text.view();
  else if constexpr (requires { *text; requires std::is_convertible_v<decltype(*text), std::string_view>; }) return *text;
  else return text;
}
template <typename Given, typename Wanted>
bool same(const Given& given, const Wanted& wanted) {
  if constexpr (std::is_convertible_v<Wanted, std::string_view>) return text_of(given) == std::string_view(wanted);
  else if constexpr (std::is_integral_v<Wanted> && !std::is_same_v<Wanted, bool>) return given == static_cast<Given>(wanted);
  else return given == wanted;
}
template <typename Given>
bool begins(const Given& given, std::string_view wanted) {
  return text_of(given).starts_with(wanted);
}

%s

}  // namespace

int main() {
  %s
  return faults == 0 ? 0 : 1;
}
""" % ("\n\n".join(examples), "\n  ".join("%s();" % name for name in re.findall(r"void (example_\w+)\(", "\n".join(examples))))

with tempfile.TemporaryDirectory() as folder:
    source = os.path.join(folder, "examples.cpp")
    pathlib.Path(source).write_text(program, encoding="utf-8")
    if os.environ.get("INKY_SHOW_PROGRAM"):
        print(program)
    libraries = sorted(str(path) for path in pathlib.Path(build, "src").glob("libinky_*.a"))
    made = subprocess.run([compiler, "-std=c++20", *flags, "-I%s/include" % root, source, "-o", source + ".out", "-Wl,--start-group",
                           *libraries, "-Wl,--end-group", "-lutf8proc", "-lpcre2-8", "-lcsv", "-ltomlplusplus"], capture_output=True, text=True, check=False)
    if made.returncode != 0:
        print(made.stderr[:6000])
        sys.exit(1)
    ran = subprocess.run([source + ".out"], capture_output=True, text=True, check=False)
print(ran.stderr or "%d headers with examples, %d results" % (len(examples), checked))
sys.exit(1 if ran.returncode != 0 or len(examples) < 20 or checked < 30 else 0)
