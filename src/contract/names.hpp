// What a request names, found or refused: dialects, locales, units, roundings, types.
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
// Checks that the dialect knows the locale, and spells it as the dialect does: de_DE is de-DE too.
std::optional<Error> settle_locale(const Dialect& dialect, std::string& locale);
Result<WidthUnit> width_unit_given(std::string_view name);
// Checks that the dialect leaves the rounding to its caller, too.
Result<Rounding> rounding_given(const Dialect& dialect, std::string_view name);

// The type of this name, such as f64; or of a value, such as 2.5:f32.
Result<Type> value_type_given(std::string_view text);

}  // namespace inky::inline v1
