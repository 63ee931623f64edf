// The dialect `python`: replacement fields, as in str.format and in f-strings.
//
// Defined by the Python 3.11 library reference, "Format String Syntax", and the language reference,
// "Formatted string literals"; what they leave open is as CPython 3.11 prints it. A template that
// begins with f and a quote is an f-string, whose expressions are evaluated; any other is what
// str.format is called on.
//
// What sets it apart from its family:
//   - str.format fails at run time, field by field, from the left: what a later field has wrong is
//     not seen before it is reached; an f-string is refused when it is compiled;
//   - a spec is the value's to read: numbers and text share one grammar, a moment has codes of its
//     own, and everything else takes none.

#include <array>
#include <string>

#include "../family/brace_writing.hpp"
#include "../family/glibc_locales.hpp"
#include "../family/named_values.hpp"
#include "../family/rendering.hpp"
#include "../family/source.hpp"
#include "../family/time_letters.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "../family/writing_dialect.hpp"
#include "attributes.hpp"
#include "decimals.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "fields.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace python {

namespace {

using python::Conversion;
using python::Fields;
using python::FormatSpec;
using python::Replacement;
using python::SpecPart;
using python::Step;

class Rendering final : public family::Rendering<Rendering>, public computed::Scope {
 public:
  const Value* find(std::string_view name) const override { return index_.named(name); }

  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(python::braces_facts, parsed, values, options, out, report),
        program_(static_cast<const Fields&>(*parsed.program)),
        index_(values) {
    shared_.locale = options.setting("locale");
    shared = &shared_;
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    return put(program_.fields[index], out_, 0);
  }

  bool end() {
    if (report_ != nullptr) note_spare();
    return true;
  }

  void note_field(const Field&) {}

 private:
  bool raise(std::string_view exception, std::string why, const Replacement& field) {
    return fail(Outcome::fails_at_run(std::string(exception), std::move(why), field.span));
  }
  bool not_yet(std::string what, const Replacement& field) {
    return fail(Outcome::error({Code::not_supported_yet, std::move(what) + " is not supported yet",
                                field.span, "Give the value itself."}));
  }

  bool put(const Replacement& field, Output& out, int depth) {
    out.append(field.said);
    if (!field.failure.empty()) return raise(field.failure, field.defect, field);
    Value held;  // what a step led to, where it was not there already
    const Value* value = nullptr;
    if (field.expression != nullptr) {
      if (!evaluate(field, held)) return false;
      value = &held;
      if (report_ != nullptr && depth == 0) computed_ = held;
    } else if (!find(field, value) || !walk(field, value, held)) {
      return false;
    }
    // The text of an object.
    const bool is_shown_otherwise =
        field.has_spec || field.conversion == U'r' || field.conversion == U'a';
    if (value->is_function() && is_shown_otherwise)
      return not_yet("another text of such an object", field);
    if (field.conversion != 0) {
      if (field.conversion != U's' && field.conversion != U'r' && field.conversion != U'a')
        return raise("ValueError", "Unknown conversion specifier", field);
      held = Value::text(python::text_of_any(
          *value, static_cast<Conversion>(static_cast<char>(field.conversion))));
      value = &held;
    }
    if (field.parts.empty()) return put_value(field, field.spec, field.text, *value, out, depth);
    TextBuffer text;
    for (const SpecPart& part : field.parts) {
      text.append(part.text);
      if (!part.field.empty() && !put(part.field[0], text, depth + 1)) return false;
    }
    const FormatSpec spec = python::read_spec(text.view());
    return put_value(field, spec, text.view(), *value, out, depth);
  }

  bool evaluate(const Replacement& field, Value& held) {
    python::Expressions expressions(*this);
    if (expressions.evaluate(*field.expression, held)) {
      held = expressions.as_argument(std::move(held));
      return true;
    }
    return fail(computed::outcome_of(*expressions.trouble()));
  }

  bool find(const Replacement& field, const Value*& value) {
    if (!field.name.empty())
      value = index_.named(field.name);
    else if (field.index >= 0)
      value = index_.unnamed(static_cast<std::size_t>(field.index));
    else
      value = nullptr;
    if (value != nullptr) return true;
    if (field.name.empty()) {
      return raise("IndexError",
                   "Replacement index " + std::to_string(field.index) +
                       " out of range for positional args tuple",
                   field);
    }
    if (program_.is_f_string)
      return raise("NameError", "name '" + field.name + "' is not defined", field);
    return raise("KeyError", python::quoted(field.name, false), field);
  }

  bool walk(const Replacement& field, const Value*& value, Value& held) {
    for (const Step& step : field.steps) {
      if (step.kind == Step::Kind::malformed) return raise("ValueError", step.name, field);
      // What is found may be a part of what is held.
      std::optional<Value> next;
      if (!(step.kind == Step::Kind::attribute ? get_attribute(field, *value, step, next)
                                               : get_item(field, *value, step, next)))
        return false;
      held = std::move(*next);
      value = &held;
    }
    return true;
  }

  bool get_attribute(const Replacement& field, const Value& value, const Step& step,
                     std::optional<Value>& out) {
    out = attribute_of(value, step.name);
    if (out) return true;
    if (has_attribute(value, step.name))
      return not_yet("the attribute " + in_quotes(step.name), field);
    return raise("AttributeError",
                 "'" + std::string(python::type_name(value)) + "' object has no attribute '" +
                     step.name + "'",
                 field);
  }

  bool get_item(const Replacement& field, const Value& value, const Step& step,
                std::optional<Value>& out) {
    const bool is_key = step.kind == Step::Kind::key;
    const std::string type(python::type_name(value));
    if (value.is(Type::record)) {
      for (const Value& member : value.as_list()) {
        if (is_key && member.name() == step.name) out = member;
      }
      if (out) return true;
      return raise("KeyError",
                   is_key ? python::quoted(step.name, false) : std::to_string(step.index), field);
    }
    const bool sequence = value.is(Type::list) || value.is(Type::tuple);
    if (!sequence && !is_text_or_character(value))
      return raise("TypeError", "'" + type + "' object is not subscriptable", field);
    if (is_key) {
      return raise("TypeError",
                   type + " indices must be integers" + (sequence ? " or slices" : "") + ", not " +
                       (sequence ? "str" : "'str'"),
                   field);
    }
    out = sequence ? item_at(value.as_list(), step.index) : character_at(value, step.index);
    if (out) return true;
    return raise("IndexError", (sequence ? type : "string") + " index out of range", field);
  }

  static std::optional<Value> item_at(std::span<const Value> items, std::int64_t index) {
    const auto size = static_cast<std::int64_t>(items.size());
    if (index < 0) index += size;
    if (index < 0 || index >= size) return std::nullopt;
    return items[static_cast<std::size_t>(index)];
  }

  static std::optional<Value> character_at(const Value& value, std::int64_t index) {
    const std::string text = text_of(value);
    if (index < 0) index += static_cast<std::int64_t>(measure(text, WidthUnit::code_points));
    std::string_view rest = text;
    for (; index >= 0; --index) {
      const auto point = first_code_point(rest);
      if (!point) return std::nullopt;
      const std::string_view one = rest.substr(0, static_cast<std::size_t>(point->bytes));
      if (index == 0) return Value::text(std::string(one));
      rest.remove_prefix(one.size());
    }
    return std::nullopt;
  }

  bool put_value(const Replacement& field, const FormatSpec& spec, std::string_view text,
                 const Value& value, Output& out, int depth) {
    const bool plain = text.empty();
    if (plain && value.is(Type::text)) {
      out.append(value.as_text());
      return true;
    }
    if (plain || python::takes_codes(value)) return put_plainly(field, text, value, out);
    if (value.is(Type::decimal)) return put_decimal(field, text, value, out);
    const bool takes_spec = python::is_int(value) || is_real(value.type()) ||
                            is_text_or_character(value) || value.is(Type::complex);
    if (!takes_spec) {
      return raise("TypeError",
                   "unsupported format string passed to " + std::string(python::type_name(value)) +
                       ".__format__",
                   field);
    }
    if (!spec.defect.empty()) return raise("ValueError", spec.defect, field);
    if (!within_limits(field, spec, value)) return false;
    python::Trouble trouble;
    if (spec.type == U'n') {
      python::FormatSpec placed = spec;
      placed.locale = options_.setting("locale");
      trouble = python::format_value(placed, value, unit(), out);
    } else {
      trouble = python::format_value(spec, value, unit(), out);
    }
    if (trouble.kind == python::Trouble::Kind::not_supported_yet) {
      return fail(Outcome::error({Code::not_supported_yet, std::move(trouble.why), field.span,
                                  "Use a code point outside 0xD800 to 0xDFFF."}));
    }
    if (trouble.kind == python::Trouble::Kind::exception)
      return raise(trouble.exception, std::move(trouble.why), field);
    if (report_ != nullptr && depth == 0) note_value(field, spec, value);
    return true;
  }

  bool put_decimal(const Replacement& field, std::string_view text, const Value& value,
                   Output& out) {
    python::Trouble trouble = python::format_decimal(
        text, value, unit(),
        python::decimal_context(nullptr, find(python::context_rounding)).rounding, out);
    if (trouble.kind == python::Trouble::Kind::exception)
      return raise(trouble.exception, std::move(trouble.why), field);
    if (trouble.kind == python::Trouble::Kind::over_limit) {
      return fail(Outcome::error({Code::over_limit, std::move(trouble.why), field.span,
                                  "Use at most " + std::to_string(most_width) + "."}));
    }
    return true;
  }

  // str(), or the codes of a moment.
  bool put_plainly(const Replacement& field, std::string_view codes, const Value& value,
                   Output& out) {
    if (report_ != nullptr) note_type(field, value);
    if (codes.empty()) {
      out.append(python::text_of_any(value, Conversion::str));
      return true;
    }
    std::string text;
    const std::string_view unknown =
        python::append_time_by_codes(value, codes, options_.setting("locale"), text);
    if (!unknown.empty()) {
      return fail(
          Outcome::error({Code::not_supported_yet, std::string(unknown) + " are not supported yet",
                          field.span, "Leave out the E or the O, or choose another locale."}));
    }
    out.append(text);
    return true;
  }

  bool within_limits(const Replacement& field, const FormatSpec& spec, const Value& value) {
    constexpr std::int64_t most_c_int = 2147483647;
    const bool real =
        is_real(value.type()) || value.is(Type::complex) ||
        (python::is_int(value) && spec.precision != unset && spec.type != 0 && spec.type < 0x80 &&
         std::string_view("eEfFgG%").find(static_cast<char>(spec.type)) != std::string_view::npos);
    if (real && spec.precision > most_c_int) return raise("ValueError", "precision too big", field);
    const bool precise = real && spec.precision > most_width;
    if (spec.width <= most_width && !precise) return true;
    return fail(Outcome::error({Code::over_limit,
                                "a width or precision of " +
                                    std::to_string(precise ? spec.precision : spec.width) +
                                    " is over the limit of " + std::to_string(most_width),
                                field.span, "Use at most " + std::to_string(most_width) + "."}));
  }

  void note_type(const Replacement& field, const Value& value) {
    if (value.is(Type::f80) || value.is(Type::f128))
      note(Code::type_converted,
           "Python has no " + std::string(inky::name_of(value.type())) + "; " + describe(value) +
               " becomes a float, the nearest f64",
           field.span);
  }

  void note_value(const Replacement& field, const FormatSpec& spec, const Value& value) {
    note_type(field, value);
    if (is_real(value.type()) && !value.given_in_bits() && spec.type != U'%')
      note_rounding(python::neutral(spec, Kind::real), binary64, nearest_f64(value), field.span,
                    report_->notes);
    if (is_text_or_character(value))
      note_text(python::neutral(spec, Kind::text), text_of(value), unit(), field.span,
                report_->notes);
  }

  // Positional values beyond those the fields take; Python does not mind them.
  void note_spare() {
    const auto positional = static_cast<std::int64_t>(index_.unnamed_count());
    const auto extra = positional - parsed_.values_taken;
    if (extra > 0)
      family::Rendering<Rendering>::note_unused(static_cast<std::size_t>(extra),
                                                "Python ignores them");
  }

  const Fields& program_;
  ValueIndex index_;
  computed::Shared shared_;
};

// ---- Writing ----

constexpr writing::LiteralRules literal_rules = {.doubled = "{}"};

// Text between the codes of a moment, where no brace can stand.
bool put_between_codes(std::string_view text, std::string& out) {
  const auto written = writing::literal(literal_rules, text);
  return written && text.find_first_of("{}") == std::string_view::npos &&
         family::put_strftime_text(*written, out);
}
std::optional<std::string> write_moment(const FieldWish& wish, Notes& notes) {
  if (family::note_time_wish("Python", wish, notes)) return std::nullopt;
  return family::write_time("Python", python::time_letters(), wish.spec.moment, put_between_codes,
                            notes);
}

constexpr braces::WritingRules writing_rules = {.facts = &python::braces_facts,
                                                .any_inner = true,
                                                .group = true,
                                                .percent = true,
                                                .wholes_have_decimals = true,
                                                .truth_is_number = true,
                                                .names = true,
                                                .moment = write_moment};

class Python final : public family::WritingDialect {
 public:
  Python() : facts_(python::braces_facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override {
    return braces::write_field(writing_rules, wish);
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  // Values with keywords come last.
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    std::vector<std::string> given(names.begin(), names.end());
    const auto keywords = std::stable_partition(given.begin(), given.end(), [&](const auto& name) {
      return !writing::names_field(source, name, "}:!.[");
    });
    std::for_each(keywords, given.end(), [](std::string& name) { name += "=" + name; });
    return "print(\"" + std::string(source) + "\".format(" + writing::listed(given, ", ") +
           "), end=\"\")";
  }

  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    // Its program is empty where it was refused.
    if (!python::is_f_string(parsed.source)) return Dialect::do_write_call(parsed, names);
    if (parsed.refusal) return not_read(parsed);
    auto literal =
        python::f_string_source(parsed, static_cast<const Fields&>(*parsed.program), names);
    if (!literal) return literal.error();
    WrittenCall out;
    out.add("print(");
    out.add_literal(*literal);
    out.add(", end=\"\")");
    return out;
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Replacement& shown =
        static_cast<const Fields&>(*parsed.program).fields[static_cast<std::size_t>(field)];
    const bool is_plain = shown.parts.empty() && shown.steps.empty() &&
                          shown.expression == nullptr && shown.said.empty();
    // What begins with a code shows a moment, whatever is said of the value.
    const std::size_t code = shown.text.find('%');
    const bool has_codes = code != std::string::npos && code + 1 < shown.text.size();
    if (is_plain && shown.conversion == 0 && has_codes) {
      if (const auto pattern = family::read_strftime(shown.text, python::time_letters()))
        return family::time_wish(*pattern);
    }
    if (!is_plain || (shown.conversion != 0 && shown.conversion != 's') || type == Type::moment ||
        type >= Type::date) {
      writing::cannot("the field asks what is Python's own", notes);
      return std::nullopt;
    }
    if (!shown.has_spec || shown.conversion == 's') {
      Spec out;
      out.kind = writing::kind_of({{}, type, unset, {}});
      if (!shown.has_spec) return out;
      out = python::neutral(shown.spec, Kind::text);
      return out;
    }
    const char letter = static_cast<char>(shown.spec.type);
    constexpr int usual_places = 6;
    braces::Lead lead = shown.spec;
    Spec out =
        braces::wish_of(lead, static_cast<int>(shown.spec.width),
                        static_cast<int>(shown.spec.precision), letter == 's' ? '\0' : letter,
                        type == Type::truth && letter == 0 ? Type::i64 : type, usual_places);
    if (shown.spec.align == '=') out.align = Align::inner;
    if (shown.spec.group != 0) out.group = Mark(std::string_view(&shown.spec.group, 1));
    return out;
  }

  Result<TemplateContent> do_parse(std::string_view source) const override {
    if (auto error = check_source(facts(), source)) return std::move(*error);
    TemplateContent out;
    out.source = source;
    auto program = std::make_shared<Fields>();
    read(out, *program, nullptr);
    braces::settle(out);
    if (out.refusal) program->fields.clear();
    out.program = std::move(program);
    return out;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run();
  }

  // Read again, and reported this time.
  std::vector<Words> do_explain(const TemplateContent& parsed) const override {
    if (parsed.source.empty()) return {};
    if (braces::is_one_piece(parsed)) return braces::whole_words(parsed);
    std::vector<Words> out;
    TemplateContent again;
    again.source = parsed.source;
    Fields program;
    read(again, program, &out);
    return out;
  }

  // print() shows str().
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    out.append(python::text_of_any(value, Conversion::str));
    return {};
  }

 private:
  static void read(TemplateContent& out, Fields& program, std::vector<Words>* words) {
    if (python::is_f_string(out.source)) return python::read_f_string(out, program, words);
    const braces::Decoded decoded(out, python::read_escape);
    if (!out.refusal) python::read_format(decoded, out, program, words);
    note_quotes(python::braces_facts, out);
  }

  // Text for the reader, whose own program calls locale.setlocale(). Nothing here does.
  std::array<SettingFact, 1> settings_{{{"locale", "what locale.setlocale() names: the marks of n",
                                         "C", glibc::locale_tags(), glibc::telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace python

const Dialect* python_dialect() {
  static const python::Python dialect;
  return &dialect;
}

}  // namespace inky::inline v1
