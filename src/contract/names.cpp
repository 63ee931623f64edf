#include "names.hpp"

#include <algorithm>

#include "format/type_names.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

namespace {

Error key_error(Code code, std::string message, std::string remedy) {
  return {code, std::move(message), {}, std::move(remedy)};
}

}  // namespace

Result<const Dialect*> dialect_named(std::string_view id) {
  if (const Dialect* dialect = find_dialect(id)) return dialect;
  std::vector<std::string_view> ids;
  for (const Dialect* dialect : all_dialects()) ids.push_back(dialect->facts().id);
  return key_error(Code::unknown_dialect, in_quotes(id) + " is not a dialect",
                   choices_for(id, ids));
}

Result<std::vector<const Dialect*>> dialects_named(std::span<const std::string> ids,
                                                   const Dialect* but) {
  std::vector<const Dialect*> out;
  for (const std::string& id : ids) {
    if (id == "all") {
      for (const Dialect* dialect : all_dialects()) {
        if (dialect != but) out.push_back(dialect);
      }
      continue;
    }
    const Result<const Dialect*> dialect = dialect_named(id);
    if (!dialect) return dialect.error();
    out.push_back(*dialect);
  }
  return out;
}

Result<std::vector<const Dialect*>> dialects_listed(std::string_view ids, const Dialect* but) {
  std::vector<std::string> split(1);
  for (const char c : ids) {
    if (c == ',')
      split.emplace_back();
    else
      split.back() += c;
  }
  return dialects_named(split, but);
}

Result<Type> value_type_given(std::string_view text) {
  if (const auto type = type_named(text)) return *type;
  const Result<Value> value = read_value(text);
  if (!value) return value.error();
  if (value->type() == Type::text && looks_like_type(text)) {
    Error error =
        key_error(Code::unknown_type, in_quotes(text) + " is not a type",
                  choices_for(text, type_names()) + " A text is " + std::string(text) + ":text.");
    error.span = {0, text.size()};
    return error;
  }
  return value->type();
}

Result<Setting> setting_given(const Dialect& dialect, std::string_view name,
                              std::string_view value) {
  if (const SettingFact* fact = find_setting(dialect.facts(), name)) {
    if (const auto known = find_value(*fact, value)) return Setting{fact->name, *known};
  }
  return *find_fault(dialect.facts(), {name, value});
}

Result<Setting> setting_given(const Dialect& dialect, std::string_view given) {
  const std::size_t sign = given.find('=');
  if (sign == std::string_view::npos) {
    return key_error(Code::bad_value, in_quotes(given) + " is no setting",
                     "Write its name, = and its value, as in locale=de-DE.");
  }
  return setting_given(dialect, given.substr(0, sign), given.substr(sign + 1));
}

Result<WidthUnit> width_unit_given(std::string_view name) {
  if (const auto unit = width_unit_named(name)) return *unit;
  return key_error(Code::bad_value, "a width cannot count " + in_quotes(name),
                   choices_for(name, width_unit_names));
}

Result<Setting> rounding_given(const Dialect& dialect, std::string_view name) {
  const DialectFacts& facts = dialect.facts();
  if (!rounding_named(name)) {
    return key_error(Code::bad_value, in_quotes(name) + " is no rounding",
                     choices_for(name, rounding_names));
  }
  if (find_setting(facts, "rounding") == nullptr) {
    return key_error(Code::contradiction,
                     std::string(facts.id) + " has one rounding, " +
                         std::string(name_of(facts.rounding.rule)) + ", and leaves no choice",
                     "Leave it out, or see inky round for every rounding of a number.");
  }
  return setting_given(dialect, "rounding", name);
}

}  // namespace inky::inline v1
