#include "percent_writing.hpp"

#include "text/escape.hpp"

namespace inky::inline v1::percent {

namespace {

using writing::cannot;

std::string in_words(Kind kind) {
  switch (kind) {
    case Kind::whole:
      return "a whole number";
    case Kind::real:
      return "a real number";
    case Kind::character:
      return "one character";
    case Kind::truth:
      return "true and false";
    case Kind::moment:
      return "dates and times";
    case Kind::text:
      return "a text";
    case Kind::any:
      break;
  }
  return "a value of any type";
}

class FieldWriter {
 public:
  FieldWriter(const WritingRules& rules, const FieldWish& wish)
      : rules_(rules),
        wish_(wish),
        spec_(writing::without_open_places(wish.spec)),
        kind_(writing::kind_of(wish)) {}

  WrittenField write() {
    const char letter = choose_letter();
    const ConversionFact* fact = conversion_of(*rules_.facts, letter);
    if (fact == nullptr) {
      if (notes_.empty()) cannot(language() + " has no letter for " + in_words(kind_), notes_);
      return {{}, std::move(notes_)};
    }
    std::string source = "%";
    if (wish_.position != unset) source += std::to_string(wish_.position) + "$";
    source += flags(*fact);
    if (spec_.width > 0) source += std::to_string(spec_.width);
    const int count = precision();
    if (count != unset && fact->precision)
      source += "." + std::to_string(count);
    else if (count != unset)
      cannot(std::string("%") + letter + " of " + language() + " takes no precision", notes_);
    if (rules_.length != nullptr && kind_ != Kind::text) source += rules_.length(wish_.type);
    source += letter;
    note_the_rest();
    return {std::move(source), std::move(notes_)};
  }

 private:
  std::string language() const { return std::string(rules_.facts->language); }
  bool numeric() const { return kind_ == Kind::whole || kind_ == Kind::real; }

  char give_up(std::string_view what) {
    cannot(language() + " has no " + std::string(what) +
               " in a field; make the text first, and print that",
           notes_);
    return 0;
  }

  char choose_letter() {
    switch (kind_) {
      case Kind::whole:
        return whole_letter();
      case Kind::real:
        return real_letter();
      case Kind::character:
        return conversion_of(*rules_.facts, 'c') != nullptr ? 'c' : 's';
      case Kind::truth:
        return rules_.truth != 0   ? rules_.truth
               : rules_.plain != 0 ? rules_.plain
                                   : give_up("truth values");
      case Kind::text:
        return wish_.type == Type::text || wish_.type == Type::character || rules_.plain == 0
                   ? 's'
                   : rules_.plain;
      case Kind::moment:
        return give_up("dates and times like this");
      default:
        return rules_.plain != 0 ? rules_.plain : give_up("way to show such a value");
    }
  }

  char whole_letter() {
    if (is_real(wish_.type) && !rules_.converts) return give_up("whole digits of a real");
    const bool upper = spec_.letters == Letters::upper;
    switch (spec_.base) {
      case 10:
        return rules_.unsigned_letter != 0 && is_unsigned() ? rules_.unsigned_letter : 'd';
      case 16:
        return upper ? 'X' : 'x';
      case 8:
        return 'o';
      case 2:
        return rules_.binary != 0 ? rules_.binary : give_up("base 2");
      default:
        return give_up("base " + std::to_string(spec_.base));
    }
  }
  bool is_unsigned() const {
    return is_whole(wish_.type) && wish_.type != Type::big && !fact_of(wish_.type).is_signed;
  }

  char real_letter() {
    if (is_whole(wish_.type) && !rules_.converts) return give_up("decimals of a whole number");
    const bool upper = spec_.letters == Letters::upper;
    const bool counted = spec_.places != unset || spec_.significant != unset;
    switch (spec_.notation) {
      case Notation::fixed:
        if (spec_.significant != unset) return give_up("significant digits in fixed notation");
        if (spec_.places == unset) return give_up("shortest digits in fixed notation");
        return upper && conversion_of(*rules_.facts, 'F') != nullptr ? 'F' : 'f';
      case Notation::scientific:
        if (!counted) return give_up("shortest digits in scientific notation");
        return upper ? 'E' : 'e';
      case Notation::compact:
        return upper ? 'G' : 'g';
      case Notation::hexfloat: {
        // The letter may show something else: Python's %a is the ASCII text of any value.
        const ConversionFact* fact = conversion_of(*rules_.facts, 'a');
        if (fact != nullptr && fact->kind != Kind::real) return give_up("hexadecimal notation");
        return upper ? 'A' : 'a';
      }
      case Notation::shortest:
        if (rules_.plain != 0 && writing::asks_nothing_of_a_number(spec_)) return rules_.plain;
        return give_up("shortest digits of a real");
      default:
        return give_up(spec_.notation == Notation::percent ? "percent notation"
                                                           : "engineering notation");
    }
  }

  // One flag, where the letter has it.
  void add(char flag, std::string_view what, const ConversionFact& fact, std::string& out) {
    if (fact.flags.find(flag) != std::string_view::npos)
      out += flag;
    else
      cannot(std::string("%") + fact.letter + " of " + language() + " has no " + std::string(what),
             notes_);
  }

  std::string flags(const ConversionFact& fact) {
    std::string out;
    const bool zeros = spec_.align == Align::inner && spec_.fill == Mark("0");
    const bool shown_as_text = !numeric() || fact.kind == Kind::text || fact.kind == Kind::any;
    if (spec_.width > 0 &&
        (spec_.align == Align::left || (spec_.align == Align::natural && !numeric())))
      add('-', "padding on the right", fact, out);
    if (numeric() && spec_.sign == Sign::always) add('+', "plus sign", fact, out);
    if (numeric() && spec_.sign == Sign::space) add_space(fact, out);
    if (numeric() && spec_.sign == Sign::brackets) add('(', "brackets", fact, out);
    if (spec_.prefix || spec_.keep_point) add('#', "alternate form", fact, out);
    if (numeric() && !spec_.group.empty()) add_group(fact, out);
    if (spec_.width > 0 && zeros && !shown_as_text) {
      add('0', "zeros as padding", fact, out);
    } else if (spec_.width > 0 && spec_.fill != Mark(" ")) {
      add('\'', "other fill than spaces", fact, out);
      if (!out.empty() && out.back() == '\'') out += spec_.fill.text();
    }
    return out;
  }
  // Where a flag gives the fill, a space is one.
  void add_space(const ConversionFact& fact, std::string& out) {
    if (fact.flags.find('\'') != std::string_view::npos)
      cannot(language() + " has no space in the place of a plus sign", notes_);
    else
      add(' ', "space in the place of a plus sign", fact, out);
  }
  void add_group(const ConversionFact& fact, std::string& out) {
    if (spec_.group == Mark(",") && fact.flags.find(',') != std::string_view::npos)
      out += ',';
    else
      cannot(language() + " has no such mark between thousands in a field", notes_);
  }

  int precision() const {
    switch (kind_) {
      case Kind::whole:
        return spec_.least_digits;
      case Kind::real:
        if (spec_.notation == Notation::compact) return spec_.significant;
        if (spec_.notation == Notation::scientific && spec_.significant != unset)
          return spec_.significant - 1;
        return spec_.places;
      default:
        return spec_.limit;
    }
  }

  void note_the_rest() {
    if (spec_.width > 0 && spec_.align == Align::center)
      cannot(language() + " cannot center; the field is padded on the left", notes_);
    if (spec_.width > 0 && spec_.align == Align::inner && spec_.fill != Mark("0"))
      cannot(language() + " pads between sign and digits with zeros only", notes_);
    if (numeric() && spec_.point != Mark("."))
      cannot(language() + " takes the decimal mark from a locale, not from the field", notes_);
  }

  const WritingRules& rules_;
  const FieldWish& wish_;
  Spec spec_;
  Kind kind_;
  Notes notes_;
};

}  // namespace

WrittenField write_field(const WritingRules& rules, const FieldWish& wish) {
  if (rules.moment != nullptr && writing::kind_of(wish) == Kind::moment) return rules.moment(wish);
  return FieldWriter(rules, wish).write();
}

}  // namespace inky::inline v1::percent
