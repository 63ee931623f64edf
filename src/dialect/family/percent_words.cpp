// Percent-style templates in words, from the parts that the reader found and the facts.

#include <algorithm>

#include "percent.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::percent {

namespace {

std::string amount(const Count& count) {
  if (count.from == Count::From::value)
    return "as many as value " + std::to_string(count.value_index + 1) + " says, in ";
  return std::to_string(count.amount) + " ";
}

std::string meaning_of_precision(const DialectFacts& facts, const Field& field) {
  const ConversionFact* conversion = conversion_of(facts, field.letter);
  const std::string count = amount(field.precision);
  if (conversion == nullptr || !conversion->precision) return "means nothing to this letter";
  if (conversion->kind == Kind::text)
    return "at most " + count + std::string(name_of(facts.width_unit)) + "; the rest is cut";
  if (conversion->kind == Kind::whole) return "at least " + count + "digits, with zeros in front";
  if (field.spec.notation == Notation::compact) return count + "significant digits";
  if (field.spec.notation == Notation::hexfloat)
    return count + "hexadecimal digits after the point";
  return count + "digits after the point";
}

Words words_of(const DialectFacts& facts, const Field& field, const FieldPart& part) {
  using What = FieldPart::What;
  const auto words = [&](std::string_view role, std::string meaning) {
    return Words{part.span, role, std::move(meaning), part.field};
  };
  switch (part.what) {
    case What::start:
      return words("start", "a field begins");
    case What::position:
      return words("position", "takes value " + std::to_string(field.position));
    case What::key:
      return words("key", "takes the value named " + in_quotes(field.key_name()));
    case What::flag:
      return words("flag", std::string(facts.flags[part.fact].meaning));
    case What::width:
      return words("width", "at least " + amount(field.width) +
                                std::string(name_of(facts.width_unit)) +
                                "; longer text is never cut");
    case What::precision:
      return words("precision", meaning_of_precision(facts, field));
    case What::modifier:
      return words("modifier", std::string(facts.modifiers[parts_of(field).modifier].meaning));
    case What::letter:
      break;
  }
  const bool is_modified = !facts.modified_letters.empty() && parts_of(field).modifier != 0;
  const auto letters = is_modified ? facts.modified_letters : facts.conversions;
  const auto conversion =
      std::find_if(letters.begin(), letters.end(),
                   [&](const ConversionFact& fact) { return fact.letter == field.letter; });
  return words("letter",
               conversion != letters.end() ? std::string(conversion->meaning) : "no such letter");
}

}  // namespace

std::vector<Words> explain(const Syntax& syntax, const TemplateContent& parsed) {
  std::vector<FieldPart> parts;
  (void)parse(syntax, parsed.source, &parts);
  std::vector<Words> out;
  auto part = parts.begin();
  for (const Piece& piece : parsed.pieces) {
    if (piece.field == unset) {
      out.push_back({piece.source, "literal", "prints " + in_quotes(parsed.literal(piece)), unset});
      continue;
    }
    const Field& field = parsed.fields[static_cast<std::size_t>(piece.field)];
    for (; part != parts.end() && part->field == piece.field; ++part)
      out.push_back(words_of(*syntax.facts, field, *part));
    if (!field.defect.empty())
      out.push_back(
          {field.span, field.failure.empty() ? "undefined" : "fails", field.defect, piece.field});
  }
  return out;
}

}  // namespace inky::inline v1::percent
