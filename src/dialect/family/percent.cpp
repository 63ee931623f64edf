#include "percent.hpp"

#include <algorithm>

#include "format/layout.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::percent {

namespace {

Error over_limit(std::string what, int most, Span span) {
  return {Code::over_limit, std::move(what) + " is over the limit of " + std::to_string(most), span,
          "Use at most " + std::to_string(most) + "."};
}

// The length of "12$" at the start of `text`; 0 where it does not start so.
std::size_t position_size(const Syntax& syntax, std::string_view text) {
  const std::size_t end = text.find_first_not_of("0123456789");
  if (end == 0 || end == std::string_view::npos) return 0;
  if (text[end] == '$') return end + 1;
  return syntax.escaped_position && text.substr(end, 2) == "\\$" ? end + 2 : 0;
}

// How the fields of one template choose their values.
enum class Choosing : std::uint8_t { undecided, in_order, by_position };

class Reader {
 public:
  Reader(const Syntax& syntax, std::string_view source, std::vector<FieldPart>* parts)
      : syntax_(syntax), parts_(parts) {
    out_.source = source;
  }

  Result<TemplateContent> read() {
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

  // The part of the field at hand that ends here.
  void keep(FieldPart::What what, std::size_t from, std::size_t fact = 0) {
    if (parts_ != nullptr && at_ > from)
      parts_->push_back({what, {from, at_}, static_cast<int>(out_.fields.size()), fact});
  }

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
      const std::size_t here = at_;
      if (source()[at_] == '\\')
        at_ += syntax_.read_escape(at_, out_);
      else
        out_.literals += source()[at_++];
      if (syntax_.ends_at_zero && out_.literals.size() > from && out_.literals.back() == '\0')
        end_at_zero(here);
    }
    out_.pieces.push_back({{start, at_}, unset, {from, out_.literals.size()}});
  }

  // What follows the zero byte belongs to the literal that it is in, and prints nothing.
  void end_at_zero(std::size_t here) {
    out_.literals.pop_back();
    at_ = source().size();
    out_.notes.push_back(
        {Code::text_cut, "a zero byte ends the template; the rest is not printed", {here, at_}});
  }

  std::optional<Error> read_field() {
    Field field;
    field.span.from = at_++;
    keep(FieldPart::What::start, field.span.from);
    const std::size_t position = at_;
    if (auto error = read_position(field.position)) return error;
    keep(FieldPart::What::position, position);
    const std::size_t key = at_;
    if (syntax_.keys && peek() == '(') read_key(field);
    keep(FieldPart::What::key, key);
    read_flags(field);
    const std::size_t width = at_;
    if (auto error = read_count("the width", field.width)) return error;
    keep(FieldPart::What::width, width);
    const std::size_t precision = at_;
    if (peek() == '.') {
      ++at_;
      if (auto error = read_count("the precision", field.precision)) return error;
      // A point alone means zero.
      if (!field.precision.given()) field.precision.from = Count::From::source;
    }
    keep(FieldPart::What::precision, precision);
    const std::size_t modifier = at_;
    read_modifier(field);
    keep(FieldPart::What::modifier, modifier);
    const std::size_t letter = at_;
    read_letter(field);
    keep(FieldPart::What::letter, letter);
    field.span.to = at_;
    syntax_.finish(field, source().substr(field.span.from, field.span.to - field.span.from));
    if (takes_value(field))
      take_value(field);
    else if (syntax_.valueless.find(field.letter) != std::string_view::npos)
      take_counts(field);
    else if (field.position != unset)
      choose(Choosing::by_position, field);
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    return std::nullopt;
  }

  // A letter the dialect lacks may be any character, taken whole, or written as an escape.
  void read_letter(Field& field) {
    field.letter = peek();
    if (at_ >= source().size()) return;
    if (field.letter != '\\' || syntax_.fields_have_no_escapes) {
      at_ += static_cast<std::size_t>(
          first_code_point(source().substr(at_)).value_or(CodePoint{0, 1}).bytes);
      return;
    }
    const std::size_t kept = out_.literals.size();
    const std::size_t size = syntax_.read_escape(at_, out_);
    if (out_.literals.size() > kept) field.letter = out_.literals[kept];
    out_.literals.resize(kept);
    if (field.letter > ' ' && field.letter < 0x7F && field.letter != '\\' && !out_.refusal) {
      out_.refusal = {Refusal::When::not_supported_yet, "Write the character itself.",
                      "an escape inside a field is not supported yet", Span{at_, at_ + size}};
    }
    at_ += size;
  }

  bool takes_value(const Field& field) const {
    if (field.letter == 0) return syntax_.broken_fields_take_values;
    if (!field.key.empty() || syntax_.valueless.find(field.letter) != std::string_view::npos)
      return false;
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
    const std::int64_t over = std::int64_t{most} + 1;  // `most` may be the largest int
    std::int64_t read = 0;
    for (; is_digit(peek()); ++at_) read = std::min(read * 10 + (peek() - '0'), over);
    if (read == over) return over_limit(what, most, {start, at_});
    number = static_cast<int>(read);
    return std::nullopt;
  }

  // "12$"; anything else is left where it is.
  std::optional<Error> read_position(int& position) {
    if (syntax_.most_position == 0) return std::nullopt;
    const std::size_t size = position_size(syntax_, source().substr(at_));
    if (size == 0) return std::nullopt;
    const std::size_t end = at_ + size;
    if (auto error = read_number("the position of a value", syntax_.most_position, position))
      return error;
    at_ = end;
    return std::nullopt;
  }

  void read_flags(Field& field) {
    const auto flags = syntax_.facts->flags;
    for (;;) {
      const auto found = std::find_if(flags.begin(), flags.end(),
                                      [&](const FlagFact& fact) { return fact.flag == peek(); });
      if (at_ >= source().size() || found == flags.end()) return;
      const std::size_t start = at_++;
      const auto index = static_cast<std::size_t>(found - flags.begin());
      const auto bit = static_cast<std::uint16_t>(1U << index);
      Parts parts = parts_of(field);
      if ((parts.flags & bit) != 0) parts.repeats_flag = true;
      parts.flags |= bit;
      set_parts(field, parts);
      if (syntax_.fill_flag != 0) read_fill(field, found->flag, start);
      keep(FieldPart::What::flag, start, index);
    }
  }

  void read_fill(Field& field, char flag, std::size_t start) {
    if (flag == '0' || flag == ' ') field.spec.fill = source().substr(start, 1);
    if (flag != syntax_.fill_flag || at_ >= source().size()) return;
    // Half of a longer character fills nothing: what follows it cannot be a field.
    if (const std::string_view fill = source().substr(at_++, 1); is_ascii(fill))
      field.spec.fill = fill;
  }

  std::optional<Error> read_count(const char* what, Count& count) {
    if (peek() == '*' && syntax_.counts_from_values) {
      count.from = Count::From::value;
      ++at_;
      int position = unset;
      if (auto error = read_position(position)) return error;
      // Without a position, the next one: that is settled by take_value.
      count.value_index = position == unset ? unset : position - 1;
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
    std::size_t chosen = 0;
    for (std::size_t i = 0; i < modifiers.size(); ++i) {
      const std::string_view text = modifiers[i].text;
      if (text.size() > longest && source().substr(at_, text.size()) == text) {
        longest = text.size();
        chosen = i;
      }
    }
    Parts parts = parts_of(field);
    parts.modifier = static_cast<std::uint8_t>(chosen);
    set_parts(field, parts);
    at_ += longest;
  }

  void choose(Choosing choosing, Field& field) {
    if (syntax_.positions_mix) return;
    if (choosing_ == Choosing::undecided) choosing_ = choosing;
    if (choosing_ != choosing && field.defect.empty()) {
      field.defect = "fields with and without a position (n$) are mixed in one template";
    }
  }

  void take_counts(Field& field) {
    for (Count* count : {&field.width, &field.precision}) {
      if (count->from != Count::From::value) continue;
      choose(count->value_index >= 0 ? Choosing::by_position : Choosing::in_order, field);
      if (count->value_index < 0) count->value_index = next_++;
      note_use(count->value_index);
    }
  }

  void take_value(Field& field) {
    const bool by_position = field.position != unset;
    choose(by_position ? Choosing::by_position : Choosing::in_order, field);
    if (field.position == 0 && field.defect.empty()) field.defect = "positions count from 1";
    take_counts(field);
    if (syntax_.repeat_flag != 0 && has_flag(*syntax_.facts, field, syntax_.repeat_flag))
      field.value_index = out_.fields.empty() ? unset : last_;
    else
      field.value_index = by_position ? field.position - 1 : next_++;
    last_ = field.value_index;
    if (last_ >= 0) note_use(last_);
  }

  void note_use(int index) {
    const auto at = static_cast<std::size_t>(index);
    if (used_.size() <= at) used_.resize(at + 1);
    used_[at] = true;
    out_.values_taken = static_cast<int>(used_.size());
  }

  // A position left out has no type, so the ones after it cannot be found.
  void mark_gaps() {
    if (syntax_.positions_mix) return;
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
  std::vector<FieldPart>* parts_;  // null: nobody asks
  TemplateContent out_;
  std::size_t at_ = 0;
  int next_ = 0;
  int last_ = unset;  // the value that the field before shows
  Choosing choosing_ = Choosing::undecided;
  std::vector<bool> used_;
};

}  // namespace

Result<TemplateContent> parse(const Syntax& syntax, std::string_view source,
                              std::vector<FieldPart>* parts) {
  if (auto error = check_source(*syntax.facts, source)) return std::move(*error);
  return Reader(syntax, source, parts).read();
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

void align_as_c(Spec& spec, bool left, bool zeros) {
  const bool precise = spec.kind == Kind::whole && spec.least_digits != unset;
  const bool inner = zeros && !left && !precise;
  spec.align = left ? Align::left : inner ? Align::inner : Align::right;
  spec.fill = inner ? "0" : " ";
}

void lay_out_bits(const Spec& spec, std::uint64_t bits, Output& out) {
  WholeRoom room;
  std::string_view digits = write_whole(bits, spec.base, spec.letters, room);
  if (bits == 0 && spec.least_digits == 0) digits = {};
  const bool octal = spec.base == 8;
  std::string_view prefix;
  if (spec.prefix && spec.base == 16 && bits != 0)
    prefix = spec.letters == Letters::upper ? "0X" : "0x";
  if (!spec.prefix || !octal || digits.starts_with('0'))
    return lay_out_whole(spec, false, digits, prefix, out);
  Spec longer = spec;
  longer.least_digits = std::max(spec.least_digits, static_cast<int>(digits.size()) + 1);
  lay_out_whole(longer, false, digits, prefix, out);
}

Sign sign_of(const DialectFacts& facts, const Field& field) {
  if (has_flag(facts, field, '+')) return Sign::always;
  return has_flag(facts, field, ' ') ? Sign::space : Sign::minus;
}

bool is_bare(const Field& field) {
  return field.key.empty() && parts_of(field).flags == 0 && parts_of(field).modifier == 0 &&
         !field.width.given() && !field.precision.given();
}

const ConversionFact* conversion_of(const DialectFacts& facts, char letter) {
  for (const ConversionFact& fact : facts.conversions) {
    if (fact.letter == letter) return &fact;
  }
  return nullptr;
}

}  // namespace inky::inline v1::percent
