// Expressions in f-strings of Python: what CPython 3.11 printed of each, for values of these names;
// why others fail, and where.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& python = *find_dialect("python");

const std::vector<Value> values = {value("price=9.55"),
                                   value("n=7"),
                                   value("name=Zinkweiß"),
                                   value("shades=[0.5, 1.25, -2.0]"),
                                   value("batch={code: \"K-07\", mass: 12.5}"),
                                   value("none=nil:nil"),
                                   value("new=true:truth"),
                                   value("when=2031-05-09T14:05:07:moment"),
                                   value("z=3-5i:complex")};

struct Case {
  const char* source;
  const char* text;
};

const Case cases[] = {
    {R"py(f"{price * 2:.2f}")py", R"py(19.10)py"},
    {R"py(f"{price * 0.76:8.2f}|")py", R"py(    7.26|)py"},
    {R"py(f"{n + 1} {n - 1} {n * 3} {n / 2} {n // 2} {n % 4} {n ** 2} {2 ** -1}")py",
     R"py(8 6 21 3.5 3 3 49 0.5)py"},
    {R"py(f"{-n // 2} {-n % 4} {-n ** 2} {(-n) ** 2} {~n} {+n}")py", R"py(-4 1 -49 49 -8 7)py"},
    {R"py(f"{7.5 // 2} {-7.5 // 2} {7.5 % 2} {-7.5 % 2} {7 // 2.0}")py",
     R"py(3.0 -4.0 1.5 0.5 3.0)py"},
    {R"py(f"{n << 3} {n >> 1} {n & 3} {n | 8} {n ^ 5}")py", R"py(56 3 3 15 2)py"},
    {R"py(f"{10 ** 30} {2 ** 100 // 3} {-(10 ** 20) % 7}")py",
     R"py(1000000000000000000000000000000 422550200076076467165567735125 5)py"},
    {R"py(f"{0.1 + 0.2} {0.1 + 0.2 == 0.3} {1 / 3} {1e308 * 10}")py",
     R"py(0.30000000000000004 False 0.3333333333333333 inf)py"},
    {R"py(f"{price > 9} {price > 9 and n < 3} {price > 99 or name} {not n} {1 < n < 9} {1 < n > 9}")py",
     R"py(True False Zinkweiß False True False)py"},
    {R"py(f"{'lots' if n > 5 else 'lot'} {n if n > 9 else -n}")py", R"py(lots -7)py"},
    {R"py(f"{name[0]} {name[-1]} {name[1:4]} {name[::-1]} {name[:-2]} {name[5:]} {name[::2]}")py",
     R"py(Z ß ink ßiewkniZ Zinkwe eiß Znwi)py"},
    {R"py(f"{name.upper()} {name.lower()} {name.title()} {name.swapcase() if False else name.capitalize()}")py",
     R"py(ZINKWEISS zinkweiß Zinkweiß Zinkweiß)py"},
    {R"py(f"{name.ljust(10, '.')}|{name.rjust(10)}|{name.center(11, '*')}|{'7'.zfill(3)}|{'-7'.zfill(4)}")py",
     R"py(Zinkweiß..|  Zinkweiß|**Zinkweiß*|007|-007)py"},
    {R"py(f"{name.replace('k', 'c')} {name.find('w')} {name.count('i')} {name.startswith('Z')} {'nk' in name}")py",
     R"py(Zincweiß 4 2 True True)py"},
    {R"py(f"{', '.join(['a', 'b'])} {'a-b-c'.split('-')} {' a  b '.split()} {'a,b'.partition(',')}")py",
     R"py(a, b ['a', 'b', 'c'] ['a', 'b'] ('a', ',', 'b'))py"},
    {R"py(f"{'  ink '.strip()}|{'xxinkx'.strip('x')}|{'ink'.removesuffix('k')}")py",
     R"py(ink|ink|in)py"},
    {R"py(f"{len(name)} {len(shades)} {len(batch)} {sum(shades)} {min(shades)} {max(shades)} {max(3, n)}")py",
     R"py(8 3 2 -0.25 -2.0 1.25 7)py"},
    {R"py(f"{sorted(shades)} {sorted(shades, reverse=True)} {sorted(name)} {any(shades)} {all([])}")py",
     R"py([-2.0, 0.5, 1.25] [1.25, 0.5, -2.0] ['Z', 'e', 'i', 'i', 'k', 'n', 'w', 'ß'] True True)py"},
    {R"py(f"{shades[0]} {shades[-1]} {shades[1:]} {shades + [1]} {shades * 2} {1.25 in shades}")py",
     R"py(0.5 -2.0 [1.25, -2.0] [0.5, 1.25, -2.0, 1] [0.5, 1.25, -2.0, 0.5, 1.25, -2.0] True)py"},
    {R"py(f"{batch['code']} {batch['mass'] * 2} {batch.get('lot')} {batch.get('lot', 0)} {'mass' in batch}")py",
     R"py(K-07 25.0 None 0 True)py"},
    {R"py(f"{round(price, 1)} {round(2.675, 2)} {round(2.5)} {round(-3.5)} {round(1234, -2)} {round(1e300, 2)}")py",
     R"py(9.6 2.67 2 -4 1200 1e+300)py"},
    {R"py(f"{abs(-n)} {abs(-2.5)} {abs(z)} {int(price)} {int('42')} {float('2.5')} {float(n)} {str(n) + '!'}")py",
     R"py(7 2.5 5.830951894845301 9 42 2.5 7.0 7!)py"},
    {R"py(f"{repr(name)} {name!r} {ascii(name)} {hex(255)} {oct(8)} {bin(5)} {ord('K')} {chr(75)}")py",
     R"py('Zinkweiß' 'Zinkweiß' 'Zinkwei\xdf' 0xff 0o10 0b101 75 K)py"},
    {R"py(f"{divmod(n, 2)} {pow(2, 10)} {format(price, '.3f')} {bool(0)} {list('ink')} {tuple([1])}")py",
     R"py((3, 1) 1024 9.550 False ['i', 'n', 'k'] (1,))py"},
    {R"py(f"{math.sqrt(2)} {math.pi:.4f} {math.floor(-2.5)} {math.ceil(2.1)} {math.hypot(3, 4)} {math.log(100, 10)}")py",
     R"py(1.4142135623730951 3.1416 -3 3 5.0 2.0)py"},
    {R"py(f"{'%.2f' % price} {'%s-%d' % (name, n)} {'%5.1f|' % price}")py",
     R"py(9.55 Zinkweiß-7   9.6|)py"},
    {R"py(f"{none} {none is None} {none or 'nothing'} {new + 1} {new and n}")py",
     R"py(None True nothing 2 7)py"},
    {R"py(f"{z.real} {z * 2} {z + 1} {z / 2} {abs(3+4j)} {z ** 2} {(-8) ** (1/3)}")py",
     R"py(3.0 (6-10j) (4-5j) (1.5-2.5j) 5.0 (-16-30j) (1.0000000000000002+1.7320508075688772j))py"},
    {R"py(f"{when.year} {when:%d.%m.%Y} {when.strftime('%H:%M')} {when.isoformat()} {when > when}")py",
     R"py(2031 09.05.2031 14:05 2031-05-09T14:05:07 False)py"},
    {R"py(f"{n=} {n = } {n + 1 = } {price=:.1f} {name=!s}")py",
     R"py(n=7 n = 7 n + 1 = 8 price=9.6 name=Zinkweiß)py"},
    {R"py(f"{n * 2!r:>6}|{price * 2:{n}.1f}|{price:{n + 3}.{n - 5}f}|")py",
     R"py(    14|   19.1|      9.55|)py"},
    {R"py(f'{"ink" + "!"}' f"{n}" " {n}")py", R"py(ink!7 {n})py"},
    {R"py("plain {n} " f"{n}")py", R"py(plain {n} 7)py"},
    {R"py(f"""{name} is
{n}""")py",
     R"py(Zinkweiß is
7)py"},
    {R"py(rf"\d{n} {name}\n")py", R"py(\d7 Zinkweiß\n)py"},
    {R"py(f"{{}} {{{n}}} {'{'}")py", R"py({} {7} {)py"},
    {R"py(f"{(n, price)} {[n, n]} {{'a': n}} {()} {(n,)}")py",
     R"py((7, 9.55) [7, 7] {'a': n} () (7,))py"},
    {R"py(f"{[1, 2] < [1, 3]} {(1, 2) == (1, 2)} {[1] == (1,)} {'a' < 'b'} {1 == 1.0 == True}")py",
     R"py(True True False True True)py"},
    {R"py(f"{12.0.is_integer()} {n.bit_length()} {(0.5).as_integer_ratio()} {[3, 1].index(1)}")py",
     R"py(True 3 (1, 2) 1)py"},
    {R"py(f"{1_000_000:,} {0x1F} {0b101} {1e3} {.5} {5.} {1j}")py",
     R"py(1,000,000 31 5 1000.0 0.5 5.0 1j)py"},
};

}  // namespace

TEST_CASE("expressions in an f-string print what CPython prints") {
  for (const Case& one : cases) {
    INFO(one.source);
    const support::Answer got = support::answer(python, one.source, values, {});
    if (!got.outcome.prints()) FAIL_CHECK(got.outcome.why());
    CHECK(got.text == one.text);
  }
}

// Written back from its tree, with nothing in it that could leave the literal.
TEST_CASE("an f-string with expressions is written back, or refused") {
  int written = 0;
  for (const Case& one : cases) {
    INFO(one.source);
    const auto parsed = python.parse(one.source);
    REQUIRE(parsed.ok());
    const auto call = python.write_call(*parsed, {});
    if (!call.ok()) {
      CHECK(call.error().code == Code::not_supported_yet);
      continue;
    }
    INFO(call->source);
    REQUIRE(call->literals.size() == 1);
    const Span span = call->literals[0];
    const std::string again = call->source.substr(span.from, span.to - span.from);
    CHECK(support::answer(python, again, values, {}).text == one.text);
    ++written;
  }
  CHECK(written > 25);
}

TEST_CASE("what Python raises in an expression has its name and its place") {
  constexpr auto at_run = Outcome::Kind::fails_run;
  constexpr auto at_compile = Outcome::Kind::fails_compile;
  support::check_failures(
      python,
      {
          {"f\"{1 / 0}\"", {}, at_run, "ZeroDivisionError", "division by zero", {3, 8}},
          {"f\"{1 // 0.0}\"", {}, at_run, "ZeroDivisionError", "modulo by zero", {3, 11}},
          {"f\"{missing + 1}\"", {}, at_run, "NameError", "'missing' is not defined", {3, 10}},
          {"f\"{'a' + 1}\"", {}, at_run, "TypeError", "for +: 'str' and 'int'", {3, 10}},
          {"f\"{1 < 'a'}\"", {}, at_run, "TypeError", "'<' not supported between", {3, 10}},
          {"f\"{[1][3]}\"", {}, at_run, "IndexError", "list index out of range", {3, 9}},
          {"f\"{'ink'[7]}\"", {}, at_run, "IndexError", "string index out of range", {3, 11}},
          {"f\"{'x'.nope()}\"", {}, at_run, "AttributeError", "no attribute 'nope'", {3, 11}},
          {"f\"{int('x')}\"", {}, at_run, "ValueError", "invalid literal for int()", {3, 11}},
          {"f\"{float('x')}\"", {}, at_run, "ValueError", "could not convert string", {3, 13}},
          {"f\"{len(3)}\"", {}, at_run, "TypeError", "has no len()", {3, 9}},
          {"f\"{min([])}\"", {}, at_run, "ValueError", "of nothing", {3, 10}},
          {"f\"{2.0 ** 2000}\"", {}, at_run, "OverflowError", "out of range", {3, 14}},
          {"f\"{1 << -1}\"", {}, at_run, "ValueError", "negative shift count", {3, 10}},
          {"f\"{round(1e400 * 1)}\"", {}, at_run, "OverflowError", "infinity", {3, 19}},
          {"f\"{'a'['b']}\"", {}, at_run, "TypeError", "must be integers", {3, 11}},
          {"f\"{{1}[0]}\"", {}, at_compile, "SyntaxError", "single '}'", {5, 6}},
          {"f\"{}\"", {}, at_compile, "SyntaxError", "empty expression", {2, 4}},
          {"f\"{1 +}\"", {}, at_compile, "SyntaxError", "an expression is expected", {6, 6}},
          {"f\"{n\"", {}, at_compile, "SyntaxError", "expecting '}'", {2, 4}},
          {"f\"{(1}\"", {}, at_compile, "SyntaxError", "expecting '}'", {2, 6}},
          {"f\"{'a\\n'}\"", {}, at_compile, "SyntaxError", "backslash", {5, 6}},
          {"f\"{n # x}\"", {}, at_compile, "SyntaxError", "'#'", {5, 6}},
          {"f\"{n!x}\"", {}, at_compile, "SyntaxError", "invalid conversion", {4, 6}},
          {"f\"{n if}\"", {}, at_compile, "SyntaxError", "an expression is expected", {7, 7}},
          {"f\"{n}\" x \"\"", {}, at_compile, "SyntaxError", "more follows", {5, 6}},
      });
}

TEST_CASE("what is not supported yet in an expression of Python is called that") {
  for (const char* source :
       {"f\"{(lambda: 1)}\"", "f\"{set(x)}\"", "f\"{range(3)}\"", "f\"{x @ x}\"", "f\"{b'ink'}\"",
        "f\"{x is y}\"", "f\"{max(x, key=hash)}\"", "f\"{{'a', 'b'}}\"[0]", "f\"{1, 2}\"",
        "f\"{x.encode()}\"", "f\"{list(set(x))}\"", "f\"{type(x)}\""}) {
    INFO(source);
    const support::Answer got = support::answer(python, source, {value("x=ink"), value("y=2")}, {});
    if (got.outcome.prints()) {
      // Braces that are doubled hold no expression.
      CHECK(std::string(source).find("{{") != std::string::npos);
      continue;
    }
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}

TEST_CASE("expressions of Python have limits") {
  const auto kind_of = [](const std::string& source) {
    const support::Answer got = support::answer(python, source, {}, {});
    return got.outcome.kind() == Outcome::Kind::error ? name_of(got.outcome.as_error().code)
                                                      : std::string_view("none");
  };
  CHECK(kind_of("f\"{9 ** 9 ** 9}\"") == "over-limit");
  CHECK(kind_of("f\"{'x' * 10 ** 9}\"") == "over-limit");
  CHECK(kind_of("f\"{[1] * 10 ** 9}\"") == "over-limit");
  CHECK(kind_of("f\"{1 << 10 ** 9}\"") == "over-limit");
  CHECK(kind_of("f\"{'ab'.replace('', 'x' * 10 ** 7)}\"") == "over-limit");
  CHECK(kind_of("f\"{'x'.center(10 ** 12)}\"") == "over-limit");
  CHECK(kind_of("f\"{" + std::string(5000, '(') + "1" + std::string(5000, ')') + "}\"") ==
        "not-supported-yet");
  CHECK(kind_of("f\"{" + std::string(20, '(') + "1" + std::string(20, ')') + "}\"") == "none");
  CHECK(kind_of("f\"{" + std::string(50'000, '-') + "1}\"") == "not-supported-yet");
}
