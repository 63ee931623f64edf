// A dialect that writes its own templates.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::family {

class WritingDialect : public Dialect, public Writer {
 public:
  const Writer& writer() const final { return *this; }

 protected:
  std::string_view language() const final { return facts().language; }
};

}  // namespace inky::inline v1::family
