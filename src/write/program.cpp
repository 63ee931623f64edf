#include "inky_margin/write/program.hpp"

#include <algorithm>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "dialect/family/values.hpp"
#include "dialect/family/writing.hpp"
#include "dialect/lexis.hpp"
#include "dialect/program_form.hpp"
#include "dialect/statement.hpp"
#include "dialect/value_source.hpp"
#include "inky_margin/scan/scan.hpp"
#include "scan/tokens.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

// `form` with @, or @ and a letter, filled in.
std::string filled(std::string_view form, std::string_view mark, std::string_view text) {
  std::string out;
  while (!form.empty()) {
    const std::size_t at = form.find(mark);
    out += form.substr(0, at);
    if (at == std::string_view::npos) return out;
    out += text;
    form.remove_prefix(at + mark.size());
  }
  return out;
}

}  // namespace

Result<std::string> write_value(const Dialect& dialect, const Value& value) {
  if (value.is(Type::decimal) && dialect.facts().decimals == Decimals::none)
    return write_value(dialect, without_decimals(value));
  return value_source(program_form_of(dialect.facts()), dialect.facts().language, value);
}

namespace {

// Of a value that the program can be given.
const TypeForm& form_of(const DialectFacts& facts, Type type) {
  if (type == Type::decimal && facts.decimals == Decimals::none) type = Type::f64;
  const std::span<const TypeForm> types = program_form_of(facts).types;
  return *std::find_if(types.begin(), types.end(),
                       [&](const TypeForm& one) { return one.type == type; });
}

// A name is in the program as it is, outside of any quotes.
std::optional<Error> check_name(const Dialect& dialect, std::string_view name) {
  const bool good = !name.empty() && is_word_start(name[0]) &&
                    std::all_of(name.begin(), name.end(), is_word_part);
  if (good) return std::nullopt;
  return Error{Code::not_supported_yet,
               "the name " + in_quotes(name) + " in a program of " +
                   std::string(dialect.facts().language) + " is not supported yet",
               {},
               "A name is a letter, then letters, digits and _, all of ASCII."};
}

// What each value is called in a program: its own name; the name that the template gives to values
// without one; or v1, v2, where the template has no such word.
std::vector<std::string> names_in_program(const Template& parsed, std::span<const Value> values) {
  std::vector<std::string> open(parsed.value_names().begin(), parsed.value_names().end());
  std::erase_if(open, [&](const std::string& name) {
    return std::any_of(values.begin(), values.end(), [&](const Value& value) {
      return value.is_named() && value.name() == name;
    });
  });
  std::reverse(open.begin(), open.end());
  std::vector<std::string> out;
  for (const Value& value : values) {
    if (value.is_named()) {
      out.emplace_back(value.name());
    } else if (!open.empty()) {
      out.push_back(std::move(open.back()));
      open.pop_back();
    } else {
      std::string name = "v" + std::to_string(out.size() + 1);
      while (parsed.source().find(name) != std::string::npos) name += '_';
      out.push_back(std::move(name));
    }
  }
  return out;
}

// The word that begins there, and the one that ends there; empty: none does.
std::string_view word_at(std::string_view source, std::size_t at) {
  std::size_t end = at;
  while (end < source.size() && is_word_part(source[end])) ++end;
  return source.substr(at, end - at);
}
std::string_view word_before(std::string_view source, std::size_t end) {
  std::size_t at = end;
  while (at > 0 && is_word_part(source[at - 1])) --at;
  return source.substr(at, end - at);
}

// The names that a template may take values by: for a field, a count, or anything inside a spec.
std::unordered_set<std::string_view> names_taken(const Template& parsed) {
  std::unordered_set<std::string_view> out(parsed.value_names().begin(),
                                           parsed.value_names().end());
  for (const Field& field : parsed.fields()) out.insert(field.key_name());
  const std::string_view source = parsed.source();
  for (std::size_t at = 0; at < source.size(); ++at) {
    if (source[at] == '{') out.insert(word_at(source, at + 1));
    if (source[at] == '$') out.insert(word_before(source, at));
  }
  return out;
}

bool has_keys(const Template& parsed) {
  const std::span<const Field> fields = parsed.fields();
  return !parsed.value_names().empty() ||
         std::any_of(fields.begin(), fields.end(),
                     [](const Field& field) { return !field.key.empty(); });
}

// Those of the names that the call is given: where a value with a name goes by it alone, not one that
// the template does not name.
Result<std::vector<std::string>> passed_names(const Dialect& dialect, const Template& parsed,
                                              std::span<const Value> values,
                                              const std::vector<std::string>& names) {
  const NamesPassed passing = program_form_of(dialect.facts()).named_values;
  if (passing == NamesPassed::in_order) return names;
  const std::unordered_set<std::string_view> taken = names_taken(parsed);
  std::vector<std::string> out;
  for (std::size_t i = 0; i < values.size(); ++i) {
    if (!values[i].is_named() || taken.contains(names[i])) {
      out.push_back(names[i]);
    } else if (passing == NamesPassed::in_a_mapping && !has_keys(parsed)) {
      return Error{Code::not_supported_yet,
                   "a program that gives values with names to a template without keys is not "
                   "supported yet",
                   {0, parsed.source().size()},
                   "Leave out the name " + in_quotes(names[i]) + "."};
    }
  }
  return out;
}

// A count by the name that is the argument of the call in its place, where it is one.
CountSource named_argument(const Statement& statement, const CountSource& count) {
  const auto index = static_cast<std::size_t>(count.index);
  if (!count.name.empty() || index >= statement.arguments.size()) return count;
  const computed::Node& argument = statement.arguments[index];
  return argument.kind == computed::Node::Kind::name ? CountSource{argument.text, unset} : count;
}

// Whether each value is a width or a precision of a field. Nothing where such a value has no type of
// its own.
std::vector<bool> find_counts(const Dialect& dialect, const Template& parsed,
                              std::span<const Value> values) {
  std::vector<bool> out(values.size());
  if (dialect.facts().count_type.empty()) return out;
  const bool all_have_places =
      program_form_of(dialect.facts()).named_values == NamesPassed::in_order;
  std::vector<std::size_t> places;
  std::unordered_map<std::string_view, std::size_t> named;
  for (std::size_t v = 0; v < values.size(); ++v) {
    if (values[v].is_named()) named.emplace(values[v].name(), v);
    if (all_have_places || !values[v].is_named()) places.push_back(v);
  }
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    for (CountSource count : dialect.counts_of(parsed, static_cast<int>(i))) {
      if (parsed.is_statement()) count = named_argument(*parsed.statement(), count);
      const auto place = static_cast<std::size_t>(count.index);
      if (const auto found = named.find(count.name); found != named.end())
        out[found->second] = true;
      else if (count.name.empty() && place < places.size())
        out[places[place]] = true;
    }
  }
  return out;
}

// The lines that the program needs for what the call uses.
std::string needed_lines(const ProgramForm& form, const SourceLanguage& language,
                         const WrittenCall& call) {
  std::string out;
  for (const SourceToken& token : tokens_of(language, call.source).tokens) {
    const bool is_word = token.kind == SourceToken::Kind::word;
    for (const NeededLine& needed : form.needed) {
      // A literal that is filled in may use it in a slot.
      const bool uses =
          is_word ? has_word(needed.words, token.text)
                  : any_of_words(needed.words, [&](std::string_view word) {
                      return token.text.find('{') != std::string::npos &&
                             token.text.find(std::string(word) + ".") != std::string::npos;
                    });
      if (uses && out.find(needed.line) == std::string::npos) out += needed.line;
    }
  }
  return out;
}

// A program in the making, and beside it the same one with nothing in it that anybody gave: every
// literal is empty there. Both have to have the same tokens, but for those literals.
class Draft {
 public:
  void add(std::string_view text) {
    source_ += text;
    skeleton_ += text;
  }
  // A literal, with its quotes.
  void add_literal(std::string_view literal) {
    const std::size_t open = literal.find_first_of("\"'`");
    source_ += literal;
    skeleton_ += literal.substr(0, open + 1);
    skeleton_ += literal.back();
    contents_.emplace_back(literal.substr(open + 1, literal.size() - open - 2));
  }
  void add(const WrittenCall& call) {
    const std::string_view source = call.source;
    std::size_t at = 0;
    for (const Span& literal : call.literals) {
      add(source.substr(at, literal.from - at));
      add_literal(source.substr(literal.from, literal.to - literal.from));
      at = literal.to;
    }
    add(source.substr(at));
  }
  void add(const Draft& other) {
    source_ += other.source_;
    skeleton_ += other.skeleton_;
    contents_.insert(contents_.end(), other.contents_.begin(), other.contents_.end());
  }
  // Source in which literals stand between what is not.
  void add_mixed(std::string_view form, std::string_view mark, std::string_view with) {
    while (!form.empty()) {
      const std::size_t at = form.find(mark);
      add(form.substr(0, at));
      if (at == std::string_view::npos) return;
      if (with.starts_with('"'))
        add_literal(with);
      else
        add(with);
      form.remove_prefix(at + mark.size());
    }
  }

  const std::string& source() const { return source_; }

  // Read by the scanner of source files: whether it has the tokens that it should have.
  bool reads_as_meant(const SourceLanguage& language) const {
    const auto [given, is_whole] = tokens_of(language, source_);
    const std::vector<SourceToken> meant = tokens_of(language, skeleton_).tokens;
    std::size_t content = 0;
    const auto same = [&](const SourceToken& one, const SourceToken& other) {
      if (one.kind != other.kind) return false;
      const bool is_text = one.kind == SourceToken::Kind::text && other.text.empty();
      return is_text && content < contents_.size() ? one.text == contents_[content++]
                                                   : one.text == other.text;
    };
    return is_whole && std::equal(given.begin(), given.end(), meant.begin(), meant.end(), same) &&
           content == contents_.size();
  }

 private:
  std::string source_;
  std::string skeleton_;
  std::vector<std::string> contents_;  // of the literals, in order
};

// The settings that are not as usual: `before` without what they stand for instead, `needed` with the
// lines they need, and what chooses them.
std::optional<Error> add_settings(const Dialect& dialect, std::span<const Setting> settings,
                                  std::string& before, std::string& needed, Draft& chosen) {
  for (const Setting& setting : settings) {
    if (setting.value == find_setting(dialect.facts(), setting.name)->usual) continue;
    const SettingForm* form = find_setting_form(dialect.facts(), setting.name);
    if (form == nullptr)
      return Error{Code::not_supported_yet,
                   "a chosen " + std::string(setting.name) + " in a program of " +
                       std::string(dialect.facts().id) + " is not supported yet",
                   {},
                   "Leave the " + std::string(setting.name) + " out."};
    const std::size_t at = before.find(form->replaces);
    if (!form->replaces.empty() && at != std::string::npos) before.erase(at, form->replaces.size());
    needed += form->needs;
    chosen.add_mixed(filled(form->line, "@N", setting.value), "@L",
                     '"' + std::string(setting.value) + '"');
  }
  return std::nullopt;
}

}  // namespace

Result<std::string> write_program(const Dialect& dialect, const Template& parsed,
                                  std::span<const Value> values,
                                  std::span<const Setting> settings) {
  const ProgramForm& form = program_form_of(dialect.facts());
  const SourceLanguage* language = language_of_dialect(dialect);
  if (form.declaration.empty() || language == nullptr)
    return Error{Code::not_supported_yet,
                 "a program of " + std::string(dialect.facts().id) + " is not supported yet",
                 {0, parsed.source().size()},
                 "The other languages have one."};
  // What we do not know the meaning of is not put into a program either.
  if (parsed.refusal() && parsed.refusal()->when == Refusal::When::not_supported_yet)
    return Error{Code::not_supported_yet, parsed.refusal()->why, parsed.refusal()->span,
                 parsed.refusal()->as};
  if (parsed.source().size() > most_call)
    return Error{Code::over_limit,
                 "a template of " + std::to_string(parsed.source().size()) +
                     " bytes in a program is over the limit of " + std::to_string(most_call),
                 {most_call, parsed.source().size()},
                 "Show it without a program."};
  Draft draft;
  const std::vector<std::string> names = names_in_program(parsed, values);
  const std::vector<bool> counts = find_counts(dialect, parsed, values);
  Draft declarations;
  std::string needed;
  for (std::size_t i = 0; i < values.size(); ++i) {
    const Value& value = values[i];
    if (auto error = check_name(dialect, names[i])) return std::move(*error);
    const Result<std::string> literal = write_value(dialect, value);
    if (!literal) return literal.error();
    const TypeForm& type = form_of(dialect.facts(), value.type());
    if (needed.find(type.needs) == std::string::npos) needed += type.needs;
    const bool has_zone = value.is(Type::moment) && value.as_moment().zone != 0;
    if (has_zone && needed.find(type.zone_needs) == std::string::npos) needed += type.zone_needs;
    const bool is_count =
        !dialect.facts().count_type.empty() && is_whole(value.type()) && counts[i];
    std::string declaration =
        filled(form.declaration, "@T", is_count ? dialect.facts().count_type : type.name);
    declaration = filled(declaration, "@N", names[i]);
    declarations.add_mixed(declaration, "@V", *literal);
  }
  std::string before(form.before);
  Draft chosen;
  if (auto error = add_settings(dialect, settings, before, needed, chosen))
    return std::move(*error);
  const auto passed = passed_names(dialect, parsed, values, names);
  if (!passed) return passed.error();
  const Result<WrittenCall> call = dialect.write_call(parsed, *passed);
  if (!call) return call.error();
  draft.add(needed);
  draft.add(needed_lines(form, *language, *call));
  draft.add(before);
  draft.add(chosen);
  draft.add(declarations);
  const std::size_t at = form.statement.find("@S");
  draft.add(form.statement.substr(0, at));
  draft.add(*call);
  draft.add(form.statement.substr(at + 2));
  draft.add(form.after);
  if (!draft.reads_as_meant(*language))
    return Error{Code::not_supported_yet,
                 "a program with this template is not supported yet: it does not read back as "
                 "it was meant",
                 {0, parsed.source().size()},
                 "Show it without a program."};
  return draft.source();
}

}  // namespace inky::inline v1
