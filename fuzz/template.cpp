// Any bytes as a template of each dialect: reading, explaining and rendering end, and the pieces of
// what was read are the source again.

#include <cstdlib>

#include "inky_margin/dialect/dialect.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view source(reinterpret_cast<const char*>(data), size);
  Value named = Value::list({Value::whole(Type::u8, 200), Value::complex(1.5, -2)});
  named.set_name("x");
  const Value values[] = {Value::whole(Type::i32, -7),
                          Value::real(2.675),
                          Value::text("ink"),
                          Value(),
                          named,
                          Value::moment({2031, 5, 9, 14, 5, 0, 250'000'000}),
                          Value::tuple({Value::truth(true), Value::character(U'Ω')})};
  const Value times[] = {Value::date({2032, 2, 29}), Value::duration(-1'500'000'000),
                         Value::moment(*read_moment("2031-10-26T02:30+01:00[Europe/Berlin]")),
                         Value::time({1, 1, 1, 23, 59, 59, 999'999'999})};
  // The first values alone are what every dialect takes.
  const std::span<const Value> usual(values, 4);
  for (const Dialect* dialect : all_dialects()) {
    const Result<Template> parsed = dialect->parse(source);
    if (!parsed) continue;
    std::size_t at = 0;
    for (const Piece& piece : parsed->pieces()) {
      if (piece.source.from != at) std::abort();
      at = piece.source.to;
    }
    if (at != source.size()) std::abort();
    (void)dialect->explain(*parsed);
    TextBuffer out;
    Report report;
    const Outcome outcome = dialect->render(*parsed, usual, {}, out, &report);
    if (!outcome.prints() && out.needed() != 0) std::abort();
    out.clear();
    const Outcome more = dialect->render(*parsed, values, {}, out, &report);
    if (!more.prints() && out.needed() != 0) std::abort();
    out.clear();
    const Outcome of_times = dialect->render(*parsed, times, {}, out, &report);
    if (!of_times.prints() && out.needed() != 0) std::abort();
  }
  return 0;
}
