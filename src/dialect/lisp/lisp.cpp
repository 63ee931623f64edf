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
#include <array>
#include <string>

#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "dialects.hpp"
#include "floats.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "numerals.hpp"
#include "text/escape.hpp"
#include "text/simple_case.hpp"
#include "text/utf8.hpp"
#include "writing.hpp"

namespace inky::inline v1 {

namespace lisp {

// ---- Facts ----

namespace {

constexpr auto conversions = std::to_array<ConversionFact>({
    {'D', Kind::whole, "a whole number in base 10; ~mincol,padchar,mark,interval D", ":@", false,
     ""},
    {'X', Kind::whole, "a whole number in base 16, with its sign, upper letters", ":@", false, ""},
    {'O', Kind::whole, "a whole number in base 8, with its sign", ":@", false, ""},
    {'B', Kind::whole, "a whole number in base 2, with its sign", ":@", false, ""},
    {'R', Kind::whole,
     "a whole number in words; with : as an ordinal, with @ in Roman numerals, with a parameter in "
     "that base",
     ":@", false, ""},
    {'F', Kind::real, "a real in fixed notation; ~width,places,scale,overflow,padchar F", "@", true,
     ""},
    {'E', Kind::real,
     "a real in scientific notation; ~width,places,exponent digits,scale,overflow,padchar E", "@",
     true, ""},
    {'G', Kind::real, "a real, fixed or scientific by size; four blanks stand for the exponent",
     "@", true, ""},
    {'$', Kind::real, "a real with 2 places; ~places,least whole digits,width,padchar $", ":@",
     true, ""},
    {'C', Kind::character, "a character; with : its name, with @ as source would write it", ":@",
     false, ""},
    {'A', Kind::text, "any value, for people; ~mincol,colinc,minpad,padchar A", ":@", false, ""},
    {'S', Kind::text, "any value, as source would write it", ":@", false, ""},
    {'W', Kind::any, "any value, as S", ":@", false, ""},
    {'P', Kind::any, "an s where the value is not 1; with @ y or ies, with : of the value before",
     ":@", false, ""},
    {'%', Kind::any, "a new line; a parameter says how many", "", false, ""},
    {'&', Kind::any, "a new line, unless at the beginning of one", "", false, ""},
    {'|', Kind::any, "a form feed", "", false, ""},
    {'~', Kind::any, "a tilde", "", false, ""},
    {'T', Kind::any, "blanks up to a column; with @ so many blanks", "@", false, ""},
    {'*', Kind::any, "skips a value; with : goes back, with @ to a place", ":@", false, ""},
    {'^', Kind::any, "leaves the iteration, or the string, where no values are left", ":", false,
     ""},
    {'{', Kind::any, "once for each item of a list, up to ~}; with @ for the values themselves",
     ":@", false, ""},
    {'[', Kind::any, "one of the sections between ~; by number, up to ~]", ":@", false, ""},
    {'(', Kind::any,
     "in lower case, up to ~); with : each word capitalized, with @ the first, with both upper",
     ":@", false, ""},
    {'<', Kind::any, "sections between ~; justified to a width, up to ~>", ":@", false, ""},
});

constexpr auto flags = std::to_array<FlagFact>({
    {':', "colon", "thousands marks with numbers; () for NIL with A and S"},
    {'@', "at", "a plus sign with numbers; pads on the left with A and S"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"8", "a number"},
    {"'0", "a character"},
    {"v", "the next value; NIL leaves it out"},
    {"#", "how many values are left"},
    {",", "between parameters; one may be left out"},
});

constexpr auto escape_facts = std::to_array<EscapeFact>({
    {"~~", "a tilde"},
    {"~%", "a new line"},
    {"~|", "a form feed"},
    {"\\\"", "a double quote"},
    {"\\\\", "a backslash"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"too few values; a directive there is none of, or that is never closed", "FORMAT-ERROR"},
    {"a value of another type than R or C wants", "FORMAT-ERROR"},
    {"no list for an iteration; a parameter of the wrong type", "TYPE-ERROR"},
    {"a number too large for words or Roman numerals", "SIMPLE-ERROR"},
    {"a whole number too large for a single-float, given to F", "FLOATING-POINT-OVERFLOW"},
});

}  // namespace

constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i32, ""},
    {Type::i64, ""},
    {Type::big, ""},
    {Type::f64, ""},
    {Type::text, ""},
});

constexpr ProgramForm own_program = {.before = "(let* (",
                                     .declaration = "(@N @V)\n       ",
                                     .statement = ")\n  @S)\n",
                                     .after = "",
                                     .types = program_types,
                                     .exponent = 'd',
                                     .real_end = "d0",
                                     .control = ControlEscape::itself,
                                     .direction = DirectionEscape::itself};

constexpr std::string_view pad_left_source =
    ";; Text with spaces before it, up to a width. Its columns are given: a width counts code "
    "points.\n"
    "(defun pad-left (text columns width)\n"
    "  (format nil \"~VA~A\" (max 0 (- width columns)) \"\" text))\n";
constexpr std::string_view pad_right_source =
    ";; Text with spaces behind it, up to a width. Its columns are given: a width counts code "
    "points.\n"
    "(defun pad-right (text columns width)\n"
    "  (format nil \"~A~VA\" text (max 0 (- width columns)) \"\"))\n";
constexpr std::string_view pad_center_source =
    ";; Text between spaces, up to a width. Its columns are given: a width counts code points.\n"
    "(defun pad-center (text columns width)\n"
    "  (let ((room (max 0 (- width columns))))\n"
    "    (format nil \"~VA~A~VA\" (floor room 2) \"\" text (ceiling room 2) \"\")))\n";

constexpr TableForm own_table = {
    .names = NameCase::kebab,
    .comment = ";; ",
    .before = "",
    .pad_left = {"pad-left", "(pad-left @V @C @W)", {}, pad_left_source},
    .pad_right = {"pad-right", "(pad-right @V @C @W)", {}, pad_right_source},
    .pad_center = {"pad-center", "(pad-center @V @C @W)", {}, pad_center_source},
    .data = "(defparameter *rows*\n  '(\n@d))\n",
    .row_open = "(",
    .cell_end = " ",
    .row_close = ")\n",
    .indent = 4,
    .cell_name = "@N",
    .name_between = " ",
    .write = "(write-string @L)\n",
    .loop = "(loop for (@E) in *rows* do\n@s)\n",
    .part_function = "(defun print-rows (rows)\n  (loop for (@E) in rows do\n@s))\n",
    .part_call = "(print-rows (subseq *rows* @A @Z))\n",
};

constexpr RunForm own_run = {"sbcl", "", "sbcl", "main.lisp", "", "@ --script main.lisp"};

constexpr DialectFacts lisp_facts = {
    .id = "lisp",
    .language = "Common Lisp",
    .facility = "control strings of FORMAT",
    .standard = "the Common Lisp HyperSpec, 22.3",
    .toolchain = "SBCL 2.2.9",
    .program = "sbcl",
    .width_unit = WidthUnit::code_points,
    .rounding = Rounding::half_away,
    .rounding_basis = "the stored value, to the fewest digits within half a unit of the place",
    .rounds_stored_value = false,
    .letter_form = "~@",
    .places_form = "~,NF",
    .modifiers_are = "Parameters",
    .line_split = {"", "~\n    ", "", true},
    .program_form = &own_program,
    .run_form = &own_run,
    .table_form = &own_table,
    .default_locale = "",
    .locales = {},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escape_facts,
    .failures = failures,
};

namespace {

// ---- Values as Lisp has them ----

bool is_null(const Value& value) {
  switch (value.type()) {
    case Type::nil:
      return true;
    case Type::truth:
      return value.as_whole() == 0;
    case Type::list:
    case Type::tuple:
      return value.as_list().empty();
    default:
      return false;
  }
}
bool is_list(const Value& value) {
  return is_null(value) || value.is(Type::list) || value.is(Type::tuple);
}
std::span<const Value> items_of(const Value& value) {
  return value.is(Type::list) || value.is(Type::tuple) ? value.as_list() : std::span<const Value>();
}

bool is_known(const Value& value) {
  switch (value.type()) {
    case Type::bf16:
    case Type::f80:
    case Type::f128:
    case Type::decimal:
    case Type::moment:
    case Type::record:
      return false;
    case Type::list:
    case Type::tuple: {
      const auto items = value.as_list();
      return std::all_of(items.begin(), items.end(), is_known);
    }
    default:
      return true;
  }
}

// Whether the pretty printer finds a place in it where a line may end.
bool may_break(const Value& value) {
  const auto items = items_of(value);
  return items.size() > 1 || std::any_of(items.begin(), items.end(), may_break);
}
// Whether what stands inside ends a line by itself.
bool holds_new_line(const Value& value) {
  if (is_text_or_character(value)) return text_of(value).find('\n') != std::string::npos;
  const auto items = items_of(value);
  return std::any_of(items.begin(), items.end(), holds_new_line);
}

Float float_of(const Value& value) {
  if (value.is(Type::f64)) return {&binary64, value.as_real()};
  return {&binary32, unpack(binary32, convert(value.as_real(), binary32))};
}

// The nearest single-float; not finite where there is none.
Float single_of(const Value& value) {
  bool negative = false;
  const std::string digits = whole_digits(value, 10, Letters::lower, negative);
  Float out{&binary32, unpack(binary32, nearest(binary32, *scan_decimal(digits)))};
  out.real.negative = negative && !out.real.is_zero();
  return out;
}

// The names of the characters that show no other way, from code 0 on.
constexpr auto character_names = std::to_array<std::string_view>(
    {"Nul", "Soh",  "Stx",    "Etx", "Eot", "Enq", "Ack", "Bel", "Backspace", "Tab", "Newline",
     "Vt",  "Page", "Return", "So",  "Si",  "Dle", "Dc1", "Dc2", "Dc3",       "Dc4", "Nak",
     "Syn", "Etb",  "Can",    "Em",  "Sub", "Esc", "Fs",  "Gs",  "Rs",        "Us",  "Space"});

// How a value is printed: by princ, or with escapes by prin1.
class Printer {
 public:
  Printer(int base, bool escapes, std::string& out) : base_(base), escapes_(escapes), out_(out) {}

  // False where it is not supported yet.
  bool print(const Value& value) {
    switch (value.type()) {
      case Type::text:
        return print_text(value.as_text());
      case Type::character:
        return print_character(value.as_character());
      case Type::truth:
        out_ += value.as_whole() != 0 ? "T" : "NIL";
        return true;
      case Type::nil:
        out_ += "NIL";
        return true;
      case Type::complex:
        out_ += "#C(";
        if (!print(value.as_list()[0])) return false;
        out_ += ' ';
        if (!print(value.as_list()[1])) return false;
        out_ += ')';
        return true;
      case Type::list:
      case Type::tuple:
        return print_list(value.as_list());
      default:
        if (is_real(value.type())) {
          out_ += float_text(float_of(value));
          return true;
        }
        return print_whole(value);
    }
  }

 private:
  bool print_whole(const Value& value) {
    bool negative = false;
    const std::string digits = whole_digits(value, base_, Letters::upper, negative);
    if (negative) out_ += '-';
    out_ += digits;
    return true;
  }
  bool print_text(std::string_view text) {
    if (!escapes_) {
      out_ += text;
      return true;
    }
    out_ += '"';
    for (const char c : text) {
      if (c == '"' || c == '\\') out_ += '\\';
      out_ += c;
    }
    out_ += '"';
    return true;
  }
  bool print_character(char32_t c) {
    if (!escapes_) {
      append_utf8(c, out_);
      return true;
    }
    // Beyond ASCII, characters have names of their own.
    if (c >= 0x80) return false;
    out_ += "#\\";
    if (c < 0x20)
      out_ += character_names[c];
    else if (c == 0x7F)
      out_ += "Rubout";
    else
      out_ += static_cast<char>(c);
    return true;
  }
  bool print_list(std::span<const Value> items) {
    if (items.empty()) {
      out_ += "NIL";
      return true;
    }
    out_ += '(';
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (i > 0) out_ += ' ';
      if (!print(items[i])) return false;
    }
    out_ += ')';
    return true;
  }

  int base_;
  bool escapes_;
  std::string& out_;
};

// ---- Rendering ----

// What a walk over directives ends by.
enum class Flow : std::uint8_t { goes_on, leaves, leaves_all, fails };

// The values a directive may take: the call's, or those of a list.
struct Arguments {
  std::span<const Value> all;
  std::size_t at = 0;
  const Value* no_list = nullptr;  // a value that stands where a list should; found when it is used

  bool empty() const { return no_list == nullptr && at >= all.size(); }
  std::size_t left() const { return all.size() - at; }
};

class Rendering final : public family::Rendering<Rendering> {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(lisp_facts, parsed, values, options, out, report),
        control_(static_cast<const Control&>(*parsed.program)) {}

  // The text as a whole is known only at the end: columns are counted in it, and what is in ~( ~)
  // changes case.
  Outcome run_whole() {
    if (report_ != nullptr) begin_report();
    if (parsed_.refusal) return refused();
    for (const Value& value : values_) {
      if (is_known(value)) continue;
      return Outcome::error(
          {Code::not_supported_yet,
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
    if (report_ != nullptr && !arguments.empty())
      note(Code::too_many_values,
           std::to_string(arguments.left()) + " more than the directives take; FORMAT ignores them",
           {0, parsed_.source.size()});
    return {};
  }

 private:
  Flow fail(std::string_view error, std::string why, const Directive& directive) {
    trouble_ = Outcome::fails_at_run(std::string(error), std::move(why), directive.span);
    return Flow::fails;
  }
  // `what` with its verb: "a list longer than a line is".
  Flow not_yet(std::string what, const Directive& directive) {
    trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet",
                               directive.span, "Give a shorter or simpler value."});
    return Flow::fails;
  }
  Flow over_limit(std::string what, const Directive& directive) {
    trouble_ = Outcome::error({Code::over_limit, std::move(what), directive.span,
                               "Use smaller numbers, or an iteration that ends."});
    return Flow::fails;
  }

  // ---- Parameters ----

  struct Given {
    enum class Kind : std::uint8_t { nothing, number, character } kind = Kind::nothing;
    int number = 0;
    std::string character;
  };

  // The parameters of a directive, `most` at most; values are taken where v asks for them.
  bool take_parameters(const Directive& directive, std::size_t most, Arguments& arguments) {
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
        (void)over_limit("a parameter is over the limit of " + std::to_string(most_width),
                         directive);
        return false;
      }
    }
    return true;
  }

  bool take_value_parameter(const Directive& directive, Arguments& arguments, Given& out) {
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

  const Value* next(const Directive& directive, Arguments& arguments) {
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

  // Parameter `at` as a number or as a character. False: it is the other one.
  bool number(const Directive& directive, std::size_t at, int& out) {
    if (given_[at].kind == Given::Kind::nothing) return true;
    out = given_[at].number;
    if (given_[at].kind == Given::Kind::number) return true;
    (void)fail("TYPE-ERROR", "a parameter is a character and should be a number", directive);
    return false;
  }
  bool number(const Directive& directive, std::size_t at, std::optional<int>& out) {
    if (given_[at].kind == Given::Kind::nothing) return true;
    out = 0;
    return number(directive, at, *out);
  }
  bool character(const Directive& directive, std::size_t at, std::string& out) {
    if (given_[at].kind == Given::Kind::nothing) return true;
    out = given_[at].character;
    if (given_[at].kind == Given::Kind::character) return true;
    (void)fail("TYPE-ERROR", "a parameter is a number and should be a character", directive);
    return false;
  }

  // Modifiers that a directive does not have.
  bool check_modifiers(const Directive& directive, bool colon, bool at) {
    if ((!directive.colon || colon) && (!directive.at || at)) return true;
    (void)fail("FORMAT-ERROR",
               std::string("~") + directive.letter + " has no modifier " +
                   (directive.colon && !colon ? ":" : "@"),
               directive);
    return false;
  }

  // ---- Directives ----

  Flow run_tokens(const Tokens& tokens, Arguments& arguments, std::string& out) {
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

  Flow run_directive(const Directive& directive, Arguments& arguments, std::string& out) {
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

  int length_of(std::string_view text) const { return static_cast<int>(measure(text, unit())); }
  // The column that a text ends in. What was measured of it before is not measured again: code
  // points and units add up, columns need not.
  int column_of(const std::string& text) {
    if (measured_.text != &text || measured_.size > text.size() || unit() == WidthUnit::columns)
      measured_ = {&text, 0, 0};
    const std::string_view more = std::string_view(text).substr(measured_.size);
    const std::size_t line = more.rfind('\n');
    const int length = length_of(line == std::string_view::npos ? more : more.substr(line + 1));
    measured_.column = length + (line == std::string_view::npos ? measured_.column : 0);
    measured_.size = text.size();
    return measured_.column;
  }
  static void append_times(const std::string& character, int count, std::string& out) {
    for (int i = 0; i < count; ++i) out += character;
  }

  // `line` is the text that it comes behind; null where a padding does.
  bool print(const Value& value, int base, bool escapes, const Directive& directive,
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

  struct Padding {
    int least = 0;
    int step = 1;
    int least_padding = 0;
    std::string character = " ";
    bool on_left = false;
  };

  Flow put_padded(const std::string& text, const Padding& padding, const Directive& directive,
                  std::string& out) {
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

  Flow run_any(const Directive& directive, Arguments& arguments, std::string& out) {
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

  Flow run_write(const Directive& directive, Arguments& arguments, std::string& out) {
    if (!take_parameters(directive, 0, arguments)) return Flow::fails;
    const Value* value = next(directive, arguments);
    if (value == nullptr || !print(*value, 10, true, directive, &out, out)) return Flow::fails;
    return Flow::goes_on;
  }

  Flow run_whole_number(const Directive& directive, int base, Arguments& arguments,
                        std::string& out) {
    if (!take_parameters(directive, 4, arguments)) return Flow::fails;
    const Value* value = next(directive, arguments);
    return value == nullptr ? Flow::fails : put_whole(directive, *value, base, 0, out);
  }

  // `first`: which parameter is the width.
  Flow put_whole(const Directive& directive, const Value& value, int base, std::size_t first,
                 std::string& out) {
    if (!is_whole(value.type()))
      return print(value, base, false, directive, &out, out) ? Flow::goes_on : Flow::fails;
    Padding padding{.on_left = true};
    std::string mark = ",";
    int interval = 3;
    if (!number(directive, first, padding.least) ||
        !character(directive, first + 1, padding.character) ||
        !character(directive, first + 2, mark) || !number(directive, first + 3, interval))
      return Flow::fails;
    if (interval <= 0) return not_yet("marks at an interval of nothing are", directive);
    bool negative = false;
    const std::string digits = whole_digits(value, base, Letters::upper, negative);
    std::string text = negative ? "-" : directive.at ? "+" : "";
    for (std::size_t i = 0; i < digits.size(); ++i) {
      const std::size_t left = digits.size() - i;
      if (directive.colon && i > 0 && left % static_cast<std::size_t>(interval) == 0) text += mark;
      text += digits[i];
    }
    return put_padded(text, padding, directive, out);
  }

  Flow run_radix(const Directive& directive, Arguments& arguments, std::string& out) {
    if (!take_parameters(directive, 5, arguments)) return Flow::fails;
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    const bool has_base = given_[0].kind != Given::Kind::nothing;
    if (!has_base && !is_whole(value->type()))
      return fail("FORMAT-ERROR", describe(*value) + " is not of type INTEGER", directive);
    if (has_base) {
      int base = 10;
      if (!number(directive, 0, base)) return Flow::fails;
      if (base < lowest_base || base > highest_base)
        return fail("TYPE-ERROR", "a base is 2 to 36", directive);
      return put_whole(directive, *value, base, 1, out);
    }
    if (directive.at) return put_roman(directive, *value, out);
    bool negative = false;
    const std::string digits = whole_digits(*value, 10, Letters::lower, negative);
    const auto words = directive.colon ? ordinal(digits, negative) : cardinal(digits, negative);
    if (!words) return fail("SIMPLE-ERROR", "the number has no name in English", directive);
    out += *words;
    return Flow::goes_on;
  }

  Flow put_roman(const Directive& directive, const Value& value, std::string& out) {
    const auto small = small_whole(value);
    const int limit = directive.colon ? 5000 : 4000;
    if (!small || *small <= 0 || *small >= limit)
      return fail("SIMPLE-ERROR",
                  "Roman numerals end below " + std::to_string(limit) + ", and begin at 1",
                  directive);
    out += roman(static_cast<int>(*small), directive.colon);
    return Flow::goes_on;
  }

  // The parameters of ~F, or of ~E and ~G.
  bool take_float_field(const Directive& directive, FloatField& out) {
    const bool fixed = directive.letter == 'F';
    const std::size_t scale = fixed ? 2 : 3;
    out.at = directive.at;
    return number(directive, 0, out.width) && number(directive, 1, out.places) &&
           (fixed || number(directive, 2, out.exponent_digits)) &&
           number(directive, scale, out.scale) && character(directive, scale + 1, out.overflow) &&
           character(directive, scale + 2, out.pad) &&
           (fixed || character(directive, scale + 3, out.marker));
  }

  // Beyond these, the numbers in a directive ask for more than a float has.
  bool is_sensible(const FloatField& field) {
    constexpr int most = 5000;
    for (const auto& parameter : {field.width, field.places, field.exponent_digits}) {
      if (parameter && (*parameter < 0 || *parameter > most)) return false;
    }
    return std::abs(field.scale.value_or(0)) <= 400;
  }

  Flow run_float(const Directive& directive, Arguments& arguments, std::string& out) {
    FloatField field;
    const std::size_t parameters = directive.letter == 'F' ? 5 : 7;
    if (!check_modifiers(directive, false, true) ||
        !take_parameters(directive, parameters, arguments))
      return Flow::fails;
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    if (!is_whole(value->type()) && !is_real(value->type())) {
      // Of the parameters, two count.
      const std::size_t pad = directive.letter == 'F' ? 4 : 5;
      if (!number(directive, 0, field.width) || !character(directive, pad, field.pad))
        return Flow::fails;
      return put_other(directive, *value, field.width, field.pad, out);
    }
    if (!take_float_field(directive, field)) return Flow::fails;
    if (!is_sensible(field)) return not_yet("such numbers before the letter are", directive);
    Float number{};
    if (!take_float(directive, *value, number)) return Flow::fails;
    if (!number.real.is_finite()) {
      out += float_text(number);
      return Flow::goes_on;
    }
    if (directive.letter == 'F')
      append_fixed(number, field, out);
    else if (directive.letter == 'E')
      append_exponential(number, field, out);
    else
      append_general(number, field, out);
    if (report_ != nullptr) note_float(directive, *value, number, field);
    return Flow::goes_on;
  }

  bool take_float(const Directive& directive, const Value& value, Float& out) {
    if (is_real(value.type())) {
      out = float_of(value);
      return true;
    }
    out = single_of(value);
    if (out.real.is_finite()) return true;
    (void)fail("FLOATING-POINT-OVERFLOW", "the whole number is too large for a single-float",
               directive);
    return false;
  }

  void note_float(const Directive& directive, const Value& value, const Float& number,
                  const FloatField& field) {
    if (is_whole(value.type())) {
      if (number.real.is_zero() || whole_text(value) != plain_whole(number.real))
        note(Code::type_converted, describe(value) + " becomes a single-float, which holds 24 bits",
             directive.span);
      return;
    }
    if (value.given_in_bits() || !field.places || directive.letter != 'F' || field.scale) return;
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = Notation::fixed;
    spec.places = *field.places;
    spec.rounding = Rounding::half_away;
    FloatField alone;
    alone.places = field.places;
    std::string shown;
    append_fixed(number, alone, shown);
    TextBuffer nearest;
    spec.keep_point = true;
    lay_out_real(spec, *number.format, number.real, {}, nearest);
    if (shown == nearest.view())
      return note_rounding(spec, *number.format, number.real, directive.span, report_->notes);
    note(Code::departs_from_standard,
         "SBCL takes the fewest digits within half a unit of the place; to the nearest it would "
         "be " +
             nearest.string(),
         directive.span);
  }
  static std::string plain_whole(const BinaryReal& real) {
    Digits digits;
    exact_digits(real, digits);
    std::string out = real.negative ? "-" : "";
    out += digits.text();
    out.append(static_cast<std::size_t>(std::max(digits.point() - digits.size(), 0)), '0');
    return out;
  }

  // What is no real number is shown as by ~A: complex numbers on the right, others on the left.
  Flow put_other(const Directive& directive, const Value& value, std::optional<int> width,
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

  Flow run_dollars(const Directive& directive, Arguments& arguments, std::string& out) {
    FloatField field;
    field.width = 0;
    field.places = 2;
    if (!take_parameters(directive, 4, arguments) || !number(directive, 0, field.places) ||
        !number(directive, 1, field.least_whole) || !number(directive, 2, field.width) ||
        !character(directive, 3, field.pad))
      return Flow::fails;
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    if (!is_whole(value->type()) && !is_real(value->type()))
      return put_other(directive, *value, field.width, " ", out);
    Float number{};
    if (!is_sensible(field)) return not_yet("such numbers before the letter are", directive);
    if (!take_float(directive, *value, number)) return Flow::fails;
    if (!number.real.is_finite()) return not_yet("an infinity or NaN with ~$ is", directive);
    field.at = directive.at;
    field.colon = directive.colon;
    append_dollars(number, field, out);
    return Flow::goes_on;
  }

  Flow run_character(const Directive& directive, Arguments& arguments, std::string& out) {
    if (!take_parameters(directive, 0, arguments)) return Flow::fails;
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    if (!value->is(Type::character))
      return fail("FORMAT-ERROR", describe(*value) + " is not of type CHARACTER", directive);
    const char32_t c = value->as_character();
    if (!directive.colon)
      return print(*value, 10, directive.at, directive, nullptr, out) ? Flow::goes_on : Flow::fails;
    if (c <= 0x20)
      out += character_names[c];
    else if (c == 0x7F)
      out += "Rubout";
    else if (c >= 0x80 && !is_printable(c))
      return not_yet("the name of a character beyond ASCII is", directive);
    else
      append_utf8(c, out);
    return Flow::goes_on;
  }

  Flow run_plural(const Directive& directive, Arguments& arguments, std::string& out) {
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

  Flow run_times(const Directive& directive, const std::string& character, Arguments& arguments,
                 std::string& out) {
    int count = 1;
    if (!check_modifiers(directive, false, false) || !take_parameters(directive, 1, arguments) ||
        !number(directive, 0, count))
      return Flow::fails;
    append_times(character, count, out);
    return Flow::goes_on;
  }

  Flow run_fresh_line(const Directive& directive, Arguments& arguments, std::string& out) {
    int count = 1;
    if (!check_modifiers(directive, false, false) || !take_parameters(directive, 1, arguments) ||
        !number(directive, 0, count))
      return Flow::fails;
    if (count > 0 && !out.empty() && out.back() != '\n') out += '\n';
    append_times("\n", count - 1, out);
    return Flow::goes_on;
  }

  Flow run_tab(const Directive& directive, Arguments& arguments, std::string& out) {
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

  Flow run_skip(const Directive& directive, Arguments& arguments) {
    int count = directive.at ? 0 : 1;
    if (directive.at && directive.colon)
      return fail("FORMAT-ERROR", "~* has either : or @", directive);
    if (!take_parameters(directive, 1, arguments) || !number(directive, 0, count))
      return Flow::fails;
    const auto at = static_cast<int>(arguments.at);
    const int wanted = directive.at      ? count
                       : directive.colon ? at - count
                                         : at + std::max(count, 0);
    if (wanted < 0 || wanted > static_cast<int>(arguments.all.size()))
      return fail("FORMAT-ERROR", "there is no value there", directive);
    arguments.at = static_cast<std::size_t>(wanted);
    return Flow::goes_on;
  }

  Flow run_leave(const Directive& directive, Arguments& arguments) {
    if (!check_modifiers(directive, true, false)) return Flow::fails;
    if (directive.colon && !inside_lists_)
      return fail("FORMAT-ERROR", "~:^ stands outside of ~:{ ~}", directive);
    if (!take_parameters(directive, 3, arguments)) return Flow::fails;
    const auto is = [&](std::size_t i) { return given_[i].kind != Given::Kind::nothing; };
    for (const Given& given : given_) {
      if (given.kind == Given::Kind::character)
        return not_yet("a character before ~^ is", directive);
    }
    bool leaves = false;
    if (is(2)) {
      if (!is(0) || !is(1)) return fail("TYPE-ERROR", "~^ compares numbers", directive);
      leaves = given_[0].number <= given_[1].number && given_[1].number <= given_[2].number;
    } else if (is(1)) {
      leaves = is(0) && given_[0].number == given_[1].number;
    } else if (is(0)) {
      leaves = given_[0].number == 0;
    } else {
      leaves = directive.colon ? outside_empty_ : arguments.empty();
    }
    if (!leaves) return Flow::goes_on;
    return directive.colon ? Flow::leaves_all : Flow::leaves;
  }

  Flow run_case(const Directive& directive, Arguments& arguments, std::string& out) {
    if (!take_parameters(directive, 0, arguments)) return Flow::fails;
    const std::size_t from = out.size();
    const Flow flow = run_tokens(directive.sections[0], arguments, out);
    if (flow == Flow::fails) return flow;
    const std::string text = out.substr(from);
    out.resize(from);
    out += simple_case(text, directive.colon && directive.at ? Capitals::all
                             : directive.colon               ? Capitals::each_word
                             : directive.at                  ? Capitals::first_word
                                                             : Capitals::none);
    return flow;
  }

  Flow run_choice(const Directive& directive, Arguments& arguments, std::string& out) {
    if (directive.colon && directive.at)
      return fail("FORMAT-ERROR", "~[ has either : or @", directive);
    const auto& sections = directive.sections;
    if (!take_parameters(directive, directive.colon || directive.at ? 0 : 1, arguments))
      return Flow::fails;
    if (directive.at) {
      if (sections.size() != 1) return fail("FORMAT-ERROR", "~@[ has one section", directive);
      const Value* value = next(directive, arguments);
      if (value == nullptr) return Flow::fails;
      if (is_null(*value)) return Flow::goes_on;
      --arguments.at;
      return run_tokens(sections[0], arguments, out);
    }
    if (directive.colon) {
      if (sections.size() != 2) return fail("FORMAT-ERROR", "~:[ has two sections", directive);
      const Value* value = next(directive, arguments);
      if (value == nullptr) return Flow::fails;
      return run_tokens(sections[is_null(*value) ? 0 : 1], arguments, out);
    }
    int index = 0;
    if (given_[0].kind != Given::Kind::nothing) {
      if (!number(directive, 0, index)) return Flow::fails;
    } else if (!take_index(directive, arguments, index)) {
      return Flow::fails;
    }
    const int count = static_cast<int>(sections.size()) - (directive.last_is_default ? 1 : 0);
    if (index >= 0 && index < count)
      return run_tokens(sections[static_cast<std::size_t>(index)], arguments, out);
    return directive.last_is_default ? run_tokens(sections.back(), arguments, out) : Flow::goes_on;
  }

  bool take_index(const Directive& directive, Arguments& arguments, int& index) {
    const Value* value = next(directive, arguments);
    if (value == nullptr) return false;
    if (!is_whole(value->type())) {
      (void)fail("FORMAT-ERROR", describe(*value) + " is no whole number", directive);
      return false;
    }
    const auto small = small_whole(*value);
    index = small && *small >= 0 && *small < most_width ? static_cast<int>(*small) : -1;
    return true;
  }

  Flow run_iteration(const Directive& directive, Arguments& arguments, std::string& out) {
    int most = unset;
    if (!take_parameters(directive, 1, arguments) || !number(directive, 0, most))
      return Flow::fails;
    const bool limited = given_[0].kind != Given::Kind::nothing;
    Arguments items;
    if (!directive.at && !take_list(directive, arguments, items)) return Flow::fails;
    Arguments& used = directive.at ? arguments : items;
    for (int turn = 0;; ++turn) {
      constexpr int most_turns = 1'000'000;
      if (!directive.close_colon && used.empty()) break;
      if (limited && turn >= most) break;
      if (turn > most_turns || out.size() > most_output)
        return over_limit("the text grows over the limit, or never ends", directive);
      const Flow flow = directive.colon ? run_sublist(directive, used, out)
                                        : run_tokens(directive.sections[0], used, out);
      if (flow == Flow::fails) return flow;
      if (flow == Flow::leaves_all && !directive.colon) return flow;
      if (flow == Flow::leaves_all || (flow == Flow::leaves && !directive.colon)) break;
      if (directive.close_colon && used.empty()) break;
    }
    return Flow::goes_on;
  }

  bool take_list(const Directive& directive, Arguments& arguments, Arguments& out) {
    const Value* value = next(directive, arguments);
    if (value == nullptr) return false;
    out = {items_of(*value), 0, is_list(*value) ? nullptr : value};
    return true;
  }

  // A turn of ~:{ ~}, whose values are those of the next item.
  Flow run_sublist(const Directive& directive, Arguments& arguments, std::string& out) {
    Arguments items;
    if (!take_list(directive, arguments, items)) return Flow::fails;
    const bool inside_before = std::exchange(inside_lists_, true);
    const bool empty_before = std::exchange(outside_empty_, arguments.empty());
    const Flow flow = run_tokens(directive.sections[0], items, out);
    inside_lists_ = inside_before;
    outside_empty_ = empty_before;
    return flow;
  }

  Flow run_justification(const Directive& directive, Arguments& arguments, std::string& out) {
    Padding padding;
    if (!take_parameters(directive, 4, arguments) || !number(directive, 0, padding.least) ||
        !number(directive, 1, padding.step) || !number(directive, 2, padding.least_padding) ||
        !character(directive, 3, padding.character))
      return Flow::fails;
    if (directive.close_at) return fail("FORMAT-ERROR", "~> has no @", directive);
    if (std::any_of(directive.sections.begin(), directive.sections.end(), writes))
      return fail("FORMAT-ERROR", "~W has no place inside ~< ~>", directive);
    if (padding.step <= 0) return not_yet("a step of nothing is", directive);
    std::vector<std::string> texts;
    for (const Tokens& section : directive.sections) {
      measured_ = {nullptr, 0, 0};
      std::string text;
      const Flow flow = run_tokens(section, arguments, text);
      if (flow == Flow::fails || flow == Flow::leaves_all) return flow;
      if (flow == Flow::leaves) break;
      texts.push_back(std::move(text));
    }
    justify(texts, padding, directive, out);
    return Flow::goes_on;
  }

  // Whether ~W stands anywhere inside.
  static bool writes(const Tokens& tokens) {
    return std::any_of(tokens.begin(), tokens.end(), [](const Token& token) {
      return token.directive && (token.directive->letter == 'W' ||
                                 std::any_of(token.directive->sections.begin(),
                                             token.directive->sections.end(), writes));
    });
  }

  void justify(const std::vector<std::string>& texts, const Padding& padding,
               const Directive& directive, std::string& out) const {
    int gaps =
        static_cast<int>(texts.size()) - 1 + (directive.colon ? 1 : 0) + (directive.at ? 1 : 0);
    int length = gaps * padding.least_padding;
    int left = length;
    for (const std::string& text : texts) length += length_of(text);
    int wanted = padding.least;
    if (length > wanted)
      wanted += (length - wanted + padding.step - 1) / padding.step * padding.step;
    left += wanted - length;
    const auto pad = [&] {
      const int now = gaps == 0 ? left : left / gaps;
      left -= now;
      --gaps;
      append_times(padding.character, now, out);
    };
    if (directive.colon || (!directive.at && texts.size() < 2)) pad();
    for (std::size_t i = 0; i < texts.size(); ++i) {
      if (i > 0) pad();
      out += texts[i];
    }
    if (directive.at) pad();
  }

  const Control& control_;
  std::vector<Given> given_;  // the parameters of the directive being run
  // It printed a list whose line breaks are not known. What follows may still fail, and then
  // nothing was printed.
  const Directive* broken_list_ = nullptr;
  int steps_ = 0;  // directives run so far
  struct Measured {
    const std::string* text;
    std::size_t size;
    int column;
  };
  Measured measured_ = {nullptr, 0, 0};
  bool inside_lists_ = false;  // of ~:{ ~}
  bool outside_empty_ = false;
};

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
    return Rendering(parsed, values, options, out, report).run_whole();
  }

  // (prin1 value)
  Outcome print_plainly(const Value& value, Output& out) const override {
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
