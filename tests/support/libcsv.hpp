// The rows that libcsv finds in a text: the yardstick for our own reading.
#pragma once

#include <csv.h>

#include <optional>
#include <string>

namespace support {

// "<cell>" or "-" for each cell, a line each row; nothing where it refuses the text.
inline std::optional<std::string> rows_by_libcsv(const std::string& text) {
  csv_parser parser{};
  csv_init(&parser, CSV_STRICT | CSV_STRICT_FINI | CSV_EMPTY_IS_NULL);
  std::string out;
  const auto on_field = [](void* cell, std::size_t size, void* to) {
    auto& rows = *static_cast<std::string*>(to);
    rows += cell == nullptr ? "-" : "<" + std::string(static_cast<const char*>(cell), size) + ">";
  };
  const auto on_row = [](int, void* to) { *static_cast<std::string*>(to) += "\n"; };
  const bool fine =
      csv_parse(&parser, text.data(), text.size(), on_field, on_row, &out) == text.size() &&
      csv_fini(&parser, on_field, on_row, &out) == 0;
  csv_free(&parser);
  if (!fine) return std::nullopt;
  return out;
}

}  // namespace support
