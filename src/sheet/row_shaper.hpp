// Rows brought to the shape of their table: as many cells as there are names, and no name twice.
//
//   RowShaper shaper(table);           // the first row it is given holds the names
//
// What does not fit is a fault, and is fixed: short rows get missing cells, long ones lose theirs.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/sheet/table.hpp"
#include "sheet/csv_reader.hpp"

namespace inky::inline v1 {

class ShapedRows {
 public:
  virtual ~ShapedRows() = default;
  virtual void names(std::vector<std::string> names) = 0;
  // As many cells as names. False: no more are wanted.
  virtual bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) = 0;
  virtual void fault(RowFault fault) = 0;
};

class RowShaper final : public RowSink {
 public:
  explicit RowShaper(ShapedRows& rows) : rows_(rows) {}

  bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) override;
  void fault(std::size_t line, std::size_t column, std::string message) override {
    rows_.fault({line, column, std::move(message)});
  }

 private:
  void take_names(std::size_t line, std::span<const std::optional<std::string_view>> cells);

  ShapedRows& rows_;
  bool has_names_ = false;
  std::size_t wanted_ = 0;
  std::vector<std::optional<std::string_view>> filled_;
};

}  // namespace inky::inline v1
