// What a dialect does where it says nothing of its own.

#include "inky_margin/dialect/dialect.hpp"

#include <cassert>

#include "family/literal.hpp"

namespace inky::inline v1 {

Result<Template> Dialect::parse(std::string_view source) const {
  Result<TemplateContent> content = do_parse(source);
  if (!content) return std::move(content.error());
  return Template(*this, std::move(*content));
}

std::vector<Words> Dialect::explain(const Template& parsed) const {
  assert(parsed.dialect_ == this);
  return do_explain(parsed.content_);
}

std::optional<Spec> Dialect::wish_of(const Template& parsed, int field, Type type,
                                     Notes& notes) const {
  assert(parsed.dialect_ == this);
  return do_wish_of(parsed.content_, field, type, notes);
}

std::optional<Objection> Dialect::objection(const Template& parsed, int field,
                                            std::string_view type_in_source) const {
  assert(parsed.dialect_ == this);
  return do_objection(parsed.content_, field, type_in_source);
}

Result<WrittenCall> Dialect::write_call(const Template& parsed,
                                        std::span<const std::string> names) const {
  assert(parsed.dialect_ == this);
  return do_write_call(parsed.content_, names);
}

Outcome Dialect::not_its_own(const Template& parsed) const {
  return Outcome::error({Code::other_dialect,
                         "a template of " + std::string(parsed.dialect().facts().id) +
                             " is rendered as one of " + std::string(facts().id),
                         {0, parsed.source().size()},
                         "Render it by the dialect that parsed it: Template::dialect()."});
}

Outcome Dialect::print_plainly(const Value&, Output&) const {
  return Outcome::undefined(std::string(facts().language) + " prints nothing without a format", {});
}

std::optional<Spec> Dialect::do_wish_of(const TemplateContent& parsed, int field, Type,
                                        Notes&) const {
  return parsed.fields[static_cast<std::size_t>(field)].spec;
}

std::optional<Objection> Dialect::do_objection(const TemplateContent&, int,
                                               std::string_view) const {
  return std::nullopt;
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

Result<WrittenCall> Dialect::do_write_call(const TemplateContent& parsed,
                                           std::span<const std::string> names) const {
  const Result<std::string> content = rewritten(facts(), parsed.source);
  if (!content) return content.error();
  // What was written has to be read as what was given: R, for one, takes no \001 beside a \u03a9.
  const Result<Template> again = parse(*content);
  if (!again || again->literals() != parsed.literals ||
      again->fields().size() != parsed.fields.size() ||
      again->refusal().has_value() != parsed.refusal.has_value())
    return Error{Code::not_supported_yet,
                 "this template in a program of " + std::string(facts().language) +
                     " is not supported yet: written anew it would be another",
                 {0, parsed.source.size()},
                 "Write control characters by their escapes."};
  const std::string literal = '"' + *content + '"';
  const std::string whole = write_statement(*content, names);
  const std::size_t at = whole.find(literal);
  return WrittenCall{whole, {{at, at + literal.size()}}};
}

}  // namespace inky::inline v1
