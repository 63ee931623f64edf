#!/usr/bin/env bash
# What must not compile does not; each line of refused.txt is the body of a function, and the first is one that compiles.
#   refused.sh INCLUDE_DIR COMPILER
set -euo pipefail
here="$(cd "$(dirname "$0")" && pwd)"
include="$1" compiler="$2" count=0
folder="$(mktemp -d)"
trap 'rm -rf "$folder"' EXIT
# The headers are read once for all.
echo '#include <inky_margin/inky_margin.hpp>' >"$folder/all.hpp"
flags=(-std=c++20 -Wall -Wextra -Werror -I"$include")
"$compiler" "${flags[@]}" -x c++-header "$folder/all.hpp" -o "$folder/all.hpp.gch"
try() {
  printf 'using namespace inky;\nvoid body() { %s }\n' "$1" |
    "$compiler" "${flags[@]}" -fsyntax-only -include "$folder/all.hpp" -x c++ - 2>/dev/null
}
while IFS= read -r line; do
  case "$line" in '' | '//'*) continue ;; esac
  if [ "$count" -eq 0 ]; then
    try "$line" || { echo "this should compile: $line"; exit 1; }
  elif try "$line"; then
    echo "this compiles: $line"
    exit 1
  fi
  count=$((count + 1))
done <"$here/refused.txt"
echo "$((count - 1)) mistakes are refused"
