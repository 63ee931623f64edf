// Any bytes as a sheet's TOML: read, or refused at a place inside of it; what is read is laid out
// and printed, never a crash.

#include <cstdlib>

#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/sheet/style.hpp"
#include "text/utf8.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const Result<Sheet> sheet = read_sheet(text);
  if (!sheet) {
    const Error& error = sheet.error();
    if (error.message.empty() || !is_utf8(error.message)) std::abort();
    if (error.span.from > error.span.to || error.span.to > text.size()) std::abort();
    return 0;
  }
  if (sheet->columns.size() > 40) return 0;
  constexpr std::string_view cells[] = {"K-07", "2.675", "", "-1e300", "墨 ink", "12", "a\nb"};
  Table table;
  for (const SheetColumn& column : sheet->columns) table.names.push_back(column.from);
  for (std::size_t row = 0; row < std::size(cells); ++row) {
    TableRow& added = table.rows.emplace_back();
    added.line = row + 2;
    for (std::size_t column = 0; column < table.names.size(); ++column)
      added.cells.emplace_back(cells[(row * 3 + column) % std::size(cells)]);
  }
  const Result<Proof> proof = make_proof(*sheet, table);
  if (!proof) return 0;
  for (const std::string_view name : style_names()) {
    const std::string shown = styled(*proof, *style_named(name));
    if (is_utf8(text) && !is_utf8(shown)) std::abort();
  }
  return 0;
}
