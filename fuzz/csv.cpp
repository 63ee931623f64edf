// Any bytes as CSV: in pieces it has the same rows and faults as in one. The first bytes set where
// it is cut.

#include <algorithm>
#include <cstdlib>

#include "sheet/csv_reader.hpp"

namespace {

struct Rows final : inky::RowSink {
  bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) override {
    text += std::to_string(line);
    for (const auto& cell : cells) text += cell ? "<" + std::string(*cell) + ">" : std::string("-");
    text += '\n';
    return true;
  }
  void fault(std::size_t line, std::size_t column, std::string message) override {
    text += "!" + std::to_string(line) + ":" + std::to_string(column) + message + "\n";
  }
  std::string text;
};

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  constexpr std::size_t cuts = 4;
  if (size < cuts) return 0;
  const std::string_view text(reinterpret_cast<const char*>(data) + cuts, size - cuts);
  Rows whole;
  inky::CsvReader reader;
  if (!reader.feed(text, whole) || !reader.finish(whole)) std::abort();
  Rows pieces;
  inky::CsvReader again;
  std::size_t at = 0;
  for (std::size_t i = 0; i <= cuts; ++i) {
    const std::size_t most = text.size() - at;
    const std::size_t taken = i == cuts ? most : std::min<std::size_t>(data[i], most);
    if (!again.feed(text.substr(at, taken), pieces)) std::abort();
    at += taken;
  }
  if (!again.finish(pieces) || whole.text != pieces.text) std::abort();
  return 0;
}
