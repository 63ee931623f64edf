// Values with names: the fields of a record, as they are put together.
#pragma once

#include <algorithm>
#include <string>
#include <vector>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// Of several values of one name the last stays, where the first was.
inline void put_field(std::vector<Value>& fields, const std::string& name, Value value) {
  value.set_name(name);
  const auto known = std::find_if(fields.begin(), fields.end(),
                                  [&](const Value& one) { return one.name() == name; });
  if (known == fields.end())
    fields.push_back(std::move(value));
  else
    *known = std::move(value);
}

}  // namespace inky::inline v1
