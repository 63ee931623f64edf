// Calls that end: their template and their values.

#include <algorithm>
#include <cstring>
#include <string>
#include <utility>

#include "arguments.hpp"
#include "finder.hpp"
#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"
#include "literal.hpp"

namespace inky::inline v1 {

void Finder::begin_insertions(const Token& token, const FormList& found) {
  insertions_ =
      Insertions{only(found, CallShape::insertions), token.at, frames_.size(), token.text};
  reader_.begin_keeping();
}

void Finder::end_insertions(std::size_t depth) {
  if (!insertions_ || depth > insertions_->depth) return;
  reader_.end_keeping();
  const Insertions ended = *std::exchange(insertions_, std::nullopt);
  std::string_view kept = reader_.kept();
  if (kept.size() <= most_call) {
    // Without the sign that ends them.
    kept.remove_suffix(kept.empty() ? 0 : 1);
    while (!kept.empty() && is_blank(kept.back())) kept.remove_suffix(1);
    const std::size_t at = static_cast<std::size_t>(
        std::find_if_not(kept.begin(), kept.end(), is_blank) - kept.begin());
    if (kept.substr(at, 2) == "<<") {
      FoundCall call;
      call.name = ended.forms[0]->name;
      call.dialect = ended.forms[0]->dialect;
      call.at = ended.at;
      call.source = ended.begun + std::string(kept);
      call.marks = {{0, ended.at, true}};
      if (lexis_.insertions_of_source != nullptr) make_neutral(call);
      call.given.names_from_scope = true;
      report(std::move(call));
      return;
    }
  }
  if (calls_open_ == 0) flush();
}

void Finder::make_neutral(FoundCall& call) const {
  const std::string written = *call.source;
  std::vector<Span> replaced;
  call.source = lexis_.insertions_of_source(written, replaced);
  Position at = call.at;
  int expected = 0;
  std::size_t byte = 0;
  const auto mark = [&](std::size_t to, bool verbatim) {
    while (byte < to) step(at, expected, written[byte++]);
    call.marks.push_back({byte, at, verbatim});
  };
  for (const Span& one : replaced) {
    mark(one.from, false);
    mark(one.to, true);
  }
}

bool Finder::is_blank(char byte) {
  return byte == ' ' || byte == '\t' || byte == '\r' || byte == '\n';
}

namespace {

// %b and %-5b, which templates of bytes have and those of text do not.
bool has_bytes_field(std::string_view body) {
  for (std::size_t at = body.find('%'); at != std::string_view::npos; at = body.find('%', at + 1)) {
    at = body.find_first_not_of("#0123456789- +*.", at + 1);
    if (at == std::string_view::npos) return false;
    if (body[at] == 'b') return true;
  }
  return false;
}

}  // namespace

FoundCall Finder::call_of_receiver(std::string_view name, std::string_view dialect,
                                   const Argument& receiver, const Position& at) const {
  FoundCall out;
  out.name = name;
  out.dialect = dialect;
  out.at = at;
  Draft draft;
  for (const Item& item : receiver) {
    if (draft.why_not.empty()) append_item(item, at, draft);
    if (item.literal.bytes && has_bytes_field(item.literal.body))
      draft.why_not = "%b is for templates of bytes alone";
  }
  settle(out, std::move(draft));
  return out;
}

void Finder::settle(FoundCall& call, Draft draft) {
  call.why_not = draft.why_not;
  if (!draft.why_not.empty()) return;
  call.source = std::move(draft.source);
  call.marks = std::move(draft.marks);
}

void Finder::finish(Frame& frame) {
  if (frame.percent) {
    finish_percent(frame);
    return;
  }
  // assert_eq!(@ $left, $right, ...): a macro's own words.
  const bool is_own_way = lexis_.bang_calls && !frame.arguments.empty() &&
                          !frame.arguments[0].empty() && frame.arguments[0][0].is_sign("@");
  if (is_own_way) return;
  const CallForm* chosen = choose_form(frame);
  if (chosen == nullptr) return;
  if (chosen->shape == CallShape::receiver)
    finish_receiver(frame, *chosen);
  else if (chosen->shape == CallShape::specification)
    finish_specification(frame, *chosen);
  else
    finish_template(frame, *chosen);
}

namespace {

// Whether an argument looks like a locale: a word in it says so. Otherwise the text behind it is the
// first value of a template that is no literal.
bool names_locale(const Argument& argument) {
  constexpr std::string_view marks[] = {"locale", "culture", "provider", "numberformat"};
  return std::any_of(argument.begin(), argument.end(), [&](const Item& item) {
    std::string word = item.text;
    std::transform(word.begin(), word.end(), word.begin(),
                   [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c; });
    return item.kind != Item::Kind::text &&
           (word == "null" ||
            std::any_of(std::begin(marks), std::end(marks), [&](std::string_view mark) {
              return word.find(mark) != std::string::npos;
            }));
  });
}

// "room:count" before a template. Such a text with a conversion in it is a template itself.
bool names_id(const Argument& argument, const Argument& before) {
  if (argument[0].kind != Item::Kind::text || before.size() != 1 ||
      before[0].kind != Item::Kind::text)
    return false;
  const std::string& id = before[0].literal.body;
  return id.find(':') != std::string::npos && id.find_first_of(" %\\") == std::string::npos;
}

}  // namespace

// The first form whose template is a text; else the first that has an argument there.
const CallForm* Finder::choose_form(const Frame& frame) const {
  const CallForm* chosen = nullptr;
  for (const CallForm* form : frame.forms) {
    if (form->shape == CallShape::receiver) return form;
    const auto at = static_cast<std::size_t>(form->template_at);
    if (at >= frame.arguments.size() || frame.arguments[at].empty()) continue;
    const Argument& argument = frame.arguments[at];
    if (form->options_first && behind_name(lexis_, argument) > 0) continue;
    if (form->names_id && !names_id(argument, frame.arguments[at - 1])) continue;
    if (form->names_locale && at > 0 && !names_locale(frame.arguments[at - 1])) continue;
    if (is_template(argument, behind_name(lexis_, argument))) return form;
    if (chosen == nullptr) chosen = form;
  }
  return chosen;
}

bool Finder::is_template(const Argument& argument, std::size_t from) const {
  if (all_texts(lexis_, argument, from)) return true;
  const auto is_named = [&](const Item& item) {
    return item.kind == Item::Kind::word && texts_named(item.text) != nullptr;
  };
  if (std::none_of(argument.begin(), argument.end(), is_named)) return false;
  Argument texts = without_class(argument);
  for (Item& item : texts) {
    if (is_named(item)) item.kind = Item::Kind::text;
  }
  return all_texts(lexis_, texts, from);
}

const std::vector<Literal>* Finder::texts_named(const std::string& name) const {
  if (const auto* const macro = macros_.text(name)) return macro;
  const Constants::Constant* constant = constants_.find(name);
  // A parameter may have the same name.
  if (constant == nullptr || declared_.depth_of(name) > constant->blocks) return nullptr;
  return &constant->texts;
}

Argument Finder::without_class(const Argument& argument) const {
  Argument out;
  for (std::size_t i = 0; i < argument.size(); ++i) {
    const bool is_path = i + 2 < argument.size() && argument[i].kind == Item::Kind::word &&
                         (argument[i + 1].is_sign(".") || argument[i + 1].is_sign("::"));
    const Constants::Constant* constant = is_path ? constants_.find(argument[i + 2].text) : nullptr;
    if (constant != nullptr && is_own(argument[i].text, *constant)) i += 2;
    out.push_back(argument[i]);
  }
  return out;
}

bool Finder::is_own(const std::string& qualifier, const Constants::Constant& constant) const {
  return has_word(lexis_.own_class, qualifier) ||
         (!constant.owner.empty() && qualifier == constant.owner);
}

bool Finder::begins_run(const Token& token) const {
  if (stage_ != Stage::none || path_.size() < token.text.size()) return false;
  const Constants::Constant* constant = constants_.find(token.text);
  if (constant == nullptr || texts_named(token.text) == nullptr) return false;
  const std::string qualifier = path_.substr(0, path_.size() - token.text.size());
  return qualifier.empty() || is_own(qualifier.substr(0, qualifier.size() - 1), *constant);
}

// `at`: of the call, where the text before a macro is not known.
void Finder::append_item(const Item& item, const Position& at, Draft& draft) const {
  const Position place = draft.marks.empty() ? at : draft.marks.back().position;
  if (item.kind == Item::Kind::text) {
    append(lexis_, item.literal, draft);
  } else if (const auto macro = format_macro(lexis_, item)) {
    draft.add_instead(*macro, place);
  } else if (const auto* const texts = texts_named(item.text);
             item.kind == Item::Kind::word && texts != nullptr) {
    Draft one;
    for (const Literal& literal : *texts) {
      if (one.why_not.empty()) append(lexis_, literal, one);
    }
    draft.why_not = one.why_not;
    draft.add_instead(one.source, place);
  }
}

void Finder::finish_receiver(Frame& frame, const CallForm& form) {
  FoundCall call = call_of_receiver(form.name, form.dialect, frame.receiver, frame.at);
  if (call.source && lexis_.fields_take_parts && takes_parts(*call.source)) {
    call.source.reset();
    call.why_not = "its template takes parts of a value";
  }
  give(call, frame, 0, form);
  report(std::move(call));
}

// n == 1 ? "%d sheet" : "%d sheets", and the same that ngettext chooses from.
bool Finder::finish_choice(Frame& frame, const CallForm& form) {
  const auto template_at = static_cast<std::size_t>(form.template_at);
  const Argument argument = frame.arguments[template_at];
  const auto sign = [&](std::string_view one) {
    return std::find_if(argument.begin(), argument.end(),
                        [&](const Item& item) { return item.is_sign(one); });
  };
  const auto question = sign("?");
  const auto colon =
      std::find_if(question, argument.end(), [](const Item& item) { return item.is_sign(":"); });
  if (question == argument.end() || colon == argument.end()) return false;
  const Argument choices[] = {{question + 1, colon}, {colon + 1, argument.end()}};
  if (!std::all_of(std::begin(choices), std::end(choices),
                   [&](const Argument& one) { return !one.empty() && is_template(one, 0); }))
    return false;
  // One without any field may leave the values out.
  const auto has_field = [](const Argument& one) {
    return std::any_of(one.begin(), one.end(), [](const Item& item) {
      return item.kind != Item::Kind::text ||
             item.literal.body.find_first_of("%{~") != std::string::npos;
    });
  };
  for (const Argument& one : choices) {
    if (!has_field(one)) continue;
    frame.arguments[template_at] = one;
    frame.one_of_several = true;
    finish_template(frame, form);
  }
  frame.arguments[template_at] = argument;
  return true;
}

void Finder::finish_template(Frame& frame, const CallForm& form) {
  const auto template_at = static_cast<std::size_t>(form.template_at);
  const Argument& argument = frame.arguments[template_at];
  const std::size_t from = behind_name(lexis_, argument);
  FoundCall call;
  call.name = form.name;
  call.dialect = form.dialect;
  call.holes = form.holes;
  call.at = frame.at;
  call.names_locale = form.names_locale;
  if (frame.too_much) {
    call.why_not = "it is too long to check";
  } else if (!is_template(argument, from)) {
    // A declaration of such a function has no template.
    if (argument.size() > 1 && argument[0].kind == Item::Kind::word &&
        (argument[1].kind == Item::Kind::word || argument[1].is_sign("*")))
      return;
    if (finish_choice(frame, form)) return;
    call.why_not = "its template is not a literal";
  } else {
    Draft draft;
    const Argument texts = without_class(argument);
    for (std::size_t i = from; i < texts.size() && draft.why_not.empty(); ++i) {
      append_item(texts[i], frame.at, draft);
    }
    settle(call, std::move(draft));
  }
  if (form.shape != CallShape::template_only)
    give(call, frame, template_at + 1, form);
  else if (template_at + 1 < frame.arguments.size())
    give_elements(call, frame.arguments[template_at + 1]);
  if (form.needs_values && call.given.values && call.given.values->empty()) return;
  if (form.shape == CallShape::juxtaposed && lexis_.few_values_wait)
    call.given.more_may_follow = true;
  report(std::move(call));
}

// n.ToString("D4"): of a value whose type is known, since others may have specifications of their
// own.
void Finder::finish_specification(Frame& frame, const CallForm& form) {
  const auto at = static_cast<std::size_t>(form.template_at);
  Argument value;
  if (at == 0) {
    const std::size_t point = frame.path.rfind('.');
    if (point == std::string::npos || frame.path.find('.') != point) return;
    value = {word_item(frame.path.substr(0, point))};
  } else {
    value = frame.arguments[0];
  }
  const Given given = given_by(lexis_, value, declared_);
  const Argument& argument = frame.arguments[at];
  // What is no number has no such method.
  if (at == 0 && given.type && !is_whole(*given.type) && !is_real(*given.type)) return;
  if (!given.type || frame.too_much || argument.size() != 1 || !all_texts(lexis_, argument, 0))
    return;
  if (argument[0].literal.body.find_first_of("{}\\") != std::string::npos) return;
  FoundCall call;
  call.name = form.name;
  call.dialect = form.dialect;
  call.at = frame.at;
  call.names_locale = frame.arguments.size() > at + 1;
  Draft draft;
  draft.add_instead(lexis_.specification_before, argument[0].literal.at);
  append(lexis_, argument[0].literal, draft);
  draft.add_instead("}", argument[0].literal.at);
  settle(call, std::move(draft));
  call.given.values = {given};
  report(std::move(call));
}

void Finder::finish_percent(Frame& frame) {
  FoundCall call = call_of_receiver("%", lexis_.percent_dialect, frame.receiver, frame.at);
  if (frame.close == "}") {
    give_entries(call, frame);
    report(std::move(call));
    return;
  }
  if (frame.close == "]") {
    if (!operand_goes_on()) {
      Item list;
      list.kind = Item::Kind::group;
      list.bracket = '[';
      call.given.values = {given_by(lexis_, {list}, declared_)};
    }
    report(std::move(call));
    return;
  }
  // (x) is x, which may be anything; (x,) is one value.
  const bool is_tuple = frame.arguments.size() != 1;
  if ((is_tuple || all_texts(lexis_, frame.arguments[0], 0)) && !operand_goes_on())
    give(call, frame, 0, {});
  report(std::move(call));
}

void Finder::report(FoundCall call) {
  waiting_.push_back(std::move(call));
  if ((calls_open_ == 0 && !insertions_) || waiting_.size() == most_waiting) flush();
}

void Finder::flush() {
  if (waiting_.empty()) return;
  std::stable_sort(waiting_.begin(), waiting_.end(), [](const FoundCall& a, const FoundCall& b) {
    return a.at.offset < b.at.offset;
  });
  for (const FoundCall& call : waiting_) sink_(call);
  waiting_.clear();
}

}  // namespace inky::inline v1
