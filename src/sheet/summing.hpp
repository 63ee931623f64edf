// What a column comes to: exact, of the numbers as they were typed.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/sheet/sheet.hpp"

namespace inky::inline v1 {

class Summing {
 public:
  explicit Summing(Summary summary) : summary_(summary) {}

  // Cells that are no decimal number within +-10^±400 are left out, and not counted.
  void add(std::string_view cell);
  void clear();

  // The decimal text; empty where there is nothing to report.
  std::string text() const;
  Summary summary() const { return summary_; }

 private:
  std::string mean() const;

  Summary summary_;
  std::uint64_t count_ = 0;
  ExactDecimal sum_;
  ExactDecimal least_;
  ExactDecimal most_;
};

}  // namespace inky::inline v1
