#include "fields.hpp"

#include <algorithm>
#include <limits>
#include <string>

#include "../family/braces.hpp"
#include "../family/escapes.hpp"
#include "expressions.hpp"
#include "facts.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::rust {

namespace {

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
    const std::size_t digit = hexadecimal.find(small_letter(c));
    if (digit == std::string_view::npos || ++digits > 6) return 0;
    value = value * 16 + static_cast<char32_t>(digit);
  }
  if (digits == 0 || value > 0x10FFFF || (value >= 0xD800 && value <= 0xDFFF)) return 0;
  append_utf8(value, out);
  return end + 1;
}

}  // namespace

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

namespace {

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
    field.shows_address = shown.form == 'p';
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
    // The sources of rustc 1.85 itself have greater ones.
    if (out_.refusal) out_.refusal->is_new = true;
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
      return "places of a real, most characters of a text: " + in_words(shown.precision);
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

}  // namespace

void read_fields(TemplateContent& out, Fields& fields, std::vector<Words>* words) {
  const braces::Decoded decoded(out, read_escape);
  Reader(decoded, out, fields, words).read();
}

}  // namespace inky::inline v1::rust
