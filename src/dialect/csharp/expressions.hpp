// Expressions of C#, as far as they compute values: the C# specification, 12, with the functions
// and methods of System that have no effect but a result.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/objects.hpp"
#include "../computed/typed.hpp"
#include "dialect/expression_form.hpp"

namespace inky::inline v1::csharp {

extern const computed::Grammar grammar;
// How whole calls and interpolated strings of C# are read.
extern const ExpressionForm expression_form;

// Reads the escape at `at` (a backslash) of a literal: appends what it means to out.literals, and
// returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

// Whether it is a constant of the library: int.MaxValue.
bool is_known_name(const computed::Node& node);

// line.Append(...): a statement that changes the text of a StringBuilder.
std::optional<Declaration> read_change(std::string_view statement);
bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble);

// Reads interpolated strings, too, as parts of an expression.
class ExpressionReader final : public computed::CodeReader {
 public:
  using MakeReader = std::unique_ptr<computed::Reader> (*)(TemplateContent&, std::size_t);
  ExpressionReader(const computed::CodeFacts& facts, TemplateContent& out, std::size_t at,
                   MakeReader make_reader)
      : CodeReader(facts, out, at), make_reader_(make_reader) {}

 protected:
  std::optional<bool> read_own(computed::Node& node) override;

 private:
  MakeReader make_reader_;
};

// A culture in an expression: its name.
inline constexpr std::string_view culture_object = "CultureInfo";
// A day of the week: its name.
inline constexpr std::string_view weekday_object = "DayOfWeek";
inline constexpr std::string_view zone_object = "TimeZoneInfo";  // a Zone
inline constexpr std::string_view kind_object = "DateTimeKind";  // its name

class Expressions : public computed::Typed {
 public:
  explicit Expressions(const computed::Scope& scope);
  // Methods that change what they are called on give the changed value.
  void let_change() { may_change_ = true; }
  // Where it is shown a day of the week is its name.
  Value as_argument(Value value) const override;

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool deny(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool combine_others(const computed::Node& node, computed::Operation operation, const Value& left,
                      const Value& right, Value& out) override;
  bool keep(const computed::Node& node, Type type, const Integer& number, Value& out) override;
  bool settle_sides(const computed::Node& node, Side taken, Side other) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool cast(const computed::Node& node, const Value& of, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  // A number of the compiler's errors, and why.
  bool refuse_as(std::string_view code, std::string why, const Node& node) {
    return fail(computed::Trouble::When::compile, std::string(code), std::move(why), node);
  }
  bool raise(std::string_view exception, std::string why, const Node& node, Value stand_in,
             Value& out) {
    return put_off(computed::Trouble::When::run, std::string(exception), std::move(why), node,
                   std::move(stand_in), out);
  }
  bool call_math(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // ---- Times: time_calls.cpp ----

  // Of the type of another value, from its nanoseconds.
  bool give_time(const Node& node, const Value& like, int128 local, Value& out);
  bool give_span(const Node& node, int128 nanoseconds, Value& out);
  std::optional<bool> make_time(const Node& node, std::string_view path, const Arguments& arguments,
                                Value& out);
  bool combine_times(const Node& node, Operation operation, const Value& left, const Value& right,
                     Value& out);
  std::optional<bool> call_on_time(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out);
  std::optional<bool> member_of_time(const Node& node, const Value& of, Value& out);

  // ---- Zones and kinds: zone_calls.cpp ----

  // TimeZoneInfo.Utc, DateTimeKind.Utc
  static std::optional<Value> zone_constant(std::string_view path);
  static Value of_kind(const Moment& local, bool is_utc);
  bool take_zone(const Node& node, const Value& value, Zone& out);
  bool find_zone(const Node& node, const Value& id, Value& out);
  bool convert_time(const Node& node, const Value& time, Zone from, Zone to, Value& out);
  std::optional<bool> call_zone_function(const Node& node, std::string_view path,
                                         const Arguments& arguments, Value& out);
  std::optional<bool> call_on_zone(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out);
  std::optional<bool> member_of_zone(const Node& node, const Value& of, Value& out);

  // ---- Functions of times, enumerations, and what a culture calls them: time_functions.cpp ----

  static bool is_weekday(const Value& value) { return computed::is_object(value, weekday_object); }
  // Of DayOfWeek and DateTimeKind: a name that stands for a number.
  static bool is_enumeration(const Value& value) {
    return is_weekday(value) || computed::is_object(value, kind_object);
  }
  static Value enumeration_number(const Value& value);
  // DayOfWeek.Friday
  static std::optional<Value> weekday_named(std::string_view path);
  bool combine_enumerations(const Node& node, Operation operation, const Value& left,
                            const Value& right, Value& out);
  std::optional<bool> call_time_function(const Node& node, std::string_view path,
                                         const Arguments& arguments, Value& out);
  bool read_time_exactly(const Node& node, std::string_view type, const Arguments& arguments,
                         Value& out);
  std::optional<bool> call_on_culture(const Node& node, const Value& of, const Arguments& arguments,
                                      Value& out);
  std::optional<bool> member_of_culture(const Node& node, const Value& of, Value& out);
  // An interpolated string; a culture: its own in place of the program's.
  bool evaluate_filled(const Node& node, std::optional<std::string_view> culture, Value& out);
  std::optional<bool> evaluate_filled_by(const Node& node, Value& out);

  // ---- Decimals: decimal_calls.cpp ----

  // Nothing: an OverflowException.
  bool give_decimal(const Node& node, const std::optional<Decimal>& number, Value& out);
  // One of the two is a decimal, and none is a text.
  bool combine_decimals(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out);
  static bool negate_decimal(const Value& operand, Value& out);
  bool cast_to_decimal(const Node& node, const Value& of, Value& out);
  bool cast_decimal(const Node& node, Type type, const Value& of, Value& out);
  bool call_decimal_math(const Node& node, std::string_view name, const Arguments& arguments,
                         Value& out);
  bool read_decimal_text(const Node& node, std::string_view name, const Arguments& arguments,
                         Value& out);

  bool round(const Node& node, const Arguments& arguments, Value& out);
  bool call_text_function(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out);
  bool convert_by_name(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);
  bool show(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  // CultureInfo.InvariantCulture; nothing: no culture.
  std::optional<Value> culture_named(std::string_view path) const;
  // new CultureInfo("de-DE"); nothing: another function.
  std::optional<bool> make_culture(const Node& node, std::string_view path,
                                   const Arguments& arguments, Value& out);
  // Whether an argument is the culture that reads texts as they are read here, or none.
  static bool is_invariant(const Value& argument) {
    return argument.is(Type::nil) || (computed::is_object(argument, culture_object) &&
                                      computed::object_part(argument, 0).as_text() == "invariant");
  }
  bool ask_text(const Node& node, std::string_view name, std::string_view text, Value& out);
  bool search_text(const Node& node, std::string_view name, std::string_view text,
                   const Value& other, Value& out);
  bool part_of_text(const Node& node, std::string_view text, const Arguments& arguments,
                    Value& out);
  bool pad_text(const Node& node, std::string_view name, std::string_view text,
                const Arguments& arguments, Value& out);
  bool take_int(const Node& node, const Value& value, std::int64_t& out);
  bool ask_list(const Node& node, const Value& of, Value& out);
  bool contains(const Node& node, const Value& of, Value& out);
  bool average(const Node& node, std::span<const Value> items, Value& out);
  std::optional<bool> call_object_function(const Node& node, std::string_view path,
                                           const Arguments& arguments, Value& out);
  bool make_moment(const Node& node, std::string_view path, const Arguments& arguments, Value& out);
  std::optional<bool> member_of_parts(const Node& node, const Value& of, Value& out);
  bool split_text(const Node& node, std::string_view text, const Value& by, Value& out);
  std::optional<bool> change_text(const Node& node, std::string_view text,
                                  const Arguments& arguments, Value& out);

  bool may_change_ = false;
};

}  // namespace inky::inline v1::csharp
