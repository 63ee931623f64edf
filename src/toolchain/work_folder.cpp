#include "work_folder.hpp"

#include <fcntl.h>
#include <signal.h>
#include <sys/random.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <cerrno>
#include <cstdint>
#include <cstring>
#include <filesystem>

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;

std::string random_name() {
  std::uint64_t number = 0;
  if (getrandom(&number, sizeof(number), 0) != static_cast<ssize_t>(sizeof(number)))
    number = static_cast<std::uint64_t>(getpid());
  constexpr std::string_view letters = "abcdefghijklmnopqrstuvwxyz234567";
  std::string out = "inky-witness-";
  for (int shift = 0; shift < 60; shift += 5) out += letters[(number >> shift) & 31U];
  return out;
}

void remove(const std::string& path) {
  std::error_code ignored;
  // What is being killed may still write.
  for (int i = 0; i < 1000; ++i) {
    fs::remove_all(path, ignored);
    if (!fs::exists(fs::symlink_status(path, ignored))) return;
    usleep(5000);
  }
}

// Waits until the owner closes the pipe, or is no more, and removes what the owner left.
[[noreturn]] void guard(int pipe, const std::string& path) {
  setsid();
  for (const int number : {SIGINT, SIGTERM, SIGHUP, SIGPIPE}) signal(number, SIG_IGN);
  dup2(pipe, 0);
  close_range(1, ~0U, 0);
  char byte = 0;
  while (read(0, &byte, 1) < 0 && errno == EINTR) continue;
  // As a rule the owner has done it, and nothing has to be allocated in a forked process.
  if (access(path.c_str(), F_OK) != 0) _exit(0);
  remove(path);
  _exit(0);
}

}  // namespace

WorkFolder::WorkFolder() {
  std::error_code failed;
  const fs::path parent = fs::temp_directory_path(failed);
  if (failed) {
    why_ = "there is no temporary folder: " + failed.message();
    return;
  }
  const std::string path = (fs::absolute(parent) / random_name()).string();
  int ends[2] = {-1, -1};
  // Before the folder is there, so that at no time it is without a guard.
  if (pipe2(ends, O_CLOEXEC) == 0) {
    guard_ = fork();
    if (guard_ == 0) guard(ends[0], path);
    close(ends[0]);
    guarded_ = ends[1];
  }
  constexpr mode_t owner_only = 0700;
  if (mkdir(path.c_str(), owner_only) == 0)
    path_ = path;
  else
    why_ = "no folder can be made in " + parent.string() + ": " + std::strerror(errno);
}

WorkFolder::~WorkFolder() {
  if (!path_.empty()) remove(path_);
  if (guarded_ >= 0) close(guarded_);
  while (guard_ > 0 && waitpid(guard_, nullptr, 0) < 0 && errno == EINTR) continue;
}

}  // namespace inky::toolchain
