#include "path_patterns.hpp"

#include <algorithm>

namespace inky::cli {

namespace {

struct ByteClass {
  std::string_view name;
  bool (*holds)(unsigned char);
};

bool is_between(unsigned char byte, char from, char to) {
  return byte >= static_cast<unsigned char>(from) && byte <= static_cast<unsigned char>(to);
}
bool is_lower(unsigned char byte) {
  return is_between(byte, 'a', 'z');
}
bool is_upper(unsigned char byte) {
  return is_between(byte, 'A', 'Z');
}
bool is_decimal(unsigned char byte) {
  return is_between(byte, '0', '9');
}
bool is_alphabetic(unsigned char byte) {
  return is_lower(byte) || is_upper(byte);
}
bool is_graphic(unsigned char byte) {
  return is_between(byte, '!', '~');
}

// POSIX.1-2017, XBD 9.3.5, in the POSIX locale.
constexpr ByteClass byte_classes[] = {
    {"alpha", is_alphabetic},
    {"digit", is_decimal},
    {"alnum", [](unsigned char byte) { return is_alphabetic(byte) || is_decimal(byte); }},
    {"upper", is_upper},
    {"lower", is_lower},
    {"space", [](unsigned char byte) { return byte == ' ' || (byte >= 9 && byte <= 13); }},
    {"blank", [](unsigned char byte) { return byte == ' ' || byte == '\t'; }},
    {"punct",
     [](unsigned char byte) {
       return is_graphic(byte) && !is_alphabetic(byte) && !is_decimal(byte);
     }},
    {"print", [](unsigned char byte) { return is_graphic(byte) || byte == ' '; }},
    {"graph", is_graphic},
    {"cntrl", [](unsigned char byte) { return byte < 32 || byte == 127; }},
    {"xdigit",
     [](unsigned char byte) {
       return is_decimal(byte) || is_between(byte, 'a', 'f') || is_between(byte, 'A', 'F');
     }},
};

}  // namespace

PathPattern::PathPattern(std::string_view text) {
  if (text.starts_with('!')) {
    is_negated_ = true;
    text.remove_prefix(1);
  }
  if (text.ends_with('/')) {
    is_of_folders_ = true;
    text.remove_suffix(1);
  }
  is_anchored_ = text.find('/') != std::string_view::npos;
  if (text.starts_with('/')) text.remove_prefix(1);
  read(text);
  matches_nothing_ = matches_nothing_ || parts_.empty();
}

void PathPattern::read(std::string_view text) {
  for (std::size_t at = 0; at < text.size();) {
    const char byte = text[at];
    Part part;
    if (byte == '*') {
      std::size_t stars = 1;
      while (at + stars < text.size() && text[at + stars] == '*') ++stars;
      // git compares what is before the first wildcard by itself, and the rest begins behind it.
      const bool begins =
          at == 0 || text[at - 1] == '/' ||
          (is_anchored_ && text.substr(0, at).find_first_of("*?[\\") == std::string_view::npos);
      const std::size_t end = at + stars;
      part.kind = Kind::many;
      const std::string_view behind = text.substr(end);
      if (stars > 1 && begins && behind.starts_with('/')) {
        part.kind = Kind::folders;
        ++at;
      } else if (stars > 1 && begins && (behind.empty() || behind.starts_with("\\/"))) {
        part.kind = Kind::rest;
      }
      at += stars;
    } else if (byte == '?') {
      part.kind = Kind::any;
      ++at;
    } else if (byte == '[') {
      const std::size_t end = read_set(text, at);
      if (end == at) {
        matches_nothing_ = true;
        return;
      }
      at = end;
      continue;
    } else {
      if (byte == '\\') ++at;
      if (at == text.size()) {
        matches_nothing_ = true;
        return;
      }
      part.byte = text[at++];
    }
    parts_.push_back(part);
  }
}

// Behind the set, or `at` where none ends.
std::size_t PathPattern::read_set(std::string_view text, std::size_t at) {
  const std::size_t start = at++;
  Part part;
  part.kind = Kind::set;
  const bool is_inverse = at < text.size() && (text[at] == '!' || text[at] == '^');
  if (is_inverse) ++at;
  int previous = -1;  // the byte that a range may begin with
  for (bool is_first = true;; is_first = false) {
    if (at >= text.size()) return start;
    char byte = text[at];
    if (byte == ']' && !is_first) break;
    if (byte == '[' && at + 1 < text.size() && text[at + 1] == ':') {
      const std::size_t end = text.find(":]", at + 2);
      if (end == std::string_view::npos) return start;
      const std::string_view name = text.substr(at + 2, end - at - 2);
      const auto* const found =
          std::find_if(std::begin(byte_classes), std::end(byte_classes),
                       [&](const ByteClass& one) { return one.name == name; });
      if (found == std::end(byte_classes)) return start;
      for (unsigned unit = 0; unit < 256; ++unit) {
        if (found->holds(static_cast<unsigned char>(unit))) part.set.set(unit);
      }
      previous = -1;
      at = end + 2;
      continue;
    }
    if (byte == '-' && previous >= 0 && at + 1 < text.size() && text[at + 1] != ']') {
      ++at;
      if (text[at] == '\\' && ++at == text.size()) return start;
      for (int unit = previous; unit <= static_cast<unsigned char>(text[at]); ++unit)
        part.set.set(static_cast<std::size_t>(unit));
      previous = -1;
      ++at;
      continue;
    }
    if (byte == '\\') {
      if (++at == text.size()) return start;
      byte = text[at];
    }
    previous = static_cast<unsigned char>(byte);
    part.set.set(static_cast<std::size_t>(previous));
    ++at;
  }
  if (is_inverse) part.set.flip();
  part.set.reset('/');
  parts_.push_back(part);
  return at + 1;
}

// Every place of the pattern that the path may have reached, byte by byte.
bool PathPattern::matches(std::string_view path) const {
  if (matches_nothing_) return false;
  if (!is_anchored_) path.remove_prefix(path.rfind('/') + 1);
  std::vector<bool> at(parts_.size() + 1);
  std::vector<bool> next(parts_.size() + 1);
  // Within a folder that "**/" passes over.
  std::vector<bool> inside(parts_.size() + 1);
  std::vector<bool> next_inside(parts_.size() + 1);
  const auto reach = [&](std::vector<bool>& places, std::size_t place) {
    while (true) {
      places[place] = true;
      const bool may_be_empty = place < parts_.size() && (parts_[place].kind == Kind::many ||
                                                          parts_[place].kind == Kind::rest ||
                                                          parts_[place].kind == Kind::folders);
      if (!may_be_empty || places[place + 1]) return;
      ++place;
    }
  };
  reach(at, 0);
  for (const char byte : path) {
    next.assign(next.size(), false);
    next_inside.assign(next_inside.size(), false);
    for (std::size_t i = 0; i < parts_.size(); ++i) {
      const Part& part = parts_[i];
      if (part.kind == Kind::folders) {
        if (!at[i] && !inside[i]) continue;
        if (byte != '/') next_inside[i] = true;
        if (byte == '/') reach(next, i);
        continue;
      }
      if (!at[i]) continue;
      if (part.kind == Kind::byte && byte == part.byte) reach(next, i + 1);
      if (part.kind == Kind::any && byte != '/') reach(next, i + 1);
      if (part.kind == Kind::set && part.set.test(static_cast<unsigned char>(byte)))
        reach(next, i + 1);
      if (part.kind == Kind::many && byte != '/') reach(next, i);
      if (part.kind == Kind::rest) reach(next, i);
    }
    at.swap(next);
    inside.swap(next_inside);
  }
  return at[parts_.size()];
}

void PathPatterns::add(std::string_view folder, std::string_view lines) {
  std::string prefix(folder);
  if (!prefix.empty()) prefix += '/';
  if (lines.starts_with("\xEF\xBB\xBF")) lines.remove_prefix(3);
  while (!lines.empty()) {
    const std::size_t end = std::min(lines.find('\n'), lines.size());
    std::string_view line = lines.substr(0, end);
    lines.remove_prefix(std::min(end + 1, lines.size()));
    if (line.ends_with('\r')) line.remove_suffix(1);
    if (line.starts_with('#')) continue;
    const auto is_escaped = [&] {
      std::size_t count = 0;
      while (count + 1 < line.size() && line[line.size() - 2 - count] == '\\') ++count;
      return count % 2 == 1;
    };
    while (line.ends_with(' ') && !is_escaped()) line.remove_suffix(1);
    if (!line.empty()) rules_.push_back({prefix, PathPattern(line)});
  }
}

void PathPatterns::add_pattern(std::string_view pattern) {
  if (!pattern.empty()) rules_.push_back({{}, PathPattern(pattern)});
}

bool PathPatterns::excludes(std::string_view path, bool is_folder) const {
  for (auto rule = rules_.rbegin(); rule != rules_.rend(); ++rule) {
    if (!path.starts_with(rule->folder)) continue;
    if (rule->pattern.is_of_folders() && !is_folder) continue;
    if (rule->pattern.matches(path.substr(rule->folder.size()))) return !rule->pattern.is_negated();
  }
  return false;
}

}  // namespace inky::cli
