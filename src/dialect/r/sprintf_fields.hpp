// What a field of R's sprintf means.
#pragma once

#include "../family/percent.hpp"

namespace inky::inline v1::r_sprintf {

bool has_flag(const Field& field, char flag);

// How the fields of a template are read.
extern const percent::Syntax syntax;

}  // namespace inky::inline v1::r_sprintf
