// Any bytes as a line of `weigh --jsonl` and `round --jsonl`, and as a number in every format:
// always one line of JSON in answer, and shortest digits that read back as the same bits.

#include <cstdlib>
#include <nlohmann/json.hpp>

#include "numbers.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view line(reinterpret_cast<const char*>(data), size);
  for (const auto answer : {cli::answer_weigh_line, cli::answer_round_line}) {
    const std::string text = answer(line);
    if (text.find('\n') != std::string::npos || !nlohmann::json::accept(text)) std::abort();
  }
  for (const BinaryFormat* format : all_formats) {
    const auto bits = read_real(*format, line);
    if (!bits || !unpack(*format, *bits).is_finite()) continue;
    // The long formats' slow path is for people, not for a fuzzer: near one only.
    if (format->precision > binary64.precision && std::abs(unpack(*format, *bits).exponent) > 300) {
      continue;
    }
    if (read_real(*format, shortest_text(*format, *bits)) != *bits) std::abort();
  }
  return 0;
}
