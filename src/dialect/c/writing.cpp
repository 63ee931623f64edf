#include "c.hpp"

namespace inky::c_language {

namespace {

class Writer {
 public:
  explicit Writer(const Spec& wish) : wish_(wish) {}

  WrittenField write() {
    std::string letter = choose_letter();
    if (inexpressible_) return as_text();
    std::string source = "%" + flags();
    if (wish_.width > 0) source += std::to_string(wish_.width);
    source += precision() + letter;
    note_the_rest();
    return {std::move(source), std::move(notes_)};
  }

 private:
  void cannot(std::string what) {
    notes_.push_back({Code::wish_not_expressible, std::move(what), {}});
  }

  bool numeric() const { return wish_.kind == Kind::whole || wish_.kind == Kind::real; }

  // Text prepared elsewhere, padded here.
  WrittenField as_text() {
    std::string source =
        wish_.align == Align::left || (wish_.align == Align::natural && !numeric()) ? "%-" : "%";
    if (wish_.width > 0) source += std::to_string(wish_.width);
    return {source + "s", std::move(notes_)};
  }

  std::string give_up(std::string what) {
    inexpressible_ = true;
    cannot(std::move(what) + "; prepare the text and print it with %s");
    return {};
  }

  std::string choose_letter() {
    switch (wish_.kind) {
      case Kind::whole:
        return whole_letter();
      case Kind::real:
        return real_letter();
      case Kind::character:
        return "lc";
      default:
        return "s";
    }
  }

  std::string whole_letter() {
    if (wish_.sign == Sign::brackets) return give_up("C has no brackets for negative numbers");
    const bool upper = wish_.letters == Letters::upper;
    if (wish_.base == 10) return "lld";
    if (wish_.base == 8) return "llo";
    if (wish_.base == 16) return upper ? "llX" : "llx";
    return give_up("C prints wholes in base 8, 10 and 16 only");
  }

  std::string real_letter() {
    if (wish_.sign == Sign::brackets) return give_up("C has no brackets for negative numbers");
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
    if (numeric() && wish_.sign == Sign::always) out += '+';
    if (numeric() && wish_.sign == Sign::space) out += ' ';
    if (wish_.prefix || wish_.keep_point) out += '#';
    if (zero_inner) out += '0';
    if (numeric() && !wish_.group.empty()) out += '\'';
    return out;
  }

  std::string precision() const {
    int count = wish_.places;
    if (wish_.kind == Kind::whole) count = wish_.least_digits;
    if (wish_.kind == Kind::real && wish_.notation == Notation::compact) count = wish_.significant;
    if (wish_.kind == Kind::real && wish_.notation == Notation::scientific &&
        wish_.significant != unset)
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
    if (wish_.kind == Kind::real && wish_.rounding != Rounding::half_even)
      cannot("C rounds the stored value to nearest, ties to even");
    if (wish_.kind == Kind::whole && wish_.base != 10)
      cannot("C reads the bits as unsigned in base " + std::to_string(wish_.base) +
             ": a negative number prints as its two's complement");
    if (wish_.kind == Kind::truth) cannot("C prints no truth values; pass \"true\" or \"false\"");
  }

  const Spec& wish_;
  Notes notes_;
  bool inexpressible_ = false;
};

}  // namespace

WrittenField CDialect::write(const Spec& wish) const {
  return Writer(wish).write();
}

}  // namespace inky::c_language
