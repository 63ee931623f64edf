// Reads an f-string, which is refused as a whole when it is compiled.
#include <algorithm>

#include "dialect/program_form.hpp"
#include "fields.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

bool is_name_start(char c) {
  return is_word_start(c) || static_cast<unsigned char>(c) >= 0x80;
}

constexpr std::string_view keywords[] = {
    "and",    "as",   "assert", "async",  "await",  "break",   "class",    "continue",
    "def",    "del",  "elif",   "else",   "except", "finally", "for",      "from",
    "global", "if",   "import", "in",     "is",     "lambda",  "nonlocal", "not",
    "or",     "pass", "raise",  "return", "try",    "while",   "with",     "yield"};
constexpr std::string_view constants[] = {"None", "True", "False"};

// The text before a quote, where it may stand there.
struct StringPrefix {
  std::size_t size;
  bool fills;
  bool is_raw;
};
std::optional<StringPrefix> string_prefix(std::string_view text) {
  const std::size_t size = std::min(text.find_first_not_of("fFrR"), text.size());
  const std::string_view letters = text.substr(0, size);
  const auto count = [&](char lower, char upper) {
    return std::count_if(letters.begin(), letters.end(),
                         [&](char c) { return c == lower || c == upper; });
  };
  const auto fills = count('f', 'F');
  const auto raw = count('r', 'R');
  if (fills > 1 || raw > 1 || size >= text.size()) return std::nullopt;
  if (text[size] != '"' && text[size] != '\'') return std::nullopt;
  return StringPrefix{size, fills == 1, raw == 1};
}

class FStringReader {
 public:
  // From behind the opening quote to before the closing one.
  FStringReader(Span inside, TemplateContent& out, Fields& program, std::vector<Words>* words)
      : text_(std::string_view(out.source).substr(0, inside.to)),
        at_(inside.from),
        quote_at_(inside.from - 1),
        is_raw_(string_prefix(out.source)->is_raw),
        out_(out),
        program_(program),
        words_(words) {
    if (words_.asked()) words_.add(at_, "literal", "the beginning of an f-string", unset);
  }

  void read() {
    const std::string_view inside = text_.substr(at_);
    if (inside.size() >= 2 && inside[0] == quote() && inside[1] == quote()) {
      out_.refusal = {Refusal::When::not_supported_yet, "Use one quote at each end.",
                      "three quotes around an f-string are not supported yet", Span{0, at_ + 2}};
    }
    while (at_ < text_.size() && !out_.refusal) {
      const std::size_t start = at_;
      std::string literal;
      read_literal(true, literal);
      if (at_ > start) add_literal(literal, {start, at_}, out_);
      if (words_.asked()) words_.add(at_, "literal", in_quotes(literal), unset);
      if (at_ >= text_.size() || out_.refusal) break;
      Replacement field = read_field(0);
      if (out_.refusal) break;
      if (words_.asked()) tell_field(field, nullptr, static_cast<int>(out_.fields.size()), words_);
      add_field(std::move(field), out_, program_);
    }
    if (out_.source.back() != quote())
      refuse("the last quote closes nothing", {text_.size(), text_.size() + 1});
  }

  void tell_end() {
    if (words_.asked()) words_.add(out_.source.size(), "literal", "the end of the f-string", unset);
  }

 private:
  void refuse(std::string why, Span span) {
    if (!out_.refusal)
      out_.refusal = {Refusal::When::compile, "SyntaxError", "f-string: " + std::move(why), span};
  }

  char quote() const { return out_.source[quote_at_]; }

  // Up to a field, or to the brace that ends the spec it is in.
  void read_literal(bool outermost, std::string& literal) {
    const std::size_t kept = out_.literals.size();
    while (at_ < text_.size()) {
      const char c = text_[at_];
      if (c == '\\' && is_raw_) {
        // It stays, and so does a quote behind it.
        literal += text_[at_++];
        if (peek() == quote()) literal += text_[at_++];
        continue;
      }
      if (c == '\\') {
        at_ += read_escape(at_, out_);
        literal += std::string_view(out_.literals).substr(kept);
        out_.literals.resize(kept);
        if (at_ <= text_.size()) continue;
        at_ = text_.size();
        return refuse("the last quote is escaped, so that the text has no end", {at_, at_ + 1});
      }
      if (c == quote()) {
        if (outermost && begin_next_literal()) continue;
        return refuse("the text ends here, and more follows", {at_, at_ + 1});
      }
      if ((c == '{' || c == '}') && fills_) {
        const bool doubled = at_ + 1 < text_.size() && text_[at_ + 1] == c;
        if (!outermost || (c == '{' && !doubled)) return;
        if (!doubled) return refuse("single '}' is not allowed", {at_, at_ + 1});
        ++at_;
      }
      literal += text_[at_++];
    }
  }

  // Literals side by side are one: f"{x}" "ink" f'{y}'. From a closing quote to behind the next
  // opening one; false where none follows.
  bool begin_next_literal() {
    const std::size_t next = text_.find_first_not_of(" \t\r\n\\", at_ + 1);
    if (next == std::string_view::npos) return false;
    const auto found = string_prefix(text_.substr(next));
    if (!found) return false;
    quote_at_ = next + found->size;
    is_raw_ = found->is_raw;
    fills_ = found->fills;
    at_ = quote_at_ + 1;
    return true;
  }

  void skip_spaces() {
    while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t')) ++at_;
  }
  char peek() const { return at_ < text_.size() ? text_[at_] : '\0'; }

  Replacement read_field(int depth) {
    Replacement field;
    const std::size_t start = at_++;
    if (depth > 1) refuse("expressions nested too deeply", {start, at_});
    skip_spaces();
    read_expression(start, field);
    skip_spaces();
    if (peek() == '=' && !out_.refusal) {
      ++at_;
      skip_spaces();
      field.said = text_.substr(start + 1, at_ - start - 1);
    }
    if (peek() == '!' && !out_.refusal) read_conversion(field);
    if (peek() == ':' && !out_.refusal) read_spec_of(field, depth);
    if (!out_.refusal && peek() != '}') {
      if (at_ >= text_.size())
        refuse("expecting '}'", {start, text_.size()});
      else
        not_yet({at_, at_ + 1});
    }
    if (at_ < text_.size()) ++at_;
    field.span = {start, at_};
    // The text of an expression goes with its repr, unless a conversion or a spec follows.
    if (!field.said.empty() && !field.has_spec && field.conversion == 0) field.conversion = U'r';
    return field;
  }

  void not_yet(Span span) {
    if (out_.refusal) return;
    out_.refusal = {Refusal::When::not_supported_yet,
                    "Give the value of the expression a name, and write the name.",
                    "expressions other than names, attributes and items are not supported yet",
                    span};
  }

  std::string_view read_identifier() {
    const std::size_t start = at_;
    while (at_ < text_.size() && (is_name_start(text_[at_]) || is_digit(text_[at_]))) ++at_;
    return text_.substr(start, at_ - start);
  }

  void read_expression(std::size_t start, Replacement& field) {
    if (peek() == '}' || peek() == '!' || peek() == ':' || peek() == '=')
      return refuse("empty expression not allowed", {start, at_ + 1});
    if (peek() == '\\') return refuse("expression part cannot include a backslash", {at_, at_ + 1});
    if (!is_name_start(peek())) {
      if (at_ >= text_.size()) return refuse("expecting '}'", {start, at_});
      return not_yet({at_, at_ + 1});
    }
    field.name_span.from = at_;
    field.name = read_identifier();
    const Span name{field.name_span.from, at_};
    if (std::find(std::begin(keywords), std::end(keywords), field.name) != std::end(keywords))
      return refuse("a keyword is no expression", name);
    if (std::find(std::begin(constants), std::end(constants), field.name) != std::end(constants))
      return not_yet(name);
    while (!out_.refusal && (peek() == '.' || peek() == '[')) read_step(field);
    field.name_span.to = at_;
  }

  void read_step(Replacement& field) {
    const std::size_t start = at_++;
    if (text_[start] == '.') {
      if (!is_name_start(peek())) return not_yet({start, at_});
      field.steps.push_back({Step::Kind::attribute, std::string(read_identifier())});
      return;
    }
    const bool negative = peek() == '-';
    if (negative) ++at_;
    const char mark = peek();
    if (!negative && (mark == '"' || mark == '\'')) {
      if (mark == quote())
        return refuse("the quote around the f-string ends it here", {at_, at_ + 1});
      const std::size_t end = text_.find(mark, at_ + 1);
      if (end == std::string_view::npos) return not_yet({start, at_});
      field.steps.push_back({Step::Kind::key, std::string(text_.substr(at_ + 1, end - at_ - 1))});
      if (field.steps.back().name.find('\\') != std::string::npos)
        refuse("expression part cannot include a backslash", {at_, end});
      at_ = end + 1;
    } else {
      const std::size_t digits = at_;
      while (is_digit(peek())) ++at_;
      const std::int64_t index = index_in(text_.substr(digits, at_ - digits));
      const bool zero_first = at_ - digits > 1 && text_[digits] == '0';
      if (index == unset || index == highest_index || zero_first) return not_yet({start, at_});
      field.steps.push_back({Step::Kind::index, {}, negative ? -index : index});
    }
    if (peek() != ']') return not_yet({start, at_});
    ++at_;
  }

  void read_conversion(Replacement& field) {
    const std::size_t start = at_++;
    field.conversion_at = start;
    if (peek() == '=') return not_yet({start, at_ + 1});
    const std::string_view letter = read_identifier();
    if (letter != "s" && letter != "r" && letter != "a")
      return refuse("invalid conversion character: expected 's', 'r', or 'a'",
                    {start, std::max(at_, start + 1)});
    field.conversion = static_cast<char32_t>(letter[0]);
    if (peek() != ':' && peek() != '}') refuse("expecting '}'", {start, at_});
  }

  void read_spec_of(Replacement& field, int depth) {
    field.has_spec = true;
    field.spec_span.from = ++at_;
    while (at_ < text_.size() && !out_.refusal) {
      SpecPart part;
      read_literal(false, part.text);
      if (peek() == '{') part.field.push_back(read_field(depth + 1));
      const bool ends = part.field.empty();
      field.parts.push_back(std::move(part));
      if (ends) break;
    }
    field.spec_span.to = at_;
    // One literal and no field is a spec that is known.
    if (field.parts.empty() || (field.parts.size() == 1 && field.parts[0].field.empty())) {
      if (!field.parts.empty()) field.text = field.parts[0].text;
      field.spec = read_spec(field.text);
      field.parts.clear();
    }
  }

  std::string_view text_;
  std::size_t at_;
  std::size_t quote_at_;
  bool is_raw_;        // a backslash begins no escape
  bool fills_ = true;  // braces are fields
  TemplateContent& out_;
  Fields& program_;
  braces::WordsSink words_;
};

}  // namespace

namespace {

// Writes fields back from what was read of them.
class FStringWriter {
 public:
  FStringWriter(const TemplateContent& parsed, const Fields& program)
      : parsed_(parsed), program_(program) {}

  Result<std::string> write() {
    out_ = "f\"";
    for (const Piece& piece : parsed_.pieces) {
      if (piece.field == unset)
        add_text(parsed_.literal(piece), true);
      else
        add_field(program_.fields[static_cast<std::size_t>(piece.field)]);
    }
    out_ += '"';
    if (odd_key_.empty()) return std::move(out_);
    return Error{Code::not_supported_yet,
                 "the key " + in_quotes(odd_key_) + " in a program is not supported yet",
                 {0, parsed_.source.size()},
                 "Give the value a name."};
  }

 private:
  void add_text(std::string_view text, bool doubles_braces) {
    for (const char c : literal_text(program_form_of(braces_facts), text)) {
      if (doubles_braces && (c == '{' || c == '}')) out_ += c;
      out_ += c;
    }
  }

  void add_field(const Replacement& field) {
    out_ += '{';
    out_ += field.name;
    for (const Step& step : field.steps) add_step(step);
    // Blanks around the = are printed too.
    if (!field.said.empty()) {
      const std::size_t behind = field.said.find_last_not_of(" \t=") + 1;
      out_ += std::string_view(field.said).substr(behind);
    }
    const bool told = field.conversion_at != std::string::npos;
    if (told) out_ += {'!', static_cast<char>(field.conversion)};
    if (field.has_spec) {
      out_ += ':';
      if (field.parts.empty()) add_text(field.text, false);
      for (const SpecPart& part : field.parts) {
        add_text(part.text, false);
        if (!part.field.empty()) add_field(part.field[0]);
      }
    }
    out_ += '}';
  }

  void add_step(const Step& step) {
    switch (step.kind) {
      case Step::Kind::attribute:
        out_ += '.' + step.name;
        return;
      case Step::Kind::index:
        out_ += '[';
        if (step.index < 0) out_ += '-';
        append_whole(Natural(low_half(magnitude_of(step.index))), 10, Letters::lower, out_);
        out_ += ']';
        return;
      default:
        for (const char c : step.name) {
          if (!is_name_start(c) && !is_digit(c) && c != ' ' && c != '-') odd_key_ = step.name;
        }
        out_ += "['" + step.name + "']";
        return;
    }
  }

  const TemplateContent& parsed_;
  const Fields& program_;
  std::string out_;
  std::string odd_key_;
};

}  // namespace

Result<std::string> f_string_source(const TemplateContent& parsed, const Fields& program) {
  return FStringWriter(parsed, program).write();
}

std::optional<Span> f_string_in(std::string_view source) {
  const auto prefix = string_prefix(source);
  if (!prefix || !prefix->fills || source.size() < prefix->size + 2) return std::nullopt;
  if (source.back() != '"' && source.back() != '\'') return std::nullopt;
  return Span{prefix->size + 1, source.size() - 1};
}

void read_f_string(Span inside, TemplateContent& out, Fields& program, std::vector<Words>* words) {
  program.is_f_string = true;
  out.pieces.push_back({{0, inside.from}, unset, {}});
  FStringReader reader(inside, out, program, words);
  reader.read();
  reader.tell_end();
  out.pieces.push_back({{inside.to, out.source.size()}, unset, {}});
}

}  // namespace inky::inline v1::python
