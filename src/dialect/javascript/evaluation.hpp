// What expressions of JavaScript come to, and what its values look like as text.
//
// Defined by ECMA-262 (Number::toString, 6.1.6.1.20; toFixed and its like, 21.1.3) and ECMA-402
// (toLocaleString); what they leave open is as V8 11.3 of Node.js 20 does it: a radix other than
// 10, and the marks of locales.
#pragma once

#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "expression.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1::javascript {

struct Function;

// A value of JavaScript.
struct Datum {
  enum class Kind : std::uint8_t {
    hole,  // an item of an array that is missing: undefined, where it is asked for
    undefined,
    null,
    boolean,
    number,
    big,
    text,
    array,  // with more than its items where a pattern has found it: they bear the keys
    object,
    function,  // how it is called is in `function`
    pattern,   // a regular expression: its source in text, its flags in keys[0]
    date,      // milliseconds since 1970 in number; NaN: an invalid one
    map,       // items are arrays of a key and a value
    set,
    iterator,   // of items: what makes it in text, "Map"
    error,      // its message in text, its name in keys[0]
    formatter,  // of Intl: its name in text, items are its arguments
  };
  Kind kind = Kind::undefined;
  bool truth = false;
  double number = 0;
  SignedNatural big;
  std::string text;
  std::vector<Datum> items;       // of an array, or the values of an object
  std::vector<std::string> keys;  // of an object
  std::shared_ptr<const Function> function;

  static Datum of_number(double number);
  static Datum of_text(std::string text);
  static Datum of_truth(bool truth);
  static Datum of_kind(Kind kind);
};

// What a function is: one that is written in the source, or one of the language's own.
struct Function {
  std::shared_ptr<const Node> written;                // null: the language's own
  std::string path;                                   // of that: "Math.round"
  std::vector<std::pair<std::string, Datum>> around;  // the names that the functions around it had
};

using DatumKind = Datum::Kind;

// A value as JavaScript holds it; nothing where it has no such value yet.
std::optional<Datum> datum_of(const Value& value);

// What a value is in the source of a program; nothing where it is not all in it.
std::optional<std::string> source_of(const Datum& datum);

// How many of the items of an array are in it: others are what a pattern found beside them.
std::size_t item_count(const Datum& array);

// Of several values of one key the last stays; keys that are indices come first. Of all objects in it.
void settle_all(Datum& datum);

// ToString: "1,2" of an array, "[object Object]" of an object.
void append_text(const Datum& datum, std::string& out);

struct Failure {
  std::string name;  // of the error; empty: it is not supported yet, or over a limit
  std::string why;
  Span span;
  bool is_over_limit = false;
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

// What the name that a change begins with stands for behind it; the rest as above.
std::optional<Datum> evaluate_change(const Node& node, const Scope& scope, const Settings& settings,
                                     Failure& failure);

struct MethodFact {
  std::string_view name;
  std::string_view meaning;
};
// The methods and functions there are, for the facts and the words.
std::span<const MethodFact> methods();

}  // namespace inky::inline v1::javascript
