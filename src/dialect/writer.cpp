// What a writer does where it defines nothing of its own.

#include "inky_margin/dialect/writer.hpp"

namespace inky::inline v1 {

Type usual_type(Kind kind) {
  switch (kind) {
    case Kind::whole:
      return Type::i64;
    case Kind::real:
      return Type::f64;
    case Kind::character:
      return Type::character;
    case Kind::truth:
      return Type::truth;
    case Kind::moment:
      return Type::moment;
    default:
      return Type::text;
  }
}

WrittenField Writer::write(const Spec& wish) const {
  return write_field(FieldWish{wish, usual_type(wish.kind), unset, {}});
}

std::optional<std::string> Writer::write_literal(std::string_view) const {
  return std::nullopt;
}

WrittenTemplate Writer::write_template(std::span<const TemplatePart> parts) const {
  WrittenTemplate out;
  std::string source;
  for (const TemplatePart& part : parts) {
    if (!part.field) {
      const auto literal = write_literal(part.literal);
      if (!literal) {
        out.notes.push_back({Code::wish_not_expressible,
                             std::string(language()) + " has no way to write this text here",
                             {}});
        return out;
      }
      source += *literal;
      continue;
    }
    WrittenField field = write_field(*part.field);
    out.notes.insert(out.notes.end(), field.notes.begin(), field.notes.end());
    if (field.source.empty()) return out;
    source += field.source;
  }
  out.source = std::move(source);
  return out;
}

std::string Writer::write_statement(std::string_view source, std::span<const std::string>) const {
  return std::string(source);
}

}  // namespace inky::inline v1
