// How a program of a dialect is built and run: facts that toolchain/ follows.
#pragma once

#include <string_view>

namespace inky::inline v1 {

struct RunForm {
  std::string_view programs;  // names to look for in PATH, the best first
  std::string_view variable;  // of the environment, that names another; empty: none is usual
  std::string_view package;   // of Debian, that brings it
  std::string_view file;      // what the program is called
  // Words between blanks; @ is the program found. No build: the file is run as it is.
  std::string_view build;
  std::string_view run;
  std::string_view locale = "C.UTF-8";  // LC_ALL of the environment
  std::string_view locale_folder = {};  // LOCPATH of it; empty: where the C library looks anyway
};

}  // namespace inky::inline v1
