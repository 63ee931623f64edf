// Reads expressions of F#: the F# specification 4.1, 3 and 4.4.

#include <algorithm>
#include <utility>

#include "../computed/units.hpp"
#include "../family/dotnet_decimal.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::fsharp {

namespace {

using computed::Node;
using computed::Operation;

// The F# specification, 4.4.2, and what F# 10 answers about the bitwise ones.
constexpr computed::OperatorFact infix_operators[] = {
    {"**", Operation::power, 14, true}, {"*", Operation::multiply, 13},
    {"/", Operation::divide, 13},       {"%", Operation::remainder, 13},
    {"+", Operation::add, 12},          {"-", Operation::subtract, 12},
    {"::", Operation::none, 11},        {"@", Operation::none, 10},
    {"^^^", Operation::bits_differ, 9}, {"&&&", Operation::bits_and, 9},
    {"|||", Operation::bits_or, 9},     {"<<<", Operation::shift_left, 9},
    {">>>", Operation::shift_right, 9}, {"|>", Operation::pipe, 7},
    {"<|", Operation::pipe_back, 7},    {"=", Operation::equal, 7},
    {"<>", Operation::unequal, 7},      {"<", Operation::less, 7},
    {"<=", Operation::at_most, 7},      {">", Operation::more, 7},
    {">=", Operation::at_least, 7},     {"&&", Operation::both, 6},
    {"||", Operation::either, 5},       {"..", Operation::range, 4},
    {":>", Operation::none, 4},         {":?", Operation::none, 4},
    {">>", Operation::none, 7},         {"<<", Operation::none, 7},
    {"<-", Operation::none, 1},         {":=", Operation::none, 1},
    {"->", Operation::none, 1},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 15}, {"+", Operation::keep, 15}, {"~~~", Operation::complement, 15},
    {"!", Operation::none, 15},   {"&", Operation::none, 15},
};

struct Suffix {
  std::string_view text;
  Type type;
};
// The longer ones first.
constexpr Suffix suffixes[] = {
    {"uy", Type::u8}, {"us", Type::u16}, {"ul", Type::u32}, {"UL", Type::u64}, {"uL", Type::u64},
    {"y", Type::i8},  {"s", Type::i16},  {"l", Type::i32},  {"u", Type::u32},  {"L", Type::i64},
    {"I", Type::big}, {"f", Type::f32},  {"F", Type::f32}};

// The F# specification, 3.8.
std::optional<Value> number_of(std::string_view source) {
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  const char mark = text.size() > 1 && text[0] == '0' ? static_cast<char>(text[1] | 0x20) : ' ';
  const bool based = mark == 'x' || mark == 'o' || mark == 'b';
  if (!based && (text.ends_with('m') || text.ends_with('M'))) {
    text.pop_back();
    if (text.ends_with('.')) text += '0';
    const auto decimal = read_decimal(text);
    const auto held = decimal ? decimal96(*decimal) : std::nullopt;
    return held ? std::optional(Value::decimal(*held)) : std::nullopt;
  }
  Type type = Type::i32;
  bool has_type = false;
  for (const Suffix& suffix : suffixes) {
    const bool is_digit_there = mark == 'x' && suffix.type == Type::f32;
    if (!text.ends_with(suffix.text) || is_digit_there) continue;
    text.resize(text.size() - suffix.text.size());
    type = suffix.type;
    has_type = true;
    break;
  }
  if (text.empty()) return std::nullopt;
  const bool is_decimal = !based && text.find_first_of(".eE") != std::string::npos;
  if (is_decimal || type == Type::f32) {
    if (based || (has_type && type != Type::f32)) return std::nullopt;
    if (text.ends_with('.')) text += '0';
    auto value = read_typed(has_type ? type : Type::f64, text);
    if (!value || !value->as_real().is_finite()) return std::nullopt;
    return std::move(*value);
  }
  if (based) text[1] = mark;
  const std::size_t first = std::min(text.find_first_not_of('0'), text.size());
  if (!based) text.erase(0, std::min(first, text.size() - 1));
  const auto number = read_whole(text);
  if (!number) return std::nullopt;
  const Integer whole = integer_of(*number);
  // Digits in another base are the bits of the type. Behind a minus sign a number may be one more
  // than the most.
  const bool has_bits = based && type != Type::big && whole < (Integer(1) << fact_of(type).width);
  if (type != Type::big && !has_bits && !computed::fits(type, whole) &&
      !computed::fits(type, -whole))
    return std::nullopt;
  return computed::wrapped(type, whole);
}

constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "F#",
    .syntax_fault = "FS0010",
    .digit_marks = "_",
    .word_marks = "'",
    .read_escape = read_escape,
    .number = number_of,
    .constant = computed::truth_or_nil,
    .character = computed::unit_of,
    .rare_prefixes = "$",
    .makes_objects = false,
    .unknown_words =
        "fun function match let lazy new upcast downcast assert async seq task query typeof nameof "
        "None Ok Error Map Set dict box unbox ref begin"};

// Words that no argument begins with.
constexpr std::string_view keywords =
    "then else elif in do of with and as to downto done end when or";

constexpr PrintFact prints[] = {
    {"printfn", "\n"}, {"printf", ""}, {"eprintfn", "\n"}, {"eprintf", ""}};

constexpr std::string_view takers = "printf printfn sprintf eprintf eprintfn failwithf";

// Whether a source gives its value to one of these functions, or calls it with a literal.
bool begins_call(std::string_view source) {
  std::size_t end = 0;
  while (end < source.size() && is_word_part(source[end])) ++end;
  if (has_word(takers, source.substr(0, end)) && end < source.size()) {
    const std::size_t next = std::min(source.find_first_not_of(" \t\r\n", end), source.size());
    const std::string_view rest = source.substr(next);
    return rest.starts_with('"') || rest.starts_with("$\"") || rest.starts_with("@\"") ||
           rest.starts_with("(\"") || rest.starts_with("<|");
  }
  for (std::size_t at = source.find("|>"); at != std::string_view::npos;
       at = source.find("|>", at + 1)) {
    const std::size_t from = std::min(source.find_first_not_of(" \t\r\n", at + 2), source.size());
    end = from;
    while (end < source.size() && is_word_part(source[end])) ++end;
    if (has_word(takers, source.substr(from, end - from))) return true;
  }
  return false;
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.tuples = true;
  out.applies = true;
  out.point_before_index = true;
  out.functions =
      "Some not abs sign sqrt floor ceil round truncate exp log log10 sin cos tan min max pown "
      "string "
      "decimal int int8 sbyte byte int16 uint16 int32 uint32 int64 uint64 float double float32 "
      "single char "
      "sprintf";
  out.methods =
      "ToString ToUpper ToLower ToUpperInvariant ToLowerInvariant Trim TrimStart TrimEnd "
      "Substring IndexOf LastIndexOf Contains StartsWith EndsWith Equals Replace PadLeft PadRight "
      "Insert Remove";
  return out;
}();

const ExpressionForm expression_form = {
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .ends = "\n",
    .silent_words = "open",
    .slots_prefixes = "$\" $@\" @$\" $$",
    .slots_are_shared = true,
    .read_slots = read_interpolated,
    .begins = begins_call,
    .plain_dialect = "fsharp",
    .value_field = "%O",
    .own_names =
        "Math System String List Seq Array infinity nan DateTime DateTimeOffset DateOnly TimeOnly "
        "TimeSpan TimeZoneInfo DateTimeKind CultureInfo Decimal Convert DayOfWeek "
        "MidpointRounding"};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : CodeReader(code_facts, out, at) {}

// (* ... *), and // to the end of the line.
void ExpressionReader::skip_blanks() {
  for (;;) {
    if (!at_end() && std::string_view(" \t\n\r").find(peek()) != std::string_view::npos)
      ++at_;
    else if (starts_with("(*") && !starts_with("(*)"))
      at_ = std::min(source_.find("*)", at_ + 2), source_.size() - 2) + 2;
    else if (starts_with("//"))
      at_ = std::min(source_.find('\n', at_), source_.size());
    else
      return;
  }
}

bool ExpressionReader::begins_argument() const {
  const char c = peek();
  if (at_end()) return false;
  if (is_digit(c) || std::string_view("\"'([").find(c) != std::string_view::npos) return true;
  if (starts_with("@\"") || starts_with("$\"")) return true;
  // f -x, and not f - x.
  if (c == '-') return is_word_part(peek(1)) || peek(1) == '(';
  if (!begins_name(c)) return false;
  constexpr std::string_view forms = "if fun function match try let";
  std::size_t size = 0;
  while (begins_name(peek(size)) || is_digit(peek(size))) ++size;
  const std::string_view word = source_.substr(at_, size);
  return !has_word(keywords, word) && !has_word(forms, word);
}

bool ExpressionReader::read_keyword(std::string_view word) {
  skip_blanks();
  const std::size_t start = at_;
  if (begins_name(peek()) && read_word() == word) return true;
  at_ = start;
  return syntax_error(std::string(word) + " is missing", start);
}

// if test then one else other, and elif for another test
bool ExpressionReader::read_condition_form(Node& node, std::size_t start) {
  node.kind = Node::Kind::condition;
  node.parts.resize(3);
  if (!read(node.parts[0]) || !read_keyword("then") || !read(node.parts[1])) return false;
  skip_blanks();
  const std::size_t other = at_;
  if (begins_name(peek()) && read_word() == "elif") {
    if (++conditions_ > computed::most_depth)
      return not_yet("conditions nested as deep as this are", other);
    if (!read_condition_form(node.parts[2], other)) return false;
  } else {
    at_ = other;
    if (!read_keyword("else") || !read(node.parts[2])) return false;
  }
  node.span = {start, node.parts[2].span.to};
  return true;
}

// [1; 2; 3] and [1..5]
bool ExpressionReader::read_items(Node& node) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::list;
  if (peek() == '|') return not_yet("arrays are", start);
  for (;;) {
    skip_blanks();
    if (!at_end() && peek() == ']') {
      ++at_;
      return true;
    }
    node.parts.emplace_back();
    if (!read(node.parts.back())) return false;
    skip_blanks();
    if (peek() == ';')
      ++at_;
    else if (at_end() || peek() != ']')
      return syntax_error("a closing ] is missing", start);
  }
}

// @"C:\ink": a quote stands twice. """...""" has neither escapes nor double quotes.
bool ExpressionReader::read_raw_text(Node& node) {
  const std::size_t start = at_;
  const bool is_triple = peek() == '"';
  at_ += is_triple ? 3 : 2;
  const std::size_t from = at_;
  const std::string_view quote = is_triple ? "\"\"\"" : "\"";
  const std::size_t close = source_.find(quote, from);
  if (close == std::string_view::npos) return syntax_error("a closing \" is missing", start);
  at_ = close + quote.size();
  if (!is_triple && peek() == '"') return not_yet("a quote in such a text is", close);
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::string(source_.substr(from, close - from)));
  node.texts.push_back({from, close});
  node.is_raw = true;
  return true;
}

std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  if (starts_with("@\"") || starts_with("\"\"\"")) return read_raw_text(node);
  if (peek() == '[' && !at_end()) return read_items(node);
  if (begins_name(peek())) {
    const std::string_view word = read_word();
    if (word == "if") return read_condition_form(node, start);
    if (has_word(keywords, word)) return syntax_error("an expression is expected here", start);
    at_ = start;
  }
  const std::optional<bool> own = CodeReader::read_own(node);
  const std::string_view literal = source_.substr(start, at_ - start);
  const bool ends_in_point = own && *own && is_digit(literal[0]) && peek() == '.' &&
                             is_word_start(peek(1)) &&
                             literal.find_first_not_of("0123456789_") == std::string_view::npos;
  if (!ends_in_point) return own;
  return refuse(Refusal::When::compile, "FS1156",
                "a point behind a whole number is a part of it: put the number in parentheses",
                start);
}

}  // namespace inky::inline v1::fsharp
