#include "source.hpp"

#include "literal.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

std::optional<Error> check_source(const DialectFacts& facts, std::string_view source) {
  if (source.size() > most_template) {
    return Error{Code::over_limit,
                 "a template of " + std::to_string(source.size()) + " bytes is over the limit of " +
                     std::to_string(most_template),
                 {most_template, source.size()},
                 "Use at most " + std::to_string(most_template) + "."};
  }
  if (const std::size_t bad = first_invalid_utf8(source); bad != std::string_view::npos) {
    return Error{Code::not_utf8,
                 "the template is not UTF-8",
                 {bad, bad + 1},
                 "Templates are given in UTF-8."};
  }
  return check_quotes(facts, source);
}

Outcome outcome_of(const Refusal& refusal) {
  switch (refusal.when) {
    case Refusal::When::compile:
      return Outcome::fails_at_compile(refusal.as, refusal.why, refusal.span);
    case Refusal::When::run:
      return Outcome::fails_at_run(refusal.as, refusal.why, refusal.span);
    default:
      return Outcome::error({Code::not_supported_yet, refusal.why, refusal.span, refusal.as});
  }
}

Error not_read(const TemplateContent& parsed) {
  const Refusal& refusal = *parsed.refusal;
  if (refusal.when == Refusal::When::not_supported_yet)
    return {Code::not_supported_yet, refusal.why, refusal.span, refusal.as};
  return {Code::bad_template,
          "this cannot be read, and what cannot be read is not put into a program: " + refusal.why,
          refusal.span, "Correct the template first."};
}

bool refuse_prefixed(std::span<const std::string_view> prefixes, std::string_view what,
                     std::string_view remedy, TemplateContent& out) {
  for (const std::string_view prefix : prefixes) {
    if (!out.source.starts_with(prefix)) continue;
    out.refusal = {Refusal::When::not_supported_yet, std::string(remedy),
                   std::string(what) + " are not supported yet", Span{0, prefix.size()}};
    return true;
  }
  return false;
}

void note_quotes(const DialectFacts& facts, TemplateContent& parsed) {
  const std::string_view source = parsed.source;
  const bool quoted = source.size() >= 2 && source.front() == source.back() &&
                      facts.quotes.find(source.front()) != std::string_view::npos;
  if (!quoted) return;
  parsed.notes.push_back({Code::quotes_in_template,
                          "the quotes at both ends are printed too; leave them out if they only "
                          "delimit the literal",
                          {0, source.size()}});
}

}  // namespace inky::inline v1
