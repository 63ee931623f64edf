#include "regular_expression.hpp"

#define PCRE2_CODE_UNIT_WIDTH 8
#include <pcre2.h>

#include <array>
#include <cstdint>

namespace inky::inline v1 {

namespace {

const pcre2_code* code_in(const std::shared_ptr<const void>& held) {
  return static_cast<const pcre2_code*>(held.get());
}

const unsigned char* bytes_of(std::string_view text) {
  return reinterpret_cast<const unsigned char*>(text.data());
}

}  // namespace

std::optional<RegularExpression> RegularExpression::compile(std::string_view pattern,
                                                            const PatternOptions& options,
                                                            std::string& fault) {
  constexpr std::size_t longest = 1'000;
  if (pattern.size() > longest) {
    fault = "it is longer than " + std::to_string(longest) + " bytes";
    return std::nullopt;
  }
  std::uint32_t flags = PCRE2_UTF | PCRE2_ALLOW_EMPTY_CLASS | PCRE2_NEVER_BACKSLASH_C;
  if (options.ignores_case) flags |= PCRE2_CASELESS;
  if (options.has_lines) flags |= PCRE2_MULTILINE;
  if (options.dot_is_any) flags |= PCRE2_DOTALL;
  if (options.ends_at_text) flags |= PCRE2_DOLLAR_ENDONLY;
  if (options.missing_is_empty) flags |= PCRE2_MATCH_UNSET_BACKREF;
  const std::unique_ptr<pcre2_compile_context, decltype(&pcre2_compile_context_free)> context(
      pcre2_compile_context_create(nullptr), pcre2_compile_context_free);
  // What a library is built with does not count.
  pcre2_set_newline(context.get(), PCRE2_NEWLINE_LF);
  pcre2_set_bsr(context.get(), PCRE2_BSR_UNICODE);
  constexpr std::uint32_t deepest = 60;
  pcre2_set_parens_nest_limit(context.get(), deepest);
  int number = 0;
  PCRE2_SIZE place = 0;
  pcre2_code* code =
      pcre2_compile(bytes_of(pattern), pattern.size(), flags, &number, &place, context.get());
  if (code == nullptr) {
    constexpr std::size_t room = 200;
    std::array<unsigned char, room> text{};
    pcre2_get_error_message(number, text.data(), text.size());
    fault = reinterpret_cast<const char*>(text.data());
    return std::nullopt;
  }
  RegularExpression out;
  out.code_ = std::shared_ptr<const void>(code, [](const void* held) {
    pcre2_code_free(const_cast<pcre2_code*>(static_cast<const pcre2_code*>(held)));
  });
  std::uint32_t count = 0;
  std::uint32_t size = 0;
  PCRE2_SPTR table = nullptr;
  pcre2_pattern_info(code, PCRE2_INFO_NAMECOUNT, &count);
  pcre2_pattern_info(code, PCRE2_INFO_NAMEENTRYSIZE, &size);
  pcre2_pattern_info(code, PCRE2_INFO_NAMETABLE, &table);
  // Each entry: two bytes of the number, and the name up to a NUL.
  for (std::uint32_t i = 0; i < count; ++i) {
    const unsigned char* entry = table + std::size_t{i} * size;
    out.names_.emplace_back(reinterpret_cast<const char*>(entry + 2),
                            static_cast<std::size_t>(entry[0] * 256 + entry[1]));
  }
  return out;
}

RegularExpression::Found RegularExpression::find(std::string_view text, std::size_t from,
                                                 std::vector<std::optional<Group>>& groups) const {
  const pcre2_code* code = code_in(code_);
  const std::unique_ptr<pcre2_match_context, decltype(&pcre2_match_context_free)> context(
      pcre2_match_context_create(nullptr), pcre2_match_context_free);
  constexpr std::uint32_t most_steps = 1'000'000;
  constexpr std::uint32_t most_kibibytes = 16'384;
  pcre2_set_match_limit(context.get(), most_steps);
  pcre2_set_heap_limit(context.get(), most_kibibytes);
  const std::unique_ptr<pcre2_match_data, decltype(&pcre2_match_data_free)> data(
      pcre2_match_data_create_from_pattern(code, nullptr), pcre2_match_data_free);
  const int found = pcre2_match(code, bytes_of(text), text.size(), from, PCRE2_NO_UTF_CHECK,
                                data.get(), context.get());
  if (found == PCRE2_ERROR_NOMATCH) return Found::no;
  if (found < 0) return Found::over_limit;
  const PCRE2_SIZE* ends = pcre2_get_ovector_pointer(data.get());
  const std::uint32_t count = pcre2_get_ovector_count(data.get());
  groups.assign(count, std::nullopt);
  for (std::uint32_t i = 0; i < count; ++i) {
    if (ends[2 * i] != PCRE2_UNSET) groups[i] = Group{ends[2 * i], ends[2 * i + 1]};
  }
  return Found::yes;
}

}  // namespace inky::inline v1
