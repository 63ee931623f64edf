// A value as a literal of a language.
#pragma once

#include <string>
#include <string_view>

#include "dialect/program_form.hpp"

namespace inky::inline v1 {

// With its quotes. An error (not_supported_yet) where the language, by its name, has no literal of
// such a value yet.
Result<std::string> value_source(const ProgramForm& form, std::string_view language,
                                 const Value& value);

}  // namespace inky::inline v1
