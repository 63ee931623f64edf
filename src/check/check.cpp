#include "inky_margin/check/check.hpp"

#include <algorithm>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/escape.hpp"

namespace inky {

std::string_view name_of(Severity severity) {
  return severity == Severity::error ? "error" : "warning";
}

namespace {

// Notes that tell of something changed or ignored, whatever the value; the others teach.
bool is_fault(Code code) {
  switch (code) {
    case Code::too_many_values:
    case Code::bits_reinterpreted:
    case Code::value_wrapped:
    case Code::low_byte_only:
    case Code::cut_to_whole:
    case Code::values_run_out:
    case Code::template_recycled:
    case Code::conversion_switched:
    case Code::flag_without_effect:
    case Code::flag_overridden:
    case Code::no_grouping_in_locale:
    case Code::quotes_in_template:
    case Code::unknown_escape:
    case Code::implementation_defined:
    case Code::settings_left_on:
    case Code::width_used_up:
      return true;
    default:
      return false;
  }
}

std::string effect_of(const Outcome& outcome) {
  switch (outcome.kind()) {
    case Outcome::Kind::fails_compile:
      return "does not compile: " + outcome.failure_name();
    case Outcome::Kind::fails_run:
      return "fails when it runs: " + outcome.failure_name();
    default:
      return "compiles, and anything may be printed";
  }
}

class Checker {
 public:
  Checker(const Dialect& dialect, std::string_view source,
          std::optional<std::span<const Type>> types)
      : dialect_(dialect), source_(source), given_(types) {}

  Result<Checked> run() {
    // Each round mends one field, so that those behind it are looked at too.
    for (std::size_t round = 0; round <= most_rounds; ++round) {
      const Result<Template> parsed = dialect_.parse(source_);
      if (!parsed) return parsed.error();
      settle_types(*parsed);
      const auto trouble = find_trouble(*parsed);
      if (!trouble) {
        collect_notes(*parsed);
        out_.repaired = source_;
        break;
      }
      if (!add(*parsed, *trouble)) break;
    }
    std::sort(out_.faults.begin(), out_.faults.end(),
              [](const Fault& a, const Fault& b) { return a.span.from < b.span.from; });
    return std::move(out_);
  }

 private:
  static constexpr std::size_t most_rounds = 64;
  static constexpr std::size_t most_values_tried = 60;

  struct Trouble {
    Outcome outcome;
    std::string of;  // the values, where it is not all of them
  };
  // A stretch of the source that stands where another one stood.
  struct Edit {
    Span before;
    std::size_t size;
  };

  void settle_types(const Template& parsed) {
    names_ = value_names(parsed);
    if (given_) {
      // Fewer than the fields take: there are too few.
      const std::size_t most = names_.empty() ? given_->size() : names_.size();
      types_.assign(given_->begin(),
                    given_->begin() + static_cast<std::ptrdiff_t>(std::min(given_->size(), most)));
      return;
    }
    const std::size_t count =
        names_.empty() ? static_cast<std::size_t>(parsed.values_taken) : names_.size();
    types_.assign(count, Type::text);
    for (std::size_t i = 0; i < parsed.fields.size(); ++i) {
      const int index = index_of(parsed.fields[i]);
      if (index >= 0 && static_cast<std::size_t>(index) < count)
        types_[static_cast<std::size_t>(index)] = type_said(dialect_, parsed, static_cast<int>(i));
    }
  }
  int index_of(const Field& field) const {
    if (field.key.empty()) return field.value_index;
    const auto found = std::find(names_.begin(), names_.end(), field.key_name());
    return found == names_.end() ? unset : static_cast<int>(found - names_.begin());
  }

  // The values of a step: each type's own, in turn.
  std::vector<Value> values_at(std::size_t step) const {
    std::vector<Value> out;
    for (std::size_t i = 0; i < types_.size(); ++i) {
      const auto trials = trial_values(types_[i]);
      out.push_back(trials.empty() ? Value() : trials[step % trials.size()]);
      if (i < names_.size()) out.back().set_name(names_[i]);
    }
    return out;
  }
  std::size_t steps() const {
    std::size_t out = 1;
    for (const Type type : types_) out = std::max(out, trial_values(type).size());
    return std::min(out, most_values_tried);
  }

  std::optional<Trouble> find_trouble(const Template& parsed) {
    std::optional<Trouble> found;
    std::size_t bad = 0;
    for (std::size_t step = 0; step < steps(); ++step) {
      const std::vector<Value> values = values_at(step);
      text_.clear();
      Outcome outcome = dialect_.render(parsed, values, text_);
      if (outcome.prints()) continue;
      ++bad;
      if (found) continue;
      std::string of;
      for (const Value& value : values) of += (of.empty() ? "" : ", ") + visible(describe(value));
      found = Trouble{std::move(outcome), std::move(of)};
    }
    if (found && bad == steps()) found->of.clear();
    return found;
  }

  Span in_original(Span span) const {
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

  // The fault; whether it was mended, so that looking further makes sense.
  bool add(const Template& parsed, const Trouble& trouble) {
    const Outcome& outcome = trouble.outcome;
    Fault fault;
    fault.code = outcome.kind() == Outcome::Kind::undefined ? Code::language_undefined
                 : outcome.kind() == Outcome::Kind::error   ? outcome.as_error().code
                                                            : Code::language_fails;
    fault.message = outcome.why();
    if (!trouble.of.empty()) fault.message += " (of " + trouble.of + ")";
    fault.span = in_original(outcome.span());
    if (outcome.kind() != Outcome::Kind::error) fault.effect = effect_of(outcome);
    // A fault of some values is theirs, not the field's.
    const bool of_some = !trouble.of.empty();
    const bool mended = !of_some && mend(parsed, outcome.span(), fault);
    out_.faults.push_back(std::move(fault));
    return mended;
  }

  // The field written anew for the type that it is given.
  bool mend(const Template& parsed, Span span, Fault& fault) {
    for (std::size_t i = 0; i < parsed.fields.size(); ++i) {
      const Field& field = parsed.fields[i];
      if (span.from < field.span.from || span.from >= field.span.to) continue;
      const int index = index_of(field);
      if (index < 0 || static_cast<std::size_t>(index) >= types_.size()) return false;
      FieldWish wish;
      wish.type = types_[static_cast<std::size_t>(index)];
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
        if (try_source(parsed, field, dialect_.write_field(wish).source, fault)) return true;
      }
      return false;
    }
    return false;
  }

  // A repair that still fails at the same place is none.
  bool try_source(const Template& parsed, const Field& field, const std::string& written,
                  Fault& fault) {
    if (written.empty() || written == parsed.source_of(field)) return false;
    std::string source = source_;
    source.replace(field.span.from, field.span.to - field.span.from, written);
    const Result<Template> again = dialect_.parse(source);
    if (!again || again->refusal) return false;
    text_.clear();
    const Outcome outcome = dialect_.render(*again, values_at(0), text_);
    if (!outcome.prints() && outcome.span().from < field.span.from + written.size()) return false;
    fault.repair = written;
    edits_.push_back({field.span, written.size()});
    source_ = std::move(source);
    return true;
  }

  void collect_notes(const Template& parsed) {
    for (std::size_t step = 0; step < steps(); ++step) {
      const std::vector<Value> values = values_at(step);
      Report report;
      text_.clear();
      if (!dialect_.render(parsed, values, {}, text_, &report).prints()) continue;
      for (const Note& note : report.notes) {
        const Span span = in_original(note.span);
        const bool known = std::any_of(
            out_.faults.begin(), out_.faults.end(),
            [&](const Fault& fault) { return fault.code == note.code && fault.span == span; });
        if (!is_fault(note.code) || known) continue;
        out_.faults.push_back(
            {note.code, Severity::warning, note.message, span, "prints all the same", {}});
      }
    }
  }

  const Dialect& dialect_;
  std::string source_;
  std::optional<std::span<const Type>> given_;
  std::vector<std::string> names_;
  std::vector<Type> types_;
  std::vector<Edit> edits_;
  Checked out_;
  TextBuffer text_;
};

}  // namespace

Result<Checked> check(const Dialect& dialect, std::string_view source,
                      std::optional<std::span<const Type>> types) {
  return Checker(dialect, source, types).run();
}

}  // namespace inky
