// Any bytes as JSON: what is read is JSON to another reader too, and its texts are UTF-8.

#include <cstdlib>
#include <nlohmann/json.hpp>

#include "contract/json_reader.hpp"
#include "text/utf8.hpp"

namespace {

void look(const inky::Json& json) {
  if (!inky::is_utf8(json.text)) std::abort();
  for (const inky::Json& item : json.items) look(item);
  for (const inky::JsonMember& member : json.members) {
    if (!inky::is_utf8(member.key)) std::abort();
    look(member.value);
  }
  (void)inky::value_of(json);
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const inky::Result<inky::Json> json = inky::read_json(text);
  if (!json) return 0;
  if (!nlohmann::json::accept(text)) std::abort();
  look(*json);
  return 0;
}
