// What a check finds, where, and whether what it fixes is fixed: for every dialect, on templates
// that random wishes write, given values of other types.

#include "inky_margin/check/check.hpp"

#include <algorithm>
#include <catch2/catch.hpp>

#include "inky_margin/carry/carry.hpp"
#include "support/random_wishes.hpp"

using namespace inky;

namespace {

Checked checked(const char* id, std::string_view source,
                std::optional<std::vector<Type>> types = std::nullopt) {
  std::optional<std::span<const Type>> given;
  if (types) given = *types;
  const Result<Checked> out = check(*find_dialect(id), source, given);
  REQUIRE(out.ok());
  return *out;
}

}  // namespace

TEST_CASE("faults: where they are, what the language does, and what to write") {
  struct Case {
    const char* dialect;
    const char* source;
    std::vector<Type> types;
    Code code;
    Span span;
    const char* effect;
    const char* repair;
  };
  const Case cases[] = {
      {"c",
       "%d of %s",
       {Type::f64, Type::text},
       Code::language_undefined,
       {0, 2},
       "anything may be printed",
       "%g"},
      {"c",
       "%8d|",
       {Type::text},
       Code::language_undefined,
       {0, 3},
       "anything may be printed",
       "%8s"},
      {"c", "%d %d", {Type::i32}, Code::language_undefined, {3, 5}, "anything may be printed", ""},
      {"c", "%e", {}, Code::language_undefined, {0, 2}, "anything may be printed", ""},
      {"c", "%-08.2f", {Type::f64}, Code::flag_overridden, {0, 7}, "prints", ""},
      {"c", "%u", {Type::i32}, Code::bits_reinterpreted, {0, 2}, "prints", ""},
      {"c", "%d", {Type::i32, Type::i32}, Code::too_many_values, {0, 2}, "prints", ""},
      // A repair keeps which value is shown.
      {"rust",
       "{1:x} {0}",
       {Type::text, Type::f64},
       Code::language_fails,
       {0, 5},
       "does not compile: E0277",
       "{1}"},
      {"python",
       "{1:d} {0}",
       {Type::f64, Type::text},
       Code::language_fails,
       {0, 5},
       "ValueError",
       "{1}"},
      {"csharp",
       "{1:D4} {0}",
       {Type::text, Type::f64},
       Code::language_fails,
       {0, 6},
       "FormatException",
       "{1}"},
      {"python", "{:d}", {Type::text}, Code::language_fails, {0, 4}, "ValueError", "{}"},
      {"java",
       "%d",
       {Type::f64},
       Code::language_fails,
       {0, 2},
       "IllegalFormatConversionException",
       "%s"},
      {"fsharp",
       "%d",
       {Type::text},
       Code::language_fails,
       {0, 2},
       "does not compile: FS0001",
       "%s"},
      {"rust", "{:x}", {Type::f64}, Code::language_fails, {0, 4}, "does not compile: E0277", "{}"},
      {"rust", "{", {Type::f64}, Code::language_fails, {0, 1}, "does not compile: error", ""},
      {"octave", "%d", {Type::f64}, Code::conversion_switched, {0, 2}, "prints", ""},
      {"cpp-stream",
       "cout << hex << x",
       {Type::i32},
       Code::settings_left_on,
       {0, 16},
       "prints",
       ""},
  };
  for (const Case& one : cases) {
    INFO(one.dialect << " " << one.source);
    const Checked found = checked(one.dialect, one.source, one.types);
    REQUIRE_FALSE(found.faults.empty());
    CHECK(found.faults[0].code == one.code);
    CHECK(found.faults[0].span == one.span);
    CHECK(found.faults[0].effect.find(one.effect) != std::string::npos);
    CHECK(found.faults[0].repair == one.repair);
    const bool is_error = one.code == Code::language_fails || one.code == Code::language_undefined;
    CHECK((found.faults[0].severity == Severity::error) == is_error);
  }
  for (const auto& [id, source] : {std::pair("c", "%8.2f|%-6s\\n"), std::pair("python", "{:>8}"),
                                   std::pair("lisp", "~8,2F~%")}) {
    INFO(id << " " << source);
    CHECK(checked(id, source).faults.empty());
  }
}

TEST_CASE("every fault of a template is found, and all is fixed at once") {
  const Checked found = checked("python", "{:d} of {:.2f} at {:x}",
                                std::vector<Type>{Type::text, Type::text, Type::f64});
  REQUIRE(found.faults.size() == 3);
  CHECK(found.faults[0].span == Span{0, 4});
  CHECK(found.faults[1].span == Span{8, 14});
  CHECK(found.faults[2].span == Span{18, 22});
  CHECK(found.repaired == "{} of {} at {}");
}

TEST_CASE("what is fixed has no error left, and what is fine stays as it is") {
  const std::uint64_t seed = support::seed(1812);
  INFO("seed " << seed);
  constexpr Type others[] = {Type::f64, Type::i32, Type::text, Type::truth, Type::u64, Type::f32};
  for (const Dialect* dialect : all_dialects()) {
    support::RandomWishes wishes(seed);
    for (int i = 0; i < support::cases(200); ++i) {
      std::vector<TemplatePart> parts;
      std::vector<Type> types;
      const int fields = dialect->facts().id == "r-format" ? 1 : 2;
      for (int k = 0; k < fields; ++k) {
        FieldWish wish = wishes.wish();
        if (dialect->writer().placing() == Placing::names) wish.name = "v" + std::to_string(k + 1);
        types.push_back(wishes.random.one_in(2) ? wish.type : wishes.random.pick(others));
        parts.push_back({{}, std::move(wish)});
      }
      const WrittenTemplate written = dialect->writer().write_template(parts);
      if (!written.source) continue;
      INFO(dialect->facts().id << " " << *written.source << " of " << name_of(types[0]) << " "
                               << name_of(types.back()));
      const Result<Checked> found = check(*dialect, *written.source, std::span<const Type>(types));
      REQUIRE(found.ok());
      for (const Fault& fault : found->faults) {
        CHECK(fault.span.to <= written.source->size());
        CHECK_FALSE(fault.message.empty());
      }
      if (!found->repaired) {
        CHECK_FALSE(found->faults.empty());
        continue;
      }
      const bool fixed = std::any_of(found->faults.begin(), found->faults.end(),
                                     [](const Fault& fault) { return !fault.repair.empty(); });
      CHECK((found->repaired == written.source) == !fixed);
      const Result<Checked> again = check(*dialect, *found->repaired, std::span<const Type>(types));
      REQUIRE(again.ok());
      for (const Fault& fault : again->faults) CHECK(fault.severity == Severity::warning);
    }
  }
}
