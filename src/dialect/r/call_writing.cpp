#include "call_writing.hpp"

#include <algorithm>
#include <bit>

#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::r_language {

namespace {

bool put_between_codes(std::string_view text, std::string& out) {
  const auto written =
      writing::literal({.control = writing::ControlForm::octal, .nul = false}, text);
  return written && family::put_strftime_text(*written, out);
}

}  // namespace

WrittenField written_call(const FieldWish& wish) {
  const Spec& spec = wish.spec;
  Notes notes;
  const auto give_up = [&](std::string_view what) {
    writing::cannot("formatC has no " + std::string(what), notes);
    return WrittenField{{}, std::move(notes)};
  };
  const Kind kind = writing::kind_of(wish);
  const bool number = kind == Kind::whole || kind == Kind::real;
  if (kind == Kind::moment) {
    if (family::note_time_wish("R", wish, notes)) return {{}, std::move(notes)};
    const auto codes =
        family::write_time("R", family::strftime_letters(), spec.moment, put_between_codes, notes);
    return {codes ? "format(" + wish.name + ", \"" + *codes + "\")" : std::string(),
            std::move(notes)};
  }
  if (!number && kind != Kind::text) return give_up("place for such a value");
  if (spec.limit != unset) return give_up("limit of a text");
  if (spec.base != 10) return give_up("other base than 10");
  std::string out = "formatC(" + wish.name;
  std::string flags;
  if (spec.width > 0 && (spec.align == Align::left || (spec.align == Align::natural && !number)))
    flags += '-';
  if (number && spec.sign == Sign::always) flags += '+';
  if (number && spec.sign == Sign::space) flags += ' ';
  if (number && spec.keep_point) flags += '#';
  if (number && spec.align == Align::inner && spec.fill == Mark("0")) flags += '0';
  if (kind == Kind::whole) {
    if (!is_whole(wish.type)) return give_up("whole digits of such a value");
    out += ", format = \"d\"";
  } else if (kind == Kind::real) {
    const int count =
        spec.notation == Notation::compact || spec.places == unset ? spec.significant : spec.places;
    const char letter = spec.notation == Notation::fixed        ? 'f'
                        : spec.notation == Notation::scientific ? 'e'
                        : spec.notation == Notation::compact    ? 'g'
                                                                : '\0';
    if (letter == 0 || count == unset) return give_up("such notation");
    out +=
        ", digits = " + std::to_string(letter == 'e' && spec.places == unset ? count - 1 : count) +
        ", format = \"" +
        static_cast<char>(letter - (letter != 'f' && spec.letters == Letters::upper ? 32 : 0)) +
        "\"";
  }
  out += ", width = " + std::to_string(std::max(spec.width, 1));
  if (!flags.empty()) out += ", flag = \"" + flags + "\"";
  if (number && !spec.group.empty()) out += ", big.mark = " + in_quotes(spec.group.text());
  return {out + ")", std::move(notes)};
}

namespace {

// What a call of formatC asks, whose arguments are all written out.
class SpokenWish {
 public:
  SpokenWish(const Call& call, Type type, Notes& notes) : call_(call), type_(type), notes_(notes) {}

  std::optional<Spec> read() {
    if (const auto pattern = moment()) return family::time_wish(*pattern);
    if (call_.function != "formatC") return give_up("a call of " + call_.function);
    for (std::size_t i = 1; i < call_.arguments.size(); ++i) {
      const Argument& argument = call_.arguments[i];
      if (argument.expression.kind != Expression::Kind::value || argument.expression.negative)
        return give_up("an argument that is no literal");
      if (!take(argument.name, argument.expression.value))
        return give_up("such an argument " + argument.name);
    }
    if (!settle()) return give_up("such a format");
    return spec_;
  }

 private:
  std::optional<Spec> give_up(const std::string& what) {
    writing::cannot(what + " is not read as a wish", notes_);
    return std::nullopt;
  }

  // Of format(x, "%d.%m.%Y").
  std::optional<TimePattern> moment() const {
    if (call_.function != "format" || call_.arguments.size() != 2) return std::nullopt;
    const Argument& codes = call_.arguments[1];
    const bool is_text =
        codes.expression.kind == Expression::Kind::value && codes.expression.value.is(Type::text);
    if (!is_text || (!codes.name.empty() && codes.name != "format")) return std::nullopt;
    return family::read_strftime(codes.expression.value.as_text(), family::strftime_letters());
  }

  bool take(std::string_view name, const Value& value) {
    if (name == "digits") return take_count(value, digits_);
    if (name == "width") return take_count(value, spec_.width);
    if (!value.is(Type::text)) return false;
    if (name == "format") {
      if (value.as_text().size() != 1) return false;
      format_ = value.as_text()[0];
    } else if (name == "flag") {
      flags_ = value.as_text();
    } else if (name == "big.mark") {
      spec_.group = Mark(value.as_text());
    } else {
      return false;
    }
    return true;
  }
  static bool take_count(const Value& value, int& out) {
    if (!value.is(Type::f64)) return false;
    const auto number = std::bit_cast<double>(static_cast<std::uint64_t>(value.bits()));
    constexpr double most = 1000000;
    if (!(number >= 0 && number <= most) || number != static_cast<int>(number)) return false;
    out = static_cast<int>(number);
    return true;
  }

  bool settle() {
    const bool number = type_ != Type::text;
    spec_.kind = !number ? Kind::text : format_ == 'd' ? Kind::whole : Kind::real;
    // The least width pads nothing.
    if (spec_.width == 1 && flags_.find('-') == std::string::npos) spec_.width = unset;
    for (const char flag : flags_) {
      if (flag == '-') spec_.align = Align::left;
      if (flag == '+') spec_.sign = Sign::always;
      if (flag == ' ') spec_.sign = Sign::space;
      if (flag == '#') spec_.keep_point = true;
      if (flag == '0') {
        spec_.align = Align::inner;
        spec_.fill = Mark("0");
      }
    }
    if (spec_.align == Align::natural) spec_.align = Align::right;
    if (!number) return format_ == '\0' || format_ == 's';
    if (format_ == 'd') return is_whole(type_);
    spec_.letters = format_ == 'E' || format_ == 'G' ? Letters::upper : Letters::lower;
    switch (format_) {
      case 'f':
        spec_.notation = Notation::fixed;
        spec_.places = digits_;
        break;
      case 'e':
      case 'E':
        spec_.notation = Notation::scientific;
        spec_.places = digits_;
        break;
      case 'g':
      case 'G':
        spec_.notation = Notation::compact;
        spec_.significant = digits_;
        break;
      default:
        return false;
    }
    return digits_ != unset;
  }

  const Call& call_;
  Type type_;
  Notes& notes_;
  Spec spec_;
  int digits_ = unset;
  char format_ = '\0';
  std::string flags_;
};

}  // namespace

std::optional<Spec> wish_of_call(const Call& call, Type type, Notes& notes) {
  return SpokenWish(call, type, notes).read();
}

}  // namespace inky::inline v1::r_language
