// How arrays are displayed.

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

#include "../family/values.hpp"
#include "arrays.hpp"
#include "display_parts.hpp"
#include "format/layout.hpp"

namespace inky::inline v1::octave {

namespace {

constexpr int screen_columns = 80;
constexpr int between_columns = 2;

// Octave prints through the C++ library, which ends in that of C.
constexpr NumberStyle number_style = {
    .infinity = "Inf", .not_a_number = "NaN", .sign_of_nan = false};

}  // namespace

int digits_before_point(double magnitude) {
  return 1 + static_cast<int>(std::floor(std::log10(magnitude)));
}

Parts parts_of(int digits, int precision, bool in_matrix) {
  if (digits > 0) return {digits, precision > digits ? precision - digits : precision};
  if (digits < 0) return {1, precision > digits ? precision - digits : precision};
  return {1, precision > 1 ? precision - 1 : in_matrix ? precision : 0};
}

std::string real_text(const Spec& spec, double value) {
  if (value == 0) return "0";
  Spec narrow = spec;
  narrow.width = 0;
  TextBuffer out;
  lay_out_real(narrow, binary64, unpack(binary64, bits_of(value)), number_style, out);
  return out.string();
}

std::string right_aligned(std::string_view text, std::size_t width) {
  return std::string(width > text.size() ? width - text.size() : 0, ' ') + std::string(text);
}

std::string table(const Array& array, const std::vector<std::string>& texts, int element_width,
                  int separation, bool compact) {
  const std::size_t columns = static_cast<std::size_t>(array.columns);
  const auto room = static_cast<std::size_t>(element_width);
  const std::size_t width = std::max<std::size_t>(room + static_cast<std::size_t>(separation), 1);
  const bool split = columns * width > screen_columns;
  const std::size_t together = split ? std::max<std::size_t>(screen_columns / width, 1) : columns;
  std::string out;
  for (std::size_t from = 0; from < columns; from += together) {
    const std::size_t to = std::min(from + together, columns);
    if (split) {
      if (to - from == 1)
        out += " Column " + std::to_string(to) + ":\n";
      else
        out += " Columns " + std::to_string(from + 1) + (to - from == 2 ? " and " : " through ") +
               std::to_string(to) + ":\n";
      if (!compact) out += '\n';
    }
    for (std::size_t row = 0; row < static_cast<std::size_t>(array.rows); ++row) {
      for (std::size_t column = from; column < to; ++column)
        out += "  " + right_aligned(texts[row * columns + column], room);
      out += '\n';
    }
    if (to < columns && !compact) out += '\n';
  }
  return out;
}

namespace {

bool is_missing(const Array& array, double value) {
  if (array.type == Type::f64) return bits_of(value) == missing_bits;
  return bits_of(static_cast<float>(value)) == missing_single_bits;
}

// Of the largest and of the smallest finite magnitude; 0 where that is zero, or there is none.
struct Extent {
  int most = 0;
  int least = 0;
};
Extent extent_of(const Array& array) {
  double most = 0;
  double least = 0;
  bool found = false;
  for (const double value : array.reals) {
    if (!std::isfinite(value)) continue;
    const double magnitude = std::fabs(value);
    most = found ? std::max(most, magnitude) : magnitude;
    least = found ? std::min(least, magnitude) : magnitude;
    found = true;
  }
  return {most == 0 ? 0 : digits_before_point(most), least == 0 ? 0 : digits_before_point(least)};
}

// Whether Octave takes an element for a whole number. Of singles and of a matrix it looks at the
// nearest single plus a half, so that 8388609 is none and, in a matrix, 12345678.5 is one.
bool looks_whole(double value, bool as_single) {
  if (!std::isfinite(value)) return true;
  if (!as_single) return std::floor(value + 0.5) == value;
  const auto narrow = static_cast<float>(value);
  return std::floor(narrow + 0.5F) == narrow;
}

// ---- Fractions ----

constexpr double most_int = std::numeric_limits<std::int32_t>::max();

std::string whole_text(double value) {
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = 0;
  TextBuffer out;
  lay_out_real(spec, binary64, unpack(binary64, bits_of(value)), number_style, out);
  return out.string();
}

// A fraction near the value: continued, each step to the nearest whole number, in arithmetic of the
// element's own type, while it fits. A scalar has ten characters, its sign included; an element of
// a matrix has eight, its sign left out and the /1 of a whole number included.
template <typename Real>
std::string fraction_text(Real value, bool in_matrix) {
  if (std::isinf(value)) return value > 0 ? "1/0" : "-1/0";
  if (std::isnan(value)) return "0/0";
  constexpr std::size_t most_of_scalar = 10;
  constexpr std::size_t most_of_element = 8;
  const auto fits = [&](const std::string& text, bool whole) {
    if (!in_matrix) return whole || text.size() <= most_of_scalar;
    return text.size() + (whole ? 2 : 0) - (text[0] == '-' ? 1 : 0) <= most_of_element;
  };
  const auto limit = static_cast<Real>(most_int);
  std::string text = whole_text(static_cast<double>(std::round(value)));
  bool found = fits(text, true);
  if (std::fabs(value) <= limit && std::floor(value) != value) {
    Real before_top = 1;
    Real before_bottom = 0;
    Real top = std::round(value);
    Real bottom = 1;
    Real rest = value - top;
    for (;;) {
      const Real turned = 1 / rest;
      if (std::fabs(turned) > limit) break;
      const Real step = std::round(turned);
      rest = turned - step;
      before_top = std::exchange(top, step * top + before_top);
      before_bottom = std::exchange(bottom, step * bottom + before_bottom);
      if (std::fabs(top) > limit || std::fabs(bottom) > limit) break;
      const Real sign = bottom < 0 ? -1 : 1;
      std::string closer = whole_text(static_cast<double>(sign * top)) + "/" +
                           whole_text(static_cast<double>(sign * bottom));
      if (!fits(closer, false)) break;
      text = std::move(closer);
      found = true;
    }
  }
  return !found || text == "0" || text == "-0" ? "*" : text;
}

// ---- One form for all elements ----

struct Form {
  enum class Kind : std::uint8_t { number, fraction, bits };
  Kind kind = Kind::number;
  Spec spec;         // of numbers; its width is that of every element
  double scale = 1;  // the common factor
  int scale_exponent = 0;
};

// What an array of reals is like, as far as its form depends on it.
struct Traits {
  bool in_matrix;
  int most_digits;  // that the class has
  int precision;    // significant digits wanted
  bool special;     // one element is not finite
  bool whole;
  bool scaled;  // a common factor is wanted
  Extent extent;
  int sign;  // the column for a sign
};
Traits traits_of(const Array& array, const Settings& settings) {
  Traits out{};
  out.in_matrix = !array.is_scalar();
  out.most_digits = array.type == Type::f32 ? most_single_precision : most_precision;
  out.precision = std::min(settings.precision, out.most_digits);
  out.special = std::any_of(array.reals.begin(), array.reals.end(),
                            [](double value) { return !std::isfinite(value); });
  out.whole = std::all_of(array.reals.begin(), array.reals.end(), [&](double value) {
    return looks_whole(value, out.in_matrix || array.type == Type::f32);
  });
  out.extent = extent_of(array);
  out.scaled = settings.scaled && out.in_matrix;
  out.sign = out.in_matrix ? 1 : 0;
  return out;
}

void set_scientific(const Traits& traits, Spec& spec) {
  spec.notation = Notation::scientific;
  spec.significant = unset;
  spec.places = traits.precision - 1;
  // With a common factor wanted, the smallest element does not decide.
  const bool long_exponent =
      traits.whole ? traits.extent.most > 100
                   : traits.extent.most >= 100 || (traits.extent.least <= -100 && !traits.scaled);
  spec.width = traits.sign + traits.precision + 5 + (traits.in_matrix && long_exponent ? 1 : 0);
  if (!traits.in_matrix && traits.special) spec.width = 3;
}

// With a common factor, all elements have the digits of precision.
void set_scaled(const Traits& traits, Spec& spec) {
  const int places = std::max(traits.precision - 1, 0);
  spec.width = std::max(traits.precision + 2, traits.special ? 4 : 0);
  if (traits.whole) {
    spec.notation = Notation::compact;
    spec.significant = std::max(places, 1);
  } else {
    spec.notation = Notation::fixed;
    spec.places = places;
  }
}

// As many decimals as the smallest element needs and as much room as the largest one; with an
// exponent where that is more than half as many digits again as the precision.
void set_plain(const Traits& traits, Spec& spec) {
  int shown = 0;
  if (traits.whole) {
    const int digits = traits.in_matrix ? std::max(traits.extent.most, 1) : traits.extent.most;
    shown = digits + traits.sign;
    spec.notation = Notation::compact;
    spec.width = shown;
    if (traits.special) spec.width = std::max(spec.width, 3 + traits.sign);
    if (traits.in_matrix) shown = spec.width;
    spec.significant = std::max(traits.in_matrix ? spec.width : digits + 1, 1);
  } else {
    const Parts largest = parts_of(traits.extent.most, traits.precision, traits.in_matrix);
    const Parts smallest = parts_of(traits.extent.least, traits.precision, traits.in_matrix);
    const int before = std::max(largest.before, smallest.before);
    spec.notation = Notation::fixed;
    spec.places = std::max(largest.after, smallest.after);
    spec.width = traits.sign + before + 1 + spec.places;
    shown = before + spec.places;
  }
  if (2 * shown > std::min(3 * traits.precision, 2 * traits.most_digits))
    set_scientific(traits, spec);
}

Form form_of(const Array& array, const Settings& settings) {
  const Traits traits = traits_of(array, settings);
  const int digits = traits.extent.most;
  Form form;
  form.spec.kind = Kind::real;
  switch (settings.mode) {
    case Mode::hexadecimal:
      form.kind = Form::Kind::bits;
      form.spec.width = array.type == Type::f32 ? 8 : 16;
      break;
    case Mode::rational:
      form.kind = Form::Kind::fraction;
      form.spec.width = traits.in_matrix ? 9 : 0;
      break;
    case Mode::bank:
      form.spec.notation = Notation::fixed;
      form.spec.places = 2;
      form.spec.width = traits.in_matrix ? std::max(digits, 1) + 4 : std::max(digits, 0) + 3;
      break;
    case Mode::general:
      form.spec.notation = Notation::compact;
      form.spec.significant = traits.precision;
      form.spec.width = traits.in_matrix ? traits.precision + 6 : traits.precision;
      return form;
    case Mode::scientific:
      set_scientific(traits, form.spec);
      return form;
    case Mode::plain:
      if (traits.scaled)
        set_scaled(traits, form.spec);
      else
        set_plain(traits, form.spec);
      // A range keeps a column for the sign of its step.
      if (array.is_range && !traits.scaled && !traits.whole) ++form.spec.width;
      break;
  }
  if (traits.scaled && !traits.whole && digits != 0) {
    form.scale_exponent = digits - 1;
    form.scale = std::pow(10.0, digits - 1);
  }
  return form;
}

std::string number_text(const Array& array, const Form& form, double value) {
  const double scaled =
      array.type == Type::f32
          ? static_cast<double>(static_cast<float>(value) / static_cast<float>(form.scale))
          : value / form.scale;
  if (is_missing(array, value)) return form.kind == Form::Kind::bits ? "7ff840f440000000" : "NA";
  if (form.kind == Form::Kind::bits) {
    WholeRoom room;
    const uint128 bits = array.type == Type::f32 ? uint128{bits_of(static_cast<float>(scaled))}
                                                 : uint128{bits_of(scaled)};
    const std::string_view digits = write_whole(bits, 16, Letters::lower, room);
    return std::string(static_cast<std::size_t>(form.spec.width) - digits.size(), '0') +
           std::string(digits);
  }
  if (scaled == 0) return "0";
  if (form.kind == Form::Kind::fraction) {
    return array.type == Type::f32 ? fraction_text(static_cast<float>(scaled), !array.is_scalar())
                                   : fraction_text(scaled, !array.is_scalar());
  }
  return real_text(form.spec, scaled);
}

// ---- Whole numbers of the integer classes, and truth values ----

std::string integer_text(const Array& array, const Settings& settings, int128 value) {
  const int width = array.type == Type::truth ? 8 : fact_of(array.type).width;
  WholeRoom room;
  if (settings.mode == Mode::hexadecimal) {
    const std::string_view digits =
        write_whole(wrap_unsigned(value, width), 16, Letters::lower, room);
    return std::string(static_cast<std::size_t>(width / 4) - digits.size(), '0') +
           std::string(digits);
  }
  std::string text(value < 0 ? "-" : "");
  text += write_whole(magnitude_of(value), 10, Letters::lower, room);
  if (settings.mode == Mode::bank) text += ".00";
  return text;
}

// ---- Tables ----

// The line of the common factor.
std::string factor(const Form& form, const Settings& settings) {
  if (form.scale_exponent == 0) return {};
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::scientific;
  spec.places = 1;
  TextBuffer out;
  lay_out_real(spec, binary64, unpack(binary64, bits_of(form.scale)), number_style, out);
  constexpr std::size_t room = 8;
  const std::size_t size = out.view().size();
  return "  " + out.string() + std::string(size < room ? room - size : 0, ' ') +
         (settings.compact ? "*\n" : "*\n\n");
}

std::string rows_of_text(const Array& array);

std::string elements(const Array& array, const Settings& settings) {
  if (array.type == Type::text) return rows_of_text(array);
  if (array.is_complex()) return complex_elements(array, settings).value_or("");
  std::vector<std::string> texts;
  if (array.is_real()) {
    const Form form = form_of(array, settings);
    for (const double value : array.reals) texts.push_back(number_text(array, form, value));
    if (array.is_scalar())
      return right_aligned(texts[0], static_cast<std::size_t>(form.spec.width));
    return factor(form, settings) +
           table(array, texts, form.spec.width, between_columns, settings.compact);
  }
  // Room is reckoned from logarithms: zero takes none, nor does the lowest number of a signed
  // class, which has no magnitude in it.
  const int128 lowest = array.type == Type::truth
                            ? int128{-1}
                            : within(std::numeric_limits<std::int64_t>::min(), array.type);
  std::size_t width = settings.mode == Mode::bank ? 3 : 0;
  bool negative = false;
  for (const int128 value : array.wholes) {
    texts.push_back(integer_text(array, settings, value));
    if (settings.mode != Mode::hexadecimal && (value == 0 || value == lowest)) continue;
    const bool sign = value < 0 && settings.mode != Mode::hexadecimal;
    negative |= sign;
    width = std::max(width, texts.back().size() - (sign ? 1 : 0));
  }
  if (array.is_scalar()) return texts[0];
  // As fractions, the blanks between them are not reckoned.
  const int separation = settings.mode == Mode::rational ? 0 : between_columns;
  return table(array, texts, static_cast<int>(width) + (negative ? 1 : 0), separation,
               settings.compact);
}

std::string sizes(const Array& array) {
  return "[](" + std::to_string(array.rows) + "x" + std::to_string(array.columns) + ")";
}

bool on_one_line(const Array& array) {
  return array.type == Type::text ? array.rows == 1 : array.is_empty() || array.is_scalar();
}

// The rows of a matrix of characters.
std::string rows_of_text(const Array& array) {
  const auto columns = static_cast<std::size_t>(array.columns);
  std::string out;
  for (std::size_t i = 0; i < static_cast<std::size_t>(array.rows); ++i)
    out += array.text.substr(i * columns, columns) + '\n';
  return out;
}

std::string one_line(const Array& array, const Settings& settings) {
  return array.type == Type::text ? array.text
         : array.is_empty()       ? sizes(array)
                                  : elements(array, settings);
}

}  // namespace

bool is_displayed(const Array& array, const Settings& settings) {
  return !array.is_complex() || array.is_empty() || complex_elements(array, settings);
}

bool needs_exponent(const Array& array, const Settings& settings) {
  return array.is_real() && !array.is_complex() && !array.is_empty() &&
         settings.mode == Mode::plain &&
         form_of(array, settings).spec.notation == Notation::scientific;
}

std::string displayed(const Array& array, const Settings& settings) {
  return on_one_line(array) ? one_line(array, settings) + "\n" : elements(array, settings);
}

std::string displayed(std::string_view name, const Array& array, const Settings& settings) {
  std::string out(name);
  if (on_one_line(array)) return out + " = " + one_line(array, settings) + "\n";
  out += settings.compact ? " =\n" : " =\n\n";
  out += elements(array, settings);
  return out + "\n";
}

}  // namespace inky::inline v1::octave
