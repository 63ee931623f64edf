#include "cell_writer.hpp"

#include <algorithm>
#include <array>
#include <bit>

#include "format/base_prefix.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

constexpr char escape_character = '\x1B';

// All bytes are looked at: without a way out, several are at once.
bool is_plain_text(std::string_view text) {
  unsigned others = 0;
  for (const char c : text)
    others |=
        static_cast<unsigned char>(static_cast<unsigned char>(c) - 0x20) > 0x7E - 0x20 ? 1U : 0U;
  return others == 0;
}

bool is_numeric(Kind kind) {
  return kind == Kind::whole || kind == Kind::real;
}

bool is_half(Rounding rounding) {
  return rounding == Rounding::half_even || rounding == Rounding::half_away ||
         rounding == Rounding::half_toward;
}

// Whether padding is in a number, or is no space: then it is not padding of a cell.
bool width_is_inside(const Spec& wish) {
  return wish.align == Align::inner || wish.fill != Mark(" ");
}

// ESC [ numbers m: Select Graphic Rendition, ECMA-48 8.3.117. The bytes it takes, or 0.
std::size_t color_code_size(std::string_view text) {
  if (text.size() < 3 || text[0] != escape_character || text[1] != '[') return 0;
  std::size_t end = 2;
  while (end < text.size() && (is_digit(text[end]) || text[end] == ';')) ++end;
  return end < text.size() && text[end] == 'm' ? end + 1 : 0;
}

// The types a cell may have for a field of a kind, the likeliest first.
std::span<const Type> types_for(Kind kind) {
  static constexpr std::array wholes = {Type::i32, Type::i64, Type::u32, Type::u64};
  static constexpr std::array reals = {Type::f64, Type::f80};
  static constexpr std::array characters = {Type::character, Type::i32};
  static constexpr std::array texts = {Type::text};
  switch (kind) {
    case Kind::whole:
      return wholes;
    case Kind::real:
      return reals;
    case Kind::character:
      return characters;
    default:
      return texts;
  }
}

double f64_of(std::string_view text) {
  return std::bit_cast<double>(
      static_cast<std::uint64_t>(read_real(binary64, text).value_or(0x7FF8000000000000U)));
}

}  // namespace

std::string_view typed_fixed(std::string_view cell, std::size_t places, QuickRoom& room) {
  if (places > most_typed_places) return {};
  const std::string_view typed = cell;
  const bool negative = !cell.empty() && cell.front() == '-';
  if (negative) cell.remove_prefix(1);
  std::size_t whole_digits = 0;
  while (whole_digits < cell.size() && is_digit(cell[whole_digits])) ++whole_digits;
  std::string_view whole = cell.substr(0, whole_digits);
  std::string_view fraction;
  if (whole_digits < cell.size()) {
    if (cell[whole_digits] != '.') return {};
    fraction = cell.substr(whole_digits + 1);
  }
  if (whole.empty() || whole.size() + fraction.size() > most_typed_digits ||
      (whole.size() > 1 && whole.front() == '0'))
    return {};
  for (const char c : fraction) {
    if (!is_digit(c)) return {};
  }
  if (fraction.size() == places && places > 0) return typed;
  bool up = false;
  if (fraction.size() > places) {
    const std::string_view tail = fraction.substr(places);
    if (tail.front() == '5' && tail.find_first_not_of('0', 1) == std::string_view::npos) return {};
    up = tail.front() >= '5';
    fraction = fraction.substr(0, places);
  }
  char* const digits = room.data() + 2;
  char* end = std::copy(whole.begin(), whole.end(), digits);
  if (places > 0) *end++ = '.';
  end = std::copy(fraction.begin(), fraction.end(), end);
  if (places > fraction.size()) end = std::fill_n(end, places - fraction.size(), '0');
  char* begin = digits;
  if (up) {
    char* at = end - 1;
    for (; at >= digits; --at) {
      if (*at == '.') continue;
      if (*at != '9') break;
      *at = '0';
    }
    if (at >= digits)
      ++*at;
    else
      *--begin = '1';
  }
  if (negative) *--begin = '-';
  return {begin, static_cast<std::size_t>(end - begin)};
}

std::string_view before_point(std::string_view text, std::string_view point) {
  std::size_t at = 0;
  while (at < text.size() && !is_digit(text[at])) ++at;
  if (at == text.size()) return text;
  // A thousands mark is between digits, as the point is: the last point counts.
  const std::size_t mark = point.empty() ? std::string_view::npos : text.find(point, at);
  if (mark != std::string_view::npos) return text.substr(0, mark);
  const std::size_t exponent = std::min(text.find_first_of("eE%)", at), text.size());
  std::size_t end = exponent;
  while (end > at && !is_digit(text[end - 1])) --end;
  return text.substr(0, end);
}

std::string without_colors(std::string_view text) {
  std::string out;
  while (!text.empty()) {
    if (const std::size_t size = color_code_size(text)) {
      text.remove_prefix(size);
      continue;
    }
    out += text.front();
    text.remove_prefix(1);
  }
  return out;
}

std::string shown_text(const Sheet& sheet, std::string_view cell) {
  if (!sheet.keep_colors && sheet.tab == 0) return visible(cell);
  std::string out;
  std::size_t wide = 0;
  while (!cell.empty()) {
    const std::size_t code = sheet.keep_colors ? color_code_size(cell) : 0;
    if (code != 0) {
      out += cell.substr(0, code);
      cell.remove_prefix(code);
      continue;
    }
    if (cell.front() == '\t' && sheet.tab != 0) {
      const std::size_t spaces = sheet.tab - wide % sheet.tab;
      out.append(spaces, ' ');
      wide += spaces;
      cell.remove_prefix(1);
      continue;
    }
    std::size_t end = 1;
    while (end < cell.size() && cell[end] != '\t' && cell[end] != escape_character) ++end;
    const std::string part = visible(cell.substr(0, end));
    out += part;
    wide += measure(part, WidthUnit::columns);
    cell.remove_prefix(end);
  }
  return out;
}

CellWriter::CellWriter(const Sheet& sheet, const SheetColumn& column)
    : sheet_(sheet), column_(column), wish_(column.wish) {
  settle();
}

void CellWriter::set_width(std::size_t width) {
  wish_.width = static_cast<int>(std::min<std::size_t>(width, most_width));
  settle();
}

void CellWriter::settle() {
  inside_ = wish_;
  if (!width_is_inside(wish_)) inside_.width = 0;
  if (column_.dialect != nullptr) {
    parsed_ = *column_.dialect->parse(column_.spec);
    if (!width_is_inside(wish_)) parsed_ = parsed_->without_widths();
    return;
  }
  if (!wish_.currency.empty()) {
    money_ =
        glibc::money_form(wish_.locale.text(), wish_.currency.text(),
                          column_.currency_as == CurrencyName::code, wish_.sign == Sign::brackets);
    if (money_ && wish_.places != unset) money_->places = wish_.places;
    return;
  }
  Spec whole;
  whole.kind = Kind::whole;
  whole.rounding = inside_.rounding;
  whole.align = inside_.align;
  plain_whole_ = inside_ == whole;
  Spec fixed = whole;
  fixed.kind = Kind::real;
  fixed.notation = Notation::fixed;
  fixed.places = inside_.places;
  const bool is_text = inside_.kind == Kind::any || inside_.kind == Kind::text;
  plain_text_ = is_text && inside_.width == 0 && inside_.limit == unset;
  plain_fixed_ = inside_ == fixed && inside_.places != unset && is_half(inside_.rounding);
}

// Natural alignment settled: numbers right, everything else left.
Align CellWriter::align() const {
  if (wish_.align == Align::inner || column_.on_point) return Align::right;
  if (wish_.align != Align::natural) return wish_.align;
  return is_numeric(wish_.kind) ? Align::right : Align::left;
}

std::string_view CellWriter::quick_body(std::string_view cell, QuickRoom& room) const {
  if (plain_fixed_) return typed_fixed(cell, static_cast<std::size_t>(wish_.places), room);
  if (plain_text_) return is_plain_text(cell) ? cell : std::string_view();
  if (!plain_whole_) return {};
  constexpr std::size_t most_digits = 18;
  std::string_view digits = cell;
  if (!digits.empty() && digits.front() == '-') digits.remove_prefix(1);
  const bool plain = !digits.empty() && digits.size() <= most_digits && digits.front() != '0' &&
                     std::all_of(digits.begin(), digits.end(), is_digit);
  return plain ? cell : std::string_view();
}

std::string CellWriter::write(std::string_view cell, Output& out) const {
  QuickRoom room;
  if (const std::string_view body = quick_body(cell, room); body.data() != nullptr) {
    out.append(body);
    return {};
  }
  if (!is_utf8(cell)) return in_quotes(cell) + " is not UTF-8";
  if (column_.dialect != nullptr) return write_by_dialect(cell, out);
  if (money_) return write_money(cell, out);
  switch (wish_.kind) {
    case Kind::whole:
      return write_whole(cell, out);
    case Kind::real:
      return write_real(cell, out);
    default:
      return write_text(cell, out);
  }
}

std::string CellWriter::write_whole(std::string_view cell, Output& out) const {
  const std::optional<SignedNatural> number = read_whole(cell);
  if (!number) return in_quotes(cell) + " is not a whole number";
  std::string digits;
  append_whole(number->magnitude, wish_.base, wish_.letters, digits);
  lay_out_whole(inside_, number->negative, digits, base_prefix(wish_), out);
  return {};
}

std::string CellWriter::write_real(std::string_view cell, Output& out) const {
  const std::optional<uint128> bits = read_real(binary64, cell);
  if (!bits) return in_quotes(cell) + " is not a number";
  lay_out_real(inside_, binary64, unpack(binary64, *bits), NumberStyle{}, out);
  return {};
}

// As a decimal, exactly as it was typed.
std::string CellWriter::write_money(std::string_view cell, Output& out) const {
  const std::optional<Decimal> amount = read_decimal(cell);
  constexpr std::int64_t furthest = 400;
  const bool is_near = amount && amount->is_finite() && amount->exponent <= furthest &&
                       amount->exponent >= -furthest;
  if (!is_near) return in_quotes(cell) + " is not an amount of money";
  out.append(money_->text(*amount, wish_.rounding));
  return {};
}

std::string CellWriter::write_text(std::string_view cell, Output& out) const {
  if (wish_.kind == Kind::truth && cell != "true" && cell != "false")
    return in_quotes(cell) + " is not true or false";
  const bool one = !cell.empty() && first_cluster(cell).bytes == cell.size();
  if (wish_.kind == Kind::character && !one) return in_quotes(cell) + " is not one character";
  const std::string text = shown_text(sheet_, cell);
  lay_out_text(inside_, text, sheet_.width_of, out);
  return {};
}

std::string CellWriter::write_by_dialect(std::string_view cell, Output& out) const {
  std::string why;
  for (const Type type : types_for(wish_.kind)) {
    const Result<Value> value = read_typed(type, cell);
    if (!value) {
      if (why.empty()) why = value.error().message;
      continue;
    }
    TextBuffer text;
    const Outcome outcome = column_.dialect->render(*parsed_, {&*value, 1}, text);
    if (outcome.prints()) {
      // What the language prints may not be a line.
      out.append(type == Type::text ? shown_text(sheet_, text.view()) : visible(text.view()));
      return {};
    }
    why = outcome.why();
  }
  return why;
}

bool CellWriter::is_cut(std::string_view cell) const {
  return wish_.limit != unset && !is_numeric(wish_.kind) &&
         measure(cell, sheet_.width_of) > static_cast<std::size_t>(wish_.limit);
}

bool CellWriter::is_marked(std::string_view cell) const {
  if (column_.mark_below.empty() && column_.mark_above.empty()) return false;
  const double value = f64_of(cell);
  return (!column_.mark_below.empty() && value < f64_of(column_.mark_below)) ||
         (!column_.mark_above.empty() && value > f64_of(column_.mark_above));
}

}  // namespace inky::inline v1
