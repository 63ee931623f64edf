// inky round: a number rounded every way, as stored and as typed.

#include <algorithm>
#include <memory>

#include "brief.hpp"
#include "command.hpp"
#include "contract/number_request.hpp"
#include "contract/request.hpp"
#include "contract/round_answer.hpp"
#include "contract/write_answer.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* round_examples = R"(Examples:
  inky round 2.675 --places 2            every way, on the stored and the typed number
  inky round 12345 --places -2           to hundreds
  inky round 0.00123456 --significant 3
  inky round 1.12 --step 0.05            to multiples of 0.05
  inky round 2.675:decimal --places 2    a decimal, which holds what is typed
  inky round --json 1.45 --places 1      one JSON object
  inky round --jsonl < numbers.jsonl     for machines; docs/contract.md)";

struct RoundOptions {
  std::string number;
  std::string places;
  std::string significant;
  std::string step;
  std::string as;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

std::string_view meaning(Rounding rounding) {
  switch (rounding) {
    case Rounding::half_even:
      return "to the nearest; a tie to the even digit";
    case Rounding::half_away:
      return "to the nearest; a tie away from zero";
    case Rounding::half_toward:
      return "to the nearest; a tie toward zero";
    case Rounding::up:
      return "toward plus infinity";
    case Rounding::down:
      return "toward minus infinity";
    case Rounding::away:
      return "away from zero";
    case Rounding::toward:
      return "toward zero: cutting";
  }
  return {};
}

std::string padded(std::string text, std::size_t width) {
  text.resize(std::max(text.size(), width), ' ');
  return text;
}

void put_table(Screen& screen, const NumberToRound& number, const Cut& cut) {
  std::size_t width = 8;
  for (const Rounding rounding : all_roundings) {
    width = std::max({width, cut_text(number.stored, cut, rounding).size(),
                      cut_text(number.typed, cut, rounding).size()});
  }
  // A decimal is what was typed.
  const bool two_columns = number.format != nullptr;
  constexpr std::size_t name_width = 13;
  screen.label("");
  screen.tinted(Tint::dim, std::string(name_width, ' ') +
                               (two_columns ? padded("stored", width + 2) : "") + "typed");
  screen.line();
  for (const Rounding rounding : all_roundings) {
    const std::string from_stored = cut_text(number.stored, cut, rounding);
    const std::string from_typed = cut_text(number.typed, cut, rounding);
    const bool differs = from_stored != from_typed;
    screen.label("");
    screen.put(padded(std::string(name_of(rounding)), name_width));
    if (two_columns) screen.put(padded(from_stored, width + 2));
    screen.tinted(differs ? Tint::warm : Tint::plain, padded(from_typed, width + 2));
    screen.tinted(Tint::warm, differs ? "* " : "  ");
    screen.tinted(Tint::dim, meaning(rounding));
    screen.line();
  }
}

std::string tie_sentence(const ExactDecimal& value, const Cut& cut, std::string_view what) {
  const Tail tail = tail_at_cut(value, cut);
  const std::string_view side = side_name(tail);
  if (tail == Tail::exact) return std::string(what) + " needs no rounding";
  return std::string(what) + " lies " +
         (side == "on"      ? "on"
          : side == "below" ? "nearer zero than"
                            : "farther from zero than") +
         " the halfway point";
}

// What a language prints of the number at these places; nothing where it has no such field.
std::optional<std::string> printed_in(const Dialect& dialect, const NumberToRound& number,
                                      const Cut& cut) {
  const std::optional<Type> type = type_named(number.type());
  if (!cut.places || *cut.places < 0 || !type) return std::nullopt;
  WriteRequest request;
  const bool can_ask = !set_wish(request.wish, "kind", "real") &&
                       !set_wish(request.wish, "places", std::to_string(*cut.places));
  if (!can_ask) return std::nullopt;
  request.value =
      number.format == nullptr ? Value::decimal(number.decimal) : Value::real(*type, number.bits);
  request.composes = false;
  if (settle(request, true)) return std::nullopt;
  return written_in(dialect, request).text;
}

// How a language comes to what it prints.
std::string rule_of(const Dialect& dialect, const NumberToRound& number) {
  const RoundingFact& fact = dialect.facts().rounding;
  if (number.format != nullptr)
    return std::string(name_of(fact.rule)) + ", on " + std::string(fact.basis);
  return dialect.facts().decimals == Decimals::none ? "the nearest f64: no decimals there" : "";
}

// Languages that print the same stand together, and among them those that round by the same rule.
void put_dialects(Screen& screen, const NumberToRound& number, const Cut& cut) {
  struct Group {
    std::optional<std::string> text;
    std::string rule;
    std::string ids;
  };
  std::vector<Group> groups;
  for (const Dialect* dialect : all_dialects()) {
    const RoundingFact& fact = dialect->facts().rounding;
    if (fact.basis.empty()) continue;
    Group one{printed_in(*dialect, number, cut), rule_of(*dialect, number),
              std::string(dialect->facts().id)};
    const auto same = std::find_if(groups.begin(), groups.end(), [&](const Group& known) {
      return known.text == one.text && known.rule == one.rule;
    });
    if (same == groups.end())
      groups.push_back(std::move(one));
    else
      same->ids += ", " + one.ids;
  }
  std::vector<std::optional<std::string>> texts;
  for (const Group& group : groups) {
    if (std::find(texts.begin(), texts.end(), group.text) == texts.end())
      texts.push_back(group.text);
  }
  for (const auto& text : texts) {
    if (&text != texts.data()) screen.line();
    if (text) {
      screen.label("prints");
      screen.tinted(Tint::strong, shortened(*text));
      screen.line();
    }
    std::string_view label = text ? "in" : texts.size() == 1 ? "they round" : "others";
    for (const Group& group : groups) {
      if (group.text != text) continue;
      screen.label(label);
      screen.paragraph(group.ids);
      label = {};
      if (group.rule.empty()) continue;
      screen.label("");
      screen.put("  ");
      screen.wrapped(group.rule, label_width + 2, label_width + 2);
    }
  }
}

int round_screen(const std::string& given, const NumberToRound& number, const Cut& cut,
                 const Look& look) {
  Screen screen(look);
  screen.label("typed");
  screen.paragraph(given.size() > 80 ? given.substr(0, 80) + "..." : given);
  screen.label(number.format == nullptr ? "decimal" : "as " + std::string(number.type()));
  const std::string stored =
      number.format == nullptr ? to_text(number.decimal) : to_text(number.stored);
  screen.paragraph(stored.size() > 80 ? stored.substr(0, 80) + "..." : stored);
  screen.label("");
  std::string ties = tie_sentence(number.typed, cut, "what was typed");
  if (number.format != nullptr) ties += "; " + tie_sentence(number.stored, cut, "what is stored");
  screen.paragraph(ties);
  screen.line();
  put_table(screen, number, cut);
  // Of a decimal there is no more to say of a language than what it prints.
  if (number.format != nullptr || cut.places.value_or(unset) >= 0) {
    screen.line();
    put_dialects(screen, number, cut);
  }
  return write_out(screen.text()) ? done : bad_request;
}

int run_round(const RoundOptions& options, const Cut& cut) {
  const std::string number = unguarded(options.number);
  if (!options.as.empty() && options.as != "decimal") {
    if (const auto format = format_given(options.as); !format)
      return fail(format.error(), options.as);
  }
  const Result<NumberToRound> read = number_to_round(number, options.as, cut);
  if (!read) return fail(read.error(), number.size() > 80 ? std::string() : number);
  if (!options.json) return round_screen(number, *read, cut, look_of(stdout, options.ascii));
  JsonWriter out(JsonWriter::Form::spread);
  write_rounding(number, *read, cut, out);
  return write_out(out.string() + "\n") ? done : bad_request;
}

}  // namespace

Action add_round(Command& tool) {
  auto options = std::make_shared<RoundOptions>();
  Command command =
      tool.command("round", "A number rounded every way, as stored and as typed", round_examples);
  command.takes("number", options->number, "A decimal or hexadecimal real");
  command.takes("--places", options->places, "Digits after the point; negative for tens, hundreds",
                "COUNT");
  command.takes("--significant", options->significant, "Digits in all", "COUNT");
  command.takes("--step", options->step, "Multiples of this decimal, such as 0.05", "STEP");
  command.takes("--as", options->as,
                "What holds it: f16, bf16, f32, f64 if left out, f80, f128, decimal", "TYPE");
  command.json_flag(options->json);
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options, command] {
    if (options->jsonl) return answer_lines("round");
    const bool given = command.has("number");
    Cut cut;
    std::optional<Error> error;
    const auto take = [&](const std::string& text, auto read) {
      if (text.empty() || error) return;
      const std::string shown = unguarded(text);
      error = read(shown);
      if (error) fail(*error, shown);
    };
    take(options->places,
         [&](const std::string& text) { return read_count(text, -most_cut, cut.places); });
    take(options->significant,
         [&](const std::string& text) { return read_count(text, 1, cut.significant); });
    take(options->step, [&](const std::string& text) { return read_step(text, cut.step); });
    if (error) return bad_request;
    if (!given || !cut.is_one()) {
      return fail({Code::bad_option,
                   "round needs a number and one of --places, --significant and --step",
                   {},
                   "Write inky round 2.675 --places 2, or see inky round --help."});
    }
    return run_round(*options, cut);
  };
}

}  // namespace inky::cli
