// A folder for files of one test, which is gone afterwards.
#pragma once

#include <unistd.h>

#include <filesystem>
#include <fstream>
#include <string>

namespace support {

struct Folder {
  std::filesystem::path path =
      std::filesystem::temp_directory_path() / ("inky-check-" + std::to_string(::getpid()));

  Folder() { std::filesystem::create_directories(path); }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  ~Folder() { std::filesystem::remove_all(path); }

  // The path of the file.
  std::string put(const std::string& name, const std::string& text) const {
    std::filesystem::create_directories((path / name).parent_path());
    std::ofstream(path / name, std::ios::binary) << text;
    return (path / name).string();
  }
};

}  // namespace support
