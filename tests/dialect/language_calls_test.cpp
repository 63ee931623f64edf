// Whole calls of Java, C#, PHP, JavaScript and Rust: what they print. The texts are those that javac
// 17, .NET 10, PHP 8.2, Node.js 20 and rustc 1.95 printed of the same lines.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "support/answers.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::show;
using support::Shown;
using support::value;

namespace {

struct Case {
  const char* dialect;
  const char* source;
  std::vector<Value> values;
  const char* text;
};

const std::vector<Case> cases = {
    {"java",
     "System.out.printf(\"%-8s|%6.2f%n\", name, x * 0.76);",
     {value("n=7"), value("x=9.55"), value("name=ink")},
     "ink     |  7.26\n"},
    {"java",
     "System.out.println(\"Total: \" + x * n);",
     {value("n=7"), value("x=9.55")},
     "Total: 66.85000000000001\n"},
    {"java",
     "System.out.println(name + \": \" + n);",
     {value("n=7"), value("name=ink")},
     "ink: 7\n"},
    {"java",
     "System.out.println(n / 2 + \" \" + n / 2.0 + \" \" + n % 4);",
     {value("n=7")},
     "3 3.5 3\n"},
    {"java", "System.out.println(1 + 2 + name + 1 + 2);", {value("name=ink")}, "3ink12\n"},
    {"java",
     "System.out.println(neg / 2 + \",\" + neg % 4 + \",\" + Math.floorMod(neg, 4));",
     {value("neg=-7")},
     "-3,-3,1\n"},
    {"java", "System.out.println((char) (65 + n));", {value("n=7")}, "H\n"},
    {"java",
     "System.out.println((int) x + \" \" + (int) -x + \" \" + Math.round(x));",
     {value("x=9.55")},
     "9 -9 10\n"},
    {"java", "System.out.println('A' + 1);", {}, "66\n"},
    {"java", "System.out.println(\"\" + 'A' + 1);", {}, "A1\n"},
    {"java", "System.out.println(Integer.MAX_VALUE + 1);", {}, "-2147483648\n"},
    {"java", "System.out.println((byte) 200 + \" \" + (short) 70000);", {}, "-56 4464\n"},
    {"java",
     "System.out.println(1 / 3f + \" \" + 1 / 3.0);",
     {},
     "0.33333334 0.3333333333333333\n"},
    {"java", "System.out.println(0.1 + 0.2);", {}, "0.30000000000000004\n"},
    {"java", "System.out.println(0.1f + 0.2);", {}, "0.30000000149011613\n"},
    {"java", "System.out.println(n > 5 ? \"many\" : \"few\");", {value("n=7")}, "many\n"},
    {"java",
     "System.out.println(flag && n > 5);",
     {value("n=7"), value("flag=true:truth")},
     "true\n"},
    {"java",
     "System.out.println(Integer.toHexString(neg) + \" \" + Integer.toBinaryString(n));",
     {value("n=7"), value("neg=-7")},
     "fffffff9 111\n"},
    {"java", "System.out.println(neg >> 1);", {value("neg=-7")}, "-4\n"},
    {"java", "System.out.println(neg >>> 28);", {value("neg=-7")}, "15\n"},
    {"java", "System.out.println(1 << 33);", {}, "2\n"},
    {"java",
     "System.out.println(name.toUpperCase().substring(1) + name.length());",
     {value("name=ink")},
     "NK3\n"},
    {"java",
     "System.out.println(String.format(\"%,.2f\", total) + \" g\");",
     {value("total=1234567.891")},
     "1,234,567.89 g\n"},
    {"java", "System.out.print(String.valueOf(x).concat(\"!\"));", {value("x=9.55")}, "9.55!"},
    {"java", "System.out.println(Math.sqrt(2) * n);", {value("n=7")}, "9.899494936611665\n"},
    {"java",
     "System.out.println(Math.max(n, 8.5) + \" \" + Math.abs(neg));",
     {value("n=7"), value("neg=-7")},
     "8.5 7\n"},
    {"java",
     "System.out.println(x / 0 + \" \" + -x / 0 + \" \" + 0.0 / 0);",
     {value("x=9.55")},
     "Infinity -Infinity NaN\n"},
    {"java",
     "String.format(\"%5d|%-5d|%05d\", n, neg, n * n)",
     {value("n=7"), value("neg=-7")},
     "    7|-7   |00049"},
    {"java",
     "String.format(Locale.GERMANY, \"%,.2f\", total * 1.19)",
     {value("total=1234567.891")},
     "1.469.135,79"},
    {"java",
     "\"%s has %d\".formatted(name, n + 1)",
     {value("n=7"), value("name=ink")},
     "ink has 8"},
    {"java",
     "System.out.println(String.join(\", \", name, \"paper\", \"K-07\"));",
     {value("name=ink")},
     "ink, paper, K-07\n"},
    {"java", "System.out.println(flag ? 1 : 2.5);", {value("flag=true:truth")}, "1.0\n"},
    {"java", "System.out.println((long) 1e19);", {}, "9223372036854775807\n"},
    {"java", "System.out.println(5 & 3 | 8 ^ 2);", {}, "11\n"},
    {"csharp", "$\"{x:F2}\"", {value("x=9.55")}, "9.55"},
    {"csharp",
     "$\"{x * 2,10:F2} g of {name.ToUpper()}|\"",
     {value("x=9.55"), value("name=ink")},
     "     19.10 g of INK|"},
    {"csharp", "$\"{{{n}}}\"", {value("n=7")}, "{7}"},
    {"csharp",
     "Console.WriteLine($\"{n}/{neg}: {(double)n / neg:F3}\");",
     {value("n=7"), value("neg=-7")},
     "7/-7: -1.000\n"},
    {"csharp",
     "Console.WriteLine($\"{(n > 5 ? \"many\" : \"few\"),-6}|\");",
     {value("n=7")},
     "many  |\n"},
    {"csharp",
     "Console.WriteLine(\"{0:F2} {1}\", w, n / 2);",
     {value("n=7"), value("w=2.675")},
     "2.67 3\n"},
    {"csharp",
     "Console.WriteLine(\"Total: \" + x * n);",
     {value("n=7"), value("x=9.55")},
     "Total: 66.85000000000001\n"},
    {"csharp", "Console.WriteLine(1 + 2 + name + 1 + 2);", {value("name=ink")}, "3ink12\n"},
    {"csharp", "Console.WriteLine(neg / 2 + \",\" + neg % 4);", {value("neg=-7")}, "-3,-3\n"},
    {"csharp", "Console.WriteLine((char)(65 + n));", {value("n=7")}, "H\n"},
    {"csharp",
     "Console.WriteLine((int)x + \" \" + (int)-x + \" \" + Math.Round(x));",
     {value("x=9.55")},
     "9 -9 10\n"},
    {"csharp", "Console.WriteLine('A' + 1);", {}, "66\n"},
    {"csharp", "Console.WriteLine(\"\" + 'A' + 1);", {}, "A1\n"},
    {"csharp",
     "Console.WriteLine(1 / 3f + \" \" + 1 / 3.0);",
     {},
     "0.33333334 0.3333333333333333\n"},
    {"csharp", "Console.WriteLine(0.1 + 0.2);", {}, "0.30000000000000004\n"},
    {"csharp", "Console.WriteLine(0.1f + 0.2);", {}, "0.30000000149011613\n"},
    {"csharp",
     "Console.WriteLine(flag && n > 5);",
     {value("n=7"), value("flag=true:truth")},
     "True\n"},
    {"csharp", "Console.WriteLine(n + 3u);", {value("n=7")}, "10\n"},
    {"csharp", "Console.WriteLine(-5u);", {}, "-5\n"},
    {"csharp", "Console.WriteLine(neg >> 1);", {value("neg=-7")}, "-4\n"},
    {"csharp", "Console.WriteLine(neg >>> 28);", {value("neg=-7")}, "15\n"},
    {"csharp",
     "Console.WriteLine(name.PadLeft(6, '*') + name.Length);",
     {value("name=ink")},
     "***ink3\n"},
    {"csharp",
     "Console.WriteLine(w.ToString(\"F2\") + \"|\" + n.ToString(\"D4\") + \"|\" + "
     "total.ToString(\"N0\"));",
     {value("n=7"), value("total=1234567.891"), value("w=2.675")},
     "2.67|0007|1,234,568\n"},
    {"csharp",
     "Console.WriteLine(Math.Round(w, 2) + \" \" + Math.Round(2.5) + \" \" + Math.Round(3.5));",
     {value("w=2.675")},
     "2.68 2 4\n"},
    {"csharp",
     "Console.WriteLine(string.Join(\", \", name, n, x));",
     {value("n=7"), value("x=9.55"), value("name=ink")},
     "ink, 7, 9.55\n"},
    {"csharp",
     "Console.WriteLine(x / 0 + \" \" + -x / 0);",
     {value("x=9.55")},
     "Infinity -Infinity\n"},
    {"csharp",
     "Console.WriteLine(Math.Max(n, 8.5) + \" \" + Math.Abs(neg));",
     {value("n=7"), value("neg=-7")},
     "8.5 7\n"},
    {"csharp", "Console.Write(string.Format(\"{0,6:D3}|\", n * 2));", {value("n=7")}, "   014|"},
    {"csharp",
     "string.Format(CultureInfo.InvariantCulture, \"{0:N2}\", total)",
     {value("total=1234567.891")},
     "1,234,567.89"},
    {"csharp",
     "string.Format(new CultureInfo(\"de-DE\"), \"{0:N2}\", total)",
     {value("total=1234567.891")},
     "1.234.567,89"},
    {"csharp",
     "Console.WriteLine(name == \"ink\" ? name[0] : 'x');",
     {value("x=9.55"), value("name=ink")},
     "i\n"},
    {"csharp",
     "Console.WriteLine(Convert.ToString(n, 2).PadLeft(8, '0'));",
     {value("n=7")},
     "00000111\n"},
    {"csharp",
     "Console.WriteLine($\"{total:N0} {total:E2} {0.256:P1}\");",
     {value("total=1234567.891")},
     "1,234,568 1.23E+006 25.6 %\n"},
    {"php",
     "printf(\"%-8s|%6.2f\\n\", $name, $x * 0.76);",
     {value("x=9.55"), value("name=ink")},
     "ink     |  7.26\n"},
    {"php",
     "printf('%-8s|%6.2f\\n', $name, $x);",
     {value("x=9.55"), value("name=ink")},
     "ink     |  9.55\\n"},
    {"php", "echo \"Total: $total\\n\";", {value("total=1234567.891")}, "Total: 1234567.891\n"},
    {"php",
     "echo \"{$name} has $n (50% off)\\n\";",
     {value("n=7"), value("name=ink")},
     "ink has 7 (50% off)\n"},
    {"php", "echo 'no $name here\\n';", {value("name=ink")}, "no $name here\\n"},
    {"php",
     "echo number_format($total, 2), \"\\n\";",
     {value("total=1234567.891")},
     "1,234,567.89\n"},
    {"php",
     "echo number_format($total, 2, ',', '.');",
     {value("total=1234567.891")},
     "1.234.567,89"},
    {"php",
     "echo number_format($total) . \" \" . number_format(0.5) . \" \" . number_format(-1234.5);",
     {value("total=1234567.891")},
     "1,234,568 1 -1,235"},
    {"php", "echo $x * $n . PHP_EOL;", {value("n=7"), value("x=9.55")}, "66.85\n"},
    {"php", "echo 1 + 2 . \"ink\" . 1 + 2;", {}, "3ink3"},
    {"php",
     "echo $neg % 4, \" \", intdiv($neg, 2), \" \", $neg / 2, \" \", $n / 7;",
     {value("n=7"), value("neg=-7")},
     "-3 -3 -3.5 1"},
    {"php",
     "echo (int) $x, \" \", (int) -$x, \" \", round($x), \" \", floor($x);",
     {value("x=9.55")},
     "9 -9 10 9"},
    {"php", "echo PHP_INT_MAX + 1;", {}, "9.2233720368548E+18"},
    {"php", "echo 0.1 + 0.2;", {}, "0.3"},
    {"php", "echo 1 / 3;", {}, "0.33333333333333"},
    {"php", "echo $n > 5 ? \"many\" : \"few\";", {value("n=7")}, "many"},
    {"php", "echo true, false, null, \"|\";", {}, "1|"},
    {"php", "echo 2 ** 10, \" \", 2 ** -1, \" \", -2 ** 2;", {}, "1024 0.5 -4"},
    {"php",
     "echo round($w, 2), \" \", round(1234.5678, -2), \" \", round(5.055, 2), \" \", round(1.955, "
     "2);",
     {value("w=2.675")},
     "2.68 1200 5.06 1.96"},
    {"php",
     "echo str_pad($name, 8, \"*\", STR_PAD_LEFT) . strtoupper($name);",
     {value("name=ink")},
     "*****inkINK"},
    {"php",
     "echo sprintf(\"%05.1f\", $x) . \"|\" . sprintf(\"%'*10s\", $name);",
     {value("x=9.55"), value("name=ink")},
     "009.6|*******ink"},
    {"php", "print sprintf(\"%s\", $x == 9.55);", {value("x=9.55")}, "1"},
    {"php",
     "echo strlen($name) . substr($name, -2) . ucfirst($name);",
     {value("name=ink")},
     "3nkInk"},
    {"php",
     "echo 7.0, \" \", 1e20, \" \", 1.5e-7, \" \", 100000000000000000000;",
     {},
     "7 1.0E+20 1.5E-7 1.0E+20"},
    {"php",
     "echo $flag ? implode(\", \", [1, 2.5, \"ink\"]) : \"\";",
     {value("flag=true:truth")},
     "1, 2.5, ink"},
    {"php", "echo dechex(255) . \" \" . decbin(5);", {}, "ff 101"},
    {"php",
     "echo max(3, 7.5, $n), \" \", min($n, $neg), \" \", abs($neg);",
     {value("n=7"), value("neg=-7")},
     "7.5 -7 7"},
    {"php", "echo str_repeat(\"=\", 12), \"\\n\";", {}, "============\n"},
    {"php", "echo 10 % 3 * 2 - 1 . \"!\";", {}, "1!"},
    {"javascript",
     "console.log(`${x.toFixed(2)} g of ${name.toUpperCase()}`);",
     {value("x=9.55"), value("name=ink")},
     "9.55 g of INK\n"},
    {"javascript", "console.log(x * n);", {value("n=7"), value("x=9.55")}, "66.85000000000001\n"},
    {"javascript",
     "console.log(\"Total:\", x * n);",
     {value("n=7"), value("x=9.55")},
     "Total: 66.85000000000001\n"},
    {"javascript",
     "console.log(name + \": \" + n);",
     {value("n=7"), value("name=ink")},
     "ink: 7\n"},
    {"javascript",
     "console.log(n, neg, name, flag, null);",
     {value("n=7"), value("name=ink"), value("flag=true:truth"), value("neg=-7")},
     "7 -7 ink true null\n"},
    {"javascript", "console.log(0.1 + 0.2);", {}, "0.30000000000000004\n"},
    {"javascript", "console.log(-0, 0 / 0, 1 / 0);", {}, "-0 NaN Infinity\n"},
    {"javascript", "console.log(total.toFixed(2));", {value("total=1234567.891")}, "1234567.89\n"},
    {"javascript",
     "console.log(total.toLocaleString(\"de-DE\"));",
     {value("total=1234567.891")},
     "1.234.567,891\n"},
    {"javascript",
     "console.log(n / 2, n % 4, neg % 4);",
     {value("n=7"), value("neg=-7")},
     "3.5 3 -3\n"},
    {"javascript",
     "console.log((255).toString(16), n.toString(2).padStart(8, \"0\"));",
     {value("n=7")},
     "ff 00000111\n"},
    {"javascript",
     "console.log(1e21, 1e-7, 123456789012345680000);",
     {},
     "1e+21 1e-7 123456789012345680000\n"},
    {"javascript",
     "console.log(w.toFixed(2), (1.005).toFixed(2));",
     {value("w=2.675")},
     "2.67 1.00\n"},
    {"javascript", "console.log(`${n}` + 1);", {value("n=7")}, "71\n"},
    {"javascript", "console.log(\"1\" + n, n + 1);", {value("n=7")}, "17 8\n"},
    {"javascript",
     "process.stdout.write(`${n} of ${x}\\n`);",
     {value("n=7"), value("x=9.55")},
     "7 of 9.55\n"},
    {"javascript",
     "process.stdout.write(x.toFixed(1) + \"\\n\");",
     {value("n=7"), value("x=9.55")},
     "9.6\n"},
    {"javascript",
     "console.log(Math.round(x) + Math.max(n, 8));",
     {value("n=7"), value("x=9.55")},
     "18\n"},
    {"javascript", "console.log(\"100%\");", {}, "100%\n"},
    {"javascript", "console.error(`${name.padEnd(6)}|`);", {value("name=ink")}, "ink   |\n"},
    {"javascript",
     "console.log(String(n).padStart(3, \"0\") + \"|\" + name.repeat(2));",
     {value("n=7"), value("name=ink")},
     "007|inkink\n"},
    {"javascript",
     "console.log(n > 5 ? \"many\" : \"few\", n === 7 && flag, !name);",
     {value("n=7"), value("name=ink"), value("flag=true:truth")},
     "many true false\n"},
    {"javascript", "console.log(`${n} lot${n === 1 ? \"\" : \"s\"}`);", {value("n=7")}, "7 lots\n"},
    {"javascript",
     "console.log(n ** 2, 2 ** 0.5, -7 % 3, 7 >>> 1, ~n, n & 3);",
     {value("n=7")},
     "49 1.4142135623730951 -1 3 -8 3\n"},
    {"javascript", "console.log(null ?? \"none\", 0 || \"zero\", \"\" && 1);", {}, "none zero \n"},
    {"javascript",
     "console.log(\"b\" > \"a\", \"10\" < 9, null == 0, NaN === NaN);",
     {},
     "true false false false\n"},
    {"rust",
     "println!(\"{:>8}|{:.2}\", name, x * 0.76);",
     {value("x=9.55"), value("name=ink")},
     "     ink|7.26\n"},
    {"rust", "println!(\"{} {}\", n / 2, n % 4);", {value("n=7")}, "3 3\n"},
    {"rust", "println!(\"{} {}\", neg / 2, neg % 4);", {value("neg=-7")}, "-3 -3\n"},
    {"rust",
     "println!(\"{x:.1} {n:05} {name:?}\");",
     {value("n=7"), value("x=9.55"), value("name=ink")},
     "9.6 00007 \"ink\"\n"},
    {"rust",
     "println!(\"{0} {1} {0}\", n + 1, name.to_uppercase());",
     {value("n=7"), value("name=ink")},
     "8 INK 8\n"},
    {"rust",
     "println!(\"{total:.0} {}\", x as i32);",
     {value("x=9.55"), value("total=1234567.891")},
     "1234568 9\n"},
    {"rust", "println!(\"{}\", n as f64 / 2.0);", {value("n=7")}, "3.5\n"},
    {"rust",
     "println!(\"{:?} {}\", flag && n > 5, !flag);",
     {value("n=7"), value("flag=true:truth")},
     "true false\n"},
    {"rust",
     "println!(\"{:#x} {:08b}\", n * 36, n);",
     {value("n=7"), value("x=9.55")},
     "0xfc 00000111\n"},
    {"rust", "println!(\"{}\", name.len());", {value("name=ink")}, "3\n"},
    {"rust", "println!(\"{sum:.1}\", sum = x + 0.25);", {value("x=9.55")}, "9.8\n"},
    {"rust", "print!(\"{}\", x.sqrt().floor());", {value("x=9.55")}, "3"},
    {"rust", "format!(\"{:+e}\", total)", {value("total=1234567.891")}, "+1.234567891e6"},
    {"rust",
     "println!(\"{} {} {}\", (n * 100) as u8, neg as u32, 3.99 as i64);",
     {value("n=7"), value("neg=-7")},
     "188 4294967289 3\n"},
    {"rust", "println!(\"{}\", n.max(9).pow(2));", {value("n=7")}, "81\n"},
    {"rust", "println!(\"{}\", name.repeat(2) == \"inkink\");", {value("name=ink")}, "true\n"},
    {"rust", "println!(\"plain {{}}\");", {}, "plain {}\n"},
};

}  // namespace

TEST_CASE("a call of these languages prints what its program prints") {
  for (const Case& one : cases) {
    CAPTURE(one.dialect, one.source);
    const Shown shown = show(one.dialect, one.source, one.values);
    CHECK(shown.outcome.prints());
    CHECK(shown.text == one.text);
  }
}

TEST_CASE("values without names go to the names of a call in the order in which these come") {
  CHECK(show("java", "System.out.println(b - a);", {value("3"), value("10")}).text == "-7\n");
  CHECK(show("csharp", "$\"{b - a} {b}\"", {value("3"), value("10")}).text == "-7 3");
  CHECK(show("php", "echo $b - $a;", {value("3"), value("10")}).text == "-7");
  CHECK(show("javascript", "console.log(b - a);", {value("3"), value("10")}).text == "-7\n");
}

TEST_CASE("each part of a call stands where it is in its source") {
  const std::string_view source = "Console.WriteLine($\"{n:D3}|{x * 2,8:F1}\");";
  const Result<Template> parsed = parse_statement(*find_dialect("csharp"), source);
  REQUIRE(parsed.ok());
  REQUIRE(parsed->fields().size() == 2);
  const auto text_of = [&](Span span) { return source.substr(span.from, span.to - span.from); };
  CHECK(text_of(parsed->fields()[0].span) == "{n:D3}");
  CHECK(text_of(parsed->fields()[1].span) == "{x * 2,8:F1}");
  std::size_t at = 0;
  for (const Piece& piece : parsed->pieces()) {
    CHECK(piece.source.from == at);
    at = piece.source.to;
  }
  CHECK(at == source.size());
  at = 0;
  for (const Words& words : parsed->dialect().explain(*parsed)) {
    CHECK(words.span.from >= at);
    at = words.span.from;
  }
}

TEST_CASE("a field of an expression shows the value that it has") {
  const Shown shown =
      show("java", "System.out.printf(\"%d|%.2f\", n, x * 2);", {value("n=7"), value("x=1.25")});
  REQUIRE(shown.report.fields.size() == 2);
  CHECK(shown.report.fields[0].value == 0);
  CHECK(shown.report.fields[1].computed.has_value());
  CHECK(describe(*shown.report.fields[1].computed) == "2.5");
}

TEST_CASE("a locale in a call is the one that is printed with") {
  const std::vector<Value> total = {value("total=1234567.891")};
  const Setting german[] = {{"locale", "de-DE"}};
  const char* const root = "String.format(Locale.ROOT, \"%,.2f\", total)";
  CHECK(show("java", root, total).text == "1,234,567.89");
  CHECK(show("java", root, total, german).text == "1,234,567.89");
  CHECK(show("java", "String.format(\"%,.2f\", total)", total, german).text == "1.234.567,89");
  CHECK(show("java", "String.format(Locale.forLanguageTag(\"fr-FR\"), \"%,.1f\", total)", total)
            .text == "1\u202f234\u202f567,9");
  CHECK(show("csharp", "string.Format(CultureInfo.GetCultureInfo(\"de-DE\"), \"{0:N1}\", total)",
             total)
            .text == "1.234.567,9");
  const auto unknown = parse_statement(*find_dialect("java"), "String.format(locale, \"%d\", n)");
  REQUIRE(!unknown.ok());
  CHECK(unknown.error().code == Code::not_supported_yet);
  CHECK(unknown.error().span == Span{14, 20});
}

TEST_CASE("a call that is cut anywhere is answered in these languages, too") {
  for (const Case& one : cases) {
    const std::string_view source = one.source;
    for (std::size_t size = 0; size < source.size(); ++size) {
      const auto parsed = parse_statement(*find_dialect(one.dialect), source.substr(0, size));
      if (!parsed) {
        CHECK(parsed.error().span.to <= size);
        continue;
      }
      TextBuffer out;
      Report report;
      const Outcome outcome = parsed->dialect().render(*parsed, one.values, {}, out, &report);
      CHECK((outcome.prints() || outcome.span().to <= size));
    }
  }
}
