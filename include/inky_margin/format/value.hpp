// A typed value, as a program would hold it.
//
//   Value v = Value::real(2.675);            // f64
//   Value n = Value::whole(Type::i8, -7);
//   read_value("255:u8"), read_value("'Ω':char"), read_value("x=2.5"), read_value("ink")
//   read_value("[1, 2.5, 'x']")              // a list
//   read_value("(1, 2.5)")                   // a tuple
//   read_value("{batch: \"K-7\", mass: 12.5}") // a record
//   read_value("some(5)")                    // an option that holds 5
//   read_value("1.10:decimal")               // a decimal of three digits
//   read_value("300:u8")                     // an error: 300 does not fit u8 (0 to 255)
//
// Values are small and cheap to make; text may be owned or borrowed.
#pragma once

#include <bit>
#include <cassert>
#include <cstddef>
#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <type_traits>
#include <vector>

#include "inky_margin/format/note.hpp"
#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

// ---- Moments ----

// The number of a time zone; 0 for none.
using Zone = std::uint16_t;
// "Europe/Berlin"; nothing for 0, and for a number that no zone has.
std::string_view zone_name(Zone zone);

// A date of the proleptic Gregorian calendar and a time of day, with an offset from UTC or without, and
// with a time zone or without.
//
//   read_moment("2031-05-09T14:05:00.25")    // 9 May 2031, 14:05 and a quarter of a second
//   read_moment("2031-05-09")                // midnight
//   read_moment("2031-05-09T14:05+02:00")    // two hours ahead of UTC; Z is +00:00
//   read_moment("2031-05-09T14:05[Europe/Berlin]")  // what is ahead of UTC there on that day
//   weekday(*moment), day_of_year(*moment)   // 5 (a Friday; Sunday is 0), 129
struct Moment {
  int year = 1;   // 1 to 9999
  int month = 1;  // 1 to 12
  int day = 1;    // 1 to the days of the month
  int hour = 0;
  int minute = 0;
  int second = 0;                  // no leap seconds
  int nanosecond = 0;              // 0 to 999,999,999
  std::optional<int> offset = {};  // minutes east of UTC, -1439 to 1439; nothing: it has none
  Zone zone = 0;                   // of the offset; a value without an offset has none

  // Any moment as one number, and back: as a value holds it.
  uint128 packed() const;
  static Moment unpacked(uint128 number);

  friend bool operator==(const Moment&, const Moment&) = default;
};

// ISO 8601-1, extended form: a date, or a date, a T or a space, and a time to the minute, to the
// second or to at most nine places of it, and Z or an offset such as +02:00 or -0530. A time zone may
// follow in brackets (RFC 9557), from 1970 on; without an offset, a time that its clocks show twice is
// the earlier one. Nothing where the text is not that, or no such day exists, or no such time there.
std::optional<Moment> read_moment(std::string_view text);
// A date alone; a time of day alone, with the date 1 January of the year 1.
std::optional<Moment> read_date(std::string_view text);
std::optional<Moment> read_time(std::string_view text);
// ISO 8601-1, 5.5.2: [-]P[nW][nD][T[nH][nM][n.nS]], in nanoseconds; a day is 24 hours. Years and
// months have no length of their own, and are not read.
std::optional<int128> read_duration(std::string_view text);
inline constexpr std::int64_t most_days = 10'000'000;  // of a duration, either way

// The same form: to the second, and as many groups of three places as it takes.
std::string moment_text(const Moment& moment);
std::string date_text(const Moment& moment);
std::string time_text(const Moment& moment);
std::string duration_text(int128 nanoseconds);
// "+02:00"
std::string offset_text(int minutes, std::string_view mark = ":");

// The seconds from the beginning of 1970 on, as if it were in UTC; the offset does not count.
std::int64_t seconds_since_1970(const Moment& moment);
// Back, without an offset or a fraction. REQUIRES: a moment of the years 1 to 9999.
Moment moment_of_seconds(std::int64_t seconds);

bool is_leap_year(int year);
int days_of_month(int year, int month);
// 0 for Sunday to 6.
int weekday(const Moment& moment);
// 1 to 366.
int day_of_year(const Moment& moment);

// ---- Values ----

enum class Type : std::uint8_t {
  i8,
  i16,
  i32,
  i64,
  i128,
  u8,
  u16,
  u32,
  u64,
  u128,
  big,  // a whole number of any size
  f16,
  bf16,
  f32,
  f64,
  f80,
  f128,
  text,       // UTF-8
  character,  // one Unicode scalar value
  truth,
  nil,
  complex,  // two f64
  moment,   // a date and a time of day
  list,
  tuple,
  record,    // fields with names
  some,      // an option that holds a value; nil is one that does not
  fraction,  // of two whole numbers, in lowest terms
  decimal,   // digits of base ten, with their trailing zeros
  date,
  time,      // of a day
  duration,  // in nanoseconds
};

struct TypeFact {
  Type type;
  std::string_view name;  // on the command line and in JSON
  int width;              // bits of a whole type; 0 for the others
  bool is_signed;
  const BinaryFormat* format;  // of a real type; null for the others
};
const TypeFact& fact_of(Type type);
std::optional<Type> type_named(std::string_view name);
inline std::string_view name_of(Type type) {
  return fact_of(type).name;
}
std::span<const TypeFact> all_types();

constexpr bool is_whole(Type type) {
  return type <= Type::big;
}
// Made of values: as_list has them.
constexpr bool is_compound(Type type) {
  return Type::list <= type && type <= Type::record;
}
constexpr bool is_real(Type type) {
  return Type::f16 <= type && type <= Type::f128;
}

class Value {
 public:
  Value() = default;  // nil
  // Of a number of the program: i8 to u64 by its size and sign, f32, f64, truth, a character. A
  // char REQUIRES ASCII; assert checks it.
  template <typename Number>
  requires std::is_arithmetic_v<Number> Value(Number number);
  // Of a text, which is copied. text_view() borrows it instead.
  Value(std::string_view text) : Value(Value::text(std::string(text))) {}
  Value(const std::string& text) : Value(Value::text(text)) {}
  Value(const char* text) : Value(std::string_view(text)) {}
  Value(std::nullptr_t) = delete;  // Value() is nil

  // REQUIRES: a whole type other than big, and a number that fits it; a u128 as its bits.
  static Value whole(Type type, int128 number) {
    assert(holds(type, number));
    return {type, static_cast<uint128>(number)};
  }
  static Value big(SignedNatural number);
  static Value real(double number) { return {Type::f64, uint128{bits_of(number)}}; }
  // REQUIRES: a real type; `encoding` in its low bits.
  static Value real(Type type, uint128 encoding) {
    assert(is_real(type));
    return {type, encoding};
  }
  static Value text(std::string owned);
  // Borrowed: `view` must outlive the value and its copies.
  static Value text_view(std::string_view view) {
    Value out(Type::text, 0);
    // A view of nothing may point nowhere, which nothing may be copied from.
    out.content_ = Content(view.empty() ? std::string_view("") : view);
    return out;
  }
  static Value character(char32_t value) { return {Type::character, uint128{value}}; }
  static Value list(std::vector<Value> items) { return compound(Type::list, std::move(items)); }
  static Value tuple(std::vector<Value> items) { return compound(Type::tuple, std::move(items)); }
  // REQUIRES: every field is named, each name once.
  static Value record(std::vector<Value> fields) {
    return compound(Type::record, std::move(fields));
  }
  static Value some(Value held);
  static Value complex(double real, double imaginary) {
    return compound(Type::complex, {Value::real(real), Value::real(imaginary)});
  }
  // REQUIRES: two values of the type big, in lowest terms, the second above 0.
  static Value fraction(Value numerator, Value denominator) {
    return compound(Type::fraction, {std::move(numerator), std::move(denominator)});
  }
  // REQUIRES: within most_zeros, as read_typed() enforces it.
  static Value decimal(Decimal number);
  static Value moment(const Moment& moment) { return {Type::moment, moment.packed()}; }
  static Value date(const Moment& moment) { return {Type::date, moment.packed()}; }
  static Value time(const Moment& moment) { return {Type::time, moment.packed()}; }
  static Value duration(int128 nanoseconds) {
    return {Type::duration, static_cast<uint128>(nanoseconds)};
  }
  static Value truth(bool value) { return {Type::truth, uint128{value}}; }

  Type type() const { return type_; }
  bool is(Type type) const { return type_ == type; }

  // Each REQUIRES the type in its name; assert checks it. as_whole: any whole type but big, truth,
  // or a character by its code; a u128 from 2^127 on comes out negative, and bits() has it.
  int128 as_whole() const {
    assert((is_whole(type_) && type_ != Type::big) || is(Type::truth) || is(Type::character));
    return static_cast<int128>(bits());
  }
  // Two's complement, sign-extended; the encoding of a real.
  uint128 bits() const { return content_.bits; }
  const SignedNatural& as_big() const {
    assert(is(Type::big));
    return extra_->big;
  }
  BinaryReal as_real() const {
    assert(is_real(type_));
    // The usual format is known to the compiler, which makes taking it apart cheap.
    return type_ == Type::f64 ? unpack(binary64, bits()) : unpack(*fact_of(type_).format, bits());
  }
  char32_t as_character() const {
    assert(is(Type::character));
    return static_cast<char32_t>(bits());
  }
  std::string_view as_text() const {
    assert(is(Type::text));
    return content_.text;
  }
  // The items of a list or tuple, the fields of a record, the two parts of a complex number, what
  // an option holds.
  std::span<const Value> as_list() const;
  const Decimal& as_decimal() const {
    assert(is(Type::decimal));
    return extra_->decimal;
  }
  Moment as_moment() const {
    assert(is(Type::moment) || is(Type::date) || is(Type::time));
    return Moment::unpacked(bits());
  }
  int128 as_duration() const {
    assert(is(Type::duration));
    return static_cast<int128>(bits());
  }

  // A real given by its bits, in hexadecimal: what is stored is what was meant, so there is nothing
  // to say about a typed decimal.
  bool given_in_bits() const { return given_in_bits_; }
  void set_given_in_bits() { given_in_bits_ = true; }

  // What a name of a statement stands for where no type has it: a text that is a function of the
  // language, or a moment of a class of its own. Statements make such values for their own language
  // alone.
  bool is_expression() const { return is_expression_; }
  bool is_function() const { return is_expression_ && is(Type::text); }
  void set_expression() { is_expression_ = true; }

  // Whether it has a name, which may be empty.
  bool is_named() const { return extra_ && extra_->is_named; }
  // The name of a named value; empty for the others.
  std::string_view name() const {
    return extra_ ? std::string_view(extra_->name) : std::string_view();
  }
  void set_name(std::string name);
  void drop_name();

 private:
  // What few values have, and what does not fit 128 bits.
  struct Extra {
    std::vector<Value> items;
    std::string text;
    SignedNatural big;
    Decimal decimal;
    std::string name;
    bool is_named = false;
  };
  // Which of the two, the type decides.
  union Content {
    Content() : bits(0) {}
    explicit Content(uint128 number) : bits(number) {}
    explicit Content(std::string_view view) : text(view) {}
    uint128 bits;
    std::string_view text;
  };
  Value(Type type, uint128 bits) : type_(type), content_(bits) {}
  // Whether it is a whole type other than big, and has room for the number.
  static bool holds(Type type, int128 number);
  static Value compound(Type type, std::vector<Value> items);
  void name_as(std::string name, bool is_named);

  Type type_ = Type::nil;
  bool given_in_bits_ = false;
  bool is_expression_ = false;
  Content content_;
  std::shared_ptr<const Extra> extra_;
};

template <typename Number>
requires std::is_arithmetic_v<Number> Value::Value(Number number) {
  static_assert(!std::is_same_v<Number, long double> && !std::is_same_v<Number, wchar_t> &&
                    !std::is_same_v<Number, char8_t> && !std::is_same_v<Number, char16_t>,
                "say what this is: Value::real, Value::whole or Value::character");
  if constexpr (std::is_same_v<Number, bool>) {
    *this = truth(number);
  } else if constexpr (std::is_same_v<Number, char>) {
    assert(static_cast<unsigned char>(number) < 0x80);
    *this = character(static_cast<unsigned char>(number) & 0x7FU);
  } else if constexpr (std::is_same_v<Number, char32_t>) {
    *this = character(number);
  } else if constexpr (std::is_same_v<Number, float>) {
    *this = real(Type::f32, uint128{std::bit_cast<std::uint32_t>(number)});
  } else if constexpr (std::is_same_v<Number, double>) {
    *this = real(number);
  } else {
    constexpr Type types[2][4] = {{Type::u8, Type::u16, Type::u32, Type::u64},
                                  {Type::i8, Type::i16, Type::i32, Type::i64}};
    constexpr int size = sizeof(Number) == 1   ? 0
                         : sizeof(Number) == 2 ? 1
                         : sizeof(Number) == 4 ? 2
                                               : 3;
    *this = whole(types[std::is_signed_v<Number> ? 1 : 0][size], static_cast<int128>(number));
  }
}

inline std::span<const Value> Value::as_list() const {
  assert(extra_ &&
         (is_compound(type_) || is(Type::complex) || is(Type::some) || is(Type::fraction)));
  return extra_->items;
}

// A value as written on the command line; docs/values.md has the whole grammar. A number is i32,
// i64 where it needs it, or f64; a type after a colon decides; anything else is text.
Result<Value> read_value(std::string_view text);

// The value that `payload` is of `type`: what JSON gives as {"TYPE": "payload"}.
Result<Value> read_typed(Type type, std::string_view payload);

// The deepest that lists, tuples and records may nest.
inline constexpr int most_value_depth = 32;

// Short, for people: 2.675, "ink", 'Ω', true, nil, [1, 2.5], {mass: 12.5}.
std::string describe(const Value& value);

}  // namespace inky::inline v1
