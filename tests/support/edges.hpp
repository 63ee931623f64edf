// Tables of templates and their results, for the tests of a dialect.
#pragma once

#include <string>
#include <vector>

#include "support/answers.hpp"

namespace support {

// What a runtime was seen to print.
struct Edge {
  const char* source;
  std::vector<inky::Value> values;
  const char* text;
};

inline void check_edges(const inky::Dialect& dialect, const std::vector<Edge>& edges,
                        const inky::RenderOptions& options = {}) {
  for (const Edge& edge : edges) {
    std::string values;
    for (const inky::Value& value : edge.values) values += " " + describe(value);
    INFO(edge.source << " of" << values);
    const Answer got = answer(dialect, edge.source, edge.values, options);
    CHECK(got.outcome.prints());
    CHECK(got.text == edge.text);
  }
}

struct Failure {
  const char* source;
  std::vector<inky::Value> values;
  inky::Outcome::Kind kind;
  const char* as;
  const char* why;  // a part of it
  inky::Span span;
};

inline void check_failures(const inky::Dialect& dialect, const std::vector<Failure>& failures) {
  for (const Failure& failure : failures) {
    INFO(failure.source);
    const Answer got = answer(dialect, failure.source, failure.values, {});
    REQUIRE(got.outcome.kind() == failure.kind);
    CHECK(got.outcome.failure_name() == failure.as);
    CHECK_THAT(got.outcome.why(), Catch::Contains(failure.why));
    CHECK(got.outcome.span() == failure.span);
    CHECK(got.text.empty());
  }
}

// The codes of the notes, separated by spaces.
struct Noted {
  const char* source;
  std::vector<inky::Value> values;
  const char* codes;
};

inline void check_notes(const inky::Dialect& dialect, const std::vector<Noted>& all) {
  for (const Noted& noted : all) {
    INFO(noted.source);
    const Answer got = answer(dialect, noted.source, noted.values, {});
    CHECK(got.outcome.prints());
    CHECK(got.codes == noted.codes);
  }
}

struct Plain {
  inky::Value value;
  const char* text;
};

inline void check_plain(const inky::Dialect& dialect, const std::vector<Plain>& all) {
  for (const Plain& plain : all) {
    INFO(describe(plain.value));
    inky::TextBuffer out;
    CHECK(dialect.print_plainly(plain.value, out).prints());
    CHECK(out.view() == plain.text);
  }
}

}  // namespace support
