#include "inky_margin/carry/carry.hpp"

#include <algorithm>
#include <unordered_set>

#include "cargo_values.hpp"
#include "trial_values.hpp"

namespace inky::inline v1 {

std::string_view name_of(Verdict verdict) {
  switch (verdict) {
    case Verdict::same:
      return "same";
    case Verdict::same_for:
      return "same-for";
    case Verdict::differs:
      return "differs";
    default:
      return "cannot";
  }
}

namespace {

Error too_many_values() {
  return {
      Code::over_limit,
      "a template of more than " + std::to_string(most_values_carried) + " values is not carried",
      {},
      "Carry it in parts."};
}

Error fails_at_home(const Dialect& dialect, const Outcome& outcome) {
  return {Code::template_fails,
          "in " + std::string(dialect.facts().id) +
              (outcome.prints() ? " this is complained of: " : " this prints nothing: ") +
              outcome.why(),
          outcome.span(),
          "Carry a template that prints; inky show explains what is wrong with this one."};
}

}  // namespace

const Value& sample_of(Type type) {
  const std::span<const Value> values = trial_values(type);
  static const Value none;
  // 12.5 and 7 and "ink": no tie, no sign, nothing wide.
  constexpr std::size_t plain_real = 13;
  if (values.empty()) return none;
  return is_real(type) && values.size() > plain_real ? values[plain_real] : values[0];
}

std::string default_name(int index) {
  return "v" + std::to_string(index + 1);
}

std::vector<std::string> value_names(const Template& parsed) {
  std::vector<std::string> out(parsed.value_names().begin(), parsed.value_names().end());
  if (!out.empty()) return out;
  std::unordered_set<std::string_view> known;
  for (const Field& field : parsed.fields()) {
    if (!field.key.empty() && known.insert(field.key_name()).second)
      out.emplace_back(field.key_name());
  }
  return out;
}

Type type_said(const Dialect& dialect, const Template& parsed, int field) {
  Notes ignored;
  const auto spec = dialect.wish_of(parsed, field, Type::text, ignored);
  if (!spec) return Type::text;
  if (spec->kind == Kind::whole) return Type::i32;
  if (spec->kind == Kind::real) return Type::f64;
  if (spec->kind == Kind::character) return Type::character;
  if (spec->kind == Kind::truth) return Type::truth;
  if (spec->kind == Kind::moment) {
    // Some languages have dates in their fields, and no moments.
    TextBuffer shown;
    const bool has_moments = dialect.print_plainly(Value::moment({2000, 1, 1}), shown).prints();
    return has_moments || !dialect.print_plainly(Value::date({2000, 1, 1}), shown).prints()
               ? Type::moment
               : Type::date;
  }
  const auto of_real = dialect.wish_of(parsed, field, Type::f64, ignored);
  return of_real && (of_real->places != unset || of_real->significant != unset) ? Type::f64
                                                                                : Type::text;
}

Value Cargo::given(int index, const Value& value) const {
  Value out = value;
  if (named_) out.set_name(names_[static_cast<std::size_t>(index)]);
  return out;
}

Result<Cargo> Cargo::make(const Dialect& from, const Template& parsed,
                          std::span<const Type> types) {
  Cargo out;
  out.from_ = &from;
  out.parsed_ = &parsed;
  if (parsed.refusal()) {
    const Refusal& refusal = *parsed.refusal();
    return Error{refusal.when == Refusal::When::not_supported_yet ? Code::not_supported_yet
                                                                  : Code::template_fails,
                 "in " + std::string(from.facts().id) + " this prints nothing: " + refusal.why,
                 refusal.span,
                 "Carry a template that prints; inky show explains what is wrong with this one."};
  }
  // The values: by name, or by place.
  const auto index_of = [&](const Field& field) {
    if (field.key.empty()) return field.value_index;
    const auto found = std::find(out.names_.begin(), out.names_.end(), field.key_name());
    return found == out.names_.end() ? unset : static_cast<int>(found - out.names_.begin());
  };
  out.names_ = value_names(parsed);
  out.named_ = !out.names_.empty();
  if (parsed.fields().size() > most_values_carried || out.names_.size() > most_values_carried)
    return too_many_values();
  const auto by_place = std::find_if(
      parsed.fields().begin(), parsed.fields().end(),
      [](const Field& field) { return field.key.empty() && field.value_index != unset; });
  if (out.named_ && by_place != parsed.fields().end())
    return Error{Code::not_supported_yet,
                 "carrying values by name and by place together is not supported yet",
                 by_place->span, "Name all values, or none."};
  if (!out.named_) {
    int count = parsed.values_taken();
    for (const Field& field : parsed.fields()) count = std::max(count, field.value_index + 1);
    count = std::max(count, static_cast<int>(types.size()));
    if (count > most_values_carried) return too_many_values();
    for (int i = 0; i < count; ++i) out.names_.push_back(default_name(i));
  }
  out.types_.assign(out.names_.size(), Type::text);
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const int index = index_of(parsed.fields()[i]);
    if (index != unset)
      out.types_[static_cast<std::size_t>(index)] = type_said(from, parsed, static_cast<int>(i));
  }
  std::copy_n(types.begin(), std::min(types.size(), out.types_.size()), out.types_.begin());

  // Printed once, it shows which value each field shows, and what the others print.
  std::vector<Value> values;
  for (std::size_t i = 0; i < out.types_.size(); ++i)
    values.push_back(out.given(static_cast<int>(i), sample_of(out.types_[i])));
  TextBuffer text;
  Report report;
  Outcome outcome = from.render(parsed, values, {}, text, &report);
  // What only moments with an offset have may be asked of them.
  if (!outcome.prints_cleanly() && from.facts().times) {
    std::vector<Value> beside_utc = values;
    for (std::size_t i = 0; i < values.size(); ++i) {
      if (out.types_[i] == Type::moment)
        beside_utc[i] = out.given(static_cast<int>(i), moments_with_offsets().front());
    }
    TextBuffer again;
    Report seen;
    Outcome other = from.render(parsed, beside_utc, {}, again, &seen);
    if (other.prints_cleanly()) {
      outcome = std::move(other);
      text.clear();
      text.append(again.view());
      report = std::move(seen);
    }
  }
  if (!outcome.prints_cleanly()) return fails_at_home(from, outcome);
  constexpr std::size_t most_text = 65536;
  if (text.view().size() > most_text)
    return Error{
        Code::over_limit,
        "a template that prints more than " + std::to_string(most_text) + " bytes is not carried",
        {0, parsed.source().size()},
        "Carry it in parts."};

  const auto add_literal = [&](std::string_view literal) {
    if (literal.empty()) return;
    if (!out.parts_.empty() && !out.parts_.back().field) {
      out.parts_.back().literal += literal;
      return;
    }
    out.parts_.push_back({std::string(literal), std::nullopt});
    out.shown_.push_back(unset);
  };
  for (const Piece& piece : parsed.pieces()) {
    if (piece.field == unset) {
      add_literal(parsed.literal(piece));
      continue;
    }
    const Field& field = parsed.fields()[static_cast<std::size_t>(piece.field)];
    const auto placed =
        std::find_if(report.fields.begin(), report.fields.end(),
                     [&](const PlacedField& one) { return one.field == piece.field; });
    int index = index_of(field);
    if (index == unset && placed != report.fields.end()) index = placed->value;
    if (index == unset || static_cast<std::size_t>(index) >= out.types_.size()) {
      // It shows no value: a line end, a text written in a chain. What is computed of one is its
      // language's own.
      if (placed != report.fields.end() && placed->computed)
        out.obstacles_.push_back(
            {Code::wish_not_expressible, "an expression is not carried", field.span});
      else if (placed != report.fields.end())
        add_literal(
            text.view().substr(placed->output.from, placed->output.to - placed->output.from));
      continue;
    }
    FieldWish wish;
    wish.type = written_as(out.types_[static_cast<std::size_t>(index)]);
    if (field.width.from == Count::From::value || field.precision.from == Count::From::value) {
      out.obstacles_.push_back(
          {Code::wish_not_expressible, "the width or precision comes from a value", field.span});
    } else {
      Notes notes;
      if (const auto spec = from.wish_of(parsed, piece.field, wish.type, notes))
        wish.spec = *spec;
      else
        for (Note& note : notes)
          out.obstacles_.push_back({note.code, std::move(note.message), field.span});
    }
    out.parts_.push_back({{}, std::move(wish)});
    out.shown_.push_back(index);
  }
  out.join_moments();
  return out;
}

// Fields that show parts of one moment, with text between them, are one field of the whole.
void Cargo::join_moments() {
  const auto shows_moment = [&](std::size_t at) {
    return at < parts_.size() && parts_[at].field && !parts_[at].field->spec.moment.empty() &&
           parts_[at].field->spec.width == 0;
  };
  std::vector<TemplatePart> parts;
  std::vector<int> shown;
  for (std::size_t i = 0; i < parts_.size(); ++i) {
    const bool begins = shows_moment(i);
    std::string whole(begins ? parts_[i].field->spec.moment.text() : std::string_view());
    parts.push_back(std::move(parts_[i]));
    shown.push_back(shown_[i]);
    if (!begins) continue;
    for (;;) {
      const bool has_text = i + 1 < parts_.size() && !parts_[i + 1].field;
      const std::size_t next = i + (has_text ? 2 : 1);
      if (!shows_moment(next) || shown_[next] != shown.back()) break;
      if (has_text) {
        const TimePart text{{}, parts_[i + 1].literal};
        whole += time_pattern_text({&text, 1});
      }
      whole += parts_[next].field->spec.moment.text();
      i = next;
    }
    parts.back().field->spec.moment = TimePattern(std::move(whole));
  }
  parts_ = std::move(parts);
  shown_ = std::move(shown);
}

}  // namespace inky::inline v1
