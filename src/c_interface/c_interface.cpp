#include <array>
#include <cstdlib>
#include <cstring>
#include <memory>
#include <new>
#include <string>
#include <vector>

#include "contract/answers.hpp"
#include "contract/names.hpp"
#include "inky_margin.h"
#include "inky_margin/contract/contract.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "text/utf8.hpp"

struct inky_template {
  const inky::Dialect* dialect;
  inky::Template parsed;
};

namespace inky::inline v1 {

namespace {

// Null where there is no memory for it.
char* copied(std::string_view text) {
  auto* out = static_cast<char*>(std::malloc(text.size() + 1));
  if (out == nullptr) return nullptr;
  std::memcpy(out, text.data(), text.size());
  out[text.size()] = '\0';
  return out;
}

std::string_view view_of(const char* text, std::size_t size) {
  return size == 0 ? std::string_view() : std::string_view(text, size);
}

Error bad_value(std::size_t index, const char* what, const char* remedy) {
  return {Code::bad_value, "value " + std::to_string(index + 1) + " " + what, {}, remedy};
}

bool is_scalar_value(std::uint32_t code) {
  return code <= 0x10FFFF && (code < 0xD800 || code > 0xDFFF);
}

struct WholeRange {
  inky_type type;
  Type as;
  std::int64_t least;
  std::uint64_t most;
};
constexpr WholeRange whole_ranges[] = {
    {INKY_I8, Type::i8, INT8_MIN, INT8_MAX},     {INKY_I16, Type::i16, INT16_MIN, INT16_MAX},
    {INKY_I32, Type::i32, INT32_MIN, INT32_MAX}, {INKY_I64, Type::i64, INT64_MIN, INT64_MAX},
    {INKY_U8, Type::u8, 0, UINT8_MAX},           {INKY_U16, Type::u16, 0, UINT16_MAX},
    {INKY_U32, Type::u32, 0, UINT32_MAX},        {INKY_U64, Type::u64, 0, UINT64_MAX}};

std::optional<Error> take_whole(const WholeRange& range, const inky_value& value, std::size_t index,
                                Value& out) {
  const int128 number =
      range.least == 0 ? int128{value.as.natural} : static_cast<int128>(value.as.whole);
  if (number < range.least || number > int128{range.most})
    return bad_value(index, "does not fit its type", "Give it a wider type.");
  out = Value::whole(range.as, number);
  return std::nullopt;
}

std::optional<Error> take(const inky_value& value, std::size_t index, Value& out) {
  switch (value.type) {
    case INKY_NIL:
      out = Value();
      return std::nullopt;
    case INKY_F32:
      out = Value(static_cast<float>(value.as.real));
      return std::nullopt;
    case INKY_F64:
      out = Value::real(value.as.real);
      return std::nullopt;
    case INKY_TRUTH:
      out = Value::truth(value.as.truth != 0);
      return std::nullopt;
    case INKY_TEXT: {
      const std::string_view text = view_of(value.as.text.bytes, value.as.text.size);
      if (!is_utf8(text)) return bad_value(index, "is not UTF-8", "Give its text in UTF-8.");
      out = Value::text_view(text);
      return std::nullopt;
    }
    case INKY_CHARACTER:
      if (!is_scalar_value(value.as.character))
        return bad_value(index, "is not a Unicode scalar value", "Give the code of a character.");
      out = Value::character(char32_t{value.as.character});
      return std::nullopt;
    default:
      for (const WholeRange& range : whole_ranges) {
        if (range.type == value.type) return take_whole(range, value, index, out);
      }
      return bad_value(index, "has an unknown type", "Give one of inky_type.");
  }
}

inky_outcome name_of_kind(Outcome::Kind kind) {
  switch (kind) {
    case Outcome::Kind::prints:
      return INKY_PRINTS;
    case Outcome::Kind::complains:
      return INKY_COMPLAINS;
    case Outcome::Kind::fails_compile:
      return INKY_FAILS_COMPILE;
    case Outcome::Kind::fails_run:
      return INKY_FAILS_RUN;
    case Outcome::Kind::undefined:
      return INKY_UNDEFINED;
    default:
      return INKY_ERROR;
  }
}

std::string why_of(const Outcome& outcome) {
  JsonWriter out;
  out.open_object();
  write_trouble(outcome, out);
  out.close_object();
  return out.string();
}

inky_template* parse(const char* dialect, std::string_view source, std::string& error) {
  const Result<const Dialect*> found = dialect_named(dialect);
  if (!found) {
    error = error_line(found.error());
    return nullptr;
  }
  Result<Template> parsed = (*found)->parse(source);
  if (!parsed) {
    error = error_line(parsed.error());
    return nullptr;
  }
  return new inky_template{*found, std::move(*parsed)};
}

// The outcome, and why in `why` where it is not null and there is one.
inky_outcome render(const inky_template& known, std::span<const inky_value> given, Output& out,
                    char** why) {
  // Templates seldom take more values. These few need no heap memory.
  constexpr std::size_t usual_count = 16;
  std::array<Value, usual_count> usual;
  std::vector<Value> many;
  std::span<Value> values = std::span(usual).first(std::min(given.size(), usual_count));
  if (given.size() > usual_count) {
    many.resize(given.size());
    values = many;
  }
  std::optional<Error> error;
  for (std::size_t i = 0; i < given.size() && !error; ++i) error = take(given[i], i, values[i]);
  const Outcome outcome = error ? Outcome::error(std::move(*error))
                                : known.dialect->render(known.parsed, values, {}, out, nullptr);
  if (why != nullptr && !outcome.prints_cleanly()) *why = copied(why_of(outcome));
  return name_of_kind(outcome.kind());
}

}  // namespace

}  // namespace inky::inline v1

const char* inky_version(void) {
  return INKY_MARGIN_VERSION;
}

char* inky_answer(const char* command, const char* request, size_t request_size) {
  try {
    return inky::copied(inky::answer_request(command, inky::view_of(request, request_size)));
  } catch (...) {
    return nullptr;
  }
}

void inky_free(char* text) {
  std::free(text);
}

inky_template* inky_parse(const char* dialect, const char* source, size_t source_size,
                          char** error) {
  if (error != nullptr) *error = nullptr;
  try {
    std::string message;
    inky_template* out = inky::parse(dialect, inky::view_of(source, source_size), message);
    if (out == nullptr && error != nullptr) *error = inky::copied(message);
    return out;
  } catch (...) {
    return nullptr;
  }
}

void inky_template_free(inky_template* template_) {
  delete template_;
}

inky_outcome inky_render(const inky_template* template_, const inky_value* values, size_t count,
                         char* out, size_t room, size_t* size, char** why) {
  if (why != nullptr) *why = nullptr;
  if (size != nullptr) *size = 0;
  try {
    inky::FixedOutput text({out, room});
    const inky_outcome outcome = inky::render(*template_, {values, count}, text, why);
    if (size != nullptr && (outcome == INKY_PRINTS || outcome == INKY_COMPLAINS))
      *size = text.needed();
    return outcome;
  } catch (...) {
    return INKY_NO_MEMORY;
  }
}
