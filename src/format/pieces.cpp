#include "pieces.hpp"

#include <algorithm>

#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "number/decimal_writing.hpp"

namespace inky::inline v1 {

namespace {

constexpr int group_size = 3;

int group_marks(const Spec& spec, int whole_size) {
  return spec.group.empty() || whole_size == 0 ? 0 : (whole_size - 1) / group_size;
}

void write_whole_part(const Spec& spec, const Pieces& pieces, Pen& pen) {
  if (spec.group.empty()) {
    pen.zeros(pieces.leading_zeros);
    pen.put(pieces.whole);
    pen.zeros(pieces.whole_zeros);
    return;
  }
  int left = pieces.whole_size();
  const auto digit = [&](std::string_view one) {
    pen.put(one);
    if (--left > 0 && left % group_size == 0) pen.put(spec.group.text());
  };
  for (int i = 0; i < pieces.leading_zeros; ++i) digit("0");
  for (const char& c : pieces.whole) digit({&c, 1});
  for (int i = 0; i < pieces.whole_zeros; ++i) digit("0");
}

}  // namespace

Padding share_padding(Align align, Align natural, int width, std::size_t used) {
  const std::size_t wanted = static_cast<std::size_t>(width);
  if (used >= wanted) return {};
  const std::size_t missing = wanted - used;
  switch (align == Align::natural ? natural : align) {
    case Align::left:
      return {0, 0, missing};
    case Align::center:
      return {missing / 2, 0, missing - missing / 2};
    case Align::inner:
      return {0, missing, 0};
    default:
      return {missing, 0, 0};
  }
}

void write_pieces(const Spec& spec, const Pieces& pieces, Output& out) {
  const int whole_size = pieces.whole_size();
  const auto marks = static_cast<std::size_t>(group_marks(spec, whole_size));
  const std::size_t fraction =
      pieces.has_point
          ? static_cast<std::size_t>(pieces.fraction_leading_zeros + pieces.fraction_zeros) +
                pieces.fraction.size()
          : 0;
  const std::size_t plain = pieces.sign.size() + pieces.prefix.size() +
                            static_cast<std::size_t>(whole_size) + fraction + pieces.tail.size() +
                            pieces.closing.size();
  // A mark is one character however many bytes it has.
  const std::size_t used = plain + marks + (pieces.has_point ? 1 : 0);
  const std::size_t bytes =
      plain + marks * spec.group.text().size() + (pieces.has_point ? spec.point.text().size() : 0);
  const Padding pad = share_padding(spec.align, Align::right, spec.width, used);
  const std::string_view fill = spec.fill.text();
  out.emit(bytes + (pad.before + pad.inside + pad.after) * fill.size(), [&](char* room) {
    Pen pen(room);
    if (pad.before != 0) pen.fill(fill, pad.before);
    pen.put(pieces.sign);
    pen.put(pieces.prefix);
    if (pad.inside != 0) pen.fill(fill, pad.inside);
    write_whole_part(spec, pieces, pen);
    if (pieces.has_point) {
      pen.put(spec.point.text());
      pen.zeros(pieces.fraction_leading_zeros);
      pen.put(pieces.fraction);
      pen.zeros(pieces.fraction_zeros);
    }
    pen.put(pieces.tail);
    pen.put(pieces.closing);
    if (pad.after != 0) pen.fill(fill, pad.after);
  });
}

void set_sign(const Spec& spec, bool negative, Pieces& pieces) {
  if (negative && spec.sign == Sign::brackets) {
    pieces.sign = "(";
    pieces.closing = ")";
  } else if (negative) {
    pieces.sign = "-";
  } else if (spec.sign == Sign::always) {
    pieces.sign = "+";
  } else if (spec.sign == Sign::space) {
    pieces.sign = " ";
  }
}

void write_special(const Spec& spec, const BinaryReal& value, const NumberStyle& style,
                   Output& out) {
  const bool nan = value.kind == RealClass::not_a_number;
  const std::string_view word = nan ? style.not_a_number : style.infinity;
  std::array<char, 16> room{};
  std::transform(word.begin(), word.end(), room.begin(), [&](char c) {
    return spec.letters == Letters::upper && c >= 'a' && c <= 'z' ? static_cast<char>(c - 'a' + 'A')
                                                                  : c;
  });
  Pieces pieces;
  pieces.whole = {room.data(), word.size()};
  set_sign(spec, value.negative && (!nan || style.sign_of_nan), pieces);
  Spec plain = spec;
  plain.group = Mark();
  if (!style.zero_fill_specials && spec.fill == Mark("0")) {
    plain.fill = " ";
    if (spec.align == Align::inner) plain.align = Align::right;
  }
  write_pieces(plain, pieces, out);
}

void set_fixed(const Digits& digits, int places, bool keep_point, Pieces& pieces) {
  const int size = digits.size();
  const int point = digits.point();
  const int in_whole = std::clamp(point, 0, size);
  pieces.whole = digits.text().substr(0, static_cast<std::size_t>(in_whole));
  pieces.whole_zeros = std::max(point - size, 0);
  if (point <= 0) pieces.leading_zeros = 1;
  const int after = places != unset ? places : std::max(size - point, 0);
  pieces.has_point = after > 0 || keep_point;
  pieces.fraction_leading_zeros = size == 0 ? 0 : std::clamp(-point, 0, after);
  const int shown = std::min(size - in_whole, after - pieces.fraction_leading_zeros);
  pieces.fraction =
      digits.text().substr(static_cast<std::size_t>(in_whole), static_cast<std::size_t>(shown));
  pieces.fraction_zeros = after - pieces.fraction_leading_zeros - shown;
}

std::string_view write_exponent(char letter, int exponent, int least_digits, bool plus,
                                ExponentRoom& room) {
  char* const end = room.data() + room.size();
  const auto magnitude = static_cast<unsigned>(exponent < 0 ? -exponent : exponent);
  const int needed = magnitude < 10    ? 1
                     : magnitude < 100 ? 2
                                       : decimal_writing::digit_count(magnitude);
  const int digits = std::max(needed, least_digits);
  char* at = end - digits;
  decimal_writing::write_padded(at, magnitude, digits);
  if (exponent < 0)
    *--at = '-';
  else if (plus)
    *--at = '+';
  *--at = letter;
  return {at, static_cast<std::size_t>(end - at)};
}

void set_scientific(const Spec& spec, const Digits& digits, int lead, int after,
                    const NumberStyle& style, ExponentRoom& room, Pieces& pieces) {
  const std::string_view text = digits.text();
  const auto whole = std::min(static_cast<std::size_t>(lead), text.size());
  pieces.whole = text.substr(0, whole);
  pieces.whole_zeros = lead - static_cast<int>(whole);
  pieces.fraction = text.substr(whole);
  if (after != unset) {
    pieces.fraction = pieces.fraction.substr(0, static_cast<std::size_t>(after));
    pieces.fraction_zeros = after - static_cast<int>(pieces.fraction.size());
  }
  pieces.has_point = !pieces.fraction.empty() || pieces.fraction_zeros > 0 || spec.keep_point;
  const int exponent = digits.is_zero() ? 0 : digits.point() - lead;
  pieces.tail = write_exponent(spec.letters == Letters::upper ? 'E' : 'e', exponent,
                               style.least_exponent_digits, style.exponent_plus, room);
}

}  // namespace inky::inline v1
