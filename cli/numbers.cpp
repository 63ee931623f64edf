#include "numbers.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/nearest_name.hpp"
#include "json_reader.hpp"

namespace inky::cli {

namespace {

Error error_of(Code code, std::string message, std::string remedy, Span span = {}) {
  return {code, std::move(message), span, std::move(remedy)};
}

std::string hexadecimal(uint128 bits, int width) {
  WholeRoom room;
  const std::string_view digits = write_whole(bits, 16, Letters::lower, room);
  const auto wanted = static_cast<std::size_t>((width + 3) / 4);
  std::string out = "0x";
  out.append(digits.size() < wanted ? wanted - digits.size() : 0, '0');
  return out.append(digits);
}

std::string_view class_name(RealClass kind) {
  return kind == RealClass::not_a_number ? "nan" : name_of(kind);
}

JsonOut neighbour_json(const BinaryFormat& format, std::optional<uint128> bits) {
  return bits ? JsonOut(shortest_text(format, *bits)) : JsonOut(nullptr);
}

struct NumberRequest {
  std::string number;
  const BinaryFormat* format = &binary64;
  Cut cut;
};

// A number may be given as a string, or as a JSON number, digit for digit.
std::optional<Error> take_number(const Json& value, std::string& out) {
  if (value.kind != Json::Kind::text && value.kind != Json::Kind::number) {
    return error_of(Code::wrong_kind, "the key \"number\" must be a string or a number",
                    "Write {\"number\": \"2.675\"}.");
  }
  out = value.text;
  return std::nullopt;
}

std::optional<Error> take_count(const JsonMember& member, int least, std::optional<int>& out) {
  if (member.value.kind != Json::Kind::number) {
    return error_of(Code::wrong_kind, "the key " + in_quotes(member.key) + " must be a number",
                    "Write {\"" + member.key + "\": 2}.");
  }
  return read_count(member.value.text, least, out);
}

std::optional<Error> take_member(const JsonMember& member, std::span<const std::string_view> known,
                                 NumberRequest& out) {
  if (std::find(known.begin(), known.end(), member.key) == known.end()) {
    const std::string_view near = nearest_name(member.key, known);
    return error_of(Code::unknown_key, "the key " + in_quotes(member.key) + " is unknown",
                    near.empty() ? "docs/contract.md lists the keys."
                                 : "Did you mean " + in_quotes(near) + "?");
  }
  if (member.key == "number") return take_number(member.value, out.number);
  if (member.key == "places") return take_count(member, -most_cut, out.cut.places);
  if (member.key == "significant") return take_count(member, 1, out.cut.significant);
  if (member.value.kind != Json::Kind::text)
    return error_of(Code::wrong_kind, "the key \"as\" must be a string",
                    "Write {\"as\": \"f64\"}.");
  const Result<const BinaryFormat*> format = format_given(member.value.text);
  if (!format) return format.error();
  out.format = *format;
  return std::nullopt;
}

Result<NumberRequest> read_number_request(std::string_view line,
                                          std::span<const std::string_view> known) {
  const Result<Json> json = read_json(line);
  if (!json) return json.error();
  if (json->kind != Json::Kind::object)
    return error_of(Code::bad_json, "a request is a JSON object", "Write {\"number\": \"2.675\"}.");
  NumberRequest out;
  for (const JsonMember& member : json->members) {
    if (auto error = take_member(member, known, out)) return std::move(*error);
  }
  if (json->find("number") == nullptr)
    return error_of(Code::missing_key, "the key \"number\" is missing",
                    "docs/contract.md describes the request.");
  return out;
}

std::string answer_line(const JsonOut& answer) {
  return answer.dump(-1, ' ', false, JsonOut::error_handler_t::replace);
}

std::string error_line(const Error& error) {
  return answer_line(JsonOut{{"error", to_json(error)}});
}

}  // namespace

Result<const BinaryFormat*> format_given(std::string_view name) {
  if (const BinaryFormat* format = format_named(name)) return format;
  std::string names;
  for (const BinaryFormat* format : all_formats)
    names += (names.empty() ? "" : ", ") + std::string(format->name);
  return error_of(Code::bad_value, in_quotes(name) + " is not a binary format",
                  "Choose one of: " + names + ".", {0, name.size()});
}

Result<Weighing> weigh_given(std::string_view text, const BinaryFormat& format) {
  if (auto weighing = weigh(text, format)) return std::move(*weighing);
  const Span whole{0, text.size()};
  const bool expression = text.find_first_of("+-*/()<>=%", 1) != std::string_view::npos;
  if (expression) {
    return error_of(Code::not_supported_yet, "expressions are not supported yet",
                    "Give a single number, such as 2.675 or 0x1.8p+1.", whole);
  }
  return error_of(
      Code::bad_value,
      (text.size() > 60 ? in_quotes(text.substr(0, 60)) + "..." : in_quotes(text)) +
          " is not a number",
      "Write a decimal, a hexadecimal real of at most 113 bits such as 0x1.8p+1, inf or nan.",
      whole);
}

JsonOut weighing_json(std::string_view typed, const Weighing& w) {
  const BinaryFormat& format = *w.format;
  JsonOut out = {{"typed", typed}, {"format", format.name}};
  out["exact"] = w.stored ? to_text(*w.stored) : shortest_text(format, w.bits);
  out["bits"] = hexadecimal(w.bits, format.width());
  out["sign"] = w.real.negative ? "-" : "+";
  out["exponent"] = w.exponent();
  out["fraction"] = hexadecimal(w.fraction(), format.precision - 1);
  out["class"] = class_name(w.real.kind);
  out["hexfloat"] = hexadecimal_text(format, w.bits);
  out["shortest"] = shortest_text(format, w.bits);
  out["below"] = neighbour_json(format, next_below(format, w.bits));
  out["above"] = neighbour_json(format, next_above(format, w.bits));
  out["ulp"] = w.real.is_finite() ? JsonOut(shortest_text(format, convert(w.ulp(), format)))
                                  : JsonOut(nullptr);
  out["error"] = w.error ? JsonOut(to_text(*w.error)) : JsonOut(nullptr);
  out["error_ulps"] = w.error ? JsonOut(w.error_ulps) : JsonOut(nullptr);
  return out;
}

std::optional<Error> read_count(std::string_view text, int least, std::optional<int>& out) {
  const std::optional<SignedNatural> count = read_whole(text);
  const bool small = count && count->magnitude.bit_length() < 31;
  const int magnitude = small ? static_cast<int>(count->magnitude.low_bits()) : most_cut + 1;
  const int amount = small && count->negative ? -magnitude : magnitude;
  if (amount < least || amount > most_cut) {
    return error_of(Code::bad_value, in_quotes(text) + " is not a count of digits",
                    "It is a whole number from " + std::to_string(least) + " to " +
                        std::to_string(most_cut) + ".",
                    {0, text.size()});
  }
  out = amount;
  return std::nullopt;
}

std::string cut_text(const ExactDecimal& value, const Cut& cut, Rounding rounding) {
  const ExactDecimal kept = rounded(value, cut.places_of(value), rounding);
  // A carry makes one digit more, so significant zeros are counted from what came of it.
  return to_text(kept, cut.places_of(kept));
}

std::string_view side_of_tie(const ExactDecimal& value, const Cut& cut) {
  switch (tail_at(value, cut.places_of(value))) {
    case Tail::half:
      return "on";
    case Tail::above_half:
      return "above";
    default:
      return "below";
  }
}

JsonOut rounding_json(std::string_view typed, const Weighing& weighing, const Cut& cut) {
  const ExactDecimal& stored = *weighing.stored;
  const ExactDecimal& decimal = weighing.typed ? *weighing.typed : stored;
  const auto every = [&](const ExactDecimal& value) {
    JsonOut out = JsonOut::object();
    for (const Rounding rounding : all_roundings)
      out[std::string(name_of(rounding))] = cut_text(value, cut, rounding);
    out["tie"] = side_of_tie(value, cut);
    return out;
  };
  JsonOut out = {{"typed", typed}, {"format", weighing.format->name}, {"exact", to_text(stored)}};
  if (cut.significant)
    out["significant"] = *cut.significant;
  else
    out["places"] = *cut.places;
  out["stored"] = every(stored);
  out["decimal"] = every(decimal);
  return out;
}

std::string answer_weigh_line(std::string_view line) {
  static constexpr std::array<std::string_view, 2> known = {"number", "as"};
  const Result<NumberRequest> request = read_number_request(line, known);
  if (!request) return error_line(request.error());
  const Result<Weighing> weighing = weigh_given(request->number, *request->format);
  return weighing ? answer_line(weighing_json(request->number, *weighing))
                  : error_line(weighing.error());
}

std::string answer_round_line(std::string_view line) {
  static constexpr std::array<std::string_view, 4> known = {"number", "places", "significant",
                                                            "as"};
  const Result<NumberRequest> request = read_number_request(line, known);
  if (!request) return error_line(request.error());
  const Cut& cut = request->cut;
  if (cut.places.has_value() == cut.significant.has_value()) {
    return error_line(error_of(Code::contradiction, "give either \"places\" or \"significant\"",
                               "Write {\"number\": \"2.675\", \"places\": 2}."));
  }
  const Result<Weighing> weighing = weigh_given(request->number, *request->format);
  if (!weighing) return error_line(weighing.error());
  if (!weighing->stored) {
    return error_line(
        error_of(Code::bad_value,
                 in_quotes(shortest_text(*weighing->format, weighing->bits)) + " cannot be rounded",
                 "Give a finite number that the format can hold."));
  }
  return answer_line(rounding_json(request->number, *weighing, cut));
}

}  // namespace inky::cli
