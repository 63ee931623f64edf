// A dialect of percent templates: what follows from its syntax and its rules alone.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "percent.hpp"
#include "percent_writing.hpp"
#include "source.hpp"
#include "writing.hpp"
#include "writing_dialect.hpp"

namespace inky::inline v1::family {

class PercentDialect : public WritingDialect {
 public:
  const DialectFacts& facts() const override { return *rules_.facts; }

  Result<TemplateContent> do_parse(std::string_view source) const final {
    Result<TemplateContent> parsed = percent::parse(syntax_, source);
    if (!parsed) return parsed;
    settle(*parsed);
    note_quotes(facts(), *parsed);
    return parsed;
  }
  std::vector<Words> do_explain(const TemplateContent& parsed) const final {
    return percent::explain(syntax_, parsed);
  }
  WrittenField write_field(const FieldWish& wish) const final {
    return percent::write_field(rules_, wish);
  }
  std::optional<std::string> write_literal(std::string_view text) const final {
    return writing::literal(literals_, text);
  }

 protected:
  // All of them outlive it.
  PercentDialect(const percent::Syntax& syntax, const percent::WritingRules& rules,
                 const writing::LiteralRules& literals)
      : syntax_(syntax), rules_(rules), literals_(literals) {}

 private:
  // What the language states of the whole template before any value is looked at.
  virtual void settle(TemplateContent&) const {}

  const percent::Syntax& syntax_;
  const percent::WritingRules& rules_;
  const writing::LiteralRules& literals_;
};

}  // namespace inky::inline v1::family
