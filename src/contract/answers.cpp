#include "answers.hpp"

#include <algorithm>

#include "inky_margin/contract/contract.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

void write_texts(std::string_view text, const std::vector<Span>& places, JsonWriter& out) {
  out.open_list("texts");
  for (const Span& span : places) out.text(text.substr(span.from, span.to - span.from));
  out.close_list();
}

void write_printed(std::string_view text, const Report& report, JsonWriter& out) {
  const auto can_be_told = [&](Span span) {
    return is_utf8(text.substr(span.from, span.to - span.from));
  };
  if (report.texts && std::all_of(report.texts->begin(), report.texts->end(), can_be_told))
    return write_texts(text, *report.texts, out);
  write_text_or_bytes(text, out);
}

void write_complaints(const Outcome& outcome, JsonWriter& out) {
  out.open_list("complaints");
  for (const Complaint& complaint : outcome.complaints()) {
    out.open_object();
    out.member("as", complaint.as);
    out.member("message", complaint.message);
    out.key("span");
    write_span(complaint.span, out);
    out.close_object();
  }
  out.close_list();
  if (outcome.status()) out.member_number("status", *outcome.status());
}

}  // namespace

void write_span(const Span& span, JsonWriter& out) {
  out.open_list();
  out.number(static_cast<std::int64_t>(span.from));
  out.number(static_cast<std::int64_t>(span.to));
  out.close_list();
}

void write_error(const Error& error, JsonWriter& out) {
  out.open_object();
  out.member("code", name_of(error.code));
  out.member("message", error.message);
  out.key("span");
  write_span(error.span, out);
  if (!error.remedy.empty()) out.member("remedy", error.remedy);
  out.close_object();
}

void write_error_member(const Error& error, JsonWriter& out) {
  out.key("error");
  write_error(error, out);
}

void write_notes(const Notes& notes, JsonWriter& out) {
  out.open_list("notes");
  for (const Note& note : notes) write_error({note.code, note.message, note.span, {}}, out);
  out.close_list();
}

void write_error_answer(const Error& error, JsonWriter& out) {
  out.open_object();
  write_error_member(error, out);
  out.close_object();
}

std::string error_line(const Error& error) {
  JsonWriter out;
  write_error_answer(error, out);
  return out.string();
}

std::string too_long_line() {
  JsonWriter out;
  out.open_object();
  write_error_member({Code::over_limit,
                      "the line is longer than " + std::to_string(most_request) + " bytes",
                      {},
                      "Send shorter requests."},
                     out);
  write_notes({}, out);
  out.close_object();
  return out.string();
}

void write_text_or_bytes(std::string_view text, JsonWriter& out) {
  is_utf8(text) ? out.member("text", text) : out.member("bytes", to_hexadecimal(text));
}

void write_trouble(const Outcome& outcome, JsonWriter& out) {
  switch (outcome.kind()) {
    case Outcome::Kind::prints:
      break;
    case Outcome::Kind::complains:
      write_complaints(outcome, out);
      break;
    case Outcome::Kind::undefined:
      out.open_object("undefined");
      out.member("why", outcome.why());
      out.close_object();
      break;
    case Outcome::Kind::error:
      write_error_member(outcome.as_error(), out);
      break;
    default:
      out.open_object("fails");
      out.member("when", outcome.kind() == Outcome::Kind::fails_compile ? "compile" : "run");
      out.member("as", outcome.failure_name());
      out.member("why", outcome.why());
      out.close_object();
  }
}

void write_outcome(const Outcome& outcome, std::string_view text, const Report& report,
                   JsonWriter& out) {
  if (outcome.prints()) write_printed(text, report, out);
  write_trouble(outcome, out);
  write_notes(report.notes, out);
}

}  // namespace inky::inline v1
