// What methods of lists do that take functions, or go through all items: Select, filter, sum.
#pragma once

#include <cstdint>
#include <span>
#include <string_view>

namespace inky::inline v1::computed {

enum class Query : std::uint8_t {
  same,  // the items as they are
  map,
  keep,  // the items that a test is true of
  all,
  any,
  count,
  sum,
  product,
  least,
  most,
  average,
  first,
  last,
  take,
  skip,
  reversed,
  sorted,
  sorted_down,
  distinct,
  fold,
  number,  // pairs of the place and the item
};

struct QueryFact {
  std::string_view name;
  Query query;
};

constexpr const QueryFact* find_query(std::span<const QueryFact> facts, std::string_view name) {
  for (const QueryFact& fact : facts) {
    if (fact.name == name) return &fact;
  }
  return nullptr;
}

}  // namespace inky::inline v1::computed
