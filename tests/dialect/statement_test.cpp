// Whole calls: which are read, what they print, where their parts stand, and what is said of those
// that are not read.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "inky_margin/write/program.hpp"
#include "support/answers.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::show;
using support::Shown;
using support::value;

namespace {

struct Case {
  const char* asked;
  const char* source;
  std::vector<Value> values;
  const char* dialect;
  const char* text;
};

// What gcc's program, g++'s and CPython 3.11 printed of each.
const std::vector<Case> cases = {
    {"c", "printf(\"%d\\n\", n);", {value("n=7")}, "c", "7\n"},
    {"c", "printf(\"%d\\n\", n)", {value("7")}, "c", "7\n"},
    {"c",
     "  printf ( \"%d|%s\" , n + 1 , name ) ;  ",
     {value("n=7"), value("name=ink")},
     "c",
     "8|ink"},
    {"c",
     "printf(\"%-8s|%6.2f\\n\", name, price * 0.76);",
     {value("name=ink"), value("price=9.55")},
     "c",
     "ink     |  7.26\n"},
    {"c", "printf(\"%6.2f\", price * 0.76);", {value("9.55")}, "c", "  7.26"},
    {"c", "printf(\"%d %d\", b - a, a);", {value("3"), value("10")}, "c", "-7 10"},
    {"c", "fprintf(stderr, \"%5.1f|\", x / 3);", {value("x=10.0")}, "c", "  3.3|"},
    {"c", "snprintf(buf, sizeof buf, \"%05d\", n);", {value("n=42")}, "c", "00042"},
    {"c", "snprintf(buf, sizeof(buf), \"%05d\", n);", {value("n=42")}, "c", "00042"},
    {"c", "printf(\"one \" \"%d\" \" three\", 2);", {}, "c", "one 2 three"},
    {"c", "printf(\"%s\\n\", n > 1 ? \"lots\" : \"lot\");", {value("n=2")}, "c", "lots\n"},
    {"c", "printf(\"%*d|\", width + 2, n);", {value("width=3"), value("n=7")}, "c", "    7|"},
    {"c", "printf(\"%c%c\", 'K', 'K' + 1);", {}, "c", "KL"},
    {"c", "printf(\"plain\\n\");", {}, "c", "plain\n"},
    {"c", "printf(\"%d%%\\n\", (int)(share * 100));", {value("share=0.25")}, "c", "25%\n"},
    {"c", "printf(\"%.2f\", (double)sum / n);", {value("sum=7"), value("n=2")}, "c", "3.50"},
    {"c", "printf(\"%d\", sum / n);", {value("sum=7"), value("n=2")}, "c", "3"},
    {"c", "printf(\"%.3f\", sqrt(x));", {value("x=2.0")}, "c", "1.414"},
    {"c", "printf(\"%zu\", strlen(name));", {value("name=ink")}, "c", "3"},
    {"c", "printf(\"%d\", rows[1]);", {value("rows=[3, 4]")}, "c", "4"},
    {"cpp-stream",
     "std::format(\"{:>8.2f}|\", x * 2)",
     {value("x=1.5")},
     "cpp-format",
     "    3.00|"},
    {"cpp-format",
     "std::println(\"{} {}\", a, b + 1);",
     {value("a=1"), value("b=2")},
     "cpp-format",
     "1 3\n"},
    {"cpp-format", "printf(\"%d\", int(x));", {value("x=2.9")}, "c", "2"},
    {"python", "print(f\"{price * 2:.2f}\")", {value("price=9.55")}, "python", "19.10\n"},
    {"python", "print(f\"{n}\", end=\"\")", {value("n=7")}, "python", "7"},
    {"python", "print(f'{n}' ' and more')", {value("n=7")}, "python", "7 and more\n"},
    {"python",
     "print(\"{:>8}|{}\".format(name.upper(), n * 2))",
     {value("name=ink"), value("n=4")},
     "python",
     "     INK|8\n"},
    {"python",
     "\"{a:.1f}{b}\".format(a=x, b=n + 1)",
     {value("x=2.5"), value("n=4")},
     "python",
     "2.55"},
    {"python",
     "print(\"%.2f and %s\" % (price * 0.76, name))",
     {value("price=9.55"), value("name=ink")},
     "python-percent",
     "7.26 and ink\n"},
    {"python", "'%5.1f' % price", {value("price=9.75")}, "python-percent", "  9.8"},
    {"python-percent", "\"%(a)s\" % {'a': n + 1}", {value("n=1")}, "python-percent", "2"},
    {"python",
     "print(name, n + 1, sep=\", \")",
     {value("name=ink"), value("n=1")},
     "python",
     "ink, 2\n"},
    {"python", "print(0.1 + 0.2)", {}, "python", "0.30000000000000004\n"},
    {"python", "print([n, n / 2])", {value("n=3")}, "python", "[3, 1.5]\n"},
    {"python", "print(\"plain\")", {}, "python", "plain\n"},
    {"python", "print(\"{\")", {}, "python", "{\n"},
    {"python",
     "logger.info(\"%s took %d ms\", name, seconds * 1000)",
     {value("name=ink"), value("seconds=2")},
     "python-percent",
     "ink took 2000 ms"},
};

}  // namespace

TEST_CASE("a whole call prints what its program prints, and names its facility") {
  for (const Case& one : cases) {
    INFO(one.source);
    const Shown got = show(one.asked, one.source, one.values);
    if (!got.outcome.prints()) FAIL_CHECK(got.outcome.why());
    CHECK(got.text == one.text);
    CHECK(got.dialect == one.dialect);
  }
}

// The pieces are the source, in order; fields stand in it where they are written.
TEST_CASE("the parts of a call stand where they are in its source") {
  for (const Case& one : cases) {
    INFO(one.source);
    const Result<Template> parsed = parse_statement(*find_dialect(one.asked), one.source);
    REQUIRE(parsed.ok());
    std::size_t at = 0;
    for (const Piece& piece : parsed->pieces()) {
      CHECK(piece.source.from == at);
      CHECK(piece.source.to >= piece.source.from);
      at = piece.source.to;
    }
    CHECK(at == parsed->source().size());
    std::size_t before = 0;
    for (const Words& words : parsed->dialect().explain(*parsed)) {
      CHECK(words.span.from >= before);
      CHECK(words.span.to <= parsed->source().size());
      before = words.span.from;
      CHECK_FALSE(words.meaning.empty());
    }
  }
  const auto parsed = parse_statement(*find_dialect("c"), "printf(\"a%d\" \"|%5.1f\", n, x);");
  REQUIRE(parsed.ok());
  REQUIRE(parsed->fields().size() == 2);
  CHECK(parsed->source_of(parsed->fields()[0]) == "%d");
  CHECK(parsed->source_of(parsed->fields()[1]) == "%5.1f");
  CHECK(parsed->fields()[0].key == "(n)");
}

TEST_CASE("a report of a call has each field's place, and the value it shows") {
  const Shown got = show("c", "printf(\"%d|%5.1f\", n, x * 2);", {value("n=7"), value("x=1.25")});
  REQUIRE(got.report.fields.size() == 2);
  CHECK(got.report.fields[0].value == 0);
  CHECK_FALSE(got.report.fields[0].computed.has_value());
  REQUIRE(got.report.fields[1].computed.has_value());
  CHECK(describe(*got.report.fields[1].computed) == "2.5");
  CHECK(got.report.fields[1].output == Span{2, 7});
}

TEST_CASE("what goes wrong in a call is underlined in the call") {
  struct Fault {
    const char* source;
    std::vector<Value> values;
    Outcome::Kind kind;
    const char* why;
    const char* under;
  };
  const Fault faults[] = {
      {"printf(\"n: %d\", x);", {value("x=2.5")}, Outcome::Kind::undefined, "reads an int", "%d"},
      {"printf(\"%d\", n + 2147483647);",
       {value("n=1")},
       Outcome::Kind::undefined,
       "does not fit i32",
       "n + 2147483647"},
      {"printf(\"%d\", missing + 1);",
       {},
       Outcome::Kind::fails_compile,
       "was not declared",
       "missing"},
      {"printf(\"%d %s\", 1);", {}, Outcome::Kind::undefined, "takes value 2", "%s"},
      {"printf(\"%d\" \"%q\", 1, 2);", {}, Outcome::Kind::undefined, "q", "%q"},
      // What the compiler refuses comes before what the program does.
      {"printf(\"%d %d\", 1 / 0, 7 % 2.5);",
       {},
       Outcome::Kind::fails_compile,
       "% is not for",
       "7 % 2.5"},
  };
  for (const Fault& fault : faults) {
    INFO(fault.source);
    const Shown got = show("c", fault.source, fault.values);
    REQUIRE(got.outcome.kind() == fault.kind);
    CHECK_THAT(got.outcome.why(), Catch::Contains(fault.why));
    const Span span = got.outcome.span();
    CHECK(std::string(fault.source).substr(span.from, span.to - span.from) == fault.under);
    CHECK(got.text.empty());
  }
}

TEST_CASE("calls that are not understood are called that, at their place") {
  struct Refused {
    const char* dialect;
    const char* source;
    Code code;
    const char* message;
  };
  const Refused all[] = {
      {"c", "fputs(s, stdout);", Code::not_supported_yet, "a statement such as this"},
      {"c", "printf(format, n);", Code::not_supported_yet, "not a literal"},
      {"c", "printf(\"%d\", n++);", Code::not_supported_yet, "++"},
      {"c", "printf(\"%d\", n", Code::bad_template, "a closing ) is missing"},
      {"c", "printf(\"%d, n);", Code::bad_template, "a closing \" is missing"},
      {"c", "printf(\"%d\", n); exit(1);", Code::not_supported_yet, "a statement such as this"},
      {"c", "printf(L\"%d\", n);", Code::not_supported_yet, "prefix"},
      {"cpp-format", "printf(R\"(\\d%d)\", n);", Code::not_supported_yet, "raw literal"},
      {"python", "print(*rows)", Code::not_supported_yet, ""},
      {"python", "print(\"a\", file=f)", Code::not_supported_yet, ""},
      {"java", "System.out.printf(\"%d\", n);", Code::not_supported_yet,
       "whole calls of Java are not supported yet"},
  };
  for (const Refused& one : all) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    if (parsed.ok()) {
      // It is read, and has no value.
      TextBuffer out;
      CHECK(parsed->dialect().render(*parsed, {}, out).kind() != Outcome::Kind::prints);
      continue;
    }
    CHECK(parsed.error().code == one.code);
    CHECK_THAT(parsed.error().message, Catch::Contains(one.message));
    CHECK(parsed.error().span.to <= std::string(one.source).size());
    CHECK_FALSE(parsed.error().remedy.empty());
  }
}

TEST_CASE("a source is taken for a call where it cannot be a template") {
  const auto is = [](const char* dialect, const char* source) {
    return is_statement(*find_dialect(dialect), source);
  };
  CHECK(is("c", "printf(\"%d\", n);"));
  CHECK(is("c", " fprintf (stderr, \"%d\", n)"));
  CHECK_FALSE(is("c", "%d of %d"));
  CHECK_FALSE(is("c", "printf(%d)"));
  CHECK_FALSE(is("c", "ink (\"%d\")"));
  CHECK_FALSE(is("c", "\"%d\""));
  CHECK(is("python", "print(f\"{n}\")"));
  CHECK(is("python", "\"{}\".format(n)"));
  CHECK(is("python", "\"%d\" % n"));
  CHECK_FALSE(is("python", "f\"{n}\""));
  CHECK_FALSE(is("python", "{} and {}"));
  CHECK_FALSE(is("python", "\"%d\""));
  CHECK(is("java", "String.format(\"%d\", n)"));
}

TEST_CASE("the program of a call is the call, with its values declared") {
  const auto parsed = parse_statement(
      *find_dialect("c"), "printf(\"%s %.2f\\n\", n > 1 ? \"lots\" : \"lot\", sqrt(x));");
  REQUIRE(parsed.ok());
  const Value values[] = {value("n=2"), value("x=9.55")};
  const auto program = write_program(parsed->dialect(), *parsed, values);
  REQUIRE(program.ok());
  CHECK(*program ==
        "#include <math.h>\n#include <stdio.h>\n\nint main(void) {\n  int n = 2;\n"
        "  double x = 9.55;\n"
        "  printf(\"%s %.2f\\n\", n > 1 ? \"lots\" : \"lot\", sqrt(x));\n  return 0;\n}\n");
}

// A text in an argument cannot leave its quotes, whatever it holds.
TEST_CASE("texts in a call are written so that they stay texts") {
  for (const char* text : {"\\\"); system(\\\"touch owned\\\"); (\\\"", "%n%n", "\\\\", "a\\nb",
                           "\\x22", "*/", "\\'"}) {
    const std::string source = "printf(\"%s|%d\", \"" + std::string(text) + "\", 1);";
    INFO(source);
    const auto parsed = parse_statement(*find_dialect("c"), source);
    REQUIRE(parsed.ok());
    TextBuffer out;
    REQUIRE(parsed->dialect().render(*parsed, {}, out).prints());
    const auto program = write_program(parsed->dialect(), *parsed, {});
    REQUIRE(program.ok());
    // The same call, read from the program, prints the same.
    const std::size_t at = program->find("printf(");
    const std::size_t end = program->find("\n  return 0;");
    const auto again =
        parse_statement(*find_dialect("c"), std::string_view(*program).substr(at, end - at));
    REQUIRE(again.ok());
    TextBuffer other;
    REQUIRE(again->dialect().render(*again, {}, other).prints());
    CHECK(other.view() == out.view());
  }
}

// Cut at every byte, a call is read, or refused; it never ends the program.
TEST_CASE("a call that is cut anywhere is answered") {
  for (const Case& one : cases) {
    const std::string_view source = one.source;
    for (std::size_t size = 0; size < source.size(); ++size) {
      const auto parsed = parse_statement(*find_dialect(one.asked), source.substr(0, size));
      if (!parsed.ok()) {
        CHECK(parsed.error().span.to <= size);
        continue;
      }
      TextBuffer out;
      Report report;
      const Outcome outcome = parsed->dialect().render(*parsed, one.values, {}, out, &report);
      if (!outcome.prints()) CHECK(outcome.span().to <= size);
    }
  }
}

// Whatever is evaluated: a call that may do something is in no program.
TEST_CASE("no program holds a call of a function that we do not know") {
  struct Attack {
    const char* dialect;
    const char* source;
  };
  const Attack attacks[] = {
      {"cpp-stream", "cout << system(\"touch owned\")"},
      {"cpp-stream", "cout << (true || system(\"touch owned\"))"},
      {"cpp-stream", "cout << x.run(\"touch owned\")"},
      {"cpp-stream", "cout << std::system(\"touch owned\") + 1"},
      {"python", "f\"{__import__('os').system('touch owned')}\""},
      {"python", "f\"{True or __import__('os').system('touch owned')}\""},
      {"python", "f\"{x if True else open('owned')}\""},
      {"python", "f\"{[] and eval('owned')}\""},
  };
  const Value values[] = {value("x=1")};
  for (const Attack& one : attacks) {
    INFO(one.source);
    const Dialect& dialect = *find_dialect(one.dialect);
    const auto parsed = dialect.parse(one.source);
    REQUIRE(parsed.ok());
    CHECK_FALSE(write_program(dialect, *parsed, values).ok());
  }
  for (const char* source : {"printf(\"%d\", system(\"touch owned\"));",
                             "printf(\"%d\", 1 ? 2 : system(\"touch owned\"));"}) {
    INFO(source);
    const auto parsed = parse_statement(*find_dialect("c"), source);
    REQUIRE(parsed.ok());
    CHECK_FALSE(write_program(parsed->dialect(), *parsed, values).ok());
  }
}

// Values without names are declared by the names that the template gives them, and by no name that
// it uses for something else.
TEST_CASE("a program declares its values by the names that the template uses") {
  struct Case {
    const char* dialect;
    const char* source;
    std::vector<Value> values;
    const char* declared;
  };
  const Case all[] = {
      {"cpp-stream", "cout << x", {value("2.5")}, "double x = 2.5;"},
      {"cpp-stream", "cout << a + b", {value("5"), value("a=1")}, "int b = 5;"},
      {"cpp-stream", "v1 << 42", {value("7")}, "int v1_ = 7;"},
      {"javascript", "${a + b}", {value("1"), value("2")}, "const b = 2;"},
      {"r-format", "format(mass)", {value("2.5")}, "mass <- 2.5"},
      {"python", "{} {mass}", {value("1"), value("mass=2")}, "v1 = 1\n"},
      {"c", "%d", {value("1")}, "int v1 = 1;"},
  };
  for (const Case& one : all) {
    INFO(one.dialect << ": " << one.source);
    const Dialect& dialect = *find_dialect(one.dialect);
    const auto parsed = dialect.parse(one.source);
    REQUIRE(parsed.ok());
    const auto program = write_program(dialect, *parsed, one.values);
    REQUIRE(program.ok());
    CHECK_THAT(*program, Catch::Contains(one.declared));
  }
}

TEST_CASE("nothing but blanks is no statement") {
  for (const Dialect* dialect : all_dialects()) {
    for (const char* source : {"", " ", "\n\t ", "x =", "x = ", "return "})
      CHECK_FALSE(is_statement(*dialect, source));
  }
}

TEST_CASE("a comparison is no assignment") {
  CHECK(show("php", "echo $n >= 3;", {support::value("n=7")}).text == "1");
}

TEST_CASE("the names of a language take no values") {
  struct Naming {
    const char* dialect;
    const char* source;
    std::vector<std::string> names;
  };
  const std::vector<Naming> namings = {
      {"java", "System.out.println(Math.max(n, 2));", {"n"}},
      {"java", "System.out.println(Integer.MAX_VALUE);", {}},
      {"csharp", "Console.WriteLine(Math.PI * x);", {"x"}},
      {"csharp", "Console.WriteLine(int.MaxValue);", {}},
      {"python", "print(math.sqrt(x))", {"x"}},
      {"rust", "println!(\"{}\", i32::MAX - n);", {"n"}},
      {"octave", "disp(pi * n)", {"n"}},
      {"r", "print(pi * n)", {"n"}},
  };
  for (const Naming& one : namings) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    REQUIRE(parsed.ok());
    CHECK(std::vector<std::string>(parsed->value_names().begin(), parsed->value_names().end()) ==
          one.names);
  }
}

TEST_CASE("the program of a call that the evaluator makes whole is the call") {
  const auto program = [](const char* dialect, const char* source) {
    const auto parsed = parse_statement(*find_dialect(dialect), source);
    REQUIRE(parsed.ok());
    const auto written = parsed->dialect().write_call(*parsed, parsed->value_names());
    return written ? written->source : "none: " + written.error().message;
  };
  CHECK(program("r", "print(x / 3)").find("print(x / 3") == 0);
  CHECK(program("octave", "disp([1 2; 3 4] * x)").find("disp([1.0, 2.0; 3.0, 4.0] * x)") == 0);
  CHECK(program("octave", "disp(x')").find("disp(x')") == 0);
  CHECK(program("octave", "disp(1:2:9)").find("disp(1.0 : 2.0 : 9.0)") == 0);
  CHECK(program("r", "cat(system(x))").find("none: ") == 0);
  CHECK(program("octave", "disp(system(x))").find("none: ") == 0);
}
