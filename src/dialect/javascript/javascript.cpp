// The dialect `javascript`: template literals whose slots are expressions, pasted as they are, with
// their backticks or without:
//
//   `${mass.toFixed(2).padStart(9)}|${lot}`
//
// Defined by ECMA-262, 13.2.8; what it leaves open is as V8 11.3 of Node.js 20 does it. Names are
// values by name; values without names are given to the other names in the order these first
// appear. Whole numbers up to 64 bits and all reals are Numbers, wider ones BigInts; a list is an
// array, a record an object, nil is null.
//
// What sets it apart:
//   - there is one type of number: toFixed and its like round the stored value, ties away from
//   zero;
//   - a number by itself shows its shortest digits, without an exponent from 1e-6 to below 1e21;
//   - toLocaleString rounds those shortest digits, not the stored value.

#include <algorithm>
#include <array>
#include <bit>
#include <memory>
#include <string>
#include <unordered_map>

#include "../family/named_values.hpp"
#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/writing.hpp"
#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "dialects.hpp"
#include "evaluation.hpp"
#include "numbers.hpp"
#include "printing.hpp"
#include "table.hpp"
#include "text/escape.hpp"
#include "writing.hpp"

namespace inky::inline v1 {

namespace javascript {

namespace {

// ---- Facts ----

constexpr auto escape_facts = std::to_array<EscapeFact>({
    {"\\`", "a backtick"},
    {"\\$", "a dollar sign, which begins no slot then"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\0", "the character of code 0"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\x41", "the character of this hexadecimal number of two digits"},
    {"\\u03a9", "the UTF-16 unit of this number"},
    {"\\u{1f5a8}", "the character of this code point"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"an expression or an escape that cannot be read", "SyntaxError, when it is compiled"},
    {"a name that has no value", "ReferenceError"},
    {"digits out of range: toFixed(101), toString(1)", "RangeError"},
    {"a method that the value has not, a member of null", "TypeError"},
    {"arithmetic of a BigInt with a Number", "TypeError"},
});

constexpr auto program_types = std::to_array<TypeForm>({
    {Type::f64, ""},
    {Type::i32, ""},
    {Type::text, ""},
    {Type::truth, ""},
    {Type::nil, "", "null"},
    {Type::moment, "", "new Date(\"@iZ\")", {}, "new Date(\"@i\")"},
});

constexpr NeededLine needed_lines[] = {{"util", "const util = require(\"node:util\");\n"}};

// Node.js has its locale from the environment.
constexpr SettingForm program_settings[] = {{.name = "locale",
                                             .line = "// Run with LC_ALL=@N\n",
                                             .source = SettingForm::Source::icu_by_environment}};

constexpr ProgramForm own_program = {.before = "",
                                     .declaration = "const @N = @V;\n",
                                     .statement = "@S\n",
                                     .after = "",
                                     .types = program_types,
                                     .infinity = "Infinity",
                                     .negative_infinity = "-Infinity",
                                     .not_a_number = "NaN",
                                     .control = ControlEscape::hexadecimal,
                                     .needed = needed_lines,
                                     .settings = program_settings};

constexpr RunForm own_run = {"node nodejs", "NODE", "nodejs", "main.js", "", "@ main.js"};

constexpr DialectFacts javascript_facts = {
    .id = "javascript",
    .language = "JavaScript",
    .facility = "template literals, with the methods of numbers and strings",
    .standard = "ECMA-262, 13.2.8 and 21.1.3",
    .toolchain = "Node.js 20.20.2",
    .program = "node",
    .width_unit = WidthUnit::utf16_units,
    .rounding = {.rule = Rounding::half_away,
                 .basis = "the stored value, exactly; toLocaleString: the shortest digits",
                 .stored_value = false},
    .style = TemplateStyle::own,
    .letter_form = "",
    .places_form = "${x.toFixed(N)}",
    .modifiers_are = "Methods and functions",
    .quotes = "",
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "`\n    + `", ""}},
    .conversions = {},
    .flags = {},
    .modifiers = {},  // as well
    .escapes = escape_facts,
    .failures = failures,
};

// ---- A template, read ----

struct Slot {
  Node expression;
  std::vector<std::string> names;  // of values
};

struct Slots final : Program {
  std::vector<Slot> slots;         // as many as the template has fields
  std::vector<std::string> names;  // in the order they first appear
};

// ---- Reading ----

class SlotReader {
 public:
  SlotReader(TemplateContent& out, Slots& program, std::vector<Words>* words)
      : out_(out), source_(out.source), program_(program), names_(program.names), words_(words) {}

  void read() {
    const bool quoted = source_.starts_with('`');
    if (quoted) at_ = 1;
    begin_ = 0;
    while (!out_.refusal && at_ < source_.size() && source_[at_] != '`') {
      if (source_.substr(at_).starts_with("${"))
        read_slot();
      else
        read_literal_part();
    }
    if (out_.refusal) return;
    if (quoted && at_ >= source_.size()) return refuse("the closing backtick is missing", 0, 1);
    if (at_ < source_.size()) {
      if (!quoted || at_ + 1 < source_.size())
        return refuse("a backtick ends the literal; inside it is written \\`", at_, at_ + 1);
      ++at_;
    }
    close_literal(at_);
    refuse_shared_changes();
  }

 private:
  // A value that one slot changes is another one in those behind it.
  void refuse_shared_changes() {
    std::unordered_map<std::string, int> counts;
    std::vector<std::pair<std::string, Span>> changed;
    for (const Slot& slot : program_.slots) {
      for (std::string& name : changed_names(slot.expression))
        changed.emplace_back(std::move(name), slot.expression.span);
      for (const std::string& name : names_in(slot.expression)) ++counts[name];
    }
    for (const auto& [name, span] : changed) {
      if (out_.refusal || counts[name] < 2) continue;
      out_.refusal = {Refusal::When::not_supported_yet, "Change a copy of it.",
                      "a change of a value that is shown elsewhere is not supported yet", span};
    }
  }

  void refuse(std::string why, std::size_t from, std::size_t to) {
    if (!out_.refusal)
      out_.refusal = {Refusal::When::compile, "SyntaxError", std::move(why), Span{from, to}};
  }

  // ECMA-262, 12.9.6: every line end is a line feed.
  void read_literal_part() {
    if (source_[at_] == '\\') {
      at_ += read_escape(at_, out_);
    } else if (source_[at_] == '\r') {
      out_.literals += '\n';
      at_ += source_.substr(at_).starts_with("\r\n") ? 2 : 1;
    } else {
      out_.literals += source_[at_++];
    }
  }

  void close_literal(std::size_t end) {
    if (end == begin_) return;
    out_.pieces.push_back({{begin_, end}, unset, {literal_from_, out_.literals.size()}});
    if (words_.asked()) {
      const std::string_view text = std::string_view(out_.literals).substr(literal_from_);
      words_.add(end, "literal", text.empty() ? "the quotes, which print nothing" : in_quotes(text),
                 unset);
    }
    literal_from_ = out_.literals.size();
  }

  void read_slot() {
    const std::size_t start = at_;
    close_literal(start);
    at_ += 2;
    Slot slot;
    if (!read_expression(out_, at_, slot.expression, true)) return;
    if (at_ >= source_.size() || source_[at_] != '}')
      return refuse("the slot has no closing brace", start, std::min(start + 2, source_.size()));
    ++at_;
    NameCollector names(slot.names);
    for (const std::string& name : names_in(slot.expression)) names.add(name);
    if (words_.asked()) tell(slot.expression);
    for (const std::string& name : slot.names) names_.add(name);
    Field field;
    field.span = {start, at_};
    if (!slot.names.empty()) field.key = "(" + slot.names[0] + ")";
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    program_.slots.push_back(std::move(slot));
    begin_ = at_;
    literal_from_ = out_.literals.size();
  }

  // A chain of calls, one after the other; anything else as a whole.
  void tell(const Node& expression) {
    const int field = static_cast<int>(out_.fields.size());
    std::vector<const Node*> chain = {&expression};
    while (chain.back()->kind == Node::Kind::call &&
           chain.back()->parts[0].kind == Node::Kind::member)
      chain.push_back(&chain.back()->parts[0].parts[0]);
    const Node& first = *chain.back();
    words_.add(first.span.to, "value",
               first.kind == Node::Kind::name ? "the value named " + first.text
               : first.parts.empty()
                   ? "the literal " + std::string(source_.substr(first.span.from,
                                                                 first.span.to - first.span.from))
                   : std::string("an expression"),
               field);
    for (std::size_t i = chain.size() - 1; i-- > 0;)
      words_.add(chain[i]->span.to, "method", meaning_of(chain[i]->parts[0].text), field);
    words_.add(at_, "end", "the end of the slot", field);
  }

  static std::string meaning_of(std::string_view name) {
    for (const MethodFact& fact : methods()) {
      if (fact.name == name) return std::string(fact.meaning);
    }
    return "a method that is not supported yet";
  }

  TemplateContent& out_;
  std::string_view source_;
  Slots& program_;
  NameCollector names_;
  braces::WordsSink words_;
  std::size_t at_ = 0;
  std::size_t begin_ = 0;         // of the literal that is being read
  std::size_t literal_from_ = 0;  // where its text begins
};

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering>, private Scope {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(javascript_facts, parsed, values, options, out, report),
        program_(static_cast<const Slots&>(*parsed.program)),
        named_(program_.names, values) {}

  bool render(const Field& field) {
    const Slot& slot = program_.slots[static_cast<std::size_t>(&field - parsed_.fields.data())];
    if (put_plain(slot)) return true;
    Failure failure;
    const auto datum = evaluate(slot.expression, *this, {options_.setting("locale"), unit()},
                                report_ == nullptr ? nullptr : &report_->notes, failure);
    if (!datum) return fail(failed(failure, field));
    text_.clear();
    append_text(*datum, text_);
    out_.append(text_);
    if (report_ != nullptr) note_slot(slot);
    return true;
  }

  bool end() {
    if (report_ == nullptr) return true;
    const std::size_t spare = named_.spare();
    if (spare > 0)
      note(Code::too_many_values,
           std::to_string(spare) +
               " more than the names in the slots; a slot is written ${mass.toFixed(2)}",
           {0, parsed_.source.size()});
    return true;
  }
  void note_field(const Field&) {}

 private:
  const Value* find(std::string_view name) const override { return named_.find(name); }

  // The commonest slot: a name whose value is a text or a Number. False where it is not that.
  bool put_plain(const Slot& slot) {
    if (slot.expression.kind != Node::Kind::name || slot.names.empty()) return false;
    const Value* value = find(slot.expression.text);
    if (value == nullptr) return false;
    if (value->is_expression()) return false;
    if (value->is(Type::text)) {
      out_.append(value->as_text());
    } else if (value->is(Type::f64) || value->is(Type::i32)) {
      text_.clear();
      append_number(value->is(Type::f64)
                        ? std::bit_cast<double>(low_half(value->bits()))
                        : static_cast<double>(static_cast<std::int32_t>(low_half(value->bits()))),
                    text_);
      out_.append(text_);
    } else {
      return false;
    }
    if (report_ != nullptr) note_slot(slot);
    return true;
  }

  static Outcome failed(Failure& failure, const Field& field) {
    const Span span = failure.span.to <= failure.span.from ? field.span : failure.span;
    if (!failure.name.empty())
      return Outcome::fails_at_run(std::move(failure.name), std::move(failure.why), span);
    return Outcome::error({failure.is_over_limit ? Code::over_limit : Code::not_supported_yet,
                           std::move(failure.why), span, "Give its result as a named value."});
  }

  // Which value a slot shows, and what became of it.
  void note_slot(const Slot& slot) {
    shown_ = unset;
    for (const std::string& name : slot.names) {
      const Value* value = find(name);
      if (value == nullptr) continue;
      if (slot.names.size() == 1) shown_ = static_cast<int>(value - values_.data());
      const bool wide = is_whole(value->type()) && !value->is(Type::big) &&
                        !value->is(Type::i128) && !value->is(Type::u128);
      if (wide && !is_exact(*value))
        note(Code::type_converted,
             describe(*value) + " is the nearest Number; 42n would be a BigInt",
             slot.expression.span);
      if (value->is(Type::f80) || value->is(Type::f128))
        note(Code::type_converted, describe(*value) + " is the nearest Number",
             slot.expression.span);
    }
  }
  // Whether 53 bits hold a whole number.
  static bool is_exact(const Value& value) {
    const uint128 magnitude = value.is(Type::u64) ? value.bits() : magnitude_of(value.as_whole());
    const std::uint64_t low = low_half(magnitude);
    return low == 0 || bit_length(low) - std::countr_zero(low) <= binary64.precision;
  }

  const Slots& program_;
  NamedValues named_;
  std::string text_;
};

// ---- Writing ----

constexpr writing::LiteralRules literal_rules = {.escaped = "`\\$"};

class JavaScript final : public family::ProgramDialect<Slots> {
 public:
  JavaScript() : facts_(javascript_facts) {
    for (const MethodFact& fact : methods()) modifiers_.push_back({fact.name, fact.meaning});
    facts_.modifiers = modifiers_;
    facts_.settings = settings_;
  }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::names; }
  WrittenField write_field(const FieldWish& wish) const override { return write_slot(wish); }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string>) const override {
    // It may be pasted with its quotes.
    const bool quoted = source.size() > 1 && source.front() == '`' && source.back() == '`';
    return "process.stdout.write(" +
           (quoted ? std::string(source) : "`" + std::string(source) + "`") + ");";
  }

  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    if (parsed.refusal) return not_read(parsed);
    const Slots& program = static_cast<const Slots&>(*parsed.program);
    std::string literal = "`";
    for (const Piece& piece : parsed.pieces) {
      if (piece.field == unset) {
        literal += template_text(program_form_of(facts_), parsed.literal(piece));
        continue;
      }
      const Node& shown = program.slots[static_cast<std::size_t>(piece.field)].expression;
      if (const Node* unknown = unknown_part(shown, names))
        return Error{Code::not_supported_yet,
                     in_quotes(parsed.source.substr(unknown->span.from,
                                                    unknown->span.to - unknown->span.from)) +
                         " in a program is not supported yet: it is not understood",
                     unknown->span, "Give its result as a named value."};
      literal += "${";
      append_source(program_form_of(facts_), shown, literal);
      literal += '}';
    }
    WrittenCall out;
    out.add("process.stdout.write(");
    out.add_literal(literal + '`');
    out.add(");");
    return out;
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Slot& slot =
        static_cast<const Slots&>(*parsed.program).slots[static_cast<std::size_t>(field)];
    Spec out;
    if (read_slot(slot.expression, type, out)) return out;
    writing::cannot("the expression in the slot is JavaScript's own", notes);
    return std::nullopt;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run();
  }

  // `${value}`
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("${x}");
    Value unnamed = value;
    unnamed.set_name("x");
    return render(shown, {&unnamed, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Slots& program, std::vector<Words>* words) const override {
    SlotReader(out, program, words).read();
    out.value_names = program.names;
  }

 private:
  std::array<SettingFact, 1> settings_{
      {{"locale", "of toLocaleString without one: whose marks are printed", "en-US", locale_tags(),
        telling_locales()}}};
  DialectFacts facts_;
  std::vector<ModifierFact> modifiers_;
};

}  // namespace

}  // namespace javascript

const Dialect* javascript_dialect() {
  static const javascript::JavaScript dialect;
  return &dialect;
}

}  // namespace inky::inline v1
