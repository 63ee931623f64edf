// Expressions in insertion chains, asked side by side with the compiler that builds this test: each
// chain stands here once, as source and as itself.

#include <bitset>
#include <catch2/catch.hpp>
#include <cmath>
#include <iomanip>
#include <sstream>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/write/program.hpp"
#include "support/edges.hpp"

using namespace inky;
using support::value;

#pragma GCC diagnostic ignored "-Wconversion"
#pragma GCC diagnostic ignored "-Wparentheses"
#pragma GCC diagnostic ignored "-Wsign-compare"
#pragma GCC diagnostic ignored "-Wunused-value"

namespace {

const Dialect& stream = *find_dialect("cpp-stream");

namespace room {

using namespace std;

const int n = 7;
const int less_than_none = -7;
const unsigned lot = 4000000000U;
const long many = 5000000000L;
const unsigned char byte = 200;
const short shift = -300;
const char mark = 'K';
const bool is_new = true;
const float shade = 1.1F;
const double price = 9.55;
const double rate = 0.76;
const long double exact = 0.1L;
const std::string name = "Zinkweiss";

struct Case {
  const char* source;
  void (*print)(ostream& cout);
};

#define CHAIN(...)                                                      \
  {                                                                     \
    "cout << " #__VA_ARGS__, [](ostream& cout) { cout << __VA_ARGS__; } \
  }

const Case cases[] = {
    CHAIN(n + 1 << ' ' << n - 1 << ' ' << n * 3 << ' ' << n / 2 << ' ' << n % 4),
    CHAIN(less_than_none / 2 << ' ' << less_than_none % 4 << ' ' << -n / 2),
    CHAIN(price* rate << ' ' << price / n << ' ' << n / price << ' ' << 1 / 3.0),
    CHAIN(fixed << setprecision(2) << price * rate << "|" << setw(9) << price - n << "|"),
    CHAIN(shade * 3 << ' ' << shade * 3.0 << ' ' << shade + n << ' ' << setprecision(12)
                    << shade + price),
    CHAIN(setprecision(20) << exact + exact << ' ' << exact * price << ' ' << exact / 3),
    CHAIN(lot + n << ' ' << lot * 2 << ' ' << lot + less_than_none << ' ' << -lot),
    CHAIN(many* n << ' ' << many + lot << ' ' << many - price),
    CHAIN(byte + byte << ' ' << byte << 1 << ' ' << (byte << 1) << ' ' << (byte >> 3)),
    CHAIN(shift + mark << ' ' << mark + 1 << ' ' << char(mark + 1) << ' ' << +mark << +byte),
    CHAIN((n & 3) << ' ' << (n | 8) << ' ' << (n ^ 5) << ' ' << ~n << ' ' << ~lot),
    CHAIN((n << 3) << ' ' << (less_than_none >> 1) << ' ' << (lot >> 4) << ' ' << (1L << 40)),
    CHAIN((n > 5) << (n >= 7) << (n < 7) << (n <= 6) << (n == 7) << (n != 7)),
    CHAIN(boolalpha << (price > 9 && n > 9) << (price > 9 || n > 9) << !is_new
                    << (less_than_none < lot)),
    CHAIN(boolalpha << (0.1 + 0.2 == 0.3) << ' ' << (shade == 1.1) << ' ' << (shade == 1.1F)),
    CHAIN((n > 5 ? "lots" : "lot") << ' ' << (n > 5 ? n : price) << ' ' << (is_new ? 'y' : 'n')),
    CHAIN((is_new ? 1 : 2.5) << ' ' << (!is_new ? 1 : lot) << ' ' << (is_new ? n : mark)),
    CHAIN((int)price << ' ' << (int)-2.7 << ' ' << (unsigned char)(n + 256) << ' ' << (double)n / 2
                     << ' ' << (float)price << ' ' << (long)lot),
    CHAIN(static_cast<int>(price * 100) << ' ' << static_cast<double>(n) / 2 << ' ' << int(2.9)
                                        << ' ' << double(n) << ' ' << static_cast<char>(75)),
    CHAIN(static_cast<short>(70000)
          << ' ' << static_cast<unsigned>(-1) << ' ' << static_cast<bool>(n) << ' ' << bool(0.0)),
    CHAIN(sqrt(2) << ' ' << sqrt(n) << ' ' << pow(1.05, 10) << ' ' << floor(-2.5) << ceil(-2.5)
                  << round(-2.5) << trunc(-2.5)),
    CHAIN(abs(less_than_none) << ' ' << abs(-2.5) << ' ' << fabs(less_than_none) << ' '
                              << fmod(price, rate) << ' ' << fmax(1, 2.5)),
    CHAIN(max(n, 3) << ' ' << min(price, rate) << ' ' << lround(2.5) << ' ' << exp(1) << log(2)),
    CHAIN(M_PI << ' ' << M_PI * n * n << ' ' << setprecision(17) << M_E),
    CHAIN(name + "!" << ' ' << "<" + name + ">" << ' ' << name + mark << ' ' << mark + name),
    CHAIN(name.size() << ' ' << name.length() << ' ' << name.substr(0, 4) << ' ' << name.substr(4)
                      << ' ' << name.substr(2, 3)),
    CHAIN(name[0] << name.at(1) << name.back() << name.front() << name.empty() << (name == "ink")
                  << (name < "ink")),
    CHAIN(string(5, '-') << ' ' << std::string(3, mark) << ' ' << string(n, '=')),
    CHAIN(to_string(n) << ' ' << to_string(price) << ' ' << to_string(1e10) << ' '
                       << to_string(n).size()),
    CHAIN(bitset<8>(n) << ' ' << bitset<4>(lot) << ' ' << bitset<12>(255)),
    CHAIN(setw(12) << quoted(name) << '|' << quoted("say \"ink\"")),
    CHAIN(setw(n + 3) << n << '|' << setfill(char(mark - 10)) << setw(n * 2) << n * 2),
    CHAIN(0x1F + 1 << ' ' << 017 << ' ' << 0b101 << ' ' << 1'000 * 2 << ' ' << 5ULL - 6),
    CHAIN(2147483647 + 1L << ' ' << 2147483648 << ' ' << 'a' + 'b' << ' ' << 1.5e3 / 7),
    CHAIN(1.0 / 0.0 << ' ' << -1 / 0.0 << ' ' << 1e308 * 10),
    CHAIN(setiosflags(ios::fixed | ios::showpos)
          << price << resetiosflags(ios::floatfield) << price),
    CHAIN(hex << showbase << n * 40 << oct << n << dec << n),
    CHAIN(R"(raw \n text)"
          << "two "
             "parts"
          << R"x(")x"),
};

}  // namespace room

const std::vector<Value> values = {value("n=7"),
                                   value("less_than_none=-7"),
                                   value("lot=4000000000:u32"),
                                   value("many=5000000000"),
                                   value("byte=200:u8"),
                                   value("shift=-300:i16"),
                                   value("mark=K:char"),
                                   value("is_new=true:truth"),
                                   value("shade=1.1:f32"),
                                   value("price=9.55"),
                                   value("rate=0.76"),
                                   value("exact=0.1:f80"),
                                   value("name=Zinkweiss")};

// Statements of a stream, which CHAIN has no room for.
struct Statements {
  const char* source;
  void (*run)(std::ostream& cout);
};
#define STATEMENTS(...)                                                   \
  {                                                                       \
#__VA_ARGS__, [](std::ostream& cout) { using namespace std; __VA_ARGS__ } \
  }

const Statements statements[] = {
    STATEMENTS(cout.width(6); cout << 42 << 42;),
    STATEMENTS(cout.fill('*'); cout.width(6); cout << 42; cout.width(6); cout << 7;),
    STATEMENTS(cout.setf(ios::fixed, ios::floatfield); cout.precision(3); cout << 2.5;),
    STATEMENTS(cout.setf(ios::hex); cout << 255;),
    STATEMENTS(cout.setf(ios::hex, ios::basefield); cout << 255; cout.unsetf(ios::hex);
               cout << 255;),
    STATEMENTS(cout.setf(ios::showbase | ios::uppercase); cout << hex << 255;),
    STATEMENTS(cout.setf(ios::fixed); cout.setf(ios::scientific); cout << 2.5;),
    STATEMENTS(cout.flags(ios::oct | ios::showbase); cout << 8 << 2.5; cout << true;),
    STATEMENTS(cout << setw(6); cout.setf(ios::left); cout << 42 << '|';),
    STATEMENTS(cout << left; cout.setf(ios::internal); cout << setw(6) << -42 << '|';),
    STATEMENTS(cout.setf(ios_base::boolalpha); cout << true; cout.unsetf(ios_base::boolalpha);
               cout << true;),
    STATEMENTS(cout; cout << 1;),
};

}  // namespace

TEST_CASE("expressions in a chain print what the compiler's own program prints") {
  for (const room::Case& one : room::cases) {
    INFO(one.source);
    std::ostringstream own;
    one.print(own);
    const support::Answer got = support::answer(stream, one.source, values, {});
    if (!got.outcome.prints()) FAIL_CHECK(got.outcome.why());
    CHECK(got.text == own.str());
  }
}

TEST_CASE("calls of a stream's members set it as the library does") {
  for (const Statements& one : statements) {
    INFO(one.source);
    std::ostringstream own;
    one.run(own);
    const support::Answer got = support::answer(stream, one.source, {}, {});
    if (!got.outcome.prints()) FAIL_CHECK(got.outcome.why());
    CHECK(got.text == own.str());
  }
}

// What a program of it says, read back, prints the same.
TEST_CASE("a chain with expressions is written back from its tree") {
  for (const room::Case& one : room::cases) {
    INFO(one.source);
    const auto parsed = stream.parse(one.source);
    REQUIRE(parsed.ok());
    std::vector<std::string> names;
    for (const Value& given : values) names.emplace_back(given.name());
    const auto call = stream.write_call(*parsed, names);
    REQUIRE(call.ok());
    INFO(call->source);
    CHECK(support::answer(stream, call->source, values, {}).text ==
          support::answer(stream, one.source, values, {}).text);
  }
}

TEST_CASE("what C++ refuses in an expression, or leaves undefined, is reported where it is") {
  constexpr auto at_compile = Outcome::Kind::fails_compile;
  constexpr auto undefined = Outcome::Kind::undefined;
  support::check_failures(
      stream,
      {
          {"cout << 7 % 2.5", {}, at_compile, "error", "% is not for 7 and 2.5", {8, 15}},
          {"cout << ~2.5", {}, at_compile, "error", "no ~ for a real", {8, 12}},
          {"cout << missing + 1", {}, at_compile, "error", "'missing' was not declared", {8, 15}},
          {"cout << true || 7 % 2.5", {}, at_compile, "error", "<< is expected here", {13, 14}},
          {"cout << (true || 7 % 2.5)", {}, at_compile, "error", "% is not for", {17, 24}},
          {"cout << (1 + ", {}, at_compile, "error", "an expression is expected", {13, 13}},
          {"cout << (1 + 2", {}, at_compile, "error", "a closing ) is missing", {8, 14}},
          {"cout << n + 2147483647", {value("n=1")}, undefined, "", "does not fit i32", {8, 22}},
          {"cout << -n", {value("n=-2147483648")}, undefined, "", "does not fit i32", {8, 10}},
          {"cout << 1 / n", {value("n=0")}, undefined, "", "division by zero", {8, 13}},
          {"cout << 1 % n", {value("n=0")}, undefined, "", "division by zero", {8, 13}},
          {"cout << (1 << n)", {value("n=32")}, undefined, "", "a shift by 32", {8, 16}},
          {"cout << (int)x", {value("x=1e10")}, undefined, "", "does not fit i32", {8, 14}},
          {"cout << s[9]", {value("s=ink")}, undefined, "", "beyond the end", {8, 12}},
          {"cout << s.at(9)",
           {value("s=ink")},
           Outcome::Kind::fails_run,
           "std::out_of_range",
           "beyond the end",
           {8, 15}},
          {"cout << max(1, 2.5)", {}, at_compile, "error", "two values of one type", {8, 19}},
          {"cout << (true ? 1 : \"ink\")", {}, at_compile, "error", "no type in common", {8, 26}},
      });
}

TEST_CASE("what is not evaluated may be undefined, and nothing is printed of it") {
  support::check_edges(stream, {
                                   {"cout << (n == 0 || 1 / n > 2)", {value("n=0")}, "1"},
                                   {"cout << (n != 0 && 1 / n > 2)", {value("n=0")}, "0"},
                                   {"cout << (n == 0 ? 7 : 1 / n)", {value("n=0")}, "7"},
                               });
}

TEST_CASE("what is not supported yet in an expression is called that, and never guessed") {
  for (const char* source :
       {"cout << &n", "cout << *p", "cout << n++", "cout << (n = 3)", "cout << sizeof(n)",
        "cout << unknown(3)", "cout << L\"ink\"", "cout << new int", "cout << \"a\" + 1",
        "cout << name.find_first_of('k')", "cout.put('x')", "cout << (n <=> 3)"}) {
    INFO(source);
    const support::Answer got =
        support::answer(stream, source, {value("n=1"), value("p=2"), value("name=ink")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
    CHECK(got.text.empty());
  }
}

TEST_CASE("expressions may nest, up to a limit, and take room, up to one") {
  const auto nested = [](int depth) {
    return "cout << " + std::string(static_cast<std::size_t>(depth), '(') + "1" +
           std::string(static_cast<std::size_t>(depth), ')');
  };
  CHECK(support::answer(stream, nested(20), {}, {}).text == "1");
  CHECK(support::answer(stream, nested(20'000), {}, {}).outcome.as_error().code ==
        Code::not_supported_yet);
  CHECK(support::answer(stream, "cout << " + std::string(100'000, '-') + "1", {}, {})
            .outcome.kind() == Outcome::Kind::error);
  const support::Answer large = support::answer(stream, "cout << string(2000000000, '-')", {}, {});
  REQUIRE(large.outcome.kind() == Outcome::Kind::error);
  CHECK(large.outcome.as_error().code == Code::over_limit);
}
