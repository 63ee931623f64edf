// What Inky Margin states besides the text itself: notes and errors, each with a stable code.
//
//   name_of(Code::stored_off_tie)        // "stored-off-tie"
//   sentence_of(Code::stored_off_tie)    // one sentence about all notes of this code
//
// Codes never change their names. docs/codes.md is made from their table.
#pragma once

#include <cassert>
#include <cstddef>
#include <cstdint>
#include <memory>
#include <span>
#include <stdexcept>
#include <string>
#include <string_view>
#include <utility>
#include <variant>
#include <vector>

namespace inky::inline v1 {

// Half-open, in bytes of the text it points into: a template, a line, a value.
struct Span {
  std::size_t from = 0;
  std::size_t to = 0;
  friend bool operator==(const Span&, const Span&) = default;
};

enum class Code : std::uint16_t {
  // 100: the request cannot be read.
  bad_value = 100,
  unknown_type,
  value_out_of_range,
  unknown_dialect,
  unknown_key,
  duplicate_key,
  missing_key,
  wrong_kind,
  bad_json,
  bad_option,
  not_utf8,
  // 120: the request is read, and refused.
  over_limit = 120,
  not_supported_yet,
  contradiction,
  template_fails,
  bad_template,
  other_dialect,
  // 140: files.
  unreadable_file = 140,
  bad_sheet,
  bad_data,
  output_failed,
  bad_call_table,
  bad_source,
  machine_failed,
  bad_baseline,
  bad_settings,
  // 200: about values.
  too_many_values = 200,
  bits_reinterpreted,
  value_wrapped,
  low_byte_only,
  wide_literal,
  cut_to_whole,
  type_converted,
  values_run_out,
  template_recycled,
  conversion_switched,
  // 220: about digits.
  stored_off_tie = 220,
  exact_tie,
  digits_past_precision,
  decimal_rounded,
  digits_are_significant,
  // 240: about width and text.
  text_cut = 240,
  character_cut,
  width_counts_otherwise,
  width_used_up,
  settings_left_on,
  width_from_digits,
  // 260: about the template.
  flag_without_effect = 260,
  flag_overridden,
  no_grouping_in_locale,
  quotes_in_template,
  unknown_escape,
  implementation_defined,
  departs_from_standard,
  // 280: about sheets.
  wish_not_expressible = 280,
  // 300: found by a check.
  language_fails = 300,
  language_undefined,
  locale_left_open,
  line_not_ended,
  line_too_long,
  not_checked,
  language_complains,
  bad_remark,
  unused_remark,
  hole_not_filled,
};

struct CodeFact {
  Code code;
  std::string_view name;
  std::string_view sentence;
  std::string_view advice;  // what to do, or an example: one paragraph of Markdown
};
std::span<const CodeFact> all_codes();
std::string_view name_of(Code code);
std::string_view sentence_of(Code code);

// Something the user should know about a rendering. `span` is in the template.
struct Note {
  Code code{};
  std::string message;
  Span span;
};
using Notes = std::vector<Note>;

// A bad request. `message` names the fault, `remedy` what to do; `span` is in the text that was
// given, which the caller knows.
struct Error {
  Code code{};
  std::string message;
  Span span;
  std::string remedy;
};

// What value() throws where there is an error instead.
class ResultError : public std::runtime_error {
 public:
  explicit ResultError(Error error)
      : std::runtime_error(error.message),
        error_(std::make_shared<const Error>(std::move(error))) {}
  const Error& error() const noexcept { return *error_; }

 private:
  // Shared, so that copying the exception cannot throw.
  std::shared_ptr<const Error> error_;
};

// A value, or the error that replaces it. It must be looked at.
template <typename T>
class [[nodiscard]] Result {
 public:
  Result(T value) : state_(std::in_place_index<0>, std::move(value)) {}
  Result(Error error) : state_(std::in_place_index<1>, std::move(error)) {}

  bool ok() const { return state_.index() == 0; }
  explicit operator bool() const { return ok(); }

  // The value; throws ResultError where there is none.
  T& value() & { return ok() ? **this : throw ResultError(error()); }
  const T& value() const& { return ok() ? **this : throw ResultError(error()); }
  T&& value() && { return ok() ? std::move(**this) : throw ResultError(error()); }

  // REQUIRES: ok(). Checked by assert.
  T& operator*() {
    assert(ok());
    return *std::get_if<0>(&state_);
  }
  const T& operator*() const {
    assert(ok());
    return *std::get_if<0>(&state_);
  }
  T* operator->() { return &**this; }
  const T* operator->() const { return &**this; }
  // REQUIRES: not ok(). Checked by assert.
  Error& error() {
    assert(!ok());
    return *std::get_if<1>(&state_);
  }
  const Error& error() const {
    assert(!ok());
    return *std::get_if<1>(&state_);
  }

 private:
  std::variant<T, Error> state_;
};

}  // namespace inky::inline v1
