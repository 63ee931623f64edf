// Expressions of F#, as far as they compute values: the F# specification 4.1, 6, with the functions
// of FSharp.Core and the members of .NET that have no effect but a result.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/typed.hpp"
#include "dialect/expression_form.hpp"

namespace inky::inline v1::fsharp {

extern const computed::Grammar grammar;
// How whole calls and interpolated strings of F# are read.
extern const ExpressionForm expression_form;

// Reads the escape at `at` (a backslash) of a literal: appends what it means to out.literals, and
// returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  bool begins_argument() const override;
  void skip_blanks() override;

 private:
  bool read_condition_form(computed::Node& node, std::size_t start);
  bool read_items(computed::Node& node);
  bool read_raw_text(computed::Node& node);
  bool read_keyword(std::string_view word);

  int conditions_ = 0;  // behind elif
};

// Reads the interpolated string at `at` as a template of sprintf and its arguments. Where it ends;
// nothing, and content.refusal, where it cannot be read.
std::optional<std::size_t> read_interpolated(StatementParts& parts, std::size_t at,
                                             TemplateContent& content);

class Expressions final : public computed::Typed {
 public:
  explicit Expressions(const computed::Scope& scope);

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool settle_sides(const computed::Node& node, Side taken, Side other) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool call_value(const computed::Node& node, const Value& of, const computed::Arguments& arguments,
                  Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  // The error that the compiler gives to what does not fit in type.
  bool mismatch(std::string why, const Node& node) { return refuse(std::move(why), node); }
  bool raise(std::string_view exception, std::string why, const Node& node, Value stand_in,
             Value& out) {
    return put_off(computed::Trouble::When::run, std::string(exception), std::move(why), node,
                   std::move(stand_in), out);
  }
  static bool is_of_dotnet(std::string_view path);
  bool take_over(const std::optional<computed::Trouble>& trouble, const Node& node);
  bool evaluate_list(const Node& node, Value& out);
  bool evaluate_part_of_text(const Node& node, Value& out);
  bool shift(const Node& node, Operation operation, const Value& left, const Value& right,
             Value& out);
  bool power(const Node& node, const Value& left, const Value& right, Value& out);
  // ---- Decimals: decimal_calls.cpp ----

  bool give_decimal(const Node& node, const std::optional<Decimal>& number, Value& out);
  bool combine_decimals(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out);
  bool convert_decimal(const Node& node, Type type, const Value& of, Value& out);
  bool round_decimal(const Node& node, std::string_view name, const Value& of, Value& out);
  bool to_decimal(const Node& node, const Value& of, Value& out);
  static bool size_of_decimal(std::string_view name, const Value& of, Value& out);

  bool convert_by_name(const Node& node, std::string_view name, const Value& of, Value& out);
  bool call_on_real(const Node& node, std::string_view name, const Value& of, Value& out);
  bool call_on_two(const Node& node, std::string_view name, const Value& a, const Value& b,
                   Value& out);
  bool call_on_list(const Node& node, std::string_view name, const Value& of, Value& out);
  bool call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
};

}  // namespace inky::inline v1::fsharp
