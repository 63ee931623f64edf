#include "json_writer.hpp"

#include <array>
#include <cstring>
#include <utility>

#include "inky_margin/number/whole.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view hexadecimal = "0123456789abcdef";
constexpr std::string_view replacement = "\xEF\xBF\xBD";  // U+FFFD, for bytes that are not UTF-8

constexpr std::array<bool, 256> plain_bytes = [] {
  std::array<bool, 256> table{};
  for (std::size_t byte = 0x20; byte < 0x80; ++byte) table[byte] = byte != '"' && byte != '\\';
  return table;
}();
bool is_plain(char c) {
  return plain_bytes[static_cast<unsigned char>(c)];
}

// Eight at once: a byte is not plain when its high bit is set, or when taking 0x20 from it, or
// taking one from its difference to a quote or backslash, borrows.
std::size_t plain_prefix(std::string_view text) {
  constexpr std::uint64_t each = 0x0101010101010101;
  std::size_t at = 0;
  for (; at + 8 <= text.size(); at += 8) {
    std::uint64_t word = 0;
    std::memcpy(&word, text.data() + at, 8);
    const std::uint64_t quote = word ^ (each * '"');
    const std::uint64_t backslash = word ^ (each * '\\');
    const std::uint64_t marks = word | (word - each * 0x20) | (quote - each) | (backslash - each);
    if ((marks & (each * 0x80)) != 0) break;
  }
  while (at < text.size() && is_plain(text[at])) ++at;
  return at;
}

}  // namespace

void JsonWriter::begin_line() {
  out_.append('\n');
  out_.fill(" ", 2 * static_cast<std::size_t>(depth_));
}

void JsonWriter::begin_value() {
  if (after_key_) {
    after_key_ = false;
    return;
  }
  if (!first_) out_.append(',');
  first_ = false;
  if (form_ == Form::spread && depth_ > 0) begin_line();
}

void JsonWriter::open(char bracket) {
  begin_value();
  out_.append(bracket);
  ++depth_;
  first_ = true;
}

void JsonWriter::close(char bracket) {
  --depth_;
  if (form_ == Form::spread && !first_) begin_line();
  out_.append(bracket);
  first_ = false;
}

void JsonWriter::key(std::string_view name) {
  begin_value();
  out_.emit(name.size() + 3, [&](char* at) {
    *at++ = '"';
    std::memcpy(at, name.data(), name.size());
    at += name.size();
    *at++ = '"';
    *at = ':';
  });
  if (form_ == Form::spread) out_.append(' ');
  after_key_ = true;
}

void JsonWriter::text(std::string_view value) {
  begin_value();
  if (plain_prefix(value) != value.size()) return escaped(value);
  out_.emit(value.size() + 2, [&](char* at) {
    *at++ = '"';
    std::memcpy(at, value.data(), value.size());
    at[value.size()] = '"';
  });
}

void JsonWriter::member_plain(std::string_view name, std::string_view value) {
  if (form_ == Form::spread) return member(name, value);
  constexpr std::string_view around = R"(,"":"")";
  const bool comma = !std::exchange(first_, false);
  out_.emit(name.size() + value.size() + around.size() - (comma ? 0 : 1), [&](char* at) {
    *at = ',';
    at += comma ? 1 : 0;
    *at++ = '"';
    std::memcpy(at, name.data(), name.size());
    at += name.size();
    *at++ = '"';
    *at++ = ':';
    *at++ = '"';
    std::memcpy(at, value.data(), value.size());
    at[value.size()] = '"';
  });
}

void JsonWriter::number(std::int64_t value) {
  WholeRoom room;
  begin_value();
  if (value < 0) out_.append('-');
  out_.append(write_whole(magnitude_of(value), 10, Letters::lower, room));
}

void JsonWriter::plain(std::string_view value) {
  begin_value();
  out_.append(value);
}

void JsonWriter::escaped(std::string_view value) {
  out_.append('"');
  while (!value.empty()) {
    const std::size_t plain = plain_prefix(value);
    out_.append(value.substr(0, plain));
    value.remove_prefix(plain);
    if (value.empty()) break;
    std::size_t size = 1;
    const auto byte = static_cast<unsigned char>(value[0]);
    if (value[0] == '"' || value[0] == '\\') {
      out_.append('\\');
      out_.append(value[0]);
    } else if (byte < 0x20) {
      constexpr std::string_view short_names = "btnfr";
      constexpr std::string_view shorts = "\b\t\n\f\r";
      const std::size_t found = shorts.find(value[0]);
      if (found != std::string_view::npos) {
        out_.append('\\');
        out_.append(short_names[found]);
      } else {
        out_.append("\\u00");
        out_.append(hexadecimal[byte >> 4]);
        out_.append(hexadecimal[byte & 15]);
      }
    } else if (const auto point = first_code_point(value)) {
      size = static_cast<std::size_t>(point->bytes);
      out_.append(value.substr(0, size));
    } else {
      out_.append(replacement);
    }
    value.remove_prefix(size);
  }
  out_.append('"');
}

}  // namespace inky::inline v1
