// Any bytes as an expression to weigh: it ends, and the places of its steps and faults are in it.

#include <cstdlib>
#include <string_view>

#include "inky_margin/number/evaluation.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  const std::string_view source(reinterpret_cast<const char*>(data), size);
  const inky::EvaluationAnswer answer = inky::evaluate(source, {});
  if (answer.fault && (answer.fault->from > answer.fault->to || answer.fault->to > source.size()))
    std::abort();
  return 0;
}
