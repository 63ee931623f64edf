// The dialect `lisp`: control strings of FORMAT.
//
// Defined by the Common Lisp HyperSpec, 22.3; what it leaves open is as SBCL 2.2.9 does it, given
// the string at run time: (format nil "..." ...). Written as a literal, a string that SBCL cannot
// read is a warning of its compiler already. A real is a double-float, f32 and f16 a single-float;
// a list or a tuple is a list, nil and false are NIL, true is T.
//
// What sets it apart:
//   - directives nest: iteration, choice, case and justification hold others;
//   - widths count characters, and padding grows by steps (colinc);
//   - digits to a place are the fewest that lie within half a unit of it, so a tie goes away from
//     zero; a whole number given to ~F becomes a single-float first.

#include <algorithm>
#include <string>
#include <vector>

#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/writing.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "inky_margin/text/columns.hpp"
#include "rendering.hpp"
#include "text/utf8.hpp"
#include "writing.hpp"

namespace inky::inline v1 {

namespace lisp {

// A backslash keeps the character after it: HyperSpec, 2.4.5.
std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const auto point = first_code_point(std::string_view(out.source).substr(at + 1));
  if (!point) {
    if (!out.refusal) {
      out.refusal = {Refusal::When::compile, "END-OF-FILE",
                     "the backslash keeps nothing; a backslash itself is written \\\\",
                     Span{at, at + 1}};
    }
    return 1;
  }
  append_utf8(point->value, out.literals);
  return 1 + static_cast<std::size_t>(point->bytes);
}

namespace {

bool holds_fraction(const Value& value) {
  if (value.is(Type::fraction)) return true;
  if (!value.is(Type::list) && !value.is(Type::tuple)) return false;
  const std::span<const Value> items = value.as_list();
  return std::any_of(items.begin(), items.end(), holds_fraction);
}

class Lisp final : public family::ProgramDialect<Control> {
 public:
  const DialectFacts& facts() const override { return lisp_facts; }

  WrittenField write_field(const FieldWish& wish) const override { return write_directive(wish); }
  std::optional<std::string> write_literal(std::string_view text) const override {
    std::string out;
    for (const char c : text) {
      if (c == '\n') {
        out += "~%";
        continue;
      }
      if (c == '~') out += '~';
      if (c == '"' || c == '\\') out += '\\';
      out += c;
    }
    return out;
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "(format t \"" + std::string(source) + "\"" + writing::listed(names, "", " ") + ")";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Directive& directive =
        static_cast<const Control&>(*parsed.program).directives[static_cast<std::size_t>(field)];
    Spec out;
    if (read_directive(directive, type, out)) return out;
    writing::cannot("the directive is FORMAT's own", notes);
    return std::nullopt;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    const bool has_fraction = std::any_of(values.begin(), values.end(), [](const Value& value) {
      return value.type() >= Type::list && holds_fraction(value);
    });
    if (!has_fraction) return Rendering(parsed, values, options, out, report).run_whole();
    // 4/2 is the whole number 2.
    std::vector<Value> settled;
    for (const Value& value : values) {
      settled.push_back(without_ones(value));
      if (value.is_named()) settled.back().set_name(std::string(value.name()));
    }
    return Rendering(parsed, settled, options, out, report).run_whole();
  }

  // (prin1 value)
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("~S");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Control& control, std::vector<Words>* words) const override {
    const braces::Decoded decoded(out, read_escape);
    if (!out.refusal) read_control(decoded, out, control, words);
    note_quotes(facts(), out);
  }
};

}  // namespace

}  // namespace lisp

const Dialect* lisp_dialect() {
  static const lisp::Lisp dialect;
  return &dialect;
}

}  // namespace inky::inline v1
