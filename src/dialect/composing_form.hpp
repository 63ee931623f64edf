// How a language makes text of a value and changes it, for what no specifier of it can do. Facts of
// a language, which each of its dialects names; compose/ puts the changes together and knows what
// each of them does.
//
// In a form, @ and a letter stand for what is filled in:
//
//   @V the value          @S a template that shows it       @T the text so far
//   @B bytes enough for the text
//   @D a number           @G a mark between thousands       @P a decimal mark
//   @F what fills a width, @f without its quotes
//   @X what is in front of digits
//   @1 the text with one more place, @2 with two more; @a and @b their templates alone
//   @U is in front of a number that is not negative; @O and @C are around one that is
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

// One change, and the definition of the helper that it calls.
struct ChangeForm {
  std::string_view call = {};  // empty: it cannot be composed
  std::string_view source = {};
  std::string_view needs = {};  // what that one calls
};

struct ComposingForm {
  std::string_view carrier;  // the dialect whose templates show the value
  WidthUnit unit;            // that counts of characters are in
  // Each change is a statement that changes the text `name`. Otherwise it is an expression around
  // the text so far.
  bool in_steps = false;
  std::string_view text_name = {};      // in steps: "@V_text"
  std::string_view template_open = {};  // what a template begins with, and is left out
  std::string_view text_of;             // format("@S", @V)
  std::string_view print;               // print(@T)
  std::string_view before = {};         // what a program has to begin with, where a helper is used
  std::string_view common = {};         // what all helpers use

  ChangeForm zeros = {};        // in front of a number, up to @D digits
  ChangeForm marks = {};        // @G between thousands, @P for the point
  ChangeForm sign = {};         // @U in front of a number, or @O and @C for the minus
  ChangeForm behind = {};       // @G behind all
  ChangeForm inside = {};       // @X and @F between sign and digits, up to @D characters
  ChangeForm pad_left = {};     // @F on the left, up to @D characters
  ChangeForm pad_right = {};    // on the right
  ChangeForm pad_center = {};   // on both sides; an odd one goes to the right
  ChangeForm cut = {};          // to @D characters
  ChangeForm percent = {};      // the point moves two places, and a percent sign follows
  ChangeForm engineering = {};  // d.ddde+xx with an exponent in steps of three
  // Not a change: of d.ddde+xx with some places, one more and two more, the one that these are the
  // places of, once its exponent is in steps of three.
  ChangeForm thousands = {};
  ChangeForm plain = {};  // d.ddde+xx without an exponent
  // d.ddde+xx of @D digits in compact notation, trailing zeros dropped, and kept.
  ChangeForm compact = {};
  ChangeForm kept_compact = {};
  ChangeForm in_base = {};  // not a change: the digits of the whole number @V in base @D, lower
  // No changes either: the text of a double in base 16, 0x1.4p+1, and its fewest digits that read
  // back.
  ChangeForm hexadecimal = {};
  ChangeForm shortest = {};
  // Statements that print @V as money, by the language's own facility: of the locale @L, with @P
  // places, and @C for the currency; without it, that of the locale. Empty: there is none.
  std::string_view money = {};
  // Statements that print @V, a moment, by the language's own facility, and what makes the letters @M
  // of the wish that it takes: nothing, and a note, where it has none. Empty: there is no facility.
  std::string_view moment = {};
  std::optional<std::string> (*moment_letters)(const FieldWish& wish, Notes& notes) = nullptr;
  ChangeForm upper = {};  // upper letters
  ChangeForm truth = {};  // not a change: true or false
};

}  // namespace inky::inline v1
