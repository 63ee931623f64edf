// What a whole call prints, with everything that is shown of it.
#pragma once

#include <catch2/catch.hpp>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "answers.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace support {

struct Shown {
  std::string text;
  inky::Outcome outcome;
  inky::Report report;
  std::string_view dialect;
};

// Whether the compiler or the program fails, as the real one does.
inline bool fails(const Shown& shown) {
  return shown.outcome.kind() == inky::Outcome::Kind::fails_compile ||
         shown.outcome.kind() == inky::Outcome::Kind::fails_run;
}

inline Shown show(const char* dialect, std::string_view source,
                  const std::vector<inky::Value>& values,
                  std::span<const inky::Setting> settings = {}) {
  const auto parsed = inky::parse_statement(*inky::find_dialect(dialect), source);
  if (!parsed) {
    FAIL_CHECK(source << ": " << parsed.error().message);
    return {};
  }
  CHECK(parsed->is_statement());
  CHECK(parsed->source() == source);
  Shown out;
  inky::TextBuffer text;
  inky::RenderOptions options;
  options.settings = settings;
  out.outcome = parsed->dialect().render(*parsed, values, options, text, &out.report);
  out.text = text.string();
  out.dialect = parsed->dialect().facts().id;
  return out;
}

struct PrintingCall {
  const char* source;
  std::vector<inky::Value> values;
  const char* text;
};

// What is cut off anywhere is answered, and what an answer points at is in it.
inline void check_beginnings(const char* dialect, std::string_view source,
                             const std::vector<inky::Value>& values) {
  for (std::size_t size = 0; size < source.size(); ++size) {
    const auto cut = inky::parse_statement(*inky::find_dialect(dialect), source.substr(0, size));
    if (!cut) {
      CHECK(cut.error().span.to <= size);
      continue;
    }
    inky::TextBuffer out;
    const inky::Outcome outcome = cut->dialect().render(*cut, values, {}, out, nullptr);
    CHECK((outcome.prints() || outcome.span().to <= size));
  }
}

// Each prints its text, and any beginning of it is answered without reaching behind its end.
inline void check_calls(const char* dialect, std::span<const PrintingCall> calls) {
  for (const PrintingCall& one : calls) {
    INFO(one.source);
    const Shown shown = show(dialect, one.source, one.values);
    CHECK(shown.text == one.text);
    CHECK(shown.outcome.prints());
    check_beginnings(dialect, one.source, one.values);
  }
}

// A line as people type it, without values of its own, and what the runtime printed.
struct Line {
  const char* source;
  const char* text;
};

inline void check_statements(const char* dialect, std::span<const Line> lines) {
  for (const Line& line : lines) {
    INFO(line.source);
    const Shown shown = show(dialect, line.source, {});
    CHECK(shown.outcome.prints());
    CHECK(shown.text == line.text);
  }
}

inline void check_beginnings(const char* dialect, std::span<const Line> lines) {
  for (const Line& line : lines) {
    INFO(line.source);
    check_beginnings(dialect, line.source, {});
  }
}

// Whether a statement is refused with an error of this code, when it is read or rendered.
inline bool is_refused(const char* dialect, std::string_view source, inky::Code code) {
  const auto parsed = inky::parse_statement(*inky::find_dialect(dialect), source);
  if (!parsed) return parsed.error().code == code;
  inky::TextBuffer out;
  const inky::Outcome outcome = parsed->dialect().render(*parsed, {}, {}, out, nullptr);
  return outcome.kind() == inky::Outcome::Kind::error && outcome.as_error().code == code;
}
inline bool is_not_supported(const char* dialect, std::string_view source) {
  return is_refused(dialect, source, inky::Code::not_supported_yet);
}
inline bool is_over_limit(const char* dialect, std::string_view source) {
  return is_refused(dialect, source, inky::Code::over_limit);
}

inline void check_templates(const inky::Dialect& dialect, std::span<const Line> lines) {
  for (const Line& line : lines) {
    INFO(line.source);
    const Answer got = answer(dialect, line.source, {}, {});
    CHECK(got.outcome.prints());
    CHECK(got.text == line.text);
  }
}

// A line as it was pasted, and what the runtime printed of it; null: it failed.
struct PastedLine {
  const char* source;
  const char* text;
};
inline void check_lines(const char* dialect, std::span<const PastedLine> lines) {
  for (const PastedLine& line : lines) {
    INFO(line.source);
    const Shown shown = show(dialect, line.source, {});
    if (line.text == nullptr) {
      CHECK(fails(shown));
      continue;
    }
    CHECK(shown.outcome.prints());
    CHECK(shown.text == line.text);
  }
}

}  // namespace support
