#include "compose/statement_form.hpp"

#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

std::string with_filled(std::string_view form, char mark, std::string_view text) {
  std::string out;
  for (std::size_t at = 0; at < form.size(); ++at) {
    if (form[at] == '@' && at + 1 < form.size() && form[at + 1] == mark) {
      out += text;
      ++at;
    } else {
      out += form[at];
    }
  }
  return out;
}

Error language_cannot(const Dialect& dialect, std::string_view what, std::string remedy) {
  return {Code::not_supported_yet,
          std::string(dialect.facts().language) + " " + std::string(what),
          {},
          std::move(remedy)};
}

Result<WrittenStatements> with_text(const Dialect& dialect, std::string statements,
                                    const Value& value, std::string_view name) {
  const Result<Template> parsed = parse_statement(dialect, statements);
  if (!parsed) return parsed.error();
  Value named = value;
  named.set_name(std::string(name));
  TextBuffer text;
  const Outcome outcome = parsed->dialect().render(*parsed, {&named, 1}, text);
  if (!outcome.prints())
    return language_cannot(dialect, "prints nothing of this: " + outcome.why(),
                           "Give another value.");
  return WrittenStatements{std::move(statements), text.string()};
}

}  // namespace inky::inline v1
