// Values whose types source does not tell: each has a type that its field takes, as far as there is
// one.

#include <algorithm>
#include <iterator>
#include <string>
#include <utility>

#include "checker.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/check/check.hpp"

namespace inky::inline v1 {

// Behind a field that is refused nothing is known yet of the types that suit: this is done again
// when the field is fixed.
void Checker::settle_unknown(const Template& parsed) {
  suit(parsed);
  suit_unplaced(parsed);
}

std::vector<CountSource> Checker::counts_of(const Template& parsed) const {
  std::vector<CountSource> out;
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    std::vector<CountSource> of_field = dialect_.counts_of(parsed, static_cast<int>(i));
    std::move(of_field.begin(), of_field.end(), std::back_inserter(out));
  }
  return out;
}

Checker::Slot* Checker::slot_of(const CountSource& count) {
  const int index = count.name.empty() ? count.index : slot_named(count.name);
  return index < 0 || static_cast<std::size_t>(index) >= slots_.size()
             ? nullptr
             : &slots_[static_cast<std::size_t>(index)];
}

// A count that is passed without a sign is an idiom, as %x of an int is; and a count of the type
// that the language asks for is one.
void Checker::take_counts_as_signed(const Template& parsed) {
  const std::string_view own = dialect_.facts().count_type;
  for (const CountSource& count : counts_of(parsed)) {
    Slot* slot = slot_of(count);
    if (slot == nullptr || slot->known) continue;
    slot->is_count = true;
    // What a function returns has no type that is named in source.
    const bool is_own = !own.empty() && (slot->type_name == own || slot->type_name.ends_with("()"));
    if (!is_own && (slot->type != Type::u32 || demands_.signedness)) continue;
    slot->type = Type::i32;
    slot->type_name.clear();
  }
}

void Checker::take_what_is_said(const Template& parsed) {
  const auto take = [&](int index, Type type) {
    if (index >= 0 && static_cast<std::size_t>(index) < slots_.size() &&
        !slots_[static_cast<std::size_t>(index)].told)
      slots_[static_cast<std::size_t>(index)].type = type;
  };
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const Field& field = parsed.fields()[i];
    take(index_of(field), type_said(dialect_, parsed, static_cast<int>(i)));
  }
  for (const CountSource& count : counts_of(parsed)) {
    Slot* slot = slot_of(count);
    if (slot == nullptr || slot->told) continue;
    slot->type = Type::i32;
    slot->is_count = true;
  }
}

void Checker::suit(const Template& parsed) {
  take_what_is_said(parsed);
  // Too few values or too many are a fault of their own, and none of these types.
  std::vector<Slot> given = slots_;
  if (value_names(parsed).empty()) {
    Slot any;
    any.told = false;
    slots_.resize(static_cast<std::size_t>(parsed.values_taken()), any);
    take_what_is_said(parsed);
  }
  suit_fields(parsed);
  const auto kept = static_cast<std::ptrdiff_t>(std::min(given.size(), slots_.size()));
  std::copy(slots_.begin(), slots_.begin() + kept, given.begin());
  slots_ = std::move(given);
}

// A field that is refused hides those behind it: nothing is known of them until it is fixed.
void Checker::suit_fields(const Template& parsed) {
  std::vector<bool> tried(parsed.fields().size());
  while (true) {
    text_.clear();
    const Outcome outcome = dialect_.render(parsed, values_at(0), text_);
    if (outcome.prints_cleanly()) return;
    const auto is_covered = [&](const Field& field) {
      return outcome.span().from <= field.span.from &&
             field.span.from < std::max(outcome.span().to, outcome.span().from + 1);
    };
    std::size_t at = 0;
    for (; at < tried.size(); ++at) {
      const int index = index_of(parsed.fields()[at]);
      if (!tried[at] && is_covered(parsed.fields()[at]) && index >= 0 &&
          static_cast<std::size_t>(index) < slots_.size() &&
          !slots_[static_cast<std::size_t>(index)].told)
        break;
    }
    if (at == tried.size()) return;
    tried[at] = true;
    suit_field(parsed, at);
  }
}

void Checker::suit_field(const Template& parsed, std::size_t at) {
  const Field& field = parsed.fields()[at];
  Slot& slot = slots_[static_cast<std::size_t>(index_of(field))];
  std::string first_why;
  bool is_the_cause = false;  // what it is says why
  const auto refused = [&] {
    text_.clear();
    const Outcome outcome = dialect_.render(parsed, values_at(0), text_);
    const std::string why = outcome.prints_cleanly() ? std::string() : outcome.why();
    if (first_why.empty()) first_why = why;
    // What is not supported here says nothing of the language.
    if (outcome.kind() != Outcome::Kind::error) is_the_cause = is_the_cause || why != first_why;
    return !outcome.prints_cleanly() && outcome.span().from <= field.span.from &&
           field.span.from < std::max(outcome.span().to, outcome.span().from + 1);
  };
  const Type said = slot.type;
  bool suits = !refused();
  for (std::size_t i = 0; i < all_types().size() && !suits; ++i) {
    slot.type = all_types()[i].type;
    suits = !trial_values(slot.type).empty() && !refused();
  }
  slot.suits = suits || !is_the_cause;
  if (!suits) slot.type = said;
}

void Checker::suit_unplaced(const Template& parsed) {
  const auto trouble = [&]() -> std::optional<Span> {
    text_.clear();
    const Outcome outcome = dialect_.render(parsed, values_at(0), text_);
    if (outcome.prints_cleanly()) return std::nullopt;
    return outcome.span();
  };
  auto span = trouble();
  if (!span || is_refused_at(parsed, *span)) return;
  // Each value in turn, as long as the place of the trouble moves on.
  for (Slot& slot : slots_) {
    if (slot.told || slot.known) continue;
    const Type said = slot.type;
    const auto helps = [&] {
      const auto now = trouble();
      if (now && now->from <= span->from) return false;
      span = now;
      return true;
    };
    bool suits = false;
    for (std::size_t i = 0; i < all_types().size() && !suits; ++i) {
      slot.type = all_types()[i].type;
      suits = !trial_values(slot.type).empty() && helps();
    }
    if (!suits) {
      slot.known = Value::list({});
      suits = helps();
    }
    if (!span) return;
    if (suits) continue;
    slot.type = said;
    slot.known.reset();
  }
  // Values that may follow those that are written: as many as help.
  constexpr int most_more = 16;
  for (int more = 0; given_->more_may_follow && more < most_more; ++more) {
    Slot any;
    any.told = false;
    slots_.push_back(std::move(any));
    if (!trouble()) return;
  }
  unsettled_ = trouble();
}

bool Checker::is_unplaced(const Template& parsed) const {
  return std::none_of(parsed.fields().begin(), parsed.fields().end(),
                      [&](const Field& field) { return index_of(field) >= 0; });
}

// Whether a trouble is one of values whose types nobody knows: it is another one when they are
// others.
bool Checker::is_unsettled(const Template& parsed, const Outcome& outcome) {
  if (!unsettled_ || *unsettled_ != outcome.span()) return false;
  // Where fields say which values are theirs, their types are settled one by one.
  if (!is_unplaced(parsed)) return false;
  const std::vector<Slot> before = slots_;
  const auto changes = [&] {
    text_.clear();
    const Outcome again = dialect_.render(parsed, values_at(0), text_);
    return again.prints_cleanly() ||
           (again.why() != outcome.why() && again.span().from >= outcome.span().from);
  };
  bool out = false;
  // Each alone, and all of them.
  for (std::size_t one = 0; one <= slots_.size() && !out; ++one) {
    for (const Type type : {Type::i32, Type::text, Type::nil, Type::character}) {
      for (std::size_t i = 0; i < slots_.size(); ++i) {
        const bool is_meant = one == slots_.size() || one == i;
        if (is_meant && !slots_[i].told && !slots_[i].known) slots_[i].type = type;
      }
      out = out || changes();
      slots_ = before;
    }
  }
  return out;
}

}  // namespace inky::inline v1
