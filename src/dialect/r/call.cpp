#include "call.hpp"

#include <algorithm>
#include <bit>
#include <cmath>
#include <limits>

#include "../computed/writer.hpp"
#include "../family/braces.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "dialect/program_form.hpp"
#include "expressions.hpp"
#include "format_facts.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1::r_language {

namespace {

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
    for (const ModifierFact& fact : format::modifiers) {
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
    const std::size_t from = at_;
    const bool read = read_expression(out.expression, 0);
    const std::size_t end = at_;
    skip_blanks();
    if (read && (at_end() || peek() == ',' || peek() == ')')) return true;
    if (out_.refusal && out_.refusal->when != Refusal::When::not_supported_yet) return false;
    return read_computed(out.expression, from) || (at_ = end, read);
  }

  // Whatever else R computes.
  bool read_computed(Expression& out, std::size_t from) {
    std::optional<Refusal> before = std::move(out_.refusal);
    out_.refusal.reset();
    const std::string kept = out_.literals;
    ExpressionReader reader(out_, from);
    Expression made;
    made.kind = Expression::Kind::computed;
    const bool read = reader.read(made.node);
    out_.literals = kept;
    if (!read) {
      if (before)
        out_.refusal = std::move(before);
      else
        out_.refusal = reader.refusal();
      return false;
    }
    at_ = reader.at();
    made.span = {from, at_};
    std::vector<std::string> found;
    computed::collect_names(made.node, found);
    for (const std::string& name : found) names_.add(name);
    out = std::move(made);
    return true;
  }

  bool read_expression(Expression& out, int depth) {
    skip_blanks();
    const std::size_t start = at_;
    if (depth > most_nesting) return not_yet("vectors nested as deep as this are", start);
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

std::string number_source(const Value& value) {
  if (value.is(Type::truth)) return value.as_whole() != 0 ? "TRUE" : "FALSE";
  if (value.is(Type::nil)) return "NA";
  if (value.is(Type::i32)) return describe(value) + "L";
  if (value.as_real().is_finite()) return describe(value);
  return value.as_real().kind == RealClass::not_a_number ? "NaN" : "Inf";
}

bool add_source(const Expression& expression, std::span<const std::string> names,
                WrittenCall& out) {
  if (expression.negative) out.add("-");
  switch (expression.kind) {
    case Expression::Kind::null:
      out.add("NULL");
      return true;
    case Expression::Kind::computed:
      return computed::write(expression.node, {grammar, program_form_of(format::facts), names},
                             out);
    case Expression::Kind::name:
      out.add(expression.name);
      return true;
    case Expression::Kind::vector:
      out.add("c(");
      for (const Expression& item : expression.items) {
        if (&item != expression.items.data()) out.add(", ");
        if (!add_source(item, names, out)) return false;
      }
      out.add(")");
      return true;
    case Expression::Kind::value:
      if (expression.value.is(Type::text))
        out.add_literal(
            '"' + literal_text(program_form_of(format::facts), expression.value.as_text()) + '"');
      else
        out.add(number_source(expression.value));
      return true;
  }
  return false;
}

}  // namespace

void read_call(TemplateContent& out, Call& call, std::vector<Words>* words) {
  Reader(out, call, words).read();
  out.value_names = call.names;
}

bool add_source(const Call& call, std::span<const std::string> names, WrittenCall& out) {
  out.add(call.function + "(");
  for (const Argument& argument : call.arguments) {
    if (&argument != call.arguments.data()) out.add(", ");
    if (!argument.name.empty()) out.add(argument.name + " = ");
    if (!add_source(argument.expression, names, out)) return false;
  }
  out.add(")");
  return true;
}

}  // namespace inky::inline v1::r_language
