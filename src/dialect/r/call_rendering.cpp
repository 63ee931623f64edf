#include "call_rendering.hpp"

#include <algorithm>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "inky_margin/number/decimal.hpp"

namespace inky::inline v1::r_language {

namespace {

struct Named final : computed::Scope {
  explicit Named(const NamedValues& values) : named(values) {}
  const Value* find(std::string_view name) const override { return named.find(name); }
  const NamedValues& named;
};

}  // namespace

bool CallRendering::fail(std::string why, Span span) {
  trouble_ = Outcome::fails_at_run("simpleError", std::move(why), span);
  return false;
}

bool CallRendering::not_yet(std::string what, Span span) {
  trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet", span,
                             "Leave it out, or give its result."});
  return false;
}

std::string CallRendering::padded(std::string_view text, int width,
                                  std::string_view justify) const {
  return padded_by(text, width - columns_of(text), justify);
}

void CallRendering::note(Code code, std::string message, Span span) {
  report_->notes.push_back({code, std::move(message), span});
}

void CallRendering::note_spare() {
  const std::size_t spare = named_.spare();
  if (spare > 0)
    note(Code::too_many_values, std::to_string(spare) + " more than the names in the call",
         whole());
}

bool CallRendering::match(std::span<const std::string_view> formals, bool has_dots) {
  // A question mark before a name states that the argument is not supported yet.
  const auto name_of = [](std::string_view formal) {
    return formal.substr(formal.starts_with('?') ? 1 : 0);
  };
  matched_.assign(formals.size(), nullptr);
  std::vector<bool> used(request_.call.arguments.size(), false);
  for (const bool partial : {false, true}) {
    for (std::size_t i = 0; i < request_.call.arguments.size(); ++i) {
      const std::string& name = request_.call.arguments[i].name;
      if (name.empty() || used[i]) continue;
      std::size_t found = formals.size();
      for (std::size_t k = 0; k < formals.size(); ++k) {
        const std::string_view formal = name_of(formals[k]);
        const bool fits =
            partial ? formal.starts_with(name) && matched_[k] == nullptr : formal == name;
        if (!fits) continue;
        if (found != formals.size() || matched_[k] != nullptr)
          return fail("an argument is matched by several names", request_.call.arguments[i].span);
        found = k;
      }
      if (found == formals.size()) continue;
      matched_[found] = &request_.call.arguments[i].expression;
      used[i] = true;
    }
  }
  std::size_t place = 0;
  for (std::size_t i = 0; i < request_.call.arguments.size(); ++i) {
    if (used[i]) continue;
    const Argument& argument = request_.call.arguments[i];
    if (!argument.name.empty()) {
      if (!has_dots) return fail("unused argument " + argument.name, argument.span);
      return not_yet("the argument " + argument.name + " is", argument.span);
    }
    while (place < matched_.size() && matched_[place] != nullptr) ++place;
    if (place == matched_.size()) return fail("unused argument", argument.span);
    matched_[place] = &argument.expression;
  }
  for (std::size_t k = 0; k < formals.size(); ++k) {
    if (formals[k].starts_with('?') && matched_[k] != nullptr)
      return not_yet("the argument " + std::string(formals[k].substr(1)) + " is",
                     matched_[k]->span);
  }
  return true;
}

bool CallRendering::take_vector(const Expression& expression, Vector& out) {
  const std::size_t before = out.items.size();
  switch (expression.kind) {
    case Expression::Kind::null:
      return true;
    case Expression::Kind::value:
      out.items.push_back(expression.value);
      break;
    case Expression::Kind::computed: {
      const Named scope(named_);
      Expressions evaluator(scope);
      Value value;
      if (!evaluator.evaluate(expression.node, value)) {
        trouble_ = computed::outcome_of(*evaluator.trouble());
        return false;
      }
      if (!take_value(value, expression.span, out)) return false;
      // The type of NA, which a value of ours has not, decides here.
      const bool is_missing = std::all_of(out.items.begin(), out.items.end(),
                                          [](const Value& item) { return item.is(Type::nil); });
      if (is_missing) return not_yet("an expression that is NA is", expression.span);
      break;
    }
    case Expression::Kind::vector:
      for (const Expression& item : expression.items) {
        if (!take_vector(item, out)) return false;
      }
      break;
    case Expression::Kind::name: {
      const Value* value = named_.find(expression.name);
      if (value == nullptr)
        return fail("object '" + expression.name + "' not found", expression.span);
      if (!take_value(*value, expression.span, out)) return false;
      break;
    }
  }
  for (std::size_t i = before; i < out.items.size(); ++i) {
    if (expression.negative && !negate(out.items[i], expression.span)) return false;
  }
  out.mode = Mode::logical;
  for (const Value& item : out.items) out.mode = std::max(out.mode, mode_of(item));
  return true;
}

bool CallRendering::take_value(const Value& value, Span span, Vector& out) {
  if (value.is(Type::list) || value.is(Type::tuple)) {
    for (const Value& item : value.as_list()) {
      if (is_compound(item.type())) return not_yet("a list in a list is", span);
      if (!take_value(item, span, out)) return false;
    }
    return true;
  }
  if (is_rare(value.type()))
    return not_yet("a value of type " + std::string(name_of(value.type())) + " is", span);
  out.items.push_back(value);
  return true;
}

bool CallRendering::negate(Value& value, Span span) {
  if (value.is(Type::nil)) return true;
  if (is_text_or_character(value)) return fail("invalid argument to unary operator", span);
  if (mode_of(value) != Mode::real) {
    value = Value::whole(Type::i32, -static_cast<int128>(integer_of(value)));
    return true;
  }
  BinaryReal real = nearest_f64(value);
  real.negative = !real.negative;
  value = Value::real(Type::f64, pack(binary64, real));
  return true;
}

bool CallRendering::take_count(std::size_t at, std::optional<int>& out) {
  if (matched_[at] == nullptr || matched_[at]->kind == Expression::Kind::null) return true;
  Vector vector;
  const Span span = matched_[at]->span;
  if (!take_vector(*matched_[at], vector)) return false;
  if (vector.items.size() != 1 || vector.mode == Mode::character || vector.items[0].is(Type::nil))
    return not_yet("such a number is", span);
  const Value& value = vector.items[0];
  if (is_real(value.type()) && !nearest_f64(value).is_finite())
    return not_yet("such a number is", span);
  const BinaryReal real = nearest_f64(value);
  if (!real.is_zero() && real.leading_exponent() > 20) return over_limit(span);
  out = static_cast<int>(integer_of(value));
  return std::abs(*out) <= most_width || over_limit(span);
}

bool CallRendering::over_limit(Span span) {
  trouble_ = Outcome::error({Code::over_limit,
                             "a number is over the limit of " + std::to_string(most_width), span,
                             "Use at most " + std::to_string(most_width) + "."});
  return false;
}

bool CallRendering::within_output(std::size_t count, int width) {
  if (static_cast<std::size_t>(std::abs(width)) * count <= most_output) return true;
  trouble_ =
      Outcome::error({Code::over_limit,
                      "the texts grow over the limit of " + std::to_string(most_output) + " bytes",
                      whole(), "Use fewer elements, or a smaller width."});
  return false;
}

bool CallRendering::take_text(std::size_t at, std::string& out) {
  if (matched_[at] == nullptr || matched_[at]->kind == Expression::Kind::null) return true;
  Vector vector;
  if (!take_vector(*matched_[at], vector)) return false;
  if (vector.items.size() != 1 || vector.mode != Mode::character)
    return not_yet("such a text is", matched_[at]->span);
  out = text_of(vector.items[0]);
  return true;
}

bool CallRendering::shows_dates() {
  const auto& arguments = request_.call.arguments;
  const auto found = std::find_if(arguments.begin(), arguments.end(), [](const Argument& one) {
    return one.name.empty() || one.name == "x";
  });
  if (found == arguments.end()) return false;
  const Expression& x = found->expression;
  if (x.kind == Expression::Kind::name) {
    const Value* value = named_.find(x.name);
    return value != nullptr && are_dates(*value);
  }
  if (x.kind != Expression::Kind::computed) return false;
  const Named scope(named_);
  Expressions evaluator(scope);
  Value value;
  return evaluator.evaluate(x.node, value) && are_dates(value);
}

bool CallRendering::run_dates(std::vector<std::string>& texts) {
  TemplateContent again;
  again.source = request_.parsed.source;
  ExpressionReader reader(again, 0);
  computed::Node call;
  if (!reader.read(call)) return not_yet("this call of a date is", whole());
  computed::Shared shared{0, request_.locale};
  Named scope(named_);
  scope.shared = &shared;
  Expressions evaluator(scope);
  Value value;
  if (!evaluator.evaluate(call, value)) {
    trouble_ = computed::outcome_of(*evaluator.trouble());
    return false;
  }
  for (const Value& item : items_of(value))
    texts.push_back(item.is(Type::nil) ? "NA" : std::string(item.as_text()));
  return true;
}

bool CallRendering::take_x(Vector& out) {
  if (matched_[0] == nullptr) return fail("argument \"x\" is missing, with no default", whole());
  return take_vector(*matched_[0], out);
}

bool CallRendering::take_truth(std::size_t at, bool& out) {
  if (matched_[at] == nullptr) return true;
  Vector vector;
  if (!take_vector(*matched_[at], vector)) return false;
  if (vector.items.size() != 1 || !vector.items[0].is(Type::truth))
    return not_yet("such a truth value here is", matched_[at]->span);
  out = vector.items[0].as_whole() != 0;
  return true;
}

bool CallRendering::take_marks(std::size_t mark, std::size_t interval, std::size_t point,
                               Marks& out) {
  std::optional<int> size;
  std::string decimal;
  if (!take_text(mark, out.mark) || !take_count(interval, size) || !take_text(point, decimal))
    return false;
  if (size) out.interval = *size;
  if (out.interval < 1) return not_yet("such an interval is", matched_[interval]->span);
  if (decimal.size() > 1) return not_yet("a decimal mark of several characters is", whole());
  if (!decimal.empty()) out.point = decimal[0];
  return true;
}

std::vector<std::optional<BinaryReal>> CallRendering::reals_of(const Vector& vector) {
  std::vector<std::optional<BinaryReal>> out;
  for (const Value& item : vector.items) {
    if (item.is(Type::nil))
      out.emplace_back();
    else
      out.emplace_back(nearest_f64(item));
  }
  return out;
}

bool CallRendering::format_texts(const Vector& x, int width, std::string_view justify,
                                 std::vector<std::string>& texts) {
  for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
  int common = std::max(width, 0);
  for (const std::string& text : texts) common = std::max(common, columns_of(text));
  for (std::string& text : texts) text = padded(text, common, justify);
  return true;
}

void CallRendering::mark(const Marks& marks, bool common, std::vector<std::string>& texts) const {
  bool longer = false;
  for (std::string& text : texts) {
    const std::size_t before = text.size();
    // R takes the text apart at its point, and one with nothing behind it is lost.
    if (text.ends_with(marks.point)) text.pop_back();
    if (!marks.mark.empty()) put_marks(marks, text);
    if (marks.drops_zeros) drop_zeros(marks.point, text);
    const std::size_t added = text.size() > before ? text.size() - before : 0;
    longer |= added > 0;
    if (common) continue;
    const std::size_t blanks = std::min(text.find_first_not_of(' '), text.size());
    text.erase(0, std::min(added, blanks));
  }
  if (!common || !longer) return;
  int width = 0;
  for (const std::string& text : texts) width = std::max(width, columns_of(text));
  for (std::string& text : texts) text = padded(text, width, "right");
}

}  // namespace inky::inline v1::r_language
