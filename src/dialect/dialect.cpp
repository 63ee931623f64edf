// What a dialect does where it defines nothing of its own.

#include "inky_margin/dialect/dialect.hpp"

#include <algorithm>
#include <cassert>

#include "dialect/statement.hpp"
#include "family/literal.hpp"
#include "family/values.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

Result<Template> Dialect::parse(std::string_view source) const {
  Result<TemplateContent> content = do_parse(source);
  if (!content) return std::move(content.error());
  return Template(*this, std::move(*content));
}

std::vector<Words> Dialect::explain(const Template& parsed) const {
  assert(parsed.dialect_ == this);
  if (const Statement* statement = parsed.content_.statement.get())
    return explain_statement(*statement, parsed.source().size());
  return do_explain(parsed.content_);
}

std::optional<Spec> Dialect::wish_of(const Template& parsed, int field, Type type,
                                     Notes& notes) const {
  assert(parsed.dialect_ == this);
  if (const Statement* statement = parsed.content_.statement.get())
    return statement->steps.empty() ? wish_of(statement->inner, field, type, notes) : std::nullopt;
  return do_wish_of(parsed.content_, field, type, notes);
}

std::optional<Objection> Dialect::objection(const Template& parsed, int field,
                                            std::string_view type_in_source) const {
  assert(parsed.dialect_ == this);
  if (const Statement* statement = parsed.content_.statement.get())
    return statement->steps.empty() ? objection(statement->inner, field, type_in_source)
                                    : std::nullopt;
  return do_objection(parsed.content_, field, type_in_source);
}

std::vector<CountSource> Dialect::counts_of(const Template& parsed, int field) const {
  assert(parsed.dialect_ == this);
  if (const Statement* statement = parsed.content_.statement.get())
    return statement->steps.empty() ? counts_of(statement->inner, field)
                                    : std::vector<CountSource>();
  return do_counts_of(parsed.content_, field);
}

Result<WrittenCall> Dialect::write_call(const Template& parsed,
                                        std::span<const std::string> names) const {
  assert(parsed.dialect_ == this);
  if (const Statement* statement = parsed.content_.statement.get())
    return write_statement_call(*statement, names);
  return do_write_call(parsed.content_, names);
}

Outcome Dialect::render_in_call(const Template& parsed, std::span<const Value> values,
                                const RenderOptions& options, Output& out, Report* report) {
  return render_statement(*parsed.content_.statement, values, options, out, report);
}

Outcome Dialect::not_its_own(const Template& parsed) const {
  return Outcome::error({Code::other_dialect,
                         "a template of " + std::string(parsed.dialect().facts().id) +
                             " is rendered as one of " + std::string(facts().id),
                         {0, parsed.source().size()},
                         "Render it by the dialect that parsed it: Template::dialect()."});
}

namespace {

// Whether it is a decimal that passes the test, or holds one that does.
bool holds_decimal(const Value& value, bool (*passes)(const Decimal&)) {
  if (value.is(Type::decimal)) return passes(value.as_decimal());
  if (!is_compound(value.type()) && !value.is(Type::some)) return false;
  const std::span<const Value> items = value.as_list();
  return std::any_of(items.begin(), items.end(),
                     [passes](const Value& item) { return holds_decimal(item, passes); });
}

bool holds_special_decimal(const Value& value) {
  return holds_decimal(value, [](const Decimal& decimal) { return !decimal.is_finite(); });
}

// Whether it is of this type, or holds one that is.
bool holds(Type type, const Value& value) {
  if (value.is(type)) return true;
  if (!is_compound(value.type()) && !value.is(Type::some)) return false;
  const std::span<const Value> items = value.as_list();
  return std::any_of(items.begin(), items.end(),
                     [type](const Value& item) { return holds(type, item); });
}

}  // namespace

namespace {

bool holds_time(const Value& value) {
  if (value.is(Type::moment)) return value.as_moment().offset.has_value();
  if (value.type() >= Type::date) return true;
  if (!is_compound(value.type()) && !value.is(Type::some)) return false;
  const std::span<const Value> items = value.as_list();
  return std::any_of(items.begin(), items.end(), holds_time);
}

}  // namespace

bool Dialect::lacks(const Value& value) const {
  if (!facts().times && holds_time(value)) return true;
  if (!facts().options && holds(Type::some, value)) return true;
  if (!facts().fractions && holds(Type::fraction, value)) return true;
  switch (facts().decimals) {
    case Decimals::none:
      return holds(Type::decimal, value);
    case Decimals::of_96_bits:
      return holds_decimal(value, [](const Decimal& decimal) { return !is_decimal96(decimal); });
    case Decimals::finite:
      return holds_special_decimal(value);
    case Decimals::with_specials:
      break;
  }
  return false;
}

Value Dialect::own_value(const Value& value) const {
  switch (facts().decimals) {
    case Decimals::none:
      return without_decimals(value);
    case Decimals::of_96_bits:
      return with_decimals96(value);
    default:
      return value;
  }
}

Result<std::vector<Value>> Dialect::own_values(std::span<const Value> values) const {
  std::vector<Value> out(values.begin(), values.end());
  for (Value& value : out) {
    if (value.type() < Type::moment || !lacks(value)) continue;
    value = own_value(value);
    if (lacks(value)) return refuse_foreign(value, {}).as_error();
  }
  return out;
}

Outcome Dialect::refuse_foreign(const Value& value, Span span) const {
  if (!facts().options && holds(Type::some, value)) return has_no_options(value, span);
  if (!facts().times && holds_time(value))
    return Outcome::error({Code::not_supported_yet,
                           describe(value) + " as a value of " + std::string(facts().language) +
                               " is not supported yet",
                           span, "Give a moment without an offset, a number or a text."});
  if (!facts().fractions && holds(Type::fraction, value))
    return Outcome::error({Code::not_supported_yet,
                           describe(value) + " as a value of " + std::string(facts().language) +
                               " is not supported yet",
                           span, "Python and Lisp have fractions; give a decimal or an f64."});
  if (!holds_special_decimal(value))
    return Outcome::error(
        {Code::value_out_of_range,
         describe(value) + " is no decimal of " + std::string(facts().language), span,
         "It holds -79228162514264337593543950335 to 79228162514264337593543950335."});
  return Outcome::error({Code::value_out_of_range,
                         "the decimals of " + std::string(facts().language) +
                             " have no infinity and no not-a-number: " + describe(value),
                         span, "Give a finite decimal, or an f64."});
}

// With what the language has in the place of each value.
Outcome Dialect::render_foreign(const Template& parsed, std::span<const Value> values,
                                const RenderOptions& options, Output& out, Report* report) const {
  const Span all{0, parsed.source().size()};
  std::vector<Value> own;
  Notes notes;
  for (std::size_t i = 0; i < values.size(); ++i) {
    const Value& value = values[i];
    own.push_back(own_value(value));
    if (lacks(own.back())) return refuse_foreign(own.back(), all);
    if (report == nullptr || !value.is(Type::decimal)) continue;
    const bool is_real = own.back().is(Type::f64);
    if (!is_real && std::is_eq(compare(own.back().as_decimal(), value.as_decimal()))) continue;
    const auto& fields = parsed.fields();
    const auto field = std::find_if(fields.begin(), fields.end(), [i](const Field& one) {
      return one.value_index == static_cast<int>(i);
    });
    notes.push_back({Code::type_converted,
                     is_real ? std::string(facts().language) + " has no decimals: " +
                                   describe(value) + " becomes the f64 " + stored_text(own.back())
                             : "a decimal of " + std::string(facts().language) +
                                   " has 28 or 29 digits: " + describe(value) + " becomes " +
                                   describe(own.back()),
                     field == fields.end() ? all : field->span});
  }
  Outcome outcome = render(parsed, own, options, out, report);
  if (report != nullptr) report->notes.insert(report->notes.begin(), notes.begin(), notes.end());
  return outcome;
}

Outcome Dialect::has_no_options(const Value& value, Span span) const {
  return Outcome::error({Code::not_supported_yet,
                         describe(value) + " as a value of " + std::string(facts().language) +
                             " is not supported yet: it is an option, or holds one",
                         span, "Give what it holds."});
}

Outcome Dialect::print_plainly(const Value& value, Output& out) const {
  if (value.type() >= Type::moment && lacks(value)) {
    const Value own = own_value(value);
    if (lacks(own)) return refuse_foreign(own, {});
    return print_plainly(own, out);
  }
  return do_print_plainly(value, out);
}

Outcome Dialect::do_print_plainly(const Value&, Output&) const {
  return Outcome::undefined(std::string(facts().language) + " needs a format to print a value", {});
}

namespace {

// The writer of dialects that have none.
class NoWriter final : public Writer {
 public:
  WrittenField write_field(const FieldWish&) const override {
    return {
        {},
        {{Code::not_supported_yet, "writing a field of this dialect is not supported yet", {}}}};
  }

 protected:
  std::string_view language() const override { return "this language"; }
};

}  // namespace

const Writer& Dialect::writer() const {
  static const NoWriter none;
  return none;
}

namespace {

// Those of the same language, or a few.
std::string values_near(const SettingFact& fact, std::string_view given) {
  constexpr std::size_t most = 12;
  const std::string_view language = given.substr(0, given.find_first_of("-_."));
  if (const std::string_view near = nearest_name(given, fact.values); near.starts_with(language))
    return "Did you mean " + std::string(near) + "?";
  std::string out;
  std::size_t count = 0;
  for (const std::string_view value : fact.values) {
    if (value.substr(0, value.find_first_of("-_.")) != language) continue;
    if (++count > most) {
      out += " and others";
      break;
    }
    (out += count == 1 ? "" : ", ") += value;
  }
  if (count > 0) return "There are " + out + ".";
  for (const std::string_view value : fact.telling) (out += out.empty() ? "" : ", ") += value;
  return "There are " + out + " and others.";
}

}  // namespace

const SettingFact* find_setting(const DialectFacts& facts, std::string_view name) {
  const auto found = std::find_if(facts.settings.begin(), facts.settings.end(),
                                  [&](const SettingFact& one) { return one.name == name; });
  return found == facts.settings.end() ? nullptr : &*found;
}

std::optional<Error> find_fault(const DialectFacts& facts, const Setting& setting) {
  const SettingFact* fact = find_setting(facts, setting.name);
  if (fact == nullptr) {
    std::vector<std::string_view> names;
    for (const SettingFact& one : facts.settings) names.push_back(one.name);
    return Error{Code::bad_value,
                 std::string(facts.id) + " has no setting " + in_quotes(setting.name),
                 {},
                 facts.settings.empty() ? "Leave it out: it has no settings."
                                        : choices_for(setting.name, names)};
  }
  if (std::find(fact->values.begin(), fact->values.end(), setting.value) != fact->values.end())
    return std::nullopt;
  if (!fact->telling.empty()) {
    return Error{
        Code::not_supported_yet,
        "the " + std::string(fact->name) + " " + in_quotes(setting.value) + " is not supported yet",
        {},
        values_near(*fact, setting.value) + " All " + std::to_string(fact->values.size()) +
            " are in: inky dialects " + std::string(facts.id) + " --json"};
  }
  return Error{
      Code::not_supported_yet,
      "the " + std::string(fact->name) + " " + in_quotes(setting.value) + " is not supported yet",
      {},
      choices_for(setting.value, fact->values)};
}

std::optional<Spec> Dialect::do_wish_of(const TemplateContent& parsed, int field, Type,
                                        Notes&) const {
  return parsed.fields[static_cast<std::size_t>(field)].spec;
}

std::vector<CountSource> Dialect::do_counts_of(const TemplateContent& parsed, int field) const {
  std::vector<CountSource> out;
  const Field& one = parsed.fields[static_cast<std::size_t>(field)];
  for (const Count& count : {one.width, one.precision}) {
    if (count.from == Count::From::value) out.push_back({{}, count.value_index});
  }
  return out;
}

std::optional<Objection> Dialect::do_objection(const TemplateContent&, int,
                                               std::string_view) const {
  return std::nullopt;
}

Result<WrittenCall> Dialect::do_write_call(const TemplateContent& parsed,
                                           std::span<const std::string> names) const {
  const Result<std::string> content = rewritten(facts(), parsed.source);
  if (!content) return content.error();
  // What was written has to be read as what was given: R, for one, takes no \001 beside a \u03a9.
  const Result<Template> again = parse(*content);
  if (!again || again->literals() != parsed.literals ||
      again->fields().size() != parsed.fields.size() ||
      again->refusal().has_value() != parsed.refusal.has_value())
    return Error{
        Code::not_supported_yet,
        "this template in a program of " + std::string(facts().language) +
            " is not supported yet: its source cannot be written so that it reads the same",
        {0, parsed.source.size()},
        "Write control characters by their escapes."};
  const std::string literal = '"' + *content + '"';
  const std::string whole = writer().write_statement(*content, names);
  const std::size_t at = whole.find(literal);
  return WrittenCall{whole, {{at, at + literal.size()}}};
}

}  // namespace inky::inline v1
