// A folder to build and run in, gone with everything in it when its owner is: also where the owner
// is killed.
#pragma once

#include <sys/types.h>

#include <string>

namespace inky::toolchain {

class WorkFolder {
 public:
  WorkFolder();
  WorkFolder(const WorkFolder&) = delete;
  WorkFolder& operator=(const WorkFolder&) = delete;
  ~WorkFolder();

  // Empty: there is none, and why() gives the reason.
  const std::string& path() const { return path_; }
  const std::string& why() const { return why_; }

 private:
  std::string path_;
  std::string why_;
  pid_t guard_ = -1;
  int guarded_ = -1;  // the guard removes the folder when this is closed
};

}  // namespace inky::toolchain
