// Finds the calls in a source text that take a template, and what is known there of their values.
//
//   const SourceLanguage& c = *find_language("c");
//   scan(c, c.calls, text, [](const FoundCall& call) {
//     call.name, call.at.line, call.at.column, *call.source  // "printf", 3, 3, "%d of %s"
//     check(*find_dialect(call.dialect), *call.source, call.given);
//     call.place(2).column                                   // where the template's third byte is
//   });
//
// The scan is light: it knows comments and literals, parentheses and names, and reads a text of any
// length in bounded memory. What is unknown is reported: a template that is not a literal is found
// and marked so. It never fails: a text that does not end, ends with its line.
#pragma once

#include <cstddef>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "inky_margin/check/check.hpp"
#include "inky_margin/dialect/language.hpp"

namespace inky::inline v1 {

// A place in a text. Lines and columns count from 1; a column is a code point, and a byte that is
// not UTF-8 is one too.
struct Position {
  std::size_t offset = 0;  // in bytes
  std::size_t line = 1;
  std::size_t column = 1;
  friend bool operator==(const Position&, const Position&) = default;
};

// Where the bytes of a text come from: as many as fit, from `into` on; 0 at the end.
using ByteSource = std::function<std::size_t(char* into, std::size_t most)>;

// From this byte of a template on, the source continues at this place.
struct PlaceMark {
  std::size_t template_at = 0;
  Position position;
  bool verbatim = true;  // byte for byte, up to the next mark
};

struct FoundCall {
  std::string name;          // of its form
  std::string_view dialect;  // empty where there is a rule for holes
  HoleRule holes = HoleRule::none;
  Position at;
  // The template as its dialect reads it; nothing where it is not a literal, or we cannot read it.
  std::optional<std::string> source;
  std::string_view why_not;  // there is no source: a sentence
  std::vector<PlaceMark> marks;
  GivenValues given;
  bool names_locale = false;  // the call does

  // Where a byte of the template is in the text.
  Position place(std::size_t template_at) const;
  // Where a stretch of it ends, which another piece of the text may follow.
  Position end_place(std::size_t template_to) const;
  // Whether this stretch of the template is in the text as it is.
  bool stands_verbatim(Span span) const;
};

// The most of a text that one call is read from, in bytes; and the most arguments of one.
inline constexpr std::size_t most_call = std::size_t{1} << 16;
inline constexpr std::size_t most_arguments = 1000;
// How deep parentheses are followed.
inline constexpr std::size_t most_depth = 200;

using CallSink = std::function<void(const FoundCall&)>;

// A word to a tool in a comment: from a mark to the end of the line, or of the comment.
struct Remark {
  std::string text;  // with its mark, without blanks at its end; up to most_remark bytes
  Position at;
  bool alone = false;  // nothing but blanks and comments is before it on its line
};
inline constexpr std::size_t most_remark = 1000;

// Remarks are handed on as they are met: those on the lines of a call before the call.
// An empty mark marks nothing.
struct Remarks {
  std::string mark;
  std::function<void(const Remark&)> sink;
};

// What a line of a directive includes: by its name, in quotes or in angle brackets.
struct Include {
  std::string name;
  bool in_quotes = false;
};

// What a source says of the names in it, for those that include it: types, functions, variables and
// macros of C and C++.
class SourceFacts;
std::shared_ptr<const SourceFacts> read_facts(const SourceLanguage& language,
                                              const ByteSource& source);
// What it includes itself; valid as long as the facts are.
std::span<const Include> includes_of(const SourceFacts& facts);

// Calls come in the order in which they begin, but for thousands inside of one.
// `remarks`: null where nobody asks for them. `included`: of all that the source includes, itself
// or through others; what two of them say and not alike is not known.
void scan(const SourceLanguage& language, std::span<const CallForm> calls, const ByteSource& source,
          const CallSink& sink, const Remarks* remarks = nullptr,
          std::span<const SourceFacts* const> included = {});
// The same for a text that is all here.
void scan(const SourceLanguage& language, std::span<const CallForm> calls, std::string_view text,
          const CallSink& sink, const Remarks* remarks = nullptr);

// A function of the program's own that takes a template.
struct LearnedCall {
  std::string name;
  int template_at = 0;
  bool has_values = false;  // they follow the template; else they come as a va_list
  std::string dialect;
  std::string through;   // the call that it hands its template on to
  std::size_t file = 0;  // where it was found, as given to read()
  Position at;
  bool is_local = false;  // static: of that file alone
};

// Learns from all files of a program, before its calls are looked for, which functions take a
// template in C and C++: those that a format attribute says so of, and those whose body hands a
// parameter on to a call that takes one, through up to eight others.
//
//   CallLearner learner;
//   learner.read(c, 0, "void say(const char *f, ...) { va_list l; ... vprintf(f, l); }");
//   learner.finish(c.calls);
//   learner.forms(c, 0)       // say, template_at 0
class CallLearner {
 public:
  // Whether anything is learned of this language.
  static bool learns(const SourceLanguage& language);
  // What it includes is returned. `is_header`: its static functions are those of all that include
  // it, which is taken to be every file.
  std::vector<Include> read(const SourceLanguage& language, std::size_t file,
                            const ByteSource& source, bool is_header = false);
  // After all files: what hands templates on to `known` is learned.
  void finish(std::span<const CallForm> known);

  // The calls of a file; in no order that means anything.
  std::vector<CallForm> forms(const SourceLanguage& language, std::size_t file) const;
  const std::vector<LearnedCall>& calls() const { return calls_; }

 private:
  static constexpr std::size_t most_learned = 2000;
  static constexpr int most_rounds = 8;
  struct Relation {
    LearnedCall call;
    int argument = 0;  // of the call that it is handed on to
    bool is_local = false;
  };
  bool add(LearnedCall call, bool is_local);

  std::vector<LearnedCall> calls_;
  std::vector<Relation> relations_;
  std::unordered_map<std::string, std::size_t> by_name_;
};

// More calls of a language, from a table in TOML:
//
//   [[call]]
//   language = "c"         # the id of a language
//   name = "log_line"      # as written in source, with its path where it has to have one
//   template = 1           # which argument is the template, from 0; 0 where it is left out
//   dialect = "c"          # left out: the usual one of the language
//   values = "elsewhere"   # left out: they follow the template
//
// An error points into `text`.
struct CallTable {
  struct Entry {
    const SourceLanguage* language;
    CallForm form;
  };
  std::vector<Entry> entries;

  // The calls of a language, those of the table first.
  std::vector<CallForm> calls_of(const SourceLanguage& language) const;
};
Result<CallTable> read_call_table(std::string_view text);

}  // namespace inky::inline v1
