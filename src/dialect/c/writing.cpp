#include "../family/writing.hpp"
#include "c.hpp"

namespace inky::inline v1::c_language {

namespace {

class FieldWriter {
 public:
  explicit FieldWriter(const FieldWish& asked)
      : asked_(asked), wish_(asked.spec), kind_(writing::kind_of(asked)) {}

  WrittenField write() {
    if (kind_ == Kind::moment) {
      cannot("printf of C shows no moments; strftime makes a text of one");
      return {{}, std::move(notes_)};
    }
    std::string letter = choose_letter();
    if (inexpressible_) return as_text();
    if (letter.empty()) return {{}, std::move(notes_)};
    std::string source = "%" + position() + flags();
    if (wish_.width > 0) source += std::to_string(wish_.width);
    source += precision() + letter;
    note_the_rest();
    return {std::move(source), std::move(notes_)};
  }

 private:
  void cannot(std::string what) {
    notes_.push_back({Code::wish_not_expressible, std::move(what), {}});
  }

  bool numeric() const { return kind_ == Kind::whole || kind_ == Kind::real; }

  // Text prepared elsewhere, padded here.
  WrittenField as_text() {
    std::string source = "%" + position();
    if (wish_.align == Align::left || (wish_.align == Align::natural && !numeric())) source += '-';
    if (wish_.width > 0) source += std::to_string(wish_.width);
    return {source + "s", std::move(notes_)};
  }

  std::string position() const {
    return asked_.position == unset ? "" : std::to_string(asked_.position) + "$";
  }

  std::string give_up(std::string what) {
    inexpressible_ = true;
    cannot(std::move(what) + "; prepare the text and print it with %s");
    return {};
  }

  std::string choose_letter() {
    switch (kind_) {
      case Kind::whole:
        return whole_letter();
      case Kind::real:
        return real_letter();
      case Kind::character:
        return "lc";
      default:
        if (asked_.type != Type::text && asked_.type != Type::truth)
          return give_up("C has no letter for a value of type " +
                         std::string(name_of(asked_.type)));
        return "s";
    }
  }

  // What a whole number is passed as; narrower ones are promoted to int.
  std::string length() const {
    switch (asked_.type) {
      case Type::i8:
      case Type::i16:
      case Type::i32:
      case Type::u8:
      case Type::u16:
      case Type::u32:
      case Type::truth:
        return "";
      default:
        return "ll";
    }
  }
  bool is_unsigned() const { return asked_.type == Type::u32 || asked_.type == Type::u64; }

  std::string whole_letter() {
    if (wish_.sign == Sign::brackets) return give_up("C has no brackets for negative numbers");
    if (!is_whole(asked_.type))
      return give_up("C prints no other value with a letter for whole numbers");
    const bool upper = wish_.letters == Letters::upper;
    if (wish_.base == 10) return length() + (is_unsigned() ? "u" : "d");
    if (wish_.base == 8) return length() + "o";
    if (wish_.base == 16) return length() + (upper ? "X" : "x");
    return give_up("C prints wholes in base 8, 10 and 16 only");
  }

  std::string real_letter() {
    if (wish_.sign == Sign::brackets) return give_up("C has no brackets for negative numbers");
    if (is_whole(asked_.type))
      return give_up("C reads a double here, and the value is a whole number");
    const std::string prefix = asked_.type == Type::f80 ? "L" : "";
    return prefix + letter_of_notation();
  }

  std::string letter_of_notation() {
    const bool upper = wish_.letters == Letters::upper;
    switch (wish_.notation) {
      case Notation::fixed:
        if (wish_.significant != unset)
          return give_up("C cannot count significant digits in fixed notation");
        if (wish_.places == unset) return give_up("C cannot find the shortest digits");
        return upper ? "F" : "f";
      case Notation::scientific:
        if (wish_.places == unset && wish_.significant == unset)
          return give_up("C cannot find the shortest digits");
        return upper ? "E" : "e";
      case Notation::compact:
        return upper ? "G" : "g";
      case Notation::hexfloat:
        return upper ? "A" : "a";
      case Notation::percent:
        return give_up("C has no percent notation");
      case Notation::engineering:
        return give_up("C has no engineering notation");
      case Notation::shortest:
        return give_up("C cannot find the shortest digits");
    }
    return "f";
  }

  std::string flags() {
    std::string out;
    const bool zero_inner = wish_.align == Align::inner && wish_.fill == Mark("0");
    if (wish_.align == Align::left || (wish_.align == Align::natural && !numeric()))
      out += wish_.width > 0 ? "-" : "";
    const bool has_sign =
        kind_ == Kind::real || (kind_ == Kind::whole && wish_.base == 10 && !is_unsigned());
    if (has_sign && wish_.sign == Sign::always) out += '+';
    if (has_sign && wish_.sign == Sign::space) out += ' ';
    if (wish_.prefix || wish_.keep_point) out += '#';
    if (zero_inner) out += '0';
    if (numeric() && !wish_.group.empty()) out += '\'';
    return out;
  }

  std::string precision() const {
    int count = wish_.places;
    if (kind_ == Kind::whole) count = wish_.least_digits;
    if (kind_ == Kind::real && wish_.notation == Notation::compact) count = wish_.significant;
    if (kind_ == Kind::real && wish_.notation == Notation::scientific && wish_.significant != unset)
      count = wish_.significant - 1;
    if (!numeric()) count = wish_.limit;
    return count == unset ? "" : "." + std::to_string(count);
  }

  void note_the_rest() {
    if (wish_.align == Align::center) cannot("C cannot center; the field is padded on the left");
    const bool zero_inner = wish_.align == Align::inner && wish_.fill == Mark("0");
    if (wish_.width > 0 && !zero_inner && wish_.fill != Mark(" "))
      cannot("C pads with spaces, or with zeros between sign and digits");
    if (numeric() && !wish_.group.empty())
      cannot("C takes its thousands mark from the locale; in the C locale there is none");
    if (numeric() && wish_.point != Mark(".")) cannot("C takes its decimal mark from the locale");
    if (kind_ == Kind::real && wish_.rounding != Rounding::half_even)
      cannot("C rounds the stored value to nearest, ties to even");
    if (kind_ == Kind::whole && wish_.base != 10)
      cannot("C reads the bits as unsigned in base " + std::to_string(wish_.base) +
             ": a negative number prints as its two's complement");
    if (kind_ == Kind::whole && (wish_.base != 10 || is_unsigned()) && wish_.sign != Sign::minus)
      cannot("C puts a sign on signed conversions only");
    if (kind_ == Kind::truth) cannot("C prints no truth values; pass \"true\" or \"false\"");
  }

  const FieldWish& asked_;
  const Spec& wish_;
  Kind kind_;
  Notes notes_;
  bool inexpressible_ = false;
};

}  // namespace

WrittenField CDialect::write_field(const FieldWish& wish) const {
  return FieldWriter(wish).write();
}

std::optional<std::string> CDialect::write_literal(std::string_view text) const {
  auto out = writing::literal(
      {.doubled = "%", .control = writing::ControlForm::octal, .nul = false}, text);
  // Two question marks may begin a trigraph.
  for (std::size_t at = 0; out && (at = out->find("??", at)) != std::string::npos; ++at)
    out->insert(at + 1, "\\");
  return out;
}

std::string CDialect::write_statement(std::string_view source,
                                      std::span<const std::string> names) const {
  return "printf(\"" + std::string(source) + "\"" + (names.empty() ? "" : ", ") +
         writing::listed(names, ", ") + ");";
}

}  // namespace inky::inline v1::c_language
