// Texts of C# without escapes, in calls and with slots. The texts are those that .NET 10 printed of the
// same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "inky_margin/dialect/statement.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("verbatim and raw texts of C# print what the runtime prints") {
  const std::vector<PrintingCall> calls = {
      {"$@\"C:\\{name} \"\"q\"\" {x:F1}\"",
       {value("x=9.55"), value("name=ink")},
       "C:\\ink \"q\" 9.6"},
      {"@$\"{n}\\{n}\"", {value("n=7")}, "7\\7"},
      {"$\"\"\"{name} \"quoted\" {n}\"\"\"", {value("n=7"), value("name=ink")}, "ink \"quoted\" 7"},
      {"$$\"\"\"{ {{n}} }\"\"\"", {value("n=7")}, "{ 7 }"},
      {"$\"\"\"\"\"{name} \"\"\"\" x\"\"\"\"\"",
       {value("x=9.55"), value("name=ink")},
       "ink \"\"\"\" x"},
      {"$@\"{{{n}}}\"", {value("n=7")}, "{7}"},
      {"Console.WriteLine(@\"C:\\ink {0}\", n);", {value("n=7")}, "C:\\ink 7\n"},
      {"Console.WriteLine(@\"say \"\"{0}\"\"\", name);", {value("name=ink")}, "say \"ink\"\n"},
      {"Console.WriteLine(\"\"\"say \"{0}\" \\n\"\"\", name);",
       {value("name=ink")},
       "say \"ink\" \\n\n"},
      {"Console.WriteLine(@\"plain\\n\");", {}, "plain\\n\n"},
      {"Console.WriteLine($@\"{name}\\{n + 1}\");", {value("n=7"), value("name=ink")}, "ink\\8\n"},
      {"Console.WriteLine(@\"a\\b\" + name);", {value("name=ink")}, "a\\bink\n"},
      {"string.Format(@\"{0:F2}\\\", x)", {value("x=9.55")}, "9.55\\"},
      {"Console.WriteLine($$\"\"\"{{{n}}}\"\"\");", {value("n=7")}, "{7}\n"},
      {"Console.WriteLine($\"{n}{{}}\");", {value("n=7")}, "7{}\n"},
  };
  support::check_calls("csharp", calls);
}

TEST_CASE("what no interpolated text of C# is, is refused at its place") {
  struct Case {
    const char* source;
    Code code;
  };
  const Case cases[] = {
      {"$\"{n\"", Code::not_supported_yet},
      {"$@\"{n}", Code::bad_template},
      {"$\"\"\"{{n}}\"\"\"", Code::bad_template},
      {"$$\"{n}\"", Code::not_supported_yet},
      {"$$\"\"\"}}\"\"\"", Code::bad_template},
      {"$\"\"\"\n{n}\n\"\"\"", Code::not_supported_yet},
      {"Console.WriteLine(@\"a);", Code::bad_template},
      {"Console.WriteLine(\"\"\"a\"\");", Code::bad_template},
  };
  for (const Case& one : cases) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect("csharp"), one.source);
    REQUIRE(!parsed.ok());
    CHECK(parsed.error().code == one.code);
    CHECK(parsed.error().span.to <= std::string_view(one.source).size());
  }
}
