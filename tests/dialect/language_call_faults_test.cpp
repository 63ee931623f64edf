// Whole calls of Java, C#, PHP, JavaScript and Rust that fail, that are not supported yet, or that
// must not be run; and the programs of those that may. The names of failures are those of javac 17,
// .NET 10, PHP 8.2, Node.js 20 and rustc 1.95 for the same lines.

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

struct Failing {
  const char* dialect;
  const char* source;
  std::vector<Value> values;
  Outcome::Kind kind;
  const char* as;
};

}  // namespace

// As the compilers and the programs name them.
TEST_CASE("a call that fails has the name that its language gives the failure") {
  const std::vector<Failing> failing = {
      {"java",
       "System.out.println(n / 0);",
       {value("n=7")},
       Outcome::Kind::fails_run,
       "ArithmeticException"},
      {"java",
       "System.out.println(name.charAt(3));",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "StringIndexOutOfBoundsException"},
      {"java",
       "System.out.println(Integer.parseInt(name));",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "NumberFormatException"},
      {"java",
       "System.out.println(name - 1);",
       {value("name=ink")},
       Outcome::Kind::fails_compile,
       "error"},
      {"java", "System.out.println(nosuch + 1);", {}, Outcome::Kind::fails_compile, "error"},
      {"java", "System.out.println(true + 1);", {}, Outcome::Kind::fails_compile, "error"},
      {"java",
       "System.out.println(n ? 1 : 2);",
       {value("n=7")},
       Outcome::Kind::fails_compile,
       "error"},
      {"csharp",
       "Console.WriteLine(n / zero);",
       {value("n=7"), value("zero=0")},
       Outcome::Kind::fails_run,
       "DivideByZeroException"},
      {"csharp", "Console.WriteLine(7 / 0);", {}, Outcome::Kind::fails_compile, "CS0020"},
      {"csharp",
       "Console.WriteLine(int.MaxValue + 1);",
       {},
       Outcome::Kind::fails_compile,
       "CS0220"},
      {"csharp", "Console.WriteLine((byte)300);", {}, Outcome::Kind::fails_compile, "CS0221"},
      {"csharp", "Console.WriteLine(!n);", {value("n=7")}, Outcome::Kind::fails_compile, "CS0023"},
      {"csharp",
       "Console.WriteLine(name - 1);",
       {value("name=ink")},
       Outcome::Kind::fails_compile,
       "CS0019"},
      {"csharp",
       "Console.WriteLine(a + b);",
       {value("a=1:u64"), value("b=1")},
       Outcome::Kind::fails_compile,
       "CS0034"},
      {"csharp", "Console.WriteLine(nosuch);", {}, Outcome::Kind::fails_compile, "CS0103"},
      {"csharp",
       "Console.WriteLine(name.Substring(9));",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "ArgumentOutOfRangeException"},
      {"csharp",
       "Console.WriteLine(name[3]);",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "IndexOutOfRangeException"},
      {"csharp",
       "Console.WriteLine(Math.Abs(n));",
       {value("n=-2147483648")},
       Outcome::Kind::fails_run,
       "OverflowException"},
      {"php", "echo $n / 0;", {value("n=7")}, Outcome::Kind::fails_run, "DivisionByZeroError"},
      {"php", "echo $n % 0;", {value("n=7")}, Outcome::Kind::fails_run, "DivisionByZeroError"},
      {"php", "echo 1 << -1;", {}, Outcome::Kind::fails_run, "ArithmeticError"},
      {"php",
       "echo str_repeat($name, -1);",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "ValueError"},
      {"javascript",
       "console.log(name.nosuch.more);",
       {value("name=ink")},
       Outcome::Kind::fails_run,
       "TypeError"},
      {"rust",
       "println!(\"{}\", n + x);",
       {value("n=7"), value("x=2.5")},
       Outcome::Kind::fails_compile,
       "E0277"},
      {"rust", "println!(\"{}\", x * 2);", {value("x=2.5")}, Outcome::Kind::fails_compile, "E0277"},
      {"rust", "println!(\"{}\", nosuch + 1);", {}, Outcome::Kind::fails_compile, "E0425"},
      {"rust",
       "println!(\"{}\", x < n);",
       {value("n=7"), value("x=2.5")},
       Outcome::Kind::fails_compile,
       "E0308"},
      {"rust",
       "println!(\"{}\", -lot);",
       {value("lot=7:u32")},
       Outcome::Kind::fails_compile,
       "E0600"},
      {"rust", "println!(\"{}\", !x);", {value("x=2.5")}, Outcome::Kind::fails_compile, "E0600"},
      {"rust",
       "println!(\"{}\", n && true);",
       {value("n=7")},
       Outcome::Kind::fails_compile,
       "E0308"},
      {"javascript", "console.log(1n + 1);", {}, Outcome::Kind::fails_run, "TypeError"},
  };
  for (const Failing& one : failing) {
    CAPTURE(one.source);
    const Shown shown = show(one.dialect, one.source, one.values);
    CHECK(shown.outcome.kind() == one.kind);
    CHECK(shown.outcome.failure_name() == one.as);
    CHECK(shown.text.empty());
  }
}

namespace {

struct Refused {
  const char* dialect;
  const char* source;
  Span span;
};

}  // namespace

TEST_CASE("what is not supported yet in a call is underlined there") {
  const std::vector<Refused> all_refused = {
      {"java", "System.out.println(x::size);", {20, 22}},
      {"java", "System.out.println(n++ + n);", {20, 22}},
      {"csharp", "Console.WriteLine($@\"a{n++}\");", {24, 26}},
      {"fsharp", "printfn \"%A\" (Ok 5)", {14, 16}},
      {"fsharp", "printfn \"%d\" (fun v -> v)", {14, 17}},
      {"lisp", "(format t \"~a\" (let ((y 3)) y))", {15, 19}},
      {"shell", "printf '%s' $(date)", {12, 14}},
      {"csharp", "$\"{n switch { 1 => 2 }}\"", {5, 11}},
      {"php", "echo new Lot;", {5, 8}},
      {"java", "System.out.println(new Lot[2]);", {19, 22}},
      {"php", "echo $a ?: 2;", {8, 10}},
      {"javascript", "process.stdout.write(n);", {21, 22}},
      {"rust", "println!(\"{}\", if b { 1 });", {15, 17}},
      {"rust", "println!(\"{}\", n?);", {16, 17}},
      {"javascript", "console.log(...items);", {12, 13}},
  };
  for (const Refused& one : all_refused) {
    CAPTURE(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    REQUIRE(!parsed.ok());
    CHECK(parsed.error().code == Code::not_supported_yet);
    CHECK(parsed.error().span.from == one.span.from);
  }
}

TEST_CASE("no program holds a call that may do more than compute") {
  const std::pair<const char*, const char*> harmful[] = {
      {"java", "System.out.println(\"x\" + Runtime.getRuntime().exec(\"touch owned\"));"},
      {"java", "System.out.printf(\"%s\", new java.io.File(\"owned\").mkdir());"},
      {"java", "System.out.println(name.getClass());"},
      {"csharp", "$\"{System.IO.File.Create(\"owned\")}\""},
      {"csharp", "Console.WriteLine(\"{0}\", Environment.Exit(3));"},
      {"csharp", "Console.WriteLine(name + Process.Start(\"touch\", \"owned\"));"},
      {"csharp", "Console.WriteLine(System.IO.File.Replace(\"owned\", \"b\", \"c\"));"},
      {"csharp", "Console.WriteLine(\"{0}\", File.Replace(\"owned\", \"b\", \"c\"));"},
      {"fsharp", "printfn \"%O\" (System.IO.File.Replace(\"owned\", \"b\", \"c\"))"},
      {"python", "print(os.replace(\"owned\", \"b\"))"},
      {"python", "f\"{os.replace('owned', 'b')}\""},
      {"javascript", "console.log(fs.replace(\"owned\", \"b\"));"},
      {"javascript", "`${fs.replace(\"owned\", \"b\")}`"},
      {"java", "System.out.println(java.nio.file.Files.replace(\"owned\", \"b\"));"},
      {"rust", "println!(\"{}\", std::fs::File.replace(\"owned\", \"b\"));"},
      {"php", "echo system(\"touch owned\");"},
      {"php", "printf(\"%s\", eval(\"touch(1);\"));"},
      {"php", "echo strtoupper(file_put_contents(\"owned\", \"\"));"},
      {"javascript", "console.log(require(\"fs\").writeFileSync(\"owned\", \"\"));"},
      {"javascript", "console.log(`${process.exit(3)}`);"},
      {"rust", "println!(\"{}\", std::process::exit(3));"},
      {"rust", "println!(\"{:?}\", std::fs::write(\"owned\", name));"},
      {"javascript", "console.log(name, eval(\"1\"));"},
      {"lisp", "(format t \"~a\" (sb-ext:run-program \"/bin/touch\" (list \"owned\")))"},
      {"lisp", "(format t \"~a~a\" x| \"|(with-open-file (s \\\"owned\\\"))|\")"},
      {"lisp", "(format t \"~a\" 'x|)"},
      {"lisp", "(format t \"~a\" x\\)"},
      {"lisp", "(princ #.(delete-file \"owned\"))"},
      {"fsharp", "printfn \"%d\" (exit 3)"},
      {"fsharp", "printfn \"%s\" (System.IO.File.ReadAllText \"owned\" |> string)"},
      {"fsharp", "printfn $\"{System.Environment.Exit 3}\""},
      {"shell", "printf '%s' \"$(touch owned)\""},
      {"shell", "echo `touch owned`"},
      {"shell", "printf '%d' $((n[$(touch owned)]))"},
      {"shell", "printf '%s' a; touch owned"},
      {"c", "int n = 7; printf(\"%d\", n); system(\"touch owned\");"},
      {"c", "for (int i = 0; i < 1; i++) { printf(\"x\"); system(\"touch owned\"); }"},
      {"python", "for i in range(1): print(i); os.remove(\"owned\")"},
      {"javascript", "[1].forEach(x => console.log(require(\"fs\").rmSync(\"owned\")))"},
      {"r", "print(`file.create(\"owned\")`)"},
      {"r", "cat(`file.create(\"owned\")`, 1)"},
      {"r", "print(`system`(\"touch owned\"))"},
      {"r", "print(sapply(name, function(x) file.create(\"owned\")))"},
      {"r", "print(sapply(name, system))"},
      {"r", "x <- system(\"touch owned\"); print(x)"},
      {"octave", "printf(\"%d\", system('touch owned'));"},
  };
  const std::vector<Value> values = {value("name=ink")};
  for (const auto& [dialect, source] : harmful) {
    CAPTURE(source);
    const auto parsed = parse_statement(*find_dialect(dialect), source);
    if (!parsed) continue;
    CHECK(!write_program(parsed->dialect(), *parsed, values).ok());
    TextBuffer out;
    CHECK(!parsed->dialect().render(*parsed, values, out).prints());
  }
}

TEST_CASE("the program of a call has its values, and the call itself") {
  const auto program = [](const char* dialect, const char* source) {
    const std::vector<Value> values = {value("name=ink"), value("x=9.55")};
    const auto parsed = parse_statement(*find_dialect(dialect), source);
    REQUIRE(parsed.ok());
    const auto written = write_program(parsed->dialect(), *parsed, values);
    REQUIRE(written.ok());
    return *written;
  };
  CHECK_THAT(program("java", "System.out.printf(\"%s|%.2f%n\", name, x * 0.76);"),
             Catch::Contains("System.out.printf(\"%s|%.2f%n\", name, x * 0.76);"));
  CHECK_THAT(program("csharp", "$\"{x * 2,10:F2} {name.ToUpper()}\""),
             Catch::Contains("Console.Write(\"{0,10:F2} {1}\", x * 2, name.ToUpper());"));
  CHECK_THAT(
      program("php", "echo \"Total: $x\", PHP_EOL, true, 7;"),
      Catch::Contains("printf(\"%s%s%s%s\", (\"Total: \" . $x . \"\"), (\"\\n\"), (true), (7));"));
  // What is made keeps its word, a function of PHP bears no sign, and Java imports what it names.
  CHECK_THAT(program("php", "echo strlen($name), (new DateTime(\"2031-05-09\"))->format(\"Y\");"),
             Catch::Contains("printf(\"%s%s\", strlen($name), (new DateTime(\"2031-05-09\"))"
                             "->format(\"Y\"));"));
  CHECK_THAT(
      program("csharp", "Console.WriteLine(x.ToString(\"N2\", new CultureInfo(\"de-DE\")));"),
      Catch::Contains("x.ToString(\"N2\", new CultureInfo(\"de-DE\"))"));
  const std::string java = program(
      "java", "System.out.println(new BigDecimal(\"1.10\") + \" \" + LocalDate.of(2031, 5, 9));");
  CHECK_THAT(java, Catch::Contains("import java.math.*;\n"));
  CHECK_THAT(java, Catch::Contains("import java.time.*;\n"));
  CHECK_THAT(java, Catch::Contains("new BigDecimal(\"1.10\")"));
  CHECK_THAT(program("php", "echo \"$x\" * 2;"), Catch::Contains("(\"\" . $x . \"\") * 2"));
  CHECK_THAT(program("rust", "println!(\"{name}|{:.1}|{}\", x * 2.0, x as i32);"),
             Catch::Contains("print!(\"{name}|{:.1}|{}\\n\", x * 2.0, x as i32);"));
  CHECK_THAT(program("javascript", "console.log(name, x > 9 ? `b` : -x);"),
             Catch::Contains("const util = require(\"node:util\");\n"));
  CHECK_THAT(program("javascript", "console.log(name, x > 9 ? `b` : -x);"),
             Catch::Contains("`${util.format(name)} ${util.format((x > (9)) ? `b` : (-x))}\\n`"));
}
