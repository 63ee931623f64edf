#include "writing.hpp"

#include <algorithm>
#include <span>

#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "dialects.hpp"

namespace inky::inline v1::javascript {

namespace {

// Stands for the name in a slot: literals write it as an escape.
constexpr char value_mark = '\1';

// Getters of the machine's zone, and English names: ECMA-262, Date Objects; ECMA-402.
constexpr family::TimeLetter time_slots[] = {
    {"year", "${\1.getFullYear()}"},
    {"year:2", "${String(\1.getFullYear() % 100).padStart(2, '0')}"},
    {"month", "${String(\1.getMonth() + 1).padStart(2, '0')}"},
    {"month:1", "${\1.getMonth() + 1}"},
    {"month:name", "${\1.toLocaleDateString('en-US', {month: 'long'})}"},
    {"month:short", "${\1.toLocaleDateString('en-US', {month: 'short'})}"},
    {"day", "${String(\1.getDate()).padStart(2, '0')}"},
    {"day:1", "${\1.getDate()}"},
    {"day:space", "${String(\1.getDate()).padStart(2)}"},
    {"weekday", "${\1.toLocaleDateString('en-US', {weekday: 'long'})}"},
    {"weekday:short", "${\1.toLocaleDateString('en-US', {weekday: 'short'})}"},
    {"hour", "${String(\1.getHours()).padStart(2, '0')}"},
    {"hour:1", "${\1.getHours()}"},
    {"hour12", "${String((\1.getHours() + 11) % 12 + 1).padStart(2, '0')}"},
    {"hour12:1", "${(\1.getHours() + 11) % 12 + 1}"},
    {"minute", "${String(\1.getMinutes()).padStart(2, '0')}"},
    {"second", "${String(\1.getSeconds()).padStart(2, '0')}"},
    {"fraction:3", "${String(\1.getMilliseconds()).padStart(3, '0')}"},
    {"half", "${\1.getHours() < 12 ? 'AM' : 'PM'}"},
    {"half:lower", "${\1.getHours() < 12 ? 'am' : 'pm'}"},
};

bool put_between(std::string_view text, std::string& out) {
  const auto written = javascript_dialect()->writer().write_literal(text);
  if (written) out += *written;
  return written.has_value();
}

class SlotWriter {
 public:
  explicit SlotWriter(const FieldWish& wish)
      : wish_(wish), spec_(wish.spec), kind_(writing::kind_of(wish)) {}

  WrittenField write() {
    if (kind_ == Kind::moment) return write_moment();
    std::string out = wish_.name;
    bool is_text = kind_ == Kind::text || kind_ == Kind::character;
    if (!show(out, is_text)) return {{}, std::move(notes_)};
    if (spec_.width > 0) pad(is_text, out);
    return {"${" + out + "}", std::move(notes_)};
  }

 private:
  bool numeric() const { return kind_ == Kind::whole || kind_ == Kind::real; }
  bool give_up(std::string_view what) {
    writing::cannot(
        "JavaScript has no " + std::string(what) + " in a slot; make the text first, and show that",
        notes_);
    return false;
  }

  // A slot for each part.
  WrittenField write_moment() {
    if (family::note_time_wish("JavaScript", wish_, notes_)) return {{}, std::move(notes_)};
    const auto parts =
        family::write_time("JavaScript", time_slots, spec_.moment, put_between, notes_);
    std::string out;
    for (const char c : parts.value_or(std::string())) {
      if (c == value_mark)
        out += wish_.name;
      else
        out += c;
    }
    return {std::move(out), std::move(notes_)};
  }

  bool show(std::string& out, bool& is_text) {
    if (!numeric()) return spec_.limit == unset || give_up("limit of a text");
    if (spec_.sign != Sign::minus) return give_up("sign on positive numbers");
    if (spec_.keep_point) return give_up("point that stays");
    if (kind_ == Kind::whole) return show_whole(out, is_text);
    return show_real(out, is_text);
  }

  bool show_whole(std::string& out, bool& is_text) {
    if (!is_whole(wish_.type)) return give_up("whole digits of such a value");
    if (spec_.prefix) return give_up("0x in front");
    if (!spec_.group.empty()) return group(0, out, is_text);
    if (spec_.base != 10) {
      out += ".toString(" + std::to_string(spec_.base) + ")";
      if (spec_.letters == Letters::upper) out += ".toUpperCase()";
      is_text = true;
    }
    if (spec_.least_digits > 1) {
      out = (is_text ? out : "String(" + out + ")") + ".padStart(" +
            std::to_string(spec_.least_digits) + ", '0')";
      is_text = true;
    }
    return true;
  }

  bool group(int places, std::string& out, bool& is_text) {
    if (spec_.group != Mark(",")) return give_up("such mark between thousands");
    const std::string count = std::to_string(places);
    out += ".toLocaleString('en-US', {minimumFractionDigits: " + count +
           ", maximumFractionDigits: " + count + "})";
    is_text = true;
    return true;
  }

  bool show_real(std::string& out, bool& is_text) {
    const bool counted = spec_.places != unset || spec_.significant != unset;
    switch (spec_.notation) {
      case Notation::fixed:
        if (spec_.places == unset && spec_.significant == unset) return true;
        if (spec_.places == unset) return give_up("significant digits in fixed notation");
        if (!spec_.group.empty()) return group(spec_.places, out, is_text);
        out += ".toFixed(" + std::to_string(spec_.places) + ")";
        break;
      case Notation::scientific:
        out +=
            ".toExponential(" +
            (counted ? std::to_string(spec_.places == unset ? spec_.significant - 1 : spec_.places)
                     : "") +
            ")";
        break;
      case Notation::compact:
        out += ".toPrecision(" +
               std::to_string(spec_.significant == unset ? 6 : spec_.significant) + ")";
        break;
      case Notation::shortest:
        return !counted || give_up("a number of digits in the shortest notation");
      default:
        return give_up("such notation");
    }
    if (spec_.letters == Letters::upper && spec_.notation != Notation::fixed)
      out += ".toUpperCase()";
    is_text = true;
    return true;
  }

  void pad(bool is_text, std::string& out) {
    if (spec_.align == Align::center)
      writing::cannot("JavaScript cannot center; the field is padded on the left", notes_);
    const bool left = spec_.align == Align::left || (spec_.align == Align::natural && !numeric());
    if (!is_text) out = "String(" + out + ")";
    out += (left ? ".padEnd(" : ".padStart(") + std::to_string(spec_.width);
    if (spec_.fill != Mark(" ")) {
      const std::string_view fill = spec_.fill.text();
      out +=
          std::string(", '") + (fill == "'" || fill == "\\" ? "\\" : "") + std::string(fill) + "'";
    }
    out += ")";
  }

  const FieldWish& wish_;
  const Spec& spec_;
  Kind kind_;
  Notes notes_;
};

// A chain of methods on one name, read back as a wish; false where it is anything else.
class WishReader {
 public:
  WishReader(Type type, Spec& out) : out_(out) {
    out_.kind = writing::kind_of({{}, type, unset, {}});
  }

  bool read(const Node& node) {
    if (node.kind == Node::Kind::name) return true;
    if (node.kind != Node::Kind::call || node.parts.empty()) return false;
    const Node& callee = node.parts[0];
    if (callee.kind == Node::Kind::name)
      return callee.text == "String" && node.parts.size() == 2 && read(node.parts[1]);
    if (callee.kind != Node::Kind::member || !read(callee.parts[0]) || padded_) return false;
    return read_method(callee.text, std::span(node.parts).subspan(1));
  }

 private:
  static bool is_number(const Node& node) {
    return node.kind == Node::Kind::number && node.number >= 0 && node.number <= most_width;
  }

  bool read_method(std::string_view name, std::span<const Node> arguments) {
    if (name == "toUpperCase" && arguments.empty() && out_.base > 10) {
      out_.letters = Letters::upper;
      return true;
    }
    const bool counted = arguments.size() == 1 && is_number(arguments[0]);
    const int count = counted ? static_cast<int>(arguments[0].number) : unset;
    if (name == "toFixed" && (counted || arguments.empty())) {
      out_.kind = Kind::real;
      out_.notation = Notation::fixed;
      out_.places = std::max(count, 0);
    } else if (name == "toExponential" && (counted || arguments.empty())) {
      out_.kind = Kind::real;
      out_.notation = Notation::scientific;
      out_.places = count;
    } else if (name == "toString" && counted && out_.kind == Kind::whole) {
      out_.base = count;
    } else if (name == "padStart" || name == "padEnd") {
      return read_padding(name == "padEnd", arguments);
    } else {
      return name == "toString" && arguments.empty();
    }
    return true;
  }

  bool read_padding(bool at_end, std::span<const Node> arguments) {
    if (arguments.empty() || arguments.size() > 2 || !is_number(arguments[0])) return false;
    padded_ = true;
    out_.width = static_cast<int>(arguments[0].number);
    out_.align = at_end ? Align::left : Align::right;
    if (arguments.size() == 1) return true;
    const std::string& fill = arguments[1].text;
    if (arguments[1].kind != Node::Kind::text || fill.size() != 1) return false;
    out_.fill = Mark(fill);
    return true;
  }

  Spec& out_;
  bool padded_ = false;
};

}  // namespace

WrittenField write_slot(const FieldWish& wish) {
  return SlotWriter(wish).write();
}

bool read_slot(const Node& expression, Type type, Spec& out) {
  return WishReader(type, out).read(expression);
}

}  // namespace inky::inline v1::javascript
