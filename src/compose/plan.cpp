#include "plan.hpp"

#include <algorithm>

#include "dialect/family/glibc_money.hpp"
#include "format/base_prefix.hpp"

namespace inky::inline v1 {

namespace {

// The largest count in a composed wish: some helpers put characters in front one by one.
constexpr int most_count = 4096;

bool is_ascii_without(std::string_view text, std::string_view excluded) {
  return std::all_of(text.begin(), text.end(), [&](char c) {
    return c >= ' ' && c <= '~' && excluded.find(c) == std::string_view::npos;
  });
}

// A spec with nothing but what the digits are.
Spec bare(const Spec& wish) {
  Spec out;
  out.kind = wish.kind;
  out.notation = wish.notation;
  out.places = wish.places;
  out.significant = wish.significant;
  out.keep_point = wish.keep_point;
  out.letters = wish.letters;
  return out;
}

// What the text of a value is made of: a template that the language reads, or a helper, and the
// changes.
class Planning {
 public:
  Planning(const Dialect& carrier, const ComposingForm& form, const Spec& wish, Type type,
           std::string_view name)
      : carrier_(carrier), form_(form), wish_(wish), type_(type), name_(name) {}

  // The reason where there is none.
  std::string make() {
    if (!has_its_kind()) return "a value of another kind is not composed";
    if (!are_counts_small() || !are_marks_plain()) return reason_;
    if (!make_core()) return reason_;
    if (wish_.kind == Kind::whole && wish_.least_digits != unset)
      add({ChangeKind::zeros, static_cast<std::size_t>(wish_.least_digits)});
    if (!wish_.group.empty() || wish_.point != Mark("."))
      add({ChangeKind::marks,
           0,
           {},
           std::string(wish_.group.text()),
           std::string(wish_.point.text())});
    add_sign();
    add_padding();
    for (const Change& change : out.changes) {
      if (form_of(form_, change).call.empty()) return "no helper for it is known in this language";
    }
    return {};
  }

  ComposingPlan out;

 private:
  bool fail(std::string_view why) {
    reason_ = why;
    return false;
  }
  void add(Change change) { out.changes.push_back(std::move(change)); }

  bool has_its_kind() const {
    return wish_.kind == Kind::real    ? is_real(type_)
           : wish_.kind == Kind::whole ? is_whole(type_)
                                       : usual_type(wish_.kind) == type_;
  }

  bool are_counts_small() {
    for (const int count :
         {wish_.width, wish_.places, wish_.significant, wish_.least_digits, wish_.limit}) {
      if (count > most_count)
        return fail("a count over " + std::to_string(most_count) + " is not composed");
    }
    return true;
  }

  // Helpers put marks into patterns and formats, where some characters mean something.
  bool are_marks_plain() {
    for (const Mark& mark : {wish_.group, wish_.point}) {
      if (mark.text().find_first_of("$\\&\"") != std::string_view::npos)
        return fail("such a mark is not composed");
    }
    if (wish_.width > 0 && !is_ascii_without(wish_.fill.text(), "'\"\\$`%{}~"))
      return fail("padding with such a character is not composed");
    return true;
  }

  bool make_core() {
    switch (wish_.kind) {
      case Kind::real:
        return make_real();
      case Kind::whole:
        return make_whole();
      case Kind::truth:
        if (write(bare(wish_))) return true;
        add({ChangeKind::truth});
        return true;
      case Kind::text: {
        Spec spec = bare(wish_);
        spec.limit = wish_.limit;
        if (write(spec)) return true;
        spec.limit = unset;
        if (!write(spec)) return fail("the text itself is not written");
        add({ChangeKind::cut, static_cast<std::size_t>(wish_.limit)});
        return true;
      }
      case Kind::character:
        return write(bare(wish_)) || fail("the character itself is not written");
      default:
        return fail("this kind of value is not composed");
    }
  }

  bool make_whole() {
    Spec spec = bare(wish_);
    if (wish_.base != 10) {
      // Helpers take 64 bits with a sign.
      if (type_ == Type::u64 || type_ == Type::i128 || type_ == Type::u128 || type_ == Type::big)
        return fail("digits in a base are composed of up to 64 bits with a sign");
      add({ChangeKind::in_base, static_cast<std::size_t>(wish_.base)});
      if (wish_.letters == Letters::upper) add({ChangeKind::upper});
      return true;
    }
    return write(spec) || fail("the number itself is not written");
  }

  bool make_real() {
    Spec spec = bare(wish_);
    if (wish_.notation == Notation::percent) {
      if (wish_.places == unset) return fail("a percentage is composed with places only");
      spec.notation = Notation::fixed;
      spec.places = wish_.places + 2;
      if (!write(spec)) return fail("the number itself is not written");
      add({ChangeKind::percent});
      return true;
    }
    if (write(spec)) return true;
    const bool is_open = wish_.places == unset && wish_.significant == unset && !wish_.keep_point;
    const bool is_whole_text =
        wish_.notation == Notation::hexfloat || wish_.notation == Notation::shortest;
    if (is_whole_text && is_open && type_ == Type::f64) {
      add({wish_.notation == Notation::hexfloat ? ChangeKind::hexadecimal : ChangeKind::shortest});
      if (wish_.letters == Letters::upper) add({ChangeKind::upper});
      return true;
    }
    if (wish_.notation == Notation::engineering && wish_.places != unset && !wish_.keep_point)
      return make_thousands(spec);
    // Another notation of N digits is made from scientific notation.
    if (wish_.significant == unset || wish_.notation == Notation::hexfloat)
      return fail("such a number is not composed");
    const int count = std::max(wish_.significant, 1);
    spec.notation = Notation::scientific;
    spec.significant = unset;
    spec.places = count - 1;
    spec.keep_point = false;
    if (!write(spec)) return fail("scientific notation is not written");
    switch (wish_.notation) {
      case Notation::engineering:
        if (wish_.keep_point) return fail("a kept point is not composed");
        add({ChangeKind::engineering});
        return true;
      case Notation::fixed:
        if (wish_.keep_point) return fail("a kept point is not composed");
        add({ChangeKind::plain});
        return true;
      case Notation::compact:
        add({wish_.keep_point ? ChangeKind::kept_compact : ChangeKind::compact,
             static_cast<std::size_t>(count)});
        return true;
      default:
        return fail("such a number is not composed");
    }
  }

  bool make_thousands(Spec spec) {
    spec.notation = Notation::scientific;
    for (const int more : {1, 2, 0}) {
      spec.places = wish_.places + more;
      if (!write(spec)) return fail("scientific notation is not written");
      if (more > 0) out.finer.push_back(out.source);
    }
    add({ChangeKind::thousands});
    add({ChangeKind::engineering});
    return true;
  }

  void add_sign() {
    switch (wish_.sign) {
      case Sign::minus:
        return;
      case Sign::always:
        return add({ChangeKind::sign, 0, {}, "+", "-", ""});
      case Sign::space:
        return add({ChangeKind::sign, 0, {}, " ", "-", ""});
      case Sign::brackets:
        return add({ChangeKind::sign, 0, {}, "", "(", ")"});
    }
  }

  void add_padding() {
    const auto width = static_cast<std::size_t>(wish_.width);
    const std::string fill(wish_.fill.text());
    const bool is_number = wish_.kind == Kind::real || wish_.kind == Kind::whole;
    const bool is_inside = wish_.align == Align::inner && is_number && width > 0;
    const std::string prefix(base_prefix(wish_));
    if (is_inside || !prefix.empty())
      add({ChangeKind::inside, is_inside ? width : 0, {}, prefix, fill});
    if (width == 0 || is_inside) return;
    const Align natural = is_number ? Align::right : Align::left;
    const Align align =
        wish_.align == Align::natural || wish_.align == Align::inner ? natural : wish_.align;
    add({ChangeKind::pad, width, align, fill});
  }

  // Whether the language has it, and just it, in one field.
  bool write(const Spec& spec) {
    const Writer& writer = carrier_.writer();
    const TemplatePart part{
        {}, FieldWish{spec, type_, unset, writer.placing() == Placing::names ? name_ : ""}};
    const WrittenTemplate written = writer.write_template({&part, 1});
    if (!written.source ||
        std::any_of(written.notes.begin(), written.notes.end(),
                    [](const Note& note) { return note.code == Code::wish_not_expressible; }))
      return false;
    out.source = *written.source;
    out.core = spec;
    return true;
  }

  const Dialect& carrier_;
  const ComposingForm& form_;
  const Spec& wish_;
  Type type_;
  std::string name_;
  std::string reason_;
};

// The number in an amount of money.
Spec digits_of(const glibc::MoneyForm& money, const Spec& wish) {
  Spec out;
  out.kind = Kind::real;
  out.notation = Notation::fixed;
  out.places = wish.places == unset ? money.places : wish.places;
  out.group = Mark(money.group);
  out.point = Mark(money.point);
  return out;
}

// What is around it; the reason where that is not composed.
std::string add_money(const glibc::MoneyForm& money, const ComposingForm& form,
                      std::vector<Change>& changes) {
  const Grouping& sizes = money.sizes;
  constexpr int three = 3;
  if (!money.group.empty() && (!sizes.ends(three) || !sizes.ends(2 * three) || sizes.ends(5)))
    return "groups of other than three digits are not composed";
  // The same behind both, or something behind amounts below zero alone.
  const bool is_shared = money.behind[0] == money.behind[1];
  if (!is_shared && !money.behind[0].empty()) return "a sign behind the currency is not composed";
  // A minus in front is there already.
  if (!is_shared || !money.before[0].empty() || money.before[1] != "-")
    changes.push_back({ChangeKind::sign,
                       0,
                       {},
                       money.before[0],
                       money.before[1],
                       is_shared ? "" : money.behind[1]});
  if (is_shared && !money.behind[0].empty())
    changes.push_back({ChangeKind::behind, 0, {}, money.behind[0]});
  const bool are_known = std::all_of(changes.begin(), changes.end(), [&](const Change& change) {
    return !form_of(form, change).call.empty();
  });
  return are_known ? "" : "no helper for it is known in this language";
}

}  // namespace

ComposingPlan make_plan(const Dialect& carrier, const ComposingForm& form, const Spec& wish,
                        Type type, std::string_view name) {
  Spec digits = wish;
  std::optional<glibc::MoneyForm> money;
  if (!wish.currency.empty()) {
    money = glibc::money_form(wish.locale.text(), wish.currency.text(), false, false);
    if (!money) {
      ComposingPlan none;
      none.why_not = "there is no locale " + std::string(wish.locale.text()) + " with money";
      return none;
    }
    digits = digits_of(*money, wish);
  }
  Planning planning(carrier, form, digits, type, name);
  std::string why_not = planning.make();
  ComposingPlan& out = planning.out;
  out.digits = digits;
  out.money = out.changes.size();
  if (money && why_not.empty()) why_not = add_money(*money, form, out.changes);
  out.why_not = std::move(why_not);
  return std::move(planning.out);
}

}  // namespace inky::inline v1
