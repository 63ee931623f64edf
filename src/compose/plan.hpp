// What the text of a value is made of: a template that the language reads, or a helper, and the
// changes.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "change.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

struct ComposingPlan {
  std::vector<std::string> finer;  // the same with one more place, and with two more
  std::string source;              // of the template; empty: the first change makes the text
  Spec core;                       // the wish that the template grants
  std::vector<Change> changes;
  Spec digits;  // the wish; of money, the number in it
  // Of money, the first change behind those of the number; else how many changes there are.
  std::size_t money = 0;
  std::string why_not;  // there is none
};

ComposingPlan make_plan(const Dialect& carrier, const ComposingForm& form, const Spec& wish,
                        Type type, std::string_view name);

}  // namespace inky::inline v1
