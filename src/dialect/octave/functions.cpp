// The functions that expressions of Octave may call: those of each element by itself, and which of
// the other files has the rest.

#include <algorithm>
#include <cmath>
#include <limits>

#include "../computed/elementary.hpp"
#include "dialect/lexis.hpp"
#include "display_facts.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

double rounded(std::string_view name, double x) {
  if (name == "floor") return std::floor(x);
  if (name == "ceil") return std::ceil(x);
  if (name == "fix") return std::trunc(x);
  return nearest_whole(x);
}

// mod() and rem(), as the library's mappers have them.
template <typename Real>
Real remainder_of(bool floors, Real x, Real y) {
  if (y == 0) return floors ? x : std::numeric_limits<Real>::quiet_NaN();
  const Real quotient = x / y;
  const Real nearest = std::floor(quotient + Real{0.5});
  Real rest = 0;
  const bool is_multiple =
      std::floor(y + Real{0.5}) != y &&
      std::fabs((quotient - nearest) / nearest) < std::numeric_limits<Real>::epsilon();
  if (!is_multiple) {
    const Real whole = floors ? std::floor(quotient) : std::trunc(quotient);
    const Real product = y * whole;
    rest = x - product;
  }
  return x == y ? rest : std::copysign(rest, floors ? y : x);
}

// Where a function of a real number is complex.
bool is_outside(std::string_view name, double x) {
  if (name == "sqrt" || name == "log" || name == "log2" || name == "log10") return x < 0;
  if (name == "log1p") return x < -1;
  return (name == "asin" || name == "acos") && std::fabs(x) > 1;
}

}  // namespace

// Of each element by itself.
bool Expressions::map(const Node& node, std::string_view name, const Value& value, Value& out) {
  Array array;
  if (!take_any(node, value, array)) return false;
  if (array.type == Type::text || array.type == Type::truth) {
    if (!take_double(node, value, array)) return false;
  }
  const bool is_of_parts = has_word("real imag conj arg angle", name);
  const bool is_outside_here = std::any_of(array.reals.begin(), array.reals.end(),
                                           [&](double x) { return is_outside(name, x); });
  if (array.is_complex() || is_of_parts || (is_outside_here && (name == "sqrt" || name == "log"))) {
    Array made;
    if (!map_complex(node, name, array, made)) return false;
    out = value_of(made);
    return true;
  }
  const bool rounds = has_word("floor ceil fix round", name);
  if (!array.is_real()) {
    if (name == "abs") {
      for (int128& x : array.wholes) x = within(x < 0 ? -x : x, array.type);
    } else if (name == "sign") {
      for (int128& x : array.wholes) x = x < 0 ? -1 : x > 0 ? 1 : 0;
    } else if (!rounds) {
      return map(node, name, value_of(converted(array, Type::f64)), out);
    }
    out = value_of(array);
    return true;
  }
  for (double& x : array.reals) {
    if (rounds) {
      x = std::isfinite(x) ? rounded(name, x) : x;
    } else if (name == "abs") {
      x = std::fabs(x);
    } else if (name == "sign") {
      x = x > 0 ? 1 : x < 0 ? -1 : x == 0 ? 0 : x;
    } else {
      const bool is_single = array.type == Type::f32;
      if (is_outside(name, x) || (is_single && name != "sqrt"))
        return not_yet(std::string(name) + " of this is", node);
      x = *computed::elementary(name, x);
      // The root of a single number in a double is near enough to be rounded once more.
      if (is_single) x = static_cast<double>(static_cast<float>(x));
    }
  }
  out = value_of(array);
  return true;
}

// Of the elements of two arrays, side by side.
bool Expressions::map_two(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  if (arguments.size() != 2) return not_yet(std::string(name) + " with these arguments is", node);
  struct Named {
    std::string_view name;
    Operation operation;
  };
  constexpr Named operators[] = {
      {"power", Operation::power_each},    {"plus", Operation::add},
      {"times", Operation::multiply_each}, {"minus", Operation::subtract},
      {"rdivide", Operation::divide_each}, {"and", Operation::bits_and},
      {"or", Operation::bits_or}};
  for (const Named& one : operators) {
    if (one.name == name) return combine(node, one.operation, arguments[0], arguments[1], out);
  }
  Array left;
  Array right;
  if (!take_double(node, arguments[0], left) || !take_double(node, arguments[1], right))
    return false;
  // These make doubles of integers; the others make integers of doubles.
  if (name == "atan2" || name == "hypot") {
    if (!left.is_real()) left = converted(left, Type::f64);
    if (!right.is_real()) right = converted(right, Type::f64);
  }
  const bool is_whole_type = !left.is_real() || !right.is_real();
  const bool fits = (left.is_scalar() || right.is_scalar() ||
                     (left.rows == right.rows && left.columns == right.columns)) &&
                    (left.is_real() || right.is_real() || left.type == right.type);
  const bool is_single = left.type == Type::f32 || right.type == Type::f32;
  const bool is_remainder = name == "mod" || name == "rem";
  const bool takes_wholes =
      name == "max" || name == "min" || name == "mod" || name == "rem" || name == "idivide";
  const Type type = left.is_real() ? right.type : left.type;
  const bool is_wide = type == Type::i64 || type == Type::u64;
  if (!fits || (is_whole_type && (!takes_wholes || is_wide)) ||
      (name == "idivide" && !is_whole_type))
    return not_yet(std::string(name) + " of these is", node);
  if (is_single && (is_whole_type || !is_remainder))
    return not_yet(std::string(name) + " of these is", node);
  if (is_whole_type) {
    left = converted(left, type);
    right = converted(right, type);
  }
  Array made;
  made.rows = left.is_scalar() ? right.rows : left.rows;
  made.columns = left.is_scalar() ? right.columns : left.columns;
  for (std::size_t i = 0; i < count_of(made); ++i) {
    const double x = real_at(left, left.is_scalar() ? 0 : i);
    const double y = real_at(right, right.is_scalar() ? 0 : i);
    const bool has_nan = std::isnan(x) || std::isnan(y);
    double result = 0;
    if (name == "max" || name == "min") {
      result = std::isnan(x)   ? y
               : std::isnan(y) ? x
               : name == "max" ? std::max(x, y)
                               : std::min(x, y);
    } else if (name == "atan2") {
      result = std::atan2(x, y);
    } else if (name == "hypot") {
      result = std::hypot(x, y);
    } else if (has_nan) {
      return not_yet(std::string(name) + " of NaN is", node);
    } else if (name == "xor") {
      result = (x != 0) != (y != 0) ? 1 : 0;
    } else if (name == "idivide") {
      if (y == 0) return not_yet("idivide by zero is", node);
      // Observed on Octave 7.3.0: below zero the quotient is not cut off, but the next larger one.
      const double quotient = x / y;
      result =
          x < 0 ? std::copysign(std::ceil(std::fabs(quotient)), quotient) : std::trunc(quotient);
    } else {
      if (std::isinf(x) || std::isinf(y) || (is_whole_type && y == 0))
        return not_yet(std::string(name) + " of these is", node);
      result = is_single ? static_cast<double>(remainder_of(name == "mod", static_cast<float>(x),
                                                            static_cast<float>(y)))
                         : remainder_of(name == "mod", x, y);
    }
    made.reals.push_back(result);
  }
  out = value_of(is_single       ? converted(made, Type::f32)
                 : is_whole_type ? converted(made, type)
                 : name == "xor" ? converted(made, Type::truth)
                                 : made);
  return true;
}

// isnan, isempty and their like.
bool Expressions::test(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out) {
  if (name == "isequal" && arguments.size() == 2) {
    Array left;
    Array right;
    if (!take_any(node, arguments[0], left) || !take_any(node, arguments[1], right)) return false;
    bool same = left.rows == right.rows && left.columns == right.columns;
    const bool is_text = left.type == Type::text || right.type == Type::text;
    if (is_text && left.type != right.type) return not_yet("isequal of these is", node);
    if (same && is_text) {
      same = left.text == right.text;
    } else if (same) {
      for (std::size_t i = 0; i < count_of(left); ++i) {
        const double a = left.is_complex() ? left.imaginaries[i] : 0;
        const double b = right.is_complex() ? right.imaginaries[i] : 0;
        same = same && real_at(left, i) == real_at(right, i) && a == b;
      }
    }
    out = Value::truth(same);
    return true;
  }
  Array array;
  if (arguments.size() != 1 || !take_any(node, arguments[0], array))
    return not_yet(std::string(name) + " with these arguments is", node);
  if (name == "isnan" || name == "isinf" || name == "isfinite") {
    if (array.is_complex()) return not_yet(std::string(name) + " of complex numbers is", node);
    std::vector<bool> made;
    for (std::size_t i = 0; i < count_of(array); ++i) {
      const double x = array.is_real() ? array.reals[i] : 0;
      made.push_back(name == "isnan"   ? std::isnan(x)
                     : name == "isinf" ? std::isinf(x)
                                       : std::isfinite(x));
    }
    out = value_of(truths(array.rows, array.columns, made));
    return true;
  }
  const bool is_text = array.type == Type::text;
  if (name == "class") {
    std::string_view found = "char";
    for (const display::ClassFact& fact : display::classes) {
      if (fact.type == array.type) found = fact.name;
    }
    out = Value::text(std::string(found));
    return true;
  }
  if (name == "isspace" || name == "isalpha" || name == "isdigit" || name == "isupper" ||
      name == "islower") {
    if (!is_text) return not_yet(std::string(name) + " of this is", node);
    std::vector<bool> made;
    for (const char c : array.text) {
      const bool upper = 'A' <= c && c <= 'Z';
      const bool lower = 'a' <= c && c <= 'z';
      made.push_back(name == "isspace"
                         ? std::string_view(" \t\n\v\f\r").find(c) != std::string_view::npos
                     : name == "isdigit" ? is_digit(c)
                     : name == "isupper" ? upper
                     : name == "islower" ? lower
                                         : upper || lower);
    }
    if (!is_ascii(array.text) || made.empty())
      return not_yet(std::string(name) + " of this is", node);
    out = value_of(truths(array.rows, array.columns, made));
    return true;
  }
  const bool is_truth = array.type == Type::truth;
  const bool is_row = array.rows == 1;
  const bool is_column = array.columns == 1;
  bool result = false;
  if (name == "isempty") result = array.is_empty();
  if (name == "isnumeric") result = !is_text && !is_truth;
  if (name == "isreal") result = !array.is_complex();
  if (name == "iscomplex") result = array.is_complex();
  if (name == "ischar") result = is_text;
  if (name == "islogical") result = is_truth;
  if (name == "isfloat") result = array.is_real();
  if (name == "isinteger") result = !is_text && !is_truth && !array.is_real();
  if (name == "isscalar") result = is_row && is_column;
  if (name == "isvector") result = (is_row || is_column) && !array.is_empty();
  if (name == "isrow") result = is_row;
  if (name == "iscolumn") result = is_column;
  if (name == "ismatrix") result = true;
  if (name == "issquare") result = array.rows == array.columns;
  if (name == "isvector") result = result && count_of(array) >= 1;
  out = Value::truth(result);
  return true;
}

// The classes of numbers, as functions; the ends of the integer ones.
bool Expressions::convert(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  if (name == "intmax" || name == "intmin") {
    std::string of = "int32";
    if (arguments.size() == 1 && !take_text(node, arguments[0], of)) return false;
    const display::ClassFact* fact = display::find_fact(display::classes, of);
    if (arguments.size() > 1 || fact == nullptr || is_real(fact->type) || fact->type == Type::truth)
      return not_yet(std::string(name) + " of this class is", node);
    const int128 beyond = int128{1} << 100;
    out = Value::whole(fact->type, within(name == "intmax" ? beyond : -beyond, fact->type));
    return true;
  }
  Array array;
  if (arguments.size() != 1 || !take(node, arguments[0], array))
    return not_yet(std::string(name) + " with these arguments is", node);
  const display::ClassFact* to = display::find_fact(display::classes, name);
  if (array.type == Type::text && !take_double(node, arguments[0], array)) return false;
  const bool has_nan =
      std::any_of(array.reals.begin(), array.reals.end(), [](double x) { return std::isnan(x); });
  if (to->type == Type::truth && has_nan)
    return raise("logical: NaN can't be converted to logical value", node);
  out = value_of(converted(array, to->type));
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  using Function = bool (Expressions::*)(const Node&, std::string_view, const Arguments&, Value&);
  struct Group {
    std::string_view names;
    Function function;
  };
  static constexpr Group groups[] = {
      {"atan2 hypot mod rem idivide power times plus minus rdivide xor and or",
       &Expressions::map_two},
      {"isspace isalpha isdigit isupper islower class isnan isinf isfinite isempty isnumeric "
       "isreal iscomplex ischar islogical isfloat isinteger "
       "isscalar isvector isrow iscolumn ismatrix issquare isequal",
       &Expressions::test},
      {"sum prod mean median max min any all cumsum cumprod sort std var mode range sumsq",
       &Expressions::reduce},
      {"diff norm dot cross polyval unique nnz", &Expressions::of_vectors},
      {"zeros ones eye linspace magic", &Expressions::make},
      {"numel length rows columns size ndims", &Expressions::measure},
      {"reshape repmat fliplr flipud diag trace kron triu tril", &Expressions::reshape},
      {"gcd lcm factorial nchoosek primes isprime factor bitand bitor bitxor bitshift",
       &Expressions::of_wholes},
      {"intmax intmin", &Expressions::convert},
      {"printf fprintf puts disp sprintf num2str mat2str upper toupper lower tolower",
       &Expressions::show},
      {"strcat strrep strtrim strcmp strcmpi strncmp strfind blanks char dec2bin dec2hex bin2dec "
       "hex2dec str2double str2num int2str",
       &Expressions::of_texts},
      {"datestr datenum datevec weekday eomday is_leap_year strftime asctime ctime gmtime "
       "localtime "
       "now clock time date",
       &Expressions::of_dates},
  };
  if (has_word("abs floor ceil fix round sign sqrt cbrt exp expm1 log log2 log10 log1p sin cos tan "
               "asin acos atan sinh cosh tanh real imag conj arg angle",
               path) &&
      arguments.size() == 1)
    return map(node, path, arguments[0], out);
  if (path == "not" && arguments.size() == 1) return deny(node, arguments[0], out);
  if (path == "find") return find_places(node, arguments, out);
  if (display::find_fact(display::classes, path) != nullptr)
    return convert(node, path, arguments, out);
  for (const Group& group : groups) {
    if (has_word(group.names, path)) return (this->*group.function)(node, path, arguments, out);
  }
  return Evaluator::call(node, path, arguments, out);
}

}  // namespace inky::inline v1::octave
