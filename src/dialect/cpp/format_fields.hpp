// The fields of a format string of std::format, read.
#pragma once

#include <string>
#include <vector>

#include "../family/braces.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::cpp_format {

struct Shown {
  int value = 0;  // which, from 0
  bool has_spec = false;
  braces::Lead lead;
  Count width;
  Count precision;
  bool locale = false;
  char type = 0;      // 0: left out
  std::string codes;  // of a time, from a % on
};

struct Fields final : Program {
  std::vector<Shown> fields;  // as many as the template has
};

// Reads the format string, whose escapes are resolved. `words` may be null.
void read_fields(const braces::Decoded& decoded, TemplateContent& out, Fields& fields,
                 std::vector<Words>* words);

}  // namespace inky::inline v1::cpp_format
