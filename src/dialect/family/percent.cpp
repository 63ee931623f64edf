#include "percent.hpp"

#include <algorithm>

#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky::percent {

namespace {

bool is_digit(char c) {
  return c >= '0' && c <= '9';
}

Error over_limit(std::string what, int most, Span span) {
  return {Code::over_limit, std::move(what) + " is over the limit of " + std::to_string(most), span,
          "Use at most " + std::to_string(most) + "."};
}

// How the fields of one template choose their values.
enum class Choosing : std::uint8_t { undecided, in_order, by_position };

class Reader {
 public:
  Reader(const Syntax& syntax, std::string_view source) : syntax_(syntax) { out_.source = source; }

  Result<Template> read() {
    while (at_ < source().size()) {
      if (source()[at_] != '%') {
        read_literal();
      } else if (source().substr(at_, 2) == "%%") {
        add_literal(at_ + 2, "%");
      } else if (auto error = read_field()) {
        return std::move(*error);
      }
    }
    mark_gaps();
    return std::move(out_);
  }

 private:
  std::string_view source() const { return out_.source; }
  char peek() const { return at_ < source().size() ? source()[at_] : '\0'; }

  void add_literal(std::size_t end, std::string_view text) {
    const std::size_t from = out_.literals.size();
    out_.literals += text;
    out_.pieces.push_back({{at_, end}, unset, {from, out_.literals.size()}});
    at_ = end;
  }

  void read_literal() {
    const std::size_t start = at_;
    const std::size_t from = out_.literals.size();
    while (at_ < source().size() && source()[at_] != '%') {
      if (source()[at_] == '\\')
        at_ += syntax_.read_escape(at_, out_);
      else
        out_.literals += source()[at_++];
    }
    out_.pieces.push_back({{start, at_}, unset, {from, out_.literals.size()}});
  }

  std::optional<Error> read_field() {
    Field field;
    field.span.from = at_++;
    int position = 0;
    if (auto error = read_position(position)) return error;
    if (syntax_.keys && peek() == '(') read_key(field);
    read_flags(field);
    if (auto error = read_count("the width", field.width)) return error;
    if (peek() == '.') {
      ++at_;
      if (auto error = read_count("the precision", field.precision)) return error;
      // A point alone means zero.
      if (!field.precision.given()) field.precision.from = Count::From::source;
    }
    read_modifier(field);
    field.letter = peek();
    // A letter the dialect lacks may be any character, taken whole.
    if (at_ < source().size()) {
      at_ += static_cast<std::size_t>(
          first_code_point(source().substr(at_)).value_or(CodePoint{0, 1}).bytes);
    }
    field.span.to = at_;
    syntax_.finish(field);
    if (takes_value(field))
      field.value_index = take_value(position, field);
    else if (position != 0)
      choose(Choosing::by_position, field);
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    return std::nullopt;
  }

  bool takes_value(const Field& field) const {
    if (!field.key.empty() || field.letter == 0) return false;
    return conversion_of(*syntax_.facts, field.letter) != nullptr ||
           syntax_.unknown_letters_take_values;
  }

  // "(key)", its parentheses kept, so that an empty key is a key; those inside it come in pairs.
  // One that does not end takes all that is left.
  void read_key(Field& field) {
    const std::size_t start = at_;
    int open = 0;
    do {
      open += peek() == '(' ? 1 : peek() == ')' ? -1 : 0;
      ++at_;
    } while (open > 0 && at_ < source().size());
    field.key = source().substr(start, at_ - start);
  }

  // Digits, if there are any, as a number within `most`.
  std::optional<Error> read_number(const char* what, int most, int& number) {
    const std::size_t start = at_;
    bool over = false;
    for (; is_digit(peek()); ++at_) {
      number = std::min(number * 10 + (peek() - '0'), most + 1);
      over |= number > most;
    }
    if (over) return over_limit(what, most, {start, at_});
    return std::nullopt;
  }

  // "12$"; anything else is left where it is.
  std::optional<Error> read_position(int& position) {
    if (syntax_.most_position == 0) return std::nullopt;
    const std::size_t start = at_;
    const std::size_t end = source().find_first_not_of("0123456789", at_);
    if (end == start || end == std::string_view::npos || source()[end] != '$') return std::nullopt;
    if (auto error = read_number("the position of a value", syntax_.most_position, position))
      return error;
    ++at_;
    return std::nullopt;
  }

  void read_flags(Field& field) {
    const auto flags = syntax_.facts->flags;
    for (;; ++at_) {
      const auto found = std::find_if(flags.begin(), flags.end(),
                                      [&](const FlagFact& fact) { return fact.flag == peek(); });
      if (at_ >= source().size() || found == flags.end()) return;
      field.flags = static_cast<std::uint16_t>(field.flags | 1U << (found - flags.begin()));
    }
  }

  std::optional<Error> read_count(const char* what, Count& count) {
    if (peek() == '*') {
      count.from = Count::From::value;
      ++at_;
      int position = 0;
      if (auto error = read_position(position)) return error;
      count.value_index = position - 1;  // -1, the next one, is settled by take_value
      return std::nullopt;
    }
    if (!is_digit(peek())) return std::nullopt;
    count.from = Count::From::source;
    return read_number(what, most_width, count.amount);
  }

  // The longest modifier that matches.
  void read_modifier(Field& field) {
    const auto modifiers = syntax_.facts->modifiers;
    std::size_t longest = 0;
    for (std::size_t i = 0; i < modifiers.size(); ++i) {
      const std::string_view text = modifiers[i].text;
      if (text.size() > longest && source().substr(at_, text.size()) == text) {
        longest = text.size();
        field.modifier = static_cast<std::uint8_t>(i);
      }
    }
    at_ += longest;
  }

  void choose(Choosing choosing, Field& field) {
    if (choosing_ == Choosing::undecided) choosing_ = choosing;
    if (choosing_ != choosing && field.defect.empty()) {
      field.defect = "fields with and without a position (n$) are mixed in one template";
    }
  }

  int take_value(int position, Field& field) {
    choose(position != 0 ? Choosing::by_position : Choosing::in_order, field);
    for (Count* count : {&field.width, &field.precision}) {
      if (count->from != Count::From::value) continue;
      choose(count->value_index >= 0 ? Choosing::by_position : Choosing::in_order, field);
      if (count->value_index < 0) count->value_index = next_++;
      note_use(count->value_index);
    }
    const int index = position != 0 ? position - 1 : next_++;
    note_use(index);
    return index;
  }

  void note_use(int index) {
    const auto at = static_cast<std::size_t>(index);
    if (used_.size() <= at) used_.resize(at + 1);
    used_[at] = true;
    out_.values_taken = static_cast<int>(used_.size());
  }

  // A position left out has no type, so the ones after it cannot be found.
  void mark_gaps() {
    const auto gap = std::find(used_.begin(), used_.end(), false);
    if (gap == used_.end()) return;
    const auto missing = gap - used_.begin();
    for (Field& field : out_.fields) {
      if (field.defect.empty() && field.value_index > missing) {
        field.defect = "value " + std::to_string(missing + 1) +
                       " is used by no field, so the type of what is passed before value " +
                       std::to_string(field.value_index + 1) + " is unknown";
      }
    }
  }

  const Syntax& syntax_;
  Template out_;
  std::size_t at_ = 0;
  int next_ = 0;
  Choosing choosing_ = Choosing::undecided;
  std::vector<bool> used_;
};

// Walks the source of a field again, this time to put each part into words.
class Explainer {
 public:
  Explainer(const Syntax& syntax, const Template& parsed, int index, std::vector<Words>& out)
      : facts_(*syntax.facts),
        field_(parsed.fields[static_cast<std::size_t>(index)]),
        source_(parsed.source),
        at_(field_.span.from),
        index_(index),
        out_(out) {}

  void explain() {
    say(1, "start", "a field begins");
    const std::size_t dollar = source_.find_first_not_of("0123456789", at_);
    if (!field_.key.empty())
      say(field_.key.size(), "key", "takes the value named " + in_quotes(field_.key_name()));
    if (dollar != std::string_view::npos && dollar > at_ && source_[dollar] == '$') {
      say(dollar + 1 - at_, "position", "takes value " + std::to_string(field_.value_index + 1));
    }
    explain_flags();
    explain_count(field_.width, "width", "at least ",
                  std::string(name_of(facts_.width_unit)) + "; longer text is never cut");
    if (at_ < field_.span.to && source_[at_] == '.') explain_precision();
    if (!facts_.modifiers.empty()) {
      const ModifierFact& modifier = facts_.modifiers[field_.modifier];
      if (!modifier.text.empty())
        say(modifier.text.size(), "modifier", std::string(modifier.meaning));
    }
    if (at_ < field_.span.to) explain_letter();
    if (!field_.defect.empty()) {
      out_.push_back(
          {field_.span, field_.failure.empty() ? "undefined" : "fails", field_.defect, index_});
    }
  }

 private:
  void say(std::size_t size, std::string_view role, std::string meaning) {
    out_.push_back({{at_, at_ + size}, role, std::move(meaning), index_});
    at_ += size;
  }

  void explain_flags() {
    for (; at_ < field_.span.to;) {
      const auto found =
          std::find_if(facts_.flags.begin(), facts_.flags.end(),
                       [&](const FlagFact& fact) { return fact.flag == source_[at_]; });
      if (found == facts_.flags.end()) return;
      say(1, "flag", std::string(found->meaning));
    }
  }

  std::size_t count_size(std::size_t from) const {
    std::size_t end = from;
    while (end < field_.span.to &&
           (is_digit(source_[end]) || source_[end] == '*' || source_[end] == '$'))
      ++end;
    return end - from;
  }

  static std::string amount(const Count& count) {
    if (count.from == Count::From::value)
      return "as many as value " + std::to_string(count.value_index + 1) + " says, in ";
    return std::to_string(count.amount) + " ";
  }

  void explain_count(const Count& count, std::string_view role, std::string before,
                     std::string after) {
    if (!count.given()) return;
    say(count_size(at_), role, std::move(before) + amount(count) + std::move(after));
  }

  void explain_precision() {
    const ConversionFact* conversion = conversion_of(facts_, field_.letter);
    const std::size_t size = 1 + count_size(at_ + 1);
    std::string meaning = amount(field_.precision);
    if (conversion == nullptr || !conversion->precision) {
      meaning = "means nothing to this letter";
    } else if (conversion->kind == Kind::text) {
      meaning =
          "at most " + meaning + std::string(name_of(facts_.width_unit)) + "; the rest is cut";
    } else if (conversion->kind == Kind::whole) {
      meaning = "at least " + meaning + "digits, with zeros in front";
    } else if (field_.spec.notation == Notation::compact) {
      meaning += "significant digits";
    } else if (field_.spec.notation == Notation::hexfloat) {
      meaning += "hexadecimal digits after the point";
    } else {
      meaning += "digits after the point";
    }
    say(size, "precision", std::move(meaning));
  }

  void explain_letter() {
    const ConversionFact* conversion = conversion_of(facts_, field_.letter);
    say(field_.span.to - at_, "letter",
        conversion != nullptr ? std::string(conversion->meaning) : "no such letter");
  }

  const DialectFacts& facts_;
  const Field& field_;
  std::string_view source_;
  std::size_t at_;
  int index_;
  std::vector<Words>& out_;
};

}  // namespace

Result<Template> parse(const Syntax& syntax, std::string_view source) {
  if (source.size() > most_template) {
    return over_limit("a template of " + std::to_string(source.size()) + " bytes",
                      static_cast<int>(most_template), {most_template, source.size()});
  }
  if (const std::size_t bad = first_invalid_utf8(source); bad != std::string_view::npos) {
    return Error{Code::not_utf8,
                 "the template is not UTF-8",
                 {bad, bad + 1},
                 "Templates are given in UTF-8."};
  }
  return Reader(syntax, source).read();
}

void note_quotes(std::string_view quotes, Template& parsed) {
  const std::string_view source = parsed.source;
  const bool quoted = source.size() >= 2 && source.front() == source.back() &&
                      quotes.find(source.front()) != std::string_view::npos;
  if (!quoted) return;
  parsed.notes.push_back({Code::quotes_in_template,
                          "the quotes at both ends are printed too; leave them out if they only "
                          "delimit the literal",
                          {0, source.size()}});
}

std::vector<Words> explain(const Syntax& syntax, const Template& parsed) {
  std::vector<Words> out;
  for (const Piece& piece : parsed.pieces) {
    if (piece.field != unset)
      Explainer(syntax, parsed, piece.field, out).explain();
    else
      out.push_back({piece.source, "literal", "prints " + in_quotes(parsed.literal(piece)), unset});
  }
  return out;
}

void set_letter(Spec& spec, char letter) {
  const bool upper = letter >= 'A' && letter <= 'Z';
  spec.letters = upper ? Letters::upper : Letters::lower;
  switch (upper ? letter - 'A' + 'a' : letter) {
    case 'o':
      spec.base = 8;
      break;
    case 'x':
      spec.base = 16;
      break;
    case 'f':
      spec.notation = Notation::fixed;
      break;
    case 'e':
      spec.notation = Notation::scientific;
      break;
    case 'g':
      spec.notation = Notation::compact;
      break;
    case 'a':
      spec.notation = Notation::hexfloat;
      break;
    default:
      break;
  }
}

void set_precision(Spec& spec, int precision) {
  switch (spec.kind) {
    case Kind::text:
      spec.limit = precision;
      break;
    case Kind::whole:
      spec.least_digits = precision;
      break;
    default:
      if (spec.notation == Notation::compact)
        spec.significant = precision == unset ? 6 : std::max(precision, 1);
      else if (spec.notation == Notation::hexfloat)
        spec.places = precision;
      else
        spec.places = precision == unset ? 6 : precision;
  }
}

Sign sign_of(const DialectFacts& facts, const Field& field) {
  if (has_flag(facts, field, '+')) return Sign::always;
  return has_flag(facts, field, ' ') ? Sign::space : Sign::minus;
}

bool is_bare(const Field& field) {
  return field.key.empty() && field.flags == 0 && field.modifier == 0 && !field.width.given() &&
         !field.precision.given();
}

bool has_flag(const DialectFacts& facts, const Field& field, char flag) {
  for (std::size_t i = 0; i < facts.flags.size(); ++i) {
    if (facts.flags[i].flag == flag) return (field.flags >> i & 1) != 0;
  }
  return false;
}

const ConversionFact* conversion_of(const DialectFacts& facts, char letter) {
  for (const ConversionFact& fact : facts.conversions) {
    if (fact.letter == letter) return &fact;
  }
  return nullptr;
}

}  // namespace inky::percent
