#include "show_answer.hpp"

#include <array>

#include "answers.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "names.hpp"
#include "request.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::array<std::string_view, 8> show_keys = {
    "dialect", "template", "statement", "values", "locale", "width_of", "rounding", "settings"};
constexpr std::string_view show_form = R"({"dialect": "c", "template": "%d", "values": [42]}.)";

Result<ShowRequest> read_show_request(std::string_view line) {
  ShowRequest request;
  std::string unit;
  std::string locale;
  std::string rounding;
  RequestReader in(line, show_keys, show_form);
  in.needs({"dialect"});
  in.dialect("dialect", request.dialect);
  in.text("template", request.source);
  request.is_statement = in.find("statement") != nullptr;
  if (request.is_statement && in.find("template") != nullptr)
    in.fail({Code::contradiction,
             "a request has a template or a statement, and not both",
             {},
             "Leave one of them out."});
  in.text("statement", request.source);
  in.text("locale", locale);
  in.text("width_of", unit);
  in.text("rounding", rounding);
  in.values("values", request.values);
  std::vector<std::pair<std::string, std::string>> settings;
  in.texts_by_name("settings", settings);
  if (in.fault()) return *in.fault();
  request.plain = in.find("template") == nullptr && !request.is_statement;
  const auto take = [&](Result<Setting> given) -> std::optional<Error> {
    if (!given) return given.error();
    request.settings.push_back(*given);
    return std::nullopt;
  };
  for (const auto& [name, value] : settings) {
    if (name == "locale") request.asked_locale = value;
    if (auto error = take(setting_given(*request.dialect, name, value))) return std::move(*error);
  }
  if (!locale.empty()) {
    request.asked_locale = locale;
    if (auto error = take(setting_given(*request.dialect, "locale", locale)))
      return std::move(*error);
  }
  if (in.find("width_of") != nullptr) {
    const Result<WidthUnit> given = width_unit_given(unit);
    if (!given) return given.error();
    request.width_of = *given;
  }
  if (in.find("rounding") != nullptr) {
    if (auto error = take(rounding_given(*request.dialect, rounding))) return std::move(*error);
  }
  if (request.plain && request.values.size() != 1) {
    return Error{Code::missing_key,
                 "the key \"template\" is missing",
                 {},
                 "Without one, give one value, to have it printed plainly."};
  }
  return request;
}

void write_error_with_notes(const Error& error, JsonWriter& out) {
  write_error_member(error, out);
  write_notes({}, out);
}

void write_shown(const ShowRequest& request, JsonWriter& out) {
  TextBuffer text;
  if (request.plain) {
    const Outcome outcome = request.dialect->print_plainly(request.values[0], text);
    return write_outcome(outcome, text.view(), {}, out);
  }
  const Result<Template> parsed = request.is_statement
                                      ? parse_statement(*request.dialect, request.source)
                                      : request.dialect->parse(request.source);
  if (!parsed) return write_error_with_notes(parsed.error(), out);
  if (request.is_statement) out.member("dialect", parsed->dialect().facts().id);
  if (const std::string_view taken = request.options().setting("locale");
      taken != request.asked_locale)
    out.member("locale", taken);
  Report report;
  const Outcome outcome =
      parsed->dialect().render(*parsed, request.values, request.options(), text, &report);
  write_outcome(outcome, text.view(), report, out);
}

}  // namespace

std::string answer_show_line(std::string_view line) {
  const Result<ShowRequest> request = read_show_request(line);
  JsonWriter out;
  out.open_object();
  request ? write_shown(*request, out) : write_error_with_notes(request.error(), out);
  out.close_object();
  return out.string();
}

}  // namespace inky::inline v1
