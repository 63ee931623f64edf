// inky weigh: what is stored for a number, and how far that is from what was typed.

#include <algorithm>
#include <memory>

#include "command.hpp"
#include "numbers.hpp"
#include "screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* examples = R"(Examples:
  inky weigh 2.675                       what f64 stores for it, to the last digit
  inky weigh 0.1 --as f16,f32,f64        formats side by side
  inky weigh -0x1.8p+1                   hexadecimal as well
  inky weigh --json 1e23                 one JSON object
  inky weigh --jsonl < numbers.jsonl     for machines; docs/contract.md)";

struct Options {
  std::string number;
  std::string formats = "f64";  // separated by commas
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

// Long expansions are broken into lines of this many characters.
constexpr std::size_t line_size = 80;

void put_long(Screen& screen, std::string_view label, const std::string& text) {
  for (std::size_t at = 0; at < text.size() || at == 0; at += line_size) {
    screen.label(at == 0 ? label : "");
    screen.line(text.substr(at, line_size));
  }
}

void put(Screen& screen, std::string_view label, std::string_view text) {
  screen.label(label);
  screen.paragraph(text);
}

std::string binary_digits(uint128 bits, int width) {
  std::string out;
  for (int i = width; i-- > 0;) out += (bits >> i & 1) != 0 ? '1' : '0';
  return out;
}

// Sign, exponent and fraction set apart, in colours of their own.
void put_bits(Screen& screen, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  const int fraction = format.stored_fraction_bits();
  screen.label("bits");
  screen.tinted(Tint::field, binary_digits(w.bits >> (format.width() - 1), 1), 0);
  screen.put(" ");
  screen.tinted(Tint::field, binary_digits(w.bits >> fraction, format.exponent_bits), 1);
  screen.put(" ");
  const std::string digits = binary_digits(w.bits, fraction);
  for (std::size_t at = 0; at < digits.size(); at += 64) {
    if (at != 0) {
      screen.line();
      screen.label("");
      screen.put(std::string(static_cast<std::size_t>(format.exponent_bits) + 3, ' '));
    }
    screen.tinted(Tint::field, digits.substr(at, 64), 2);
  }
  screen.line();
  std::string told = "sign ";
  told += w.real.negative ? "-" : "+";
  told += ", exponent 2^" + std::to_string(w.exponent());
  told += ", " + std::string(w.real.kind == RealClass::not_a_number ? "not a number"
                                                                    : name_of(w.real.kind));
  put(screen, "", told);
}

std::string_view side(const ExactDecimal& error) {
  if (error.is_zero()) return "stored exactly as typed";
  return error.negative ? "stored below what was typed" : "stored above what was typed";
}

void put_weighing(Screen& screen, const std::string& typed, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  put_long(screen, "typed", typed);
  if (!w.stored) {
    put(screen, "stored",
        shortest_text(format, w.bits) + ": beyond the range of " + std::string(format.name));
    if (!w.typed) screen.line();
    put_bits(screen, w);
    return;
  }
  put_long(screen, std::string("as ") + std::string(format.name), to_text(*w.stored));
  if (w.error) {
    put_long(screen, "error", to_text(*w.error));
    put(screen, "", w.error_ulps + " units of the last place; " + std::string(side(*w.error)));
  }
  screen.line();
  put_bits(screen, w);
  put(screen, "hexfloat", hexadecimal_text(format, w.bits));
  screen.line();
  const auto below = next_below(format, w.bits);
  const auto above = next_above(format, w.bits);
  put(screen, "below", shortest_text(format, *below));
  put(screen, "shortest",
      shortest_text(format, w.bits) + ": the fewest digits that read back as the same bits");
  put(screen, "above", shortest_text(format, *above));
}

void put_comparison(Screen& screen, const std::string& typed, const std::vector<Weighing>& all) {
  put_long(screen, "typed", typed);
  screen.line();
  for (const Weighing& w : all) {
    screen.label(w.format->name);
    std::string stored = w.stored ? to_text(*w.stored) : shortest_text(*w.format, w.bits);
    if (stored.size() > line_size) stored.replace(line_size - 3, std::string::npos, "...");
    screen.line(stored);
    screen.label("");
    std::string told = "shortest " + shortest_text(*w.format, w.bits);
    if (w.error) told += ", error " + w.error_ulps + " ulp, " + std::string(side(*w.error));
    screen.tinted(Tint::dim, told);
    screen.line();
  }
}

std::vector<std::string> split(std::string_view names) {
  std::vector<std::string> out;
  for (std::size_t at = 0; at <= names.size();) {
    const std::size_t end = std::min(names.find(',', at), names.size());
    out.emplace_back(names.substr(at, end - at));
    at = end + 1;
  }
  return out;
}

int run(const Options& options) {
  if (options.jsonl) return answer_lines(answer_weigh_line);
  const std::string number = unguarded(options.number);
  std::vector<Weighing> all;
  for (const std::string& name : split(options.formats)) {
    const Result<const BinaryFormat*> format = format_given(name);
    if (!format) return fail(format.error(), name);
    Result<Weighing> weighing = weigh_given(number, **format);
    if (!weighing)
      return fail(weighing.error(), number.size() > line_size ? std::string() : number);
    all.push_back(std::move(*weighing));
  }
  if (options.json) {
    JsonOut out = JsonOut::array();
    for (const Weighing& w : all) out.push_back(weighing_json(number, w));
    return write_out((all.size() == 1 ? out[0] : out).dump(2) + "\n") ? done : bad_request;
  }
  Screen screen(look_of(stdout, options.ascii));
  if (all.size() == 1)
    put_weighing(screen, number, all[0]);
  else
    put_comparison(screen, number, all);
  return write_out(screen.text()) ? done : bad_request;
}

}  // namespace

Action add_weigh(CLI::App& parent) {
  auto options = std::make_shared<Options>();
  CLI::App* command = parent.add_subcommand(
      "weigh", "What is stored for a number, and how far from what was typed");
  command->add_option("number", options->number, "A decimal, hexadecimal real, inf or nan");
  command
      ->add_option("--as", options->formats,
                   "Binary formats, separated by commas: f16, bf16, f32, f64, f80, f128")
      ->type_name("FORMAT");
  command->add_flag("--json", options->json, "The answer as JSON");
  command->add_flag("--jsonl", options->jsonl, "Answers requests from standard input, one a line");
  command->add_flag("--ascii", options->ascii, "No characters beyond ASCII in the frame");
  command->footer(examples);
  return [options, command] {
    if (!options->jsonl && command->get_option("number")->count() == 0) {
      return fail({Code::bad_option,
                   "weigh needs a number",
                   {},
                   "Write inky weigh 2.675, or see inky weigh --help."});
    }
    return run(*options);
  };
}

}  // namespace inky::cli
