// Any bytes as a whole call of each language: reading, explaining and rendering end, the pieces of
// what was read are the source again, and every place that is reported lies in it.

#include <cstdlib>
#include <iterator>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/statement.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view source(reinterpret_cast<const char*>(data), size);
  const auto named = [](const char* name, Value value) {
    value.set_name(name);
    return value;
  };
  const Value values[] = {
      named("n", Value::whole(Type::i32, 7)),
      named("x", Value::real(9.55)),
      named("name", Value::text("Zinkweiß")),
      named("rows", Value::list({Value::real(0.5), Value::whole(Type::i64, 3)})),
      Value::whole(Type::u8, 200),
      Value::truth(true)};
  for (const char* id : {"c", "cpp-format", "python", "java", "csharp", "php", "javascript", "rust",
                         "r", "octave", "fsharp", "lisp", "shell"}) {
    const Dialect& asked = *find_dialect(id);
    (void)is_statement(asked, source);
    const Result<Template> parsed = parse_statement(asked, source);
    if (!parsed) {
      if (parsed.error().span.to > source.size()) std::abort();
      continue;
    }
    std::size_t at = 0;
    for (const Piece& piece : parsed->pieces()) {
      if (piece.source.from != at) std::abort();
      at = piece.source.to;
    }
    if (at != source.size()) std::abort();
    for (const Words& words : parsed->dialect().explain(*parsed)) {
      if (words.span.to > source.size()) std::abort();
    }
    TextBuffer out;
    Report report;
    const Outcome outcome = parsed->dialect().render(*parsed, values, {}, out, &report);
    if (!outcome.prints() && (out.needed() != 0 || outcome.span().to > source.size())) std::abort();
    for (const PlacedField& placed : report.fields) {
      if (outcome.prints() && placed.output.to > out.needed()) std::abort();
      const bool has_field =
          placed.field >= 0 && static_cast<std::size_t>(placed.field) < parsed->fields().size();
      if (!has_field || placed.value >= static_cast<int>(std::size(values))) std::abort();
    }
  }
  return 0;
}
