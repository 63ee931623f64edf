// Any bytes as a template of one dialect, carried to another: it ends, what was written is read,
// and an example of a difference is one. The first two bytes choose the dialects.

#include <cstdlib>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/check/check.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  if (size < 2) return 0;
  const auto dialects = all_dialects();
  const Dialect& from = *dialects[data[0] % dialects.size()];
  const Dialect& to = *dialects[data[1] % dialects.size()];
  const std::string_view source(reinterpret_cast<const char*>(data) + 2, size - 2);
  constexpr Type types[] = {Type::f64, Type::text, Type::i32};
  for (const bool given : {false, true}) {
    const Result<Checked> checked = given ? check(from, source, std::span<const Type>(types))
                                          : check(from, source, std::nullopt);
    if (!checked) continue;
    for (const Fault& fault : checked->faults) {
      if (fault.span.from > fault.span.to || fault.span.to > source.size()) std::abort();
    }
  }
  const Result<Template> parsed = from.parse(source);
  if (!parsed) return 0;
  const Result<Cargo> cargo = Cargo::make(from, *parsed, {});
  if (!cargo) return 0;
  const Carried carried = cargo->to(to);
  if (carried.source.has_value() == (carried.verdict == Verdict::cannot)) std::abort();
  if (carried.source && !to.parse(*carried.source).ok()) std::abort();
  if (carried.example && !carried.example->there_fails &&
      carried.example->here == carried.example->there)
    std::abort();
  return 0;
}
