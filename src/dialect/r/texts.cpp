// The functions that make texts, in expressions of R: paste and its like, the formatting calls, and
// what cat and print show.

#include <algorithm>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "vector_format.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

constexpr int usual_digits = 7;

}  // namespace

bool Expressions::paste(const Node& node, std::string_view name, const Arguments& arguments,
                        Value& out) {
  std::string separator = name == "paste0" ? "" : " ";
  std::optional<std::string> collapse;
  for (const auto& [key, value] : arguments.named) {
    std::string text;
    if (key != "sep" && key != "collapse") return not_yet("the argument " + key + " is", node);
    if (key == "collapse" && value.is(Type::list)) continue;
    if (!take_text(node, value, text)) return false;
    if (key == "collapse")
      collapse = text;
    else if (name == "paste")
      separator = text;
  }
  std::vector<Items> columns;
  std::size_t longest = 0;
  for (const Value& argument : arguments.values) {
    Mode mode = Mode::unknown;
    Items items;
    if (!take_items(node, argument, items, mode)) return false;
    for (Value& item : items) item = Value::text(as_character(item, mode));
    if (items.empty()) continue;
    longest = std::max(longest, items.size());
    columns.push_back(std::move(items));
  }
  Items made;
  for (std::size_t i = 0; i < longest; ++i) {
    std::string text;
    for (std::size_t k = 0; k < columns.size(); ++k) {
      if (k > 0) text += separator;
      text += columns[k][i % columns[k].size()].as_text();
    }
    made.push_back(Value::text(std::move(text)));
  }
  if (collapse) {
    std::string all;
    for (std::size_t i = 0; i < made.size(); ++i) {
      if (i > 0) all += *collapse;
      all += made[i].as_text();
    }
    out = Value::text(std::move(all));
    return true;
  }
  out = vector_of(std::move(made));
  return true;
}

bool Expressions::call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  const std::size_t count = arguments.size();
  const bool is_known = name == "nchar" || name == "toupper" || name == "tolower" ||
                        name == "trimws" || name == "strrep" || name == "substr" ||
                        name == "substring" || name == "toString";
  if (!is_known || count == 0 || !arguments.named.empty())
    return not_yet("the function " + std::string(name) + " with these arguments is", node);
  if (!take_items(node, arguments[0], items, mode)) return false;
  if (name == "toString" && count == 1) {
    std::string all;
    for (std::size_t i = 0; i < items.size(); ++i)
      all += (i > 0 ? ", " : "") + as_character(items[i], mode);
    out = Value::text(std::move(all));
    return true;
  }
  // The numbers behind the text, each by itself or one for all.
  Items numbers[2];
  const bool cuts = name == "substr" || name == "substring";
  constexpr std::int64_t most = 1'000'000;
  if (cuts || name == "strrep") {
    const std::size_t least = name == "substr" ? 3 : 2;
    if (count < least || count > (cuts ? 3U : 2U))
      return not_yet(std::string(name) + " with these arguments is", node);
    for (std::size_t i = 1; i < count; ++i) {
      if (!take_numbers(node, arguments[i], numbers[i - 1], mode)) return false;
      if (numbers[i - 1].empty()) return not_yet(std::string(name) + " of these is", node);
    }
    if (count == 2) numbers[1] = {Value::whole(Type::i32, most)};
    const std::size_t longest = std::max(numbers[0].size(), numbers[1].size());
    if (name == "substr" && longest > 1) return not_yet("substr of these is", node);
    if (!items.empty() && longest > items.size()) {
      const Items once = items;
      while (items.size() < longest) items.push_back(once[items.size() % once.size()]);
    }
  } else if (count != 1) {
    return not_yet(std::string(name) + " with these arguments is", node);
  }
  mode = mode_of(arguments[0]);
  for (std::size_t place = 0; place < items.size(); ++place) {
    Value& item = items[place];
    if (item.is(Type::nil)) return not_yet(std::string(name) + " of NA is", node);
    const std::string text = as_character(item, mode);
    if (name == "nchar") {
      std::int64_t size = 0;
      for (std::string_view rest = text; !rest.empty(); ++size)
        rest.remove_prefix(static_cast<std::size_t>(first_code_point(rest)->bytes));
      item = Value::whole(Type::i32, size);
      continue;
    }
    if (!is_ascii(text)) return not_yet(std::string(name) + " of this text is", node);
    if (name == "toupper" || name == "tolower") {
      item = Value::text(name == "toupper" ? upper_case(text) : lower_case(text));
      continue;
    }
    if (name == "trimws") {
      constexpr std::string_view blanks = " \t\r\n";
      const std::size_t from = std::min(text.find_first_not_of(blanks), text.size());
      const std::size_t to = text.find_last_not_of(blanks) + 1;
      item = Value::text(text.substr(from, std::max(to, from) - from));
      continue;
    }
    std::int64_t first = 0;
    std::int64_t last = most;
    if (!take_whole(node, numbers[0][place % numbers[0].size()], first) ||
        (cuts && !take_whole(node, numbers[1][place % numbers[1].size()], last)))
      return false;
    if (name == "strrep") {
      if (first < 0 || static_cast<std::size_t>(first) > most_output / (text.size() + 1))
        return not_yet("such a count is", node);
      std::string made;
      for (std::int64_t i = 0; i < first; ++i) made += text;
      item = Value::text(std::move(made));
    } else {
      const std::int64_t from = std::max<std::int64_t>(first, 1);
      const std::int64_t to = std::min<std::int64_t>(last, static_cast<std::int64_t>(text.size()));
      item = Value::text(from > to ? std::string()
                                   : text.substr(static_cast<std::size_t>(from - 1),
                                                 static_cast<std::size_t>(to - from + 1)));
    }
  }
  out = vector_of(std::move(items));
  return true;
}

// sprintf of vectors: a text for each element, the shorter ones again from their beginning.
bool Expressions::fill_each(const Node& node, const Arguments& arguments, Value& out) {
  std::vector<Items> columns;
  std::size_t longest = 1;
  for (const Value& argument : std::span<const Value>(arguments.values).subspan(1)) {
    Mode mode = Mode::unknown;
    columns.emplace_back();
    if (!take_items(node, argument, columns.back(), mode)) return false;
    if (columns.back().empty()) return not_yet("sprintf of nothing is", node);
    // One format for all of them: a number among texts is a text.
    for (Value& item : columns.back()) {
      const bool differs =
          columns.back().size() > 1 && !item.is(Type::nil) && mode_of(item) != mode;
      if (differs) return not_yet("a vector of several types here is", node);
    }
    longest = std::max(longest, columns.back().size());
  }
  Items made(longest);
  for (std::size_t i = 0; i < longest; ++i) {
    std::vector<Value> values;
    values.reserve(columns.size());
    for (const Items& items : columns) values.push_back(items[i % items.size()]);
    if (!fill(node, *r_dialect(), arguments[0].as_text(), values, made[i])) return false;
  }
  out = vector_of(std::move(made));
  return true;
}

// format, formatC, prettyNum: by the dialect of these calls; sprintf by its own.
bool Expressions::call_facility(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  if (name == "sprintf") {
    const bool is_plain =
        arguments.size() > 0 && arguments[0].is(Type::text) && arguments.named.empty();
    if (!is_plain) return not_yet("sprintf of these is", node);
    return fill_each(node, arguments, out);
  }
  std::string call = std::string(name) + "(";
  std::vector<Value> values;
  const auto add = [&](const std::string& key, const Value& value) {
    if (call.back() != '(') call += ", ";
    if (!key.empty()) call += key + " = ";
    call += "v" + std::to_string(values.size());
    values.push_back(value);
    values.back().set_name("v" + std::to_string(values.size() - 1));
  };
  for (const Value& value : arguments.values) add({}, value);
  for (const auto& [key, value] : arguments.named) add(key, value);
  const Result<Template> parsed = r_format_dialect()->parse(call + ")");
  if (!parsed) return not_yet("this call is", node);
  TextBuffer text;
  Report report;
  const Outcome outcome = r_format_dialect()->render(*parsed, values, {}, text, &report);
  if (outcome.kind() == Outcome::Kind::fails_run)
    return fail(computed::Trouble::When::run, outcome.failure_name(), outcome.why(), node);
  if (!outcome.prints()) return not_yet("this call with these values is", node);
  const std::string made = text.string();
  if (!report.texts) {
    out = Value::text(made);
    return true;
  }
  Items items;
  for (const Span& place : *report.texts)
    items.push_back(Value::text(made.substr(place.from, place.to - place.from)));
  out = vector_of(std::move(items));
  return true;
}

// cat shows numbers to seven digits, each by itself. writeLines and message end with a new line.
bool Expressions::cat(const Node& node, const Arguments& arguments, Value& out) {
  const std::string name = computed::path_of(node.parts[0]);
  std::string separator = name == "cat" ? " " : name == "message" ? "" : "\n";
  for (const auto& [key, value] : arguments.named) {
    if (key != "sep" || name == "message" || !take_text(node, value, separator))
      return not_yet("the argument " + key + " is", node);
  }
  std::string text;
  bool is_first = true;
  for (const Value& argument : arguments.values) {
    Items items;
    Mode mode = Mode::unknown;
    if (argument.is(Type::complex)) {
      // As print() shows it, without its number.
      std::string shown;
      if (!print_value(node, argument, {}, shown)) return false;
      constexpr std::size_t label = 4;  // "[1] "
      text += (is_first ? "" : separator) + shown.substr(label, shown.size() - label - 1);
      is_first = false;
      continue;
    }
    const Value flat = is_matrix(argument) ? Value::list(matrix_of(argument).items) : argument;
    if (!take_items(node, flat, items, mode)) return false;
    const bool is_na =
        !items.empty() && std::all_of(items.begin(), items.end(),
                                      [](const Value& item) { return item.is(Type::nil); });
    if (name == "writeLines" && is_na) return not_yet("writeLines of NA is", node);
    if (name == "writeLines" && mode != Mode::character)
      return raise("can only write character objects", node);
    for (const Value& item : items) {
      if (!is_first) text += separator;
      is_first = false;
      const bool rounds = name == "cat" && mode == Mode::real && !item.is(Type::nil);
      text += rounds ? real_text(nearest_f64(item), usual_digits) : as_character(item, mode);
    }
  }
  // So does cat where a new line separates: observed on R 4.2.2.
  const bool ends_line = name != "cat" || separator.find('\n') != std::string::npos;
  if (ends_line) text += "\n";
  out = Value::text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::r_language
