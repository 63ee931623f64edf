#include "writing.hpp"

#include <algorithm>

#include "../family/writing.hpp"

namespace inky::inline v1::lisp {

namespace {

class DirectiveWriter {
 public:
  explicit DirectiveWriter(const FieldWish& wish)
      : wish_(wish), spec_(wish.spec), kind_(writing::kind_of(wish)) {}

  WrittenField write() {
    std::string out;
    if (!choose(out)) return {{}, std::move(notes_)};
    return {std::move(out), std::move(notes_)};
  }

 private:
  bool give_up(std::string_view what) {
    writing::cannot("FORMAT has no " + std::string(what) +
                        " in a directive; make the text first, and print that",
                    notes_);
    return false;
  }
  std::string width() const { return spec_.width > 0 ? std::to_string(spec_.width) : ""; }
  // "8,'0": a fill that is not a space stands behind the commas of the parameters left out.
  std::string filled(std::string parameters, int commas) {
    if (spec_.width == 0 || spec_.fill == Mark(" ")) return parameters;
    return parameters + std::string(static_cast<std::size_t>(commas), ',') + "'" +
           std::string(spec_.fill.text());
  }

  bool choose(std::string& out) {
    switch (kind_) {
      case Kind::whole:
        return whole(out);
      case Kind::real:
        return real(out);
      case Kind::text:
      case Kind::character:
        if (spec_.limit != unset) return give_up("limit of a text");
        return text(out);
      default:
        return give_up("such value");
    }
  }

  bool text(std::string& out) {
    if (spec_.align == Align::center)
      writing::cannot("~A cannot center; the field is padded on the left", notes_);
    const bool left = spec_.align == Align::left || spec_.align == Align::natural;
    out = "~" + filled(width(), 3) + (spec_.width > 0 && !left ? "@A" : "A");
    return true;
  }

  bool whole(std::string& out) {
    if (!is_whole(wish_.type)) return give_up("whole digits of such a value");
    if (spec_.least_digits > 1) return give_up("least number of digits");
    if (spec_.prefix) return give_up("prefix of a base");
    if (spec_.sign != Sign::minus && spec_.sign != Sign::always) return give_up("such sign");
    if (spec_.width > 0 && spec_.align == Align::left) return text(out);
    const char letter = spec_.base == 16  ? 'X'
                        : spec_.base == 8 ? 'O'
                        : spec_.base == 2 ? 'B'
                                          : 'D';
    const bool other = spec_.base != 10 && letter == 'D';
    std::string parameters = filled(width(), 1);
    if (other)
      parameters = std::to_string(spec_.base) + (parameters.empty() ? "" : "," + parameters);
    std::string marks;
    if (!spec_.group.empty()) {
      if (spec_.group != Mark(",")) return give_up("such mark between thousands here");
      marks += ':';
    }
    if (spec_.sign == Sign::always) marks += '@';
    out = "~" + parameters + marks + (other ? 'R' : letter);
    const bool lower = spec_.base > 10 && spec_.letters == Letters::lower;
    if (lower) out = "~(" + out + "~)";
    return true;
  }

  bool real(std::string& out) {
    if (!is_real(wish_.type)) return give_up("decimals of a whole number");
    if (spec_.sign != Sign::minus && spec_.sign != Sign::always) return give_up("such sign");
    if (!spec_.group.empty()) return give_up("marks between thousands of a real");
    if (spec_.width > 0 && spec_.align == Align::left)
      return give_up("padding of a real on the right");
    const std::string at = spec_.sign == Sign::always ? "@" : "";
    switch (spec_.notation) {
      case Notation::fixed:
        if (spec_.places == unset && spec_.significant != unset)
          return give_up("significant digits in fixed notation");
        out = "~" +
              filled(width() + (spec_.places == unset ? "" : "," + std::to_string(spec_.places)),
                     spec_.places == unset ? 4 : 3) +
              at + "F";
        return true;
      case Notation::scientific: {
        const int places = spec_.places == unset ? spec_.significant - 1 : spec_.places;
        if (spec_.places == unset && spec_.significant == unset)
          return give_up("shortest digits in scientific notation");
        out = "~" + width() + "," + std::to_string(places) + ",2,,,,'e" + at + "E";
        return true;
      }
      case Notation::shortest:
        if (spec_.width > 0 || spec_.sign != Sign::minus)
          return give_up("such padding of shortest digits");
        out = "~A";
        return true;
      default:
        return give_up("such notation");
    }
  }

  const FieldWish& wish_;
  const Spec& spec_;
  Kind kind_;
  Notes notes_;
};

}  // namespace

WrittenField write_directive(const FieldWish& wish) {
  return DirectiveWriter(wish).write();
}

bool read_directive(const Directive& directive, Type type, Spec& out) {
  const auto count = [&](std::size_t at) {
    return at < directive.parameters.size() &&
                   directive.parameters[at].kind == Parameter::Kind::number
               ? directive.parameters[at].number
               : unset;
  };
  for (const Parameter& parameter : directive.parameters) {
    if (parameter.kind == Parameter::Kind::next_value ||
        parameter.kind == Parameter::Kind::remaining)
      return false;
  }
  out.kind = writing::kind_of({{}, type, unset, {}});
  out.width = std::max(count(0), 0);
  const auto fill = [&](std::size_t at) {
    if (at < directive.parameters.size() &&
        directive.parameters[at].kind == Parameter::Kind::character &&
        directive.parameters[at].character.size() <= 7)
      out.fill = Mark(directive.parameters[at].character);
  };
  switch (directive.letter) {
    case 'A':
      if (directive.colon || count(1) > 1 || count(2) > 0) return false;
      out.align = directive.at ? Align::right : Align::left;
      fill(3);
      return true;
    case 'D':
    case 'X':
    case 'O':
    case 'B':
      if (!is_whole(type) || directive.parameters.size() > 2) return false;
      out.base = directive.letter == 'X'   ? 16
                 : directive.letter == 'O' ? 8
                 : directive.letter == 'B' ? 2
                                           : 10;
      if (out.base == 16) out.letters = Letters::upper;
      out.align = Align::right;
      if (directive.colon) out.group = ",";
      if (directive.at) out.sign = Sign::always;
      fill(1);
      return true;
    case 'F':
      if (!is_real(type) || count(2) > 0 || count(3) > 0 || directive.parameters.size() > 5 ||
          (directive.parameters.size() > 3 &&
           directive.parameters[3].kind == Parameter::Kind::character))
        return false;
      out.notation = Notation::fixed;
      out.places = count(1);
      out.align = Align::right;
      if (directive.at) out.sign = Sign::always;
      fill(4);
      return true;
    default:
      return false;
  }
}

}  // namespace inky::inline v1::lisp
