// A user's own table of calls.

#include <toml++/toml.h>

#include <algorithm>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/scan/scan.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/places.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view keys[] = {"language", "name", "template", "dialect", "values"};
// More than any function has.
constexpr std::int64_t most_template_at = 99;

class TableReader {
 public:
  explicit TableReader(std::string_view text) : text_(text) {}

  Result<CallTable> read(const toml::table& table) {
    for (const auto& [key, node] : table) {
      if (key.str() != "call")
        return at(key.source(), Code::unknown_key, in_quotes(key.str()) + " is not a key here",
                  "Begin each call with [[call]].");
      const toml::array* calls = node.as_array();
      if (calls == nullptr) return needs_tables(node);
      for (const toml::node& call : *calls) {
        const toml::table* entry = call.as_table();
        if (entry == nullptr) return needs_tables(call);
        if (auto error = read_call(*entry)) return std::move(*error);
      }
    }
    return std::move(table_);
  }

 private:
  Error at(const toml::source_region& region, Code code, std::string message,
           std::string remedy) const {
    const std::size_t from = offset_of(text_, region.begin.line, region.begin.column);
    const std::size_t to = offset_of(text_, region.end.line, region.end.column);
    return {code, std::move(message), {from, std::max(from, to)}, std::move(remedy)};
  }
  Error needs_tables(const toml::node& node) const {
    return at(node.source(), Code::wrong_kind, "\"call\" is a list of tables",
              "Begin each call with [[call]].");
  }

  std::optional<Error> read_call(const toml::table& entry) {
    CallTable::Entry out{};
    for (const auto& [key, node] : entry) {
      if (auto error = read_key(key, node, out)) return error;
    }
    if (out.language == nullptr || out.form.name.empty())
      return at(entry.source(), Code::missing_key, "a call has a language and a name",
                "Write language = \"c\" and name = \"printf\".");
    if (out.form.dialect.empty()) out.form.dialect = out.language->dialect;
    table_.entries.push_back(std::move(out));
    return std::nullopt;
  }

  std::optional<Error> read_key(const toml::key& key, const toml::node& node,
                                CallTable::Entry& out) const {
    if (key.str() == "template") {
      const auto number = node.value_exact<std::int64_t>();
      if (!number || *number < 0 || *number > most_template_at)
        return at(node.source(), Code::wrong_kind, "\"template\" is a number from 0 to 99",
                  "It says which argument is the template, from 0.");
      out.form.template_at = static_cast<int>(*number);
      return std::nullopt;
    }
    if (std::find(std::begin(keys), std::end(keys), key.str()) == std::end(keys))
      return at(key.source(), Code::unknown_key, in_quotes(key.str()) + " is not a key of a call",
                choices_for(key.str(), keys));
    const auto text = node.value_exact<std::string>();
    if (!text)
      return at(node.source(), Code::wrong_kind, in_quotes(key.str()) + " is a text",
                "Write it in quotes.");
    return read_text(key.str(), *text, node.source(), out);
  }

  std::optional<Error> read_text(std::string_view key, const std::string& text,
                                 const toml::source_region& region, CallTable::Entry& out) const {
    if (key == "language") {
      out.language = find_language(text);
      if (out.language != nullptr) return std::nullopt;
      std::vector<std::string_view> ids;
      for (const SourceLanguage& language : all_languages()) ids.push_back(language.id);
      return at(region, Code::unknown_key, in_quotes(text) + " is not a language here",
                choices_for(text, ids));
    }
    if (key == "dialect") {
      if (find_dialect(text) == nullptr)
        return at(region, Code::unknown_dialect, in_quotes(text) + " is not a dialect",
                  "inky dialects lists them.");
      out.form.dialect = text;
      return std::nullopt;
    }
    if (key == "values") {
      if (text != "elsewhere")
        return at(region, Code::wrong_kind, "\"values\" is \"elsewhere\", or left out",
                  "They follow the template where it is left out.");
      out.form.shape = CallShape::template_only;
      return std::nullopt;
    }
    out.form.name = text;
    return std::nullopt;
  }

  std::string_view text_;
  CallTable table_;
};

}  // namespace

std::vector<CallForm> CallTable::calls_of(const SourceLanguage& language) const {
  std::vector<CallForm> out;
  for (const Entry& entry : entries) {
    if (entry.language != &language) continue;
    out.push_back(entry.form);
    // The shape of the language's own calls.
    const bool follows = entry.form.shape == CallShape::arguments && !language.calls.empty();
    if (follows && (language.calls[0].shape == CallShape::juxtaposed ||
                    language.calls[0].shape == CallShape::list))
      out.back().shape = language.calls[0].shape;
  }
  out.insert(out.end(), language.calls.begin(), language.calls.end());
  return out;
}

Result<CallTable> read_call_table(std::string_view text) {
  try {
    return TableReader(text).read(toml::parse(text));
  } catch (const toml::parse_error& error) {
    const auto& region = error.source();
    const std::size_t from = offset_of(text, region.begin.line, region.begin.column);
    return Error{Code::bad_call_table,
                 "the table of calls is not valid TOML: " + std::string(error.description()),
                 {from, from},
                 "Mend the marked place."};
  }
}

}  // namespace inky::inline v1
