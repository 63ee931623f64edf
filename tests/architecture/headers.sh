#!/usr/bin/env bash
# Every installed header compiles alone, and the one that includes them all names each of them.
#   headers.sh INCLUDE_DIR COMPILER
set -euo pipefail
cd "$1"
headers="$(find inky_margin -name '*.hpp' | sort)"
printf '%s\n' $headers | xargs -P "$(nproc)" -I{} "$2" -std=c++20 -Wall -Wextra -Werror -fsyntax-only -I. -include {} -x c++ /dev/null
for header in $headers; do
  case "$header" in inky_margin/inky_margin.hpp | inky_margin/toolchain/*) continue ;; esac
  grep -q "\"$header\"" inky_margin/inky_margin.hpp || { echo "inky_margin.hpp leaves out $header"; exit 1; }
done
echo "$(printf '%s\n' $headers | wc -l) headers compile alone"
