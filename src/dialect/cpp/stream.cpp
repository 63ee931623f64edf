// The dialect `cpp-stream`: insertion chains of C++, with manipulators, pasted as they are:
//
//   cout << fixed << setprecision(2) << setw(9) << mass << "*" << endl;
//
// Defined by ISO C++20, [ostream.formatted], [iomanip] and [locale.num.put]; what they leave open
// is as libstdc++ of g++ 12 does it, in the C locale. Names are values by name; values without
// names are given to the other names in the order these first appear. Several statements are one
// stream's.
//
// What sets it apart from the rest:
//   - settings stay until they are changed, but for the width, which the next value uses up;
//   - i8 and u8 are characters; octal and hexadecimal show negative numbers in two's complement;
//   - a character's or a text's padding knows left and right only.

#include <algorithm>
#include <limits>

#include "../family/braces.hpp"
#include "../family/checked_dialect.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "c/c.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "program.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

// ---- Facts ----

// What a setting changes, and where it leaves it alone.
enum class What : std::uint8_t {
  width,
  fill,
  precision,
  side,      // 0: none of them, as at first
  notation,  // 0: general
  base,
  show_base,
  show_positive,
  show_point,
  uppercase,
  names_of_truth,
  nothing,
};
enum Side : std::uint8_t { no_side, left_side, right_side, inner_side };
enum RealNotation : std::uint8_t { general, fixed_places, scientific, hexadecimal };

struct Manipulator {
  std::string_view name;
  What what;
  int to;  // for those with an argument: nothing
  bool takes_argument;
  std::string_view writes;
  std::string_view meaning;
};

constexpr auto manipulators = std::to_array<Manipulator>({
    {"setw", What::width, 0, true, "", "the least width of the next value, and of no other"},
    {"setfill", What::fill, 0, true, "", "the character that pads"},
    {"setprecision", What::precision, 0, true, "",
     "significant digits of a real; places in fixed and scientific notation"},
    {"setbase", What::base, 0, true, "", "the base of whole numbers: 8, 10 or 16"},
    {"left", What::side, left_side, false, "", "pads on the right"},
    {"right", What::side, right_side, false, "", "pads on the left"},
    {"internal", What::side, inner_side, false, "", "pads between sign or 0x and digits"},
    {"fixed", What::notation, fixed_places, false, "", "reals in fixed notation"},
    {"scientific", What::notation, scientific, false, "", "reals in scientific notation"},
    {"hexfloat", What::notation, hexadecimal, false, "",
     "reals in hexadecimal, whatever the precision"},
    {"defaultfloat", What::notation, general, false, "", "reals fixed or scientific by size"},
    {"dec", What::base, 10, false, "", "whole numbers in base 10"},
    {"hex", What::base, 16, false, "", "whole numbers in base 16, two's complement"},
    {"oct", What::base, 8, false, "", "whole numbers in base 8, two's complement"},
    {"showbase", What::show_base, 1, false, "", "0x or 0 in front, but for zero"},
    {"noshowbase", What::show_base, 0, false, "", "no 0x, no 0 in front"},
    {"showpos", What::show_positive, 1, false, "",
     "a plus sign on numbers that are not negative, but for unsigned types"},
    {"noshowpos", What::show_positive, 0, false, "", "no plus sign"},
    {"showpoint", What::show_point, 1, false, "", "keeps the point, and zeros after it"},
    {"noshowpoint", What::show_point, 0, false, "", "drops the point where nothing follows"},
    {"uppercase", What::uppercase, 1, false, "", "upper letters in numbers"},
    {"nouppercase", What::uppercase, 0, false, "", "lower letters in numbers"},
    {"boolalpha", What::names_of_truth, 1, false, "", "true and false by name"},
    {"noboolalpha", What::names_of_truth, 0, false, "", "true and false as 1 and 0"},
    {"endl", What::nothing, 0, false, "\n", "a new line"},
    {"ends", What::nothing, 0, false, std::string_view("\0", 1), "the character of code 0"},
    {"flush", What::nothing, 0, false, "", "writes out what is held back"},
});

constexpr auto modifiers = [] {
  std::array<ModifierFact, manipulators.size()> out{};
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = {manipulators[i].name, manipulators[i].meaning};
  return out;
}();

constexpr auto escapes = std::to_array<EscapeFact>({
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"a name that is not declared", "error, when it is compiled"},
    {"a value that cannot be inserted: a list, a whole number of 128 bits",
     "error, when it is compiled"},
});

// Settings stay: each statement begins without those of the one before it.
constexpr TableForm own_table = cpp_table(
    "#include <iomanip>\n#include <iostream>\n#include <string>\n#include <string_view>\n\nusing "
    "namespace std;\n",
    "cout << @L;\n", "cout.copyfmt(ios(nullptr));");

constexpr ProgramForm own_program = cpp_program(
    "#include <iomanip>\n#include <iostream>\n#include <string>\n\nusing namespace std;\n\n"
    "int main() {\n");

constexpr RunForm own_run = {
    "g++ c++ clang++", "CXX", "g++", "main.cpp", "@ -std=c++20 -w -o main main.cpp", "./main"};

constexpr DialectFacts facts = {
    .id = "cpp-stream",
    .language = "C++",
    .facility = "insertion into a stream",
    .standard = "ISO C++20, [ostream.formatted]",
    .toolchain = "g++ 12.2.0 with libstdc++",
    .program = "g++",
    .width_unit = WidthUnit::bytes,
    .rounding = Rounding::half_even,
    .rounding_basis = "the stored value, exactly",
    .letter_form = "",
    .places_form = "cout << fixed << setprecision(N) << x",
    .modifiers_are = "Manipulators",
    .line_split = {"", "\n    ", "", false, true},
    .program_form = &own_program,
    .run_form = &own_run,
    .quotes = "",
    .table_form = &own_table,
    .default_locale = "C",
    .locales = {},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// ---- A chain, read ----

// A value: written in the chain, or of a name.
struct Operand {
  Value value;
  std::string name;  // empty: the value itself
  Span span;
};

struct Setting {
  What what = What::nothing;
  int to = 0;
  Operand argument;  // of setw and its like
  bool takes_argument = false;
  Span span;
};

struct Insertion {
  std::vector<Setting> before;
  Operand shown;
};

struct Chain final : Program {
  std::vector<Insertion> insertions;  // as many as the template has fields
  std::vector<Setting> after;
  std::vector<std::string> names;  // in the order they first appear
  std::string stream;              // its name, or nothing
};

// ---- Reading ----

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, Chain& chain, std::vector<Words>* words = nullptr)
      : PastedSource(out), chain_(chain), names_(chain.names), words_(words) {}

  void read() {
    bool first = true;
    while (!out_.refusal) {
      skip_blanks();
      if (at_ >= source_.size()) break;
      if (source_[at_] == ';') {
        ++at_;
        first = true;
        continue;
      }
      if (first && is_word_start(source_[at_])) read_stream();
      first = false;
      if (!out_.refusal) read_insertion();
    }
    chain_.after = std::move(pending_);
    close(source_.size());
    at_ = source_.size();
    tell("end", [] { return "the end"; });
  }

 private:
  // The part just read, in words.
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning, int field = unset) {
    if (words_.asked()) words_.add(at_, role, meaning(), field);
  }

  void error(std::string why, std::size_t from) {
    refuse(Refusal::When::compile, "error", std::move(why), from);
  }
  void no_expressions(std::size_t from) {
    not_yet("expressions other than names and literals are", from);
  }

  // The source up to `end` that no piece has yet: it prints nothing.
  void close(std::size_t end) {
    if (end > covered_) out_.pieces.push_back({{covered_, end}, unset, {}});
    covered_ = end;
  }

  void skip_blanks() { skip_blanks_and_comments(); }

  bool take(std::string_view mark) {
    skip_blanks();
    if (!source_.substr(at_).starts_with(mark)) return false;
    at_ += mark.size();
    return true;
  }

  // "cout", "std::cout"; std:: is dropped.
  std::string_view read_name() {
    std::size_t start = at_;
    while (at_ < source_.size() && (is_word_part(source_[at_]))) ++at_;
    std::string_view name = source_.substr(start, at_ - start);
    if (name != "std" && name != "ios" && name != "ios_base") return name;
    if (!source_.substr(at_).starts_with("::")) return name;
    at_ += 2;
    return read_name();
  }

  void read_stream() {
    const std::size_t start = at_;
    chain_.stream = read_name();
    skip_blanks();
    if (starts_with("."))
      not_yet("calls of a stream's members are", start, "Use a manipulator, such as setw(9).");
    else if (!starts_with("<<"))
      not_yet("statements other than an insertion are", start,
              "Begin with a stream's name and <<.");
  }

  void read_insertion() {
    const std::size_t start = at_;
    if (!take("<<")) {
      return error("<< is expected here, or the end of the statement", start);
    }
    skip_blanks();
    const std::size_t operand = at_;
    if (at_ >= source_.size()) return error("nothing follows <<", start);
    if (is_word_start(source_[at_]) && read_manipulator()) return;
    Operand shown;
    if (!read_operand(shown)) return;
    skip_blanks_before_next();
    tell(
        "value",
        [&] {
          return shown.name.empty() ? describe(shown.value) : "the value named " + shown.name;
        },
        static_cast<int>(out_.fields.size()));
    close(operand);
    Field field;
    field.span = {operand, shown.span.to};
    if (!shown.name.empty()) field.key = "(" + shown.name + ")";
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    covered_ = field.span.to;
    out_.fields.push_back(std::move(field));
    chain_.insertions.push_back({std::move(pending_), std::move(shown)});
    pending_.clear();
  }

  // What may follow an operand is the next <<, or the end of the statement.
  void skip_blanks_before_next() {
    const std::size_t end = at_;
    skip_blanks();
    const std::string_view rest = source_.substr(at_);
    if (!rest.empty() && rest[0] != ';' && !rest.starts_with("<<")) no_expressions(at_);
    at_ = end;
  }

  bool read_manipulator() {
    const std::size_t start = at_;
    const std::string_view name = read_name();
    const auto* found = std::find_if(manipulators.begin(), manipulators.end(),
                                     [&](const Manipulator& known) { return known.name == name; });
    if (found == manipulators.end()) {
      at_ = start;
      return false;
    }
    Setting setting{found->what, found->to, {}, found->takes_argument, {start, at_}};
    if (found->takes_argument) {
      if (!take("(")) {
        error(std::string(name) + " wants its argument in parentheses", start);
        return true;
      }
      skip_blanks();
      if (!read_operand(setting.argument)) return true;
      if (!take(")")) {
        no_expressions(start);
        return true;
      }
      setting.span.to = at_;
    }
    if (!found->writes.empty()) {
      close(start);
      const std::size_t from = out_.literals.size();
      out_.literals += found->writes;
      out_.pieces.push_back({setting.span, unset, {from, out_.literals.size()}});
      covered_ = setting.span.to;
    }
    tell("setting", [&] { return std::string(found->meaning); });
    if (found->what != What::nothing) pending_.push_back(std::move(setting));
    return true;
  }

  // A name or a literal.
  bool read_operand(Operand& out) {
    const std::size_t start = at_;
    out.span.from = start;
    if (at_ >= source_.size()) {
      error("a value is expected here", start);
      return false;
    }
    const char c = source_[at_];
    if (c == '"') {
      std::string text;
      while (!out_.refusal && at_ < source_.size() && source_[at_] == '"') {
        read_quoted('"', text);
        out.span.to = at_;
        const std::size_t end = at_;
        skip_blanks();  // literals side by side are one
        if (at_ >= source_.size() || source_[at_] != '"') at_ = end;
      }
      out.value = Value::text(std::move(text));
      return !out_.refusal.has_value();
    }
    if (c == '\'') return read_character(out);
    if (is_digit(c) || c == '.' || c == '-' || c == '+') return read_number(out);
    if (is_word_start(c)) return read_named(out);
    no_expressions(start);
    return false;
  }

  bool read_named(Operand& out) {
    out.name = read_name();
    out.span.to = at_;
    const std::string_view rest = source_.substr(at_);
    if (out.name == "true" || out.name == "false") {
      out.value = Value::truth(out.name == "true");
      out.name.clear();
    } else if (out.name == "nullptr") {
      out.name.clear();
    } else if (out.name.empty() || rest.starts_with("(") || rest.starts_with("\"") ||
               rest.starts_with("'") || rest.starts_with("::") || rest.starts_with(".")) {
      no_expressions(out.span.from);
      return false;
    } else {
      names_.add(out.name);
    }
    return true;
  }

  void read_quoted(char quote, std::string& text) {
    const std::size_t start = at_++;
    const std::size_t kept = out_.literals.size();
    while (at_ < source_.size() && source_[at_] != quote && source_[at_] != '\n') {
      if (source_[at_] == '\\')
        at_ += c_language::read_escape(at_, out_);
      else
        out_.literals += source_[at_++];
    }
    text += std::string_view(out_.literals).substr(kept);
    out_.literals.resize(kept);
    if (at_ >= source_.size() || source_[at_] != quote)
      return error(std::string("a closing ") + quote + " is missing", start);
    ++at_;
  }

  bool read_character(Operand& out) {
    std::string text;
    read_quoted('\'', text);
    if (out_.refusal) return false;
    if (text.size() != 1) {
      not_yet("characters of no or several bytes are", out.span.from,
              "Write it as a text, in double quotes.");
      return false;
    }
    out.span.to = at_;
    // Any byte is a char.
    out.value = static_cast<unsigned char>(text[0]) < 0x80
                    ? Value::character(static_cast<unsigned char>(text[0]))
                    : Value::whole(Type::i8, static_cast<signed char>(text[0]));
    return true;
  }

  // "42", "-0x1Ful", "2.5f": [lex.icon], [lex.fcon].
  bool read_number(Operand& out) {
    const std::size_t start = at_;
    bool negative = false;
    while (at_ < source_.size() && (source_[at_] == '-' || source_[at_] == '+')) {
      negative ^= source_[at_++] == '-';
      if (at_ - start > 1) {
        no_expressions(start);
        return false;
      }
    }
    const std::size_t digits = at_;
    const bool hexadecimal = source_.substr(at_, 2) == "0x" || source_.substr(at_, 2) == "0X";
    std::string text;
    while (at_ < source_.size()) {
      const char c = source_[at_];
      const char before = text.empty() ? ' ' : text.back();
      const bool exponent_sign =
          (c == '-' || c == '+') &&
          (hexadecimal ? before == 'p' || before == 'P' : before == 'e' || before == 'E');
      if (!is_word_part(c) && c != '.' && c != '\'' && !exponent_sign) break;
      if (c != '\'') text += c;
      ++at_;
    }
    out.span = {start, at_};
    if (auto value = literal_value(text, hexadecimal, negative)) {
      out.value = std::move(*value);
      return true;
    }
    const std::size_t plain = std::min(text.find_first_not_of("0123456789"), text.size());
    if (plain == text.size() && text[0] != '0') {
      not_yet("whole numbers that fit no type of C++ are", start, "Write a smaller number.");
      return false;
    }
    error(in_quotes(source_.substr(digits, at_ - digits)) + " is no number of C++", start);
    return false;
  }

  static std::optional<Value> literal_value(std::string text, bool hexadecimal, bool negative) {
    const bool real = text.find('.') != std::string::npos ||
                      text.find_first_of(hexadecimal ? "pP" : "eE") != std::string::npos;
    const std::size_t suffix_at =
        real ? text.find_last_not_of("fFlL") + 1 : text.find_last_not_of("uUlLzZ") + 1;
    std::string suffix = text.substr(suffix_at);
    if (real && hexadecimal && text.find_first_of("pP") == std::string::npos) return std::nullopt;
    text.resize(suffix_at);
    for (char& c : suffix) c = c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    return real ? real_value(text, suffix, negative) : whole_value(text, suffix, negative);
  }

  static std::optional<Value> real_value(const std::string& text, const std::string& suffix,
                                         bool negative) {
    const Type type = suffix == "f" ? Type::f32 : suffix == "l" ? Type::f80 : Type::f64;
    if (suffix.size() > 1) return std::nullopt;
    auto value = read_typed(type, (negative ? "-" : "") + text);
    if (!value || !value->as_real().is_finite()) return std::nullopt;
    return std::move(*value);
  }

  // The first type that holds it: int, or wider; unsigned ones too where it is not decimal.
  static std::optional<Value> whole_value(std::string text, const std::string& suffix,
                                          bool negative) {
    const bool octal = text.size() > 1 && text[0] == '0' && is_digit(text[1]);
    if (octal) text = "0o" + text.substr(1);
    const bool decimal = text[0] != '0' || text.size() == 1;
    const auto number = read_typed(Type::u64, text);
    constexpr std::string_view known[] = {"", "u", "l", "ul", "lu", "ll", "ull", "llu"};
    if (!number || text[0] == '-' ||
        std::find(std::begin(known), std::end(known), suffix) == std::end(known))
      return std::nullopt;
    const uint128 magnitude = number->bits();
    const bool is_unsigned = suffix.find('u') != std::string::npos;
    const bool is_long = suffix.find('l') != std::string::npos;
    struct Step {
      Type type;
      uint128 most;
      bool allowed;
    };
    const Step steps[] = {
        {Type::i32, 0x7FFFFFFF, !is_unsigned && !is_long},
        {Type::u32, 0xFFFFFFFF, !is_long && (is_unsigned || !decimal)},
        {Type::i64, std::numeric_limits<std::int64_t>::max(), !is_unsigned},
        {Type::u64, std::numeric_limits<std::uint64_t>::max(), is_unsigned || !decimal},
    };
    for (const Step& step : steps) {
      if (!step.allowed || magnitude > step.most) continue;
      if (!negative) return Value::whole(step.type, static_cast<int128>(magnitude));
      const int bits = fact_of(step.type).width;
      const uint128 wrapped = (uint128{0} - magnitude) & ((uint128{1} << bits) - 1);
      const bool is_signed = fact_of(step.type).is_signed;
      return Value::whole(
          step.type, is_signed ? -static_cast<int128>(magnitude) : static_cast<int128>(wrapped));
    }
    return std::nullopt;
  }

  Chain& chain_;
  NameCollector names_;
  std::size_t covered_ = 0;  // by pieces
  std::vector<Setting> pending_;
  braces::WordsSink words_;
};

// ---- Rendering ----

struct State {
  int width = 0;
  Mark fill = " ";
  int precision = 6;
  int side = no_side;
  int notation = general;
  int base = 10;
  bool show_base = false;
  bool show_positive = false;
  bool show_point = false;
  bool uppercase = false;
  bool names_of_truth = false;

  void set(What what, int to) {
    switch (what) {
      case What::width:
        width = std::max(to, 0);
        break;
      case What::precision:
        precision = to < 0 ? 6 : to;
        break;
      case What::side:
        side = to;
        break;
      case What::notation:
        notation = to;
        break;
      case What::base:
        base = to;
        break;
      case What::show_base:
        show_base = to != 0;
        break;
      case What::show_positive:
        show_positive = to != 0;
        break;
      case What::show_point:
        show_point = to != 0;
        break;
      case What::uppercase:
        uppercase = to != 0;
        break;
      case What::names_of_truth:
        names_of_truth = to != 0;
        break;
      default:
        break;
    }
  }

  Spec spec(Kind kind) const {
    Spec out;
    out.kind = kind;
    out.width = width;
    out.fill = fill;
    const bool text = kind == Kind::text;
    out.align = side == left_side             ? Align::left
                : side == inner_side && !text ? Align::inner
                                              : Align::right;
    if (uppercase) out.letters = Letters::upper;
    return out;
  }

  Spec real_spec() const {
    Spec out = spec(Kind::real);
    if (show_positive) out.sign = Sign::always;
    out.keep_point = show_point;
    switch (notation) {
      case fixed_places:
        out.notation = Notation::fixed;
        out.places = precision;
        break;
      case scientific:
        out.notation = Notation::scientific;
        out.places = precision;
        break;
      case hexadecimal:
        out.notation = Notation::hexfloat;
        break;
      default:
        out.notation = Notation::compact;
        out.significant = std::max(precision, 1);
    }
    return out;
  }
};

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(cpp_stream::facts, parsed, values, options, out, report),
        chain_(static_cast<const Chain&>(*parsed.program)),
        named_(chain_.names, values) {}

  // What the compiler says, which sees the whole chain before any of it is printed.
  std::optional<Outcome> check() {
    for (const Insertion& insertion : chain_.insertions) {
      if (!check_settings(insertion.before) || !check_shown(insertion.shown))
        return std::move(trouble_);
    }
    if (!check_settings(chain_.after)) return std::move(trouble_);
    return std::nullopt;
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    const Insertion& insertion = chain_.insertions[index];
    if (!apply(insertion.before)) return false;
    const int width = state_.width;
    put(field, *find(insertion.shown));
    if (report_ != nullptr) note_width(field, insertion.shown, width);
    state_.width = 0;
    return true;
  }

  bool end() {
    if (!apply(chain_.after)) return false;
    if (report_ != nullptr) note_state();
    return true;
  }
  void note_field(const Field&) {}

 private:
  bool refuse(std::string why, Span span) {
    return fail(Outcome::fails_at_compile("error", std::move(why), span));
  }

  // The value of an operand; null where its name has none.
  const Value* find(const Operand& operand) const {
    if (operand.name.empty()) return &operand.value;
    return named_.find(operand.name);
  }

  bool check_shown(const Operand& operand) {
    const Value* value = find(operand);
    if (value == nullptr)
      return refuse("'" + operand.name + "' was not declared in this scope", operand.span);
    switch (value->type()) {
      case Type::i128:
      case Type::u128:
        return refuse(
            "a whole number of 128 bits cannot be inserted: it is ambiguous which type to take it "
            "for",
            operand.span);
      case Type::list:
      case Type::tuple:
      case Type::record:
        return refuse("there is no operator << for a " + std::string(name_of(value->type())),
                      operand.span);
      case Type::big:
      case Type::f16:
      case Type::bf16:
      case Type::f128:
      case Type::decimal:
      case Type::moment:
        break;
      case Type::character:
        if (value->as_character() < 0x80) return true;
        break;
      default:
        return true;
    }
    return fail(
        Outcome::error({Code::not_supported_yet,
                        describe(*value) + " as a value of C++ is not supported yet", operand.span,
                        "Give a whole number up to 64 bits, f32, f64, f80, a text, an ASCII "
                        "character, true or false."}));
  }

  bool check_settings(const std::vector<Setting>& settings) {
    for (const Setting& setting : settings) {
      if (!setting.takes_argument) continue;
      const Value* value = find(setting.argument);
      if (value == nullptr)
        return refuse("'" + setting.argument.name + "' was not declared in this scope",
                      setting.argument.span);
      const bool fits = setting.what == What::fill
                            ? value->is(Type::character) || value->is(Type::i8)
                            : is_whole(value->type()) && !value->is(Type::big);
      if (!fits) {
        return refuse(setting.what == What::fill ? "setfill wants a char, such as '*'"
                                                 : "a whole number is wanted here",
                      setting.argument.span);
      }
    }
    return true;
  }

  bool apply(const std::vector<Setting>& settings) {
    for (const Setting& setting : settings) {
      int to = setting.to;
      if (setting.what == What::fill) {
        const Value& value = *find(setting.argument);
        const char byte = static_cast<char>(value.bits() & 0xFF);
        state_.fill = Mark(std::string_view(&byte, 1));
        continue;
      }
      if (setting.takes_argument && !take_count(setting, to)) return false;
      state_.set(setting.what, to);
      if (setting.what == What::width) {
        used_up_ = false;
        width_span_ = setting.span;
      }
    }
    return true;
  }

  bool take_count(const Setting& setting, int& to) {
    // Converted to int, which wraps.
    const auto number = static_cast<std::int32_t>(low_half(find(setting.argument)->bits()));
    if (number > most_width) {
      return fail(Outcome::error(
          {Code::over_limit,
           std::to_string(number) + " is over the limit of " + std::to_string(most_width),
           setting.argument.span, "Use at most " + std::to_string(most_width) + "."}));
    }
    to = number;
    if (setting.what == What::base && number != 8 && number != 16) to = 10;
    return true;
  }

  Spec spec(Kind kind) const { return state_.spec(kind); }

  void put(const Field& field, const Value& value) {
    switch (value.type()) {
      case Type::i8:
      case Type::u8:
        return put_byte(field, value);
      case Type::truth:
        if (state_.names_of_truth) return put_text(value.as_whole() != 0 ? "true" : "false");
        return put_whole(value.as_whole(), 64, true);
      case Type::nil:
        return put_text("nullptr");
      case Type::complex:
        return put_complex(value);
      case Type::text:
        put_text(value.as_text());
        if (report_ != nullptr)
          note_text(spec(Kind::text), value.as_text(), unit(), field.span, report_->notes);
        return;
      case Type::character:
        return put_text(text_of(value));
      default:
        break;
    }
    if (is_whole(value.type())) {
      const TypeFact& fact = fact_of(value.type());
      return put_whole(value.as_whole(), fact.width, fact.is_signed);
    }
    put_real(field, value);
  }

  void put_text(std::string_view text) { lay_out_text(spec(Kind::text), text, unit(), out_); }

  void put_byte(const Field& field, const Value& value) {
    const char byte = static_cast<char>(value.bits() & 0xFF);
    put_text({&byte, 1});
    if (report_ == nullptr ||
        chain_.insertions[static_cast<std::size_t>(&field - parsed_.fields.data())]
            .shown.name.empty())
      return;
    note(Code::low_byte_only,
         "an " + std::string(name_of(value.type())) +
             " is a character to a stream; + in front of it, as in +" +
             std::string(parsed_.source_of(field)) + ", makes it a number",
         field.span);
  }

  void put_whole(int128 number, int width, bool is_signed) {
    Spec out = spec(Kind::whole);
    out.base = state_.base;
    if (state_.base == 10) {
      if (is_signed && state_.show_positive) out.sign = Sign::always;
      return lay_out_decimal(out, number < 0, low_half(magnitude_of(number)), out_);
    }
    const uint128 bits = static_cast<uint128>(number) & ((uint128{1} << width) - 1);
    WholeRoom room;
    const std::string_view digits = write_whole(bits, out.base, out.letters, room);
    const bool prefixed = state_.show_base && bits != 0;
    if (!prefixed || out.base == 16)
      return lay_out_whole(out, false, digits,
                           !prefixed          ? ""
                           : state_.uppercase ? "0X"
                                              : "0x",
                           out_);
    // A 0 in front of octal digits is a digit: nothing goes between.
    lay_out_whole(out, false, "0" + std::string(digits), "", out_);
  }

  Spec real_spec() const { return state_.real_spec(); }

  void lay_out(Spec asked, const BinaryFormat& format, const BinaryReal& real, Output& out) const {
    static constexpr NumberStyle style = {.zero_fill_specials = true};
    static constexpr NumberStyle carrying = {.zero_fill_specials = true, .carry_drops_zeros = true};
    // Inner padding goes behind a sign, or else behind 0x.
    if (asked.align == Align::inner && asked.notation == Notation::hexfloat && real.is_finite()) {
      TextBuffer bare;
      Spec plain = asked;
      plain.width = 0;
      lay_out_real(plain, format, real, style, bare);
      const bool has_sign = bare.view()[0] == '-' || bare.view()[0] == '+';
      const std::size_t head = has_sign ? 1 : 2;
      const auto used = static_cast<int>(bare.view().size());
      out.append(bare.view().substr(0, head));
      out.fill(asked.fill.text(), static_cast<std::size_t>(std::max(asked.width - used, 0)));
      return out.append(bare.view().substr(head));
    }
    // Fixed notation is f's, which has no upper letters.
    if (asked.notation == Notation::fixed) asked.letters = Letters::lower;
    const bool carries = carry_drops_zeros(asked, real);
    lay_out_real(asked, format, real, carries ? carrying : style, out);
  }

  void put_real(const Field& field, const Value& value) {
    const bool widest = value.is(Type::f80);
    const BinaryFormat& format = widest ? extended80 : binary64;
    const BinaryReal real = widest ? value.as_real() : nearest_f64(value);
    lay_out(real_spec(), format, real, out_);
    if (report_ != nullptr && !value.given_in_bits())
      note_rounding(real_spec(), format, real, field.span, report_->notes);
  }

  // "(3,-5)": each part by the settings, the whole padded as a text.
  void put_complex(const Value& value) {
    Spec part = real_spec();
    part.width = 0;
    TextBuffer text;
    text.append('(');
    lay_out(part, binary64, value.as_list()[0].as_real(), text);
    text.append(',');
    lay_out(part, binary64, value.as_list()[1].as_real(), text);
    text.append(')');
    put_text(text.view());
  }

  // ---- Notes ----

  // A value after one that was padded, and is not.
  void note_width(const Field& field, const Operand& shown, int width) {
    const Value* value = find(shown);
    shown_ = values_.data() <= value && value < values_.data() + values_.size()
                 ? static_cast<int>(value - values_.data())
                 : unset;
    if (width > 0) {
      used_up_ = true;
      return;
    }
    // A text written in the chain is rarely meant to be padded.
    const bool separates = shown.name.empty() && is_text_or_character(shown.value);
    if (separates || !std::exchange(used_up_, false)) return;
    note(Code::width_used_up,
         "setw held for the value before only; " + std::string(parsed_.source_of(field)) +
             " is not padded unless it has a setw of its own",
         field.span);
  }

  void note_state() {
    if (state_.width > 0)
      note(Code::width_used_up, "this setw waits for the next value inserted, whatever it is",
           width_span_);
    const State first;
    std::string on;
    std::string back;
    const auto add = [&](bool differs, const std::string& setting, std::string_view undo) {
      if (!differs) return;
      on += (on.empty() ? "" : ", ") + setting;
      (back += " << ") += undo;
    };
    constexpr std::string_view notations[] = {"", "fixed", "scientific", "hexfloat"};
    add(state_.notation != first.notation, std::string(notations[state_.notation]), "defaultfloat");
    add(state_.precision != first.precision, "a precision of " + std::to_string(state_.precision),
        "setprecision(6)");
    add(state_.fill != first.fill, "the fill " + in_quotes(state_.fill.text()), "setfill(' ')");
    add(state_.side == left_side || state_.side == inner_side,
        state_.side == left_side ? "left" : "internal", "right");
    add(state_.base != first.base, state_.base == 16 ? "hex" : "oct", "dec");
    add(state_.show_base, "showbase", "noshowbase");
    add(state_.show_positive, "showpos", "noshowpos");
    add(state_.show_point, "showpoint", "noshowpoint");
    add(state_.uppercase, "uppercase", "nouppercase");
    add(state_.names_of_truth, "boolalpha", "noboolalpha");
    if (on.empty()) return;
    const std::string stream = chain_.stream.empty() ? "cout" : chain_.stream;
    note(Code::settings_left_on,
         "still set for what comes next: " + on + "; put back by " + stream + back + ";",
         {0, parsed_.source.size()});
  }

  const Chain& chain_;
  NamedValues named_;
  State state_;
  bool used_up_ = false;  // a width, by the value before
  Span width_span_;
};

// ---- Writing ----

// A chain, written insertion by insertion: settings only where they change.
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
    if (kind == Kind::moment || is_compound(wish.type)) return give_up("such value");
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

  bool put_whole(const FieldWish& wish, std::string& out) {
    if (!is_whole(wish.type)) return give_up("whole digits of such a value");
    if (wish.spec.least_digits > 0) return give_up("least number of digits");
    const int base = wish.spec.base;
    if (base != 8 && base != 10 && base != 16) return give_up("base " + std::to_string(base));
    change(state_.base, base, base == 8 ? "oct" : base == 16 ? "hex" : "dec", out);
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

// A chain as source, made from what was read of it.
class ChainPrinter {
 public:
  explicit ChainPrinter(const TemplateContent& parsed)
      : parsed_(parsed), chain_(static_cast<const Chain&>(*parsed.program)) {}

  WrittenCall print() {
    out_.add("cout");
    for (const Piece& piece : parsed_.pieces) {
      const std::string_view written = parsed_.literal(piece);
      if (piece.field != unset)
        print(chain_.insertions[static_cast<std::size_t>(piece.field)]);
      else if (!written.empty())
        out_.add(written == "\n" ? " << endl" : " << ends");
    }
    for (const Setting& setting : chain_.after) print(setting);
    out_.add(";");
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
    out_.add(found->name);
    if (!setting.takes_argument) return;
    out_.add("(");
    print(setting.argument);
    out_.add(")");
  }

  void print(const Operand& operand) {
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
  WrittenCall out_;
};

class CppStream final : public family::CheckedDialect<Chain, Rendering> {
 public:
  const DialectFacts& facts() const override { return cpp_stream::facts; }

  Placing placing() const override { return Placing::names; }
  WrittenField write_field(const FieldWish& wish) const override {
    const TemplatePart part{{}, wish};
    WrittenTemplate whole = ChainWriter().write({&part, 1});
    return {whole.source.value_or(std::string()), std::move(whole.notes)};
  }
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    return ChainWriter().write(parts);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string>) const override {
    return std::string(source) + ";";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Chain& chain = static_cast<const Chain&>(*parsed.program);
    State state;
    for (int i = 0; i <= field; ++i) {
      state.width = 0;
      for (const Setting& setting : chain.insertions[static_cast<std::size_t>(i)].before) {
        if (!setting.argument.name.empty()) {
          writing::cannot("a setting takes its number from a value", notes);
          return std::nullopt;
        }
        if (setting.what == What::fill) {
          const char byte = static_cast<char>(setting.argument.value.bits() & 0xFF);
          state.fill = Mark(std::string_view(&byte, 1));
        } else {
          state.set(setting.what, setting.takes_argument
                                      ? static_cast<int>(static_cast<std::int32_t>(
                                            low_half(setting.argument.value.bits())))
                                      : setting.to);
        }
      }
    }
    if (is_real(type)) return state.real_spec();
    const bool shown_as_number = type == Type::truth && !state.names_of_truth;
    Spec out = state.spec(is_whole(type) || shown_as_number ? Kind::whole
                          : type == Type::truth             ? Kind::truth
                                                            : Kind::text);
    if (out.kind != Kind::whole) return out;
    out.base = state.base;
    out.prefix = state.show_base && state.base != 10;
    if (state.show_positive && state.base == 10) out.sign = Sign::always;
    return out;
  }

  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string>) const override {
    if (parsed.refusal) return not_read(parsed);
    return ChainPrinter(parsed).print();
  }

  // cout << value.
  Outcome print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("cout << x");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Chain& program, std::vector<Words>* words) const override {
    Reader(out, program, words).read();
  }
};

}  // namespace

}  // namespace inky::inline v1::cpp_stream

namespace inky::inline v1 {

const Dialect* cpp_stream_dialect() {
  static const cpp_stream::CppStream dialect;
  return &dialect;
}

}  // namespace inky::inline v1
