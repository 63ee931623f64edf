// Any bytes as a line of `weigh --jsonl` and `round --jsonl`, and as a number in every format:
// always one line of JSON in answer, and shortest digits that read back as the same bits.

#include <cstdlib>
#include <nlohmann/json.hpp>

#include "inky_margin/contract/contract.hpp"
#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/weighing.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view line(reinterpret_cast<const char*>(data), size);
  for (const char* command : {"weigh", "round"}) {
    const std::string text = answer_request(command, line);
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
