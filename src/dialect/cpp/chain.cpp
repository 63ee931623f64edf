#include "chain.hpp"

#include <algorithm>
#include <limits>
#include <optional>
#include <string>

#include "../family/braces.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/writing.hpp"
#include "c/c.hpp"
#include "dialect/program_form.hpp"
#include "stream_facts.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

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
      // A piece of a chain may be pasted, without its stream.
      const bool piece = first && !starts_with("<<") &&
                         (!is_word_start(source_[at_]) || begins_with_manipulator());
      if (first && !piece && is_word_start(source_[at_])) read_stream();
      first = false;
      if (!out_.refusal) read_insertion(!piece);
    }
    keep_first_word();
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

  bool begins_with_manipulator() {
    const std::size_t start = at_;
    const bool known = find_manipulator(read_name()) != manipulators.end();
    at_ = start;
    return known;
  }

  void read_stream() {
    constexpr std::string_view always_streams[] = {"cout",  "cerr",  "clog",
                                                   "wcout", "wcerr", "wclog"};
    const std::size_t start = at_;
    chain_.stream = read_name();
    const bool is_stream = std::find(std::begin(always_streams), std::end(always_streams),
                                     chain_.stream) != std::end(always_streams);
    if (start == 0 && !is_stream) {
      chain_.first.name = chain_.stream;
      chain_.first.span = {start, at_};
    }
    skip_blanks();
    if (starts_with("."))
      not_yet("calls of a stream's members are", start, "Use a manipulator, such as setw(9).");
    else if (!starts_with("<<"))
      not_yet("statements other than an insertion are", start,
              "Begin with a stream's name and <<.");
  }

  void keep_first_word() {
    chain_.names_with_first = chain_.names;
    const std::string& word = chain_.first.name;
    auto& names = chain_.names_with_first;
    if (!word.empty() && std::find(names.begin(), names.end(), word) == names.end())
      names.insert(names.begin(), word);
  }

  void read_insertion(bool wants_sign) {
    const std::size_t start = at_;
    if (wants_sign && !take("<<")) {
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

  static const Manipulator* find_manipulator(std::string_view name) {
    return std::find_if(manipulators.begin(), manipulators.end(),
                        [&](const Manipulator& known) { return known.name == name; });
  }

  bool read_manipulator() {
    const std::size_t start = at_;
    const std::string_view name = read_name();
    const Manipulator* found = find_manipulator(name);
    if (found == manipulators.end()) {
      at_ = start;
      return false;
    }
    Setting setting{found->what, found->to, {}, found->takes_argument, {start, at_}};
    if (found->takes_argument) {
      if (!take("(")) {
        error(std::string(name) + " needs its argument in parentheses", start);
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
      end_at_zero(text, {start, out.span.to});
      out.value = Value::text(std::move(text));
      return !out_.refusal.has_value();
    }
    if (c == '\'') return read_character(out);
    if (c == '+' && at_ + 1 < source_.size() &&
        (is_word_start(source_[at_ + 1]) || source_[at_ + 1] == '\'')) {
      ++at_;
      out.promoted = true;
      return source_[at_] == '\'' ? read_character(out) : read_named(out);
    }
    if (is_digit(c) || c == '.' || c == '-' || c == '+') return read_number(out);
    if (is_word_start(c)) return read_named(out);
    no_expressions(start);
    return false;
  }

  // A literal is inserted as a char*, which ends at its first zero byte.
  void end_at_zero(std::string& text, Span span) {
    const std::size_t end = text.find('\0');
    if (end == std::string::npos) return;
    text.resize(end);
    out_.notes.push_back({Code::text_cut,
                          "a literal that is inserted ends at its first zero byte; the rest is not "
                          "printed",
                          span});
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

}  // namespace

void read_chain(TemplateContent& out, Chain& chain, std::vector<Words>* words) {
  Reader(out, chain, words).read();
}

}  // namespace inky::inline v1::cpp_stream
