// Arrays as a session of Octave displays them.
//
// A display shares one width and one number of decimals among all elements, found from the digits
// before the point of the largest and of the smallest one. Observed on GNU Octave 7.3.0; the manual
// (Basic Usage, format) names the settings and leaves the widths open.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::octave {

enum class Mode : std::uint8_t { plain, general, scientific, bank, rational, hexadecimal };

// What stays set in a session.
struct Settings {
  Mode mode = Mode::plain;
  int precision = 5;     // output_precision: significant digits
  bool scaled = false;   // fixed_point_format: a matrix shows one common factor
  bool compact = false;  // no blank lines around headings
};

// The significant digits that each precision may have.
inline constexpr int most_precision = 16;
inline constexpr int most_single_precision = 8;

// The class of an array: f64 and f32 are double and single, i8 to u64 the integer classes, truth is
// logical, text is char.
struct Array {
  Type type = Type::f64;
  int rows = 1;
  int columns = 1;
  std::vector<double> reals;        // of f64 and f32, row by row
  std::vector<double> imaginaries;  // of complex numbers, as many as reals; empty: there are none
  std::vector<int128> wholes;       // of the others
  std::string text;                 // of text, row by row; where it has one row, that
  bool is_range = false;            // made by from:to, and nothing done to it

  bool is_real() const { return type == Type::f64 || type == Type::f32; }
  bool is_complex() const { return !imaginaries.empty(); }
  bool is_empty() const { return rows == 0 || columns == 0; }
  bool is_scalar() const { return rows == 1 && columns == 1 && type != Type::text; }
};

// Octave's own NA, a not-a-number of this payload.
inline constexpr std::uint64_t missing_bits = 0x7FF840F440000000;
inline constexpr std::uint32_t missing_single_bits = 0x7FC207A2;

// The array that a value is: a list of numbers is a row, a list of lists a matrix. Wholes of 32 and
// 64 bits are doubles, as number literals are in Octave. Where there is none, why.
std::optional<Error> make_array(const Value& value, Array& out);

// An array of another class, as the function of that class's name makes it: rounded half away from
// zero, and the nearest that the class holds. REQUIRES: not of text, and not complex; no NaN where
// `to` is truth.
Array converted(const Array& array, Type to);

// Half away from zero, as round() of the C library.
double nearest_whole(double value);
// The nearest that a whole type holds.
int128 within(int128 value, Type to);

// Whether numbers show an exponent that the setting did not ask for, since without one they would
// need too many digits: more than half as many again as the precision.
bool needs_exponent(const Array& array, const Settings& settings);

// Whether it is known how an array is displayed. Of complex ones it is not in every setting.
bool is_displayed(const Array& array, const Settings& settings);

// What disp prints. REQUIRES, as the next one does: is_displayed().
std::string displayed(const Array& array, const Settings& settings);
// What `name = ...` or a name alone prints.
std::string displayed(std::string_view name, const Array& array, const Settings& settings);

}  // namespace inky::inline v1::octave
