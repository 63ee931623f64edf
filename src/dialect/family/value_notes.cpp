#include "value_notes.hpp"

#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/weighing.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// Where the spec cuts the digits, counted from the first; or unset where it does not.
int kept_digits(const Spec& spec, const Digits& digits) {
  switch (spec.notation) {
    case Notation::fixed:
      return spec.places == unset ? spec.significant : digits.point() + spec.places;
    case Notation::percent:
      return spec.places == unset ? unset : digits.point() + 2 + spec.places;
    case Notation::scientific:
      return spec.places == unset ? spec.significant : spec.places + 1;
    case Notation::compact:
      return spec.significant;
    default:
      return unset;
  }
}

// A long expansion keeps its beginning.
std::string abridged(const Digits& exact, bool negative) {
  constexpr std::size_t longest = 64;
  std::string text = plain_text(exact, negative);
  if (text.size() > longest) text.replace(longest, std::string::npos, "...");
  return text;
}

std::string how_many(int count, const char* what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

std::string cut_named(const Spec& spec) {
  if (spec.places != unset) return how_many(spec.places, "place");
  return how_many(spec.significant, "significant digit");
}

}  // namespace

void note_rounding(const Spec& spec, const BinaryFormat& format, const BinaryReal& value, Span span,
                   Notes& notes) {
  if (!value.is_finite() || value.is_zero()) return;
  Digits exact;
  Digits shortest;
  exact_digits(value, exact);
  shortest_digits(format, value, shortest);
  const int keep = kept_digits(spec, exact);
  if (keep == unset || keep < 0) return;
  const std::string typed = plain_text(shortest, value.negative);
  const Tail stored_tail = tail_after(exact, keep);
  if (stored_tail == Tail::half) {
    notes.push_back({Code::exact_tie,
                     typed + " lies exactly half-way at " + cut_named(spec) + "; the rule is " +
                         std::string(name_of(spec.rounding)),
                     span});
  } else if (shortest.point() == exact.point() && tail_after(shortest, keep) == Tail::half) {
    const bool below = stored_tail == Tail::below_half;
    notes.push_back({Code::stored_off_tie,
                     typed + " is stored as " + abridged(exact, value.negative) + ", " +
                         (below ? "nearer zero" : "farther from zero") + " than the tie at " +
                         cut_named(spec) + ", so the last digit is rounded " +
                         (below ? "toward zero" : "away from zero"),
                     span});
  }
  const int telling = digits_always_enough(format);
  if (keep > telling && exact.size() > telling) {
    notes.push_back(
        {Code::digits_past_precision,
         std::string(format.name) + " distinguishes numbers by " + std::to_string(telling) +
             " digits; the digits after those are the stored value's own, not " + typed + "'s",
         span});
  }
}

void note_text(const Spec& spec, std::string_view text, WidthUnit unit, Span span, Notes& notes) {
  std::string_view kept = text;
  if (spec.limit != unset) kept = cut(text, static_cast<std::size_t>(spec.limit), unit);
  if (kept.size() < text.size()) {
    const bool inside = is_continuation(text[kept.size()]);
    notes.push_back({inside ? Code::character_cut : Code::text_cut,
                     inside
                         ? "the precision counts " + std::string(name_of(unit)) + ", and cuts " +
                               in_quotes(text) + " inside a character; what is printed is not UTF-8"
                         : in_quotes(text) + " is cut to " + in_quotes(kept),
                     span});
  }
  const std::size_t counted = measure(kept, unit);
  const std::size_t columns = measure(kept, WidthUnit::columns);
  if (static_cast<std::size_t>(spec.width) > std::min(counted, columns) && counted != columns) {
    notes.push_back({Code::width_counts_otherwise,
                     in_quotes(kept) + " is " + std::to_string(counted) + " " +
                         std::string(name_of(unit)) + " but " + std::to_string(columns) +
                         " columns: the width counts " + std::string(name_of(unit)) +
                         ", so the padding does not line up",
                     span});
  }
}

}  // namespace inky::inline v1
