# Debian's packages, found once; scripts/install-packages installs them.
find_package(PkgConfig REQUIRED)
pkg_check_modules(utf8proc REQUIRED IMPORTED_TARGET GLOBAL libutf8proc)
pkg_check_modules(cairo REQUIRED IMPORTED_TARGET GLOBAL cairo)
find_package(Boost 1.74 REQUIRED)
find_package(nlohmann_json 3.11 REQUIRED)
find_package(tomlplusplus REQUIRED)
find_library(csv_library csv REQUIRED)
