// Expressions alone: what they come to in a language. The numbers are those that gcc 12, CPython
// 3.11, Node.js 20, PHP 8.2, javac 17, .NET 10, R 4.2, Octave 7.3, SBCL 2.2 and dash 0.5.12 make of the same expressions.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/statement.hpp"
#include "support/answers.hpp"

using namespace inky;
using support::value;

TEST_CASE("an expression comes to what its language makes of it") {
  struct Case {
    const char* dialect;
    const char* source;
    Type type;
    const char* text;
  };
  const Case cases[] = {
      {"c", "7 / 2", Type::i32, "3"},
      {"c", "n / 2.0", Type::f64, "3.5"},
      {"python", "7 / 2", Type::f64, "3.5"},
      {"python", "-7 // 2", Type::i64, "-4"},
      {"python", "name.upper()", Type::text, "\"INK\""},
      {"javascript", "7 / 2", Type::f64, "3.5"},
      {"javascript", "'1' + n", Type::text, "\"17\""},
      {"javascript", "n > 5", Type::truth, "true"},
      {"php", "intdiv($n, 2)", Type::i64, "3"},
      {"java", "n % 4 * 2", Type::i32, "6"},
      {"csharp", "9.55 * 0.76", Type::f64, "7.258000000000001"},
      {"r", "7 %/% 2", Type::f64, "3"},
      {"octave", "mod(-7, 4)", Type::f64, "1"},
      {"fsharp", "n / 2", Type::i32, "3"},
      {"fsharp", "float n / 2.0", Type::f64, "3.5"},
      {"fsharp", "name.ToUpper() + \"!\"", Type::text, "\"INK!\""},
      {"fsharp", "if n > 5 then 1 else 0", Type::i32, "1"},
      {"fsharp", "[1..n] |> List.sum", Type::i32, "28"},
      {"lisp", "(floor n 2)", Type::i32, "3"},
      {"lisp", "(/ n 2.0)", Type::f32, "3.5"},
      {"lisp", "(/ n 2d0)", Type::f64, "3.5"},
      {"lisp", "(string-upcase name)", Type::text, "\"INK\""},
      {"shell", "n / 2", Type::i64, "3"},
      {"shell", "n > 5 ? n << 2 : 0", Type::i64, "28"},
      {"shell", "010 + 0x1F", Type::i64, "39"},
  };
  const std::vector<Value> values = {value("n=7"), value("name=ink")};
  for (const Case& one : cases) {
    INFO(one.dialect << ": " << one.source);
    const Result<Value> made = compute(*find_dialect(one.dialect), one.source, values);
    REQUIRE(made.ok());
    // Python's whole numbers have no width.
    CHECK((made->type() == one.type || (one.type == Type::i64 && is_whole(made->type()))));
    CHECK(describe(*made) == one.text);
  }
}

TEST_CASE("an expression that comes to nothing is an error at its place") {
  struct Case {
    const char* dialect;
    const char* source;
    Code code;
  };
  const Case cases[] = {
      {"python", "1 // 0", Code::bad_value},
      {"python", "missing + 1", Code::bad_value},
      {"python", "1 +", Code::bad_value},
      {"c", "1 / 0", Code::bad_value},
      {"c", "n n", Code::not_supported_yet},
      {"javascript", "1n + 1", Code::bad_value},
      {"javascript", "new Date()", Code::not_supported_yet},
      {"javascript", "1 +", Code::bad_value},
      {"javascript", "x => x", Code::not_supported_yet},
      {"r", "mad(1)", Code::not_supported_yet},
      {"r", "round()", Code::not_supported_yet},
      {"r", "print(seq_len(0))", Code::not_supported_yet},
      {"r", "strtoi()", Code::not_supported_yet},
      {"r", "median()", Code::not_supported_yet},
      {"r", "rev()", Code::not_supported_yet},
      {"octave", "dot([1 2])", Code::not_supported_yet},
      {"octave", "inv(2)", Code::not_supported_yet},
      {"fsharp", "1 + 1.0", Code::bad_value},
      {"fsharp", "n / 0", Code::bad_value},
      {"fsharp", "fun v -> v", Code::not_supported_yet},
      {"lisp", "(/ n 0)", Code::bad_value},
      {"lisp", "(expt 1/2 3)", Code::not_supported_yet},
      {"lisp", "(+ n", Code::bad_value},
      {"lisp", "(+ n name)", Code::bad_value},
      {"shell", "n / 0", Code::bad_value},
      {"shell", "n +", Code::bad_value},
      {"shell", "n = 5", Code::not_supported_yet},
      {"shell", "missing + 1", Code::not_supported_yet},
      {"python", "", Code::bad_value},
  };
  const std::vector<Value> values = {value("n=7")};
  for (const Case& one : cases) {
    INFO(one.dialect << ": " << one.source);
    const Result<Value> made = compute(*find_dialect(one.dialect), one.source, values);
    REQUIRE_FALSE(made.ok());
    CHECK(made.error().code == one.code);
    CHECK(made.error().span.to <= std::string_view(one.source).size());
    CHECK_FALSE(made.error().remedy.empty());
  }
}

TEST_CASE("an expression over the limit of a template is none") {
  const std::string long_sum = "1" + std::string(most_template, ' ') + "+ 1";
  for (const Dialect* dialect : all_dialects()) {
    const Result<Value> made = compute(*dialect, long_sum, {});
    REQUIRE_FALSE(made.ok());
    CHECK(made.error().code == Code::over_limit);
  }
}
