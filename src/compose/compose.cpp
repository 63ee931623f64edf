#include "compose.hpp"

#include <algorithm>
#include <array>
#include <optional>

#include "changes.hpp"
#include "dialect/program_form.hpp"
#include "format/base_prefix.hpp"
#include "format/layout.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/number/whole.hpp"
#include "plan.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// The forms filled in, in one pass: what is filled in may have an @ of its own.
class Filling {
 public:
  Filling(const ProgramForm& program, std::string_view name, std::size_t room)
      : program_(program), name_(name), room_(room) {}

  std::string text;        // @T
  std::string source;      // @S
  std::string text_of[2];  // @1 and @2
  std::string finer[2];    // @a and @b

  std::string fill(std::string_view form, const Change* change) const {
    std::string out;
    for (std::size_t at = 0; at < form.size(); ++at) {
      if (form[at] != '@' || at + 1 == form.size()) {
        out += form[at];
        continue;
      }
      append(form[++at], change, out);
    }
    return out;
  }

 private:
  void append(char letter, const Change* change, std::string& out) const {
    switch (letter) {
      case 'V':
        out += name_;
        return;
      case 'S':
        out += source;
        return;
      case 'T':
        out += text;
        return;
      case '1':
      case '2':
        out += text_of[letter - '1'];
        return;
      case 'a':
      case 'b':
        out += finer[letter - 'a'];
        return;
      case 'B':
        out += std::to_string(room_);
        return;
      case 'D':
        out += std::to_string(change->count);
        return;
      case 'G':
      case 'U':
      case 'X':
        return quote(change->first, out);
      case 'P':
      case 'O':
        return quote(change->second, out);
      case 'C':
        return quote(change->third, out);
      case 'F':
        return quote(fill_of(*change), out);
      case 'f':
        out += literal_text(program_, fill_of(*change));
        return;
      default:
        out += '@';
        out += letter;
    }
  }
  static const std::string& fill_of(const Change& change) {
    return change.kind == ChangeKind::pad ? change.first : change.second;
  }
  void quote(const std::string& content, std::string& out) const {
    out += '"' + literal_text(program_, content) + '"';
  }

  const ProgramForm& program_;
  std::string_view name_;
  std::size_t room_;
};

// Bytes that the text of any value of the wish fits into.
std::size_t room_for(const Spec& wish) {
  constexpr std::size_t any_number = 512;
  std::size_t out = any_number;
  for (const int count : {wish.width, wish.places, wish.significant, wish.least_digits, wish.limit})
    out += static_cast<std::size_t>(std::max(count, 0));
  return out * 2;
}

void add_helper(std::string_view source, std::vector<std::string>& helpers) {
  if (source.empty() || std::find(helpers.begin(), helpers.end(), source) != helpers.end()) return;
  helpers.emplace_back(source);
}

void write_source(const ComposingPlan& plan, const ComposingForm& form, Filling filling,
                  Composed& out) {
  const auto without_open = [&](std::string source) {
    if (source.starts_with(form.template_open)) source.erase(0, form.template_open.size());
    return source;
  };
  for (std::size_t i = 0; i < plan.finer.size(); ++i) {
    filling.finer[i] = filling.source = without_open(plan.finer[i]);
    filling.text_of[i] = filling.fill(form.text_of, nullptr);
  }
  filling.source = without_open(plan.source);
  if (form.in_steps) filling.text = filling.fill(form.text_name, nullptr);
  const auto step = [&](std::string_view made, const Change* change) {
    std::string source = filling.fill(made, change);
    if (form.in_steps)
      out.statements += source + "\n";
    else
      filling.text = std::move(source);
  };
  if (!plan.source.empty()) step(form.text_of, nullptr);
  for (const Change& change : plan.changes) {
    const ChangeForm& written = form_of(form, change);
    if (!written.source.empty()) add_helper(form.common, out.helpers);
    add_helper(written.needs, out.helpers);
    add_helper(written.source, out.helpers);
    step(written.call, &change);
  }
  out.statements += filling.fill(form.print, nullptr);
  if (!out.helpers.empty() || form.in_steps) out.before = form.before;
}

// The text that is wished of a value, whatever the language. Empty: it is not to be compared.
std::string wished(const Spec& wish, const Value& value, WidthUnit unit) {
  TextBuffer out;
  if (is_real(value.type())) {
    if (!value.as_real().is_finite() || wish.notation == Notation::shortest) return {};
    lay_out_real(wish, *fact_of(value.type()).format, value.as_real(), {}, out);
  } else if (value.is(Type::text)) {
    lay_out_text(wish, value.as_text(), unit, out);
  } else if (is_whole(value.type()) && value.type() != Type::big) {
    const int128 number = value.as_whole();
    std::string digits;
    append_whole(Natural(magnitude_of(number)), wish.base, wish.letters, digits);
    const std::string_view prefix = base_prefix(wish);
    lay_out_whole(wish, number < 0, digits, prefix, out);
  }
  return out.string();
}

std::string_view without_spaces(std::string_view text) {
  while (text.starts_with(' ')) text.remove_prefix(1);
  while (text.ends_with(' ')) text.remove_suffix(1);
  return text;
}

// An exponent as each language writes it is no difference: e+05, e+005, e5.
std::string with_plain_exponent(std::string_view padded) {
  const std::string_view text = without_spaces(padded);
  const std::size_t mark = text.find_first_of("eE");
  if (mark == std::string_view::npos) return std::string(text);
  std::string out(text.substr(0, mark + 1));
  std::string_view rest = text.substr(mark + 1);
  if (rest.starts_with('-')) out += '-';
  if (rest.starts_with('-') || rest.starts_with('+')) rest.remove_prefix(1);
  while (rest.size() > 1 && rest[0] == '0' && is_digit(rest[1])) rest.remove_prefix(1);
  return out + std::string(rest);
}

Note difference(const Value& value, const Outcome& outcome, const std::string& text,
                const std::string& wanted) {
  const std::string printed = outcome.prints() ? in_quotes(text) : outcome.why();
  return {Code::wish_not_expressible,
          "of " + describe(value) + " it prints " + printed + ", where " + in_quotes(wanted) +
              " is wished",
          {}};
}

// Whether the language's own digits are the wished ones: some round ties in another way.
bool prints_as_wished(const Spec& core, const Value& value, WidthUnit unit, const Composed& out) {
  if (out.core == nullptr) return true;
  TextBuffer text;
  const Outcome outcome = Composed::render_template(*out.core, value, text);
  return outcome.prints() &&
         with_plain_exponent(text.string()) == with_plain_exponent(wished(core, value, unit));
}

// Notes the first value whose text is another than the wished one, though the template alone prints
// what is wished of it.
void try_out(const ComposingPlan& plan, Type type, WidthUnit unit, Composed& out) {
  const Spec& wish = plan.digits;
  const Spec& core = plan.core;
  const bool is_scientific = wish.notation == Notation::scientific;
  for (const Value& value : trial_values(type)) {
    std::string wanted = wished(wish, value, unit);
    for (std::size_t i = plan.money; i < out.changes->size() && !wanted.empty(); ++i)
      wanted = changed((*out.changes)[i], wanted, unit);
    TextBuffer got;
    const Outcome outcome = out.render(value, got);
    if (wanted.empty() || (outcome.prints() && wanted == got.string())) continue;
    if (outcome.prints() && is_scientific &&
        with_plain_exponent(wanted) == with_plain_exponent(got.string()))
      continue;
    if (!prints_as_wished(core, value, unit, out)) continue;
    out.notes.push_back(difference(value, outcome, got.string(), wanted));
    return;
  }
}

std::string special_text(const BinaryReal& real) {
  return real.kind == RealClass::not_a_number ? "nan" : real.negative ? "-inf" : "inf";
}

std::string real_text(const Spec& spec, const BinaryReal& real) {
  TextBuffer out;
  lay_out_real(spec, binary64, real, {}, out);
  return out.string();
}

Spec real_spec(Notation notation, int places) {
  Spec out;
  out.kind = Kind::real;
  out.notation = notation;
  out.places = places;
  return out;
}

// What the helpers make of a double in base 16.
std::string hexadecimal_text(const Value& value) {
  const BinaryReal real = value.as_real();
  if (!real.is_finite()) return special_text(real);
  return real_text(real_spec(Notation::hexfloat, unset), real);
}

// What the helpers make of a double: as many digits as read back, and no more. It has an exponent
// where it would be long without one.
std::string shortest_text(const Value& value) {
  const BinaryReal real = value.as_real();
  if (!real.is_finite()) return special_text(real);
  constexpr int most_digits = 17;
  for (int digits = 1;; ++digits) {
    std::string text = real_text(real_spec(Notation::scientific, digits - 1), real);
    const auto read = read_typed(Type::f64, text);
    if (digits < most_digits && (!read || read->bits() != value.bits())) continue;
    const std::string_view behind = std::string_view(text).substr(text.find('e') + 1);
    int exponent = 0;
    for (const char c : behind.substr(1)) exponent = exponent * 10 + (c - '0');
    if (behind[0] == '-') exponent = -exponent;
    if (exponent < -5 || exponent >= most_digits) return text;
    return real_text(real_spec(Notation::fixed, std::max(digits - 1 - exponent, 0)), real);
  }
}

}  // namespace

std::string Composed::definitions() const {
  std::string out = before;
  for (const std::string& helper : helpers) out += (out.empty() ? "" : "\n") + helper;
  return out;
}

std::optional<Note> Composed::difference_from(const Template& parsed, bool usual) const {
  for (const Value& value : trial_values(type)) {
    if ((is_in_base && value.as_whole() <= 0) == usual) continue;
    Value named = value;
    if (!parsed.value_names().empty()) named.set_name(parsed.value_names()[0]);
    TextBuffer wanted;
    TextBuffer printed;
    if (!render(value, wanted).prints()) continue;
    const Outcome outcome = parsed.dialect().render(parsed, {&named, 1}, {}, printed, nullptr);
    if (!outcome.prints() || wanted.string() != printed.string())
      return difference(value, outcome, printed.string(), wanted.string());
  }
  return std::nullopt;
}

Outcome Composed::render_template(const Template& read, const Value& value, Output& out) {
  Value named = value;
  if (!read.value_names().empty()) named.set_name(read.value_names()[0]);
  return read.dialect().render(read, {&named, 1}, {}, out, nullptr);
}

Outcome Composed::render(const Value& value, Output& out) const {
  std::string text;
  if (core != nullptr) {
    TextBuffer made;
    Outcome outcome = render_template(*core, value, made);
    if (!outcome.prints()) return outcome;
    text = made.string();
    if (unit != WidthUnit::bytes && !is_utf8(text))
      return Outcome::undefined("the helpers change texts of UTF-8 only", {});
  }
  for (const Change& change : *changes) {
    if (change.kind == ChangeKind::in_base) {
      const int128 number = value.as_whole();
      if (number < 0) text += '-';
      append_whole(Natural(magnitude_of(number)), static_cast<int>(change.count), Letters::lower,
                   text);
    } else if (change.kind == ChangeKind::thousands) {
      TextBuffer one;
      TextBuffer two;
      if (!render_template(*finer[0], value, one).prints() ||
          !render_template(*finer[1], value, two).prints())
        return Outcome::undefined("the number has no such digits", {});
      text = changes::for_thousands(text, one.string(), two.string());
    } else if (change.kind == ChangeKind::hexadecimal) {
      text = hexadecimal_text(value);
    } else if (change.kind == ChangeKind::shortest) {
      text = shortest_text(value);
    } else if (change.kind == ChangeKind::truth) {
      text = value.as_whole() != 0 ? "true" : "false";
    } else {
      text = changed(change, text, unit);
    }
  }
  out.append(text);
  return Outcome();
}

Result<Composed> compose(const Dialect& dialect, const Spec& wish, Type type,
                         std::string_view name) {
  const auto fail = [](std::string why) {
    return Error{Code::not_supported_yet, std::move(why), {}, "Wish for less of it."};
  };
  const ComposingForm* form = dialect.facts().forms.composing;
  if (form == nullptr) return fail("this language composes nothing yet");
  const Dialect* carrier = find_dialect(form->carrier);
  ComposingPlan plan = make_plan(*carrier, *form, wish, type, name);
  if (!plan.why_not.empty()) return fail(std::move(plan.why_not));
  Composed out;
  out.type = type;
  out.is_in_base = is_whole(type) && wish.base != 10;
  out.unit = form->unit;
  if (!plan.source.empty()) {
    Result<Template> parsed = carrier->parse(plan.source);
    if (!parsed) return parsed.error();
    out.core = std::make_shared<const Template>(std::move(*parsed));
  }
  for (const std::string& source : plan.finer) {
    Result<Template> parsed = carrier->parse(source);
    if (!parsed) return parsed.error();
    out.finer.push_back(std::make_shared<const Template>(std::move(*parsed)));
  }
  write_source(plan, *form, Filling(program_form_of(carrier->facts()), name, room_for(wish)), out);
  out.changes = std::make_shared<const std::vector<Change>>(std::move(plan.changes));
  try_out(plan, type, form->unit, out);
  return out;
}

}  // namespace inky::inline v1
