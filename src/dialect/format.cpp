#include "inky_margin/dialect/format.hpp"

#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

namespace {

Error no_such_dialect(std::string_view id) {
  std::vector<std::string_view> ids;
  for (const Dialect* dialect : all_dialects()) ids.push_back(dialect->facts().id);
  return {Code::unknown_dialect, in_quotes(id) + " is not a dialect", {}, choices_for(id, ids)};
}

Error prints_nothing(const Dialect& dialect, const Outcome& outcome) {
  if (outcome.kind() == Outcome::Kind::error) return outcome.as_error();
  std::string message = "in " + std::string(dialect.facts().id) + " this ";
  message += outcome.kind() == Outcome::Kind::undefined       ? "is undefined"
             : outcome.kind() == Outcome::Kind::fails_compile ? "does not compile"
                                                              : "fails: " + outcome.failure_name();
  return {Code::template_fails, message + ": " + outcome.why(), outcome.span(),
          "Correct the field, or give it another value."};
}

}  // namespace

Result<std::string> format_values(std::string_view dialect, std::string_view source,
                                  std::span<const Value> values) {
  const Dialect* found = find_dialect(dialect);
  if (found == nullptr) return no_such_dialect(dialect);
  const Result<Template> parsed = found->parse(source);
  if (!parsed) return parsed.error();
  TextBuffer out;
  const Outcome outcome = found->render(*parsed, values, out);
  if (!outcome.prints_cleanly()) return prints_nothing(*found, outcome);
  return out.string();
}

}  // namespace inky::inline v1
