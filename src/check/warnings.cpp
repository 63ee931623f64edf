// What a template that prints may still do wrong.

#include <algorithm>
#include <string>

#include "checker.hpp"
#include "inky_margin/check/check.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

constexpr Code refused[] = {Code::language_fails, Code::language_undefined,
                            Code::language_complains};
// Notes about something changed or ignored, whatever the value; the others teach.
constexpr Code noted[] = {
    Code::too_many_values,   Code::bits_reinterpreted,     Code::value_wrapped,
    Code::low_byte_only,     Code::cut_to_whole,           Code::values_run_out,
    Code::template_recycled, Code::conversion_switched,    Code::flag_without_effect,
    Code::flag_overridden,   Code::no_grouping_in_locale,  Code::quotes_in_template,
    Code::unknown_escape,    Code::implementation_defined, Code::settings_left_on,
    Code::width_used_up,     Code::hole_not_filled,
};
// Notes that are faults of some templates only, and what is demanded besides.
constexpr Code demanded[] = {Code::digits_past_precision, Code::locale_left_open,
                             Code::line_not_ended, Code::line_too_long};

bool is_fault(Code code) {
  return std::find(std::begin(noted), std::end(noted), code) != std::end(noted);
}

// Whether a note is about the template, whatever its values.
bool is_of_template(const Template& parsed, const Note& note) {
  const Notes& notes = parsed.notes();
  return std::any_of(notes.begin(), notes.end(), [&](const Note& one) {
    return one.code == note.code && one.span == note.span;
  });
}

}  // namespace

std::span<const Code> fault_codes() {
  static const std::vector<Code> codes = [] {
    std::vector<Code> out(std::begin(refused), std::end(refused));
    out.insert(out.end(), std::begin(noted), std::end(noted));
    out.insert(out.end(), std::begin(demanded), std::end(demanded));
    return out;
  }();
  return codes;
}

Severity usual_severity(Code code) {
  const bool is_refused = code == Code::language_fails || code == Code::language_undefined;
  return is_refused ? Severity::error : Severity::warning;
}

void Checker::collect_notes(const Template& parsed) {
  for (std::size_t step = 0; step < steps(); ++step) {
    const std::vector<Value> values = values_at(step);
    Report report;
    text_.clear();
    if (!dialect_.render(parsed, values, {}, text_, &report).prints()) continue;
    for (const Note& note : report.notes) {
      const Span span = in_original(note.span);
      // Of a field that was fixed there is no more to say than that.
      const bool known =
          std::any_of(out_.faults.begin(), out_.faults.end(), [&](const Fault& fault) {
            return fault.span == span &&
                   (fault.code == note.code || (given_ != nullptr && !fault.repair.empty()));
          });
      const bool too_many_digits =
          note.code == Code::digits_past_precision && asks_too_many_digits(parsed, note.span);
      if ((!is_fault(note.code) && !too_many_digits) || known || is_guess(parsed, note)) continue;
      out_.faults.push_back({note.code,
                             Severity::warning,
                             message_of(note, parsed, step),
                             span,
                             "prints all the same",
                             {}});
    }
  }
}

bool Checker::asks_too_many_digits(const Template& parsed, Span span) const {
  const Slot* slot = slot_at(parsed, span);
  // Of a value that nobody knows the digits are not known either.
  if (slot == nullptr || !is_real(slot->type) || (given_ != nullptr && !slot->told)) return false;
  const int most = slot->type == Type::f64 ? 17 : slot->type == Type::f32 ? 9 : 36;
  for (const Field& field : parsed.fields()) {
    if (span.from < field.span.from || span.from >= field.span.to) continue;
    const int asked = std::max({field.spec.places, field.spec.significant,
                                field.precision.given() ? field.precision.amount : 0});
    return asked > most;
  }
  return false;
}

std::string Checker::message_of(const Note& note, const Template& parsed, std::size_t step) const {
  const Slot* slot = slot_at(parsed, note.span);
  const bool is_of_source = slot != nullptr && !slot->known && !slot->written.empty();
  if (note.code != Code::bits_reinterpreted || !is_of_source || !is_whole(slot->type))
    return in_words_of_source(note.message, parsed, note.span, step);
  const bool is_signed = fact_of(slot->type).is_signed;
  return std::string(parsed.source().substr(note.span.from, note.span.to - note.span.from)) +
         (is_signed ? " reads an unsigned number, and " : " reads a signed number, and ") +
         visible(slot->written) + (is_signed ? " has a sign" : " has none");
}

bool Checker::is_of_any_type(const Template& parsed, const Note& note, std::size_t slot) const {
  std::vector<Value> values = values_at(0);
  // Where no number suits, the value may be of a type that we do not have: a date.
  bool suits_numbers = false;
  for (const Type type : {Type::i32, Type::f64, Type::text, Type::truth, Type::nil}) {
    const std::string name(values[slot].name());
    const bool is_named = values[slot].is_named();
    values[slot] = trial(type, 0);
    if (is_named) values[slot].set_name(name);
    Report report;
    TextBuffer text;
    if (!dialect_.render(parsed, values, {}, text, &report).prints_cleanly()) continue;
    const bool is_noted = std::any_of(
        report.notes.begin(), report.notes.end(),
        [&](const Note& one) { return one.code == note.code && one.span == note.span; });
    if (!is_noted) return false;
    suits_numbers = suits_numbers || is_whole(type) || is_real(type);
  }
  return suits_numbers;
}

bool Checker::hangs_on_a_value(const Template& parsed, const Note& note) const {
  const Value others[] = {Value(), Value::truth(true), Value::whole(Type::i32, 0),
                          Value::whole(Type::i32, 1), Value::list({})};
  if (!is_unplaced(parsed)) return false;
  constexpr std::size_t most_unknown = 8;
  std::vector<std::size_t> unknown;
  for (std::size_t i = 0; i < slots_.size() && unknown.size() < most_unknown; ++i) {
    if (!slots_[i].told) unknown.push_back(i);
  }
  std::vector<Value> values = values_at(0);
  const auto put = [&](std::size_t at, const Value& other) {
    const std::string name(values[at].name());
    const bool is_named = values[at].is_named();
    values[at] = other;
    if (is_named) values[at].set_name(name);
  };
  const auto is_without = [&] {
    Report report;
    TextBuffer text;
    return dialect_.render(parsed, values, {}, text, &report).prints_cleanly() &&
           std::none_of(report.notes.begin(), report.notes.end(),
                        [&](const Note& one) { return one.code == note.code; });
  };
  // One may choose what another is for: both change.
  for (std::size_t i = 0; i < unknown.size(); ++i) {
    const Value first = values[unknown[i]];
    for (const Value& other : others) {
      put(unknown[i], other);
      if (is_without()) return true;
      for (std::size_t j = i + 1; j < unknown.size(); ++j) {
        const Value second = values[unknown[j]];
        for (const Value& another : others) {
          put(unknown[j], another);
          if (is_without()) return true;
        }
        values[unknown[j]] = second;
      }
    }
    values[unknown[i]] = first;
  }
  return false;
}

bool Checker::is_guess(const Template& parsed, const Note& note) const {
  if (given_ == nullptr) return false;
  const Slot* shown = slot_at(parsed, note.span);
  // How many values there are is known, whatever they are.
  const bool counts = note.code == Code::too_many_values || note.code == Code::values_run_out;
  if (counts && hangs_on_a_value(parsed, note)) return true;
  if (shown != nullptr && !shown->told && !counts && !is_of_template(parsed, note) &&
      !is_of_any_type(parsed, note, static_cast<std::size_t>(shown - slots_.data())))
    return true;
  switch (note.code) {
    case Code::quotes_in_template:
    // A template for each of many values is what it is written for.
    case Code::template_recycled:
      return true;
    // Another value of the same type would do.
    case Code::value_wrapped:
    case Code::low_byte_only:
      return shown == nullptr || !shown->known;
    case Code::bits_reinterpreted:
      // A number that is known is printed as another one.
      return shown == nullptr || (!shown->known && !(demands_.signedness && shown->told));
    case Code::cut_to_whole:
    case Code::conversion_switched:
    case Code::implementation_defined:
      return shown == nullptr || !shown->told;
    default:
      return false;
  }
}

void Checker::find_objections(const Template& parsed) {
  for (std::size_t i = parsed.fields().size(); i-- > 0;) {
    const Field& field = parsed.fields()[i];
    const int index = index_of(field);
    if (index < 0 || static_cast<std::size_t>(index) >= slots_.size()) continue;
    const std::string& type_name = slots_[static_cast<std::size_t>(index)].type_name;
    if (type_name.empty()) continue;
    const auto objection = dialect_.objection(parsed, static_cast<int>(i), type_name);
    if (!objection || (objection->code == Code::bits_reinterpreted && !demands_.signedness))
      continue;
    const Span span = in_original(field.span);
    const auto fixed = std::find_if(out_.faults.begin(), out_.faults.end(), [&](Fault& fault) {
      return fault.span == span && !fault.repair.empty();
    });
    const bool told = std::any_of(out_.faults.begin(), out_.faults.end(), [&](const Fault& fault) {
      return fault.span == span && fault.code == objection->code;
    });
    const bool undefined = objection->code == Code::language_undefined;
    if (fixed != out_.faults.end())
      fixed->repair = objection->repair.empty() ? fixed->repair : objection->repair;
    else if (!told)
      out_.faults.push_back(
          {objection->code, undefined ? Severity::error : Severity::warning, objection->why, span,
           undefined ? "compiles, and anything may be printed" : "prints all the same",
           objection->repair});
    if (objection->repair.empty()) continue;
    source_.replace(field.span.from, field.span.to - field.span.from, objection->repair);
  }
}

void Checker::find_locales(const Template& parsed) {
  const SettingFact* locales = find_setting(dialect_.facts(), "locale");
  if (locales == nullptr) return;
  std::vector<bool> found(parsed.fields().size());
  for (std::size_t step = 0; step < steps(); ++step) {
    const std::vector<Value> values = values_at(step);
    Report here;
    text_.clear();
    if (!dialect_.render(parsed, values, {}, text_, &here).prints()) continue;
    const std::string text(text_.view());
    for (const std::string_view locale :
         locales->telling.empty() ? locales->values : locales->telling) {
      const Setting setting{"locale", locale};
      const RenderOptions options{{&setting, 1}};
      Report there;
      text_.clear();
      if (!dialect_.render(parsed, values, options, text_, &there).prints()) continue;
      if (text_.view() == text) continue;
      for (std::size_t i = 0; i < std::min(here.fields.size(), there.fields.size()); ++i) {
        const Span a = here.fields[i].output;
        const Span b = there.fields[i].output;
        const auto index = static_cast<std::size_t>(std::max(here.fields[i].field, 0));
        if (index >= found.size() || found[index] ||
            text.substr(a.from, a.to - a.from) == text_.view().substr(b.from, b.to - b.from))
          continue;
        found[index] = true;
        out_.faults.push_back({Code::locale_left_open,
                               Severity::warning,
                               "what this prints depends on the locale, and the text is for a "
                               "machine: in " +
                                   std::string(locale) + " " +
                                   in_quotes(text_.view().substr(b.from, b.to - b.from)) +
                                   " stands for " + in_quotes(text.substr(a.from, a.to - a.from)),
                               in_original(parsed.fields()[index].span),
                               "prints what the machine's settings say",
                               {}});
      }
    }
  }
}

void Checker::find_open_line(const Template& parsed) {
  text_.clear();
  if (!dialect_.render(parsed, values_at(0), text_).prints()) return;
  const std::string_view text = text_.view();
  if (!text.empty() && text.back() == '\n') return;
  const Span end = in_original({source_.size(), source_.size()});
  const auto line_end = dialect_.writer().write_literal("\n");
  out_.faults.push_back({Code::line_not_ended, Severity::warning,
                         "what this prints does not end its line", end,
                         "prints, and what is printed next stands on the same line",
                         line_end.value_or(std::string())});
  if (line_end) *out_.repaired += *line_end;
}

void Checker::find_long_lines() {
  const std::size_t columns = measure(source_, WidthUnit::columns);
  if (columns <= demands_.most_columns) return;
  const std::size_t kept = cut(source_, demands_.most_columns, WidthUnit::columns).size();
  out_.faults.push_back({Code::line_too_long,
                         Severity::warning,
                         "the template takes " + std::to_string(columns) +
                             " columns, and a line may have " +
                             std::to_string(demands_.most_columns),
                         in_original({kept, source_.size()}),
                         "prints all the same",
                         {}});
}

}  // namespace inky::inline v1
