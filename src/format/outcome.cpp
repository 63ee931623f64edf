#include "inky_margin/format/outcome.hpp"

#include <utility>

namespace inky::inline v1 {

Outcome Outcome::trouble(Kind kind, std::string as, std::string why, Span span) {
  Outcome out;
  out.trouble_ = std::make_unique<const Trouble>(
      Trouble{kind, std::move(as), Error{{}, std::move(why), span, {}}});
  return out;
}

Outcome Outcome::complains(std::vector<Complaint> complaints, std::optional<int> status) {
  assert(!complaints.empty());
  const Complaint& first = complaints.front();
  Trouble trouble{Kind::complains, first.as, Error{{}, first.message, first.span, {}}};
  trouble.complaints = std::move(complaints);
  trouble.status = status;
  Outcome out;
  out.trouble_ = std::make_unique<const Trouble>(std::move(trouble));
  return out;
}

Outcome Outcome::fails_at_compile(std::string as, std::string why, Span span) {
  return trouble(Kind::fails_compile, std::move(as), std::move(why), span);
}

Outcome Outcome::fails_at_run(std::string as, std::string why, Span span) {
  return trouble(Kind::fails_run, std::move(as), std::move(why), span);
}

Outcome Outcome::undefined(std::string why, Span span) {
  return trouble(Kind::undefined, {}, std::move(why), span);
}

Outcome Outcome::error(Error error) {
  Outcome out;
  out.trouble_ = std::make_unique<const Trouble>(Trouble{Kind::error, {}, std::move(error)});
  return out;
}

}  // namespace inky::inline v1
