// What of JavaScript is not guessed: values that names may share, and regular expressions that the
// library of ours and V8 understand differently.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

TEST_CASE("a change in JavaScript of what another name may stand for is not guessed") {
  constexpr const char* shared[] = {
      "const a = [1]; const b = a; b.push(2); console.log(a)",
      "const a = [3, 1, 2]; console.log(a.sort()); console.log(a)",
      "const a = [3, 1, 2]; console.log(a.reverse(), a)",
      "const rows = [{n: 1}]; const first = rows[0]; first.n = 5; console.log(rows)",
      "const rows = [{n: 1}]; const copy = [...rows]; rows[0].n = 5; console.log(copy)",
      "const rows = [{n: 1}]; for (const r of rows) r.n += 1; console.log(rows)",
      "const xs = [3, 1]; const ys = xs.sort(); ys.push(0); console.log(xs, ys)",
      "const l = [1]; const o = {l}; l.push(2); console.log(o)",
      "const l = [1]; const o = {}; o.l = l; l.push(2); console.log(o)",
      "const q = [1, 2]; console.log(q.shift(), q.length)",
      "const grid = Array(2).fill([]); grid[0].push(1); console.log(grid)",
      "const f = a => a.sort(); const xs = [2, 1]; console.log(f(xs)); console.log(xs)",
      "const xs = [1]; for (const x of xs) xs.push(x); console.log(xs)",
      "const o = {a: 1}; const p = Object.assign(o, {b: 2}); console.log(o)",
      "const fs = []; for (let i = 0; i < 3; i++) fs.push(() => i); console.log(fs.map(f => f()))",
      "const x = 1; x = 2; console.log(x)",
      "const xs = [1, 2]; if (xs.pop() > 1) console.log(xs)",
      "const xs = [2, 1]; for (const x of xs.sort()) console.log(x); console.log(xs)",
      "const xs = [2, 1]; while (xs.pop()) console.log(xs.length)",
      "const m = new Map(); const n = m; m.set('a', 1); console.log(n)",
  };
  for (const char* source : shared) {
    INFO(source);
    CHECK(support::is_not_supported("javascript", source));
  }
}

TEST_CASE("regular expressions that could be understood differently are not guessed") {
  constexpr const char* patterns[] = {
      "/(?:(a)|b)+/",  // each round of JavaScript begins with its groups empty
      "/(a*)*/",       // and one of nothing ends it
      "/(z)((a+)?(b+)?(c))*/",
      "/\\p{Script=Greek}/u",
      "/a/v",
      "/a/y",
      "/[\\S]/",
      "/\\01/",
      "/(?<=(a))b/",
      "/\U0001F600/",
  };
  for (const char* pattern : patterns) {
    INFO(pattern);
    CHECK(support::is_not_supported(
        "javascript", "console.log('zaacbbbcac'.match(" + std::string(pattern) + "))"));
  }
  // A letter of another case beyond ASCII, and a character of two units.
  CHECK(support::is_not_supported("javascript", "console.log('\u00c4'.match(/\u00e4/i))"));
  CHECK(support::is_not_supported("javascript", "console.log('\U0001F600'.match(/./g))"));
}

TEST_CASE("what is no regular expression of JavaScript is a SyntaxError") {
  constexpr const char* patterns[] = {"/(/", "/)/", "/a**/", "/[b/", "/a/gg", "/a/x", "/a{2,1}/"};
  for (const char* pattern : patterns) {
    INFO(pattern);
    const std::string source = "${'a'.match(" + std::string(pattern) + ")}";
    const support::Answer got = support::answer(*find_dialect("javascript"), source, {}, {});
    CHECK(got.outcome.kind() != Outcome::Kind::prints);
    REQUIRE(got.outcome.kind() != Outcome::Kind::error);
    CHECK(got.outcome.failure_name() == "SyntaxError");
  }
}

TEST_CASE("calls of functions without end are answered") {
  CHECK(support::is_over_limit("javascript", "const f = n => f(n + 1); console.log(f(0))"));
  const auto parsed =
      parse_statement(*find_dialect("javascript"),
                      "const f = n => n < 1 ? 1 : f(n - 1) + f(n - 1); console.log(f(60))");
  REQUIRE(parsed);
  TextBuffer out;
  CHECK_FALSE(parsed->dialect().render(*parsed, {}, {}, out, nullptr).prints());
}

TEST_CASE("what JavaScript makes has limits, on both sides of which is an answer") {
  const auto sum = [](int depth) {
    return "const f = n => n < 1 ? 0 : 1 + f(n - 1); console.log(f(" + std::to_string(depth) + "))";
  };
  CHECK(support::show("javascript", sum(50), {}).text == "50\n");
  CHECK(support::is_over_limit("javascript", sum(500)));
  const auto set = [](int size) {
    return "console.log(new Set(Array.from({length: " + std::to_string(size) +
           "}, (_, i) => i)).size)";
  };
  CHECK(support::show("javascript", set(2'000), {}).text == "2000\n");
  CHECK(support::is_over_limit("javascript", set(2'001)));
  const auto matches = [](int count) {
    return "console.log('a'.repeat(" + std::to_string(count) + ").replace(/a/g, 'b').length)";
  };
  CHECK(support::show("javascript", matches(10'000), {}).text == "10000\n");
  CHECK(support::is_over_limit("javascript", matches(10'001)));
  const auto pattern = [](std::size_t size) {
    return "console.log(/" + std::string(size, 'a') + "/.test('b'))";
  };
  CHECK(support::show("javascript", pattern(1'000), {}).text == "false\n");
  CHECK(support::is_not_supported("javascript", pattern(1'001)));
  // Each a more is twice as many steps.
  const auto steps = [](std::size_t size) {
    return "console.log(/^(a+)+$/.test('" + std::string(size, 'a') + "b'))";
  };
  CHECK(support::show("javascript", steps(8), {}).text == "false\n");
  CHECK(support::is_over_limit("javascript", steps(45)));
}
