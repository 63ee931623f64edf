// inky weigh: what is stored for a number, how far that is from what was typed, and every step of
// an expression.

#include <algorithm>
#include <memory>

#include "command.hpp"
#include "contract/weigh_answer.hpp"
#include "picture.hpp"
#include "screen.hpp"
#include "text/nearest_name.hpp"
#include "weigh_screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* weigh_examples = R"(Examples:
  inky weigh 2.675                       what f64 stores for it, to the last digit
  inky weigh 2.675 --places 2            which way printing 2 places goes, and why
  inky weigh 0.1 --as f16,f32,f64        formats side by side
  inky weigh '0.1 + 0.2 == 0.3'          every step, and a sound tolerance
  inky weigh 'mass * 3' mass=1.1:f32     names with values
  inky weigh '19.99 * 3 + 0.07' --as f64,decimal   why a total is a cent off
  inky weigh 300 --as u8,i8              what whole types make of it
  inky weigh 2.675 --picture line.png    the number line, to scale
  inky weigh --json 1e23                 one JSON object
  inky weigh --jsonl < numbers.jsonl     for machines; docs/contract.md)";

struct WeighOptions {
  std::string number;
  std::vector<std::string> names;
  std::string types;  // separated by commas
  std::string base;
  std::string overflow;
  std::string places;
  std::string picture;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

std::vector<std::string> split(std::string_view names) {
  std::vector<std::string> out;
  for (std::size_t at = 0; at <= names.size();) {
    const std::size_t end = std::min(names.find(',', at), names.size());
    out.emplace_back(names.substr(at, end - at));
    at = end + 1;
  }
  return out;
}

Error bad_option(std::string message, std::string remedy) {
  return {Code::bad_option, std::move(message), {}, std::move(remedy)};
}

// What all types share.
std::optional<Error> read_request(const WeighOptions& options, WeighRequest& out) {
  out.text = unguarded(options.number);
  for (const std::string& given : options.names) {
    const std::string named = unguarded(given);
    const std::size_t equals = named.find('=');
    if (equals == std::string::npos || equals == 0) {
      return bad_option("\"" + named + "\" is not a name with a value",
                        "Write mass=2.5; put an expression with spaces in quotes.");
    }
    out.names.push_back({named.substr(0, equals), named.substr(equals + 1)});
  }
  if (!options.places.empty()) {
    if (auto error = read_count(unguarded(options.places), -most_cut, out.places)) return error;
  }
  if (!options.base.empty()) {
    std::optional<int> base;
    if (read_count(options.base, lowest_base, base) || *base > highest_base)
      return bad_option("\"" + options.base + "\" is not a base", "Give a number from 2 to 36.");
    out.base = *base;
  }
  if (!options.overflow.empty()) {
    const std::optional<WholeOverflow> overflow = overflow_named(options.overflow);
    if (!overflow)
      return bad_option("\"" + options.overflow + "\" is not known to --overflow",
                        choices_for(options.overflow, overflow_names));
    out.overflow = *overflow;
  }
  return std::nullopt;
}

int draw(const WeighOptions& options, const WeighRequest& request, const Weighed& weighed) {
  const Weighing* number = weighed.number ? &*weighed.number : nullptr;
  std::optional<Weighing> result;
  if (number == nullptr && weighed.evaluation->result.type->is_real()) {
    const TypedNumber& stored = weighed.evaluation->result;
    result = weigh_stored(*stored.type->format, stored.bits);
    number = &*result;
  }
  if (number == nullptr || !has_finite_neighbours(*number)) {
    return fail(bad_option("there is no number line to draw for this",
                           "Give a finite real number, or an expression that makes one."));
  }
  if (const auto error = draw_picture(*number, request.text, request.places, options.picture))
    return fail(*error);
  return done;
}

int run_weigh(const WeighOptions& options) {
  if (options.jsonl) return answer_lines("weigh");
  WeighRequest request;
  if (const auto error = read_request(options, request)) return fail(*error);
  std::vector<WeighRequest> requests;
  std::vector<Weighed> all;
  for (const std::string& name : split(options.types)) {
    if (!options.types.empty()) {
      const Result<const NumberType*> type = type_given(name);
      if (!type) return fail(type.error(), name);
      request.as = *type;
    }
    Result<Weighed> weighed = weigh_given(request);
    if (!weighed) {
      constexpr std::size_t most_shown = 1000;
      return fail(weighed.error(), request.text.size() > most_shown ? std::string() : request.text);
    }
    requests.push_back(request);
    all.push_back(std::move(*weighed));
  }
  if (!options.picture.empty()) {
    if (const int status = draw(options, requests[0], all[0]); status != done) return status;
  }
  if (options.json) {
    JsonWriter out(JsonWriter::Form::spread);
    if (all.size() > 1) out.open_list();
    for (std::size_t i = 0; i < all.size(); ++i)
      write_weighed(requests[i], all[i], Detail::all, out);
    if (all.size() > 1) out.close_list();
    return write_out(out.string() + "\n") ? done : bad_request;
  }
  Screen screen(look_of(stdout, options.ascii));
  if (all.size() == 1)
    put_weighed(screen, requests[0], all[0]);
  else
    put_side_by_side(screen, requests, all);
  return write_out(screen.text()) ? done : bad_request;
}

}  // namespace

Action add_weigh(Command& tool) {
  auto options = std::make_shared<WeighOptions>();
  Command command = tool.command(
      "weigh", "What is stored for a number or an expression, and what was lost", weigh_examples);
  command.takes("number", options->number,
                "A decimal, a hexadecimal real, inf, nan, or an expression");
  command.takes("names", options->names, "Values for the names in an expression: mass=2.5",
                "NAME=VALUE");
  command.takes(
      "--as", options->types,
      "Types between commas: f16, bf16, f32, f64, f80, f128, i8, i16, i32, i64, i128, u8, "
      "u16, u32, u64, u128, big, decimal (of 96 bits, as .NET has), decimal128 (34 digits)",
      "TYPES");
  command.takes("--places", options->places, "What printing COUNT decimals will show", "COUNT");
  command.takes("--base", options->base, "The base of whole numbers without a prefix, 2 to 36",
                "BASE");
  command.takes(
      "--overflow", options->overflow,
      "What happens beyond a whole type's range; wrap if left out: wrap, saturate or fail", "WAY");
  command.takes("--picture", options->picture, "Draws the number line to a .svg or .png file",
                "FILE");
  command.flag("--json", options->json, "The answer as JSON");
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options, command] {
    if (!options->jsonl && !command.has("number")) {
      return fail({Code::bad_option,
                   "weigh needs a number",
                   {},
                   "Write inky weigh 2.675, or see inky weigh --help."});
    }
    return run_weigh(*options);
  };
}

}  // namespace inky::cli
