// The cells of one column of a sheet as texts.
#pragma once

#include <array>
#include <string>
#include <string_view>

#include "dialect/family/glibc_money.hpp"
#include "inky_margin/sheet/sheet.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1 {

// Sign, a digit that a carry may bring, digits, point, places.
inline constexpr std::size_t most_typed_digits = 15;
inline constexpr std::size_t most_typed_places = 60;
using QuickRoom = std::array<char, most_typed_digits + most_typed_places + 3>;

class CellWriter {
 public:
  // REQUIRES: the sheet and its column outlive it.
  CellWriter(const Sheet& sheet, const SheetColumn& column);

  // The width in use: of the column, or as it was fitted.
  void set_width(std::size_t width);
  Align align() const;

  // Appends the text of a cell; not padded, but for the text between sign and digits. Why there
  // is none: empty when there is.
  std::string write(std::string_view cell, Output& out) const;

  // The commonest cells need no arithmetic: what is typed is what is shown, all of it ASCII. In
  // `room`, or where the cell is; nothing, with no data, where only write() knows it.
  std::string_view quick_body(std::string_view cell, QuickRoom& room) const;

  // Whether a limit on the text leaves something off.
  bool is_cut(std::string_view cell) const;
  // Whether a cell is to be marked.
  bool is_marked(std::string_view cell) const;

  // The decimal mark of its numbers.
  std::string_view point() const { return money_ ? money_->point : wish_.point.text(); }

  // The wish with the width in use.
  const Spec& wish() const { return wish_; }

 private:
  std::string write_whole(std::string_view cell, Output& out) const;
  std::string write_real(std::string_view cell, Output& out) const;
  std::string write_money(std::string_view cell, Output& out) const;
  std::string write_text(std::string_view cell, Output& out) const;
  std::string write_by_dialect(std::string_view cell, Output& out) const;
  void settle();

  const Sheet& sheet_;
  const SheetColumn& column_;
  Spec wish_;                       // with the width in use
  Spec inside_;                     // the same without the width, unless it stands inside the text
  std::optional<Template> parsed_;  // of a column with a spec
  std::optional<glibc::MoneyForm> money_;
  bool plain_whole_ = false;
  bool plain_fixed_ = false;
  bool plain_text_ = false;
};

// Digits as typed, to N places, where no digit of the stored f64 can matter: up to 15 digits,
// and no tie. Nothing, with no data, where it might.
std::string_view typed_fixed(std::string_view cell, std::size_t places, QuickRoom& room);

// The columns before the decimal mark of a number in a text: all of them where it has none.
std::string_view before_point(std::string_view text, std::string_view point);

// Text as it is shown in a cell: control characters are visible, but for colour codes and tabs
// where the sheet keeps them.
std::string shown_text(const Sheet& sheet, std::string_view cell);
// Without colour codes.
std::string without_colors(std::string_view text);

}  // namespace inky::inline v1
