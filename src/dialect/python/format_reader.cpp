// Reads what str.format is called on. CPython looks for fields one by one, so that what is wrong
// with one is not known before it is reached.
#include <algorithm>

#include "fields.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::python {

namespace {

// What a type is for; any where there is none.
Kind kind_of(const FormatSpec& spec) {
  const auto is_one_of = [&](std::string_view set) {
    return spec.type != 0 && spec.type < 0x80 &&
           set.find(static_cast<char>(spec.type)) != std::string_view::npos;
  };
  if (spec.type == U's') return Kind::text;
  return is_one_of("bcdoxX") ? Kind::whole : is_one_of("eEfFgGn%") ? Kind::real : Kind::any;
}

class FormatReader {
 public:
  FormatReader(const braces::Decoded& decoded, TemplateContent& out, Fields& program,
               std::vector<Words>* words)
      : text_(decoded.text()), decoded_(decoded), out_(out), program_(program), words_(words) {}

  // Literals and fields become pieces of the template.
  void read() {
    while (at_ < text_.size()) {
      const std::size_t start = at_;
      std::string literal;
      std::optional<Replacement> field = next(text_.size(), 2, literal);
      const std::size_t opened = field ? field_start_ : at_;
      if (opened > start) add_literal(literal, decoded_.in_source({start, opened}), out_);
      if (words_.asked())
        words_.add(decoded_.in_source({start, opened}).to, "literal", in_quotes(literal), unset);
      if (!field) continue;
      // Nothing behind a field that cannot be read is ever looked at.
      if (!field->failure.empty()) at_ = text_.size();
      field->span = decoded_.in_source({opened, at_});
      if (words_.asked())
        tell_field(*field, &decoded_, static_cast<int>(out_.fields.size()), words_);
      add_field(std::move(*field), out_, program_);
    }
  }

 private:
  static Replacement broken(std::string why, std::string_view failure = "ValueError") {
    Replacement out;
    out.failure = failure;
    out.defect = std::move(why);
    return out;
  }

  // The literal up to the next field, and that field if there is one before `end`.
  std::optional<Replacement> next(std::size_t end, int depth, std::string& literal) {
    const std::size_t start = at_;
    bool field_follows = false;
    char c = 0;
    while (at_ < end) {
      c = text_[at_++];
      if (c != '{' && c != '}') continue;
      field_follows = true;
      break;
    }
    const bool at_end = at_ >= end;
    std::size_t size = at_ - start;
    field_start_ = at_ - (field_follows ? 1 : 0);
    if (c == '}' && field_follows && (at_end || text_[at_] != '}'))
      return with_literal(start, size - 1, literal,
                          broken("Single '}' encountered in format string; a brace itself is "
                                 "written }}"));
    if (at_end && c == '{' && field_follows)
      return with_literal(start, size - 1, literal,
                          broken("Single '{' encountered in format string; a brace itself is "
                                 "written {{"));
    if (!at_end && field_follows) {
      if (text_[at_] == c) {
        ++at_;
        field_follows = false;
      } else {
        --size;
      }
    }
    literal = text_.substr(start, size);
    if (!field_follows) return std::nullopt;
    return read_field(end, depth);
  }

  std::optional<Replacement> with_literal(std::size_t start, std::size_t size, std::string& literal,
                                          Replacement field) {
    literal = text_.substr(start, size);
    return field;
  }

  Replacement read_field(std::size_t end, int depth) {
    Replacement field;
    const std::size_t start = at_;
    char c = 0;
    while (at_ < end) {
      c = text_[at_++];
      if (c == '{') return broken("unexpected '{' in field name");
      if (c == '[') {
        while (at_ < end && text_[at_] != ']') ++at_;
        continue;
      }
      if (c == '}' || c == ':' || c == '!') break;
    }
    const bool closed = c == '}' || c == ':' || c == '!';
    const std::size_t name_end = closed ? at_ - 1 : at_;
    if (!closed) return broken("expected '}' before end of string");
    field.name_span = {start, name_end};
    if (c == '!') {
      field.conversion_at = at_ - 1;
      if (at_ >= end) return broken("end of string while looking for conversion specifier");
      const auto point = first_code_point(text_.substr(at_, end - at_)).value_or(CodePoint{0, 1});
      field.conversion = point.value;
      at_ += static_cast<std::size_t>(point.bytes);
      c = at_ < end ? text_[at_++] : '\0';
      if (c != '}' && c != ':' && (c != 0 || at_ < end))
        return broken("expected ':' after conversion specifier");
    }
    if (c != '}') {
      if (!skip_spec(end, field)) return broken("expected '}' before end of string");
    }
    read_name(text_.substr(start, name_end - start), field);
    if (!field.failure.empty()) return field;
    if (field.has_spec) read_spec_of(field, depth);
    return field;
  }

  bool skip_spec(std::size_t end, Replacement& field) {
    const std::size_t start = at_;
    int open = 1;
    while (at_ < end) {
      const char c = text_[at_++];
      open += c == '{' ? 1 : c == '}' ? -1 : 0;
      if (open > 0) continue;
      field.has_spec = true;
      field.spec_span = {start, at_ - 1};
      field.text = text_.substr(start, at_ - 1 - start);
      return true;
    }
    return false;
  }

  // The spec, its own fields read in their turn.
  void read_spec_of(Replacement& field, int depth) {
    if (field.text.find('{') == std::string::npos) {
      field.spec = ::inky::python::read_spec(field.text);
      return;
    }
    const std::size_t after = at_;
    const std::size_t kept_start = field_start_;
    at_ = field.spec_span.from;
    const std::size_t end = field.spec_span.to;
    if (depth < 2) {
      SpecPart part;
      part.field.push_back(broken("Max string recursion exceeded"));
      part.field.back().span = decoded_.in_source(field.spec_span);
      field.parts.push_back(std::move(part));
    }
    while (depth >= 2 && at_ < end) {
      SpecPart part;
      std::optional<Replacement> inner = next(end, depth - 1, part.text);
      if (inner) {
        const bool stops = !inner->failure.empty();
        inner->span = decoded_.in_source({field_start_, at_});
        part.field.push_back(std::move(*inner));
        if (stops) at_ = end;
      }
      field.parts.push_back(std::move(part));
    }
    at_ = after;
    field_start_ = kept_start;
  }

  // "0", "mass", "" and what follows it: ".real", "[0]".
  void read_name(std::string_view text, Replacement& field) {
    const std::size_t first = std::min(text.find_first_of(".["), text.size());
    const std::string_view name = text.substr(0, first);
    const std::int64_t index = index_in(name);
    const auto refuse = [&](std::string why) {
      field.failure = "ValueError";
      field.defect = std::move(why);
    };
    if (index == highest_index) return refuse("Too many decimal digits in format string");
    const bool automatic = name.empty();
    if (automatic || index != unset) {
      const Numbering wanted = automatic ? Numbering::automatic : Numbering::manual;
      if (numbering_ == Numbering::none) numbering_ = wanted;
      if (numbering_ != wanted) {
        return refuse(automatic ? "cannot switch from manual field specification to automatic "
                                  "field numbering"
                                : "cannot switch from automatic field numbering to manual field "
                                  "specification");
      }
      field.index = automatic ? counted_++ : index;
      out_.values_taken = std::max(
          out_.values_taken, static_cast<int>(std::min<std::int64_t>(field.index, most_width)) + 1);
    } else {
      field.name = name;
    }
    read_steps(text.substr(first), field);
  }

  static void read_steps(std::string_view text, Replacement& field) {
    const auto malformed = [&](std::string why) {
      field.steps.push_back({Step::Kind::malformed, std::move(why)});
    };
    while (!text.empty()) {
      const bool attribute = text[0] == '.';
      if (!attribute && text[0] != '[')
        return malformed("Only '.' or '[' may follow ']' in format field specifier");
      const std::size_t end =
          attribute ? std::min(text.find_first_of(".[", 1), text.size()) : text.find(']');
      if (end == std::string_view::npos) return malformed("Missing ']' in format string");
      const std::string name(text.substr(1, end - 1));
      text.remove_prefix(attribute ? end : end + 1);
      const std::int64_t index = attribute ? unset : index_in(name);
      if (index == highest_index) return malformed("Too many decimal digits in format string");
      if (name.empty()) return malformed("Empty attribute in format string");
      field.steps.push_back({attribute        ? Step::Kind::attribute
                             : index != unset ? Step::Kind::index
                                              : Step::Kind::key,
                             name, index});
    }
  }

  enum class Numbering { none, automatic, manual };

  std::string_view text_;
  const braces::Decoded& decoded_;
  TemplateContent& out_;
  Fields& program_;
  braces::WordsSink words_;
  std::size_t at_ = 0;
  std::size_t field_start_ = 0;  // of the field read last
  Numbering numbering_ = Numbering::none;
  std::int64_t counted_ = 0;
};

}  // namespace

std::int64_t index_in(std::string_view text) {
  std::int64_t index = unset;
  braces::SpecReader reader(text);
  if (!reader.read_number(highest_index, index) || !reader.at_end()) return unset;
  // The highest of all is one of Python's too, and as far out of range as the one below.
  const std::string_view digits = text.substr(std::min(text.find_first_not_of('0'), text.size()));
  return digits == "9223372036854775807" ? highest_index - 1 : index;
}

void add_literal(std::string_view literal, Span source, TemplateContent& out) {
  const std::size_t from = out.literals.size();
  out.literals += literal;
  out.pieces.push_back({source, unset, {from, out.literals.size()}});
}

void add_field(Replacement field, TemplateContent& out, Fields& program) {
  Field shown;
  shown.span = field.span;
  shown.defect = field.defect;
  shown.failure = field.failure;
  if (!field.name.empty()) shown.key = "(" + field.name + ")";
  if (field.index != unset && field.index < most_width)
    shown.value_index = static_cast<int>(field.index);
  const char first =
      field.span.from + 1 < out.source.size() ? out.source[field.span.from + 1] : '\0';
  if (shown.value_index != unset && first >= '0' && first <= '9')
    shown.position = shown.value_index + 1;
  if (field.parts.empty() && field.has_spec) shown.spec = neutral(field.spec, kind_of(field.spec));
  out.pieces.push_back({field.span, static_cast<int>(out.fields.size()), {}});
  out.fields.push_back(std::move(shown));
  program.fields.push_back(std::move(field));
}

void read_format(const braces::Decoded& decoded, TemplateContent& out, Fields& program,
                 std::vector<Words>* words) {
  FormatReader(decoded, out, program, words).read();
}

}  // namespace inky::inline v1::python
