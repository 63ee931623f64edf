// Where the bytes of a found template stand in its source.

#include <algorithm>

#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

namespace {

// The mark that a byte of the template is behind. REQUIRES: there are marks.
const PlaceMark& mark_of(const std::vector<PlaceMark>& marks, std::size_t template_at) {
  const auto mark = std::upper_bound(
      marks.begin(), marks.end(), template_at,
      [](std::size_t value, const PlaceMark& one) { return value < one.template_at; });
  return mark == marks.begin() ? *mark : *(mark - 1);
}

Position behind(const PlaceMark& mark, std::string_view source, std::size_t template_at) {
  Position out = mark.position;
  int expected = 0;
  for (std::size_t i = mark.template_at; i < std::min(template_at, source.size()); ++i)
    step(out, expected, source[i]);
  return out;
}

}  // namespace

Position FoundCall::place(std::size_t template_at) const {
  if (marks.empty() || !source) return at;
  const PlaceMark& mark = mark_of(marks, template_at);
  return mark.verbatim ? behind(mark, *source, template_at) : mark.position;
}

Position FoundCall::end_place(std::size_t template_to) const {
  if (marks.empty() || !source || template_to == 0) return place(template_to);
  const PlaceMark& mark = mark_of(marks, template_to - 1);
  return mark.verbatim ? behind(mark, *source, template_to) : place(template_to);
}

bool FoundCall::stands_verbatim(Span span) const {
  for (std::size_t i = 0; i < marks.size(); ++i) {
    const std::size_t end = i + 1 < marks.size() ? marks[i + 1].template_at : span.to;
    if (marks[i].template_at <= span.from && span.to <= std::max(end, marks[i].template_at))
      return marks[i].verbatim;
  }
  return false;
}

}  // namespace inky::inline v1
