#include "inky_margin/scan/scan.hpp"

#include <algorithm>
#include <cstring>
#include <map>
#include <utility>

#include "arguments.hpp"
#include "lexer.hpp"
#include "literal.hpp"

namespace inky::inline v1 {

namespace {

// The mark that a byte of the template is behind. REQUIRES: there are marks.
const PlaceMark& mark_of(const std::vector<PlaceMark>& marks, std::size_t template_at) {
  const auto mark = std::upper_bound(
      marks.begin(), marks.end(), template_at,
      [](std::size_t value, const PlaceMark& one) { return value < one.template_at; });
  return mark == marks.begin() ? *mark : *(mark - 1);
}

Position behind(const PlaceMark& mark, std::string_view source, std::size_t template_at) {
  Position out = mark.position;
  int expected = 0;
  for (std::size_t i = mark.template_at; i < std::min(template_at, source.size()); ++i)
    step(out, expected, source[i]);
  return out;
}

}  // namespace

Position FoundCall::place(std::size_t template_at) const {
  if (marks.empty() || !source) return at;
  const PlaceMark& mark = mark_of(marks, template_at);
  return mark.verbatim ? behind(mark, *source, template_at) : mark.position;
}

Position FoundCall::end_place(std::size_t template_to) const {
  if (marks.empty() || !source || template_to == 0) return place(template_to);
  const PlaceMark& mark = mark_of(marks, template_to - 1);
  return mark.verbatim ? behind(mark, *source, template_to) : place(template_to);
}

bool FoundCall::stands_verbatim(Span span) const {
  for (std::size_t i = 0; i < marks.size(); ++i) {
    const std::size_t end = i + 1 < marks.size() ? marks[i + 1].template_at : span.to;
    if (marks[i].template_at <= span.from && span.to <= std::max(end, marks[i].template_at))
      return marks[i].verbatim;
  }
  return false;
}

namespace {

// The last name of a path: "printf" of "System.out.printf".
std::string_view last_name(std::string_view path) {
  const std::size_t dot = path.rfind('.');
  return dot == std::string_view::npos ? path : path.substr(dot + 1);
}

// A path as one language writes it, with points between its names.
std::string with_points(std::string_view path) {
  std::string out;
  for (std::size_t i = 0; i < path.size(); ++i) {
    if (path.substr(i, 2) == "::" || path.substr(i, 2) == "->") {
      out += '.';
      ++i;
    } else {
      out += path[i];
    }
  }
  return out;
}

class Forms {
 public:
  explicit Forms(std::span<const CallForm> calls) {
    for (const CallForm& call : calls) {
      const std::string path = with_points(call.name);
      by_name_.emplace(std::string(last_name(path)), Entry{path, &call});
    }
  }
  // Those of a path, in the order of the table.
  std::vector<const CallForm*> find(std::string_view path) const {
    std::vector<const CallForm*> out;
    const auto range = by_name_.equal_range(last_name(path));
    for (auto at = range.first; at != range.second; ++at) {
      const std::string& wanted = at->second.path;
      if (path.size() < wanted.size() || path.substr(path.size() - wanted.size()) != wanted)
        continue;
      if (path.size() > wanted.size() && path[path.size() - wanted.size() - 1] != '.') continue;
      out.push_back(at->second.form);
    }
    return out;
  }

 private:
  struct Entry {
    std::string path;
    const CallForm* form;
  };
  std::multimap<std::string, Entry, std::less<>> by_name_;
};

using FormList = std::vector<const CallForm*>;

// What is open: parentheses, and perhaps the call they belong to.
struct Frame {
  std::string_view close;  // empty: nothing closes it, as the values of F#
  FormList forms;          // empty: no call
  Position at;
  std::vector<Argument> arguments;
  std::size_t kept = 0;  // the bytes of literals in it
  bool too_much = false;
  std::vector<Literal> receiver;
  bool percent = false;
  bool braces = false;
  bool bare = false;  // parentheses around an operand, not behind one
};

constexpr std::size_t most_items = 200;
constexpr std::size_t most_path = 512;
constexpr std::size_t most_waiting = 1000;

class Finder {
 public:
  Finder(const Lexis& lexis, std::span<const CallForm> calls, const ByteSource& source,
         const CallSink& sink)
      : lexis_(lexis),
        forms_(calls),
        reader_(source),
        lexer_(lexis, reader_),
        sink_(sink),
        declared_(lexis) {
    for (const CallForm& call : calls) has_lists_ = has_lists_ || call.shape == CallShape::list;
  }

  void run() {
    Token token;
    while (true) {
      lexer_.next(token);
      if (token.kind == Token::Kind::end) break;
      take(token);
    }
    end_insertions(0);
    while (!frames_.empty() && frames_.back().close.empty()) close_frame();
    flush();
  }

 private:
  // ---- One token ----

  void take(Token& token) {
    if (!frames_.empty() && frames_.back().close.empty() && !goes_on(token)) close_frame();
    if (token.kind == Token::Kind::text && token.literal.fills)
      for_each_slot(lexis_, token, [&](FoundCall call, const std::string& shown) {
        // A name alone may be declared.
        Given given = given_by(lexis_, {word_item(shown)}, declared_);
        if (given.type && !call.given.values) {
          if (call.source->substr(0, 2) == "{x") given.name = "x";
          call.given.values = {std::move(given)};
        }
        report(std::move(call));
      });
    if (take_operand(token)) {
      last_word_ends_ = false;
      return;
    }
    declared_.see(token,
                  {!frames_.empty() && frames_.back().close == ")", frames_.size(), block_depth_});
    switch (token.kind) {
      case Token::Kind::word:
        take_word(token);
        break;
      case Token::Kind::text:
        take_text(token);
        break;
      case Token::Kind::sign:
        take_sign(token);
        break;
      default:
        add(token);
        path_.clear();
        run_.clear();
        stage_ = Stage::none;
    }
    separated_ = token.is_sign(".") || token.is_sign("::") || token.is_sign("->");
    last_word_ends_ = token.kind == Token::Kind::word;
    operand_ended_ = token.is_sign(")") || token.is_sign("]");
  }

  // Words that an operand follows, so that parentheses behind them are no call's.
  static bool is_operator_word(std::string_view word) {
    constexpr std::string_view words[] = {"return", "in",    "and",    "or",     "not",
                                          "if",     "else",  "yield",  "assert", "elif",
                                          "raise",  "while", "lambda", "is",     "await"};
    return std::find(std::begin(words), std::end(words), word) != std::end(words);
  }

  void take_word(Token& token) {
    if (separated_ && !path_.empty() && path_.size() < most_path) {
      path_ += '.';
      path_ += token.text;
    } else {
      path_ = token.text;
      path_at_ = token.at;
    }
    const FormList found = forms_.find(path_);
    // A receiver's method is known by the text before it.
    stage_ =
        stage_ == Stage::point && has(found, CallShape::receiver) ? Stage::method : Stage::none;
    if (stage_ == Stage::none) run_.clear();
    if (!insertions_ && has(found, CallShape::insertions)) begin_insertions(token, found);
    if (has_lists_ && !frames_.empty() && frames_.back().close == ")" &&
        frames_.back().arguments.empty() && has(found, CallShape::list)) {
      frames_.back().forms = found;
      frames_.back().arguments.emplace_back();
      return;
    }
    add(token);
    waits_for_text_ = has(found, CallShape::juxtaposed) ? found : FormList{};
  }

  void take_text(Token& token) {
    if (!waits_for_text_.empty()) {
      Frame frame;
      frame.forms = std::move(waits_for_text_);
      frame.at = path_at_;
      frame.arguments.emplace_back();
      waits_for_text_.clear();
      push(std::move(frame));
    }
    const bool begins_statement =
        lexis_.lines_end_statements && token.line_before && frames_.empty();
    if (stage_ != Stage::text || !lexis_.adjacent_texts_join || begins_statement) run_.clear();
    if (run_.empty()) run_at_ = token.at;
    if (run_.size() < most_items) run_.push_back(token.literal);
    stage_ = Stage::text;
    add(token);
    path_.clear();
  }

  void take_sign(Token& token) {
    waits_for_text_.clear();
    const bool after_text = stage_ == Stage::text;
    if (token.is_sign("(") || token.is_sign("[") || token.is_sign("{")) {
      open_frame(token);
      return;
    }
    if (token.is_sign(")") || token.is_sign("]") || token.is_sign("}")) {
      close(token);
      return;
    }
    if (token.is_sign(".") && after_text) {
      stage_ = Stage::point;
      add(token);
      return;
    }
    if (token.is_sign("%") && after_text && !lexis_.percent_dialect.empty()) {
      operand_expected_ = true;
      add(token);
      return;
    }
    if (token.is_sign("!") && lexis_.bang_calls && last_word_ends_ && !token.space_before) {
      path_ += '!';
      add(token);
      return;
    }
    if (token.is_sign(";")) end_insertions(frames_.size());
    if (token.is_sign(",") && !has_lists_) {
      if (!frames_.empty() && !frames_.back().close.empty()) next_argument();
    } else {
      add(token);
    }
    if (!token.is_sign(".") && !token.is_sign("::") && !token.is_sign("->")) path_.clear();
    run_.clear();
    stage_ = Stage::none;
  }

  // What stands behind "..." %
  bool take_operand(Token& token) {
    if (!operand_expected_) return false;
    operand_expected_ = false;
    stage_ = Stage::none;
    if (token.is_sign("(")) {
      Frame frame;
      frame.close = ")";
      frame.percent = true;
      frame.at = run_at_;
      frame.receiver = std::move(run_);
      run_.clear();
      push(std::move(frame));
      path_.clear();
      return true;
    }
    const bool is_literal = token.kind == Token::Kind::number || token.kind == Token::Kind::text ||
                            token.kind == Token::Kind::character;
    FoundCall call = call_of_receiver("%", lexis_.percent_dialect, run_);
    call.at = run_at_;
    if (is_literal) call.given.values = {given_by(lexis_, {item_of(token)}, declared_)};
    report(std::move(call));
    run_.clear();
    if (!is_literal) return false;
    add(token);
    path_.clear();
    return true;
  }

  static Item word_item(const std::string& word) {
    Item out;
    out.kind = Item::Kind::word;
    out.text = word;
    return out;
  }

  // ---- Frames ----

  static bool has(const FormList& forms, CallShape shape) {
    return std::any_of(forms.begin(), forms.end(),
                       [&](const CallForm* form) { return form->shape == shape; });
  }

  void push(Frame frame) {
    if (frames_.size() == most_depth) {
      // Too deep to be followed: what is open is forgotten.
      frames_.clear();
      block_depth_ = 0;
    }
    if (!frame.forms.empty() || frame.percent) ++calls_open_;
    frames_.push_back(std::move(frame));
  }

  void open_frame(const Token& token) {
    Frame frame;
    frame.close = token.is_sign("(") ? ")" : token.is_sign("[") ? "]" : "}";
    frame.braces = token.is_sign("{");
    frame.bare = path_.empty() ? !operand_ended_ : is_operator_word(path_);
    frame.at = path_.empty() || frame.bare ? token.at : path_at_;
    if (frame.braces) ++block_depth_;
    const bool is_call =
        token.is_sign("(") || (lexis_.bang_calls && !path_.empty() && path_.back() == '!');
    if (is_call && !path_.empty() && !has_lists_) {
      if (stage_ == Stage::method) {
        frame.at = run_at_;
        frame.receiver = std::move(run_);
        frame.forms = only(forms_.find(path_), CallShape::receiver);
      } else {
        frame.forms = forms_.find(path_);
        std::erase_if(frame.forms, [](const CallForm* form) {
          return form->shape != CallShape::arguments && form->shape != CallShape::template_only;
        });
      }
    }
    run_.clear();
    stage_ = Stage::none;
    path_.clear();
    push(std::move(frame));
  }

  static FormList only(FormList forms, CallShape shape) {
    std::erase_if(forms, [&](const CallForm* form) { return form->shape != shape; });
    return forms;
  }

  // Closes what this sign closes; a sign that closes nothing is let be.
  void close(const Token& token) {
    path_.clear();
    stage_ = Stage::none;
    run_.clear();
    const auto found = std::find_if(frames_.rbegin(), frames_.rend(), [&](const Frame& frame) {
      return !frame.close.empty() && token.is_sign(frame.close);
    });
    if (found == frames_.rend()) return;
    const auto depth = static_cast<std::size_t>(frames_.rend() - found);
    end_insertions(depth);
    while (frames_.size() > depth) close_frame();
    close_frame();
    if (token.is_sign("}")) declared_.end_block(block_depth_);
  }

  void close_frame() {
    Frame frame = std::move(frames_.back());
    frames_.pop_back();
    if (frame.braces && block_depth_ > 0) --block_depth_;
    if (!frame.forms.empty() || frame.percent) {
      --calls_open_;
      finish(frame);
    }
    Item group;
    group.kind = Item::Kind::group;
    if (frame.arguments.size() == 1) {
      const Argument& only_one = frame.arguments[0];
      if (only_one.size() <= 4 &&
          std::all_of(only_one.begin(), only_one.end(), [](const Item& item) {
            return item.kind == Item::Kind::word || item.is_sign("*");
          })) {
        for (const Item& item : only_one)
          group.text += (group.text.empty() || item.is_sign("*") ? "" : " ") + item.text;
      }
      // ("one" "two").format(...)
      if (frame.close == ")" && frame.bare && frame.forms.empty() && !frame.percent &&
          all_texts(lexis_, only_one, 0)) {
        run_.clear();
        for (const Item& item : only_one) {
          if (item.kind == Item::Kind::text) run_.push_back(item.literal);
        }
        run_at_ = frame.at;
        stage_ = Stage::text;
      }
    }
    add_item(std::move(group), true);
    if (calls_open_ == 0 && !insertions_) flush();
  }

  void next_argument() {
    Frame& frame = frames_.back();
    if (frame.arguments.empty()) frame.arguments.emplace_back();
    if (frame.arguments.size() < most_arguments)
      frame.arguments.emplace_back();
    else
      frame.too_much = true;
  }

  static Item item_of(const Token& token) {
    Item out;
    switch (token.kind) {
      case Token::Kind::word:
        out.kind = Item::Kind::word;
        break;
      case Token::Kind::number:
        out.kind = Item::Kind::number;
        break;
      case Token::Kind::text:
        out.kind = Item::Kind::text;
        out.literal = token.literal;
        break;
      case Token::Kind::character:
        out.kind = Item::Kind::character;
        out.literal = token.literal;
        break;
      default:
        out.kind = Item::Kind::sign;
    }
    out.text = token.text;
    return out;
  }

  void add(const Token& token) {
    if (frames_.empty() || (frames_.back().braces && calls_open_ == 0)) return;
    spaced_ = token.space_before || token.line_before;
    add_item(item_of(token), false);
  }

  void add_item(Item item, bool is_group) {
    if (frames_.empty() || (frames_.back().braces && calls_open_ == 0)) return;
    Frame& frame = frames_.back();
    const bool is_list = has_lists_ && !frame.forms.empty();
    if (frame.arguments.empty()) {
      frame.arguments.emplace_back();
    } else if (is_list) {
      if (frame.arguments.back().empty() || !is_quoting(frame.arguments.back().back()))
        if (!frame.arguments.back().empty()) next_argument();
    } else if (frame.close.empty() && !is_group && !frame.arguments.back().empty() && spaced_ &&
               !frame.arguments.back().back().is_sign("-")) {
      next_argument();
    } else if (frame.close.empty() && is_group && group_is_apart_) {
      next_argument();
    }
    if (frame.arguments.back().size() >= most_items ||
        frame.kept + item.literal.body.size() > most_call) {
      frame.too_much = true;
      return;
    }
    frame.kept += item.literal.body.size();
    frame.arguments.back().push_back(std::move(item));
  }
  static bool is_quoting(const Item& item) {
    return item.kind == Item::Kind::sign &&
           (item.text == "'" || item.text == "`" || item.text == "," || item.text == "#" ||
            item.text == "@");
  }

  // Whether a token still belongs to values that stand side by side.
  bool goes_on(const Token& token) {
    const Frame& frame = frames_.back();
    if (token.line_before && token.at.column <= frame.at.column) return false;
    if (token.kind == Token::Kind::sign) {
      const bool opens = token.is_sign("(") || token.is_sign("[") || token.is_sign("{");
      group_is_apart_ = token.space_before || token.line_before;
      return opens || (token.is_sign(".") && !token.space_before) ||
             (token.is_sign("-") && token.space_before);
    }
    if (token.kind == Token::Kind::word) {
      constexpr std::string_view ends[] = {"then", "else", "elif", "do", "in",  "done",
                                           "with", "when", "of",   "as", "and", "or"};
      return std::find(std::begin(ends), std::end(ends), token.text) == std::end(ends);
    }
    return true;
  }

  // ---- Insertions: the text from the name on, to the end of the statement ----

  struct Insertions {
    FormList forms;
    Position at;
    std::size_t depth = 0;
    std::string begun;
  };

  void begin_insertions(const Token& token, const FormList& found) {
    insertions_ =
        Insertions{only(found, CallShape::insertions), token.at, frames_.size(), token.text};
    reader_.begin_keeping();
  }

  void end_insertions(std::size_t depth) {
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
        call.given.names_from_scope = true;
        report(std::move(call));
        return;
      }
    }
    if (calls_open_ == 0) flush();
  }

  static bool is_blank(char byte) {
    return byte == ' ' || byte == '\t' || byte == '\r' || byte == '\n';
  }

  // ---- Calls ----

  FoundCall call_of_receiver(std::string_view name, std::string_view dialect,
                             const std::vector<Literal>& receiver) const {
    FoundCall out;
    out.name = name;
    out.dialect = dialect;
    Draft draft;
    for (const Literal& literal : receiver) {
      if (draft.why_not.empty()) append(lexis_, literal, draft);
    }
    settle(out, std::move(draft));
    return out;
  }

  static void settle(FoundCall& call, Draft draft) {
    call.why_not = draft.why_not;
    if (!draft.why_not.empty()) return;
    call.source = std::move(draft.source);
    call.marks = std::move(draft.marks);
  }

  void finish(Frame& frame) {
    if (frame.percent) {
      finish_percent(frame);
      return;
    }
    // The first form whose template is a text; else the first that has an argument there.
    const CallForm* chosen = nullptr;
    std::size_t template_at = 0;
    for (const CallForm* form : frame.forms) {
      if (form->shape == CallShape::receiver) {
        chosen = form;
        break;
      }
      const auto at = static_cast<std::size_t>(form->template_at);
      if (at >= frame.arguments.size() || frame.arguments[at].empty()) continue;
      const Argument& argument = frame.arguments[at];
      const bool is_text = all_texts(lexis_, argument, behind_name(lexis_, argument));
      if (chosen != nullptr && !is_text) continue;
      chosen = form;
      template_at = at;
      if (is_text) break;
    }
    if (chosen == nullptr) return;
    if (chosen->shape == CallShape::receiver) {
      FoundCall call = call_of_receiver(chosen->name, chosen->dialect, frame.receiver);
      call.at = frame.at;
      if (call.source && lexis_.fields_take_parts && takes_parts(*call.source)) {
        call.source.reset();
        call.why_not = "its template takes parts of a value";
      }
      give(call, frame, 0, *chosen);
      report(std::move(call));
      return;
    }
    const Argument& argument = frame.arguments[template_at];
    const std::size_t from = behind_name(lexis_, argument);
    FoundCall call;
    call.name = chosen->name;
    call.dialect = chosen->dialect;
    call.at = frame.at;
    call.names_locale = chosen->names_locale;
    if (frame.too_much) {
      call.why_not = "it is too long to be looked at";
    } else if (!all_texts(lexis_, argument, from)) {
      // A declaration of such a function has no template.
      if (argument.size() > 1 && argument[0].kind == Item::Kind::word &&
          (argument[1].kind == Item::Kind::word || argument[1].is_sign("*")))
        return;
      call.why_not = "its template is not a literal";
    } else {
      Draft draft;
      for (std::size_t i = from; i < argument.size() && draft.why_not.empty(); ++i) {
        if (argument[i].kind == Item::Kind::text)
          append(lexis_, argument[i].literal, draft);
        else if (const auto macro = format_macro(lexis_, argument[i]))
          draft.add_instead(*macro, draft.marks.empty() ? frame.at : draft.marks.back().position);
      }
      settle(call, std::move(draft));
    }
    if (chosen->shape != CallShape::template_only) give(call, frame, template_at + 1, *chosen);
    if (chosen->needs_values && call.given.values && call.given.values->empty()) return;
    if (chosen->shape == CallShape::juxtaposed && lexis_.few_values_wait)
      call.given.more_may_follow = true;
    report(std::move(call));
  }

  void finish_percent(Frame& frame) {
    FoundCall call = call_of_receiver("%", lexis_.percent_dialect, frame.receiver);
    call.at = frame.at;
    // (x) is x, which may be anything; (x,) is one value.
    const bool is_tuple = frame.arguments.size() != 1;
    if (is_tuple || all_texts(lexis_, frame.arguments[0], 0)) give(call, frame, 0, {});
    report(std::move(call));
  }

  // The values from this argument on.
  void give(FoundCall& call, const Frame& frame, std::size_t from, const CallForm& form) const {
    call.given.names_from_scope = lexis_.names_from_scope;
    std::vector<Given> values;
    for (std::size_t i = from; i < frame.arguments.size(); ++i) {
      const Argument& argument = frame.arguments[i];
      if (argument.empty()) continue;
      if (!lexis_.spread.empty() &&
          (argument[0].is_sign(lexis_.spread) || argument.back().is_sign(lexis_.spread) ||
           argument[0].is_word("__VA_ARGS__"))) {
        call.given.more_may_follow = call.given.names_from_scope = true;
        continue;
      }
      const bool by_name = behind_name(lexis_, argument) > 0;
      if ((call.given.more_may_follow && !by_name) || (form.names_options && by_name)) continue;
      values.push_back(given_by(lexis_, argument, declared_));
    }
    const bool untold = std::any_of(values.begin(), values.end(), [](const Given& given) {
      return !given.type && given.name.empty();
    });
    if (lexis_.names_from_scope && call.source) give_captured(*call.source, values);
    if (untold &&
        (lexis_.many == Lexis::Many::each ||
         ((lexis_.many == Lexis::Many::alone || form.names_options) && values.size() == 1)))
      return;
    call.given.values = std::move(values);
  }

  // {name.part} and {name[part]}.
  static bool takes_parts(std::string_view source) {
    for (std::size_t at = source.find('{'); at != std::string_view::npos;
         at = source.find('{', at + 1)) {
      const std::size_t end = std::min(source.find_first_of(":}!{", at + 1), source.size());
      if (source.substr(at + 1, end - at - 1).find_first_of(".[") != std::string_view::npos)
        return true;
    }
    return false;
  }

  // {name} and {name:...} of variables that are declared here.
  void give_captured(std::string_view source, std::vector<Given>& values) const {
    for (std::size_t at = source.find('{'); at != std::string_view::npos;
         at = source.find('{', at)) {
      ++at;
      if (source.substr(at, 1) == "{") {
        ++at;
        continue;
      }
      const std::size_t end = std::min(source.find_first_of(":}", at), source.size());
      const std::string name(source.substr(at, end - at));
      const bool given = std::any_of(values.begin(), values.end(),
                                     [&](const Given& one) { return one.name == name; });
      Given variable = given_by(lexis_, {word_item(name)}, declared_);
      if (given || name.empty() || !variable.type) continue;
      variable.name = name;
      values.push_back(std::move(variable));
    }
  }

  // Calls inside of others end first: they wait for those around them.
  void report(FoundCall call) {
    waiting_.push_back(std::move(call));
    if ((calls_open_ == 0 && !insertions_) || waiting_.size() == most_waiting) flush();
  }
  void flush() {
    if (waiting_.empty()) return;
    std::stable_sort(waiting_.begin(), waiting_.end(), [](const FoundCall& a, const FoundCall& b) {
      return a.at.offset < b.at.offset;
    });
    for (const FoundCall& call : waiting_) sink_(call);
    waiting_.clear();
  }

  const Lexis& lexis_;
  Forms forms_;
  Reader reader_;
  Lexer lexer_;
  const CallSink& sink_;
  bool has_lists_ = false;

  std::vector<Frame> frames_;
  std::size_t calls_open_ = 0;
  std::size_t block_depth_ = 0;
  std::vector<FoundCall> waiting_;

  std::string path_;  // the names that stand before this token, joined by points
  Position path_at_;
  bool separated_ = false;
  bool last_word_ends_ = false;
  bool operand_ended_ = false;
  bool spaced_ = false;
  bool group_is_apart_ = false;

  // Texts, and what follows them: a method's name, an operator.
  enum class Stage : std::uint8_t { none, text, point, method };
  Stage stage_ = Stage::none;
  std::vector<Literal> run_;
  Position run_at_;
  bool operand_expected_ = false;

  FormList waits_for_text_;
  std::optional<Insertions> insertions_;

  Declarations declared_;
};

}  // namespace

void scan(const SourceLanguage& language, std::span<const CallForm> calls, const ByteSource& source,
          const CallSink& sink) {
  Finder(*language.lexis, calls, source, sink).run();
}

void scan(const SourceLanguage& language, std::span<const CallForm> calls, std::string_view text,
          const CallSink& sink) {
  const ByteSource source = [&](char* into, std::size_t most) {
    const std::size_t count = std::min(most, text.size());
    std::memcpy(into, text.data(), count);
    text.remove_prefix(count);
    return count;
  };
  scan(language, calls, source, sink);
}

}  // namespace inky::inline v1
