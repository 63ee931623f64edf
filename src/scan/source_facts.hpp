// What a source that others include says of the names in it.
#pragma once

#include <span>
#include <string>
#include <vector>

#include "declarations.hpp"
#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"
#include "macros.hpp"

namespace inky::inline v1 {

class SourceFacts {
 public:
  SourceFacts(const Lexis& lexis, const ByteSource& source);
  SourceFacts(const SourceFacts&) = delete;
  SourceFacts& operator=(const SourceFacts&) = delete;

  const Declarations& declared() const { return declared_; }
  const Macros& macros() const { return macros_; }
  const std::vector<Include>& includes() const { return includes_; }

 private:
  Declarations declared_;
  Macros macros_;
  std::vector<Include> includes_;
};

}  // namespace inky::inline v1
