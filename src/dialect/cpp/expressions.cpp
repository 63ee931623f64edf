#include "expressions.hpp"

#include <algorithm>
#include <string>

#include "../c/struct_tm.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "stream_money.hpp"

namespace inky::inline v1 {

namespace {

// std::quoted: ISO C++20, [quoted.manip].
std::string quoted(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') out += '\\';
    out += c;
  }
  return out + '"';
}

// Calls that we look for in the user's program. We only read them: nothing here calls setlocale() or imbue().
constexpr LocaleStatementFact locale_statements[] = {
    {"std::cout.imbue(std::locale(", "))", "cpp-stream"},
    {"cout.imbue(std::locale(", "))", "cpp-stream"},
    {"cout.imbue(locale(", "))", "cpp-stream"},
    {"std::setlocale(LC_ALL,", ")", "c"},
    {"setlocale(LC_ALL,", ")", "c"},
    {"std::setlocale(LC_NUMERIC,", ")", "c"},
    {"setlocale(LC_NUMERIC,", ")", "c"}};

constexpr PrintFact prints[] = {{"std::println", "\n"}, {"println", "\n"}};

constexpr ListChangeFact list_changes[] = {
    {"{}.push_back(?)", ListChange::Kind::add},
    {"{}.emplace_back(?)", ListChange::Kind::add},
    {"{}.pop_back()", ListChange::Kind::drop_last},
    {"{}.clear()", ListChange::Kind::clear},
    {"sort({}.begin(), {}.end())", ListChange::Kind::sort},
    {"std::sort({}.begin(), {}.end())", ListChange::Kind::sort},
    {"reverse({}.begin(), {}.end())", ListChange::Kind::reverse},
    {"std::reverse({}.begin(), {}.end())", ListChange::Kind::reverse}};

}  // namespace

const ExpressionForm cpp_expressions = {
    .read_declaration = c_language::read_definition,
    .grammar = &c_language::grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<c_language::ExpressionReader>(c_language::Edition::cpp, out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<CppExpressions>(scope);
    },
    .prints = prints,
    .ends = ";",
    .silent_words = "#include using",
    .is_silent = c_language::declares_struct_tm,
    .blocks = Blocks::braces,
    .lasting_words =
        "fixed scientific hexfloat defaultfloat hex oct dec left right internal showpos noshowpos "
        "showbase noshowbase showpoint noshowpoint uppercase nouppercase boolalpha noboolalpha "
        "width setprecision setfill setbase setiosflags resetiosflags precision fill flags setf "
        "unsetf "
        "unitbuf nounitbuf imbue copyfmt",
    .counts = true,
    .declares_types = true,
    .modifiers = "const static constexpr auto",
    .plain_types = "string std",
    .has_arrays = true,
    .list_types = "vector array deque list",
    .list_changes = list_changes,
    .size_of = c_language::size_of_items,
    .locale_statements = locale_statements};

bool is_put_time(const computed::Node& node) {
  return node.kind == computed::Node::Kind::call &&
         c_language::without_std(computed::path_of(node.parts[0])) == "put_time";
}

std::optional<bool> CppExpressions::evaluate_own(const computed::Node& node, Value& out) {
  using Of = computed::Node::Kind;
  if (const auto range = evaluate_range(node, out)) return range;
  if (node.kind == Of::name && c_language::without_std(node.text) == "string::npos") {
    out = Value::whole(Type::u64, (int128{1} << 64) - 1);
    return true;
  }
  if (is_put_time(node)) return put_time(node, out);
  return Expressions::evaluate_own(node, out);
}

namespace {

// The digits that put_money() takes of an amount, behind a minus where it is below zero.
std::optional<std::string> money_digits(const Value& value) {
  if (value.is(Type::text)) {
    const std::string_view text = value.as_text();
    const std::size_t first = text.starts_with('-') ? 1 : 0;
    const std::size_t end = std::min(text.find_first_not_of("0123456789", first), text.size());
    return end == first ? std::string() : std::string(text.substr(0, end));
  }
  const bool is_number =
      is_whole(value.type()) || value.is(Type::f64) || value.is(Type::f32) || value.is(Type::f80);
  if (!is_number || value.is(Type::big)) return std::nullopt;
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = 0;
  BinaryReal real;
  if (is_whole(value.type())) {
    WholeRoom room;
    const int128 number = value.as_whole();
    return (number < 0 ? "-" : "") +
           std::string(write_whole(magnitude_of(number), 10, Letters::lower, room));
  }
  real = value.is(Type::f80) ? value.as_real() : nearest_f64(value);
  if (!real.is_finite()) return std::nullopt;
  TextBuffer out;
  lay_out_real(spec, value.is(Type::f80) ? extended80 : binary64, real, {}, out);
  return out.string();
}

}  // namespace

// A list is a std::vector; at() of it is checked, and [] is not.
bool CppExpressions::call_method(const computed::Node& node, const Value& of,
                                 const computed::Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  if (of.is(Type::list)) return call_on_list(node, of, arguments, out);
  const bool searches = name == "find" || name == "rfind";
  if (!of.is(Type::text) || !searches || arguments.size() != 1 ||
      !is_text_or_character(arguments[0]))
    return Expressions::call_method(node, of, arguments, out);
  const std::string other = text_of(arguments[0]);
  const std::size_t at = name == "find" ? of.as_text().find(other) : of.as_text().rfind(other);
  out = Value::whole(Type::u64, static_cast<int128>(at));
  return true;
}

bool CppExpressions::call_on_list(const computed::Node& node, const Value& of,
                                  const computed::Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const auto items = of.as_list();
  const bool is_plain = arguments.size() == 0;
  if (name == "size" && is_plain) {
    out = Value::whole(Type::u64, static_cast<int128>(items.size()));
  } else if (name == "empty" && is_plain) {
    out = Value::truth(items.empty());
  } else if ((name == "front" || name == "back") && is_plain) {
    if (items.empty())
      return fail(computed::Trouble::When::undefined, {}, "there is no item in it", node);
    out = name == "front" ? items.front() : items.back();
  } else if (name == "at" && arguments.size() == 1 && is_whole(arguments[0].type())) {
    const Integer at = computed::whole_of(arguments[0]);
    if (at < 0 || at >= items.size())
      return fail(computed::Trouble::When::run, "std::out_of_range", "the index is beyond the end",
                  node);
    out = items[at.convert_to<std::size_t>()];
  } else {
    return not_yet("the method " + name + " is", node);
  }
  return true;
}

// The list that two arguments go through, items.begin() and items.end(); null where they are others.
const computed::Node* CppExpressions::ranged(const computed::Node& node) {
  const auto base = [](const computed::Node& part, std::string_view method) {
    const bool is_call = part.kind == computed::Node::Kind::call && part.parts.size() == 1 &&
                         part.parts[0].kind == computed::Node::Kind::member &&
                         part.parts[0].text == method;
    return is_call && part.parts[0].parts[0].kind == computed::Node::Kind::name
               ? &part.parts[0].parts[0]
               : nullptr;
  };
  if (node.parts.size() < 3) return nullptr;
  const computed::Node* first = base(node.parts[1], "begin");
  const computed::Node* last = base(node.parts[2], "end");
  return first != nullptr && last != nullptr && first->text == last->text ? first : nullptr;
}

// *max_element(v.begin(), v.end()), accumulate(v.begin(), v.end(), 0.0), count(...): ISO C++20,
// [alg.min.max], [accumulate] and [alg.count].
std::optional<bool> CppExpressions::evaluate_range(const computed::Node& node, Value& out) {
  using Of = computed::Node::Kind;
  const bool follows = node.kind == Of::unary && node.operation == computed::Operation::follow;
  const computed::Node& inner = follows ? node.parts[0] : node;
  if (inner.kind != Of::call) return std::nullopt;
  const std::string path = computed::path_of(inner.parts[0]);
  const std::string_view name = c_language::without_std(path);
  const bool is_extreme = follows && (name == "max_element" || name == "min_element");
  const bool is_known = is_extreme || (!follows && (name == "accumulate" || name == "count"));
  const computed::Node* list = is_known ? ranged(inner) : nullptr;
  if (list == nullptr) return std::nullopt;
  Value items;
  if (!evaluate_again(*list, items)) return false;
  const bool has_count = inner.parts.size() == (is_extreme ? 3U : 4U);
  if (!items.is(Type::list) || !has_count)
    return not_yet("the function " + path + " with these arguments is", node);
  const auto all = items.as_list();
  const bool are_numbers =
      std::all_of(all.begin(), all.end(), [&](const Value& one) { return is_number(one); });
  if (!are_numbers || (is_extreme && all.empty()))
    return not_yet("the function " + path + " of these is", node);
  if (is_extreme) {
    out = all[0];
    for (const Value& one : all) {
      const auto order = computed::compare(one, out);
      if (name == "max_element" ? std::is_gt(order) : std::is_lt(order)) out = one;
    }
    return true;
  }
  Value other;
  if (!evaluate_again(inner.parts[3], other)) return false;
  if (!is_number(other)) return not_yet("the function " + path + " of these is", node);
  if (name == "count") {
    const auto equal = std::count_if(all.begin(), all.end(), [&](const Value& one) {
      return std::is_eq(computed::compare(one, other));
    });
    out = Value::whole(Type::i64, equal);
    return true;
  }
  // The sum has the type of what it begins with.
  out = other;
  for (const Value& one : all) {
    Value sum;
    if (!combine(inner, computed::Operation::add, out, one, sum)) return false;
    if (!convert(inner, other.type(), sum, out)) return false;
  }
  return true;
}

// stoi, stol, stod: ISO C++20, [string.conversions], of texts that are nothing but a number.
std::optional<bool> CppExpressions::read_number(const computed::Node& node, std::string_view name,
                                                const computed::Arguments& arguments, Value& out) {
  const std::pair<std::string_view, Type> known[] = {
      {"stoi", Type::i32}, {"stol", Type::i64}, {"stoll", Type::i64}, {"stod", Type::f64}};
  for (const auto& [word, type] : known) {
    if (word != name) continue;
    const bool is_text = arguments.size() == 1 && arguments[0].is(Type::text);
    const std::string_view text = is_text ? arguments[0].as_text() : std::string_view();
    const std::size_t sign = text.starts_with('-') ? 1 : 0;
    const bool is_plain = sign < text.size() && text.size() < 40 &&
                          text.find_first_not_of(type == Type::f64 ? "0123456789." : "0123456789",
                                                 sign) == std::string_view::npos;
    if (!is_plain) return not_yet("reading this text is", node);
    const auto value = read_typed(type, text);
    if (!value) return not_yet("reading this text is", node);
    out = *value;
    return true;
  }
  return std::nullopt;
}

bool CppExpressions::call(const computed::Node& node, const std::string& path,
                          const computed::Arguments& arguments, Value& out) {
  const std::string_view name = c_language::without_std(path);
  if (const auto number = read_number(node, name, arguments, out)) return *number;
  if (name == "quoted" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = Value::text(quoted(arguments[0].as_text()));
    return true;
  }
  if (name == "put_money" && arguments.size() > 0 && arguments.size() < 3) {
    const auto digits = money_digits(arguments[0]);
    const bool is_plain = arguments.size() == 1 || arguments[1].is(Type::truth);
    if (!digits || !is_plain) return not_yet("put_money of this is", node);
    const bool by_code = arguments.size() == 2 && arguments[1].as_whole() != 0;
    out = computed::object_of(cpp_stream::money_object,
                              {Value::text(*digits), Value::truth(by_code)});
    return true;
  }
  if (name != "format" || arguments.size() == 0 || !arguments[0].is(Type::text))
    return Expressions::call(node, path, arguments, out);
  return fill(node, *cpp_format_dialect(), arguments[0].as_text(),
              std::span<const Value>(arguments.values).subspan(1), out);
}

}  // namespace inky::inline v1
