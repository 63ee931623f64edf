// format() and prettyNum() of R.

#include <algorithm>

#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "call_rendering.hpp"

namespace inky::inline v1::r_language {

namespace {

class FormatCall final : public CallRendering {
 public:
  using CallRendering::CallRendering;

 private:
  bool run(std::vector<std::string>& texts) override {
    static constexpr std::string_view formals[] = {"x",
                                                   "trim",
                                                   "digits",
                                                   "nsmall",
                                                   "justify",
                                                   "width",
                                                   "?na.encode",
                                                   "scientific",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "decimal.mark",
                                                   "?zero.print",
                                                   "drop0trailing"};
    if (shows_dates()) return run_dates(texts);
    Vector x;
    if (!match(formals, true) || !take_x(x)) return false;
    std::optional<int> digits;
    std::optional<int> nsmall;
    std::optional<int> width;
    std::string justify = "left";
    int penalty = 0;
    bool trim = false;
    Marks marks;
    if (!take_count(2, digits) || !take_count(3, nsmall) || !take_count(5, width) ||
        !take_text(4, justify) || !take_penalty(penalty) || !take_truth(1, trim) ||
        !take_marks(8, 9, 12, marks) || !take_truth(14, marks.drops_zeros) ||
        !check_justify(justify))
      return false;
    if (x.items.empty()) {
      // c() of nothing is NULL.
      texts.emplace_back("NULL");
      return true;
    }
    if (!check_counts(digits, nsmall) || !within_output(x.items.size(), width.value_or(0)))
      return false;
    if (x.mode == Mode::character) return format_texts(x, width.value_or(0), justify, texts);
    Shared shared;
    if (x.mode == Mode::real) {
      const auto numbers = reals_of(x);
      shared = share(numbers, digits.value_or(7), nsmall.value_or(0), penalty);
      for (const auto& number : numbers) texts.push_back(number_text(number, shared));
    } else {
      for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
    }
    if (marks.point != '.') {
      for (std::string& text : texts) std::replace(text.begin(), text.end(), '.', marks.point);
    }
    int common = width.value_or(0);
    if (!trim) {
      common = std::max(common, shared.width);
      for (const std::string& text : texts) common = std::max(common, columns_of(text));
    }
    for (std::string& text : texts) text = padded(text, common, "right");
    if (marks.change()) mark(marks, !trim, texts);
    if (report_ != nullptr && x.mode == Mode::real) note_format(x, digits, nsmall, shared);
    return true;
  }

  bool check_counts(const std::optional<int>& digits, const std::optional<int>& nsmall) {
    if (digits && (*digits < 1 || *digits > 22))
      return fail("invalid value " + std::to_string(*digits) + " for 'digits' argument",
                  matched_[2]->span);
    if (nsmall && (*nsmall < 0 || *nsmall > 20))
      return fail("invalid 'nsmall' argument", matched_[3]->span);
    return true;
  }

  bool check_justify(std::string& justify) {
    constexpr std::string_view known[] = {"left", "right", "centre", "none"};
    for (const std::string_view one : known) {
      if (!justify.empty() && one.starts_with(justify)) {
        justify = one;
        return true;
      }
    }
    return fail("'arg' should be one of \"left\", \"right\", \"centre\", \"none\"",
                matched_[4]->span);
  }

  bool take_penalty(int& out) {
    if (matched_[7] == nullptr || matched_[7]->kind == Expression::Kind::null) return true;
    Vector vector;
    if (!take_vector(*matched_[7], vector)) return false;
    if (vector.items.size() != 1 || vector.mode == Mode::character)
      return not_yet("such a value of scientific is", matched_[7]->span);
    const Value& value = vector.items[0];
    if (value.is(Type::nil)) return true;
    // As R has them.
    constexpr int never_fixed = -100;
    constexpr int hardly_scientific = 310;
    if (value.is(Type::truth)) {
      out = value.as_whole() != 0 ? never_fixed : hardly_scientific;
      return true;
    }
    std::optional<int> count;
    if (!take_count(7, count)) return false;
    out = *count;
    return true;
  }

  void note_format(const Vector& x, const std::optional<int>& digits,
                   const std::optional<int>& nsmall, const Shared& shared) {
    if (digits && !shared.scientific && shared.places != *digits && !nsmall)
      note(Code::digits_are_significant,
           "digits counts significant digits, the least that the element needing most shows, not "
           "decimals: there are " +
               std::to_string(shared.places) + "; nsmall counts decimals, at least",
           matched_[2]->span);
    if (x.items.size() > 1 && !shared.scientific && shared.places > 0 && !digits && !nsmall) return;
    for (const Value& item : x.items) {
      if (!item.is(Type::f64) || item.given_in_bits() || !item.as_real().is_finite() ||
          shared.scientific || (!digits && !nsmall))
        continue;
      Spec spec;
      spec.kind = Kind::real;
      spec.notation = Notation::fixed;
      spec.places = shared.places;
      note_rounding(spec, binary64, item.as_real(), matched_[0]->span, report_->notes);
    }
  }
};

class PrettyNumCall final : public CallRendering {
 public:
  using CallRendering::CallRendering;

 private:
  bool run(std::vector<std::string>& texts) override {
    static constexpr std::string_view formals[] = {"x",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "?decimal.mark",
                                                   "?input.d.mark",
                                                   "?preserve.width",
                                                   "?zero.print",
                                                   "?replace.zero",
                                                   "drop0trailing"};
    Vector x;
    Marks marks;
    if (!match(formals, true) || !take_x(x)) return false;
    std::optional<int> size;
    if (!take_text(1, marks.mark) || !take_count(2, size) || !take_truth(10, marks.drops_zeros))
      return false;
    marks.interval = size.value_or(3);
    if (marks.interval < 1) return not_yet("such an interval is", matched_[2]->span);
    if (x.mode == Mode::character) return not_yet("prettyNum of text is", matched_[0]->span);
    for (const Value& item : x.items) {
      if (x.mode == Mode::real) {
        Vector one{Mode::real, {item}};
        const auto numbers = reals_of(one);
        texts.push_back(number_text(numbers[0], share(numbers, 7, 0, 0)));
      } else {
        texts.push_back(as_character(item, x.mode));
      }
    }
    if (marks.change()) mark(marks, false, texts);
    return true;
  }
};

}  // namespace

std::optional<Outcome> render_format(const CallRequest& request, Report* report,
                                     std::vector<std::string>& texts) {
  return FormatCall(request, report).render(texts);
}

std::optional<Outcome> render_pretty_num(const CallRequest& request, Report* report,
                                         std::vector<std::string>& texts) {
  return PrettyNumCall(request, report).render(texts);
}

}  // namespace inky::inline v1::r_language
