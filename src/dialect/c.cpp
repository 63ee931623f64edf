// The dialect `c`: the format string of printf.
//
// Defined by ISO C17, 7.21.6.1, and POSIX.1-2017, fprintf (n$ and the apostrophe). Where the
// standard leaves the text to the implementation, the text is that of the GNU C library on LP64:
// hexadecimal reals, %p of a null pointer, the sign of a not-a-number.
//
// What sets it apart from its family:
//   - values pass through the default argument promotions: a narrow whole becomes int, f32 double;
//   - a value of the wrong type, a missing value, and many flags are undefined, never an error;
//   - width and precision of text count bytes, so a character may be cut;
//   - %#g drops zeros that the standard keeps, where rounding carries to a power of ten: the GNU C
//     library does, and what it prints is what is asked here;
//   - a text value serves as char* for %s and, written as a wide literal, as wchar_t* for %ls.

#include <algorithm>
#include <array>

#include "dialects.hpp"
#include "family/percent.hpp"
#include "family/value_notes.hpp"
#include "inky_margin/number/decimal_writing.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky {

namespace {

// In the order of the facts below.
enum Modifier : std::uint8_t { none, hh, h, l, ll, j, z, t, big_l };

constexpr std::string_view wholes_take = "hh h l ll j z t";
constexpr std::string_view reals_take = "l L";

constexpr auto c_conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a signed whole number in base 10", "-+ 0'", true, wholes_take},
    {'i', Kind::whole, "a signed whole number in base 10", "-+ 0'", true, wholes_take},
    {'o', Kind::whole, "an unsigned whole number in base 8", "-#0", true, wholes_take},
    {'u', Kind::whole, "an unsigned whole number in base 10", "-0'", true, wholes_take},
    {'x', Kind::whole, "an unsigned whole number in base 16, lower letters", "-#0", true,
     wholes_take},
    {'X', Kind::whole, "an unsigned whole number in base 16, upper letters", "-#0", true,
     wholes_take},
    {'f', Kind::real, "a real in fixed notation; 6 places unless a precision says otherwise",
     "-+ #0'", true, reals_take},
    {'F', Kind::real,
     "a real in fixed notation, INF and NAN in upper letters; 6 places unless a precision says "
     "otherwise",
     "-+ #0'", true, reals_take},
    {'e', Kind::real, "a real in scientific notation; 6 places unless a precision says otherwise",
     "-+ #0", true, reals_take},
    {'E', Kind::real,
     "a real in scientific notation with an upper E; 6 places unless a precision says otherwise",
     "-+ #0", true, reals_take},
    {'g', Kind::real,
     "a real, fixed or scientific by size (an exponent below -4, or from the number of significant "
     "digits on, is written); 6 significant digits unless a precision says otherwise, trailing "
     "zeros dropped",
     "-+ #0'", true, reals_take},
    {'G', Kind::real, "as g, with an upper E", "-+ #0'", true, reals_take},
    {'a', Kind::real, "a real in hexadecimal, exact unless a precision says otherwise", "-+ #0",
     true, reals_take},
    {'A', Kind::real, "a real in hexadecimal, upper letters", "-+ #0", true, reals_take},
    {'c', Kind::character, "one character: the low byte of an int", "-", false, "l"},
    {'s', Kind::text, "a text, up to its terminating zero byte", "-", true, "l"},
    {'p', Kind::any, "a pointer, as the implementation likes", "-", false, ""},
    {'n', Kind::whole, "prints nothing, and writes the number of bytes so far through a pointer",
     "", false, wholes_take},
});

constexpr auto c_flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form",
     "0 before octal, 0x before hexadecimal; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads with zeros between sign and digits"},
    {'\'', "thousands", "the locale's thousands mark (none in the C locale)"},
});

constexpr auto c_modifiers = std::to_array<ModifierFact>({
    {"", "int, double or char"},
    {"hh", "the value is cut to a char (8 bits)"},
    {"h", "the value is cut to a short (16 bits)"},
    {"l", "a long (64 bits); with c and s, wide characters; nothing with reals"},
    {"ll", "a long long (64 bits)"},
    {"j", "an intmax_t (64 bits)"},
    {"z", "a size_t (64 bits)"},
    {"t", "a ptrdiff_t (64 bits)"},
    {"L", "a long double (80 bits)"},
});

constexpr auto c_escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\?", "a question mark"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number, any number of digits"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

constexpr std::array<std::string_view, 3> c_locales = {"C", "POSIX", "C.UTF-8"};

constexpr DialectFacts c_facts = {
    .id = "c",
    .language = "C",
    .facility = "the format string of printf",
    .standard = "ISO C17, 7.21.6.1; POSIX.1-2017, fprintf",
    .toolchain = "GNU C library 2.36, gcc 12.2.0, x86-64",
    .width_unit = WidthUnit::bytes,
    .rounding = Rounding::half_even,
    .rounding_basis = "the stored value, exactly",
    .default_locale = "C",
    .locales = c_locales,
    .conversions = c_conversions,
    .flags = c_flags,
    .modifiers = c_modifiers,
    .escapes = c_escapes,
};

constexpr NumberStyle c_numbers = {.carry_drops_zeros = true};

// The GNU C library knows 4096 (NL_ARGMAX).
constexpr int most_position = 4096;

// ---- Escapes of a string literal (ISO C17, 6.4.4.4) ----

int hex_value(char c) {
  if (c >= '0' && c <= '9') return c - '0';
  if (c >= 'a' && c <= 'f') return c - 'a' + 10;
  if (c >= 'A' && c <= 'F') return c - 'A' + 10;
  return -1;
}

// Digits of `base` from `at`, at most `most`; their value goes to `value`. Returns how many.
std::size_t read_digits(std::string_view text, std::size_t at, int base, std::size_t most,
                        std::uint32_t& value) {
  std::size_t count = 0;
  value = 0;
  while (count < most && at + count < text.size()) {
    const int digit = hex_value(text[at + count]);
    if (digit < 0 || digit >= base) break;
    value = (value * static_cast<unsigned>(base) + static_cast<unsigned>(digit)) & 0xFFFFFFFFU;
    ++count;
  }
  return count;
}

constexpr std::string_view simple_escapes = "n\nt\t\"\"''\\\\??a\ab\bf\fr\rv\v";

std::size_t read_code_point_escape(std::string_view source, std::size_t at, std::size_t digits,
                                   std::string& out) {
  std::uint32_t value = 0;
  if (read_digits(source, at + 2, 16, digits, value) != digits) return 0;
  if (value > 0x10FFFF || (value >= 0xD800 && value <= 0xDFFF)) return 0;
  append_utf8(value, out);
  return digits + 2;
}

// Returns 0 for an escape the language does not define.
std::size_t read_known_escape(std::string_view source, std::size_t at, std::string& out) {
  if (at + 1 >= source.size()) return 0;
  const char letter = source[at + 1];
  for (std::size_t i = 0; i < simple_escapes.size(); i += 2) {
    if (simple_escapes[i] != letter) continue;
    out += simple_escapes[i + 1];
    return 2;
  }
  std::uint32_t value = 0;
  if (letter == 'u') return read_code_point_escape(source, at, 4, out);
  if (letter == 'U') return read_code_point_escape(source, at, 8, out);
  const bool hexadecimal = letter == 'x';
  const std::size_t start = at + (hexadecimal ? 2 : 1);
  const std::size_t count =
      read_digits(source, start, hexadecimal ? 16 : 8, hexadecimal ? source.size() : 3, value);
  // A byte is 8 bits; more is a constraint violation.
  if (count == 0 || value > 0xFF) return 0;
  out += static_cast<char>(value);
  return start - at + count;
}

std::size_t read_escape(std::string_view source, std::size_t at, std::string& literals,
                        Notes& notes) {
  if (const std::size_t size = read_known_escape(source, at, literals); size != 0) return size;
  // gcc warns and drops the backslash; what follows is read as if it were not there.
  notes.push_back(
      {Code::unknown_escape,
       "C defines no such escape; gcc drops the backslash, which is itself written \\\\",
       {at, std::min(at + 2, source.size())}});
  return 1;
}

// ---- How a value is passed (ISO C17, 6.5.2.2p6: the default argument promotions) ----

enum class Passed : std::uint8_t {
  int32,
  unsigned32,
  int64,
  unsigned64,
  real,
  long_real,
  chars,
  null,
  nothing
};

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

constexpr std::uint16_t mask_of(Passed passed) {
  return static_cast<std::uint16_t>(1U << static_cast<unsigned>(passed));
}

// The bits that a whole conversion reads after its length cut them.
int width_read(const Field& field) {
  switch (field.modifier) {
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

// The ways of passing a value that the field can read. Signed and unsigned of one size may stand
// for each other (7.16.1.1), if not for every value.
std::uint16_t accepted_by(const Field& field) {
  constexpr std::uint16_t any_32 = mask_of(Passed::int32) | mask_of(Passed::unsigned32);
  constexpr std::uint16_t any_64 = mask_of(Passed::int64) | mask_of(Passed::unsigned64);
  if (field.spec.kind == Kind::real)
    return mask_of(field.modifier == big_l ? Passed::long_real : Passed::real);
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

// ---- What a field means ----

bool has_word(std::string_view words, std::string_view word) {
  while (!words.empty()) {
    const std::size_t end = std::min(words.find(' '), words.size());
    if (words.substr(0, end) == word) return true;
    words.remove_prefix(std::min(end + 1, words.size()));
  }
  return false;
}

bool flag(const Field& field, char c) {
  return percent::has_flag(c_facts, field, c);
}

std::string letter_name(const Field& field) {
  return std::string("%") + field.letter;
}

// Why the standard gives the field no meaning; empty when it does.
std::string find_defect(const Field& field, const ConversionFact* conversion) {
  if (field.letter == 0)
    return "the template ends inside a field; a percent sign itself is written %%";
  if (field.letter == '%')
    return "%% stands alone: flags, width, precision or length between its signs are undefined";
  if (conversion == nullptr) {
    return "C has no conversion " + in_quotes(std::string_view(&field.letter, 1)) +
           "; a percent sign itself is written %%";
  }
  if (field.letter == 'n')
    return "%n writes to memory through a pointer; Inky Margin never performs it";
  const ModifierFact& modifier = c_modifiers[field.modifier];
  if (field.modifier != none && !has_word(conversion->modifiers, modifier.text)) {
    return "the length " + std::string(modifier.text) + " is undefined with " + letter_name(field);
  }
  for (const char c : {'#', '0', '\''}) {
    if (flag(field, c) && conversion->flags.find(c) == std::string_view::npos) {
      return std::string("the flag ") + c + " is undefined with " + letter_name(field);
    }
  }
  if (field.precision.given() && !conversion->precision)
    return "a precision is undefined with " + letter_name(field);
  return {};
}

void set_precision(Spec& spec, int precision) {
  switch (spec.kind) {
    case Kind::text:
      spec.limit = precision;
      break;
    case Kind::whole:
      spec.least_digits = precision;
      break;
    default:
      if (spec.notation == Notation::compact)
        spec.significant = precision == unset ? 6 : std::max(precision, 1);
      else if (spec.notation == Notation::hexfloat)
        spec.places = precision;
      else
        spec.places = precision == unset ? 6 : precision;
  }
}

void set_letter(Spec& spec, char letter) {
  const bool upper = letter >= 'A' && letter <= 'Z';
  spec.letters = upper ? Letters::upper : Letters::lower;
  switch (upper ? letter - 'A' + 'a' : letter) {
    case 'o':
      spec.base = 8;
      break;
    case 'x':
      spec.base = 16;
      break;
    case 'f':
      spec.notation = Notation::fixed;
      break;
    case 'e':
      spec.notation = Notation::scientific;
      break;
    case 'g':
      spec.notation = Notation::compact;
      break;
    case 'a':
      spec.notation = Notation::hexfloat;
      break;
    default:
      break;
  }
}

bool is_signed(char letter) {
  return letter == 'd' || letter == 'i';
}

void set_alignment(const Field& field, bool left, Spec& spec) {
  spec.align = left ? Align::left : Align::right;
  spec.fill = " ";
  // A precision of a whole number switches zero padding off.
  const bool zeros =
      flag(field, '0') && !left && !(spec.kind == Kind::whole && spec.least_digits != unset);
  if (zeros) {
    spec.align = Align::inner;
    spec.fill = "0";
  }
}

void finish(Field& field) {
  const ConversionFact* conversion = percent::conversion_of(c_facts, field.letter);
  if (field.defect.empty()) field.defect = find_defect(field, conversion);
  if (conversion == nullptr) return;
  Spec& spec = field.spec;
  spec.kind = field.letter == 'p' ? Kind::text : conversion->kind;
  set_letter(spec, field.letter);
  if (is_signed(field.letter) || spec.kind == Kind::real) {
    spec.sign = flag(field, '+') ? Sign::always : flag(field, ' ') ? Sign::space : Sign::minus;
  }
  if (spec.kind == Kind::real)
    spec.keep_point = flag(field, '#');
  else
    spec.prefix = flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  set_precision(spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  set_alignment(field, flag(field, '-'), spec);
  field.accepts = accepted_by(field);
  field.bare = field.flags == 0 && field.modifier == none && !field.width.given() &&
               !field.precision.given();
}

constexpr percent::Syntax c_syntax = {&c_facts, most_position, read_escape, finish};

std::string_view name_of(Passed passed) {
  constexpr std::array<std::string_view, 9> names = {
      "an int",        "an unsigned int", "a long",         "an unsigned long",       "a double",
      "a long double", "a char*",         "a null pointer", "nothing printf can read"};
  return names[static_cast<std::size_t>(passed)];
}

bool reads_64(const Field& field) {
  return width_read(field) == 64;
}

std::string expected_name(const Field& field) {
  if (field.spec.kind == Kind::real) return field.modifier == big_l ? "a long double" : "a double";
  if (field.letter == 'c') return field.modifier == l ? "a wint_t" : "an int";
  if (field.letter == 's') return field.modifier == l ? "a wchar_t*" : "a char*";
  if (field.letter == 'p') return "a void*";
  const std::string_view kind = is_signed(field.letter) ? "" : "unsigned ";
  const std::string_view article = kind.empty() && !reads_64(field) ? "an "
                                   : kind.empty()                   ? "a "
                                                                    : "an ";
  return std::string(article) + std::string(kind) + (reads_64(field) ? "64-bit integer" : "int");
}

Outcome wrong_type(const Field& field, const Value& value, Passed passed) {
  std::string why =
      letter_name(field) + " reads " + expected_name(field) + ", and " + describe(value) + " is ";
  if (field.letter == 'p' && passed == Passed::chars) {
    return Outcome::undefined("%p prints an address, which is known only when the program runs",
                              field.span);
  }
  if (field.letter == 's' && passed == Passed::null) {
    return Outcome::undefined("%s reads the text at a pointer, and nil is a null pointer",
                              field.span);
  }
  if (passed == Passed::nothing)
    why +=
        "of type " + std::string(inky::name_of(value.type())) + ", which C cannot pass to printf";
  else
    why += "passed as " + std::string(name_of(passed));
  return Outcome::undefined(std::move(why), field.span);
}

// ---- Rendering ----

class Rendering {
 public:
  Rendering(const Template& parsed, std::span<const Value> values, const RenderOptions& options,
            Output& out, Report* report)
      : parsed_(parsed),
        values_(values),
        unit_(options.width_of.value_or(c_facts.width_unit)),
        locale_(options.locale),
        out_(out),
        report_(report) {}

  Outcome run() {
    const std::size_t start = out_.needed();
    for (const Piece& piece : parsed_.pieces) {
      if (piece.field == unset) {
        out_.append(parsed_.literal(piece));
      } else if (const Field& field = parsed_.fields[static_cast<std::size_t>(piece.field)];
                 field.bare && is_signed(field.letter) && report_ == nullptr && write_bare(field)) {
        continue;
      } else if (!place(piece.field, start)) {
        out_.cut_back(start);
        return std::move(trouble_);
      }
      if (out_.view().size() > start + most_output) {
        out_.cut_back(start);
        return too_long(piece.source);
      }
    }
    if (report_ != nullptr) note_left_over();
    return {};
  }

 private:
  // Below, false means that there is no text, and trouble_ says why.

  bool in_utf8() const { return locale_ == "C.UTF-8"; }

  bool fail(Outcome outcome) {
    trouble_ = std::move(outcome);
    return false;
  }

  // The commonest field of all, %d of an int, without ceremony. False when it is not that.
  bool write_bare(const Field& field) {
    const auto index = static_cast<std::size_t>(field.value_index);
    if (index >= values_.size() || !values_[index].is(Type::i32) || !field.defect.empty())
      return false;
    const auto number = static_cast<std::int32_t>(low_half(values_[index].bits()));
    const std::uint32_t magnitude =
        number < 0 ? 0U - static_cast<std::uint32_t>(number) : static_cast<std::uint32_t>(number);
    char* at = out_.place(1 + decimal_writing::loose_room);
    if (at == nullptr) return false;
    // Written whatever the sign, kept only with it: no branch.
    *at = '-';
    at += number < 0 ? 1 : 0;
    out_.keep(at + decimal_writing::write_loosely(at, magnitude));
    return true;
  }

  bool place(int index, std::size_t start) {
    const Field& field = parsed_.fields[static_cast<std::size_t>(index)];
    if (report_ == nullptr) return render(field);
    const std::size_t from = out_.needed() - start;
    const bool prints = render(field);
    report_->fields.push_back({index, {from, out_.needed() - start}});
    note_flags(field);
    return prints;
  }

  static Outcome too_long(Span span) {
    return Outcome::error(
        {Code::over_limit,
         "the text grows over the limit of " + std::to_string(most_output) + " bytes", span,
         "Render it in parts."});
  }

  bool missing(const Field& field, int index) {
    return fail(Outcome::undefined(
        letter_name(field) + " takes value " + std::to_string(index + 1) + ", and there " +
            (values_.size() == 1 ? "is 1" : "are " + std::to_string(values_.size())),
        field.span));
  }

  bool render(const Field& field) {
    if (!field.defect.empty()) return fail(Outcome::undefined(field.defect, field.span));
    if (field.width.from != Count::From::value && field.precision.from != Count::From::value) {
      return render_value(field, field.spec);
    }
    Spec spec = field.spec;
    return take_counts(field, spec) && render_value(field, spec);
  }

  // A width or precision given as "*".
  bool take_counts(const Field& field, Spec& spec) {
    int amount = 0;
    if (field.precision.from == Count::From::value) {
      if (!take_count(field, field.precision, amount)) return false;
      // A negative precision is taken as if it were left out.
      set_precision(spec, amount < 0 ? unset : amount);
      set_alignment(field, flag(field, '-'), spec);
    }
    if (field.width.from == Count::From::value) {
      if (!take_count(field, field.width, amount)) return false;
      // A negative width is the flag - and a width.
      spec.width = amount < 0 ? -amount : amount;
      if (amount < 0) set_alignment(field, true, spec);
    }
    return true;
  }

  bool take_count(const Field& field, const Count& count, int& amount) {
    const auto index = static_cast<std::size_t>(count.value_index);
    if (index >= values_.size()) return missing(field, count.value_index);
    const Value& value = values_[index];
    const Passed passed = passed_as(value.type());
    if (passed != Passed::int32) {
      return fail(Outcome::undefined("the * of " + letter_name(field) + " reads an int, and " +
                                         describe(value) + " is passed as " +
                                         std::string(name_of(passed)),
                                     field.span));
    }
    const int128 whole = value.as_whole();
    if (whole > most_width || whole < -most_width) {
      return fail(
          Outcome::error({Code::over_limit,
                          describe(value) + " as a width or precision is over the limit of " +
                              std::to_string(most_width),
                          field.span, "Use at most " + std::to_string(most_width) + "."}));
    }
    amount = static_cast<int>(whole);
    return true;
  }

  bool render_value(const Field& field, const Spec& spec) {
    const auto index = static_cast<std::size_t>(field.value_index);
    if (index >= values_.size()) return missing(field, field.value_index);
    const Value& value = values_[index];
    const Passed passed = passed_as(value.type());
    if ((field.accepts & mask_of(passed)) == 0) return fail(wrong_type(field, value, passed));
    switch (spec.kind) {
      case Kind::whole:
        render_whole(field, spec, value);
        return true;
      case Kind::real:
        render_real(field, spec, value);
        return true;
      case Kind::character:
        if (field.modifier == l) return render_wide_character(field, spec, value);
        render_character(field, spec, value);
        return true;
      default:
        break;
    }
    if (field.modifier == l) return render_wide_text(field, spec, value);
    if (field.letter == 'p')
      render_null(field, spec);
    else
      render_text(field, spec, value);
    return true;
  }

  void render_whole(const Field& field, const Spec& spec, const Value& value) {
    const int width = width_read(field);
    // What is passed has at most 64 bits.
    const auto bits = static_cast<std::uint64_t>(value.bits());
    const auto as_signed = static_cast<std::int64_t>(bits << (64 - width)) >> (64 - width);
    const bool negative = is_signed(field.letter) && as_signed < 0;
    const std::uint64_t magnitude = negative
                                        ? std::uint64_t{0} - static_cast<std::uint64_t>(as_signed)
                                        : bits << (64 - width) >> (64 - width);
    if (spec.base == 10)
      lay_out_decimal(spec, negative, magnitude, out_);
    else
      render_in_base(spec, magnitude);
    if (report_ != nullptr) {
      note_whole(field, value.as_whole(),
                 negative ? -static_cast<int128>(magnitude) : static_cast<int128>(magnitude));
    }
  }

  void render_in_base(const Spec& spec, std::uint64_t magnitude) {
    WholeRoom room;
    std::string_view digits = write_whole(magnitude, spec.base, spec.letters, room);
    std::string_view prefix;
    // With precision 0, the value 0 has no digits, but # with o still wants a leading 0.
    if (magnitude == 0 && spec.least_digits == 0 && !(spec.prefix && spec.base == 8)) digits = {};
    if (spec.prefix && magnitude != 0) {
      if (spec.base == 16)
        prefix = spec.letters == Letters::upper ? "0X" : "0x";
      else if (spec.least_digits <= static_cast<int>(digits.size()))
        prefix = "0";
    }
    lay_out_whole(spec, false, digits, prefix, out_);
  }

  void render_real(const Field& field, const Spec& spec, const Value& value) {
    BinaryReal real = value.as_real();
    if (value.is(Type::f32)) real = unpack(binary64, convert(real, binary64));
    lay_out_real(spec, value.is(Type::f80) ? extended80 : binary64, real, c_numbers, out_);
    if (report_ != nullptr) note_real(field, spec, value, real);
  }

  void render_character(const Field& field, const Spec& spec, const Value& value) {
    const auto whole = value.as_whole();
    const char byte = static_cast<char>(static_cast<unsigned char>(whole & 0xFF));
    lay_out_text(spec, {&byte, 1}, unit_, out_);
    const bool beyond = whole < 0 || whole > 0xFF || (value.is(Type::character) && whole > 0x7F);
    if (report_ != nullptr && beyond) {
      note(Code::low_byte_only,
           "%c prints one byte, the low byte of " + describe(value) +
               "; for a character beyond ASCII use %lc or %s",
           field.span);
    }
  }

  // A character that the locale can print, as bytes; false when it cannot.
  bool to_bytes(char32_t value, std::string& out) const {
    const bool scalar = value <= 0x10FFFF && !(value >= 0xD800 && value <= 0xDFFF);
    if (value > 0x7F && !(in_utf8() && scalar)) return false;
    append_utf8(value, out);
    return true;
  }

  bool not_in_locale(const Field& field, char32_t value) {
    const bool scalar = value <= 0x10FFFF && !(value >= 0xD800 && value <= 0xDFFF);
    std::string character;
    if (scalar) append_utf8(value, character);
    std::string why = "the locale ";
    why += in_utf8() ? "C.UTF-8" : "C";
    why +=
        " cannot print " + (scalar ? "'" + visible(character) + "'" : "this value as a character");
    if (!in_utf8()) why += "; call setlocale with a UTF-8 locale first";
    return fail(Outcome::fails_at_run("EILSEQ", std::move(why), field.span));
  }

  bool render_wide_character(const Field& field, const Spec& spec, const Value& value) {
    const auto wide = static_cast<char32_t>(wrap_unsigned(value.as_whole(), 32));
    std::string bytes;
    if (!to_bytes(wide, bytes)) return not_in_locale(field, wide);
    lay_out_text(spec, bytes, unit_, out_);
    if (report_ != nullptr) note_text(spec, bytes, unit_, field.span, report_->notes);
    return true;
  }

  // A C string ends at its first zero byte.
  static std::string_view c_string(std::string_view text) {
    return text.substr(0, text.find('\0'));
  }

  void render_text(const Field& field, const Spec& spec, const Value& value) {
    const std::string_view text = c_string(value.as_text());
    lay_out_text(spec, text, unit_, out_);
    if (report_ == nullptr) return;
    note_text(spec, text, unit_, field.span, report_->notes);
    note_zero_byte(field, value, text);
  }

  // Converted up to the precision only, and never part of a character (ISO C17, 7.21.6.1, s).
  bool render_wide_text(const Field& field, const Spec& spec, const Value& value) {
    const std::string_view text = c_string(value.as_text());
    const std::size_t limit =
        spec.limit == unset ? text.size() : static_cast<std::size_t>(spec.limit);
    std::size_t end = 0;
    while (end < text.size() && end < limit) {
      const CodePoint point = first_code_point(text.substr(end)).value_or(CodePoint{0xFFFFFFFF, 1});
      std::string bytes;
      if (!to_bytes(point.value, bytes)) return not_in_locale(field, point.value);
      if (end + bytes.size() > limit) break;
      end += bytes.size();
    }
    Spec uncut = spec;
    uncut.limit = unset;
    lay_out_text(uncut, text.substr(0, end), unit_, out_);
    if (report_ == nullptr) return true;
    note(Code::wide_literal,
         "%ls reads wide characters: write the text as L" + in_quotes(value.as_text()), field.span);
    if (end < text.size())
      note(Code::text_cut, in_quotes(text) + " is cut to " + in_quotes(text.substr(0, end)),
           field.span);
    note_text(uncut, text.substr(0, end), unit_, field.span, report_->notes);
    note_zero_byte(field, value, text);
    return true;
  }

  void render_null(const Field& field, const Spec& spec) {
    lay_out_text(spec, "(nil)", unit_, out_);
    if (report_ != nullptr)
      note(Code::implementation_defined,
           "the text of a pointer is up to the implementation; the GNU C library prints a null "
           "pointer so",
           field.span);
  }

  // ---- Notes ----

  void note(Code code, std::string message, Span span) {
    report_->notes.push_back({code, std::move(message), span});
  }

  void note_real(const Field& field, const Spec& spec, const Value& value, const BinaryReal& real) {
    if (!value.given_in_bits()) {
      note_rounding(spec, *fact_of(value.type()).format, value.as_real(), field.span,
                    report_->notes);
    }
    if (carry_drops_zeros(spec, real)) {
      note(Code::departs_from_standard,
           "the standard keeps the zeros that # asks for; the GNU C library drops them when "
           "rounding "
           "carries to a power of ten",
           field.span);
    }
  }

  void note_whole(const Field& field, int128 given, int128 printed) {
    if (given == printed) return;
    const int width = width_read(field);
    const bool narrowed = width < 32 && wrap_signed(static_cast<uint128>(given), width) != given &&
                          wrap_unsigned(given, width) != static_cast<uint128>(given);
    const std::string from = describe(Value::whole(Type::i128, given));
    const std::string to = describe(Value::whole(Type::i128, printed));
    if (narrowed) {
      note(Code::value_wrapped,
           from + " is cut to its low " + std::to_string(width) + " bits, which are " + to,
           field.span);
    } else {
      note(Code::bits_reinterpreted,
           "the " + std::to_string(width) + " bits of " + from + ", read as " +
               (is_signed(field.letter) ? "a signed" : "an unsigned") + " number, are " + to,
           field.span);
    }
  }

  void note_zero_byte(const Field& field, const Value& value, std::string_view text) {
    if (text.size() < value.as_text().size())
      note(Code::text_cut, "a C string ends at its first zero byte; the rest is not printed",
           field.span);
  }

  void note_flags(const Field& field) {
    const ConversionFact* conversion = percent::conversion_of(c_facts, field.letter);
    if (conversion == nullptr || !field.defect.empty()) return;
    for (const char c : {'+', ' '}) {
      if (flag(field, c) && conversion->flags.find(c) == std::string_view::npos) {
        note(Code::flag_without_effect,
             std::string("the flag ") + in_quotes({&c, 1}) +
                 " is for signed numbers, and changes nothing with " + letter_name(field),
             field.span);
      }
    }
    if (flag(field, '0') && flag(field, '-'))
      note(Code::flag_overridden, "the flag - switches the flag 0 off", field.span);
    else if (flag(field, '0') && field.spec.kind == Kind::whole && field.precision.given())
      note(Code::flag_overridden, "a precision switches the flag 0 off for whole numbers",
           field.span);
    if (flag(field, '+') && flag(field, ' '))
      note(Code::flag_overridden, "the flag + switches the space off", field.span);
    if (flag(field, '\''))
      note(Code::no_grouping_in_locale,
           "the locale has no thousands mark, so the flag ' prints nothing", field.span);
  }

  void note_left_over() {
    const auto taken = static_cast<std::size_t>(parsed_.values_taken);
    if (values_.size() <= taken) return;
    const std::size_t extra = values_.size() - taken;
    note(Code::too_many_values,
         std::to_string(extra) + (extra == 1 ? " value is" : " values are") +
             " used by no field; C evaluates and ignores them",
         {0, parsed_.source.size()});
  }

  const Template& parsed_;
  std::span<const Value> values_;
  WidthUnit unit_;
  std::string_view locale_;
  Output& out_;
  Report* report_;
  Outcome trouble_;
};

// ---- Writing a wish as source ----

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

class CDialect final : public Dialect {
 public:
  const DialectFacts& facts() const override { return c_facts; }

  Result<Template> parse(std::string_view source) const override {
    Result<Template> parsed = percent::parse(c_syntax, source);
    if (parsed && source.size() >= 2 && source.front() == '"' && source.back() == '"') {
      parsed->notes.push_back({Code::quotes_in_template,
                               "the quotes at both ends are printed too; leave them out if they "
                               "only delimit the literal",
                               {0, source.size()}});
    }
    return parsed;
  }

  Outcome render(const Template& parsed, std::span<const Value> values,
                 const RenderOptions& options, Output& out, Report* report) const override {
    if (report != nullptr) report->notes = parsed.notes;
    return Rendering(parsed, values, options, out, report).run();
  }

  std::vector<Words> explain(const Template& parsed) const override {
    std::vector<Words> out;
    for (const Piece& piece : parsed.pieces) {
      if (piece.field != unset)
        percent::explain_field(c_syntax, parsed, piece.field, out);
      else
        out.push_back(
            {piece.source, "literal", "prints " + in_quotes(parsed.literal(piece)), unset});
    }
    return out;
  }

  WrittenField write(const Spec& wish) const override { return Writer(wish).write(); }
};

}  // namespace

const Dialect* c_dialect() {
  static const CDialect dialect;
  return &dialect;
}

}  // namespace inky
