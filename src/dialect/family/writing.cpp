#include "writing.hpp"

#include "inky_margin/number/whole.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::writing {

namespace {

std::string control_escape(ControlForm form, char c) {
  WholeRoom room;
  const auto byte = static_cast<unsigned char>(c);
  const bool octal = form == ControlForm::octal;
  const std::string_view digits = write_whole(byte, octal ? 8 : 16, Letters::lower, room);
  const auto padded = [&](std::size_t size) {
    return std::string(size > digits.size() ? size - digits.size() : 0, '0') + std::string(digits);
  };
  switch (form) {
    case ControlForm::octal:
      return "\\" + padded(3);
    case ControlForm::hexadecimal:
      return "\\x" + padded(2);
    case ControlForm::unicode:
      return "\\u" + padded(4);
    case ControlForm::braces:
      return "\\u{" + std::string(digits) + "}";
    default:
      return {c};
  }
}

}  // namespace

std::optional<std::string> literal(const LiteralRules& rules, std::string_view text) {
  std::string out;
  for (const char c : text) {
    if (c == '\0' && !rules.nul) return std::nullopt;
    if (rules.letters && (c == '\n' || c == '\t' || c == '\r')) {
      out += c == '\n' ? "\\n" : c == '\t' ? "\\t" : "\\r";
    } else if ((c >= 0 && c < 0x20) || c == 0x7F ||
               rules.numbered.find(c) != std::string_view::npos) {
      out += control_escape(rules.control, c);
    } else {
      if (rules.escaped.find(c) != std::string_view::npos) out += '\\';
      if (rules.doubled.find(c) != std::string_view::npos) out += c;
      out += c;
    }
  }
  return out;
}

bool names_field(std::string_view source, std::string_view name, std::string_view ends) {
  const std::string field = "{" + std::string(name);
  for (std::size_t at = source.find(field); at != std::string_view::npos;
       at = source.find(field, at + 1)) {
    const std::size_t end = at + field.size();
    if (end < source.size() && ends.find(source[end]) != std::string_view::npos) return true;
  }
  return false;
}

bool names_count(std::string_view source, std::string_view name) {
  const std::string count = std::string(name) + "$";
  for (std::size_t at = source.find(count); at != std::string_view::npos;
       at = source.find(count, at + 1)) {
    const std::string_view before = source.substr(0, at);
    const std::size_t brace = before.find_last_of("{}");
    if (brace != std::string_view::npos && before[brace] == '{' && !is_word_part(before.back()))
      return true;
  }
  return false;
}

std::string listed(std::span<const std::string> names, std::string_view separator,
                   std::string_view before) {
  std::string out;
  for (const std::string& name : names) {
    if (&name != names.data()) out += separator;
    out += before;
    out += name;
  }
  return out;
}

Kind kind_of(const FieldWish& wish) {
  if (wish.spec.kind != Kind::any) return wish.spec.kind;
  if (is_whole(wish.type)) return Kind::whole;
  if (is_real(wish.type)) return Kind::real;
  switch (wish.type) {
    case Type::character:
      return Kind::character;
    case Type::truth:
      return Kind::truth;
    case Type::moment:
      return Kind::moment;
    case Type::text:
      return Kind::text;
    default:
      return Kind::any;
  }
}

Spec without_open_places(const Spec& spec) {
  Spec out = spec;
  if (spec.notation == Notation::fixed && spec.places == unset && spec.significant == unset)
    out.notation = Notation::shortest;
  return out;
}

bool asks_nothing_of_a_number(const Spec& spec) {
  return spec.notation == Notation::shortest && spec.places == unset && spec.significant == unset &&
         spec.least_digits == unset && spec.base == 10 && spec.sign == Sign::minus &&
         spec.group.empty() && spec.align != Align::inner;
}

void cannot(std::string what, Notes& notes) {
  notes.push_back({Code::wish_not_expressible, std::move(what), {}});
}

}  // namespace inky::inline v1::writing
