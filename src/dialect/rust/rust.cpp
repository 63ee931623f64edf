// The dialect `rust`: format strings of format! and its like.
//
// Defined by the documentation of std::fmt; what it leaves open is as rustc 1.95 does it. Values
// without names are the arguments after the format string, those with names are variables in scope.
// A value of type i32 stands as a literal without a suffix, so that it may also be a count; a
// record is a struct named Record that derives Debug, nil is None, a list is a Vec.
//
// What sets it apart from its family:
//   - all but a count too large for 16 bits is checked when the program is compiled;
//   - zeros in front win over fill and alignment, and are ignored by text;
//   - x, o and b show negative numbers in two's complement;
//   - ? shows any value as source would write it, #? spread over lines.

#include <algorithm>
#include <array>
#include <limits>

#include "../family/brace_writing.hpp"
#include "../family/braces.hpp"
#include "../family/checked_dialect.hpp"
#include "../family/escapes.hpp"
#include "../family/named_values.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::rust {

namespace {

// ---- A template, read ----

// A value, or a count: written, or taken from an argument or a variable.
struct Reference {
  enum class Kind { none, number, argument, variable } kind = Kind::none;
  std::int64_t number = 0;  // also the argument, from 0
  std::string name;
};

struct Shown {
  bool numbered = false;  // by a number in the template
  Reference value;
  braces::Lead lead;
  Reference width;
  Reference precision;
  char form = 0;               // the letter; 0: there is none
  char debug_hexadecimal = 0;  // of "x?" and "X?"
};

struct Fields final : Program {
  std::vector<Shown> fields;   // as many as the template has
  std::int64_t arguments = 0;  // that are counted one by one
};

// ---- In words ----

std::string in_words(const Reference& reference) {
  switch (reference.kind) {
    case Reference::Kind::number:
      return std::to_string(reference.number);
    case Reference::Kind::argument:
      return "value " + std::to_string(reference.number + 1);
    case Reference::Kind::variable:
      return "the variable " + reference.name;
    default:
      return "nothing";
  }
}

std::string in_words(const Shown& shown) {
  if (shown.debug_hexadecimal != 0) return "any value as source, whole numbers in base 16";
  for (const ConversionFact& fact : conversions) {
    if (fact.letter == shown.form) return std::string(fact.meaning);
  }
  return "an address";
}

// ---- Reading ----

// The length of an identifier at the start of `text`.
std::size_t word_size(std::string_view text) {
  std::size_t size = 0;
  for (; size < text.size(); ++size) {
    const char c = text[size];
    const bool letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' ||
                        static_cast<unsigned char>(c) >= 0x80;
    if (!letter && (size == 0 || c < '0' || c > '9')) break;
  }
  return size;
}

constexpr EscapeRules escape_rules = {.simple = "n\nt\tr\r\"\"''\\\\",
                                      .most_octal_digits = 0,
                                      .least_hexadecimal_digits = 2,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = false};

void refuse(std::string why, Span span, TemplateContent& out) {
  if (!out.refusal) out.refusal = {Refusal::When::compile, "error", std::move(why), span};
}

// "\u{3a9}", up to six digits, with _ between them; 0 where it is not that.
std::size_t read_code_point(std::string_view rest, std::string& out) {
  const std::size_t end = rest.find('}');
  if (!rest.starts_with("\\u{") || end == std::string_view::npos || rest[3] == '_') return 0;
  char32_t value = 0;
  int digits = 0;
  constexpr std::string_view hexadecimal = "0123456789abcdef";
  for (const char c : rest.substr(3, end - 3)) {
    if (c == '_') continue;
    const std::size_t digit =
        hexadecimal.find(c >= 'A' && c <= 'F' ? static_cast<char>(c - 'A' + 'a') : c);
    if (digit == std::string_view::npos || ++digits > 6) return 0;
    value = value * 16 + static_cast<char32_t>(digit);
  }
  if (digits == 0 || value > 0x10FFFF || (value >= 0xD800 && value <= 0xDFFF)) return 0;
  append_utf8(value, out);
  return end + 1;
}

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  if (rest.starts_with("\\0")) {
    out.literals += '\0';
    return 2;
  }
  if (rest.starts_with("\\\n"))  // and all white space after it
    return std::min(rest.find_first_not_of(" \t\n\r", 2), rest.size());
  if (const std::size_t size = read_code_point(rest, out.literals); size != 0) return size;
  const bool beyond_ascii = rest.starts_with("\\x") && rest.size() > 2 && rest[2] > '7';
  const std::size_t size = rest.starts_with("\\u") || rest.starts_with("\\U") || beyond_ascii
                               ? 0
                               : read_backslash(escape_rules, out.source, at, out.literals);
  if (size != 0) return size;
  refuse(rest.size() == 1 ? "a backslash at the end escapes the quote that closes the text"
                          : "there is no such escape",
         {at, std::min(at + 2, out.source.size())}, out);
  out.literals += '\\';
  return 1;
}

class Reader {
 public:
  Reader(const braces::Decoded& decoded, TemplateContent& out, Fields& program,
         std::vector<Words>* words = nullptr)
      : decoded_(decoded), reader_(decoded.text()), out_(out), program_(program), words_(words) {}

  void read() {
    while (!reader_.at_end() && !out_.refusal) {
      if (!braces::read_literal(reader_, decoded_, out_, words_))
        return fail("unmatched `}` found; a brace itself is written }}", reader_.at() - 1);
      if (!reader_.at_end() && !out_.refusal) read_field();
    }
    program_.arguments = next_;
  }

 private:
  // The part just read, in words.
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked())
      words_.add(decoded_.in_source({0, reader_.at()}).to, role, meaning(),
                 static_cast<int>(out_.fields.size()));
  }

  void fail(std::string why, std::size_t from) {
    refuse("invalid format string: " + std::move(why),
           decoded_.in_source({from, std::max(reader_.at(), from)}), out_);
  }

  void skip_spaces() {
    while (!reader_.at_end() &&
           std::string_view(" \t\n\r").find(reader_.peek()) != std::string_view::npos)
      reader_.skip(1);
  }

  void read_field() {
    const std::size_t start = reader_.at();
    reader_.skip(1);
    Shown shown;
    shown.value = read_reference(start);
    const bool has_spec = !out_.refusal && reader_.take(':');
    tell("value", [&] {
      return shown.value.kind == Reference::Kind::none ? "the next value" : in_words(shown.value);
    });
    if (has_spec) read_spec(start, shown);
    if (out_.refusal) return;
    skip_spaces();
    if (!reader_.take('}')) {
      return fail(reader_.at_end() ? "expected `}` but string was terminated"
                                   : "expected `}`, found another character",
                  start);
    }
    tell("end", [] { return "the end of the field"; });
    // Resolved after the spec, which may have taken an argument for the precision.
    shown.numbered = shown.value.kind != Reference::Kind::none;
    if (!shown.numbered) shown.value = {Reference::Kind::argument, next_++, {}};
    add(std::move(shown), decoded_.in_source({start, reader_.at()}));
  }

  void add(Shown shown, Span span) {
    Field field;
    field.span = span;
    field.letter = shown.form;
    if (shown.value.kind == Reference::Kind::variable) {
      field.key = "(" + shown.value.name + ")";
    } else {
      field.value_index = static_cast<int>(std::min<std::int64_t>(shown.value.number, most_width));
      if (shown.numbered) field.position = field.value_index + 1;
    }
    for (const Reference* used : {&shown.value, &shown.width, &shown.precision}) {
      if (used->kind == Reference::Kind::argument)
        out_.values_taken = std::max(out_.values_taken, static_cast<int>(used->number) + 1);
    }
    out_.pieces.push_back({span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    program_.fields.push_back(std::move(shown));
  }

  // "0", "mass"; none.
  Reference read_reference(std::size_t start) {
    Reference out;
    if (reader_.read_number(std::numeric_limits<std::int64_t>::max(), out.number)) {
      out.kind = Reference::Kind::argument;
      check_number(out.number, start);
      return out;
    }
    const std::size_t size = word_size(reader_.rest());
    if (size == 0) return out;
    out.kind = Reference::Kind::variable;
    out.name = reader_.rest().substr(0, size);
    reader_.skip(size);
    if (out.name == "_") fail("invalid argument name `_`", start);
    if (reader_.peek() == '.') fail("field access isn't supported", start);
    if (out.name == "r" && reader_.peek() == '#') fail("raw identifiers are not supported", start);
    return out;
  }

  void check_number(std::int64_t number, std::size_t start) {
    if (number <= most_count) return;
    fail("an integer does not fit into the type `u16` whose range is `0..=65535`", start);
  }

  // "5", "1$", "mass$"; none.
  Reference read_count(std::size_t start) {
    Reference out;
    if (reader_.read_number(std::numeric_limits<std::int64_t>::max(), out.number)) {
      out.kind = reader_.take('$') ? Reference::Kind::argument : Reference::Kind::number;
      check_number(out.number, start);
      return out;
    }
    const std::size_t size = word_size(reader_.rest());
    if (size == 0 || reader_.peek(size) != '$') return out;
    out.kind = Reference::Kind::variable;
    out.name = reader_.rest().substr(0, size);
    reader_.skip(size + 1);
    return out;
  }

  void read_spec(std::size_t start, Shown& shown) {
    const auto flag = [&](char c) { tell("flag", [&] { return braces::flag_words(facts, c); }); };
    reader_.read_fill_and_align("<>^", shown.lead);
    tell("align", [&] {
      return (shown.lead.fill.empty() ? ""
                                      : "fills with " + in_quotes(shown.lead.fill.text()) + "; ") +
             braces::flag_words(facts, shown.lead.align);
    });
    reader_.read_sign("+-", shown.lead);
    flag(shown.lead.sign);
    shown.lead.alternate = reader_.take('#');
    flag('#');
    // "0$" is argument 0 as the width, and no flag.
    if (reader_.peek() == '0' && reader_.peek(1) != '$') {
      reader_.skip(1);
      shown.lead.zero = true;
    }
    flag('0');
    shown.width = read_count(start);
    tell("width", [&] { return "characters, at least: " + in_words(shown.width); });
    if (reader_.take('.')) {
      if (reader_.take('*'))
        shown.precision = {Reference::Kind::argument, next_++, {}};
      else
        shown.precision = read_count(start);
    }
    tell("precision", [&] {
      return "places of a real, characters of a text at most: " + in_words(shown.precision);
    });
    if (out_.refusal) return;
    read_type(start, shown);
    tell("type", [&] { return in_words(shown); });
  }

  void read_type(std::size_t start, Shown& shown) {
    const char c = reader_.peek();
    if ((c == 'x' || c == 'X') && reader_.peek(1) == '?') {
      shown.debug_hexadecimal = c;
      shown.form = '?';
      reader_.skip(2);
    } else if (reader_.take('?')) {
      shown.form = '?';
    } else {
      read_trait(start, shown);
    }
  }

  void read_trait(std::size_t start, Shown& shown) {
    const std::size_t size = word_size(reader_.rest());
    const std::string_view word = reader_.rest().substr(0, size);
    reader_.skip(size);
    if (size == 1 && std::string_view("xXobeEp").find(word[0]) != std::string_view::npos)
      shown.form = word[0];
    else if (size != 0)
      refuse("unknown format trait `" + std::string(word) + "`",
             decoded_.in_source({start, reader_.at()}), out_);
  }

  const braces::Decoded& decoded_;
  braces::SpecReader reader_;
  TemplateContent& out_;
  Fields& program_;
  braces::WordsSink words_;
  std::int64_t next_ = 0;  // the next argument that is counted
};

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(rust::facts, parsed, values, options, out, report),
        program_(static_cast<const Fields&>(*parsed.program)),
        index_(values) {}

  // What the compiler says, which sees all fields before any is printed.
  std::optional<Outcome> check() {
    const bool fine = check_values() && check_arguments() && check_variables() && check_counts() &&
                      check_formats();
    if (fine) return std::nullopt;
    return std::move(trouble_);
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    const Shown& shown = program_.fields[index];
    Spec spec = spec_of(shown.lead);
    int precision = unset;
    if (!take_count(shown.width, field, spec.width) ||
        !take_count(shown.precision, field, precision))
      return false;
    const Value& value = *find(shown.value);
    put(shown, spec, precision, value, 0);
    if (report_ != nullptr) note_value(field, shown, spec, precision, value);
    return true;
  }

  bool end() { return true; }
  void note_field(const Field&) {}

 private:
  bool refuse(std::string_view as, std::string why, Span span) {
    return fail(Outcome::fails_at_compile(std::string(as), std::move(why), span));
  }
  Span whole() const { return {0, parsed_.source.size()}; }

  // The value a reference is to; null where there is none.
  const Value* find(const Reference& reference) const {
    if (reference.kind == Reference::Kind::variable) return index_.named(reference.name);
    return reference.number < 0 ? nullptr
                                : index_.unnamed(static_cast<std::size_t>(reference.number));
  }

  template <typename Check>
  bool all_references(Check check) {
    for (std::size_t i = 0; i < program_.fields.size(); ++i) {
      const Shown& shown = program_.fields[i];
      for (const Reference* used : {&shown.precision, &shown.width, &shown.value}) {
        if (!check(*used, parsed_.fields[i].span, used == &shown.value)) return false;
      }
    }
    return true;
  }

  bool check_values() {
    for (const Value& value : values_) {
      if (is_known(value)) continue;
      return fail(Outcome::error(
          {Code::not_supported_yet, describe(value) + " as a value of Rust is not supported yet",
           whole(),
           "Give a whole number up to 128 bits, f32, f64, a text, a character, true or false, or a "
           "list of values of one type."}));
    }
    return true;
  }

  // Every argument is used, and there are as many as are used.
  bool check_arguments() {
    const auto count = static_cast<std::int64_t>(index_.unnamed_count());
    std::vector<bool> shown(index_.unnamed_count());
    const bool enough = all_references([&](const Reference& reference, Span span, bool) {
      if (reference.kind != Reference::Kind::argument) return true;
      if (reference.number < count) {
        if (reference.number >= 0) shown[static_cast<std::size_t>(reference.number)] = true;
        return true;
      }
      return refuse(
          "error",
          "invalid reference to positional argument " + std::to_string(reference.number) +
              ": there " +
              (count == 1 ? "is 1 argument" : "are " + std::to_string(count) + " arguments") +
              ", counted from 0",
          span);
    });
    if (!enough) return false;
    for (std::int64_t argument = 0; argument < count; ++argument) {
      if (shown[static_cast<std::size_t>(argument)]) continue;
      return refuse(
          "error",
          "argument never used: value " + std::to_string(argument + 1) + " is shown by no field",
          whole());
    }
    return true;
  }

  bool check_variables() {
    return all_references([&](const Reference& reference, Span span, bool) {
      if (reference.kind != Reference::Kind::variable || find(reference) != nullptr) return true;
      return refuse("E0425", "cannot find value `" + reference.name + "` in this scope", span);
    });
  }

  // A count is a usize, which only a literal without a suffix becomes.
  bool check_counts() {
    const Value* negative = nullptr;
    Span at;
    const bool fine = all_references([&](const Reference& reference, Span span, bool shows) {
      if (shows || (reference.kind != Reference::Kind::argument &&
                    reference.kind != Reference::Kind::variable))
        return true;
      const Value& value = *find(reference);
      if (!value.is(Type::i32)) {
        return refuse(
            "E0308", "mismatched types: a count is a usize, and " + describe(value) + " is not one",
            span);
      }
      if (value.as_whole() < 0) {
        negative = &value;
        at = span;
      }
      return true;
    });
    if (!fine || negative == nullptr) return fine;
    return refuse("E0277", "the trait bound `usize: Neg` is not satisfied: a count is not negative",
                  at);
  }

  bool check_formats() {
    for (std::size_t i = 0; i < program_.fields.size(); ++i) {
      const Shown& shown = program_.fields[i];
      const Value& value = *find(shown.value);
      const Span span = parsed_.fields[i].span;
      if (!has_format(value, shown.form))
        return refuse("E0277", "the type of " + describe(value) + " has no such format", span);
      if (shown.form == 'p') {
        return fail(Outcome::undefined(
            "an address is printed, which differs from one run to the next", span));
      }
    }
    return true;
  }

  bool take_count(const Reference& reference, const Field& field, int& count) {
    if (reference.kind == Reference::Kind::none) return true;
    if (reference.kind == Reference::Kind::number) {
      count = static_cast<int>(reference.number);
      return true;
    }
    const int128 number = find(reference)->as_whole();
    if (number > most_count)
      return fail(Outcome::fails_at_run("panic", "Formatting argument out of range: at most 65535",
                                        field.span));
    count = static_cast<int>(number);
    return true;
  }

  static Spec spec_of(const braces::Lead& lead) {
    Spec spec;
    if (!lead.fill.empty()) spec.fill = lead.fill;
    spec.align = lead.align == '<'   ? Align::left
                 : lead.align == '>' ? Align::right
                 : lead.align == '^' ? Align::center
                                     : Align::natural;
    spec.sign = lead.sign == '+' ? Sign::always : Sign::minus;
    spec.prefix = lead.alternate;
    return spec;
  }

  // Zeros win over what else is asked of a number.
  static Spec number_spec(const Shown& shown, Spec spec, Kind kind) {
    spec.kind = kind;
    if (shown.lead.zero) {
      spec.fill = "0";
      spec.align = Align::inner;
    }
    return spec;
  }

  void put(const Shown& shown, const Spec& spec, int precision, const Value& value, int depth) {
    if (is_whole(value.type())) return put_whole(shown, spec, precision, value);
    if (is_real(value.type())) return put_real(shown, spec, precision, value);
    const bool debug = shown.form == '?';
    if (value.is(Type::truth))
      return put_padded(spec, precision, value.as_whole() != 0 ? "true" : "false");
    if (is_text_or_character(value)) {
      if (debug)
        out_.append(debug_quoted(text_of(value), value.is(Type::text) ? '"' : '\''));
      else if (value.is(Type::text))
        put_padded(spec, precision, value.as_text());
      else
        put_padded(spec, precision, text_of(value));
      return;
    }
    if (value.is(Type::nil)) return out_.append("None");
    put_compound(shown, spec, precision, value, depth);
  }

  void put_padded(Spec spec, int precision, std::string_view text) {
    spec.kind = Kind::text;
    spec.limit = precision;
    lay_out_text(spec, text, unit(), out_);
  }

  // A list, a tuple or a record; one part a line where # asks for it.
  void put_compound(const Shown& shown, const Spec& spec, int precision, const Value& value,
                    int depth) {
    const auto items = value.as_list();
    const bool lines = shown.lead.alternate;
    const bool is_list = value.is(Type::list);
    const bool is_record = value.is(Type::record);
    if (items.empty())
      return is_list     ? out_.append("[]")
             : is_record ? out_.append("Record")
                         : put_padded(spec, precision, "()");
    const auto new_line = [&](int indent) {
      out_.append('\n');
      out_.fill("    ", static_cast<std::size_t>(indent));
    };
    out_.append(is_list ? "[" : is_record ? "Record {" : "(");
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (lines)
        new_line(depth + 1);
      else if (i > 0 || is_record)
        out_.append(" ");
      if (is_record) {
        out_.append(items[i].name());
        out_.append(": ");
      }
      put(shown, spec, precision, items[i], depth + 1);
      const bool last = i + 1 == items.size();
      if (lines || !last || (value.is(Type::tuple) && items.size() == 1)) out_.append(",");
    }
    if (lines)
      new_line(depth);
    else if (is_record)
      out_.append(" ");
    out_.append(is_list ? "]" : is_record ? "}" : ")");
  }

  void put_whole(const Shown& shown, const Spec& given, int precision, const Value& value) {
    Spec spec = number_spec(shown, given, Kind::whole);
    const char form = shown.debug_hexadecimal != 0 ? shown.debug_hexadecimal : shown.form;
    if (form == 'e' || form == 'E') return put_whole_scientific(form, spec, precision, value);
    const bool bits = form != 0 && form != '?';
    if (!bits) {
      bool negative = false;
      if (const auto small = small_whole(value); small && high_half(magnitude_of(*small)) == 0)
        return lay_out_decimal(spec, *small < 0, low_half(magnitude_of(*small)), out_);
      const std::string digits = whole_digits(value, 10, Letters::lower, negative);
      return lay_out_whole(spec, negative, digits, {}, out_);
    }
    spec.base = form == 'o' ? 8 : form == 'b' ? 2 : 16;
    const int width = fact_of(value.type()).width;
    const uint128 mask = width == 128 ? ~uint128{0} : (uint128{1} << width) - 1;
    WholeRoom room;
    const std::string_view digits = write_whole(
        value.bits() & mask, spec.base, form == 'X' ? Letters::upper : Letters::lower, room);
    const std::string_view prefix = form == 'o' ? "0o" : form == 'b' ? "0b" : "0x";
    lay_out_whole(spec, false, digits, spec.prefix ? prefix : "", out_);
  }

  void put_whole_scientific(char form, Spec spec, int precision, const Value& value) {
    bool negative = false;
    const std::string text = whole_digits(value, 10, Letters::lower, negative);
    Digits digits;
    const int size = text == "0" ? 0 : static_cast<int>(text.size());
    std::copy(text.begin(), text.end(), digits.room(static_cast<int>(text.size())));
    digits.set(size, size);
    if (precision != unset && precision + 1 < size)
      round_digits(digits, precision + 1, negative, Rounding::half_even);
    digits.strip_trailing_zeros();
    spec.notation = Notation::scientific;
    spec.letters = form == 'E' ? Letters::upper : Letters::lower;
    spec.places = precision == unset ? std::max(digits.size() - 1, 0) : precision;
    lay_out_digits(spec, negative, digits, numbers, out_);
  }

  static Spec real_spec(const Shown& shown, const Spec& given, int precision,
                        const BinaryReal& real) {
    Spec spec = number_spec(shown, given, Kind::real);
    spec.prefix = false;
    spec.places = precision;
    const bool scientific = shown.form == 'e' || shown.form == 'E';
    spec.notation = scientific ? Notation::scientific : Notation::fixed;
    // Upper letters are the exponent's alone.
    if (shown.form == 'E' && real.is_finite()) spec.letters = Letters::upper;
    if (real.kind == RealClass::not_a_number) spec.sign = Sign::minus;
    return spec;
  }

  void put_real(const Shown& shown, const Spec& given, int precision, const Value& value) {
    const BinaryFormat& format = *fact_of(value.type()).format;
    const BinaryReal real = value.as_real();
    Spec spec = real_spec(shown, given, precision, real);
    if (precision != unset || !real.is_finite())
      return lay_out_real(spec, format, real, numbers, out_);
    Digits digits;
    shortest(format, real, digits);
    const int point = digits.is_zero() ? 1 : digits.point();
    constexpr int lowest_fixed = -3;  // 1e-4
    constexpr int highest_fixed = 16;
    const bool debug = shown.form == '?';
    if (debug && (point < lowest_fixed || point > highest_fixed))
      spec.notation = Notation::scientific;
    spec.places = spec.notation == Notation::scientific
                      ? std::max(digits.size() - 1, 0)
                      : std::max(digits.size() - point, debug ? 1 : 0);
    lay_out_digits(spec, real.negative, digits, numbers, out_);
  }

  // Of two texts equally close, the one farther from zero.
  static void shortest(const BinaryFormat& format, const BinaryReal& real, Digits& digits) {
    shortest_digits(format, real, digits);
    // A number far from one has more digits than any such text.
    constexpr int far = 160;
    if (real.is_zero() || real.exponent < -far || real.exponent > far) return;
    Digits exact;
    exact_digits(real, exact);
    const int size = digits.size();
    if (exact.size() == size + 1 && tail_after(exact, size) == Tail::half)
      digits_to_significant(real, size, Rounding::half_away, digits);
  }

  void note_value(const Field& field, const Shown& shown, const Spec& given, int precision,
                  const Value& value) {
    if (is_real(value.type()) && !value.given_in_bits() && precision != unset) {
      const BinaryFormat& format = *fact_of(value.type()).format;
      note_rounding(real_spec(shown, given, precision, value.as_real()), format, value.as_real(),
                    field.span, report_->notes);
    }
    if (is_text_or_character(value) && shown.form == 0) {
      Spec spec = given;
      spec.limit = precision;
      note_text(spec, text_of(value), unit(), field.span, report_->notes);
      if (shown.lead.zero)
        note(Code::flag_without_effect, "the flag 0 changes nothing for a text", field.span);
    }
    if (is_whole(value.type()) && precision != unset && (shown.form == 0 || shown.form == '?'))
      note(Code::flag_without_effect, "a precision changes nothing for a whole number", field.span);
  }

  const Fields& program_;
  ValueIndex index_;
};

// ---- Writing ----

constexpr braces::WritingRules writing_rules = {.facts = &rust::facts,
                                                .space_sign = false,
                                                .general = false,
                                                .fixed_by_precision = true,
                                                .shortest_scientific = true,
                                                .names = true};
constexpr writing::LiteralRules literal_rules = {.doubled = "{}",
                                                 .control = writing::ControlForm::braces};

class Rust final : public family::CheckedDialect<Fields, Rendering> {
 public:
  const DialectFacts& facts() const override { return rust::facts; }

  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override {
    return braces::write_field(writing_rules, wish);
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    // A name in braces is the variable itself.
    std::vector<std::string> given;
    for (const std::string& name : names) {
      if (source.find("{" + name + "}") == std::string_view::npos &&
          source.find("{" + name + ":") == std::string_view::npos)
        given.push_back(name);
    }
    return "print!(\"" + std::string(source) + "\"" + (given.empty() ? "" : ", ") +
           writing::listed(given, ", ") + ");";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Shown& shown =
        static_cast<const Fields&>(*parsed.program).fields[static_cast<std::size_t>(field)];
    const auto count_of = [](const Reference& count) {
      return count.kind == Reference::Kind::number ? static_cast<int>(count.number) : unset;
    };
    const bool counts_from_values =
        (shown.width.kind != Reference::Kind::none && count_of(shown.width) == unset) ||
        (shown.precision.kind != Reference::Kind::none && count_of(shown.precision) == unset);
    if (counts_from_values || shown.form == '?') {
      writing::cannot(shown.form == '?' ? "a value for debugging is Rust's own"
                                        : "the width or precision comes from a value",
                      notes);
      return std::nullopt;
    }
    // A precision without a letter is places; without one, reals have no exponent.
    const bool bare_real = shown.form == 0 && is_real(type);
    Spec out = braces::wish_of(shown.lead, count_of(shown.width), count_of(shown.precision),
                               bare_real ? 'f' : shown.form, type, unset);
    if (shown.lead.zero && (out.kind == Kind::whole || out.kind == Kind::real)) {
      out.align = Align::inner;
      out.fill = "0";
    }
    return out;
  }

  // println!("{}").
  Outcome print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("{}");
    Value unnamed = value;
    return render(shown, {&unnamed, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Fields& program, std::vector<Words>* words) const override {
    const braces::Decoded decoded(out, read_escape);
    Reader(decoded, out, program, words).read();
    note_quotes(facts(), out);
  }
};

}  // namespace

}  // namespace inky::inline v1::rust

namespace inky::inline v1 {

const Dialect* rust_dialect() {
  static const rust::Rust dialect;
  return &dialect;
}

}  // namespace inky::inline v1
