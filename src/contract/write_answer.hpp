// The answers of `write`. docs/contract.md.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "contract/json_writer.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

struct WriteRequest {
  Spec wish;
  Value value;
  std::vector<const Dialect*> to;
  // Whether what no specifier grants is composed of one and helpers in the language.
  bool composes = true;
};

// What the wish leaves open is taken from the value, or the value from the wish where none is
// given. An error where it contradicts itself.
std::optional<Error> settle(WriteRequest& request, bool has_value);

struct WrittenWish {
  const Dialect* dialect = nullptr;
  WrittenTemplate source;
  bool is_composed = false;  // then there is no template
  bool is_tried = false;     // over awkward values, before it was handed out
  std::string helpers;       // the definitions that the statement calls, and what they need
  std::string statement;
  std::optional<std::string> text;
  std::string why;  // there is none

  bool is_written() const { return source.source.has_value() || is_composed; }
};

// The template, or else what composes the text; neither where the language cannot.
WrittenWish written_in(const Dialect& dialect, const WriteRequest& request);

void write_written(std::span<const WrittenWish> all, JsonWriter& out);

// The answer to one line of `write --jsonl`, without the line end.
std::string answer_write_line(std::string_view line);

}  // namespace inky::inline v1
