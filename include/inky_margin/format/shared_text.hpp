// A text that its copies share, for what few have: an empty one costs a null pointer.
#pragma once

#include <memory>
#include <string>
#include <string_view>

namespace inky::inline v1 {

class SharedText {
 public:
  SharedText() = default;
  explicit SharedText(std::string text)
      : text_(text.empty() ? nullptr : std::make_shared<const std::string>(std::move(text))) {}

  bool empty() const { return text_ == nullptr; }
  std::string_view text() const { return empty() ? std::string_view() : *text_; }

  friend bool operator==(const SharedText& a, const SharedText& b) { return a.text() == b.text(); }

 private:
  std::shared_ptr<const std::string> text_;
};

}  // namespace inky::inline v1
