#include "weigh_screen.hpp"

#include <algorithm>
#include <cmath>

#include "bases_screen.hpp"
#include "brief.hpp"
#include "inky_margin/text/columns.hpp"
#include "number/bases.hpp"
#include "number/fractions.hpp"
#include "number/magnitude.hpp"
#include "number/number_type.hpp"

namespace inky::cli {

namespace {

void put_long(Screen& screen, std::string_view label, const std::string& text) {
  for (std::size_t at = 0; at < text.size() || at == 0; at += line_size) {
    screen.label(at == 0 ? label : "");
    screen.line(text.substr(at, line_size));
  }
}

void put(Screen& screen, std::string_view label, std::string_view text) {
  screen.label(label);
  screen.paragraph(text);
}

std::string plural(std::size_t count, std::string_view one) {
  return std::to_string(count) + " " + std::string(one) + (count == 1 ? "" : "s");
}

std::string binary_digits(uint128 bits, int width) {
  std::string out;
  for (int i = width; i-- > 0;) out += (bits >> i & 1) != 0 ? '1' : '0';
  return out;
}

// ---- One number ----

// Sign, exponent and fraction set apart, in colours of their own.
void put_bits(Screen& screen, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  const int fraction = format.stored_fraction_bits();
  screen.label("bits");
  screen.tinted(Tint::field, binary_digits(w.bits >> (format.width() - 1), 1), 0);
  screen.put(" ");
  screen.tinted(Tint::field, binary_digits(w.bits >> fraction, format.exponent_bits), 1);
  screen.put(" ");
  const std::string digits = binary_digits(w.bits, fraction);
  for (std::size_t at = 0; at < digits.size(); at += 64) {
    if (at != 0) {
      screen.line();
      screen.label("");
      screen.put(std::string(static_cast<std::size_t>(format.exponent_bits) + 3, ' '));
    }
    screen.tinted(Tint::field, digits.substr(at, 64), 2);
  }
  screen.line();
  std::string told = "sign ";
  told += w.real.negative ? "-" : "+";
  told += ", exponent 2^" + std::to_string(w.exponent());
  told += ", " + std::string(w.real.kind == RealClass::not_a_number ? "not a number"
                                                                    : name_of(w.real.kind));
  put(screen, "", told);
}

std::string_view side(const ExactDecimal& error) {
  if (error.is_zero()) return "stored exactly as typed";
  return error.negative ? "stored below what was typed" : "stored above what was typed";
}

void put_encoding(Screen& screen, const Weighing& w) {
  put_bits(screen, w);
  put(screen, "hexfloat", hexadecimal_text(*w.format, w.bits));
}

void put_neighbours(Screen& screen, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  put(screen, "below", shortest_text(format, *next_below(format, w.bits)));
  put(screen, "shortest",
      shortest_text(format, w.bits) + ": the fewest digits that read back as the same bits");
  put(screen, "above", shortest_text(format, *next_above(format, w.bits)));
}

void put_digits(Screen& screen, const Weighing& w) {
  const SurvivingDigits digits = surviving_digits(w);
  std::string told =
      digits.kept == digits.typed
          ? (digits.typed == 1 ? "the one typed digit survives"
                               : "all " + std::to_string(digits.typed) + " typed digits survive")
          : std::to_string(digits.kept) + " of " + plural(digits.typed, "typed digit") +
                (digits.kept == 1 ? " survives" : " survive");
  told += "; in " + std::string(w.format->name) + " any " +
          std::to_string(digits_always_kept(*w.format)) + " do, and " +
          std::to_string(digits_always_enough(*w.format)) + " always read back as the same bits";
  put(screen, "digits", told);
}

void put_magnitude(Screen& screen, const ExactDecimal& value) {
  const Magnitude magnitude = magnitude_of(value);
  if (magnitude.words.empty()) return;
  std::string told = (magnitude.about ? "about " : "") + magnitude.words;
  if (!magnitude.prefixed.empty()) told += " (" + magnitude.prefixed + ")";
  put(screen, "size", told);
}

void put_fractions(Screen& screen, const Weighing& w) {
  std::string told;
  for (const Fraction& fraction : best_fractions(w)) {
    const bool whole = fraction.denominator == "1";
    told += (told.empty() ? "" : ", ") + fraction.numerator;
    if (!whole) told += "/" + fraction.denominator;
    if (fraction.exact)
      told += " exactly";
    else if (fraction.as_typed)
      told += " as typed, which reads back as the same bits";
    else if (fraction.reads_back)
      told += ", which reads back as the same bits";
    else
      told += " (" + fraction.error + " off)";
  }
  if (!told.empty()) put(screen, "fractions", told);
}

std::string_view side_words(Tail side) {
  switch (side) {
    case Tail::half:
      return "on the halfway point";
    case Tail::above_half:
      return "farther from zero than the halfway point";
    case Tail::below_half:
      return "nearer zero than the halfway point";
    default:
      return {};
  }
}

void put_places(Screen& screen, const Weighing& w, int places) {
  if (!w.stored) return;
  const PlacesView view = view_at(*w.stored, places);
  const std::string at = plural(static_cast<std::size_t>(std::abs(places)), "place");
  screen.line();
  put_long(screen, "prints", view.shows);
  put(screen, "", "rounded to nearest at " + std::string(places < 0 ? "-" : "") + at);
  if (view.side == Tail::exact) {
    put(screen, "", "what is stored needs no rounding");
  } else {
    put_long(screen, "halfway", to_text(view.halfway));
    std::string told = "what is stored lies " + std::string(side_words(view.side));
    if (view.side != Tail::half) told += ", by " + brief_size(to_text(view.distance));
    put(screen, "", told);
  }
  if (has_finite_neighbours(w)) {
    screen.line();
    if (const auto line = line_of_places(w, places)) {
      put_line(screen, "to print", *line, places);
      screen.line();
    }
  }
}

void put_stored(Screen& screen, const Weighing& w, const WeighRequest& request) {
  put_encoding(screen, w);
  if (!w.stored) return;
  put_bases(screen, whole_magnitude(w.real), w.real.negative && !w.real.is_zero(), request.base);
  screen.line();
  put_neighbours(screen, w);
  if (w.error) put_digits(screen, w);
  put_magnitude(screen, *w.stored);
  put_fractions(screen, w);
  if (request.places) put_places(screen, w, *request.places);
  if (has_finite_neighbours(w)) {
    if (!request.places) screen.line();
    put_line(screen, "to store", line_of_neighbours(w, request.places), request.places);
  }
}

void put_number(Screen& screen, const WeighRequest& request, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  put_long(screen, "typed", request.text);
  if (!w.stored) {
    put(screen, "stored",
        shortest_text(format, w.bits) +
            (w.typed ? ": beyond the range of " + std::string(format.name) : std::string()));
  } else {
    put_long(screen, std::string("as ") + std::string(format.name), to_text(*w.stored));
  }
  if (w.error) {
    put_long(screen, "error", to_text(*w.error));
    put(screen, "", w.error_ulps + " units of the last place; " + std::string(side(*w.error)));
  }
  screen.line();
  put_stored(screen, w, request);
}

// ---- An expression ----

std::string typed_name(const TypedNumber& number) {
  return shortened(number.text) + " " + std::string(number.type->name);
}

bool is_nothing(const std::string& error) {
  return error.empty() || error == "0";
}

void put_error(Screen& screen, const std::string& error, const std::string& ulps, bool real) {
  if (is_nothing(error)) return;
  screen.label("");
  screen.tinted(Tint::dim, "error   ");
  screen.put(brief(error));
  if (real) screen.put(", " + ulps + " ulp");
  screen.line();
}

void put_literals(Screen& screen, const std::vector<ReadNumber>& literals) {
  for (const ReadNumber& literal : literals) {
    if (is_nothing(literal.error)) continue;
    screen.label("read");
    screen.paragraph(shortened(literal.typed) + " is stored as the nearest " +
                     std::string(literal.stored.type->name) + ", " + brief_size(literal.error) +
                     (literal.error[0] == '-' ? " below it" : " above it") + " (" +
                     brief_size(literal.error_ulps) + " ulp)");
  }
}

void put_step(Screen& screen, const Step& step, std::size_t index) {
  screen.label("step " + std::to_string(index));
  screen.tinted(Tint::strong, shortened(step.operation));
  screen.line();
  for (const Conversion& conversion : step.conversions) {
    screen.label("");
    screen.tinted(Tint::dim, "first   ");
    std::string told =
        typed_name(conversion.from) + " becomes " + std::string(conversion.to.type->name);
    if (!is_nothing(conversion.error)) told += ", " + brief_size(conversion.error) + " off";
    screen.wrapped(told, label_width + 8, label_width + 8);
  }
  if (!step.exact.empty()) {
    screen.label("");
    screen.tinted(Tint::dim, "exact   ");
    screen.line(shortened(step.exact, 72));
  }
  screen.label("");
  screen.tinted(Tint::dim, "stored  ");
  screen.line(typed_name(step.stored));
  put_error(screen, step.error, step.error_ulps, step.stored.type->is_real());
  if (!step.remark.empty()) {
    screen.label("");
    screen.tinted(Tint::dim, "note    ");
    screen.wrapped(step.remark, label_width + 8, label_width + 8);
  }
}

void put_comparison(Screen& screen, const Comparison& comparison) {
  screen.label("answer");
  screen.tinted(comparison.holds ? Tint::good : Tint::warm,
                shortened(comparison.left.text) + " " + comparison.relation + " " +
                    shortened(comparison.right.text) +
                    (comparison.holds ? " holds" : " does not hold"));
  screen.line(", in " + std::string(comparison.left.type->name));
  const std::optional<bool>& typed = comparison.holds_as_typed;
  if (typed && *typed != comparison.holds)
    put(screen, "",
        std::string("as typed, without any rounding, it ") + (*typed ? "holds" : "does not hold"));
  else if (typed)
    put(screen, "", std::string("as typed, too, it ") + (*typed ? "holds" : "does not hold"));
  if (comparison.ulps_apart.empty())
    put(screen, "", "not a number equals nothing, not even itself");
  if (!is_nothing(comparison.difference)) {
    put(screen, "apart",
        brief_size(comparison.difference) +
            (comparison.left.type->is_real() ? ", " + comparison.ulps_apart + " ulp" : ""));
  }
  if (!is_nothing(comparison.absolute_tolerance)) {
    std::string told = "absolute " + comparison.absolute_tolerance;
    if (!comparison.relative_tolerance.empty())
      told += ", relative " + comparison.relative_tolerance;
    put(screen, "tolerance",
        told +
            ": numbers made by these steps that would be equal without rounding are never "
            "farther apart");
  }
}

void put_whole(Screen& screen, const TypedNumber& number, int base) {
  const NumberType& type = *number.type;
  if (type.width == 0) return;
  screen.label("bits");
  const std::string digits = binary_digits(number.bits, type.width);
  for (std::size_t at = 0; at < digits.size(); at += 8) {
    if (at == 64) {
      screen.line();
      screen.label("");
    } else if (at != 0) {
      screen.put(" ");
    }
    screen.tinted(Tint::field, digits.substr(at, 8), 2);
  }
  screen.line();
  if (number.text[0] != '-') {
    put_bases(screen, number.bits, false, base);
  } else {
    // The bits, as programs write them.
    for (const BaseDigits& one : in_bases(number.bits))
      put(screen, "base " + std::to_string(one.base), in_groups(one));
  }
  put(screen, "range", lowest_whole(type) + " to " + highest_whole(type));
  const std::string other = reinterpreted(number.bits, type);
  if (other != number.text) {
    std::string name(type.name);
    name[0] = type.is_signed ? 'u' : 'i';
    put(screen, "", "the same bits as " + name + " are " + other);
  }
}

void put_evaluation(Screen& screen, const WeighRequest& request, const Evaluation& evaluation) {
  constexpr std::size_t most_steps = 40;
  put_long(screen, "typed", shortened(request.text, 8 * line_size));
  put_literals(screen, evaluation.literals);
  for (std::size_t i = 0; i < std::min(evaluation.steps.size(), most_steps); ++i)
    put_step(screen, evaluation.steps[i], i + 1);
  if (evaluation.steps.size() > most_steps)
    put(screen, "",
        std::to_string(evaluation.steps.size() - most_steps) + " more steps; --json has them all");
  screen.line();
  if (evaluation.comparison) return put_comparison(screen, *evaluation.comparison);
  put(screen, "result", typed_name(evaluation.result));
  const bool real = evaluation.result.type->is_real();
  if (!evaluation.exact.empty() && !is_nothing(evaluation.error)) {
    put(screen, "", "without any rounding " + shortened(evaluation.exact, 56));
    put_error(screen, evaluation.error, evaluation.error_ulps, real);
  }
  screen.line();
  if (!real) return put_whole(screen, evaluation.result, request.base);
  put_stored(screen, weigh_stored(*evaluation.result.type->format, evaluation.result.bits),
             request);
}

// ---- Number lines ----

constexpr std::size_t line_columns = 69;

std::size_t column_of(double at) {
  const double last = static_cast<double>(line_columns - 1);
  return static_cast<std::size_t>(std::lround(std::clamp(at, 0.0, 1.0) * last));
}

bool on_axis(LinePoint::Kind kind) {
  return kind != LinePoint::Kind::typed && kind != LinePoint::Kind::halfway;
}

std::string_view mark_of(LinePoint::Kind kind, bool unicode) {
  switch (kind) {
    case LinePoint::Kind::stored:
      return unicode ? "●" : "o";
    case LinePoint::Kind::middle:
      return unicode ? "┊" : ":";
    default:
      return unicode ? "┼" : "|";
  }
}

// A label that points at its column, to the left of it where the right side is too short.
void put_pointer(Screen& screen, double at, std::string_view arrow, const std::string& text,
                 int field) {
  const std::size_t column = column_of(at);
  screen.label("");
  if (column + 2 + text.size() <= line_columns + 4 || column < text.size() + 1) {
    screen.put(std::string(column, ' '));
    screen.tinted(Tint::field, std::string(arrow) + " " + text, field);
  } else {
    screen.put(std::string(column - text.size() - 1, ' '));
    screen.tinted(Tint::field, text + " " + std::string(arrow), field);
  }
  screen.line();
}

void put_axis(Screen& screen, std::string_view label, const NumberLine& line) {
  const bool unicode = screen.look().unicode;
  std::vector<std::string_view> marks(line_columns, unicode ? "─" : "-");
  // What is stored wins its column.
  for (const bool stored : {false, true}) {
    for (const LinePoint& point : line.points) {
      if (on_axis(point.kind) && (point.kind == LinePoint::Kind::stored) == stored)
        marks[column_of(point.at)] = mark_of(point.kind, unicode);
    }
  }
  screen.label(label);
  for (const std::string_view mark : marks) screen.put(mark);
  screen.line();
}

// Labels under their columns, as far as they do not meet.
void put_labels(Screen& screen, const NumberLine& line) {
  std::string row;
  for (const LinePoint& point : line.points) {
    if (!on_axis(point.kind) || point.kind == LinePoint::Kind::stored || point.label.empty())
      continue;
    const std::size_t half = point.label.size() / 2;
    const std::size_t column = column_of(point.at);
    const std::size_t wanted = column > half ? column - half : 0;
    const std::size_t most = std::max(line_columns + 8, point.label.size()) - point.label.size();
    const std::size_t start = std::min(wanted, most);
    if (!row.empty() && start < row.size() + 2) continue;
    row.resize(start, ' ');
    row += point.label;
  }
  screen.label("");
  screen.line(row);
}

}  // namespace

void put_line(Screen& screen, std::string_view label, const NumberLine& line,
              std::optional<int> places) {
  const bool unicode = screen.look().unicode;
  const auto put_all = [&](LinePoint::Kind kind, std::string_view arrow, const std::string& word,
                           int field) {
    for (const LinePoint& point : line.points) {
      if (point.kind == kind) put_pointer(screen, point.at, arrow, word + " " + point.label, field);
    }
  };
  put_all(LinePoint::Kind::typed, unicode ? "▾" : "v", "typed", 1);
  put_axis(screen, label, line);
  put_labels(screen, line);
  put_all(LinePoint::Kind::stored, unicode ? "▴" : "^", "stored", 0);
  if (!places) return;
  put_all(LinePoint::Kind::halfway, unicode ? "▴" : "^", "halfway", 2);
  if (line.halfway_beyond == 0) return;
  screen.label("");
  const std::string left = unicode ? "◂ " : "< ";
  const std::string right = unicode ? " ▸" : " >";
  const std::string text = "the halfway point is beyond this end";
  screen.tinted(Tint::field,
                line.halfway_beyond < 0
                    ? left + text
                    : std::string(line_columns - text.size() - 2, ' ') + text + right,
                2);
  screen.line();
}

void put_weighed(Screen& screen, const WeighRequest& request, const Weighed& weighed) {
  if (weighed.number)
    put_number(screen, request, *weighed.number);
  else
    put_evaluation(screen, request, *weighed.evaluation);
}

void put_side_by_side(Screen& screen, const std::vector<WeighRequest>& requests,
                      const std::vector<Weighed>& all) {
  put_long(screen, "typed", shortened(requests[0].text, 8 * line_size));
  screen.line();
  for (std::size_t i = 0; i < all.size(); ++i) {
    screen.label(requests[i].as->name);
    std::string told;
    if (const auto& w = all[i].number) {
      screen.line(shortened(w->stored ? to_text(*w->stored) : shortest_text(*w->format, w->bits)));
      told = "shortest " + shortest_text(*w->format, w->bits);
      if (w->error) {
        const SurvivingDigits digits = surviving_digits(*w);
        told += ", error " + w->error_ulps + " ulp, " + std::string(side(*w->error)) + "; " +
                std::to_string(digits.kept) + " of " + plural(digits.typed, "digit") + " kept";
      } else if (w->typed) {
        told += ": beyond the range of " + std::string(w->format->name);
      }
    } else {
      const Evaluation& evaluation = *all[i].evaluation;
      screen.line(shortened(evaluation.result.text));
      const Step* last = evaluation.steps.empty() ? nullptr : &evaluation.steps.back();
      const std::string remark = last != nullptr ? last->remark : std::string();
      if (evaluation.comparison)
        told = evaluation.comparison->holds ? "holds" : "does not hold";
      else if (!is_nothing(evaluation.error))
        told = "error " + brief(evaluation.error) +
               (evaluation.result.type->is_real() ? ", " + evaluation.error_ulps + " ulp" : "");
      else if (!evaluation.exact.empty() && remark.empty())
        told = "exact";
      if (!remark.empty()) told += (told.empty() ? "" : "; ") + remark;
    }
    screen.label("");
    screen.tinted(Tint::dim, told);
    screen.line();
  }
}

}  // namespace inky::cli
