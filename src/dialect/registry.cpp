#include <array>

#include "dialects.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky {

// One line a dialect.
std::span<const Dialect* const> all_dialects() {
  static const std::array dialects = {
      c_dialect(),
      cpp_format_dialect(),
      cpp_stream_dialect(),
      csharp_dialect(),
      fsharp_dialect(),
      java_dialect(),
      java_pattern_dialect(),
      javascript_dialect(),
      lisp_dialect(),
      octave_dialect(),
      octave_display_dialect(),
      php_dialect(),
      python_dialect(),
      python_percent_dialect(),
      r_dialect(),
      r_format_dialect(),
      rust_dialect(),
  };
  return dialects;
}

Outcome Dialect::print_plainly(const Value&, Output&) const {
  return Outcome::undefined(std::string(facts().language) + " prints nothing without a format", {});
}

std::optional<Spec> Dialect::wish_of(const Template& parsed, int field, Type, Notes&) const {
  return parsed.fields[static_cast<std::size_t>(field)].spec;
}

Placing Dialect::placing() const {
  return Placing::in_order;
}

WrittenField Dialect::write_field(const FieldWish&) const {
  return {{},
          {{Code::not_supported_yet,
            "writing a field of " + std::string(facts().id) + " is not supported yet",
            {}}}};
}

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

WrittenField Dialect::write(const Spec& wish) const {
  return write_field(FieldWish{wish, usual_type(wish.kind), unset, {}});
}

std::optional<std::string> Dialect::write_literal(std::string_view) const {
  return std::nullopt;
}

WrittenTemplate Dialect::write_template(std::span<const TemplatePart> parts) const {
  WrittenTemplate out;
  std::string source;
  for (const TemplatePart& part : parts) {
    if (!part.field) {
      const auto literal = write_literal(part.literal);
      if (!literal) {
        out.notes.push_back({Code::wish_not_expressible,
                             std::string(facts().language) + " has no way to write this text here",
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

std::string Dialect::write_statement(std::string_view source, std::span<const std::string>) const {
  return std::string(source);
}

const Dialect* find_dialect(std::string_view id) {
  for (const Dialect* dialect : all_dialects()) {
    if (dialect->facts().id == id) return dialect;
  }
  return nullptr;
}

}  // namespace inky
