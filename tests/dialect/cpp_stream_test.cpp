// The dialect `cpp-stream`, asked side by side with the streams of the library this test is built
// with; and why it fails and where, its notes, and what it leaves set.

#include <catch2/catch.hpp>
#include <cmath>
#include <iomanip>
#include <sstream>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& stream = *find_dialect("cpp-stream");
constexpr auto at_compile = Outcome::Kind::fails_compile;

// A manipulator, as source and as itself.
struct Switch {
  const char* name;
  std::ios_base& (*apply)(std::ios_base&);
};
constexpr Switch switches[] = {
    {"left", std::left},
    {"right", std::right},
    {"internal", std::internal},
    {"fixed", std::fixed},
    {"scientific", std::scientific},
    {"hexfloat", std::hexfloat},
    {"defaultfloat", std::defaultfloat},
    {"dec", std::dec},
    {"hex", std::hex},
    {"oct", std::oct},
    {"showbase", std::showbase},
    {"noshowbase", std::noshowbase},
    {"showpos", std::showpos},
    {"noshowpos", std::noshowpos},
    {"showpoint", std::showpoint},
    {"noshowpoint", std::noshowpoint},
    {"uppercase", std::uppercase},
    {"nouppercase", std::nouppercase},
    {"boolalpha", std::boolalpha},
    {"noboolalpha", std::noboolalpha},
};

// A chain that grows, with what the library makes of it.
class Growing {
 public:
  explicit Growing(std::uint64_t seed) : random_(seed) {}

  void set() {
    switch (random_.below(5)) {
      case 0: {
        const int width = random_.below(24);
        source += " << setw(" + std::to_string(width) + ")";
        library << std::setw(width);
        break;
      }
      case 1: {
        const int precision = random_.below(20);
        source += " << std::setprecision(" + std::to_string(precision) + ")";
        library << std::setprecision(precision);
        break;
      }
      case 2: {
        const char fill = random_.pick({'*', '0', ' ', '.'});
        source += std::string(" << setfill('") + fill + "')";
        library << std::setfill(fill);
        break;
      }
      default: {
        const Switch& chosen = switches[random_.below(std::size(switches))];
        source += std::string(" << ") + chosen.name;
        library << chosen.apply;
      }
    }
  }

  void insert() {
    source += " << v" + std::to_string(values.size());
    switch (random_.below(8)) {
      case 0:
        return put(Type::i16, static_cast<short>(random_.whole()));
      case 1:
        return put(Type::u32, static_cast<unsigned>(random_.whole()));
      case 2:
        return put(Type::i64, static_cast<long>(random_.whole()));
      case 3: {
        const bool truth = random_.one_in(2);
        values.push_back(Value::truth(truth));
        library << truth;
        return;
      }
      case 4: {
        const char* text = random_.pick({"ink", "", "Zinkweiß", "-7", "0x1"});
        values.push_back(Value::text(text));
        library << text;
        return;
      }
      case 5: {
        const auto number = static_cast<float>(random_.any_real());
        values.push_back(Value::real(Type::f32, bits_of(number)));
        library << number;
        return;
      }
      default: {
        const double number = random_.any_real();
        values.push_back(Value::real(number));
        library << number;
      }
    }
  }

  void put(Type type, auto number) {
    values.push_back(Value::whole(type, number));
    library << number;
  }

  support::RandomValues& random() { return random_; }

  std::string source = "cout";
  std::vector<Value> values;
  std::ostringstream library;

 private:
  support::RandomValues random_;
};

}  // namespace

TEST_CASE("chains print what the library's own stream prints") {
  const std::uint64_t seed = support::seed(1998);
  INFO("seed " << seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    Growing chain(seed + static_cast<std::uint64_t>(i));
    for (int k = 1 + chain.random().below(4); k > 0; --k) {
      for (int settings = chain.random().below(5); settings > 0; --settings) chain.set();
      chain.insert();
    }
    INFO(chain.source);
    const support::Answer got = support::answer(stream, chain.source, chain.values, {});
    REQUIRE(got.outcome.prints());
    REQUIRE(got.text == chain.library.str());
  }
}

TEST_CASE("the edges of a chain") {
  support::check_edges(
      stream,
      {
          {"cout << fixed << setprecision(2) << setw(9) << x << \"*\";",
           {value("2.675")},
           "     2.67*"},
          {"std::cout<<std::setw(5)<<std::left<<x<<y", {value("7"), value("8")}, "7    8"},
          {"cout << x << endl << 'a' << \"b\" \"c\\n\";", {value("1")}, "1\nabc\n"},
          {"cout << hex << x; cout << y;", {value("255"), value("16")}, "ff10"},
          {"<< x", {value("1")}, "1"},
          {"cout << y << x", {value("x=1"), value("y=2")}, "21"},
          {"cout << x << x", {value("5")}, "55"},
          {"cout /* ink */ << 42 // all\n << -7", {}, "42-7"},
          {"cout << 0x1F << ' ' << 017 << ' ' << 0b101 << ' ' << 1'000", {}, "31 15 5 1000"},
          {"cout << 5u << -5u << 2.5f << 1e5 << .5L", {}, "542949672912.51000000.5"},
          {"cout << true << boolalpha << false << nullptr", {}, "1falsenullptr"},
          {"cout << internal << setw(8) << setfill('0') << x", {value("-42")}, "-0000042"},
          {"cout << internal << showbase << hex << setw(8) << x", {value("255")}, "0x    ff"},
          {"cout << showbase << oct << x << hex << y", {value("8"), value("0")}, "0100"},
          {"cout << setw(w) << x", {value("w=4"), value("x=7")}, "   7"},
          {"cout << setw(6) << x", {value("1.5-2i:complex")}, "(1.5,-2)"},
          {"cout << setw(10) << left << x << '|'", {value("1.5-2i:complex")}, "(1.5,-2)  |"},
          {"cout << x << setw(3) << y", {value("65:i8"), value("66:u8")}, "A  B"},
          {"cout << setprecision(0) << x << fixed << x", {value("2.5")}, "22"},
          {"cout << hexfloat << setprecision(2) << x", {value("2.5")}, "0x1.4p+1"},
          {"cout << showpoint << x << setprecision(3) << x", {value("2")}, "22"},
          {"cout << showpoint << x", {value("2:f64")}, "2.00000"},
          {"cout << flush << setbase(16) << 255 << setbase(7) << 255", {}, "ff255"},
      });
}

TEST_CASE("a chain that does not compile, and one that we do not read yet") {
  support::check_failures(
      stream,
      {
          {"cout << x", {}, at_compile, "error", "'x' was not declared", {8, 9}},
          {"cout << setw(w) << 1", {}, at_compile, "error", "'w' was not declared", {13, 14}},
          {"cout <<", {}, at_compile, "error", "nothing follows <<", {5, 7}},
          {"cout << 1 2", {}, at_compile, "error", "<< is expected here", {10, 11}},
          {"cout << \"ink", {}, at_compile, "error", "a closing \" is missing", {8, 12}},
          {"cout << 08", {}, at_compile, "error", "is not a number of C++", {8, 10}},
          {"cout << setw << 1", {}, at_compile, "error", "needs its argument", {8, 13}},
          {"cout << x", {value("[1]")}, at_compile, "error", "no operator <<", {8, 9}},
          {"cout << x", {value("1:i128")}, at_compile, "error", "ambiguous", {8, 9}},
          {"cout << setfill(\"*\") << 1", {}, at_compile, "error", "needs a char", {16, 19}},
          {"cout << setw(1.5) << 1", {}, at_compile, "error", "a whole number", {13, 16}},
      });
  for (const char* source :
       {"cout.put('x')", "cout << x++", "cout << f(x)", "cout << &x", "cout << sizeof(x)",
        "cout << 99999999999999999999", "cout << 'ab'", "cout << [] {}"}) {
    INFO(source);
    const support::Answer got = support::answer(stream, source, {value("x=1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
    CHECK_FALSE(got.outcome.as_error().remedy.empty());
  }
  for (const char* given : {"1:big", "1.5:f128", "'Ω':char", "2031-05-09:moment"}) {
    INFO(given);
    CHECK(support::answer(stream, "cout << x", {value(given)}, {}).outcome.as_error().code ==
          Code::not_supported_yet);
  }
  CHECK(support::answer(stream, "cout << setw(2000000) << 1", {}, {}).outcome.as_error().code ==
        Code::over_limit);
}

TEST_CASE("a width that does not stay, and settings that do") {
  support::check_notes(
      stream, {
                  {"cout << setw(5) << x << y", {value("1"), value("2")}, "width-used-up"},
                  {"cout << setw(5) << x << \" \" << y", {value("1"), value("2")}, "width-used-up"},
                  {"cout << setw(5) << x << \"*\"", {value("1")}, ""},
                  {"cout << setw(5) << x << setw(5) << y", {value("1"), value("2")}, ""},
                  {"cout << x << setw(5)", {value("1")}, "width-used-up"},
                  {"cout << hex << x << dec", {value("1")}, ""},
                  {"cout << x", {value("65:i8")}, "low-byte-only"},
                  {"cout << fixed << setprecision(2) << x",
                   {value("2.675")},
                   "stored-off-tie settings-left-on"},
              });
  const support::Answer got = support::answer(
      stream, "out << fixed << setprecision(2) << setfill('*') << left << hex << showpos << x",
      {value("1")}, {});
  CHECK(got.report.notes.back().message ==
        "still set afterwards: fixed, a precision of 2, the fill \"*\", left, hex, "
        "showpos; put back by out << defaultfloat << setprecision(6) << setfill(' ') << right << "
        "dec << noshowpos;");
}

// What the note states is true: after it, the stream is as it was.
TEST_CASE("the line that puts settings back does so") {
  const std::uint64_t seed = support::seed(612);
  INFO("seed " << seed);
  for (int i = 0; i < support::cases(5'000); ++i) {
    Growing chain(seed + static_cast<std::uint64_t>(i));
    for (int k = chain.random().below(6); k > 0; --k) chain.set();
    chain.insert();
    const support::Answer got = support::answer(stream, chain.source, chain.values, {});
    REQUIRE(got.outcome.prints());
    std::string undo;
    for (const Note& note : got.report.notes) {
      constexpr std::string_view before = "put back by ";
      if (note.code == Code::settings_left_on)
        undo = note.message.substr(note.message.find(before) + before.size());
    }
    const std::string probe = "cout << 3.14159265 << 255 << -1 << true << setw(4) << 7";
    INFO(chain.source << "; " << undo);
    const support::Answer after =
        support::answer(stream, chain.source + "; " + undo + probe, chain.values, {});
    REQUIRE(after.outcome.prints());
    REQUIRE(after.text == got.text + "3.14159255-11   7");
  }
}
