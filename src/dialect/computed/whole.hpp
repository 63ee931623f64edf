// An expression that is all of a source.
#pragma once

#include <string_view>

#include "evaluator.hpp"
#include "reader.hpp"

namespace inky::inline v1::computed {

// Reads a source to its end, and evaluates it. False where that cannot be; `trouble` says why.
bool compute_whole(Reader& reader, std::string_view source, Evaluator& evaluator, Value& out,
                   Trouble& trouble);

}  // namespace inky::inline v1::computed
