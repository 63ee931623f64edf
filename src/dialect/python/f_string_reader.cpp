// Reads an f-string, which is refused as a whole when it is compiled: one literal, or several side
// by side of which one begins with f.
#include <algorithm>

#include "../computed/writer.hpp"
#include "dialect/lexis.hpp"
#include "dialect/program_form.hpp"
#include "expressions.hpp"
#include "fields.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

// What a literal begins with: its prefix, and one quote or three.
struct Opening {
  std::size_t prefix = 0;
  std::size_t quotes = 1;
  bool fills = false;
  bool is_raw = false;

  std::size_t size() const { return prefix + quotes; }
};

std::optional<Opening> opening_of(std::string_view text) {
  Opening out;
  out.prefix = std::min(text.find_first_not_of("fFrRuU"), text.size());
  const std::string_view letters = text.substr(0, out.prefix);
  const auto count = [&](char lower, char upper) {
    return std::count_if(letters.begin(), letters.end(),
                         [&](char c) { return c == lower || c == upper; });
  };
  const auto fills = count('f', 'F');
  const auto raw = count('r', 'R');
  const bool has_u = count('u', 'U') > 0;
  if (fills > 1 || raw > 1 || (has_u && letters.size() > 1) || out.prefix >= text.size())
    return std::nullopt;
  const char quote = text[out.prefix];
  if (quote != '"' && quote != '\'') return std::nullopt;
  const std::string_view rest = text.substr(out.prefix);
  if (rest.size() >= 3 && rest[1] == quote && rest[2] == quote) out.quotes = 3;
  out.fills = fills == 1;
  out.is_raw = raw == 1;
  return out;
}

// Behind the literal that begins so; the end of the text where it has none.
std::size_t literal_end(std::string_view text, const Opening& opening) {
  const std::string end(opening.quotes, text[opening.prefix]);
  std::size_t at = opening.size();
  while (at < text.size() && !text.substr(at).starts_with(end)) at += text[at] == '\\' ? 2 : 1;
  return std::min(at + end.size(), text.size());
}

// What may be between literals.
std::size_t behind_blanks(std::string_view text, std::size_t at) {
  return std::min(text.find_first_not_of(" \t\r\n\\", at), text.size());
}

class FStringReader {
 public:
  FStringReader(TemplateContent& out, Fields& program, std::vector<Words>* words)
      : text_(out.source), out_(out), program_(program), words_(words) {
    open();
    if (words_.asked()) words_.add(at_, "literal", "the beginning of an f-string", unset);
    out_.pieces.push_back({{0, at_}, unset, {}});
  }

  void read() {
    while (!ended_ && !out_.refusal) {
      const std::size_t start = at_;
      std::string literal;
      read_literal(true, literal);
      const std::size_t end = ended_ ? ended_at_ : at_;
      if (end > start) add_literal(literal, {start, end}, out_);
      if (words_.asked() && end > start) words_.add(end, "literal", in_quotes(literal), unset);
      if (ended_ || out_.refusal) break;
      Replacement field = read_field(0);
      if (out_.refusal) break;
      if (words_.asked()) tell_field(field, nullptr, static_cast<int>(out_.fields.size()), words_);
      add_field(std::move(field), out_, program_);
    }
    if (ended_) out_.pieces.push_back({{ended_at_, text_.size()}, unset, {}});
    if (words_.asked()) words_.add(text_.size(), "literal", "the end of the f-string", unset);
  }

 private:
  void refuse(std::string why, Span span) {
    if (!out_.refusal)
      out_.refusal = {Refusal::When::compile, "SyntaxError", "f-string: " + std::move(why), span};
  }

  // REQUIRES: a literal begins here.
  void open() {
    opening_ = *opening_of(text_.substr(at_));
    quote_at_ = at_ + opening_.prefix;
    const std::size_t end = at_ + literal_end(text_.substr(at_), opening_);
    close_ = end - (text_.substr(0, end).ends_with(quotes()) ? opening_.quotes : 0);
    at_ += opening_.size();
  }
  std::string_view quotes() const { return text_.substr(quote_at_, opening_.quotes); }
  bool closes_here() const { return text_.substr(at_).starts_with(quotes()); }

  // Up to a field, to the brace that ends the spec it is in, or to the end of all.
  void read_literal(bool outermost, std::string& literal) {
    const std::size_t kept = out_.literals.size();
    while (at_ < text_.size()) {
      const char c = text_[at_];
      if (c == '\\' && opening_.is_raw) {
        // It stays, and so does a quote behind it.
        literal += text_[at_++];
        if (peek() == text_[quote_at_]) literal += text_[at_++];
        continue;
      }
      if (c == '\\') {
        at_ += read_escape(at_, out_);
        literal += std::string_view(out_.literals).substr(kept);
        out_.literals.resize(kept);
        continue;
      }
      if (closes_here()) {
        if (!outermost) return refuse("expecting '}'", {at_, at_ + 1});
        if (go_on_behind_quote()) continue;
        return;
      }
      if (c == '\n' && opening_.quotes == 1)
        return refuse("the line ends inside the text", {at_, at_ + 1});
      if ((c == '{' || c == '}') && opening_.fills) {
        const bool doubled = at_ + 1 < text_.size() && text_[at_ + 1] == c;
        if (!outermost || (c == '{' && !doubled)) return;
        if (!doubled) return refuse("single '}' is not allowed", {at_, at_ + 1});
        ++at_;
      }
      literal += text_[at_++];
    }
    refuse("the last quote is escaped, so that the text has no end",
           {text_.size() - 1, text_.size()});
  }

  // Literals side by side are one. False at the end of all of them.
  bool go_on_behind_quote() {
    const std::size_t close = at_;
    const std::size_t next = behind_blanks(text_, at_ + opening_.quotes);
    if (next == text_.size()) {
      ended_ = true;
      ended_at_ = close;
      return false;
    }
    if (!opening_of(text_.substr(next))) {
      refuse("the text ends here, and more follows", {close, close + 1});
      return false;
    }
    at_ = next;
    open();
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
    read_expression(start, field);
    if (peek() == '=' && !out_.refusal) {
      ++at_;
      skip_spaces();
      field.said = text_.substr(start + 1, at_ - start - 1);
    }
    if (peek() == '!' && !out_.refusal) read_conversion(field);
    if (peek() == ':' && !out_.refusal) read_spec_of(field, depth);
    if (!out_.refusal && peek() != '}') refuse("expecting '}'", {start, at_});
    if (at_ < text_.size()) ++at_;
    field.span = {start, at_};
    // The text of an expression goes with its repr, unless a conversion or a spec follows.
    if (!field.said.empty() && !field.has_spec && field.conversion == 0) field.conversion = U'r';
    return field;
  }

  // The end of an expression: the first of !, :, = and } that is in no brackets and no text, and
  // is no comparison. As CPython 3.11 finds it: Parser/string_parser.c, fstring_find_expr.
  std::size_t expression_end(std::size_t start) {
    const std::size_t limit = close_;
    std::size_t at = at_;
    int depth = 0;
    std::string_view text_quotes;
    for (; at < limit; ++at) {
      const char c = text_[at];
      if (c == '\\') {
        refuse("expression part cannot include a backslash", {at, at + 1});
        return at;
      }
      const std::string_view rest = text_.substr(at, limit - at);
      if (!text_quotes.empty()) {
        if (rest.starts_with(text_quotes)) {
          at += text_quotes.size() - 1;
          text_quotes = {};
        }
        continue;
      }
      if (c == '"' || c == '\'') {
        text_quotes = rest.substr(0, rest.size() >= 3 && rest[1] == c && rest[2] == c ? 3 : 1);
        at += text_quotes.size() - 1;
        continue;
      }
      if (c == '#') {
        refuse("expression part cannot include '#'", {at, at + 1});
        return at;
      }
      if (c == '(' || c == '[' || c == '{') ++depth;
      if (depth > 0) {
        if (c == ')' || c == ']' || c == '}') --depth;
        continue;
      }
      const bool compares =
          rest.size() > 1 && rest[1] == '=' && (c == '=' || c == '!' || c == '<' || c == '>');
      if (compares)
        ++at;
      else if (c == '!' || c == ':' || c == '=' || c == '}')
        return at;
      else if (c == ')' || c == ']') {
        refuse("unmatched '" + std::string(1, c) + "'", {at, at + 1});
        return at;
      }
    }
    // The tokenizer ends the text at its quote, wherever that is.
    if (behind_blanks(text_, limit + opening_.quotes) < text_.size())
      refuse("the quote around the f-string ends it here", {limit, limit + 1});
    refuse("expecting '}'", {start, limit});
    return limit;
  }

  void read_expression(std::size_t start, Replacement& field) {
    const std::size_t end = expression_end(start);
    if (out_.refusal) return;
    const std::string_view text = text_.substr(at_, end - at_);
    if (text.find_first_not_of(" \t\n\r\f") == std::string_view::npos)
      return refuse("empty expression not allowed", {start, end + 1});
    ExpressionReader reader(out_, at_, end);
    computed::Node node;
    const bool good = reader.read(node);
    at_ = behind_blanks(text_.substr(0, end), reader.at());
    if (!good) {
      if (!out_.refusal) out_.refusal = reader.refusal();
      return;
    }
    if (at_ < end) {
      if (text_[at_] == ',')
        out_.refusal = {Refusal::When::not_supported_yet, "Put the tuple in parentheses.",
                        "tuples without parentheses are not supported yet", Span{at_, at_ + 1}};
      return refuse("the expression ends here, and more follows", {at_, at_ + 1});
    }
    field.name_span = node.span;
    // What the library calls so may be no value: timezone.utc.
    if (take_steps(node, field) && (field.name != "UTC" || !field.steps.empty()) &&
        (field.steps.empty() || !has_word(expression_form.own_names, field.name)))
      return;
    field.steps.clear();
    field.name.clear();
    field.expression = std::make_shared<const computed::Node>(std::move(node));
  }

  // A name with attributes, keys and indices needs no evaluation.
  static bool take_steps(const computed::Node& node, Replacement& field) {
    using Kind = computed::Node::Kind;
    if (node.enclosed) return false;
    if (node.kind == Kind::name) {
      field.name = node.text;
      return field.name != "math" && field.name != "decimal";
    }
    const bool is_step = node.kind == Kind::member || node.kind == Kind::item;
    if (!is_step || !take_steps(node.parts[0], field)) return false;
    if (node.kind == Kind::member) {
      field.steps.push_back({Step::Kind::attribute, node.text});
      return true;
    }
    const computed::Node& at = node.parts[1];
    const bool negative = at.kind == Kind::unary && at.operation == computed::Operation::negate;
    const computed::Node& index = negative ? at.parts[0] : at;
    if (at.enclosed || index.enclosed || index.kind != Kind::constant) return false;
    if (index.value.is(Type::text) && !negative) {
      field.steps.push_back({Step::Kind::key, std::string(index.value.as_text())});
      return true;
    }
    if (!index.value.is(Type::i32)) return false;
    const auto place = static_cast<std::int64_t>(index.value.as_whole());
    field.steps.push_back({Step::Kind::index, {}, negative ? -place : place});
    return true;
  }

  void read_conversion(Replacement& field) {
    const std::size_t start = at_++;
    field.conversion_at = start;
    const std::size_t letters = at_;
    while (is_name_start(peek()) || is_digit(peek())) ++at_;
    const std::string_view letter = text_.substr(letters, at_ - letters);
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
      if (peek() == '{' && !out_.refusal) part.field.push_back(read_field(depth + 1));
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
  std::size_t at_ = 0;
  std::size_t quote_at_ = 0;
  std::size_t close_ = 0;  // where the text of this literal ends, as the tokenizer sees it
  Opening opening_;
  bool ended_ = false;
  std::size_t ended_at_ = 0;
  TemplateContent& out_;
  Fields& program_;
  braces::WordsSink words_;
};

// Writes fields back from what was read of them.
class FStringWriter {
 public:
  FStringWriter(const TemplateContent& parsed, const Fields& program,
                std::span<const std::string> names)
      : parsed_(parsed), program_(program), names_(names) {}

  Result<std::string> write() {
    out_ = "f\"";
    for (const Piece& piece : parsed_.pieces) {
      if (piece.field == unset)
        add_text(parsed_.literal(piece), true);
      else
        add_field(program_.fields[static_cast<std::size_t>(piece.field)]);
    }
    out_ += '"';
    if (odd_part_.empty()) return std::move(out_);
    return Error{Code::not_supported_yet,
                 odd_part_ + " in a program is not supported yet",
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
    if (field.expression != nullptr) {
      WrittenCall source;
      if (!computed::write(*field.expression, {grammar, program_form_of(braces_facts), names_},
                           source, computed::TextStyle::inside_text))
        odd_part_ = "an expression with such a value";
      // Two braces would be a literal one.
      if (source.source.starts_with('{')) out_ += ' ';
      out_ += source.source;
    }
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
          if (!is_name_start(c) && !is_digit(c) && c != ' ' && c != '-')
            odd_part_ = "the key " + in_quotes(step.name);
        }
        out_ += "['" + step.name + "']";
        return;
    }
  }

  const TemplateContent& parsed_;
  const Fields& program_;
  std::span<const std::string> names_;
  std::string out_;
  std::string odd_part_;
};

}  // namespace

Result<std::string> f_string_source(const TemplateContent& parsed, const Fields& program,
                                    std::span<const std::string> names) {
  return FStringWriter(parsed, program, names).write();
}

bool is_f_string(std::string_view source) {
  if (source.empty() || (source.back() != '"' && source.back() != '\'')) return false;
  bool fills = false;
  for (std::size_t at = 0; at < source.size();) {
    const auto opening = opening_of(source.substr(at));
    if (!opening) return fills;
    fills = fills || opening->fills;
    at = behind_blanks(source, at + literal_end(source.substr(at), *opening));
  }
  return fills;
}

std::size_t f_string_size(std::string_view text) {
  bool fills = false;
  std::size_t end = 0;
  for (std::size_t at = 0; at < text.size();) {
    const auto opening = opening_of(text.substr(at));
    if (!opening) break;
    fills = fills || opening->fills;
    end = at + literal_end(text.substr(at), *opening);
    at = behind_blanks(text, end);
  }
  return fills ? end : 0;
}

void read_f_string(TemplateContent& out, Fields& program, std::vector<Words>* words) {
  program.is_f_string = true;
  FStringReader(out, program, words).read();
}

}  // namespace inky::inline v1::python
