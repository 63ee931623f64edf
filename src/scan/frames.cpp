// Parentheses, and the arguments between them.

#include <algorithm>
#include <utility>

#include "arguments.hpp"
#include "finder.hpp"
#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

bool Finder::has(const FormList& forms, CallShape shape) {
  return std::any_of(forms.begin(), forms.end(),
                     [&](const CallForm* form) { return form->shape == shape; });
}

FormList Finder::forms_at(std::string_view path) const {
  if (!own_macros_.empty() && own_macros_.contains(std::string(path))) return {};
  FormList out = forms_.find(path);
  std::erase_if(out, [&](const CallForm* form) {
    return !form->header.empty() && !any_of_words(form->header, [&](std::string_view one) {
      return lexer_.includes(one) || imports_.contains(std::string(one));
    });
  });
  return out;
}

void Finder::push(Frame frame) {
  if (frames_.size() == most_depth) {
    // Too deep to be followed: what is open is forgotten.
    frames_.clear();
    block_depth_ = 0;
  }
  if (!frame.forms.empty() || frame.percent) ++calls_open_;
  frames_.push_back(std::move(frame));
}

void Finder::open_frame(const Token& token) {
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
      frame.forms = only(forms_at(path_), CallShape::receiver);
    } else {
      frame.forms = forms_at(path_);
      std::erase_if(frame.forms, [](const CallForm* form) {
        return form->shape != CallShape::arguments && form->shape != CallShape::template_only &&
               form->shape != CallShape::specification;
      });
      if (has(frame.forms, CallShape::specification)) frame.path = path_;
    }
  }
  if (token.is_sign("(") && forms_.has_called(path_)) frame.called = path_;
  frame.translates = token.is_sign("(") && has_word(lexis_.translators, path_);
  frame.chooses = token.is_sign("(") && has_word(lexis_.plural_translators, path_);
  run_.clear();
  stage_ = Stage::none;
  path_.clear();
  push(std::move(frame));
}

FormList Finder::only(FormList forms, CallShape shape) {
  std::erase_if(forms, [&](const CallForm* form) { return form->shape != shape; });
  return forms;
}

void Finder::close(const Token& token) {
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
  if (token.is_sign("}")) {
    declared_.end_block(block_depth_);
    constants_.end_block(block_depth_);
  }
}

void Finder::close_frame() {
  Frame frame = std::move(frames_.back());
  frames_.pop_back();
  if (frame.braces && block_depth_ > 0) --block_depth_;
  if (!frame.forms.empty() || frame.percent) {
    --calls_open_;
    finish(frame);
  }
  Item group;
  group.kind = Item::Kind::group;
  group.bracket = frame.close == "]" ? '[' : frame.close == "}" ? '{' : '(';
  group.is_empty =
      frame.arguments.empty() || (frame.arguments.size() == 1 && frame.arguments[0].empty());
  group.is_list = frame.arguments.size() > 1;
  for (const Argument& argument : frame.arguments) {
    if (argument.empty()) continue;
    ++group.elements;
    group.spreads = group.spreads || (!lexis_.spread.empty() && argument[0].is_sign(lexis_.spread));
  }
  // Only an argument of a call is looked at.
  if (calls_open_ > 0) describe(frame, group);
  if (frame.arguments.size() == 1) {
    const Argument& only_one = frame.arguments[0];
    if (only_one.size() <= 4 && std::all_of(only_one.begin(), only_one.end(), [](const Item& item) {
          return item.kind == Item::Kind::word || item.is_sign("*");
        })) {
      for (const Item& item : only_one)
        group.text += (group.text.empty() || item.is_sign("*") ? "" : " ") + item.text;
    }
    // ("one" "two").format(...)
    if (frame.close == ")" && (frame.bare || frame.translates) && frame.forms.empty() &&
        !frame.percent && all_texts(lexis_, only_one, 0)) {
      run_.clear();
      for (const Item& item : only_one) {
        if (item.kind == Item::Kind::text) run_.push_back(item);
      }
      run_at_ = frame.at;
      stage_ = Stage::text;
    }
  }
  if (frame.chooses && choose_text(frame)) return;
  // _("...") is its text, as far as values go.
  if (Argument* const around = argument_around(frame)) {
    around->pop_back();
    for (const Item& text : frame.arguments[0]) add_item(text, true);
    return;
  }
  add_item(std::move(group), true);
  if (calls_open_ == 0 && !insertions_) flush();
  if (!frame.called.empty() && reader_.peek() == '.') path_ = frame.called + "()";
}

// ngettext("one sheet", "%d sheets", n) as n ? "one sheet" : "%d sheets". A text without any field
// may leave the values out, so that the other one stands for both.
bool Finder::choose_text(const Frame& frame) {
  if (frames_.empty() || frames_.back().arguments.empty() || frame.arguments.size() < 2)
    return false;
  const Argument& one = frame.arguments[0];
  const Argument& many = frame.arguments[1];
  if (!all_texts(lexis_, one, 0) || !all_texts(lexis_, many, 0)) return false;
  Argument& around = frames_.back().arguments.back();
  if (around.empty() || around.back().kind != Item::Kind::word) return false;
  around.pop_back();
  const bool has_field = std::any_of(one.begin(), one.end(), [](const Item& item) {
    return item.literal.body.find('%') != std::string::npos;
  });
  Item sign;
  if (has_field) {
    sign.text = "?";
    add_item(sign, true);
    for (const Item& text : one) add_item(text, true);
    sign.text = ":";
    add_item(sign, true);
  }
  for (const Item& text : many) add_item(text, true);
  return true;
}

// The argument that a translated text is a part of; null where it is none.
Argument* Finder::argument_around(const Frame& frame) {
  const bool is_text =
      frame.translates && !frame.arguments.empty() && all_texts(lexis_, frame.arguments[0], 0);
  if (!is_text || frames_.empty() || frames_.back().arguments.empty()) return nullptr;
  Argument& out = frames_.back().arguments.back();
  return out.empty() || out.back().kind != Item::Kind::word ? nullptr : &out;
}

// What is in the brackets, for expressions that they are a part of.
void Finder::describe(const Frame& frame, Item& group) const {
  if (frame.arguments.size() == 1 && !lexis_.arithmetic.empty())
    group.type = type_of_expression(lexis_, frame.arguments[0], declared_);
  for (const Argument& argument : frame.arguments) {
    const std::string one = written(argument);
    if (one.empty() && !argument.empty()) {
      group.shown.clear();
      return;
    }
    group.shown += (group.shown.empty() ? "" : ", ") + one;
  }
}

void Finder::next_argument() {
  Frame& frame = frames_.back();
  if (frame.arguments.empty()) frame.arguments.emplace_back();
  if (frame.arguments.size() < most_arguments)
    frame.arguments.emplace_back();
  else
    frame.too_much = true;
}

Item Finder::item_of(const Token& token) {
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

void Finder::add(const Token& token) {
  if (frames_.empty() || (frames_.back().braces && calls_open_ == 0)) return;
  spaced_ = token.space_before || token.line_before;
  add_item(item_of(token), false);
}

void Finder::add_item(Item item, bool is_group) {
  if (frames_.empty() || (frames_.back().braces && calls_open_ == 0)) return;
  Frame& frame = frames_.back();
  const bool is_list = has_lists_ && !frame.forms.empty();
  if (frame.arguments.empty()) {
    frame.arguments.emplace_back();
  } else if (is_list) {
    if (!frame.arguments.back().empty() && !goes_on_in_list(frame.arguments.back(), is_group))
      next_argument();
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

// '#.(map ...) and #c(1 2) are one argument.
bool Finder::goes_on_in_list(const Argument& argument, bool is_group) {
  if (is_quoting(argument.back())) return true;
  constexpr std::string_view heads = ". c C s S p P";
  return is_group && argument.size() > 1 && argument[argument.size() - 2].is_sign("#") &&
         argument.back().kind == Item::Kind::word && has_word(heads, argument.back().text);
}

bool Finder::is_quoting(const Item& item) {
  return item.kind == Item::Kind::sign &&
         (item.text == "'" || item.text == "`" || item.text == "," || item.text == "#" ||
          item.text == "@");
}

bool Finder::goes_on(const Token& token) {
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

}  // namespace inky::inline v1
