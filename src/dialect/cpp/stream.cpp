// The dialect `cpp-stream`: insertion chains of C++, with manipulators, pasted as they are:
//
//   cout << fixed << setprecision(2) << setw(9) << mass << "*" << endl;
//
// Defined by ISO C++20, [ostream.formatted], [iomanip] and [locale.num.put]; what they leave open
// is as libstdc++ of g++ 12 does it, in any of its locales. Names are values by name; values without
// names are given to the other names in the order these first appear. Several statements are one
// stream's.
//
// What sets it apart from the rest:
//   - settings stay until they are changed, but for the width, which the next value uses up;
//   - i8 and u8 are characters; octal and hexadecimal show negative numbers in two's complement;
//   - a character's or a text's padding knows left and right only.

#include <algorithm>
#include <array>
#include <string>
#include <unordered_map>
#include <utility>

#include "../family/checked_dialect.hpp"
#include "../family/named_values.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "c/c.hpp"
#include "chain.hpp"
#include "dialect/program_form.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "format/layout.hpp"
#include "stream_facts.hpp"
#include "stream_money.hpp"
#include "stream_numbers.hpp"
#include "stream_state.hpp"
#include "stream_writing.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace cpp_stream {

namespace {

class Rendering final : public family::Rendering<Rendering>, public computed::Scope {
 public:
  const Value* find(std::string_view name) const override { return named_.find(name); }

  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(cpp_stream::facts, parsed, values, options, out, report),
        chain_(static_cast<const Chain&>(*parsed.program)),
        begins_with_value_(
            chain_.first_is_value ||
            (!chain_.first.name.empty() &&
             std::any_of(values.begin(), values.end(),
                         [&](const Value& value) { return value.name() == chain_.first.name; }))),
        named_(begins_with_value_ ? chain_.names_with_first : chain_.names, values) {
    shared_.locale = options.setting("locale");
    shared = &shared_;
  }

  // What the compiler reports, which sees the whole chain before any of it is printed.
  std::optional<Outcome> check() {
    std::optional<Outcome> later;
    // Whether to go on: what happens when the program runs comes after what the compiler refuses.
    const auto goes_on = [&](bool good) {
      if (good) return true;
      if (trouble_.kind() == Outcome::Kind::fails_compile) return false;
      if (!later) later = std::move(trouble_);
      trouble_ = Outcome();
      return true;
    };
    if (begins_with_value_ && !goes_on(check_shown(chain_.first))) return std::move(trouble_);
    for (const Insertion& insertion : chain_.insertions) {
      if (!goes_on(check_settings(insertion.before)) || !goes_on(check_shown(insertion.shown)))
        return std::move(trouble_);
    }
    if (!goes_on(check_settings(chain_.after))) return std::move(trouble_);
    return later;
  }

  // The first word, where it is a value, belongs to no field: whether it is one shows only now.
  Outcome run() {
    if (!begins_with_value_ || parsed_.refusal) return family::Rendering<Rendering>::run();
    const std::size_t start = out_.needed();
    Report* const report = std::exchange(report_, nullptr);
    Field field;
    field.span = chain_.first.span;
    put(field, *find(chain_.first));
    report_ = report;
    const std::size_t size = out_.needed() - start;
    Outcome outcome = family::Rendering<Rendering>::run();
    if (!outcome.prints()) out_.cut_back(start);
    if (report_ != nullptr) {
      for (PlacedField& placed : report_->fields)
        placed.output = {placed.output.from + size, placed.output.to + size};
    }
    return outcome;
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    const Insertion& insertion = chain_.insertions[index];
    if (!apply(insertion.before)) return false;
    const int width = state_.width;
    const Value& shown = *find(insertion.shown);
    if (report_ != nullptr && insertion.shown.expression != nullptr) computed_ = shown;
    if (insertion.shown.expression != nullptr && is_put_time(*insertion.shown.expression)) {
      if (report_ != nullptr) shown_ = place_of(time_in(*insertion.shown.expression));
      out_.append(shown.as_text());
      return true;
    }
    if (computed::is_object(shown, money_object)) {
      const std::string text = money_text(shown, glibc::locale_or_c(shared_.locale), state_);
      if (report_ != nullptr) computed_ = Value::text(text);
      out_.append(text);
    } else {
      put_in_locale(field, shown);
    }
    if (report_ != nullptr) note_width(field, insertion.shown, width);
    state_.width = 0;
    return true;
  }

  bool end() {
    if (!apply(chain_.after)) return false;
    if (report_ != nullptr) note_state();
    return true;
  }
  void note_field(const Field&) {}

 private:
  bool refuse(std::string why, Span span) {
    return fail(Outcome::fails_at_compile("error", std::move(why), span));
  }

  // The value of an operand; null where it has none.
  const Value* find(const Operand& operand) {
    if (operand.expression != nullptr) return compute(operand);
    return operand.name.empty() ? &operand.value : named_.find(operand.name);
  }

  // The value of an expression, computed once; null, and trouble_ set, where it has none.
  const Value* compute(const Operand& operand) {
    const auto known = results_.find(&operand);
    if (known != results_.end()) return &known->second;
    CppExpressions expressions(*this);
    Value value;
    if (expressions.evaluate(*operand.expression, value))
      return &results_.emplace(&operand, std::move(value)).first->second;
    fail(computed::outcome_of(*expressions.trouble()));
    return nullptr;
  }

  // Why an operand has no value.
  bool has_no_value(const Operand& operand) {
    return operand.expression == nullptr &&
           refuse("'" + operand.name + "' was not declared in this scope", operand.span);
  }

  bool check_shown(const Operand& operand) {
    const Value* value = find(operand);
    if (value == nullptr) return has_no_value(operand);
    if (computed::is_object(*value, money_object)) return true;
    switch (value->type()) {
      case Type::i128:
      case Type::u128:
        return refuse(
            "a whole number of 128 bits cannot be inserted: it is ambiguous which type to take it "
            "for",
            operand.span);
      case Type::list:
      case Type::tuple:
      case Type::record:
        return refuse("there is no operator << for a " + std::string(name_of(value->type())),
                      operand.span);
      case Type::big:
      case Type::f16:
      case Type::bf16:
      case Type::f128:
      case Type::decimal:
      case Type::moment:
      case Type::date:
      case Type::time:
      case Type::duration:
        break;
      case Type::character:
        if (value->as_character() < 0x80) return true;
        break;
      default:
        return true;
    }
    return fail(
        Outcome::error({Code::not_supported_yet,
                        describe(*value) + " as a value of C++ is not supported yet", operand.span,
                        "Give a whole number up to 64 bits, f32, f64, f80, a text, an ASCII "
                        "character, true or false."}));
  }

  bool check_settings(const std::vector<Setting>& settings) {
    for (const Setting& setting : settings) {
      if (!setting.takes_argument) continue;
      const Value* value = find(setting.argument);
      if (value == nullptr) return has_no_value(setting.argument);
      const bool fits = setting.what == What::fill
                            ? value->is(Type::character) || value->is(Type::i8)
                            : is_whole(value->type()) && !value->is(Type::big);
      if (!fits) {
        return refuse(setting.what == What::fill ? "setfill needs a char, such as '*'"
                                                 : "a whole number is needed here",
                      setting.argument.span);
      }
    }
    return true;
  }

  bool apply(const std::vector<Setting>& settings) {
    for (const Setting& setting : settings) {
      int to = setting.to;
      if (setting.what == What::fill) {
        const Value& value = *find(setting.argument);
        const char byte = static_cast<char>(value.bits() & 0xFF);
        state_.fill = Mark(std::string_view(&byte, 1));
        continue;
      }
      if (setting.takes_argument && !take_count(setting, to)) return false;
      state_.set(setting.what, to, setting.how);
      if (setting.what == What::width) {
        used_up_ = false;
        width_span_ = setting.span;
      }
    }
    return true;
  }

  bool take_count(const Setting& setting, int& to) {
    // Converted to int, which wraps.
    const auto number = static_cast<std::int32_t>(low_half(find(setting.argument)->bits()));
    if (number > most_width) {
      return fail(Outcome::error(
          {Code::over_limit,
           std::to_string(number) + " is over the limit of " + std::to_string(most_width),
           setting.argument.span, "Use at most " + std::to_string(most_width) + "."}));
    }
    to = number;
    if (setting.what == What::base) to = State::base_flag_of(number);
    return true;
  }

  Spec spec(Kind kind) const { return state_.spec(kind); }

  // A number with the marks of the locale, which the width counts.
  void put_in_locale(const Field& field, const Value& value) {
    const Type type = value.type();
    const bool is_number =
        (is_whole(type) && type != Type::i8 && type != Type::u8) || is_real(type);
    if (glibc::is_plain_locale(shared_.locale) || !is_number) return put(field, value);
    TextBuffer plain;
    target_ = &plain;
    const int width = std::exchange(state_.width, 0);
    put(field, value);
    state_.width = width;
    target_ = nullptr;
    const bool has_prefix = is_whole(type) && state_.base() == 8 && state_.show_base;
    put_padded(spec(Kind::whole),
               localized(plain.view(), has_prefix, glibc::locale_or_c(shared_.locale)), out_);
  }
  Output& to() { return target_ == nullptr ? out_ : *target_; }

  void put(const Field& field, const Value& value) {
    switch (value.type()) {
      case Type::i8:
      case Type::u8:
        return put_byte(field, value);
      case Type::truth:
        if (state_.names_of_truth) return put_text(value.as_whole() != 0 ? "true" : "false");
        return put_whole(value.as_whole(), 64, true);
      case Type::nil:
        return put_text("nullptr");
      case Type::complex:
        return put_complex(value);
      case Type::text:
        put_text(value.as_text());
        if (report_ != nullptr)
          note_text(spec(Kind::text), value.as_text(), unit(), field.span, report_->notes);
        return;
      case Type::character:
        return put_text(text_of(value));
      default:
        break;
    }
    if (is_whole(value.type())) {
      const TypeFact& fact = fact_of(value.type());
      return put_whole(value.as_whole(), fact.width, fact.is_signed);
    }
    put_real(field, value);
  }

  void put_text(std::string_view text) { lay_out_text(spec(Kind::text), text, unit(), to()); }

  void put_byte(const Field& field, const Value& value) {
    const char byte = static_cast<char>(value.bits() & 0xFF);
    put_text({&byte, 1});
    if (report_ == nullptr ||
        chain_.insertions[static_cast<std::size_t>(&field - parsed_.fields.data())]
            .shown.is_constant())
      return;
    note(Code::low_byte_only,
         "an " + std::string(name_of(value.type())) +
             " is a character to a stream; + in front of it, as in +" +
             std::string(parsed_.source_of(field)) + ", makes it a number",
         field.span);
  }

  void put_whole(int128 number, int width, bool is_signed) {
    Spec out = spec(Kind::whole);
    out.base = state_.base();
    if (out.base == 10) {
      if (is_signed && state_.show_positive) out.sign = Sign::always;
      return lay_out_decimal(out, number < 0, low_half(magnitude_of(number)), to());
    }
    const uint128 bits = static_cast<uint128>(number) & ((uint128{1} << width) - 1);
    WholeRoom room;
    const std::string_view digits = write_whole(bits, out.base, out.letters, room);
    const bool prefixed = state_.show_base && bits != 0;
    if (!prefixed || out.base == 16)
      return lay_out_whole(out, false, digits,
                           !prefixed          ? ""
                           : state_.uppercase ? "0X"
                                              : "0x",
                           to());
    // A 0 in front of octal digits is a digit: nothing goes between.
    lay_out_whole(out, false, "0" + std::string(digits), "", to());
  }

  Spec real_spec() const { return state_.real_spec(); }

  void put_real(const Field& field, const Value& value) {
    const bool widest = value.is(Type::f80);
    const BinaryFormat& format = widest ? extended80 : binary64;
    const BinaryReal real = widest ? value.as_real() : nearest_f64(value);
    lay_out(real_spec(), format, real, to());
    if (report_ != nullptr && !value.given_in_bits())
      note_rounding(real_spec(), format, real, field.span, report_->notes);
  }

  // "(3,-5)": each part by the settings, the whole padded as a text.
  void put_complex(const Value& value) {
    Spec part = real_spec();
    part.width = 0;
    TextBuffer text;
    text.append('(');
    lay_out(part, binary64, value.as_list()[0].as_real(), text);
    text.append(',');
    lay_out(part, binary64, value.as_list()[1].as_real(), text);
    text.append(')');
    put_text(text.view());
  }

  // ---- Notes ----

  // Which of the values one is; unset: none of them.
  int place_of(const Value* value) const {
    return values_.data() <= value && value < values_.data() + values_.size()
               ? static_cast<int>(value - values_.data())
               : unset;
  }
  // The value whose time put_time shows; null where that is no name.
  const Value* time_in(const computed::Node& put_time) const {
    const computed::Node& given = put_time.parts[1];
    const computed::Node& name = given.kind == computed::Node::Kind::unary ? given.parts[0] : given;
    return name.kind == computed::Node::Kind::name ? named_.find(name.text) : nullptr;
  }

  // A value after one that was padded, and is not.
  void note_width(const Field& field, const Operand& shown, int width) {
    shown_ = place_of(find(shown));
    if (width > 0) {
      used_up_ = true;
      return;
    }
    // A text written in the chain is rarely meant to be padded.
    const bool separates = shown.is_constant() && is_text_or_character(shown.value);
    if (separates || !std::exchange(used_up_, false)) return;
    note(Code::width_used_up,
         "setw held for the value before only; " + std::string(parsed_.source_of(field)) +
             " is not padded unless it has a setw of its own",
         field.span);
  }

  void note_state() {
    if (state_.width > 0)
      note(Code::width_used_up, "this setw waits for the next value inserted, whatever it is",
           width_span_);
    const State first;
    std::string on;
    std::string back;
    const auto add = [&](bool differs, const std::string& setting, std::string_view undo) {
      if (!differs) return;
      on += (on.empty() ? "" : ", ") + setting;
      (back += " << ") += undo;
    };
    constexpr std::string_view notations[] = {"", "fixed", "scientific", "hexfloat"};
    add(state_.notation != first.notation, std::string(notations[state_.notation]), "defaultfloat");
    add(state_.precision != first.precision, "a precision of " + std::to_string(state_.precision),
        "setprecision(6)");
    add(state_.fill != first.fill, "the fill " + in_quotes(state_.fill.text()), "setfill(' ')");
    add(state_.side == left_side || state_.side == inner_side,
        state_.side == left_side ? "left" : "internal", "right");
    add(state_.base() != first.base(), state_.base() == 16 ? "hex" : "oct", "dec");
    add(state_.show_base, "showbase", "noshowbase");
    add(state_.show_positive, "showpos", "noshowpos");
    add(state_.show_point, "showpoint", "noshowpoint");
    add(state_.uppercase, "uppercase", "nouppercase");
    add(state_.names_of_truth, "boolalpha", "noboolalpha");
    if (on.empty()) return;
    const std::string stream = chain_.stream.empty() ? "cout" : chain_.stream;
    note(Code::settings_left_on,
         "still set afterwards: " + on + "; put back by " + stream + back + ";",
         {0, parsed_.source.size()});
  }

  const Chain& chain_;
  bool begins_with_value_;  // the first word is a value, and no stream
  NamedValues named_;
  computed::Shared shared_;
  std::unordered_map<const Operand*, Value> results_;
  State state_;
  Output* target_ = nullptr;  // where values are put instead of out_
  bool used_up_ = false;      // a width, by the value before
  Span width_span_;
};

class CppStream final : public family::CheckedDialect<Chain, Rendering> {
 public:
  CppStream() : facts_(cpp_stream::facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::names; }
  WrittenField write_field(const FieldWish& wish) const override {
    const TemplatePart part{{}, wish};
    WrittenTemplate whole = write_chain({&part, 1});
    return {whole.source.value_or(std::string()), std::move(whole.notes)};
  }
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    return write_chain(parts);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string>) const override {
    return std::string(source) + ";";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    return wish_of_insertion(static_cast<const Chain&>(*parsed.program), field, type, notes);
  }

  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    if (parsed.refusal) return not_read(parsed);
    auto out = print_chain(parsed, names);
    if (out) return std::move(*out);
    return Error{Code::not_supported_yet, "a value of this chain as source is not supported yet",
                 Span{0, parsed.source.size()}, "Give the value a name."};
  }

  // cout << value.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("cout << x");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Chain& program, std::vector<Words>* words) const override {
    read_chain(out, program, words);
  }

 private:
  // Text for the reader, whose own program calls imbue(). Nothing here does.
  std::array<SettingFact, 1> settings_{
      {{"locale", "what imbue() gives the stream: the marks of numbers, and the names of times",
        "C", glibc::locale_tags(), glibc::telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace cpp_stream

const Dialect* cpp_stream_dialect() {
  static const cpp_stream::CppStream dialect;
  return &dialect;
}

}  // namespace inky::inline v1
