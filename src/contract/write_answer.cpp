#include "write_answer.hpp"

#include <algorithm>
#include <array>

#include "answers.hpp"
#include "compose/compose.hpp"
#include "compose/moments.hpp"
#include "compose/money.hpp"
#include "dialect/family/values.hpp"
#include "names.hpp"
#include "request.hpp"

namespace inky::inline v1 {

namespace {

// A value to show it with, where none is given.
Value sample_of(Kind kind) {
  constexpr int some_whole = 1234;
  constexpr double some_real = 1234.5;
  const Moment some_moment{2031, 5, 9, 14, 5, 7};
  switch (kind) {
    case Kind::whole:
      return Value::whole(Type::i32, some_whole);
    case Kind::text:
      return Value::text_view("ink");
    case Kind::character:
      return Value::character(U'K');
    case Kind::truth:
      return Value::truth(true);
    case Kind::moment:
      return Value::moment(some_moment);
    default:
      return Value::real(some_real);
  }
}

std::string text_of(const Json& json) {
  return json.kind == Json::Kind::truth ? (json.truth ? "true" : "false") : json.text;
}

constexpr std::array<std::string_view, 3> write_keys = {"wish", "value", "to"};
constexpr std::string_view write_form =
    R"({"wish": {"kind": "real", "places": "2"}, "to": ["rust"]}.)";

Result<WriteRequest> read_write_request(std::string_view line) {
  WriteRequest out;
  std::vector<std::string> to;
  RequestReader in(line, write_keys, write_form);
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

void write_one(const WrittenWish& written, JsonWriter& out) {
  out.open_object();
  out.member("dialect", written.dialect->facts().id);
  out.key("template");
  written.source.source ? out.text(*written.source.source) : out.null();
  if (written.is_written()) out.member("call", written.statement);
  if (written.is_composed) {
    out.key("composed");
    out.truth(true);
    out.member("helpers", written.helpers);
  }
  if (written.text) out.member("text", *written.text);
  if (!written.why.empty()) out.member("why", written.why);
  write_notes(written.source.notes, out);
  out.close_object();
}

WrittenWish written_by_template(const Dialect& dialect, const WriteRequest& request,
                                const std::string& name) {
  WrittenWish out;
  out.dialect = &dialect;
  FieldWish field{request.wish, request.value.type(), unset,
                  dialect.writer().placing() == Placing::names ? name : ""};
  const TemplatePart part{{}, std::move(field)};
  out.source = dialect.writer().write_template({&part, 1});
  if (!out.source.source) return out;
  out.statement = dialect.writer().write_statement(*out.source.source, {&name, 1});
  const Result<Template> parsed = dialect.parse(*out.source.source);
  if (!parsed) {
    out.why = parsed.error().message;
    return out;
  }
  Value value = request.value;
  if (dialect.writer().placing() == Placing::names) value.set_name(name);
  TextBuffer text;
  const Outcome outcome = dialect.render(*parsed, {&value, 1}, {}, text, nullptr);
  if (outcome.prints())
    out.text = text.string();
  else
    out.why = outcome.why();
  return out;
}

std::optional<std::string> text_of(const Composed& composed, const Value& value) {
  TextBuffer text;
  if (!composed.render(value, text).prints()) return std::nullopt;
  return text.string();
}

// By the language's facility for moments, where no field of a template shows them.
void write_as_moment(const WriteRequest& request, const std::string& name, WrittenWish& out) {
  Result<WrittenStatements> moment = write_moment(*out.dialect, request.wish, request.value, name);
  if (!moment) {
    // Where there is no facility, the reason that the dialect gives is the nearer one.
    if (shows_moments(*out.dialect))
      out.source.notes = {{Code::wish_not_expressible, moment.error().message, {}}};
    return;
  }
  out.source = {};
  out.is_composed = true;
  out.statement = std::move(moment->statements);
  out.text = std::move(moment->text);
}

void compose_instead(const WriteRequest& request, const std::string& name, WrittenWish& out) {
  const Result<Composed> composed = compose(*out.dialect, request.wish, request.value.type(), name);
  if (!composed) {
    if (!out.source.source)
      out.source.notes.push_back({Code::wish_not_expressible, composed.error().message, {}});
    return;
  }
  const auto parsed =
      out.source.source ? out.dialect->parse(*out.source.source) : Result<Template>(Error{});
  // The template falls short of nothing that is wished of this value.
  if (parsed && !composed->difference_from(*parsed, true) &&
      out.text == text_of(*composed, request.value)) {
    if (auto note = composed->difference_from(*parsed, false))
      out.source.notes.push_back(std::move(*note));
    return;
  }
  out.source.source.reset();
  out.is_composed = out.is_tried = true;
  out.helpers = composed->definitions();
  out.statement = composed->statements;
  out.source.notes.insert(out.source.notes.end(), composed->notes.begin(), composed->notes.end());
  TextBuffer text;
  const Outcome outcome = composed->render(request.value, text);
  out.text.reset();
  out.why.clear();
  if (outcome.prints())
    out.text = text.string();
  else
    out.why = outcome.why();
}

WrittenWish written_as_money(const Dialect& dialect, const WriteRequest& request,
                             const std::string& name) {
  WrittenWish out;
  out.dialect = &dialect;
  Result<WrittenStatements> money = write_money(dialect, request.wish, request.value, name);
  if (!money) {
    if (request.composes) {
      compose_instead(request, name, out);
    } else {
      out.source.notes.push_back({Code::wish_not_expressible, money.error().message, {}});
    }
    return out;
  }
  out.is_composed = true;
  out.statement = std::move(money->statements);
  out.text = std::move(money->text);
  return out;
}

}  // namespace

std::optional<Error> settle(WriteRequest& request, bool has_value) {
  Spec& wish = request.wish;
  if (!wish.moment.empty() && wish.kind == Kind::any) wish.kind = Kind::moment;
  if (!wish.currency.empty() && wish.kind == Kind::any) wish.kind = Kind::real;
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
  settle_notation(wish);
  return find_contradiction(wish);
}

WrittenWish written_in(const Dialect& dialect, const WriteRequest& request) {
  if (request.value.is(Type::decimal) && dialect.facts().decimals == Decimals::none) {
    WriteRequest nearest = request;
    nearest.value = without_decimals(request.value);
    WrittenWish out = written_in(dialect, nearest);
    out.source.notes.push_back(
        {Code::type_converted,
         std::string(dialect.facts().language) + " has no decimals: the f64 next to it is written",
         {}});
    return out;
  }
  const std::string name = "x";
  if (!request.wish.currency.empty()) return written_as_money(dialect, request, name);
  WrittenWish out = written_by_template(dialect, request, name);
  const Notes& notes = out.source.notes;
  const bool falls_short =
      !out.source.source || std::any_of(notes.begin(), notes.end(), [](const Note& note) {
        return note.code == Code::wish_not_expressible;
      });
  const bool is_moment = request.wish.kind == Kind::moment;
  if (request.composes && is_moment && !(out.source.source && out.text))
    write_as_moment(request, name, out);
  else if (request.composes && falls_short && !is_moment)
    compose_instead(request, name, out);
  if (out.is_written() && request.wish.rounding != Rounding::half_even &&
      request.wish.rounding != dialect.facts().rounding.rule)
    out.source.notes.push_back({Code::wish_not_expressible,
                                "it rounds " + std::string(name_of(dialect.facts().rounding.rule)) +
                                    ", whatever is wished",
                                {}});
  return out;
}

void write_written(std::span<const WrittenWish> all, JsonWriter& out) {
  out.open_object();
  out.open_list("results");
  for (const WrittenWish& written : all) write_one(written, out);
  out.close_list();
  out.close_object();
}

std::string answer_write_line(std::string_view line) {
  const Result<WriteRequest> request = read_write_request(line);
  if (!request) return error_line(request.error());
  std::vector<WrittenWish> all;
  for (const Dialect* dialect : request->to) all.push_back(written_in(*dialect, *request));
  JsonWriter out;
  write_written(all, out);
  return out.string();
}

}  // namespace inky::inline v1
