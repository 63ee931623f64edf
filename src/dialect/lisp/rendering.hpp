// A control string printed: directives take parameters and values, and write text.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "../family/rendering.hpp"
#include "../family/writing.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "dialect/table_form.hpp"
#include "floats.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/simple_case.hpp"

namespace inky::inline v1::lisp {

// What a walk over directives ends by.
enum class Flow : std::uint8_t { goes_on, leaves, leaves_all, fails };

// The values a directive may take: the call's, or those of a list.
struct Arguments {
  std::span<const Value> all;
  std::size_t at = 0;
  const Value* no_list = nullptr;  // a value that stands where a list should; found when it is used
  std::size_t tested = 0;  // how many ~@[ has looked at, which may leave the last for its section

  bool empty() const { return no_list == nullptr && at >= all.size(); }
  std::size_t left() const { return all.size() - at; }
  // Those that no directive has looked at.
  std::size_t unseen() const {
    const std::size_t seen = at > tested ? at : tested;
    return empty() || seen >= all.size() ? 0 : all.size() - seen;
  }
};

class Rendering final : public family::Rendering<Rendering> {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(lisp_facts, parsed, values, options, out, report),
        control_(static_cast<const Control&>(*parsed.program)) {}

  // The text as a whole is known only at the end: columns are counted in it, and what is in ~( ~)
  // changes case.
  Outcome run_whole();

 private:
  Flow fail(std::string_view error, std::string why, const Directive& directive);
  // `what` with its verb: "a list longer than a line is".
  Flow not_yet(std::string what, const Directive& directive);
  Flow over_limit(std::string what, const Directive& directive);

  // ---- Parameters ----

  struct Given {
    enum class Kind : std::uint8_t { nothing, number, character } kind = Kind::nothing;
    int number = 0;
    std::string character;
  };

  // The parameters of a directive, `most` at most; values are taken where v asks for them.
  bool take_parameters(const Directive& directive, std::size_t most, Arguments& arguments);

  bool take_value_parameter(const Directive& directive, Arguments& arguments, Given& out);

  const Value* next(const Directive& directive, Arguments& arguments);

  // Parameter `at` as a number or as a character. False: it is the other one.
  bool number(const Directive& directive, std::size_t at, int& out);
  bool number(const Directive& directive, std::size_t at, std::optional<int>& out);
  bool character(const Directive& directive, std::size_t at, std::string& out);

  // Modifiers that a directive does not have.
  bool check_modifiers(const Directive& directive, bool colon, bool at);

  // ---- Directives ----

  Flow run_tokens(const Tokens& tokens, Arguments& arguments, std::string& out);

  Flow run_directive(const Directive& directive, Arguments& arguments, std::string& out);

  int length_of(std::string_view text) const { return static_cast<int>(measure(text, unit())); }
  // The column that a text ends in. What was measured of it before is not measured again: code
  // points and units add up, columns need not.
  int column_of(const std::string& text);

  // `line` is the text that it comes behind; null where a padding does.
  bool print(const Value& value, int base, bool escapes, const Directive& directive,
             const std::string* line, std::string& out);

  struct Padding {
    int least = 0;
    int step = 1;
    int least_padding = 0;
    std::string character = " ";
    bool on_left = false;
  };

  Flow put_padded(const std::string& text, const Padding& padding, const Directive& directive,
                  std::string& out);

  Flow run_any(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_write(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_whole_number(const Directive& directive, int base, Arguments& arguments,
                        std::string& out);

  // `first`: which parameter is the width.
  Flow put_whole(const Directive& directive, const Value& value, int base, std::size_t first,
                 std::string& out);

  Flow run_radix(const Directive& directive, Arguments& arguments, std::string& out);

  Flow put_roman(const Directive& directive, const Value& value, std::string& out);

  // The parameters of ~F, or of ~E and ~G.
  bool take_float_field(const Directive& directive, FloatField& out);
  // The text in place of a character that is a number: no text has this byte.
  static constexpr std::string_view no_character = "\xFF";
  bool take_overflow(std::size_t at, std::string& out);

  // Beyond these, the numbers in a directive ask for more than a float has.
  bool is_sensible(const FloatField& field);

  Flow run_float(const Directive& directive, Arguments& arguments, std::string& out);

  bool take_float(const Directive& directive, const Value& value, Float& out);

  void note_float(const Directive& directive, const Value& value, const Float& number,
                  const FloatField& field);
  static std::string plain_whole(const BinaryReal& real);

  // What is no real number is shown as by ~A: complex numbers on the right, others on the left.
  Flow put_other(const Directive& directive, const Value& value, std::optional<int> width,
                 const std::string& pad, std::string& out);

  Flow run_dollars(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_character(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_plural(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_times(const Directive& directive, const std::string& character, Arguments& arguments,
                 std::string& out);

  Flow run_fresh_line(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_tab(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_skip(const Directive& directive, Arguments& arguments);

  Flow run_leave(const Directive& directive, Arguments& arguments);

  Flow run_case(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_choice(const Directive& directive, Arguments& arguments, std::string& out);

  bool take_index(const Directive& directive, Arguments& arguments, int& index);

  Flow run_iteration(const Directive& directive, Arguments& arguments, std::string& out);

  bool take_list(const Directive& directive, Arguments& arguments, Arguments& out);

  // A turn of ~:{ ~}, whose values are those of the next item.
  Flow run_sublist(const Directive& directive, Arguments& arguments, std::string& out);

  Flow run_justification(const Directive& directive, Arguments& arguments, std::string& out);

  // Whether ~W stands anywhere inside.
  static bool writes(const Tokens& tokens);

  void justify(const std::vector<std::string>& texts, const Padding& padding,
               const Directive& directive, std::string& out) const;

  const Control& control_;
  std::vector<Given> given_;  // the parameters of the directive being run
  // It printed a list whose line breaks are not known. What follows may still fail, and then
  // nothing was printed.
  const Directive* broken_list_ = nullptr;
  int steps_ = 0;  // directives run so far
  struct Measured {
    const std::string* text;
    std::size_t size;
    int column;
  };
  Measured measured_ = {nullptr, 0, 0};
  bool inside_lists_ = false;  // of ~:{ ~}
  bool outside_empty_ = false;
};

}  // namespace inky::inline v1::lisp
