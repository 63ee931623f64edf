// A whole call with its arguments, as it stands in source.
//
//   Result<Template> t = parse_statement(*find_dialect("c"), "printf(\"%6.2f\\n\", price * 0.76);");
//   const Value values[] = {*read_value("price=9.55")};
//   TextBuffer out;
//   t->dialect().render(*t, values, out).prints()   // true
//   out.view()                                      // "  7.26\n"
//
// Names in the arguments are values by name; values without names are given to the other names, in
// the order in which these first come.
#pragma once

#include <cstddef>
#include <span>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// The most statements that are read together.
inline constexpr std::size_t most_statements = 200;

// Reads a statement of the language of `asked`. The dialect of the template is the facility that
// the call uses, which may be another one of the language. Several statements are one template: those
// that declare a value name it, and those that print do so one after the other. An error
// (not_supported_yet, bad_template, over_limit) where one is no such call, or is not understood.
Result<Template> parse_statement(const Dialect& asked, std::string_view source);

// The template of a call, and the values that its arguments come to. Of a template that is no call,
// itself and the values given. An error where an argument has no value.
struct EvaluatedCall {
  Template inner;
  std::vector<Value> values;
};
Result<EvaluatedCall> evaluate_call(const Template& parsed, std::span<const Value> values);

// What an expression comes to in the language of `asked`, with the values that bear the names in it:
// compute(*find_dialect("python"), "9.55 * 0.76", {}). An error (not_supported_yet, bad_value) with a
// span in the expression where it comes to nothing.
Result<Value> compute(const Dialect& asked, std::string_view expression,
                      std::span<const Value> values);

// Whether a source begins as a statement does, and cannot be a template of `asked`: a known name and
// a parenthesis with a literal behind it, or a literal with a method or an operator behind it.
// `is_chosen`: the user named the language, and so a form that two languages share counts.
bool is_statement(const Dialect& asked, std::string_view source, bool is_chosen = true);
// Whether a source is the call of a method that the language of `asked` knows, and nothing else:
// price.toFixed(2).
bool is_method_call(const Dialect& asked, std::string_view source);

}  // namespace inky::inline v1
