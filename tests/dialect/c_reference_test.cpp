// The dialect `c` against the slow, obvious reference, which follows the standard and nothing else.

#include <catch2/catch.hpp>
#include <string>

#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "reference/reference_printf.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string source_of(const reference::Directive& d) {
  std::string out = "%";
  if (d.left) out += '-';
  if (d.plus) out += '+';
  if (d.space) out += ' ';
  if (d.alternate) out += '#';
  if (d.zero) out += '0';
  if (d.width > 0) out += std::to_string(d.width);
  if (d.precision >= 0) out += "." + std::to_string(d.precision);
  return out + d.letter;
}

reference::Directive random_directive(support::RandomValues& random, std::string_view letters) {
  reference::Directive d;
  d.left = random.one_in(4);
  d.plus = random.one_in(4);
  d.space = random.one_in(4);
  d.zero = random.one_in(4);
  d.width = random.one_in(2) ? random.below(24) : 0;
  d.precision = random.one_in(2) ? random.below(18) : -1;
  d.letter = random.pick(letters);
  // Undefined with d, i and u.
  d.alternate =
      random.one_in(4) && std::string_view("diu").find(d.letter) == std::string_view::npos;
  return d;
}

std::string ours(const std::string& source, const Value& value) {
  const Result<Template> parsed = find_dialect("c")->parse(source);
  TextBuffer out;
  if (!find_dialect("c")->render(*parsed, {&value, 1}, out).prints()) return "no text";
  return out.string();
}

}  // namespace

TEST_CASE("wholes agree with the reference") {
  const std::uint64_t seed = support::seed(721);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(100'000); ++i) {
    const reference::Directive d = random_directive(random, "diuoxX");
    const auto value = static_cast<int>(random.one_in(8) ? 0 : random.whole());
    const std::string expected = reference::whole(d, value);
    const std::string got = ours(source_of(d), Value::whole(Type::i32, value));
    if (got != expected)
      FAIL(source_of(d) << " of " << value << ": " << expected << " but " << got);
  }
}

TEST_CASE("reals agree with the reference, but where the C library departs from the standard") {
  const std::uint64_t seed = support::seed(7216);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  int departures = 0;
  for (int i = 0; i < support::cases(30'000); ++i) {
    const reference::Directive d = random_directive(random, "fFeEgG");
    const double value = random.any_real();
    const std::string source = source_of(d);
    const std::string expected = reference::real(d, value);
    const std::string got = ours(source, Value::real(value));
    if (got == expected) continue;
    // The one departure: see carry_drops_zeros in format/layout.hpp.
    const Spec spec = find_dialect("c")->parse(source)->fields()[0].spec;
    if (!carry_drops_zeros(spec, unpack(binary64, bits_of(value)))) {
      FAIL(source << " of " << value << ": " << expected << " but " << got);
    }
    ++departures;
  }
  CHECK(departures < support::cases(30'000) / 100);
}
