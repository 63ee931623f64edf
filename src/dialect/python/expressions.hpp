// Expressions of Python, as far as they compute values: the Python Language Reference, 6, with the
// functions and methods of the Library Reference that have no effect but a result.
#pragma once

#include <memory>
#include <span>
#include <string>
#include <string_view>

#include "../computed/arithmetic.hpp"
#include "../computed/evaluator.hpp"
#include "../computed/objects.hpp"
#include "../computed/reader.hpp"
#include "dialect/expression_form.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

extern const computed::Grammar grammar;

bool is_name_start(char c);

class ExpressionReader final : public computed::Reader {
 public:
  // Reads out.source up to `limit`; out.literals is used for a while, and what escapes are not
  // known goes to its notes.
  ExpressionReader(TemplateContent& out, std::size_t at, std::size_t limit)
      : Reader(grammar, std::string_view(out.source).substr(0, limit), at), out_(out) {}

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  bool read_behind_item(computed::Node& node) override;
  bool begins_name(char c) const override { return is_name_start(c); }
  std::string_view syntax_fault() const override { return "SyntaxError"; }

 private:
  bool read_dict(computed::Node& node);
  std::optional<bool> read_filled(computed::Node& node);
  bool read_lambda(computed::Node& node, std::size_t start);
  bool read_number(computed::Node& node);
  bool read_texts(computed::Node& node);
  bool read_text(std::size_t prefix, std::string& text, computed::Node& node);

  TemplateContent& out_;
};

// A tzinfo: minutes east of UTC, and the number of a zone, or 0 for a timezone. What isocalendar()
// gives: year, week, weekday.
inline constexpr std::string_view zone_object = "timezone";
inline constexpr std::string_view week_object = "IsoCalendarDate";

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, false) {}

  Value as_argument(Value value) const override {
    if (!computed::is_object(value, zone_object)) return value;
    Value out = Value::text(zone_text(value));
    out.set_expression();
    return out;
  }
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool gives_sides() const override { return true; }
  bool has_value(std::string_view name) const override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool slice(const computed::Node& node, const Value& of, const Value& from, const Value& to,
             const Value& step, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  bool raise(std::string_view exception, std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, std::string(exception), std::move(why), node);
  }
  bool wrong_operands(const Node& node, Operation operation, const Value& left, const Value& right);

  // ---- What is iterated over: iterables.cpp ----

  // The items of a generator, of range, map, zip, enumerate and reversed; of any other value.
  bool evaluate_items(const Node& node, std::vector<Value>& out);
  bool evaluate_for_each(const Node& node, std::vector<Value>& out);
  bool evaluate_map(const Node& node, std::vector<Value>& out);
  bool evaluate_range(const Node& node, std::vector<Value>& out);
  bool evaluate_zip(const Node& node, std::vector<Value>& out);
  std::optional<bool> evaluate_taking(const Node& node, Value& out);
  bool evaluate_dict(const Node& node, Value& out);
  bool evaluate_filled(const Node& node, Value& out);
  // What was set for decimals goes with the values of a template.
  void add_context(std::vector<Value>& values) const;
  bool evaluate_type(const Node& node, Value& out);
  bool evaluate_is_instance(const Node& node, Value& out);

  // ---- Functions that are given to others: callables.cpp ----

  // A function: its names and what it comes to, or one of the language's own by its path.
  struct Callable {
    std::shared_ptr<const Node> written;
    const Node* body = nullptr;
    std::span<const Node> usual;  // what the last names stand for where nothing is given
    std::span<const std::string> names;
    std::string path;
    Value of;  // what a method of a value is called on
  };
  bool find_callable(const Node& node, Callable& out);
  bool apply_callable(const Callable& function, std::vector<Value> arguments, const Node& node,
                      Value& out);
  // sorted(items, key=...), and min and max.
  bool evaluate_keyed(const Node& node, std::size_t key, Value& out);
  bool evaluate_filter(const Node& node, std::vector<Value>& out);

  // ---- The module locale: locale_calls.cpp ----

  std::optional<bool> call_locale(const Node& node, std::string_view path,
                                  const Arguments& arguments, Value& out);
  bool format_by_locale(const Node& node, const Arguments& arguments, Value& out);
  bool show_currency(const Node& node, const Arguments& arguments, Value& out);
  // One field of %, by the marks of the locale.
  bool localize_field(const Node& node, std::string_view field, const Value& value, bool grouping,
                      bool of_money, std::string& out);
  // Arguments that are true or false, by place or by name.
  bool take_flags(const Node& node, const Arguments& arguments, std::size_t from,
                  std::span<const std::string_view> names, std::span<bool> out);

  // ---- Operators: operators.cpp ----

  bool combine_wholes(const Node& node, Operation operation, const Value& left, const Value& right,
                      Value& out);
  bool combine_floats(const Node& node, Operation operation, double left, double right, Value& out);
  bool power(const Node& node, const Value& left, const Value& right, Value& out);
  bool combine_complex(const Node& node, Operation operation, const Value& left, const Value& right,
                       Value& out);
  bool complex_power(const Node& node, const Value& left, const Value& right, Value& out);
  bool combine_sequences(const Node& node, Operation operation, const Value& left,
                         const Value& right, Value& out);
  bool repeat(const Node& node, const Value& of, const Value& times, Value& out);
  bool format_percent(const Node& node, const Value& form, const Value& values, Value& out);
  bool to_float(const Node& node, const Value& value, double& out);
  bool keep(const Node& node, const Integer& number, Value& out);

  // ---- Decimals: decimal_calls.cpp ----

  bool give_decimal(const Node& node, const Decimal& number, Value& out);
  // One of the two is a Decimal.
  bool combine_decimals(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out);
  bool decimal_power(const Node& node, const Value& left, const Value& right, Value& out);
  // With ints and floats, exactly.
  static std::partial_ordering compare_decimals(const Value& left, const Value& right);
  bool make_decimal(const Node& node, const Arguments& arguments, Value& out);
  bool round_decimal(const Node& node, const Decimal& value, const Value* places, Value& out);
  bool quantize(const Node& node, const Decimal& value, std::int64_t exponent, Rounding rounding,
                Value& out);
  bool call_on_decimal(const Node& node, const Value& of, const Arguments& arguments, Value& out);

  // ---- Fractions: fraction_calls.cpp ----

  bool give_fraction(const Node& node, const Rational& number, Value& out);
  // One of the two is a Fraction.
  bool combine_fractions(const Node& node, Operation operation, const Value& left,
                         const Value& right, Value& out);
  bool fraction_power(const Node& node, const Value& left, const Value& right, Value& out);
  bool make_float(const Node& node, const Value& value, Value& out);
  bool make_fraction(const Node& node, const Arguments& arguments, Value& out);
  bool round_fraction(const Node& node, const Value& value, const Value* places, Value& out);
  bool call_on_fraction(const Node& node, const Value& of, const Arguments& arguments, Value& out);

  // ---- Times: time_calls.cpp ----

  // A moment, or a date, of what clocks of UTC show.
  bool give_moment(const Node& node, Type type, int128 nanoseconds, Value& out);
  // One of the two is a time, a date, or a timedelta.
  bool combine_times(const Node& node, Operation operation, const Value& left, const Value& right,
                     Value& out);
  // Unordered: they are of two kinds.
  static std::partial_ordering compare_times(const Value& left, const Value& right);
  bool make_timedelta(const Node& node, const Arguments& arguments, Value& out);
  std::optional<bool> call_time(const Node& node, std::string_view path, const Arguments& arguments,
                                Value& out);
  bool call_on_time(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  // strftime(), and format() of what takes codes.
  bool format_time(const Node& node, const Value& value, std::string_view codes, Value& out);

  // ---- Zones: zone_calls.cpp ----

  static std::optional<Value> zone_constant(std::string_view path);
  static Value zone_object_of(const TimeZone& zone);
  static TimeZone zone_in(const Value& object);
  // str() of one.
  static std::string zone_text(const Value& zone);
  // A tzinfo; nil is none.
  bool take_zone(const Node& node, const Value& value, TimeZone& out);
  bool make_timezone(const Node& node, const Arguments& arguments, Value& out);
  bool make_zone_info(const Node& node, const Arguments& arguments, Value& out);
  // What these clocks show at an instant; a date and a time of day on them.
  bool give_moment_at(const Node& node, const TimeZone& zone, int128 instant, Value& out);
  bool give_moment_on(const Node& node, const TimeZone& zone, const Moment& local, bool later,
                      Value& out);
  // utcoffset(), tzname(), dst(), of a moment or of a zone.
  std::optional<bool> call_on_zone(const Node& node, std::string_view name, const Value& of,
                                   const Arguments& arguments, Value& out);

  // ---- What makes times: time_functions.cpp ----

  bool read_time_by(const Node& node, const Arguments& arguments, Value& out);
  std::optional<bool> call_time_function(const Node& node, std::string_view path,
                                         const Arguments& arguments, Value& out);
  std::optional<bool> call_calendar(const Node& node, std::string_view name,
                                    const Arguments& arguments, Value& out);
  static std::optional<Value> calendar_names(std::string_view path);
  std::optional<bool> call_on_time_by_name(const Node& node, const Value& of,
                                           const Arguments& arguments, Value& out);
  bool format_iso(const Node& node, const Value& of, std::string_view timespec,
                  std::string_view separator, Value& out);
  static std::optional<bool> part_of_week(std::string_view name, const Value& of, Value& out);

  // ---- Comparisons: comparisons.cpp ----

  static bool equal(const Value& left, const Value& right);
  // False where Python has no order between the two.
  bool less(const Node& node, Operation operation, const Value& left, const Value& right,
            bool& out);
  bool contains(const Node& node, const Value& whole, const Value& part, bool& out);

  // ---- Functions: functions.cpp, number_functions.cpp ----

  // What an import gave another name, or the name of a class alone, by its own name: dt.datetime.
  std::string own_path(const std::string& path) const;
  bool call_known(const Node& node, const std::string& path, const Arguments& arguments,
                  Value& out);
  bool call_math(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool call_on_items(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool call_converting(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);
  bool round(const Node& node, const Arguments& arguments, Value& out);
  bool call_dict(const Node& node, const Arguments& arguments, Value& out);
  bool read_in_base(const Node& node, const Arguments& arguments, Value& out);
  bool to_int(const Node& node, const Value& value, Value& out);
  bool read_float(const Node& node, const Value& value, Value& out);
  bool sum(const Node& node, const Arguments& arguments, Value& out);
  bool extreme(const Node& node, bool largest, const Arguments& arguments, Value& out);
  bool sort(const Node& node, std::vector<Value>& items);
  bool format(const Node& node, const Value& value, std::string_view spec, Value& out);
  // The items of a list, a tuple, a text; the keys of a dict.
  bool items_of(const Node& node, const Value& value, std::vector<Value>& out);
  bool takes(const Node& node, std::string_view name, const Arguments& arguments, std::size_t least,
             std::size_t most);
  // A whole number that a size or a place may be.
  bool take_whole(const Node& node, const Value& value, std::int64_t& out);

  // ---- Methods: text_methods.cpp, members.cpp ----

  bool call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                    Value& out);
  bool change_case(const Node& node, std::string_view text, Value& out);
  bool pad(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool strip(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool search(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool test_characters(const Node& node, std::string_view text, Value& out);
  bool split(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool join(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool replace(const Node& node, std::string_view text, const Arguments& arguments, Value& out);
  bool format_braces(const Node& node, const Value& form, const Arguments& arguments, Value& out);
  bool call_on_number(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool call_on_items_of(const Node& node, const Value& of, const Arguments& arguments, Value& out);

  std::vector<std::pair<std::string_view, Value>> own_;  // what generators call their items
  int calls_ = 0;                                        // of functions, in each other
};

// What an import gives a name for: a module or a class that is known here, or a function of math.
bool is_imported_name(std::string_view path);

// ROUND_HALF_UP and the others of the module decimal.
std::optional<Rounding> decimal_rounding(std::string_view name);

inline bool is_simple_number(const Value& value) {
  return is_int(value) || is_real(value.type());
}
// How whole calls are read.
extern const ExpressionForm expression_form;
// How long the f-string is that a text begins with, and the literals side by side with it; 0 where
// it begins with none.
std::size_t f_string_size(std::string_view text);

// Each character of a text.
std::vector<std::string_view> characters_of(std::string_view text);

// A whole number as Python holds it, in the smallest of our types.
Value whole_value(const Integer& number);
inline Value float_value(double number) {
  return Value::real(number);
}

}  // namespace inky::inline v1::python
