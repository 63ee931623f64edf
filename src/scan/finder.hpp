// The walk over tokens that finds calls: parentheses are followed, and the arguments of calls kept.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_set>
#include <vector>

#include "arguments.hpp"
#include "call_forms.hpp"
#include "constants.hpp"
#include "declarations.hpp"
#include "expression_types.hpp"
#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"
#include "literal.hpp"
#include "macros.hpp"
#include "source_facts.hpp"

namespace inky::inline v1 {

// What is open: parentheses, and perhaps the call they belong to.
struct Frame {
  std::string_view close;  // empty: nothing closes it, as the values of F#
  FormList forms;          // empty: no call
  Position at;
  std::vector<Argument> arguments;
  std::string path;      // of a call of a specification: the names before its parentheses
  std::string called;    // the same of a call that a form's name holds: "getLogger()"
  std::size_t kept = 0;  // the bytes of literals in it
  bool too_much = false;
  bool one_of_several = false;  // its template is one of a choice
  Argument receiver;
  bool percent = false;
  bool braces = false;
  bool bare = false;        // parentheses around an operand, not behind one
  bool translates = false;  // its text into another language of people
  bool chooses = false;     // from two such texts
};

inline constexpr std::size_t most_items = 200;
inline constexpr std::size_t most_path = 512;
inline constexpr std::size_t most_waiting = 1000;

class Finder {
 public:
  Finder(const Lexis& lexis, std::span<const CallForm> calls, const ByteSource& source,
         const CallSink& sink, const Remarks* remarks)
      : lexis_(lexis),
        forms_(calls),
        reader_(source),
        lexer_(lexis, reader_, remarks),
        sink_(sink),
        declared_(lexis, &macros_),
        constants_(lexis) {
    for (const CallForm& call : calls) has_lists_ = has_lists_ || call.shape == CallShape::list;
  }

  // Before run().
  void include(const SourceFacts& facts);
  void run();

 private:
  // ---- One token ----

  void take(Token& token);

  // Words that an operand follows, so that parentheses behind them are no call's.
  static bool is_operator_word(std::string_view word);

  void take_word(Token& token);

  void take_text(Token& token);

  void take_sign(Token& token);

  void take_import(const Token& token);
  // name::<A, B>(x): commas between types part no arguments.
  bool take_generics(const Token& token);

  // What stands behind "..." %
  bool take_operand(Token& token);

  Item item_of_slot(const std::string& shown) const;
  static Item word_item(const std::string& word);

  // ---- Frames ----

  static bool has(const FormList& forms, CallShape shape);
  // Those of a path whose header is included, where they need one.
  FormList forms_at(std::string_view path) const;

  void push(Frame frame);

  void open_frame(const Token& token);

  static FormList only(FormList forms, CallShape shape);

  // Closes what this sign closes; a sign that closes nothing is let be.
  void close(const Token& token);

  void close_frame();

  void describe(const Frame& frame, Item& group) const;
  bool choose_text(const Frame& frame);
  Argument* argument_around(const Frame& frame);
  void next_argument();

  static Item item_of(const Token& token);

  void add(const Token& token);

  void add_item(Item item, bool is_group);
  static bool goes_on_in_list(const Argument& argument, bool is_group);
  static bool is_quoting(const Item& item);

  // Whether a token still belongs to values that stand side by side.
  bool goes_on(const Token& token);

  // ---- Insertions: the text from the name on, to the end of the statement ----

  struct Insertions {
    FormList forms;
    Position at;
    std::size_t depth = 0;
    std::string begun;
  };

  void begin_insertions(const Token& token, const FormList& found);

  void end_insertions(std::size_t depth);

  // What a reader of one file cannot know becomes a value of its own.
  void make_neutral(FoundCall& call) const;

  static bool is_blank(char byte);

  // ---- Calls ----

  FoundCall call_of_receiver(std::string_view name, std::string_view dialect,
                             const Argument& receiver, const Position& at) const;

  static void settle(FoundCall& call, Draft draft);

  void finish(Frame& frame);
  const CallForm* choose_form(const Frame& frame) const;
  // Whether it is a macro of several values, or may be one that another file defines: QUARTET(n).
  bool may_be_several(const Argument& argument) const;
  // Whether it is texts, among them macros that are.
  bool is_template(const Argument& argument, std::size_t from) const;
  // A macro's or a constant's; null where the name has none.
  const std::vector<Literal>* texts_named(const std::string& name) const;
  bool is_own(const std::string& qualifier, const Constants::Constant& constant) const;
  // this.NAME as NAME, where a constant is meant.
  Argument without_class(const Argument& argument) const;
  // A constant that is written where a text may stand, as `"..."` in `"...".format(x)`.
  bool begins_run(const Token& token) const;
  void append_item(const Item& item, const Position& at, Draft& draft) const;
  void finish_receiver(Frame& frame, const CallForm& form);
  void finish_template(Frame& frame, const CallForm& form);
  bool finish_choice(Frame& frame, const CallForm& form);

  void finish_specification(Frame& frame, const CallForm& form);
  void finish_percent(Frame& frame);
  void give_entries(FoundCall& call, const Frame& frame) const;
  bool operand_goes_on();

  // The values from this argument on.
  void give(FoundCall& call, const Frame& frame, std::size_t from, const CallForm& form) const;

  bool is_threaded() const;
  static void give_elements(FoundCall& call, const Argument& list);

  // {name.part} and {name[part]}.
  static bool takes_parts(std::string_view source);

  // {name} and {name:...} of variables that are declared here.
  void give_captured(std::string_view source, std::vector<Given>& values) const;

  // Calls inside of others end first: they wait for those around them.
  void report(FoundCall call);
  void flush();

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
  std::string last_sign_;
  bool last_word_ends_ = false;
  bool operand_ended_ = false;
  bool spaced_ = false;
  bool group_is_apart_ = false;

  // Texts, and what follows them: a method's name, an operator.
  enum class Stage : std::uint8_t { none, text, point, method };
  Stage stage_ = Stage::none;
  Argument run_;
  Position run_at_;
  bool operand_expected_ = false;

  FormList waits_for_text_;
  std::optional<Insertions> insertions_;

  // import static java.lang.String.format; and what the headers that are read include.
  static constexpr std::size_t most_imports = 1000;
  bool importing_ = false;
  std::unordered_set<std::string> own_macros_;
  std::unordered_set<std::string> imports_;

  // The signs < that are open around arguments that are types.
  std::size_t generics_open_ = 0;

  Macros macros_;
  Declarations declared_;
  Constants constants_;
};

}  // namespace inky::inline v1
