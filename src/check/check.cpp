#include "inky_margin/check/check.hpp"

#include <algorithm>
#include <iterator>
#include <string>
#include <utility>

#include "carry/cargo_values.hpp"
#include "checker.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

std::string effect_of(const Outcome& outcome) {
  switch (outcome.kind()) {
    case Outcome::Kind::complains:
      return "prints, and is complained of: " + outcome.failure_name();
    case Outcome::Kind::fails_compile:
      return "does not compile: " + outcome.failure_name();
    case Outcome::Kind::fails_run:
      return "fails when it runs: " + outcome.failure_name();
    default:
      return "compiles, and anything may be printed";
  }
}

}  // namespace

std::string_view name_of(Severity severity) {
  return severity == Severity::error ? "error" : "warning";
}

Result<Checked> Checker::run() {
  // Each round fixes one field, so that those behind it are looked at too.
  for (std::size_t round = 0; round <= most_rounds; ++round) {
    const Result<Template> parsed = dialect_.parse(source_);
    if (!parsed) return parsed.error();
    if (parsed->fields().size() > most_fields_checked)
      return Error{Code::over_limit,
                   "a template of more than " + std::to_string(most_fields_checked) +
                       " fields is not checked",
                   {0, source_.size()},
                   "Check it in parts."};
    // What a fixed field would take is no news of its value.
    if (round == 0)
      settle(*parsed);
    else if (given_ != nullptr)
      settle_unknown(*parsed);
    const auto trouble = find_trouble(*parsed);
    if (!trouble) {
      collect_notes(*parsed);
      find_objections(*parsed);
      if (demands_.same_everywhere) find_locales(*parsed);
      out_.repaired = source_;
      if (demands_.ends_line) find_open_line(*parsed);
      break;
    }
    if (!add(*parsed, *trouble)) break;
  }
  if (demands_.most_columns > 0) find_long_lines();
  std::sort(out_.faults.begin(), out_.faults.end(),
            [](const Fault& a, const Fault& b) { return a.span.from < b.span.from; });
  return std::move(out_);
}

void Checker::settle(const Template& parsed) {
  const std::vector<std::string> names = value_names(parsed);
  if (given_ == nullptr) {
    settle_types(parsed, names);
    return;
  }
  slots_.clear();
  if (given_->values) {
    for (const Given& given : *given_->values)
      // Of a type without values nothing is reported either.
      slots_.push_back({given.type.value_or(Type::text), given.value, given.name,
                        given.value || (given.type && !trial_values(*given.type).empty()), true,
                        given.type_name, given.written});
  }
  const auto taken = static_cast<std::size_t>(std::max(parsed.values_taken(), 0));
  if (given_->spare && names.empty() && slots_.size() > taken) slots_.resize(taken);
  if ((!given_->values && names.empty()) || given_->more_may_follow)
    slots_.resize(std::max(slots_.size(), static_cast<std::size_t>(parsed.values_taken())),
                  {Type::text, std::nullopt, {}, false, true, {}, {}});
  if (given_->names_from_scope || !given_->values) {
    std::vector<std::string> used = names;
    for (const CountSource& count : counts_of(parsed)) {
      if (!count.name.empty()) used.push_back(count.name);
    }
    for (const std::string& name : used) {
      if (slot_named(name) == unset)
        slots_.push_back({Type::text, std::nullopt, name, false, true, {}, {}});
    }
  }
  for (Slot& slot : slots_) {
    if (slot.known) slot.type = slot.known->type();
  }
  take_counts_as_signed(parsed);
  settle_unknown(parsed);
}

void Checker::settle_types(const Template& parsed, const std::vector<std::string>& names) {
  slots_.clear();
  const std::size_t count =
      names.empty() ? static_cast<std::size_t>(parsed.values_taken()) : names.size();
  if (types_given_) {
    // Fewer than the fields take: there are too few.
    const std::size_t most = names.empty() ? types_given_->size() : names.size();
    for (const Type type : types_given_->first(std::min(types_given_->size(), most)))
      slots_.push_back({type, std::nullopt, {}, true, true, {}, {}});
  } else {
    slots_.resize(count);
  }
  for (std::size_t i = 0; i < std::min(slots_.size(), names.size()); ++i) slots_[i].name = names[i];
  if (types_given_) return;
  for (Slot& slot : slots_) slot.told = false;
  take_what_is_said(parsed);
  for (Slot& slot : slots_) slot.told = true;
}

int Checker::slot_named(std::string_view name) const {
  const auto found = std::find_if(slots_.begin(), slots_.end(), [&](const Slot& slot) {
    return !slot.name.empty() && slot.name == name;
  });
  return found == slots_.end() ? unset : static_cast<int>(found - slots_.begin());
}

int Checker::index_of(const Field& field) const {
  return field.key.empty() ? field.value_index : slot_named(field.key_name());
}

std::vector<Value> Checker::values_at(std::size_t step) const {
  std::vector<Value> out;
  for (const Slot& slot : slots_) {
    out.push_back(slot.known ? *slot.known : is_any(slot) ? trial(slot.type, step) : usual(slot));
    if (!slot.name.empty()) out.back().set_name(slot.name);
  }
  return out;
}

Value Checker::trial(Type type, std::size_t step) {
  const auto trials = trial_values(type);
  return trials.empty() ? Value() : trials[step % trials.size()];
}

bool Checker::is_any(const Slot& slot) const {
  return slot.told && !(given_ != nullptr && (slot.is_count || slot.type == Type::character));
}

Value Checker::usual(const Slot& slot) {
  if (slot.type == Type::character) return Value::character('a');
  if (is_whole(slot.type) && slot.type != Type::big)
    return Value::whole(slot.type, slot.is_count ? 37 : 42);
  return trial(slot.type, 0);
}

std::size_t Checker::steps() const {
  std::size_t out = 1;
  for (const Slot& slot : slots_) {
    if (is_any(slot) && !slot.known) out = std::max(out, trial_values(slot.type).size());
  }
  return std::min(out, most_values_tried);
}

std::optional<Checker::Trouble> Checker::find_trouble(const Template& parsed) {
  std::optional<Trouble> found;
  std::size_t bad = 0;
  for (std::size_t step = 0; step < steps(); ++step) {
    const std::vector<Value> values = values_at(step);
    text_.clear();
    Outcome outcome = dialect_.render(parsed, values, text_);
    if (outcome.prints_cleanly()) continue;
    ++bad;
    if (found) continue;
    std::string of;
    for (const Value& value : values) of += (of.empty() ? "" : ", ") + visible(describe(value));
    found = Trouble{std::move(outcome), std::move(of)};
  }
  // Of source, which seldom shows the value, a fault is one of every value.
  if (found && given_ != nullptr && bad < steps()) return std::nullopt;
  if (found && bad == steps()) found->of.clear();
  return found;
}

Span Checker::in_original(Span span) const {
  const auto map = [&](std::size_t at) {
    for (auto edit = edits_.rbegin(); edit != edits_.rend(); ++edit) {
      const std::size_t end = edit->before.from + edit->size;
      if (at >= end)
        at = at - end + edit->before.to;
      else if (at > edit->before.from)
        at = edit->before.to;
    }
    return at;
  };
  return {map(span.from), map(span.to)};
}

bool Checker::add(const Template& parsed, const Trouble& trouble) {
  const Outcome& outcome = trouble.outcome;
  Fault fault;
  // Any pointer may be shown by its address: another field stands for it from here on.
  if (given_ != nullptr && is_address(parsed, outcome.span()) &&
      !objection_at(parsed, outcome.span())) {
    Slot& slot = slots_[static_cast<std::size_t>(slot_at(parsed, outcome.span()) - slots_.data())];
    const std::string type_name = std::exchange(slot.type_name, {});
    if (slot.type == Type::list) {
      slot.known.reset();
      slot.type = Type::text;
    }
    if (mend(parsed, outcome.span(), fault)) return true;
    slot.type_name = type_name;
  }
  fault.code = outcome.kind() == Outcome::Kind::undefined   ? Code::language_undefined
               : outcome.kind() == Outcome::Kind::error     ? outcome.as_error().code
               : outcome.kind() == Outcome::Kind::complains ? Code::language_complains
                                                            : Code::language_fails;
  fault.message = in_words_of_source(outcome.why(), parsed, outcome.span());
  if (!trouble.of.empty()) fault.message += " (of " + trouble.of + ")";
  const auto objection = objection_at(parsed, outcome.span());
  if (objection) {
    fault.message = objection->why;
    fault.code = objection->code;
  }
  // A type that we do not have may suit, where it is not the field itself that is refused.
  const Slot* slot = slot_at(parsed, outcome.span());
  if (slot != nullptr && !slot->suits && !parsed.refusal() &&
      !is_refused_at(parsed, outcome.span())) {
    fault.code = Code::not_supported_yet;
    fault.message = "no type that is known here suits this field";
  }
  // Which version source is for nobody knows.
  const bool is_newer = parsed.refusal() && parsed.refusal()->is_new;
  if (given_ != nullptr && (is_newer || is_refused_here_only(parsed, outcome.span()) ||
                            (!parsed.refusal() && is_unsettled(parsed, outcome))))
    fault.code = Code::not_supported_yet;
  fault.span = in_original(outcome.span());
  if (outcome.kind() != Outcome::Kind::error) fault.effect = effect_of(outcome);
  if (objection && objection->code == Code::language_fails) fault.effect = "does not compile";
  // A fault of some values is theirs, not the field's.
  const bool of_some = !trouble.of.empty();
  const bool fixed = !of_some && mend(parsed, outcome.span(), fault);
  out_.faults.push_back(std::move(fault));
  return fixed;
}

const Checker::Slot* Checker::slot_at(const Template& parsed, Span span) const {
  for (const Field& field : parsed.fields()) {
    if (span.from < field.span.from || span.from >= field.span.to) continue;
    const int index = index_of(field);
    if (index >= 0 && static_cast<std::size_t>(index) < slots_.size())
      return &slots_[static_cast<std::size_t>(index)];
  }
  return nullptr;
}

// What the dialect says of the type by its name, where it says that the field cannot take it.
std::optional<Objection> Checker::objection_at(const Template& parsed, Span span) const {
  const Slot* slot = slot_at(parsed, span);
  if (slot == nullptr || slot->type_name.empty()) return std::nullopt;
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const Field& field = parsed.fields()[i];
    if (span.from < field.span.from || span.from >= field.span.to || !field.defect.empty())
      continue;
    auto out = dialect_.objection(parsed, static_cast<int>(i), slot->type_name);
    if (out && (out->code == Code::language_undefined || out->code == Code::language_fails))
      return out;
  }
  return std::nullopt;
}

bool Checker::is_refused_at(const Template& parsed, Span span) {
  return std::any_of(parsed.fields().begin(), parsed.fields().end(), [&](const Field& field) {
    return field.span.from <= span.from && span.from < field.span.to &&
           !(field.failure.empty() && field.defect.empty());
  });
}

bool Checker::is_address(const Template& parsed, Span span) const {
  const Slot* slot = slot_at(parsed, span);
  return slot != nullptr && (slot->type == Type::text || slot->type == Type::list || !slot->told) &&
         std::any_of(parsed.fields().begin(), parsed.fields().end(), [&](const Field& field) {
           return field.span.from <= span.from && span.from < field.span.to &&
                  field.shows_address && field.defect.empty();
         });
}

bool Checker::is_refused_here_only(const Template& parsed, Span span) {
  return std::any_of(parsed.fields().begin(), parsed.fields().end(), [&](const Field& field) {
    return field.span.from <= span.from && span.from < field.span.to && field.defect_is_ours;
  });
}

std::string Checker::in_words_of_source(std::string message, const Template& parsed, Span span,
                                        std::size_t step) const {
  // The field's own value first, then those that its counts take.
  std::vector<int> indices;
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const Field& field = parsed.fields()[i];
    if (span.from < field.span.from || span.from >= field.span.to) continue;
    indices.push_back(index_of(field));
    for (const CountSource& count : dialect_.counts_of(parsed, static_cast<int>(i)))
      indices.push_back(count.name.empty() ? count.index : slot_named(count.name));
  }
  const std::vector<Value> values = values_at(step);
  for (const int index : indices) {
    if (index < 0 || static_cast<std::size_t>(index) >= slots_.size()) continue;
    const Slot& slot = slots_[static_cast<std::size_t>(index)];
    if (slot.written.empty()) continue;
    const std::string value = describe(values[static_cast<std::size_t>(index)]);
    const std::size_t at = message.find(value);
    if (at != std::string::npos) return message.replace(at, value.size(), visible(slot.written));
  }
  return message;
}

bool Checker::mend(const Template& parsed, Span span, Fault& fault) {
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const Field& field = parsed.fields()[i];
    if (span.from < field.span.from || span.from >= field.span.to) continue;
    const auto objection = objection_at(parsed, span);
    if (objection && !objection->repair.empty() &&
        try_source(parsed, field, objection->repair, fault))
      return true;
    const int index = index_of(field);
    if (index < 0 || static_cast<std::size_t>(index) >= slots_.size()) return false;
    FieldWish wish;
    wish.type = written_as(slots_[static_cast<std::size_t>(index)].type);
    Notes ignored;
    if (const auto spec = dialect_.wish_of(parsed, static_cast<int>(i), wish.type, ignored))
      wish.spec = *spec;
    if (field.position != unset) wish.position = field.position;
    if (!field.key.empty()) wish.name = std::string(field.key_name());
    // As it was meant, where the kind fits; else as the language shows such a value; else by
    // size.
    const Spec meant = wish.spec;
    for (int attempt = 0; attempt < 3; ++attempt) {
      wish.spec = meant;
      if (attempt > 0) {
        wish.spec.kind = Kind::any;
        wish.spec.base = 10;
      }
      if (attempt == 2) wish.spec.notation = Notation::compact;
      if (try_source(parsed, field, dialect_.writer().write_field(wish).source, fault)) return true;
    }
    return false;
  }
  return false;
}

bool Checker::try_source(const Template& parsed, const Field& field, const std::string& written,
                         Fault& fault) {
  if (written.empty() || written == parsed.source_of(field)) return false;
  std::string source = source_;
  source.replace(field.span.from, field.span.to - field.span.from, written);
  const Result<Template> again = dialect_.parse(source);
  if (!again || again->refusal()) return false;
  text_.clear();
  const Outcome outcome = dialect_.render(*again, values_at(0), text_);
  if (!outcome.prints_cleanly() && outcome.span().from < field.span.from + written.size())
    return false;
  fault.repair = written;
  edits_.push_back({field.span, written.size()});
  source_ = std::move(source);
  return true;
}

Result<Checked> check(const Dialect& dialect, std::string_view source,
                      std::optional<std::span<const Type>> types, const Demands& demands) {
  return Checker(dialect, source, types, demands).run();
}

Result<Checked> check(const Dialect& dialect, std::string_view source, const GivenValues& given,
                      const Demands& demands) {
  return Checker(dialect, source, given, demands).run();
}

}  // namespace inky::inline v1
