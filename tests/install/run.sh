#!/usr/bin/env bash
# Installs the build into a fresh folder, then builds and runs an outside user of the package.
#   run.sh BUILD_DIR COMPILER CXX_FLAGS
set -euo pipefail
here="$(cd "$(dirname "$0")" && pwd)"
folder="$(mktemp -d)"
trap 'rm -rf "$folder"' EXIT
cmake --install "$1" --prefix "$folder/prefix" >/dev/null
cmake -S "$here" -B "$folder/build" -G Ninja -DCMAKE_PREFIX_PATH="$folder/prefix" -DCMAKE_CXX_COMPILER="$2" -DCMAKE_CXX_FLAGS="$3" >/dev/null
cmake --build "$folder/build" >/dev/null
"$folder/build/outside"
"$folder/prefix/bin/inky" --version
