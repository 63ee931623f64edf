#include "attributes.hpp"

#include <string>
#include <utility>

#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

Value small(int number) {
  return Value::whole(Type::i32, number);
}

// Whole days, and the rest of them.
std::optional<Value> part_of_duration(int128 nanoseconds, std::string_view name) {
  constexpr int128 day = int128{86'400} * 1'000'000'000;
  int128 rest = nanoseconds % day;
  int128 days = nanoseconds / day;
  if (rest < 0) {
    rest += day;
    --days;
  }
  if (name == "days") return small(static_cast<int>(days));
  if (name == "seconds") return small(static_cast<int>(rest / 1'000'000'000));
  if (name == "microseconds") return small(static_cast<int>(rest / 1000 % 1'000'000));
  return std::nullopt;
}

}  // namespace

bool has_attribute(const Value& value, std::string_view name) {
  struct Names {
    std::string_view type;
    std::string_view names;  // with a space on each side
  };
  static constexpr Names known[] = {
      {"int", " as_integer_ratio bit_count bit_length conjugate from_bytes to_bytes "},
      {"bool", " as_integer_ratio bit_count bit_length conjugate from_bytes to_bytes "},
      {"float", " as_integer_ratio conjugate fromhex hex is_integer "},
      {"complex", " conjugate "},
      {"str",
       " capitalize casefold center count encode endswith expandtabs find format format_map index "
       "isalnum isalpha isascii isdecimal isdigit isidentifier islower isnumeric isprintable "
       "isspace istitle isupper join ljust lower lstrip maketrans partition removeprefix "
       "removesuffix replace rfind rindex rjust rpartition rsplit rstrip split splitlines "
       "startswith strip swapcase title translate upper zfill "},
      {"list", " append clear copy count extend index insert pop remove reverse sort "},
      {"tuple", " count index "},
      {"dict", " clear copy fromkeys get items keys pop popitem setdefault update values "},
      {"decimal.Decimal",
       " adjusted as_integer_ratio as_tuple canonical compare compare_signal compare_total "
       "compare_total_mag conjugate copy_abs copy_negate copy_sign exp fma from_float is_canonical "
       "is_finite is_infinite is_nan is_normal is_qnan is_signed is_snan is_subnormal is_zero ln "
       "log10 logb logical_and logical_invert logical_or logical_xor max max_mag min min_mag "
       "next_minus next_plus next_toward normalize number_class quantize radix remainder_near "
       "rotate same_quantum scaleb shift sqrt to_eng_string to_integral to_integral_exact "
       "to_integral_value "},
      {"Fraction",
       " as_integer_ratio conjugate denominator from_decimal from_float imag limit_denominator "
       "numerator real "},
      {"datetime.date",
       " ctime fromisocalendar fromisoformat fromordinal fromtimestamp isocalendar isoformat "
       "isoweekday max min replace resolution strftime timetuple today toordinal weekday "},
      {"datetime.time",
       " dst fromisoformat isoformat max min replace resolution strftime tzname utcoffset tzinfo "},
      {"datetime.timedelta", " max min resolution total_seconds "},
      {"datetime.datetime",
       " astimezone combine ctime date dst fromisocalendar fromisoformat fromordinal fromtimestamp "
       "isocalendar isoformat isoweekday max min now replace resolution strftime strptime time "
       "timestamp timetuple timetz today toordinal tzinfo tzname utcfromtimestamp utcnow utcoffset "
       "utctimetuple weekday "},
  };
  if (name.starts_with("__") && name.ends_with("__")) return true;
  for (const Names& names : known) {
    if (names.type == python::type_name(value))
      return names.names.find(" " + std::string(name) + " ") != std::string_view::npos;
  }
  return false;
}

std::optional<Value> attribute_of(const Value& value, std::string_view name) {
  if (python::is_int(value)) {
    if (name == "real" || name == "numerator") {
      if (!value.is(Type::truth)) return value;
      return small(static_cast<int>(value.as_whole()));
    }
    if (name == "imag") return small(0);
    if (name == "denominator") return small(1);
  }
  if (is_real(value.type())) {
    if (name == "real") return value;
    if (name == "imag") return Value::real(0.0);
  }
  if (value.is(Type::decimal)) {
    if (name == "real") return value;
    if (name == "imag") return Value::decimal({});
  }
  if (value.is(Type::fraction)) {
    if (name == "numerator") return python::whole_value(integer_of(value.as_list()[0].as_big()));
    if (name == "denominator") return python::whole_value(integer_of(value.as_list()[1].as_big()));
    if (name == "real") return value;
    if (name == "imag") return small(0);
  }
  if (value.is(Type::complex)) {
    if (name == "real") return value.as_list()[0];
    if (name == "imag") return value.as_list()[1];
  }
  if (value.is(Type::duration)) return part_of_duration(value.as_duration(), name);
  if (takes_codes(value)) {
    const Moment moment = value.as_moment();
    const bool is_time = value.is(Type::time);
    const bool is_date = value.is(Type::date);
    const std::string_view of_date = " year month day ";
    const bool known_here = of_date.find(" " + std::string(name) + " ") != std::string_view::npos;
    if (known_here ? is_time : is_date) return std::nullopt;
    const std::pair<std::string_view, int> parts[] = {{"year", moment.year},
                                                      {"month", moment.month},
                                                      {"day", moment.day},
                                                      {"hour", moment.hour},
                                                      {"minute", moment.minute},
                                                      {"second", moment.second},
                                                      {"fold", is_second(moment) ? 1 : 0},
                                                      {"microsecond", moment.nanosecond / 1000}};
    for (const auto& [part, number] : parts) {
      if (part == name) return small(number);
    }
    if (name == "tzinfo" && !moment.offset) return Value();
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::python
