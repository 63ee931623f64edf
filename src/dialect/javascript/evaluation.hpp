// What expressions of JavaScript come to, and what its values look like as text.
//
// Defined by ECMA-262 (Number::toString, 6.1.6.1.20; toFixed and its like, 21.1.3) and ECMA-402
// (toLocaleString); what they leave open is as V8 11.3 of Node.js 20 does it: a radix other than
// 10, and the marks of locales.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "expression.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1::javascript {

// A value of JavaScript.
struct Datum {
  enum class Kind : std::uint8_t {
    undefined,
    null,
    boolean,
    number,
    big,
    text,
    array,
    object,
  };
  Kind kind = Kind::undefined;
  bool truth = false;
  double number = 0;
  SignedNatural big;
  std::string text;
  std::vector<Datum> items;       // of an array, or the values of an object
  std::vector<std::string> keys;  // of an object

  static Datum of_number(double number);
  static Datum of_text(std::string text);
};

using DatumKind = Datum::Kind;

// A value as JavaScript holds it; nothing where it has no such value yet.
std::optional<Datum> datum_of(const Value& value);

// ToString: "1,2" of an array, "[object Object]" of an object.
void append_text(const Datum& datum, std::string& out);

struct Failure {
  std::string name;  // of the error; empty: it is not supported yet
  std::string why;
  Span span;
};

struct Scope {
  virtual ~Scope() = default;
  // The value of a name; null where it has none.
  virtual const Value* find(std::string_view name) const = 0;
  // What expressions that are evaluated together have made so far, in bytes; null: each counts by
  // itself.
  std::size_t* spent = nullptr;
};

struct Settings {
  std::string_view locale;  // of toLocaleString without one; empty: en-US, with a note
  WidthUnit unit = WidthUnit::utf16_units;  // what padding counts
};

// Evaluates an expression. `notes` may be null. Nothing where it fails, and why.
std::optional<Datum> evaluate(const Node& node, const Scope& scope, const Settings& settings,
                              Notes* notes, Failure& failure);

// The tags of the locales that toLocaleString knows.
std::span<const std::string_view> locale_tags();

struct MethodFact {
  std::string_view name;
  std::string_view meaning;
};
// The methods and functions there are, for the facts and the words.
std::span<const MethodFact> methods();

}  // namespace inky::inline v1::javascript
