// What rendering a template has in common, whatever its family: the walk over its pieces, the
// commonest field of all, limits, and the report. A language derives from it and states what its
// fields print:
//
//   class Rendering final : public family::Rendering<Rendering> {
//     bool render(const Field& field);         // false: no text, and trouble_ gives the reason
//     void note_field(const Field& field);     // after it was rendered, when a report is wanted
//     bool end();                              // after the last piece
//   };
#pragma once

#include <algorithm>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "number/decimal_writing.hpp"
#include "source.hpp"
#include "values.hpp"

namespace inky::inline v1::family {

template <typename Language>
class Rendering {
 public:
  // Whether it knows what becomes of complex numbers, moments, tuples and records.
  static constexpr bool takes_rare_values = false;

  Rendering(const DialectFacts& facts, const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : facts_(facts),
        parsed_(parsed),
        values_(values),
        options_(options),
        out_(out),
        report_(report) {}

  Outcome run() {
    const std::size_t start = out_.needed();
    if (report_ != nullptr) begin_report();
    if (parsed_.refusal) return refused();
    for (const Piece& piece : parsed_.pieces) {
      if (piece.field == unset) {
        out_.append(parsed_.literal(piece));
      } else if (const Field& field = parsed_.fields[static_cast<std::size_t>(piece.field)];
                 field.plain_decimal && report_ == nullptr && write_plain_decimal(field)) {
        continue;
      } else if (!place(piece.field, start)) {
        out_.cut_back(start);
        return std::move(trouble_);
      }
      if (out_.view().size() > start + most_output) {
        out_.cut_back(start);
        return too_long(piece.source);
      }
    }
    if (!language().end()) {
      out_.cut_back(start);
      return std::move(trouble_);
    }
    return {};
  }

 protected:
  Language& language() { return static_cast<Language&>(*this); }

  // What widths and limits of text count.
  WidthUnit unit() const { return options_.width_of.value_or(facts_.width_unit); }

  bool fail(Outcome outcome) {
    trouble_ = std::move(outcome);
    return false;
  }

  void note(Code code, std::string message, Span span) {
    report_->notes.push_back({code, std::move(message), span});
  }

  // Values beyond those that the fields take: `then` states what the language does with them.
  [[gnu::noinline]] void note_unused(std::string_view then) {
    const auto taken = static_cast<std::size_t>(parsed_.values_taken);
    if (values_.size() > taken) note_unused(values_.size() - taken, then);
  }
  void note_unused(std::size_t count, std::string_view then) {
    note(Code::too_many_values,
         std::to_string(count) + (count == 1 ? " value is" : " values are") +
             " used by no field; " + std::string(then),
         {0, parsed_.source.size()});
  }

  // A width or precision that a value gave, within the limit.
  bool within_limit(const Field& field, const Value& value, int128 whole) {
    if (whole <= most_width && whole >= -most_width) return true;
    return fail(Outcome::error({Code::over_limit,
                                describe(value) + " as a width or precision is over the limit of " +
                                    std::to_string(most_width),
                                field.span, "Use at most " + std::to_string(most_width) + "."}));
  }

  // The commonest field of all, %d of an i32, without ceremony. False when it is not that.
  bool write_plain_decimal(const Field& field) {
    const auto index = static_cast<std::size_t>(field.value_index);
    if (index >= values_.size() || !values_[index].is(Type::i32) || !field.defect.empty())
      return false;
    const auto number = static_cast<std::int32_t>(low_half(values_[index].bits()));
    const std::uint32_t magnitude =
        number < 0 ? 0U - static_cast<std::uint32_t>(number) : static_cast<std::uint32_t>(number);
    char* at = out_.place(1 + decimal_writing::loose_room);
    if (at == nullptr) return false;
    // Written whatever the sign, kept only with it: no branch.
    *at = '-';
    at += number < 0 ? 1 : 0;
    out_.keep(at + decimal_writing::write_loosely(at, magnitude));
    return true;
  }

  // The parts of a walk, for a language that walks its own way too. They are kept out of the loop
  // over the pieces, which stays small.
  [[gnu::noinline]] bool place(int index, std::size_t start) {
    const Field& field = parsed_.fields[static_cast<std::size_t>(index)];
    if constexpr (!Language::takes_rare_values) {
      if (!looked_ && !is_plain_decimal(field) && !look_for_rare()) return false;
    }
    if (report_ == nullptr) return language().render(field);
    const std::size_t from = out_.needed() - start;
    const bool prints = language().render(field);
    report_->fields.push_back({index, {from, out_.needed() - start}, shown_, computed_});
    computed_.reset();
    language().note_field(field);
    return prints;
  }

  // Whether write_plain_decimal shows it, which takes values of the usual types only.
  bool is_plain_decimal(const Field& field) const {
    const auto at = static_cast<std::size_t>(field.value_index);
    return field.plain_decimal && at < values_.size() && values_[at].is(Type::i32);
  }

  bool look_for_rare() {
    looked_ = true;
    const Value* rare =
        find_rare(values_, facts_.options, facts_.decimals != Decimals::none, facts_.times);
    return rare == nullptr || fail(rare_value(*rare, facts_.language));
  }

  [[gnu::noinline]] void begin_report() { report_->notes = parsed_.notes; }

  [[gnu::noinline]] Outcome refused() const { return outcome_of(*parsed_.refusal); }

  [[gnu::noinline]] static Outcome too_long(Span span) {
    return Outcome::error(
        {Code::over_limit,
         "the text grows over the limit of " + std::to_string(most_output) + " bytes", span,
         "Render it in parts."});
  }

  const DialectFacts& facts_;
  const TemplateContent& parsed_;
  std::span<const Value> values_;
  const RenderOptions& options_;
  Output& out_;
  Report* report_;
  Outcome trouble_;
  bool looked_ = false;            // for values of rare types
  int shown_ = unset;              // the value that the field shows, where the field does not say
  std::optional<Value> computed_;  // what the field shows, where that is the value of an expression
};

}  // namespace inky::inline v1::family
