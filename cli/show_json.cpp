#include "show_json.hpp"

#include "contract/answers.hpp"

namespace inky::cli {

namespace {

void write_span_member(std::string_view name, const Span& span, JsonWriter& out) {
  out.key(name);
  write_span(span, out);
}

// Where each field is in the output; the last place of one that stands there more than once.
std::vector<const PlacedField*> places_of(const Template& parsed, const Report& report) {
  std::vector<const PlacedField*> out(parsed.fields().size(), nullptr);
  for (const PlacedField& placed : report.fields) {
    if (placed.field >= 0) out[static_cast<std::size_t>(placed.field)] = &placed;
  }
  return out;
}

void write_fields(const Template& parsed, const Report& report, JsonWriter& out) {
  const std::vector<const PlacedField*> places = places_of(parsed, report);
  out.open_list("fields");
  for (std::size_t i = 0; i < parsed.fields().size(); ++i) {
    const Field& field = parsed.fields()[i];
    out.open_object();
    write_span_member("span", field.span, out);
    out.open_object("wish");
    for (const WishEntry& entry : wish_entries(field.spec)) out.member(entry.key, entry.value);
    out.close_object();
    if (field.value_index != unset) out.member_number("value", field.value_index);
    if (places[i] != nullptr) write_span_member("output", places[i]->output, out);
    out.close_object();
  }
  out.close_list();
}

}  // namespace

void write_rendered(const ShowRequest& request, const Template& parsed, const Rendered& rendered,
                    JsonWriter& out) {
  out.open_object();
  write_outcome(rendered.outcome, rendered.text, rendered.report, out);
  out.member("dialect", request.dialect->facts().id);
  out.member("template", parsed.source());
  write_fields(parsed, rendered.report, out);
  if (rendered.witnessed != nullptr) write_witnessed(*rendered.witnessed, out);
  out.close_object();
}

void write_words(const ShowRequest& request, const Template& parsed, JsonWriter& out) {
  out.open_object();
  out.member("dialect", request.dialect->facts().id);
  out.member("template", parsed.source());
  out.member_number("takes", parsed.values_taken());
  out.open_list("words");
  for (const Words& part : request.dialect->explain(parsed)) {
    out.open_object();
    write_span_member("span", part.span, out);
    out.member("role", part.role);
    out.member("meaning", part.meaning);
    if (part.field != unset) out.member_number("field", part.field);
    out.close_object();
  }
  out.close_list();
  write_fields(parsed, {}, out);
  write_notes(parsed.notes(), out);
  out.close_object();
}

}  // namespace inky::cli
