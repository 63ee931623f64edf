// The dialect `octave-display`: statements of a session, as they are typed at its prompt. Those
// that set how every number shows, and those that show values:
//
//   format long; mass            format bank
//   disp(mass)                   costs = [1.5 20; 300 4]
//
// Defined by the GNU Octave manual, Basic Usage (format, disp, display, output_precision,
// fixed_point_format); the text is that of Octave 7.3.0 on a screen of 80 columns. Names are values
// by name; values without names are given to the other names in the order these first appear. A
// list is a row vector, a list of lists a matrix, nil is [].
//
// What sets it apart:
//   - no statement sets how one number is shown: a setting stays for all, until `format` resets it;
//   - the elements of a matrix share one width and one number of decimals;
//   - a matrix of doubles counts as whole where each element, as a single plus a half, does.

#include <algorithm>
#include <cmath>
#include <optional>
#include <string>

#include "../family/named_values.hpp"
#include "../family/program_dialect.hpp"
#include "../family/value_notes.hpp"
#include "../family/writing.hpp"
#include "arrays.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "display_facts.hpp"
#include "expressions.hpp"
#include "session.hpp"

namespace inky::inline v1 {

namespace octave {

namespace {

class Rendering final : private computed::Scope {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values, Output& out,
            Report* report)
      : parsed_(parsed),
        session_(static_cast<const Session&>(*parsed.program)),
        values_(values),
        named_(session_.names, values),
        by_name_(values),
        out_(out),
        report_(report) {
    for (const Value& value : values) given_.push_back(given_value(value));
  }

  Outcome run() {
    const std::size_t start = out_.needed();
    if (report_ != nullptr) report_->notes = parsed_.notes;
    for (const Statement& statement : session_.statements) {
      const std::size_t from = out_.needed() - start;
      shown_ = unset;
      if (!(statement.kind == Statement::Kind::set ? set(statement) : show(statement))) {
        out_.cut_back(start);
        return std::move(trouble_);
      }
      if (out_.needed() > start + most_output) {
        out_.cut_back(start);
        return Outcome::error(
            {Code::over_limit,
             "the text grows over the limit of " + std::to_string(most_output) + " bytes",
             statement.span, "Show it in parts."});
      }
      if (report_ != nullptr && statement.field != unset)
        report_->fields.push_back({statement.field, {from, out_.needed() - start}, shown_});
    }
    if (report_ != nullptr) note_end();
    return {};
  }

 private:
  bool fail(std::string why, Span span) {
    trouble_ = Outcome::fails_at_run("error", std::move(why), span);
    return false;
  }
  bool not_yet(std::string what, Span span) {
    trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet",
                               span, "Give the value of the expression a name."});
    return false;
  }

  // ---- Settings ----

  bool set(const Statement& statement) {
    if (statement.set == "format") return set_format(statement);
    const std::string& argument = statement.arguments[0];
    if (statement.set == "fixed_point_format") {
      if (argument != "true" && argument != "false" && argument != "1" && argument != "0")
        return not_yet("such a setting is", statement.span);
      settings_.scaled = argument == "true" || argument == "1";
      return true;
    }
    int count = 0;
    for (const char c : argument) {
      if (c < '0' || c > '9') return not_yet("such a precision is", statement.span);
      count = std::min(count * 10 + (c - '0'), most_width);
    }
    if (count == 0) return not_yet("a precision of 0 is", statement.span);
    if (count > most_precision)
      return fail("output_precision: the number of digits is 1 to 16, and this is " + argument,
                  statement.span);
    settings_.precision = count;
    return true;
  }

  bool set_format(const Statement& statement) {
    format_ = parsed_.source.substr(statement.span.from, statement.span.to - statement.span.from);
    const std::string word = joined(statement.arguments);
    if (word.empty()) {
      settings_ = {.scaled = settings_.scaled};
      return true;
    }
    if (word == "compact" || word == "loose") {
      settings_.compact = word == "compact";
      return true;
    }
    for (const display::ModeFact& fact : display::modes) {
      if (fact.word != word) continue;
      settings_.mode = fact.mode;
      if (fact.precision != 0) settings_.precision = fact.precision;
      return true;
    }
    constexpr std::string_view later[] = {"bit",  "+",    "native-hex", "native-bit",
                                          "none", "free", "shorteng",   "longeng"};
    if (std::find(std::begin(later), std::end(later), word) != std::end(later))
      return not_yet("this format is", statement.span);
    return fail("format: unrecognized format state '" + word + "'", statement.span);
  }

  // ---- Values ----

  bool show(const Statement& statement) {
    if (!statement.labels.empty()) return show_several(statement);
    Array array;
    if (!(statement.target ? change(statement, array) : evaluate(statement.expression, array)))
      return false;
    if (statement.kind == Statement::Kind::print) {
      out_.append(array.text);
      return true;
    }
    if (statement.counts) {
      Array before;
      Expression name;
      name.kind = Expression::Kind::name;
      name.name = statement.label;
      name.span = statement.span;
      if (!evaluate(name, before)) return false;
      keep(statement.label, array);
      array = std::move(before);
    } else if (statement.assigns || statement.label == "ans") {
      keep(statement.label, array);
    }
    if (!statement.silent && !is_displayed(array, settings_))
      return not_yet("this display of complex numbers is", statement.span);
    if (!statement.silent)
      out_.append(statement.kind == Statement::Kind::disp
                      ? displayed(array, settings_)
                      : displayed(statement.label, array, settings_));
    if (report_ != nullptr && !statement.silent) note_shown(statement, array);
    return true;
  }

  // x(2) = value, and x(2) = []
  bool change(const Statement& statement, Array& out) {
    Array given;
    if (!statement.removes && !evaluate(statement.expression, given)) return false;
    Expressions evaluator(*this, true);
    const Value* before = find(statement.label);
    Value made;
    if (statement.removes && before == nullptr)
      return fail("invalid use of a N_-D array in indexed assignment", statement.span);
    const bool good = statement.removes
                          ? evaluator.remove(*statement.target, *before, made)
                          : evaluator.assign(*statement.target, before, value_of(given), made);
    if (!good) return take_trouble(evaluator, statement.span);
    return array_of(made, out) || not_yet("such a value is", statement.span);
  }

  // [m, i] = max(x)
  bool show_several(const Statement& statement) {
    Expressions evaluator(*this, true);
    std::vector<Value> made;
    if (!evaluator.evaluate_several(statement.expression.node, statement.labels.size(), made))
      return take_trouble(evaluator, statement.span);
    for (std::size_t i = 0; i < statement.labels.size(); ++i) {
      Array array;
      if (!array_of(made[i], array)) return not_yet("such a value is", statement.span);
      keep(statement.labels[i], array);
      if (!is_displayed(array, settings_))
        return not_yet("this display of complex numbers is", statement.span);
      if (!statement.silent) out_.append(displayed(statement.labels[i], array, settings_));
    }
    return true;
  }

  void keep(const std::string& name, const Array& array) {
    std::erase_if(kept_values_, [&](const auto& known) { return known.first == name; });
    kept_values_.emplace_back(name, value_of(array));
    for (auto& [known, kept] : kept_) {
      if (known != name) continue;
      kept = array;
      return;
    }
    kept_.emplace_back(name, array);
  }

  bool evaluate(const Expression& expression, Array& out) {
    switch (expression.kind) {
      case Expression::Kind::literal:
        out = expression.literal;
        break;
      case Expression::Kind::name:
        if (!find(expression, out)) return false;
        break;
      case Expression::Kind::conversion: {
        Array from;
        if (!evaluate(expression.rows[0][0], from)) return false;
        if (from.type == Type::text) {
          std::vector<double> codes;
          for (const char c : from.text) codes.push_back(static_cast<unsigned char>(c));
          from =
              doubles(from.rows, static_cast<int>(from.text.size()) / from.rows, std::move(codes));
        }
        if (from.is_complex()) {
          if (expression.to != Type::f64)
            return not_yet("this class of complex numbers is", expression.span);
          out = std::move(from);
          break;
        }
        if (expression.to == Type::truth &&
            std::any_of(from.reals.begin(), from.reals.end(),
                        [](double value) { return std::isnan(value); }))
          return fail("logical: NaN can't be converted to logical value", expression.span);
        out = converted(from, expression.to);
        break;
      }
      case Expression::Kind::matrix:
        if (!make_matrix(expression, out)) return false;
        break;
      case Expression::Kind::computed:
        if (!compute(expression, out)) return false;
        break;
    }
    return !expression.negative || negate(expression.span, out);
  }

  // The values that earlier statements kept, and those that are given.
  const Value* find(std::string_view name) const override {
    for (const auto& [known, value] : kept_values_) {
      if (known == name) return &value;
    }
    const Value* value = display::is_constant(std::string(name)) ? nullptr : named_.find(name);
    if (value == nullptr) value = by_name_.named(name);
    return value == nullptr ? nullptr : &given_[static_cast<std::size_t>(value - values_.data())];
  }

  bool compute(const Expression& expression, Array& out) {
    Expressions evaluator(*this, true);
    Value value;
    if (!evaluator.evaluate(expression.node, value))
      return take_trouble(evaluator, expression.span);
    if (!array_of(value, out)) return not_yet("such a value is", expression.span);
    out.is_range = is_range(expression.node) && !out.is_scalar();
    return true;
  }

  bool negate(Span span, Array& out) {
    if (!out.is_real())
      return not_yet("a minus sign before other classes than double and single is", span);
    for (double& value : out.reals) value = -value;
    return true;
  }

  bool find(const Expression& expression, Array& out) {
    for (const auto& [name, array] : kept_) {
      if (name != expression.name) continue;
      out = array;
      return true;
    }
    const Value* value =
        display::is_constant(expression.name) ? nullptr : named_.find(expression.name);
    if (value == nullptr) value = by_name_.named(expression.name);
    if (value != nullptr) {
      shown_ = static_cast<int>(value - values_.data());
      auto error = make_array(*value, out);
      if (!error) return true;
      error->span = expression.span;
      trouble_ = Outcome::error(std::move(*error));
      return false;
    }
    if (expression.name == "true" || expression.name == "false") {
      out.type = Type::truth;
      out.wholes = {expression.name == "true"};
      return true;
    }
    const display::ConstantFact* constant = display::find_fact(display::constants, expression.name);
    if (constant == nullptr && has_word(display::unknown_functions, expression.name))
      return not_yet("the function " + expression.name + " is", expression.span);
    if (constant == nullptr) return fail("'" + expression.name + "' undefined", expression.span);
    out.reals = {constant->value};
    return true;
  }

  bool make_matrix(const Expression& expression, Array& out) {
    Expressions evaluator(*this, true);
    computed::Node node;
    node.span = expression.span;
    std::vector<Array> rows;
    for (const auto& row : expression.rows) {
      std::vector<Array> items(row.size());
      for (std::size_t i = 0; i < row.size(); ++i) {
        if (!evaluate(row[i], items[i])) return false;
      }
      rows.emplace_back();
      if (!evaluator.join_arrays(node, std::move(items), true, rows.back()))
        return take_trouble(evaluator, expression.span);
    }
    return evaluator.join_arrays(node, std::move(rows), false, out) ||
           take_trouble(evaluator, expression.span);
  }

  bool take_trouble(const Expressions& evaluator, Span span) {
    if (!evaluator.trouble()) return not_yet("this is", span);
    trouble_ = computed::outcome_of(*evaluator.trouble());
    return false;
  }

  // ---- Notes ----

  void note(Code code, std::string message, Span span) {
    report_->notes.push_back({code, std::move(message), span});
  }

  void note_shown(const Statement& statement, const Array& array) {
    if (shown_ != unset) {
      const Value& value = values_[static_cast<std::size_t>(shown_)];
      const bool real = is_real(value.type());
      if (real && !value.is(Type::f64) && !value.is(Type::f32))
        note(Code::type_converted,
             "Octave has no " + std::string(name_of(value.type())) + "; " + describe(value) +
                 " becomes a " + (array.type == Type::f32 ? "single" : "double"),
             statement.span);
      if (real && value.given_in_bits()) return;
    }
    if (needs_exponent(array, settings_))
      note(Code::conversion_switched,
           std::string("an exponent, since ") +
               (array.is_scalar() ? "the number needs" : "the elements together need") +
               " more than " + std::to_string(settings_.precision * 3 / 2) +
               " digits without one; format short g or long g writes each number by itself",
           statement.span);
    if (settings_.mode != Mode::bank || array.type != Type::f64 || array.is_empty() ||
        !array.is_scalar() || !std::isfinite(array.reals[0]))
      return;
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = Notation::fixed;
    spec.places = 2;
    note_rounding(spec, binary64, unpack(binary64, bits_of(array.reals[0])), statement.span,
                  report_->notes);
  }

  void note_end() {
    const Span whole{0, parsed_.source.size()};
    if (const std::size_t spare = named_.spare(); spare > 0)
      note(Code::too_many_values, std::to_string(spare) + " more than the names in the statements",
           whole);
    const Settings usual;
    std::string on;
    std::string back;
    if (settings_.mode != usual.mode || settings_.precision != usual.precision ||
        settings_.compact) {
      on = format_;
      back = "format";
    }
    if (settings_.scaled) {
      on += on.empty() ? "fixed_point_format" : ", fixed_point_format";
      back += back.empty() ? "fixed_point_format(false)" : "; fixed_point_format(false)";
    }
    if (!on.empty())
      note(Code::settings_left_on, "still set afterwards: " + on + "; put back by " + back, whole);
  }

  const TemplateContent& parsed_;
  const Session& session_;
  std::span<const Value> values_;
  NamedValues named_;
  ValueIndex by_name_;
  Output& out_;
  Report* report_;
  Outcome trouble_;
  Settings settings_;
  std::string format_ = "the precision";  // the statement that set it last
  int shown_ = unset;                     // the value that the statement shows
  std::vector<std::pair<std::string, Array>> kept_;
  std::vector<Value> given_;                                // the values, as expressions have them
  std::vector<std::pair<std::string, Value>> kept_values_;  // the same, for expressions
};

class OctaveDisplay final : public family::ProgramDialect<Session> {
 public:
  const DialectFacts& facts() const override { return display::facts; }

  std::optional<Spec> do_wish_of(const TemplateContent&, int, Type, Notes& notes) const override {
    writing::cannot("a session asks one thing of all numbers, which no field of another says",
                    notes);
    return std::nullopt;
  }
  WrittenField write_field(const FieldWish&) const override {
    Notes notes;
    writing::cannot("a session has no fields; the dialect octave has", notes);
    return {{}, std::move(notes)};
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions&, Output& out, Report* report) const override {
    if (parsed.refusal) return outcome_of(*parsed.refusal);
    if (!has_dates(values)) return Rendering(parsed, values, out, report).run();
    const std::vector<Value> numbers = serial_numbers(values);
    Outcome outcome = Rendering(parsed, numbers, out, report).run();
    if (report != nullptr) note_serial_numbers(values, parsed, report->notes);
    return outcome;
  }

  // disp(), in the format a session starts with, without the line end behind it.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    if (has_dates({&value, 1})) return do_print_plainly(serial_numbers({&value, 1})[0], out);
    Array array;
    if (auto error = make_array(value, array)) return Outcome::error(std::move(*error));
    if (!is_displayed(array, {}))
      return Outcome::error({Code::not_supported_yet,
                             "this display of complex numbers is not supported yet",
                             {},
                             "Give its parts."});
    const std::string text = displayed(array, {});
    out.append(std::string_view(text).substr(0, text.size() - 1));
    return {};
  }

 protected:
  void read(TemplateContent& out, Session& session, std::vector<Words>* words) const override {
    read_session(out, session, words);
  }
};

}  // namespace

}  // namespace octave

const Dialect* octave_display_dialect() {
  static const octave::OctaveDisplay dialect;
  return &dialect;
}

}  // namespace inky::inline v1
