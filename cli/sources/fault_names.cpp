#include "fault_names.hpp"

#include <algorithm>

#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::cli {

namespace {

constexpr std::string_view every = "all";
constexpr std::string_view signs = "signedness";

}  // namespace

std::span<const Code> reported_codes() {
  static const std::vector<Code> codes = [] {
    std::vector<Code> out(fault_codes().begin(), fault_codes().end());
    out.insert(out.end(), {Code::bad_remark, Code::unused_remark, Code::not_checked});
    // One template is not a line of a file.
    std::erase(out, Code::line_not_ended);
    return out;
  }();
  return codes;
}

bool is_on_request(Code code) {
  return code == Code::not_checked || code == Code::locale_left_open ||
         code == Code::line_too_long || code == Code::settings_left_on ||
         code == Code::width_used_up || code == Code::no_grouping_in_locale;
}

std::optional<Code> reported_code(std::string_view name) {
  for (const Code code : reported_codes()) {
    if (name_of(code) == name) return code;
  }
  return std::nullopt;
}

std::string choices_of_codes(std::string_view typed) {
  std::vector<std::string_view> names;
  for (const Code code : reported_codes()) names.push_back(name_of(code));
  names.push_back(signs);
  names.push_back(every);
  return choices_for(typed, names);
}

std::optional<Error> CodeChoice::enable(std::string_view names) {
  return set(names, Way::on);
}

std::optional<Error> CodeChoice::disable(std::string_view names) {
  return set(names, Way::off);
}

std::optional<Error> CodeChoice::set(std::string_view names, Way way) {
  constexpr std::string_view apart = ", \t";
  for (std::size_t at = 0; at < names.size();) {
    if (apart.find(names[at]) != std::string_view::npos) {
      ++at;
      continue;
    }
    const std::size_t end = std::min(names.find_first_of(apart, at), names.size());
    const std::string_view name = names.substr(at, end - at);
    const Span span{at, end};
    at = end;
    if (name == every) {
      all_ = way;
      continue;
    }
    if (name == signs) {
      signedness_ = way;
      continue;
    }
    const auto code = reported_code(name);
    if (!code)
      return Error{Code::bad_option, in_quotes(name) + " is no fault that check reports", span,
                   choices_of_codes(name)};
    const auto same = std::find_if(named_.begin(), named_.end(),
                                   [&](const auto& one) { return one.first == *code; });
    if (same == named_.end())
      named_.emplace_back(*code, way);
    else if (same->second != way)
      return Error{Code::contradiction, in_quotes(name) + " is switched on and off", span,
                   "Leave out one of the two."};
  }
  return std::nullopt;
}

void CodeChoice::turn_on(Code code) {
  const bool is_named =
      std::any_of(named_.begin(), named_.end(), [&](const auto& one) { return one.first == code; });
  if (!is_named && all_ != Way::off) named_.emplace_back(code, Way::on);
}

void CodeChoice::merge(const CodeChoice& over) {
  if (over.all_ != Way::unsaid) {
    // What was said before is all said anew.
    all_ = over.all_;
    named_.clear();
    signedness_ = over.signedness_;
  }
  if (over.signedness_ != Way::unsaid) signedness_ = over.signedness_;
  for (const auto& [code, way] : over.named_) {
    std::erase_if(named_, [&, same = code](const auto& one) { return one.first == same; });
    named_.emplace_back(code, way);
  }
}

bool CodeChoice::reports(Code code) const {
  for (const auto& [one, way] : named_) {
    if (one == code) return way == Way::on;
  }
  if (code == Code::bits_reinterpreted && signedness_ == Way::on) return true;
  if (all_ == Way::unsaid && is_on_request(code)) return false;
  return all_ != Way::off;
}

bool CodeChoice::asks_for(Code code) const {
  return std::any_of(named_.begin(), named_.end(),
                     [&](const auto& one) { return one.first == code && one.second == Way::on; });
}

}  // namespace inky::cli
