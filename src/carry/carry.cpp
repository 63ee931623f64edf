#include "inky_margin/carry/carry.hpp"

#include <algorithm>
#include <cmath>
#include <unordered_set>

#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
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

// ---- Ranges that a verdict may be limited to ----

struct Range {
  std::string_view name;  // empty: all values
  bool (*holds)(const Value& value);
};

double magnitude_of_real(const Value& value) {
  return std::fabs(std::bit_cast<double>(low_half(convert(value.as_real(), binary64))));
}
bool is_negative(const Value& value) {
  if (is_real(value.type())) return value.as_real().negative;
  if (value.is(Type::big)) return value.as_big().negative;
  return fact_of(value.type()).is_signed && value.as_whole() < 0;
}
bool is_finite(const Value& value) {
  return value.as_real().is_finite();
}
bool is_usual_size(const Value& value) {
  if (!is_finite(value)) return false;
  const double magnitude = magnitude_of_real(value);
  return magnitude == 0 || (magnitude >= 1e-4 && magnitude < 1e15);
}
// Its shortest digits end in a 5 that a rounding may go either way on.
bool ends_in_five(const Value& value) {
  if (!is_finite(value)) return false;
  Digits digits;
  shortest_digits(*fact_of(value.type()).format, value.as_real(), digits);
  return !digits.is_zero() && digits.text().back() == '5';
}
bool has_few_digits(const Value& value) {
  constexpr int few = 15;
  Digits digits;
  shortest_digits(*fact_of(value.type()).format, value.as_real(), digits);
  return digits.size() <= few;
}
bool all_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

constexpr Range of_reals[] = {
    {"", [](const Value&) { return true; }},
    {"finite numbers", is_finite},
    {"finite numbers that are not negative",
     [](const Value& value) { return is_finite(value) && !is_negative(value); }},
    {"numbers from 1e-4 to below 1e15 in size, and 0", is_usual_size},
    {"numbers from 1e-4 to below 1e15, and 0",
     [](const Value& value) { return is_usual_size(value) && !is_negative(value); }},
    {"finite numbers whose digits do not end in 5",
     [](const Value& value) { return is_finite(value) && !ends_in_five(value); }},
    {"numbers from 1e-4 to below 1e15 in size whose digits do not end in 5, and 0",
     [](const Value& value) { return is_usual_size(value) && !ends_in_five(value); }},
    {"numbers from 1e-4 to below 1e15 in size of at most 15 digits that do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && has_few_digits(value) && !ends_in_five(value);
     }},
    {"numbers from 1e-4 to below 1e15 of at most 15 digits that do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && has_few_digits(value) && !ends_in_five(value) &&
              !is_negative(value);
     }},
    {"numbers from 1e-4 to below 1e15 whose digits do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && !ends_in_five(value) && !is_negative(value);
     }},
};
bool fits_bits(const Value& value, int bits) {
  if (value.is(Type::big)) return value.as_big().magnitude.bit_length() < bits;
  if (value.is(Type::u128) && value.bits() >> 126 != 0) return false;
  return magnitude_of(value.as_whole()) < uint128{1} << (bits - 1);
}
constexpr Range of_wholes[] = {
    {"", [](const Value&) { return true; }},
    {"numbers that are not negative", [](const Value& value) { return !is_negative(value); }},
    {"numbers of 53 bits", [](const Value& value) { return fits_bits(value, 54); }},
    {"numbers of 31 bits", [](const Value& value) { return fits_bits(value, 32); }},
    {"numbers of 31 bits that are not negative",
     [](const Value& value) { return fits_bits(value, 32) && !is_negative(value); }},
    {"numbers above 0",
     [](const Value& value) {
       return !is_negative(value) &&
              !(value.is(Type::big) ? value.as_big().magnitude.is_zero() : value.bits() == 0);
     }},
};
constexpr Range of_texts[] = {
    {"", [](const Value&) { return true; }},
    {"texts of printable ASCII", [](const Value& value) { return all_ascii(value.as_text()); }},
    {"texts of printable ASCII that are not empty",
     [](const Value& value) { return !value.as_text().empty() && all_ascii(value.as_text()); }},
};
constexpr Range of_characters[] = {
    {"", [](const Value&) { return true; }},
    {"ASCII characters", [](const Value& value) { return value.as_character() < 0x80; }},
};
constexpr Range of_others[] = {{"", [](const Value&) { return true; }}};

std::span<const Range> ranges_of(Type type) {
  if (is_real(type)) return of_reals;
  if (is_whole(type)) return of_wholes;
  if (type == Type::text) return of_texts;
  if (type == Type::character) return of_characters;
  return of_others;
}

// An unremarkable value of a type.
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

bool is_identifier(std::string_view name) {
  return !name.empty() && is_word_start(name[0]) &&
         std::all_of(name.begin(), name.end(), is_word_part);
}

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
          "Carry a template that prints; inky show tells what is wrong with this one."};
}

}  // namespace

std::vector<std::string> value_names(const Template& parsed) {
  std::vector<std::string> out;
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
  const auto of_real = dialect.wish_of(parsed, field, Type::f64, ignored);
  return of_real && (of_real->places != unset || of_real->significant != unset) ? Type::f64
                                                                                : Type::text;
}

// ---- Making ready ----

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
                 "Carry a template that prints; inky show tells what is wrong with this one."};
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

  // Printed once, it tells which value each field shows, and what the others print.
  std::vector<Value> values;
  for (std::size_t i = 0; i < out.types_.size(); ++i)
    values.push_back(out.given(static_cast<int>(i), sample_of(out.types_[i])));
  TextBuffer text;
  Report report;
  const Outcome outcome = from.render(parsed, values, {}, text, &report);
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
      // It shows no value: a line end, a text written in a chain.
      if (placed != report.fields.end())
        add_literal(
            text.view().substr(placed->output.from, placed->output.to - placed->output.from));
      continue;
    }
    FieldWish wish;
    wish.type = out.types_[static_cast<std::size_t>(index)];
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
  return out;
}

// ---- Carrying ----

class Carrying {
 public:
  Carrying(const Cargo& cargo, const Dialect& other) : cargo_(cargo), other_(other) {
    out_.dialect = &other;
  }

  Carried run() {
    if (!cargo_.obstacles_.empty()) {
      out_.notes = cargo_.obstacles_;
      return std::move(out_);
    }
    place_values();
    WrittenTemplate written = other_.write_template(parts_);
    for (Note& note : written.notes) out_.notes.push_back(std::move(note));
    if (!written.source) return std::move(out_);
    Result<Template> parsed = other_.parse(*written.source);
    if (!parsed || parsed->refusal()) {
      out_.notes.push_back({Code::wish_not_expressible,
                            "what would be written is refused: " +
                                (parsed ? parsed->refusal()->why : parsed.error().message),
                            {}});
      return std::move(out_);
    }
    out_.source = std::move(written.source);
    std::vector<std::string> names;
    for (const int index : out_.arguments) names.push_back(names_[static_cast<std::size_t>(index)]);
    out_.statement = other_.write_statement(*out_.source, names);
    if (other_.placing() == Placing::names || !value_names(*parsed).empty()) out_.names = names;
    search(*parsed);
    return std::move(out_);
  }

 private:
  using Set = std::vector<Value>;

  // Which values are given, in which order, and how a field names its own.
  void place_values() {
    const int count = static_cast<int>(cargo_.names_.size());
    for (int i = 0; i < count; ++i) {
      const std::string& name = cargo_.names_[static_cast<std::size_t>(i)];
      names_.push_back(is_identifier(name) ? name : default_name(i));
    }
    std::vector<int> order;
    for (const int index : cargo_.shown_) {
      if (index != unset) order.push_back(index);
    }
    bool in_order = true;
    for (std::size_t i = 0; i < order.size(); ++i) in_order &= order[i] == static_cast<int>(i);
    const Placing placing = other_.placing();
    const bool by_position = placing == Placing::positions && !in_order && !cargo_.named_;
    parts_ = cargo_.parts_;
    std::size_t at = 0;
    for (TemplatePart& part : parts_) {
      const int index = cargo_.shown_[at++];
      if (!part.field) continue;
      if (placing == Placing::names || (cargo_.named_ && placing == Placing::positions))
        part.field->name = names_[static_cast<std::size_t>(index)];
      if (by_position || (cargo_.named_ && placing == Placing::positions && !in_order))
        part.field->position = index + 1;
    }
    if (placing == Placing::in_order && !in_order) {
      out_.arguments = order;
    } else {
      for (int i = 0; i < count; ++i) out_.arguments.push_back(i);
    }
  }

  // What both sides print of these values, one for each value of the template.
  bool agrees(const Template& there, const Set& values, CarryExample* example) {
    give(values);
    here_.clear();
    if (!cargo_.from_->render(*cargo_.parsed_, home_, here_).prints_cleanly()) return true;
    there_.clear();
    Outcome outcome = other_.render(there, away_, there_);
    if (outcome.prints_cleanly() && here_.view() == there_.view()) return true;
    if (example != nullptr) {
      example->values = values;
      example->here = here_.string();
      example->there = outcome.prints() ? there_.string() : outcome.why();
      example->there_fails = !outcome.prints();
      if (outcome.prints_cleanly())
        example->reason =
            why_different(*cargo_.from_, *cargo_.parsed_, home_, other_, there, away_);
      else if (outcome.prints())
        example->reason = "complained of, as " + outcome.failure_name() + ": " + outcome.why();
    }
    return false;
  }

  // Which trials of each value the two print otherwise. All values are tried at once, each in step
  // with the others: where the texts differ, the fields tell whose.
  std::vector<std::vector<bool>> find_differences(const Template& there, const Set& plain,
                                                  const std::vector<Set>& trials) {
    std::vector<std::vector<bool>> out;
    std::size_t steps = 0;
    for (const Set& one : trials) {
      out.emplace_back(one.size());
      steps = std::max(steps, one.size());
    }
    Set values = plain;
    for (std::size_t step = 0; step < steps; ++step) {
      for (std::size_t i = 0; i < values.size(); ++i) {
        if (!trials[i].empty()) values[i] = trials[i][step % trials[i].size()];
      }
      if (agree(there, values) || attribute(there, values, step, out)) continue;
      for (std::size_t i = 0; i < values.size(); ++i) {
        if (step >= trials[i].size()) continue;
        Set alone = plain;
        alone[i] = trials[i][step];
        out[i][step] = !agrees(there, alone, nullptr);
      }
    }
    return out;
  }

  // The values as the two sides are given them.
  void give(const Set& values) {
    if (home_.size() != values.size()) {
      home_.clear();
      for (std::size_t i = 0; i < values.size(); ++i)
        home_.push_back(cargo_.given(static_cast<int>(i), values[i]));
    } else {
      for (std::size_t i = 0; i < values.size(); ++i)
        home_[i] = cargo_.given(static_cast<int>(i), values[i]);
    }
    away_.clear();
    for (std::size_t i = 0; i < out_.arguments.size(); ++i) {
      away_.push_back(values[static_cast<std::size_t>(out_.arguments[i])]);
      if (!out_.names.empty()) away_.back().set_name(out_.names[i]);
    }
  }

  // Whether both print the same; false also where one of them prints nothing.
  bool agree(const Template& there, const Set& values) {
    give(values);
    here_.clear();
    there_.clear();
    return cargo_.from_->render(*cargo_.parsed_, home_, here_).prints_cleanly() &&
           other_.render(there, away_, there_).prints_cleanly() && here_.view() == there_.view();
  }

  // Finds the values whose fields differ, field by field. False where that does not tell.
  bool attribute(const Template& there, const Set& values, std::size_t step,
                 std::vector<std::vector<bool>>& differs) {
    give(values);
    here_.clear();
    there_.clear();
    Report here;
    Report away;
    if (!cargo_.from_->render(*cargo_.parsed_, home_, {}, here_, &here).prints_cleanly() ||
        !other_.render(there, away_, {}, there_, &away).prints_cleanly())
      return false;
    std::vector<int> shown;
    for (const int index : cargo_.shown_) {
      if (index != unset) shown.push_back(index);
    }
    if (here.fields.size() != shown.size() || away.fields.size() != shown.size()) return false;
    bool any = false;
    for (std::size_t i = 0; i < shown.size(); ++i) {
      const auto of = [&](const TextBuffer& text, const Report& report) {
        const Span span = report.fields[i].output;
        return text.view().substr(span.from, span.to - span.from);
      };
      if (of(here_, here) == of(there_, away)) continue;
      any = true;
      auto& own = differs[static_cast<std::size_t>(shown[i])];
      if (step < own.size()) own[step] = true;
    }
    return any;
  }

  // The first range of a value in which no trial differs; -1 where there is none.
  static int find_range(Type type, const Set& trials, const std::vector<bool>& differs) {
    const std::span<const Range> ranges = ranges_of(type);
    for (std::size_t i = 0; i < ranges.size(); ++i) {
      bool holds = true;
      bool any = false;
      for (std::size_t k = 0; k < differs.size(); ++k) {
        if (!ranges[i].holds(trials[k])) continue;
        any = true;
        holds &= !differs[k];
      }
      if (holds && any) return static_cast<int>(i);
    }
    return -1;
  }

  // The first trial that differs, all other values unremarkable.
  void find_example(const Template& there, const Set& plain, std::size_t which, const Set& trials,
                    const std::vector<bool>& differs) {
    for (std::size_t k = 0; k < differs.size() && !out_.example; ++k) {
      if (!differs[k]) continue;
      Set values = plain;
      values[which] = trials[k];
      CarryExample example;
      if (!agrees(there, values, &example)) out_.example = std::move(example);
    }
  }

  // The values tried for one value: those of its type, and those that its fields round.
  Set trials_of(std::size_t which) const {
    const Type type = cargo_.types_[which];
    const std::span<const Value> usual = trial_values(type);
    Set out(usual.begin(), usual.end());
    for (std::size_t i = 0; i < cargo_.parts_.size(); ++i) {
      if (cargo_.shown_[i] != static_cast<int>(which)) continue;
      const Set ties = values_at_ties(cargo_.parts_[i].field->spec, type);
      out.insert(out.end(), ties.begin(), ties.end());
    }
    return out;
  }

  void search(const Template& there) {
    Set plain;
    for (const Type type : cargo_.types_) plain.push_back(sample_of(type));
    if (CarryExample example; !agrees(there, plain, &example) && example.there_fails) {
      out_.source.reset();
      out_.statement.clear();
      out_.notes.push_back(
          {Code::wish_not_expressible,
           std::string(other_.facts().id) + " prints nothing of such values: " + example.there,
           {}});
      return;
    }
    if (plain.empty()) {
      CarryExample example;
      const bool same = agrees(there, plain, &example);
      out_.verdict = same ? Verdict::same : Verdict::differs;
      if (!same) out_.example = std::move(example);
      return;
    }
    std::vector<Set> trials;
    for (std::size_t i = 0; i < plain.size(); ++i) trials.push_back(trials_of(i));
    const auto differs = find_differences(there, plain, trials);
    std::vector<int> chosen;
    bool all = true;
    for (std::size_t i = 0; i < cargo_.types_.size(); ++i) {
      find_example(there, plain, i, trials[i], differs[i]);
      chosen.push_back(find_range(cargo_.types_[i], trials[i], differs[i]));
      if (chosen.back() < 0) {
        out_.verdict = Verdict::differs;
        return;
      }
      all &= chosen.back() == 0;
    }
    if (!agrees_together(there, chosen)) {
      out_.verdict = Verdict::differs;
      return;
    }
    out_.verdict = all ? Verdict::same : Verdict::same_for;
    if (!all) out_.range = range_text(chosen);
  }

  // All values at once, each within its range, in step with different strides.
  bool agrees_together(const Template& there, const std::vector<int>& chosen) {
    if (chosen.size() < 2) return true;
    std::vector<Set> kept;
    std::size_t most = 0;
    for (std::size_t i = 0; i < chosen.size(); ++i) {
      const Type type = cargo_.types_[i];
      const Range& range = ranges_of(type)[static_cast<std::size_t>(chosen[i])];
      Set within;
      for (const Value& value : trial_values(type)) {
        if (range.holds(value)) within.push_back(value);
      }
      most = std::max(most, within.size());
      kept.push_back(std::move(within));
    }
    for (std::size_t step = 0; step < most; ++step) {
      Set values;
      for (std::size_t i = 0; i < kept.size(); ++i)
        values.push_back(kept[i][(step * (2 * i + 1) + 3 * i) % kept[i].size()]);
      CarryExample example;
      if (agrees(there, values, &example)) continue;
      out_.example = std::move(example);
      return false;
    }
    return true;
  }

  std::string range_text(const std::vector<int>& chosen) const {
    std::string out;
    for (std::size_t i = 0; i < chosen.size(); ++i) {
      if (chosen[i] == 0) continue;
      const std::string name(ranges_of(cargo_.types_[i])[static_cast<std::size_t>(chosen[i])].name);
      const std::string said = chosen.size() == 1 ? name : names_[i] + ": " + name;
      out += (out.empty() ? "" : "; ") + said;
    }
    return out;
  }

  const Cargo& cargo_;
  const Dialect& other_;
  Carried out_;
  std::vector<TemplatePart> parts_;
  std::vector<std::string> names_;
  Set home_;
  Set away_;
  TextBuffer here_;
  TextBuffer there_;
};

Carried Cargo::to(const Dialect& other) const {
  return Carrying(*this, other).run();
}

}  // namespace inky::inline v1
