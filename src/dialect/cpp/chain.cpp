#include "chain.hpp"

#include <algorithm>
#include <limits>
#include <optional>
#include <string>

#include "../family/braces.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/writing.hpp"
#include "c/c.hpp"
#include "dialect/program_form.hpp"
#include "expressions.hpp"
#include "stream_facts.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, Chain& chain, std::vector<Words>* words = nullptr)
      : PastedSource(out),
        chain_(chain),
        names_(chain.names),
        expressions_(c_language::Edition::cpp, out, 0),
        words_(words) {}

  void read() {
    bool first = true;
    while (!out_.refusal) {
      skip_blanks();
      if (at_ >= source_.size()) break;
      if (source_[at_] == ';') {
        ++at_;
        first = true;
        continue;
      }
      // A piece of a chain may be pasted, without its stream.
      const bool piece = first && !starts_with("<<") && !begins_with_stream();
      const bool named = first && !piece && is_word_start(source_[at_]);
      first = false;
      if (named && !read_stream()) continue;
      if (!out_.refusal) read_insertion(!piece);
    }
    keep_first_word();
    out_.value_names = chain_.names;
    chain_.after = std::move(pending_);
    close(source_.size());
    at_ = source_.size();
    tell("end", [] { return "the end"; });
  }

 private:
  // The part just read, in words.
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning, int field = unset) {
    if (words_.asked()) words_.add(at_, role, meaning(), field);
  }

  void error(std::string why, std::size_t from) {
    refuse(Refusal::When::compile, "error", std::move(why), from);
  }

  // The source up to `end` that no piece has yet: it prints nothing.
  void close(std::size_t end) {
    if (end > covered_) out_.pieces.push_back({{covered_, end}, unset, {}});
    covered_ = end;
  }

  void skip_blanks() { skip_blanks_and_comments(); }

  bool take(std::string_view mark) {
    skip_blanks();
    if (!source_.substr(at_).starts_with(mark)) return false;
    at_ += mark.size();
    return true;
  }

  // "cout", "std::cout"; std:: is dropped.
  std::string_view read_name() {
    std::size_t start = at_;
    while (at_ < source_.size() && (is_word_part(source_[at_]))) ++at_;
    std::string_view name = source_.substr(start, at_ - start);
    if (name != "std" && name != "ios" && name != "ios_base") return name;
    if (!source_.substr(at_).starts_with("::")) return name;
    at_ += 2;
    return read_name();
  }

  // A word before << or before a member that streams have, which is no manipulator.
  bool begins_with_stream() {
    if (!is_word_start(source_[at_])) return false;
    const std::size_t start = at_;
    bool out = find_manipulator(read_name()) == manipulators.end();
    skip_blanks();
    if (out && starts_with(".")) {
      ++at_;
      constexpr std::string_view members[] = {"width",  "precision", "fill",    "setf",
                                              "unsetf", "flags",     "put",     "write",
                                              "flush",  "imbue",     "copyfmt", "clear"};
      out = std::find(std::begin(members), std::end(members), read_name()) != std::end(members);
    } else {
      out = out && (starts_with("<<") || starts_with(";"));
    }
    at_ = start;
    return out;
  }

  // The stream's name; false where no insertion follows: the statement is a call of its member,
  // which is read too, or nothing else.
  bool read_stream() {
    constexpr std::string_view always_streams[] = {"cout",  "cerr",  "clog",
                                                   "wcout", "wcerr", "wclog"};
    const std::size_t start = at_;
    chain_.stream = read_name();
    const bool is_stream = std::find(std::begin(always_streams), std::end(always_streams),
                                     chain_.stream) != std::end(always_streams);
    skip_blanks();
    if (starts_with(".")) {
      read_member(start);
      return false;
    }
    // The stream alone prints nothing.
    if (is_stream && (at_end() || peek() == ';')) return false;
    if (start == 0 && !is_stream) {
      chain_.first.name = chain_.stream;
      chain_.first.span = {start, at_};
    }
    return true;
  }

  // cout.width(9), cout.setf(ios::fixed, ios::floatfield): [ios.base].
  void read_member(std::size_t start) {
    ++at_;
    const std::string_view name = read_name();
    struct Member {
      std::string_view name;
      std::string_view manipulator;
    };
    constexpr Member members[] = {{"width", "setw"},           {"precision", "setprecision"},
                                  {"fill", "setfill"},         {"setf", "setiosflags"},
                                  {"unsetf", "resetiosflags"}, {"flags", "setiosflags"}};
    const auto member = std::find_if(std::begin(members), std::end(members),
                                     [&](const Member& one) { return one.name == name; });
    if (member == std::end(members))
      return (void)not_yet("the member " + std::string(name) + " of a stream is", start,
                           "Use a manipulator, such as setw(9).");
    if (!take("(")) return error("a ( is expected here", start);
    const Manipulator& found = *find_manipulator(member->manipulator);
    if (!found.takes_flags) {
      Setting setting{found.what, 0, How::replaces, {}, true, {start, at_}};
      if (!read_operand(setting.argument, 0)) return;
      if (!take(")")) return error("a closing ) is missing", start);
      setting.span.to = at_;
      pending_.push_back(std::move(setting));
    } else {
      if (name == "flags") clear_flags({start, at_});
      read_flags(found, start);
    }
    tell("setting", [&] { return std::string(found.meaning); });
    skip_blanks();
    if (!at_end() && peek() != ';') error("the end of the statement is expected here", at_);
  }

  void add_setting(const Manipulator& flag, How how, Span span) {
    pending_.push_back({flag.what, flag.to, how, {}, false, span});
  }

  // A flag that a mask has: every one but those without a group or a negation.
  static bool is_flag(const Manipulator& known) {
    return !known.takes_argument && known.to != 0 && known.what != What::nothing &&
           known.name != "hexfloat";
  }

  void clear_flags(Span span) {
    for (const Manipulator& flag : manipulators) {
      if (is_flag(flag)) add_setting(flag, How::removes, span);
    }
  }

  // ios::fixed | ios::showpoint), and with setf a second mask, of flags that are taken away first.
  void read_flags(const Manipulator& manipulator, std::size_t start) {
    std::vector<const Manipulator*> flags;
    std::vector<const Manipulator*> mask;
    bool has_mask = false;
    if (!read_mask(flags, start)) return;
    if (take(",")) {
      has_mask = true;
      if (!read_mask(mask, start)) return;
    }
    if (!take(")")) return error("a closing ) is missing", start);
    const Span span{start, at_};
    for (const Manipulator* flag : mask) add_setting(*flag, How::removes, span);
    const How how = manipulator.name == "setiosflags" ? How::adds : How::removes;
    for (const Manipulator* flag : flags) {
      const bool is_masked = has_mask && std::find(mask.begin(), mask.end(), flag) == mask.end();
      if (!is_masked) add_setting(*flag, how, span);
    }
  }

  bool read_mask(std::vector<const Manipulator*>& out, std::size_t start) {
    struct Group {
      std::string_view name;
      What what;
    };
    constexpr Group groups[] = {
        {"floatfield", What::notation}, {"basefield", What::base}, {"adjustfield", What::side}};
    do {
      skip_blanks();
      std::string_view name = read_name();
      if (name == "fmtflags" && take("::")) name = read_name();
      const auto group = std::find_if(std::begin(groups), std::end(groups),
                                      [&](const Group& one) { return one.name == name; });
      const Manipulator* flag = find_manipulator(name);
      if (group != std::end(groups)) {
        for (const Manipulator& known : manipulators) {
          if (known.what == group->what && is_flag(known)) out.push_back(&known);
        }
      } else if (flag != manipulators.end() && (is_flag(*flag) || is_idle(name))) {
        if (is_flag(*flag)) out.push_back(flag);
      } else {
        return not_yet("flags other than those of ios by name are", start,
                       "Write ios::fixed, ios::showpoint and their like.");
      }
    } while (take("|"));
    return true;
  }

  // Flags that change nothing that is printed here.
  static bool is_idle(std::string_view name) { return name == "skipws" || name == "unitbuf"; }

  void keep_first_word() {
    const std::string& word = chain_.first.name;
    const auto found = std::find(chain_.names.begin(), chain_.names.end(), word);
    // What is inserted is no stream.
    chain_.first_is_value = !word.empty() && found != chain_.names.end();
    if (chain_.first_is_value) std::rotate(chain_.names.begin(), found, found + 1);
    chain_.names_with_first = chain_.names;
    if (!word.empty() && !chain_.first_is_value)
      chain_.names_with_first.insert(chain_.names_with_first.begin(), word);
  }

  void read_insertion(bool wants_sign) {
    const std::size_t start = at_;
    if (wants_sign && !take("<<")) {
      return error("<< is expected here, or the end of the statement", start);
    }
    skip_blanks();
    const std::size_t operand = at_;
    if (at_ >= source_.size()) return error("nothing follows <<", start);
    if (is_word_start(source_[at_]) && read_manipulator()) return;
    if (out_.refusal) return;
    Operand shown;
    if (!read_operand(shown)) return;
    skip_blanks_before_next();
    tell(
        "value",
        [&] {
          return shown.is_constant()           ? describe(shown.value)
                 : shown.expression != nullptr ? std::string("the value of this expression")
                                               : "the value named " + shown.name;
        },
        static_cast<int>(out_.fields.size()));
    close(operand);
    Field field;
    field.span = {operand, shown.span.to};
    if (!shown.name.empty()) field.key = "(" + shown.name + ")";
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    covered_ = field.span.to;
    out_.fields.push_back(std::move(field));
    chain_.insertions.push_back({std::move(pending_), std::move(shown)});
    pending_.clear();
  }

  // What may follow an operand is the next <<, or the end of the statement.
  void skip_blanks_before_next() {
    const std::size_t end = at_;
    skip_blanks();
    const std::string_view rest = source_.substr(at_);
    if (!rest.empty() && rest[0] != ';' && !rest.starts_with("<<"))
      error("<< is expected here, or the end of the statement", at_);
    at_ = end;
  }

  static const Manipulator* find_manipulator(std::string_view name) {
    return std::find_if(manipulators.begin(), manipulators.end(),
                        [&](const Manipulator& known) { return known.name == name; });
  }

  bool read_manipulator() {
    const std::size_t start = at_;
    const std::string_view name = read_name();
    const Manipulator* found = find_manipulator(name);
    if (found == manipulators.end()) {
      at_ = start;
      return false;
    }
    Setting setting{found->what, found->to, How::replaces, {}, found->takes_argument, {start, at_}};
    if (found->takes_argument) {
      if (!take("(")) {
        error(std::string(name) + " needs its argument in parentheses", start);
        return true;
      }
      skip_blanks();
      if (found->takes_flags) {
        read_flags(*found, start);
        tell("setting", [&] { return std::string(found->meaning); });
        return true;
      }
      if (!read_operand(setting.argument, 0)) return true;
      if (!take(")")) {
        error("a closing ) is missing", start);
        return true;
      }
      setting.span.to = at_;
    }
    if (!found->writes.empty()) {
      close(start);
      const std::size_t from = out_.literals.size();
      out_.literals += found->writes;
      out_.pieces.push_back({setting.span, unset, {from, out_.literals.size()}});
      covered_ = setting.span.to;
    }
    tell("setting", [&] { return std::string(found->meaning); });
    if (found->what != What::nothing) pending_.push_back(std::move(setting));
    return true;
  }

  // An expression of operators that bind tighter than << does.
  bool read_operand(Operand& out, int level = c_language::tighter_than_shifts) {
    const std::size_t start = at_;
    expressions_.move_to(at_);
    computed::Node node;
    const bool good = expressions_.read(node, level);
    at_ = expressions_.at();
    if (!good) {
      if (!out_.refusal) out_.refusal = expressions_.refusal();
      return false;
    }
    out.span = {start, at_};
    if (node.kind == computed::Node::Kind::name && node.text.find("::") == std::string::npos) {
      out.name = node.text;
      names_.add(out.name);
      return true;
    }
    if (is_signed_constant(node)) {
      out.value = signed_constant(node);
    } else {
      for (const std::string& name : names_in(node)) names_.add(name);
      out.expression = std::make_shared<const computed::Node>(std::move(node));
      return true;
    }
    if (out.value.is(Type::text)) end_at_zero(out);
    return true;
  }

  static std::vector<std::string> names_in(const computed::Node& node) {
    std::vector<std::string> out;
    computed::collect_names(node, out);
    return out;
  }

  static bool is_signed_constant(const computed::Node& node) {
    if (node.kind == computed::Node::Kind::constant) return true;
    const bool has_sign = node.kind == computed::Node::Kind::unary &&
                          (node.operation == computed::Operation::negate ||
                           node.operation == computed::Operation::keep);
    return has_sign && node.parts[0].kind == computed::Node::Kind::constant &&
           (is_whole(node.parts[0].value.type()) || is_real(node.parts[0].value.type()));
  }

  static Value signed_constant(const computed::Node& node) {
    if (node.kind == computed::Node::Kind::constant) return node.value;
    struct NoNames final : computed::Scope {
      const Value* find(std::string_view) const override { return nullptr; }
    };
    const NoNames none;
    CppExpressions expressions(none);
    Value out;
    // A sign before a number always has a value.
    expressions.evaluate(node, out);
    return out;
  }

  // A literal is inserted as a char*, which ends at its first zero byte.
  void end_at_zero(Operand& operand) {
    const std::size_t end = operand.value.as_text().find('\0');
    if (end == std::string_view::npos) return;
    operand.value = Value::text(std::string(operand.value.as_text().substr(0, end)));
    out_.notes.push_back({Code::text_cut,
                          "a literal that is inserted ends at its first zero byte; the rest is not "
                          "printed",
                          operand.span});
  }

  Chain& chain_;
  NameCollector names_;
  c_language::ExpressionReader expressions_;
  std::size_t covered_ = 0;  // by pieces
  std::vector<Setting> pending_;
  braces::WordsSink words_;
};

}  // namespace

void read_chain(TemplateContent& out, Chain& chain, std::vector<Words>* words) {
  Reader(out, chain, words).read();
}

}  // namespace inky::inline v1::cpp_stream
