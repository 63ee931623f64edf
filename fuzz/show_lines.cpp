// Any bytes as a line of `show --jsonl`: always one line of JSON in answer.

#include <cstdlib>
#include <nlohmann/json.hpp>

#include "inky_margin/contract/contract.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  const std::string_view line(reinterpret_cast<const char*>(data), size);
  const std::string answer = inky::answer_request("show", line);
  if (answer.find('\n') != std::string::npos || !nlohmann::json::accept(answer)) std::abort();
  return 0;
}
