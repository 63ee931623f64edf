#include "confinement.hpp"

#include <fcntl.h>
#include <linux/capability.h>
#include <linux/securebits.h>
#include <net/if.h>
#include <sched.h>
#include <signal.h>
#include <sys/ioctl.h>
#include <sys/mount.h>
#include <sys/prctl.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/syscall.h>
#include <unistd.h>

#include <cstring>

namespace inky::toolchain {

namespace {

bool write_file(const char* path, const char* text) {
  const int file = open(path, O_WRONLY | O_CLOEXEC);
  if (file < 0) return false;
  const std::size_t size = std::strlen(text);
  const bool written = write(file, text, size) == static_cast<ssize_t>(size);
  close(file);
  return written;
}

// user_namespaces(7): a process without rights may map its own user, and give up its groups.
bool enter_user_namespace(const Child& child) {
  if (unshare(CLONE_NEWUSER) != 0) return false;
  write_file("/proc/self/setgroups", "deny");
  return write_file("/proc/self/uid_map", child.user_map) &&
         write_file("/proc/self/gid_map", child.group_map);
}

// The loopback device of an empty network, which some runtimes want to see.
void raise_loopback() {
  const int device = socket(AF_INET, SOCK_DGRAM | SOCK_CLOEXEC, 0);
  if (device < 0) return;
  ifreq request = {};
  std::memcpy(request.ifr_name, "lo", 3);
  request.ifr_flags = IFF_UP;
  ioctl(device, SIOCSIFFLAGS, &request);
  close(device);
}

// Some runtimes insist on writing there, whatever TMPDIR states.
void mount_empty(const char* path) {
  mount("tmpfs", path, "tmpfs", MS_NOSUID | MS_NODEV, "size=256m,mode=1777");
}

// The folders on the way to a path, where they are not there.
void make_way(const char* path) {
  char part[4096];
  const std::size_t size = std::strlen(path);
  if (size >= sizeof(part)) return;
  for (std::size_t i = 1; i <= size; ++i) {
    if (path[i] != '/' && path[i] != '\0') continue;
    std::memcpy(part, path, i);
    part[i] = '\0';
    mkdir(part, 0700);
  }
}

// Everything is read-only but the folder, and what is empty.
bool make_read_only(const char* folder, bool hides_tmp) {
  if (unshare(CLONE_NEWNS) != 0) return false;
  if (mount(nullptr, "/", nullptr, MS_REC | MS_PRIVATE, nullptr) != 0) return false;
  // Taken before the rest is closed, so that it stays open.
  const int own = open_tree(AT_FDCWD, folder, OPEN_TREE_CLONE | OPEN_TREE_CLOEXEC);
  if (own < 0) return false;
  mount_attr read_only = {};
  read_only.attr_set = MOUNT_ATTR_RDONLY;
  bool closed = mount_setattr(AT_FDCWD, "/", AT_RECURSIVE, &read_only, sizeof(read_only)) == 0;
  if (closed) {
    if (hides_tmp) mount_empty("/tmp");
    mount_empty("/dev/shm");
    make_way(folder);
    closed = move_mount(own, "", AT_FDCWD, folder, MOVE_MOUNT_F_EMPTY_PATH) == 0;
  }
  close(own);
  return closed;
}

void limit(int resource, std::size_t most) {
  rlimit current = {};
  if (getrlimit(static_cast<__rlimit_resource>(resource), &current) != 0) return;
  const auto wanted = static_cast<rlim_t>(most);
  const rlim_t hard = current.rlim_max < wanted ? current.rlim_max : wanted;
  const rlimit lower = {hard, hard};
  setrlimit(static_cast<__rlimit_resource>(resource), &lower);
}

// The rights that come with a user namespace are for setting it up, and not for the program: it
// could make its view writable again.
void drop_rights() {
  prctl(PR_SET_SECUREBITS,
        SECBIT_NOROOT | SECBIT_NOROOT_LOCKED | SECBIT_NO_SETUID_FIXUP |
            SECBIT_NO_SETUID_FIXUP_LOCKED | SECBIT_NO_CAP_AMBIENT_RAISE |
            SECBIT_NO_CAP_AMBIENT_RAISE_LOCKED,
        0, 0, 0);
  for (unsigned long right = 0; right <= CAP_LAST_CAP; ++right)
    prctl(PR_CAPBSET_DROP, right, 0, 0, 0);
  __user_cap_header_struct header = {_LINUX_CAPABILITY_VERSION_3, 0};
  __user_cap_data_struct none[2] = {};
  syscall(SYS_capset, &header, none);
}

bool redirect(const char* path, int flags, int to) {
  const int file = open(path, flags | O_CLOEXEC, 0600);
  return file >= 0 && dup2(file, to) == to;
}

}  // namespace

Confinement enter_new_world(const Child& child) {
  Confinement out;
  if (!enter_user_namespace(child)) return out;
  out.rights = true;
  out.network = unshare(CLONE_NEWNET) == 0;
  if (out.network) raise_loopback();
  unshare(CLONE_NEWIPC);
  out.files = make_read_only(child.folder, child.hides_tmp);
  out.processes = unshare(CLONE_NEWPID) == 0;
  return out;
}

void become_program(const Child& child, const Confinement& confinement) {
  // Its own list of processes, where the kernel lets us show it one.
  if (confinement.processes && confinement.files &&
      mount("proc", "/proc", "proc", MS_NOSUID | MS_NOEXEC | MS_NODEV, nullptr) == 0)
    // Numbers of processes and threads run out there, since Linux 6.14, before they do elsewhere.
    write_file("/proc/sys/kernel/pid_max", "1024");
  constexpr std::size_t most_file = std::size_t{1} << 28;
  constexpr std::size_t most_open = 4096;
  limit(RLIMIT_CORE, 0);
  limit(RLIMIT_CPU, child.seconds);
  limit(RLIMIT_DATA, child.memory);
  limit(RLIMIT_FSIZE, most_file);
  limit(RLIMIT_NOFILE, most_open);
  // Without a namespace it would count all that the user runs.
  if (confinement.rights) limit(RLIMIT_NPROC, child.processes);
  if (chdir(child.folder) != 0) return;
  if (!redirect("/dev/null", O_RDONLY, 0) ||
      !redirect(child.output, O_WRONLY | O_CREAT | O_TRUNC, 1) ||
      !redirect(child.messages, O_WRONLY | O_CREAT | O_TRUNC, 2))
    return;
  prctl(PR_SET_NO_NEW_PRIVS, 1, 0, 0, 0);
  if (confinement.rights) drop_rights();
  struct sigaction usual = {};
  usual.sa_handler = SIG_DFL;
  for (int number = 1; number < NSIG; ++number) sigaction(number, &usual, nullptr);
  sigset_t none;
  sigemptyset(&none);
  sigprocmask(SIG_SETMASK, &none, nullptr);
  execve(child.arguments[0], child.arguments, child.environment);
}

}  // namespace inky::toolchain
