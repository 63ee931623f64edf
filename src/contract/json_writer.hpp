// JSON written as it comes, member by member, without building it first: for answers by the
// million.
//
//   JsonWriter out;
//   out.open_object();
//   out.member("text", "ink");
//   out.close_object();
//   out.view()                   // {"text":"ink"}
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/text/output.hpp"

namespace inky::inline v1 {

class JsonWriter {
 public:
  enum class Form : std::uint8_t { line, spread };
  explicit JsonWriter(Form form = Form::line) : form_(form) {}

  void open_object() { open('{'); }
  void open_object(std::string_view name) {
    key(name);
    open_object();
  }
  void close_object() { close('}'); }
  void open_list() { open('['); }
  void open_list(std::string_view name) {
    key(name);
    open_list();
  }
  void close_list() { close(']'); }
  // REQUIRES: a name of plain ASCII, as all of ours are.
  void key(std::string_view name);

  void text(std::string_view value);
  void number(std::int64_t value);
  void truth(bool value) { plain(value ? "true" : "false"); }
  void null() { plain("null"); }

  void member(std::string_view name, std::string_view value) {
    key(name);
    text(value);
  }
  // The same for a value of plain ASCII without quotes and backslashes, as numbers are.
  void member_plain(std::string_view name, std::string_view value);
  // null for an empty text.
  void member_or_null(std::string_view name, std::string_view value) {
    key(name);
    value.empty() ? null() : text(value);
  }
  void member_number(std::string_view name, std::int64_t value) {
    key(name);
    number(value);
  }
  void member_number(std::string_view name, std::size_t value) {
    member_number(name, static_cast<std::int64_t>(value));
  }
  void member_number(std::string_view name, int value) { member_number(name, std::int64_t{value}); }
  void member_truth(std::string_view name, bool value) {
    key(name);
    truth(value);
  }

  std::string_view view() const { return out_.view(); }
  std::string string() const { return out_.string(); }
  // What is written so far, of which no more is kept: to write a long answer in pieces.
  std::string taken() {
    std::string out = out_.string();
    out_.clear();
    return out;
  }

 private:
  static constexpr std::size_t usual_room = 1024;

  void open(char bracket);
  void close(char bracket);
  // The text in front of a value: a comma, or in spread form a new line.
  void begin_value();
  void begin_line();
  void plain(std::string_view value);
  void escaped(std::string_view value);

  Form form_;
  TextBuffer out_{usual_room};
  int depth_ = 0;
  bool first_ = true;  // nothing yet in the innermost object or list
  bool after_key_ = false;
};

}  // namespace inky::inline v1
