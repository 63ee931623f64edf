// The dialect `r-format`: the vector-formatting calls of R, as written in its source:
//
//   format(mass, nsmall = 2, width = 9)      formatC(lots, width = 8, flag = "0")
//   prettyNum(cost, big.mark = ",")
//
// Defined by the R 4.2 help pages of format, formatC and prettyNum; the text is that of R 4.2.2 on
// Linux in a UTF-8 locale. Names are values by name; values without names are given to the other
// names in the order these first appear. A list of values is the vector that c() makes of them; nil
// is NA. The answer is one text for each element.
//
// What sets it apart:
//   - the elements of a vector share one width and one number of digits: as many as the element
//     that needs most to show `digits` significant ones;
//   - digits are significant ones and at least so many, nsmall is the least number of decimals;
//   - formatC hands each element to the C library by itself.

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <limits>
#include <optional>
#include <string>

#include "../c/dialects.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/program_dialect.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "dialect/program_form.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "program.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace r_language {

namespace {

// ---- Facts ----

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"digits",
     "format: significant digits, at least for the element that needs most; 1 to 22, 7 "
     "when left out. formatC: as the precision of C"},
    {"nsmall", "format: decimals at least, in fixed notation; 0 to 20"},
    {"width",
     "characters at least, the same for all elements; formatC: a negative one pads on the "
     "right"},
    {"justify", "format, of text: \"left\", \"right\", \"centre\" or \"none\""},
    {"scientific", "format: TRUE, FALSE, or how many characters fixed notation may be longer"},
    {"trim", "format: TRUE leaves out the padding of numbers"},
    {"big.mark", "between groups of digits before the point"},
    {"big.interval", "how many digits are a group; 3 when left out"},
    {"decimal.mark", "format: the decimal mark"},
    {"format",
     "formatC: \"d\" for wholes, \"f\", \"e\", \"E\", \"g\" or \"G\" as in C, \"s\" for "
     "text"},
    {"flag", "formatC: flags of C, such as \"0\", \"-\" and \"+\""},
    {"mode", "formatC: \"double\", \"integer\" or \"character\""},
});

constexpr auto escapes = std::to_array<EscapeFact>({
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\\\", "a backslash"},
    {"\\u03a9", "the character of this code point, up to four digits"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"a call that cannot be read", "parse error, before the program runs"},
    {"a name there is none of", "simpleError: object not found"},
    {"digits or nsmall out of range, another justify or flag", "simpleError, at run time"},
    {"a truth value given to formatC", "simpleError: unsupported type"},
});

constexpr DialectFacts format_facts = {
    .id = "r-format",
    .language = "R",
    .facility = "the calls format, formatC and prettyNum",
    .standard = "R 4.2 reference, format and formatC",
    .toolchain = "R 4.2.2",
    .program = "Rscript",
    .width_unit = WidthUnit::columns,
    .rounding = Rounding::half_even,
    .rounding_basis = "the stored value, exactly, to significant digits that all elements share",
    .rounds_stored_value = false,
    .letter_form = "",
    .places_form = "formatC(x, digits = N, format = \"f\")",
    .modifiers_are = "Arguments",
    .program_form = &r_program,
    .run_form = &r_run,
    .quotes = "",
    .default_locale = "",
    .locales = {},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// ---- A call, read ----

struct Expression {
  enum class Kind : std::uint8_t { value, name, vector, null };
  Kind kind = Kind::null;
  Value value;                    // a literal
  std::string name;               // of a value
  bool negative = false;          // a minus sign before it
  std::vector<Expression> items;  // of c(...)
  Span span;
};

struct Argument {
  std::string name;  // empty: by its place
  Expression expression;
  Span span;
};

struct Call final : Program {
  std::string function;
  std::vector<Argument> arguments;
  std::vector<std::string> names;  // of values, in the order they first appear
};

constexpr int most_nesting = 32;

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, Call& call, std::vector<Words>* words)
      : PastedSource(out), call_(call), names_(call.names), words_(words) {}

  void read() {
    skip_blanks();
    const std::size_t start = at_;
    call_.function = read_name();
    constexpr std::string_view functions[] = {"format", "formatC", "prettyNum"};
    const bool known = std::find(std::begin(functions), std::end(functions), call_.function) !=
                       std::end(functions);
    skip_blanks();
    if (!known || peek() != '(') {
      not_yet("calls other than format(), formatC() and prettyNum() are", start);
      return;
    }
    ++at_;
    tell("call", [&] { return meaning_of_call(); });
    if (!read_arguments(start)) return;
    skip_blanks();
    if (at_ < source_.size()) not_yet("what follows the call is", at_);
    at_ = source_.size();
    tell("end", [] { return std::string("the end of the call"); });
  }

 private:
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked()) words_.add(at_, role, meaning(), 0);
  }
  std::string meaning_of_call() const {
    return call_.function == "format"    ? "all elements with one width and one number of digits"
           : call_.function == "formatC" ? "each element through the C library"
                                         : "each element by itself, with marks between digits";
  }

  bool parse_error(std::string why, std::size_t from) {
    return refuse(Refusal::When::compile, "parse error", std::move(why), from);
  }

  void skip_blanks() { skip(" \t\r\n"); }
  static bool is_name_part(char c) { return is_word_part(c) || c == '.'; }
  std::string read_name() {
    const std::size_t start = at_;
    while (is_name_part(peek())) ++at_;
    return std::string(source_.substr(start, at_ - start));
  }

  bool read_arguments(std::size_t start) {
    for (;;) {
      skip_blanks();
      if (peek() == ')') {
        ++at_;
        return true;
      }
      Argument argument;
      const std::size_t from = at_;
      if (!read_argument(argument)) return false;
      argument.span = {from, at_};
      call_.arguments.push_back(std::move(argument));
      skip_blanks();
      if (at_ >= source_.size())
        return parse_error("the closing bracket of the call is missing", start);
      if (peek() != ',' && peek() != ')')
        return not_yet("expressions other than names, literals and c() are", at_);
      if (peek() == ',') ++at_;
      tell("argument", [&] { return in_words(call_.arguments.back()); });
    }
  }

  static std::string in_words(const Argument& argument) {
    if (argument.name.empty())
      return argument.expression.name.empty() ? "a value"
                                              : "the value named " + argument.expression.name;
    for (const ModifierFact& fact : modifiers) {
      if (fact.text == argument.name) return std::string(fact.meaning);
    }
    return "the argument " + argument.name;
  }

  bool read_argument(Argument& out) {
    if (at_ >= source_.size()) return parse_error("the call breaks off here", at_);
    const std::size_t start = at_;
    if (is_name_part(peek()) && !is_digit(peek())) {
      std::string name = read_name();
      skip_blanks();
      if (peek() == '=' && peek(1) != '=') {
        ++at_;
        out.name = std::move(name);
      } else {
        at_ = start;
      }
    }
    return read_expression(out.expression, 0);
  }

  bool read_expression(Expression& out, int depth) {
    skip_blanks();
    const std::size_t start = at_;
    if (depth > most_nesting) return not_yet("vectors nested so deep are", start);
    while (peek() == '-' || peek() == '+') {
      out.negative ^= peek() == '-';
      ++at_;
      skip_blanks();
    }
    const char c = peek();
    bool read = false;
    if (c == '"' || c == '\'') {
      if (out.negative) return not_yet("a sign before a text is", start);
      read = read_text(out);
    } else if (is_digit(c) || (c == '.' && is_digit(peek(1)))) {
      read = read_number(out);
    } else if (is_name_part(c) && c != '_') {
      read = read_word(out, depth);
    } else if (at_ >= source_.size() || c == ',' || c == ')') {
      return at_ >= source_.size() ? parse_error("the call breaks off here", start)
                                   : not_yet("empty arguments are", start);
    } else {
      return not_yet("expressions other than names, literals and c() are", start);
    }
    out.span = {start, at_};
    return read;
  }

  bool read_text(Expression& out) {
    const std::size_t start = at_;
    const char quote = source_[at_++];
    const std::size_t kept = out_.literals.size();
    while (at_ < source_.size() && source_[at_] != quote) {
      if (source_[at_] == '\\')
        at_ += read_escape(at_, out_);
      else
        out_.literals += source_[at_++];
      if (out_.refusal) return false;
    }
    if (at_ >= source_.size()) return parse_error("a closing quote is missing", start);
    ++at_;
    out.kind = Expression::Kind::value;
    out.value = Value::text(out_.literals.substr(kept));
    out_.literals.resize(kept);
    return true;
  }

  bool read_number(Expression& out) {
    const std::size_t start = at_;
    std::string digits;
    const bool hexadecimal = peek() == '0' && (peek(1) | 0x20) == 'x';
    for (; is_name_part(peek()) && peek() != 'L' && peek() != '_'; ++at_) {
      digits += peek();
      const bool exponent = !hexadecimal && (peek() == 'e' || peek() == 'E');
      if (exponent && (peek(1) == '+' || peek(1) == '-')) digits += source_[++at_];
    }
    const bool is_long = peek() == 'L';
    if (is_long) ++at_;
    const auto bits = read_real(binary64, digits);
    if (!bits) return parse_error(in_quotes(digits) + " is no number of R", start);
    out.kind = Expression::Kind::value;
    out.value = Value::real(Type::f64, *bits);
    if (is_long) {
      const double number = std::bit_cast<double>(low_half(*bits));
      if (number != std::floor(number) || number > std::numeric_limits<std::int32_t>::max())
        return not_yet("a number with L that is no integer is", start);
      out.value = Value::whole(Type::i32, static_cast<int128>(number));
    }
    return true;
  }

  bool read_word(Expression& out, int depth) {
    const std::size_t start = at_;
    const std::string word = read_name();
    skip_blanks();
    out.kind = Expression::Kind::value;
    if (word == "c" && peek() == '(') return read_vector(out, depth);
    if (peek() == '(') return not_yet("calls inside the call are", start);
    if (peek() == '$' || peek() == '[' || peek() == ':')
      return not_yet("expressions other than names, literals and c() are", start);
    if (word == "TRUE" || word == "T")
      out.value = Value::truth(true);
    else if (word == "FALSE" || word == "F")
      out.value = Value::truth(false);
    else if (word == "NA")
      out.value = Value();
    else if (word == "NaN" || word == "Inf")
      out.value = Value::real(word == "NaN" ? std::nan("") : HUGE_VAL);
    else if (word == "pi")
      out.value = Value::real(0x1.921fb54442d18p+1);
    else if (word == "NULL")
      out.kind = Expression::Kind::null;
    else
      set_name(out, word);
    return true;
  }

  void set_name(Expression& out, const std::string& word) {
    out.kind = Expression::Kind::name;
    out.name = word;
    names_.add(word);
  }

  bool read_vector(Expression& out, int depth) {
    const std::size_t start = at_++;
    out.kind = Expression::Kind::vector;
    for (;;) {
      skip_blanks();
      if (peek() == ')') {
        ++at_;
        return true;
      }
      Expression item;
      if (!read_expression(item, depth + 1)) return false;
      out.items.push_back(std::move(item));
      skip_blanks();
      if (peek() == ',')
        ++at_;
      else if (peek() != ')')
        return at_ >= source_.size()
                   ? parse_error("a closing bracket is missing", start)
                   : not_yet("expressions other than names, literals and c() are", at_);
    }
  }

  Call& call_;
  NameCollector names_;
  braces::WordsSink words_;
};

// ---- Numbers of one vector ----

// What one number asks of the format that all share: R's scientific().
struct Need {
  int exponent = 0;
  int digits = 1;       // significant ones, without zeros at the end
  bool widens = false;  // rounding to `digits` made it longer, which fixed notation does not
  bool negative = false;
};

Need need_of(const BinaryReal& real, int digits) {
  Need out;
  if (real.is_zero()) return out;
  out.negative = real.negative;
  Digits rounded;
  digits_to_significant(real, digits, Rounding::half_even, rounded);
  rounded.strip_trailing_zeros();
  out.exponent = rounded.point() - 1;
  out.digits = rounded.size();
  constexpr int most_exponent = 22;
  if (digits >= 16 || out.exponent <= 0 || out.exponent > most_exponent) return out;
  // Fixed notation cuts farther to the right, if at all.
  digits_to_places(real, std::clamp(digits - out.exponent, 0, most_exponent), Rounding::half_away,
                   rounded);
  out.widens = rounded.point() <= out.exponent;
  return out;
}

struct Shared {
  int width = 0;
  int places = 0;
  bool scientific = false;
};

// R's formatReal(): fixed notation where it is no longer than scientific, but for `penalty`.
Shared share(std::span<const std::optional<BinaryReal>> numbers, int digits, int nsmall,
             int penalty) {
  constexpr int most_places = 350;
  int right = 0;
  int left = 1;
  int highest = std::numeric_limits<int>::min();
  int lowest = std::numeric_limits<int>::max();
  int most_digits = 0;
  bool negative = false;
  int special = 0;
  for (const auto& number : numbers) {
    if (!number || !number->is_finite()) {
      const bool minus_infinite = number && number->kind == RealClass::infinite && number->negative;
      special = std::max(special, !number ? 2 : minus_infinite ? 4 : 3);
      continue;
    }
    const Need need = need_of(*number, digits);
    const int whole = need.exponent + 1 - (need.widens ? 1 : 0);
    right = std::max(right, need.digits - need.exponent - 1);
    left = std::max(left, (need.negative ? 1 : 0) + std::max(whole, 1));
    highest = std::max(highest, need.exponent);
    lowest = std::min(lowest, need.exponent);
    most_digits = std::max(most_digits, need.digits);
    negative |= need.negative;
  }
  Shared out;
  if (most_digits > 0) {
    right = std::min(right, most_places);
    const auto fixed_width = [&] { return left + right + (right > 0 ? 1 : 0); };
    const int exponent = highest >= 100 || lowest <= -100 ? 2 : 1;
    out.places = most_digits - 1;
    out.width = (negative ? 1 : 0) + (out.places > 0 ? 1 : 0) + out.places + 4 + exponent;
    out.scientific = fixed_width() > out.width + penalty;
    if (!out.scientific) {
      right = std::max(right, nsmall);
      out.places = right;
      out.width = fixed_width();
    }
  }
  out.width = std::max(out.width, special);
  return out;
}

std::string special_text(const std::optional<BinaryReal>& number) {
  if (!number) return "NA";
  if (number->kind == RealClass::not_a_number) return "NaN";
  return number->negative ? "-Inf" : "Inf";
}

std::string number_text(const std::optional<BinaryReal>& number, const Shared& shared) {
  if (!number || !number->is_finite()) return special_text(number);
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = shared.scientific ? Notation::scientific : Notation::fixed;
  spec.places = shared.places;
  BinaryReal shown = *number;
  if (shown.is_zero()) shown.negative = false;
  TextBuffer out;
  lay_out_real(spec, binary64, shown, number_style, out);
  return out.string();
}

// ---- Marks between digits ----

struct Marks {
  std::string mark;  // empty: none
  int interval = 3;
  char point = '.';
};

// Puts marks into the digits before the point; how many characters longer the text became.
std::size_t put_marks(const Marks& marks, std::string& text) {
  // A point with nothing after it is dropped.
  if (text.ends_with(marks.point)) text.pop_back();
  const std::size_t end = std::min(text.find(marks.point), text.size());
  const auto interval = static_cast<std::size_t>(marks.interval);
  std::size_t run = 0;
  std::size_t longest = 0;
  for (std::size_t i = 0; i < end; ++i) {
    run = text[i] >= '0' && text[i] <= '9' ? run + 1 : 0;
    longest = std::max(longest, run);
  }
  if (longest <= interval) return 0;
  std::string out;
  std::size_t added = 0;
  const auto is_word = [](char c) {
    return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
  };
  // From the right, as often as a whole group of digits is followed by more.
  std::size_t digits = 0;
  for (std::size_t i = end; i-- > 0;) {
    digits = text[i] >= '0' && text[i] <= '9' ? digits + 1 : 0;
    out.insert(out.begin(), text[i]);
    if (digits == interval) {
      digits = 0;
      if (i > 0 && is_word(text[i - 1])) {
        out.insert(0, marks.mark);
        added += marks.mark.size();
      }
    }
  }
  text.replace(0, end, out);
  return added;
}

// A width as R reckons it: what would be escaped in quotes counts as its escape.
int width_of(std::string_view text, WidthUnit unit) {
  int out = static_cast<int>(measure(text, unit));
  for (const char c : text) {
    if (c == '\\' || (c >= 7 && c <= 13))
      out += c == '\\' ? 1 : 2;
    else if ((c >= 0 && c < 0x20) || c == 0x7F)
      out += 4;
  }
  return out;
}

std::string padded_by(std::string_view text, int missing, std::string_view justify) {
  missing = std::max(missing, 0);
  const int before = justify == "right" ? missing : justify == "centre" ? missing / 2 : 0;
  const int after = justify == "none" ? 0 : missing - before;
  return std::string(static_cast<std::size_t>(before), ' ') + std::string(text) +
         std::string(static_cast<std::size_t>(after), ' ');
}

// ---- Rendering ----

// A vector of R.
struct Vector {
  Mode mode = Mode::logical;
  std::vector<Value> items;  // numbers, truth values, texts, or nil for NA
};

class Rendering {
 public:
  Rendering(const TemplateContent& parsed, const Call& call, std::span<const Value> values,
            WidthUnit unit, Report* report)
      : parsed_(parsed),
        call_(call),
        values_(values),
        named_(call.names, values),
        unit_(unit),
        report_(report) {}

  // The texts of all elements, or why there are none.
  std::optional<Outcome> run(std::vector<std::string>& texts) {
    const bool done = call_.function == "format"    ? run_format(texts)
                      : call_.function == "formatC" ? run_format_c(texts)
                                                    : run_pretty(texts);
    if (!done) return std::move(trouble_);
    if (report_ != nullptr) note_spare();
    return std::nullopt;
  }

 private:
  bool fail(std::string why, Span span) {
    trouble_ = Outcome::fails_at_run("simpleError", std::move(why), span);
    return false;
  }
  bool not_yet(std::string what, Span span) {
    trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet",
                               span, "Leave it out, or give what it comes to."});
    return false;
  }
  Span whole() const { return {0, parsed_.source.size()}; }

  int columns_of(std::string_view text) const { return width_of(text, unit_); }
  std::string padded(std::string_view text, int width, std::string_view justify) const {
    return padded_by(text, width - columns_of(text), justify);
  }
  void note(Code code, std::string message, Span span) {
    report_->notes.push_back({code, std::move(message), span});
  }

  const Value* find(std::string_view name) const { return named_.find(name); }

  void note_spare() {
    const std::size_t spare = named_.spare();
    if (spare > 0)
      note(Code::too_many_values, std::to_string(spare) + " more than the names in the call",
           whole());
  }

  // ---- Arguments ----

  // The argument of this name, or at this place among those without: R matches names first, then
  // beginnings of names, then places. Null where it is left out.
  bool match(std::span<const std::string_view> formals, bool has_dots) {
    matched_.assign(formals.size(), nullptr);
    std::vector<bool> used(call_.arguments.size(), false);
    for (const bool partial : {false, true}) {
      for (std::size_t i = 0; i < call_.arguments.size(); ++i) {
        const std::string& name = call_.arguments[i].name;
        if (name.empty() || used[i]) continue;
        std::size_t found = formals.size();
        for (std::size_t k = 0; k < formals.size(); ++k) {
          const bool fits =
              partial ? formals[k].starts_with(name) && matched_[k] == nullptr : formals[k] == name;
          if (!fits) continue;
          if (found != formals.size() || matched_[k] != nullptr)
            return fail("an argument is matched by several names", call_.arguments[i].span);
          found = k;
        }
        if (found == formals.size()) continue;
        matched_[found] = &call_.arguments[i].expression;
        used[i] = true;
      }
    }
    std::size_t place = 0;
    for (std::size_t i = 0; i < call_.arguments.size(); ++i) {
      if (used[i]) continue;
      const Argument& argument = call_.arguments[i];
      if (!argument.name.empty()) {
        if (!has_dots) return fail("unused argument " + argument.name, argument.span);
        return not_yet("the argument " + argument.name + " is", argument.span);
      }
      while (place < matched_.size() && matched_[place] != nullptr) ++place;
      if (place == matched_.size()) return fail("unused argument", argument.span);
      matched_[place] = &argument.expression;
    }
    for (std::size_t k = 0; k < formals.size(); ++k) {
      if (formals[k].starts_with('?') && matched_[k] != nullptr)
        return not_yet("the argument " + std::string(formals[k].substr(1)) + " is",
                       matched_[k]->span);
    }
    return true;
  }

  bool take_vector(const Expression& expression, Vector& out) {
    const std::size_t before = out.items.size();
    switch (expression.kind) {
      case Expression::Kind::null:
        return true;
      case Expression::Kind::value:
        out.items.push_back(expression.value);
        break;
      case Expression::Kind::vector:
        for (const Expression& item : expression.items) {
          if (!take_vector(item, out)) return false;
        }
        break;
      case Expression::Kind::name: {
        const Value* value = find(expression.name);
        if (value == nullptr)
          return fail("object '" + expression.name + "' not found", expression.span);
        if (!take_value(*value, expression.span, out)) return false;
        break;
      }
    }
    for (std::size_t i = before; i < out.items.size(); ++i) {
      if (expression.negative && !negate(out.items[i], expression.span)) return false;
    }
    out.mode = Mode::logical;
    for (const Value& item : out.items) out.mode = std::max(out.mode, mode_of(item));
    return true;
  }

  bool take_value(const Value& value, Span span, Vector& out) {
    if (value.is(Type::list) || value.is(Type::tuple)) {
      for (const Value& item : value.as_list()) {
        if (is_compound(item.type())) return not_yet("a list in a list is", span);
        if (!take_value(item, span, out)) return false;
      }
      return true;
    }
    if (is_rare(value.type()))
      return not_yet("a value of type " + std::string(name_of(value.type())) + " is", span);
    out.items.push_back(value);
    return true;
  }

  bool negate(Value& value, Span span) {
    if (value.is(Type::nil)) return true;
    if (is_text_or_character(value)) return fail("invalid argument to unary operator", span);
    if (mode_of(value) != Mode::real) {
      value = Value::whole(Type::i32, -static_cast<int128>(integer_of(value)));
      return true;
    }
    BinaryReal real = nearest_f64(value);
    real.negative = !real.negative;
    value = Value::real(Type::f64, pack(binary64, real));
    return true;
  }

  // One number, as an integer; nothing where the argument is left out or NULL.
  bool take_count(std::size_t at, std::optional<int>& out) {
    if (matched_[at] == nullptr || matched_[at]->kind == Expression::Kind::null) return true;
    Vector vector;
    const Span span = matched_[at]->span;
    if (!take_vector(*matched_[at], vector)) return false;
    if (vector.items.size() != 1 || vector.mode == Mode::character || vector.items[0].is(Type::nil))
      return not_yet("such a number is", span);
    const Value& value = vector.items[0];
    if (is_real(value.type()) && !nearest_f64(value).is_finite())
      return not_yet("such a number is", span);
    const BinaryReal real = nearest_f64(value);
    if (!real.is_zero() && real.leading_exponent() > 20) return over_limit(span);
    out = static_cast<int>(integer_of(value));
    return std::abs(*out) <= most_width || over_limit(span);
  }
  bool over_limit(Span span) {
    trouble_ = Outcome::error({Code::over_limit,
                               "a number is over the limit of " + std::to_string(most_width), span,
                               "Use at most " + std::to_string(most_width) + "."});
    return false;
  }

  // So many elements of this width, all together.
  bool within_output(std::size_t count, int width) {
    if (static_cast<std::size_t>(std::abs(width)) * count <= most_output) return true;
    trouble_ = Outcome::error(
        {Code::over_limit,
         "the texts grow over the limit of " + std::to_string(most_output) + " bytes", whole(),
         "Use fewer elements, or a smaller width."});
    return false;
  }

  bool take_text(std::size_t at, std::string& out) {
    if (matched_[at] == nullptr || matched_[at]->kind == Expression::Kind::null) return true;
    Vector vector;
    if (!take_vector(*matched_[at], vector)) return false;
    if (vector.items.size() != 1 || vector.mode != Mode::character)
      return not_yet("such a text is", matched_[at]->span);
    out = text_of(vector.items[0]);
    return true;
  }

  bool take_x(Vector& out) {
    if (matched_[0] == nullptr) return fail("argument \"x\" is missing, with no default", whole());
    return take_vector(*matched_[0], out);
  }

  bool take_marks(std::size_t mark, std::size_t interval, std::size_t point, Marks& out) {
    std::optional<int> size;
    std::string decimal;
    if (!take_text(mark, out.mark) || !take_count(interval, size) || !take_text(point, decimal))
      return false;
    if (size) out.interval = *size;
    if (out.interval < 1) return not_yet("such an interval is", matched_[interval]->span);
    if (decimal.size() > 1) return not_yet("a decimal mark of several characters is", whole());
    if (!decimal.empty()) out.point = decimal[0];
    return true;
  }

  // ---- format ----

  static std::vector<std::optional<BinaryReal>> reals_of(const Vector& vector) {
    std::vector<std::optional<BinaryReal>> out;
    for (const Value& item : vector.items) {
      if (item.is(Type::nil))
        out.emplace_back();
      else
        out.emplace_back(nearest_f64(item));
    }
    return out;
  }

  bool run_format(std::vector<std::string>& texts) {
    static constexpr std::string_view formals[] = {"x",
                                                   "trim",
                                                   "digits",
                                                   "nsmall",
                                                   "justify",
                                                   "width",
                                                   "?na.encode",
                                                   "scientific",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "decimal.mark",
                                                   "?zero.print",
                                                   "?drop0trailing"};
    Vector x;
    if (!match(formals, true) || !take_x(x)) return false;
    std::optional<int> digits;
    std::optional<int> nsmall;
    std::optional<int> width;
    std::string justify = "left";
    int penalty = 0;
    bool trim = false;
    Marks marks;
    if (!take_count(2, digits) || !take_count(3, nsmall) || !take_count(5, width) ||
        !take_text(4, justify) || !take_penalty(penalty) || !take_trim(trim) ||
        !take_marks(8, 9, 12, marks) || !check_justify(justify))
      return false;
    if (x.items.empty()) {
      // c() of nothing is NULL.
      texts.emplace_back("NULL");
      return true;
    }
    if (!check_counts(digits, nsmall) || !within_output(x.items.size(), width.value_or(0)))
      return false;
    if (x.mode == Mode::character) return format_texts(x, width.value_or(0), justify, texts);
    Shared shared;
    if (x.mode == Mode::real) {
      const auto numbers = reals_of(x);
      shared = share(numbers, digits.value_or(7), nsmall.value_or(0), penalty);
      for (const auto& number : numbers) texts.push_back(number_text(number, shared));
    } else {
      for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
    }
    if (marks.point != '.') {
      for (std::string& text : texts) std::replace(text.begin(), text.end(), '.', marks.point);
    }
    int common = width.value_or(0);
    if (!trim) {
      common = std::max(common, shared.width);
      for (const std::string& text : texts) common = std::max(common, columns_of(text));
    }
    for (std::string& text : texts) text = padded(text, common, "right");
    if (!marks.mark.empty()) mark(marks, !trim, texts);
    if (report_ != nullptr && x.mode == Mode::real) note_format(x, digits, nsmall, shared);
    return true;
  }

  bool check_counts(const std::optional<int>& digits, const std::optional<int>& nsmall) {
    if (digits && (*digits < 1 || *digits > 22))
      return fail("invalid value " + std::to_string(*digits) + " for 'digits' argument",
                  matched_[2]->span);
    if (nsmall && (*nsmall < 0 || *nsmall > 20))
      return fail("invalid 'nsmall' argument", matched_[3]->span);
    return true;
  }

  bool check_justify(std::string& justify) {
    constexpr std::string_view known[] = {"left", "right", "centre", "none"};
    for (const std::string_view one : known) {
      if (!justify.empty() && one.starts_with(justify)) {
        justify = one;
        return true;
      }
    }
    return fail("'arg' should be one of \"left\", \"right\", \"centre\", \"none\"",
                matched_[4]->span);
  }

  bool take_penalty(int& out) {
    if (matched_[7] == nullptr || matched_[7]->kind == Expression::Kind::null) return true;
    Vector vector;
    if (!take_vector(*matched_[7], vector)) return false;
    if (vector.items.size() != 1 || vector.mode == Mode::character)
      return not_yet("such a scientific is", matched_[7]->span);
    const Value& value = vector.items[0];
    if (value.is(Type::nil)) return true;
    // As R has them.
    constexpr int never_fixed = -100;
    constexpr int hardly_scientific = 310;
    if (value.is(Type::truth)) {
      out = value.as_whole() != 0 ? never_fixed : hardly_scientific;
      return true;
    }
    std::optional<int> count;
    if (!take_count(7, count)) return false;
    out = *count;
    return true;
  }

  bool take_trim(bool& out) {
    if (matched_[1] == nullptr) return true;
    Vector vector;
    if (!take_vector(*matched_[1], vector)) return false;
    if (vector.items.size() != 1 || !vector.items[0].is(Type::truth))
      return not_yet("such a trim is", matched_[1]->span);
    out = vector.items[0].as_whole() != 0;
    return true;
  }

  bool format_texts(const Vector& x, int width, std::string_view justify,
                    std::vector<std::string>& texts) {
    for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
    int common = std::max(width, 0);
    for (const std::string& text : texts) common = std::max(common, columns_of(text));
    for (std::string& text : texts) text = padded(text, common, justify);
    return true;
  }

  // Marks, and what they do to the width: all made alike, or each kept as wide as it was.
  void mark(const Marks& marks, bool common, std::vector<std::string>& texts) const {
    bool longer = false;
    for (std::string& text : texts) {
      const std::size_t added = put_marks(marks, text);
      longer |= added > 0;
      if (common) continue;
      const std::size_t blanks = std::min(text.find_first_not_of(' '), text.size());
      text.erase(0, std::min(added, blanks));
    }
    if (!common || !longer) return;
    int width = 0;
    for (const std::string& text : texts) width = std::max(width, columns_of(text));
    for (std::string& text : texts) text = padded(text, width, "right");
  }

  void note_format(const Vector& x, const std::optional<int>& digits,
                   const std::optional<int>& nsmall, const Shared& shared) {
    if (digits && !shared.scientific && shared.places != *digits && !nsmall)
      note(Code::digits_are_significant,
           "digits counts significant digits, the least that the element needing most shows, not "
           "decimals: there are " +
               std::to_string(shared.places) + "; nsmall counts decimals, at least",
           matched_[2]->span);
    if (x.items.size() > 1 && !shared.scientific && shared.places > 0 && !digits && !nsmall) return;
    for (const Value& item : x.items) {
      if (!item.is(Type::f64) || item.given_in_bits() || !item.as_real().is_finite() ||
          shared.scientific || (!digits && !nsmall))
        continue;
      Spec spec;
      spec.kind = Kind::real;
      spec.notation = Notation::fixed;
      spec.places = shared.places;
      note_rounding(spec, binary64, item.as_real(), matched_[0]->span, report_->notes);
    }
  }

  // ---- prettyNum ----

  bool run_pretty(std::vector<std::string>& texts) {
    static constexpr std::string_view formals[] = {"x",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "?decimal.mark",
                                                   "?input.d.mark",
                                                   "?preserve.width",
                                                   "?zero.print",
                                                   "?replace.zero",
                                                   "?drop0trailing"};
    Vector x;
    Marks marks;
    if (!match(formals, true) || !take_x(x)) return false;
    std::optional<int> size;
    if (!take_text(1, marks.mark) || !take_count(2, size)) return false;
    marks.interval = size.value_or(3);
    if (marks.interval < 1) return not_yet("such an interval is", matched_[2]->span);
    if (x.mode == Mode::character) return not_yet("prettyNum of text is", matched_[0]->span);
    for (const Value& item : x.items) {
      if (x.mode == Mode::real) {
        Vector one{Mode::real, {item}};
        const auto numbers = reals_of(one);
        texts.push_back(number_text(numbers[0], share(numbers, 7, 0, 0)));
      } else {
        texts.push_back(as_character(item, x.mode));
      }
    }
    if (!marks.mark.empty()) mark(marks, false, texts);
    return true;
  }

  // ---- formatC ----

  struct CField {
    std::optional<int> digits;
    std::optional<int> width;
    std::string format;
    std::string flag;
    std::string mode;
    Marks marks;
  };

  bool run_format_c(std::vector<std::string>& texts) {
    static constexpr std::string_view formals[] = {"x",
                                                   "digits",
                                                   "width",
                                                   "format",
                                                   "flag",
                                                   "mode",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "?decimal.mark",
                                                   "?preserve.width",
                                                   "?zero.print",
                                                   "?replace.zero",
                                                   "?drop0trailing"};
    Vector x;
    CField field;
    if (!match(formals, false) || !take_x(x)) return false;
    if (!take_count(1, field.digits) || !take_count(2, field.width) ||
        !take_text(3, field.format) || !take_text(4, field.flag) || !take_text(5, field.mode) ||
        !take_text(6, field.marks.mark))
      return false;
    std::optional<int> size;
    if (!take_count(7, size)) return false;
    field.marks.interval = size.value_or(3);
    if (field.marks.interval < 1) return not_yet("such an interval is", matched_[7]->span);
    if (field.flag.find_first_not_of("0+- #'I") != std::string::npos)
      return fail("'flag' should contain only characters from [0+- #'I]", matched_[4]->span);
    if (field.flag.find_first_of("'I") != std::string::npos)
      return not_yet("this flag is", matched_[4]->span);
    if (x.items.empty()) return true;
    if (!within_output(x.items.size(), field.width.value_or(0)) || !settle_mode(x, field))
      return false;
    if (x.mode == Mode::character && field.mode != "character") read_numbers(x);
    if (field.mode == "integer" && x.mode == Mode::real) make_integers(x);
    if (field.mode == "character" && x.mode != Mode::character) return pad_numbers(x, field, texts);
    if (field.mode == "character" || field.format == "s") {
      x.mode = Mode::character;
      return pad_texts(x, field, texts);
    }
    return settle_format(field) && put_numbers(x, field, texts);
  }

  // Cut toward zero; NA beyond 32 bits.
  static void make_integers(Vector& x) {
    for (Value& item : x.items) {
      if (item.is(Type::nil)) continue;
      item = fits_integer(item) ? Value::whole(Type::i32, integer_of(item)) : Value();
    }
  }

  // The mode "character" asks for text, and makes none of numbers: these are formatted together.
  bool pad_numbers(const Vector& x, const CField& field, std::vector<std::string>& texts) {
    Shared shared;
    if (x.mode == Mode::real) {
      const auto numbers = reals_of(x);
      shared = share(numbers, 7, 0, 0);
      for (const auto& number : numbers) texts.push_back(number_text(number, shared));
    } else {
      for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
    }
    int common = std::max(std::abs(field.width.value_or(0)), shared.width);
    for (const std::string& text : texts) common = std::max(common, columns_of(text));
    for (std::string& text : texts) text = padded(text, common, "right");
    return true;
  }

  bool settle_mode(const Vector& x, CField& field) {
    if (field.mode.empty()) {
      constexpr std::string_view names[] = {"", "logical", "integer", "double", "character"};
      field.mode = names[static_cast<std::size_t>(x.mode)];
      return true;
    }
    if (field.mode == "real") field.mode = "double";
    if (field.mode != "double" && field.mode != "integer" && field.mode != "character")
      return fail("'mode' must be \"double\" (\"real\"), \"integer\" or \"character\"",
                  matched_[5]->span);
    return true;
  }

  // as.numeric() of a text: NA where it is no number.
  static void read_numbers(Vector& x) {
    for (Value& item : x.items) {
      if (!is_text_or_character(item)) continue;
      const std::string text = text_of(item);
      const std::size_t from = std::min(text.find_first_not_of(" \t\n"), text.size());
      const std::size_t to = text.find_last_not_of(" \t\n") + 1;
      const auto bits =
          read_real(binary64, std::string_view(text).substr(from, std::max(to, from) - from));
      item = bits ? Value::real(Type::f64, *bits) : Value();
    }
    x.mode = Mode::real;
  }

  bool settle_format(CField& field) {
    if (field.format.empty()) {
      field.format = field.mode == "integer" ? "d" : "g";
    } else if (field.format == "fg") {
      return not_yet("the format \"fg\" is", matched_[3]->span);
    } else if (field.format == "d") {
      field.mode = "integer";
    } else if (field.format.size() != 1 ||
               std::string_view("feEgG").find(field.format) == std::string_view::npos) {
      return fail("'format' must be one of {\"f\",\"e\",\"E\",\"g\",\"G\", \"fg\", \"s\"}",
                  matched_[3]->span);
    } else if (field.mode == "integer") {
      field.mode = "double";
    }
    if (field.mode == "logical") return fail("unsupported type", whole());
    return true;
  }

  // A width of its own, or what R makes of the digits.
  static void settle_width(CField& field) {
    if (!field.width && !field.digits) field.width = 1;
    if (!field.digits)
      field.digits = field.mode == "integer" ? 2 : 4;
    else if (*field.digits < 0)
      field.digits = 6;
    else if (field.format != "f")
      field.digits = std::min(*field.digits, 50);
    else
      field.digits = std::min(*field.digits, 324);
    if (!field.width)
      field.width = *field.digits + 1;
    else if (*field.width == 0)
      field.width = *field.digits;
  }

  bool pad_texts(const Vector& x, const CField& field, std::vector<std::string>& texts) {
    int width = field.width.value_or(0);
    const bool left = width < 0 || field.flag == "-";
    width = std::abs(width);
    return format_texts(x, width, left ? "left" : "right", texts);
  }

  bool put_numbers(const Vector& x, CField& field, std::vector<std::string>& texts) {
    const bool had_width = field.width.has_value();
    settle_width(field);
    if (*field.width == 0) return fail("width cannot be zero", whole());
    Vector special;
    special.mode = Mode::character;
    std::vector<std::size_t> places;
    const Result<Template> parsed = c_template(field);
    if (!parsed) return not_yet("such a field of C is", whole());
    for (const Value& item : x.items) {
      std::string text;
      if (is_special(item, field)) {
        special.items.push_back(Value::text(special_name(item, field)));
        places.push_back(texts.size());
      } else if (!put_number(item, field, *parsed, text)) {
        return false;
      }
      texts.push_back(std::move(text));
    }
    std::vector<std::string> names;
    if (!pad_texts(special, field, names)) return false;
    for (std::size_t i = 0; i < names.size(); ++i) texts[places[i]] = names[i];
    if (!field.marks.mark.empty()) mark(field.marks, false, texts);
    if (report_ != nullptr && matched_[1] != nullptr && !had_width && *field.digits > 0 &&
        matched_[2] == nullptr)
      note(Code::width_from_digits,
           "without a width, formatC pads to digits + 1, here " + std::to_string(*field.width) +
               " characters; width = 1 leaves it out",
           matched_[1]->span);
    return true;
  }

  static bool is_special(const Value& item, const CField& field) {
    if (item.is(Type::nil)) return true;
    if (field.mode == "integer") return !fits_integer(item);
    return !nearest_f64(item).is_finite();
  }
  static bool fits_integer(const Value& item) {
    const BinaryReal real = nearest_f64(item);
    return real.is_zero() || (real.is_finite() && real.leading_exponent() < 31);
  }
  static std::string special_name(const Value& item, const CField& field) {
    if (item.is(Type::nil) || field.mode == "integer") return "NA";
    return special_text(nearest_f64(item));
  }

  // The elements go through the C library, which is the dialect c, by one template of it.
  static Result<Template> c_template(const CField& field) {
    std::string flag = field.flag;
    const bool whole_number = field.mode == "integer";
    if (whole_number) std::erase(flag, '#');  // which does nothing there
    return c_dialect()->parse("%" + flag + (whole_number ? "*d" : "*.*" + field.format));
  }

  bool put_number(const Value& item, const CField& field, const Template& parsed,
                  std::string& out) {
    const bool whole_number = field.mode == "integer";
    const Value width = Value::whole(Type::i32, *field.width);
    TextBuffer text(64);
    Outcome outcome;
    if (whole_number) {
      const Value arguments[] = {width, Value::whole(Type::i32, integer_of(item))};
      outcome = c_dialect()->render(parsed, arguments, text);
    } else {
      const Value arguments[] = {width, Value::whole(Type::i32, *field.digits),
                                 Value::real(Type::f64, pack(binary64, nearest_f64(item)))};
      outcome = c_dialect()->render(parsed, arguments, text);
    }
    if (!outcome.prints()) return not_yet("such a field of C is", this->whole());
    out = text.view().substr(0, room_of(item, field));
    if (report_ != nullptr && out.size() < text.view().size())
      note(Code::text_cut, "R cuts " + text.string() + " to the room that it keeps for an element",
           matched_[0]->span);
    // R 4.2 fills with zeros on the right, where the width is negative and no flag says so.
    if (!whole_number && *field.width < 0 && field.flag.find('0') != std::string::npos &&
        field.flag.find('-') == std::string::npos) {
      const std::size_t end = out.find_last_not_of(' ') + 1;
      std::fill(out.begin() + static_cast<std::ptrdiff_t>(end), out.end(), '0');
    }
    if (report_ != nullptr && !whole_number && !item.given_in_bits() && is_real(item.type()))
      note_c(item, field);
    return true;
  }

  void note_c(const Value& item, const CField& field) {
    if (field.format == "g" || field.format == "G") return;
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = field.format == "f" ? Notation::fixed : Notation::scientific;
    spec.places = *field.digits;
    note_rounding(spec, binary64, nearest_f64(item), matched_[0]->span, report_->notes);
  }

  // The bytes that R keeps for an element, reckoned before it is rounded.
  static std::size_t room_of(const Value& item, const CField& field) {
    int room = *field.digits + 8;
    if (field.format == "f") {
      const BinaryReal real = nearest_f64(item);
      Digits digits;
      digits_to_significant(real, 1, Rounding::toward, digits);
      const bool sign = (real.negative && !real.is_zero()) || !field.flag.empty();
      room = (sign ? 1 : 0) + *field.digits + 2 + std::max(digits.point() - 1, 0);
    }
    return static_cast<std::size_t>(std::max(std::abs(*field.width), room) + 2);
  }

  const TemplateContent& parsed_;
  const Call& call_;
  std::span<const Value> values_;
  NamedValues named_;
  WidthUnit unit_;  // what widths count
  Report* report_;
  Outcome trouble_;
  std::vector<const Expression*> matched_;  // the argument of each formal
};

// ---- Writing ----

// A call of formatC, which hands the number to the C library.
WrittenField written_call(const FieldWish& wish) {
  const Spec& spec = wish.spec;
  Notes notes;
  const auto give_up = [&](std::string_view what) {
    writing::cannot("formatC has no " + std::string(what), notes);
    return WrittenField{{}, std::move(notes)};
  };
  const Kind kind = writing::kind_of(wish);
  const bool number = kind == Kind::whole || kind == Kind::real;
  if (!number && kind != Kind::text) return give_up("place for such a value");
  if (spec.limit != unset) return give_up("limit of a text");
  if (spec.base != 10) return give_up("other base than 10");
  std::string out = "formatC(" + wish.name;
  std::string flags;
  if (spec.width > 0 && (spec.align == Align::left || (spec.align == Align::natural && !number)))
    flags += '-';
  if (number && spec.sign == Sign::always) flags += '+';
  if (number && spec.sign == Sign::space) flags += ' ';
  if (number && spec.keep_point) flags += '#';
  if (number && spec.align == Align::inner && spec.fill == Mark("0")) flags += '0';
  if (kind == Kind::whole) {
    if (!is_whole(wish.type)) return give_up("whole digits of such a value");
    out += ", format = \"d\"";
  } else if (kind == Kind::real) {
    const int count =
        spec.notation == Notation::compact || spec.places == unset ? spec.significant : spec.places;
    const char letter = spec.notation == Notation::fixed        ? 'f'
                        : spec.notation == Notation::scientific ? 'e'
                        : spec.notation == Notation::compact    ? 'g'
                                                                : '\0';
    if (letter == 0 || count == unset) return give_up("such notation");
    out +=
        ", digits = " + std::to_string(letter == 'e' && spec.places == unset ? count - 1 : count) +
        ", format = \"" +
        static_cast<char>(letter - (letter != 'f' && spec.letters == Letters::upper ? 32 : 0)) +
        "\"";
  }
  out += ", width = " + std::to_string(std::max(spec.width, 1));
  if (!flags.empty()) out += ", flag = \"" + flags + "\"";
  if (number && !spec.group.empty()) out += ", big.mark = " + in_quotes(spec.group.text());
  return {out + ")", std::move(notes)};
}

// What a call of formatC asks, whose arguments are all written out.
class SpokenWish {
 public:
  SpokenWish(const Call& call, Type type, Notes& notes) : call_(call), type_(type), notes_(notes) {}

  std::optional<Spec> read() {
    if (call_.function != "formatC") return give_up("a call of " + call_.function);
    for (std::size_t i = 1; i < call_.arguments.size(); ++i) {
      const Argument& argument = call_.arguments[i];
      if (argument.expression.kind != Expression::Kind::value || argument.expression.negative)
        return give_up("an argument that is no literal");
      if (!take(argument.name, argument.expression.value))
        return give_up("such an argument " + argument.name);
    }
    if (!settle()) return give_up("such a format");
    return spec_;
  }

 private:
  std::optional<Spec> give_up(const std::string& what) {
    writing::cannot(what + " is not read as a wish", notes_);
    return std::nullopt;
  }

  bool take(std::string_view name, const Value& value) {
    if (name == "digits") return take_count(value, digits_);
    if (name == "width") return take_count(value, spec_.width);
    if (!value.is(Type::text)) return false;
    if (name == "format") {
      if (value.as_text().size() != 1) return false;
      format_ = value.as_text()[0];
    } else if (name == "flag") {
      flags_ = value.as_text();
    } else if (name == "big.mark") {
      spec_.group = Mark(value.as_text());
    } else {
      return false;
    }
    return true;
  }
  static bool take_count(const Value& value, int& out) {
    if (!value.is(Type::f64)) return false;
    const auto number = std::bit_cast<double>(static_cast<std::uint64_t>(value.bits()));
    constexpr double most = 1000000;
    if (!(number >= 0 && number <= most) || number != static_cast<int>(number)) return false;
    out = static_cast<int>(number);
    return true;
  }

  bool settle() {
    const bool number = type_ != Type::text;
    spec_.kind = !number ? Kind::text : format_ == 'd' ? Kind::whole : Kind::real;
    // The least width pads nothing.
    if (spec_.width == 1 && flags_.find('-') == std::string::npos) spec_.width = unset;
    for (const char flag : flags_) {
      if (flag == '-') spec_.align = Align::left;
      if (flag == '+') spec_.sign = Sign::always;
      if (flag == ' ') spec_.sign = Sign::space;
      if (flag == '#') spec_.keep_point = true;
      if (flag == '0') {
        spec_.align = Align::inner;
        spec_.fill = Mark("0");
      }
    }
    if (spec_.align == Align::natural) spec_.align = Align::right;
    if (!number) return format_ == '\0' || format_ == 's';
    if (format_ == 'd') return is_whole(type_);
    spec_.letters = format_ == 'E' || format_ == 'G' ? Letters::upper : Letters::lower;
    switch (format_) {
      case 'f':
        spec_.notation = Notation::fixed;
        spec_.places = digits_;
        break;
      case 'e':
      case 'E':
        spec_.notation = Notation::scientific;
        spec_.places = digits_;
        break;
      case 'g':
      case 'G':
        spec_.notation = Notation::compact;
        spec_.significant = digits_;
        break;
      default:
        return false;
    }
    return digits_ != unset;
  }

  const Call& call_;
  Type type_;
  Notes& notes_;
  Spec spec_;
  int digits_ = unset;
  char format_ = '\0';
  std::string flags_;
};

// ---- A call as source, made from what was read of it ----

std::string number_source(const Value& value) {
  if (value.is(Type::truth)) return value.as_whole() != 0 ? "TRUE" : "FALSE";
  if (value.is(Type::nil)) return "NA";
  if (value.is(Type::i32)) return describe(value) + "L";
  if (value.as_real().is_finite()) return describe(value);
  return value.as_real().kind == RealClass::not_a_number ? "NaN" : "Inf";
}

void add_source(const Expression& expression, WrittenCall& out) {
  if (expression.negative) out.add("-");
  switch (expression.kind) {
    case Expression::Kind::null:
      return out.add("NULL");
    case Expression::Kind::name:
      return out.add(expression.name);
    case Expression::Kind::vector:
      out.add("c(");
      for (const Expression& item : expression.items) {
        if (&item != expression.items.data()) out.add(", ");
        add_source(item, out);
      }
      return out.add(")");
    case Expression::Kind::value:
      if (!expression.value.is(Type::text)) return out.add(number_source(expression.value));
      return out.add_literal(
          '"' + literal_text(program_form_of(format_facts), expression.value.as_text()) + '"');
  }
}

void add_source(const Call& call, WrittenCall& out) {
  out.add(call.function + "(");
  for (const Argument& argument : call.arguments) {
    if (&argument != call.arguments.data()) out.add(", ");
    if (!argument.name.empty()) out.add(argument.name + " = ");
    add_source(argument.expression, out);
  }
  out.add(")");
}

class RFormat final : public family::ProgramDialect<Call> {
 public:
  const DialectFacts& facts() const override { return format_facts; }

  Placing placing() const override { return Placing::names; }
  WrittenField write_field(const FieldWish& wish) const override { return written_call(wish); }
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    if (parts.size() == 1 && parts[0].field) return Dialect::write_template(parts);
    WrittenTemplate out;
    writing::cannot("a call formats one value and no text around it; paste() joins them",
                    out.notes);
    return out;
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string>) const override {
    return "cat(" + std::string(source) + ")";
  }
  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string>) const override {
    if (parsed.refusal) return not_read(parsed);
    WrittenCall out;
    out.add("cat(");
    add_source(static_cast<const Call&>(*parsed.program), out);
    out.add(")");
    return out;
  }
  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int, Type type,
                                 Notes& notes) const override {
    return SpokenWish(static_cast<const Call&>(*parsed.program), type, notes).read();
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    if (parsed.refusal) return outcome_of(*parsed.refusal);
    if (report != nullptr) report->notes = parsed.notes;
    std::vector<std::string> texts;
    auto trouble = Rendering(parsed, static_cast<const Call&>(*parsed.program), values,
                             options.width_of.value_or(format_facts.width_unit), report)
                       .run(texts);
    if (trouble) return std::move(*trouble);
    std::vector<Span> places;
    const std::size_t start = out.needed();
    for (const std::string& text : texts) {
      if (!places.empty()) out.append('\n');
      const std::size_t from = out.needed() - start;
      out.append(text);
      places.push_back({from, out.needed() - start});
      if (report != nullptr)
        report->fields.push_back({0, places.back(), values.size() == 1 ? 0 : unset});
    }
    if (report != nullptr && places.size() != 1) report->texts = std::move(places);
    return {};
  }

  // format(x)
  Outcome print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("format(x)");
    Value named = value;
    named.set_name("x");
    return render(shown, {&named, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Call& call, std::vector<Words>* words) const override {
    Reader(out, call, words).read();
    out.literals.clear();
    if (out.refusal) return;
    // The whole is one field.
    Field field;
    field.span = {0, out.source.size()};
    if (!call.names.empty()) field.key = "(" + call.names[0] + ")";
    out.pieces.push_back({field.span, 0, {}});
    out.fields.push_back(std::move(field));
  }
};

}  // namespace

}  // namespace r_language

const Dialect* r_format_dialect() {
  static const r_language::RFormat dialect;
  return &dialect;
}

}  // namespace inky::inline v1
