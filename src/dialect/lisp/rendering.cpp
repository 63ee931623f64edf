#include "rendering.hpp"

#include <algorithm>
#include <string>

#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "control.hpp"
#include "inky_margin/text/columns.hpp"
#include "printer.hpp"
#include "text/escape.hpp"
#include "text/simple_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

Outcome Rendering::run_whole() {
  if (report_ != nullptr) begin_report();
  if (parsed_.refusal) return refused();
  for (const Value& value : values_) {
    if (is_known(value)) continue;
    return Outcome::error({Code::not_supported_yet,
                           describe(value) + " as a value of Common Lisp is not supported yet",
                           {0, parsed_.source.size()},
                           "Give a whole number, f16, f32, f64, a text, a character, true, nil, a "
                           "complex number or a list."});
  }
  Arguments arguments{values_};
  std::string text;
  for (const Piece& piece : parsed_.pieces) {
    if (piece.field == unset) {
      text += parsed_.literal(piece);
      continue;
    }
    const Directive& directive = control_.directives[static_cast<std::size_t>(piece.field)];
    const std::size_t from = text.size();
    const std::size_t first = arguments.at;
    const Flow flow = run_directive(directive, arguments, text);
    if (flow == Flow::fails) return std::move(trouble_);
    if (report_ != nullptr) {
      const bool one = arguments.at == first + 1;
      report_->fields.push_back(
          {piece.field, {from, text.size()}, one ? static_cast<int>(first) : unset});
    }
    if (flow != Flow::goes_on) break;
  }
  if (broken_list_ != nullptr) {
    (void)not_yet("a list longer than a line is", *broken_list_);
    return std::move(trouble_);
  }
  out_.append(text);
  if (report_ != nullptr && arguments.unseen() > 0)
    note(Code::too_many_values,
         std::to_string(arguments.unseen()) + " more than the directives take; FORMAT ignores them",
         {0, parsed_.source.size()});
  return {};
}

Flow Rendering::fail(std::string_view error, std::string why, const Directive& directive) {
  trouble_ = Outcome::fails_at_run(std::string(error), std::move(why), directive.span);
  return Flow::fails;
}

Flow Rendering::not_yet(std::string what, const Directive& directive) {
  trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet",
                             directive.span, "Give a shorter or simpler value."});
  return Flow::fails;
}

Flow Rendering::over_limit(std::string what, const Directive& directive) {
  trouble_ = Outcome::error({Code::over_limit, std::move(what), directive.span,
                             "Use smaller numbers, or an iteration that ends."});
  return Flow::fails;
}

bool Rendering::take_parameters(const Directive& directive, std::size_t most,
                                Arguments& arguments) {
  given_.assign(std::max(most, std::size_t{1}), {});
  if (directive.parameters.size() > most) {
    (void)fail("FORMAT-ERROR",
               "~" + std::string(1, directive.letter) + " has at most " + std::to_string(most) +
                   " parameters",
               directive);
    return false;
  }
  for (std::size_t i = 0; i < directive.parameters.size(); ++i) {
    const Parameter& parameter = directive.parameters[i];
    Given& out = given_[i];
    switch (parameter.kind) {
      case Parameter::Kind::left_out:
        break;
      case Parameter::Kind::number:
        out = {Given::Kind::number, parameter.number, {}};
        break;
      case Parameter::Kind::character:
        out = {Given::Kind::character, 0, parameter.character};
        break;
      case Parameter::Kind::remaining:
        out = {Given::Kind::number, static_cast<int>(arguments.left()), {}};
        break;
      case Parameter::Kind::next_value:
        if (!take_value_parameter(directive, arguments, out)) return false;
    }
    if (out.kind == Given::Kind::number && std::abs(out.number) > most_width) {
      (void)over_limit("a parameter is over the limit of " + std::to_string(most_width), directive);
      return false;
    }
  }
  return true;
}

bool Rendering::take_value_parameter(const Directive& directive, Arguments& arguments, Given& out) {
  const Value* value = next(directive, arguments);
  if (value == nullptr) return false;
  if (is_null(*value)) return true;
  if (value->is(Type::character)) {
    out = {Given::Kind::character, 0, text_of(*value)};
    return true;
  }
  if (!is_whole(value->type())) {
    (void)fail("TYPE-ERROR", describe(*value) + " is no parameter", directive);
    return false;
  }
  const auto number = small_whole(*value);
  const int128 bound = most_width + 1;
  out = {Given::Kind::number,
         static_cast<int>(number ? std::clamp(*number, -bound, bound) : bound),
         {}};
  return true;
}

const Value* Rendering::next(const Directive& directive, Arguments& arguments) {
  if (arguments.no_list != nullptr) {
    (void)fail("TYPE-ERROR", describe(*arguments.no_list) + " is not of type LIST", directive);
    return nullptr;
  }
  if (arguments.empty()) {
    (void)fail("FORMAT-ERROR", "no values are left", directive);
    return nullptr;
  }
  return &arguments.all[arguments.at++];
}

bool Rendering::number(const Directive& directive, std::size_t at, int& out) {
  if (given_[at].kind == Given::Kind::nothing) return true;
  out = given_[at].number;
  if (given_[at].kind == Given::Kind::number) return true;
  (void)fail("TYPE-ERROR", "a parameter is a character and should be a number", directive);
  return false;
}

bool Rendering::number(const Directive& directive, std::size_t at, std::optional<int>& out) {
  if (given_[at].kind == Given::Kind::nothing) return true;
  out = 0;
  return number(directive, at, *out);
}

bool Rendering::character(const Directive& directive, std::size_t at, std::string& out) {
  if (given_[at].kind == Given::Kind::nothing) return true;
  out = given_[at].character;
  if (given_[at].kind == Given::Kind::character) return true;
  (void)fail("TYPE-ERROR", "a parameter is a number and should be a character", directive);
  return false;
}

bool Rendering::check_modifiers(const Directive& directive, bool colon, bool at) {
  if ((!directive.colon || colon) && (!directive.at || at)) return true;
  (void)fail("FORMAT-ERROR",
             std::string("~") + directive.letter + " has no modifier " +
                 (directive.colon && !colon ? ":" : "@"),
             directive);
  return false;
}

Flow Rendering::run_tokens(const Tokens& tokens, Arguments& arguments, std::string& out) {
  for (const Token& token : tokens) {
    if (!token.directive) {
      out += token.text;
      continue;
    }
    const Flow flow = run_directive(*token.directive, arguments, out);
    if (flow != Flow::goes_on) return flow;
  }
  return Flow::goes_on;
}

Flow Rendering::run_directive(const Directive& directive, Arguments& arguments, std::string& out) {
  constexpr int most_steps = 1'000'000;
  if (++steps_ > most_steps || out.size() > most_output)
    return over_limit("the text grows over the limit, or never ends", directive);
  if (!directive.defect.empty()) return fail("FORMAT-ERROR", directive.defect, directive);
  switch (directive.letter) {
    case 'A':
    case 'S':
      return run_any(directive, arguments, out);
    case 'W':
      return run_write(directive, arguments, out);
    case 'D':
      return run_whole_number(directive, 10, arguments, out);
    case 'B':
      return run_whole_number(directive, 2, arguments, out);
    case 'O':
      return run_whole_number(directive, 8, arguments, out);
    case 'X':
      return run_whole_number(directive, 16, arguments, out);
    case 'R':
      return run_radix(directive, arguments, out);
    case 'F':
    case 'E':
    case 'G':
      return run_float(directive, arguments, out);
    case '$':
      return run_dollars(directive, arguments, out);
    case 'C':
      return run_character(directive, arguments, out);
    case 'P':
      return run_plural(directive, arguments, out);
    case '%':
      return run_times(directive, "\n", arguments, out);
    case '|':
      return run_times(directive, "\f", arguments, out);
    case '~':
      return run_times(directive, "~", arguments, out);
    case '&':
      return run_fresh_line(directive, arguments, out);
    case 'T':
      return run_tab(directive, arguments, out);
    case '*':
      return run_skip(directive, arguments);
    case '^':
      return run_leave(directive, arguments);
    case '(':
      return run_case(directive, arguments, out);
    case '[':
      return run_choice(directive, arguments, out);
    case '{':
      return run_iteration(directive, arguments, out);
    default:
      return run_justification(directive, arguments, out);
  }
}

int Rendering::column_of(const std::string& text) {
  if (measured_.text != &text || measured_.size > text.size() || unit() == WidthUnit::columns)
    measured_ = {&text, 0, 0};
  const std::string_view more = std::string_view(text).substr(measured_.size);
  const std::size_t line = more.rfind('\n');
  const int length = length_of(line == std::string_view::npos ? more : more.substr(line + 1));
  measured_.column = length + (line == std::string_view::npos ? measured_.column : 0);
  measured_.size = text.size();
  return measured_.column;
}

bool Rendering::print(const Value& value, int base, bool escapes, const Directive& directive,
                      const std::string* line, std::string& out) {
  const std::size_t from = out.size();
  const int column = line != nullptr && may_break(value) ? column_of(*line) : 0;
  if (!Printer(base, escapes, out).print(value)) {
    (void)not_yet("the name of a character beyond ASCII is", directive);
    return false;
  }
  // The pretty printer breaks a list at the end of a line of 80 columns.
  constexpr int most_columns = 78;
  if (!may_break(value)) return true;
  if (holds_new_line(value) ||
      column + length_of(std::string_view(out).substr(from)) > most_columns)
    broken_list_ = &directive;
  return true;
}

Flow Rendering::put_padded(const std::string& text, const Padding& padding,
                           const Directive& directive, std::string& out) {
  if (padding.step <= 0)
    return fail("FORMAT-ERROR", "the step of a padding is positive", directive);
  if (padding.least < 0) return fail("FORMAT-ERROR", "a width is not negative", directive);
  if (!padding.on_left) out += text;
  append_times(padding.character, padding.least_padding, out);
  int length = length_of(text) + std::max(padding.least_padding, 0);
  for (; length < padding.least; length += padding.step)
    append_times(padding.character, padding.step, out);
  if (padding.on_left) out += text;
  if (report_ != nullptr && padding.least > 0) {
    Spec spec;
    spec.width = padding.least;
    note_text(spec, text, unit(), directive.span, report_->notes);
  }
  return Flow::goes_on;
}

Flow Rendering::run_any(const Directive& directive, Arguments& arguments, std::string& out) {
  Padding padding;
  if (!take_parameters(directive, 4, arguments) || !number(directive, 0, padding.least) ||
      !number(directive, 1, padding.step) || !number(directive, 2, padding.least_padding) ||
      !character(directive, 3, padding.character))
    return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  std::string text;
  if (directive.colon && is_null(*value))
    text = "()";
  else if (!print(*value, 10, directive.letter == 'S', directive,
                  directive.parameters.empty() ? &out : nullptr, text))
    return Flow::fails;
  if (directive.parameters.empty()) {
    out += text;
    return Flow::goes_on;
  }
  padding.on_left = directive.at;
  return put_padded(text, padding, directive, out);
}

Flow Rendering::run_write(const Directive& directive, Arguments& arguments, std::string& out) {
  if (!take_parameters(directive, 0, arguments)) return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr || !print(*value, 10, true, directive, &out, out)) return Flow::fails;
  return Flow::goes_on;
}

Flow Rendering::put_other(const Directive& directive, const Value& value, std::optional<int> width,
                          const std::string& pad, std::string& out) {
  std::string text;
  if (!print(value, 10, false, directive, nullptr, text)) return Flow::fails;
  if (!width) {
    out += text;
    return Flow::goes_on;
  }
  const bool is_number = value.is(Type::complex);
  return put_padded(text,
                    {.least = *width,
                     .character = is_number ? " " : pad,
                     .on_left = is_number || directive.letter == '$'},
                    directive, out);
}

Flow Rendering::run_character(const Directive& directive, Arguments& arguments, std::string& out) {
  if (!take_parameters(directive, 0, arguments)) return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  if (!value->is(Type::character))
    return fail("FORMAT-ERROR", describe(*value) + " is not of type CHARACTER", directive);
  const char32_t c = value->as_character();
  if (!directive.colon)
    return print(*value, 10, directive.at, directive, nullptr, out) ? Flow::goes_on : Flow::fails;
  if (c <= 0x20)
    out += name_of_control(c);
  else if (c == 0x7F)
    out += "Rubout";
  else if (c >= 0x80 && !is_printable(c))
    return not_yet("the name of a character beyond ASCII is", directive);
  else
    append_utf8(c, out);
  return Flow::goes_on;
}

Flow Rendering::run_plural(const Directive& directive, Arguments& arguments, std::string& out) {
  if (!take_parameters(directive, 0, arguments)) return Flow::fails;
  if (directive.colon) {
    if (arguments.at == 0) return fail("FORMAT-ERROR", "no value stands before", directive);
    --arguments.at;
  }
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  const bool one = is_whole(value->type()) && small_whole(*value) == int128{1};
  if (directive.at)
    out += one ? "y" : "ies";
  else
    out += one ? "" : "s";
  return Flow::goes_on;
}

Flow Rendering::run_times(const Directive& directive, const std::string& character,
                          Arguments& arguments, std::string& out) {
  int count = 1;
  if (!check_modifiers(directive, false, false) || !take_parameters(directive, 1, arguments) ||
      !number(directive, 0, count))
    return Flow::fails;
  append_times(character, count, out);
  return Flow::goes_on;
}

Flow Rendering::run_fresh_line(const Directive& directive, Arguments& arguments, std::string& out) {
  int count = 1;
  if (!check_modifiers(directive, false, false) || !take_parameters(directive, 1, arguments) ||
      !number(directive, 0, count))
    return Flow::fails;
  if (count > 0 && !out.empty() && out.back() != '\n') out += '\n';
  append_times("\n", count - 1, out);
  return Flow::goes_on;
}

Flow Rendering::run_tab(const Directive& directive, Arguments& arguments, std::string& out) {
  int column = 1;
  int step = 1;
  if (!take_parameters(directive, 2, arguments) || !number(directive, 0, column) ||
      !number(directive, 1, step))
    return Flow::fails;
  if (column < 0 || step < 0) return not_yet("a negative column is", directive);
  const int at = column_of(out);
  int blanks = 0;
  if (directive.at)
    blanks = step > 0 ? (at + column + step - 1) / step * step - at : column;
  else if (at < column)
    blanks = column - at;
  else if (step > 0)
    blanks = step - (at - column) % step;
  append_times(" ", blanks, out);
  return Flow::goes_on;
}

}  // namespace inky::inline v1::lisp
