#include "format_fields.hpp"

#include <algorithm>
#include <string>

#include "../family/braces.hpp"
#include "c/c.hpp"
#include "format_facts.hpp"
#include "format_times.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::cpp_format {

namespace {

class Reader {
 public:
  Reader(const braces::Decoded& decoded, TemplateContent& out, Fields& program,
         std::vector<Words>* words = nullptr)
      : decoded_(decoded),
        // The format string is made of a char*, which ends at its first zero byte.
        text_(decoded.text().substr(0, decoded.text().find('\0'))),
        reader_(text_),
        out_(out),
        program_(program),
        words_(words) {}

  void read() {
    while (!reader_.at_end() && !out_.refusal) {
      if (!braces::read_literal(reader_, decoded_, out_, words_))
        return refuse("a single closing brace; write }} to print one", reader_.at() - 1);
      if (!reader_.at_end() && !out_.refusal) read_field();
    }
    if (!out_.refusal && text_.size() < decoded_.text().size()) leave_rest();
  }

 private:
  // The part just read, in words.
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked())
      words_.add(decoded_.in_source({0, reader_.at()}).to, role, meaning(),
                 static_cast<int>(out_.fields.size()));
  }

  void leave_rest() {
    const Span rest = decoded_.in_source({text_.size(), decoded_.text().size()});
    out_.pieces.push_back({rest, unset, {}});
    out_.notes.push_back(
        {Code::text_cut, "a zero byte ends the format string; the rest is not printed", rest});
    if (words_.asked()) words_.add(rest.to, "literal", "prints nothing", unset);
  }

  void refuse(std::string why, std::size_t from) {
    if (out_.refusal) return;
    out_.refusal = {Refusal::When::compile, "error", std::move(why),
                    decoded_.in_source({from, std::max(reader_.at(), from)})};
  }

  void read_field() {
    const std::size_t start = reader_.at();
    reader_.skip(1);
    if (reader_.at_end())
      return refuse("the format string ends in a field; a brace itself is written {{", start);
    Shown shown;
    shown.value = read_index(start);
    shown.has_spec = !out_.refusal && reader_.take(':');
    tell("value", [&] { return "value " + std::to_string(shown.value + 1); });
    if (shown.has_spec) read_spec(start, shown);
    if (out_.refusal) return;
    if (!reader_.take('}')) {
      reader_.skip(reader_.at_end() ? 0 : 1);
      return refuse("the field should end with a closing brace here", start);
    }
    tell("end", [] { return "the end of the field"; });
    Field field;
    field.span = decoded_.in_source({start, reader_.at()});
    field.letter = shown.type;
    field.value_index = shown.value;
    if (numbering_ == Numbering::manual) field.position = shown.value + 1;
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    program_.fields.push_back(std::move(shown));
  }

  // "0", or nothing: the next one.
  int read_index(std::size_t start) {
    std::int64_t index = 0;
    const char c = reader_.peek();
    const bool automatic = c == ':' || c == '}';
    if (c == '0')
      reader_.skip(1);  // and no digit after it
    else if (!automatic && !reader_.read_number(most_number + 1, index))
      refuse("the number of a value is digits, and names have no values", start);
    if (index > most_number) refuse("the number of a value is too large", start);
    const Numbering wanted = automatic ? Numbering::automatic : Numbering::manual;
    if (numbering_ == Numbering::none) numbering_ = wanted;
    if (numbering_ != wanted)
      refuse("numbers of values are given for all fields, or for none", start);
    if (automatic) index = next_++;
    out_.values_taken = std::max(out_.values_taken,
                                 static_cast<int>(std::min<std::int64_t>(index, most_width)) + 1);
    return static_cast<int>(std::min<std::int64_t>(index, most_width));
  }

  Count read_count(std::size_t start) {
    Count out;
    std::int64_t number = 0;
    if (reader_.take('{')) {
      if (reader_.at_end() || reader_.peek() == ':')
        refuse("a count in braces is {} or {N}", start);
      out.from = Count::From::value;
      out.value_index = read_index(start);
      if (!reader_.take('}')) refuse("a count in braces is {} or {N}", start);
    } else if (reader_.read_number(most_number + 1, number)) {
      out.from = Count::From::source;
      if (number > most_number) refuse("a number in the spec is too large", start);
      out.amount = static_cast<int>(std::min(number, most_number));
    }
    return out;
  }

  void read_spec(std::size_t start, Shown& shown) {
    const auto flag = [&](char c) { tell("flag", [&] { return braces::flag_words(facts, c); }); };
    read_fill_and_align(start, shown);
    tell("align", [&] {
      return (shown.lead.fill.empty() ? ""
                                      : "fills with " + in_quotes(shown.lead.fill.text()) + "; ") +
             braces::flag_words(facts, shown.lead.align);
    });
    reader_.read_sign("+- ", shown.lead);
    flag(shown.lead.sign);
    shown.lead.alternate = reader_.take('#');
    flag('#');
    shown.lead.zero = reader_.take('0');
    flag('0');
    if (reader_.peek() == '0') refuse("a width does not begin with a zero", start);
    shown.width = read_count(start);
    tell("width", [&] { return "columns, at least: " + in_words(shown.width); });
    if (reader_.take('.')) {
      shown.precision = read_count(start);
      if (!shown.precision.given()) refuse("a precision is digits, or a value in braces", start);
    }
    tell("precision",
         [&] { return "digits of a real; most columns of a text: " + in_words(shown.precision); });
    shown.locale = reader_.take('L');
    flag('L');
    if (const std::size_t size = time_codes_size(reader_.rest()); size > 0) {
      shown.codes = reader_.rest().substr(0, size);
      reader_.skip(size);
      if (const std::string_view defect = defect_of_codes(shown.codes); !defect.empty())
        refuse(std::string(defect), start);
      tell("type", [&] { return "parts of a time: " + shown.codes; });
    }
    for (const ConversionFact& fact : conversions) {
      if (shown.type != 0 || !reader_.take(fact.letter)) continue;
      shown.type = fact.letter;
      tell("type", [&] { return std::string(fact.meaning); });
    }
  }

  static std::string in_words(const Count& count) {
    return count.from == Count::From::source ? std::to_string(count.amount)
                                             : "value " + std::to_string(count.value_index + 1);
  }

  // One byte fills, whatever character it is of.
  void read_fill_and_align(std::size_t start, Shown& shown) {
    const auto is_align = [](char c) { return c == '<' || c == '>' || c == '^'; };
    if (!reader_.at_end() && is_align(reader_.peek(1))) {
      const char fill = reader_.peek();
      if (fill == '{' || fill == '}') refuse("a brace does not fill", start);
      shown.lead.fill = Mark(std::string_view(&fill, 1));
      reader_.skip(1);
    }
    if (is_align(reader_.peek())) {
      shown.lead.align = reader_.peek();
      reader_.skip(1);
    }
  }

  enum class Numbering { none, automatic, manual };

  const braces::Decoded& decoded_;
  std::string_view text_;
  braces::SpecReader reader_;
  TemplateContent& out_;
  Fields& program_;
  braces::WordsSink words_;
  Numbering numbering_ = Numbering::none;
  int next_ = 0;
};

}  // namespace

void read_fields(const braces::Decoded& decoded, TemplateContent& out, Fields& fields,
                 std::vector<Words>* words) {
  Reader(decoded, out, fields, words).read();
}

}  // namespace inky::inline v1::cpp_format
