#include "locales.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::java_language {

namespace {

#include "locales.inc"

JavaLocale locale_at(std::size_t place) {
  return JavaLocale({locale_tags_here[place], locale_texts, locale_parts[place]});
}

}  // namespace

std::span<const std::string_view> locale_tags() {
  return locale_tags_here;
}

std::optional<JavaLocale> locale_tagged(std::string_view tag) {
  const std::ptrdiff_t place = locale_place(locale_tags_here, tag);
  if (place < 0) return std::nullopt;
  return locale_at(static_cast<std::size_t>(place));
}

JavaLocale locale_or_root(std::string_view tag) {
  const auto found = locale_tagged(tag);
  return found ? *found : locale_at(0);
}

}  // namespace inky::inline v1::java_language
