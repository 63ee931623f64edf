#include "environment.hpp"

#include <locale.h>

#include <cstdlib>
#include <filesystem>
#include <string_view>

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;

// Where an installation is that its programs cannot find by themselves: the variable, or else this
// folder of the user's home. It is where the program that was found lives, and is passed for that
// alone.
struct Installation {
  const char* variable;
  const char* usual;
};
constexpr Installation installations[] = {{"RUSTUP_HOME", ".rustup"}, {"PYENV_ROOT", ".pyenv"}};

std::string folder_of(const Installation& one) {
  std::error_code failed;
  const char* named = std::getenv(one.variable);
  if (named != nullptr && *named == '/' && fs::is_directory(named, failed)) return named;
  const char* home = std::getenv("HOME");
  if (home == nullptr || *home != '/') return {};
  const fs::path usual = fs::path(home) / one.usual;
  return fs::is_directory(usual, failed) ? usual.string() : std::string();
}

bool has_library_of_cultures() {
  constexpr std::string_view library = "libicuuc.so.";
  for (const char* folder : {"/usr/lib/x86_64-linux-gnu", "/usr/lib/aarch64-linux-gnu",
                             "/usr/lib64", "/usr/lib", "/lib", "/usr/local/lib"}) {
    std::error_code failed;
    for (fs::directory_iterator at(folder, failed), end; !failed && at != end;
         at.increment(failed)) {
      if (at->path().filename().native().starts_with(library)) return true;
    }
  }
  return false;
}

}  // namespace

bool has_c_locale(const std::string& name) {
  const locale_t found = newlocale(LC_ALL_MASK, name.c_str(), nullptr);
  if (found == nullptr) return false;
  freelocale(found);
  return true;
}

bool has_cultures() {
  static const bool found = has_library_of_cultures();
  return found;
}

std::vector<std::string> witness_environment(const std::string& program, const std::string& folder,
                                             const RunForm& form) {
  std::vector<std::string> out = {
      "LANG=C.UTF-8", "LC_ALL=" + std::string(form.locale), "TZ=UTC", "DOTNET_NOLOGO=1",
      "DOTNET_CLI_TELEMETRY_OPTOUT=1", "DOTNET_SKIP_FIRST_TIME_EXPERIENCE=1",
      "DOTNET_GENERATE_ASPNET_CERTIFICATE=0", "DOTNET_CLI_WORKLOAD_UPDATE_NOTIFY_DISABLE=true",
      // Its servers would outlive the witness.
      "MSBUILDDISABLENODEREUSE=1", "DOTNET_CLI_USE_MSBUILD_SERVER=0", "UseSharedCompilation=false"};
  if (!form.locale_folder.empty()) out.push_back("LOCPATH=" + std::string(form.locale_folder));
  if (!has_cultures()) out.push_back("DOTNET_SYSTEM_GLOBALIZATION_INVARIANT=1");
  out.push_back("PATH=" + fs::path(program).parent_path().string() +
                ":/usr/local/bin:/usr/bin:/bin");
  // What they keep for another time, they keep in the folder.
  for (const char* name : {"HOME", "TMPDIR", "XDG_DATA_HOME", "XDG_CACHE_HOME", "XDG_CONFIG_HOME",
                           "DOTNET_CLI_HOME", "NUGET_PACKAGES"})
    out.push_back(std::string(name) + "=" + folder);
  for (const Installation& one : installations) {
    const std::string installed = folder_of(one);
    if (!installed.empty()) out.push_back(std::string(one.variable) + "=" + installed);
  }
  return out;
}

}  // namespace inky::toolchain
