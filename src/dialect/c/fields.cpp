#include <algorithm>
#include <array>

#include "c.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::c_language {

namespace {

// The ways of passing a value that the field can read. Signed and unsigned of one size may stand
// for each other (7.16.1.1), if not for every value.
std::uint16_t accepted_by(const Field& field) {
  constexpr std::uint16_t any_32 = mask_of(Passed::int32) | mask_of(Passed::unsigned32);
  constexpr std::uint16_t any_64 = mask_of(Passed::int64) | mask_of(Passed::unsigned64);
  if (field.spec.kind == Kind::real)
    return mask_of(percent::parts_of(field).modifier == big_l ? Passed::long_real : Passed::real);
  switch (field.letter) {
    case 'c':
      return any_32;
    case 's':
      return mask_of(Passed::chars);
    case 'p':
      return mask_of(Passed::null);
    default:
      return width_read(field) == 64 ? any_64 : any_32;
  }
}

bool has_word(std::string_view words, std::string_view word) {
  while (!words.empty()) {
    const std::size_t end = std::min(words.find(' '), words.size());
    if (words.substr(0, end) == word) return true;
    words.remove_prefix(std::min(end + 1, words.size()));
  }
  return false;
}

// Why the standard gives the field no meaning; empty when it does.
std::string find_defect(const Field& field, const ConversionFact* conversion) {
  if (field.letter == 0)
    return "the template ends inside a field; a percent sign itself is written %%";
  if (field.letter == '%')
    return "%% takes no flags, width, precision or length; they are undefined";
  if (conversion == nullptr) {
    return "C has no conversion " + in_quotes(std::string_view(&field.letter, 1)) +
           "; a percent sign itself is written %%";
  }
  if (field.letter == 'n')
    return "%n writes to memory through a pointer; Inky Margin never performs it";
  const std::uint8_t length = percent::parts_of(field).modifier;
  const ModifierFact& modifier = facts.modifiers[length];
  if (length != none && !has_word(conversion->modifiers, modifier.text)) {
    return "the length " + std::string(modifier.text) + " is undefined with " + letter_name(field);
  }
  for (const char c : {'#', '0', '\''}) {
    if (has_flag(field, c) && conversion->flags.find(c) == std::string_view::npos) {
      return std::string("the flag ") + c + " is undefined with " + letter_name(field);
    }
  }
  if (field.precision.given() && !conversion->precision)
    return "a precision is undefined with " + letter_name(field);
  return {};
}

}  // namespace

Passed passed_as(Type type) {
  switch (type) {
    case Type::i8:
    case Type::i16:
    case Type::i32:
    case Type::u8:
    case Type::u16:
    case Type::truth:
    case Type::character:
      return Passed::int32;
    case Type::u32:
      return Passed::unsigned32;
    case Type::i64:
      return Passed::int64;
    case Type::u64:
      return Passed::unsigned64;
    case Type::f32:
    case Type::f64:
      return Passed::real;
    case Type::f80:
      return Passed::long_real;
    case Type::text:
      return Passed::chars;
    case Type::nil:
      return Passed::null;
    default:
      return Passed::nothing;
  }
}

int width_read(const Field& field) {
  switch (percent::parts_of(field).modifier) {
    case hh:
      return 8;
    case h:
      return 16;
    case none:
      return 32;
    default:
      return 64;
  }
}

std::string_view name_of(Passed passed) {
  constexpr std::array<std::string_view, 9> names = {
      "an int",        "an unsigned int", "a long",         "an unsigned long",       "a double",
      "a long double", "a char*",         "a null pointer", "nothing printf can read"};
  return names[static_cast<std::size_t>(passed)];
}

bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

std::string letter_name(const Field& field) {
  return std::string("%") + field.letter;
}

std::string full_name(const Field& field) {
  const std::string_view length = facts.modifiers[percent::parts_of(field).modifier].text;
  return "%" + std::string(length) + field.letter;
}

void set_alignment(const Field& field, bool left, Spec& spec) {
  percent::align_as_c(spec, left, has_flag(field, '0'));
}

void finish(Field& field, std::string_view) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (field.defect.empty()) field.defect = find_defect(field, conversion);
  // glibc 2.36 prints the text of errno for %m, reads S and C as ls and lc, and has a flag I; Windows
  // reads I64 as a length.
  field.defect_is_ours = field.letter == 'n' || field.letter == 'm' || field.letter == 'I' ||
                         field.letter == 'S' || field.letter == 'C';
  // A sign is nothing that an address has.
  field.shows_address = field.letter == 'p' && !has_flag(field, '+') && !has_flag(field, ' ');
  if (conversion == nullptr) return;
  Spec& spec = field.spec;
  spec.kind = field.letter == 'p' ? Kind::text : conversion->kind;
  percent::set_letter(spec, field.letter);
  if (is_binary(field.letter)) spec.base = 2;
  if (is_signed(field.letter) || spec.kind == Kind::real)
    spec.sign = percent::sign_of(facts, field);
  if (spec.kind == Kind::real)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  percent::set_precision(
      spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  set_alignment(field, has_flag(field, '-'), spec);
  percent::Parts parts = percent::parts_of(field);
  parts.accepts = accepted_by(field);
  percent::set_parts(field, parts);
  field.plain_decimal = is_signed(field.letter) && percent::is_bare(field);
}

namespace {
// The field with another length.
std::string with_length(std::string source, const Field& field, std::string_view length) {
  const std::size_t size = facts.modifiers[percent::parts_of(field).modifier].text.size();
  source.replace(source.size() - 1 - size, size, length);
  return source;
}
}  // namespace

namespace {
// Of one that %s reads: whether its characters have a sign is nobody's business.
bool is_pointer_to_characters(std::string_view type) {
  for (const std::string_view qualifier : {"const ", "volatile "}) {
    if (type.starts_with(qualifier)) type.remove_prefix(qualifier.size());
  }
  constexpr std::string_view types[] = {"char*",    "signed char*", "unsigned char*", "int8_t*",
                                        "uint8_t*", "char8_t*",     "wchar_t*"};
  return std::find(std::begin(types), std::end(types), type) != std::end(types);
}
}  // namespace

// C17, 7.21.6.1 p7: ll is for a long long, and l for a long, though both have 64 bits here; j, z
// and t are for types that are a long. h and hh are for types that are passed as an int, so that an
// unsigned int is none of them.
std::optional<Objection> CDialect::do_objection(const TemplateContent& parsed, int field,
                                                std::string_view type_in_source) const {
  const Field& one = parsed.fields[static_cast<std::size_t>(field)];
  const std::string source(parsed.source_of(one));
  const std::uint8_t modifier = percent::parts_of(one).modifier;
  const bool takes_pointer = one.letter == 'p' || one.letter == 'n';
  if (type_in_source.ends_with('*') && !takes_pointer && !is_pointer_to_characters(type_in_source))
    return Objection{Code::language_undefined,
                     full_name(one) + " reads " + expected_name(one) +
                         ", and a pointer is passed, of type " + std::string(type_in_source),
                     "%p"};
  if (one.letter == 's') {
    const bool is_wide = type_in_source == "wchar_t*";
    if (modifier == none && is_wide)
      return Objection{Code::language_undefined, source + " reads a char*, and the text is wide",
                       with_length(source, one, "l")};
    if (modifier == l && !is_wide && type_in_source.find("char") != std::string_view::npos)
      return Objection{Code::language_undefined,
                       source + " reads a wchar_t*, and the text is not wide",
                       with_length(source, one, "")};
    return std::nullopt;
  }
  if (one.letter == 'c' && modifier == l &&
      type_in_source.find("unsigned") == std::string_view::npos)
    return Objection{Code::bits_reinterpreted,
                     source + " reads a wint_t, which is unsigned, and the value has a sign",
                     {}};
  const bool is_unsigned = type_in_source == "unsigned" || type_in_source == "unsigned int" ||
                           type_in_source == "uint32_t";
  if (one.letter == 'c' && modifier == none && is_unsigned)
    return Objection{
        Code::bits_reinterpreted, source + " reads an int, and the value is unsigned", {}};
  if (one.spec.kind != Kind::whole) return std::nullopt;
  constexpr std::string_view constant = " constant";
  const std::size_t marked = type_in_source.find(constant);
  if (marked != std::string_view::npos) {
    if (!is_signed(one.letter) && modifier != h && modifier != hh)
      return Objection{Code::bits_reinterpreted,
                       "the constant has a sign, and " + source + " reads an unsigned number",
                       {}};
    type_in_source = type_in_source.substr(0, marked);
  }
  constexpr std::string_view longs[] = {
      "long",      "long int", "unsigned long", "unsigned long int", "size_t",  "ssize_t",
      "ptrdiff_t", "int64_t",  "uint64_t",      "sizeof()",          "strlen()"};
  const bool is_long =
      std::find(std::begin(longs), std::end(longs), type_in_source) != std::end(longs);
  const bool is_long_long = type_in_source.find("long long") != std::string_view::npos;
  const bool reads_long = modifier == l || modifier == j || modifier == z || modifier == t;
  std::string_view reads;
  std::string_view instead;
  std::string_view why;
  if (is_long && modifier == ll) {
    reads = "a long long";
    instead = "l";
    why = "a long is passed; both have 64 bits here, and not everywhere";
  } else if (is_long_long && reads_long) {
    reads = "a long";
    instead = "ll";
    why = "a long long is passed; both have 64 bits here, and not everywhere";
  } else if (is_unsigned && (modifier == h || modifier == hh)) {
    reads = modifier == h ? "a short" : "a char";
    why = "an unsigned int is passed, which is cut";
  } else {
    return std::nullopt;
  }
  std::string repair(parsed.source_of(one));
  const std::string message = repair + " reads " + std::string(reads) + ", and " + std::string(why);
  const std::size_t size = facts().modifiers[modifier].text.size();
  repair.replace(repair.size() - 1 - size, size, instead);
  return Objection{Code::language_undefined, message, std::move(repair)};
}

}  // namespace inky::inline v1::c_language
