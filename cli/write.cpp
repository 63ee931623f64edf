// inky write: a wish as each language's source.

#include <algorithm>
#include <map>
#include <memory>

#include "command.hpp"
#include "contract/names.hpp"
#include "contract/write_answer.hpp"
#include "screen.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

constexpr const char* write_examples = R"(Examples:
  inky write --kind real --places 2 --width 10           in every language
  inky write --places 2 --group , --to java,python 1234.5
  inky write --moment '{day}.{month}.{year} {hour}:{minute}'
  inky write --currency EUR --locale de-DE --places 2    money, as a locale has it
  inky write --kind whole --base 16 --width 8 --align inner --fill 0 255
  inky write --jsonl < requests.jsonl                    for machines; docs/contract.md

Wishes: kind, align, fill, width, sign, notation, places, significant, least_digits,
keep_point, base, prefix, letters, group, point, limit, rounding, moment, currency,
locale; each an option.
inky show --json prints the wishes of the fields of a template.
What no specifier of a language grants is composed: a statement, and the helpers that it calls.
Exit status: 0 written everywhere, 1 some language cannot, 2 bad request.)";

struct WriteOptions {
  std::map<std::string, std::string> wishes;
  std::string value;
  std::string to = "all";
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

// Each line under the one before it, behind the labels.
void put_source(Screen& screen, std::string_view source) {
  while (source.ends_with('\n')) source.remove_suffix(1);
  for (bool is_first = true; is_first || !source.empty(); is_first = false) {
    const std::size_t end = std::min(source.find('\n'), source.size());
    if (!is_first) screen.dialect_label("");
    screen.tinted(Tint::field, visible(source.substr(0, end)));
    screen.line();
    source.remove_prefix(std::min(end + 1, source.size()));
  }
}

int show(const WriteOptions& options, const WriteRequest& request) {
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
    const WrittenWish written = written_in(*dialect, request);
    screen.dialect_label(dialect->facts().id, Tint::plain);
    if (!written.is_written()) {
      all = false;
      screen.tinted(Tint::warm, "cannot");
      screen.line();
    } else {
      put_source(screen, written.is_composed ? written.statement : *written.source.source);
      screen.dialect_label("");
      if (written.text)
        screen.line(with_visible_spaces(*written.text, screen.look()));
      else
        screen.dialect_paragraph("prints nothing: " + written.why);
    }
    if (written.is_tried) {
      screen.dialect_label("composed", Tint::dim);
      screen.line("tried over awkward values");
    }
    for (const Note& note : written.source.notes) screen.dialect_note(note);
    if (!written.helpers.empty()) {
      screen.dialect_label("with", Tint::dim);
      put_source(screen, written.helpers);
    }
  }
  if (!write_out(screen.text())) return bad_request;
  return all ? done : answer_is_no;
}

int run_write(const WriteOptions& options) {
  if (options.jsonl) return answer_lines("write");
  WriteRequest request;
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
  std::vector<WrittenWish> all;
  for (const Dialect* dialect : request.to) all.push_back(written_in(*dialect, request));
  JsonWriter out(JsonWriter::Form::spread);
  write_written(all, out);
  if (!write_json(out)) return bad_request;
  const auto is_written = [](const WrittenWish& one) { return one.is_written(); };
  return std::all_of(all.begin(), all.end(), is_written) ? done : answer_is_no;
}

}  // namespace

Action add_write(Command& tool) {
  auto options = std::make_shared<WriteOptions>();
  Command command = tool.command("write", "A wish as each language's source", write_examples);
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
  return [options] { return run_write(*options); };
}

}  // namespace inky::cli
