// Templates whose holes a library fills in: which of them get a value.

#include "inky_margin/check/holes.hpp"

#include <catch2/catch.hpp>

using namespace inky;

namespace {

GivenValues values_of(std::initializer_list<std::optional<Type>> types) {
  GivenValues out;
  out.values.emplace();
  for (const auto& type : types) {
    out.values->emplace_back();
    out.values->back().type = type;
  }
  return out;
}

// What is found: "code message" of each, apart by semicolons.
std::string found(HoleRule rule, std::string_view source, const GivenValues& given) {
  std::string out;
  for (const Fault& fault : check_holes(rule, source, given).faults)
    out += (out.empty() ? "" : "; ") + std::string(name_of(fault.code)) + " " +
           std::string(source.substr(fault.span.from, fault.span.to - fault.span.from));
  return out;
}

}  // namespace

TEST_CASE("check_holes: each rule, with too few values, too many, and holes that are none") {
  struct Row {
    HoleRule rule;
    const char* source;
    std::initializer_list<std::optional<Type>> types;
    const char* found;
  };
  const Row rows[] = {
      {HoleRule::braces, "{} of {}", {Type::i32}, "hole-not-filled {}"},
      {HoleRule::braces, "{} of {}", {Type::i32, Type::i32}, ""},
      {HoleRule::braces, R"(\\{} {})", {Type::i32}, ""},
      {HoleRule::braces, R"(\\\\{} {})", {Type::i32}, "hole-not-filled {}"},
      {HoleRule::braces, "ink", {Type::i32}, "too-many-values ink"},
      // The last value may be an exception.
      {HoleRule::braces, "ink {}", {Type::i32, std::nullopt}, ""},
      {HoleRule::braces, "ink {}", {Type::i32, Type::text}, "too-many-values ink {}"},
      {HoleRule::braces, "{}", {}, ""},
      {HoleRule::braces_if_any, "ink", {Type::i32}, ""},
      {HoleRule::names, "{Mass} of {Mass}", {Type::i32}, "language-fails {Mass}"},
      {HoleRule::names, "{Mass} of {Tins,5:N2}", {Type::i32, Type::i32}, ""},
      {HoleRule::names, "{Mass,x}", {Type::i32}, "language-fails {Mass,x}"},
      {HoleRule::names, "{Mass", {Type::i32}, "language-fails {Mass"},
      {HoleRule::names, "Mass}", {Type::i32}, "language-fails }"},
      {HoleRule::names, "{{Mass}}", {}, ""},
      {HoleRule::names, "a { b {Mass}", {Type::i32}, "hole-not-filled { b {Mass}"},
      {HoleRule::names, "{0} {1} {0}", {Type::i32, Type::i32}, ""},
      {HoleRule::names, "{Mass}", {}, "hole-not-filled {Mass}"},
      {HoleRule::numbers, "{0} {2}", {Type::i32, Type::i32}, "hole-not-filled {2}"},
      {HoleRule::numbers, "it's {0}", {Type::i32}, "hole-not-filled {0}"},
      {HoleRule::numbers, "it''s {0} '{x}'", {Type::i32}, ""},
      {HoleRule::numbers, "{0,number,#.##}", {Type::f64}, ""},
      {HoleRule::numbers, "{mass}", {Type::f64}, "language-fails {mass}"},
      {HoleRule::numbers, "{0", {Type::f64}, "language-fails {0"},
      {HoleRule::numbers, "{0} {0 {1", {Type::f64}, "hole-not-filled {0 {1"},
      {HoleRule::letters, "%d of %s", {Type::i32}, "hole-not-filled %s"},
      {HoleRule::letters, "%d%% of %s", {Type::i32, Type::text, Type::text}, ""},
      {HoleRule::letters, "%.2f", {Type::f64}, "hole-not-filled %.2f"},
      {HoleRule::letters, "%5d", {}, ""},
      {HoleRule::letters, "%x 100%", {Type::i32}, ""},
  };
  for (const Row& row : rows) {
    INFO(row.source);
    CHECK(found(row.rule, row.source, values_of(row.types)) == row.found);
  }
  GivenValues word = values_of({Type::text});
  word.values->front().value = Value::text("ink");
  CHECK(found(HoleRule::letters, "%d", word) == "hole-not-filled %d");
  CHECK(found(HoleRule::letters, "%s", word).empty());
  // How many there are is not known.
  CHECK(found(HoleRule::names, "{Mass} of {Tins}", {}).empty());
  GivenValues more = values_of({Type::i32});
  more.more_may_follow = true;
  CHECK(found(HoleRule::names, "{Mass} of {Tins}", more).empty());
  GivenValues spare = values_of({Type::i32, Type::i32});
  spare.spare = true;
  CHECK(found(HoleRule::numbers, "{0}", spare).empty());
}
