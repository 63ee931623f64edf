// Expressions of C and C++, as far as they compute values: ISO C17, 6.5; ISO C++20, [expr].
#pragma once

#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/typed.hpp"
#include "dialect/expression_form.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::c_language {

enum class Edition : std::uint8_t { c, cpp };

extern const computed::Grammar grammar;
// The level of the operators that bind tighter than << does.
inline constexpr int tighter_than_shifts = 12;

class ExpressionReader : public computed::CodeReader {
 public:
  ExpressionReader(Edition edition, TemplateContent& out, std::size_t at,
                   std::size_t limit = std::string::npos);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  std::optional<std::string> read_cast() override;

 private:
  bool read_texts(computed::Node& node);
  bool read_raw(std::string& text, computed::Node& node);
  // static_cast<int>(x)
  bool read_named_cast(computed::Node& node);
  std::string read_type();
  bool read_size(computed::Node& node, std::size_t start);
  // The bytes of the type in parentheses here, and moves behind them; nothing where none is.
  std::optional<std::size_t> size_of_type();
  // numeric_limits<int>::max(). Nothing where none begins here.
  std::optional<bool> read_limit(computed::Node& node);

  Edition edition_;
};

// #define WIDTH 10 and sprintf(line, "%d", n) give a name a value.
std::optional<Declaration> read_definition(std::string_view statement);
// The bytes of a type of items; of texts they are pointers.
std::size_t size_of_items(std::string_view type);

// How whole calls of C and of C++ are read.
extern const ExpressionForm c_expressions;

// A number of the language: 42, 0x1Ful, 1'000, 2.5f. Nothing where the text is none.
std::optional<Value> number_of(Edition edition, std::string_view text);
// The character between single quotes; nothing where it is not one byte.
std::optional<Value> character_of(Edition edition, const std::string& text);
// The type of this name; nothing where there is none that values have.
std::optional<Type> type_of_name(std::string_view name);

// "std::max" is max here.
inline std::string_view without_std(std::string_view name) {
  return name.starts_with("std::") ? name.substr(5) : name;
}

class Expressions : public computed::Typed {
 public:
  Expressions(Edition edition, const computed::Scope& scope);

 protected:
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool cast(const computed::Node& node, const Value& of, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine_others(const computed::Node& node, computed::Operation operation, const Value& left,
                      const Value& right, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
  // put_time(&t, "%F"): ISO C++20, [ext.manip].
  bool put_time(const computed::Node& node, Value& out);

 private:
  bool time_given(const computed::Node& node, std::size_t at, Value& out);
  bool change_time(const computed::Node& node, Value& out);
  // The moment that a struct tm is, of which codes are shown.
  bool settle_time(const computed::Node& node, std::string_view codes, Value& value);
  bool call_time(const computed::Node& node, std::string_view name, Value& out);
  bool format_time(const computed::Node& node, Value& out);
  bool call_number(const computed::Node& node, std::string_view name,
                   const computed::Arguments& arguments, Value& out);
  bool call_two(const computed::Node& node, std::string_view name,
                const computed::Arguments& arguments, Value& out);
  bool print_into(const computed::Node& node, std::string_view name,
                  const computed::Arguments& arguments, Value& out);
  bool absolute(const computed::Node& node, const Value& value, Value& out);
  bool make_text(const computed::Node& node, std::string_view name,
                 const computed::Arguments& arguments, Value& out);

  Edition edition_;
};

}  // namespace inky::inline v1::c_language
