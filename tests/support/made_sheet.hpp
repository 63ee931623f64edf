// A sheet and its data as text, read for a test: what cannot be read fails it.
#pragma once

#include <catch2/catch.hpp>

#include "inky_margin/sheet/sheet.hpp"
#include "inky_margin/sheet/table.hpp"
#include "support/random_sheets.hpp"

namespace support {

struct Made {
  inky::Sheet sheet;
  inky::Table table;
};

inline Made made(const SheetAndData& text) {
  INFO(text.sheet);
  INFO(text.data);
  inky::Result<inky::Sheet> sheet = inky::read_sheet(text.sheet);
  if (!sheet) FAIL(sheet.error().message);
  inky::Result<inky::Table> table = inky::read_csv(text.data);
  if (!table) FAIL(table.error().message);
  return {std::move(*sheet), std::move(*table)};
}

}  // namespace support
