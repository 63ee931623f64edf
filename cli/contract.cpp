#include "contract.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/nearest_name.hpp"
#include "inky_margin/text/utf8.hpp"
#include "json_reader.hpp"

namespace inky::cli {

namespace {

constexpr std::array<std::string_view, 6> show_keys = {"dialect", "template", "values",
                                                       "locale",  "width_of", "rounding"};

JsonOut span_json(const Span& span) {
  return JsonOut::array({span.from, span.to});
}

Error key_error(Code code, std::string message, std::string remedy) {
  return {code, std::move(message), {}, std::move(remedy)};
}

Error wrong_kind(std::string_view key, std::string_view kind) {
  return key_error(Code::wrong_kind,
                   "the key " + in_quotes(key) + " must be a " + std::string(kind),
                   "docs/contract.md describes the request.");
}

std::optional<Error> check_keys(const Json& json) {
  for (const auto& [key, value] : json.members) {
    if (std::find(show_keys.begin(), show_keys.end(), key) != show_keys.end()) continue;
    const std::string_view near = nearest_name(key, show_keys);
    return key_error(Code::unknown_key, "the key " + in_quotes(key) + " is unknown",
                     near.empty() ? "docs/contract.md lists the keys."
                                  : "Did you mean " + in_quotes(near) + "?");
  }
  return std::nullopt;
}

// A text member; empty when it is not there.
std::optional<Error> take_text(const Json& json, std::string_view key, std::string& out) {
  const Json* member = json.find(key);
  if (member == nullptr) return std::nullopt;
  if (member->kind != Json::Kind::text) return wrong_kind(key, "string");
  out = member->text;
  return std::nullopt;
}

std::optional<Error> take_values(const Json& json, std::vector<Value>& out) {
  const Json* values = json.find("values");
  if (values == nullptr) return std::nullopt;
  if (values->kind != Json::Kind::list) return wrong_kind("values", "list");
  for (const Json& item : values->items) {
    Result<Value> value = value_of(item);
    if (!value) {
      value.error().message =
          "value " + std::to_string(out.size() + 1) + ": " + value.error().message;
      return value.error();
    }
    out.push_back(std::move(*value));
  }
  return std::nullopt;
}

Result<ShowRequest> read_request(std::string_view line) {
  const Result<Json> json = read_json(line);
  if (!json) return json.error();
  if (json->kind != Json::Kind::object) {
    return key_error(Code::bad_json, "a request is a JSON object",
                     "Write {\"dialect\": \"c\", \"template\": \"%d\", \"values\": [42]}.");
  }
  if (auto error = check_keys(*json)) return std::move(*error);
  ShowRequest request;
  std::string id;
  std::string unit;
  std::string rounding;
  if (json->find("dialect") == nullptr)
    return key_error(Code::missing_key, "the key \"dialect\" is missing",
                     "docs/contract.md describes the request.");
  request.plain = json->find("template") == nullptr;
  if (auto error = take_text(*json, "dialect", id)) return std::move(*error);
  if (auto error = take_text(*json, "template", request.source)) return std::move(*error);
  if (auto error = take_text(*json, "locale", request.locale)) return std::move(*error);
  if (auto error = take_text(*json, "width_of", unit)) return std::move(*error);
  if (auto error = take_text(*json, "rounding", rounding)) return std::move(*error);
  const Result<const Dialect*> dialect = dialect_named(id);
  if (!dialect) return dialect.error();
  request.dialect = *dialect;
  if (auto error = settle_locale(*request.dialect, request.locale)) return std::move(*error);
  if (json->find("width_of") != nullptr) {
    const Result<WidthUnit> given = width_unit_given(unit);
    if (!given) return given.error();
    request.width_of = *given;
  }
  if (json->find("rounding") != nullptr) {
    const Result<Rounding> given = rounding_given(*request.dialect, rounding);
    if (!given) return given.error();
    request.rounding = *given;
  }
  if (auto error = take_values(*json, request.values)) return std::move(*error);
  if (request.plain && request.values.size() != 1) {
    return key_error(Code::missing_key, "the key \"template\" is missing",
                     "Without one, give one value, to have it printed plainly.");
  }
  return request;
}

JsonOut answer_request(const ShowRequest& request) {
  if (request.plain) {
    TextBuffer out;
    const Outcome outcome = request.dialect->print_plainly(request.values[0], out);
    return answer_of(outcome, out.view(), {});
  }
  const Result<Template> parsed = request.dialect->parse(request.source);
  if (!parsed) return {{"error", to_json(parsed.error())}, {"notes", JsonOut::array()}};
  TextBuffer out;
  Report report;
  const Outcome outcome =
      request.dialect->render(*parsed, request.values, request.options(), out, &report);
  return answer_of(outcome, out.view(), report);
}

}  // namespace

Result<const Dialect*> dialect_named(std::string_view id) {
  if (const Dialect* dialect = find_dialect(id)) return dialect;
  std::vector<std::string_view> ids;
  for (const Dialect* dialect : all_dialects()) ids.push_back(dialect->facts().id);
  std::string listed;
  for (const std::string_view known : ids)
    listed += (listed.empty() ? "" : ", ") + std::string(known);
  const std::string_view near = nearest_name(id, ids);
  return key_error(Code::unknown_dialect, in_quotes(id) + " is not a dialect",
                   near.empty() ? "The dialects are: " + listed + "."
                                : "Did you mean " + std::string(near) + "?");
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
  return value->type();
}

std::optional<Error> settle_locale(const Dialect& dialect, std::string& locale) {
  const auto& known = dialect.facts().locales;
  std::string tag = locale;
  std::replace(tag.begin(), tag.end(), '_', '-');
  if (std::find(known.begin(), known.end(), tag) != known.end()) locale = tag;
  if (locale.empty() || std::find(known.begin(), known.end(), locale) != known.end())
    return std::nullopt;
  std::string listed;
  for (const std::string_view name : known)
    listed += (listed.empty() ? "" : ", ") + std::string(name);
  return key_error(Code::not_supported_yet,
                   "the locale " + in_quotes(locale) + " is not supported yet",
                   "Choose one of: " + listed + ".");
}

Result<WidthUnit> width_unit_given(std::string_view name) {
  if (const auto unit = width_unit_named(name)) return *unit;
  return key_error(Code::bad_value, "a width cannot count " + in_quotes(name),
                   "Choose one of: bytes, code-points, utf16-units, columns.");
}

Result<Rounding> rounding_given(const Dialect& dialect, std::string_view name) {
  const auto rounding = rounding_named(name);
  if (!rounding) {
    return key_error(Code::bad_value, in_quotes(name) + " is no rounding",
                     "Choose one of: half-even, half-away, half-toward, up, down, away, toward.");
  }
  if (!dialect.facts().rounding_is_chosen) {
    return key_error(Code::contradiction,
                     std::string(dialect.facts().id) + " has one rounding, " +
                         std::string(name_of(dialect.facts().rounding)) + ", and leaves no choice",
                     "Leave it out, or see inky round for every rounding of a number.");
  }
  return *rounding;
}

JsonOut to_json(const Note& note) {
  return {{"code", name_of(note.code)}, {"message", note.message}, {"span", span_json(note.span)}};
}

JsonOut to_json(const Error& error) {
  JsonOut out = {
      {"code", name_of(error.code)}, {"message", error.message}, {"span", span_json(error.span)}};
  if (!error.remedy.empty()) out["remedy"] = error.remedy;
  return out;
}

JsonOut to_json(const Notes& notes) {
  JsonOut out = JsonOut::array();
  for (const Note& note : notes) out.push_back(to_json(note));
  return out;
}

JsonOut answer_of(const Outcome& outcome, std::string_view text, const Report& report) {
  JsonOut out = JsonOut::object();
  switch (outcome.kind()) {
    case Outcome::Kind::prints:
      if (report.texts && std::all_of(report.texts->begin(), report.texts->end(), [&](Span span) {
            return is_utf8(text.substr(span.from, span.to - span.from));
          })) {
        out["texts"] = JsonOut::array();
        for (const Span& span : *report.texts)
          out["texts"].push_back(text.substr(span.from, span.to - span.from));
      } else if (is_utf8(text))
        out["text"] = text;
      else
        out["bytes"] = to_hexadecimal(text);
      break;
    case Outcome::Kind::undefined:
      out["undefined"] = {{"why", outcome.why()}};
      break;
    case Outcome::Kind::error:
      out["error"] = to_json(outcome.as_error());
      break;
    default:
      out["fails"] = {{"when", outcome.kind() == Outcome::Kind::fails_compile ? "compile" : "run"},
                      {"as", outcome.failure_name()},
                      {"why", outcome.why()}};
  }
  out["notes"] = to_json(report.notes);
  return out;
}

std::string answer_show_line(std::string_view line) {
  const Result<ShowRequest> request = read_request(line);
  const JsonOut answer =
      request ? answer_request(*request)
              : JsonOut{{"error", to_json(request.error())}, {"notes", JsonOut::array()}};
  // Messages may quote bytes of a bad request; what is not UTF-8 in them is replaced.
  return answer.dump(-1, ' ', false, JsonOut::error_handler_t::replace);
}

}  // namespace inky::cli
