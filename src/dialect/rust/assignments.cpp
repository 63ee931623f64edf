// What the compiler does with a value that is given to a name of another type.

#include "../computed/typed.hpp"
#include "expressions.hpp"

namespace inky::inline v1::rust {

// The Rust Reference, Expressions: nothing is converted, but a literal takes the type it is given
// to. Whether a name has its type from there is not known.
Assigned assigned(const Value& value, Type to, bool is_constant) {
  const bool reals = is_real(value.type()) && is_real(to);
  const bool wholes = is_whole(value.type()) && is_whole(to);
  if (!reals && !wholes) return Assigned::refuses;
  if (!is_constant) return Assigned::unknown;
  return reals || computed::fits_in(value, to) ? Assigned::converts : Assigned::refuses;
}

}  // namespace inky::inline v1::rust
