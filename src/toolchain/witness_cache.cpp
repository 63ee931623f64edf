#include "toolchain/witness_cache.hpp"

#include <fcntl.h>
#include <unistd.h>

#include <cerrno>

#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iterator>

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;

// An entry that is larger is not ours.
constexpr std::uintmax_t most_entry = std::uintmax_t{1} << 26;

bool write_all(int file, std::string_view text) {
  while (!text.empty()) {
    const ssize_t size = ::write(file, text.data(), text.size());
    if (size < 0 && errno == EINTR) continue;
    if (size <= 0) return false;
    text.remove_prefix(static_cast<std::size_t>(size));
  }
  return true;
}

// FNV-1a, 64 bits. It names the file; what is in it is compared.
std::string name_of(std::string_view key) {
  std::uint64_t hash = 0xCBF29CE484222325U;
  for (const char c : key) {
    hash ^= static_cast<unsigned char>(c);
    hash *= 0x100000001B3U;
  }
  constexpr std::string_view digits = "0123456789abcdef";
  std::string out;
  for (int shift = 60; shift >= 0; shift -= 4) out += digits[(hash >> shift) & 15U];
  return out;
}

// Everything that what it prints hangs on.
std::string key_of(const Toolchain& toolchain, const std::vector<std::string>& program,
                   std::string_view source) {
  std::error_code failed;
  const std::uintmax_t size = fs::file_size(program[0], failed);
  const auto changed = fs::last_write_time(program[0], failed);
  std::string out =
      std::to_string(size) + "\n" + std::to_string(changed.time_since_epoch().count()) + "\n";
  for (const std::string& word : program) out += word + "\n";
  for (const std::string_view part : {toolchain.form.file, toolchain.form.build, toolchain.form.run,
                                      toolchain.form.locale, toolchain.form.locale_folder})
    out += std::string(part) + "\n";
  return out + std::string(source);
}

// Sections, each after its size.
void append_section(std::string_view section, std::string& out) {
  out += std::to_string(section.size()) + "\n";
  out += section;
}
std::optional<std::string_view> take_section(std::string_view& text) {
  std::size_t size = 0;
  std::size_t at = 0;
  constexpr std::size_t most_digits = 12;
  while (at < text.size() && at < most_digits && '0' <= text[at] && text[at] <= '9')
    size = size * 10 + static_cast<std::size_t>(text[at++] - '0');
  if (at == 0 || at == text.size() || text[at] != '\n' || text.size() - at - 1 < size)
    return std::nullopt;
  const std::string_view out = text.substr(at + 1, size);
  text.remove_prefix(at + 1 + size);
  return out;
}

constexpr std::string_view stage_names[] = {"missing", "not asked", "interrupted", "stopped",
                                            "refused", "failed",    "printed"};

bool is_kept(Witness::Stage stage) {
  return stage == Witness::Stage::refused || stage == Witness::Stage::failed ||
         stage == Witness::Stage::printed;
}

}  // namespace

std::optional<std::string> usual_cache_folder() {
  const auto folder_in = [](const char* variable) -> std::optional<fs::path> {
    const char* value = std::getenv(variable);
    if (value == nullptr || *value != '/') return std::nullopt;
    return fs::path(value);
  };
  std::optional<fs::path> base = folder_in("XDG_CACHE_HOME");
  if (!base) {
    base = folder_in("HOME");
    if (!base) return std::nullopt;
    *base /= ".cache";
  }
  return (*base / "inky-margin" / "witness").string();
}

std::optional<Witness> WitnessCache::find(const Toolchain& toolchain,
                                          const std::vector<std::string>& program,
                                          std::string_view source) const {
  const std::string key = key_of(toolchain, program, source);
  const fs::path path = fs::path(folder_) / name_of(key);
  std::error_code failed;
  if (!fs::is_regular_file(path, failed) || fs::file_size(path, failed) > most_entry)
    return std::nullopt;
  std::ifstream in(path, std::ios::binary);
  const std::string text{std::istreambuf_iterator<char>(in), {}};
  std::string_view rest = text;
  const auto kept_key = take_section(rest);
  const auto stage = take_section(rest);
  const auto output = take_section(rest);
  const auto messages = take_section(rest);
  const auto status = take_section(rest);
  if (!kept_key || *kept_key != key || !stage || !output || !messages || !status ||
      status->size() != 1 || !rest.empty())
    return std::nullopt;
  for (std::size_t i = 0; i < std::size(stage_names); ++i) {
    if (stage_names[i] != *stage || !is_kept(static_cast<Witness::Stage>(i))) continue;
    Witness out;
    out.stage = static_cast<Witness::Stage>(i);
    out.program = program[0];
    out.output = *output;
    out.messages = *messages;
    out.status = static_cast<unsigned char>(status->front());
    out.kept = true;
    return out;
  }
  return std::nullopt;
}

void WitnessCache::keep(const Toolchain& toolchain, const std::vector<std::string>& program,
                        std::string_view source, const Witness& witness) const {
  if (!is_kept(witness.stage)) return;
  std::error_code failed;
  fs::create_directories(folder_, failed);
  const std::string key = key_of(toolchain, program, source);
  std::string text;
  append_section(key, text);
  append_section(stage_names[static_cast<std::size_t>(witness.stage)], text);
  append_section(witness.output, text);
  append_section(witness.messages, text);
  // An exit status is a byte.
  append_section(std::string(1, static_cast<char>(witness.status)), text);
  // It gets its name when it is whole, so that nobody reads half of it; until then it has none, so
  // that nothing is left where we are killed.
  const int file = ::open(folder_.c_str(), O_TMPFILE | O_WRONLY | O_CLOEXEC, 0600);
  if (file < 0) return;
  if (write_all(file, text)) {
    const std::string path = (fs::path(folder_) / name_of(key)).string();
    const std::string own = "/proc/self/fd/" + std::to_string(file);
    // What is there already was kept by another, or is broken.
    if (::linkat(AT_FDCWD, own.c_str(), AT_FDCWD, path.c_str(), AT_SYMLINK_FOLLOW) != 0 &&
        errno == EEXIST && fs::is_regular_file(path, failed)) {
      fs::remove(path, failed);
      ::linkat(AT_FDCWD, own.c_str(), AT_FDCWD, path.c_str(), AT_SYMLINK_FOLLOW);
    }
  }
  ::close(file);
}

Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits,
                    const WitnessCache* cache) {
  const auto program = find_toolchain(toolchain);
  if (cache != nullptr && program) {
    if (std::optional<Witness> kept = cache->find(toolchain, *program, source))
      return std::move(*kept);
  }
  Witness out = run_program(toolchain, source, limits);
  if (cache != nullptr && program) cache->keep(toolchain, *program, source, out);
  return out;
}

}  // namespace inky::toolchain
