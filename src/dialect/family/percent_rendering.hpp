// What rendering a template of the percent-style family has in common beside the walk over it.
#pragma once

#include <string>

#include "percent.hpp"
#include "rendering.hpp"

namespace inky::inline v1::percent {

template <typename Language>
class Rendering : public family::Rendering<Language> {
 public:
  using family::Rendering<Language>::Rendering;

 protected:
  // "%d"
  static std::string name(const Field& field) { return std::string("%") + field.letter; }

  // Flags that switch each other off in every language of the family.
  void note_overridden(const Field& field) {
    if (has_flag(this->facts_, field, '0') && has_flag(this->facts_, field, '-'))
      this->note(Code::flag_overridden, "the flag - switches the flag 0 off", field.span);
    if (has_flag(this->facts_, field, '+') && has_flag(this->facts_, field, ' '))
      this->note(Code::flag_overridden, "the flag + switches the space off", field.span);
  }
};

}  // namespace inky::inline v1::percent
