#include <csv.h>

#include <array>
#include <memory>

#include "inky_margin/sheet/table.hpp"
#include "table_building.hpp"

namespace inky {

namespace {

// libcsv calls back field by field; this gathers rows and knows the lines they began in.
class CsvRows {
 public:
  explicit CsvRows(TableBuilder& builder) : builder_(builder) {
    csv_init(&parser_, CSV_STRICT | CSV_STRICT_FINI | CSV_EMPTY_IS_NULL);
  }
  CsvRows(const CsvRows&) = delete;
  CsvRows& operator=(const CsvRows&) = delete;
  ~CsvRows() { csv_free(&parser_); }

  // One line, its end included; false when it breaks the rules of quoting.
  bool parse_line(std::string_view line) {
    ++line_;
    return csv_parse(&parser_, line.data(), line.size(), on_field, on_row, this) == line.size();
  }
  bool finish() { return csv_fini(&parser_, on_field, on_row, this) == 0; }

  std::size_t line() const { return line_; }
  std::size_t row_line() const { return row_line_; }

 private:
  static void on_field(void* text, std::size_t size, void* self) {
    auto& rows = *static_cast<CsvRows*>(self);
    if (text == nullptr)
      rows.cells_.emplace_back();
    else
      rows.cells_.emplace_back(std::string(static_cast<const char*>(text), size));
  }
  static void on_row(int, void* self) {
    auto& rows = *static_cast<CsvRows*>(self);
    rows.builder_.add(rows.row_line_, std::move(rows.cells_));
    rows.cells_.clear();
    rows.row_line_ = rows.line_ + 1;
  }

  TableBuilder& builder_;
  csv_parser parser_{};
  std::vector<std::optional<std::string>> cells_;
  std::size_t line_ = 0;
  std::size_t row_line_ = 1;
};

Error bad_quote(std::size_t line, std::size_t from, std::size_t to) {
  return {Code::bad_data,
          "line " + std::to_string(line) + " has a quote where none can be",
          {from, to},
          "Put the whole cell in quotes, and double every quote inside it."};
}

Error open_quote(std::size_t line, std::string_view text) {
  std::size_t from = 0;
  for (std::size_t i = 1; i < line; ++i) from = text.find('\n', from) + 1;
  const std::size_t to = std::min(text.find('\n', from), text.size());
  return {Code::bad_data,
          "the quote opened in the row of line " + std::to_string(line) + " is not closed",
          {from, to},
          "Close the quote; a quote inside a cell is doubled."};
}

}  // namespace

Result<Table> read_csv(std::string_view text) {
  constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
  if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
  TableBuilder builder;
  CsvRows rows(builder);
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find('\n', at), text.size() - 1) + 1;
    if (!rows.parse_line(text.substr(at, end - at))) return bad_quote(rows.line(), at, end);
    at = end;
  }
  if (!rows.finish()) return open_quote(rows.row_line(), text);
  return builder.finish();
}

}  // namespace inky
