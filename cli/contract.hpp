// The contract for machines: one JSON object a line in, one a line out. docs/contract.md.
#pragma once

#include <nlohmann/json.hpp>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::cli {

using JsonOut = nlohmann::ordered_json;

struct ShowRequest {
  const Dialect* dialect = nullptr;
  bool plain = false;  // without a template: what the language prints for the one value
  std::string source;
  std::vector<Value> values;
  std::string locale;
  std::optional<WidthUnit> width_of;
  std::optional<Rounding> rounding;

  RenderOptions options() const { return {locale, width_of, rounding}; }
};

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

// Whatever bytes its texts have, it is printed: what is not UTF-8 is replaced.
std::string on_one_line(const JsonOut& json);
// Over lines, the last of them ended.
std::string spread(const JsonOut& json);

JsonOut to_json(const Note& note);
JsonOut to_json(const Error& error);
JsonOut to_json(const Notes& notes);
// The answer to a line that cannot be answered.
std::string error_line(const Error& error);
// text, texts or bytes, fails, undefined or error; then notes.
JsonOut answer_of(const Outcome& outcome, std::string_view text, const Report& report);

// The answer to one line of `show --jsonl`, without the line end. Never throws; any bytes may come.
std::string answer_show_line(std::string_view line);

}  // namespace inky::cli
