#include "stream_numbers.hpp"

#include <algorithm>

#include "text/ascii.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

// How many bytes stand before the digits: a sign, and 0x.
std::size_t head_of(std::string_view number) {
  const std::size_t sign = !number.empty() && (number[0] == '-' || number[0] == '+') ? 1 : 0;
  const std::string_view rest = number.substr(sign);
  const bool has_prefix = rest.starts_with("0x") || rest.starts_with("0X");
  return sign + (has_prefix ? 2 : 0);
}

}  // namespace

std::string_view narrowed_mark(std::string_view mark) {
  if (mark.size() <= 1) return mark;
  if (mark == "\xe2\x80\xaf" || mark == "\xc2\xa0") return " ";
  if (mark == "\xe2\x80\x99" || mark == "\xd9\xac") return "'";
  return {};
}

void lay_out(Spec asked, const BinaryFormat& format, const BinaryReal& real, Output& out) {
  static constexpr NumberStyle style = {.zero_fill_specials = true};
  static constexpr NumberStyle carrying = {.zero_fill_specials = true, .carry_drops_zeros = true};
  // Inner padding goes behind a sign, or else behind 0x.
  if (asked.align == Align::inner && asked.notation == Notation::hexfloat && real.is_finite()) {
    TextBuffer bare;
    Spec plain = asked;
    plain.width = 0;
    lay_out_real(plain, format, real, style, bare);
    const bool has_sign = bare.view()[0] == '-' || bare.view()[0] == '+';
    const std::size_t head = has_sign ? 1 : 2;
    const auto used = static_cast<int>(bare.view().size());
    out.append(bare.view().substr(0, head));
    out.fill(asked.fill.text(), static_cast<std::size_t>(std::max(asked.width - used, 0)));
    return out.append(bare.view().substr(head));
  }
  // Fixed notation is f's, which has no upper letters.
  if (asked.notation == Notation::fixed) asked.letters = Letters::lower;
  const bool carries = carry_drops_zeros(asked, real);
  lay_out_real(asked, format, real, carries ? carrying : style, out);
}

std::string localized(std::string_view plain, bool has_octal_prefix, const glibc::Locale& locale) {
  const bool has_point = plain.find('.') != std::string_view::npos;
  const bool is_hexadecimal_real = plain.find_first_of("pP") != std::string_view::npos;
  // All that stands before a point is grouped, 0x too, which shows in groups of two.
  const std::size_t head = is_hexadecimal_real && has_point
                               ? head_of(plain) - 2
                               : head_of(plain) + (has_octal_prefix && plain.size() > 1 ? 1 : 0);
  std::string_view rest = plain.substr(head);
  // Not-a-number and infinities.
  if (rest.empty() || !is_hexadecimal_digit(rest[0]) || rest.starts_with("inf"))
    return std::string(plain);
  const std::size_t point = rest.find('.');
  const bool has_exponent =
      !has_point && (is_hexadecimal_real ||
                     (rest.size() > 1 && rest.find_first_of("+-") != std::string_view::npos));
  const std::size_t size = std::min(point, rest.size());
  std::string out(plain.substr(0, head));
  const std::string_view mark = narrowed_mark(locale[glibc::Locale::group]);
  if (mark.empty() || has_exponent)
    out += rest.substr(0, size);
  else
    out += glibc::grouped_digits(rest.substr(0, size), mark, locale.grouping());
  if (point == std::string_view::npos) return out + std::string(rest.substr(size));
  // Of a mark that it cannot narrow, its first byte.
  const std::string_view decimal = locale[glibc::Locale::point];
  const std::string_view narrow = narrowed_mark(decimal);
  out += narrow.empty() ? decimal.substr(0, 1) : narrow;
  out += rest.substr(point + 1);
  return out;
}

void put_padded(const Spec& spec, std::string_view number, Output& out) {
  const auto size = static_cast<int>(number.size());
  const auto missing = static_cast<std::size_t>(std::max(spec.width - size, 0));
  // Behind a sign, or else behind 0x.
  const bool has_sign = !number.empty() && (number[0] == '-' || number[0] == '+');
  const std::size_t head = spec.align == Align::left    ? number.size()
                           : spec.align != Align::inner ? 0
                           : has_sign                   ? 1
                                                        : head_of(number);
  out.append(number.substr(0, head));
  out.fill(spec.fill.text(), missing);
  out.append(number.substr(head));
}

}  // namespace inky::inline v1::cpp_stream
