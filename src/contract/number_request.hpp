// A request of `weigh` or `round`: a number, and how.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "cut.hpp"
#include "inky_margin/number/evaluation.hpp"

namespace inky::inline v1 {

// What to weigh: a number or an expression, and how.
struct WeighRequest {
  std::string text;
  const NumberType* as = nullptr;  // not given: f64 for a number and for literals
  int base = 10;
  WholeOverflow overflow = WholeOverflow::wrap;
  std::vector<NamedNumber> names;
  std::optional<int> places;
};

struct NumberRequest {
  WeighRequest weigh;
  Cut cut;
};

// `known` are the keys that it may have.
Result<NumberRequest> read_number_request(std::string_view line,
                                          std::span<const std::string_view> known);

// A type by its name, or an error that lists them; and a binary format, with `decimal` in the list.
Result<const NumberType*> type_given(std::string_view name);
Result<const BinaryFormat*> format_given(std::string_view name);

Error number_error(Code code, std::string message, std::string remedy, Span span = {});

}  // namespace inky::inline v1
