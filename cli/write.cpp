// inky write: a wish as each language's source.

#include <algorithm>
#include <array>
#include <map>
#include <memory>

#include "command.hpp"
#include "contract.hpp"
#include "inky_margin/text/escape.hpp"
#include "request.hpp"
#include "screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* examples = R"(Examples:
  inky write --kind real --places 2 --width 10           in every language
  inky write --places 2 --group , --to java,python 1234.5
  inky write --kind whole --base 16 --width 8 --align inner --fill 0 255
  inky write --jsonl < requests.jsonl                    for machines; docs/contract.md

Wishes: kind, align, fill, width, sign, notation, places, significant, least_digits,
keep_point, base, prefix, letters, group, point, limit, rounding; each an option.
The wishes of a field that stands somewhere already are in inky show --json.
Exit status: 0 written everywhere, 1 some language cannot, 2 bad request.)";

struct Options {
  std::map<std::string, std::string> wishes;
  std::string value;
  std::string to = "all";
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

struct Request {
  Spec wish;
  Value value;
  std::vector<const Dialect*> to;
};

// A value to show it with, where none is given.
Value sample_of(Kind kind) {
  constexpr int some_whole = 1234;
  constexpr double some_real = 1234.5;
  switch (kind) {
    case Kind::whole:
      return Value::whole(Type::i32, some_whole);
    case Kind::text:
      return Value::text_view("ink");
    case Kind::character:
      return Value::character(U'K');
    case Kind::truth:
      return Value::truth(true);
    default:
      return Value::real(some_real);
  }
}

// What the wish leaves open, from the value; and what contradicts itself.
std::optional<Error> settle(Request& request, bool has_value) {
  Spec& wish = request.wish;
  if (!has_value) request.value = sample_of(wish.kind);
  if (wish.kind == Kind::any) {
    const Type type = request.value.type();
    wish.kind = is_whole(type)            ? Kind::whole
                : is_real(type)           ? Kind::real
                : type == Type::truth     ? Kind::truth
                : type == Type::character ? Kind::character
                : type == Type::moment    ? Kind::moment
                                          : Kind::text;
  }
  if (wish.kind == Kind::whole && wish.places != unset) wish.kind = Kind::real;
  // Places without a notation are those of fixed notation.
  if (wish.kind == Kind::real && wish.notation == Notation::shortest) {
    if (wish.places != unset) wish.notation = Notation::fixed;
    if (wish.significant != unset) wish.notation = Notation::compact;
  }
  return find_contradiction(wish);
}

struct Written {
  WrittenTemplate source;
  std::string statement;
  std::optional<std::string> text;
  std::string why;  // there is none
};

Written written_in(const Dialect& dialect, const Request& request) {
  Written out;
  const std::string name = "x";
  FieldWish field{request.wish, request.value.type(), unset,
                  dialect.placing() == Placing::names ? name : ""};
  const TemplatePart part{{}, std::move(field)};
  out.source = dialect.write_template({&part, 1});
  if (!out.source.source) return out;
  if (request.wish.rounding != Rounding::half_even &&
      request.wish.rounding != dialect.facts().rounding)
    out.source.notes.push_back(
        {Code::wish_not_expressible,
         "it rounds " + std::string(name_of(dialect.facts().rounding)) + ", whatever is wished",
         {}});
  out.statement = dialect.write_statement(*out.source.source, {&name, 1});
  const Result<Template> parsed = dialect.parse(*out.source.source);
  if (!parsed) {
    out.why = parsed.error().message;
    return out;
  }
  Value value = request.value;
  if (dialect.placing() == Placing::names) value.set_name(name);
  TextBuffer text;
  const Outcome outcome = dialect.render(*parsed, {&value, 1}, {}, text, nullptr);
  if (outcome.prints())
    out.text = text.string();
  else
    out.why = outcome.why();
  return out;
}

// ---- For machines ----

JsonOut answer(const Request& request) {
  JsonOut results = JsonOut::array();
  for (const Dialect* dialect : request.to) {
    const Written written = written_in(*dialect, request);
    JsonOut one = {{"dialect", dialect->facts().id}};
    one["template"] = written.source.source ? JsonOut(*written.source.source) : JsonOut(nullptr);
    if (written.source.source) one["call"] = written.statement;
    if (written.text) one["text"] = *written.text;
    if (!written.why.empty()) one["why"] = written.why;
    one["notes"] = to_json(written.source.notes);
    results.push_back(std::move(one));
  }
  return {{"results", std::move(results)}};
}

std::string text_of(const Json& json) {
  return json.kind == Json::Kind::truth ? (json.truth ? "true" : "false") : json.text;
}

constexpr std::array<std::string_view, 3> request_keys = {"wish", "value", "to"};
constexpr std::string_view request_form =
    R"({"wish": {"kind": "real", "places": "2"}, "to": ["rust"]}.)";

Result<Request> read_request(std::string_view line) {
  Request out;
  std::vector<std::string> to;
  RequestReader in(line, request_keys, request_form);
  in.texts("to", to);
  if (const Json* wish = in.find("wish")) {
    if (wish->kind != Json::Kind::object) in.wrong_kind("wish", "an object");
    for (const JsonMember& member : wish->members) {
      if (auto error = set_wish(out.wish, member.key, text_of(member.value))) {
        error->span = {};
        in.fail(std::move(*error));
      }
    }
  }
  const Json* given = in.find("value");
  if (given != nullptr) {
    Result<Value> value = value_of(*given);
    if (!value) return value.error();
    out.value = std::move(*value);
  }
  if (in.fault()) return *in.fault();
  if (to.empty()) to.emplace_back("all");
  auto dialects = dialects_named(to, nullptr);
  if (!dialects) return dialects.error();
  out.to = std::move(*dialects);
  if (auto error = settle(out, given != nullptr)) return std::move(*error);
  return out;
}

// ---- For people ----

int show(const Options& options, const Request& request) {
  Screen screen(look_of(stdout, options.ascii));
  screen.dialect_label("wish", Tint::dim);
  std::string wishes;
  for (const WishEntry& entry : wish_entries(request.wish))
    wishes += (wishes.empty() ? "" : ", ") + std::string(entry.key) + " " + visible(entry.value);
  screen.dialect_paragraph(wishes.empty() ? "nothing in particular" : wishes);
  screen.dialect_label("of", Tint::dim);
  screen.line(visible(describe(request.value)) + " " + std::string(name_of(request.value.type())));
  screen.line();
  bool all = true;
  for (const Dialect* dialect : request.to) {
    const Written written = written_in(*dialect, request);
    screen.dialect_label(dialect->facts().id, Tint::plain);
    if (!written.source.source) {
      all = false;
      screen.tinted(Tint::warm, "cannot");
      screen.line();
    } else {
      screen.tinted(Tint::field, visible(*written.source.source));
      screen.line();
      screen.dialect_label("");
      if (written.text)
        screen.line(with_visible_spaces(*written.text, screen.look()));
      else
        screen.dialect_paragraph("prints nothing: " + written.why);
    }
    for (const Note& note : written.source.notes) screen.dialect_note(note);
  }
  if (!write_out(screen.text())) return bad_request;
  return all ? done : answer_is_no;
}

int run(const Options& options) {
  if (options.jsonl) {
    return answer_lines([](std::string_view line) {
      const Result<Request> request = read_request(line);
      return request ? on_one_line(answer(*request)) : error_line(request.error());
    });
  }
  Request request;
  for (const auto& [key, text] : options.wishes) {
    if (const auto error = set_wish(request.wish, key, unguarded(text)))
      return fail(*error, unguarded(text));
  }
  if (!options.value.empty()) {
    Result<Value> value = read_value(unguarded(options.value));
    if (!value) return fail(value.error(), unguarded(options.value));
    request.value = std::move(*value);
  }
  if (const auto error = settle(request, !options.value.empty())) return fail(*error);
  auto to = dialects_listed(options.to, nullptr);
  if (!to) return fail(to.error());
  request.to = std::move(*to);
  if (!options.json) return show(options, request);
  const JsonOut out = answer(request);
  if (!write_out(spread(out))) return bad_request;
  const bool all = std::none_of(out["results"].begin(), out["results"].end(),
                                [](const JsonOut& one) { return one["template"].is_null(); });
  return all ? done : answer_is_no;
}

}  // namespace

Action add_write(Command& tool) {
  auto options = std::make_shared<Options>();
  Command command = tool.command("write", "A wish as each language's source", examples);
  command.takes("value", options->value, "A value to show it with");
  for (const std::string_view key : wish_keys()) {
    const std::string name(key);
    std::string option = "--" + name;
    std::replace(option.begin(), option.end(), '_', '-');
    command.takes(
        option, [options, name](const std::string& text) { options->wishes[name] = text; },
        wish_meaning(key).c_str(), "WISH");
  }
  command.takes("--to", options->to, "The dialects: ids between commas, or all", "DIALECTS");
  command.json_flag(options->json);
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options] { return run(*options); };
}

}  // namespace inky::cli
