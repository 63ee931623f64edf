#include "dialect/value_source.hpp"

#include <algorithm>
#include <utility>

#include "family/instants.hpp"
#include "family/time_zones.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// `form` with @ filled in.
std::string filled(std::string_view form, std::string_view text) {
  const std::size_t at = form.find('@');
  if (at == std::string_view::npos) return std::string(form);
  return std::string(form.substr(0, at)) + std::string(text) + std::string(form.substr(at + 1));
}

// The name that localtime() and gmtime() give a zone where TZ is UTC; of another one, its offset.
std::string zone_letters_of(const Moment& moment) {
  if (moment.zone != 0) return std::string(zone_letters(moment));
  if (!moment.offset) return "UTC";
  return *moment.offset == 0 ? "GMT" : offset_text(*moment.offset);
}

// A form of a moment: @ with a letter stands for a part of it, and alone for all, as ISO 8601 has it.
std::string filled_with_parts(std::string_view form, const Value& value) {
  const Moment moment = value.as_moment();
  std::string out;
  for (std::size_t at = 0; at < form.size(); ++at) {
    if (form[at] != '@') {
      out += form[at];
      continue;
    }
    const char part = at + 1 < form.size() ? form[at + 1] : '\0';
    ++at;
    switch (part) {
      case 'Y':
        out += std::to_string(moment.year);
        break;
      case 'M':
        out += std::to_string(moment.month);
        break;
      case 'D':
        out += std::to_string(moment.day);
        break;
      case 'h':
        out += std::to_string(moment.hour);
        break;
      case 'm':
        out += std::to_string(moment.minute);
        break;
      case 's':
        out += std::to_string(moment.second);
        break;
      case 'S': {
        // With the parts of a second, where there are any.
        const std::string clock = time_text(moment);
        out += clock.substr(clock.rfind(':') + 1);
        break;
      }
      case 'w':
        out += std::to_string(weekday(moment));
        break;
      case 'y':
        out += std::to_string(day_of_year(moment) - 1);
        break;
      case 'z':
        out += std::to_string(moment.offset.value_or(0) * 60);
        break;
      case 'Z':
        out += zone_letters_of(moment);
        break;
      case 'n':
        out += inky::zone_name(moment.zone);
        break;
      case 'i': {
        Moment plain = moment;
        plain.zone = 0;
        out += moment_text(plain);
        break;
      }
      default:
        --at;
        out += describe(value);
    }
  }
  return out;
}

Error not_yet(std::string_view language, const std::string& what) {
  return {Code::not_supported_yet,
          what + " in a program of " + std::string(language) + " is not supported yet",
          {},
          "Give another type, or show it without a program."};
}

// The digits of a real, so that they are one for the language.
std::string real_digits(const ProgramForm& form, const Value& value) {
  std::string out = describe(value);
  const std::size_t exponent = out.find('e');
  if (exponent != std::string::npos) {
    out[exponent] = form.exponent;
    return out;
  }
  if (out.find('.') == std::string::npos) out += ".0";
  return out + std::string(form.real_end);
}

// A form of a duration: @s and @n stand for its seconds and nanoseconds, and @ alone for all.
std::string duration_source(std::string_view form, const Value& value) {
  const int128 all = value.as_duration();
  const std::pair<std::string_view, int128> parts[] = {{"@s", all / nanoseconds_per_second},
                                                       {"@n", all % nanoseconds_per_second}};
  std::string out(form);
  for (const auto& [mark, number] : parts) {
    const std::size_t at = out.find(mark);
    if (at == std::string::npos) return filled(form, describe(value));
    out.replace(at, mark.size(), std::to_string(static_cast<std::int64_t>(number)));
  }
  return out;
}

}  // namespace

Result<std::string> value_source(const ProgramForm& form, std::string_view language,
                                 const Value& value) {
  const auto found = std::find_if(form.types.begin(), form.types.end(),
                                  [&](const TypeForm& one) { return one.type == value.type(); });
  if (found == form.types.end())
    return not_yet(language, "a value of type " + std::string(name_of(value.type())));
  const TypeForm& type = *found;
  if (value.is(Type::duration)) return duration_source(type.literal, value);
  if (value.is(Type::moment) || value.is(Type::date) || value.is(Type::time)) {
    const bool has_offset = value.is(Type::moment) && value.as_moment().offset;
    if (has_offset && type.with_offset.empty() && type.literal.find("@z") == std::string_view::npos)
      return not_yet(language, "a moment with an offset from UTC");
    if (has_offset && value.as_moment().zone != 0) {
      if (!type.with_zone.empty()) return filled_with_parts(type.with_zone, value);
      if (type.literal.find("@Z") != std::string_view::npos)
        return filled_with_parts(type.literal, value);
      Moment plain = value.as_moment();
      plain.zone = 0;
      return value_source(form, language, Value::moment(plain));
    }
    return filled_with_parts(
        has_offset && !type.with_offset.empty() ? type.with_offset : type.literal, value);
  }
  if (value.is(Type::text)) {
    if (!is_utf8(value.as_text())) return not_yet(language, "a text that is not UTF-8");
    const bool has_zero = value.as_text().find('\0') != std::string_view::npos;
    if (has_zero && form.control == ControlEscape::itself)
      return not_yet(language, "a text with a NUL");
    return filled(type.literal, '"' + literal_text(form, value.as_text()) + '"');
  }
  if (value.is(Type::character)) {
    constexpr char32_t first = 0x20;
    constexpr char32_t last = 0x7E;
    if (value.as_character() < first || value.as_character() > last)
      return not_yet(language, "a character beyond ASCII");
    std::string one(1, static_cast<char>(value.as_character()));
    if (one == "'" || one == "\\") one.insert(0, "\\");
    return filled(type.literal, one);
  }
  if (value.is(Type::truth))
    return std::string(value.as_whole() != 0 ? form.truth : form.falsehood);
  if (is_real(value.type())) {
    const BinaryReal real = value.as_real();
    if (real.kind == RealClass::infinite || real.kind == RealClass::not_a_number) {
      const std::string_view name = real.kind == RealClass::not_a_number ? form.not_a_number
                                    : real.negative                      ? form.negative_infinity
                                                                         : form.infinity;
      if (name.empty() || !value.is(Type::f64)) return not_yet(language, describe(value));
      const bool minus = real.kind == RealClass::not_a_number && real.negative;
      return (minus ? "-" : "") + std::string(name);
    }
    return filled(type.literal, real_digits(form, value));
  }
  constexpr int128 least = -(int128{1} << 63);
  if (value.is(Type::i64) && value.as_whole() == least && !form.least_i64.empty())
    return std::string(form.least_i64);
  return filled(type.literal, describe(value));
}

}  // namespace inky::inline v1
