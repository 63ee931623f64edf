// Names for the columns of a sheet, as identifiers of a language.
#pragma once

#include <string>
#include <vector>

#include "dialect/table_form.hpp"
#include "inky_margin/sheet/sheet.hpp"

namespace inky::inline v1 {

// One for each column, none twice, none that the language keeps for itself or that its programs
// use. Only letters and digits of ASCII are kept. REQUIRES: a dialect with a table form.
std::vector<std::string> names_of(const Sheet& sheet, const Dialect& dialect);

// The name of the text beside it: "mass" and "columns" make mass_columns.
std::string joined(const std::string& name, const char* word, NameCase name_case);

}  // namespace inky::inline v1
