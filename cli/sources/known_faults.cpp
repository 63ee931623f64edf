#include "known_faults.hpp"

#include <algorithm>
#include <filesystem>
#include <tuple>

#include "text/escape.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

constexpr std::size_t fingerprint_size = 16;
constexpr std::string_view first_line =
    "# Faults that are known to inky check: FINGERPRINT CODE FILE. Made by --write-baseline.\n";

// FNV-1a, 64 bits (the IETF draft draft-eastlake-fnv-17, 5).
constexpr std::uint64_t fnv_offset = 0xcbf29ce484222325;
constexpr std::uint64_t fnv_prime = 0x100000001b3;

fs::path folder_of(const std::string& path) {
  std::error_code failed;
  return fs::weakly_canonical(fs::absolute(path, failed), failed).parent_path();
}

// As it stands in a baseline of this folder.
std::string name_in(const std::string& file, const fs::path& folder) {
  std::error_code failed;
  const fs::path whole = fs::weakly_canonical(fs::absolute(file, failed), failed);
  return visible(whole.lexically_relative(folder).generic_string());
}

bool is_fingerprint(std::string_view text) {
  return text.size() == fingerprint_size &&
         text.find_first_not_of("0123456789abcdef") == std::string_view::npos;
}

}  // namespace

std::uint64_t fingerprint_of(std::string_view call, std::string_view source, const Fault& fault) {
  std::uint64_t hash = fnv_offset;
  for (const std::string_view part :
       {name_of(fault.code), call, source, std::string_view(fault.message)}) {
    for (const char byte : part) {
      hash ^= static_cast<unsigned char>(byte);
      hash *= fnv_prime;
    }
    hash *= fnv_prime;  // a zero byte between the parts
  }
  return hash;
}

std::string fingerprint_text(std::uint64_t fingerprint) {
  std::string out(fingerprint_size, '0');
  for (std::size_t i = fingerprint_size; i-- > 0; fingerprint >>= 4U)
    out[i] = "0123456789abcdef"[fingerprint & 15U];
  return out;
}

Result<KnownFaults> KnownFaults::read(std::string_view text, const std::string& path) {
  KnownFaults out;
  out.folder_ = folder_of(path).string();
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find('\n', at), text.size());
    std::string_view line = text.substr(at, end - at);
    const Span span{at, end};
    at = end + 1;
    if (line.ends_with('\r')) line.remove_suffix(1);
    if (line.empty() || line.starts_with('#')) continue;
    const std::size_t code = line.find(' ');
    const std::size_t file = code == std::string_view::npos ? code : line.find(' ', code + 1);
    if (file == std::string_view::npos || !is_fingerprint(line.substr(0, code)))
      return Error{Code::bad_baseline, "this is no known fault", span,
                   "A line is FINGERPRINT CODE FILE. Write the file anew: --write-baseline FILE."};
    std::string key(line.substr(0, code));
    key += line.substr(file);
    ++out.counts_[key];
  }
  return out;
}

bool KnownFaults::take(const std::string& file, std::uint64_t fingerprint) {
  if (file != file_) {
    file_ = file;
    name_ = name_in(file, folder_);
  }
  const auto found = counts_.find(fingerprint_text(fingerprint) + " " + name_);
  if (found == counts_.end() || found->second == 0) return false;
  --found->second;
  return true;
}

std::size_t KnownFaults::left_over() const {
  std::size_t out = 0;
  for (const auto& [key, count] : counts_) out += count;
  return out;
}

std::string KnownFaults::written(std::vector<Entry> entries, const std::string& path) {
  const fs::path folder = folder_of(path);
  for (Entry& one : entries) one.file = name_in(one.file, folder);
  std::sort(entries.begin(), entries.end(), [](const Entry& a, const Entry& b) {
    return std::tie(a.file, a.code, a.fingerprint) < std::tie(b.file, b.code, b.fingerprint);
  });
  std::string out(first_line);
  for (const Entry& one : entries)
    out += fingerprint_text(one.fingerprint) + " " + std::string(name_of(one.code)) + " " +
           one.file + "\n";
  return out;
}

}  // namespace inky::cli
