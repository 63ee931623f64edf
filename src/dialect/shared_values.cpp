#include "dialect/shared_values.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

// Where a name is in an expression, from a place on; npos: it is not there.
std::size_t find_name(std::string_view text, std::string_view name, std::size_t from = 0) {
  for (std::size_t at = text.find(name, from); at != std::string_view::npos;
       at = text.find(name, at + 1)) {
    const std::size_t end = at + name.size();
    const bool begins = at == 0 || (!is_word_part(text[at - 1]) && text[at - 1] != '$');
    const bool is_member = at > 0 && text[at - 1] == '.' && !text.substr(0, at).ends_with("...");
    if (begins && !is_member && (end == text.size() || !is_word_part(text[end]))) return at;
  }
  return std::string_view::npos;
}

bool has_name(std::string_view text, std::string_view name) {
  return find_name(text, name) != std::string_view::npos;
}

// Whether what is called with it keeps no part of it: list(
bool is_copied(const ExpressionForm& form, std::string_view before) {
  std::size_t from = before.size() - 1;
  while (from > 0 && is_word_part(before[from - 1])) --from;
  const std::string_view word = before.substr(from, before.size() - 1 - from);
  return !word.empty() && has_word(form.copiers, word);
}

// Whether a name is there as a whole, and not only for a part or a method of it.
bool has_whole(const ExpressionForm& form, std::string_view text, std::string_view name) {
  for (std::size_t at = find_name(text, name); at != std::string_view::npos;
       at = find_name(text, name, at + 1)) {
    const std::size_t end = at + name.size();
    const bool is_base = end < text.size() && (text[end] == '.' || text[end] == '[');
    const std::string_view before = text.substr(0, at);
    if (is_base || before.ends_with("...") || (before.ends_with('(') && is_copied(form, before)))
      continue;
    return true;
  }
  return false;
}

}  // namespace

void SharedValues::add(const Declaration& declared, Span span, bool in_loop) {
  if (form_.changed_names == nullptr) return;
  Entry entry;
  entry.name = declared.name;
  entry.text = declared.expression;
  entry.span = span;
  entry.in_loop = in_loop;
  entry.in_place = declared.in_place;
  entry.is_deep = declared.is_deep;
  entry.change_follows = declared.change_follows;
  entry.combines = declared.combines;
  entry.in_own_loop = std::any_of(loops_.begin(), loops_.end(), [&](const std::string& items) {
    return has_name(items, declared.name);
  });
  entries_.push_back(std::move(entry));
}

void SharedValues::add_shown(std::string_view call, Span span, bool in_loop) {
  if (form_.changed_names == nullptr) return;
  Entry entry;
  entry.text = call;
  entry.span = span;
  entry.in_loop = in_loop;
  entries_.push_back(std::move(entry));
}

void SharedValues::begin_loop(std::span<const std::string> names, std::string_view items) {
  loops_.emplace_back(items);
  if (form_.changed_names == nullptr) return;
  for (const std::string& name : names) {
    Entry entry;
    entry.name = name;
    entry.text = items;
    entry.is_looped = true;
    entries_.push_back(std::move(entry));
  }
}

bool SharedValues::is_own(const Entry& change) const {
  if (change.in_own_loop) return false;
  return std::none_of(entries_.begin(), entries_.end(), [&](const Entry& other) {
    if (other.name.empty() || other.in_place) {
      // What is put into another value is shared with it.
      return other.in_place && other.name != change.name &&
             has_whole(form_, other.text, change.name);
    }
    if (other.name == change.name && other.combines) return false;
    if (other.name == change.name) {
      const bool is_fresh = !other.is_looped && form_.is_fresh(other.text);
      const bool has_names =
          change.is_deep && std::any_of(entries_.begin(), entries_.end(), [&](const Entry& one) {
            return !one.name.empty() && has_name(other.text, one.name);
          });
      return !is_fresh || has_names;
    }
    if (other.is_looped) return change.is_deep && has_name(other.text, change.name);
    return change.is_deep ? has_name(other.text, change.name)
                          : has_whole(form_, other.text, change.name);
  });
}

bool SharedValues::combines_shared() const {
  return std::any_of(entries_.begin(), entries_.end(), [&](const Entry& entry) {
    return entry.combines && !entry.in_place && !is_own(entry);
  });
}

std::optional<Span> SharedValues::unsure() const {
  for (std::size_t i = 0; i < entries_.size(); ++i) {
    const Entry& entry = entries_[i];
    if (entry.in_place && !is_own(entry)) return entry.span;
    if (entry.is_looped || entry.change_follows || form_.changed_names == nullptr) continue;
    // What an expression changes beside what it comes to is kept for no other.
    for (const std::string& name : form_.changed_names(entry.text)) {
      if (name.empty()) return entry.span;
      if (entry.in_place && name == entry.name) continue;
      Entry change = entry;
      change.name = name;
      change.is_deep = true;
      const auto later = entries_.begin() + static_cast<std::ptrdiff_t>(i) + 1;
      const bool is_seen = std::any_of(later, entries_.end(), [&](const Entry& other) {
        return other.name == name || has_name(other.text, name);
      });
      const bool has_others =
          std::any_of(entries_.begin(), entries_.end(), [&](const Entry& other) {
            return &other != &entry && !other.name.empty() && other.name != name &&
                   has_name(other.text, name);
          });
      const bool is_shared = std::any_of(entries_.begin(), entries_.end(), [&](const Entry& other) {
        return other.name == name && &other != &entry &&
               (other.is_looped || !form_.is_fresh(other.text));
      });
      if (entry.in_loop || is_seen || has_others || is_shared) return entry.span;
    }
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
