// Expressions of PHP, as far as they compute values: the PHP manual, Operators, with the functions
// of its library that have no effect but a result.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "dates.hpp"
#include "dialect/expression_form.hpp"
#include "number/rational.hpp"

namespace inky::inline v1::php {

extern const computed::Grammar grammar;
extern const computed::CodeFacts code_facts;
// How whole calls of PHP are read.
extern const ExpressionForm expression_form;

// Reads the escape at `at` (a backslash) of a text in double quotes: appends what it means to
// out.literals, and returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at) : CodeReader(code_facts, out, at) {}

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  // "key" => value
  bool read_behind_item(computed::Node& node) override;

 private:
  // In double quotes: with the values of its variables.
  bool read_filled(computed::Node& node);
  bool read_braced(computed::Node& node);
  bool read_variable(computed::Node& node);
  bool read_plain(computed::Node& node);
  // fn($x) => $x * 2
  bool read_function(computed::Node& node, std::size_t start);
  // match ($n) { 1, 2 => "few", default => "many" }
  bool read_match(computed::Node& node, std::size_t start);
};

// In letters of ASCII.
std::string small_letters(std::string_view text);

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, false) {}
  // What an array is behind sort($items), array_push($items, 4) and their like.
  bool change_array(const computed::Node& node, Value& out);
  // The same behind $d->modify("+1 day").
  bool change_date(const computed::Node& node, Value& out);

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool cast(const computed::Node& node, const Value& of, Value& out) override;
  bool finish(const computed::Node& node, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  bool raise(std::string_view exception, std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, std::string(exception), std::move(why), node);
  }
  // An int or a float as they count in arithmetic; a text is not supported yet.
  bool take_number(const Node& node, const Value& value, Value& out);
  bool take_int(const Node& node, const Value& value, std::int64_t& out);
  bool take_text(const Node& node, const Value& value, std::string& out);
  bool combine_wholes(const Node& node, Operation operation, const Integer& left,
                      const Integer& right, Value& out);
  bool power(const Node& node, const Value& left, const Value& right, Value& out);
  bool compare(const Node& node, Operation operation, const Value& left, const Value& right,
               Value& out);
  bool call_on_numbers(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);
  bool call_on_text(const Node& node, std::string_view name, const Arguments& arguments,
                    Value& out);
  bool call_given(const Node& function, std::vector<Value> arguments, Value& out);
  bool call_kept(const Value& function, const Node& node, std::span<const Value> arguments,
                 Value& out);
  std::optional<bool> evaluate_special(const Node& node, Value& out);
  // What is not there is nil.
  bool value_or_nil(const Node& node, Value& out);
  std::optional<bool> call_on_array(const Node& node, const std::string& name,
                                    const Arguments& arguments, Value& out);
  static bool keeps_names(std::string_view name);
  std::optional<bool> show_value(const Node& node, const std::string& name,
                                 const Arguments& arguments, Value& out);
  // new DateTime("2031-05-09"), strtotime(...), mktime(...)
  std::optional<bool> make_moment(const Node& node, const std::string& name,
                                  const Arguments& arguments, Value& out);
  TimeZone usual_zone() const;
  bool make_zone(const Node& node, const Arguments& arguments, Value& out);
  // Years, months and days go along the clock; hours, minutes and seconds are what passes.
  bool add_in_zone(const Node& node, const Value& of, Interval by, bool subtracts, Value& out);
  // `local` is settled in its zone.
  bool give_moment(const Node& node, const Value& like, const Moment& local, Value& out);
  bool read_moment_by(const Node& node, bool changes, const Arguments& arguments, Value& out);
  bool apart(const Node& node, const Value& from, const Value& to, Value& out);
  static std::optional<bool> part_of_interval(std::string_view name, const Value& of, Value& out);
  std::optional<bool> move_date(const Node& node, const std::string& name, const Value& of,
                                const Arguments& arguments, Value& out);
  std::optional<bool> format_date(const Node& node, const std::string& name,
                                  const Arguments& arguments, Value& out);
  bool ask_type(const Node& node, const std::string& name, const Arguments& arguments, Value& out);
  bool pad(const Node& node, const Arguments& arguments, Value& out);
  bool format_number(const Node& node, const Arguments& arguments, Value& out);

  bool may_change_ = false;      // a DateTime that has a name
  bool gaps_are_known_ = false;  // what an array is given to pays no heed to its keys
  int calls_ = 0;                // of functions that names stand for, in each other
};

// What round() makes of a float: PHP 8.2 rounds it to 15 significant digits first.
double rounded_float(double value, int places);

}  // namespace inky::inline v1::php
