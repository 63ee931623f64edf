#!/usr/bin/env bash
# Installs the package for Python with pip, without a network, into a fresh folder, and uses it there.
#   python.sh SOURCE_DIR LIBRARY PYTHON
set -euo pipefail
if ! "$3" -c 'import setuptools, pip, wheel' 2>/dev/null; then
  echo "pip, setuptools and wheel are not here: left out"
  exit 0
fi
folder="$(mktemp -d)"
trap 'rm -rf "$folder"' EXIT
cp -r "$1/python" "$folder/source"
INKY_MARGIN_LIBRARY="$2" "$3" -m pip install --quiet --no-build-isolation --no-deps --no-index --disable-pip-version-check \
  --root-user-action ignore --target "$folder/installed" "$folder/source"
cd "$folder"
PYTHONPATH="$folder/installed" "$3" -c '
import inky_margin
assert inky_margin.__file__.startswith("'"$folder"'/installed"), inky_margin.__file__
assert inky_margin.show("%.2f", 2.675).text == "2.67"
print("installed, and used: inky_margin", inky_margin.version())
'
