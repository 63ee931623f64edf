// A small dialect that complains and prints on, as shells do: %d and %s, and no others. A text that
// is no number prints 0, a number beyond 32 bits the nearest that fits; both with a complaint, and
// the status 1. Its own setting is the platform: on "windows" a new line takes two bytes.
#pragma once

#include <algorithm>
#include <cstdint>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace support {

class SmallShell final : public inky::Dialect, public inky::Writer {
 public:
  const inky::DialectFacts& facts() const override {
    static constexpr std::string_view platforms[] = {"unix", "windows"};
    static constexpr inky::SettingFact settings[] = {
        {"platform", "where it runs: what ends a line", "unix", platforms}};
    static constexpr inky::DialectFacts facts = {
        .id = "small-shell",
        .language = "a small shell",
        .facility = "printf",
        .standard = "this file",
        .toolchain = "none",
        .program = "none",
        .width_unit = inky::WidthUnit::bytes,
        .rounding = {.rule = inky::Rounding::half_even, .basis = "nothing"},
        .settings = settings,
        .conversions = {},
        .flags = {},
        .modifiers = {},
        .escapes = {},
        .failures = {},
    };
    return facts;
  }

  const inky::Writer& writer() const override { return *this; }
  inky::WrittenField write_field(const inky::FieldWish& wish) const override {
    return {wish.spec.kind == inky::Kind::text ? "%s" : "%d", {}};
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return std::string(text);
  }

 protected:
  std::string_view language() const override { return facts().language; }
  inky::Result<inky::TemplateContent> do_parse(std::string_view source) const override {
    inky::TemplateContent out;
    out.source = source;
    for (std::size_t at = 0; at < source.size();) {
      const std::size_t end = source.substr(at, 2) == "%d" || source.substr(at, 2) == "%s"
                                  ? at + 2
                                  : std::min(source.find('%', at + 1), source.size());
      inky::Piece piece;
      piece.source = {at, end};
      if (source[at] == '%') {
        inky::Field field;
        field.span = piece.source;
        field.letter = source[at + 1];
        field.spec.kind = field.letter == 's' ? inky::Kind::text : inky::Kind::whole;
        field.value_index = out.values_taken++;
        piece.field = static_cast<int>(out.fields.size());
        out.fields.push_back(field);
      } else {
        piece.text = {out.literals.size(), out.literals.size() + end - at};
        out.literals += source.substr(at, end - at);
      }
      out.pieces.push_back(piece);
      at = end;
    }
    return out;
  }

  inky::Outcome do_render(const inky::TemplateContent& parsed, std::span<const inky::Value> values,
                          const inky::RenderOptions& options, inky::Output& out,
                          inky::Report* report) const override {
    const std::size_t before = out.needed();
    std::vector<inky::Complaint> complaints;
    for (const inky::Piece& piece : parsed.pieces) {
      const std::size_t from = out.needed() - before;
      if (piece.field == inky::unset) {
        for (const char byte : parsed.literal(piece)) {
          if (byte == '\n' && options.setting("platform") == "windows") out.append('\r');
          out.append(byte);
        }
        continue;
      }
      const inky::Field& field = parsed.fields[static_cast<std::size_t>(piece.field)];
      const auto index = static_cast<std::size_t>(field.value_index);
      const inky::Value value = index < values.size() ? values[index] : inky::Value("");
      if (field.letter == 's' && value.is(inky::Type::text))
        out.append(value.as_text());
      else
        out.append(number(value, field.span, complaints));
      if (report != nullptr) report->fields.push_back({piece.field, {from, out.needed() - before}});
    }
    if (complaints.empty()) return {};
    return inky::Outcome::complains(std::move(complaints), 1);
  }

  std::vector<inky::Words> do_explain(const inky::TemplateContent&) const override { return {}; }

 private:
  static std::string number(const inky::Value& value, inky::Span span,
                            std::vector<inky::Complaint>& complaints) {
    if (!inky::is_whole(value.type()) || value.is(inky::Type::big)) {
      complaints.push_back({"expected numeric value", "the value is no whole number", span});
      return "0";
    }
    const inky::int128 given = value.as_whole();
    const auto least = inky::int128{INT32_MIN};
    const auto most = inky::int128{INT32_MAX};
    const auto kept = static_cast<std::int32_t>(std::clamp(given, least, most));
    if (kept != given)
      complaints.push_back({"Result too large", "the value does not fit 32 bits", span});
    return std::to_string(kept);
  }
};

}  // namespace support
