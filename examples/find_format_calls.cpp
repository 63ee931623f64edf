// The format calls of a source text, each checked where it stands, and one carried elsewhere.

#include <cstdio>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/scan/scan.hpp"

int main() {
  using namespace inky;

  constexpr std::string_view text = R"source(
void print_batch(const char *code, double mass) {
  printf("%-8s|%8.2f\n", code, mass);
  printf("%d g\n", mass);  /* printf("%d") in a comment is none */
}
)source";

  const SourceLanguage& c = *find_language("c");
  scan(c, c.calls, text, [](const FoundCall& call) {
    std::printf("line %zu: %s, %s\n", call.at.line, call.name.c_str(), call.source->c_str());
    const Result<Checked> checked = check(*find_dialect(call.dialect), *call.source, call.given);
    if (!checked) return;
    for (const Fault& fault : checked->faults) {
      const Position place = call.place(fault.span.from);
      std::printf("  column %zu: %s\n  write %s\n", place.column, fault.message.c_str(),
                  fault.repair.c_str());
    }
  });

  const Dialect& dialect = *find_dialect("c");
  const Result<Template> row = dialect.parse("%-8s|%8.2f\\n");
  if (!row) return 1;
  const Result<Cargo> cargo = Cargo::make(dialect, *row, {});
  if (!cargo) return 1;
  const Carried rust = cargo->to(*find_dialect("rust"));
  std::printf("in Rust: %s\n  %s for %s\n", rust.statement.c_str(),
              std::string(name_of(rust.verdict)).c_str(), rust.range.c_str());
}
