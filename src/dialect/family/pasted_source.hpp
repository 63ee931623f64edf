// A place in source that is pasted whole (a statement, a call, an expression), for the readers of
// dialects that have no format string alone.
#pragma once

#include <algorithm>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

class PastedSource {
 protected:
  explicit PastedSource(TemplateContent& out, std::size_t at = 0)
      : out_(out), source_(out.source), at_(at) {}

  // The first refusal stays; it reaches from `from` to here. Always false.
  bool refuse(Refusal::When when, std::string as, std::string why, std::size_t from) {
    if (!out_.refusal) {
      const std::size_t start = std::min(from, source_.size());
      out_.refusal = {when, std::move(as), std::move(why),
                      Span{start, std::min(std::max(at_, start + 1), source_.size())}};
    }
    return false;
  }
  // "calls inside the call are"
  bool not_yet(std::string what, std::size_t from,
               std::string remedy = "Give the value of the expression a name.") {
    return refuse(Refusal::When::not_supported_yet, std::move(remedy),
                  std::move(what) + " not supported yet", from);
  }

  bool at_end() const { return at_ >= source_.size(); }
  // A NUL at the end, too.
  char peek(std::size_t further = 0) const {
    return at_ + further < source_.size() ? source_[at_ + further] : '\0';
  }
  bool starts_with(std::string_view text) const {
    return source_.substr(std::min(at_, source_.size())).starts_with(text);
  }
  void skip(std::string_view blanks) {
    while (!at_end() && blanks.find(peek()) != std::string_view::npos) ++at_;
  }
  // Blanks, ends of lines, and comments as C, C++ and JavaScript have them.
  void skip_blanks_and_comments() {
    for (;;) {
      skip(" \t\n\r");
      if (starts_with("/*"))
        at_ =
            std::min(std::min(source_.find("*/", at_ + 2), source_.size() - 2) + 2, source_.size());
      else if (starts_with("//"))
        at_ = std::min(source_.find('\n', at_), source_.size());
      else
        return;
    }
  }

  TemplateContent& out_;
  std::string_view source_;
  std::size_t at_;  // a byte of the source
};

}  // namespace inky::inline v1
