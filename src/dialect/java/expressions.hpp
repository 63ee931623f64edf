// Expressions of Java, as far as they compute values: the Java Language Specification, 15, with the
// functions and methods of java.lang that have no effect but a result.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "../computed/code_reader.hpp"
#include "../computed/typed.hpp"
#include "dialect/expression_form.hpp"

namespace inky::inline v1::java_language {

extern const computed::Grammar grammar;
extern const computed::CodeFacts code_facts;
// How whole calls of Java are read.
extern const ExpressionForm expression_form;

// line.append(...): a statement that changes the text of a StringBuilder.
std::optional<Declaration> read_change(std::string_view statement);
bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble);

class Expressions final : public computed::Typed {
 public:
  explicit Expressions(const computed::Scope& scope);
  // Methods that change what they are called on give the changed value.
  void let_change() { may_change_ = true; }
  Value as_argument(Value value) const override { return as_shown(value); }

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool cast(const computed::Node& node, const Value& of, Value& out) override;
  bool combine_others(const computed::Node& node, computed::Operation operation, const Value& left,
                      const Value& right, Value& out) override;
  bool settle_sides(const computed::Node& node, Side taken, Side other) override;

 private:
  using Node = computed::Node;
  using Arguments = computed::Arguments;

  bool raise(std::string_view exception, std::string why, const Node& node, Value stand_in,
             Value& out) {
    return put_off(computed::Trouble::When::run, std::string(exception), std::move(why), node,
                   std::move(stand_in), out);
  }
  bool call_math(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // ---- java.time: time_calls.cpp ----

  std::optional<bool> make_time(const Node& node, std::string_view path, const Arguments& arguments,
                                Value& out);
  // Of a day or a month.
  std::optional<bool> call_on_name(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out);
  std::optional<bool> call_on_time(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out);
  // `by` is in nanoseconds: of days along the clock, otherwise of what passes.
  bool move_time(const Node& node, const Value& of, int128 by, bool of_days, Value& out);

  // ---- Objects of java.time and java.util: time_functions.cpp ----

  static Value as_shown(const Value& value);
  // ZoneOffset.UTC, Month.MAY by its name
  static std::optional<Value> object_constant(std::string_view path);
  bool read_time_by(const Node& node, std::string_view type, const Arguments& arguments,
                    Value& out);
  std::optional<bool> make_offset(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out);
  std::optional<bool> make_period(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out);
  std::optional<bool> count_units(const Node& node, std::string_view unit,
                                  const Arguments& arguments, Value& out);
  std::optional<bool> make_time_object(const Node& node, std::string_view path,
                                       const Arguments& arguments, Value& out);
  std::optional<bool> adjust(const Node& node, const Value& of, const Value& adjuster, Value& out);
  std::optional<bool> call_on_object(const Node& node, const Value& of, const Arguments& arguments,
                                     Value& out);
  std::optional<bool> call_with_object(const Node& node, const Value& of,
                                       const Arguments& arguments, Value& out);

  // ---- DateTimeFormatter: formatter_calls.cpp ----

  // DateTimeFormatter.ISO_DATE, FormatStyle.SHORT
  std::optional<Value> time_constant(std::string_view path) const;
  // DateTimeFormatter.ofPattern("d MMM", Locale.US)
  std::optional<bool> make_time_format(const Node& node, std::string_view path,
                                       const Arguments& arguments, Value& out);
  // Nothing: what has no offset, by a formatter with a zone.
  std::optional<bool> in_formatter_zone(const Node& node, const Value& of, const Value& formatter,
                                        Value& out);
  bool show_by(const Node& node, const Value& given, const Value& formatter, Value& out);
  std::optional<bool> call_on_formatter(const Node& node, const Value& of,
                                        const Arguments& arguments, Value& out);

  // ---- Zones: zone_calls.cpp ----

  bool give_zoned(const Node& node, const std::optional<Moment>& moment, Value& out);
  std::optional<bool> make_zoned(const Node& node, std::string_view path,
                                 const Arguments& arguments, Value& out);
  std::optional<bool> call_with_zone(const Node& node, const Value& of, const Arguments& arguments,
                                     Value& out);

  // ---- Locales and formats of numbers: number_formats.cpp ----

  std::optional<bool> make_locale(const Node& node, std::string_view path,
                                  const Arguments& arguments, Value& out);
  // The locale that is the last argument, at this place; where it is left out, the program's.
  bool take_locale(const Node& node, const Arguments& arguments, std::size_t at, std::string& out);
  std::optional<bool> make_number_format(const Node& node, std::string_view path,
                                         const Arguments& arguments, Value& out);
  std::optional<bool> call_on_number_format(const Node& node, const Value& of,
                                            const Arguments& arguments, Value& out);

  // ---- BigDecimal and BigInteger: big_calls.cpp ----

  bool give_decimal(const Node& node, Decimal number, Value& out);
  // new BigDecimal("1.10"), BigInteger.valueOf(7); nothing: another function.
  std::optional<bool> call_big_function(const Node& node, std::string_view path,
                                        const Arguments& arguments, Value& out);
  // BigDecimal.ONE, RoundingMode.HALF_UP by its name.
  static std::optional<Value> big_constant(std::string_view path);
  // RoundingMode.HALF_UP; nothing: none, or one that never rounds.
  static std::optional<Rounding> rounding_mode(const Value& mode);
  // Without a mode, what would be rounded is an exception.
  bool round_to_scale(const Node& node, const Rational& exact, std::int64_t scale,
                      const Value* mode, Value& out);
  // Rounded as a MathContext says.
  bool give_in_context(const Node& node, const Decimal& number, const Value& context, Value& out);
  std::optional<bool> combine_in_context(const Node& node, std::string_view name, const Decimal& a,
                                         const Arguments& arguments, Value& out);
  bool divide_decimals(const Node& node, const Decimal& a, const Decimal& b,
                       const Arguments& arguments, Value& out);
  bool call_on_decimal(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool call_on_big(const Node& node, const Value& of, const Arguments& arguments, Value& out);

  bool call_integer(const Node& node, std::string_view class_of, std::string_view name,
                    const Arguments& arguments, Value& out);
  bool shown(const Node& node, const Value& value, Value& out);
  // Of a text; by the number of arguments.
  bool ask_text(const Node& node, std::string_view name, const Value& of, Value& out);
  bool search_text(const Node& node, std::string_view name, const Value& of, const Value& other,
                   Value& out);
  bool part_of_text(const Node& node, std::string_view name, const Value& of,
                    const Arguments& arguments, Value& out);
  bool take_int(const Node& node, const Value& value, std::int64_t& out);
  std::optional<bool> change_text(const Node& node, const Value& of, const Arguments& arguments,
                                  Value& out);
  bool split_text(const Node& node, const Value& of, const Value& by, Value& out);
  static bool is_query(const Node& node);
  bool ask_list(const Node& node, const Value& of, Value& out);
  std::optional<bool> call_list_function(const Node& node, std::string_view path,
                                         const Arguments& arguments, Value& out);
  std::optional<bool> call_object_function(const Node& node, std::string_view path,
                                           const Arguments& arguments, Value& out);
  bool call_on_list(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  std::optional<bool> call_on_some(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out);
  bool join_texts(const Node& node, const Value& between, std::span<const Value> items, Value& out);

  bool may_change_ = false;
};

}  // namespace inky::inline v1::java_language
