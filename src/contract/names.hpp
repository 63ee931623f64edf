// What a request names, found or refused: dialects, settings, units, types.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// The dialect of this id, or an error that names the nearest.
Result<const Dialect*> dialect_named(std::string_view id);
// Those of these ids; "all" is every dialect `but` this one, which may be null.
Result<std::vector<const Dialect*>> dialects_named(std::span<const std::string> ids,
                                                   const Dialect* but);
// The same for ids between commas.
Result<std::vector<const Dialect*>> dialects_listed(std::string_view ids, const Dialect* but);
// A setting as the facts of the dialect spell it (de_DE is de-DE too); or why it has none such.
Result<Setting> setting_given(const Dialect& dialect, std::string_view name,
                              std::string_view value);
// "name=value", as the command line has it.
Result<Setting> setting_given(const Dialect& dialect, std::string_view given);
Result<WidthUnit> width_unit_given(std::string_view name);
// The setting "rounding"; where the dialect leaves no choice, the error names its only one.
Result<Setting> rounding_given(const Dialect& dialect, std::string_view name);

// The type of this name, such as f64; or of a value, such as 2.5:f32.
Result<Type> value_type_given(std::string_view text);

}  // namespace inky::inline v1
