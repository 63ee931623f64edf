// A sheet: the layout of a table, as a TOML file states it.
//
//   data = "batches.csv"            # beside the sheet; may be left out
//   rule = "-"                      # between heading and rows; "" for none
//   gap = "  "                      # between columns
//   missing = "-"                   # printed for a missing cell
//
//   [[column]]
//   from = "mass"                   # the column of the data
//   heading = "Mass (g)"            # the name, when left out
//   kind = "real"                   # any wish: kind, align, width, places, group, ...
//   places = 2
//
//   [[column]]
//   from = "lot"
//   spec = "%#06x"                  # or the spec of a dialect, here and there
//   dialect = "c"                   # "c" when left out
//
// A column without a width is as wide as its widest cell. docs/sheets.md describes every key.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/spec.hpp"

namespace inky::inline v1 {

// What becomes of a cell that is wider than its column.
enum class Overflow : std::uint8_t {
  push,    // it stands whole, and pushes what follows
  cut,     // as much as fits, and a mark
  wrap,    // over several lines
  hashes,  // the column is filled with #
  fail,    // there is no table
};

// What stands under a column, of the cells over it that are numbers.
enum class Summary : std::uint8_t { none, sum, count, mean, least, most };

// How the cells of a column of money name their currency. A currency that is not the locale's own
// is named by its code.
enum class CurrencyName : std::uint8_t { symbol, code };

struct SheetColumn {
  std::string from;
  std::string heading;                   // may have several lines
  Align heading_align = Align::natural;  // natural: as the cells
  std::string under;                     // a heading over it and its neighbours of the same one
  Spec wish;                             // by wishes, or what the dialect's spec means
  const Dialect* dialect = nullptr;      // null: by wishes
  std::string spec;                      // of the dialect
  bool on_point = false;                 // the decimal marks of the cells stand in one column
  CurrencyName currency_as = CurrencyName::symbol;  // of a column of money
  std::size_t least_width = 0;                      // of a column without a width
  std::size_t most_width = static_cast<std::size_t>(inky::most_width);
  std::optional<Overflow> overflow;  // nothing: as the sheet states
  Summary total = Summary::none;     // at the end of the table
  Summary subtotal = Summary::none;  // at the end of a group
  // Stands behind cells whose number is below or above these.
  std::string mark;
  std::string mark_below;  // as typed; empty: none
  std::string mark_above;
};

struct Sheet {
  std::string data;
  std::string rule = "-";    // under the headings
  std::string rule_above;    // over them
  std::string rule_below;    // at the end
  std::string rule_between;  // between groups of rows
  std::string gap = "  ";
  std::string edge_left;
  std::string edge_right;
  std::string missing = "-";
  Overflow overflow = Overflow::push;
  std::string cut_mark = "…";
  WidthUnit width_of = WidthUnit::columns;
  std::string group_by;  // a column of the data; rows next to each other with equal cells
  std::string total_label = "Total";
  std::string subtotal_label = "Subtotal";
  std::vector<std::string> row_marks;  // in turn, behind each row
  std::size_t tab = 0;                 // the stops of a tab in a cell; 0: it is shown as \t
  bool keep_colors = false;            // ANSI colour codes stay, and count as nothing
  std::vector<SheetColumn> columns;
};

// The most columns a sheet may have.
inline constexpr std::size_t most_columns = 1000;

// The span of an error is in `toml`.
Result<Sheet> read_sheet(std::string_view toml);

// The same sheet for an answer that a machine reads: every cell whole, and without marks.
Sheet for_machines(const Sheet& sheet);

}  // namespace inky::inline v1
