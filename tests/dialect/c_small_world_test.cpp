// The small world of the dialect `c`, whole: every set of flags with every small width and
// precision on every conversion, over values at the edges, against the C library; and every cut of
// a template.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

// Every source "%[flags][width][.precision]letter" of the small world.
template <typename Use>
void for_each_source(std::string_view flags, char letter, Use use) {
  for (unsigned set = 0; set < 1U << flags.size(); ++set) {
    std::string head = "%";
    for (std::size_t i = 0; i < flags.size(); ++i) {
      if ((set >> i & 1) != 0) head += flags[i];
    }
    for (const char* width : {"", "1", "2", "5", "9"}) {
      for (const char* precision : {"", ".", ".1", ".2", ".6"})
        use(head + width + precision + letter);
    }
  }
}

std::string shown(const std::string& text) {
  return "[" + text + "]";
}

class World {
 public:
  template <typename Argument>
  void compare(const std::string& source, const Value& value, Argument argument) {
    char room[512];
    const int size = std::snprintf(room, sizeof room, source.c_str(), argument);
    const Result<Template> parsed = c_.parse(source);
    out_.clear();
    if (!c_.render(*parsed, {&value, 1}, out_).prints()) FAIL(source);
    const std::string expected(room, static_cast<std::size_t>(size));
    if (out_.view() != expected) {
      FAIL(source << " of " << describe(value) << ": " << shown(expected) << " but "
                  << shown(out_.string()));
    }
    ++compared;
  }

  int compared = 0;

 private:
  const Dialect& c_ = *find_dialect("c");
  TextBuffer out_;
};

}  // namespace

TEST_CASE("the small world of wholes") {
  World world;
  const int values[] = {0, 1, -1, 7, -42, 100, 99999, -2147483647 - 1, 2147483647};
  for (const char letter : std::string_view("diouxX")) {
    const std::string_view flags =
        letter == 'o' || letter == 'x' || letter == 'X' ? "-+ #0" : "-+ 0'";
    for_each_source(flags, letter, [&](const std::string& source) {
      for (const int value : values) world.compare(source, Value::whole(Type::i32, value), value);
    });
  }
  CHECK(world.compared == 6 * 32 * 25 * 9);
}

TEST_CASE("the small world of reals") {
  World world;
  const double values[] = {0.0,        -0.0,  0.5,         1.5,  2.675,  -0.125,   9.995, 99.9996,
                           0.00012345, -1e-5, 123456789.0, 1e22, 5e-324, INFINITY, -NAN};
  for (const char letter : std::string_view("fFeEgGaA")) {
    for_each_source("-+ #0", letter, [&](const std::string& source) {
      for (const double value : values) world.compare(source, Value::real(value), value);
    });
  }
  CHECK(world.compared == 8 * 32 * 25 * 15);
}

TEST_CASE("the small world of texts and characters") {
  World world;
  for (const char* text : {"", "K", "ink", "Zinkweiß", "墨汁", "\x01 \x7f"}) {
    for_each_source("-+ ", 's', [&](const std::string& source) {
      world.compare(source, Value::text_view(text), text);
    });
  }
  for (const int value : {0, 32, 65, 255, 321, -1}) {
    for (const char* source : {"%c", "%1c", "%5c", "%-5c|", "%-1c", "%+c", "% c"}) {
      world.compare(source, Value::whole(Type::i32, value), value);
    }
  }
  CHECK(world.compared == 6 * 8 * 25 + 42);
}

TEST_CASE("a template cut at every byte is read, or refused, and never runs away") {
  const std::string whole = "K-07 %% %+08.2f|%-12.5s|%2$*1$.*3$Lg \\x41\\u03a9 %hhd%lc%n Ω\\";
  const Dialect& c = *find_dialect("c");
  const Value values[] = {Value::real(2.675), Value::text("ink"), Value::whole(Type::i32, 3)};
  for (std::size_t from = 0; from < whole.size(); ++from) {
    for (std::size_t to = from; to <= whole.size(); ++to) {
      const std::string source = whole.substr(from, to - from);
      const Result<Template> parsed = c.parse(source);
      if (!parsed) {
        // Only half of the Ω is refused; everything else is read.
        REQUIRE(parsed.error().code == Code::not_utf8);
        continue;
      }
      std::string again;
      for (const Piece& piece : parsed->pieces())
        again += source.substr(piece.source.from, piece.source.to - piece.source.from);
      REQUIRE(again == source);
      TextBuffer out;
      Report report;
      const Outcome outcome = c.render(*parsed, values, {}, out, &report);
      for (const Note& note : report.notes) REQUIRE(note.span.to <= source.size());
      if (!outcome.prints()) {
        REQUIRE(out.view().empty());
        REQUIRE(outcome.span().to <= source.size());
      }
    }
  }
}

TEST_CASE("past bugs") {
  World world;
  // The estimate of the decimal point was used beyond the range in which it is exact.
  const long double huge = 7.25027173765624394e+4199L;
  uint128 bits = 0;
  std::memcpy(&bits, &huge, 10);
  world.compare("% 14.LG", Value::real(Type::f80, bits), huge);
  // Zero was taken for a number below half of the last place, so rounding down made it negative.
  world.compare("%.2f", Value::real(-0.0), -0.0);
  // A carry out of the first hexadecimal digit of an f80.
  const long double below_two = 1.99999999999999999989L;
  std::memcpy(&bits, &below_two, 10);
  world.compare("%.3La", Value::real(Type::f80, bits), below_two);
}
