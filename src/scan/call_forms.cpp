#include "call_forms.hpp"
#include "text/ascii.hpp"

#include <cstring>

namespace inky::inline v1 {

namespace {

// The last name of a path: "printf" of "System.out.printf".
std::string_view last_name(std::string_view path) {
  const std::size_t dot = path.rfind('.');
  return dot == std::string_view::npos ? path : path.substr(dot + 1);
}

// A path as one language writes it, with points between its names.
std::string with_points(std::string_view path) {
  std::string out;
  for (std::size_t i = 0; i < path.size(); ++i) {
    if (path.substr(i, 2) == "::" || path.substr(i, 2) == "->") {
      out += '.';
      ++i;
    } else {
      out += path[i];
    }
  }
  return out;
}

// "this._appLogger.info" of "logger.info".
bool ends_receiver(std::string_view path, std::string_view wanted) {
  const std::size_t point = path.rfind('.');
  const std::size_t wanted_point = wanted.rfind('.');
  if (point == std::string_view::npos) return false;
  std::string_view receiver = path.substr(0, point);
  while (receiver.ends_with('_')) receiver.remove_suffix(1);
  const std::string_view end = wanted.substr(0, wanted_point);
  if (receiver.size() < end.size()) return false;
  const std::size_t from = receiver.size() - end.size();
  for (std::size_t i = 0; i < end.size(); ++i) {
    if (small_letter(receiver[from + i]) != small_letter(end[i])) return false;
  }
  if (from == 0) return true;
  // A word of its own: dialog is no log.
  const char before = receiver[from - 1];
  const bool is_letter = small_letter(before) >= 'a' && small_letter(before) <= 'z';
  return !is_letter ||
         (small_letter(before) == before && small_letter(receiver[from]) != receiver[from]);
}

}  // namespace

Forms::Forms(std::span<const CallForm> calls) {
  for (const CallForm& call : calls) {
    const std::string path = with_points(call.name);
    by_name_.emplace(std::string(last_name(path)), Entry{path, &call});
    const std::size_t parentheses = path.find("().");
    if (parentheses != std::string::npos)
      called_.insert(std::string(last_name(std::string_view(path).substr(0, parentheses))));
  }
}

bool Forms::has_called(std::string_view path) const {
  return !called_.empty() && called_.contains(std::string(last_name(path)));
}

std::vector<const CallForm*> Forms::find(std::string_view path) const {
  std::vector<const CallForm*> out;
  const auto range = by_name_.equal_range(last_name(path));
  for (auto at = range.first; at != range.second; ++at) {
    const std::string& wanted = at->second.path;
    const CallForm& form = *at->second.form;
    if (form.alone && path.size() != wanted.size()) continue;
    if (form.ends_receiver) {
      if (ends_receiver(path, wanted)) out.push_back(&form);
      continue;
    }
    if (path.size() < wanted.size() || path.substr(path.size() - wanted.size()) != wanted) continue;
    if (path.size() > wanted.size() && path[path.size() - wanted.size() - 1] != '.') continue;
    out.push_back(&form);
  }
  return out;
}

}  // namespace inky::inline v1
