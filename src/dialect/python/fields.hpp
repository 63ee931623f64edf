// A template of replacement fields, read: what str.format and f-strings have in common.
#pragma once

#include <cstdint>
#include <limits>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "../computed/tree.hpp"
#include "../family/braces.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "spec.hpp"

namespace inky::inline v1::python {

extern const DialectFacts braces_facts;

// From a value to a part of it: ".real", "[0]", "[mass]".
struct Step {
  enum class Kind { attribute, index, key, malformed } kind;
  std::string name;  // why it is malformed
  std::int64_t index = 0;
};

struct Replacement;

// Of a spec that holds fields of its own.
struct SpecPart {
  std::string text;
  std::vector<Replacement> field;  // none, or one
};

struct Replacement {
  Span span;  // in the source
  // The value: by name, or by its index among those without names.
  std::string name;
  std::int64_t index = unset;
  std::vector<Step> steps;
  std::shared_ptr<const computed::Node> expression;  // instead of both, in an f-string
  char32_t conversion = 0;
  std::string said;  // "mass=" of an f-string
  bool has_spec = false;
  std::size_t conversion_at = std::string::npos;  // in the text that was read
  FormatSpec spec;                                // where its text is known
  std::string text;                               // of the spec
  Span spec_span;                                 // in the text that was read
  Span name_span;
  std::vector<SpecPart> parts;  // where it holds fields
  std::string failure;          // reading stops here, by this name
  std::string defect;
};

struct Fields final : Program {
  bool is_f_string = false;
  std::vector<Replacement> fields;  // as many as the template has
};

// No index is as high: what is written beyond it means this.
inline constexpr std::int64_t highest_index = std::numeric_limits<std::int64_t>::max();
// A number where the whole text is digits; unset where it is not.
std::int64_t index_in(std::string_view text);

// A piece that is a literal, and one that is a field: for everyone to see, and for this dialect.
void add_literal(std::string_view literal, Span source, TemplateContent& out);
void add_field(Replacement field, TemplateContent& out, Fields& program);

// Reads what str.format is called on, escapes resolved; `words` may be null.
void read_format(const braces::Decoded& decoded, TemplateContent& out, Fields& program,
                 std::vector<Words>* words);

// Whether a source is an f-string with its quotes, or literals side by side of which one is.
bool is_f_string(std::string_view source);
// Reads one. REQUIRES: is_f_string(out.source). `words` may be null.
void read_f_string(TemplateContent& out, Fields& program, std::vector<Words>* words);

// The f-string of `program`, written again with its quotes. An error where a key in it is more than
// letters, digits and blanks.
Result<std::string> f_string_source(const TemplateContent& parsed, const Fields& program,
                                    std::span<const std::string> names);

// Tells a field part by part. `decoded`: what its places are in; null where that is the source.
void tell_field(const Replacement& field, const braces::Decoded* decoded, int index,
                braces::WordsSink& words);

}  // namespace inky::inline v1::python
