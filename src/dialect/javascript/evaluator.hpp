// The walk that evaluates an expression.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "evaluation.hpp"
#include "format/layout.hpp"
#include "inky_margin/text/columns.hpp"
#include "locales.hpp"
#include "text/regular_expression.hpp"
#include "zones.hpp"

namespace inky::inline v1::javascript {

// What of a date toLocaleString and its like show where nothing else is asked.
enum class DateParts : unsigned char { all, date, time, formatted };

// Which widths of the parts of a date are asked for, from 1: 0 is none.
struct DateWidths {
  std::array<int, 4> date{};
  std::array<int, 3> time{};
  int date_style = 0;
  int time_style = 0;
  int twelve = 0;
  int zone_name = 0;  // a ZoneName
  bool has_date() const { return date != std::array<int, 4>{}; }
  bool has_time() const { return time != std::array<int, 3>{}; }
};

class Evaluator {
 public:
  Evaluator(const Scope& scope, const Settings& settings, Notes* notes, Failure& failure)
      : scope_(scope),
        locale_(settings.locale),
        unit_(settings.unit),
        notes_(notes),
        failure_(failure) {}

  bool evaluate(const Node& node, Datum& out);
  // What a name stands for behind a statement that changes it: changes.cpp.
  bool change(const Node& node, Datum& root);

 private:
  // The part of the value that a path is; it is made where it is not there and `makes`.
  Datum* part_of(const Node& path, Datum& root, bool makes);
  bool remove(const Node& path, Datum& root);
  // A part of a chain of members, items and calls: where a ?. ended it, what follows is undefined.
  bool evaluate_link(const Node& node, Datum& out);
  bool evaluate_node(const Node& node, Datum& out);
  bool evaluate_inside(const Node& node, Datum& out);
  bool evaluate_word(const Node& node, Datum& out);
  bool evaluate_object(const Node& node, Datum& out);
  // Items of an array or arguments, with those that are spread.
  bool evaluate_all(const Node& node, std::size_t from, std::vector<Datum>& out);
  bool fail(std::string_view name, std::string why, const Node& node);
  bool not_yet(std::string what, const Node& node);

  // Roughly the room a value takes.
  static std::size_t weight_of(const Datum& datum);

  // What was made and taken so far, all together, stays within the limit of an output.
  bool within_budget(const Datum& made, const Node& node);

  bool evaluate_name(const Node& node, Datum& out);
  bool evaluate_kept(const Value& value, const Node& node, Datum& out);
  // Whether a name is one of a function around this, or has a value.
  bool has_value(std::string_view name) const;

  bool evaluate_template(const Node& node, Datum& out);

  // ToNumber.
  bool to_number(const Datum& datum, const Node& node, double& out);

  bool evaluate_unary(const Node& node, Datum& out);

  bool evaluate_binary(const Node& node, Datum& out);

  // ToBoolean.
  static bool holds(const Datum& datum);

  // Of two numbers: ECMA-262, 6.1.6.1.
  static double combine(computed::Operation operation, double a, double b);

  bool compare(const Node& node, const Datum& left, const Datum& right, Datum& out);

  static bool is_made(const Node& node, std::size_t part);
  // ===, and == with `loosely`.
  bool equal(const Node& node, const Datum& left, const Datum& right, bool loosely, bool& out);

  bool call_extreme(const Node& node, bool largest, const std::vector<Datum>& arguments,
                    Datum& out);

  // Null and undefined have no members.
  bool check_members(const Datum& of, std::string_view name, const Node& node);

  bool find_property(const Datum& of, std::string_view name, const Node& node, Datum& out);

  static bool is_method(std::string_view name);

  bool evaluate_member(const Node& node, Datum& out);

  bool evaluate_item(const Node& node, Datum& out);

  // A UTF-16 unit of a text.
  bool evaluate_unit(const Node& node, const Datum& of, std::size_t index, Datum& out);

  bool evaluate_call(const Node& node, Datum& out);

  bool call_function(const Node& node, const std::vector<Datum>& arguments, Datum& out);

  bool append_inspected(const Datum& datum, const Node& node, std::string& out);
  bool append_directive(char letter, const Datum& datum, const Node& node, std::string& out);
  // util.format, by which console.log shows its values.
  bool call_format(const Node& node, const std::vector<Datum>& arguments, Datum& out);

  bool call_math(const Node& node, const std::vector<Datum>& arguments, Datum& out);

  bool call_hypot(const Node& node, const std::vector<Datum>& arguments, Datum& out);

  static std::string digits_of(const SignedNatural& whole, int radix);

  // An argument as a whole number; infinities stay.
  bool take_integer(const std::vector<Datum>& arguments, std::size_t which, const Node& node,
                    double usual, double& out);

  bool call_method(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out);

  // Of each item its own toLocaleString.
  bool append_items(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                    std::string& out);

  // A method that the value has not, or that we do not know.
  bool missing(const Node& node, bool known);
  static bool is_common(std::string_view name);

  // toFixed, toPrecision and toExponential.
  bool call_digits(const Node& node, double number, const std::vector<Datum>& arguments,
                   Datum& out);

  static Spec digits_spec(std::string_view name, int count, bool given);

  // All digits asked for are shown, also zeros.
  static void put_precision(Spec spec, const BinaryReal& real, const NumberStyle& style,
                            Output& out);

  static void put_shortest(Spec spec, const BinaryReal& real, const NumberStyle& style,
                           Output& out);

  // Whether the number stood in the expression or was given by its bits: nothing was typed then
  // that what is stored could differ from.
  bool given_in_bits(const Node& call) const;

  bool call_radix(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                  Datum& out);

  bool call_join(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                 Datum& out);

  // What is made would take more than a limit says: "more than 10,000 matches".
  bool over_limit(std::string what, const Node& node) {
    what += what.ends_with('s') ? " are" : " is";
    fail("", what + " over the limit", node);
    failure_.is_over_limit = true;
    return false;
  }

  // ---- Texts: text_methods.cpp; arrays: array_methods.cpp; objects: globals.cpp ----

  bool call_units(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                  Datum& out);
  bool find_text(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                 Datum& out);
  bool replace(const Node& node, const Datum& of, const std::vector<Datum>& arguments, Datum& out);
  bool split(const Node& node, const Datum& of, const std::vector<Datum>& arguments, Datum& out);
  bool cut_parts(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool text_of_units(const Node& node, std::u16string_view units, Datum& out);
  // Where an index, which may count from the end, is among the places of a text or an array.
  bool take_place(const std::vector<Datum>& arguments, std::size_t which, const Node& node,
                  double usual, std::size_t size, std::size_t& out);
  // The methods that call a function for each item, which is the first argument: nothing where it
  // is none of them.
  std::optional<bool> call_for_each(const Node& node, const Datum& of,
                                    const std::vector<Datum>& arguments, Datum& out);
  bool sort_by(const Node& node, const Datum& of, const Datum& function, Datum& out);
  bool reduce(const Node& node, const Datum& of, const std::vector<Datum>& arguments, Datum& out);
  bool find_item(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                 Datum& out);
  bool sort_by_text(const Node& node, Datum& of, Datum& out);
  bool flatten(const Node& node, const Datum& of, double depth, std::vector<Datum>& out);
  bool change_items(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out);

  // ---- Functions as values: functions.cpp ----

  void make_function(const Node& node, Datum& out);
  static Datum function_named(std::string path);
  bool call_value(const Datum& function, std::vector<Datum> arguments, const Node& node,
                  Datum& out);
  bool call_path(const std::string& path, const std::vector<Datum>& arguments, const Node& node,
                 Datum& out);
  // Gives names what they stand for, until the function ends.
  bool bind(const Node& target, Datum value);
  // The items of what can be spread.
  bool append_spread(const Datum& of, const Node& node, std::vector<Datum>& out);

  // ---- Objects: collections.cpp, date_methods.cpp, pattern_methods.cpp, json.cpp ----

  bool construct(const Node& node, Datum& out);
  bool construct_collection(const Node& node, DatumKind kind, const std::vector<Datum>& arguments,
                            Datum& out);
  bool make_array(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool call_on_collection(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                          Datum& out);
  bool construct_date(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool take_parts(const Node& node, const std::vector<Datum>& arguments, double& out);
  bool set_date(const Node& node, Datum& of, std::size_t which, const std::vector<Datum>& arguments,
                Datum& out);
  bool call_on_date(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out);
  bool format_date(const Node& node, double time, const std::vector<Datum>& arguments,
                   DateParts parts, Datum& out);
  bool put_zone_name(const Node& node, Zone zone, const ZoneClock& clock, const DateWidths& widths,
                     const Locale& locale, std::string& pattern);
  bool construct_pattern(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool check_pattern(const Node& node, const Datum& pattern);
  using MatchNames = std::vector<std::pair<std::string, std::size_t>>;
  using MatchGroups = std::vector<std::optional<Group>>;
  bool find_matches(const Node& node, const Datum& of, std::string_view text, bool all,
                    std::vector<MatchGroups>& out, MatchNames* names);
  static Datum named_groups(std::string_view text, const MatchGroups& groups,
                            const MatchNames& names);
  static Datum match_of(std::string_view text, const MatchGroups& groups, const MatchNames& names);
  bool call_on_pattern(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                       Datum& out);
  bool match(const Node& node, const Datum& of, const std::vector<Datum>& arguments, Datum& out);
  static std::string substituted(std::string_view with, std::string_view text,
                                 const std::vector<Datum>& groups, std::size_t from, std::size_t to,
                                 const Datum& named);
  bool append_replacement(const Node& node, std::string_view text, const MatchGroups& groups,
                          const MatchNames& names, const Datum& with, std::string& out);
  bool split_by_pattern(const Node& node, const Datum& of, const Datum& pattern, Datum& out);
  bool call_json(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  static bool keep_properties(const std::vector<Datum>& names, Datum& datum);
  bool call_formatter(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                      Datum& out);
  bool call_object(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool call_array(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool call_text(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool call_on_array(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out,
                     bool& is_known);
  // "Number", "JSON" and their like as the start of a path; nothing where the path is no such.
  std::optional<bool> find_constant(const Node& node, Datum& out);
  std::optional<bool> call_of(const Node& node, const std::vector<Datum>& arguments, Datum& out);
  bool call_number(const Node& node, std::string_view name, const std::vector<Datum>& arguments,
                   Datum& out);
  bool append_json(const Node& node, const Datum& datum, const std::string& indent,
                   const std::string& before, std::string& out);
  bool combine_big(const Node& node, const Datum& left, const Datum& right, Datum& out);
  std::string_view global_in(const Node& callee) const;

  bool call_on_text(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out);

  // The longest string of V8 on 64 bits.
  static constexpr double longest_text = 536'870'888;

  bool call_pad(const Node& node, const Datum& of, const std::vector<Datum>& arguments, Datum& out);

  bool note_padding(const Node& node, const Datum& of, std::size_t width);

  bool call_repeat(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                   Datum& out);

  // ---- toLocaleString ----

  bool take_locale(const Node& node, const std::vector<Datum>& arguments,
                   std::optional<Locale>& out);

  bool take_places(const Datum& datum, const Node& node, std::string_view key, double least,
                   double most, int& out);

  bool take_options(const Node& node, const Datum& given, Locale& locale, LocaleOptions& out);

  bool call_locale(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                   Datum& out);

  // Where the shortest digits round differently than what is stored.
  void note_decimal(const Node& node, const Datum& of, const Digits& digits,
                    const LocaleOptions& options);

  const Scope& scope_;
  std::string_view locale_;
  WidthUnit unit_;                                       // what padding counts
  std::vector<std::pair<std::string_view, Datum>> own_;  // what functions call their arguments
  std::size_t made_ = 0;
  int depth_ = 0;  // of nodes in each other, of all functions together
  std::shared_ptr<const void> kept_ = std::make_shared<int>();  // what holds the nodes of these
  bool is_ended_ = false;  // the chain that is evaluated, by ?.
  Notes* notes_;
  Failure& failure_;
};

}  // namespace inky::inline v1::javascript
