// A template is read once and rendered many times, into one buffer.

#include <cstdio>

#include "inky_margin/dialect/dialect.hpp"

int main() {
  using namespace inky;

  const Dialect& c = *find_dialect("c");
  const Result<Template> row = c.parse("%-6s|%8.2f|%#06x\\n");
  if (!row) return 1;

  TextBuffer out;
  const struct {
    const char* code;
    double mass;
    int lot;
  } batches[] = {{"K-07", 2.675, 41905}, {"K-08", 125.5, 7}, {"K-09", 0.125, 65535}};
  for (const auto& batch : batches) {
    const Value values[] = {Value::text_view(batch.code), Value::real(batch.mass),
                            Value::whole(Type::i32, batch.lot)};
    if (!c.render(*row, values, out).prints()) return 1;
  }

  // A value of the wrong type is no error of the program: C leaves the result undefined.
  const Value wrong[] = {Value::text_view("K-10"), Value::text_view("heavy"), Value()};
  const Outcome outcome = c.render(*row, wrong, out);

  std::printf("%s", out.string().c_str());
  std::printf("undefined: %s\n", outcome.why().c_str());
}
