// What the dialects share, each part alone: escapes by rules, values by name and by place, names
// kept once.

#include <catch2/catch.hpp>

#include "family/escapes.hpp"
#include "family/named_values.hpp"

using namespace inky;

namespace {

// Letters that are themselves but for n and t, octal of three digits, hexadecimal of one or two.
constexpr EscapeRules bytes_rules = {"n\nt\t\\\\\"\"", 3, 1, 2, true};
constexpr EscapeRules points_rules = {"n\n", 0, 2, 4, false};

struct Escape {
  const EscapeRules* rules;
  std::string source;
  std::size_t length;
  std::string text;
};

Value named(int number, std::string name) {
  Value out(number);
  out.set_name(std::move(name));
  return out;
}

}  // namespace

TEST_CASE("escapes: what each stands for, and how long it is") {
  const Escape escapes[] = {
      {&bytes_rules, "\\n", 2, "\n"},     {&bytes_rules, "\\t!", 2, "\t"},
      {&bytes_rules, "\\\\n", 2, "\\"},   {&bytes_rules, "\\\"", 2, "\""},
      {&bytes_rules, "\\101B", 4, "A"},   {&bytes_rules, "\\1019", 4, "A"},
      {&bytes_rules, "\\7", 2, "\a"},     {&bytes_rules, "\\08", 2, std::string(1, '\0')},
      {&bytes_rules, "\\377", 4, "\xFF"}, {&bytes_rules, "\\x41", 4, "A"},
      {&bytes_rules, "\\x4g", 3, "\x04"}, {&bytes_rules, "\\x414", 4, "A"},
      {&bytes_rules, "\\q", 0, ""},       {&bytes_rules, "\\x", 0, ""},
      {&bytes_rules, "\\xg1", 0, ""},     {&bytes_rules, "\\", 0, ""},
      {&points_rules, "\\n", 2, "\n"},    {&points_rules, "\\x3a9", 5, "\xCE\xA9"},
      {&points_rules, "\\x4", 0, ""},     {&points_rules, "\\101", 0, ""},
      {&points_rules, "\\t", 0, ""},
  };
  for (const Escape& one : escapes) {
    CAPTURE(one.source);
    std::string out = "before";
    CHECK(read_backslash(*one.rules, one.source, 0, out) == one.length);
    CHECK(out == "before" + one.text);
    // The same, wherever it stands.
    out.clear();
    CHECK(read_backslash(*one.rules, "ink" + one.source, 3, out) == one.length);
    CHECK(out == one.text);
  }
}

TEST_CASE("values by name and by place: a few, and many") {
  for (const std::size_t more : {0U, 3U, 100U, 1000U}) {
    CAPTURE(more);
    std::vector<Value> values;
    values.push_back(Value(1));
    values.push_back(named(2, "mass"));
    values.push_back(Value(3));
    for (std::size_t i = 0; i < more; ++i) {
      values.push_back(named(static_cast<int>(i), "v" + std::to_string(i)));
      values.push_back(Value(static_cast<int>(i)));
    }
    values.push_back(named(4, "mass"));
    const ValueIndex index(values);
    CHECK(index.named("mass") == &values[1]);
    CHECK(index.last_named("mass") == &values.back());
    CHECK(index.named("lot") == nullptr);
    CHECK(index.named("") == nullptr);
    CHECK(index.unnamed_count() == 2 + more);
    CHECK(index.unnamed(0) == &values[0]);
    CHECK(index.unnamed(1) == &values[2]);
    CHECK(index.unnamed(2 + more) == nullptr);
    if (more > 0) {
      CHECK(index.named("v0") == &values[3]);
      CHECK(index.named("v" + std::to_string(more - 1)) == &values[values.size() - 3]);
      CHECK(index.unnamed(2) == &values[4]);
    }
  }
}

TEST_CASE(
    "values by the names of a template: those without a name go to the names that have none") {
  const std::string names[] = {"mass", "lot", "yield"};
  const Value values[] = {Value(1), named(2, "lot"), Value(3), Value(4)};
  const NamedValues found(names, values);
  CHECK(found.find("mass") == &values[0]);
  CHECK(found.find("lot") == &values[1]);
  CHECK(found.find("yield") == &values[2]);
  CHECK(found.find("shade") == nullptr);
  CHECK(found.spare() == 1);

  const NamedValues few(names, std::span(values).first(1));
  CHECK(few.find("mass") == &values[0]);
  CHECK(few.find("lot") == nullptr);
  CHECK(few.spare() == 0);
}

TEST_CASE("names are kept once, in their order, however many there are") {
  std::vector<std::string> names;
  NameCollector collector(names);
  for (int round = 0; round < 2; ++round) {
    for (int i = 0; i < 500; ++i) {
      collector.add("n" + std::to_string(i));
      collector.add("n0");
    }
  }
  REQUIRE(names.size() == 500);
  for (std::size_t i = 0; i < names.size(); ++i) CHECK(names[i] == "n" + std::to_string(i));
  CHECK(collector.has("n499"));
  CHECK_FALSE(collector.has("n500"));
}
