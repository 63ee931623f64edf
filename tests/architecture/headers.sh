#!/usr/bin/env bash
# Every installed header compiles alone, and the one that includes them all names each of them. That
# for C compiles as C11 and as C++.
#   headers.sh INCLUDE_DIR COMPILER
set -euo pipefail
cd "$1"
headers="$(find inky_margin -name '*.hpp' | sort)"
printf '%s\n' $headers | xargs -P "$(nproc)" -I{} "$2" -std=c++20 -Wall -Wextra -Werror -fsyntax-only -I. -include {} -x c++ /dev/null
for language in "c -std=c11" "c++ -std=c++11"; do
  "$2" -Wall -Wextra -Werror -Wpedantic -fsyntax-only -x $language inky_margin.h
done
for header in $headers; do
  case "$header" in inky_margin/inky_margin.hpp) continue ;; esac
  grep -q "\"$header\"" inky_margin/inky_margin.hpp || { echo "inky_margin.hpp leaves out $header"; exit 1; }
done
echo "$(printf '%s\n' $headers | wc -l) headers compile alone"
