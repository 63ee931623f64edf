// A table printed while its data is read: rows go in, lines come out.
//
//   SheetStream stream(sheet, sink);
//   RowShaper shaper(stream);
//   CsvReader reader;
//   if (stream.needs_fitting()) { reader.feed(...); stream.end_fitting(); }   // and from the start
//   reader.feed(...); ...                                                      // lines go to sink
//   stream.finish();
//
// What is kept of the data is a row.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "inky_margin/sheet/printer.hpp"
#include "sheet/row_shaper.hpp"

namespace inky::inline v1 {

class SheetStream final : public ShapedRows {
 public:
  // REQUIRES: both outlive it.
  SheetStream(const Sheet& sheet, ProofSink& sink);

  // Whether rows have to be seen before the first is printed. Until end_fitting(), rows are
  // measured, no more than `most_rows` of them; faults are reported when they are printed.
  bool needs_fitting() const { return fits_; }
  void set_most_fitted(std::size_t most_rows) { most_fitted_ = most_rows; }
  void end_fitting();

  void names(std::vector<std::string> names) override;
  bool row(std::size_t line, RowCells cells) override;
  void fault(RowFault fault) override;

  // The lines after the last row. An error: there are no names, or a cell was too wide and its
  // column asks to fail.
  std::optional<Error> finish();

 private:
  const Sheet& sheet_;
  ProofSink& sink_;
  std::optional<SheetPrinter> printer_;
  bool fits_ = false;
  bool has_begun_ = false;
  std::size_t most_fitted_ = static_cast<std::size_t>(-1);
  std::size_t fitted_ = 0;
  std::optional<Error> error_;
};

}  // namespace inky::inline v1
