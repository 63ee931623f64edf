#include <algorithm>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

namespace {

bool has_exponent(std::string_view text) {
  for (std::size_t i = 1; i + 1 < text.size(); ++i) {
    const bool digits = text[i - 1] >= '0' && text[i - 1] <= '9';
    if (digits && std::string_view("eEd").find(text[i]) != std::string_view::npos &&
        (text[i + 1] == '+' || text[i + 1] == '-' || (text[i + 1] >= '0' && text[i + 1] <= '9')))
      return true;
  }
  return false;
}

std::string rounding_of(const DialectFacts& facts) {
  return std::string(facts.id) + " rounds " + std::string(name_of(facts.rounding.rule)) + ", on " +
         std::string(facts.rounding.basis);
}

std::string without(std::string_view text, char c) {
  std::string out(text);
  std::erase(out, c);
  return out;
}

std::string why_reals_differ(const DialectFacts& here, const DialectFacts& there,
                             const Value& value, std::string_view text_here,
                             std::string_view text_there) {
  const BinaryReal real = value.as_real();
  const std::string other(there.id);
  if (real.kind == RealClass::not_a_number || real.kind == RealClass::infinite)
    return other + " writes infinities or not-a-number differently";
  if (real.is_zero() && real.negative) return "one of them shows no sign of a negative zero";
  if (has_exponent(text_here) != has_exponent(text_there))
    return (has_exponent(text_there) ? other + " goes" : other + " does not go") +
           " to an exponent for a number of this size";
  if (has_exponent(text_here))
    return "they write exponents, or the digits before them, differently";
  const bool ruled_alike = here.rounding.rule == there.rounding.rule &&
                           here.rounding.stored_value && there.rounding.stored_value;
  if (text_here.size() == text_there.size() && !ruled_alike)
    return rounding_of(here) + "; " + rounding_of(there);
  if (without(text_here, '-') == without(text_there, '-'))
    return "one of them keeps the sign of what is rounded to zero";
  return "they show different numbers of digits";
}

}  // namespace

std::string why_different(const Dialect& here, const Dialect& there, const Value& value,
                          std::string_view text_here, std::string_view text_there) {
  const DialectFacts& a = here.facts();
  const DialectFacts& b = there.facts();
  if (value.is(Type::text) || value.is(Type::character)) {
    const bool wide =
        std::any_of(text_here.begin(), text_here.end(), [](char c) { return (c & 0x80) != 0; });
    if (wide && a.width_unit != b.width_unit)
      return "a width counts " + std::string(name_of(a.width_unit)) + " in " + std::string(a.id) +
             ", " + std::string(name_of(b.width_unit)) + " in " + std::string(b.id);
    return {};
  }
  if (value.is(Type::decimal) && a.decimals != b.decimals &&
      (a.decimals == Decimals::none || b.decimals == Decimals::none)) {
    const DialectFacts& without = a.decimals == Decimals::none ? a : b;
    return std::string(without.language) +
           " has no decimals, and rounds the nearest f64; or it "
           "shows other zeros";
  }
  if (value.is(Type::decimal)) return "their decimals are rounded, or shown, differently";
  if (is_real(value.type())) return why_reals_differ(a, b, value, text_here, text_there);
  if (is_whole(value.type()) && !value.is(Type::big) && fact_of(value.type()).is_signed &&
      value.as_whole() < 0)
    return "one of them reads the bits of a negative number as unsigned, or pads its sign "
           "differently";
  if (value.is(Type::truth)) return "they have other names for truth values";
  return {};
}

namespace {

// A field's value and its text.
struct Printed {
  const Value* value;
  std::string text;
};
std::vector<Printed> printed_fields(const Dialect& dialect, const Template& parsed,
                                    std::span<const Value> values) {
  TextBuffer text;
  Report report;
  std::vector<Printed> out;
  if (!dialect.render(parsed, values, {}, text, &report).prints()) return out;
  for (const PlacedField& placed : report.fields) {
    const Field& field = parsed.fields()[static_cast<std::size_t>(placed.field)];
    int index = placed.value == unset ? field.value_index : placed.value;
    for (std::size_t i = 0; i < values.size() && !field.key.empty(); ++i) {
      if (values[i].is_named() && values[i].name() == field.key_name()) index = static_cast<int>(i);
    }
    if (index == unset || static_cast<std::size_t>(index) >= values.size()) continue;
    out.push_back({&values[static_cast<std::size_t>(index)],
                   std::string(text.view().substr(placed.output.from,
                                                  placed.output.to - placed.output.from))});
  }
  return out;
}

}  // namespace

std::string why_different(const Dialect& here, const Template& template_here,
                          std::span<const Value> values_here, const Dialect& there,
                          const Template& template_there, std::span<const Value> values_there) {
  const auto ours = printed_fields(here, template_here, values_here);
  const auto theirs = printed_fields(there, template_there, values_there);
  if (ours.size() != theirs.size()) return {};
  std::vector<std::string> reasons;
  for (std::size_t i = 0; i < ours.size(); ++i) {
    if (ours[i].text == theirs[i].text) continue;
    std::string why = why_different(here, there, *ours[i].value, ours[i].text, theirs[i].text);
    if (!why.empty() && std::find(reasons.begin(), reasons.end(), why) == reasons.end())
      reasons.push_back(std::move(why));
  }
  std::string out;
  for (const std::string& reason : reasons) out += (out.empty() ? "" : ". ") + reason;
  return out;
}

}  // namespace inky::inline v1
