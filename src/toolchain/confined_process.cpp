// Three processes for a command:
//
//   ours ── keeper ── first ── the program, and what it starts
//
// The keeper enters new namespaces; the first is process 1 of the new process namespace, so that
// the kernel kills everything there when it ends. Where there are no namespaces, the keeper is the
// one whom orphans are given to (PR_SET_CHILD_SUBREAPER), and kills them one by one. The keeper
// ends all when the pipe from us closes: because we ask for it, or because we are no more.

#include "confined_process.hpp"

#include <dirent.h>
#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <sys/prctl.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <map>

#include "confinement.hpp"

namespace inky::toolchain {

namespace {

// What the child's processes tell us, in this order.
struct Report {
  enum class What : std::uint8_t { confinement, failed_to_start, ended } what;
  Confinement confinement;
  int status = 0;  // of wait(2), or an errno
};

void send(int to, const Report& report) {
  // Small enough to be written as a whole.
  [[maybe_unused]] const ssize_t ignored = write(to, &report, sizeof(report));
}

// ---- In the child's processes ----

constexpr int control_in = 3;
constexpr int report_out = 4;

// Process 1: reaps everything, and ends when the program does.
[[noreturn]] void be_first(const Child& child, const Confinement& confinement) {
  int started[2] = {-1, -1};
  if (pipe2(started, O_CLOEXEC) != 0) _exit(1);
  const pid_t program = fork();
  if (program == 0) {
    become_program(child, confinement);
    const int why = errno;
    [[maybe_unused]] const ssize_t ignored = write(started[1], &why, sizeof(why));
    _exit(127);
  }
  close(started[1]);
  int why = program < 0 ? errno : 0;
  const bool failed =
      program < 0 || read(started[0], &why, sizeof(why)) == static_cast<ssize_t>(sizeof(why));
  if (failed) {
    send(report_out, {Report::What::failed_to_start, {}, why});
    _exit(1);
  }
  int status = 0;
  for (pid_t ended = 0; ended != program;) {
    ended = wait(&status);
    if (ended < 0 && errno != EINTR) break;
  }
  send(report_out, {Report::What::ended, {}, status});
  _exit(0);
}

// The number after the name of a process in a line of /proc/PID/stat; the name has brackets.
bool read_stat(const char* process, long& parent, long& pages) {
  char path[64];
  std::snprintf(path, sizeof(path), "/proc/%s/stat", process);
  const int file = open(path, O_RDONLY | O_CLOEXEC);
  if (file < 0) return false;
  char text[1024];
  const ssize_t size = read(file, text, sizeof(text) - 1);
  close(file);
  if (size <= 0) return false;
  text[size] = '\0';
  const char* at = std::strrchr(text, ')');
  if (at == nullptr) return false;
  // proc(5): the state, the parent, ...; the resident pages are field 24.
  at += 4;
  char* end = nullptr;
  parent = std::strtol(at, &end, 10);
  constexpr int fields_between = 19;
  for (int i = 0; i < fields_between && end != nullptr; ++i) {
    at = std::strchr(end + 1, ' ');
    if (at == nullptr) return false;
    end = const_cast<char*>(at);
  }
  pages = std::strtol(end, nullptr, 10);
  return true;
}

struct Family {
  std::size_t processes = 0;
  std::size_t memory = 0;  // bytes resident
};

// What stems from a process, itself not counted; each is given to `use`.
template <typename Use>
Family family_of(pid_t root, Use use) {
  struct Process {
    long parent;
    long pages;
  };
  std::map<long, Process> all;
  DIR* folder = opendir("/proc");
  if (folder == nullptr) return {};
  while (const dirent* entry = readdir(folder)) {
    const char* name = entry->d_name;
    Process one = {};
    if (*name >= '0' && *name <= '9' && read_stat(name, one.parent, one.pages))
      all.emplace(std::strtol(name, nullptr, 10), one);
  }
  closedir(folder);
  Family out;
  const auto page = static_cast<std::size_t>(sysconf(_SC_PAGESIZE));
  for (const auto& [number, one] : all) {
    long parent = one.parent;
    for (int depth = 0; parent > 1 && parent != root && depth < 1000; ++depth) {
      const auto found = all.find(parent);
      parent = found == all.end() ? 0 : found->second.parent;
    }
    if (parent != root) continue;
    ++out.processes;
    out.memory += static_cast<std::size_t>(one.pages) * page;
    use(static_cast<pid_t>(number));
  }
  return out;
}

// Kills all that stems from this process, until there is nothing left to wait for.
void end_family() {
  for (;;) {
    family_of(getpid(), [](pid_t process) { kill(process, SIGKILL); });
    while (waitpid(-1, nullptr, WNOHANG) > 0) continue;
    if (waitpid(-1, nullptr, WNOHANG) < 0 && errno == ECHILD) return;
    usleep(1000);
  }
}

// Whatever else this process has open belongs to other threads of ours.
void keep_two(int control, int report) {
  const int control_copy = fcntl(control, F_DUPFD_CLOEXEC, 10);
  const int report_copy = fcntl(report, F_DUPFD_CLOEXEC, 10);
  dup3(control_copy, control_in, O_CLOEXEC);
  dup3(report_copy, report_out, O_CLOEXEC);
  close_range(report_out + 1, ~0U, 0);
}

[[noreturn]] void keep(const Child& child, int control, int report) {
  keep_two(control, report);
  setsid();
  prctl(PR_SET_CHILD_SUBREAPER, 1, 0, 0, 0);
  const Confinement confinement = enter_new_world(child);
  send(report_out, {Report::What::confinement, confinement, 0});
  int alive[2] = {-1, -1};
  if (pipe2(alive, O_CLOEXEC) != 0) _exit(1);
  const pid_t first = fork();
  if (first == 0) {
    close(control_in);
    close(alive[0]);
    be_first(child, confinement);
  }
  close(alive[1]);
  if (first < 0) send(report_out, {Report::What::failed_to_start, {}, errno});
  // Until the first has ended, or nobody wants to know any more.
  pollfd ends[2] = {{control_in, POLLIN, 0}, {alive[0], POLLIN, 0}};
  while (first > 0 && poll(ends, 2, -1) < 0 && errno == EINTR) continue;
  if (first > 0) kill(first, SIGKILL);
  // The kernel ends a namespace with its first process. Nothing is allocated then: another thread
  // of ours may have held the allocator when this process was forked.
  if (confinement.processes) {
    while (waitpid(-1, nullptr, 0) > 0 || errno == EINTR) continue;
  } else {
    end_family();
  }
  _exit(0);
}

// ---- In our own process ----

std::size_t size_of(const std::string& path) {
  struct stat facts = {};
  return stat(path.c_str(), &facts) == 0 ? static_cast<std::size_t>(facts.st_size) : 0;
}

std::vector<char*> pointers_to(const std::vector<std::string>& texts) {
  std::vector<char*> out;
  out.reserve(texts.size() + 1);
  for (const std::string& text : texts) out.push_back(const_cast<char*>(text.c_str()));
  out.push_back(nullptr);
  return out;
}

class Watch {
 public:
  Watch(const Command& command, const RunLimits& limits)
      : command_(command), limits_(limits), end_(std::chrono::steady_clock::now() + limits.time) {}

  Ended run() {
    int control[2] = {-1, -1};
    int report[2] = {-1, -1};
    if (pipe2(control, O_CLOEXEC) != 0) return not_started("a pipe could not be made", errno);
    if (pipe2(report, O_CLOEXEC) != 0) {
      close(control[0]);
      close(control[1]);
      return not_started("a pipe could not be made", errno);
    }
    const std::vector<char*> arguments = pointers_to(command_.words);
    const std::vector<char*> environment = pointers_to(command_.environment);
    const Child child = child_of(arguments, environment);
    keeper_ = fork();
    if (keeper_ == 0) keep(child, control[0], report[1]);
    const int why = errno;
    close(control[0]);
    close(report[1]);
    if (keeper_ > 0)
      watch(report[0]);
    else
      out_ = not_started("no process could be started", why);
    // The keeper sees the pipe close, and ends what is left.
    close(control[1]);
    close(report[0]);
    while (keeper_ > 0 && waitpid(keeper_, nullptr, 0) < 0 && errno == EINTR) continue;
    if (out_.how == Ended::How::exited && size_of(command_.output) > limits_.output)
      stop(Ended::How::over_limit, "it printed too much");
    return std::move(out_);
  }

 private:
  static Ended not_started(const char* what, int why) {
    Ended out;
    out.why = std::string(what) + ": " + std::strerror(why);
    return out;
  }

  Child child_of(const std::vector<char*>& arguments, const std::vector<char*>& environment) const {
    Child out;
    out.arguments = arguments.data();
    out.environment = environment.data();
    out.folder = command_.folder.c_str();
    out.output = command_.output.c_str();
    out.messages = command_.messages.c_str();
    std::snprintf(out.user_map, sizeof(out.user_map), "%u %u 1", geteuid(), geteuid());
    std::snprintf(out.group_map, sizeof(out.group_map), "%u %u 1", getegid(), getegid());
    // Of all cores together.
    constexpr long cores = 8;
    out.seconds = static_cast<std::size_t>(limits_.time.count() / 1000 + 1) * cores;
    // It may be what the program or the locales are in.
    const auto has_locales = [](const std::string& variable) {
      return variable.starts_with("LOCPATH=/tmp/");
    };
    out.hides_tmp =
        !command_.words[0].starts_with("/tmp/") &&
        std::none_of(command_.environment.begin(), command_.environment.end(), has_locales);
    out.memory = limits_.memory;
    out.processes = limits_.processes;
    return out;
  }

  void stop(Ended::How how, const char* why) {
    out_.how = how;
    out_.why = why;
  }

  // True where it has to end.
  bool is_over() {
    if (limits_.stop != nullptr && limits_.stop->load(std::memory_order_relaxed)) {
      stop(Ended::How::interrupted, "it was interrupted");
      return true;
    }
    if (std::chrono::steady_clock::now() > end_) {
      stop(Ended::How::over_limit, "it took too long");
      return true;
    }
    if (size_of(command_.output) > limits_.output || size_of(command_.messages) > limits_.output) {
      stop(Ended::How::over_limit, "it printed too much");
      return true;
    }
    // Looking at every process of the machine is not for free: often at first, then seldom.
    constexpr int often = 4;
    constexpr int rarely = 16;
    ++looked_;
    if (looked_ % (looked_ < 2 * rarely ? often : rarely) != 0) return false;
    const Family family = family_of(keeper_, [](pid_t) {});
    // What processes share is counted for each, so they come first.
    if (family.processes > limits_.processes)
      stop(Ended::How::over_limit, "it started too many processes");
    else if (family.memory > limits_.memory)
      stop(Ended::How::over_limit, "it took too much memory");
    else
      return false;
    return true;
  }

  void watch(int report) {
    int pause = 1;
    constexpr int longest_pause = 20;
    for (;;) {
      pollfd wait = {report, POLLIN, 0};
      const int ready = poll(&wait, 1, pause);
      if (ready > 0) {
        Report said = {};
        const ssize_t size = read(report, &said, sizeof(said));
        if (size != static_cast<ssize_t>(sizeof(said))) {
          // They are gone without a word: somebody killed them.
          out_ = not_started("its processes were killed", ECHILD);
          return;
        }
        if (take(said)) return;
      } else {
        if (is_over()) return;
        pause = std::min(pause * 2, longest_pause);
      }
    }
  }

  bool take(const Report& said) {
    switch (said.what) {
      case Report::What::confinement:
        out_.confinement = said.confinement;
        return false;
      case Report::What::failed_to_start:
        out_.how = Ended::How::not_started;
        out_.why = command_.words[0] + " could not be started: " + std::strerror(said.status);
        return true;
      case Report::What::ended:
        // A program that could start no more of them may have ended before anybody looked.
        if (said.status != 0 &&
            family_of(keeper_, [](pid_t) {}).processes + 1 >= limits_.processes) {
          stop(Ended::How::over_limit, "it started too many processes");
          return true;
        }
        out_.how = WIFEXITED(said.status) ? Ended::How::exited : Ended::How::killed;
        out_.status = WIFEXITED(said.status) ? WEXITSTATUS(said.status) : WTERMSIG(said.status);
        return true;
    }
    return true;
  }

  const Command& command_;
  const RunLimits& limits_;
  std::chrono::steady_clock::time_point end_;
  pid_t keeper_ = -1;
  int looked_ = 0;
  Ended out_;
};

}  // namespace

Ended run_confined(const Command& command, const RunLimits& limits) {
  return Watch(command, limits).run();
}

}  // namespace inky::toolchain
