#include "expressions.hpp"

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

#include "../computed/shared_operators.hpp"
#include "../family/values.hpp"
#include "c.hpp"
#include "struct_tm.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::c_language {

namespace {

using computed::Node;
using computed::Operation;

// ISO C17, 6.5.5 to 6.5.15. Assignments are no part of what is shown.
constexpr auto infix_operators =
    computed::with_own(computed::shared_infix, std::to_array<computed::OperatorFact>({
                                                   {"<=>", Operation::none, 10},
                                               }));
constexpr auto prefix_operators =
    computed::with_own(computed::shared_prefix, std::to_array<computed::OperatorFact>({
                                                    {"&", Operation::address, 14},
                                                    {"*", Operation::follow, 14},
                                                }));

struct TypeName {
  std::string_view name;
  Type type;
};
// Of the x86-64 ABI, LP64.
constexpr TypeName type_names[] = {
    {"bool", Type::truth},         {"_Bool", Type::truth},
    {"char", Type::character},     {"signed char", Type::i8},
    {"unsigned char", Type::u8},   {"short", Type::i16},
    {"unsigned short", Type::u16}, {"int", Type::i32},
    {"signed", Type::i32},         {"unsigned", Type::u32},
    {"unsigned int", Type::u32},   {"long", Type::i64},
    {"long int", Type::i64},       {"unsigned long", Type::u64},
    {"long long", Type::i64},      {"unsigned long long", Type::u64},
    {"size_t", Type::u64},         {"ptrdiff_t", Type::i64},
    {"int8_t", Type::i8},          {"int16_t", Type::i16},
    {"int32_t", Type::i32},        {"int64_t", Type::i64},
    {"uint8_t", Type::u8},         {"uint16_t", Type::u16},
    {"uint32_t", Type::u32},       {"uint64_t", Type::u64},
    {"time_t", Type::i64},         {"clock_t", Type::i64},
    {"float", Type::f32},          {"double", Type::f64},
    {"long double", Type::f80},
};

constexpr computed::TypedRules rules_of(Edition edition) {
  computed::TypedRules out;
  out.grammar = &grammar;
  out.language = edition == Edition::c ? "C" : "C++";
  out.leaves_undefined = true;
  out.truth_is_a_number = true;
  out.comparison_is_i32 = edition == Edition::c;
  return out;
}
constexpr computed::TypedRules c_rules = rules_of(Edition::c);
constexpr computed::TypedRules cpp_rules = rules_of(Edition::cpp);

// What the headers of the library define, and the words of the language.
std::optional<Value> known_constant(Edition edition, std::string_view name) {
  const bool cpp = edition == Edition::cpp;
  if (name == "true" || name == "false")
    return cpp ? Value::truth(name == "true") : Value::whole(Type::i32, name == "true" ? 1 : 0);
  if ((name == "nullptr" && cpp) || name == "NULL") return Value();
  struct Real {
    std::string_view name;
    double value;
  };
  constexpr Real reals[] = {{"M_PI", 0x1.921fb54442d18p+1},
                            {"M_E", 0x1.5bf0a8b145769p+1},
                            {"M_SQRT2", 0x1.6a09e667f3bcdp+0},
                            {"DBL_MAX", 0x1.fffffffffffffp+1023},
                            {"DBL_MIN", 0x1p-1022},
                            {"DBL_EPSILON", 0x1p-52},
                            {"INFINITY", HUGE_VAL},
                            {"HUGE_VAL", HUGE_VAL},
                            {"NAN", std::numeric_limits<double>::quiet_NaN()}};
  for (const Real& real : reals) {
    if (real.name == name) return Value::real(real.value);
  }
  struct Whole {
    std::string_view name;
    Type type;
    int128 value;
  };
  constexpr int128 one = 1;
  constexpr Whole wholes[] = {{"INT_MAX", Type::i32, (one << 31) - 1},
                              {"INT_MIN", Type::i32, -(one << 31)},
                              {"UINT_MAX", Type::u32, (one << 32) - 1},
                              {"LONG_MAX", Type::i64, (one << 63) - 1},
                              {"LONG_MIN", Type::i64, -(one << 63)},
                              {"ULONG_MAX", Type::u64, (one << 64) - 1},
                              {"LLONG_MAX", Type::i64, (one << 63) - 1},
                              {"LLONG_MIN", Type::i64, -(one << 63)},
                              {"INT64_MAX", Type::i64, (one << 63) - 1},
                              {"INT32_MAX", Type::i32, (one << 31) - 1},
                              {"CHAR_BIT", Type::i32, 8}};
  for (const Whole& whole : wholes) {
    if (whole.name == name) return Value::whole(whole.type, whole.value);
  }
  return std::nullopt;
}

// Calls that we look for in the user's program. We only read them: nothing here calls setlocale().
constexpr LocaleStatementFact locale_statements[] = {{"setlocale(LC_ALL,", ")"},
                                                     {"setlocale(LC_NUMERIC,", ")"}};

constexpr PrintFact prints[] = {{.name = "puts", .after = "\n"},
                                {.name = "putchar", .field = "%c"}};

template <Edition edition>
constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = edition == Edition::c ? "C" : "C++",
    .syntax_fault = "error",
    .digit_marks = edition == Edition::c ? "" : "'",
    .hexadecimal_reals = true,
    .read_escape = read_escape,
    .number = [](std::string_view text) { return number_of(edition, text); },
    .constant = [](std::string_view word) { return known_constant(edition, word); },
    .character = [](const std::string& text) { return character_of(edition, text); }};

}  // namespace

ExpressionReader::ExpressionReader(Edition edition, TemplateContent& out, std::size_t at,
                                   std::size_t limit)
    : CodeReader(edition == Edition::c ? code_facts<Edition::c> : code_facts<Edition::cpp>, out, at,
                 limit),
      edition_(edition) {}

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.condition = computed::Grammar::Condition::marks;
  out.lists = "{";
  out.arrow = "->";
  out.path = "::";
  out.functions =
      "abs labs llabs fabs floor ceil trunc round rint nearbyint lround llround sqrt cbrt exp log "
      "log10 log2 sin cos tan atan fmod fmax fmin pow max min strlen toupper tolower to_string "
      "string bitset quoted format localtime gmtime mktime timegm asctime ctime difftime";
  out.methods = "size length empty c_str data front back at substr";
  return out;
}();

std::size_t size_of(Type type) {
  constexpr int bits = 8;
  constexpr int bytes_of_f80 = 16;
  const TypeFact& fact = fact_of(type);
  const int bytes = type == Type::f80        ? bytes_of_f80
                    : fact.format != nullptr ? fact.format->width() / bits
                    : fact.width != 0        ? fact.width / bits
                                             : 1;
  return static_cast<std::size_t>(bytes);
}

std::size_t size_of_items(std::string_view type) {
  constexpr std::size_t pointer_size = 8;
  if (type.empty()) return pointer_size;
  const auto known = type_of_name(type);
  return known ? size_of(*known) : 0;
}

const ExpressionForm c_expressions = {
    .read_declaration = read_definition,
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(Edition::c, out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(Edition::c, scope);
    },
    .prints = prints,
    .ends = ";",
    .silent_words = "#include using",
    .is_silent = declares_struct_tm,
    .blocks = Blocks::braces,
    .counts = true,
    .constant_words = "const constexpr",
    .declares_types = true,
    .modifiers = "const static constexpr volatile register auto",
    .plain_types = "string std",
    .has_arrays = true,
    .size_of = size_of_items,
    .plain_field = "%s",
    .plain_dialect = "c",
    .locale_statements = locale_statements};

std::optional<Type> type_of_name(std::string_view name) {
  const auto found =
      std::find_if(std::begin(type_names), std::end(type_names),
                   [&](const TypeName& known) { return known.name == without_std(name); });
  return found == std::end(type_names) ? std::nullopt : std::optional<Type>(found->type);
}

// Words with one blank between them: "unsigned long".
std::string ExpressionReader::read_type() {
  std::string out;
  for (;;) {
    skip_blanks();
    if (starts_with("::") && !out.empty()) {
      at_ += 2;
      out += "::";
    } else if (begins_name(peek())) {
      const bool joined = out.empty() || out.ends_with("::");
      (out += joined ? "" : " ") += read_word();
    } else {
      return out;
    }
  }
}

std::optional<std::string> ExpressionReader::read_cast() {
  if (peek() != '(') return std::nullopt;
  const std::size_t start = at_++;
  std::string type = read_type();
  const bool known = !at_end() && peek() == ')' && type_of_name(type);
  const std::size_t behind_stars = source_.find_first_not_of("* ", at_);
  const bool is_pointer = !type.empty() && peek() == '*' && behind_stars < source_.size() &&
                          source_[behind_stars] == ')';
  if (is_pointer) not_yet("casts to pointers are", start);
  if (!known) {
    at_ = start;
    return std::nullopt;
  }
  ++at_;
  return type;
}

bool ExpressionReader::read_named_cast(Node& node) {
  const std::size_t start = at_;
  at_ += std::string_view("static_cast<").size();
  node.kind = Node::Kind::cast;
  node.text = read_type();
  if (!type_of_name(node.text)) return not_yet("the type " + node.text + " is", start);
  if (!close('>', start)) return false;
  skip_blanks();
  if (peek() != '(') return syntax_error("a ( is expected here", start);
  ++at_;
  node.parts.emplace_back();
  if (!read(node.parts[0]) || !close(')', start)) return false;
  node.parts[0].enclosed = true;
  return true;
}

std::optional<std::size_t> ExpressionReader::size_of_type() {
  const std::size_t start = at_;
  if (peek() == '(') {
    ++at_;
    const auto type = type_of_name(read_type());
    skip_blanks();
    if (type && peek() == ')') {
      ++at_;
      return size_of(*type);
    }
  }
  at_ = start;
  return std::nullopt;
}

// The size of something: read over, for it may stand before a template, and never evaluated.
bool ExpressionReader::read_size(Node& node, std::size_t start) {
  skip_blanks();
  if (const auto size = size_of_type()) {
    node.kind = Node::Kind::constant;
    node.value = Value::whole(Type::u64, static_cast<int128>(*size));
    return true;
  }
  if (peek() == '(') {
    int depth = 0;
    do {
      depth += peek() == '(' ? 1 : peek() == ')' ? -1 : 0;
      ++at_;
    } while (depth > 0 && !at_end());
    if (depth > 0) return syntax_error("a closing ) is missing", start);
  } else {
    read_word();
  }
  node.kind = Node::Kind::call;
  Node name;
  name.kind = Node::Kind::name;
  name.text = "sizeof";
  node.parts.push_back(std::move(name));
  return true;
}

std::optional<bool> ExpressionReader::read_own(Node& node) {
  const char c = peek();
  const std::size_t start = at_;
  if (c == '"' || (edition_ == Edition::cpp && starts_with("R\""))) return read_texts(node);
  if (const auto literal = read_literal(node)) return literal;
  if (c == '[' && edition_ == Edition::cpp) return not_yet("lambdas are", start);
  if (!begins_name(c)) return std::nullopt;
  if (edition_ == Edition::cpp && starts_with("static_cast<")) return read_named_cast(node);
  if (edition_ == Edition::cpp) {
    if (const auto limit = read_limit(node)) return limit;
  }
  const std::string_view word = read_word();
  if (peek() == '"' || peek() == '\'') return not_yet("texts with a prefix are", start);
  if (word == "new" || word == "typeid")
    return not_yet("the word " + std::string(word) + " is", start);
  if (word == "sizeof") return read_size(node, start);
  if (auto known = known_constant(edition_, word)) {
    node.kind = Node::Kind::constant;
    node.value = std::move(*known);
    return true;
  }
  // bitset<8>(x)
  if (edition_ == Edition::cpp && peek() == '<' && is_digit(peek(1))) {
    ++at_;
    while (is_digit(peek())) ++at_;
    if (peek() == '>' && peek(1) == '(') {
      ++at_;
      node.kind = Node::Kind::name;
      node.text = source_.substr(start, at_ - start);
      return true;
    }
  }
  at_ = start;
  // int(x)
  const std::string type = edition_ == Edition::cpp ? read_type() : std::string();
  if (!type.empty() && peek() == '(' && type.find(' ') == std::string::npos && type_of_name(type)) {
    ++at_;
    node.kind = Node::Kind::cast;
    node.text = type;
    node.parts.emplace_back();
    if (!read(node.parts[0]) || !close(')', start)) return false;
    node.parts[0].enclosed = true;
    return true;
  }
  at_ = start;
  return std::nullopt;
}

Expressions::Expressions(Edition edition, const computed::Scope& scope)
    : Typed(scope, edition == Edition::c ? c_rules : cpp_rules), edition_(edition) {}

bool Expressions::cast(const Node& node, const Value& of, Value& out) {
  const auto type = type_of_name(node.text);
  if (!type) return not_yet("the type " + node.text + " is", node);
  if (!is_number(of)) {
    if (of.is(Type::text)) return not_yet("texts as numbers are", node);
    return not_yet("arithmetic with " + std::string(name_of(of.type())) + " is", node);
  }
  if (*type == Type::character) {
    Value byte;
    if (!convert(node, Type::i8, is_real(of.type()) ? of : promoted(of), byte)) return false;
    const int128 code = byte.as_whole();
    out = code >= 0 && edition_ == Edition::cpp ? Value::character(static_cast<char32_t>(code))
                                                : byte;
    return true;
  }
  return convert(node, *type, of, out);
}

// *name is name[0].
bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  if (node.operation == Operation::address) {
    // Functions take a struct tm by its address.
    out = operand;
    const bool is_time = members_of(operand) || operand.is(Type::time);
    return is_time || not_yet("an address here is", node);
  }
  if (node.operation != Operation::follow) return Typed::apply(node, operand, out);
  if (members_of(operand)) {
    out = operand;
    return true;
  }
  if (operand.is(Type::text) || operand.is(Type::list))
    return item(node, operand, Value::whole(Type::i32, 0), out);
  return not_yet("the operator * here is", node);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  if (!is_number(at) || is_real(at.type())) return refuse("an index is a whole number", node);
  const Integer index = computed::whole_of(at);
  if (of.is(Type::list)) {
    const auto items = of.as_list();
    if (index >= 0 && index < items.size()) {
      out = items[index.convert_to<std::size_t>()];
      return true;
    }
  } else if (of.is(Type::text)) {
    const std::string_view text = of.as_text();
    // The NUL that ends it.
    if (index == text.size()) {
      out = Value::character(U'\0');
      return true;
    }
    if (index >= 0 && index < text.size()) {
      const auto byte = static_cast<signed char>(text[index.convert_to<std::size_t>()]);
      out =
          byte >= 0 ? Value::character(static_cast<char32_t>(byte)) : Value::whole(Type::i8, byte);
      return true;
    }
  } else {
    return refuse("there is no item of " + describe(of), node);
  }
  return fail(computed::Trouble::When::undefined, {},
              "the index " + index.str() + " is beyond the end", node);
}

// Text of C++ is a std::string, but for a literal: an array of char.
bool Expressions::combine_others(const Node& node, Operation operation, const Value& left,
                                 const Value& right, Value& out) {
  const auto is_text = [](const Value& value) { return value.is(Type::text); };
  const auto is_literal = [](const Node& part) { return part.kind == Node::Kind::constant; };
  const bool is_joining = (is_text(left) && (is_text(right) || right.is(Type::character))) ||
                          (is_text(right) && left.is(Type::character));
  if (edition_ == Edition::c || !is_joining || node.kind != Node::Kind::binary)
    return Typed::combine_others(node, operation, left, right, out);
  const Node& a = node.parts[0];
  const Node& b = node.parts[1];
  const bool has_string = (is_text(left) && !is_literal(a) && a.kind != Node::Kind::condition) ||
                          (is_text(right) && !is_literal(b) && b.kind != Node::Kind::condition);
  if (!has_string) return not_yet("operators on literals of texts are", node);
  if (operation == Operation::add) {
    out = Value::text(text_of(left) + text_of(right));
    return true;
  }
  if (!computed::is_comparison(operation) || !is_text(left) || !is_text(right))
    return refuse("there is no such operator for these", node);
  const int order = left.as_text().compare(right.as_text());
  out = of_truth(computed::relates(operation, order <=> 0));
  return true;
}

}  // namespace inky::inline v1::c_language
