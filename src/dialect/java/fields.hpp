// What a field of java.util.Formatter means.
#pragma once

#include "../family/percent.hpp"

namespace inky::inline v1::java_language {

// How the fields of a template are read.
extern const percent::Syntax syntax;

}  // namespace inky::inline v1::java_language
