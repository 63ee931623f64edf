// Values as Lisp has them, and how princ and prin1 print them.
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "floats.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::lisp {

bool is_null(const Value& value);
bool is_list(const Value& value);
std::span<const Value> items_of(const Value& value);

// Whether a value of this type is supported.
bool is_known(const Value& value);

// Whether the pretty printer finds a place in it where a line may end.
bool may_break(const Value& value);
// Whether what stands inside ends a line by itself.
bool holds_new_line(const Value& value);

Float float_of(const Value& value);
// Whether it is a fraction that is no whole number.
bool is_ratio(const Value& value);
// A ratio as a float of a type, as SBCL makes it: to the nearest, but for bits that its division
// loses (float-ratio of src/code/float.lisp). Anything else as the nearest float.
Value float_value_of(Type type, const Value& value);
// A whole number without its denominator of 1, also within lists.
Value without_ones(const Value& value);
// The nearest single-float; not finite where there is none.
Float single_of(const Value& value);

// The name of a character from code 0 to 32, which shows no other way.
std::string_view name_of_control(char32_t c);

// How a value is printed: by princ, or with escapes by prin1.
class Printer {
 public:
  Printer(int base, bool escapes, std::string& out) : base_(base), escapes_(escapes), out_(out) {}

  // False where it is not supported yet.
  bool print(const Value& value);

 private:
  bool print_whole(const Value& value);
  bool print_text(std::string_view text);
  bool print_character(char32_t c);
  bool print_list(std::span<const Value> items);

  int base_;
  bool escapes_;
  std::string& out_;
};

}  // namespace inky::inline v1::lisp
