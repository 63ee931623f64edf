#include "inky_margin/format/template.hpp"

namespace inky::inline v1 {

Template Template::without_widths() const {
  Template out = *this;
  for (Field& field : out.content_.fields) {
    field.width = {};
    field.spec.width = 0;
  }
  return out;
}

}  // namespace inky::inline v1
