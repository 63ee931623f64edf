// JSON: ECMA-262, 25.5.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "evaluation.hpp"

namespace inky::inline v1::javascript {

// A text between quotes, with its escapes.
std::string json_text(std::string_view text);

// Nothing where the text is no JSON.
std::optional<Datum> read_json(std::string_view text);

}  // namespace inky::inline v1::javascript
