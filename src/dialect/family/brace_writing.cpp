#include "brace_writing.hpp"

#include <algorithm>

namespace inky::inline v1::braces {

namespace {

using writing::cannot;

class FieldWriter {
 public:
  FieldWriter(const WritingRules& rules, const FieldWish& wish)
      : rules_(rules),
        wish_(wish),
        spec_(rules.fixed_by_precision ? wish.spec : writing::without_open_places(wish.spec)),
        kind_(writing::kind_of(wish)) {}

  WrittenField write() {
    std::string type;
    std::string out = "{";
    if (rules_.names && !wish_.name.empty())
      out += wish_.name;
    else if (wish_.position != unset)
      out += std::to_string(wish_.position - 1);
    if (kind_ == Kind::moment && rules_.moment != nullptr) {
      const auto codes = rules_.moment(wish_, notes_);
      return {codes ? out + ":" + *codes + "}" : std::string(), std::move(notes_)};
    }
    if (!choose_type(type)) return {{}, std::move(notes_)};
    std::string spec = padding();
    const int count = precision();
    if (count != unset) spec += "." + std::to_string(count);
    spec += type;
    if (rules_.truth_is_number && wish_.type == Type::truth && !spec.empty()) out += "!s";
    if (!spec.empty()) out += ":" + spec;
    return {out + "}", std::move(notes_)};
  }

 private:
  std::string language() const { return std::string(rules_.facts->language); }
  bool numeric() const { return kind_ == Kind::whole || kind_ == Kind::real; }
  bool give_up(std::string_view what) {
    cannot(language() + " has no " + std::string(what) +
               " in a field; make the text first, and print that",
           notes_);
    return false;
  }

  bool choose_type(std::string& out) {
    if (kind_ == Kind::whole) return whole_type(out);
    if (kind_ == Kind::real) return real_type(out);
    if (kind_ == Kind::moment) return give_up("dates and times like this");
    return true;
  }

  bool whole_type(std::string& out) {
    if (!is_whole(wish_.type) && wish_.type != Type::truth)
      return give_up("whole digits of such a value");
    if (spec_.least_digits > 0) return give_up("least number of digits");
    const bool upper = spec_.letters == Letters::upper;
    switch (spec_.base) {
      case 10:
        out = rules_.fixed_by_precision || wish_.type != Type::truth ? "" : "d";
        return true;
      case 16:
        out = upper ? "X" : "x";
        return true;
      case 8:
        out = "o";
        return true;
      case 2:
        out = "b";
        return true;
      default:
        return give_up("base " + std::to_string(spec_.base));
    }
  }

  bool real_type(std::string& out) {
    if (!is_real(wish_.type) && !rules_.wholes_have_decimals)
      return give_up("decimals of a whole number");
    const bool upper = spec_.letters == Letters::upper;
    const bool counted = spec_.places != unset || spec_.significant != unset;
    switch (spec_.notation) {
      case Notation::fixed:
        if (spec_.significant != unset) return give_up("significant digits in fixed notation");
        if (spec_.places == unset && !rules_.fixed_by_precision)
          return give_up("shortest digits in fixed notation");
        out = rules_.fixed_by_precision ? "" : upper ? "F" : "f";
        return true;
      case Notation::scientific:
        if (!counted && !rules_.shortest_scientific)
          return give_up("shortest digits in scientific notation");
        out = upper ? "E" : "e";
        return true;
      case Notation::compact:
        if (!rules_.general) return give_up("notation that switches by size");
        out = upper ? "G" : "g";
        return true;
      case Notation::hexfloat:
        if (!rules_.hexfloat) return give_up("hexadecimal notation of reals");
        out = upper ? "A" : "a";
        return true;
      case Notation::percent:
        if (!rules_.percent) return give_up("percent notation");
        out = "%";
        return true;
      case Notation::shortest:
        return !counted || give_up("a number of digits in the shortest notation");
      default:
        return give_up("engineering notation");
    }
  }

  std::string padding() {
    std::string out;
    const bool zeros = spec_.align == Align::inner && spec_.fill == Mark("0") && numeric();
    if (spec_.width > 0 && !zeros) out += alignment();
    if (numeric() && spec_.sign == Sign::always) out += '+';
    if (numeric() && spec_.sign == Sign::space) {
      if (rules_.space_sign)
        out += ' ';
      else
        cannot(language() + " has no space in the place of a plus sign", notes_);
    }
    if (numeric() && spec_.sign == Sign::brackets)
      cannot(language() + " has no brackets for negative numbers", notes_);
    if (spec_.prefix || spec_.keep_point) out += '#';
    if (spec_.width > 0 && zeros) out += '0';
    if (spec_.width > 0) out += std::to_string(spec_.width);
    if (numeric() && !spec_.group.empty()) {
      if (rules_.group && (spec_.group == Mark(",") || spec_.group == Mark("_")))
        out += spec_.group.text();
      else
        cannot(language() + " has no such mark between thousands in a field", notes_);
    }
    if (numeric() && spec_.point != Mark("."))
      cannot(language() + " has no other decimal mark than a point", notes_);
    return out;
  }

  std::string alignment() {
    std::string out(spec_.fill == Mark(" ") ? std::string_view() : spec_.fill.text());
    const bool filled = !out.empty();
    if (spec_.fill == Mark("{") || spec_.fill == Mark("}")) {
      cannot(language() + " cannot fill with a brace", notes_);
      out = "";
    }
    switch (spec_.align) {
      case Align::left:
        return out + (numeric() || filled ? "<" : "");
      case Align::right:
        return out + (!numeric() || filled ? ">" : "");
      case Align::center:
        return out + "^";
      case Align::inner:
        if (rules_.any_inner) return out + "=";
        cannot(language() + " pads between sign and digits with zeros only", notes_);
        return out + (filled ? ">" : "");
      default:
        return filled ? out + (numeric() ? ">" : "<") : out;
    }
  }

  int precision() const {
    switch (kind_) {
      case Kind::whole:
        return unset;
      case Kind::real:
        if (spec_.notation == Notation::compact) return spec_.significant;
        if (spec_.notation == Notation::scientific && spec_.significant != unset)
          return spec_.significant - 1;
        return spec_.places;
      default:
        return spec_.limit;
    }
  }

  const WritingRules& rules_;
  const FieldWish& wish_;
  Spec spec_;
  Kind kind_;
  Notes notes_;
};

}  // namespace

namespace {

void read_notation(char letter, int precision, int places, Spec& spec) {
  const char lower = letter >= 'A' && letter <= 'Z' ? static_cast<char>(letter + 32) : letter;
  if (lower != letter) spec.letters = Letters::upper;
  switch (lower) {
    case 'f':
      spec.notation = Notation::fixed;
      spec.places = precision == unset ? places : precision;
      break;
    case 'e':
      spec.notation = Notation::scientific;
      spec.places = precision == unset ? places : precision;
      break;
    case 'g':
      spec.notation = Notation::compact;
      spec.significant = precision == unset ? places : std::max(precision, 1);
      break;
    case 'a':
      spec.notation = Notation::hexfloat;
      spec.places = precision;
      break;
    case '%':
      spec.notation = Notation::percent;
      spec.places = precision == unset ? places : precision;
      break;
    default:
      // Without a letter: the shortest digits, or N of them as with g.
      if (precision == unset) break;
      spec.notation = Notation::compact;
      spec.significant = std::max(precision, 1);
  }
}

void read_base(char letter, Spec& spec) {
  spec.base = letter == 'x' || letter == 'X'   ? 16
              : letter == 'o'                  ? 8
              : letter == 'b' || letter == 'B' ? 2
                                               : 10;
  if (letter == 'X' || letter == 'B') spec.letters = Letters::upper;
}

}  // namespace

Spec wish_of(const Lead& lead, int width, int precision, char letter, Type type, int places) {
  Spec out;
  const bool real_letter =
      letter != 0 && std::string_view("eEfFgGaA%").find(letter) != std::string_view::npos;
  const bool whole_letter =
      letter != 0 && std::string_view("dxXobB").find(letter) != std::string_view::npos;
  if (real_letter || (letter == 0 && is_real(type)))
    out.kind = Kind::real;
  else if (whole_letter || (letter == 0 && is_whole(type)))
    out.kind = Kind::whole;
  else
    out.kind = writing::kind_of({{}, type, unset, {}});
  const bool numeric = out.kind == Kind::real || out.kind == Kind::whole;
  out.width = std::max(width, 0);
  if (!lead.fill.empty()) out.fill = lead.fill;
  switch (lead.align) {
    case '<':
      out.align = Align::left;
      break;
    case '>':
      out.align = Align::right;
      break;
    case '^':
      out.align = Align::center;
      break;
    default:
      if (numeric && lead.zero) {
        out.align = Align::inner;
        out.fill = "0";
      }
  }
  if (numeric && lead.sign == '+') out.sign = Sign::always;
  if (numeric && lead.sign == ' ') out.sign = Sign::space;
  if (out.kind == Kind::real) {
    out.keep_point = lead.alternate;
    read_notation(letter, precision, places, out);
  } else if (out.kind == Kind::whole) {
    out.prefix = lead.alternate;
    read_base(letter, out);
  } else {
    out.limit = precision;
  }
  return out;
}

WrittenField write_field(const WritingRules& rules, const FieldWish& wish) {
  return FieldWriter(rules, wish).write();
}

}  // namespace inky::inline v1::braces
