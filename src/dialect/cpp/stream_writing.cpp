#include "stream_writing.hpp"

#include <algorithm>
#include <limits>
#include <string>

#include "../computed/writer.hpp"
#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "c/c.hpp"
#include "c/expressions.hpp"
#include "chain.hpp"
#include "dialect/program_form.hpp"
#include "program.hpp"
#include "stream_facts.hpp"
#include "stream_state.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

class ChainWriter {
 public:
  WrittenTemplate write(std::span<const TemplatePart> parts) {
    std::string out = "cout";
    for (const TemplatePart& part : parts) {
      if (part.field) {
        if (!put_field(*part.field, out)) return {std::nullopt, std::move(notes_)};
      } else {
        out += " << \"" + *writing::literal(literal_rules, part.literal) + "\"";
      }
    }
    return {std::move(out), std::move(notes_)};
  }

 private:
  static constexpr writing::LiteralRules literal_rules = {.control = writing::ControlForm::octal};

  bool give_up(std::string_view what) {
    writing::cannot(
        "a stream of C++ has no " + std::string(what) + "; make the text first, and insert that",
        notes_);
    return false;
  }

  static void change(int& now, int to, const std::string& manipulator, std::string& out) {
    if (now == to) return;
    now = to;
    out += " << " + manipulator;
  }
  static void change(bool& now, bool to, std::string_view name, std::string& out) {
    if (now == to) return;
    now = to;
    out += " << " + std::string(to ? "" : "no") + std::string(name);
  }

  bool put_field(const FieldWish& wish, std::string& out) {
    const Spec& spec = wish.spec;
    const Kind kind = writing::kind_of(wish);
    if (wish.type == Type::i8 || wish.type == Type::u8)
      return give_up("wholes of 8 bits, which are characters to it");
    if (kind == Kind::moment) return put_moment(wish, out);
    if (is_compound(wish.type)) return give_up("such value");
    if (spec.limit != unset) return give_up("limit of a text");
    if (kind == Kind::whole && !put_whole(wish, out)) return false;
    if (kind == Kind::real && !put_real(wish, out)) return false;
    if (kind == Kind::truth) change(state_.names_of_truth, true, "boolalpha", out);
    const bool numeric = kind == Kind::whole || kind == Kind::real;
    if (numeric) {
      if (spec.sign == Sign::space || spec.sign == Sign::brackets) return give_up("such sign");
      if (!spec.group.empty())
        writing::cannot("a stream takes the mark between thousands from its locale", notes_);
      change(state_.show_positive, spec.sign == Sign::always, "showpos", out);
      change(state_.uppercase, spec.letters == Letters::upper, "uppercase", out);
    }
    if (spec.width > 0) put_padding(spec, numeric, out);
    out += " << " + wish.name;
    return true;
  }

  // put_time knows the codes of the standard, and neither flags nor widths.
  bool put_moment(const FieldWish& wish, std::string& out) {
    if (family::note_time_wish("put_time", wish, notes_)) return false;
    const auto codes = family::write_time("put_time", family::standard_strftime_letters(),
                                          wish.spec.moment, put_between_codes, notes_);
    if (!codes) return false;
    out += " << std::put_time(&" + wish.name + ", \"" + *codes + "\")";
    return true;
  }
  static bool put_between_codes(std::string_view text, std::string& out) {
    const auto written = writing::literal(literal_rules, text);
    return written && family::put_strftime_text(*written, out);
  }

  bool put_whole(const FieldWish& wish, std::string& out) {
    if (!is_whole(wish.type)) return give_up("whole digits of such a value");
    if (wish.spec.least_digits > 0) return give_up("least number of digits");
    const int base = wish.spec.base;
    if (base != 8 && base != 10 && base != 16) return give_up("base " + std::to_string(base));
    change(state_.base_flags,
           base == 8    ? octal_base
           : base == 16 ? hexadecimal_base
                        : decimal_base,
           base == 8    ? "oct"
           : base == 16 ? "hex"
                        : "dec",
           out);
    if (base != 10) change(state_.show_base, wish.spec.prefix, "showbase", out);
    return true;
  }

  bool put_real(const FieldWish& wish, std::string& out) {
    const Spec& spec = wish.spec;
    if (!is_real(wish.type)) return give_up("decimals of a whole number");
    change(state_.show_point, spec.keep_point, "showpoint", out);
    int count = spec.places;
    switch (spec.notation) {
      case Notation::fixed:
        if (count == unset) return give_up("shortest digits of a real");
        change(state_.notation, fixed_places, "fixed", out);
        break;
      case Notation::scientific:
        if (count == unset && spec.significant == unset)
          return give_up("shortest digits of a real");
        if (count == unset) count = spec.significant - 1;
        change(state_.notation, scientific, "scientific", out);
        break;
      case Notation::hexfloat:
        if (count != unset) return give_up("places of hexadecimal notation");
        change(state_.notation, hexadecimal, "hexfloat", out);
        return true;
      case Notation::compact:
        count = spec.significant == unset ? 6 : spec.significant;
        change(state_.notation, general, "defaultfloat", out);
        break;
      default:
        return give_up(spec.notation == Notation::shortest ? "shortest digits of a real"
                                                           : "such notation");
    }
    change(state_.precision, count, "setprecision(" + std::to_string(count) + ")", out);
    return true;
  }

  void put_padding(const Spec& spec, bool numeric, std::string& out) {
    const bool left = spec.align == Align::left || (spec.align == Align::natural && !numeric);
    const int side = left ? left_side : spec.align == Align::inner ? inner_side : right_side;
    if (spec.align == Align::center)
      writing::cannot("a stream cannot center; the field is padded on the left", notes_);
    if (!(side == right_side && state_.side == no_side))
      change(state_.side, side, left ? "left" : side == inner_side ? "internal" : "right", out);
    const std::string_view fill = spec.fill.text();
    if (fill.size() != 1) {
      writing::cannot("a stream fills with one byte", notes_);
    } else if (state_.fill != spec.fill) {
      state_.fill = spec.fill;
      out += std::string(" << setfill('") + (fill == "'" || fill == "\\" ? "\\" : "") +
             std::string(fill) + "')";
    }
    out += " << setw(" + std::to_string(spec.width) + ")";
  }

  State state_;
  Notes notes_;
};

class ChainPrinter {
 public:
  ChainPrinter(const TemplateContent& parsed, std::span<const std::string> names)
      : parsed_(parsed), chain_(static_cast<const Chain&>(*parsed.program)), names_(names) {}

  std::optional<WrittenCall> print() {
    out_.add("cout");
    if (std::find(names_.begin(), names_.end(), chain_.first.name) != names_.end()) {
      out_.add(" << ");
      print(chain_.first);
    }
    for (const Piece& piece : parsed_.pieces) {
      const std::string_view written = parsed_.literal(piece);
      if (piece.field != unset)
        print(chain_.insertions[static_cast<std::size_t>(piece.field)]);
      else if (!written.empty())
        out_.add(written == "\n" ? " << endl" : " << ends");
    }
    for (const Setting& setting : chain_.after) print(setting);
    out_.add(";");
    if (!can_be_written_) return std::nullopt;
    return std::move(out_);
  }

 private:
  void print(const Insertion& insertion) {
    for (const Setting& setting : insertion.before) print(setting);
    out_.add(" << ");
    print(insertion.shown);
  }

  void print(const Setting& setting) {
    const auto* found =
        std::find_if(manipulators.begin(), manipulators.end(), [&](const Manipulator& one) {
          return one.what == setting.what && one.takes_argument == setting.takes_argument &&
                 (one.takes_argument || one.to == setting.to);
        });
    out_.add(" << ");
    if (setting.how != How::replaces) {
      out_.add(setting.how == How::adds ? "setiosflags(ios::" : "resetiosflags(ios::");
      out_.add(found->name);
      return out_.add(")");
    }
    out_.add(found->name);
    if (!setting.takes_argument) return;
    out_.add("(");
    print(setting.argument);
    out_.add(")");
  }

  void print(const Operand& operand) {
    if (operand.expression != nullptr) {
      const ProgramForm& form = program_form_of(facts);
      can_be_written_ &=
          computed::write(*operand.expression, {c_language::grammar, form, names_}, out_);
      return;
    }
    if (!operand.name.empty()) return out_.add(operand.name);
    const Value& value = operand.value;
    switch (value.type()) {
      case Type::text:
        return out_.add_literal('"' + literal_text(program_form_of(facts), value.as_text()) + '"');
      case Type::character:
        return print_byte(static_cast<unsigned>(value.as_character()));
      case Type::i8:
        return print_byte(static_cast<unsigned>(value.bits() & 0xFF));
      case Type::truth:
        return out_.add(value.as_whole() != 0 ? "true" : "false");
      case Type::nil:
        return out_.add("nullptr");
      default:
        return print_number(value);
    }
  }

  // Three octal digits name any byte.
  void print_byte(unsigned byte) {
    std::string out = "'\\";
    for (const unsigned shift : {6U, 3U, 0U})
      out += static_cast<char>('0' + ((byte >> shift) & 7U));
    out_.add(out + "'");
  }

  void print_number(const Value& value) {
    if (value.is(Type::i64) && value.as_whole() == std::numeric_limits<std::int64_t>::min())
      return out_.add(program_form_of(facts).least_i64);
    out_.add(describe(value));
    if (is_real(value.type()) && describe(value).find_first_of(".e") == std::string::npos)
      out_.add(".0");
    const auto* found = std::find_if(cpp_program_types.begin(), cpp_program_types.end(),
                                     [&](const TypeForm& one) { return one.type == value.type(); });
    out_.add(found->literal.substr(1));
  }

  const TemplateContent& parsed_;
  const Chain& chain_;
  std::span<const std::string> names_;
  WrittenCall out_;
  bool can_be_written_ = true;
};

}  // namespace

WrittenTemplate write_chain(std::span<const TemplatePart> parts) {
  return ChainWriter().write(parts);
}

std::optional<WrittenCall> print_chain(const TemplateContent& parsed,
                                       std::span<const std::string> names) {
  return ChainPrinter(parsed, names).print();
}

namespace {

std::optional<Spec> wish_of_put_time(const computed::Node& call, Notes& notes) {
  const bool is_plain = call.parts.size() == 3 && computed::is_text(call.parts[2]);
  const auto pattern = is_plain ? family::read_strftime(call.parts[2].value.as_text(),
                                                        family::standard_strftime_letters())
                                : std::nullopt;
  if (pattern) return family::time_wish(*pattern);
  writing::cannot("the codes of this put_time are its own", notes);
  return std::nullopt;
}

}  // namespace

std::optional<Spec> wish_of_insertion(const Chain& chain, int field, Type type, Notes& notes) {
  State state;
  for (int i = 0; i <= field; ++i) {
    state.width = 0;
    for (const Setting& setting : chain.insertions[static_cast<std::size_t>(i)].before) {
      if (!setting.argument.is_constant()) {
        writing::cannot("a setting takes its number from a value", notes);
        return std::nullopt;
      }
      if (setting.what == What::fill) {
        const char byte = static_cast<char>(setting.argument.value.bits() & 0xFF);
        state.fill = Mark(std::string_view(&byte, 1));
      } else {
        const auto number = static_cast<std::int32_t>(low_half(setting.argument.value.bits()));
        state.set(setting.what,
                  !setting.takes_argument      ? setting.to
                  : setting.what == What::base ? State::base_flag_of(number)
                                               : number,
                  setting.how);
      }
    }
  }
  const Operand& shown = chain.insertions[static_cast<std::size_t>(field)].shown;
  if (shown.expression != nullptr && is_put_time(*shown.expression))
    return wish_of_put_time(*shown.expression, notes);
  if (is_real(type)) return state.real_spec();
  const bool shown_as_number = type == Type::truth && !state.names_of_truth;
  Spec out = state.spec(is_whole(type) || shown_as_number ? Kind::whole
                        : type == Type::truth             ? Kind::truth
                                                          : Kind::text);
  if (out.kind != Kind::whole) return out;
  out.base = state.base();
  out.prefix = state.show_base && out.base != 10;
  if (state.show_positive && out.base == 10) out.sign = Sign::always;
  return out;
}

}  // namespace inky::inline v1::cpp_stream
