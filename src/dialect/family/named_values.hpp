// Values by name, where a template is made of names: those of a chain, a slot, a call.
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky {

// The value of `name`: the one that bears it; or else the values without names are given to the
// `names` that no value bears, in order. Null where there is none.
const Value* find_value(std::span<const std::string> names, std::span<const Value> values,
                        std::string_view name);

// How many values go to none of the names.
std::size_t spare_values(std::span<const std::string> names, std::span<const Value> values);

}  // namespace inky
