#include "contract.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/nearest_name.hpp"
#include "inky_margin/text/utf8.hpp"
#include "request.hpp"

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

constexpr std::string_view show_form = R"({"dialect": "c", "template": "%d", "values": [42]}.)";

Result<ShowRequest> read_request(std::string_view line) {
  ShowRequest request;
  std::string unit;
  std::string rounding;
  RequestReader in(line, show_keys, show_form);
  in.needs({"dialect"});
  in.dialect("dialect", request.dialect);
  in.text("template", request.source);
  in.text("locale", request.locale);
  in.text("width_of", unit);
  in.text("rounding", rounding);
  in.values("values", request.values);
  if (in.fault()) return *in.fault();
  request.plain = in.find("template") == nullptr;
  if (auto error = settle_locale(*request.dialect, request.locale)) return std::move(*error);
  if (in.find("width_of") != nullptr) {
    const Result<WidthUnit> given = width_unit_given(unit);
    if (!given) return given.error();
    request.width_of = *given;
  }
  if (in.find("rounding") != nullptr) {
    const Result<Rounding> given = rounding_given(*request.dialect, rounding);
    if (!given) return given.error();
    request.rounding = *given;
  }
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

std::string on_one_line(const JsonOut& json) {
  return json.dump(-1, ' ', false, JsonOut::error_handler_t::replace);
}

std::string spread(const JsonOut& json) {
  return json.dump(2, ' ', false, JsonOut::error_handler_t::replace) + "\n";
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

std::string error_line(const Error& error) {
  return on_one_line({{"error", to_json(error)}});
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
  return on_one_line(answer);
}

}  // namespace inky::cli
