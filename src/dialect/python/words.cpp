// A field of str.format or of an f-string in words.
#include "fields.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::python {

namespace {

std::string value_words(const Replacement& field) {
  std::string out = field.said.empty() ? "" : "the text " + in_quotes(field.said) + ", then ";
  if (field.expression != nullptr) return out + "the value of this expression";
  out += field.name.empty() ? "value " + std::to_string(field.index + 1)
                            : "the value named " + field.name;
  for (const Step& step : field.steps) {
    out += step.kind == Step::Kind::attribute ? ", its attribute " + step.name
           : step.kind == Step::Kind::key     ? ", its item " + in_quotes(step.name)
           : step.kind == Step::Kind::index   ? ", its item " + std::to_string(step.index)
                                              : ", and then an error: " + step.name;
  }
  return out;
}

std::string conversion_words(char32_t conversion) {
  switch (conversion) {
    case U'r':
      return "as repr() has it";
    case U'a':
      return "as ascii() has it";
    case U's':
      return "as str() has it";
    default:
      return "there is no such conversion; use s, r or a";
  }
}

std::string type_words(char32_t type) {
  for (const ConversionFact& fact : braces_facts.conversions) {
    if (type == static_cast<char32_t>(fact.letter)) return std::string(fact.meaning);
  }
  return "ValueError: there is no such type";
}

// The part of a spec with this number, in the order of its grammar.
std::string part_words(const FormatSpec& spec, std::size_t part) {
  switch (part) {
    case 0:
      return (spec.fill.empty() ? "" : "fills with " + in_quotes(spec.fill.text()) + "; ") +
             braces::flag_words(braces_facts, spec.align);
    case 1:
      return braces::flag_words(braces_facts, spec.sign);
    case 2:
      return braces::flag_words(braces_facts, 'z');
    case 3:
      return braces::flag_words(braces_facts, '#');
    case 4:
      return braces::flag_words(braces_facts, '0');
    case 5:
      return "at least " + std::to_string(spec.width) + " characters wide";
    case 6:
      return braces::flag_words(braces_facts, spec.group);
    case 7:
      return std::to_string(spec.precision) +
             " places of a real, or significant digits with g or no type; of text: up to N "
             "characters";
    default:
      return type_words(spec.type);
  }
}

constexpr std::string_view roles[FormatSpec::part_count] = {
    "align", "flag", "flag", "flag", "flag", "width", "flag", "precision", "type"};

}  // namespace

void tell_field(const Replacement& field, const braces::Decoded* decoded, int index,
                braces::WordsSink& words) {
  const auto in_source = [&](std::size_t at) {
    return decoded == nullptr ? at : decoded->in_source({at, at}).from;
  };
  const std::size_t end = field.span.to;
  if (!field.failure.empty()) {
    words.add(end, "field", "a field that cannot be read", index);
    return words.add_fault(field.span, field.failure + ": " + field.defect, index);
  }
  const bool converts = field.conversion_at != std::string::npos;
  const std::size_t brace = end - 1;
  const std::size_t colon = field.has_spec ? in_source(field.spec_span.from) : brace;
  words.add(converts ? in_source(field.conversion_at) : colon, "value", value_words(field), index);
  if (converts) words.add(colon, "conversion", conversion_words(field.conversion), index);
  if (field.has_spec) {
    const FormatSpec& spec = field.spec;
    const bool is_whole =
        !field.parts.empty() || !spec.defect.empty() ||
        field.text.find('\\') != std::string::npos ||
        (decoded == nullptr && field.text.size() != field.spec_span.to - field.spec_span.from);
    for (std::size_t part = 0; !is_whole && part < FormatSpec::part_count; ++part) {
      if (spec.starts[part + 1] > spec.starts[part])
        words.add(in_source(field.spec_span.from + spec.starts[part + 1]), roles[part],
                  part_words(spec, part), index);
    }
    words.add(in_source(field.spec_span.to), "spec",
              is_whole ? "a spec for the value to read" : "an empty spec", index);
    if (field.parts.empty() && !spec.defect.empty())
      words.add_fault(field.span, "of a number or a text: ValueError: " + spec.defect, index);
  }
  words.add(end, "end", "the end of the field", index);
}

}  // namespace inky::inline v1::python
