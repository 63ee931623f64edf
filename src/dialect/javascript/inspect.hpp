// Arrays and objects as console.log shows them: util.inspect of Node.js 20, with its own defaults.
//
//   [ 1, 2.5, 'ink' ]      { batch: 'K-07', mass: 12.5 }      [ [ 1, 2 ], [Array] ]
#pragma once

#include <string>

#include "evaluation.hpp"

namespace inky::inline v1::javascript {

// Appends the value as it is shown. `levels`: how deep the values inside it are shown. False where
// that is not supported yet: texts that are broken over lines, arrays of more than 100 items,
// functions, errors.
bool append_inspection(const Datum& datum, std::string& out, int levels = 2);

}  // namespace inky::inline v1::javascript
