// The dialect `c` against the C library itself: the same template and values through both, to the
// byte, over every conversion, flag, width, precision, length and class of value.

#include <clocale>
#include <cstdio>
#include <cstring>
#include <variant>

#include <catch2/catch.hpp>

#include "inky_margin/dialect/dialect.hpp"
#include "support/random_values.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

using namespace inky;

namespace {

using Argument = std::variant<int, unsigned, long, unsigned long, double, long double, const char*,
                              const wchar_t*, void*>;

// What one field needs: its source, our values, and the same values for C.
struct Case {
  std::string source;
  std::vector<Value> values;
  std::vector<int> counts;  // for each *
  Argument argument;
};

const char* const texts[] = {
    "",      "ink",         "K-07",  "Zinkweiß",      "墨",
    "naïve", "e\u0301tude", "Ω Ω Ω", "🖨️ press", "a longer run of ink"};
const wchar_t* const wide_texts[] = {
    L"",      L"ink",         L"K-07",  L"Zinkweiß",      L"墨",
    L"naïve", L"e\u0301tude", L"Ω Ω Ω", L"🖨️ press", L"a longer run of ink"};

class Generator {
 public:
  explicit Generator(std::uint64_t seed) : random_(seed) {}

  Case field() {
    switch (random_.below(10)) {
      case 0:
      case 1:
      case 2:
        return whole();
      case 3:
      case 4:
      case 5:
      case 6:
        return real();
      case 7:
        return long_real();
      case 8:
        return text();
      default:
        return random_.one_in(8) ? pointer() : character();
    }
  }
  support::RandomValues& random() { return random_; }

 private:
  std::string flags(std::string_view allowed) {
    std::string out;
    for (const char c : allowed) {
      if (random_.one_in(4)) out += c;
    }
    return out;
  }

  // Width and precision, as digits or *.
  void counts(Case& c, bool precision) {
    if (random_.one_in(2)) count(c, 30);
    if (precision && random_.one_in(2)) {
      c.source += '.';
      if (!random_.one_in(8)) count(c, random_.one_in(30) ? 400 : 25);
    }
  }
  void count(Case& c, int most) {
    const int amount = random_.below(most);
    if (!random_.one_in(5)) {
      if (amount != 0 || c.source.back() == '.') c.source += std::to_string(amount);
      return;
    }
    c.source += '*';
    c.counts.push_back(random_.one_in(4) ? -amount : amount);
    c.values.push_back(Value::whole(Type::i32, c.counts.back()));
  }

  Case whole() {
    const char letter = random_.pick(std::string_view("diouxXbB"));
    const bool is_signed = letter == 'd' || letter == 'i';
    Case c;
    c.source = "%" + flags(letter == 'u' ? "-+ 0'" : is_signed ? "-+ 0'" : "-+ #0");
    counts(c, true);
    const std::string_view length = random_.pick(
        std::to_array<std::string_view>({"", "", "", "hh", "h", "l", "ll", "j", "z", "t"}));
    c.source += length;
    c.source += letter;
    const std::uint64_t bits = random_.one_in(6) ? 0 : random_.whole();
    if (length == "" || length[0] == 'h') {
      const auto number = static_cast<int>(bits);
      if (random_.one_in(2)) {
        c.argument = number;
        c.values.push_back(Value::whole(Type::i32, number));
      } else {
        c.argument = static_cast<unsigned>(number);
        c.values.push_back(Value::whole(Type::u32, static_cast<unsigned>(number)));
      }
    } else if (random_.one_in(2)) {
      c.argument = static_cast<long>(bits);
      c.values.push_back(Value::whole(Type::i64, static_cast<long>(bits)));
    } else {
      c.argument = static_cast<unsigned long>(bits);
      c.values.push_back(Value::whole(Type::u64, bits));
    }
    return c;
  }

  Case real() {
    Case c;
    const char letter = random_.pick(std::string_view("fFeEgGaA"));
    c.source =
        "%" + flags(letter == 'f' || letter == 'F' || letter == 'g' || letter == 'G' ? "-+ #0'"
                                                                                     : "-+ #0");
    counts(c, true);
    if (random_.one_in(8)) c.source += 'l';
    c.source += letter;
    double value = random_.any_real();
    if (random_.one_in(4)) {
      const auto narrow = static_cast<float>(value);
      value = narrow;
      c.values.push_back(Value::real(Type::f32, bits_of(narrow)));
    } else {
      c.values.push_back(Value::real(value));
    }
    c.argument = value;
    return c;
  }

  Case long_real() {
    Case c;
    c.source = "%" + flags("-+ #0");
    counts(c, true);
    c.source += 'L';
    c.source += random_.pick(std::string_view("fFeEgGaA"));
    long double value = static_cast<long double>(random_.any_real()) /
                        static_cast<long double>(1 + random_.below(9));
    if (random_.one_in(20)) value *= 0x1p-16000L;
    if (random_.one_in(20) && std::isfinite(value)) value *= 0x1p+15000L;
    uint128 bits = 0;
    std::memcpy(&bits, &value, 10);
    c.values.push_back(Value::real(Type::f80, bits));
    c.argument = value;
    return c;
  }

  Case text() {
    Case c;
    c.source = "%" + flags("-+ ");
    counts(c, true);
    const auto index = static_cast<std::size_t>(random_.below(static_cast<int>(std::size(texts))));
    c.values.push_back(Value::text_view(texts[index]));
    if (random_.one_in(3)) {
      c.source += "ls";
      c.argument = wide_texts[index];
    } else {
      c.source += 's';
      c.argument = texts[index];
    }
    return c;
  }

  Case character() {
    Case c;
    c.source = "%" + flags("-+ ");
    counts(c, false);
    const char32_t value = random_.pick(std::u32string_view(U"Kk09 ~Ωß墨🖨"));
    const bool as_whole = random_.one_in(3);
    c.source += random_.one_in(2) ? "lc" : "c";
    c.values.push_back(as_whole ? Value::whole(Type::i32, static_cast<int>(value))
                                : Value::character(value));
    c.argument = static_cast<int>(value);
    return c;
  }

  Case pointer() {
    Case c;
    c.source = "%" + flags("-+ ");
    counts(c, false);
    c.source += 'p';
    c.values.push_back(Value());
    c.argument = static_cast<void*>(nullptr);
    return c;
  }

  support::RandomValues random_;
};

constexpr std::size_t room_size = 20000;

// What the C library prints; nothing when it fails.
template <typename... Arguments>
std::optional<std::string> by_library(const std::string& source, Arguments... arguments) {
  static char room[room_size];
  const int size = std::snprintf(room, room_size, source.c_str(), arguments...);
  if (size < 0) return std::nullopt;
  if (static_cast<std::size_t>(size) >= room_size) FAIL(source);
  return std::string(room, static_cast<std::size_t>(size));
}

std::optional<std::string> by_library(const Case& c) {
  return std::visit(
      [&](auto argument) {
        switch (c.counts.size()) {
          case 0:
            return by_library(c.source, argument);
          case 1:
            return by_library(c.source, c.counts[0], argument);
          default:
            return by_library(c.source, c.counts[0], c.counts[1], argument);
        }
      },
      c.argument);
}

std::optional<std::string> by_us(const std::string& source, std::span<const Value> values,
                                 std::string_view locale) {
  const Dialect& c = *find_dialect("c");
  const Result<Template> parsed = c.parse(source);
  if (!parsed) FAIL(source << ": " << parsed.error().message);
  TextBuffer out;
  Report report;
  const Setting setting{"locale", locale};
  const Outcome outcome = c.render(*parsed, values, {{&setting, 1}}, out, &report);
  if (outcome.kind() == Outcome::Kind::fails_run) return std::nullopt;
  if (!outcome.prints()) FAIL(source << ": " << outcome.why());
  return out.string();
}

std::string shown(const std::optional<std::string>& text) {
  return text ? visible(*text) : "a failure";
}

void compare(const std::optional<std::string>& expected, const std::optional<std::string>& ours,
             const std::string& source, std::span<const Value> values) {
  if (expected == ours) return;
  std::string given;
  for (const Value& value : values)
    given += " " + describe(value) + ":" + std::string(name_of(value.type()));
  FAIL("'" << source << "' with" << given << "\n the library: " << shown(expected)
           << "\n we:          " << shown(ours));
}

}  // namespace

TEST_CASE("300,000 random fields print what the C library prints") {
  const std::uint64_t seed = support::seed(20310509);
  INFO("seed " << seed);
  Generator generator(seed);
  const locale_t utf8 = newlocale(LC_ALL_MASK, "C.UTF-8", nullptr);
  REQUIRE(utf8 != nullptr);
  const locale_t before = uselocale(nullptr);
  for (int i = 0; i < support::cases(300'000); ++i) {
    const Case c = generator.field();
    const bool in_utf8 = generator.random().one_in(2);
    uselocale(in_utf8 ? utf8 : before);
    const auto expected = by_library(c);
    uselocale(before);
    compare(expected, by_us(c.source, c.values, in_utf8 ? "C.UTF-8" : "C"), c.source, c.values);
  }
  freelocale(utf8);
}

TEST_CASE("two fields and literals in one template, in order and by position") {
  const std::uint64_t seed = support::seed(42);
  INFO("seed " << seed);
  Generator generator(seed);
  const std::string_view literals[] = {"", "|", "Ω ", "%%", "100%% ", "ink: "};
  for (int i = 0; i < support::cases(50'000); ++i) {
    Case first = generator.field();
    Case second = generator.field();
    if (!first.counts.empty() || !second.counts.empty()) continue;
    std::string source(generator.random().pick(literals));
    const bool by_position = generator.random().one_in(2);
    const bool swapped = by_position && generator.random().one_in(2);
    if (by_position) {
      first.source.insert(1, swapped ? "2$" : "1$");
      second.source.insert(1, swapped ? "1$" : "2$");
    }
    source += first.source;
    source += generator.random().pick(literals);
    source += second.source;
    const Case& one = swapped ? second : first;
    const Case& two = swapped ? first : second;
    const auto expected = std::visit([&](auto a, auto b) { return by_library(source, a, b); },
                                     one.argument, two.argument);
    const Value values[] = {one.values[0], two.values[0]};
    compare(expected, by_us(source, values, "C"), source, values);
  }
}

TEST_CASE("counts by position") {
  const Value values[] = {Value::whole(Type::i32, 9), Value::whole(Type::i32, 2),
                          Value::real(2.675)};
  CHECK(by_us("%3$*1$.*2$f|", values, "C") == by_library("%3$*1$.*2$f|", 9, 2, 2.675));
  CHECK(by_us("%3$-*1$.*2$e|%3$g", values, "C") == by_library("%3$-*1$.*2$e|%3$g", 9, 2, 2.675));
}
