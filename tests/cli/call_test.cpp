// Whole calls at the command line: a line of a program, pasted as it is.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "support/process.hpp"

using support::Ran;
using support::run_tool;

TEST_CASE("show reads a call, and marks its fields where they are") {
  const Ran ran =
      run_tool(R"(show 'printf("%-8s|%6.2f\n", name, price * 0.76);' name=ink price=9.55)");
  CHECK(ran.status == 0);
  CHECK(ran.err.empty());
  CHECK(ran.out ==
        "  c         printf(\"%-8s|%6.2f\\n\", name, price * 0.76);\n"
        "\n"
        "            ────┴────1────┴─\n"
        "            ink·····|··7.26⏎\n"
        "            └──1───┘ └─2──┘ \n"
        "\n"
        "  1         %-8s   8 bytes     from \"ink\" text\n"
        "  2         %6.2f  6 bytes     from 7.258000000000001 f64\n");
}

TEST_CASE("the language of a call is seen from it, where only one has it") {
  CHECK(run_tool(R"(show --bare 'print(f"{n + 1}")' n=2)").out == "3\n");
  CHECK(run_tool(R"(show --bare 'printf("%d", n)' 2)").out == "2");
  CHECK(run_tool(R"(show --bare --in python '"%5.1f" % x' x=2.5)").out == "  2.5");
  // A template is a template.
  CHECK(run_tool(R"(show --bare 'print: %d' 2)").out == "print: 2");
  CHECK(run_tool(R"(show --bare 'String.format("%d", n / 2)' 7)").out == "3");
  CHECK(run_tool(R"(show --bare 'System.out.printf("%d%n", n)' 7)").out == "7\n");
  CHECK(run_tool(R"(show --bare '$"{n * 2:D3}"' n=7)").out == "014");
  CHECK(run_tool(R"(show --bare 'printf("%d\n", $n + 1);' n=7)").out == "8\n");
  CHECK(run_tool(R"(show --bare 'echo number_format($n, 2);' n=1234.5)").out == "1,234.50");
  CHECK(run_tool(R"(show --bare 'console.log(`${n > 1 ? "lots" : "lot"}`)' n=2)").out == "lots\n");
  CHECK(run_tool(R"(show --bare 'println!("{:>5}|{x:.1}", n + 1);' n=2 x=2.5)").out ==
        "    3|2.5\n");
  CHECK(run_tool(R"(show --bare 'disp(355/113)')").out == "3.1416\n");
  CHECK(run_tool(R"(show --bare 'cat(round(x, 1), "\n")' x=2.55)").out == "2.5 \n");
  CHECK(run_tool(R"(show --bare 'String line = String.format("%03d", n);' n=7)").out == "007");
  CHECK(run_tool(R"(show --bare '$out .= sprintf("%.1f", $x);' x=2.55)").out == "2.5");
}

TEST_CASE("a call without values is explained in words") {
  const Ran ran = run_tool(R"(show 'printf("%5d\n", n + 1)')");
  CHECK(ran.status == 0);
  CHECK_THAT(ran.out, Catch::Contains("calls printf"));
  CHECK_THAT(ran.out, Catch::Contains("at least 5"));
  CHECK_THAT(ran.out, Catch::Contains("values named n"));
}

TEST_CASE("a call has a program, an answer in JSON, and other languages beside it") {
  const Ran program = run_tool(R"(show 'printf("%.1f\n", sqrt(x));' x=2.0 --program)");
  CHECK(program.status == 0);
  CHECK_THAT(program.out, Catch::Contains("#include <math.h>\n"));
  CHECK_THAT(program.out, Catch::Contains("  double x = 2.0;\n  printf(\"%.1f\\n\", sqrt(x));\n"));
  const Ran python = run_tool(R"(show --in python 'print(f"{math.sqrt(x):.3f}")' x=2.0 --program)");
  CHECK(python.out == "import math\nx = 2.0\nprint(f\"{math.sqrt(x):.3f}\\n\", end=\"\")\n");
  const auto answer =
      nlohmann::json::parse(run_tool(R"(show 'printf("%d|", n * 2);' n=4 --json)").out);
  CHECK(answer["text"] == "8|");
  CHECK(answer["dialect"] == "c");
  CHECK(answer["fields"][0]["span"] == nlohmann::json({8, 10}));
  const Ran beside = run_tool(R"(show 'printf("%.1f\n", x * 2);' x=0.125 --beside java)");
  CHECK(beside.status == 1);
  CHECK_THAT(beside.out, Catch::Contains("half-away"));
}

TEST_CASE("the real compiler's program agrees about a call, asked anew") {
  for (
      const char* command :
      {R"(show 'printf("%-8s|%6.2f\n", name, price * 0.76);' name=ink price=9.55 --witness)",
       R"(show 'printf("%d %s\n", n % 4, n > 1 ? "lots" : "lot");' 7 --witness)",
       R"(show --in cpp-stream 'cout << setw(8) << (a + b) / 2.0 << sqrt(a) << endl' 3 4 --witness)",
       R"(show 'print(f"{price * 2:.2f} {name.upper()!r}")' name=ink price=9.55 --witness)",
       // The compiler of C# warns about a value that is not used, where it is not told not to.
       R"(show --in csharp 'Console.WriteLine("{0}", n);' n=7 lot=3 --witness)",
       R"(show --in php 'echo strlen("ink"), (new DateTime("2031-05-09"))->format("d.m.Y");' --witness)",
       R"(show --in java 'System.out.println(NumberFormat.getCurrencyInstance(Locale.US).format(1234.5));' --witness)",
       R"(show --in csharp 'Console.WriteLine(2.5.ToString("C", new CultureInfo("de-DE")));' --witness)",
       R"(show --in python 'print("%5.1f" % (x ** 2))' x=1.5 --witness)"}) {
    INFO(command);
    const Ran ran = run_tool(command);
    CHECK(ran.status == 0);
    CHECK((ran.out.find("the same") != std::string::npos ||
           ran.out.find("missing") != std::string::npos));
  }
}

TEST_CASE("a call that cannot be read is an error at its place") {
  const Ran unread = run_tool(R"(show --in c 'printf("%d", n++ + n);' 7)");
  CHECK(unread.status == 2);
  CHECK(unread.out.empty());
  CHECK_THAT(unread.err, Catch::Contains("the operator ++ here is not supported yet"));
  CHECK_THAT(unread.err, Catch::Contains("▔"));
  const Ran open = run_tool(R"(show 'printf("%d", n' 7)");
  CHECK(open.status == 2);
  CHECK_THAT(open.err, Catch::Contains("a closing ) is missing"));
}

TEST_CASE("an expression alone is seen by its method, where no call that prints has it") {
  CHECK(run_tool(R"(show --bare 'price.toFixed(2)' price=2.675)").out == "2.67");
  const Ran several = run_tool(R"(show 'price.ToString("N2")' price=3.5)");
  CHECK(several.status == 2);
  CHECK_THAT(several.err, Catch::Contains("csharp, fsharp"));
  CHECK(run_tool(R"(show --bare --in csharp 'price.ToString("N2")' price=3.5)").out == "3.50");
  // R prints it as its session does; the facility that formats reads such calls as templates.
  CHECK(run_tool("show --bare --in r 'round(2.675, 2)'").out == "[1] 2.67\n");
  CHECK(run_tool(R"(show --bare --in r 'weekdays(as.Date("2031-05-09"))')").out ==
        "[1] \"Friday\"\n");
  CHECK(run_tool("show --bare --in r-format 'format(x, nsmall=2)' x=2.5").out == "2.50");
  CHECK(run_tool("show --bare --in r '%.1f (x)' 2.5").out == "2.5 (x)");
  // A function alone may be text of C.
  CHECK(run_tool("show --bare 'round(2)'").out == "round(2)");
}

TEST_CASE("a value may be an expression of the language") {
  CHECK(run_tool(R"(show --bare '%.2f' '=9.55*0.76')").out == "7.26");
  CHECK(run_tool(R"(show --bare '%d|%d' '=7/2' =-7%4)").out == "3|-3");
  CHECK(run_tool(R"(show --bare --in python '{:.3f}|{a}' =1/3 'a==2**70 + n' n=1)").out ==
        "0.333|1180591620717411303425");
  CHECK(run_tool(R"(show --bare --in python '{n}|{m:.3f}' n=2 m==n/3)").out == "2|0.667");
  CHECK(run_tool(R"(show --bare --in javascript '${x}' 'x==Math.max(1, 2) + "a"')").out == "2a");
  CHECK(run_tool(R"(show --bare --in r '%s' '=paste0("a", 1:2)')").out == "a1\na2");
  // In quotes it is a text, and so is what has no second sign.
  CHECK(run_tool(R"(show --bare '%s' '"=1+1":text')").out == "=1+1");
  const Ran missing = run_tool(R"(show '%d' '=n + 1')");
  CHECK(missing.status == 2);
  CHECK_THAT(missing.err, Catch::Contains("=n + 1\n"));
  const Ran zero = run_tool(R"(show --in python '{}' '=1//0')");
  CHECK(zero.status == 2);
  CHECK_THAT(zero.err, Catch::Contains("ZeroDivisionError"));
  CHECK(run_tool(R"(show --bare --in lisp '~a' '=(/ 7 2.0)')").out == "3.5");
  CHECK(run_tool(R"(show --bare --in fsharp '%d' '=max 3 7')").out == "7");
  CHECK(run_tool(R"(show --bare --in shell '%d' '=7 / 2 + 1')").out == "4");
  CHECK(run_tool(R"(show --bare --in lisp '~a' '=(/ 7 2)')").out == "7/2");
  const Ran symbol = run_tool(R"(show --in lisp '~a' "='ink")");
  CHECK(symbol.status == 2);
  CHECK_THAT(symbol.err, Catch::Contains("not supported yet"));
}

TEST_CASE("several statements that declare all they print need no values") {
  const Ran ran = run_tool(R"(show 'int n = 7; printf("%d\n", n);')");
  CHECK(ran.status == 0);
  CHECK_THAT(ran.out, Catch::Contains("from 7 i32"));
  const Ran takes = run_tool(R"(show 'int n = 7; printf("%d %s\n", n, name);')");
  CHECK_THAT(takes.out, Catch::Contains("values named name\n"));
  CHECK(run_tool(R"(show --bare 'int n = k / 2; cout << n << "|" << k << endl;' k=7)").out ==
        "3|7\n");
  CHECK(run_tool(R"(show --bare 'cout << setw(5) << x << endl' x=2.5)").out == "  2.5\n");
  const Ran witness = run_tool(R"(show 'int n = 7; printf("%d\n", n);' --program)");
  CHECK(witness.status == 2);
  CHECK_THAT(witness.err, Catch::Contains("several statements"));
}

TEST_CASE("a value with a name reaches the program as the template takes it, asked anew") {
  for (const char* command : {
           "python '{:.2f}' d=1.5",
           "python '{d:{w}} {}' 7 d=1.5 w=9",
           "python '{d.real} {d[0]}' d=1.5",
           "python '{d!r:>6} {}' d=1.5 e=3 7",
           "python '{} {{d}}' d=1.5",
           "python-percent '%(d).2f' d=1.5 e=2",
           "python-percent '%d' 3",
           "rust '{}' d=1.5",
           "rust '{d:w$.1} {}' 8 d=1.5 w=9 e=2",
           "rust '{:>w$}|{:.*}' ink 2 1.5 w=9",
           "rust '{:1$}' 1.5 9",
           "rust 'println!(\"{:1$}\", x, n)' x=1.5 n=7",
       }) {
    INFO(command);
    const Ran ran = run_tool("show --witness --in " + std::string(command));
    CHECK((ran.out.find("the same") != std::string::npos ||
           ran.out.find("as was said") != std::string::npos ||
           ran.out.find("missing") != std::string::npos));
    CHECK(ran.out.find("it was said that") == std::string::npos);
  }
  // The whole mapping is the value there.
  const Ran mapping = run_tool("show --witness --in python-percent '%s' d=1.5");
  CHECK(mapping.status == 2);
  CHECK_THAT(mapping.err, Catch::Contains("without keys is not supported yet"));
}
